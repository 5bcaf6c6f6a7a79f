"""Four time stamps and what follows from them (RFC 5905, section 8)."""

from __future__ import annotations

from collections.abc import Sequence
from typing import NamedTuple

from grebe.core.numeric import np

KEPT_SAMPLES = 64
BEST = 8


class Exchange(NamedTuple):
    """One question and its answer, in nanoseconds of two clocks that have nothing in common."""

    t1: int
    """Question left, by our clock."""
    t2: int
    """Question arrived, by theirs."""
    t3: int
    """Answer left, by theirs."""
    t4: int
    """Answer arrived, by ours."""

    @property
    def offset_ns(self) -> float:
        """Their clock minus ours: ((t2 - t1) + (t3 - t4)) / 2."""
        return ((self.t2 - self.t1) + (self.t3 - self.t4)) / 2

    @property
    def delay_ns(self) -> int:
        """There and back, without the time they took: (t4 - t1) - (t3 - t2)."""
        return (self.t4 - self.t1) - (self.t3 - self.t2)


def best_of(exchanges: Sequence[Exchange]) -> float:
    """Offset by the exchanges of least delay: the mean of the 8 best of the last 64.

    RFC 5905's clock filter keeps the one of least delay of eight; more are
    kept here because they come more often, and a mean of eight wavers less.
    Raises ValueError without any.
    """
    if not exchanges:
        raise ValueError("no exchange yet")
    recent = exchanges[-KEPT_SAMPLES:]
    base = recent[-1].offset_ns
    delays = np.array([x.delay_ns for x in recent], dtype=np.int64)
    offsets = np.array([x.offset_ns - base for x in recent])
    best = np.argsort(delays, kind="stable")[:BEST]
    return base + float(offsets[best].mean())
