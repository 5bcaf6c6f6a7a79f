"""An audio loop measured, and fitted to a tempo: by resampling, or by slices at its onsets."""

from __future__ import annotations

from collections.abc import Sequence
from fractions import Fraction
from math import log2
from typing import NamedTuple

import numpy as np
from numpy.typing import NDArray

from grebe.core.patterns.loops import Loop
from grebe.core.sync.onsets import SILENT, rises
from grebe.core.time.ticks import TICKS_PER_QUARTER

Audio = NDArray[np.float32]

BAR_COUNTS = (1, 2, 4, 8, 16, 32)
SLOWEST_BPM, FASTEST_BPM = 60.0, 200.0
GRID_WEIGHT = 4.0
"""How much more it says that onsets lie on sixteenths than that the tempo is near the song's."""
MOST_ONSETS = 63
SMOOTHED = 9
"""Samples the edges are averaged over."""
LOOK_S, BEFORE_S = 0.004, 0.006
"""Around a rise: where its beginning is looked for, and what was there before."""
STANDS_OUT, OF_PEAK = 3.0, 0.2
FADE_S = 0.003
"""A slice that is cut short, or ends inside its sound, goes in so long."""
MAX_RATIO = 4096
"""Resampling goes by a fraction with at most this denominator: under a thousandth of a cent off."""


class LoopMeasure(NamedTuple):
    """What a loop is."""

    seconds: float
    bars: int
    bpm: float
    onsets: tuple[int, ...]
    """Samples where hits begin."""


class Repitch(NamedTuple):
    """What it costs to fit a loop by playing it faster or slower."""

    ratio: float
    """Speed to its own."""
    semitones: float
    cents: float


def measure_loop(
    audio: Audio, rate: int, near_bpm: float = 120.0, beats_a_bar: int = 4
) -> LoopMeasure:
    """Bars and tempo of a loop (mono), and its onsets.

    Of 1 to 32 bars, the number whose tempo lies between 60 and 200 BPM, is
    near the song's and has the onsets on its sixteenths.
    """
    seconds = len(audio) / rate
    onsets = loop_onsets(audio, rate)
    times = np.array(onsets) / rate
    best, best_cost = 1, float("inf")
    for bars in BAR_COUNTS:
        bpm = bars * beats_a_bar * 60 / seconds
        if not SLOWEST_BPM <= bpm <= FASTEST_BPM:
            continue
        cost = abs(log2(bpm / near_bpm))
        if len(times):
            place = times / seconds * bars * beats_a_bar * 4
            cost += GRID_WEIGHT * float(np.mean(np.abs(place - np.round(place))))
        if cost < best_cost:
            best, best_cost = bars, cost
    return LoopMeasure(seconds, best, best * beats_a_bar * 60 / seconds, onsets)


def loop_onsets(audio: Audio, rate: int) -> tuple[int, ...]:
    """Samples where the hits of a loop begin, ready to be cut at.

    Looked for in the differences between samples, where a hat stands out over
    the tail of a drum: what counts here is that none is missed, not the last
    tenth of a millisecond.
    """
    edges = np.abs(np.diff(audio, prepend=audio[:1]))
    if float(edges.max(initial=0.0)) < SILENT:
        return ()
    smooth = np.convolve(edges, np.ones(SMOOTHED) / SMOOTHED, mode="same")
    out: list[int] = []
    for near in rises(edges.astype(np.float32), rate):
        first = max(0, int(near) - round(LOOK_S * rate))
        window = smooth[first : int(near) + round(LOOK_S * rate)]
        quiet = float(np.median(smooth[max(0, first - round(BEFORE_S * rate)) : first + 1]))
        level = max(quiet * STANDS_OUT, float(window.max()) * OF_PEAK)
        over = np.flatnonzero(window >= level)
        begin = first + int(over[0]) if len(over) else int(near)
        out.append(max(0, begin - SMOOTHED // 2))
    return tuple(sorted(set(out))[:MOST_ONSETS])


def repitch(from_bpm: float, to_bpm: float) -> Repitch:
    """Semitones that a change of tempo by resampling costs: 12 log2 of the ratio (ISO 16)."""
    ratio = to_bpm / from_bpm
    semitones = 12 * log2(ratio)
    return Repitch(ratio, semitones, 100 * semitones)


def resampled(audio: Audio, from_bpm: float, to_bpm: float, samples: int) -> Audio:
    """The loop played at another tempo with its pitch going along, `samples` long."""
    from scipy.signal import resample_poly  # noqa: PLC0415 - SciPy is slow to import

    speed = Fraction(from_bpm / to_bpm).limit_denominator(MAX_RATIO)
    made = resample_poly(audio.astype(np.float64), speed.numerator, speed.denominator)
    out = np.zeros(samples, dtype=np.float32)
    kept = min(samples, len(made))
    out[:kept] = made[:kept]
    return out


def sliced(audio: Audio, loop: Loop, to_bpm: float, rate: int) -> Audio:
    """The loop at another tempo with its pitch kept: each slice where it falls there.

    Where slices would overlap the earlier one is cut with a short fade; where
    they leave gaps there is silence.
    """
    beat = 60 / to_bpm * rate
    total = round(loop.bars * loop.beats_a_bar * beat)
    out = np.zeros(total, dtype=np.float32)
    places = [round(s.at / TICKS_PER_QUARTER * beat) for s in loop.slices]
    for number, piece in enumerate(loop.slices):
        wave = audio[piece.start : piece.end]
        first = places[number]
        room = (places[number + 1] if number + 1 < len(places) else total) - first
        wave = faded(wave[: max(0, room)], rate)
        out[first : first + len(wave)] += wave
    return out


def faded(wave: Audio, rate: int) -> Audio:
    """A piece of audio whose end does not click."""
    fade = min(len(wave), round(FADE_S * rate))
    if not fade:
        return wave
    out = wave.copy()
    out[len(out) - fade :] *= np.linspace(1, 0, fade, dtype=np.float32)
    return out


def slice_waves(audio: Audio, loop: Loop, rate: int) -> dict[int, Audio]:
    """By note, the slices as a sampler holds them, at `rate` samples a second."""
    waves = {s.note: faded(audio[s.start : s.end], loop.rate) for s in loop.slices}
    if rate == loop.rate:
        return waves
    return {note: at_rate(wave, loop.rate, rate) for note, wave in waves.items()}


def at_rate(wave: Audio, from_rate: int, to_rate: int) -> Audio:
    """The same sound in another number of samples a second."""
    from scipy.signal import resample_poly  # noqa: PLC0415

    ratio = Fraction(to_rate, from_rate)
    made: Audio = resample_poly(wave.astype(np.float64), ratio.numerator, ratio.denominator).astype(
        np.float32
    )
    return made


def mono(channels: Sequence[Audio]) -> Audio:
    """Channels added to one, at their mean."""
    out: Audio = np.mean(np.stack(channels), axis=0).astype(np.float32)
    return out
