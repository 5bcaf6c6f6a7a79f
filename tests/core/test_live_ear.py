"""Hits heard as they come, against hits placed at known moments, and against whole recordings."""

from __future__ import annotations

import numpy as np
import pretty_midi
import pytest
from numpy.typing import NDArray

from grebe.core.sync.hits import SOUNDS, click, place
from grebe.core.sync.live_ear import HeardSound, LiveEar
from grebe.core.sync.onsets import find_onsets

RATE = 48_000
Audio = NDArray[np.float32]


def hear(ear: LiveEar, audio: Audio, block: int = 1024) -> list[HeardSound]:
    return [hit for at in range(0, len(audio), block) for hit in ear.feed(audio[at : at + block])]


def noisy(audio: Audio, level: float = 2e-4) -> Audio:
    rng = np.random.default_rng(2)
    return (audio + rng.normal(0, level, len(audio))).astype(np.float32)


@pytest.mark.parametrize(
    ("sound", "within_ms"), [("click", 0.1), ("kick", 0.5), ("snare", 0.5), ("hat", 0.5)]
)
def test_an_offset_is_known_after_eight_hits(sound: str, within_ms: float) -> None:
    """A click's to 0.1 ms, a kick's to 0.5, whatever the size of the stretches it comes in."""
    made = click(RATE) if sound == "click" else 0.5 * SOUNDS[sound](RATE)
    rng = np.random.default_rng(1)
    times = 0.5 + np.arange(16) * 0.25 + rng.uniform(0, 1e-3, 16)
    audio = noisy(place(times, made, RATE))
    for block in (64, 1000, len(audio)):
        ear = LiveEar(RATE)
        heard = hear(ear, audio, block)
        off = np.array([hit.sample for hit in heard]) / RATE - times
        assert len(ear.kinds) == 1
        assert abs(np.median(off[:8])) * 1e3 < within_ms
        assert np.abs(off[8:]).max() * 1e3 < within_ms


def test_sounds_of_one_box_are_told_apart() -> None:
    """Three sounds in turn have three numbers, each its own moment."""
    times = 0.5 + np.arange(24) * 0.2
    end = times[-1] + 0.4
    audio = noisy(sum(
        place(times[n::3], 0.4 * SOUNDS[name](RATE), RATE, end) for n, name in enumerate(SOUNDS)
    ))  # fmt: skip
    heard = hear(LiveEar(RATE), audio)
    assert [hit.kind for hit in heard] == [0, 1, 2] * 8
    late = np.array([hit.sample for hit in heard]) / RATE - times
    assert np.abs(late[6:]).max() < 0.5e-3


def test_what_is_heard_live_is_what_a_recording_has() -> None:
    """A melody that pretty_midi synthesised, which Grebe did not make: the same hits to 1 ms."""
    song = pretty_midi.PrettyMIDI()
    plucked = pretty_midi.Instrument(0)
    times = 0.5 + np.arange(24) * 0.31
    plucked.notes = [pretty_midi.Note(100, 60 + n % 5, t, t + 0.1) for n, t in enumerate(times)]
    song.instruments.append(plucked)
    audio = noisy(song.synthesize(fs=RATE).astype(np.float32))
    heard = np.array([hit.sample for hit in hear(LiveEar(RATE), audio)]) / RATE
    whole = find_onsets(audio, RATE).times_s
    assert len(heard) == len(whole) == len(times)
    assert np.abs(heard - times).max() < 3e-3
    assert np.abs(heard - whole)[8:].max() < 1e-3


def test_a_pad_has_no_moment_and_silence_no_hits() -> None:
    """A tone that swells for a third of a second gives none; or hits that are said to swell."""
    at = np.arange(RATE) / RATE
    one = np.sin(2 * np.pi * 220 * at) * np.clip(at / 0.3, 0, 1) * np.clip((1 - at) / 0.3, 0, 1)
    ear = LiveEar(RATE)
    heard = hear(ear, noisy(np.tile(0.3 * one, 6).astype(np.float32)))
    assert not heard or all(kind.swells for kind in ear.kinds)
    assert hear(LiveEar(RATE), np.zeros(RATE, dtype=np.float32)) == []
    assert hear(LiveEar(RATE), noisy(np.zeros(RATE * 3, dtype=np.float32))) == []


def test_after_lost_samples_sounds_are_known_again() -> None:
    """Counted from the stretch that begins anew; the same sound has the same number."""
    times = 0.5 + np.arange(8) * 0.25
    audio = noisy(place(times, click(RATE), RATE))
    ear = LiveEar(RATE)
    first = hear(ear, audio)
    ear.begin_anew()
    second = hear(ear, audio)
    assert [hit.kind for hit in (*first, *second)] == [0] * 16
    assert second[0].sample == pytest.approx(times[0] * RATE, abs=4)
