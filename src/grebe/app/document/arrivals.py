"""MIDI files brought into a project: a row a track, where each goes, and what is lost of it. The
window's page and ``grebe import`` share it."""

from __future__ import annotations

from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass
from pathlib import Path

from grebe.app.document.pattern_files import loop_files
from grebe.core.arriving import (
    FileTrack,
    MidiFileTracks,
    TakenHow,
    as_pattern,
    end_of,
    place_of,
    with_box,
)
from grebe.core.arriving_songs import as_song
from grebe.core.document import Project
from grebe.core.rig.spec import Kind
from grebe.core.time.ticks import TICKS_PER_QUARTER
from grebe.errors import GrebeError
from grebe.formats.midi_loops import read_arrival
from grebe.words import counted, tr

ON_SIXTEENTH = 0.01
"""Of a sixteenth: a place so near to one lies on it."""


@dataclass
class BroughtTrack:
    """One track, and where it goes."""

    arrival: MidiFileTracks
    track: FileTrack
    kind: Kind
    box: str
    """Id of a box; "" for a new one."""
    bars: int
    key: str
    proposed: int
    """Bars after which it comes round, or all it has."""
    wanted: bool = True
    first_bar: int = 1
    """Of those that become a pattern."""
    grid: str = ""
    """What it is put on: one of GRIDS; "" for the one it was played on."""
    strictly: int = 0
    """In per cent: 0 leaves every note where it was."""

    @property
    def how(self) -> TakenHow:
        """How it is taken."""
        return TakenHow(self.grid, self.strictly / 100)

    @property
    def in_it(self) -> str:
        """What there is of it, in words."""
        words = [counted(len(self.track.notes), "note")]
        if self.track.channel:
            words.append(tr("ch {channel}", channel=self.track.channel))
        kinds = len({turn.controller for turn in self.track.turns})
        if kinds:
            words.append(counted(kinds, "controller"))
        return ", ".join(words)

    @property
    def all_bars(self) -> int:
        """Of the file, up to its last note."""
        beats = self.arrival.meter.bar_ticks / TICKS_PER_QUARTER
        return max(1, round(end_of(self.track.notes, beats) / beats))


def read_rows(
    project: Project, paths: Iterable[str | Path]
) -> tuple[list[BroughtTrack], list[str]]:
    """Tracks of files, and of those of folders, with box, bars and key proposed; and why files were
    refused."""
    rows: list[BroughtTrack] = []
    refused: list[str] = []
    for path in loop_files(paths):
        try:
            rows += rows_of(project, path)
        except GrebeError as error:
            refused.append(str(error))
    return rows, refused


def rows_of(project: Project, path: Path) -> list[BroughtTrack]:
    """The same of one file. GrebeError says why it is refused."""
    arrival = read_arrival(path)
    rows: list[BroughtTrack] = []
    taken: list[str] = []
    for track in arrival.tracks:
        if len(arrival.tracks) == 1:
            track = track._replace(name=arrival.name)  # noqa: PLW2901 - a loop: by its file
        place = place_of(project, track, arrival.meter, taken)
        if len(arrival.tracks) > 1 and place.box:
            taken.append(place.box)
        rows.append(BroughtTrack(arrival, track, *place, proposed=place.bars))
    return rows


def one_file(rows: Sequence[BroughtTrack]) -> bool:
    """Whether all of it is one file of several tracks: it can be a song."""
    return len(rows) > 1 and len({id(r.arrival) for r in rows}) == 1


def with_patterns(
    project: Project, rows: Sequence[BroughtTrack], *, together: bool
) -> tuple[Project, list[tuple[str, str]]]:
    """The project with a pattern a row; by row its box and pattern. `together`: the tracks sound
    together, so each new one gets a box of its own. EditError where that cannot be."""
    before = {d.id for d in project.rig.devices}
    made: list[tuple[str, str]] = []
    for row in rows:
        project, box = _box(project, row, before, together=together)
        meter = row.arrival.meter
        project, pattern = as_pattern(
            project, row.track, box, row.bars, meter, row.key, first=row.first_bar, how=row.how
        )
        made.append((box, pattern))
    return project, made


def with_song(project: Project, rows: Sequence[BroughtTrack]) -> tuple[Project, str, list[str]]:
    """The project with a song of one file's tracks; its id, and by row the box. EditError where
    that cannot be."""
    before = {d.id for d in project.rig.devices}
    boxes: list[str] = []
    for row in rows:
        project, box = _box(project, row, before, together=True)
        boxes.append(box)
    whole = rows[0].arrival._replace(tracks=tuple(row.track for row in rows))
    keys, how = [row.key for row in rows], [row.how for row in rows]
    project, song = as_song(project, whole, boxes, keys, how)
    return project, song, boxes


def lost_of(rows: Sequence[BroughtTrack], *, song: bool) -> list[str]:
    """What is not taken over of their files, each file once, in words: patterns have no tempi,
    metres and markers, and of a track only so many bars."""
    arrivals = {id(row.arrival): row.arrival for row in rows}
    lost = [f"{arrival.name}: {words}" for arrival in arrivals.values() for words in arrival.lost]
    for arrival in arrivals.values():
        lost += [f"{arrival.name}: {words}" for words in _over_all_lost(arrival, song=song)]
    if not song:
        lost += [
            tr("{track}: bars {first} to {last} of {all_bars} taken", track=row.track.name,
               first=row.first_bar, last=min(row.all_bars, row.first_bar + row.bars - 1),
               all_bars=row.all_bars)
            for row in rows if row.first_bar > 1 or row.bars < min(row.proposed, row.all_bars)
        ]  # fmt: skip
    return lost


def _over_all_lost(arrival: MidiFileTracks, *, song: bool) -> Iterator[str]:
    if song:
        moved = sum(abs(at * 4 - round(at * 4)) > ON_SIXTEENTH for at, _ in arrival.tempi)
        if moved:
            yield tr("{count} of {what} moved to the nearest sixteenth", count=moved,
                     what=tr("tempo changes"))  # fmt: skip
        return
    for rows, what in (
        (arrival.tempi, tr("tempo changes")), (arrival.meters, tr("metre changes")),
        (arrival.markers, tr("markers")),
    ):  # fmt: skip
        if rows:
            yield tr("{count} of {what} left out", count=len(rows), what=what)


def _box(
    project: Project, row: BroughtTrack, before: set[str], *, together: bool
) -> tuple[Project, str]:
    """The box of a row; a new one is shared by the rows that are for one of its kind, unless they
    sound together."""
    if row.box:
        return project, row.box
    if not together:
        added = [d for d in project.rig.devices if d.id not in before]
        alike = next((d.id for d in added if d.kind == row.kind), None)
        if alike is not None:
            return project, alike
    return with_box(project, row.track, row.kind)
