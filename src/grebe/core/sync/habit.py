"""A performer's own timing: how far presses lie off the beats they were meant for."""

from __future__ import annotations

from collections.abc import Sequence
from math import sqrt
from typing import NamedTuple

from grebe.core.estimates import t95
from grebe.core.numeric import np

FEWEST = 8
STRAY_TIMES, STRAY_MS = 5.0, 30.0
"""A press further off the middle than both was meant for something else."""


class Habit(NamedTuple):
    """Milliseconds; positive is late."""

    presses: int
    """Those that count."""
    late_ms: float
    """Their mean."""
    low_ms: float
    high_ms: float
    """Ends of its 95 % interval (Student's t)."""
    spread_ms: float
    """Standard deviation of a press."""
    strays: int = 0

    @property
    def sure(self) -> bool:
        """Whether it is a habit at all: the interval has one sign."""
        return self.low_ms * self.high_ms > 0


def habit(late_ms: Sequence[float]) -> Habit | None:
    """What presses come to; None for fewer than `FEWEST`."""
    rows = np.asarray(late_ms, dtype=float)
    if len(rows) < FEWEST:
        return None
    middle = float(np.median(rows))
    usual = 1.4826 * float(np.median(np.abs(rows - middle)))
    near = rows[np.abs(rows - middle) <= max(STRAY_TIMES * usual, STRAY_MS)]
    if len(near) < FEWEST:
        return None
    spread, mean = float(near.std(ddof=1)), float(near.mean())
    half = t95(len(near) - 1) * spread / sqrt(len(near))
    return Habit(len(near), mean, mean - half, mean + half, spread, len(rows) - len(near))
