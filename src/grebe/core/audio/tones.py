"""Tones held for a time: a bass and a pad, as sums of partials.

A tone is asked for from any sample of it on, so that it can be made block by
block while it is held; how it ends is laid over it by whoever knows when.
"""

from __future__ import annotations

import numpy as np
from numpy.typing import NDArray

Wave = NDArray[np.float32]

RELEASE_S = {"bass": 0.05, "pad": 0.6}
"""How long a tone takes to go when it is let go of."""


def hertz(note: int) -> float:
    """Frequency of a note number in equal temperament, A4 (69) at 440 Hz (ISO 16)."""
    return 440.0 * 2 ** ((note - 69) / 12)


def _partials(theta: NDArray[np.float32], levels: list[float]) -> Wave:
    """The sum of sin(k theta) times levels[k - 1], each from the two before it."""
    twice_cos = 2 * np.cos(theta)
    before, now = np.zeros_like(theta), np.sin(theta)
    out = now * np.float32(levels[0])
    for level in levels[1:]:
        before, now = now, twice_cos * now - before
        out += now * np.float32(level)
    return out


def _levels(hz: float, cutoff: float, most: int) -> list[float]:
    count = max(1, min(most, int(9000 / hz)))
    return [1 / k / (1 + (k * hz / cutoff) ** 2) for k in range(1, count + 1)]


def _phase(hz: float, first: int, count: int, rate: int, turn: float = 0.0) -> Wave:
    at = np.arange(first, first + count, dtype=np.float64) * (hz / rate) + turn
    return (2 * np.pi * (at - np.floor(at))).astype(np.float32)


def _swell(first: int, count: int, rate: int, attack: float, decay: float, sustain: float) -> Wave:
    at = np.arange(first, first + count, dtype=np.float32) / np.float32(rate)
    fall = sustain + (1 - sustain) * np.exp(-at / np.float32(decay))
    out: Wave = (np.minimum(at / np.float32(attack), 1.0) * fall).astype(np.float32)
    return out


def bass(note: int, bright: int, first: int, count: int, rate: int) -> Wave:
    """Samples of a plucked bass from `first` on; `bright` 0 to 127 as its cutoff has it."""
    hz = hertz(note)
    theta = _phase(hz, first, count, rate)
    cutoff = 90.0 * 2 ** (bright / 127 * 5.5)
    dull = _partials(theta, _levels(hz, cutoff, 24))
    sharp = _partials(theta, _levels(hz, cutoff * 3.2, 24))
    at = np.arange(first, first + count, dtype=np.float32)
    pluck = np.exp(-at / np.float32(0.07 * rate))
    level = np.float32(0.62) * _swell(first, count, rate, 0.003, 0.18, 0.55)
    wave: Wave = (level * (dull + pluck * (sharp - dull))).astype(np.float32)
    return wave


def pad(note: int, bright: int, first: int, count: int, rate: int) -> Wave:
    """Samples of three tones a little apart that swell, from `first` on."""
    hz = hertz(note)
    levels = _levels(hz, 160.0 * 2 ** (bright / 127 * 4.5), 10)
    out = np.zeros(count, dtype=np.float32)
    for cents, turn in ((-6.0, 0.0), (0.0, 0.37), (7.0, 0.71)):
        out += _partials(_phase(hz * 2 ** (cents / 1200), first, count, rate, turn), levels)
    out *= np.float32(0.24) * _swell(first, count, rate, 0.35, 2.0, 0.8)
    return out


def fading(first: int, count: int, ends: int, release: int) -> Wave:
    """The gain of samples `first` on of a tone let go of at sample `ends`: 1, then to 0."""
    past = np.arange(first - ends, first - ends + count, dtype=np.float32) / np.float32(release)
    gain: Wave = np.clip(1 - past, 0, 1) ** 2
    return gain
