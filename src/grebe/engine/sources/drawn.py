"""A run's timeline that is drawn to a leader from where it was planned to: so nothing jumps."""

from __future__ import annotations

from collections.abc import Callable

from grebe.core.sync.smoothed_timeline import SmoothedTimeline
from grebe.engine.sources.base import AtTime, Enter, behind_ms


class DrawnTimeline:
    """None until a run begins. Times are CLOCK_MONOTONIC_RAW in nanoseconds."""

    def __init__(self, tick_at: Callable[[int], float]) -> None:
        """`tick_at` is the leader's song tick at a time."""
        self._tick_at = tick_at
        self._timeline: SmoothedTimeline | None = None
        self._planned_ns = 0

    def begin(self, entry: Enter, bpm: float) -> SmoothedTimeline:
        """The timeline of a run that comes in at a tick and a time."""
        assert isinstance(entry.at, AtTime)
        assert entry.command.tick is not None
        self._planned_ns = entry.at.at_ns
        self._timeline = SmoothedTimeline(entry.command.tick, entry.at.at_ns, bpm)
        return self._timeline

    def steer(self, until_ns: int, bpm: float) -> None:
        """Draw it to the leader from where it was planned to, which is `until_ns` from now on; at
        0 BPM the tempo it has is held."""
        if self._timeline is None:
            return
        if bpm:
            self._timeline.steer(self._planned_ns, self._tick_at(self._planned_ns), bpm)
        self._planned_ns = max(self._planned_ns, until_ns)

    def behind_ms(self, now_ns: int, bpm: float) -> float:
        """How far it is behind the leader; 0 where nothing can be said."""
        if self._timeline is None or not bpm:
            return 0.0
        return behind_ms(self._tick_at(now_ns), self._timeline, now_ns, bpm)

    def end(self) -> None:
        """The run is over."""
        self._timeline = None
