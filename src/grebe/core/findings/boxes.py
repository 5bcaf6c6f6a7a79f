"""Findings on single boxes: voices that share a slot, an echo without clock."""

from __future__ import annotations

from collections.abc import Iterator
from itertools import combinations

from grebe.core.findings.look import Look
from grebe.core.findings.model import Finding
from grebe.core.patterns.model import Pattern, Voice
from grebe.core.rig.blank import TOLD, guesses
from grebe.core.rig.load import onsets_in
from grebe.core.rig.model import Device
from grebe.core.time.delay import fitted_ms, note_ms
from grebe.words import tr

SHOWN_SONGS = 7
SHOWN_STEPS = 8
SURE = 0.95


def box_findings(look: Look) -> Iterator[Finding]:
    """All of this family."""
    for device in look.rig.devices:
        yield from _echo(look, device)
        yield from _guessed(device)
        yield from _hardly_proven(device)
        for line in device.lines:
            slots = {voice.note: voice.slot for voice in line.spec.voices if voice.slot}
            if slots:
                for pattern in look.patterns[line.id]:
                    yield from _sharing(line, pattern, slots)


def _guessed(device: Device) -> Iterator[Finding]:
    left = guesses(device.spec)
    if left:
        yield Finding(
            code="rig.guessed",
            severity="note",
            subject=device.id,
            message=tr(
                "Of {device} it is guessed: {names}.", device=device.name, names=", ".join(left)
            ),
            why=tr(
                "A guess that is wrong is heard on stage: a box that stands still, or plays twice."
            ),
            fix=tr("Look in its manual's chart, or try it; then set it, or say that it is right."),
        )


def _hardly_proven(device: Device) -> Iterator[Finding]:
    rows = [p for p in device.spec.proven if p.sure < SURE]
    if rows:
        listed = ", ".join(f"{TOLD.get(p.path, p.path)} ({100 * p.sure:.0f} %)" for p in rows)
        yield Finding(
            code="rig.hardly-proven",
            severity="note",
            subject=device.id,
            message=tr("A probe of {device} was not quite sure: {names}.", device=device.name,
                       names=listed),
            why=tr("What is taken for an ability and is none is heard on stage."),
            fix=tr("Probe it again with a busier pattern in it, or look in its manual's chart."),
        )  # fmt: skip


def _echo(look: Look, device: Device) -> Iterator[Finding]:
    if device.kind != "echo" or device.id in look.tree.locked:
        return
    low, high = device.spec.echo_ms or (1.0, 60_000.0)
    rows: list[str] = []
    for song in look.project.songs[:SHOWN_SONGS]:
        quarter, dotted = (fitted_ms(song.bpm, low, high, q) for q in (1.0, 0.75))
        if quarter is None:
            rows.append(
                tr(
                    "{song}: a quarter is {note_ms:.0f} ms, out of its range",
                    song=song.name,
                    note_ms=note_ms(song.bpm),
                )
            )
        else:
            also = tr(" or {dotted:.0f}", dotted=dotted) if dotted is not None else ""
            rows.append(
                tr("{song} {quarter:.0f}{also} ms", song=song.name, quarter=quarter, also=also)
            )
    if not rows:
        return
    yield Finding(
        code="rig.echo-times",
        severity="note",
        subject=device.id,
        message=tr(
            "{device} has no clock input: its time is set by hand for every song.",
            device=device.name,
        ),
        why=tr("Repeats beside the beat blur the rhythm."),
        fix=tr("A quarter or dotted eighth, fitted to its range: {names}.", names="; ".join(rows)),
    )


def _sharing(device: Device, pattern: Pattern, slots: dict[int, str]) -> Iterator[Finding]:
    rows = [v for v in pattern.content.voices if v.note in slots and v.hits]
    for one, other in combinations(rows, 2):
        if slots[one.note] != slots[other.note]:
            continue
        steps = _together(pattern, one, other)
        if steps:
            words = ", ".join(str(s) for s in steps[:SHOWN_STEPS])
            words += (
                tr(" and {value} more", value=len(steps) - SHOWN_STEPS)
                if len(steps) > SHOWN_STEPS
                else ""
            )
            yield Finding(
                code="rig.shared-slot",
                severity="warn",
                kind="pattern",
                subject=pattern.id,
                message=tr(
                    "{one} and {other} of {pattern} share slot {slots} of {device} and fall "
                    "together on step {words}.",
                    one=one.name,
                    other=other.name,
                    pattern=pattern.name,
                    slots=slots[one.note],
                    device=device.name,
                    words=words,
                ),
                why=tr("The later one cuts the other off: one of them is not heard."),
                fix=tr("Move one of the hits, or put one of the sounds into another slot."),
            )


def _together(pattern: Pattern, one: Voice, other: Voice) -> tuple[int, ...]:
    """The steps of the pattern, from 1, on which both can begin in its first pass."""
    content = pattern.content
    alone = [
        onsets_in(content, content.ticks, tuple(v.id for v in content.voices if v.id != voice.id))
        for voice in (one, other)
    ]
    both = sorted(set(alone[0].tolist()) & set(alone[1].tolist()))
    return tuple(dict.fromkeys(tick // content.step_ticks + 1 for tick in both))
