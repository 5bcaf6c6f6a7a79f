"""MIDI files brought into a project: a row a track, where each goes, and what is lost of it. The
window's page and ``grebe import`` share it."""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from pathlib import Path

from grebe.app.document.pattern_files import loop_files
from grebe.core.arriving import FileTrack, MidiFileTracks, as_pattern, as_song, place_of, with_box
from grebe.core.document import Project
from grebe.core.rig.spec import Kind
from grebe.errors import GrebeError
from grebe.formats.midi_loops import read_arrival


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
    wanted: bool = True


def read_rows(
    project: Project, paths: Iterable[str | Path]
) -> tuple[list[BroughtTrack], list[str]]:
    """Tracks of files, and of those of folders, with box, bars and key proposed; and why files were
    refused."""
    rows: list[BroughtTrack] = []
    refused: list[str] = []
    for path in loop_files(paths):
        try:
            arrival = read_arrival(path)
        except GrebeError as error:
            refused.append(str(error))
            continue
        taken: list[str] = []
        for track in arrival.tracks:
            if len(arrival.tracks) == 1:
                track = track._replace(name=arrival.name)  # noqa: PLW2901 - a loop: by its file
            place = place_of(project, track, arrival.meter, taken)
            if len(arrival.tracks) > 1 and place.box:
                taken.append(place.box)
            rows.append(BroughtTrack(arrival, track, place.kind, place.box, place.bars, place.key))
    return rows, refused


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
        project, pattern = as_pattern(project, row.track, box, row.bars, meter, row.key)
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
    project, song = as_song(project, whole, boxes, [row.key for row in rows])
    return project, song, boxes


def lost_of(rows: Sequence[BroughtTrack]) -> list[str]:
    """What cannot be taken over of their files, each file once, in words."""
    arrivals = {id(row.arrival): row.arrival for row in rows}
    return [f"{arrival.name}: {words}" for arrival in arrivals.values() for words in arrival.lost]


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
