"""Being led: clock, Start, Stop, Continue and Song Position of another box, made sense of."""

from __future__ import annotations

from typing import NamedTuple

from grebe.core.sync.follower import Follower
from grebe.core.time.ticks import SIXTEENTH_TICKS, TICKS_PER_QUARTER

LOST_AFTER_PERIODS = 6.0
LOST_AFTER_S = 0.15
"""A clock is lost when nothing has come for six periods, and at least so long."""
EARLY_S = 0.0005
"""The following tick is taken for the downbeat unless it is this near to Start already."""


class Go(NamedTuple):
    """The leader starts: the song's tick and the moment it falls on."""

    tick: int
    at_s: float


class Halted(NamedTuple):
    """The leader stopped."""


class MidiClockReceiver:
    """Feed it what the leader sends, in seconds on one clock; it says when to go and halt."""

    def __init__(self, ppqn: float = 24.0) -> None:
        self.follower = Follower(ppqn)
        self.ppqn = ppqn
        self.running = False
        self._position = 0
        self._origin_beat = 0.0
        self._origin_tick = 0
        self._waiting: int | None = None
        """Song tick of the downbeat that the next clock is."""

    def clock(self, at_s: float) -> Go | None:
        """A tick of the clock arrived."""
        self.follower.tick(at_s)
        if self._waiting is None:
            return None
        return self._go(at_s, 0.0)  # the first clock of all is the downbeat

    def start(self, at_s: float) -> Go | None:
        """Start arrived: from the top with the next clock."""
        return self._begin(at_s, 0)

    def resume(self, at_s: float) -> Go | None:
        """Continue arrived: from the song position with the next clock."""
        return self._begin(at_s, self._position)

    def stop(self, at_s: float) -> Halted | None:
        """Stop arrived. The position is kept, for Continue."""
        self._waiting = None
        if not self.running:
            return None
        self._position = max(0, int(self.tick_at(at_s)))
        self.running = False
        return Halted()

    def locate(self, sixteenths: int) -> None:
        """Song Position arrived; it counts while stopped only."""
        if not self.running:
            self._position = sixteenths * SIXTEENTH_TICKS

    def heard(self, at_s: float) -> bool:
        """Whether a clock is there, at a time not before the last tick."""
        follower = self.follower
        if not follower.locked:
            return False
        period = 60 / (self.bpm * self.ppqn)
        return at_s - follower.last_s < max(LOST_AFTER_S, LOST_AFTER_PERIODS * period)

    @property
    def bpm(self) -> float:
        """The leader's tempo; 0 while it is not known."""
        return self.follower.estimate(self.follower.last_s).bpm

    def tick_at(self, at_s: float) -> float:
        """Song tick at a time, by the leader's clock; while it is lost, by its last tempo."""
        beat = self.follower.estimate(at_s).beat
        return self._origin_tick + (beat - self._origin_beat) * TICKS_PER_QUARTER

    def _begin(self, at_s: float, tick: int) -> Go | None:
        if self.running:
            return None
        self._waiting = tick
        follower = self.follower
        if not self.heard(at_s):
            self.follower = Follower(self.ppqn)  # its clock begins with the downbeat
            return None
        now = follower.estimate(at_s).beat * self.ppqn
        last = round(follower.estimate(follower.last_s).beat * self.ppqn)
        coming = max(last + 1, round(now + EARLY_S * self.bpm * self.ppqn / 60))
        period = 60 / (self.bpm * self.ppqn)
        return self._go(at_s + max(0.0, coming - now) * period, coming / self.ppqn)

    def _go(self, at_s: float, beat: float) -> Go:
        assert self._waiting is not None
        self._origin_beat, self._origin_tick = beat, self._waiting
        self._waiting = None
        self.running = True
        return Go(self._origin_tick, at_s)
