"""The engine itself on a clock that runs at speed."""

from __future__ import annotations

from grebe.bench.clock import BPM, DEVICES
from grebe.bench.engine import rehearse
from grebe.transports.clock import SimulatedClock


def test_two_minutes_pass_in_seconds_and_no_tick_is_left_out() -> None:
    """Every tick that falls due goes to every device."""
    found = rehearse(120.0)
    each = 120.0 * BPM / 60 * 24
    assert abs(found["ticks"] / DEVICES - each) < 10  # what is planned ahead, and the beginning
    assert found["took_seconds"] < 60
    assert 5 < found["memory_mb_first"] < 120


def test_a_simulated_clock_never_goes_back() -> None:
    """It is where one wanted to sleep to."""
    clock = SimulatedClock()
    began = clock.now_ns()
    clock.sleep_until_ns(began + 500, 0)
    assert clock.now_ns() == began + 500
    clock.sleep_until_ns(began, 0)
    assert clock.now_ns() == began + 500
