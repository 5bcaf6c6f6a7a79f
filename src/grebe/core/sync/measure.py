"""How far off a device is, measured: offset, drift and jitter with what they are worth.

Event times of a reference and of a device in, figures and a verdict out. All times in seconds.
"""

from __future__ import annotations

import math
from itertools import pairwise
from typing import NamedTuple

import msgspec

from grebe.core.estimates import median_line, t95
from grebe.core.numeric import np
from grebe.core.sync.lattice import Counts, Locked, Reference, Times, lock, reference_lattice
from grebe.core.sync.measured import NATURE_WORDS, Measured, Nature, Spread, Verdict
from grebe.words import tr

FEWEST = 8
"""Events below which nothing is said."""
FEWEST_REFERENCE = 8
GOOD_MS = 2.0
"""An offset up to this needs no setting."""
DRIFTS_MS_A_MINUTE = 3.0
DRIFTS_MS = 1.0
"""A slope over the first, that has moved by the second, and is sure, is drift."""
SURE_TIMES = 4.0
"""A slope so many times its own uncertainty is sure."""
WAVERS_MS = 15.0
"""Jitter (p95) over which no one number mends anything."""
STRAY_TIMES, STRAY_MS = 6.0, 2.0
"""An event further off the line than both is a stray: it counts as jitter, not for the line."""
SWING_SURE_MS = 2.0
FRAME_S = 1e-3
"""A bus frame of full-speed USB (USB 2.0, 8.4.3)."""
FRAME_TOGETHER = 0.9
GROWS = 1.8
SURE = 1e-4
"""Chance below which a pattern in the jitter is not taken for one."""

FREE_SLOPE = 0.01
"""A device that is further from the tempo than this (600 ms a minute) has one of its own."""
OWN_JITTER = 0.04
"""An even tempo of its own wavers by less than this share of a step."""
EVENLY = 0.9
"""Share of equal distances from which on a device is taken to play evenly."""


class _Fit(NamedTuple):
    slope: float
    """Seconds a second."""
    middle_s: float
    level: float
    slope_error: float
    level_error: float
    free: int
    residual: Times


def reference_bpm(reference: Reference, grid: float) -> float:
    """Tempo in quarter notes a minute of a reference whose events are `grid` quarters apart."""
    return 60 / reference.period_s * grid


def measure(
    reference_s: Times, device_s: Times, grid: float = 1.0, tolerance_ms: float = GOOD_MS
) -> Measured:
    """Measure one device against a reference; `grid` is quarter notes between its events."""
    reference = reference_lattice(np.asarray(reference_s, dtype=float))
    if reference is None or len(reference.number) < FEWEST_REFERENCE:
        count = 0 if reference is None else len(reference.number)
        return _unusable(
            tr(
                "The reference has {count} beats; at least {fewest_reference} are needed.",
                count=count,
                fewest_reference=FEWEST_REFERENCE,
            ),
            len(device_s),
        )
    return measure_against(reference, device_s, grid, tolerance_ms)


def measure_against(
    reference: Reference, device_s: Times, grid: float, tolerance_ms: float = GOOD_MS
) -> Measured:
    """The same against a reference whose lattice is known."""
    times = np.sort(np.asarray(device_s, dtype=float))
    if len(times) < FEWEST:
        return _unusable(
            tr(
                "The device has {count} hits; at least {fewest} are needed.",
                count=len(times),
                fewest=FEWEST,
            ),
            len(times),
        )
    locked = lock(reference, times)
    if locked is None or locked.together < 0.3:
        return _unusable(
            tr(
                "The device's hits lie on no beat of the reference: it runs at another "
                "tempo, or the two are mixed up."
            ),
            len(times),
        )
    step, late, extra = _one_a_step(locked)
    if len(late) < FEWEST:
        return _unusable(
            tr(
                "Only {count} hits lie on beats; {fewest} are needed.",
                count=len(late),
                fewest=FEWEST,
            ),
            len(times),
        )
    at = reference.expected(step / locked.divided)
    swing_s, straight = _swing(step, late, at, reference.period_s / locked.divided)
    fit, counts = _robust(at, late - swing_s)
    own = reference_lattice(times) if abs(fit.slope) > FREE_SLOPE else None
    if own is not None and own.jitter_s < OWN_JITTER * own.period_s:
        return _free_running(reference, own, grid)
    jitter = np.abs(fit.residual) * 1e3
    apart = reference.period_s / locked.divided
    figures = msgspec.structs.replace(
        _followed(fit, reference_bpm(reference, grid), len(late)),
        jitter_ms=_spread(jitter),
        nature=_nature(fit.residual[counts], times, jitter),
        swing_percent=round(50 + 50 * straight / apart, 1) if straight else None,
        missed=_missed(step, locked.divided),
        extra=extra,
        clean_beats=_clean(step, counts, locked.divided),
    )
    judged = _judged(figures, fit, float(np.ptp(at)), tolerance_ms)
    return msgspec.structs.replace(judged, sentence=judged.sentence + _pace(step, locked.divided))


def _followed(fit: _Fit, bpm: float, events: int) -> Measured:
    """Offset and drift by the line through a device's lateness, of a reference at a tempo."""
    return Measured(
        verdict="good",
        sentence="",
        confidence=0.0,
        events=events,
        bpm=round(bpm / (1 + fit.slope), 4),
        offset_ms=round(fit.level * 1e3, 4),
        offset_low_ms=round((fit.level - fit.level_error * t95(fit.free)) * 1e3, 4),
        offset_high_ms=round((fit.level + fit.level_error * t95(fit.free)) * 1e3, 4),
        drift_ms_per_min=round(fit.slope * 60e3, 4),
        drift_error_ms_per_min=round(fit.slope_error * 60e3, 4),
        drift_bpm=round(bpm * (1 / (1 + fit.slope) - 1), 6),
    )


def lateness(reference: Reference, device_s: Times) -> tuple[tuple[float, float], ...]:
    """(seconds, ms late) of each of a device's hits that lies on a step of the reference."""
    locked = lock(reference, np.sort(np.asarray(device_s, dtype=float)))
    if locked is None:
        return ()
    step, late, _ = _one_a_step(locked)
    at = reference.expected(step / locked.divided)
    rows = zip(at.tolist(), (late * 1e3).tolist(), strict=True)
    return tuple((round(a, 4), round(b, 4)) for a, b in rows)


def _free_running(reference: Reference, device: Reference, grid: float) -> Measured:
    """A device at quite another tempo: what its own is; it has no offset."""
    own, meant = reference_bpm(device, grid), reference_bpm(reference, grid)
    return Measured(
        verdict="drifting",
        sentence=tr(
            "It keeps {own:.1f} BPM where the reference keeps {meant:.1f}: it is not "
            "on the clock. No offset mends that; let it follow.",
            own=own,
            meant=meant,
        ),
        confidence=1.0,
        events=len(device.number),
        bpm=round(own, 4),
        drift_ms_per_min=round((device.period_s / reference.period_s - 1) * 60e3, 4),
        drift_bpm=round(own - meant, 6),
    )


def _pace(step: Counts, divided: int) -> str:
    """A remark where a device plays evenly, but not once to each beat of the reference."""
    gaps = np.diff(step)
    usual = int(np.median(gaps))
    if usual == divided or np.mean(gaps == usual) < EVENLY:
        return ""
    return tr(
        " It plays {value:g} times to each beat of the reference: if that is not "
        "meant, its tempo is set wrong.",
        value=divided / usual,
    )


def _unusable(sentence: str, events: int) -> Measured:
    return Measured(verdict="unusable", sentence=sentence, confidence=1.0, events=events)


def _one_a_step(locked: Locked) -> tuple[Counts, Times, int]:
    """The event of each step that lies best; how many others there were."""
    late = locked.late_s
    middle = np.median(late)
    order = np.lexsort((np.abs(late - middle), locked.step))
    step = locked.step[order]
    first = np.concatenate([[True], np.diff(step) > 0])
    kept, off = step[first], late[order][first]
    return kept, off, int(len(step) - first.sum())


def _swing(step: Counts, late: Times, at: Times, apart: float) -> tuple[Times, float]:
    """For each event what swing adds to it, and how late every second step is by that."""
    odd = step % 2 == 1
    if odd.sum() < 4 or (~odd).sum() < 4:
        return np.zeros(len(late)), 0.0
    slope, level = np.polyfit(at, late, 1)
    off = late - (slope * at + level)
    even_off, odd_off = np.median(off[~odd]), np.median(off[odd])
    spread = 1.4826 * np.median(np.abs(off - np.where(odd, odd_off, even_off)))
    swing = float(odd_off - even_off)
    share = min(1.0, float(odd.sum()) / len(late) * 2)
    enough = max(SWING_SURE_MS / 1e3, 4 * spread / math.sqrt(max(1.0, share * len(late) / 4)))
    if swing < enough or swing < 2 * spread or swing > 0.5 * apart:
        return np.zeros(len(late)), 0.0
    return np.where(odd, swing, 0.0), swing


def _line(at: Times, late: Times) -> _Fit:
    """Least squares, with standard errors of slope and of the level at the middle."""
    middle = (at[0] + at[-1]) / 2
    x = at - middle
    count = len(x)
    mean = x.mean()
    sxx = float(((x - mean) ** 2).sum())
    slope = float(((x - mean) * late).sum() / sxx) if sxx else 0.0
    level = float(late.mean() - slope * mean)
    residual = late - (level + slope * x)
    free = max(1, count - 2)
    s = math.sqrt(float(residual @ residual) / free)
    slope_error = s / math.sqrt(sxx) if sxx else 0.0
    level_error = s * math.sqrt(1 / count + (mean * mean / sxx if sxx else 0.0))
    return _Fit(slope, float(middle), level, slope_error, level_error, free, residual)


def _robust(at: Times, late: Times) -> tuple[_Fit, Times]:
    """The line through what is no stray; residuals of all; which events counted."""
    few = slice(None, None, max(1, len(at) // 400))
    slope, level = median_line(at[few], late[few])
    residual = late - (level + slope * at)
    counts = np.ones(len(at), dtype=bool)
    for _ in range(3):
        centre = np.median(residual)
        usual = 1.4826 * float(np.median(np.abs(residual - centre)))
        counts = np.abs(residual - centre) <= max(STRAY_TIMES * usual, STRAY_MS / 1e3)
        fit = _line(at[counts], late[counts])
        residual = late - (fit.level + fit.slope * (at - fit.middle_s))
    whole = (at[0] + at[-1]) / 2
    level = fit.level + fit.slope * (whole - fit.middle_s)
    return fit._replace(middle_s=float(whole), level=float(level), residual=residual), counts


def _spread(jitter_ms: Times) -> Spread:
    p50, p95, p99 = (float(p) for p in np.percentile(jitter_ms, [50, 95, 99]))
    return Spread(
        p50=round(p50, 4),
        p95=round(p95, 4),
        p99=round(p99, 4),
        max=round(float(jitter_ms.max()), 4),
    )


PATTERNS = (1, 2, 4, 8, 16, 32, 64)
"""Lengths in steps that a pattern may have."""
PLAYED = 0.5
"""A step of a pattern that comes less often than this is not one it plays."""


def _missed(step: Counts, divided: int) -> int:
    """Steps that its pattern plays and that did not come. Steps it never plays are not missed."""
    first, last = int(step[0]), int(step[-1])
    came = np.zeros(last - first + 1, dtype=bool)
    came[step - first] = True
    best, worst = 0, 1.0
    for length in PATTERNS:
        if length > 1 and (length < divided or len(came) < 3 * length):
            continue
        padded = np.full(-(-len(came) // length) * length, np.nan)
        padded[: len(came)] = came
        share = np.nanmean(padded.reshape(-1, length), axis=0)
        plays = share >= PLAYED
        # A pattern explains the gaps only where it is plain: played or not, little in between.
        unclear = float(np.minimum(share, 1 - share).mean())
        whole = np.resize(plays, len(came))
        gaps = int((whole & ~came).sum())
        others = int((~whole & came).sum())
        if length == 1 or (unclear < 0.5 * worst and others <= gaps + 0.05 * len(came)):
            best, worst = gaps, unclear
    return best


def _clean(step: Counts, counts: Times, divided: int) -> int:
    """Reference events in the longest run of steps that all came and were no strays."""
    good = step[counts.astype(bool)]
    if not len(good):
        return 0
    usual = int(np.median(np.diff(good))) if len(good) > 1 else 1
    breaks = np.flatnonzero(np.diff(good) > max(usual, 1) * 1.5)
    edges = np.concatenate([[-1], breaks, [len(good) - 1]])
    longest = max(int(good[b] - good[a + 1]) for a, b in pairwise(edges.tolist()))
    return longest // divided + 1


def _nature(rest: Times, times: Times, jitter_ms: Times) -> Nature:
    """Whether jitter has a pattern."""
    from scipy.special import fdtrc  # noqa: PLC0415 - `scipy.stats` takes three times as long

    if len(rest) < 16 or float(np.percentile(jitter_ms, 95)) < 0.05:
        return ""
    frames = abs(np.exp(2j * np.pi * times / FRAME_S).mean())
    if frames > FRAME_TOGETHER and float(np.std(rest)) > FRAME_S / 8:
        return "frames"
    strays = len(jitter_ms) - len(rest)
    if strays >= 3 and strays >= 0.01 * len(jitter_ms):
        return "bursts"
    third = len(rest) // 3
    early, lately = float(np.var(rest[:third])), float(np.var(rest[-third:]))
    if early > 0 and math.sqrt(lately / early) > GROWS:
        chance = float(fdtrc(third - 1, third - 1, lately / early))
        if chance < SURE:
            return "growing"
    power = np.abs(np.fft.rfft(rest - rest.mean())) ** 2
    share = power[1:] / max(1e-30, power[1:].sum())
    if len(share) > 4:
        # Fisher's test: the chance of so large a share at any of m frequencies.
        chance = len(share) * (1 - float(share.max())) ** (len(share) - 1)
        if chance < SURE:
            return "periodic"
    return "white"


def sure_of_side(distance: float, error: float) -> float:
    """Chance that something lies on the side of a limit it was found on."""
    if error <= 0:
        return 1.0
    return 0.5 * (1 + math.erf(distance / error / math.sqrt(2)))


def _judged(found: Measured, fit: _Fit, seconds: float, tolerance_ms: float) -> Measured:
    """Verdict, its reason, what to set, and how sure that is."""
    offset, drift = fit.level * 1e3, fit.slope * 60e3
    error = fit.slope_error * 60e3
    spread = found.jitter_ms
    assert spread is not None
    moved = abs(drift) * seconds / 60
    drifts = abs(drift) > DRIFTS_MS_A_MINUTE and moved > DRIFTS_MS
    pattern = f", {NATURE_WORDS[found.nature]}" if found.nature not in ("", "white") else ""
    swing = ""
    if found.swing_percent is not None:
        swing = tr(
            " It swings at {swing_percent:.0f} %, which is no jitter.",
            swing_percent=found.swing_percent,
        )
    how = tr("late") if offset > 0 else tr("early")
    if spread.p95 > WAVERS_MS:
        verdict: Verdict = "unusable"
        sure, setting = sure_of_side(spread.p95 / WAVERS_MS - 1, 0.1), None
        words = tr(
            "It wavers by {p95:.1f} ms (p95){pattern}: no one number mends that. "
            "Look for what disturbs its clock.",
            p95=spread.p95,
            pattern=pattern,
        )
    elif drifts and abs(drift) > SURE_TIMES * error:
        verdict, setting = "drifting", None
        sure = sure_of_side(abs(drift) - DRIFTS_MS_A_MINUTE, error)
        way = tr("slow") if drift > 0 else tr("fast")
        words = tr(
            "It runs {value:.1f} ms a minute {way}: it is not on the clock. No "
            "offset mends that; let it follow.",
            value=abs(drift),
            way=way,
        )
    elif abs(offset) > tolerance_ms:
        verdict, setting = "adjust", round(-offset, 1)
        sure = sure_of_side(abs(offset) - tolerance_ms, fit.level_error * 1e3)
        words = tr(
            "It is {value:.1f} ms {how}, steadily{pattern}: set {value2:+.1f} ms.",
            value=abs(offset),
            how=how,
            pattern=pattern,
            value2=-offset,
        )
    else:
        verdict, setting = "good", 0.0
        sure = sure_of_side(tolerance_ms - abs(offset), fit.level_error * 1e3)
        words = tr(
            "It is together: {value:.1f} ms {how}, within {tolerance_ms:g} ms.",
            value=abs(offset),
            how=how,
            tolerance_ms=tolerance_ms,
        )
    return msgspec.structs.replace(
        found,
        verdict=verdict,
        sentence=words + swing,
        confidence=round(sure, 4),
        suggested_offset_ms=setting,
    )
