"""Scores of moves, what to practise, taps on the one; the statistics against scipy.stats."""

from __future__ import annotations

import numpy as np
import pytest
import scipy

from grebe.core.rehearse.ones import off_bar_ms, ones
from grebe.core.rehearse.score import ExpectedMove, Try, score, to_practise
from grebe.core.songs.model import Section, Song, TempoMark
from grebe.core.songs.tempo_scale import scaled
from grebe.core.time.ticks import TICKS_PER_QUARTER

LAUNCH = ExpectedMove("launch", "launch", -2.0, 0.0)


@pytest.mark.parametrize(
    ("at", "verdict", "off_ms"),
    [(-3.0, "early", -1000.0), (-2.0, "good", 0.0), (-0.5, "good", 0.0), (0.0, "good", 0.0),
     (0.25, "late", 250.0), (None, "missed", None)],
)  # fmt: skip
def test_a_move_against_its_window(at: float | None, verdict: str, off_ms: float | None) -> None:
    """Inside it good, outside by how much; not at all is missed."""
    found = score(LAUNCH, at)
    assert (found.verdict, found.off_ms) == (verdict, off_ms)


def tried(after: str, *verdicts: str) -> list[Try]:
    return [Try("Song", "a", after, "launch", "launch", v, 0.0) for v in verdicts]  # type: ignore[arg-type]


def test_what_goes_wrong_is_practised_first() -> None:
    """Missed before late before good; what was wrong most often is named."""
    rows = [*tried("b", "good", "good"), *tried("c", "missed", "late", "missed"),
            *tried("d", "late", "good", "late")]  # fmt: skip
    found = to_practise(rows)
    assert [t.after for t in found] == ["c", "d", "b"]
    assert found[0].worst == "launch missed"
    assert (found[0].tries, found[0].good) == (3, 0)
    assert (found[2].fault, found[2].worst) == (0.0, "")


def test_later_tries_count_more() -> None:
    """What has begun to sit falls behind what has begun to fail; old tries are forgotten."""
    found = to_practise([*tried("b", "missed", "missed", "good"),
                         *tried("c", "good", "missed", "missed")])  # fmt: skip
    assert [t.after for t in found] == ["c", "b"]
    (healed,) = to_practise(tried("b", *["missed"] * 5, *["good"] * 8))
    assert healed.fault == 0.0
    assert (healed.tries, healed.good) == (13, 8)


def test_a_tap_against_the_nearest_bar_line() -> None:
    """Half a beat after a bar line at 120 BPM is 250 ms late; half a beat before, early."""
    bar = 4 * TICKS_PER_QUARTER
    half = TICKS_PER_QUARTER // 2
    assert off_bar_ms(3 * bar + half, bar, 120.0, TICKS_PER_QUARTER) == pytest.approx(250.0)
    assert off_bar_ms(3 * bar - half, bar, 120.0, TICKS_PER_QUARTER) == pytest.approx(-250.0)
    assert off_bar_ms(0.0, bar, 120.0, TICKS_PER_QUARTER) == 0.0


@pytest.mark.parametrize("seed", range(5))
def test_mean_spread_and_interval_are_those_of_scipy(seed: int) -> None:
    """tmean, tstd, the t interval of the mean and linregress, as scipy.stats has them."""
    taps = np.random.default_rng(seed).normal(20, 15, 5 + 4 * seed)
    found = ones(list(taps))
    assert found.mean_ms == pytest.approx(scipy.stats.tmean(taps))
    assert found.spread_ms == pytest.approx(scipy.stats.tstd(taps))
    low, high = scipy.stats.t.interval(0.95, len(taps) - 1, taps.mean(), scipy.stats.sem(taps))
    assert (found.low_ms, found.high_ms) == (pytest.approx(low), pytest.approx(high))
    slope = scipy.stats.linregress(np.arange(len(taps)), taps).slope
    assert found.drift_ms == pytest.approx(slope)


def test_what_the_taps_say() -> None:
    """Late and steady, early and wavering, on the one; too few say nothing."""
    assert ones([50.0, 55.0, 52.0, 48.0]).words == (
        "You come in 51 ms late: begin the move sooner. Steady."
    )
    assert "early" in ones([-100.0, -20.0, -90.0, -30.0, -110.0, -40.0]).words
    assert "wavers by" in ones([-100.0, -20.0, -90.0, -30.0, -110.0, -40.0]).words
    assert "Too unsteady to tell" in ones([-900.0, 700.0, -500.0]).words
    assert ones([3.0, -4.0, 5.0, 1.0]).words == "On the one. Steady."
    assert "at least three" in ones([3.0]).words
    with pytest.raises(ValueError, match="no taps"):
        ones([])


def test_a_song_at_another_pace() -> None:
    """Every tempo times the same, none outside what a tempo can be."""
    song = Song(
        id="x", name="X", bpm=120.0,
        sections=(Section(id="a", scene="a", bpm=30.0, tempi=(TempoMark(at=4, bpm=200.0),)),
                  Section(id="b", scene="b")),
    )  # fmt: skip
    slow = scaled(song, 0.5)
    assert (slow.bpm, slow.sections[0].bpm, slow.sections[0].tempi[0].bpm) == (60.0, 20.0, 100.0)
    assert slow.sections[1].bpm is None
    assert scaled(song, 1.0) is song
