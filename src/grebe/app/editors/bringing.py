"""MIDI files brought in: a row a track, each with where it goes, changed until it is taken. Without
Qt."""

from __future__ import annotations

from collections.abc import Iterable
from pathlib import Path

from grebe.app.document.arrivals import (
    BroughtTrack,
    lost_of,
    one_file,
    read_rows,
    with_patterns,
    with_song,
)
from grebe.app.live.session import Session
from grebe.core.document import Project
from grebe.errors import EditError
from grebe.words import counted, tr


class Bringing:
    """What was read, and what becomes of it."""

    def __init__(self, session: Session) -> None:
        self.session = session
        self.rows: list[BroughtTrack] = []
        self.refused: list[str] = []

    def read(self, paths: Iterable[str | Path]) -> None:
        """Files, and those of folders: box, bars and key of each are proposed."""
        self.rows, self.refused = read_rows(self.session.project, paths)

    @property
    def one_file(self) -> bool:
        """Whether all of it is one file of several tracks: it can be a song."""
        return one_file(self.rows)

    def as_patterns(self) -> None:
        """What is wanted becomes patterns, a step of undo. EditError where that cannot be."""
        wanted = self._wanted()

        def edit(project: Project) -> Project:
            return with_patterns(project, wanted, together=self.one_file)[0]

        self.session.store.apply(
            tr("Bring in {counted}", counted=counted(len(wanted), "pattern")), edit
        )
        self.session.notices.say(
            "info",
            tr("Brought in {counted}.", counted=counted(len(wanted), "pattern")),
            offers="undo",
        )

    def as_song(self) -> None:
        """What is wanted becomes a song, a box a track, a step of undo; it is in hand then.
        EditError where that cannot be."""
        wanted = self._wanted()
        arrival = wanted[0].arrival
        made: list[str] = []

        def edit(project: Project) -> Project:
            project, song, _ = with_song(project, wanted)
            made.append(song)
            return project

        self.session.store.apply(tr("Bring in {arrival}", arrival=arrival.name), edit)
        self.session.choose_song(made[-1])
        self.session.notices.say(
            "info",
            tr(
                "{arrival} is a song of {counted}.",
                arrival=arrival.name,
                counted=counted(len(wanted), "track"),
            ),
            offers="undo",
        )

    @property
    def lost(self) -> list[str]:
        """What is not taken over of what is wanted, in words: as a song where it can be one."""
        return lost_of([row for row in self.rows if row.wanted], song=self.one_file)

    @property
    def lost_as_patterns(self) -> list[str]:
        """What is not taken over besides where it could be a song and becomes patterns."""
        wanted, lost = [row for row in self.rows if row.wanted], self.lost
        return [words for words in lost_of(wanted, song=False) if words not in lost]

    def _wanted(self) -> list[BroughtTrack]:
        wanted = [row for row in self.rows if row.wanted]
        if not wanted:
            raise EditError(tr("nothing of it is ticked"))
        return wanted
