"""Tempo from taps: a least-squares line through the tap times."""

from __future__ import annotations

import math
from collections.abc import Sequence
from itertools import pairwise

from grebe.core.units import Value

MIN_TAPS = 3  # fewer leave no residual, so no interval can be given


class TapTempo(Value, frozen=True, kw_only=True):
    """Tempo in BPM with the ends of its 95 % confidence interval."""

    bpm: float
    low: float
    high: float


def tap_tempo(times_s: Sequence[float]) -> TapTempo:
    """Fit tap times (seconds, increasing, one a beat) by least squares.

    The 95 % interval of the slope comes from Student's t with n-2 degrees of
    freedom, the textbook interval of a regression slope. ValueError for fewer
    than three taps, or times that are not finite and increasing.
    """
    count = len(times_s)
    if count < MIN_TAPS:
        raise ValueError(f"tap at least {MIN_TAPS} times (got {count})")
    if not all(math.isfinite(t) for t in times_s):
        raise ValueError("tap times must be finite numbers of seconds")
    if any(b <= a for a, b in pairwise(times_s)):
        raise ValueError("tap times must increase")
    from scipy.special import stdtrit  # noqa: PLC0415 - SciPy is slow to import

    mean_index = (count - 1) / 2
    mean_time = math.fsum(times_s) / count
    spread = math.fsum((i - mean_index) ** 2 for i in range(count))
    period = math.fsum((i - mean_index) * (t - mean_time) for i, t in enumerate(times_s)) / spread
    residual = math.fsum(
        (t - mean_time - period * (i - mean_index)) ** 2 for i, t in enumerate(times_s)
    )
    margin = float(stdtrit(count - 2, 0.975)) * math.sqrt(residual / (count - 2) / spread)
    low = 60.0 / (period + margin)
    high = 60.0 / (period - margin) if period > margin else math.inf
    return TapTempo(bpm=60.0 / period, low=low, high=high)
