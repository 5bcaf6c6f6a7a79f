"""Whole songs: another like one, one away with everything that plays it."""

from __future__ import annotations

import msgspec

from grebe.core.document import Project
from grebe.core.naming import free_name, free_number


def copy_song(project: Project, song_id: str) -> tuple[Project, str]:
    """The project with a copy of a song after it, under a name and an id that nothing has; and its
    id."""
    song = next(s for s in project.songs if s.id == song_id)
    ids, names = {s.id for s in project.songs}, {s.name for s in project.songs}
    new_id = free_number(song.id[:60], ids, 2)
    name = free_name(song.name[:76], {*names, song.name[:76]})
    made = msgspec.structs.replace(song, id=new_id, name=name)
    at = [s.id for s in project.songs].index(song_id) + 1
    songs = (*project.songs[:at], made, *project.songs[at:])
    return msgspec.structs.replace(project, songs=songs), new_id


def used_in(project: Project, song_id: str) -> tuple[str, ...]:
    """Names of the sets that play a song."""
    return tuple(s.name for s in project.sets if any(e.song == song_id for e in s.songs))


def remove_song(project: Project, song_id: str) -> Project:
    """The project without a song: sets lose the places that play it, its versions stand alone."""
    songs = tuple(
        msgspec.structs.replace(s, version_of="") if s.version_of == song_id else s
        for s in project.songs
        if s.id != song_id
    )
    sets = tuple(
        msgspec.structs.replace(s, songs=tuple(e for e in s.songs if e.song != song_id))
        if any(e.song == song_id for e in s.songs)
        else s
        for s in project.sets
    )
    return msgspec.structs.replace(project, songs=songs, sets=sets)
