"""Pulse trains to the sample, and pulses found again through hum, noise and ringing."""

from __future__ import annotations

import json
from fractions import Fraction
from itertools import cycle, product
from pathlib import Path

import numpy as np
import pytest
import scipy

from grebe.app.document.demo import fresh_demo
from grebe.cli.main import main
from grebe.core.rig.spec import PulseShape
from grebe.core.sync.pulses import PulseDetector, pulse_ticks, render_pulses
from grebe.core.time.ticks import TICKS_PER_QUARTER
from tests.long import LONG

RATE = 48_000
TIMES = [0.01 + n * 60 / 126 / 4 for n in range(60)]


def edges(samples: np.ndarray) -> np.ndarray:
    """Samples at which it rises, found by SciPy."""
    rise = np.diff(np.concatenate([[0.0, 0.0], samples.astype(float)]))
    found, _ = scipy.signal.find_peaks(rise, height=0.5 * rise.max())
    return found - 1


@pytest.mark.parametrize(
    ("rate", "count"), [("24", 24), ("96", 96), ("48", 48), ("1", 1), ("24/5", 5), ("24/7", 4)]
)
def test_ticks_of_any_rate(rate: str, count: int) -> None:
    """Whole and divided rates lie on whole ticks, evenly."""
    ticks = pulse_ticks(0, TICKS_PER_QUARTER, Fraction(rate))
    assert len(ticks) == count
    whole = Fraction(TICKS_PER_QUARTER) / Fraction(rate)
    assert ticks == [round(n * whole) for n in range(count)]
    assert whole.denominator == 1


def test_slower_than_a_quarter_and_rates_that_are_none() -> None:
    """One a bar of 4/4 is a quarter of a pulse."""
    assert pulse_ticks(0, 8 * TICKS_PER_QUARTER, Fraction(1, 4)) == [0, 4 * TICKS_PER_QUARTER]
    for wrong in (0, -1, 97):
        with pytest.raises(ValueError, match="between 0 and 96"):
            pulse_ticks(0, 1, Fraction(wrong))


@pytest.mark.parametrize("rate", [44_100, 48_000, 96_000, 192_000])
def test_every_pulse_begins_at_the_nearest_sample(rate: int) -> None:
    """Measured with SciPy's own edge finding."""
    train = render_pulses(TIMES, TIMES[-1] + 0.1, rate, PulseShape(width_ms=5.0))
    assert edges(train).tolist() == [round(t * rate) for t in TIMES]
    assert set(np.unique(train)) == {0.0, 1.0}
    assert abs(train.sum() / rate / len(TIMES) - 0.005) < 2 / rate


def test_width_in_percent_polarity_and_level() -> None:
    """Half of the way to the next; falling rests high."""
    shape = PulseShape(width_ms=None, width_percent=50.0, polarity="falling", level=0.5)
    train = render_pulses(TIMES, TIMES[-1] + 0.2, RATE, shape)
    assert train[0] == 0.5
    fall = edges(0.5 - train)
    assert fall.tolist() == [round(t * RATE) for t in TIMES]
    assert np.mean(train[fall[0] : fall[-1]]) == pytest.approx(0.25, abs=0.01)


def test_pulses_wider_than_their_distance_still_have_a_rest() -> None:
    """At 96 a quarter and 200 BPM they come every 3.1 ms."""
    times = [n * 60 / 200 / 96 for n in range(500)]
    train = render_pulses(times, times[-1] + 0.01, RATE, PulseShape(width_ms=20.0))
    assert len(edges(train)) == 500
    assert train.mean() < 0.8


def heard(
    level: float = 0.8,
    hum: float = 0.0,
    ring: float = 0.0,
    noise: float = 0.005,
    width_ms: float = 5.0,
    rate: int = RATE,
    falling: bool = False,
) -> np.ndarray:
    """The train as it might come in: with 50 Hz hum, ringing at 4 kHz, noise."""
    shape = PulseShape(width_ms=width_ms, level=level, polarity="falling" if falling else "rising")
    samples = render_pulses(TIMES, TIMES[-1] + 0.3, rate, shape).astype(float)
    n = np.arange(len(samples))
    if ring:
        k = np.arange(int(0.01 * rate)) / rate
        shape_of_it = ring * np.exp(-k / 0.0004) * np.sin(2 * np.pi * 4000 * k)
        samples += np.convolve(np.diff(samples, prepend=samples[0]), shape_of_it)[: len(n)]
    samples += hum * np.sin(2 * np.pi * 50 * n / rate)
    return samples + np.random.default_rng(9).normal(0, noise, len(n))


WAYS: list[dict[str, float]] = [
    {}, {"hum": 0.3}, {"ring": 0.4}, {"hum": 0.3, "ring": 0.4}, {"width_ms": 1.0},
    {"width_ms": 60.0}, {"level": 0.1, "noise": 0.001}, {"rate": 192_000}, {"falling": True},
]  # fmt: skip
BLOCKS = [1024, 64, 10**7]


@pytest.mark.parametrize(
    ("way", "block"),
    list(product(WAYS, BLOCKS) if LONG else zip(WAYS, cycle(BLOCKS), strict=False)),
    ids=str,
)
def test_pulses_are_found_to_a_sample(way: dict[str, float], block: int) -> None:
    """None missed, none extra, within a sample and a half, whatever the block."""
    samples = heard(**way)  # type: ignore[arg-type]
    rate = int(way.get("rate", RATE))
    detector = PulseDetector(rate, falling=bool(way.get("falling")))
    found: list[float] = []
    for start in range(0, len(samples), block):
        found += detector.feed(samples[start : start + block])
    assert len(found) == len(TIMES)
    assert np.abs(np.array(found) - TIMES).max() < 1.6 / rate


@pytest.mark.parametrize("block", [64, 1024])
def test_pulses_close_together_are_found(block: int) -> None:
    """96 a quarter note at 200 BPM."""
    times = [0.01 + n * 60 / 200 / 96 for n in range(600)]
    samples = render_pulses(times, times[-1] + 0.1, RATE, PulseShape(width_ms=2.0, level=0.5))
    samples = samples + np.random.default_rng(2).normal(0, 0.003, len(samples))
    detector = PulseDetector(RATE)
    found = [
        t for i in range(0, len(samples), block) for t in detector.feed(samples[i : i + block])
    ]
    assert len(found) == len(times)


def test_hum_and_noise_alone_are_no_pulses() -> None:
    """Nothing plugged in, or a cable that hums."""
    n = np.arange(5 * RATE)
    rng = np.random.default_rng(4)
    for samples in (
        np.zeros(RATE),
        rng.normal(0, 0.05, len(n)),
        0.5 * np.sin(2 * np.pi * 50 * n / RATE) + rng.normal(0, 0.01, len(n)),
    ):
        detector = PulseDetector(RATE)
        found = [
            t for i in range(0, len(samples), 256) for t in detector.feed(samples[i : i + 256])
        ]
        assert found == []
    assert PulseDetector(RATE).feed(np.zeros(0)) == []


def test_the_command_writes_pulses_and_run_line(
    tmp_path: Path, capsys: pytest.CaptureFixture[str]
) -> None:
    """Read by SciPy: a pulse for every one of the song, the first on its downbeat."""
    words = ["render", str(fresh_demo()), "--song", "Harbour bell", "--to", str(tmp_path)]
    assert main([*words, "--pulse", "bar", "--run-line", "--json"]) == 0
    out = capsys.readouterr()
    assert "never to speakers" in out.err
    pulse, line = json.loads(out.out)["files"]
    rate, samples = scipy.io.wavfile.read(pulse)
    assert rate == 48_000
    assert len(edges(samples)) == 112
    assert edges(samples)[0] == 0
    assert len(edges(scipy.io.wavfile.read(line)[1])) == 1
    assert main([*words, "--pulse", "24/5", "--width-percent", "30", "--rate", "44100"]) == 0
    capsys.readouterr()
    for wrong in ("0", "97", "many", "1/0"):
        assert main([*words, "--pulse", wrong]) == 2
        assert "pulse rate" in capsys.readouterr().err
    (tmp_path / "file").write_text("")
    words[-1] = str(tmp_path / "file")
    assert main([*words, "--pulse", "4"]) == 2


@pytest.mark.parametrize("block", [64, 480, 48_000])
def test_an_edge_that_climbs_unevenly_is_one_pulse(block: int) -> None:
    """A weak driver on a long cable climbs for 6 ms in three swells, and goes under half of the
    steepest three times, never under a quarter: one pulse, since the detector is armed only below
    that."""
    pole = np.exp(-2 * np.pi * 1000 / RATE)
    steep = np.zeros(RATE)
    for start in (4800, 14_400, 24_000):
        n = np.arange(288)
        steep[start + n] = 0.65 + 0.35 * np.cos(2 * np.pi * 500 * n / RATE)
    samples = np.cumsum(steep - pole * np.concatenate([[0.0], steep[:-1]]))  # the high-pass undone
    samples += np.random.default_rng(4).normal(0, 0.002, len(samples))
    detector = PulseDetector(RATE)
    found = [
        t for i in range(0, len(samples), block) for t in detector.feed(samples[i : i + block])
    ]
    assert np.round(np.array(found) * RATE) == pytest.approx([4800, 14_400, 24_000], abs=1.6)
