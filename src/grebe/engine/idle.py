"""Clock for boxes that want it while stopped, too, in step with the runs before and after."""

from __future__ import annotations

from collections.abc import Callable
from math import ceil

from grebe.core.player.plan import PulseLine
from grebe.core.time.ticks import CLOCKS_PER_QUARTER
from grebe.engine.connections import Connections
from grebe.engine.sources.base import IdlePhase

LATE_NS = 1_000_000_000
"""Ticks begin afresh when none has gone out for so long."""
PULL_CLOCKS, SLEW = 8.0, 0.04
"""They are drawn to those of what leads as a run is: see `SmoothedTimeline`."""


class IdleTicks:
    """The ticks between runs, for boxes that want a clock while nothing plays."""

    def __init__(self, connections: Connections, emit: Callable[[str, int], None]) -> None:
        """`emit` sends a tick down a wire at a time."""
        self._connections = connections
        self._emit = emit
        self.next_ns = 0.0
        """When the next is due."""
        self.bpm = 120.0
        self._count = 0
        """Ticks since the last run: pulses are counted from its end."""

    @property
    def period_ns(self) -> float:
        """Between two ticks."""
        return 60e9 / (self.bpm * CLOCKS_PER_QUARTER)

    @property
    def phase(self) -> IdlePhase | None:
        """When the next is due, and how far apart they are; None while none has gone out."""
        return IdlePhase(self.next_ns, self.period_ns) if self.next_ns else None

    def last_before(self, base_ns: int) -> int:
        """Until when ticks go out before a run: one that falls about where its first clock does
        is that clock."""
        return base_ns - round(self.period_ns / 2)

    def go_on(self, next_ns: float, bpm: float) -> None:
        """A run has ended: go on in step with it."""
        self.next_ns, self.bpm = next_ns, bpm
        self._count = 0

    def tick(self, song_bpm: float, now: int, until: int) -> None:
        """Send all that are due before `until`."""
        if self.next_ns < now - LATE_NS:
            self.go_on(float(now), song_bpm)
        period = self.period_ns
        source = self._connections.sources.current
        while self.next_ns < until:
            if source.device:
                bpm, late = source.idle(round(self.next_ns))
                if not bpm:
                    return  # what leads is silent, so is what follows
                pull = max(-SLEW, min(SLEW, late / PULL_CLOCKS))
                period = 60e9 / (bpm * CLOCKS_PER_QUARTER) * (1 - pull)
            for wire in self._connections.idle:
                self._emit(wire, round(self.next_ns))
            for line in self._connections.idle_pulses:
                self._pulse(line, period)
            self.next_ns += period
            self._count += 1

    def _pulse(self, line: PulseLine, period_ns: float) -> None:
        """The pulses from this tick to the next."""
        apart = CLOCKS_PER_QUARTER / line.rate
        number = ceil(self._count / apart)
        while number * apart < self._count + 1:
            after = (number * apart - self._count) * period_ns
            self._connections.outputs.pulse_between(line.device, round(self.next_ns + after))
            number += 1
