"""Writing songs, scenes, patterns and single voices as the stand-ins sound them."""

from __future__ import annotations

from collections.abc import Mapping
from math import inf, lcm
from pathlib import Path
from typing import NamedTuple

import msgspec
import numpy as np

from grebe.core.audio.kit import RATE, VOICED
from grebe.core.audio.level import Levels, levels_of
from grebe.core.audio.mix import TAIL_S, Sample, Stereo, render_device, struck_notes
from grebe.core.document import Project
from grebe.core.patterns.model import Pattern
from grebe.core.patterns.sound import realignment
from grebe.core.player.plan import make_plan
from grebe.core.player.whole import song_events
from grebe.core.songs.model import Part, Scene, Section, Song
from grebe.core.songs.unroll import unrolled
from grebe.core.time.meter import Meter
from grebe.core.time.ticks import TICKS_PER_QUARTER
from grebe.core.units import Bpm, Id, Value
from grebe.errors import ProjectError, UsageError
from grebe.formats.audio_out import Container, write_audio
from grebe.formats.naming import file_name
from grebe.words import counted, tr

NOTHING_DB = 0.05
SHORTEST_S = 0.4
Samples = Mapping[str, Mapping[int, Sample]]
"""By device and note."""


class SongAudio(NamedTuple):
    """A song as audio files."""

    files: list[Path]
    levels: Levels
    lufs: float
    """Integrated loudness of the mix as written, in LUFS; minus infinity for silence."""

    def words(self) -> str:
        """How loud it is, and what was done for it."""
        text = tr(
            "Peak {peak:.1f} dBFS, {lufs:.1f} LUFS.", peak=self.levels.peak_db, lufs=self.lufs
        )
        if abs(self.levels.gain_db) > NOTHING_DB:
            text += " " + tr("All of it alike is {gain:+.1f} dB.", gain=self.levels.gain_db)
        return text


def export_audio(
    project: Project,
    song: Song,
    folder: Path,
    *,
    mix: bool = True,
    stems: bool = False,
    container: Container = "wav",
    lufs: float | None = None,
    seed: int = 1,
    samples: Samples | None = None,
) -> SongAudio:
    """Write a song as the stand-ins sound it, in stereo of 24 bits.

    The mix, or a file for each box that sounds, or both; all of the same length, so that they line
    up, and at one gain, so that the stems add up to the mix: that at which nothing clips, or at
    which the mix has a loudness of `lufs` (EBU R 128) where that does not clip. `samples` as
    `loops.samples_of` gives them. ProjectError when the folder cannot be written.
    """
    played = samples or {}
    plan = make_plan(project, unrolled(song), seed=seed)
    layout = plan.layout()
    seconds = layout.seconds()
    notes = struck_notes(song_events(plan), layout.tempo)
    name = file_name(song.name)
    parts: dict[str, Stereo] = {}
    together = np.zeros((round((seconds + TAIL_S) * RATE), 2), dtype=np.float32)
    for device in plan.lines:
        if device.id in notes and device.kind in VOICED:
            audio = render_device(device, notes[device.id], seconds, samples=played.get(device.id))
            together += audio
            if stems:
                parts[f"{name}, {file_name(device.name)}.{container}"] = audio
    before = loudness(together)
    wanted = 1.0 if lufs is None or before == -inf else 10 ** ((lufs - before) / 20)
    levels = levels_of([together, *parts.values()], wanted)
    files = {f"{name}.{container}": together} if mix else {}
    comment = tr("{bpm:g} BPM, {bars}", bpm=song.bpm, bars=counted(layout.bars, "bar"))
    paths = _write_all(folder, {**files, **parts}, gain=levels.gain, comment=comment)
    return SongAudio(paths, levels, before + levels.gain_db)


def loudness(audio: Stereo) -> float:
    """Integrated loudness in LUFS (ITU-R BS.1770-4, as EBU R 128 has it); minus infinity for what
    is silent or shorter than a block of 0.4 s."""
    import pyloudnorm  # noqa: PLC0415 - it loads SciPy's filters

    if len(audio) < SHORTEST_S * RATE or not np.abs(audio).max():
        return -inf
    return float(pyloudnorm.Meter(RATE).integrated_loudness(audio))


class LoopWanted(Value, frozen=True, kw_only=True):
    """What is to be written as a loop: a pattern, one voice of it, or a scene."""

    pattern: Id | None = None
    voice: Id | None = None
    scene: Id | None = None
    bpm: Bpm = 120.0


def export_loop(
    project: Project,
    wanted: LoopWanted,
    folder: Path,
    seed: int = 1,
    samples: Samples | None = None,
) -> list[Path]:
    """Write a loop cut to whole bars, to the sample; what rings on comes in again at its start. Its
    tempo and bars stand in its metadata.

    UsageError for what is not there, ProjectError when it cannot be written.
    """
    name, scene, patterns = _loop_scene(project, wanted)
    song = Song(id="loop", name=name, bpm=wanted.bpm,
                sections=(Section(id="s1", scene=scene.id, times=2),))  # fmt: skip
    alone = msgspec.structs.replace(project, scenes=(scene,), songs=(song,), patterns=patterns)
    plan = make_plan(alone, song, seed=seed)
    layout = plan.layout()
    once = layout.seconds() / 2
    notes = struck_notes(song_events(plan), layout.tempo)
    count = round(once * RATE)
    out = np.zeros((count, 2), dtype=np.float32)
    for device in plan.lines:
        if device.id in notes:
            # The second time round has the tail of the first in it.
            audio = render_device(
                device, notes[device.id], 2 * once, samples=(samples or {}).get(device.id)
            )
            out += audio[count : 2 * count]
    words = tr(
        "{file_name}, {bars} bars at {bpm:g}.wav",
        file_name=file_name(name),
        bars=scene.bars,
        bpm=wanted.bpm,
    )
    comment = tr("{bpm:g} BPM, {bars}", bpm=wanted.bpm, bars=counted(scene.bars, "bar"))
    return _write_all(folder, {words: out}, gain=levels_of([out]).gain, comment=comment)


MOST_LOOP_BARS = 16
"""A pattern whose voices meet the bar line together later than that is cut after its own bars."""


def _loop_scene(project: Project, wanted: LoopWanted) -> tuple[str, Scene, tuple[Pattern, ...]]:
    """The scene that plays what is wanted, its name, and the patterns it needs."""
    if wanted.scene is not None:
        scene = next((s for s in project.scenes if s.id == wanted.scene), None)
        if scene is None:
            raise UsageError(tr("there is no scene {scene!r}", scene=wanted.scene))
        return scene.name, scene, project.patterns
    pattern = project.patterns_by_id.get(wanted.pattern or "")
    if pattern is None:
        raise UsageError(tr("there is no pattern {pattern!r}", pattern=wanted.pattern))
    pattern = msgspec.structs.replace(pattern, in_box=None)
    content, name = pattern.content, pattern.name
    if wanted.voice is not None:
        voices = tuple(v for v in content.voices if v.id == wanted.voice)
        if not voices:
            raise UsageError(
                tr("{pattern} has no voice {voice!r}", pattern=pattern.name, voice=wanted.voice)
            )
        name = f"{pattern.name} {voices[0].name}"
        pattern = msgspec.structs.replace(
            pattern, content=msgspec.structs.replace(content, voices=voices)
        )
    bar = Meter().bar_ticks
    together = int(realignment(content).with_pattern * TICKS_PER_QUARTER)
    bars = lcm(together, bar) // bar
    if bars > MOST_LOOP_BARS:
        bars = -(-content.ticks // bar)
    part = Part(device=pattern.device, chain=(pattern.id,))
    return name, Scene(id="loop", name=name, bars=bars, parts=(part,)), (pattern,)


def _write_all(folder: Path, files: dict[str, Stereo], *, gain: float, comment: str) -> list[Path]:
    try:
        for name, audio in files.items():
            title = Path(name).stem
            write_audio(folder / name, audio * gain, RATE, title=title, comment=comment)
    except OSError as error:
        raise ProjectError(
            tr(
                "{folder} could not be written: {strerror}. Choose another folder.",
                folder=folder,
                strerror=error.strerror,
            )
        ) from error
    return [folder / name for name in files]
