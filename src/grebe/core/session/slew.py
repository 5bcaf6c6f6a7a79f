"""The session's time on one computer: drawn to the reference, never set while anything plays."""

from __future__ import annotations

from typing import NamedTuple

DRAW_IN_S = 1.0
DRAW_IN_FRESH_S = 0.25
FRESH_NS = 2_000_000_000
"""So long after joining, errors are drawn in faster: what is known improves by the exchange."""
MOST = 0.02
"""The most by which the rate departs to draw an error in: a tempo of 120 becomes 122.4."""


class Mapping(NamedTuple):
    """Session time as a line over one computer's own clock."""

    raw_ns: int
    session_ns: int
    rate: float

    def at(self, raw_ns: float) -> float:
        """Session time at a time of that clock."""
        return self.session_ns + (raw_ns - self.raw_ns) * self.rate

    def raw_at(self, session_ns: float) -> float:
        """The time of that clock at a session time."""
        return self.raw_ns + (session_ns - self.session_ns) / self.rate


def drawn_to(
    now: Mapping, raw_ns: int, wanted_ns: float, wanted_rate: float, *, fresh: bool
) -> Mapping:
    """The mapping from `raw_ns` on that meets the one before it there, and is drawn to the wanted
    time."""
    here = now.at(raw_ns)
    pull = (wanted_ns - here) / 1e9 / (DRAW_IN_FRESH_S if fresh else DRAW_IN_S)
    return Mapping(raw_ns, round(here), wanted_rate * (1 + min(MOST, max(-MOST, pull))))
