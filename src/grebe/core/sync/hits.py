"""Drum sounds made by arithmetic, as stand-ins have them, and recordings whose truth is known."""

from __future__ import annotations

from collections.abc import Callable

import numpy as np
from numpy.typing import NDArray

Audio = NDArray[np.float32]


def click(rate: int) -> NDArray[np.float64]:
    """A millisecond at full level."""
    return np.full(rate // 1000, 0.8)


def kick(rate: int) -> NDArray[np.float64]:
    """A falling sine that begins at zero: its attack is soft."""
    at = np.arange(round(0.18 * rate)) / rate
    hz = 48 + 110 * np.exp(-at / 0.03)
    return np.sin(2 * np.pi * np.cumsum(hz) / rate) * np.exp(-at / 0.06)


def snare(rate: int) -> NDArray[np.float64]:
    """Noise over a tone."""
    at = np.arange(round(0.12 * rate)) / rate
    noise = np.random.default_rng(3).normal(size=len(at))
    return (0.24 * noise + 0.5 * np.sin(2 * np.pi * 190 * at)) * np.exp(-at / 0.03)


def hat(rate: int) -> NDArray[np.float64]:
    """Short bright noise."""
    at = np.arange(round(0.04 * rate)) / rate
    noise = np.random.default_rng(4).normal(size=len(at))
    return 0.3 * np.diff(noise, prepend=0.0) * np.exp(-at / 0.01)


SOUNDS: dict[str, Callable[[int], NDArray[np.float64]]] = {
    "kick": kick, "snare": snare, "hat": hat,
}  # fmt: skip


def place(
    times_s: NDArray[np.float64], sound: NDArray[np.float64], rate: int, seconds: float = 0.0
) -> Audio:
    """A recording (mono) with a sound at each time, between samples by the phase of its spectrum.

    `seconds` is its length; by default a little past the last.
    """
    out = np.zeros(round((seconds or times_s[-1] + 0.4) * rate))
    length = 1 << int(np.ceil(np.log2(len(sound) + 64)))
    spectrum = np.fft.rfft(sound, length)
    turns = -2j * np.pi * np.arange(len(spectrum)) / length
    for at in times_s * rate:
        first = int(np.floor(at + 1e-9))
        share = at - first
        moved = sound
        if abs(share) > 1e-6:
            moved = np.fft.irfft(spectrum * np.exp(turns * share), length)[: len(sound) + 8]
        end = min(len(out), first + len(moved))
        out[first:end] += moved[: end - first]
    return out.astype(np.float32)
