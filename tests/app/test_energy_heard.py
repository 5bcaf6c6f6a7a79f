"""The energy curve of a song against a loudness measure that is not ours: ITU-R BS.1770.

The two filters are the tables of BS.1770-5, Annex 1, for 48 kHz, written from memory; that they
are the standard's is held by the reading it states: a sine of 997 Hz at full scale in one channel
reads -3.01 LKFS.
"""

from __future__ import annotations

from pathlib import Path

import numpy as np
import pytest
import scipy
import soundfile
from numpy.typing import NDArray

from grebe.app.document.demo import fresh_demo
from grebe.app.document.export_audio import export_audio
from grebe.core.audio.kit import RATE
from grebe.core.songs.energy import song_bars
from grebe.formats.project import read_project

SHELF = ((1.53512485958697, -2.69169618940638, 1.19839281085285),
         (1.0, -1.69065929318241, 0.73248077421585))  # fmt: skip
HIGH_PASS = ((1.0, -2.0, 1.0), (1.0, -1.99004745483398, 0.99007225036621))
Audio = NDArray[np.float64]


def weighted(audio: Audio) -> Audio:
    """Through both filters; shape (samples, channels)."""
    for b, a in (SHELF, HIGH_PASS):
        audio = scipy.signal.lfilter(b, a, audio, axis=0)
    return audio


def lkfs(heard: Audio) -> float:
    """Loudness of a stretch that has been weighted, without gating."""
    return -0.691 + 10 * float(np.log10(np.mean(heard**2, axis=0).sum() + 1e-12))


def test_the_measure_is_the_standards() -> None:
    """BS.1770: 997 Hz at 0 dB FS in one channel reads -3.01."""
    seconds = np.arange(RATE * 2) / RATE
    sine = np.stack((np.sin(2 * np.pi * 997 * seconds), 0 * seconds), axis=1)
    assert lkfs(weighted(sine)[RATE // 2 :]) == pytest.approx(-3.01, abs=0.02)


def test_bars_with_more_energy_are_heard_louder(own_folders: Path, tmp_path: Path) -> None:
    """Bar by bar over the demo's first song, as the stand-ins sound: the order agrees, and the
    quietest and the loudest section are the same by either."""
    project = read_project(fresh_demo()).project
    song = project.songs[0]
    layout = project.layout(song)
    export_audio(project, song, tmp_path)
    (path,) = tmp_path.glob("*.wav")
    audio, rate = soundfile.read(path)
    assert rate == RATE == 48_000
    heard = weighted(audio)
    bars = song_bars(project, layout)
    ends = [*(bar.tick for bar in bars[1:]), layout.ticks]
    loud: list[float] = []
    for bar, end in zip(bars, ends, strict=True):
        first, last = (round(layout.tempo.seconds_at(t) * rate) for t in (bar.tick, end))
        loud.append(lkfs(heard[first:last]))
    energy = [bar.energy for bar in bars]
    assert scipy.stats.spearmanr(energy, loud).statistic > 0.7
    spans = range(len(layout.spans))
    by_energy = [np.mean([b.energy for b in bars if b.span == n]) for n in spans]
    by_ear = [
        np.mean([level for level, b in zip(loud, bars, strict=True) if b.span == n]) for n in spans
    ]
    assert int(np.argmin(by_energy)) == int(np.argmin(by_ear))
    assert abs(sorted(by_ear)[-1] - by_ear[int(np.argmax(by_energy))]) < 1.5
