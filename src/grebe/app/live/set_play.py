"""The set in hand as it is performed: places of the joined song, and their own songs' names."""

from __future__ import annotations

from typing import NamedTuple

import msgspec

from grebe.core.document import Project
from grebe.core.sets.joined import Chapter, Joined, Own, join
from grebe.core.sets.model import Set
from grebe.core.songs.layout import Layout
from grebe.errors import EditError
from grebe.protocols.link.messages import Status


class SetPlace(NamedTuple):
    """A section of a song at its place in the set."""

    entry: str
    song: str
    section: str


class SetPlay:
    """A set joined into one song, kept for as long as the document is the same."""

    def __init__(self) -> None:
        self.entry = ""
        """The place in hand: the song that plays, or is run next."""
        self.coming: SetPlace | None = None
        """What comes next, also in another song."""
        self._kept: tuple[Project, Set, Joined | None] | None = None
        self._tops: tuple[Joined, dict[str, int]] | None = None

    def joined(self, project: Project, running: Set | None) -> Joined | None:
        """The set as one song; None without a set, or where nothing in it can be played."""
        if running is None:
            return None
        kept = self._kept
        if kept is None or kept[0] is not project or kept[1] is not running:
            try:
                made = join(project, running)
            except EditError:
                made = None
            kept = self._kept = (project, running, made)
        return kept[2]

    def chapter(self, joined: Joined) -> int:
        """The number of the chapter in hand; 0 where that place cannot be played."""
        entries = [c.entry for c in joined.chapters]
        return entries.index(self.entry) if self.entry in entries else 0

    def top(self, project: Project, joined: Joined) -> int:
        """The tick at which the song in hand begins in the joined one."""
        if self._tops is None or self._tops[0] is not joined:
            layout: Layout = project.layout(joined.song)
            firsts = {c.first: c.entry for c in joined.chapters}
            tops = {firsts[s.section.id]: s.tick for s in layout.spans if s.section.id in firsts}
            self._tops = (joined, tops)
        return self._tops[1].get(joined.chapters[self.chapter(joined)].entry, 0)

    def own(self, joined: Joined, status: Status) -> tuple[Status, Own | None]:
        """A status in the words of the song that plays; where that is in the set."""
        own = joined.own.get(status.section)
        if own is None or not status.running:
            self.coming = None
            return status, None
        self.entry = joined.chapters[own.chapter].entry
        after = joined.own.get(status.next_section)
        self.coming = None
        if after is not None:
            self.coming = SetPlace(joined.chapters[after.chapter].entry, after.song, after.section)
        here = after is not None and after.chapter == own.chapter
        told = msgspec.structs.replace(
            status, section=own.section, next_section=after.section if here and after else ""
        )
        return told, own

    def after(self, joined: Joined) -> Chapter | None:
        """The chapter after the one in hand; None at the end of the set."""
        number = self.chapter(joined) + 1
        return joined.chapters[number] if number < len(joined.chapters) else None
