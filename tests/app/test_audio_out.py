"""Songs and loops as audio files, read back by their library: levels, sums, lengths, metadata."""

from __future__ import annotations

from math import inf
from pathlib import Path

import msgspec
import numpy as np
import pytest
import soundfile

from grebe.app.document.export_audio import (
    LoopWanted,
    export_audio,
    export_loop,
    loudness,
)
from grebe.core.audio.level import levels_of
from grebe.core.audio.mix import CEILING
from grebe.core.document import Project, with_rig
from grebe.core.rig.spec import Kind
from tests import build


@pytest.fixture(scope="module")
def project() -> Project:
    """Drums and a bass, loud enough together to clip."""
    made = build.two_boxes()
    kinds: tuple[Kind, ...] = ("drums", "bass")
    devices = tuple(
        msgspec.structs.replace(d, kind=k) for d, k in zip(made.rig.devices, kinds, strict=True)
    )
    return with_rig(made, msgspec.structs.replace(made.rig, devices=devices))


@pytest.mark.parametrize("container", ["wav", "flac"])
def test_stems_add_up_to_the_mix(project: Project, tmp_path: Path, container: str) -> None:
    """Within -80 dB of full scale; all as long, at one gain, and none clips; what is in the file
    says what it is."""
    made = export_audio(
        project, project.songs[0], tmp_path, stems=True, container=container,  # type: ignore[arg-type]
    )  # fmt: skip
    import pyloudnorm  # it loads SciPy

    mix, *stems = made.files
    assert len(stems) >= 2
    whole, rate = soundfile.read(mix)
    added = sum(soundfile.read(stem)[0] for stem in stems)
    assert 20 * np.log10(np.abs(whole - added).max() + 1e-12) < -80
    assert np.abs(whole).max() <= CEILING + 1e-6
    peak = max(float(np.abs(soundfile.read(path)[0]).max()) for path in made.files)
    assert made.levels.peak_db == pytest.approx(20 * np.log10(peak), abs=0.01)
    assert made.lufs == pytest.approx(pyloudnorm.Meter(rate).integrated_loudness(whole), abs=0.02)
    about = soundfile.SoundFile(mix)
    assert (about.format, about.subtype) == (container.upper(), "PCM_24")
    assert f"{project.songs[0].bpm:g} BPM" in about.comment
    assert "LUFS" in made.words()


def test_a_mix_of_a_wanted_loudness(project: Project, tmp_path: Path) -> None:
    """To a tenth of a decibel where it does not clip; where it would, as loud as it can be."""
    song = project.songs[0]
    quiet = export_audio(project, song, tmp_path, lufs=-30.0)
    assert quiet.lufs == pytest.approx(-30.0, abs=0.1)
    loud = export_audio(project, song, tmp_path, lufs=-3.0)
    assert loud.lufs < -3.5
    assert loud.levels.peak_db == pytest.approx(20 * np.log10(CEILING), abs=0.01)
    assert "dB." in loud.words()


def test_a_loop_is_cut_to_the_sample_and_says_its_tempo(project: Project, tmp_path: Path) -> None:
    pattern = project.patterns[0]
    (path,) = export_loop(project, LoopWanted(pattern=pattern.id, bpm=126.0), tmp_path)
    about = soundfile.SoundFile(path)
    bars = int(about.comment.split(", ")[1].split()[0])
    assert about.comment.startswith("126 BPM")
    assert about.frames == round(bars * 4 * 60 / 126 * about.samplerate)


def test_silence_has_no_level() -> None:
    nothing = np.zeros((48_000, 2), dtype=np.float32)
    assert levels_of([nothing]).gain == 1.0
    assert levels_of([nothing]).peak_db == -inf
    assert loudness(nothing) == -inf
    assert loudness(nothing[:10]) == -inf
