"""MIDI files brought in: a row a track, each with where it goes, changed until it is taken. Without
Qt."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass
from pathlib import Path

from grebe.app.document.pattern_files import loop_files
from grebe.app.live.session import Session
from grebe.core.arriving import FileTrack, MidiFileTracks, as_pattern, as_song, place_of, with_box
from grebe.core.document import Project
from grebe.core.rig.spec import Kind
from grebe.errors import EditError, GrebeError
from grebe.formats.midi_loops import read_arrival
from grebe.words import counted, tr


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


class Bringing:
    """What was read, and what becomes of it."""

    def __init__(self, session: Session) -> None:
        self.session = session
        self.rows: list[BroughtTrack] = []
        self.refused: list[str] = []

    def read(self, paths: Iterable[str | Path]) -> None:
        """Files, and those of folders: box, bars and key of each are proposed."""
        self.rows, self.refused = [], []
        project = self.session.project
        for path in loop_files(paths):
            try:
                arrival = read_arrival(path)
            except GrebeError as error:
                self.refused.append(str(error))
                continue
            taken: list[str] = []
            for track in arrival.tracks:
                if len(arrival.tracks) == 1:
                    track = track._replace(name=arrival.name)  # noqa: PLW2901 - a loop: by its file
                place = place_of(project, track, arrival.meter, taken)
                if len(arrival.tracks) > 1 and place.box:
                    taken.append(place.box)
                self.rows.append(
                    BroughtTrack(arrival, track, place.kind, place.box, place.bars, place.key)
                )

    @property
    def one_file(self) -> bool:
        """Whether all of it is one file of several tracks: it can be a song."""
        return len(self.rows) > 1 and len({id(r.arrival) for r in self.rows}) == 1

    def as_patterns(self) -> None:
        """What is wanted becomes patterns, a step of undo. EditError where that cannot be."""
        wanted = self._wanted()

        def edit(project: Project) -> Project:
            for row in wanted:
                project, box = self._box(project, row)
                meter = row.arrival.meter
                project, _ = as_pattern(project, row.track, box, row.bars, meter, row.key)
            return project

        self.session.store.apply(
            tr("Bring in {counted}", counted=counted(len(wanted), "pattern")), edit
        )
        self.session.notices.say(
            "info",
            tr("Brought in {counted}.", counted=counted(len(wanted), "pattern")),
            offers="undo",
        )

    def as_song(self) -> None:
        """What is wanted becomes a song, a box a track, a step of undo; it is in hand then.
        EditError where that cannot be."""
        wanted = self._wanted()
        arrival = wanted[0].arrival
        made: list[str] = []

        def edit(project: Project) -> Project:
            boxes, tracks = [], []
            for row in wanted:
                project, box = self._box(project, row)
                boxes.append(box)
                tracks.append(row.track)
            whole = arrival._replace(tracks=tuple(tracks))
            project, song = as_song(project, whole, boxes, [row.key for row in wanted])
            made.append(song)
            return project

        self.session.store.apply(tr("Bring in {arrival}", arrival=arrival.name), edit)
        self.session.choose_song(made[-1])
        self.session.notices.say(
            "info",
            tr(
                "{arrival} is a song of {counted}.",
                arrival=arrival.name,
                counted=counted(len(wanted), "track"),
            ),
            offers="undo",
        )

    def _wanted(self) -> list[BroughtTrack]:
        wanted = [row for row in self.rows if row.wanted]
        if not wanted:
            raise EditError(tr("nothing of it is ticked"))
        return wanted

    def _box(self, project: Project, row: BroughtTrack) -> tuple[Project, str]:
        """The box of a row; a new one is shared by the rows that are for one of its kind, unless
        they are tracks of one file, that sound together."""
        if row.box:
            return project, row.box
        if not self.one_file:
            there = {d.id for d in self.session.project.rig.devices}
            added = [d for d in project.rig.devices if d.id not in there]
            alike = next((d.id for d in added if d.kind == row.kind), None)
            if alike is not None:
                return project, alike
        return with_box(project, row.track, row.kind)
