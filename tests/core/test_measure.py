"""Offset, drift, jitter and verdict, on events whose truth is known."""

from __future__ import annotations

import numpy as np
import pytest
import scipy
from numpy.typing import NDArray

from grebe.bench.sync import random_case
from grebe.core.sync.lattice import reference_lattice
from grebe.core.sync.measure import measure, measure_against
from grebe.core.sync.measured import Measured
from tests.long import tries

BPM = 126.0
P = 60 / BPM
CASES = tries(60)
"""Of each class here; the page says what 300 of each came to."""
Events = NDArray[np.float64]


def beats(count: int = 64, start: float = 1.0) -> Events:
    return start + np.arange(count) * P


def steps(beats_: Events, k: int) -> Events:
    """Every k-th of a beat from the first to the last."""
    return beats_[0] + np.arange((len(beats_) - 1) * k + 1) * P / k


def late(device: Events, ms: float = 0.0, per_min: float = 0.0) -> Events:
    return device + ms / 1e3 + per_min / 60e3 * (device - device.mean())


def gauss(device: Events, ms: float, seed: int = 1) -> Events:
    return device + np.random.default_rng(seed).normal(0, ms / 1e3, len(device))


def found(value: float | None) -> float:
    assert value is not None
    return value


def test_an_exact_lateness_is_found_exactly() -> None:
    """And the number that mends it, with nothing missed, extra or wavering."""
    ref = beats()
    m = measure(ref, late(ref, 5.8))
    assert (m.verdict, m.suggested_offset_ms) == ("adjust", -5.8)
    assert m.offset_ms == pytest.approx(5.8, abs=1e-3)
    assert m.bpm == pytest.approx(BPM, abs=1e-3)
    assert (m.missed, m.extra, m.clean_beats) == (0, 0, 64)
    assert m.jitter_ms is not None
    assert m.jitter_ms.max < 1e-3


def test_line_and_intervals_are_those_of_scipy() -> None:
    """Slope, its error, level at the middle and its 95 % interval (scipy.stats.linregress)."""
    ref = beats(128)
    device = gauss(late(ref, 3.0, 20.0), 0.8)
    m = measure(ref, device)
    line = scipy.stats.linregress(ref, device - ref)
    middle = (ref[0] + ref[-1]) / 2
    level = line.intercept + line.slope * middle
    x = ref - middle
    s = np.sqrt(((device - ref - line.intercept - line.slope * ref) ** 2).sum() / (len(x) - 2))
    error = s * np.sqrt(1 / len(x) + x.mean() ** 2 / ((x - x.mean()) ** 2).sum())
    half = scipy.stats.t.ppf(0.975, len(x) - 2) * error
    assert m.drift_ms_per_min == pytest.approx(line.slope * 60e3, abs=1e-3)
    assert m.drift_error_ms_per_min == pytest.approx(line.stderr * 60e3, abs=1e-3)
    assert m.offset_ms == pytest.approx(level * 1e3, abs=1e-3)
    assert m.offset_low_ms == pytest.approx((level - half) * 1e3, abs=1e-3)
    assert m.offset_high_ms == pytest.approx((level + half) * 1e3, abs=1e-3)


def test_jitter_is_what_was_put_in() -> None:
    """p95 of white jitter of 1 ms is 1.96 ms, within 10 %."""
    ref = beats(1200)
    m = measure(ref, gauss(ref, 1.0))
    assert m.jitter_ms is not None
    assert m.jitter_ms.p95 == pytest.approx(1.96, rel=0.1)
    assert m.nature == "white"


def test_drift_over_two_minutes() -> None:
    """Within 0.05 ms a minute on events that do not waver."""
    ref = beats(252)
    for per_min in (18.0, -7.0, 120.0):
        m = measure(ref, late(ref, 1.0, per_min))
        assert m.drift_ms_per_min == pytest.approx(per_min, abs=0.05)
        assert (m.verdict, m.suggested_offset_ms) == ("drifting", None)
        assert m.drift_bpm == pytest.approx(-BPM * per_min / 60e3, rel=1e-2)


@pytest.mark.parametrize("percent", [54.0, 56.0, 62.0])
@pytest.mark.parametrize("k", [2, 4])
def test_swing_is_recognised_and_no_jitter(percent: float, k: int) -> None:
    """As this much, and neither offset nor jitter takes it in."""
    ref = beats()
    device = steps(ref, k)
    device += (np.arange(len(device)) % 2) * (percent - 50) / 50 * P / k
    m = measure(ref, gauss(device, 0.5))
    assert m.swing_percent == pytest.approx(percent, abs=0.5)
    assert m.verdict == "good"
    assert m.jitter_ms is not None
    assert m.jitter_ms.p95 < 1.3


def test_swing_of_both_is_together() -> None:
    """A reference that swings is no measure of a device that does not differ from it."""
    ref = beats(64)
    ref += (np.arange(64) % 2) * 0.12 * P
    m = measure(ref, gauss(ref, 0.3))
    assert (m.verdict, m.swing_percent) == ("good", None)


def test_missed_extra_and_doubled() -> None:
    """Counted, and the offset stands."""
    ref = beats(128)
    device = late(ref, 4.0)
    device = np.delete(device, [10, 11, 50, 90])
    device = np.sort(np.concatenate([device, device[20:23] + 0.0006, [ref[60] + 0.21]]))
    m = measure(ref, gauss(device, 0.1))
    assert (m.missed, m.extra) == (4, 4)
    assert m.offset_ms == pytest.approx(4.0, abs=0.1)


def test_a_pattern_is_not_missed_hits() -> None:
    """Steps it never plays are no gaps; a third left out anyhow is counted, and still measured."""
    ref = beats(128)
    device = steps(ref, 4)
    plays = np.array([c == "x" for c in "x..xx.x.x.x.x..x"])
    m = measure(ref, gauss(late(device[plays[np.arange(len(device)) % 16]], 3.0), 0.5))
    assert m.missed == 0
    assert m.offset_ms == pytest.approx(3.0, abs=0.2)
    rng = np.random.default_rng(3)
    thin = ref[rng.random(len(ref)) > 0.3]
    m = measure(ref, gauss(late(thin, 3.0), 0.5))
    assert m.offset_ms == pytest.approx(3.0, abs=0.2)
    assert m.missed == pytest.approx(128 - len(thin), abs=2)


def test_whole_beats_apart_are_no_lateness() -> None:
    """A device that began some beats later is measured all the same."""
    ref = beats(64)
    m = measure(ref, gauss(late(ref[3:], 2.5), 0.2))
    assert m.offset_ms == pytest.approx(2.5, abs=0.1)
    assert measure(ref, late(ref, -3.0) + 5 * P).offset_ms == pytest.approx(-3.0, abs=1e-3)


def test_a_reference_that_changes_tempo_is_followed() -> None:
    """A ramp from 120 to 126 in it: the device's offset is against what it plays then."""
    period = np.linspace(60 / 120, 60 / 126, 96)
    ref = 1 + np.concatenate([[0], np.cumsum(period)])
    m = measure(ref, gauss(late(ref, 3.0), 0.3))
    assert m.offset_ms == pytest.approx(3.0, abs=0.2)
    assert m.jitter_ms is not None
    assert m.jitter_ms.p95 < 1.0


def test_a_reference_that_wavers_gives_its_line() -> None:
    """Its own jitter is not the device's; doubled and missing beats of it are allowed for."""
    ref = beats(128)
    seen = np.sort(np.concatenate([np.delete(gauss(ref, 0.5), [5, 40]), [ref[9] + 0.001]]))
    lattice = reference_lattice(seen)
    assert lattice is not None
    assert lattice.steady
    assert (lattice.missed, lattice.extra) == (2, 1)
    m = measure_against(lattice, late(ref, 2.5), 1.0)
    assert m.jitter_ms is not None
    assert m.jitter_ms.p95 < 0.2


@pytest.mark.parametrize(
    ("nature", "make"),
    [
        ("frames", lambda d, r: np.ceil(d * 1e3) / 1e3),
        ("growing", lambda d, r: d + r.normal(0, 1, len(d)) * np.linspace(1e-4, 3e-3, len(d))),
        ("periodic", lambda d, r: d + 2e-3 * np.sin(np.arange(len(d)) / 3)),
        ("bursts", lambda d, r: d + 0.02 * (np.arange(len(d)) % 40 < 3)),
        ("white", lambda d, r: d + r.normal(0, 1e-3, len(d))),
    ],
)  # fmt: skip
def test_the_nature_of_jitter(nature: str, make: object) -> None:
    """Bus frames of 1 ms (USB 2.0), what grows, comes and goes, comes in bursts, or neither."""
    ref = beats(256)
    device = make(ref, np.random.default_rng(2))  # type: ignore[operator]
    assert measure(ref, device).nature == nature


def test_what_cannot_be_measured_gives_no_number() -> None:
    """Too few, nothing on the beat, wavering beyond use: in a sentence, without a setting."""
    ref = beats(64)
    rng = np.random.default_rng(4)
    for m in (
        measure(ref[:6], ref[:6]),
        measure(ref, ref[:5]),
        measure(ref, np.sort(rng.uniform(1, 30, 70))),
        measure(ref, gauss(ref, 25.0)),
    ):
        assert m.verdict == "unusable"
        assert m.suggested_offset_ms is None
        assert m.sentence.endswith(".")
        assert 0 <= m.confidence <= 1
    assert "at least 8 are needed" in measure(ref[:6], ref[:6]).sentence
    assert measure(ref, ref[:5]).offset_ms is None


@pytest.mark.parametrize("share", [1.02, 0.97, 1.27, 0.8])
def test_a_device_at_its_own_tempo(share: float) -> None:
    """Its tempo is told, and no offset made up."""
    ref = beats(96)
    m = measure(ref, 1 + np.arange(80) * P * share)
    assert (m.verdict, m.offset_ms, m.suggested_offset_ms) == ("drifting", None, None)
    assert m.bpm == pytest.approx(BPM / share, rel=1e-3)
    assert m.drift_ms_per_min == pytest.approx((share - 1) * 60e3, rel=1e-2)
    assert f"{BPM / share:.1f} BPM" in m.sentence


def test_hits_at_random_are_no_device() -> None:
    """Whatever their number."""
    ref = beats(96)
    for seed in range(tries(40)):
        rng = np.random.default_rng(seed)
        device = np.sort(rng.uniform(ref[0], ref[-1], int(rng.integers(40, 120))))
        assert measure(ref, device).verdict == "unusable"


def test_another_pace_is_said() -> None:
    """Half and double the beats lie on the beat, and are told."""
    ref = beats(64)
    assert "0.5 times to each beat" in measure(ref, ref[::2]).sentence
    assert "2 times to each beat" in measure(ref, steps(ref, 2)).sentence


@pytest.mark.parametrize("verdict", ["good", "adjust", "drifting", "unusable"])
def test_no_false_verdict(verdict: str) -> None:
    """Over random recordings of every class."""
    for seed in range(CASES):
        ref, device = random_case(np.random.default_rng(seed), verdict)
        m: Measured = measure(ref, device)
        assert m.verdict == verdict, (seed, m)
