"""Drum sounds from sines and noise. Each is mono, peaks near 1 and is the same every time."""

from __future__ import annotations

from collections.abc import Callable

import numpy as np
from numpy.typing import NDArray

Wave = NDArray[np.float32]


def _time(rate: int, seconds: float) -> NDArray[np.float64]:
    return np.arange(round(seconds * rate)) / rate


def _noise(seed: int, count: int) -> NDArray[np.float64]:
    return np.random.default_rng(seed).uniform(-1, 1, count)


def _bright(noise: NDArray[np.float64], times: int = 1) -> NDArray[np.float64]:
    """Noise with its lows taken out: differences, once or more often."""
    for _ in range(times):
        noise = np.diff(noise, prepend=0.0)
    return noise


def _done(wave: NDArray[np.float64], level: float = 0.95) -> Wave:
    """At its level, with an end that does not click."""
    fade = min(len(wave), 96)
    wave[len(wave) - fade :] *= np.linspace(1, 0, fade)
    peak = float(np.abs(wave).max()) or 1.0
    return (wave * (level / peak)).astype(np.float32)


def kick(rate: int) -> Wave:
    """A sine that falls from a knock to a hum."""
    at = _time(rate, 0.34)
    hz = 46 + 190 * np.exp(-at / 0.016) + 40 * np.exp(-at / 0.07)
    body = np.sin(2 * np.pi * np.cumsum(hz) / rate) * np.exp(-at / 0.13)
    return _done(body + 0.15 * _noise(1, len(at)) * np.exp(-at / 0.003))


def snare(rate: int) -> Wave:
    """Two tones under a rattle."""
    at = _time(rate, 0.24)
    tone = np.sin(2 * np.pi * 186 * at) + 0.6 * np.sin(2 * np.pi * 331 * at)
    rattle = _bright(_noise(3, len(at)))
    return _done(0.5 * tone * np.exp(-at / 0.045) + 0.8 * rattle * np.exp(-at / 0.075))


def rim(rate: int) -> Wave:
    """A dry knock."""
    at = _time(rate, 0.06)
    tone = np.sin(2 * np.pi * 1710 * at) + np.sin(2 * np.pi * 520 * at)
    return _done(tone * np.exp(-at / 0.008))


def clap(rate: int) -> Wave:
    """Several hands, not quite together."""
    at = _time(rate, 0.26)
    noise = _bright(_noise(5, len(at)))
    bursts = sum(
        np.where(at >= t, np.exp(-(at - t) / (0.008 if t < 0.03 else 0.07)), 0.0)
        for t in (0.0, 0.011, 0.023, 0.034)
    )
    return _done(noise * np.asarray(bursts))


def hat(rate: int, decay: float) -> Wave:
    """Metal: bright noise over clashing squares."""
    at = _time(rate, min(1.2, decay * 6))
    metal = sum(np.sign(np.sin(2 * np.pi * hz * at)) for hz in (3170, 4210, 5390, 6730, 7910))
    wave = _bright(np.asarray(metal) * 0.15 + _noise(7, len(at)), 2)
    return _done(wave * np.exp(-at / decay), 0.7)


def tom(rate: int, hz: float) -> Wave:
    """A falling tone."""
    at = _time(rate, 0.36)
    fall = hz * (1 + 0.5 * np.exp(-at / 0.03))
    return _done(np.sin(2 * np.pi * np.cumsum(fall) / rate) * np.exp(-at / 0.12))


def bell(rate: int, hz: float, decay: float) -> Wave:
    """Two tones a crooked interval apart: cowbells, rides, blocks."""
    at = _time(rate, min(1.6, decay * 5))
    tone = np.sin(2 * np.pi * hz * at) + 0.7 * np.sin(2 * np.pi * hz * 1.483 * at)
    return _done(tone * np.exp(-at / decay), 0.7)


def crash(rate: int) -> Wave:
    """Long bright noise."""
    at = _time(rate, 1.6)
    return _done(_bright(_noise(9, len(at)), 2) * np.exp(-at / 0.45), 0.7)


_TOMS = {41: 84.0, 43: 98.0, 45: 116.0, 47: 138.0, 48: 164.0, 50: 190.0}

_MADE: dict[int, Callable[[int], Wave]] = {
    35: kick, 36: kick, 37: rim, 38: snare, 39: clap, 40: snare, 49: crash, 57: crash,
    42: lambda rate: hat(rate, 0.035), 44: lambda rate: hat(rate, 0.05),
    46: lambda rate: hat(rate, 0.19), 51: lambda rate: bell(rate, 3350.0, 0.3),
    56: lambda rate: bell(rate, 562.0, 0.08),
}  # fmt: skip
"""By General MIDI's percussion notes."""


def drum(note: int, rate: int) -> Wave:
    """The sound of a note; one the map does not know is a block at a pitch of its own."""
    made = _MADE.get(note)
    if made is not None:
        return made(rate)
    if note in _TOMS:
        return tom(rate, _TOMS[note])
    return bell(rate, 300.0 * 2 ** ((note % 24) / 12), 0.05)
