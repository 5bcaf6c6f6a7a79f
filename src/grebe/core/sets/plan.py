"""A set on one time axis: where each song lies, and how one goes over into the next."""

from __future__ import annotations

from typing import NamedTuple

from grebe.core.document import Project
from grebe.core.sets.between import Between, between
from grebe.core.sets.facts import SongFacts, song_facts
from grebe.core.sets.keys import Relation, relation
from grebe.core.sets.model import Set, SetSong
from grebe.core.songs.changes import reached_by
from grebe.core.songs.energy import PatternBars
from grebe.core.songs.layout import Layout
from grebe.core.time.tempo import TempoMap, TempoPoint
from grebe.errors import EditError


class Crossing(NamedTuple):
    """From one song into the next."""

    bpm_from: float
    bpm_to: float
    key: Relation | None
    """None where one of the keys is not known."""
    metres: tuple[str, str] | None
    """The two metres where they differ and no stop lies between them."""
    between: Between


class PlacedSong(NamedTuple):
    """A song at its place."""

    entry: SetSong
    facts: SongFacts | None
    """None: the song is not there, or nothing in it can be played."""
    start_s: float
    """From the set's first beat."""
    seconds: float
    tempo: TempoMap | None
    """Over the song's ticks, as it is played here."""
    crossing: Crossing | None
    """From the song before that can be played; None for the first."""

    @property
    def end_s(self) -> float:
        """When it is over."""
        return self.start_s + self.seconds

    def seconds_at(self, tick: int) -> float:
        """When a tick of it comes, from the set's first beat; only of one that can be played."""
        assert self.tempo is not None
        return self.start_s + self.tempo.seconds_at(tick) - self.tempo.seconds_at(0)


class SetSchedule(NamedTuple):
    """The whole set."""

    running: Set
    songs: tuple[PlacedSong, ...]
    """As many as the set has places."""
    seconds: float

    @property
    def spare_s(self) -> float | None:
        """What is left of the slot, negative where it is too short; None where none was said."""
        return self.running.slot_s - self.seconds if self.running.slot_s else None

    @property
    def playable(self) -> tuple[PlacedSong, ...]:
        """Songs that can be played."""
        return tuple(s for s in self.songs if s.facts is not None)


class SetFactsModel:
    """Facts of songs, kept for as long as what they rest on is the same."""

    def __init__(self, bars: PatternBars | None = None) -> None:
        """`bars` serves others of the same project too."""
        self._shared = bars
        self._kept: dict[str, tuple[object, SongFacts | None]] = {}
        self._basis: tuple[object, ...] = ()
        self._bars: PatternBars | None = None

    def facts(self, project: Project, song_id: str) -> SongFacts | None:
        """Facts of a song by its id; None where it is not there or cannot be played."""
        basis = (project.scenes, project.patterns, project.rig.devices)
        if not self._basis or any(a is not b for a, b in zip(basis, self._basis, strict=True)):
            self._kept.clear()
            self._basis = basis
            self._bars = self._shared or PatternBars(project)
        song = next((s for s in project.songs if s.id == song_id), None)
        kept = self._kept.get(song_id)
        if kept is None or kept[0] is not song:
            found = None
            if song is not None:
                try:
                    found = song_facts(project, song, self._bars)
                except EditError:
                    found = None
            kept = self._kept[song_id] = (song, found)
        return kept[1]


def plan_set(project: Project, running: Set, book: SetFactsModel | None = None) -> SetSchedule:
    """Lay a set out."""
    book = book or SetFactsModel()
    reached = reached_by(project)
    out: list[PlacedSong] = []
    at = 0.0
    before: SongFacts | None = None
    bpm = 0.0
    for entry in running.songs:
        facts = book.facts(project, entry.song)
        if facts is None:
            out.append(PlacedSong(entry, None, at, 0.0, None, None))
            continue
        crossing = None
        tempo = facts.layout.tempo
        if before is not None:
            tempo = played_tempo(facts.layout, entry, bpm)
            gap = entry.gap_s if entry.into == "stop" else 0.0
            done = between(project, before, facts, gap, bpm, reached)
            crossing = Crossing(
                bpm, facts.bpm, relation(before.key, facts.key), _metres(entry, before, facts), done
            )
            at += gap
        seconds = tempo.seconds_at(facts.layout.ticks) - tempo.seconds_at(0)
        out.append(PlacedSong(entry, facts, at, seconds, tempo, crossing))
        at += seconds
        before, bpm = facts, tempo.bpm_at(facts.layout.ticks)
    return SetSchedule(running, tuple(out), at)


def _metres(entry: SetSong, before: SongFacts, after: SongFacts) -> tuple[str, str] | None:
    last, first = before.last.scene.meter, after.first.scene.meter
    return None if entry.into == "stop" or last == first else (str(last), str(first))


def played_tempo(layout: Layout, entry: SetSong, bpm: float) -> TempoMap:
    """The tempo over a song that comes in while `bpm` plays.

    What carries on is taken to be released when its first section is over.
    """
    points, first = layout.tempo.points, layout.spans[0]
    if entry.into == "ramp":
        own = layout.tempo.bpm_at(1)
        ramp = entry.ramp_bars * first.scene.meter.bar_ticks
        rest = tuple(p for p in points if p.tick > 0)
        start = TempoPoint(tick=-1, bpm=bpm)
        return TempoMap((start, TempoPoint(tick=0, bpm=own, ramp_ticks=ramp), *rest))
    if entry.into == "carry":
        own = layout.tempo.bpm_at(first.end)
        ramp = entry.ramp_bars * first.scene.meter.bar_ticks
        rest = tuple(p for p in points if p.tick > first.end)
        release = TempoPoint(tick=first.end, bpm=own, ramp_ticks=ramp)
        return TempoMap((TempoPoint(tick=0, bpm=bpm), release, *rest))
    return layout.tempo
