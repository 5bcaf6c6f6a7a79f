"""A shift register with bits of one's own, its stages as gates and as stepped values; and a slow
wave sampled by the clock."""

from __future__ import annotations

from collections.abc import Sequence
from math import floor, pi, sin
from typing import Literal

from grebe.core.patterns.generate import MAX_REGISTER
from grebe.errors import EditError
from grebe.words import tr

Wave = Literal["sine", "triangle", "ramp up", "ramp down", "square"]
ON, OFF = "xX1", ".-0"
VALUE_STAGES = 3
"""Stages whose bits make a stepped value, the first weighing most: eight levels (common
practice)."""


def bits_of(text: str) -> tuple[bool, ...]:
    """Bits from a row such as ``x.xx....``, the first stage first. EditError for anything else."""
    row = [c for c in text if not c.isspace()]
    if not 1 <= len(row) <= MAX_REGISTER or any(c not in ON + OFF for c in row):
        raise EditError(
            tr("bits are a row of x and points, {most} at most (got {text_!r})",
               most=MAX_REGISTER, text_=text)
        )  # fmt: skip
    return tuple(c in ON for c in row)


def states(bits: Sequence[bool], taps: Sequence[int], steps: int) -> list[tuple[bool, ...]]:
    """The stages of a register at each step, beginning as written.

    With every step each bit goes to the next stage, and the exclusive-or of the taps, counted
    from 1, comes in at the first: one tap alone goes round as a loop of that length; none lets
    zeros in, so that it empties. EditError for taps that it has not.
    """
    if any(not 1 <= t <= len(bits) for t in taps):
        raise EditError(
            tr("taps go from 1 to {stages}, the bits that are written", stages=len(bits))
        )
    out: list[tuple[bool, ...]] = []
    row = tuple(bits)
    for _ in range(steps):
        out.append(row)
        fed = sum(row[t - 1] for t in taps) % 2 == 1
        row = (fed, *row[:-1])
    return out


def gates(bits: Sequence[bool], taps: Sequence[int], steps: int, stage: int) -> tuple[bool, ...]:
    """What one stage, counted from 1, puts out: later stages repeat earlier ones a step later."""
    if not 1 <= stage <= len(bits):
        raise EditError(tr("there is no stage {stage}: {stages} bits are written",
                           stage=stage, stages=len(bits)))  # fmt: skip
    return tuple(row[stage - 1] for row in states(bits, taps, steps))


def values(
    bits: Sequence[bool], taps: Sequence[int], steps: int, attenuation: float = 1.0
) -> tuple[float, ...]:
    """Stepped values from 0 to `attenuation`, made of the first stages: half, a quarter, an
    eighth, scaled so that all of them on are 1."""
    used = min(VALUE_STAGES, len(bits))
    whole = 2**used - 1
    return tuple(
        attenuation * sum(on << (used - 1 - n) for n, on in enumerate(row[:used])) / whole
        for row in states(bits, taps, steps)
    )


def wave(shape: Wave, phase: float) -> float:
    """A wave from 0 to 1 at a phase, of which 1 is once round."""
    at = phase - floor(phase)
    if shape == "sine":
        return (1 - sin(2 * pi * at + pi / 2)) / 2
    if shape == "triangle":
        return 1 - abs(2 * at - 1)
    if shape == "square":
        return float(at >= 0.5)
    return at if shape == "ramp up" else 1 - at


def sampled(shape: Wave, period: float, steps: Sequence[int]) -> tuple[float, ...]:
    """A wave that goes round every `period` steps, as it stands at each of these steps."""
    return tuple(wave(shape, step / period) for step in steps)


def chosen(row: Sequence[float], notes: Sequence[int]) -> tuple[int, ...]:
    """The note at each value from 0 to 1, the lowest at 0."""
    held = sorted(set(notes))
    return tuple(held[min(len(held) - 1, floor(value * len(held)))] for value in row)
