"""Boxes heard live: what eight channels cost, how soon an offset is known, how soon drift is said.

The reference is the truth that was put in; for the time, the same samples only looked through.
"""

from __future__ import annotations

import time
from typing import Any

import numpy as np
from numpy.typing import NDArray

from grebe.core.sync.drift import DriftWatch
from grebe.core.sync.hits import SOUNDS, click, place
from grebe.core.sync.live_ear import LiveEar

RATE, CHANNELS, SECONDS, BLOCK = 48_000, 8, 30.0, 2400
APART_S = 0.125
"""Sixteenths at 120 BPM in every channel: as busy as a box is."""
NOISE = 2e-4
RUNS, JITTER_MS = 40, (0.1, 0.3, 0.6)
PER_MINUTE_MS = 2.0
HOURS = 2.0
Times = NDArray[np.float64]


def measure_ears() -> dict[str, Any]:
    """Per cent of a core, error of an offset after eight hits, seconds until drift is said."""
    return {
        "core_percent": _cost(),
        "offset_error_ms_after_8": {name: _offset(name) for name in ("click", *SOUNDS)},
        "drift_said_after_s": {f"{sd:g} ms": _drift(sd) for sd in JITTER_MS},
        "false_drifts_in_hours": {"hours": HOURS, "false": _false()},
    }


def _sound(name: str) -> Times:
    return click(RATE) if name == "click" else 0.4 * SOUNDS[name](RATE)


def _cost() -> dict[str, float]:
    rng = np.random.default_rng(1)
    times = np.arange(0.5, SECONDS, APART_S)
    names = ("click", *SOUNDS)
    rows = [
        place(times, _sound(names[n % len(names)]), RATE, SECONDS + 0.5)
        + rng.normal(0, NOISE, round((SECONDS + 0.5) * RATE)).astype(np.float32)
        for n in range(CHANNELS)
    ]
    ears = [LiveEar(RATE) for _ in rows]
    begun = time.process_time()
    for at in range(0, len(rows[0]), BLOCK):
        for ear, row in zip(ears, rows, strict=True):
            ear.feed(row[at : at + BLOCK])
    took = time.process_time() - begun
    begun = time.process_time()
    for at in range(0, len(rows[0]), BLOCK):
        for row in rows:
            float(np.abs(row[at : at + BLOCK]).max())
    looked = time.process_time() - begun
    return {
        "grebe": round(100 * took / SECONDS, 2),
        "only_looked": round(100 * looked / SECONDS, 2),
    }


def _offset(name: str) -> dict[str, float]:
    """Of the median of the first eight hits, at moments between samples."""
    errors = []
    for seed in range(RUNS):
        rng = np.random.default_rng(seed)
        times = 0.5 + np.arange(9) * 0.25 + rng.uniform(0, 2e-3, 9)
        audio = place(times, _sound(name), RATE) + rng.normal(0, NOISE, 1)
        ear = LiveEar(RATE)
        hits = [h.sample for at in range(0, len(audio), BLOCK) for h in ear.feed(
            audio[at : at + BLOCK].astype(np.float32))]  # fmt: skip
        late = np.array(hits[:8]) / RATE - times[: len(hits[:8])]
        errors.append(abs(float(np.median(late))) * 1e3)
    return _spread(errors)


def _drift(jitter_ms: float) -> dict[str, float]:
    said = []
    for seed in range(RUNS):
        rng, watch = np.random.default_rng(seed), DriftWatch()
        for number in range(600):
            at_s = number / 2
            late = PER_MINUTE_MS * at_s / 60 + float(rng.normal(0, jitter_ms))
            if watch.heard(at_s, late) and watch.found is not None:
                break
        said.append(number / 2)
    return _spread(said)


def _false() -> int:
    """Of beats that waver by 0.3 ms and of those on JACK's periods, heard for so long."""
    false = 0
    for kind in ("normal", "periods"):
        rng, watch, on = np.random.default_rng(2), DriftWatch(), False
        count = round(HOURS * 3600)
        late = rng.normal(0, 0.3, count) if kind == "normal" else rng.uniform(0, 5.3, count)
        for number, ms in enumerate(late):
            watch.heard(float(number), float(ms))
            false += watch.found is not None and not on
            on = watch.found is not None
    return false


def _spread(values: list[float]) -> dict[str, float]:
    return {
        "p50": round(float(np.median(values)), 4),
        "p95": round(float(np.percentile(values, 95)), 4),
        "max": round(max(values), 4),
    }
