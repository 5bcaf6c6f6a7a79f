"""Writing songs and sheets to files."""

from __future__ import annotations

from fractions import Fraction
from pathlib import Path

from grebe.app.document.writing import written
from grebe.core.document import Project
from grebe.core.player.plan import make_plan
from grebe.core.rig.spec import PulseShape
from grebe.core.room import as_one, heard, markers
from grebe.core.sets.model import Set
from grebe.core.sets.plan import plan_set
from grebe.core.songs.cues import cue_sheet
from grebe.core.songs.layout import Layout
from grebe.core.songs.model import Song
from grebe.core.songs.unroll import unrolled
from grebe.core.sync.pulses import pulse_ticks, render_pulses, render_run
from grebe.core.units import Value
from grebe.errors import ProjectError, UsageError
from grebe.formats.naming import file_name
from grebe.formats.sets_csv import set_csv
from grebe.formats.smf import conductor_to_midi, midi_bytes, song_to_midi
from grebe.formats.tables import csv_bytes
from grebe.formats.wav import write_wav
from grebe.words import tr


def export_smf(project: Project, song: Song, folder: Path, seed: int = 1) -> Path:
    """Write a song as a Standard MIDI File type 1 into a folder; the file's path.

    ProjectError when the folder cannot be written, EditError when the song
    names a scene that is not there.
    """
    data = midi_bytes(song_to_midi(make_plan(project, unrolled(song), seed=seed)))
    path = folder / f"{file_name(song.name)}.mid"
    return written(path, data)


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


CUE_COLUMNS = ("bar", "beat", "seconds", "kind", "device", "what", "by")


def export_cues(project: Project, song: Song, folder: Path) -> Path:
    """Write the cue list of a song as CSV (RFC 4180), times in seconds from its top; the path.

    ProjectError when the folder cannot be written.
    """
    rows = [
        (cue.bar, cue.beat, f"{cue.seconds:.3f}", cue.kind, cue.device, cue.what, cue.by)
        for cue in cue_sheet(project, song).cues
    ]
    path = folder / tr("{file_name}, cues.csv", file_name=file_name(song.name))
    return written(path, csv_bytes([CUE_COLUMNS, *rows]))


def export_set_cues(project: Project, running: Set, folder: Path) -> Path:
    """Write the cue list of a whole set as CSV, times from its first beat; the path."""
    rows = [
        (song.name, cue.bar, cue.beat, f"{song.seconds_at(cue.tick):.3f}", cue.kind, cue.device,
         cue.what, cue.by)
        for song in heard(project, running) for cue in song.sheet.cues
    ]  # fmt: skip
    path = folder / tr("{file_name}, set cues.csv", file_name=file_name(running.name))
    return written(path, csv_bytes([("song", *CUE_COLUMNS), *rows]))


def export_markers(project: Project, played: Song | Set, folder: Path) -> list[Path]:
    """Write the markers and the tempo map of a song or a set: as MIDI (a conductor track alone) and
    as a table of labels (begin, end, words, parted by tabs, in seconds); the paths.

    ProjectError when the folder cannot be written, EditError where nothing can be laid out.
    """
    song, _ = as_one(project, played)
    file = conductor_to_midi(make_plan(project, unrolled(song)))
    labels = "".join(
        f"{m.seconds:.6f}\t{m.until:.6f}\t{' '.join(m.words.split())}\n"
        for m in markers(project, played)
    )
    stem = tr("{file_name}, markers", file_name=file_name(played.name))
    return [
        written(folder / f"{stem}.mid", midi_bytes(file)),
        written(folder / f"{stem}.txt", labels.encode()),
    ]


def export_set_csv(project: Project, running: Set, path: Path) -> Path:
    """Write a set as CSV under a name; the path. ProjectError when it cannot be written."""
    return written(path, set_csv(project, plan_set(project, running)))
