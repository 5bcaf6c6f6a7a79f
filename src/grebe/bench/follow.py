"""How well the follower follows: phase and tempo error, case by case, beside two references.

The naive 24-tick average (what most boxes do) reads the same arrivals. The
Cramér-Rao bound is that of a batch fit of white jitter: no method can do better.
"""

from __future__ import annotations

import time
from collections.abc import Callable
from dataclasses import dataclass
from math import sqrt
from typing import Any

import numpy as np
from numpy.typing import NDArray

from grebe.core.sync.follower import Follower

PPQN = 24
BARS = 16
DRIFT_BARS = 40
TRIALS = 5
FROM_TICK = 96
"""Errors count from bar 2 on."""
BETWEEN = (0.0, 0.33, 0.66)
"""Where between two arrivals the prediction is asked."""
BOUND_AFTER = (24, 96, 384, 1536)

Array = NDArray[np.float64]


@dataclass(frozen=True)
class Case:
    """A clock and what happens to it on the way."""

    name: str
    tempo: Callable[[float, float], float]
    """BPM by (beat, phase of the trial in radians)."""
    jitter_ms: float = 1.0
    bars: int = BARS
    missing: int = 0
    late: float = 0.0
    doubled: float = 0.0
    spurious: float = 0.0
    frames: bool = False
    one_sided: bool = False

    @property
    def mean_delay_s(self) -> float:
        """What lies in all arrivals alike, and so cannot be seen in them."""
        return 1e-3 * self.one_sided + 0.5e-3 * self.frames


def _constant(beat: float, phase: float) -> float:
    del beat, phase
    return 120.0


def _step(beat: float, phase: float) -> float:
    del phase
    return 120.0 if beat < 32 else 126.0


def _ramp(beat: float, phase: float) -> float:
    del phase
    return min(140.0, max(120.0, 120 + 20 * (beat - 16) / 32))


def _drift(beat: float, phase: float) -> float:
    return float(
        120 * (1 + 0.005 * np.sin(2 * np.pi * beat / 120 + phase))
    )  # a minute is 120 beats


def _two_steps(beat: float, phase: float) -> float:
    del phase
    return 120.0 if beat < 20 else 128.0 if beat < 40 else 122.0


CASES = (
    Case("constant", _constant),
    Case("step", _step),
    Case("ramp", _ramp),
    Case("drift", _drift, bars=DRIFT_BARS),
    Case("missing", _constant, missing=24),
    Case("late", _constant, late=0.01),
    Case("doubled", _constant, doubled=0.01),
    Case("every doubled", _constant, doubled=1.0),
    Case("spurious", _constant, spurious=0.005),
    Case("all of it", _two_steps, missing=24, late=0.01, doubled=0.01, spurious=0.005),
    Case("constant, 0.1 ms", _constant, jitter_ms=0.1),
    Case("step, 0.1 ms", _step, jitter_ms=0.1),
    Case("bus frames", _constant, jitter_ms=0.1, frames=True),
    Case("one-sided", _constant, one_sided=True),
)


def recording(case: Case, seed: int) -> tuple[Array, Array]:
    """Arrival times of a case in order, and the true times of the ticks, in seconds."""
    rng = np.random.default_rng(seed)
    phase = rng.uniform(0, 2 * np.pi)
    count = case.bars * 4 * PPQN
    middles = (np.arange(count - 1) + 0.5) / PPQN
    periods = [60 / (case.tempo(float(beat), phase) * PPQN) for beat in middles]
    truth = np.concatenate([[0.0], np.cumsum(periods)])
    sigma = case.jitter_ms * 1e-3
    noise = rng.exponential(sigma, count) if case.one_sided else rng.normal(0, sigma, count)
    arrivals = truth + noise
    if case.frames:
        arrivals = np.ceil(arrivals / 1e-3) * 1e-3
    late = rng.random(count) < case.late
    late[:PPQN] = False
    arrivals = arrivals + late * rng.uniform(0.005, 0.020, count)
    keep = np.ones(count, dtype=bool)
    if case.missing:
        first = int(rng.integers(2 * FROM_TICK, count - 2 * FROM_TICK))
        keep[first : first + case.missing] = False
    twice = rng.random(count) < case.doubled
    extra = arrivals[twice] + rng.uniform(0.0002, 0.001, int(twice.sum()))
    wrong = rng.uniform(truth[2 * PPQN], truth[-1], rng.binomial(count, case.spurious))
    return np.sort(np.concatenate([arrivals[keep], extra, wrong])), truth


class NaiveAverage:
    """The last arrival is the phase, 24 intervals back the tempo; every arrival is a tick."""

    def __init__(self) -> None:
        self._times: list[float] = []

    def tick(self, at: float) -> None:
        """A tick arrived."""
        self._times.append(at)

    def beat_bpm(self, at: float) -> tuple[float, float]:
        """Beat and tempo at a time."""
        times = self._times
        back = min(PPQN, len(times) - 1)
        if back == 0:
            return 0.0, 0.0
        period = (times[-1] - times[-1 - back]) / back
        return (len(times) - 1 + (at - times[-1]) / period) / PPQN, 60 / (period * PPQN)


class _Ours:
    def __init__(self) -> None:
        self._follower = Follower(PPQN)
        self.tick = self._follower.tick

    def beat_bpm(self, at: float) -> tuple[float, float]:
        estimate = self._follower.estimate(at)
        return estimate.beat, estimate.bpm


def errors_ms(case: Case, seed: int, make: Callable[[], Any] = _Ours) -> tuple[Array, Array, float]:
    """Phase error in ms and tempo error in BPM from bar 2 on, and seconds a tick took."""
    arrivals, truth = recording(case, seed)
    method = make()
    asked: list[float] = []
    beats: list[float] = []
    tempi: list[float] = []
    took = 0.0
    for index, at in enumerate(arrivals):
        began = time.perf_counter()
        method.tick(at)
        took += time.perf_counter() - began
        following = arrivals[min(index + 1, len(arrivals) - 1)]
        for share in BETWEEN:
            when = at + share * (following - at)
            beat, bpm = method.beat_bpm(when)
            asked.append(when)
            beats.append(beat)
            tempi.append(bpm)
    when = np.array(asked)
    true_beat = np.interp(when, truth, np.arange(len(truth)) / PPQN)
    true_bpm = np.interp(when, (truth[1:] + truth[:-1]) / 2, 60 / (np.diff(truth) * PPQN))
    counted = (when > truth[FROM_TICK]) & (when < truth[-1])
    phase = (np.array(beats) - true_beat) * 60e3 / true_bpm + case.mean_delay_s * 1e3
    return phase[counted], (np.array(tempi) - true_bpm)[counted], took / len(arrivals)


def bound_ms(ticks: int, sigma_ms: float) -> float:
    """Cramér-Rao bound of the phase at the last of N ticks of white jitter, in ms."""
    return sigma_ms * sqrt(2 * (2 * ticks - 1) / (ticks * (ticks + 1)))


def bound_ratios(trials: int) -> dict[str, float]:
    """Our rms phase error at the last of N ticks over the bound, for some N."""
    case = Case("long", _constant, bars=BOUND_AFTER[-1] // (4 * PPQN))
    squares: dict[int, list[float]] = {n: [] for n in BOUND_AFTER}
    for seed in range(trials):
        arrivals, _ = recording(case, 1000 + seed)
        follower = Follower(PPQN)
        for index, at in enumerate(arrivals, start=1):
            follower.tick(at)
            if index in squares:
                error = follower.estimate(at).beat / 2 - at  # 120 BPM: a beat is half a second
                squares[index].append((error * 1e3) ** 2)
    return {
        str(n): round(sqrt(float(np.mean(values))) / bound_ms(n, case.jitter_ms), 3)
        for n, values in squares.items()
    }


def measure_follow(trials: int = TRIALS) -> dict[str, Any]:
    """Errors per case beside the naive average, ratios to the bound, microseconds a tick."""
    cases: dict[str, Any] = {}
    took: list[float] = []
    for case in CASES:
        row: dict[str, Any] = {}
        for name, make in (("grebe", _Ours), ("naive", NaiveAverage)):
            found = [errors_ms(case, seed, make) for seed in range(trials)]
            phase = np.concatenate([p for p, _, _ in found])
            tempo = np.concatenate([t for _, t, _ in found])
            row[name] = {
                "rms_ms": round(float(np.sqrt(np.mean(phase**2))), 3),
                "p99_ms": round(float(np.percentile(np.abs(phase), 99)), 3),
                "max_ms": round(float(np.abs(phase).max()), 3),
                "tempo_rms_bpm": round(float(np.sqrt(np.mean(tempo**2))), 4),
            }
            if name == "grebe":
                took += [t for _, _, t in found]
        cases[case.name] = row
    return {
        "trials": trials,
        "cases": cases,
        "bound_ratio_after": bound_ratios(4 * trials),
        "us_per_tick": {
            "median": round(float(np.median(took)) * 1e6, 1),
            "worst_case": round(max(took) * 1e6, 1),
        },
    }
