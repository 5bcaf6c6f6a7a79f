"""What Grebe passes from the boxes it hears to the boxes it reaches, worked out for the engine."""

from __future__ import annotations

from grebe.core.rig.model import GREBE_ID, Cable, Device, Filter, Route
from grebe.core.rig.notemap import note_map
from grebe.core.rig.wiring import MIDI_MEDIA, Wiring
from grebe.core.units import Channel, Id, Value

NOTES = 128
NOT_SENT = -1


class Passage(Value, frozen=True, kw_only=True):
    """One route, with every filter on its way folded into one."""

    source: Id
    target: Id
    wire: Id
    """The device plugged into Grebe by which the target is reached."""
    passes: Filter
    channel: Channel | None = None
    notes: tuple[int, ...] = ()
    """For each note in, the note out, or -1 for none; empty: as they come."""


def both(one: Filter, other: Filter) -> Filter:
    """The filter that lets through what both do."""
    off = {n for n in range(120) if not (one.passes_controller(n) and other.passes_controller(n))}
    all_on = one.controllers and other.controllers
    return Filter(
        clock=one.clock and other.clock,
        transport=one.transport and other.transport,
        notes=one.notes and other.notes,
        program=one.program and other.program,
        controllers=all_on,
        but=tuple(sorted(off if all_on else set(range(120)) - off)),
    )


def route_notes(route: Route, source: Device, target: Device) -> tuple[int, ...]:
    """For each of 128 notes in, the note a route sends, or -1; empty when all stay as they are.

    By position, notes that lie on no pad of the source are not sent.
    """
    if route.notes == "same" and not route.transpose:
        return ()
    table = list(range(NOTES))
    if route.notes == "table":
        rows = dict(route.table)
        table = [rows.get(note, NOT_SENT) for note in table]
    elif route.notes == "position" and source.spec.pads and target.spec.pads:
        pairs = {p.from_note: p.to_note for p in note_map(source.spec.pads, target.spec.pads).pairs}
        table = [pairs.get(note, NOT_SENT) for note in table]
    moved = [n + route.transpose if n != NOT_SENT else n for n in table]
    return tuple(n if 0 <= n < NOTES else NOT_SENT for n in moved)


def passages(wiring: Wiring, via: dict[str, str]) -> tuple[Passage, ...]:
    """Every route of a rig that has a cable at both ends; `via` as `flow.first_hops` gives it."""
    out: list[Passage] = []
    for route in wiring.rig.routes:
        source, target = wiring.devices.get(route.source), wiring.devices.get(route.target)
        heard = _cable(wiring, route.source, GREBE_ID)
        wire = via.get(route.target)
        if source is None or target is None or heard is None or wire is None:
            continue
        sent = _cable(wiring, GREBE_ID, wire)
        if sent is None:
            continue
        passes = both(both(heard.passes, heard.accepts), both(route.passes, sent.passes))
        out.append(
            Passage(
                source=route.source,
                target=route.target,
                wire=wire,
                passes=passes,
                channel=route.channel,
                notes=route_notes(route, source, target),
            )
        )
    return tuple(out)


def _cable(wiring: Wiring, source: str, target: str) -> Cable | None:
    cables = (c for c in wiring.leaving[source] if c.target == target)
    return next((c for c in cables if c.medium in MIDI_MEDIA), None)
