"""Coming back in after an engine was lost: on the bar that would come next, at its moment."""

from __future__ import annotations

from typing import NamedTuple

from grebe.app.live.position import Now
from grebe.core.songs.layout import Layout
from grebe.core.time.ticks import TICKS_PER_QUARTER

COME_IN_NS = 250_000_000
"""A bar to come back in on is at least this far away."""


class Resuming:
    """The section to come back in with, and where the song was when its engine was lost."""

    def __init__(self) -> None:
        self.section = ""
        """Id of what plays; "" once a hand has stopped it."""
        self._lost: LastSaid | None = None

    def forget(self) -> None:
        """A hand has stopped it, begun anew, or taken something else."""
        self.section = ""

    def lost(self, now: Now, now_ns: int) -> None:
        """The engine is gone."""
        if not now.running:
            self.section = ""
        elif now.played_bpm:
            self._lost = LastSaid(now.song_tick, now.played_bpm, now_ns)

    def next_bar(self, layout: Layout, now_ns: int) -> tuple[int, int] | None:
        """The next bar line of the song, and when it would have come; None where nothing was
        lost, or past the song's end."""
        if not self.section or self._lost is None:
            return None
        return next_bar(layout, self._lost, now_ns)


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
