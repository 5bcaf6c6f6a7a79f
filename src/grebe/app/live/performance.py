"""How the song was played last: which sections, how long, what hands muted. Without Qt."""

from __future__ import annotations

from grebe.core.songs.performed import Muted, Performance, Stretch
from grebe.protocols.link.messages import Status

MOST_STRETCHES = 2000
"""An evening of sections: what is longer loses its beginning."""


class PerformanceLog:
    """Follows what the engine says, from a start to the stop."""

    def __init__(self) -> None:
        self.last: Performance | None = None
        """The one that plays, or the last that did."""
        self._playing = False

    def take(self, status: Status, song_id: str) -> None:
        """The engine says how things stand, in the words of the song in hand."""
        if not status.running or not song_id or not status.section:
            self._playing = False
            return
        last = self.last
        fresh = not self._playing or last is None or last.song != song_id
        self._playing = True
        if fresh or last is None:
            last = Performance(song_id, (), status.tick)
        if status.tick < status.section_tick:  # a count-in: nothing of it is heard yet
            self.last = last
            return
        rows = list(last.stretches)
        if not rows or (rows[-1].section, rows[-1].tick) != (status.section, status.section_tick):
            rows.append(Stretch(status.section, status.section_tick))
        by_hand: Muted = frozenset(status.mutes) & frozenset(status.mutes_by_hand)
        before = rows[-1].muted[-1][1] if rows[-1].muted else frozenset()
        if by_hand != before:
            muted = (*rows[-1].muted, (max(status.tick, status.section_tick), by_hand))
            rows[-1] = rows[-1]._replace(muted=muted)
        self.last = Performance(song_id, tuple(rows[-MOST_STRETCHES:]), status.tick)
