"""A device's last beats in figures: how late, how unsteady, whether it drifts, what to set."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Literal, NamedTuple

from grebe.core.numeric import NDArray, np

FEWEST = 8
"""Beats below which nothing is said."""
DRIFTS_MS_A_MINUTE = 6.0
"""A slope this steep is drift, when it is also more than its own uncertainty."""
UNSTEADY_TIMES = 3.0
"""Wavering by so many times what may be."""

STRAY_MS = 1.0
STRAY_TIMES = 5.0
"""A beat further off the line than this, and than so many times the usual, is a stray."""

Verdict = Literal["", "good", "late", "early", "drifting", "unsteady"]


class StripFigures(NamedTuple):
    """What the last beats come to. Milliseconds; positive is late."""

    beats: int
    offset_ms: float
    """Median."""
    jitter_ms: float
    """95th percentile of the departure from the fitted line."""
    drift_ms_per_min: float
    verdict: Verdict
    set_ms: float | None
    """Offset that would put it right, where one number does."""
    slope_ms_per_min: float = 0.0
    """Of the line, also where it is too slight to be called drift; 0 inside its uncertainty."""


class _Line(NamedTuple):
    middle: float
    level: float
    slope: float
    error: float
    """Of the slope."""

    def at(self, minutes: NDArray[np.floating]) -> NDArray[np.floating]:
        return self.level + self.slope * (minutes - self.middle)


def _line(minutes: NDArray[np.floating], late: NDArray[np.floating]) -> _Line:
    """Least squares."""
    middle, level = float(minutes.mean()), float(late.mean())
    apart = minutes - middle
    spread = float((apart**2).sum())
    if not spread:
        return _Line(middle, level, 0.0, 0.0)
    slope = float((apart * (late - level)).sum()) / spread
    residual = late - level - slope * apart
    error = float(np.sqrt((residual**2).sum() / max(1, len(late) - 2) / spread))
    return _Line(middle, level, slope, error)


def strip_figures(
    seconds: Sequence[float], late_ms: Sequence[float], offset_ms: float, tolerance_ms: float
) -> StripFigures:
    """Judge beats: when each was due, how late it was, the offset now set, what may be.

    The line is least squares over the beats that are not strays. A slope counts as
    drift when it is steep, over twice its standard error, and has come to something:
    half of what may be, within these beats.
    """
    count = len(late_ms)
    if count < FEWEST:
        return StripFigures(count, 0.0, 0.0, 0.0, "", None)
    late = np.asarray(late_ms, dtype=float)
    minutes = np.asarray(seconds, dtype=float) / 60
    offset = float(np.median(late))
    line = _line(minutes, late)
    for _ in range(2):
        off = np.abs(late - line.at(minutes))
        usual = off <= max(STRAY_MS, STRAY_TIMES * float(np.median(off)))
        if usual.sum() < FEWEST:
            break
        line = _line(minutes[usual], late[usual])
    slope = line.slope
    came_to = abs(slope) * float(np.ptp(minutes))
    drifts = abs(slope) > max(DRIFTS_MS_A_MINUTE, 2 * line.error) and came_to > tolerance_ms / 2
    residual = late - (line.at(minutes) if drifts else offset)
    jitter = float(np.percentile(np.abs(residual), 95))
    verdict: Verdict = "good"
    set_ms: float | None = None
    if drifts:
        verdict = "drifting"
    elif jitter > UNSTEADY_TIMES * tolerance_ms:
        verdict = "unsteady"
    elif abs(offset) > tolerance_ms:
        verdict = "late" if offset > 0 else "early"
        set_ms = round(offset_ms - offset, 1)
    sure = slope if abs(slope) > 2 * line.error else 0.0
    return StripFigures(count, offset, jitter, slope if drifts else 0.0, verdict, set_ms, sure)
