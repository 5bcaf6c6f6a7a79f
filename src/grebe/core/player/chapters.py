"""The songs of a plan that holds several: where each begins, and what it asks of boxes."""

from __future__ import annotations

from grebe.core.player.plan import Plan
from grebe.core.sets.joined import Chapter
from grebe.core.songs.layout import Layout
from grebe.core.songs.model import BoxSong


class Chapters:
    """Songs by the sections they begin with. A plan of one song has just that one."""

    def __init__(self, plan: Plan, layout: Layout) -> None:
        firsts = {chapter.first: chapter for chapter in plan.chapters}
        chapter: Chapter | None = None
        top = 0
        self._rows: list[tuple[Chapter | None, int]] = []
        stops: set[int] = set()
        for index, span in enumerate(layout.spans):
            begins = firsts.get(span.section.id)
            if begins is not None:
                chapter, top = begins, span.tick
                if begins.into == "stop" and index:
                    stops.add(index)
            self._rows.append((chapter, top))
        self._own = plan.song.box_songs
        self.stops = frozenset(stops)
        """Numbers of sections that wait to be run: the song before ends."""

    def of(self, index: int) -> Chapter | None:
        """The chapter a section belongs to; None in a plan of one song."""
        return self._rows[index][0] if index < len(self._rows) else None

    def top(self, index: int) -> int:
        """The tick, as written, at which a section's song begins."""
        return self._rows[index][1] if index < len(self._rows) else 0

    def box_songs(self, index: int) -> tuple[BoxSong, ...]:
        """Boxes that play that song from their own memory."""
        chapter = self.of(index)
        return self._own if chapter is None else chapter.box_songs
