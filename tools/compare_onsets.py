"""Hits found by Grebe beside those of a general audio library, on sounds that neither made.

Usage, in an environment with librosa and a folder of recorded sounds (packages carry some):

    PYTHONPATH=src python tools/compare_onsets.py FOLDER

Each sound is placed sixteen times at known moments over a little noise. Of each detector: hits
found, false ones, and how far what was found lies from where the sound was placed (median, and the
spread of it: the spread is what a measurement of timing lives by).
"""

from __future__ import annotations

import sys
from pathlib import Path

import librosa
import numpy as np
import soundfile
from numpy.typing import NDArray

from grebe.core.sync.live_ear import LiveEar

RATE = 48_000
HITS, APART_S, NEAR_S = 16, 0.8, 0.1
HOP = 64
LONGEST_S = 0.7


def placed(sound: NDArray[np.float64]) -> tuple[NDArray[np.float32], NDArray[np.float64]]:
    """A recording of it, and when each begins."""
    rng = np.random.default_rng(1)
    starts = np.round((0.5 + APART_S * np.arange(HITS) + rng.uniform(0, 0.05, HITS)) * RATE)
    audio = rng.normal(0, 1e-4, int(starts[-1]) + len(sound) + RATE)
    for start in starts.astype(int):
        audio[start : start + len(sound)] += sound
    return audio.astype(np.float32), starts / RATE


def told(name: str, found: NDArray[np.float64], truth: NDArray[np.float64]) -> str:
    """A line of the table."""
    late = [min(found - t, key=abs) for t in truth] if len(found) else []
    near = np.array([x for x in late if abs(x) < NEAR_S]) * 1e3
    middle, spread = (np.median(near), near.std()) if len(near) else (np.nan, np.nan)
    false = len(found) - len(near)
    found_of = f"{len(near):3} of {len(truth)}, {false:3} false"
    return f"  {name:8} {found_of}, {middle:+8.2f} ms, sd {spread:.3f}"


def main() -> None:
    """All sounds of a folder."""
    for path in sorted(Path(sys.argv[1]).glob("*.wav")):
        data, rate = soundfile.read(path, always_2d=True)
        sound = librosa.resample(data.mean(axis=1), orig_sr=rate, target_sr=RATE)
        sound = 0.5 * sound[: round(LONGEST_S * RATE)] / max(1e-9, float(np.abs(sound).max()))
        audio, truth = placed(sound)
        ear = LiveEar(RATE)
        blocks = (audio[at : at + 1024] for at in range(0, len(audio), 1024))
        ours = [hit.sample for block in blocks for hit in ear.feed(block)]
        theirs = librosa.onset.onset_detect(
            y=audio, sr=RATE, hop_length=HOP, backtrack=True, units="time"
        )
        rows = (told("Grebe", np.array(ours) / RATE, truth), told("librosa", theirs, truth))
        sys.stdout.write("\n".join((path.stem, *rows, "")))


if __name__ == "__main__":
    main()
