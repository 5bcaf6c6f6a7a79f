"""What a pattern sounds like as a whole: density, and when its voices line up again."""

from __future__ import annotations

from fractions import Fraction
from math import lcm
from typing import Literal, NamedTuple

from grebe.core.patterns.model import Content, Voice
from grebe.core.time.ticks import TICKS_PER_QUARTER


def density(content: Content, silent: frozenset[str] = frozenset()) -> float:
    """Strokes a quarter note, as likely as they are, over all voices but the silent ones."""
    return sum(
        _strokes(voice) * TICKS_PER_QUARTER / float(content.step_of(voice) * voice.length)
        for voice in content.voices
        if voice.id not in silent
    )


def _strokes(voice: Voice) -> float:
    total = 0.0
    for hit in voice.hits:
        often = hit.chance / 100
        if hit.when[:1].isdigit():
            often /= int(hit.when.rpartition(" ")[2])
        total += often * hit.ratchet * (1 + len(hit.chord))
    return total


Together = Literal["alike", "polymeter", "polyrhythm", "both"]


class Realignment(NamedTuple):
    """When voices begin together again."""

    beats: Fraction
    """Quarter notes after which all begin together."""
    with_pattern: Fraction
    """The same with the pattern's own beginning: a chain's or a bar's line."""
    kind: Together
    """`polymeter`: the same step, other lengths. `polyrhythm`: the same length, other steps."""


def realigned_after(content: Content) -> Fraction:
    """Quarter notes after which all voices and lanes begin together again."""
    lengths = [content.ticks_of(v) for v in content.voices]
    lengths += [content.ticks_of(lane) for lane in content.lanes]
    lengths = lengths or [content.ticks]
    return Fraction(lcm(*lengths), TICKS_PER_QUARTER)


def realignment(content: Content) -> Realignment:
    """When the voices of a pattern line up, and how they differ."""
    beats = realigned_after(content)
    whole = Fraction(content.ticks, TICKS_PER_QUARTER)
    lengths = {content.ticks_of(v) for v in content.voices}
    steps = {content.step_of(v) for v in content.voices}
    kind: Together = "alike"
    if len(lengths) > 1:
        kind = "polymeter" if len(steps) == 1 else "both"
    elif len(steps) > 1:
        kind = "polyrhythm"
    return Realignment(beats, lcm_of(beats, whole), kind)


def lcm_of(*lengths: Fraction) -> Fraction:
    """The least length that all of these go into a whole number of times."""
    below = lcm(*(length.denominator for length in lengths))
    return Fraction(lcm(*(int(length * below) for length in lengths)), below)
