"""A run's timeline that is drawn to a leader from where it was planned to: so nothing jumps."""

from __future__ import annotations

from collections.abc import Callable

from grebe.core.sync.smoothed_timeline import SmoothedTimeline
from grebe.core.time.ticks import TICKS_PER_QUARTER
from grebe.engine.sources.base import AtTime, Enter


class DrawnTimeline:
    """None until a run begins. Times are CLOCK_MONOTONIC_RAW in nanoseconds."""

    def __init__(self, tick_at: Callable[[int], float]) -> None:
        """`tick_at` is the leader's song tick at a time."""
        self._tick_at = tick_at
        self._timeline: SmoothedTimeline | None = None
        self.planned_ns = 0
        """Up to when it has been planned."""

    @property
    def goes_on(self) -> bool:
        """Whether there is a run."""
        return self._timeline is not None

    def begin(self, tick: float, at_ns: int, bpm: float) -> SmoothedTimeline:
        """The timeline of a run that is at a tick at a time."""
        self.planned_ns = at_ns
        self._timeline = SmoothedTimeline(tick, at_ns, bpm)
        return self._timeline

    def enter(self, entry: Enter, bpm: float) -> SmoothedTimeline:
        """The timeline of a run that the leader has come in at a tick and a time."""
        assert isinstance(entry.at, AtTime)
        assert entry.command.tick is not None
        return self.begin(entry.command.tick, entry.at.at_ns, bpm)

    def steer(self, until_ns: int, bpm: float) -> None:
        """Draw it to the leader from where it was planned to, which is `until_ns` from now on; at
        0 BPM the tempo it has is held."""
        if self._timeline is None:
            return
        if bpm:
            self._timeline.steer(self.planned_ns, self._tick_at(self.planned_ns), bpm)
        self.planned_ns = max(self.planned_ns, until_ns)

    def behind_ms(self, now_ns: int, bpm: float) -> float:
        """How far it is behind the leader, in ms; 0 where nothing can be said."""
        if self._timeline is None or not bpm:
            return 0.0
        behind = self._tick_at(now_ns) - self._timeline.tick_at(now_ns)
        return behind / TICKS_PER_QUARTER * 60e3 / bpm

    def end(self) -> None:
        """The run is over."""
        self._timeline = None
