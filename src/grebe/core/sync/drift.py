"""Drift seen while it happens: beats of a box as they come, and when it is more than chance.

A line is fitted to the last half minute, and to longer stretches, over and over; a slope counts
when it is many of its own standard errors. Looking so often finds a slope by chance, so the limit
is the one at which that happens less than once in ten hours, found by simulation
(docs/performance.md).
"""

from __future__ import annotations

from collections import deque
from math import sqrt
from typing import NamedTuple

from grebe.core.numeric import NDArray, np
from grebe.core.sync.measure import sure_of_side

WINDOWS_S = (28.0, 60.0, 120.0, 300.0)
"""Stretches looked at, the shortest first."""
EVERY_S = 2.0
RECENT, BEFORE = 8, 64
JUMPS_MS, JUMPS_TIMES = 1.5, 6.0
"""The last beats lie further from those before than this, and than so many standard errors."""
HISTORY = 480
"""Beats by which it is judged how slowly a box wavers."""
FEWEST = 24
LIMIT = 4.8
"""Standard errors of a slope."""
LEAST_MS_A_MINUTE = 1.0
LEAST_MS = 0.4
"""It has moved by that much within the stretch, too."""
STRAY_TIMES, STRAY_MS = 5.0, 1.0
STEP_SHARE = 0.7
"""A jump explains it better than a line where it leaves less than this share of what is left."""
MOST = 4096


class DriftFound(NamedTuple):
    """A box that moves against the beat."""

    now_ms: float
    """How late it is now, by the line."""
    per_minute_ms: float
    sure: float
    """That it moves in this way at all, 0 to 1."""
    over_s: float
    """The stretch it was seen in."""
    jumped: bool = False
    """Whether it jumped by `now_ms` once, rather than moving on."""

    def heard_in_s(self, noticed_ms: float) -> float | None:
        """Seconds until it is so far off that it is heard; None where it comes back towards the
        beat, 0 where it is heard already."""
        if abs(self.now_ms) >= noticed_ms:
            return 0.0
        if self.jumped or not self.per_minute_ms:
            return None
        limit = noticed_ms if self.per_minute_ms > 0 else -noticed_ms
        return (limit - self.now_ms) / self.per_minute_ms * 60


class DriftWatch:
    """Watches one box's beats, and says when they slide or have jumped."""

    def __init__(self) -> None:
        self._beats: deque[tuple[float, float]] = deque(maxlen=MOST)
        self._looked_s = 0.0
        self._stood_ms: float | None = None
        """Where it was before it jumped; None where it has not."""
        self.found: DriftFound | None = None

    def forget(self) -> None:
        """It was put right, or something else plays: earlier beats say nothing any more."""
        self._beats.clear()
        self._stood_ms = None
        self.found = None

    def heard(self, at_s: float, late_ms: float) -> bool:
        """A beat came so late; whether that changed what is found."""
        if self._beats and at_s < self._beats[-1][0]:
            self.forget()
        self._beats.append((at_s, late_ms))
        if at_s - self._looked_s < EVERY_S and at_s >= self._looked_s:
            return False
        self._looked_s, before = at_s, self.found
        self.found = self._look(at_s)
        return self.found != before

    def _look(self, now_s: float) -> DriftFound | None:
        rows = np.array(self._beats)
        jumped = self._jumped(rows)
        if jumped is not None:
            return jumped
        wavers = _together(rows[-HISTORY:])
        for window in WINDOWS_S:
            part = rows[rows[:, 0] >= now_s - window]
            if len(part) < FEWEST or now_s - part[0, 0] < 0.9 * window:
                continue
            found = _slope(part[:, 0] - now_s, part[:, 1], window, wavers)
            if found is not None:
                return found
        return None

    def _jumped(self, rows: NDArray[np.float64]) -> DriftFound | None:
        """Whether the last beats are somewhere else than those before, all of a sudden; said until
        they are back, or it was put right."""
        if len(rows) < RECENT + FEWEST:
            return None
        before, recent = rows[:-RECENT][-HISTORY:], rows[-RECENT:, 1]
        now = float(np.median(recent))
        stood = float(np.median(before[-BEFORE:, 1]))
        usual = 1.4826 * float(np.median(np.abs(before[-BEFORE:, 1] - stood)))
        together = min(0.9, max(0.0, _together(before)))
        error = 1.2533 * usual * sqrt((1 + together) / (1 - together) / RECENT)
        limit = max(JUMPS_MS, JUMPS_TIMES * error)
        if self._stood_ms is None:
            if not (recent > stood + limit / 2).all() and not (recent < stood - limit / 2).all():
                return None
            if abs(now - stood) < limit:
                return None
            self._stood_ms = stood
        elif abs(now - self._stood_ms) < JUMPS_MS / 2:
            self._stood_ms = None
            return None
        sure = sure_of_side(abs(now - self._stood_ms), error + 1e-9)
        return DriftFound(now, 0.0, sure, float(rows[-1, 0] - rows[-RECENT, 0]), jumped=True)


def _slope(
    at_s: NDArray[np.float64], late: NDArray[np.float64], window: float, wavers: float
) -> DriftFound | None:
    """The slope in a stretch, where it is more than chance; `at_s` ends at 0, which is now."""
    middle = float(np.median(late))
    usual = 1.4826 * float(np.median(np.abs(late - middle)))
    near = np.abs(late - middle) <= max(STRAY_TIMES * usual, STRAY_MS)
    if near.sum() < FEWEST:
        return None
    x, y = at_s[near], late[near]
    apart = x - x.mean()
    sxx = float(apart @ apart)
    slope = float(apart @ y) / sxx
    residual = y - y.mean() - slope * apart
    left = float(residual @ residual)
    # What wavers slowly gives fewer independent beats than there are.
    together = min(0.9, max(wavers, _correlated(residual)))
    spread = left / (len(x) - 2) * max(1.0, (1 + together) / max(0.1, 1 - together))
    error = sqrt(spread / sxx) + 1e-9
    minute = slope * 60
    moved = abs(slope) * window
    if abs(slope) < LIMIT * error or abs(minute) < LEAST_MS_A_MINUTE or moved < LEAST_MS:
        return None
    sure = sure_of_side(abs(minute), 60 * error)
    if _steps(y, left):
        return None  # it has jumped once, and stands
    return DriftFound(float(y.mean() - slope * x.mean()), minute, sure, window)


def _together(rows: NDArray[np.float64]) -> float:
    """How alike beats next to each other are, over minutes, but for a line through them."""
    if len(rows) < FEWEST:
        return 0.0
    at_s, late = rows[:, 0] - rows[-1, 0], rows[:, 1]
    return _correlated(late - np.polyval(np.polyfit(at_s, late, 1), at_s))


def _correlated(residual: NDArray[np.float64]) -> float:
    """Correlation of neighbours, made up for being seen too small in few of them."""
    found = float(residual[1:] @ residual[:-1]) / (float(residual @ residual) + 1e-12)
    return found + (1 + 4 * max(0.0, found)) / len(residual)


def _steps(late: NDArray[np.float64], left: float) -> bool:
    """Whether one jump explains more than a line does."""
    count = len(late)
    before = np.arange(FEWEST // 4, count - FEWEST // 4)
    sums, squares = np.cumsum(late), np.cumsum(late * late)
    first, second = sums[before - 1], sums[-1] - sums[before - 1]
    rest = squares[-1] - first**2 / before - second**2 / (count - before)
    return float(rest.min()) < STEP_SHARE * left
