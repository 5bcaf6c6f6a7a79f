"""The tempo of what was played while nothing ran: the steady grid that its onsets lie on best."""

from __future__ import annotations

from collections.abc import Sequence
from typing import NamedTuple

from grebe.core.numeric import np

LOWEST, HIGHEST = 80.0, 160.0
"""One octave, since onsets alone do not tell a tempo from its half: around 120 BPM, where people
tap with what they hear (from memory: studies of preferred tempo)."""
STEP_BPM = 0.05
TOGETHER_S = 0.03
"""Notes closer than this are one onset: a chord."""
FEWEST = 8
"""So many onsets have to be there, over two bars."""
SURE = 0.7
"""How well onsets have to keep to sixteenths, 0 to 1; evenly scattered ones come to about 0.2."""
WEIGHTS = {1: 1.0, 2: 0.5, 4: 0.25}
"""How much keeping to sixteenths, eighths and quarters counts."""


class JamTempo(NamedTuple):
    """A tempo that was found."""

    bpm: float
    keeps: float
    """How well onsets keep to its sixteenths: 1 is exactly."""


def jam_tempo(starts_s: Sequence[float]) -> JamTempo | None:
    """The tempo of onsets in seconds, in any order, between 80 and 160 BPM; None where there are
    too few, or they keep to none.

    Onsets are turned into angles round each grid: the longer their mean, the better they lie on it
    (circular statistics; a value near 1 is a grid, wherever it begins).
    """
    onsets = _onsets(starts_s)
    if len(onsets) < FEWEST or onsets[-1] - onsets[0] < 2 * 4 * 60 / HIGHEST:
        return None
    tempi = np.arange(LOWEST, HIGHEST, STEP_BPM)
    sixteenths = tempi / 15.0
    scores = sum(
        weight * np.abs(np.exp(2j * np.pi * np.outer(sixteenths / steps, onsets)).mean(axis=1))
        for steps, weight in WEIGHTS.items()
    )
    bpm = float(tempi[int(np.argmax(scores))])
    for _ in range(2):
        bpm = _fitted(onsets, bpm)
    keeps = float(np.abs(np.exp(2j * np.pi * onsets * bpm / 15.0).mean()))
    return JamTempo(round(bpm, 2), keeps) if keeps >= SURE else None


def _onsets(starts_s: Sequence[float]) -> np.ndarray:
    """In order, counted from the first, chords as one."""
    rows = np.sort(np.asarray(starts_s, dtype=float))
    if rows.size == 0:
        return rows
    apart = np.concatenate(([True], np.diff(rows) > TOGETHER_S))
    first: np.ndarray = rows[apart] - rows[0]
    return first


def _fitted(onsets: np.ndarray, bpm: float) -> float:
    """The tempo whose sixteenths lie closest to the onsets, each taken for its nearest."""
    phase = np.angle(np.exp(2j * np.pi * onsets * bpm / 15.0).mean()) / (2 * np.pi)
    steps = np.round(onsets * bpm / 15.0 - phase)
    if np.ptp(steps) == 0:
        return bpm
    seconds_a_step = float(np.polyfit(steps, onsets, 1)[0])
    return 15.0 / seconds_a_step
