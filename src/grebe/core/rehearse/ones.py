"""Bring it in on the one: taps against bar lines, their mean and spread in milliseconds."""

from __future__ import annotations

import math
from collections.abc import Sequence
from typing import NamedTuple

from grebe.core.estimates import t95
from grebe.core.numeric import np
from grebe.words import tr

STEADY_MS = 25.0
"""A spread below this is steady for a hand: common practice, no source."""
ON_MS = 15.0
"""A mean nearer than this is on the one: likewise."""


class Ones(NamedTuple):
    """Taps of one run. Positive is late."""

    taps: int
    mean_ms: float
    spread_ms: float
    """Standard deviation, of a sample."""
    low_ms: float
    high_ms: float
    """95 % interval of the mean, by Student's t; the mean itself from fewer than two taps."""
    drift_ms: float
    """By how much later each tap is than the one before: the slope of a fitted line."""

    @property
    def words(self) -> str:
        """What to do about it, in a sentence."""
        if self.taps < 3:
            return tr("Tap the first beat of at least three bars.")
        parts: list[str] = []
        if self.low_ms > ON_MS or (self.mean_ms > ON_MS and self.low_ms > 0):
            parts.append(
                tr(
                    "You come in {mean_ms:.0f} ms late: begin the move sooner.",
                    mean_ms=self.mean_ms,
                )
            )
        elif self.high_ms < -ON_MS or (self.mean_ms < -ON_MS and self.high_ms < 0):
            parts.append(
                tr("You come in {value:.0f} ms early: wait for the beat.", value=-self.mean_ms)
            )
        elif abs(self.mean_ms) > ON_MS:
            parts.append(tr("Too unsteady to tell early from late."))
        else:
            parts.append(tr("On the one."))
        steady = self.spread_ms <= STEADY_MS
        parts.append(
            "Steady."
            if steady
            else tr("It wavers by {spread_ms:.0f} ms.", spread_ms=self.spread_ms)
        )
        return " ".join(parts)


def off_bar_ms(tick: float, bar_ticks: int, bpm: float, ticks_per_quarter: int) -> float:
    """How late a tap is against the nearest bar line, in ms; bars count from tick 0."""
    off = (tick + bar_ticks / 2) % bar_ticks - bar_ticks / 2
    return off / ticks_per_quarter * 60_000 / bpm


def ones(off_ms: Sequence[float]) -> Ones:
    """Statistics of taps. ValueError without any."""
    if not off_ms:
        raise ValueError("there are no taps")
    values = np.asarray(off_ms, dtype=float)
    count, mean = len(values), float(values.mean())
    if count < 2:
        return Ones(count, mean, 0.0, mean, mean, 0.0)
    spread = float(values.std(ddof=1))
    margin = t95(count - 1) * spread / math.sqrt(count)
    places = np.arange(count) - (count - 1) / 2
    drift = float((places * (values - mean)).sum() / (places**2).sum())
    return Ones(count, mean, spread, mean - margin, mean + margin, drift)
