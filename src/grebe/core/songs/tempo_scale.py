"""A song slower, or faster, all of it alike: for practising."""

from __future__ import annotations

import msgspec

from grebe.core.songs.model import Section, Song
from grebe.core.units import MAX_BPM, MIN_BPM


def scaled(song: Song, share: float) -> Song:
    """The song with every tempo times `share`, held inside what a tempo can be."""
    if share == 1.0:
        return song

    def at(bpm: float) -> float:
        return min(MAX_BPM, max(MIN_BPM, bpm * share))

    def section(one: Section) -> Section:
        tempi = tuple(msgspec.structs.replace(t, bpm=at(t.bpm)) for t in one.tempi)
        bpm = None if one.bpm is None else at(one.bpm)
        return msgspec.structs.replace(one, bpm=bpm, tempi=tempi)

    sections = tuple(section(s) for s in song.sections)
    return msgspec.structs.replace(song, bpm=at(song.bpm), sections=sections)
