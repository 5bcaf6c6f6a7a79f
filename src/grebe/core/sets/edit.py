"""Edits of sets: songs in and out, their order, how they come in, versions of a song."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Any

import msgspec

from grebe.core.document import Project, with_scene, with_set
from grebe.core.sets.model import Set, SetSong, wished
from grebe.core.songs.energy import song_bars
from grebe.core.songs.model import Section, Song
from grebe.core.songs.scenes import copy_scene, free_scene_name
from grebe.core.songs.variations import heard
from grebe.errors import EditError
from grebe.words import tr

ALL_IN = "everything in"


def add_set(project: Project, name: str) -> tuple[Project, str]:
    """The project with an empty set more, and its id."""
    taken = {s.id for s in project.sets}
    new_id = next(f"set-{n}" for n in range(1, len(taken) + 2) if f"set-{n}" not in taken)
    made = Set(id=new_id, name=name)
    return msgspec.structs.replace(project, sets=(*project.sets, made)), new_id


def remove_set(project: Project, set_id: str) -> Project:
    """The project without a set; its songs stay."""
    sets = tuple(s for s in project.sets if s.id != set_id)
    return msgspec.structs.replace(project, sets=sets)


def free_place(running: Set) -> str:
    """An id for another place."""
    taken = {s.id for s in running.songs}
    return next(f"e{n}" for n in range(1, len(taken) + 2) if f"e{n}" not in taken)


def insert_song(running: Set, at: int, song: str) -> Set:
    """The set with a song more at a place, from 0."""
    new = SetSong(id=free_place(running), song=song)
    songs = (*running.songs[:at], new, *running.songs[at:])
    return msgspec.structs.replace(running, songs=songs)


def remove_place(running: Set, entry: str) -> Set:
    """The set without a place."""
    songs = tuple(s for s in running.songs if s.id != entry)
    return msgspec.structs.replace(running, songs=songs)


def move_place(running: Set, entry: str, by: int) -> Set:
    """A song so many places later, or earlier; held at the ends."""
    at = running.place(entry)
    to = max(0, min(len(running.songs) - 1, at + by))
    songs = list(running.songs)
    songs.insert(to, songs.pop(at))
    return msgspec.structs.replace(running, songs=tuple(songs))


def change_place(running: Set, entry: str, **fields: Any) -> Set:
    """One place with other settings."""
    songs = tuple(
        msgspec.structs.replace(s, **fields) if s.id == entry else s for s in running.songs
    )
    return msgspec.structs.replace(running, songs=songs)


def in_this_order(running: Set, entries: Sequence[str]) -> Set:
    """The set in another order; places that are not named come after those that are."""
    by_id = {s.id: s for s in running.songs}
    named = [by_id[e] for e in entries]
    rest = [s for s in running.songs if s.id not in set(entries)]
    return msgspec.structs.replace(running, songs=(*named, *rest))


def wish_at(running: Set, place: int, share: float) -> Set:
    """The set with the energy wished for at one place; a point for each song."""
    count = len(running.songs)
    wish = [wished(running.wish or (0.5,), n, count) for n in range(count)]
    wish[place] = max(0.0, min(1.0, share))
    return msgspec.structs.replace(running, wish=tuple(wish))


def versions_of(project: Project, song_id: str) -> tuple[Song, ...]:
    """All versions of a song, itself among them, in order of the project."""
    song = project.song(song_id)
    root = song.version_of or song.id
    return tuple(s for s in project.songs if root in (s.id, s.version_of))


def other_version(project: Project, set_id: str, entry: str) -> Project:
    """The set with the next version of the song at a place. EditError where there is but one."""
    running = next(s for s in project.sets if s.id == set_id)
    here = next(s for s in running.songs if s.id == entry)
    ids = [s.id for s in versions_of(project, here.song)]
    if len(ids) < 2:
        name = project.song(here.song).name
        raise EditError(
            tr("{name} has only one version: make one with everything in first", name=name)
        )
    song = ids[(ids.index(here.song) + 1) % len(ids)]
    return with_set(project, set_id, lambda s: change_place(s, entry, song=song))


def all_in(project: Project, song_id: str) -> tuple[Project, str]:
    """The project with another version of a song: everything already in, nothing built up.

    It begins with the first section that has nine tenths of the fullest one's energy. What was
    before that is left out where its scene comes again, else it follows; nothing is muted any
    more, neither over the song nor in its scenes, of which there are then unmuted ones.
    """
    song = project.song(song_id)
    layout = project.layout(song)
    if not layout.spans:
        raise EditError(tr("{song} has nothing to play", song=song.name))
    bars = song_bars(project, layout)
    means = [_mean([b.energy for b in bars if b.span == n]) for n in range(len(layout.spans))]
    first = next(n for n, mean in enumerate(means) if mean >= 0.9 * max(means))
    begin = [s.id for s in song.sections].index(layout.spans[first].section.id)
    later = {s.scene for s in song.sections[begin:]}
    once = {s.scene: s for s in reversed(song.sections[:begin]) if s.scene not in later}
    kept = tuple(s for s in song.sections[:begin] if once.get(s.scene) is s)
    ordered = (song.sections[begin], *kept, *song.sections[begin + 1 :])
    project, unmuted = _unmuted_scenes(project, {s.scene for s in ordered})
    sections = tuple(
        msgspec.structs.replace(s, mutes=(), scene=unmuted.get(s.scene, s.scene)) for s in ordered
    )
    bpm = layout.tempo.bpm_at(layout.spans[first].tick + 1)
    root = song.version_of or song.id
    made = msgspec.structs.replace(
        song, id=_free_song(project, song.id), bpm=bpm, sections=_without_ramp(sections),
        version_of=root, version=ALL_IN, name=_named(project, root, ALL_IN), box_songs=(),
    )  # fmt: skip
    at = [s.id for s in project.songs].index(song_id) + 1
    songs = (*project.songs[:at], made, *project.songs[at:])
    return msgspec.structs.replace(project, songs=songs), made.id


def _unmuted_scenes(project: Project, scenes: set[str]) -> tuple[Project, dict[str, str]]:
    """The project with an unmuted copy of each of these scenes that has mutes, by its id."""
    made: dict[str, str] = {}
    for scene in project.scenes:
        if scene.id in scenes and heard(scene) != scene:
            name = free_scene_name(project, tr("{scene}, all in", scene=scene.name))
            project, new = copy_scene(project, scene.id, name)
            project = with_scene(project, new, heard)
            made[scene.id] = new
    return project, made


def _mean(values: Sequence[float]) -> float:
    return sum(values) / len(values) if values else 0.0


def _without_ramp(sections: tuple[Section, ...]) -> tuple[Section, ...]:
    """A song begins at its tempo: there is nothing to come from."""
    first = msgspec.structs.replace(sections[0], bpm=None, ramp_bars=0)
    return (first, *sections[1:])


def _named(project: Project, root: str, version: str) -> str:
    return f"{project.song(root).name}, {version}"[:80]


def _free_song(project: Project, song_id: str) -> str:
    taken = {s.id for s in project.songs}
    base = song_id[:58]
    return next(f"{base}-v{n}" for n in range(2, len(taken) + 3) if f"{base}-v{n}" not in taken)
