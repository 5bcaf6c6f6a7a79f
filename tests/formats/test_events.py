"""Recordings read, beside what `soundfile` reads and writes."""

from __future__ import annotations

from pathlib import Path

import numpy as np
import pytest
import soundfile

from grebe.core.sync.hits import click, place
from grebe.core.sync.onsets import find_onsets
from grebe.errors import RecordingError
from grebe.formats.events import read_audio, read_events, read_wav
from grebe.formats.wav import write_wav

RATE = 48_000
TIMES = np.round((0.5 + np.arange(12) * 60 / 126) * RATE) / RATE


@pytest.mark.parametrize("subtype", ["PCM_16", "PCM_24", "PCM_32", "PCM_U8", "FLOAT", "DOUBLE"])
@pytest.mark.parametrize("container", ["WAV", "WAVEX"])
def test_what_soundfile_writes(tmp_path: Path, subtype: str, container: str) -> None:
    """The same samples as `soundfile` itself reads, and onsets at the very clicks."""
    path = tmp_path / "take.wav"
    both = np.stack([place(TIMES, click(RATE), RATE), place(TIMES, -click(RATE), RATE)], axis=1)
    soundfile.write(path, both, RATE, subtype=subtype, format=container)
    recording = read_wav(path)
    assert (recording.rate, recording.channels) == (RATE, 2)
    assert recording.seconds == pytest.approx(len(both) / RATE)
    expected, _ = soundfile.read(path, dtype="float32")
    for number in (0, 1):
        assert np.abs(recording.channel(number) - expected[:, number]).max() < 1e-6
        found = find_onsets(recording.channel(number), recording.rate)
        assert np.abs(found.times_s - TIMES).max() <= 1 / RATE


def test_soundfile_reads_what_grebe_writes(tmp_path: Path) -> None:
    """Mono and stereo, to 32 bits."""
    mono = place(TIMES, click(RATE), RATE)
    for samples in (mono, np.stack([mono, mono[::-1]], axis=1)):
        write_wav(tmp_path / "x.wav", samples, RATE)
        read, rate = soundfile.read(tmp_path / "x.wav", dtype="float32")
        assert rate == RATE
        assert np.abs(read - samples).max() < 1e-6


def test_lists_keep_the_order_of_their_sources(tmp_path: Path) -> None:
    """Times are put in order within each; a heading and empty lines do not count."""
    path = tmp_path / "x.csv"
    path.write_text("source,seconds\nb,2.5\na,1\n\nb,0.5\n")
    found = read_events(path)
    assert list(found) == ["b", "a"]
    assert found["b"].tolist() == [0.5, 2.5]


@pytest.mark.parametrize(
    ("suffix", "container", "within"),
    [("flac", "FLAC", 1e-4), ("aiff", "AIFF", 1e-4), ("ogg", "OGG", 0.2), ("mp3", "MP3", 0.3)],
)
def test_other_audio_is_read_as_its_library_reads_it(
    tmp_path: Path, suffix: str, container: str, within: float
) -> None:
    """The same samples as `soundfile` has; clicks where they were, but for what a codec moves."""
    path = tmp_path / f"take.{suffix}"
    both = np.stack([place(TIMES, click(RATE), RATE)] * 2, axis=1)
    soundfile.write(path, both, RATE, format=container)
    recording = read_audio(path)
    assert (recording.rate, recording.channels) == (RATE, 2)
    theirs, _ = soundfile.read(path, dtype="float32")
    assert np.array_equal(recording.channel(1), theirs[:, 1])
    found = find_onsets(recording.channel(0), RATE)
    assert len(found.times_s) == len(TIMES)
    late = found.times_s - TIMES
    assert np.abs(late - np.median(late)).max() < max(1 / RATE, within / 1e3)


def test_what_is_no_audio_is_refused_in_words(tmp_path: Path) -> None:
    for name in ("x.flac", "x.mp3", "x.ogg"):
        path = tmp_path / name
        path.write_bytes(b"this is no sound" * 40)
        with pytest.raises(RecordingError, match="no audio file that can be read"):
            read_audio(path)
    renamed = tmp_path / "renamed.flac"
    write_wav(renamed, place(TIMES, click(RATE), RATE), RATE)
    assert read_audio(renamed).rate == RATE
