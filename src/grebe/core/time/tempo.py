"""Tempo maps: constant stretches and ramps, beats to seconds and back.

A ramp is linear in beats: from b1 to b2 BPM over N quarter notes it lasts
60*N*ln(b2/b1)/(b2-b1) seconds.
"""

from __future__ import annotations

import math
from bisect import bisect_right
from typing import Annotated

from msgspec import Meta

from grebe.core.time.ticks import TICKS_PER_QUARTER
from grebe.core.units import Bpm, Value


class TempoPoint(Value, frozen=True, kw_only=True):
    """From `tick` on the tempo is `bpm`, or goes there over `ramp_ticks` from what it was."""

    tick: int
    bpm: Bpm
    ramp_ticks: Annotated[int, Meta(ge=0)] = 0


class _Segment:
    """A stretch from one tempo to another over `ticks`, or constant when `slope` is 0."""

    __slots__ = ("bpm", "seconds", "slope", "tick")

    def __init__(self, tick: int, seconds: float, bpm: float, slope: float) -> None:
        self.tick = tick
        self.seconds = seconds
        self.bpm = bpm
        self.slope = slope  # BPM per quarter note

    def seconds_after(self, beats: float) -> float:
        if self.slope == 0.0:
            return beats * 60.0 / self.bpm
        return 60.0 / self.slope * math.log1p(self.slope * beats / self.bpm)

    def beats_after(self, seconds: float) -> float:
        if self.slope == 0.0:
            return seconds * self.bpm / 60.0
        return self.bpm / self.slope * math.expm1(self.slope * seconds / 60.0)


class TempoMap:
    """Ticks to seconds and back through constant stretches and ramps.

    Seconds count from the first point's tick. Before that tick its tempo is
    taken to hold, so negative seconds are valid. Immutable: `with_point`
    gives a new map.

    Raises ValueError when there is no point, when the first one ramps, or
    when ticks do not increase.
    """

    __slots__ = ("_segments", "_starts", "_times", "points")

    def __init__(self, points: tuple[TempoPoint, ...]) -> None:
        if not points:
            raise ValueError("a tempo map needs at least one point")
        if points[0].ramp_ticks:
            raise ValueError("the first tempo point cannot be a ramp: there is nothing before it")
        self.points = points
        self._segments = _segments(points)
        self._starts = [s.tick for s in self._segments]
        self._times = [s.seconds for s in self._segments]

    def seconds_at(self, tick: int) -> float:
        """Seconds from the first point to `tick`."""
        segment = self._segments[max(0, bisect_right(self._starts, tick) - 1)]
        return segment.seconds + segment.seconds_after((tick - segment.tick) / TICKS_PER_QUARTER)

    def ticks_at(self, seconds: float) -> float:
        """Ticks, with a fraction, at a time in seconds; the inverse of `seconds_at`."""
        segment = self._segments[max(0, bisect_right(self._times, seconds) - 1)]
        return segment.tick + segment.beats_after(seconds - segment.seconds) * TICKS_PER_QUARTER

    def bpm_at(self, tick: int) -> float:
        """Tempo in force at `tick`, in BPM."""
        segment = self._segments[max(0, bisect_right(self._starts, tick) - 1)]
        if tick <= segment.tick:
            return segment.bpm
        return segment.bpm + segment.slope * (tick - segment.tick) / TICKS_PER_QUARTER

    def with_point(self, point: TempoPoint) -> TempoMap:
        """This map with another point; points at or after its tick are dropped."""
        kept = tuple(p for p in self.points if p.tick < point.tick)
        if not kept:
            return TempoMap((TempoPoint(tick=point.tick, bpm=point.bpm),))
        return TempoMap((*kept, point))


def _segments(points: tuple[TempoPoint, ...]) -> list[_Segment]:
    out = [_Segment(points[0].tick, 0.0, points[0].bpm, 0.0)]
    for index, point in enumerate(points[1:], start=1):
        last = out[-1]
        if point.tick <= points[index - 1].tick:
            raise ValueError(f"tempo points must increase in time (tick {point.tick})")
        if point.tick <= last.tick and last.slope == 0.0 and len(out) > 1:
            # The point cuts into the ramp before it: end that ramp here instead.
            out.pop()
            last = out[-1]
        beats = (point.tick - last.tick) / TICKS_PER_QUARTER
        seconds = last.seconds + last.seconds_after(beats)
        here = last.bpm + last.slope * beats
        ramp = point.ramp_ticks / TICKS_PER_QUARTER
        if ramp == 0.0 or here == point.bpm:
            out.append(_Segment(point.tick, seconds, point.bpm, 0.0))
            continue
        rising = _Segment(point.tick, seconds, here, (point.bpm - here) / ramp)
        out.append(rising)
        end = seconds + rising.seconds_after(ramp)
        out.append(_Segment(point.tick + point.ramp_ticks, end, point.bpm, 0.0))
    return out


def ramp_seconds(bpm_from: float, bpm_to: float, beats: float) -> float:
    """Seconds of a ramp linear in beats over `beats` quarter notes."""
    slope = (bpm_to - bpm_from) / beats
    return _Segment(0, 0.0, bpm_from, slope).seconds_after(beats)
