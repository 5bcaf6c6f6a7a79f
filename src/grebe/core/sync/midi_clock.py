"""Being led: clock, Start, Stop, Continue and Song Position of another box, made sense of."""

from __future__ import annotations

from collections import deque
from statistics import median
from typing import NamedTuple

from grebe.core.sync.follower import Follower
from grebe.core.time.ticks import SIXTEENTH_TICKS, TICKS_PER_QUARTER

LOST_AFTER_PERIODS = 6.0
LOST_AFTER_S = 0.15
"""A clock is lost when nothing has come for six periods, and at least so long."""
GAP_PERIODS, LONGEST_GAP_PERIODS = 1.6, 100.0
"""Between these ticks have stayed out, and may come after all."""
PRIMED_TICKS = 24
"""So many ticks at the tempo held stand before the first that comes after a long silence."""
BURST_PERIODS = 0.3
"""What comes this soon after another was kept back with it."""
TRAIL_TICKS, LAST_TICKS = 30, 6
"""A tempo that is held is the middle one of so many ticks, but for the last."""
EARLY_S = 0.0005
"""The following tick is taken for the downbeat unless it is this near to Start already."""


class Go(NamedTuple):
    """The leader starts: the song's tick and the moment it falls on."""

    tick: int
    at_s: float


class Held(NamedTuple):
    """What a leader's clock was when it was last to be relied on."""

    at_s: float
    beat: float
    bpm: float


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
        self._trail: deque[Held] = deque(maxlen=TRAIL_TICKS)
        """What was made of the last ticks as each came."""
        self._held: Held | None = None
        self._arrived_s = 0.0
        """When the last clock came, whatever it was taken for."""
        self._overdue = 0
        """Ticks of a gap that may still come, all at once."""

    def clock(self, at_s: float) -> Go | None:
        """A tick of the clock arrived."""
        if self._is_overdue(at_s):
            return None
        if self._held is not None:
            self._come_back(at_s, self._held)
        self.follower.tick(at_s)
        self._held = None
        if self.follower.locked:
            self._trail.append(Held(at_s, *self.follower.estimate(at_s)))
        if self._waiting is None:
            return None
        return self._go(at_s, 0.0)  # the first clock of all is the downbeat

    def _come_back(self, at_s: float, held: Held) -> None:
        """After a long silence the box goes on at the tick that is nearest to where it was held,
        and at the tempo held until it shows another."""
        period = 60 / (held.bpm * self.ppqn)
        if at_s - self.follower.last_s < LONGEST_GAP_PERIODS * period:
            return  # the follower reads such a gap itself
        a_tick = TICKS_PER_QUARTER / self.ppqn
        self._origin_tick = round(round(self.tick_at(at_s) / a_tick) * a_tick)
        self._origin_beat = PRIMED_TICKS / self.ppqn
        self.follower = Follower(self.ppqn)
        for n in range(PRIMED_TICKS, 0, -1):
            self.follower.tick(at_s - n * period)

    def _is_overdue(self, at_s: float) -> bool:
        """Whether it was kept back by a stall and comes in a burst with others: the first of them
        was read as the tick that was due by then, which counts all of them."""
        before, self._arrived_s = self._arrived_s, at_s
        if not self._trail or self._waiting is not None:
            return False
        period = 60 / (self._trail[-1].bpm * self.ppqn)
        if self._overdue and at_s - before < BURST_PERIODS * period:
            self._overdue -= 1
            return True
        gap = (at_s - self.follower.last_s) / period
        self._overdue = round(gap) - 1 if GAP_PERIODS < gap < LONGEST_GAP_PERIODS else 0
        return False

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

    def hold(self) -> None:
        """The clock is lost: go on as it went before its last ticks, until another comes.

        A box that is pulled or switched off wavers at the end: what it says there is not its tempo.
        """
        if self._held is None and self._trail:
            steady = list(self._trail)[: -min(LAST_TICKS, len(self._trail) - 1) or None]
            self._held = steady[-1]._replace(bpm=median(row.bpm for row in steady))

    @property
    def bpm(self) -> float:
        """The leader's tempo, or the one that is held; 0 while it is not known."""
        if self._held is not None:
            return self._held.bpm
        return self.follower.estimate(self.follower.last_s).bpm

    def tick_at(self, at_s: float) -> float:
        """Song tick at a time, by the leader's clock; while it is lost, by the tempo held."""
        held = self._held
        if held is not None:
            beat = held.beat + (at_s - held.at_s) * held.bpm / 60
        else:
            beat = self.follower.estimate(at_s).beat
        return self._origin_tick + (beat - self._origin_beat) * TICKS_PER_QUARTER

    def _begin(self, at_s: float, tick: int) -> Go | None:
        if self.running:
            return None
        self._waiting = tick
        follower = self.follower
        if not self.heard(at_s):
            self._trail.clear()
            self._held = None
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
