"""Writing songs and sheets to files."""

from __future__ import annotations

import csv
import io
from collections.abc import Callable
from fractions import Fraction
from pathlib import Path
from typing import NamedTuple

from grebe.core.document import Project
from grebe.core.patterns.stepsheet import step_sheet
from grebe.core.player.plan import make_plan
from grebe.core.rig.setup import of_device, setup_sheet
from grebe.core.rig.spec import PulseShape
from grebe.core.sets.model import Set
from grebe.core.sets.plan import PlacedSong, SetSchedule, plan_set
from grebe.core.songs.changes import reached_by
from grebe.core.songs.cues import CueSheet, cue_sheet
from grebe.core.songs.layout import Layout
from grebe.core.songs.model import Song
from grebe.core.songs.programme import programmes, what_changed
from grebe.core.songs.unroll import unrolled
from grebe.core.sync.pulses import pulse_ticks, render_pulses, render_run
from grebe.core.units import Value
from grebe.core.whatif.answers import of_boxes, of_cables
from grebe.errors import ProjectError, UsageError
from grebe.formats.atomic import write_atomic
from grebe.formats.sets_csv import set_csv
from grebe.formats.sheets import (
    programme_html,
    set_html,
    setup_html,
    stage_html,
    steps_html,
    what_if_html,
)
from grebe.formats.smf import file_name, midi_bytes, song_to_midi
from grebe.formats.wav import write_wav
from grebe.words import tr


def export_smf(project: Project, song: Song, folder: Path, seed: int = 1) -> Path:
    """Write a song as a Standard MIDI File type 1 into a folder; the file's path.

    ProjectError when the folder cannot be written, EditError when the song
    names a scene that is not there.
    """
    data = midi_bytes(song_to_midi(make_plan(project, unrolled(song), seed=seed)))
    path = folder / f"{file_name(song.name)}.mid"
    return _written(path, data)


def _written(path: Path, data: bytes) -> Path:
    """Write a file, its folder made where it is missing; the path. ProjectError says why not."""
    try:
        path.parent.mkdir(parents=True, exist_ok=True)
        write_atomic(path, data)
    except OSError as error:
        raise ProjectError(
            tr(
                "{path} could not be written: {strerror}. Choose another folder.",
                path=path,
                strerror=error.strerror,
            )
        ) from error
    return path


class PulseTrack(Value, frozen=True, kw_only=True):
    """A pulse track to be written."""

    rate: str
    """Pulses a quarter note, "24" or "24/5" or "1/4"; or one a "step" or a "bar"."""
    shape: PulseShape = PulseShape()
    samples_a_second: int = 48_000
    run_line: bool = False
    """Whether the run/stop line of DIN sync goes into a second file."""


def pulse_times(layout: Layout, rate: str) -> list[float]:
    """Seconds of a song's pulses from its top. UsageError for a rate that is none."""
    if rate == "bar":
        ticks = [
            span.tick + bar * span.scene.meter.bar_ticks
            for span in layout.spans
            for bar in range(span.bars)
        ]
    else:
        try:
            ticks = pulse_ticks(0, layout.ticks, Fraction("4" if rate == "step" else rate))
        except (ValueError, ZeroDivisionError) as error:
            raise UsageError(
                tr(
                    "a pulse rate is a number a quarter note up to 96, such as 24, 1/4 or "
                    "24/5, or step, or bar (got {rate!r})",
                    rate=rate,
                )
            ) from error
    return [layout.tempo.seconds_at(tick) for tick in ticks]


def export_pulses(project: Project, song: Song, folder: Path, track: PulseTrack) -> list[Path]:
    """Write a song's pulse track, and its run line if wanted, as WAV; the files' paths.

    Sample 0 is the song's downbeat. UsageError for a rate that is none,
    ProjectError when the folder cannot be written.
    """
    layout = project.layout(unrolled(song))
    times = pulse_times(layout, track.rate)
    seconds, samples = layout.seconds(), track.samples_a_second
    words = track.rate.replace("/", " in ")
    stem = file_name(song.name)
    tracks = {f"{stem}, pulse {words}.wav": render_pulses(times, seconds, samples, track.shape)}
    if track.run_line:
        line = render_run(0.0, seconds, seconds, samples, track.shape.level)
        tracks[f"{stem}, run line.wav"] = line
    try:
        for name, audio in tracks.items():
            write_wav(folder / name, audio, samples)
    except OSError as error:
        raise ProjectError(
            tr(
                "{folder} could not be written: {strerror}. Choose another folder.",
                folder=folder,
                strerror=error.strerror,
            )
        ) from error
    return [folder / name for name in tracks]


ToPdf = Callable[[str, Path, str], None]
"""HTML, path, title."""


class SheetPage(NamedTuple):
    """A sheet as it is printed or written."""

    html: str
    title: str


def setup_page(project: Project, device: str = "") -> SheetPage:
    """The set-up sheet, of one device by name or id or ("") of all. UsageError for a device that is
    not there."""
    sheet = setup_sheet(project)
    if device:
        sheet = of_device(sheet, project.device_named(device).id)
    html = setup_html(sheet, ticked=frozenset(project.ticked), project=project.name)
    return SheetPage(html, tr("Set-up sheet: {rig}", rig=sheet.rig))


def export_setup(project: Project, path: Path, *, device: str, to_pdf: ToPdf) -> Path:
    """Write the set-up sheet, of one device by name or id or ("") of all; the file's path.

    UsageError for a device that is not there or a name that is neither .html nor
    .pdf, ProjectError when it cannot be written.
    """
    return _write_sheet(setup_page(project, device), path, to_pdf)


def export_steps(
    project: Project, song: Song | None, path: Path, *, device: str, pattern: str, to_pdf: ToPdf
) -> Path:
    """Write step sheets of a box's patterns, or of one pattern, at a song's tempo; the path.

    Without either, of every box that plays its own. Errors as `export_setup`.
    """
    bpm = song.bpm if song is not None else project.songs[0].bpm if project.songs else 120.0
    boxes = {d.id: d for d in project.rig.lines}
    if pattern:
        chosen = [project.pattern_named(pattern)]
    else:
        wanted = {project.device_named(device).id} if device else {
            d.id for d in boxes.values() if d.plays == "own"
        }  # fmt: skip
        chosen = [p for p in project.patterns if p.device in wanted]
    sheets = [step_sheet(p, boxes[p.device], bpm) for p in chosen if p.device in boxes]
    page = SheetPage(steps_html(sheets), tr("Step sheets: {project}", project=project.name))
    return _write_sheet(page, path, to_pdf)


def programme_page(project: Project, song: Song, device: str = "", **colours: str) -> str:
    """Programming sheets of a song, of one device by id or of all, as HTML."""
    found = [
        p
        for p in programmes(project, song, reached_by(project))
        if not device or p.device.id == device
    ]
    before = {p.device: p.lines for p in project.printed if p.song == song.id}
    changed = {
        p.device.id: what_changed(before[p.device.id], p.lines)
        for p in found
        if p.device.id in before
    }
    return programme_html(found, song.name, changed=changed, **colours)


def export_programme(
    project: Project, song: Song, path: Path, *, device: str, to_pdf: ToPdf
) -> Path:
    """Write the programming sheets of a song, of one device by name or id or ("") of all.

    Errors as `export_setup`, and EditError when the song cannot be laid out.
    """
    chosen = project.device_named(device).id if device else ""
    return _write_sheet(programme_sheet(project, song, chosen), path, to_pdf)


def programme_sheet(project: Project, song: Song, device: str = "") -> SheetPage:
    """Programming sheets of a song, of one device by id or of all."""
    return SheetPage(programme_page(project, song, device), tr("Programme: {song}", song=song.name))


def export_stage(project: Project, song: Song, path: Path, *, to_pdf: ToPdf) -> Path:
    """Write the stage sheet of a song. Errors as `export_programme`."""
    return _write_sheet(stage_sheet(project, song), path, to_pdf)


def stage_sheet(project: Project, song: Song) -> SheetPage:
    """The stage sheet of a song."""
    return SheetPage(stage_page(project, song), tr("Stage sheet: {song}", song=song.name))


def what_if_page(project: Project, first: str = "", **colours: str) -> str:
    """What is lost without each box, as HTML, the one with the id `first` before the others; then
    without each cable."""
    rows = sorted(of_boxes(project), key=lambda row: row.losses.id != first)
    return what_if_html([*rows, *of_cables(project)], **colours)


def stage_page(project: Project, song: Song, **colours: str) -> str:
    """The stage sheet of a song as HTML, with what to do where a box goes."""
    sheet = cue_sheet(project, song)
    return stage_html(sheet, project=project.name, without=of_boxes(project), **colours)


CUE_COLUMNS = ("bar", "beat", "seconds", "kind", "device", "what", "by")


def export_cues(project: Project, song: Song, folder: Path) -> Path:
    """Write the cue list of a song as CSV (RFC 4180), times in seconds from its top; the path.

    ProjectError when the folder cannot be written.
    """
    text = io.StringIO(newline="")
    rows = csv.writer(text)
    rows.writerow(CUE_COLUMNS)
    for cue in cue_sheet(project, song).cues:
        rows.writerow(
            (cue.bar, cue.beat, f"{cue.seconds:.3f}", cue.kind, cue.device, cue.what, cue.by)
        )
    path = folder / tr("{file_name}, cues.csv", file_name=file_name(song.name))
    return _written(path, text.getvalue().encode())


def export_set_cues(project: Project, running: Set, folder: Path) -> Path:
    """Write the cue list of a whole set as CSV, times from its first beat; the path."""
    text = io.StringIO(newline="")
    rows = csv.writer(text)
    rows.writerow(("song", *CUE_COLUMNS))
    for song, sheet in set_cues(project, plan_set(project, running)):
        assert song.tempo is not None
        assert song.facts is not None
        for cue in sheet.cues:
            at = song.start_s + song.tempo.seconds_at(cue.tick) - song.tempo.seconds_at(0)
            rows.writerow((song.facts.song.name, cue.bar, cue.beat, f"{at:.3f}", cue.kind,
                           cue.device, cue.what, cue.by))  # fmt: skip
    path = folder / tr("{file_name}, set cues.csv", file_name=file_name(running.name))
    return _written(path, text.getvalue().encode())


def set_cues(project: Project, plan: SetSchedule) -> list[tuple[PlacedSong, CueSheet]]:
    """The cues of each song of a set that can be played."""
    return [(s, cue_sheet(project, s.facts.song)) for s in plan.songs if s.facts is not None]


def set_page(project: Project, running: Set, **colours: str) -> str:
    """The stage sheet of a set as HTML."""
    plan = plan_set(project, running)
    return set_html(project, plan, set_cues(project, plan), **colours)


def export_set_sheet(project: Project, running: Set, path: Path, *, to_pdf: ToPdf) -> Path:
    """Write the stage sheet of a set. Errors as `export_programme`."""
    return _write_sheet(set_sheet(project, running), path, to_pdf)


def set_sheet(project: Project, running: Set) -> SheetPage:
    """The stage sheet of a set."""
    return SheetPage(set_page(project, running), tr("Stage sheet: {running}", running=running.name))


def export_set_csv(project: Project, running: Set, path: Path) -> Path:
    """Write a set as CSV under a name; the path. ProjectError when it cannot be written."""
    return _written(path, set_csv(plan_set(project, running)).encode())


def _write_sheet(page: SheetPage, path: Path, to_pdf: ToPdf) -> Path:
    if path.suffix.lower() not in (".html", ".pdf"):
        raise UsageError(
            tr("{path}: a sheet is written as .html or .pdf; end the name so", path=path)
        )
    try:
        path.parent.mkdir(parents=True, exist_ok=True)
        if path.suffix.lower() == ".pdf":
            to_pdf(page.html, path, page.title)
        else:
            write_atomic(path, page.html.encode())
    except OSError as error:
        raise ProjectError(
            tr(
                "{path} could not be written: {strerror}. Choose another folder.",
                path=path,
                strerror=error.strerror,
            )
        ) from error
    return path
