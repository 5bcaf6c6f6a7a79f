"""The frozen thing that is played: a song with all it names, cut out of the document."""

from __future__ import annotations

from typing import NamedTuple

import msgspec

from grebe.core.document import Project
from grebe.core.patterns.model import Content, Pattern
from grebe.core.rig.flow import Flow
from grebe.core.rig.model import GREBE_ID, Cable, CountIn, Device, JackTransport, Rig, lines_of
from grebe.core.rig.passage import Passage, passages
from grebe.core.rig.spec import PulseRate
from grebe.core.rig.tree import tree_of
from grebe.core.rig.trigger import Binding, Trigger
from grebe.core.rig.wiring import MIDI_MEDIA, Wiring
from grebe.core.sets.joined import Chapter, join
from grebe.core.sets.model import Set
from grebe.core.songs.layout import Layout, lay_out
from grebe.core.songs.model import Scene, Song
from grebe.core.units import Id, Value


class PulseLine(Value, frozen=True, kw_only=True):
    """A pulse cable from Grebe."""

    device: Id
    rate: PulseRate
    """Pulses a quarter note."""


class Plan(Value, frozen=True, kw_only=True):
    """A song or a set, the scenes and patterns it names, and the devices that play it."""

    project: str
    """Name of the project, for people."""
    source: str = ""
    """Path of the project file; says whether two plans belong together."""
    song: Song
    """The song; of a set, all its songs joined into one."""
    chapters: tuple[Chapter, ...] = ()
    """The songs of a set, in order; none where it is one song."""
    scenes: tuple[Scene, ...]
    patterns: tuple[Pattern, ...]
    devices: tuple[Device, ...]
    clocked: tuple[str, ...]
    """Devices plugged into Grebe that it sends the clock to; others share their wires."""
    started: tuple[str, ...] = ()
    """Devices plugged into Grebe that it sends Start, Stop and Song Position to."""
    via: dict[str, str] = {}
    """For every device Grebe reaches, the one plugged into it at the beginning of the wire."""
    locked: tuple[str, ...] = ()
    """Devices that get Grebe's clock, over whichever wire, and obey it."""
    passages: tuple[Passage, ...] = ()
    """What Grebe passes from box to box."""
    pulsed: tuple[PulseLine, ...] = ()
    """What gets pulses from Grebe."""
    jack: JackTransport = "leave"
    panic: Trigger | None = None
    """The press that panics."""
    bindings: tuple[Binding, ...] = ()
    """What controllers and pedals do."""
    players: tuple[str, ...] = ()
    """Boxes and tracks in the order their mutes are numbered."""
    count_in: CountIn = CountIn()
    seed: int = 1
    """Of the dice in patterns: the same gives the same take."""
    remembered: tuple[str, ...] = ()
    """Boxes whose notes and controllers are remembered as they are played: those that have an
    input of Grebe's to play into."""
    follows: str = ""
    """The box whose clock Grebe follows, plugged into it; "" while it leads, or is led by none."""
    follows_ppqn: float = 24.0
    """Ticks a quarter note that come from there."""
    follows_starts: bool = True
    """Whether that box says when to start; with one that does not, Run waits for its next tick."""

    @property
    def lines(self) -> tuple[Device, ...]:
        """All that plays: the devices, and after each its tracks."""
        return lines_of(self.devices)

    def devices_on(self, wire: str) -> tuple[str, ...]:
        """Devices that get the clock of the wire to `wire`: itself, and those behind it."""
        return tuple(
            d.id
            for d in self.devices
            if d.id == wire or (self.via.get(d.id) == wire and d.id in self.locked)
        )

    @property
    def idle(self) -> tuple[str, ...]:
        """Devices plugged into Grebe whose wire carries clock while stopped, too."""
        wanting = {d.id for d in self.devices if d.clock_stopped}
        return tuple(w for w in self.clocked if wanting.intersection(self.devices_on(w)))

    @property
    def pulsed_idle(self) -> tuple[PulseLine, ...]:
        """Pulse cables that carry pulses while stopped, too."""
        wanting = {d.id for d in self.devices if d.clock_stopped}
        return tuple(line for line in self.pulsed if line.device in wanting)

    def layout(self) -> Layout:
        """The song laid out."""
        return lay_out(self.song, {s.id: s for s in self.scenes})


def sounding(pattern: Pattern, device: Device) -> Content:
    """What is heard when a device plays a pattern: the box's own copy where the box plays."""
    if device.plays == "own" and pattern.in_box is not None:
        return pattern.in_box
    return pattern.content


def make_plan(project: Project, song: Song, source: str = "", seed: int = 1) -> Plan:
    """Cut a plan for one song out of a project; `seed` is that of the take's dice.

    EditError when the song names a scene that is not there.
    """
    project.layout(song)  # says what is missing
    return _cut(project, song, (), source, seed)


def make_set_plan(
    project: Project, running: Set, source: str = "", seed: int = 1,
    dropped: frozenset[tuple[str, str]] = frozenset(),
) -> Plan:  # fmt: skip
    """Cut a plan for a set. Songs that cannot be played are left out; EditError if none can.

    Sections in `dropped`, as (place, section), are played a pass less.
    """
    joined = join(project, running, dropped)
    return _cut(project, joined.song, joined.chapters, source, seed)


def _cut(
    project: Project, song: Song, chapters: tuple[Chapter, ...], source: str, seed: int
) -> Plan:
    scene_ids = {section.scene for section in song.sections}
    scenes = tuple(s for s in project.scenes if s.id in scene_ids)
    used = {p for s in scenes for part in s.parts for p in part.chain}
    used |= {part.fill for s in scenes for part in s.parts}
    used |= {swap.pattern for section in song.sections for swap in section.swaps}
    # A hand may give a line any pattern that it has.
    at_hand = {part.device for s in scenes for part in s.parts}
    wires = _wires(project.rig)
    return Plan(
        project=project.name,
        source=source,
        seed=seed,
        song=song,
        chapters=chapters,
        scenes=scenes,
        patterns=tuple(p for p in project.patterns if p.id in used or p.device in at_hand),
        devices=project.rig.devices,
        clocked=wires.clocked,
        started=wires.started,
        via=wires.via,
        locked=wires.locked,
        passages=wires.passages,
        pulsed=wires.pulsed,
        jack=project.rig.jack,
        panic=project.rig.panic,
        bindings=project.rig.bindings,
        players=tuple(d.id for d in project.players),
        remembered=_remembered(project.rig),
        count_in=project.rig.count_in,
        follows=wires.follows,
        follows_ppqn=wires.follows_ppqn,
        follows_starts=wires.follows_starts,
    )


def _remembered(rig: Rig) -> tuple[str, ...]:
    """Boxes plugged into Grebe over MIDI that are heard somewhere."""
    plugged = {c.source for c in rig.cables if c.target == GREBE_ID and c.medium in MIDI_MEDIA}
    return tuple(
        d.id for d in rig.devices if d.id in plugged and (d.input.is_set or d.port.is_standin)
    )


class _Wires(NamedTuple):
    clocked: tuple[str, ...]
    started: tuple[str, ...]
    via: dict[str, str]
    locked: tuple[str, ...]
    passages: tuple[Passage, ...]
    pulsed: tuple[PulseLine, ...]
    follows: str
    follows_ppqn: float
    follows_starts: bool


def _wires(rig: Rig) -> _Wires:
    """What goes over each wire: clock and Start where somebody behind it obeys them, and routes."""
    wiring = Wiring(rig)
    tree, flow = tree_of(wiring), Flow(wiring)
    via = _one_wire_a_port(rig, flow.via)
    direct = dict.fromkeys(via.values())
    locked = tuple(d for d in tree.locked if d in via and tree.passes(GREBE_ID, d))
    heard = tree.hops.get(GREBE_ID)
    follows = heard.cable.source if heard is not None else ""
    ticking = {via[d] for d in locked}
    starting = {
        via[d]
        for d in locked
        if rig.device(d).obeys_transport
        and any(a.stream.kind == "transport" for a in flow.arrivals[d])
    }
    return _Wires(
        clocked=tuple(d for d in direct if d in ticking),
        started=tuple(d for d in direct if d in starting),
        via=via,
        locked=locked,
        passages=tuple(
            _without_clock(p) if p.source == follows else p for p in passages(wiring, via)
        ),
        pulsed=tuple(
            PulseLine(device=c.target, rate=float(wiring.rate(c)))
            for c in wiring.leaving[GREBE_ID]
            if c.medium == "pulse" and c.clock and (tree.leader == GREBE_ID or follows)
        ),
        follows=follows,
        follows_ppqn=float(heard.wanted) if heard is not None else 24.0,
        follows_starts=heard is None or _says_start(rig, heard.cable),
    )


def _one_wire_a_port(rig: Rig, via: dict[str, str]) -> dict[str, str]:
    """The ways by which boxes are reached, with those on one real port as one wire: the clock and
    Start belong to the port, whatever the rig calls the boxes behind it."""
    first: dict[tuple[str, str], str] = {}
    same: dict[str, str] = {}
    for wire in dict.fromkeys(via.values()):
        port = rig.device(wire).port
        if port.name and port.wire not in ("standin", "peer", "none"):
            same[wire] = first.setdefault((port.wire, port.name), wire)
    return {device: same.get(wire, wire) for device, wire in via.items()}


def _says_start(rig: Rig, cable: Cable) -> bool:
    """Whether Start can come over the cable that brings Grebe its clock."""
    if cable.medium not in MIDI_MEDIA:
        return rig.device(cable.source).run_from.is_set
    sends = rig.device(cable.source).spec.sends
    lets = cable.passes.transport and cable.accepts.transport
    # Of a box whose profile says nothing at all, nothing is held against it.
    return lets and (sends.transport or not sends.clock)


def _without_clock(passage: Passage) -> Passage:
    """A route from the box that is followed: its clock is sent afresh, not passed on."""
    passes = msgspec.structs.replace(passage.passes, clock=False, transport=False)
    return msgspec.structs.replace(passage, passes=passes)


def played_by_grebe(plan: Plan) -> Plan:
    """The plan with every device played note by note, as a file of the song needs it.

    A box's own patterns are taken as its memory holds them.
    """
    by_id = {d.id: d for d in plan.lines}
    patterns = tuple(
        msgspec.structs.replace(p, content=sounding(p, by_id[p.device])) if p.device in by_id else p
        for p in plan.patterns
    )
    devices = tuple(msgspec.structs.replace(d, plays="grebe") for d in plan.devices)
    return msgspec.structs.replace(plan, patterns=patterns, devices=devices)
