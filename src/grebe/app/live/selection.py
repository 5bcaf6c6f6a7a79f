"""What is in hand: a song or a set, a place in it; and what the engine calls it."""

from __future__ import annotations

from collections.abc import Callable, Iterable

from grebe.app.document.store import Store
from grebe.app.live.set_play import SetPlay
from grebe.core.document import Project
from grebe.core.sets.joined import Joined
from grebe.core.sets.model import Set
from grebe.core.songs.model import Song
from grebe.protocols.link.messages import Status, Welcome


class Selection:
    """The song and the set in hand. What is performed is one of them."""

    def __init__(self, store: Store) -> None:
        self._store = store
        project = store.project
        self.song_id = project.songs[0].id if project.songs else ""
        self.set_id = project.sets[0].id if project.sets else ""
        self.box = project.rig.devices[0].id if project.rig.devices else ""
        """The box in hand, in every station."""
        self.whole_set = False
        """Whether the set is performed, from the place in hand on, instead of one song."""
        self.section = ""
        """The section of the song that is selected, to run from or jump to."""
        self.tick: int | None = None
        """Where in the song to run from, where that is not a section's beginning."""
        self.play = SetPlay()
        self.dropped: frozenset[tuple[str, str]] = frozenset()
        """Sections of the set, as (place, section), that are played a pass less this time."""
        self.running: Callable[[], bool] = lambda: False
        """Whether something plays: then nothing else is taken in hand."""
        self.taken: Callable[[], None] = lambda: None
        """Told when something else was taken in hand."""

    # What there is

    @property
    def song(self) -> Song | None:
        """The song in hand; None in a project without songs."""
        return next((s for s in self._store.project.songs if s.id == self.song_id), None)

    @property
    def running_set(self) -> Set | None:
        """The set in hand; None in a project without sets."""
        return next((s for s in self._store.project.sets if s.id == self.set_id), None)

    def joined(self) -> Joined | None:
        """The set that is performed, as one song; None while it is one song that is."""
        if not self.whole_set:
            return None
        return self.play.joined(self._store.project, self.running_set)

    def known_as(self, section: str, *, begins: bool = False) -> str:
        """What the engine calls a section of the song in hand."""
        joined = self.joined()
        if joined is None or not (section or begins):
            return section
        return joined.id_of(self.play.chapter(joined), section)

    @property
    def top(self) -> int:
        """The tick at which the song in hand begins in what the engine plays."""
        joined = self.joined()
        return 0 if joined is None else self.play.top(self._store.project, joined)

    # Taking something in hand

    def select(self, section: str, tick: int | None = None) -> None:
        """Select a place in the song."""
        self.section, self.tick = section, tick

    def take_song(self, song_id: str) -> None:
        """Take a song in hand, with no place in it selected."""
        self.song_id = song_id
        self.select("")

    def perform_set(self, *, on: bool) -> None:
        """Perform the set in hand, or one song; what runs is not touched."""
        if self.running() or self.whole_set == on:
            return
        self.whole_set = on
        joined = self.joined()
        if joined is not None and joined.chapters[self.play.chapter(joined)].song != self.song_id:
            self._take_place_of(joined, self.song_id)
        self.taken()

    def _take_place_of(self, joined: Joined, song_id: str) -> None:
        """Take in hand the first place of a song in the set, where it has one."""
        found = next((c.entry for c in joined.chapters if c.song == song_id), None)
        self.play.entry = found or joined.chapters[0].entry
        self.song_id = joined.chapters[self.play.chapter(joined)].song

    def take_set(self, set_id: str) -> None:
        """Take another set in hand; not while something plays."""
        if not self.running():
            self.set_id = set_id
            joined = self.joined()
            if joined is not None:
                self._take_place_of(joined, self.song_id)
            self.taken()

    def choose_place(self, entry: str) -> bool:
        """Take a place of the set in hand; not while something plays. Whether it was taken."""
        running = self.running_set
        place = next((s for s in running.songs if s.id == entry), None) if running else None
        if place is None or self.running():
            return False
        self.play.entry = entry
        if any(s.id == place.song for s in self._store.project.songs):
            self.take_song(place.song)
        return True

    def drop_passes(self, passes: Iterable[tuple[str, str]]) -> None:
        """Play these sections of the set, as (place, section), a pass less: for this time only."""
        self.dropped = self.dropped | frozenset(passes)
        self.taken()

    # What others say

    def document_changed(self, new: Project) -> None:
        """Hold on to something that is there."""
        if all(d.id != self.box for d in new.rig.devices):
            self.box = new.rig.devices[0].id if new.rig.devices else ""
        if all(s.id != self.set_id for s in new.sets):
            self.set_id = new.sets[0].id if new.sets else ""
        if all(song.id != self.song_id for song in new.songs):
            self.song_id = new.songs[0].id if new.songs else ""

    def attached(self, welcome: Welcome) -> None:
        """An engine plays already: what it plays is in hand."""
        project = self._store.project
        performed = [s.id for s in project.sets if f"set-{s.id}" == welcome.song]
        self.whole_set = bool(performed)
        self.set_id = performed[0] if performed else self.set_id
        self.loaded(welcome.song)

    def loaded(self, song_id: str) -> None:
        """The engine has been given a song of this project."""
        if any(s.id == song_id for s in self._store.project.songs):
            self.song_id = song_id

    def in_own_words(self, status: Status, *, goes_on: bool) -> Status:
        """Of a set: the status as the song that plays has it; that song is taken in hand.

        `goes_on`: where it has stopped, it did by itself, and the next song waits.
        """
        joined = self.joined()
        if joined is None:
            return status
        here = self.play.entry
        told, own = self.play.own(joined, status)
        if own is not None:
            self.song_id = own.song
            if self.play.entry != here:
                self.select("")
        elif goes_on and not status.running:
            chapter = self.play.after(joined)
            if chapter is not None:
                self.play.entry = chapter.entry
                self.take_song(chapter.song)
        return told
