"""How much is listened to: floods are dropped before anything is worked out."""

from __future__ import annotations

from collections import OrderedDict
from collections.abc import Hashable

KNOWN_A_SECOND, KNOWN_BURST = 600.0, 400.0
"""Packets from one known peer: when it joins it asks 80 times a second, is asked as often."""
OTHERS_A_SECOND, OTHERS_BURST = 300.0, 300.0
"""Packets from everybody else together."""
KNOWN_MOST = 128


class Bucket:
    """So many a second, and so many at once."""

    def __init__(self, a_second: float, burst: float) -> None:
        self._a_second, self._burst = a_second, burst
        self._left, self._at_ns = burst, 0

    def take(self, now_ns: int) -> bool:
        """Whether one more is allowed."""
        if not self.holds(now_ns):
            return False
        self._left -= 1
        return True

    def holds(self, now_ns: int) -> bool:
        """Whether one more would be."""
        if self._at_ns:
            passed = max(0, now_ns - self._at_ns) / 1e9
            self._left = min(self._burst, self._left + passed * self._a_second)
        self._at_ns = now_ns
        return self._left >= 1


class Gatekeeper:
    """A bucket for each known source, one for all others."""

    def __init__(self) -> None:
        self._known: OrderedDict[Hashable, Bucket] = OrderedDict()
        self._others = Bucket(OTHERS_A_SECOND, OTHERS_BURST)
        self.refused = 0

    def admits(self, source: Hashable, now_ns: int, *, known: bool) -> bool:
        """Whether a packet from there is looked at."""
        bucket = self._others
        if known:
            bucket = self._known.setdefault(source, Bucket(KNOWN_A_SECOND, KNOWN_BURST))
            self._known.move_to_end(source)
            while len(self._known) > KNOWN_MOST:
                self._known.popitem(last=False)
        if bucket.take(now_ns):
            return True
        self.refused += 1
        return False
