"""A set as one long song, so that one song goes over into the next without a stop.

Sections get ids that say which place of the set they belong to.
"""

from __future__ import annotations

from hashlib import blake2b
from typing import NamedTuple

import msgspec

from grebe.core.document import Project
from grebe.core.sets.model import Into, Set, SetSong
from grebe.core.songs.model import BoxSong, Section, Song, Then
from grebe.core.units import Id, Name, Value
from grebe.errors import EditError
from grebe.words import tr

LONGEST_ID = 64


class Chapter(Value, frozen=True, kw_only=True):
    """One song of a set that is played as one."""

    entry: Id
    """Its place in the set."""
    song: Id
    name: Name
    into: Into
    ramp_bars: int = 8
    first: Id
    """The section it begins with, as the joined song calls it."""
    box_songs: tuple[BoxSong, ...] = ()


class Own(NamedTuple):
    """A section of a joined song, as its own song calls it."""

    chapter: int
    song: str
    section: str


class Joined(NamedTuple):
    """A set as one song."""

    song: Song
    chapters: tuple[Chapter, ...]
    own: dict[str, Own]
    """By the joined song's section ids."""

    def id_of(self, chapter: int, section: str) -> str:
        """What the joined song calls a section of a chapter's song; "" is its first."""
        first = self.chapters[chapter]
        return section_id(first.entry, section) if section else first.first


def section_id(entry: str, section: str) -> str:
    """What the joined song calls a section of the song at a place."""
    plain = f"{entry}-{section}"
    if len(plain) <= LONGEST_ID:
        return plain
    return blake2b(plain.encode(), digest_size=20).hexdigest()


def can_play(project: Project, entry: SetSong) -> Song | None:
    """The song at a place, where it is there and has something to play; None otherwise."""
    song = next((s for s in project.songs if s.id == entry.song), None)
    if song is None:
        return None
    try:
        return song if project.layout(song).spans else None
    except EditError:
        return None


def join(
    project: Project, running: Set, dropped: frozenset[tuple[str, str]] = frozenset()
) -> Joined:
    """The songs of a set one after another; those that cannot be played are left out.

    Sections in `dropped`, as (place, section), have a pass less, where they have several.
    EditError where no song can be played.
    """
    sections: list[Section] = []
    chapters: list[Chapter] = []
    own: dict[str, Own] = {}
    first_bpm = 0.0
    for entry in running.songs:
        song = can_play(project, entry)
        if song is None:
            continue
        into: Into = entry.into if chapters else "stop"
        number = len(chapters)
        first_bpm = first_bpm or song.bpm
        heard = project.layout(song).spans[0].section.id
        for section in song.sections:
            new = section_id(entry.id, section.id)
            own[new] = Own(number, song.id, section.id)
            placed = _placed(entry, song, section, new, begins=section.id == heard)
            if (entry.id, section.id) in dropped and section.times > 1:
                placed = msgspec.structs.replace(placed, times=section.times - 1)
            sections.append(placed)
        chapters.append(
            Chapter(
                entry=entry.id, song=song.id, name=song.name, into=into,
                ramp_bars=entry.ramp_bars, first=section_id(entry.id, heard),
                box_songs=song.box_songs,
            )
        )  # fmt: skip
    if not chapters:
        raise EditError(tr("{running} has no song that can be played", running=running.name))
    joined = Song(id=f"set-{running.id}"[:LONGEST_ID], name=running.name, bpm=first_bpm,
                  sections=tuple(sections))  # fmt: skip
    return Joined(joined, tuple(chapters), own)


def _placed(entry: SetSong, song: Song, section: Section, new: str, *, begins: bool) -> Section:
    then = section.then
    if then.to:
        then = Then(kind=then.kind, to=section_id(entry.id, then.to), jumps=then.jumps)
    bpm, ramp = section.bpm, section.ramp_bars
    if begins:
        bpm = song.bpm if bpm is None else bpm
        ramp = entry.ramp_bars if entry.into == "ramp" else ramp
    return msgspec.structs.replace(section, id=new, then=then, bpm=bpm, ramp_bars=ramp)
