"""Sending out a followed clock: smoother than it came in, and never with a jump."""

from __future__ import annotations

from bisect import bisect_right

from grebe.core.sync.timeline import SongTimeline, TempoTimeline
from grebe.core.time.tempo import TempoPoint
from grebe.core.time.ticks import CLOCK_TICKS, TICKS_PER_QUARTER
from grebe.core.units import MAX_BPM, MIN_BPM

PULL_CLOCKS = 8.0
"""An error is drawn in over about so many clocks."""
SLEW = 0.04
"""The most by which the rate departs from the tempo to draw an error in."""
SLEW_FRESH = 0.25
"""The same in the first beats, and while a step of tempo is fresh."""
STEP = 0.01
"""A tempo that differs by this much from what it was a beat ago has stepped."""
KEPT = 512
"""Stretches of time remembered: at 5 ms each, two and a half seconds."""
_NS_A_MINUTE = 60e9


class SmoothedTimeline:
    """Song ticks against nanoseconds, steered stretch by stretch.

    What lies before the horizon last steered to stays as it is: messages of
    that time may already be on their way.
    """

    def __init__(self, tick: float, at_ns: int, bpm: float) -> None:
        self._times: list[int] = [at_ns]
        self._ticks: list[float] = [tick]
        self._rates: list[float] = [_rate(bpm)]
        self._fresh_until = tick + 4 * TICKS_PER_QUARTER
        self._bpm_before = bpm
        self._beat_before = tick

    def steer(self, horizon_ns: int, wanted_tick: float, bpm: float) -> None:
        """From a time on, run so that the tick there is drawn to the wanted one."""
        tick = self.tick_at(horizon_ns)
        if tick - self._beat_before >= TICKS_PER_QUARTER:
            self._beat_before, self._bpm_before = tick, bpm
        elif abs(bpm / self._bpm_before - 1) > STEP:
            self._fresh_until = tick + 2 * TICKS_PER_QUARTER
        most = SLEW_FRESH if tick < self._fresh_until else SLEW
        pull = (wanted_tick - tick) / CLOCK_TICKS / PULL_CLOCKS
        rate = _rate(bpm) * (1 + min(most, max(-most, pull)))
        if horizon_ns <= self._times[-1]:
            self._rates[-1] = rate
            return
        self._times.append(horizon_ns)
        self._ticks.append(tick)
        self._rates.append(rate)
        if len(self._times) > 2 * KEPT:
            del self._times[:KEPT], self._ticks[:KEPT], self._rates[:KEPT]

    def add(self, point: TempoPoint) -> None:
        """What leads has a tempo of its own: the song's does not count."""

    def freed(self, at_ns: int) -> SongTimeline:
        """Carried on from a time at the tempo there is then; the song's tempi count again."""
        tick = int(self.tick_at(at_ns)) + 1
        bpm = min(MAX_BPM, max(MIN_BPM, self.bpm_at(tick)))
        return TempoTimeline(TempoPoint(tick=tick, bpm=bpm), round(self.ns_at(tick)))

    def tick_at(self, at_ns: int) -> float:
        """Song tick, with a fraction, at a time."""
        i = max(0, bisect_right(self._times, at_ns) - 1)
        return self._ticks[i] + (at_ns - self._times[i]) * self._rates[i]

    def ns_at(self, tick: float) -> int:
        """Time of a song tick."""
        i = max(0, bisect_right(self._ticks, tick) - 1)
        return self._times[i] + round((tick - self._ticks[i]) / self._rates[i])

    def bpm_at(self, tick: float) -> float:
        """Tempo given out at a tick."""
        i = max(0, bisect_right(self._ticks, tick) - 1)
        return self._rates[i] * _NS_A_MINUTE / TICKS_PER_QUARTER


def _rate(bpm: float) -> float:
    """Ticks a nanosecond."""
    return bpm * TICKS_PER_QUARTER / _NS_A_MINUTE
