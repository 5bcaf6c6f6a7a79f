"""What figures of timing mean."""

from __future__ import annotations

import math

import pytest

from grebe.core.sync.explain import drift, drift_words, noticed_ms, offset_words


def test_two_tempi_part() -> None:
    """120 and 120.05: the 120th beat of B comes 60 s * 120/120.05 in, 24.99 ms before A's."""
    found = drift(120.0, 120.05, 20.0)
    assert found.ms_per_minute == pytest.approx((60 - 60 * 120 / 120.05) * 1e3)
    assert found.seconds_to_limit == pytest.approx(20 / found.ms_per_minute * 60)
    assert found.beats_to_limit == pytest.approx(found.seconds_to_limit * 2)
    assert math.isinf(drift(126.0, 126.0, 20.0).seconds_to_limit)


@pytest.mark.parametrize(
    ("interval", "ms"), [(50, 6.0), (100, 6.0), (240, 6.0), (400, 10.0), (1000, 25.0), (2000, 25.0)]
)
def test_what_listeners_notice(interval: float, ms: float) -> None:
    """Friberg and Sundberg 1995 (from memory): 6 ms to 240 ms apart, 2.5 % from there to 1 s."""
    assert noticed_ms(interval) == pytest.approx(ms)


def test_in_words() -> None:
    """Samples and metres: sound goes 343 m/s in air of 20 degrees."""
    assert offset_words(-10.0) == "480 samples at 48 kHz, or 3.4 m of air"
    assert offset_words(1.0, 44_100) == "44 samples at 44.1 kHz, or 0.3 m of air"
    assert "after 20 s" in drift_words(18.0)
    assert drift_words(0.0) == "It never flams."
