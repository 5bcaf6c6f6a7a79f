"""MIDI files brought in: a row a track, each with where it goes, changed until it is taken. Without
Qt."""

from __future__ import annotations

import time
from collections.abc import Iterable
from concurrent.futures import Future, ThreadPoolExecutor, wait
from pathlib import Path

from grebe.app.document.arrivals import (
    BroughtTrack,
    lost_of,
    one_file,
    rows_of,
    with_patterns,
    with_song,
)
from grebe.app.document.pattern_files import loop_files
from grebe.app.live.session import Session
from grebe.core.document import Project
from grebe.errors import EditError, GrebeError
from grebe.words import counted, tr

AT_ONCE_S = 0.1
"""What is read in that time is there without a word of progress."""


class Bringing:
    """What was read, and what becomes of it. Files are read beside, one after another: a large one
    takes a second."""

    def __init__(self, session: Session) -> None:
        self.session = session
        self.rows: list[BroughtTrack] = []
        self.refused: list[str] = []
        self._files: list[Path] = []
        self._at = 0
        """Of the file that is being read, among those."""
        self._read: Future[list[BroughtTrack]] | None = None
        self._beside = ThreadPoolExecutor(1, "midi")

    def read(self, paths: Iterable[str | Path]) -> None:
        """Begin to read files, and those of folders: box, bars and key of each are proposed."""
        self.stop()
        self.rows, self.refused = [], []
        self._files, self._at = list(loop_files(paths)), 0
        self._next()
        ends = time.monotonic() + AT_ONCE_S
        while self._read is not None and wait([self._read], ends - time.monotonic()).done:
            self._take()

    @property
    def progress(self) -> str:
        """Which file is being read, in words; "" for none."""
        if self._read is None:
            return ""
        return tr("Reading {number} of {count}: {name}. Esc stops.", number=self._at + 1,
                  count=len(self._files), name=self._files[self._at].name)  # fmt: skip

    def follow(self) -> None:
        """Take in what has been read meanwhile."""
        while self._read is not None and self._read.done():
            self._take()

    def stop(self) -> bool:
        """Leave what is not read yet; whether there was any. The file in hand is read to its end,
        for nobody."""
        reading, self._read = self._read is not None, None
        return reading

    def _next(self) -> None:
        more = self._at < len(self._files)
        self._read = (
            self._beside.submit(rows_of, self.session.project, self._files[self._at])
            if more else None
        )  # fmt: skip

    def _take(self) -> None:
        assert self._read is not None
        try:
            self.rows += self._read.result()
        except GrebeError as error:
            self.refused.append(str(error))
        self._at += 1
        self._next()

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
