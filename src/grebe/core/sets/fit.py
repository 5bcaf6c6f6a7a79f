"""Whether what is left of a set fits the time that is left, and what could be dropped."""

from __future__ import annotations

from collections.abc import Sequence
from typing import NamedTuple

from grebe.core.sets.plan import PlacedSong


class Repeat(NamedTuple):
    """A pass that could be left out."""

    entry: str
    section: str
    scene: str
    """Its name."""
    seconds: float
    """What that saves."""


def repeats(songs: Sequence[PlacedSong], entry: str, tick: int) -> list[Repeat]:
    """Passes still to come that could be left out, from `tick` of the song at a place on."""
    out: list[Repeat] = []
    begun = False
    for song in songs:
        if song.facts is None or song.tempo is None:
            continue
        here = song.entry.id == entry
        begun = begun or here
        for span in song.facts.layout.spans if begun else ():
            last_pass = span.end - span.pass_ticks
            if span.section.times < 2 or (here and last_pass < tick):
                continue
            seconds = song.tempo.seconds_at(span.end) - song.tempo.seconds_at(last_pass)
            out.append(Repeat(song.entry.id, span.section.id, span.scene.name, seconds))
    return out


def to_drop(found: Sequence[Repeat], over_s: float) -> tuple[Repeat, ...]:
    """The fewest passes that save so many seconds, of those the ones that save least too much.

    All of them where that is not enough.
    """
    ranked = sorted(found, key=lambda r: r.seconds)
    for repeat in ranked:
        if repeat.seconds >= over_s:
            return (repeat,)
    out: list[Repeat] = []
    for repeat in reversed(ranked):
        if over_s <= 0:
            break
        out.append(repeat)
        over_s -= repeat.seconds
    return tuple(out)


def left_s(songs: Sequence[PlacedSong], entry: str, tick: float) -> float:
    """Seconds from `tick` of the song at a place to the end of the set."""
    end = max((s.end_s for s in songs), default=0.0)
    for song in songs:
        if song.entry.id == entry and song.tempo is not None:
            into = song.tempo.seconds_at(int(tick)) - song.tempo.seconds_at(0)
            return max(0.0, end - song.start_s - into)
    return end
