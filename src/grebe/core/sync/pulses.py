"""Pulse clocks as sound: trains to the sample, and pulses found again in what comes in.

A pulse track is not music: it never goes to speakers or headphones, and has a
level of its own.
"""

from __future__ import annotations

from fractions import Fraction

import numpy as np
from numpy.typing import NDArray

from grebe.core.rig.spec import PulseShape
from grebe.core.time.ticks import TICKS_PER_QUARTER

Samples = NDArray[np.float32]
MAX_RATE = 96


def pulse_ticks(first: int, until: int, a_quarter: Fraction) -> list[int]:
    """Ticks of the pulses from `first` up to but not including `until`, `a_quarter` of them.

    96 a quarter note down to one in many bars; a rate such as 24/5 is every fifth
    of a clock of 24. Pulses count from `first`. ValueError for a rate that is none.
    """
    if not 0 < a_quarter <= MAX_RATE:
        raise ValueError(f"a pulse rate lies between 0 and {MAX_RATE} a quarter note")
    apart = Fraction(TICKS_PER_QUARTER) / a_quarter
    count = -(-(until - first) // apart)
    return [first + round(n * apart) for n in range(int(count))]


def render_pulses(times_s: list[float], seconds: float, rate: int, shape: PulseShape) -> Samples:
    """A train as samples (mono, -1 to 1): each pulse begins at the sample nearest to its time.

    A pulse takes three quarters of the way to the next at most: an input needs its rest.
    """
    resting, high = (0.0, shape.level) if shape.polarity == "rising" else (shape.level, 0.0)
    out = np.full(round(seconds * rate), resting, dtype=np.float32)
    starts = [round(at * rate) for at in times_s]
    for index, start in enumerate(starts):
        following = starts[index + 1] if index + 1 < len(starts) else len(out)
        if shape.width_ms is not None:
            wide = round(shape.width_ms * rate / 1e3)
        else:
            apart = following - start
            if index + 1 == len(starts) and index:
                apart = start - starts[index - 1]
            wide = round(apart * shape.width_percent / 100)
        end = min(start + max(1, wide), start + max(1, (following - start) * 3 // 4))
        out[max(0, start) : max(0, end)] = high
    return out


def render_run(start_s: float, stop_s: float, seconds: float, rate: int, level: float) -> Samples:
    """The run/stop line of DIN sync: high while the transport runs."""
    out = np.zeros(round(seconds * rate), dtype=np.float32)
    out[round(start_s * rate) : round(stop_s * rate)] = level
    return out


HUM_HZ = 1000.0
"""What swings slower than this is not a pulse's edge: mains hum and its first overtone."""
SETTLE_S = 0.0015
"""After an edge nothing is looked for so long: ringing, and bouncing contacts."""
RISE_SHARE = 0.5
FALL_SHARE = 0.25
"""Of the peak: an edge is where it rises through the first, armed again below the second."""
PEAK_HALVES_S = 2.0
LEAST_PEAK = 0.01
ABOVE_FLOOR = 20.0
"""A peak this many times the floor is a pulse. Noise alone comes to some 14, hum to 3."""
FLOOR_S = 0.02
FLOOR_PERCENT = 25.0
"""The floor is this percentile of what is there, over so long: between pulses it is quiet."""


class PulseDetector:
    """Finds rising edges in samples as they come, block by block, between samples.

    A one-pole high-pass takes hum away, the threshold follows the peaks, and
    what rings after an edge is not looked at. Feed blocks of any length.
    """

    def __init__(self, rate: int, *, falling: bool = False) -> None:
        self.rate = rate
        self._sign = -1.0 if falling else 1.0
        self._pole = float(np.exp(-2 * np.pi * HUM_HZ / rate))
        self._last_in = 0.0
        self._last_out = 0.0
        self._peak = 0.0
        self._floor = 0.0
        self._listened: list[NDArray[np.floating]] = []
        self._armed = True
        self._quiet_until = -1
        self._count = 0
        self._decay = 0.5 ** (1 / (PEAK_HALVES_S * rate))
        self._settle = round(SETTLE_S * rate)

    def begin_anew(self, first: float) -> None:
        """Samples were lost, or none were there yet: the next, of which this is the first, is no
        edge by itself, however high it lies. Times count from it."""
        self._last_in, self._last_out = first * self._sign, 0.0
        self._armed, self._quiet_until, self._count = True, -1, 0

    def feed(self, block: NDArray[np.floating]) -> list[float]:
        """Times in seconds from the first sample fed, of the edges in this block."""
        from scipy.signal import lfilter  # noqa: PLC0415 - SciPy is slow to import

        if not len(block):
            return []
        samples = np.asarray(block, dtype=float) * self._sign
        # y[n] = x[n] - x[n-1] + pole * y[n-1]
        state = [-self._last_in + self._pole * self._last_out]
        high, _ = lfilter([1.0, -1.0], [1.0, -self._pole], samples, zi=state)
        before = self._last_out
        found: list[float] = []
        start = self._count
        self._peak *= self._decay ** len(high)
        top = float(high.max())
        if top > self._peak:
            self._peak = top
        rise = self._peak * RISE_SHARE
        self._measure_floor(high)
        if self._peak >= max(LEAST_PEAK, ABOVE_FLOOR * self._floor):
            found = self._edges(high, before, start, rise)
        self._last_in, self._last_out = float(samples[-1]), float(high[-1])
        self._count += len(high)
        return found

    def _measure_floor(self, high: NDArray[np.floating]) -> None:
        """What is there between pulses, over the last stretch of whole blocks."""
        self._listened.append(np.abs(high))
        if sum(map(len, self._listened)) >= FLOOR_S * self.rate or not self._floor:
            self._floor = float(np.percentile(np.concatenate(self._listened), FLOOR_PERCENT))
        if sum(map(len, self._listened)) >= FLOOR_S * self.rate:
            self._listened.clear()

    def _edges(
        self, high: NDArray[np.floating], before: float, start: int, rise: float
    ) -> list[float]:
        previous = np.concatenate([[before], high[:-1]])
        crossings = np.nonzero((previous < rise) & (high >= rise))[0]
        lows = np.nonzero(high < self._peak * FALL_SHARE)[0]
        found: list[float] = []
        last = 0
        for index in crossings:
            if not self._armed:
                between = lows[(lows >= last) & (lows < index)]
                usable = between[between + start >= self._quiet_until]
                if len(usable):
                    self._armed = True
            at = start + int(index)
            if self._armed and at >= self._quiet_until:
                low, top = float(previous[index]), float(high[index])
                share = (rise - low) / (top - low) if top > low else 1.0
                found.append((at - 1 + share) / self.rate)
                self._armed, self._quiet_until, last = False, at + self._settle, int(index)
        if not self._armed and len(lows) and lows[-1] + start >= self._quiet_until:
            self._armed = True
        return found
