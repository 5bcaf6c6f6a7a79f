"""Onsets in audio: when each hit begins, to a fraction of a sample where it can be had.

Hits are found by the rise of energy, then timed by cross-correlation with the average of their own
kind, and that average is given its beginning where its attack, drawn back to zero, starts. So a
soft kick, which rises slowly, is not called late as a threshold would.
"""

from __future__ import annotations

from collections.abc import Callable
from functools import lru_cache
from typing import NamedTuple

import numpy as np
from numpy.typing import NDArray

from grebe.core.sync.lattice import Times
from grebe.words import tr

Audio = NDArray[np.float32]

BLOCK_S = 0.001
"""Energy is taken over so long."""
BEFORE_BLOCKS, APART_BLOCKS = 12, 25
"""A hit is compared with what was there this long before, and the next is this far away."""
RISES = 4.0
"""Times the energy before: 6 dB."""
OVER_FLOOR = 10.0
OF_LOUDEST = 1e-3
"""A hit has at least so many times the floor's energy, and this share of the loud ones'."""
SILENT = 1e-4
"""A channel whose loudest sample is under this (-80 dB) has nothing in it."""
CLIPPED = 0.999
BEFORE_S, AFTER_S, SEARCH_S = 0.012, 0.016, 0.004
"""Around a hit: what is cut out, and how far it is moved to lie on the average."""
ALIKE = 0.85
"""Colours whose correlation is at least this are of one sound."""
MAX_KINDS = 6
BANDS = 28
COHERENT = 0.5
"""Hits of a kind less alike than this are noise of one envelope: that is compared instead."""
SMOOTH_S = 0.0004
AVERAGED = 256
"""So many hits of a kind are enough for its average."""
PIECE = 1 << 20
AT_A_TIME = 512
"""Spectra of so many hits are held at once: an hour has thousands."""
SETTLED_SAMPLES = 0.005
ATTACK_SHARE = 0.06
QUIET_SHARE = 0.015
NOISE_TIMES = 5.0
"""An attack begins where the average leaves its noise by so much, at this share of its peak."""

Progress = Callable[[float], None]


class Onsets(NamedTuple):
    """What was found in a channel."""

    times_s: Times
    kinds: int
    """How many different sounds."""
    clipped: float
    """Share of samples at full scale."""
    problem: str
    """Why there is nothing, in a sentence; "" where there is."""


def _quiet(share: float) -> None:
    del share


def find_onsets(samples: Audio, rate: int, progress: Progress = _quiet) -> Onsets:
    """Onsets of one channel (mono, -1 to 1), in seconds from its first sample, rising."""
    peak = max(float(samples.max()), -float(samples.min())) if len(samples) else 0.0
    if peak < SILENT:
        return Onsets(np.empty(0), 0, 0.0, tr("the channel is silent"))
    clipped = _share_over(samples, CLIPPED * max(1.0, peak))
    starts = rises(samples, rate)
    progress(0.4)
    if not len(starts):
        return Onsets(np.empty(0), 0, clipped, tr("there are no hits in it: nothing rises"))
    cut = cut_out(samples, starts, rate)
    del samples  # an hour of it takes 0.7 GB, and the rest wants some, too
    progress(0.6)
    kind = _kinds(cut, rate)
    times = np.empty(len(starts))
    for number in range(int(kind.max()) + 1):
        of_kind = kind == number
        times[of_kind] = starts[of_kind] / rate + timed(cut[of_kind], rate)
        progress(0.6 + 0.4 * (number + 1) / (int(kind.max()) + 1))
    return Onsets(np.sort(times), int(kind.max()) + 1, clipped, "")


def _share_over(samples: Audio, full: float) -> float:
    """The share of samples that far from zero; a piece at a time, for there may be an hour."""
    over = 0
    for begin in range(0, len(samples), PIECE):
        piece = samples[begin : begin + PIECE]
        over += int(np.count_nonzero(piece >= full) + np.count_nonzero(piece <= -full))
    return over / len(samples)


def cut_out(samples: Audio, starts: NDArray[np.int64], rate: int) -> Audio:
    """What is around each of these samples, a row each, as `timed` and `look` want it."""
    margin = round((BEFORE_S + SEARCH_S) * rate), round((AFTER_S + SEARCH_S) * rate)
    cut = np.zeros((len(starts), margin[0] + margin[1]), dtype=np.float32)
    for row, at in zip(cut, starts, strict=True):
        first = max(0, at - margin[0])
        part = samples[first : at + margin[1]]
        begin = first - (at - margin[0])
        row[begin : begin + len(part)] = part
    return cut


def rises(samples: Audio, rate: int) -> NDArray[np.int64]:
    """Samples near which a hit begins, by energy that rises over what was just there."""
    block = max(1, round(BLOCK_S * rate))
    count = len(samples) // block
    if count < BEFORE_BLOCKS + 2:
        return np.empty(0, dtype=np.int64)
    blocks = samples[: count * block].reshape(count, block)
    energy = np.einsum("ij,ij->i", blocks, blocks).astype(float) / block
    floor = float(np.percentile(energy, 20)) + 1e-12
    loud = float(np.percentile(energy, 99.5))
    # The loudest of what was there before: a sound that decays, or a tone, does not rise.
    before = np.full(count, floor)
    for back in range(2, BEFORE_BLOCKS + 1):
        before[back:] = np.maximum(before[back:], energy[:-back])
    least = max(OVER_FLOOR * floor, OF_LOUDEST * loud)
    two = np.maximum(energy, np.append(energy[1:], 0.0))
    rising = np.flatnonzero((two > RISES * before) & (two > least))
    starts: list[int] = []
    for at in rising:
        if not starts or at - starts[-1] >= APART_BLOCKS:
            starts.append(int(at))
    return np.array(starts, dtype=np.int64) * block


def _kinds(cut: Audio, rate: int) -> NDArray[np.int64]:
    """Which sound each hit is: those alike to the first of a kind, by envelope and colour."""
    shape = np.stack([look(row, rate) for row in cut])
    shape /= np.linalg.norm(shape, axis=1, keepdims=True) + 1e-12
    kind = np.full(len(cut), -1, dtype=np.int64)
    number = 0
    while (kind < 0).any() and number < MAX_KINDS:
        left = kind < 0
        first = shape[np.flatnonzero(left)[0]]
        alike = (shape @ first >= ALIKE) & left
        centre = shape[alike].mean(axis=0)
        centre /= np.linalg.norm(centre) + 1e-12
        kind[left & ((shape @ centre >= ALIKE) | alike)] = number
        number += 1
    kind[kind < 0] = number - 1
    return kind


def look(row: Audio, rate: int) -> NDArray[np.float64]:
    """The colour of a sound: energy in bands, a third of an octave each, whatever its moment."""
    spectrum = np.abs(np.fft.rfft(row)) ** 2
    return np.sqrt(np.bincount(_bands(len(row), rate), spectrum, minlength=BANDS + 1))


@lru_cache(maxsize=16)
def _bands(length: int, rate: int) -> NDArray[np.int64]:
    """The band of each frequency of a stretch so long."""
    edges = 30 * 2 ** (np.arange(0, BANDS) / 3)
    return np.searchsorted(edges, np.fft.rfftfreq(length, 1 / rate))


def timed(cut: Audio, rate: int) -> Times:
    """Onsets of hits of one kind, in seconds after the sample each was found at."""
    margin = (BEFORE_S + SEARCH_S) * rate
    signal = cut.astype(float)
    lags, average, alike = _aligned(signal, rate)
    if len(cut) > 2 and alike < COHERENT:
        signal = envelope_of(signal, rate)
        lags, average, _ = _aligned(signal, rate)
    began = attack_of(average, rate)
    return (began + lags - margin) / rate


def envelope_of(signal: NDArray[np.float64], rate: int) -> NDArray[np.float64]:
    """The level of each row, smoothed over `SMOOTH_S`."""
    width = max(1, round(SMOOTH_S * rate))
    kernel = np.hanning(width + 2)[1:-1]
    kernel /= kernel.sum()
    return np.stack([np.sqrt(np.convolve(row * row, kernel, mode="same")) for row in signal])


def _aligned(signal: NDArray[np.float64], rate: int) -> tuple[Times, NDArray[np.float64], float]:
    """How far each row lies after the average of all, in samples; that average; how alike.

    Lags are found by cross-correlation, between samples by the phase of its spectrum.
    """
    most = round(SEARCH_S * rate)
    length = 1 << int(np.ceil(np.log2(signal.shape[1] + 2 * most)))
    loud = np.abs(signal).max(axis=1) + 1e-12

    def spectra(rows: slice | list[int]) -> NDArray[np.complex128]:
        return np.fft.rfft(signal[rows] / loud[rows, None], length)

    few = spectra(slice(None, None, max(1, len(signal) // AVERAGED)))
    turns = -2j * np.pi * np.arange(few.shape[1]) / length
    template = spectra([int(np.argsort(loud)[len(signal) // 2])])[0]
    before = np.zeros(len(few))
    for _ in range(4):
        lags, _ = lags_of(few, template, length, most)
        template = (few * np.exp(-turns * lags[:, None])).mean(axis=0)
        if np.abs(lags - before).max() < SETTLED_SAMPLES:
            break
        before = lags
    placed = [
        _placed(spectra(slice(at, at + AT_A_TIME)), template, length, most)
        for at in range(0, len(signal), AT_A_TIME)
    ]
    average = np.fft.irfft(template, length)[: signal.shape[1]]
    alike = float(np.median(np.concatenate([each for _, each in placed])))
    return np.concatenate([lags for lags, _ in placed]), average, alike


def lags_of(
    spectra: NDArray[np.complex128], template: NDArray[np.complex128], length: int, most: int
) -> tuple[Times, float]:
    """Where each row correlates best with a template, in samples; how alike they are there."""
    lags, alike = _placed(spectra, template, length, most)
    return lags, float(np.median(alike))


def _placed(
    spectra: NDArray[np.complex128], template: NDArray[np.complex128], length: int, most: int
) -> tuple[Times, NDArray[np.float64]]:
    """The same, with how alike each is."""
    correlation = np.fft.irfft(spectra * np.conj(template), length)
    window = np.concatenate([correlation[:, -most:], correlation[:, : most + 1]], axis=1)
    top = np.clip(window.argmax(axis=1), 1, window.shape[1] - 2)
    row = np.arange(len(spectra))
    left, middle, right = (window[row, top + n] for n in (-1, 0, 1))
    bend = left - 2 * middle + right
    share = np.where(np.abs(bend) > 1e-20, 0.5 * (left - right) / np.where(bend, bend, 1), 0.0)
    norm = np.linalg.norm(spectra, axis=1) * np.linalg.norm(template)
    alike = middle * length / 2 / np.maximum(norm, 1e-20)
    return top - most + np.clip(share, -0.5, 0.5), alike


def attack_of(average: NDArray[np.float64], rate: int) -> float:
    """Where the average of a kind begins, in samples: its attack drawn back to its noise."""
    size = np.abs(average)
    rest = round(BEFORE_S * 0.5 * rate)
    noise = float(np.sqrt(np.mean(average[:rest] ** 2)))
    bias = float(np.mean(size[:rest]))
    top = int(size.argmax())
    first_peak = float(size.max())
    limit = max(NOISE_TIMES * noise, ATTACK_SHARE * first_peak)
    over = np.flatnonzero(size[: top + 1] >= limit)
    if not len(over):
        return float(top)
    at = int(over[0])
    # Steep: one sample from nothing to half the peak is a click, which begins at that sample.
    if size[at] >= 0.4 * first_peak and (at == 0 or size[at - 1] <= 3 * noise + 1e-9):
        return float(at)
    twice = np.flatnonzero(size[at : top + 1] >= min(2 * size[at], 0.9 * first_peak))
    to = at + int(twice[0]) if len(twice) else top
    slope = (size[to] - size[at]) / max(1, to - at)
    if slope <= 0:
        return float(at)
    # It cannot have begun while nothing was there: noise has an attack that does not draw back.
    quiet = np.flatnonzero(size[:at] <= max(2 * noise, QUIET_SHARE * first_peak))
    drawn = at - (float(size[at]) - bias) / float(slope)
    return max(drawn, float(quiet[-1]) if len(quiet) else 0.0)
