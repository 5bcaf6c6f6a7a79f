"""Tempo from taps: a least-squares line through the tap times."""

from __future__ import annotations

import math
from collections.abc import Sequence
from itertools import pairwise
from typing import NamedTuple

from grebe.core.estimates import t95
from grebe.core.units import Value

MIN_TAPS = 3  # fewer leave no residual, so no interval can be given


class TapTempo(Value, frozen=True, kw_only=True):
    """Tempo in BPM with the ends of its 95 % confidence interval."""

    bpm: float
    low: float
    high: float


STRAY_TIMES = 3.0
STRAY_S = 0.03
"""A tap further off the line than this, and than three times the usual, does not count."""
SAME_SHARE = 0.12
"""A tempo this near to half or double the one there is was tapped on other beats."""


def tapped(times_s: Sequence[float], near_bpm: float = 0.0) -> TapTempo:
    """The tempo somebody means who taps: beats left out and stray taps allowed for.

    Taps are numbered by the usual distance between them, those far off the
    line are left out, and what comes to half or double of `near_bpm` is taken
    for it. ValueError as `tap_tempo`.
    """
    beats, kept = _numbered(times_s)
    if len(kept) < MIN_TAPS:
        return tap_tempo(times_s)
    for _ in range(2):
        fit = _fit(beats, kept)
        off = [abs(t - fit.start - fit.period * b) for b, t in zip(beats, kept, strict=True)]
        limit = max(STRAY_S, STRAY_TIMES * sorted(off)[len(off) // 2])
        good = [i for i, distance in enumerate(off) if distance <= limit]
        if len(good) in (len(off), 0) or len(good) < MIN_TAPS:
            break
        beats, kept = [beats[i] for i in good], [kept[i] for i in good]
    found = _interval(beats, kept)
    for times in (2.0, 0.5):
        if near_bpm and abs(found.bpm * times / near_bpm - 1) < SAME_SHARE:
            return TapTempo(bpm=found.bpm * times, low=found.low * times, high=found.high * times)
    return found


def _numbered(times_s: Sequence[float]) -> tuple[list[int], list[float]]:
    """Beat numbers of taps; one that comes much too soon after another is left out."""
    gaps = sorted(b - a for a, b in pairwise(times_s))
    usual = gaps[len(gaps) // 2] if gaps else 0.0
    beats, kept = [0], [times_s[0]] if times_s else []
    for at in times_s[1:]:
        gap = at - kept[-1]
        if usual and gap < 0.5 * usual:
            continue
        beats.append(beats[-1] + max(1, round(gap / usual)) if usual else len(beats))
        kept.append(at)
    return beats, kept


class _Line(NamedTuple):
    start: float
    period: float
    spread: float


def _fit(beats: Sequence[int], times_s: Sequence[float]) -> _Line:
    """Least-squares line of times over beat numbers."""
    count = len(beats)
    mean_beat, mean_time = math.fsum(beats) / count, math.fsum(times_s) / count
    spread = math.fsum((b - mean_beat) ** 2 for b in beats)
    period = (
        math.fsum((b - mean_beat) * (t - mean_time) for b, t in zip(beats, times_s, strict=True))
        / spread
    )
    return _Line(mean_time - period * mean_beat, period, spread)


def _interval(beats: Sequence[int], times_s: Sequence[float]) -> TapTempo:
    count, line = len(beats), _fit(beats, times_s)
    residual = math.fsum(
        (t - line.start - line.period * b) ** 2 for b, t in zip(beats, times_s, strict=True)
    )
    margin = t95(count - 2) * math.sqrt(residual / (count - 2) / line.spread)
    low = 60.0 / (line.period + margin)
    high = 60.0 / (line.period - margin) if line.period > margin else math.inf
    return TapTempo(bpm=60.0 / line.period, low=low, high=high)


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
    return _interval(range(count), times_s)
