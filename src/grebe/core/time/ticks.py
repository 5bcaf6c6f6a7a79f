"""Exact musical time as whole ticks.

Musical time is never a float. One quarter note is 14 414 400 ticks
(2^6 * 3^2 * 5^2 * 7 * 11 * 13), so every note value down to 1/64 with dots and
triplets, MIDI clock (24), pulses up to 96, groups of 5, 7, 9, 11 and 13, and
swing in whole percent of a pair of sixteenths are all whole numbers. Sixteen
devices for a day at 400 BPM stay far below 2^63.
"""

from __future__ import annotations

import re
from fractions import Fraction
from functools import cache
from typing import Annotated

from msgspec import Meta

TICKS_PER_QUARTER = 14_414_400
CLOCKS_PER_QUARTER = 24  # MIDI 1.0, Timing Clock
CLOCK_TICKS = TICKS_PER_QUARTER // CLOCKS_PER_QUARTER
SIXTEENTH_TICKS = TICKS_PER_QUARTER // 4

NoteValue = Annotated[str, Meta(pattern=r"^1/(1|2|4|8|16|32|64)[.t]?$")]
"""A note value such as ``1/16``, dotted ``1/8.`` or triplet ``1/8t``."""

_NOTE_VALUE = re.compile(r"^1/(1|2|4|8|16|32|64)([.t]?)$")
_FACTOR = {"": Fraction(1), ".": Fraction(3, 2), "t": Fraction(2, 3)}


@cache
def note_value_ticks(value: str) -> int:
    """Length in ticks of a note value such as ``1/16``, ``1/8t`` or ``1/4.``.

    Raises ValueError for anything else.
    """
    match = _NOTE_VALUE.match(value)
    if match is None:
        raise ValueError(f"note value must look like 1/16, 1/8t or 1/4. (got {value!r})")
    return from_beats(Fraction(4, int(match[1])) * _FACTOR[match[2]])


def from_beats(beats: Fraction | int) -> int:
    """Ticks of a number of quarter notes; ValueError if it is not a whole number of them."""
    ticks = Fraction(beats) * TICKS_PER_QUARTER
    if ticks.denominator != 1:
        raise ValueError(f"{beats} quarter notes is not a whole number of ticks")
    return int(ticks)


def next_multiple(ticks: int, unit: int) -> int:
    """The first multiple of `unit` that is not before `ticks` (both in ticks)."""
    return -(-ticks // unit) * unit
