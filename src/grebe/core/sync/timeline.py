"""Ticks to nanoseconds of CLOCK_MONOTONIC_RAW, through tempo changes."""

from __future__ import annotations

from typing import Protocol

from grebe.core.time.tempo import TempoMap, TempoPoint


class SongTimeline(Protocol):
    """When each tick of the song falls, as long as a run lasts."""

    def ns_at(self, tick: int) -> int:
        """Time of a tick."""

    def tick_at(self, at_ns: int) -> float:
        """Tick, with a fraction, at a time."""

    def bpm_at(self, tick: int) -> float:
        """Tempo at a tick."""

    def add(self, point: TempoPoint) -> None:
        """The song would have another tempo from a tick on."""

    def freed(self, at_ns: int) -> SongTimeline:
        """The same, carried on from a time without whoever drew it."""


class TempoTimeline:
    """An anchor in time and the tempo from there on."""

    def __init__(self, first: TempoPoint, anchor_ns: int) -> None:
        self._anchor_ns = anchor_ns
        self._tempo = TempoMap((first,))

    def add(self, point: TempoPoint) -> None:
        """The tempo changes at a tick; what lies before it stays as it was."""
        self._tempo = self._tempo.with_point(point)

    def ns_at(self, tick: int) -> int:
        """Time of a tick."""
        return self._anchor_ns + round(self._tempo.seconds_at(tick) * 1e9)

    def tick_at(self, at_ns: int) -> float:
        """Tick, with a fraction, at a time."""
        return self._tempo.ticks_at((at_ns - self._anchor_ns) / 1e9)

    def bpm_at(self, tick: int) -> float:
        """Tempo at a tick."""
        return self._tempo.bpm_at(tick)

    def freed(self, at_ns: int) -> SongTimeline:
        """Nobody draws it."""
        del at_ns
        return self
