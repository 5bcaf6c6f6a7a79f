"""What a rig weighs: on the wire, on the interface and on the hands, in one line each."""

from __future__ import annotations

from typing import NamedTuple

from grebe.core.document import Project
from grebe.core.patterns.wire import burst_ms
from grebe.core.rig.flow import Flow
from grebe.core.rig.load import wire_loads
from grebe.core.rig.model import GREBE_ID
from grebe.core.rig.wiring import Wiring
from grebe.core.songs.changes import changes, lines_reached, moves_of
from grebe.core.songs.hands import schedule
from grebe.core.songs.model import Scene
from grebe.core.songs.unroll import unrolled
from grebe.errors import EditError
from grebe.words import counted, tr


class Weight(NamedTuple):
    """A sentence for each."""

    wire: str
    interface: str
    hands: str


def weigh(project: Project) -> Weight:
    """All three, of everything that is in the project."""
    wiring = Wiring(project.rig)
    via = Flow(wiring).via
    return Weight(_wire(project, wiring, via), _interface(wiring), _hands(project, via))


def _wire(project: Project, wiring: Wiring, via: dict[str, str]) -> str:
    loads = wire_loads(project, wiring, via)
    if not loads:
        return tr("No notes of Grebe's go over a wire of 31 250 baud.")
    busiest = max(loads, key=lambda load: load.notes)
    first, last = burst_ms(busiest.notes)
    return tr(
        "The busiest carries {notes} at once, to {name} in {scene}: the last {ms:.1f} ms after "
        "the first.",
        notes=counted(busiest.notes, "note"),
        name=project.rig.name_of(busiest.first),
        scene=busiest.scene,
        ms=last - first,
    )


def _interface(wiring: Wiring) -> str:
    out = [c for c in wiring.leaving[GREBE_ID] if c.medium == "midi"]
    into = [c for c in wiring.arriving[GREBE_ID] if c.medium == "midi"]
    net = [c for c in (*wiring.leaving[GREBE_ID], *wiring.arriving[GREBE_ID])
           if c.medium == "network"]  # fmt: skip
    channels = sum(
        port.is_set
        for d in wiring.rig.devices
        for port in (
            d.pulse_at,
            d.run_at,
            d.reset_at,
            d.pulse_from,
            d.run_from,
            *(g.at for g in d.gates),
        )
    )
    return tr(
        "{outs}, {ins}, {links}, {channels} for pulses.",
        outs=counted(len(out), "MIDI output"),
        ins=counted(len(into), "input"),
        links=counted(len(net), "network link"),
        channels=counted(channels, "channel"),
    )


def _hands(project: Project, via: dict[str, str]) -> str:
    """The change in a song that asks most of them."""
    reached = lines_reached(project.rig, via)
    worst: tuple[int, int, str, str] = (0, 0, "", "")
    done: set[tuple[str, str, float]] = set()
    for song in project.songs:
        try:
            spans = project.layout(unrolled(song)).spans
        except EditError:
            continue  # a scene that is gone: that is found elsewhere
        before: Scene | None = None
        for span in spans:
            if before is not None and (before.id, span.scene.id, span.bpm) not in done:
                done.add((before.id, span.scene.id, span.bpm))
                moves = moves_of(changes(project, before, span.scene, span.bpm, reached=reached,
                                         song=song, hands_only=True))  # fmt: skip
                over = len(schedule(moves, project.performer).relieve)
                worst = max(worst, (over, len(moves), before.name, span.scene.name))
            before = span.scene
    over, count, one, other = worst
    if not count:
        return tr("No change asks anything of them.")
    asked = counted(count, "move")
    if over:
        return tr("Most from {one} to {other}: {moves}, {over} more than they can make.",
                  one=one, other=other, moves=asked, over=over)  # fmt: skip
    return tr("Most from {one} to {other}: {moves}, and all can be made.",
              one=one, other=other, moves=asked)  # fmt: skip
