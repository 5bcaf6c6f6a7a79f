"""Loops: how long so many bars are, in seconds and samples, and what tempo a length gives."""

from __future__ import annotations

import math
from typing import NamedTuple

from grebe.core.time.ticks import TICKS_PER_QUARTER

LOOP_BARS = (1, 2, 4, 8, 16)
"""Lengths of loops: common practice."""
HOUR_MS = 3_600_000.0
USUAL_BPM = 120.0
SLOWEST, FASTEST = 60.0, 180.0
"""Where no tempo is known a loop is taken to have one between these: common practice."""


class LoopLength(NamedTuple):
    """A loop cut to a whole number of samples."""

    seconds: float
    """As it should be."""
    samples: float
    nearest: int
    """Whole samples."""
    drift_ms_per_hour: float
    """How far one of that many samples is off the beat after an hour; positive is late."""


def loop_length(bpm: float, bars: float, bar_ticks: int, rate: int) -> LoopLength:
    """The length of a loop of `bars` bars at a tempo, in samples at `rate` a second."""
    quarters = bars * bar_ticks / TICKS_PER_QUARTER
    seconds = quarters * 60.0 / bpm
    samples = seconds * rate
    nearest = round(samples)
    drift = (nearest / samples - 1.0) * HOUR_MS if samples else 0.0
    return LoopLength(seconds, samples, nearest, drift)


class LoopTempo(NamedTuple):
    """What a loop that was played says of the tempo."""

    bpm: float
    bars: int


def loop_tempo(seconds: float, bar_ticks: int, near_bpm: float | None = None) -> LoopTempo:
    """The tempo of a loop of one of the usual lengths: the one nearest to what there was.

    ValueError for a length that is not positive.
    """
    if not (math.isfinite(seconds) and seconds > 0):
        raise ValueError(f"a loop has a positive length in seconds (got {seconds})")
    near = near_bpm or USUAL_BPM
    found = [LoopTempo(n * bar_ticks / TICKS_PER_QUARTER * 60.0 / seconds, n) for n in LOOP_BARS]
    if near_bpm is None:
        usual = [f for f in found if SLOWEST <= f.bpm <= FASTEST]
        found = usual or found
    return min(found, key=lambda f: abs(math.log2(f.bpm / near)))
