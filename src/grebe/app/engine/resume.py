"""Coming back in after an engine was lost: on the bar that would come next, at its moment."""

from __future__ import annotations

from typing import NamedTuple

from grebe.core.songs.layout import Layout
from grebe.core.time.ticks import TICKS_PER_QUARTER

COME_IN_NS = 250_000_000
"""A bar to come back in on is at least this far away."""


class LastSaid(NamedTuple):
    """What the engine that was lost last said."""

    tick: float
    """Of the song as written."""
    bpm: float
    at_ns: int
    """CLOCK_MONOTONIC_RAW."""


def next_bar(layout: Layout, lost: LastSaid, now_ns: int) -> tuple[int, int] | None:
    """The next bar line of the song, and when it would have come; None past its end."""
    if not layout.spans:
        return None
    ns_a_tick = 60e9 / lost.bpm / TICKS_PER_QUARTER
    soon = lost.tick + (now_ns + COME_IN_NS - lost.at_ns) / ns_a_tick
    if soon >= layout.ticks:
        return None
    place = layout.bar_after(int(soon) + 1)
    if place >= layout.ticks:
        return None
    return place, lost.at_ns + round((place - lost.tick) * ns_a_tick)
