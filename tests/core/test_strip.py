"""Figures of a device's last beats."""

from __future__ import annotations

import numpy as np
import pytest
import scipy

from grebe.core.sync.strip import FEWEST, strip_figures

TIMES = np.arange(64) * 60 / 126


def test_too_few_beats_say_nothing() -> None:
    """Below eight there is no verdict."""
    found = strip_figures(TIMES[: FEWEST - 1], [3.0] * (FEWEST - 1), 0.0, 2.0)
    assert (found.verdict, found.set_ms, found.beats) == ("", None, FEWEST - 1)


@pytest.mark.parametrize(
    ("late", "verdict", "set_ms"), [(5.8, "late", -5.8), (-4.0, "early", 4.0), (0.5, "good", None)]
)
def test_one_number_mends_a_constant_lateness(
    late: float, verdict: str, set_ms: float | None
) -> None:
    """Late is sent earlier by as much; an offset that is set already counts."""
    noise = np.random.default_rng(1).normal(0, 0.3, 64)
    found = strip_figures(TIMES, noise + late, 0.0, 2.0)
    assert found.verdict == verdict
    assert found.offset_ms == pytest.approx(late, abs=0.15)
    assert found.jitter_ms == pytest.approx(0.59, abs=0.25)
    assert found.drift_ms_per_min == 0
    if set_ms is None:
        assert found.set_ms is None
    else:
        assert found.set_ms == pytest.approx(set_ms, abs=0.2)
        moved = strip_figures(TIMES, noise + late, 10.0, 2.0)
        assert moved.set_ms == pytest.approx(10 + set_ms, abs=0.2)


def test_drift_is_the_slope_of_a_least_squares_line() -> None:
    """Against scipy's regression; no one number mends it."""
    noise = np.random.default_rng(2).normal(0, 0.5, 64)
    late = noise + 18 * TIMES / 60
    found = strip_figures(TIMES, late, 0.0, 2.0)
    assert found.verdict == "drifting"
    assert found.set_ms is None
    assert found.drift_ms_per_min == pytest.approx(scipy.stats.linregress(TIMES / 60, late).slope)


def test_what_is_all_over_the_place_is_unsteady() -> None:
    """Wavering by far more than may be."""
    late = np.random.default_rng(3).normal(0, 6, 64)
    assert strip_figures(TIMES, late, 0.0, 2.0).verdict == "unsteady"


def test_beats_at_one_time_do_not_break_it() -> None:
    """No time between them: no slope."""
    assert strip_figures([1.0] * 10, [2.5] * 10, 0.0, 2.0).verdict == "late"


def test_a_late_beginning_is_no_drift() -> None:
    """Two beats late by 5 ms, then together: strays, not a slope."""
    late = np.random.default_rng(5).normal(0.5, 0.15, 27)
    late[:2] += 5.0
    found = strip_figures(TIMES[:27], late, 0.0, 2.0)
    assert found.verdict == "good"
    assert found.drift_ms_per_min == 0
