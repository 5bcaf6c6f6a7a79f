"""A song of a MIDI file's tracks: cut into stretches of bars, what comes again told once."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from typing import NamedTuple

import msgspec

from grebe.core.arriving import (
    NO_BPM,
    FileTrack,
    MidiFileTracks,
    TakenHow,
    box_of_id,
    content_of,
    end_of,
    grid_of,
)
from grebe.core.document import Project, add_pattern
from grebe.core.naming import free_name
from grebe.core.patterns.model import Content
from grebe.core.songs.forms import add_song, free_song_id
from grebe.core.songs.model import Marker, Part, Section, Song, TempoMark
from grebe.core.songs.scenes import add_scene
from grebe.core.time.meter import Meter
from grebe.core.time.ticks import SIXTEENTH_TICKS, TICKS_PER_QUARTER, note_value_ticks
from grebe.core.units import MAX_BPM, MAX_STEPS, MAX_TIMES, MIN_BPM
from grebe.errors import EditError
from grebe.words import tr

BLOCKS = (4, 2, 1)
"""Bars that a song's scenes are cut into: the longest that a pattern can hold."""
MOST_SECTIONS = 256
MOST_TEMPI, MOST_MARKERS = 256, 128
"""Of one section."""
SIXTEENTHS = TICKS_PER_QUARTER // SIXTEENTH_TICKS


class TrackForBox(NamedTuple):
    """What a box plays of a file, and how it is taken."""

    track: FileTrack
    box: str
    how: TakenHow
    grid: tuple[str, float]
    """Rate and swing, the same in every stretch."""


class Stretch(NamedTuple):
    """Bars that become one pass of a scene."""

    begin: float
    """In quarter notes."""
    bars: int
    meter: Meter

    @property
    def beats(self) -> float:
        """Its length in quarter notes."""
        return self.bars * self.meter.bar_ticks / TICKS_PER_QUARTER


def as_song(
    project: Project, arrival: MidiFileTracks, boxes: Sequence[str], keys: Sequence[str] = (),
    how: Sequence[TakenHow] = (),
) -> tuple[Project, str]:  # fmt: skip
    """The project with a song of a file, a box a track, and the song's id.

    It is cut into stretches of bars, at every change of metre too; what comes again is the same
    scene and the same patterns. Tempi and markers lie over the sections, to the sixteenth.
    `boxes`, `keys` and `how` by track; box "" leaves one out. EditError where nothing is left, or
    it is too long.
    """
    rows = _by_box(arrival, boxes, how)
    if not rows:
        raise EditError(tr("{arrival}: no track with notes has a box", arrival=arrival.name))
    stretches = list(_stretches(arrival, rows))
    if len(stretches) > MOST_SECTIONS * MAX_TIMES:
        raise EditError(tr("{arrival} is too long for a song", arrival=arrival.name))
    key = next((k for k in keys if k), "")
    project, order = _scenes(project, rows, arrival, stretches)
    sections = _sections(arrival, stretches, order)
    if len(sections) > MOST_SECTIONS:
        raise EditError(
            tr(
                "{arrival} would be {count} sections; {most_sections} are the most",
                arrival=arrival.name,
                count=len(sections),
                most_sections=MOST_SECTIONS,
            )
        )
    song = Song(
        id=free_song_id(project), bpm=_held(arrival.bpm or NO_BPM), key=key,
        sections=tuple(sections),
        name=free_name(arrival.name[:76] or "Song", {s.name for s in project.songs}),
    )  # fmt: skip
    return add_song(project, song), song.id


def _held(bpm: float) -> float:
    return round(min(MAX_BPM, max(MIN_BPM, bpm)), 3)


def _by_box(
    arrival: MidiFileTracks, boxes: Sequence[str], how: Sequence[TakenHow]
) -> list[TrackForBox]:
    """What each box plays: tracks that share one are laid over each other."""
    found: dict[str, tuple[FileTrack, TakenHow]] = {}
    for number, (track, box) in enumerate(zip(arrival.tracks, boxes, strict=True)):
        if not box or not track.notes:
            continue
        wanted = how[number] if how else TakenHow()
        if box in found:
            there, wanted = found[box]
            track = there._replace(  # noqa: PLW2901 - one of the two
                notes=tuple(sorted((*there.notes, *track.notes))),
                turns=tuple(sorted((*there.turns, *track.turns))),
            )
        found[box] = (track, wanted)
    return [
        TrackForBox(track, box, wanted, grid_of(track.notes, wanted))
        for box, (track, wanted) in found.items()
    ]


def _stretches(arrival: MidiFileTracks, rows: Sequence[TrackForBox]) -> Iterator[Stretch]:
    """All of it, metre by metre; every stretch as long as each track's pattern can hold it on the
    grid it is on."""
    step = min(note_value_ticks(row.grid[0]) for row in rows)
    begins = [(0.0, arrival.meter), *arrival.meters]
    last_meter = begins[-1]
    over = last_meter[0] + max(
        end_of(
            row.track.within(last_meter[0], float("inf")).notes,
            last_meter[1].bar_ticks / TICKS_PER_QUARTER,
        )
        for row in rows
    )
    for number, (begin, meter) in enumerate(begins):
        until = begins[number + 1][0] if number + 1 < len(begins) else over
        bar = meter.bar_ticks / TICKS_PER_QUARTER
        left = max(1, round((until - begin) / bar))
        most = next((b for b in BLOCKS if b * meter.bar_ticks / step <= MAX_STEPS), 1)
        at = begin
        while left:
            bars = min(most, left)
            yield Stretch(at, bars, meter)
            at, left = at + bars * bar, left - bars


def _scenes(
    project: Project, rows: Sequence[TrackForBox], arrival: MidiFileTracks,
    stretches: Sequence[Stretch],
) -> tuple[Project, list[str]]:  # fmt: skip
    """Scenes for every stretch, and their ids in order; alike stretches share them."""
    made: dict[tuple[str, Content], str] = {}
    scenes: dict[tuple[int, Meter, tuple[tuple[str, str], ...]], str] = {}
    order: list[str] = []
    for stretch in stretches:
        chains: list[tuple[str, str]] = []
        for row in rows:
            taken = row.track.within(stretch.begin, stretch.begin + stretch.beats)
            if not taken.notes:
                continue
            how = row.how._replace(grid=row.grid[0])
            device = box_of_id(project, row.box)
            content = content_of(taken, device, stretch.beats, how=how, swing=row.grid[1])
            if (row.box, content) not in made:
                used = sum(b == row.box for b, _ in made)
                project, made[row.box, content] = add_pattern(
                    project, name=f"{row.track.name[:70]} {used + 1}", device=row.box,
                    content=content,
                )  # fmt: skip
            chains.append((row.box, made[row.box, content]))
        key = (stretch.bars, stretch.meter, tuple(chains))
        if key not in scenes:
            title = f"{arrival.name} {len(scenes) + 1}"[:80]
            project, scenes[key] = add_scene(project, name=title)
            parts = tuple(Part(device=box, chain=(pattern,)) for box, pattern in chains)
            project = msgspec.structs.replace(project, scenes=tuple(
                msgspec.structs.replace(s, bars=stretch.bars, meter=stretch.meter, parts=parts)
                if s.id == scenes[key] else s for s in project.scenes
            ))  # fmt: skip
        order.append(scenes[key])
    return project, order


def _sections(
    arrival: MidiFileTracks, stretches: Sequence[Stretch], order: Sequence[str]
) -> list[Section]:
    """A section for each run of one scene; a stretch with a tempo or a marker of its own begins
    one."""
    sections: list[Section] = []
    for stretch, scene in zip(stretches, order, strict=True):
        made = _laid_over(arrival, stretch, Section(id=f"s{len(sections) + 1}", scene=scene))
        last = sections[-1] if sections else None
        plain = made.bpm is None and not made.markers
        if last is not None and last.scene == scene and plain and not made.tempi and (
            not last.tempi and last.times < MAX_TIMES
        ):  # fmt: skip
            sections[-1] = msgspec.structs.replace(last, times=last.times + 1)
        else:
            sections.append(made)
    return sections


def _laid_over(arrival: MidiFileTracks, stretch: Stretch, section: Section) -> Section:
    """A section with the tempi and markers of its bars, the last of those on one sixteenth."""
    end = stretch.begin + stretch.beats

    def at(place: float) -> int:
        return round((place - stretch.begin) * SIXTEENTHS)

    tempi = {at(p): _held(bpm) for p, bpm in arrival.tempi if stretch.begin <= p < end}
    bpm = tempi.pop(0, None)
    tempi = {place: b for place, b in tempi.items() if place < at(end)}
    marks = tuple(TempoMark(at=place, bpm=b) for place, b in sorted(tempi.items()))
    markers = tuple(
        Marker(name=words[:80], at=min(at(p), at(end) - 1))
        for p, words in arrival.markers if stretch.begin <= p < end
    )  # fmt: skip
    return msgspec.structs.replace(
        section, bpm=bpm, tempi=marks[:MOST_TEMPI], markers=markers[:MOST_MARKERS]
    )
