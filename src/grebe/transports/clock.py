"""The one clock for everything: CLOCK_MONOTONIC_RAW.

JACK's clock is this one. Python's `perf_counter` is CLOCK_MONOTONIC, which
lies elsewhere and is slewed by network time, so the two must never be mixed.
"""

from __future__ import annotations

import time
from collections.abc import Callable
from typing import Protocol

LEAST_SLEEP_S = 0.5


def raw_ns() -> int:
    """Nanoseconds of CLOCK_MONOTONIC_RAW."""
    return time.clock_gettime_ns(time.CLOCK_MONOTONIC_RAW)


def _asleep_ns() -> int:
    """How long the machine has slept since it was switched on."""
    boot = time.clock_gettime_ns(time.CLOCK_BOOTTIME)
    return boot - time.clock_gettime_ns(time.CLOCK_MONOTONIC)


class Sleep:
    """Notices that the machine was asleep: our clock stands still then."""

    def __init__(self, asleep_ns: Callable[[], int] = _asleep_ns) -> None:
        self._asleep_ns = asleep_ns
        self._known = asleep_ns()

    def noticed_s(self) -> float:
        """Seconds slept since this was asked last; 0 when it was awake."""
        now = self._asleep_ns()
        slept, self._known = (now - self._known) / 1e9, now
        return slept if slept > LEAST_SLEEP_S else 0.0


class MonotonicClock(Protocol):
    """What the engine takes the time from, and waits by."""

    def now_ns(self) -> int:
        """Nanoseconds, never going back."""

    def sleep_until_ns(self, due_ns: int, spin_ns: int) -> None:
        """Return at `due_ns`, the last `spin_ns` of it awake."""


class SimulatedClock:
    """A clock that is at once where one wants to sleep to: an hour passes in a minute."""

    def __init__(self) -> None:
        self._now_ns = 1_000_000_000

    def now_ns(self) -> int:
        """The time."""
        return self._now_ns

    def sleep_until_ns(self, due_ns: int, spin_ns: int) -> None:
        """Be there."""
        del spin_ns
        self._now_ns = max(self._now_ns, due_ns)


def sleep_until_ns(due_ns: int, spin_ns: int) -> None:
    """Return at `due_ns`, sleeping up to `spin_ns` before it and spinning the rest.

    Spin only with real-time priority: without it, spinning under load is
    later than sleeping, because the scheduler punishes it.
    """
    wait = due_ns - spin_ns - raw_ns()
    if wait > 0:
        time.sleep(wait / 1e9)
    if spin_ns:
        while raw_ns() < due_ns:
            pass


class RawClock:
    """CLOCK_MONOTONIC_RAW. The functions themselves: this is asked for several times a tick."""

    now_ns = staticmethod(raw_ns)
    sleep_until_ns = staticmethod(sleep_until_ns)
