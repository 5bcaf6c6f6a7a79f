"""Exact time, metres, tempo maps, song position, tapping."""

from __future__ import annotations

import math
from fractions import Fraction

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from grebe.core.time.meter import Meter, parse_meter
from grebe.core.time.position import MAX_SONG_POSITION, clocks_to, song_position, tick_of
from grebe.core.time.tap import tap_tempo, tapped
from grebe.core.time.tempo import TempoMap, TempoPoint, ramp_seconds
from grebe.core.time.ticks import (
    CLOCK_TICKS,
    TICKS_PER_QUARTER,
    from_beats,
    next_multiple,
    note_value_ticks,
)


@pytest.mark.parametrize(
    ("value", "beats"),
    [
        ("1/1", Fraction(4)),
        ("1/4", Fraction(1)),
        ("1/8.", Fraction(3, 4)),
        ("1/16", Fraction(1, 4)),
        ("1/8t", Fraction(1, 3)),
        ("1/64t", Fraction(1, 24)),
    ],
)
def test_note_values(value: str, beats: Fraction) -> None:
    """Straight, dotted and triplet note values are exact."""
    assert Fraction(note_value_ticks(value), TICKS_PER_QUARTER) == beats


@pytest.mark.parametrize("text", ["1/3", "16", "1/16x", "", "2/4", "1/8 t"])
def test_unknown_note_value(text: str) -> None:
    """What is no note value is refused with what one looks like."""
    with pytest.raises(ValueError, match="note value must look like"):
        note_value_ticks(text)


@given(st.integers(1, 16), st.sampled_from([1, 2, 3, 4, 5, 6, 7, 9, 11, 13, 24, 48, 96, 200, 960]))
def test_divisions_are_whole(beats: int, division: int) -> None:
    """MIDI clock, pulses, tuplets and whole percent of swing are whole numbers of ticks."""
    assert Fraction(from_beats(Fraction(beats, division)), TICKS_PER_QUARTER) == Fraction(
        beats, division
    )


def test_a_beat_that_is_not_whole_is_refused() -> None:
    """Nothing is rounded in silence."""
    with pytest.raises(ValueError, match="not a whole number of ticks"):
        from_beats(Fraction(1, 17))


def test_next_multiple() -> None:
    """The next bar line from before, on and after one."""
    assert [next_multiple(t, 4) for t in (-1, 0, 1, 4, 5)] == [0, 0, 4, 4, 8]


def test_clock_rate() -> None:
    """MIDI 1.0: 24 clocks a quarter note."""
    assert TICKS_PER_QUARTER / CLOCK_TICKS == 24


@pytest.mark.parametrize(("text", "quarters"), [("4/4", 4.0), ("7/8", 3.5), ("6/8", 3.0)])
def test_meters(text: str, quarters: float) -> None:
    """A bar's length, and the metre printed as it was read."""
    meter = parse_meter(text)
    assert meter.bar_ticks == quarters * TICKS_PER_QUARTER
    assert str(meter) == text


@pytest.mark.parametrize("text", ["4", "0/4", "4/3", "33/4", "four", "4/4/4"])
def test_bad_meters(text: str) -> None:
    """What is no metre is refused."""
    with pytest.raises(ValueError, match="metre must look like"):
        parse_meter(text)


def test_song_position_of_bar_33() -> None:
    """Bar 33 of 4/4 is song position 512 (MIDI 1.0: sixteenths, 6 clocks each)."""
    tick = tick_of(33, 1, Meter())
    assert song_position(tick) == 512
    assert clocks_to(tick) == 3072


def test_song_position_is_held_at_14_bits() -> None:
    """Past bar 1024 there is no number left to say."""
    assert song_position(tick_of(1025, 1, Meter())) == MAX_SONG_POSITION
    assert song_position(-5) == 0


@pytest.mark.parametrize(("bar", "beat"), [(0, 1), (1, 0), (1, 5)])
def test_places_outside(bar: int, beat: int) -> None:
    """Bars and beats count from 1."""
    with pytest.raises(ValueError, match="counts from 1"):
        tick_of(bar, beat, Meter())


def _map(*points: tuple[float, float, float]) -> TempoMap:
    """Points as (beat, bpm, ramp in beats)."""
    return TempoMap(
        tuple(
            TempoPoint(
                tick=int(b * TICKS_PER_QUARTER), bpm=bpm, ramp_ticks=int(r * TICKS_PER_QUARTER)
            )
            for b, bpm, r in points
        )
    )


def test_ramp_against_the_formula() -> None:
    """120 to 140 over 32 beats lasts 60*32*ln(140/120)/20 = 14.798 s (closed form)."""
    assert ramp_seconds(120, 140, 32) == pytest.approx(14.798, abs=5e-4)
    assert ramp_seconds(120, 140, 32) == pytest.approx(60 * 32 * math.log(140 / 120) / 20)


@pytest.mark.parametrize(("start", "end", "beats"), [(120, 140, 32), (140, 60, 7), (92, 104, 32)])
def test_ramp_against_quad(start: float, end: float, beats: float) -> None:
    """The integral of 60/bpm over the beats, by `scipy.integrate.quad`."""
    from scipy.integrate import quad

    wanted, _ = quad(lambda b: 60 / (start + (end - start) * b / beats), 0, beats)
    tempo = _map((0, start, 0), (4, end, beats))
    passed = tempo.seconds_at(from_beats(Fraction(4 + beats))) - tempo.seconds_at(from_beats(4))
    assert passed == pytest.approx(wanted, rel=1e-12)


def test_tempo_in_a_ramp() -> None:
    """Half-way through the beats it is half-way through the tempo; then it stays."""
    tempo = _map((0, 100, 0), (8, 120, 8))
    at = [tempo.bpm_at(from_beats(b)) for b in (0, 8, 12, 16, 99)]
    assert at == pytest.approx([100, 100, 110, 120, 120])


def test_a_change_cuts_a_ramp_short() -> None:
    """A new tempo inside a ramp starts from where the ramp had come to."""
    tempo = _map((0, 100, 0), (4, 140, 16), (8, 90, 0))
    assert tempo.bpm_at(from_beats(8) - 1) == pytest.approx(110, abs=1e-3)
    assert tempo.bpm_at(from_beats(30)) == 90


_points = st.lists(
    st.tuples(st.floats(0.5, 40), st.floats(20, 400), st.floats(0, 30)), min_size=1, max_size=6
)


@given(_points, st.floats(-10, 300))
def test_beats_and_seconds_are_inverse(rows: list[tuple[float, float, float]], at: float) -> None:
    """Seconds of a tick, and the tick of those seconds, through any map."""
    beat, points = 0.0, [(0.0, 120.0, 0.0)]
    for step, bpm, ramp in rows:
        beat += step
        points.append((beat, bpm, ramp))
    tempo = _map(*points)
    tick = int(at * TICKS_PER_QUARTER)
    assert tempo.ticks_at(tempo.seconds_at(tick)) == pytest.approx(tick, abs=20)


def test_with_point_replaces_what_follows() -> None:
    """A change now drops changes that were planned for later."""
    tempo = _map((0, 100, 0), (8, 120, 0)).with_point(TempoPoint(tick=from_beats(4), bpm=80))
    assert [p.bpm for p in tempo.points] == [100, 80]


@pytest.mark.parametrize("points", [[], [(0, 100, 4)], [(0, 100, 0), (0, 90, 0)]])
def test_impossible_maps(points: list[tuple[float, float, float]]) -> None:
    """No points, a ramp from nothing, and time standing still."""
    with pytest.raises(ValueError, match="tempo"):
        _map(*points)


def test_tap_against_scipy() -> None:
    """Slope and 95 % interval as `scipy.stats.linregress` and Student's t give them."""
    from scipy import stats

    rng = np.random.default_rng(3)
    times = np.arange(12) * 60 / 126 + rng.normal(0, 0.012, 12)
    fit = tap_tempo(list(times))
    line = stats.linregress(np.arange(12), times)
    margin = stats.t.ppf(0.975, 10) * line.stderr
    assert fit.bpm == pytest.approx(60 / line.slope)
    assert (fit.low, fit.high) == pytest.approx(
        (60 / (line.slope + margin), 60 / (line.slope - margin))
    )


def test_perfect_taps_have_no_margin() -> None:
    """Taps on a line give that line."""
    fit = tap_tempo([0, 0.5, 1.0, 1.5])
    assert (fit.bpm, fit.low, fit.high) == pytest.approx((120, 120, 120))


@pytest.mark.parametrize(
    ("times", "why"),
    [([0, 1], "at least 3"), ([0, 1, 1], "increase"), ([0, 1, math.nan], "finite")],
)
def test_taps_that_cannot_be_fitted(times: list[float], why: str) -> None:
    """Too few, not increasing, not numbers."""
    with pytest.raises(ValueError, match=why):
        tap_tempo(times)


def test_taps_as_people_tap() -> None:
    """A beat left out, a stray tap, a double hit: the tempo is what was meant."""
    rng = np.random.default_rng(8)
    clean = [n * 0.5 + rng.normal(0, 0.008) for n in range(16)]
    assert tapped(clean).bpm == pytest.approx(tap_tempo(clean).bpm)
    assert tapped(clean) == tap_tempo(clean)
    holes = [t for n, t in enumerate(clean) if n not in (4, 9)]
    assert tapped(holes).bpm == pytest.approx(120, abs=0.6)
    assert tap_tempo(holes).bpm < 112  # every tap a beat: wrong here
    stray = sorted([*clean[:8], clean[8] + 0.17, *clean[9:]])
    assert tapped(stray).bpm == pytest.approx(120, abs=0.6)
    double = sorted([*clean, clean[5] + 0.06])
    assert tapped(double).bpm == pytest.approx(120, abs=0.6)


def test_half_and_double_are_recognised() -> None:
    """Tapped on every second beat, or on eighths; what is near neither is taken as tapped."""
    halves = [n * 0.952 for n in range(4)]
    assert tapped(halves, 126.0).bpm == pytest.approx(126.05, abs=0.01)
    assert tapped([n * 0.238 for n in range(4)], 126.0).bpm == pytest.approx(126.05, abs=0.01)
    assert tapped(halves).bpm == pytest.approx(63.03, abs=0.01)
    assert tapped([n * 0.5 for n in range(4)], 126.0).bpm == pytest.approx(120)
    fit = tapped([0, 0.95, 1.91, 2.86], 126.0)
    assert fit.low < 126 < fit.high
    with pytest.raises(ValueError, match="at least 3"):
        tapped([0.0, 1.0])
