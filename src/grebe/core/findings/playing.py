"""Findings on notes from box to box: whom they play, and what a box in the middle makes of them."""

from __future__ import annotations

from collections.abc import Iterator
from typing import NamedTuple

from grebe.core.findings.look import Look
from grebe.core.findings.model import Cure, Finding, changed, swap_cable
from grebe.core.rig.flow import Arrival, Stream, lets
from grebe.core.rig.formatting import listed
from grebe.core.rig.model import GREBE_ID, Cable, Device, Plays
from grebe.core.rig.notemap import note_map
from grebe.core.rig.spec import Gives, PadBank, SettingFor
from grebe.core.rig.wiring import MIDI_MEDIA
from grebe.words import counted, tr

BY_HAND_KINDS = ("controller", "computer")
"""What is struck or turned by hand, or does as it is told: it plays whatever it is plugged into."""


def playing_findings(look: Look) -> Iterator[Finding]:
    """All of this family."""
    for cable in look.wiring.cables:
        yield from _cannot_give(look, cable)
        if cable.plays is not None:
            yield from _played(look, cable, cable.plays)
    for device in look.rig.devices:
        yield from _together(look, device)


def _cannot_give(look: Look, cable: Cable) -> Iterator[Finding]:
    """An output that is to pass on what it cannot."""
    jack = look.wiring.source_jack(cable)
    if jack is None or not jack.sets or cable.gives in jack.sets:
        return
    words = GIVES_WORDS[cable.gives]
    yield Finding(
        code="rig.cannot-give",
        severity="block",
        subject=cable.source,
        message=tr(
            "{out_of} is to give {what}; it can only give {can}.",
            out_of=look.out_of(cable),
            what=words,
            can=listed([GIVES_WORDS[g] for g in jack.sets]),
        ),
        why=tr("{name} gets nothing of the rest.", name=look.name(cable.target)),
        fix=_other_output(look, cable),
        cure=None,
    )


GIVES_WORDS: dict[Gives, str] = {
    "own": tr("what it makes itself"),
    "thru": tr("what comes in"),
    "both": tr("both of them, merged"),
}


def _other_output(look: Look, cable: Cable) -> str:
    """Where a box could pass on what this output cannot."""
    device = look.wiring.devices[cable.source]
    able = [
        j.name
        for j in device.spec.jacks
        if j.gives and j.id != cable.source_jack and (j.way == "thru" or cable.gives in j.sets)
    ]
    if able:
        return tr("Use its {names}.", names=listed(able))
    return tr("Put a thru or merge box before {name}.", name=device.name)


# What is declared


class PlayedBy(NamedTuple):
    """Notes of a box that are to play another."""

    origin: Device
    target: Device
    cable: Cable
    stream: Stream
    offset: int


def _played(look: Look, cable: Cable, plays: Plays) -> Iterator[Finding]:
    target = look.wiring.devices.get(cable.target)
    if target is None:
        return  # into Grebe: routes say where it goes from there
    if not target.spec.obeys.notes:
        yield Finding(
            code="rig.plays-deaf",
            severity="block",
            subject=target.id,
            message=tr(
                "{source} is to play {target}, which obeys no notes.",
                source=look.name(cable.source),
                target=target.name,
            ),
            why=tr("{target} stays silent.", target=target.name),
            fix=tr("Let it play patterns of its own, or play it from its own pads."),
            cure=swap_cable(cable, plays=None),
        )
        return
    came = [
        a.stream
        for a in look.flow.arrivals[target.id]
        if a.cable is cable and a.stream.kind == "notes" and not a.stream.meant
    ]
    if not came:
        yield _nothing_comes(look, cable, target)
        return
    for stream in came:
        origin = look.wiring.devices.get(stream.origin)
        if origin is not None:
            yield from _judged(look, PlayedBy(origin, target, cable, stream, plays.offset))


def _nothing_comes(look: Look, cable: Cable, target: Device) -> Finding:
    """Notes that are to play a box and do not get there."""
    source, jack = look.wiring.devices.get(cable.source), look.wiring.source_jack(cable)
    cure: Cure | None = None
    fix = tr("Run a MIDI cable from whoever is to play it.")
    through = source is not None and any(
        a.stream.kind == "notes" for a in _at_jacks(look, source.id)
    )
    if cable.medium not in MIDI_MEDIA:
        fix = tr("Notes go over MIDI: a {medium} cable carries none.", medium=cable.medium)
    elif not (cable.passes.notes and cable.accepts.notes):
        at = look.into(cable) if cable.passes.notes else look.out_of(cable)
        word = look.setting(*_notes_end(cable))
        fix = tr("Switch notes on at {at}{word}.", at=at, word=word)
        cure = swap_cable(
            cable,
            passes=changed(cable.passes, notes=True),
            accepts=changed(cable.accepts, notes=True),
        )
    elif through and cable.gives == "own":
        wanted: Gives = "both" if source is not None and source.sends_clock else "thru"
        able = jack is None or not jack.sets or wanted in jack.sets
        other: Gives = "thru" if wanted == "both" else "both"
        if not able and jack is not None and other in jack.sets:
            wanted, able = other, True
        word = look.setting(cable.source, "thru")
        if able:
            fix = tr("Let {out_of} pass on what comes in{word}.",
                     out_of=look.out_of(cable), word=word)  # fmt: skip
            cure = swap_cable(cable, gives=wanted)
        else:
            fix = tr(
                "{out_of} cannot pass on what comes in. {other}",
                out_of=look.out_of(cable),
                other=_other_output(look, cable),
            )
    elif cable.gives == "thru" and source is not None and source.spec.sends.notes:
        fix = tr("Let {out_of} give what {source} plays itself.",
                 out_of=look.out_of(cable), source=source.name)  # fmt: skip
        cure = swap_cable(cable, gives="own")
    return Finding(
        code="rig.plays-nothing",
        severity="block",
        subject=target.id,
        message=tr(
            "No notes come to {target} over the cable from {source} that is to play it.",
            target=target.name,
            source=look.name(cable.source),
        ),
        why=tr("{target} stays silent.", target=target.name),
        fix=fix,
        cure=cure,
    )


def _notes_end(cable: Cable) -> tuple[str, SettingFor]:
    """The box and the setting that keep notes off a cable."""
    return (cable.target, "notes_in") if cable.passes.notes else (cable.source, "notes_out")


def _at_jacks(look: Look, device_id: str) -> list[Arrival]:
    """All that comes to a box's inputs, let in or not: its thru repeats it."""
    out: list[Arrival] = []
    for cable in look.wiring.arriving[device_id]:
        if cable.medium in MIDI_MEDIA and cable.passes.notes:
            source = look.wiring.devices.get(cable.source)
            own = source is not None and source.spec.sends.notes and cable.gives != "thru"
            passed = cable.gives != "own" and bool(look.flow.arrivals[cable.source])
            if own or passed or cable.source == GREBE_ID:
                out.append(Arrival(Stream(cable.source, "notes"), cable))
    return out


def _judged(look: Look, way: PlayedBy) -> Iterator[Finding]:
    yield from _channel(look, way)
    yield from _pads(look, way)
    yield from _banks(way)
    if not way.target.spec.obeys.velocity:
        yield Finding(
            code="rig.plays-level",
            severity="note",
            subject=way.target.id,
            message=tr(
                "{target} sounds every hit of {origin} as loud.",
                target=way.target.name,
                origin=way.origin.name,
            ),
            why=tr("Accents and soft hits are lost on it."),
            fix=tr("Write accents as other sounds, or move its level by a controller."),
        )


def listens(device: Device) -> set[int]:
    """All channels that a box acts on: its own, its tracks', those of its banks."""
    on = {number for line in device.lines for number in (line.channel, line.told_on)}
    return on | set(device.spec.channels) | {bank.channel for bank in device.spec.banks}


def _channel(look: Look, way: PlayedBy) -> Iterator[Finding]:
    channel, target = way.stream.channel, way.target
    on = sorted({line.channel for line in target.lines} | {b.channel for b in target.spec.banks})
    if channel in listens(target):
        return
    direct = way.cable.source == way.origin.id
    plays = Plays(channel=on[0], offset=way.offset)
    yield Finding(
        code="rig.plays-channel",
        severity="block",
        subject=target.id,
        message=tr(
            "{origin} plays {target} on channel {channel}; {target} listens on {on}.",
            origin=way.origin.name,
            target=target.name,
            channel=channel,
            on=listed([str(n) for n in on]),
        ),
        why=tr("{target} stays silent.", target=target.name),
        fix=tr(
            "Let {origin} send on channel {wanted}{word}.",
            origin=way.origin.name,
            wanted=on[0],
            word=look.setting(way.origin.id, "channel"),
        ),
        cure=swap_cable(way.cable, plays=plays) if direct else None,
    )


def sent_notes(device: Device) -> tuple[int, ...]:
    """Notes that a box's own pads or voices send, lowest first; empty where nobody knows."""
    pads = device.spec.pads
    if pads is not None:
        return tuple(n for n in range(pads.base, pads.base + pads.rows * pads.cols) if n <= 127)
    return tuple(sorted(voice.note for voice in device.spec.voices))


def _pads(look: Look, way: PlayedBy) -> Iterator[Finding]:
    """Pads or sounds of two boxes on other notes: an offset, or counted from other corners."""
    one, other = way.origin.spec, way.target.spec
    turned = False
    if one.pads is not None and other.pads is not None:
        wanted = note_map(one.pads, other.pads).offset
        turned = wanted is None and one.pads.order != other.pads.order
        if wanted is None and not turned:
            return  # rows of other lengths: `_banks` tells what is left over
    else:
        wanted = _by_names(way)
        if wanted is None:
            return
    if not turned and wanted == way.offset:
        return
    if turned:
        fix = tr("Lead it through Grebe, with a route that goes by position.")
        message = tr(
            "{origin} counts its pads from one end, {target} from the other.",
            origin=way.origin.name,
            target=way.target.name,
        )
        cure = None
    else:
        octaves = abs(wanted or 0) % 12 == 0 and bool(wanted)
        apart = (
            counted(abs(wanted or 0) // 12, "octave")
            if octaves
            else counted(abs((wanted or 0) - way.offset), "semitone")
        )
        message = tr(
            "The notes of {origin} and {target} lie {apart} apart.",
            origin=way.origin.name,
            target=way.target.name,
            apart=apart,
        )
        fix = tr(
            "Set an offset of {wanted:+d} on one of them{word}.",
            wanted=wanted or 0,
            word=look.setting(way.origin.id, "offset") or look.setting(way.target.id, "offset"),
        )
        plays = Plays(channel=_said_channel(way.cable), offset=wanted or 0)
        cure = swap_cable(way.cable, plays=plays)
    yield Finding(
        code="rig.plays-pads",
        severity="warn",
        subject=way.target.id,
        message=message,
        why=tr("A pad struck here sounds another there, or none."),
        fix=fix,
        cure=cure,
    )


def _said_channel(cable: Cable) -> int | None:
    return cable.plays.channel if cable.plays is not None else None


def _by_names(way: PlayedBy) -> int | None:
    """The one offset between sounds that both boxes name alike; None where there is none."""
    there = {voice.name.casefold(): voice.note for voice in way.target.spec.voices}
    apart = [
        there[voice.name.casefold()] - voice.note
        for voice in way.origin.spec.voices
        if voice.name.casefold() in there
    ]
    return apart[0] if len(apart) > 1 and len(set(apart)) == 1 else None


def _banks(way: PlayedBy) -> Iterator[Finding]:
    """More pads than the bank that is played has."""
    notes = [n + way.offset for n in sent_notes(way.origin)]
    if not notes:
        return
    banks = [b for b in way.target.spec.banks if b.channel == way.stream.channel]
    pads = way.target.spec.pads
    if banks:
        lost = [n for n in notes if not any(b.low <= n <= b.high for b in banks)]
        has = listed([_bank_words(b) for b in banks])
    elif pads is not None and way.origin.spec.pads is not None:
        most = pads.base + pads.rows * pads.cols
        lost = [n for n in notes if n >= most]
        has = tr("{count} pads", count=pads.rows * pads.cols)
    else:
        return
    if not lost or len(lost) == len(notes):
        return  # nothing is lost, or all of it: that is told as an offset
    others = [b for b in way.target.spec.banks if b.channel != way.stream.channel]
    fix = (
        tr(
            "Send those on another channel: {banks}.",
            banks=listed([_bank_words(b) for b in others]),
        )
        if others
        else tr("Play the sounds that matter on the pads that are heard.")
    )
    yield Finding(
        code="rig.plays-bank",
        severity="warn",
        subject=way.target.id,
        message=tr(
            "{lost} of {all} notes of {origin} fall outside what {target} hears: {has}.",
            lost=len(lost),
            all=len(notes),
            origin=way.origin.name,
            target=way.target.name,
            has=has,
        ),
        why=tr("Those pads are struck and nothing is heard."),
        fix=fix,
    )


def _bank_words(bank: PadBank) -> str:
    return tr(
        "{bank} on channel {channel}, notes {low} to {high}",
        bank=bank.name,
        channel=bank.channel,
        low=bank.low,
        high=bank.high,
    )


# The box in the middle


def behind(look: Look, device_id: str, stream: Stream) -> list[Arrival]:
    """Where a stream that comes to a box arrives behind it, as far as it is passed on."""
    out: list[Arrival] = []
    seen: set[int] = set()
    waiting = [*look.wiring.leaving[device_id]]
    while waiting:
        cable = waiting.pop(0)
        if id(cable) in seen or cable.gives == "own" or cable.medium not in MIDI_MEDIA:
            continue
        seen.add(id(cable))
        if not lets(cable.passes, stream):
            continue
        if lets(cable.accepts, stream):
            out.append(Arrival(stream, cable))
        if cable.target != GREBE_ID:
            waiting += look.wiring.leaving[cable.target]
    return out


def plays_along(device: Device, stream: Stream) -> bool:
    """Whether a box would sound notes of a stream."""
    return stream.kind == "notes" and device.spec.obeys.notes and stream.channel in listens(device)


def _together(look: Look, device: Device) -> Iterator[Finding]:
    """A box in the middle that plays what is struck for the box behind it."""
    if device.kind == "relay":
        return
    said: set[str] = set()
    for arrival in look.heard(device, "notes"):
        stream, origin = arrival.stream, look.wiring.devices.get(arrival.stream.origin)
        if origin is None or origin.kind not in BY_HAND_KINDS or stream.meant:
            continue
        if arrival.cable.plays is not None or not plays_along(device, stream):
            continue
        further = [
            a
            for a in behind(look, device.id, stream)
            if a.cable.target in look.wiring.devices
            and plays_along(look.wiring.devices[a.cable.target], stream)
        ]
        if not further or origin.id in said:
            continue
        said.add(origin.id)
        meant = [a for a in further if a.cable.plays is not None] or further
        names = listed(list(dict.fromkeys(look.name(a.cable.target) for a in meant)))
        passing = next(c for c in look.wiring.leaving[device.id] if c.gives != "own")
        yield Finding(
            code="rig.stray-notes",
            severity="warn",
            subject=device.id,
            message=tr(
                "{device} plays what {origin} strikes for {names}: both listen on channel "
                "{channel}.",
                device=device.name,
                origin=origin.name,
                names=names,
                channel=stream.channel,
            ),
            why=tr("Every hit sounds on both."),
            fix=tr(
                "Ignore notes at {into}{ignore} and pass them on at {out_of}{thru}; or say on the "
                "cable that they are to play {device}.",
                into=look.into(arrival.cable),
                ignore=look.setting(device.id, "notes_in"),
                out_of=look.out_of(passing),
                thru=look.setting(device.id, "thru"),
                device=device.name,
            ),
            cure=swap_cable(arrival.cable, accepts=changed(arrival.cable.accepts, notes=False)),
        )
