"""The sync measurement on recordings whose truth is known, and how long ten minutes of sound take.

The reference is the truth that was put in; for the time, reading the same file and its peaks.
"""

from __future__ import annotations

import json
import subprocess
import sys
import tempfile
import time
from collections import Counter
from pathlib import Path
from typing import Any

import numpy as np
from numpy.typing import NDArray

from grebe.core.sync.hits import SOUNDS, click, place
from grebe.core.sync.measure import measure
from grebe.core.sync.onsets import find_onsets
from grebe.formats.events import read_wav
from grebe.formats.wav import write_wav

RATE = 48_000
BEAT_S = 60 / 126
LATE_MS = 5.3
CASES = 200
TEN_MINUTES_S = 600.0
Times = NDArray[np.float64]


def measure_sync() -> dict[str, Any]:
    """Errors of offset, drift and jitter, verdicts by class, seconds for ten minutes of stereo."""
    return {
        "offset_error_ms": _offsets(),
        "drift_error_ms_per_min": _drift(),
        "jitter_p95_error_percent": _jitter(),
        "verdicts": {name: _verdicts(name) for name in ("good", "adjust", "drifting", "unusable")},
        "ten_minutes": _ten_minutes(),
    }


def _even(first: float, count: int, apart: float) -> Times:
    return np.asarray(first + np.arange(count) * apart, dtype=np.float64)


def _offsets() -> dict[str, float]:
    """A device late by a known amount, by sound, 20 dB over noise; clicks at whole samples."""
    rng = np.random.default_rng(1)
    beats = _even(0.5, 64, BEAT_S)
    late = np.round((beats + LATE_MS / 1e3) * RATE) / RATE
    out: dict[str, float] = {}
    for name, sound in {"click": click, **SOUNDS}.items():
        hit = 0.4 * sound(RATE)
        at = late if name == "click" else beats + LATE_MS / 1e3
        audio: NDArray[np.floating] = place(at, hit, RATE)
        if name != "click":
            audio = audio + rng.normal(0, np.sqrt(np.mean(hit**2)) / 10, len(audio))
        found = find_onsets(audio.astype(np.float32), RATE)
        offset = measure(beats, found.times_s).offset_ms
        truth = float(np.mean(at - beats)) * 1e3
        out[name] = round(abs((offset if offset is not None else np.inf) - truth), 4)
    return out


def _drift() -> float:
    """The largest error over two minutes, at several drifts."""
    beats = _even(0.5, 252, BEAT_S)
    worst = 0.0
    for per_min in (-25.0, 4.0, 18.0, 120.0):
        late = np.asarray(beats * (1 + per_min / 60e3), dtype=np.float64)
        audio = place(late, 0.4 * SOUNDS["kick"](RATE), RATE)
        found = measure(beats, find_onsets(audio, RATE).times_s).drift_ms_per_min
        worst = max(worst, abs((found if found is not None else np.inf) - per_min))
    return round(worst, 4)


def _jitter() -> float:
    """The largest error of p95 for white jitter of known size, in per cent."""
    beats = _even(0.5, 1200, BEAT_S)
    worst = 0.0
    for seed, size_ms in enumerate((0.3, 1.0, 3.0)):
        noise = np.random.default_rng(seed).normal(0, size_ms / 1e3, len(beats))
        spread = measure(beats, beats + noise).jitter_ms
        truth = float(np.percentile(np.abs(noise), 95)) * 1e3
        if spread is not None:
            worst = max(worst, abs(spread.p95 / truth - 1) * 100)
    return round(worst, 2)


def random_case(rng: np.random.Generator, verdict: str) -> tuple[Times, Times]:
    """A reference and a device of a class: tempo, length, pattern, jitter, gaps, doubles at random.

    The classes keep clear of the limits between them.
    """
    period = 60 / float(rng.uniform(80, 170))
    beats = _even(float(rng.uniform(0, 3)), int(rng.integers(48, 256)), period)
    k = int(rng.choice([1, 1, 2, 4]))
    device = _even(float(beats[0]), (len(beats) - 1) * k + 1, period / k)
    jitter_ms, late_ms = float(rng.uniform(0.05, 2.0)), float(rng.uniform(-1.3, 1.3))
    per_min = 0.0
    if verdict == "adjust":
        late_ms = float(rng.choice([-1, 1]) * rng.uniform(3, 25))
    elif verdict == "drifting":
        per_min, late_ms = (
            float(rng.choice([-1, 1]) * rng.uniform(8, 60)),
            float(rng.uniform(-5, 5)),
        )
    elif verdict == "unusable":
        jitter_ms = float(rng.uniform(12, 25))
    one_sided = verdict != "unusable" and rng.random() < 0.5
    noise = rng.exponential(1, len(device)) - 1 if one_sided else rng.normal(0, 1, len(device))
    device = device + late_ms / 1e3 + per_min / 60e3 * (device - device.mean())
    device = device + jitter_ms / 1e3 * noise
    if rng.random() < 0.3:
        plays = rng.random(16) < 0.75
        plays[0] = True
        device = device[plays[np.arange(len(device)) % 16]]
    device = device[rng.random(len(device)) >= rng.choice([0, 0, 0.02, 0.3])]
    if rng.random() < 0.3:
        device = np.concatenate([device, device[rng.random(len(device)) < 0.02] + 0.0005])
    return beats, np.sort(device) + int(rng.integers(0, 3)) * period


def _verdicts(verdict: str) -> dict[str, int]:
    found: Counter[str] = Counter()
    for seed in range(CASES):
        found[measure(*random_case(np.random.default_rng(seed), verdict)).verdict] += 1
    return dict(found)


def _ten_minutes() -> dict[str, float]:
    beats = _even(0.5, int((TEN_MINUTES_S - 1) / BEAT_S), BEAT_S)
    left = place(np.round(beats * RATE) / RATE, click(RATE), RATE, TEN_MINUTES_S)
    right = place(beats + LATE_MS / 1e3, 0.4 * SOUNDS["kick"](RATE), RATE, TEN_MINUTES_S)
    with tempfile.TemporaryDirectory() as folder:
        path = Path(folder) / "take.wav"
        write_wav(path, np.stack([left, right], axis=1), RATE)
        began = time.monotonic()
        recording = read_wav(path)
        for number in range(recording.channels):
            np.abs(recording.channel(number)).max()
        reading = time.monotonic() - began
        began = time.monotonic()
        done = subprocess.run(
            [sys.executable, "-m", "grebe", "sync-check", str(path), "--json"],
            capture_output=True,
            check=False,
        )
        took = time.monotonic() - began
    (row,) = json.loads(done.stdout)["devices"]
    return {
        "seconds": round(took, 2),
        "reading_alone_seconds": round(reading, 2),
        "offset_ms": row["offset_ms"],
    }
