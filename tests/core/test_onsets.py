"""Onsets in audio against hits placed at known moments."""

from __future__ import annotations

import numpy as np
import pytest

from grebe.core.sync.hits import SOUNDS, click, place
from grebe.core.sync.onsets import find_onsets

TIMES = 0.5 + np.arange(40) * 60 / 126


@pytest.mark.parametrize("rate", [44_100, 48_000, 96_000, 192_000])
def test_clicks_are_found_to_a_tenth_of_a_millisecond(rate: int) -> None:
    """Placed at whole samples: better than 0.1 ms, in fact within a sample."""
    times = np.round(TIMES * rate) / rate
    found = find_onsets(place(times, click(rate), rate), rate)
    assert len(found.times_s) == len(times)
    assert np.abs(found.times_s - times).max() <= 1 / rate
    assert (found.kinds, found.problem) == (1, "")


@pytest.mark.parametrize("sound", SOUNDS)
@pytest.mark.parametrize("noisy", [False, True])
def test_drum_sounds_are_found_by_their_attack(sound: str, noisy: bool) -> None:
    """Within 0.5 ms, also 20 dB over noise: a soft kick is not called late."""
    rate = 48_000
    rng = np.random.default_rng(5)
    times = TIMES + rng.normal(0, 1e-3, len(TIMES))
    hit = 0.4 * SOUNDS[sound](rate)
    audio = place(times, hit, rate)
    if noisy:
        audio = audio + rng.normal(0, np.sqrt(np.mean(hit**2)) / 10, len(audio))
    found = find_onsets(audio.astype(np.float32), rate)
    assert len(found.times_s) == len(times)
    off = (found.times_s - times) * 1e3
    assert abs(off.mean()) < 0.15
    assert np.abs(off).max() < 0.5


def test_soft_hits_are_not_called_late() -> None:
    """Every second one at a fifth of the level: the same times as loud ones."""
    rate = 48_000
    kick = SOUNDS["kick"](rate)
    audio = place(TIMES[::2], 0.5 * kick, rate, TIMES[-1] + 0.4)
    audio = audio + place(TIMES[1::2], 0.1 * kick, rate, TIMES[-1] + 0.4)
    found = find_onsets(audio.astype(np.float32), rate)
    assert len(found.times_s) == len(TIMES)
    off = (found.times_s - TIMES) * 1e3
    assert abs(off[::2].mean() - off[1::2].mean()) < 0.1


def test_different_sounds_are_timed_by_their_own_attack() -> None:
    """Kick, snare and hat in turn."""
    rate = 48_000
    end = TIMES[-1] + 0.4
    audio = sum(
        place(TIMES[n::3], 0.4 * SOUNDS[name](rate), rate, end) for n, name in enumerate(SOUNDS)
    )
    found = find_onsets(np.asarray(audio, dtype=np.float32), rate)
    assert len(found.times_s) == len(TIMES)
    assert found.kinds == 3
    assert np.abs(found.times_s - TIMES).max() < 5e-4


def test_what_holds_no_hits_says_so() -> None:
    """Silence, a tone, nothing at all; clipping is told with what was found."""
    rate = 48_000
    seconds = np.arange(5 * rate) / rate
    assert "silent" in find_onsets(np.zeros(rate, dtype=np.float32), rate).problem
    assert "silent" in find_onsets(np.empty(0, dtype=np.float32), rate).problem
    tone = (0.5 * np.sin(2 * np.pi * 440 * seconds)).astype(np.float32)
    assert "no hits" in find_onsets(tone, rate).problem
    clipped = np.clip(6 * place(TIMES, SOUNDS["kick"](rate), rate), -1, 1).astype(np.float32)
    found = find_onsets(clipped, rate)
    assert found.clipped > 0.01
    assert len(found.times_s) == len(TIMES)


def test_progress_goes_to_the_end() -> None:
    """And never back."""
    shares: list[float] = []
    find_onsets(place(TIMES, click(48_000), 48_000), 48_000, shares.append)
    assert shares == sorted(shares)
    assert shares[-1] == 1.0
