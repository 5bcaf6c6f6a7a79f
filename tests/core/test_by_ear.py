"""A performer's habit, whose channel is which, a loop of cable: pure."""

from __future__ import annotations

import numpy as np
import pytest

from grebe.core.sync.cable_loop import click_frames, clicks, loop_delay
from grebe.core.sync.habit import FEWEST, habit
from grebe.core.sync.whose import Muted, whose_channels

RATE = 48_000


def test_a_habit_is_a_mean_with_its_interval() -> None:
    """As scipy's t interval has it; a press that was meant for something else is left out."""
    from scipy import stats  # four seconds of every worker, at the top

    rng = np.random.default_rng(3)
    late = rng.normal(23, 6, 24)
    found = habit([*late, 190.0])
    assert found is not None
    low, high = stats.t.interval(0.95, len(late) - 1, late.mean(), stats.sem(late))
    assert (found.low_ms, found.high_ms) == pytest.approx((low, high))
    assert (found.presses, found.strays) == (24, 1)
    assert found.spread_ms == pytest.approx(np.std(late, ddof=1))
    assert found.sure


def test_no_habit_from_few_presses_or_of_both_signs() -> None:
    assert habit([10.0] * (FEWEST - 1)) is None
    found = habit(list(np.random.default_rng(4).normal(0, 10, 20)))
    assert found is not None
    assert not found.sure


def test_a_channel_is_the_boxes_with_which_it_falls_silent() -> None:
    """Also one that hits seldom, and with a hit of crosstalk; a mix of all is nobody's, a channel
    without a sound is silent."""
    muted = [Muted("drums", 8, 16), Muted("bass", 16, 24)]
    beats = np.arange(0, 32, 0.5)
    drums = [*beats[(beats < 8) | (beats >= 16)], 9.3]
    bass = [t for t in np.arange(0, 32, 1.0) if not 16 <= t < 24]
    found = whose_channels({"1": drums, "2": bass, "3": list(beats), "4": []}, muted, 0, 32)
    assert found.channels == {"1": "drums", "2": "bass"}
    assert found.unclear == ("3",)
    assert found.silent == ("4",)


def test_a_channel_too_sparse_to_tell_is_not_guessed() -> None:
    found = whose_channels({"1": [1.0, 30.0]}, [Muted("drums", 8, 16)], 0, 32)
    assert found.channels == {}
    assert found.unclear == ("1",)


@pytest.mark.parametrize("frames", [0, 1, 257, 1024, 4800])
def test_a_loop_of_so_many_frames_is_measured_as_so_many(frames: int) -> None:
    """Exactly, softer and with noise; where nothing comes back, or only noise, it is not."""
    played = clicks(RATE)
    rng = np.random.default_rng(7)
    back = 0.3 * np.concatenate([np.zeros(frames), played])[: len(played)]
    found = loop_delay((back + rng.normal(0, 1e-3, len(back))).astype(np.float32), RATE)
    assert found is not None
    assert (found.frames, found.clicks) == (frames, len(click_frames(RATE)))
    assert loop_delay(np.zeros(len(played), dtype=np.float32), RATE) is None
    assert loop_delay(rng.normal(0, 0.1, len(played)).astype(np.float32), RATE) is None
