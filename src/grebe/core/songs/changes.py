"""What changes from one scene to the next: what Grebe sends and when, what hands have to do."""

from __future__ import annotations

from collections.abc import Collection, Iterator
from typing import Literal, NamedTuple

from grebe.core.document import Project
from grebe.core.patterns.model import Pattern
from grebe.core.patterns.wire import BYTE_MS
from grebe.core.player.events import ControlChange, DeviceEvent, ProgramChange
from grebe.core.player.lead import PROGRAM_LEAD_TICKS, lead_ticks
from grebe.core.player.mutes import SILENT, SOUNDING
from grebe.core.player.plan import sounding
from grebe.core.rig.flow import Flow
from grebe.core.rig.lines import box_of
from grebe.core.rig.model import Device, Rig
from grebe.core.rig.numbering import printed_program
from grebe.core.rig.spec import HandMove, MoveFor
from grebe.core.rig.wiring import Wiring
from grebe.core.songs.hands import Move
from grebe.core.songs.model import Part, Scene, Song
from grebe.core.time.delay import fitted_ms, note_ms
from grebe.core.time.ticks import TICKS_PER_QUARTER, note_value_ticks
from grebe.words import counted, tr

UNKNOWN_SECONDS = 2.0
"""What a move by hand takes that no profile speaks of: common practice, no source."""
AFTER_THE_ONE = 0.25
"""A move that is heard at once is in time until so many quarter notes after the boundary."""
SAME_ECHO_MS = 1.0
"""Echo times nearer than this count as the same: no dial is set finer."""
BEGUN_SOONER_MS = 500.0
"""A move that takes longer than its window is begun so much sooner than it has to be over."""
_NAMES: dict[MoveFor, str] = {
    "pattern": tr("choose the pattern"), "mute": tr("silence it or let it sound"),
    "controller": tr("turn it"), "tracks": tr("start or stop tracks"), "echo": tr("set its time"),
}  # fmt: skip


class Sent(NamedTuple):
    """A message and when it leaves, in ticks before the boundary."""

    before: int
    event: DeviceEvent


class SceneChange(NamedTuple):
    """One thing that is otherwise in the scene that comes in."""

    device: str
    kind: MoveFor
    before: str
    after: str
    by: Literal["grebe", "hand"]
    how: str
    sent: tuple[Sent, ...]
    """What Grebe sends for it, where it is a message; empty where Grebe plays the box itself."""
    latest_ms: float
    """The latest safe moment in milliseconds before the boundary; negative is after it."""
    opens_ms: float
    """The earliest, likewise."""
    move: HandMove | None = None
    """The move it takes, where it takes a hand or a foot."""
    times: int = 1
    """How often."""
    relief: tuple[Literal["give", "ahead", "earlier"], ...] = ()

    @property
    def seconds(self) -> float:
        """How long hands are busy with it."""
        return 0.0 if self.move is None else self.move.seconds * self.times


class Around(NamedTuple):
    """What every change from one scene to another is worked out from."""

    project: Project
    before: Scene | None
    after: Scene
    bpm: float
    bpm_after: float
    """Once it has come to where the scene takes it."""
    reached: frozenset[str]
    """Devices Grebe reaches."""
    box_songs: frozenset[str]
    """Devices that play a song of their own."""
    patterns: dict[str, Pattern]

    def ms(self, ticks: float) -> float:
        """Milliseconds at the tempo there."""
        return note_ms(self.bpm, ticks / TICKS_PER_QUARTER)


def relief_words(ways: tuple[str, ...]) -> str:
    """How hands can be relieved of a move, in words."""
    words = {
        "give": tr("let Grebe tell the box"),
        "ahead": tr("pre-set it"),
        "earlier": tr("make it a bar earlier"),
    }
    return tr(" or ").join(words[w] for w in ways) or tr(
        "leave it out, or give it to a longer scene"
    )


def silenced_by_hand(device: Device, voice: str) -> bool:
    """Whether there is no message that silences a device, or (unless "") one voice of it."""
    return device.plays == "own" and (bool(voice) or device.mute_controller is None)


def reached_by(project: Project) -> frozenset[str]:
    """Boxes that Grebe's messages reach, and their tracks."""
    return lines_reached(project.rig, Flow(Wiring(project.rig)).via)


def lines_reached(rig: Rig, via: Collection[str]) -> frozenset[str]:
    """The addresses of all that plays in the boxes that are reached."""
    return frozenset(line.id for line in rig.lines if box_of(line.id) in via)


def changes(
    project: Project, before: Scene | None, after: Scene, bpm: float, *,
    bpm_after: float | None = None, reached: frozenset[str] | None = None,
    song: Song | None = None, hands_only: bool = False,
) -> tuple[SceneChange, ...]:  # fmt: skip
    """Everything that changes when `after` comes in after `before`; None: nothing played yet.

    `hands_only` leaves out lines where hands have nothing to do, which is quicker.
    In order of the rig. `bpm` is the tempo at the boundary, `bpm_after` the one it goes to there,
    where that is another: then echo times change with it.
    """
    told = frozenset() if song is None else frozenset(b.device for b in song.box_songs)
    everywhere = reached_by(project) if reached is None else reached
    patterns = project.patterns_by_id
    around = Around(project, before, after, bpm, bpm_after or bpm, everywhere, told, patterns)
    out: list[SceneChange] = []
    for device in project.rig.devices:
        lines = device.lines
        if hands_only:
            lines = tuple(line for line in lines if not _all_sent(around, line))
        made = [change for line in lines for change in _of(around, line)]
        out += _at_once(device, made) if device.spec.mutes_at_once > 1 else made
    return tuple(out)


def _at_once(device: Device, made: list[SceneChange]) -> list[SceneChange]:
    """Mutes by hand that one press on the box makes together are one move."""
    names = {line.id: line.name for line in device.lines}
    by_hand = [c for c in made if c.kind == "mute" and c.move is not None]
    for first in range(0, len(by_hand), device.spec.mutes_at_once):
        leads, *along = by_hand[first : first + device.spec.mutes_at_once]
        opens = min(c.opens_ms for c in (leads, *along))
        latest = max(c.latest_ms for c in (leads, *along))
        made[made.index(leads)] = leads._replace(opens_ms=opens, latest_ms=latest)
        for other in along:
            how = tr("with the press for {leads}", leads=names[leads.device])
            made[made.index(other)] = other._replace(how=how, move=None)
    return made


def moves_of(found: tuple[SceneChange, ...]) -> list[Move]:
    """What hands have to do for these changes, for `hands.schedule`."""
    return [
        Move(
            c.device,
            tr("{move}: {before} to {after}", move=c.move.name, before=c.before, after=c.after)
            if c.before
            else f"{c.move.name}: {c.after}",
            c.move.limb,
            c.seconds,
            -c.opens_ms / 1000,
            -c.latest_ms / 1000,
            c.relief,
        )
        for c in found
        if c.move is not None
    ]


def _all_sent(a: Around, device: Device) -> bool:
    """Whether Grebe makes every change of a line itself: only loops and echoes are left to hands
    where it plays and reaches the box."""
    if device.plays != "grebe" or device.id not in a.reached:
        return False
    now = a.after.part(device.id)
    return now.tracks is None and now.echo is None and not now.frozen


def _of(a: Around, device: Device) -> Iterator[SceneChange]:
    was = Part(device=device.id) if a.before is None else a.before.part(device.id)
    now = a.after.part(device.id)
    if was == now and a.before is not None and (now.echo is None or a.bpm == a.bpm_after):
        return
    if box_of(device.id) not in a.box_songs:
        yield from _pattern(a, device, was, now)
    yield from _mutes(a, device, was, now)
    yield from _values(a, device, was, now)
    yield from _tracks(a, device, was, now)
    yield from _echo(a, device, was, now)
    yield from _frozen(a, device, was, now)


def _pattern(a: Around, device: Device, was: Part, now: Part) -> Iterator[SceneChange]:
    if was.chain == now.chain and a.before is not None:
        return
    if not now.chain and not was.chain:
        return
    patterns = a.patterns
    before, after = _chain_name(was, patterns), _chain_name(now, patterns)
    if device.plays == "grebe":
        if device.id in a.reached:
            yield SceneChange(
                device.id, "pattern", before, after, "grebe", tr("Grebe plays it"), (), 0, 0
            )
        return
    if not now.chain:
        yield from _silenced(a, device, before)
        return
    first = patterns.get(now.chain[0])
    if device.obeys_program and device.id in a.reached:
        yield _told(a, device, before, after, first, was, patterns)
        if not was.chain and device.mute_controller is not None and a.before is not None:
            yield _switched(device, tr("silent"), tr("sounding"), SOUNDING)
        return
    opens, latest = _window(a, device, was, patterns)
    relief: list[Literal["give", "ahead", "earlier"]] = []
    if device.spec.obeys.program and device.id in a.reached:
        relief.append("give")
    if not was.chain:
        relief.append("earlier")
    yield _by_hand(device, "pattern", before, after, opens, latest, tuple(relief))


def _told(
    a: Around, device: Device, before: str, after: str, first: Pattern | None, was: Part,
    patterns: dict[str, Pattern],
) -> SceneChange:  # fmt: skip
    """A program change, sent a sixteenth before or as long before as the box needs."""
    opens, latest = _window(a, device, was, patterns)
    if first is None or first.program is None:
        return SceneChange(
            device.id, "pattern", before, after, "grebe", tr("it has no slot"), (), 0, 0
        )
    lead = lead_ticks(device, a.bpm)
    event = ProgramChange(channel=device.told_on, program=first.program)
    early = tr("a sixteenth") if lead == PROGRAM_LEAD_TICKS else tr("{ms:.0f} ms", ms=a.ms(lead))
    how = tr(
        "{printed_program}, program {program} sent {early} early",
        printed_program=printed_program(device, first.program),
        program=first.program,
        early=early,
    )
    return SceneChange(
        device.id, "pattern", before, after, "grebe", how, (Sent(lead, event),),
        latest + 2 * BYTE_MS, opens,
    )  # fmt: skip


def _window(
    a: Around, device: Device, was: Part, patterns: dict[str, Pattern]
) -> tuple[float, float]:
    """(earliest, latest) in ms before the boundary at which a box can be told its next pattern.

    Sooner than in the last pass of what it plays, one that changes at the end of a pattern
    would change too soon.
    """
    bar = a.after.meter.bar_ticks
    if a.before is None:
        return a.ms(4 * bar), 0.0
    bar = a.before.meter.bar_ticks
    if not was.chain:
        return a.ms(a.before.bars * bar), device.spec.told_ms
    running = patterns.get(was.chain[-1])
    long = bar if running is None else min(sounding(running, device).ticks, a.before.bars * bar)
    if device.change_at == "pattern_end":
        return a.ms(long), device.spec.told_ms
    if device.change_at == "bar":
        return a.ms(bar), device.spec.told_ms
    return a.ms(bar), -a.ms(AFTER_THE_ONE * TICKS_PER_QUARTER)


def _silenced(a: Around, device: Device, before: str) -> Iterator[SceneChange]:
    if device.mute_controller is not None and device.id in a.reached:
        yield _switched(device, before, tr("silent"), SILENT)
    else:
        yield _heard_at_once(a, device, "mute", before, tr("silent"))


def _switched(device: Device, before: str, after: str, value: int) -> SceneChange:
    assert device.mute_controller is not None
    event = ControlChange(channel=device.channel, controller=device.mute_controller, value=value)
    how = tr(
        "controller {mute_controller} at {value}, on the one",
        mute_controller=device.mute_controller,
        value=value,
    )
    return SceneChange(
        device.id, "mute", before, after, "grebe", how, (Sent(0, event),), 0.0, 0.0
    )  # fmt: skip


def _mutes(a: Around, device: Device, was: Part, now: Part) -> Iterator[SceneChange]:
    """Devices and voices silenced, or heard again."""
    if a.after.mutes == "left" or not now.chain:
        return
    muted = was.muted and bool(was.chain)
    if now.muted != muted:
        before, after = (tr("silent"), tr("sounding")) if muted else (tr("sounding"), tr("silent"))
        if device.plays == "grebe":
            yield SceneChange(
                device.id, "mute", before, after, "grebe", tr("Grebe mutes it"), (), 0, 0
            )
        elif device.mute_controller is not None and device.id in a.reached:
            value = SILENT if now.muted else SOUNDING
            yield _switched(device, before, after, value)
        else:
            yield _heard_at_once(a, device, "mute", before, after)
    silent = set(was.silent_voices) if was.chain else set()
    differ = silent ^ set(now.silent_voices)
    if differ:
        names = _voice_names(a.project, device, was, now)
        words = ", ".join(sorted(names.get(v, v) for v in differ))
        after = (
            tr("{words} silent", words=words)
            if differ <= set(now.silent_voices)
            else tr("{words} as they go", words=words)
        )
        if not differ & set(now.silent_voices):
            after = tr("{words} sounding", words=words)
        if device.plays == "grebe":
            yield SceneChange(device.id, "mute", "", after, "grebe", tr("Grebe mutes it"), (), 0, 0)
        else:
            yield _heard_at_once(a, device, "mute", "", after, times=len(differ))


def _values(a: Around, device: Device, was: Part, now: Part) -> Iterator[SceneChange]:
    stood = {(v.controller, v.channel): v.value for v in was.values}
    names = {row.number: row.name for row in device.spec.controllers}
    for value in now.values:
        old = stood.get((value.controller, value.channel))
        if old == value.value:
            continue
        name = names.get(
            value.controller, tr("controller {controller}", controller=value.controller)
        )
        before, after = "" if old is None else f"{name} {old}", f"{name} {value.value}"
        if device.id in a.reached:
            event = ControlChange(
                channel=value.channel or device.channel,
                controller=value.controller,
                value=value.value,
            )
            how = tr(
                "controller {controller} at {value_value}, on the one",
                controller=value.controller,
                value_value=value.value,
            )
            if now.over_bars:
                how = tr("{how}, over {bars}", how=how, bars=counted(now.over_bars, "bar"))
            yield SceneChange(
                device.id, "controller", before, after, "grebe", how, (Sent(0, event),), 0, 0
            )  # fmt: skip
        else:
            yield _heard_at_once(a, device, "controller", before, after)


def _tracks(a: Around, device: Device, was: Part, now: Part) -> Iterator[SceneChange]:
    """Loop tracks that start or stop. Those that start wait for the loop's own boundary."""
    if now.tracks is None or now.tracks == (was.tracks or ()):
        return
    differ = set(now.tracks) ^ set(was.tracks or ())
    before = _track_names(was.tracks or ()) if a.before is not None else ""
    control = device.spec.loop_control
    if control is not None and device.id in a.reached:
        sent = tuple(
            Sent(0, ControlChange(
                channel=device.channel, value=number,
                controller=control.play if number in now.tracks else control.stop,
            ))
            for number in sorted(differ)
        )  # fmt: skip
        how = tr("controllers {play} and {stop}, on the one", play=control.play, stop=control.stop)
        yield SceneChange(
            device.id, "tracks", before, _track_names(now.tracks), "grebe", how, sent, 0.0, 0.0
        )
        return
    by_program = was.chain != now.chain and bool(now.chain)
    if by_program and device.obeys_program and device.id in a.reached:
        return  # its program says which tracks play
    yield _heard_at_once(
        a, device, "tracks", before, _track_names(now.tracks), times=len(differ)
    )  # fmt: skip


def _echo(a: Around, device: Device, was: Part, now: Part) -> Iterator[SceneChange]:
    if now.echo is None:
        return
    time_ms = echo_ms(device, now.echo, a.bpm_after)
    if now.echo == was.echo and a.before is not None:
        stood = echo_ms(device, now.echo, a.bpm)
        if stood is None or time_ms is None or abs(stood - time_ms) < SAME_ECHO_MS:
            return
        before = tr("{stood:.0f} ms", stood=stood)  # the note value stays, the tempo does not
    else:
        before = was.echo or ""
    after = (
        now.echo
        if time_ms is None
        else tr("{echo}, {time_ms:.0f} ms", echo=now.echo, time_ms=time_ms)
    )
    yield _heard_at_once(a, device, "echo", before, after)


def _frozen(a: Around, device: Device, was: Part, now: Part) -> Iterator[SceneChange]:
    """An echo held as a loop, or let go: on the one by its controller, else by hand."""
    if was.frozen == now.frozen:
        return
    words = (tr("echo goes on"), tr("echo frozen"))
    before, after = words[was.frozen], words[now.frozen]
    number = device.spec.freeze_controller
    if number is None or device.id not in a.reached:
        yield _heard_at_once(a, device, "echo", before, after)
        return
    event = ControlChange(channel=device.channel, controller=number, value=127 if now.frozen else 0)
    how = tr("controller {controller} at {value_value}, on the one",
             controller=number, value_value=event.value)  # fmt: skip
    yield SceneChange(
        device.id, "echo", before, after, "grebe", how, (Sent(0, event),), 0.0, 0.0
    )  # fmt: skip


def echo_ms(device: Device, value: str, bpm: float) -> float | None:
    """A note value as an echo's time, halved or doubled until the unit can take it."""
    limits = device.spec.echo_ms
    low, high = limits if len(limits) == 2 else (1.0, 60_000.0)
    return fitted_ms(bpm, low, high, note_value_ticks(value) / TICKS_PER_QUARTER)


def _heard_at_once(
    a: Around, device: Device, kind: MoveFor, before: str, after: str, *, times: int = 1
) -> SceneChange:
    """A move by hand that is heard as it is made: in the bar before, or just after the one."""
    bar = (a.before or a.after).meter.bar_ticks
    latest = -a.ms(AFTER_THE_ONE * TICKS_PER_QUARTER)
    opens = a.ms(bar) if a.before is not None else a.ms(4 * bar)
    relief: tuple[Literal["give", "ahead", "earlier"], ...] = ()
    if kind == "echo" or (a.before is not None and not a.before.part(device.id).chain):
        relief = ("ahead", "earlier")
    return _by_hand(device, kind, before, after, opens, latest, relief, times=times)


def _by_hand(
    device: Device, kind: MoveFor, before: str, after: str, opens: float,
    latest: float, relief: tuple[Literal["give", "ahead", "earlier"], ...], *, times: int = 1,
) -> SceneChange:  # fmt: skip
    known = [m for m in device.spec.by_hand if kind in m.serves]
    move = min(known, key=lambda m: m.seconds, default=None) or HandMove(
        name=_NAMES[kind], seconds=UNKNOWN_SECONDS
    )
    opens = max(opens, move.seconds * times * 1000 + BEGUN_SOONER_MS)
    how = tr(
        "by {limb}: {move}, {value:g} s",
        limb=tr(move.limb),
        move=move.name,
        value=move.seconds * times,
    )
    return SceneChange(
        device.id, kind, before, after, "hand", how, (), latest, opens, move, times, relief
    )  # fmt: skip


def _chain_name(part: Part, patterns: dict[str, Pattern]) -> str:
    if not part.chain:
        return tr("silent")
    names = list(dict.fromkeys(part.chain))
    return ", ".join(patterns[p].name if p in patterns else p for p in names)


def _track_names(tracks: tuple[int, ...]) -> str:
    if not tracks:
        return tr("no tracks")
    return tr("tracks {numbers}", numbers=" + ".join(map(str, tracks)))


def _voice_names(project: Project, device: Device, *parts: Part) -> dict[str, str]:
    used = {p for part in parts for p in part.chain}
    return {
        voice.id: voice.name
        for pattern in project.patterns
        if pattern.device == device.id and pattern.id in used
        for voice in sounding(pattern, device).voices
    }
