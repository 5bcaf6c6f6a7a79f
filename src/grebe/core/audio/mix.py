"""Notes laid out in time and mixed: a stereo picture of each box, and all of them together."""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from typing import NamedTuple

import numpy as np
from numpy.typing import NDArray

from grebe.core.audio.kit import (
    LEVELS,
    PANS,
    RATE,
    USUAL_LEVEL,
    VOICED,
    cuts,
    loudness,
    rounded,
    sound_of,
)
from grebe.core.audio.names import CUTOFF, LEVEL, USUAL_BRIGHT
from grebe.core.player.events import ControlChange, Due, NoteOff, NoteOn
from grebe.core.rig.model import Device
from grebe.core.time.tempo import TempoMap
from grebe.words import tr

Stereo = NDArray[np.float32]
"""Shape (samples, 2)."""

TAIL_S = 1.5
CUT_S = 0.004
"""How long a sound that is cut off takes to go."""
KNEE, CEILING = 0.7, 0.89
"""Louder than the knee is squeezed; nothing passes the ceiling, 1 dB below full scale."""


class Struck(NamedTuple):
    """One note of a box as it sounds."""

    at_s: float
    note: int
    velocity: int
    held_s: float
    level: int
    bright: int


def struck_notes(events: Iterable[Due], tempo: TempoMap) -> dict[str, list[Struck]]:
    """By device, the notes of a stretch of events in order, with what controllers stood at."""
    out: dict[str, list[Struck]] = {}
    sounding: dict[tuple[str, int, int], tuple[float, int, int, int]] = {}
    stands: dict[tuple[str, int, int], int] = {}

    def end(key: tuple[str, int, int], at_s: float) -> None:
        began, velocity, level, bright = sounding.pop(key)
        struck = Struck(began, key[2], velocity, at_s - began, level, bright)
        out.setdefault(key[0], []).append(struck)

    last = 0.0
    for tick, device, event in events:
        if isinstance(event, ControlChange):
            stands[(device, event.channel, event.controller)] = event.value
        elif isinstance(event, (NoteOn, NoteOff)):
            last = tempo.seconds_at(max(0, tick))
            key = (device, event.channel, event.note)
            if key in sounding:
                end(key, last)
            if isinstance(event, NoteOn):
                at = (device, event.channel)
                sounding[key] = (
                    last,
                    event.velocity,
                    stands.get((*at, LEVEL), 127),
                    stands.get((*at, CUTOFF), USUAL_BRIGHT),
                )
    for key in list(sounding):
        end(key, last)
    return {device: sorted(notes) for device, notes in out.items()}


class Sample(NamedTuple):
    """A sound a box plays from a file instead of its own."""

    wave: NDArray[np.float32]
    gate: bool = False
    """Sounds only while its note is held."""
    slot: str = ""
    """What it shares with others that it cuts off."""


def render_device(
    device: Device,
    notes: Iterable[Struck],
    seconds: float,
    rate: int = RATE,
    samples: Mapping[int, Sample] | None = None,
) -> Stereo:
    """One box's notes, unlimited; silence for a kind that makes no sound of its own.

    `samples` by note stand in for its own sounds.
    """
    count = round((seconds + TAIL_S) * rate)
    mono = np.zeros(count, dtype=np.float32)
    if device.kind in VOICED:
        rows = list(notes)
        played = samples or {}
        shared = cuts(device.kind, device.spec)
        shared |= {note: sample.slot for note, sample in played.items() if sample.slot}
        for row, until_s in zip(rows, _cut_times(rows, shared), strict=True):
            sample = played.get(row.note)
            if sample is None:
                held, bright = rounded(row.held_s, row.bright)
                wave = sound_of(device.kind, row.note, held, bright, rate)
            else:
                wave = sample.wave
                if sample.gate:
                    wave = cut_wave(wave, round(row.held_s * rate), rate)
            first = round(row.at_s * rate)
            if not 0 <= first < count:
                continue
            if until_s is not None:
                wave = cut_wave(wave, round((until_s - row.at_s) * rate), rate)
            wave = wave[: count - first]
            mono[first : first + len(wave)] += wave * np.float32(loudness(row.velocity, row.level))
    pan, gain = PANS.get(device.kind, 0.0), LEVELS.get(device.kind, USUAL_LEVEL)
    out = np.empty((count, 2), dtype=np.float32)
    np.multiply(mono, np.float32(np.sqrt((1 - pan) / 2) * gain), out=out[:, 0])
    np.multiply(mono, np.float32(np.sqrt((1 + pan) / 2) * gain), out=out[:, 1])
    return out


def _cut_times(rows: list[Struck], shared: Mapping[int, str]) -> list[float | None]:
    """When each note is cut off by another that shares what it is played from."""
    out: list[float | None] = [None] * len(rows)
    running: dict[str, int] = {}
    for index, row in enumerate(rows):
        name = shared.get(row.note, tr("note {note}", note=row.note))
        if name in running:
            out[running[name]] = row.at_s
        running[name] = index
    return out


def cut_wave(wave: NDArray[np.float32], at: int, rate: int) -> NDArray[np.float32]:
    """A sound cut off `at` samples into it, quickly enough not to be heard going."""
    fade = round(CUT_S * rate)
    if at >= len(wave):
        return wave
    cut = wave[: at + fade].copy()
    tail = len(cut) - max(0, at)
    cut[len(cut) - tail :] *= np.linspace(1, 0, tail, dtype=np.float32)
    return cut


def limited(audio: Stereo) -> Stereo:
    """The same, squeezed smoothly above the knee so that nothing passes the ceiling."""
    size = np.abs(audio)
    over = size > KNEE
    if not over.any():
        return audio
    out = audio.copy()
    room = CEILING - KNEE
    excess = (size[over] - KNEE) / room
    out[over] = np.sign(audio[over]) * (KNEE + room * np.tanh(excess))
    return out
