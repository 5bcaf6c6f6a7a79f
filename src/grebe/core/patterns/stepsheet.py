"""A step sheet: a pattern to be keyed into a box by hand, in the box's own counts."""

from __future__ import annotations

from typing import NamedTuple

from grebe.core.patterns.model import Hit, Pattern, Voice
from grebe.core.patterns.translate import (
    Level,
    flam_level,
    flam_ms,
    late_ms,
    swing_level,
    velocity_level,
)
from grebe.core.rig.model import Device
from grebe.core.rig.numbering import printed_program
from grebe.core.rig.spec import Steps
from grebe.core.time.swing import swing
from grebe.words import tr

WORDS = ("soft", "plain", "accent")
"""Three levels by name, where a box has so many."""


class StepRow(NamedTuple):
    """One step of a voice that has something on it."""

    step: int
    """As printed, from 1."""
    does: str
    """Level, flam, strokes and so on, in words."""


class VoiceRows(NamedTuple):
    """One voice."""

    name: str
    note: int
    settings: str
    """Its length and step, where they are not the pattern's."""
    marks: str
    """Its steps at a glance: x plain, X loud, o soft, a point for none."""
    rows: tuple[StepRow, ...]


class StepSheet(NamedTuple):
    """All there is to key in."""

    pattern: str
    device: str
    place: str
    settings: tuple[str, ...]
    voices: tuple[VoiceRows, ...]


def step_sheet(pattern: Pattern, device: Device, bpm: float) -> StepSheet:
    """How a pattern is keyed into its box: per voice, in the box's levels, flams and swing."""
    steps = device.spec.steps or Steps(longest=256, swing=())
    content = pattern.content
    place = ""
    if pattern.program is not None:
        place = printed_program(device, pattern.program)
    settings = [tr("{length} steps of {rate}", length=content.length, rate=content.rate)]
    if content.speed != "1":
        settings.append(tr("speed \u00d7{speed}", speed=content.speed))
    if content.swing != 50:
        settings.append(_swing(steps, content.swing, bpm, content.step_ticks))
    if device.spec.clears:
        settings.append(tr("clears what stands there first"))
    keys = {voice.note: voice.keys for voice in device.spec.voices if voice.keys}
    voices = tuple(
        _pressed(_voice(pattern, voice, steps, bpm), keys.get(voice.note, ""))
        for voice in content.voices
        if voice.hits
    )
    return StepSheet(pattern.name, device.name, place, tuple(settings), voices)


def _pressed(rows: VoiceRows, keys: str) -> VoiceRows:
    """A voice without a key of its own is keyed in by those pressed together for it."""
    words = tr("press {keys} together", keys=keys)
    settings = f"{rows.settings}; {words}" if rows.settings else words
    return rows._replace(settings=settings) if keys else rows


def hit_words(pattern: Pattern, voice: Voice, hit: Hit, device: Device | None, bpm: float) -> str:
    """What a hit does, in the counts of its box: level, flam, strokes, micro-timing, chance."""
    steps = device.spec.steps if device is not None else None
    return _does(pattern, voice, hit, steps or Steps(longest=256, swing=()), bpm)


def _swing(steps: Steps, percent: float, bpm: float, step_ticks: int) -> str:
    if len(steps.swing) < 2:
        late = swing(percent, bpm, step_ticks, 96).late_ms
        return tr(
            "swing {percent:g} %, {late:.1f} ms late at {bpm:g} BPM",
            percent=percent,
            late=late,
            bpm=bpm,
        )
    level = swing_level(steps, percent, bpm, step_ticks)
    off = _off(level)
    return tr(
        "swing level {level_number} of {of} ({level_value:g} %){off}",
        level_number=level.number,
        of=level.of,
        level_value=level.value,
        off=off,
    )


def _off(level: Level) -> str:
    return (
        ""
        if abs(level.off_ms) < 0.05
        else tr(", {off_ms:+.1f} ms off what is drawn", off_ms=level.off_ms)
    )


def _voice(pattern: Pattern, voice: Voice, steps: Steps, bpm: float) -> VoiceRows:
    content = pattern.content
    settings: list[str] = []
    if voice.even:
        settings.append(tr("{length} steps evenly over the pattern", length=voice.length))
    elif (voice.length, voice.rate) != (content.length, content.rate):
        settings.append(tr("{length} steps of {rate}", length=voice.length, rate=voice.rate))
    if voice.direction != "forward":
        settings.append(voice.direction)
    if voice.swing is not None:
        settings.append(_swing(steps, voice.swing, bpm, int(content.step_of(voice))))
    if voice.drawn:
        settings.append(tr("pitches drawn anew {drawn} %", drawn=voice.drawn))
    if voice.turned:
        settings.append(tr("steps turned over {turned} %", turned=voice.turned))
    hits = {h.step: h for h in voice.hits}
    marks = "".join(_mark(hits.get(step)) for step in range(voice.length))
    rows = tuple(StepRow(h.step + 1, _does(pattern, voice, h, steps, bpm)) for h in voice.hits)
    return VoiceRows(voice.name, voice.note, ", ".join(settings), marks, rows)


def _mark(hit: Hit | None) -> str:
    if hit is None:
        return "\u00b7"
    return "X" if hit.velocity >= 112 else "x" if hit.velocity >= 64 else "o"


def _does(pattern: Pattern, voice: Voice, hit: Hit, steps: Steps, bpm: float) -> str:
    content = pattern.content
    words = [_level(steps, hit.velocity)]
    if hit.note is not None:
        words.append(tr("note {note}", note=hit.note) + "".join(f" {c:+d}" for c in hit.chord))
    if hit.flam:
        wanted = flam_ms(content, voice, hit, bpm)
        level = flam_level(steps, wanted)
        known = level.number > 0
        words.append(
            tr(
                "flam {level_number} of {of}{off}",
                level_number=level.number,
                of=level.of,
                off=_off(level),
            )
            if known
            else tr("flam {wanted:.0f} ms", wanted=wanted)
        )
    if hit.ratchet > 1:
        ramp = "" if hit.ratchet_to == 100 else tr(" to {ratchet_to} %", ratchet_to=hit.ratchet_to)
        words.append(tr("{ratchet} strokes{ramp}", ratchet=hit.ratchet, ramp=ramp))
    if hit.shift_permille:
        words.append(
            tr("{late_ms:+.1f} ms", late_ms=late_ms(content, voice, hit.shift_permille, bpm))
        )
    if hit.tie:
        words.append("tied")
    if hit.chance < 100:
        words.append(f"{hit.chance} %")
    if hit.when:
        words.append(hit.when)
    return ", ".join(words)


def _level(steps: Steps, velocity: int) -> str:
    level = velocity_level(steps, velocity)
    if not level.number:
        return tr("velocity {velocity}", velocity=velocity)
    if level.of == 2:
        return ("plain", "accent")[level.number - 1]
    return (
        WORDS[level.number - 1]
        if level.of == 3
        else tr("level {level_number} of {of}", level_number=level.number, of=level.of)
    )
