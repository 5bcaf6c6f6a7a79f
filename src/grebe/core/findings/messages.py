"""Findings on notes, programs and controllers: what reaches a box that would misread it."""

from __future__ import annotations

from collections.abc import Iterator

import msgspec

from grebe.core.findings.look import Look
from grebe.core.findings.model import Cure, Finding, changed, swap_cable
from grebe.core.rig.flow import Arrival, Stream, grebe_streams, lets, way_to
from grebe.core.rig.formatting import listed
from grebe.core.rig.model import GREBE_ID, Cable, Device, Filter
from grebe.core.rig.notemap import note_map
from grebe.core.rig.numbering import printed_otherwise, printed_program

WORDS = {"notes": "notes", "program": "program changes", "controllers": "controllers"}
SHOWN = 4
"""Examples in a sentence."""


def _controls(look: Look) -> Iterator[Finding]:
    """Controllers and pedals that something was learnt on and that cannot be heard."""
    known = {d.id: d for d in look.rig.devices}
    for device_id in dict.fromkeys(b.trigger.device for b in look.rig.bindings):
        device = known.get(device_id)
        if device is not None and (device.input.is_set or device.port.is_standin):
            continue
        many = sum(b.trigger.device == device_id for b in look.rig.bindings)
        name = device_id if device is None else device.name
        why = "is not in the rig" if device is None else "is heard nowhere"
        yield Finding(
            code="rig.control-gone", severity="warn", subject=device_id,
            message=f"{name} {why}, and {many} Stage action{'s' if many > 1 else ''} "
            "were learnt on it.",
            why="You press it and nothing happens.",
            fix="Set where it is heard, on its sheet, or learn the actions on another.",
        )  # fmt: skip


def message_findings(look: Look) -> Iterator[Finding]:
    """All of this family."""
    for device in look.rig.devices:
        yield from _misread(look, device)
        yield from _blocked(look, device)
        yield from _printed(look, device)
    yield from _pads(look)
    yield from _controls(look)


def _misread(look: Look, device: Device) -> Iterator[Finding]:
    """Messages for a neighbour, or of a neighbour, on a channel this box listens to."""
    if device.kind == "relay":
        return
    channels = {device.channel, *device.spec.channels}
    said: set[tuple[str, str]] = set()
    for arrival in look.flow.arrivals[device.id]:
        stream = arrival.stream
        if stream.channel not in channels or stream.meant == device.id:
            continue
        if not _acts_on(device, stream):
            continue
        other = stream.meant or stream.origin
        if (stream.kind, other) in said or other == device.id:
            continue
        said.add((stream.kind, other))
        if stream.meant:
            yield _collision(look, device, arrival)
        elif look.wiring.devices[stream.origin].kind not in ("controller", "computer"):
            yield _stray(look, device, arrival)


def _acts_on(device: Device, stream: Stream) -> bool:
    if stream.kind == "notes":
        return device.spec.obeys.notes
    if stream.kind == "program":
        return device.obeys_program
    if stream.kind == "controllers":
        if stream.number < 0:
            return bool(device.spec.controllers) or device.mute_controller is not None
        chart = {row.number for row in device.spec.controllers}
        return stream.number in chart or stream.number == device.mute_controller
    return False


def _collision(look: Look, device: Device, arrival: Arrival) -> Finding:
    stream = arrival.stream
    meant = look.wiring.devices[stream.meant]
    needs = {s.kind for s in grebe_streams(device)}
    what = WORDS[stream.kind]
    cure: Cure | None
    if stream.kind not in needs:
        cure = swap_cable(arrival.cable, accepts=_switched(arrival.cable.accepts, stream, on=False))
        fix = f"Switch {_kind_words(stream)} off at {look.into(arrival.cable)}."
    else:
        free = _free_channel(look, device)
        if free:
            moved = msgspec.structs.replace(meant, channel=free)
            cure = Cure(devices=((meant, moved),))
            fix = f"Move {meant.name} to channel {free}, here and on the box."
        else:
            cure, fix = None, f"Give {meant.name} a wire of its own."
    return Finding(
        code="rig.channel-collision" if stream.kind == "notes" else f"rig.stray-{stream.kind}",
        severity="warn",
        subject=device.id,
        message=f"{device.name} also gets {what} for {meant.name}: both are on channel "
        f"{stream.channel} of one wire.",
        why=_harm(device, stream),
        fix=fix,
        cure=cure,
    )


def _stray(look: Look, device: Device, arrival: Arrival) -> Finding:
    stream = arrival.stream
    origin = look.wiring.devices[stream.origin]
    at_source = arrival.cable.source == stream.origin
    end = "passes" if at_source else "accepts"
    where = look.out_of(arrival.cable) if at_source else look.into(arrival.cable)
    closed = _switched(getattr(arrival.cable, end), stream, on=False)
    return Finding(
        code="rig.stray-notes" if stream.kind == "notes" else f"rig.stray-{stream.kind}",
        severity="warn",
        subject=device.id,
        message=f"{origin.name}'s own {WORDS[stream.kind]} reach {device.name} on channel "
        f"{stream.channel}.",
        why=_harm(device, stream),
        fix=f"Switch {WORDS[stream.kind]} off at {where}.",
        cure=swap_cable(arrival.cable, **{end: closed}),
    )


def _harm(device: Device, stream: Stream) -> str:
    if stream.kind == "program":
        return f"{device.name} changes pattern when another box is told to."
    if stream.kind == "controllers":
        return f"A turn meant for another box changes or silences {device.name}."
    if device.plays == "own":
        return f"{device.name} plays its own pattern and these notes as well."
    return f"{device.name} plays along what is meant for another box."


def _kind_words(stream: Stream) -> str:
    return f"controller {stream.number}" if stream.number >= 0 else WORDS[stream.kind]


def _switched(end: Filter, stream: Stream, *, on: bool) -> Filter:
    """A filter that lets this stream through, or keeps it back."""
    if lets(end, stream) == on:
        return end
    if stream.number >= 0:
        return changed(end, but=tuple(sorted({*end.but} ^ {stream.number})))
    return changed(end, **{stream.kind: on})


def _free_channel(look: Look, device: Device) -> int:
    """The lowest channel nobody on this device's wire listens to; 0 when all are taken."""
    first = look.flow.via.get(device.id)
    taken: set[int] = set()
    for other in look.rig.devices:
        if look.flow.via.get(other.id) == first:
            taken |= {other.channel, *other.spec.channels}
    return next((c for c in range(1, 17) if c not in taken), 0)


def _blocked(look: Look, device: Device) -> Iterator[Finding]:
    """What Grebe sends a box and a filter on the way keeps back."""
    lost = [s for s in grebe_streams(device) if not look.flow.reaches(s)]
    if not lost or not (look.patterns[device.id] or device.mute_controller is not None):
        return
    path = way_to(look.flow.ways, device.id)
    if not path:
        used = [s for s in lost if s.kind != "controllers"]
        if look.patterns[device.id] and used:
            what = listed([WORDS[s.kind] for s in used])
            yield Finding(
                code="rig.no-way",
                severity="block",
                subject=device.id,
                message=f"Grebe has {what} for {device.name}, but no MIDI cable leads there.",
                why=f"{device.name} stays silent, or on the pattern it happens to be on.",
                fix=f"Run a MIDI cable from Grebe to {device.name}, or pass it on by thru.",
            )
        return
    for stream in lost:
        at = [c for c in path if not _passes(c, stream, last=c is path[-1])]
        where = listed([_where(look, c, stream) for c in at]) if at else look.into(path[-1])
        only = "" if stream.kind != "controllers" else ", the one that mutes it"
        yield Finding(
            code="rig.blocked",
            severity="block",
            subject=device.id,
            message=f"Grebe's {_kind_words(stream)} for {device.name}{only} stop at {where}.",
            why=f"{device.name} never hears them.",
            fix=f"Leave {_kind_words(stream)} enabled at {where}.",
            cure=Cure(cables=tuple((c, _let_in(c, stream, last=c is path[-1])) for c in at)),
        )


def _passes(cable: Cable, stream: Stream, *, last: bool) -> bool:
    ends = (cable.passes, cable.accepts) if last else (cable.passes,)
    return all(lets(end, stream) for end in ends)


def _where(look: Look, cable: Cable, stream: Stream) -> str:
    return look.into(cable) if lets(cable.passes, stream) else look.out_of(cable)


def _let_in(cable: Cable, stream: Stream, *, last: bool) -> Cable:
    accepts = _switched(cable.accepts, stream, on=True) if last else cable.accepts
    passes = _switched(cable.passes, stream, on=True)
    return msgspec.structs.replace(cable, passes=passes, accepts=accepts)


def _printed(look: Look, device: Device) -> Iterator[Finding]:
    slotted = [(p, p.program) for p in look.patterns[device.id] if p.program is not None]
    memory = device.spec.memory
    if memory is not None:
        for pattern, program in slotted:
            if program >= memory.size:
                yield Finding(
                    code="pattern.no-such-slot",
                    severity="block",
                    kind="pattern",
                    subject=pattern.id,
                    message=f"{pattern.name} is to stand at place {program + 1} of "
                    f"{device.name}, which holds {memory.size}.",
                    why="The box ignores the program change and goes on with the one before.",
                    fix="Give the pattern another slot.",
                )
    if device.plays == "own" and device.obeys_program and slotted and printed_otherwise(device):
        rows = [
            f"{p.name} is sent as {n}, printed {printed_program(device, n)}" for p, n in slotted
        ]
        more = f", and {len(rows) - SHOWN} more" if len(rows) > SHOWN else ""
        yield Finding(
            code="rig.program-printed",
            severity="note",
            subject=device.id,
            message=f"{device.name} prints its patterns otherwise than they are sent.",
            why="Dialled in as sent, another pattern plays.",
            fix=f"Go by the set-up sheet: {'; '.join(rows[:SHOWN])}{more}.",
        )


def _pads(look: Look) -> Iterator[Finding]:
    for route in look.rig.routes:
        source = look.wiring.devices.get(route.source)
        target = look.wiring.devices.get(route.target)
        if source is None or target is None:
            gone = route.source if source is None else route.target
            if gone != GREBE_ID:
                yield Finding(
                    code="rig.route-to-nowhere",
                    severity="warn",
                    subject=gone,
                    message=f"A route through Grebe ends at {gone}, which is not in the rig.",
                    why="What it should carry goes nowhere.",
                    fix="Remove the route.",
                    cure=Cure(routes=((route, None),)),
                )
            continue
        if not route.passes.notes or route.notes != "same" or route.transpose:
            continue
        if source.spec.pads is None or target.spec.pads is None:
            continue
        mapped = note_map(source.spec.pads, target.spec.pads)
        if mapped.offset == 0:
            continue
        if mapped.offset is not None:
            how = f"an offset of {mapped.offset:+d} lines them up"
        elif source.spec.pads.order != target.spec.pads.order:
            how = "one counts from the bottom, the other from the top: it takes a table"
        else:
            how = "it takes a table"
        yield Finding(
            code="rig.pads",
            severity="warn",
            subject=route.target,
            message=f"The pads of {source.name} and {target.name} do not lie on the same notes.",
            why="A pad struck here sounds another there.",
            fix=f"Map them by where they lie; {how}.",
            cure=Cure(routes=((route, msgspec.structs.replace(route, notes="position")),)),
        )
