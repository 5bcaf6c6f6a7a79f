"""Audio loops: taken in from WAV files, fitted, and handed to whoever sounds them."""

from __future__ import annotations

import os
from functools import lru_cache
from pathlib import Path
from typing import Literal, NamedTuple

import numpy as np
from numpy.typing import NDArray

from grebe.app.document.loop_files import loop_path
from grebe.core.audio.fitting import (
    Repitch,
    measure_loop,
    mono,
    repitch,
    resampled,
    slice_waves,
    sliced,
)
from grebe.core.audio.kit import RATE
from grebe.core.audio.mix import Sample
from grebe.core.document import Project
from grebe.core.patterns.loops import Loop, cut
from grebe.core.rig.model import Device
from grebe.errors import EditError, ProjectError, RecordingError
from grebe.formats.events import read_audio
from grebe.formats.naming import file_name
from grebe.formats.wav import write_wav
from grebe.words import tr

MAX_LOOP_S = 120.0
"""Longer recordings are no loops: sixteen bars at 60 BPM last 64 s."""
FIRST_NOTE = 60

Fit = Literal["resample", "slices"]


def audio_of(loop: Loop, folder: Path) -> NDArray[np.float32]:
    """A loop's audio, mono at its own rate. RecordingError when its file is not as it was."""
    path = loop_path(loop, folder)
    try:
        stamp = path.stat().st_mtime_ns
    except OSError as error:
        raise RecordingError(
            tr(
                "{path} of the loop {loop} could not be read: {strerror}. The rest plays on.",
                path=path,
                loop=loop.name,
                strerror=error.strerror,
            )
        ) from error
    rate, audio = _read(str(path), stamp)
    if rate != loop.rate or len(audio) != loop.samples:
        raise RecordingError(
            tr(
                "{path} is another recording than the loop {loop} was made from. Import it again.",
                path=path,
                loop=loop.name,
            )
        )
    return audio


@lru_cache(maxsize=32)
def _read(path: str, stamp: int) -> tuple[int, NDArray[np.float32]]:
    del stamp  # another stamp is another file under the same name
    recording = read_audio(Path(path))
    if recording.seconds > MAX_LOOP_S:
        raise RecordingError(
            tr(
                "{path} lasts {seconds:.0f} s; a loop has {max_loop_s:.0f} at most. Cut "
                "out the bars that go round.",
                path=path,
                seconds=recording.seconds,
                max_loop_s=MAX_LOOP_S,
            )
        )
    return recording.rate, mono([recording.channel(n) for n in range(recording.channels)])


def take_loop(path: Path, folder: Path, device: Device, taken: set[str], near_bpm: float) -> Loop:
    """A WAV file as a loop of a device, measured and cut at its onsets.

    RecordingError for what is no WAV, silent or too long; EditError for more
    slices than notes.
    """
    try:
        stamp = path.stat().st_mtime_ns
    except OSError as error:
        raise RecordingError(
            tr("{path} could not be read: {strerror}.", path=path, strerror=error.strerror)
        ) from error
    rate, audio = _read(str(path), stamp)
    if not np.abs(audio).max() > 0:
        raise RecordingError(tr("{path} is silent from end to end. Choose another.", path=path))
    measure = measure_loop(audio, rate, near_bpm)
    inside = path.resolve().is_relative_to(folder.resolve())
    file = os.path.relpath(path.resolve(), folder.resolve()) if inside else str(path.resolve())
    loop = Loop(
        id=next(i for i in (f"loop-{n}" for n in range(1, len(taken) + 2)) if i not in taken),
        name=path.stem[:80] or "Loop",
        device=device.id,
        file=file,
        rate=rate,
        samples=len(audio),
        bars=measure.bars,
    )
    first = FIRST_NOTE if len(measure.onsets) <= 127 - FIRST_NOTE else 127 - len(measure.onsets)
    return cut(loop, measure.onsets, max(0, first))


def fit_loop(
    loop: Loop, project_folder: Path, to_bpm: float, how: Fit, folder: Path
) -> tuple[Path, Repitch | None]:
    """Write a loop at another tempo, and what that cost its pitch (None for slices).

    RecordingError for its own file, ProjectError when it cannot be written,
    EditError for slices of a loop that has none.
    """
    audio = audio_of(loop, project_folder)
    if how == "slices" and not loop.slices:
        raise EditError(tr("{loop} has no slices yet", loop=loop.name))
    samples = round(loop.bars * loop.beats_a_bar * 60 / to_bpm * loop.rate)
    if how == "resample":
        made, cost = resampled(audio, loop.bpm, to_bpm, samples), repitch(loop.bpm, to_bpm)
    else:
        made, cost = sliced(audio, loop, to_bpm, loop.rate), None
    path = folder / tr(
        "{file_name}, {bars} bars at {to_bpm:g}.wav",
        file_name=file_name(loop.name),
        bars=loop.bars,
        to_bpm=to_bpm,
    )
    try:
        write_wav(path, made, loop.rate, bits=16)
    except OSError as error:
        raise ProjectError(
            tr(
                "{folder} could not be written: {strerror}. Choose another folder.",
                folder=folder,
                strerror=error.strerror,
            )
        ) from error
    return path, cost


class LoopSounds(NamedTuple):
    """What loops give their boxes to play."""

    samples: dict[str, dict[int, Sample]]
    """By device and note."""
    problems: tuple[str, ...]
    """Files that are not there, or are not as they were: their slices are silent."""


def samples_of(project: Project, folder: Path) -> LoopSounds:
    """The slices of all loops; what cannot be read is said, and the rest plays."""
    out: dict[str, dict[int, Sample]] = {}
    problems: list[str] = []
    for loop in project.loops:
        if not loop.slices:
            continue
        try:
            waves = slice_waves(audio_of(loop, folder), loop, RATE)
        except RecordingError as error:
            problems.append(str(error))
            waves = {s.note: np.zeros(1, dtype=np.float32) for s in loop.slices}
        slot = loop.id if loop.shared else ""
        gates = {s.note: s.gate for s in loop.slices}
        out.setdefault(loop.device, {}).update(
            {note: Sample(wave, gates[note], slot) for note, wave in waves.items()}
        )
    return LoopSounds(out, tuple(problems))
