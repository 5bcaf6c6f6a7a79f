"""Findings on notes, programs and controllers: what reaches a box that would misread it."""

from __future__ import annotations

from collections.abc import Iterator

import msgspec

from grebe.core.findings.look import Look
from grebe.core.findings.model import Cure, Finding, changed, swap_cable
from grebe.core.findings.playing import BY_HAND_KINDS, behind, listens
from grebe.core.rig.flow import Arrival, MessageKind, Stream, grebe_streams, lets, way_to
from grebe.core.rig.formatting import listed
from grebe.core.rig.model import GREBE_ID, Cable, Device, Filter
from grebe.core.rig.notemap import note_map
from grebe.core.rig.numbering import printed_otherwise, printed_program
from grebe.core.rig.spec import SettingFor
from grebe.words import counted, tr

WORDS = {
    "notes": tr("notes"), "program": tr("program changes"), "controllers": tr("controllers"),
}  # fmt: skip
IN: dict[MessageKind, SettingFor] = {
    "notes": "notes_in", "program": "program_in", "controllers": "controllers_in",
}  # fmt: skip
OUT: dict[MessageKind, SettingFor] = {
    "notes": "notes_out", "program": "program_out", "controllers": "controllers_out",
}  # fmt: skip
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
        why = tr("is not in the rig") if device is None else tr("is heard nowhere")
        yield Finding(
            code="rig.control-gone",
            severity="warn",
            subject=device_id,
            message=tr(
                "{name} {why}; learnt on it: {actions}.",
                name=name,
                why=why,
                actions=counted(many, "Stage action"),
            ),
            why=tr("You press it and nothing happens."),
            fix=tr("Set where it is heard, on its sheet, or learn the actions on another."),
        )


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
    channels = listens(device)
    said: set[tuple[str, str]] = set()
    for arrival in look.flow.arrivals[device.id]:
        stream = arrival.stream
        if stream.channel not in channels or stream.meant == device.id:
            continue
        if not _acts_on(device, stream):
            continue
        if stream.kind == "notes" and not stream.meant and arrival.cable.plays is not None:
            continue  # it is meant to play it
        other = stream.meant or stream.origin
        if (stream.kind, other) in said or other == device.id:
            continue
        said.add((stream.kind, other))
        if stream.meant:
            yield _collision(look, device, arrival)
        elif look.wiring.devices[stream.origin].kind not in BY_HAND_KINDS:
            yield _stray(look, device, arrival)


def _with_channel(device: Device, old: int, new: int) -> Device:
    """A box with what is on a channel of it, itself or tracks, on another."""
    tracks = tuple(
        msgspec.structs.replace(t, channel=new) if t.channel == old else t for t in device.tracks
    )
    own = new if device.channel == old else device.channel
    spec = msgspec.structs.replace(device.spec, tracks=tracks)
    return msgspec.structs.replace(device, channel=own, spec=spec)


def _acts_on(device: Device, stream: Stream) -> bool:
    """Whether it, or a track of it, does something with a stream."""
    return any(
        _line_acts_on(line, stream)
        for line in device.lines
        if stream.channel in {line.channel, line.told_on, *line.spec.channels}
    )


def _line_acts_on(device: Device, stream: Stream) -> bool:
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
        fix = tr(
            "Switch {kind_words} off at {into}.",
            kind_words=_kind_words(stream),
            into=look.into(arrival.cable),
        )
    else:
        free = _free_channel(look, device)
        if free:
            moved = _with_channel(meant, stream.channel, free)
            cure = Cure(devices=((meant, moved),))
            fix = tr(
                "Move {meant} to channel {free}, here and on the box.", meant=meant.name, free=free
            )
        else:
            cure, fix = None, tr("Give {meant} a wire of its own.", meant=meant.name)
    return Finding(
        code="rig.channel-collision" if stream.kind == "notes" else f"rig.stray-{stream.kind}",
        severity="warn",
        subject=device.id,
        message=tr(
            "{device} also gets {what} for {meant}: both are on channel {channel} of one wire.",
            device=device.name,
            what=what,
            meant=meant.name,
            channel=stream.channel,
        ),
        why=_harm(device, stream),
        fix=fix,
        cure=cure,
    )


def _stray(look: Look, device: Device, arrival: Arrival) -> Finding:
    stream = arrival.stream
    origin = look.wiring.devices[stream.origin]
    goes_on = any(a.cable.target in look.wiring.devices for a in behind(look, device.id, stream))
    # What others behind it are to get is not switched off where it is sent, nor for all of them.
    at_source = arrival.cable.source == stream.origin and not goes_on
    end = "passes" if at_source else "accepts"
    where = look.out_of(arrival.cable) if at_source else look.into(arrival.cable)
    closed = _switched(getattr(arrival.cable, end), stream, on=False)
    word = look.setting(origin.id, OUT[stream.kind]) if at_source else (
        look.setting(device.id, IN[stream.kind])
    )  # fmt: skip
    fix = tr("Switch {words} off at {where}{word}.", words=WORDS[stream.kind], where=where,
             word=word)  # fmt: skip
    if stream.kind == "notes" and not goes_on:
        fix += tr(" Or say on the cable that they are to play {device}.", device=device.name)
    return Finding(
        code="rig.stray-notes" if stream.kind == "notes" else f"rig.stray-{stream.kind}",
        severity="warn",
        subject=device.id,
        message=tr(
            "{origin}'s own {words} reach {device} on channel {channel}.",
            origin=origin.name,
            words=WORDS[stream.kind],
            device=device.name,
            channel=stream.channel,
        ),
        why=_harm(device, stream),
        fix=fix,
        cure=swap_cable(arrival.cable, **{end: closed}),
    )


def _harm(device: Device, stream: Stream) -> str:
    if stream.kind == "program":
        return tr("{device} changes pattern when another box is told to.", device=device.name)
    if stream.kind == "controllers":
        return tr("A turn meant for another box changes or silences {device}.", device=device.name)
    if device.plays == "own":
        return tr("{device} plays its own pattern and these notes as well.", device=device.name)
    return tr("{device} plays along what is meant for another box.", device=device.name)


def _kind_words(stream: Stream) -> str:
    return (
        tr("controller {stream_number}", stream_number=stream.number)
        if stream.number >= 0
        else WORDS[stream.kind]
    )


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
            taken |= listens(other)
    return next((c for c in range(1, 17) if c not in taken), 0)


def _blocked(look: Look, device: Device) -> Iterator[Finding]:
    """What Grebe sends a box and a filter on the way keeps back."""
    lost = [s for s in grebe_streams(device) if not look.flow.reaches(s)]
    played = any(
        look.patterns[line.id] or line.mute_controller is not None for line in device.lines
    )
    if not lost or not played:
        return
    path = way_to(look.flow.ways, device.id)
    if not path:
        used = [s for s in lost if s.kind != "controllers"]
        if used and any(look.patterns[line.id] for line in device.lines):
            what = listed([WORDS[s.kind] for s in used])
            yield Finding(
                code="rig.no-way",
                severity="block",
                subject=device.id,
                message=tr(
                    "Grebe has {what} for {device}, but no MIDI cable leads there.",
                    what=what,
                    device=device.name,
                ),
                why=tr(
                    "{device} stays silent, or on the pattern it happens to be on.",
                    device=device.name,
                ),
                fix=tr(
                    "Run a MIDI cable from Grebe to {device}, or pass it on by thru.",
                    device=device.name,
                ),
            )
        return
    for stream in lost:
        at = [c for c in path if not _passes(c, stream, last=c is path[-1])]
        where = listed([_where(look, c, stream) for c in at]) if at else look.into(path[-1])
        only = "" if stream.kind != "controllers" else tr(", the one that mutes it")
        yield Finding(
            code="rig.blocked",
            severity="block",
            subject=device.id,
            message=tr(
                "Grebe's {kind_words} for {device}{only} stop at {where}.",
                kind_words=_kind_words(stream),
                device=device.name,
                only=only,
                where=where,
            ),
            why=tr("{device} never hears them.", device=device.name),
            fix=tr(
                "Leave {kind_words} enabled at {where}.",
                kind_words=_kind_words(stream),
                where=where,
            ),
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
    slotted = [
        (p, p.program, line)
        for line in device.lines
        for p in look.patterns[line.id]
        if p.program is not None
    ]
    for pattern, program, line in slotted:
        memory = line.spec.memory
        if memory is not None and program >= memory.size:
            yield Finding(
                code="pattern.no-such-slot",
                severity="block",
                kind="pattern",
                subject=pattern.id,
                message=tr(
                    "{pattern} is to stand at place {value} of {device}, which holds {size}.",
                    pattern=pattern.name,
                    value=program + 1,
                    device=line.name,
                    size=memory.size,
                ),
                why=tr("The box ignores the program change and goes on with the one before."),
                fix=tr("Give the pattern another slot."),
            )
    if device.plays == "own" and device.obeys_program and slotted and printed_otherwise(device):
        rows = [
            tr(
                "{p} is sent as {n}, printed {printed_program}",
                p=p.name,
                n=n,
                printed_program=printed_program(device, n),
            )
            for p, n, _ in slotted
        ]
        more = tr(", and {value} more", value=len(rows) - SHOWN) if len(rows) > SHOWN else ""
        yield Finding(
            code="rig.program-printed",
            severity="note",
            subject=device.id,
            message=tr(
                "{device} prints its patterns otherwise than they are sent.", device=device.name
            ),
            why=tr("Dialled in as sent, another pattern plays."),
            fix=tr(
                "Go by the set-up sheet: {names}{more}.", names="; ".join(rows[:SHOWN]), more=more
            ),
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
                    message=tr(
                        "A route through Grebe ends at {gone}, which is not in the rig.", gone=gone
                    ),
                    why=tr("What it should carry goes nowhere."),
                    fix=tr("Remove the route."),
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
            how = tr("an offset of {offset:+d} lines them up", offset=mapped.offset)
        elif source.spec.pads.order != target.spec.pads.order:
            how = tr("one counts from the bottom, the other from the top: it takes a table")
        else:
            how = tr("it takes a table")
        yield Finding(
            code="rig.pads",
            severity="warn",
            subject=route.target,
            message=tr(
                "The pads of {source} and {target} do not lie on the same notes.",
                source=source.name,
                target=target.name,
            ),
            why=tr("A pad struck here sounds another there."),
            fix=tr("Map them by where they lie; {how}.", how=how),
            cure=Cure(routes=((route, msgspec.structs.replace(route, notes="position")),)),
        )
