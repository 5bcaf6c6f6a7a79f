"""A device's last beats in figures: how late, how unsteady, whether it drifts, what to set."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Literal, NamedTuple

import numpy as np

FEWEST = 8
"""Beats below which nothing is said."""
DRIFTS_MS_A_MINUTE = 6.0
"""A slope this steep is drift, when it is also more than its own uncertainty."""
STRAY_MS_TIMES = 3.0

Verdict = Literal["", "good", "late", "early", "drifting", "unsteady"]


class StripFigures(NamedTuple):
    """What the last beats come to. Milliseconds; positive is late."""

    beats: int
    offset_ms: float
    """Median."""
    waver_ms: float
    """95th percentile of the departure from the fitted line."""
    drift_ms_per_min: float
    verdict: Verdict
    set_ms: float | None
    """Offset that would put it right, where one number does."""


def strip_figures(
    seconds: Sequence[float], late_ms: Sequence[float], offset_ms: float, tolerance_ms: float
) -> StripFigures:
    """Judge beats: when each was due, how late it was, the offset now set, what may be.

    The line is least squares; a slope counts as drift when it is over twice its
    standard error.
    """
    count = len(late_ms)
    if count < FEWEST:
        return StripFigures(count, 0.0, 0.0, 0.0, "", None)
    late = np.asarray(late_ms, dtype=float)
    minutes = np.asarray(seconds, dtype=float) / 60
    minutes = minutes - minutes.mean()
    offset = float(np.median(late))
    spread = float((minutes**2).sum())
    slope = float((minutes * (late - late.mean())).sum()) / spread if spread else 0.0
    residual = late - late.mean() - slope * minutes
    error = float(np.sqrt((residual**2).sum() / max(1, count - 2) / spread)) if spread else 0.0
    drifts = abs(slope) > max(DRIFTS_MS_A_MINUTE, 2 * error)
    if not drifts:
        residual = late - offset
    waver = float(np.percentile(np.abs(residual), 95))
    verdict: Verdict = "good"
    set_ms: float | None = None
    if drifts:
        verdict = "drifting"
    elif waver > STRAY_MS_TIMES * tolerance_ms:
        verdict = "unsteady"
    elif abs(offset) > tolerance_ms:
        verdict = "late" if offset > 0 else "early"
        set_ms = round(offset_ms - offset, 1)
    return StripFigures(count, offset, waver, slope if drifts else 0.0, verdict, set_ms)
