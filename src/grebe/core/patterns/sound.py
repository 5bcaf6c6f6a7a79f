"""What a pattern sounds like: notes in ticks, density, and when its voices line up again."""

from __future__ import annotations

from fractions import Fraction
from math import lcm
from typing import NamedTuple

from grebe.core.patterns.model import Content, Voice
from grebe.core.time.ticks import TICKS_PER_QUARTER


class VoiceNote(NamedTuple):
    """One note of a voice, counted from where the voice begins."""

    tick: int
    note: int
    velocity: int
    gate_ticks: int


def voice_notes(voice: Voice) -> list[VoiceNote]:
    """The notes of one pass through a voice, in order. A note is at least one tick long."""
    step = voice.step_ticks
    return [
        VoiceNote(
            tick=hit.step * step,
            note=voice.note if hit.note is None else hit.note,
            velocity=hit.velocity,
            gate_ticks=max(1, step * hit.gate // 100),
        )
        for hit in voice.hits
    ]


def density(content: Content, silent: frozenset[str] = frozenset()) -> float:
    """Hits a quarter note over all voices but the silent ones, as they run on their own lengths."""
    return sum(
        len(voice.hits) * TICKS_PER_QUARTER / voice.ticks
        for voice in content.voices
        if voice.id not in silent
    )


def realigned_after(content: Content) -> Fraction:
    """Quarter notes after which all voices begin together again."""
    lengths = [voice.ticks for voice in content.voices] or [content.ticks]
    return Fraction(lcm(*lengths), TICKS_PER_QUARTER)
