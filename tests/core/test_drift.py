"""Drift that is seen while it happens, in beats made with a known slope."""

from __future__ import annotations

import numpy as np
import pytest

from grebe.core.sync.drift import DriftFound, DriftWatch
from tests.long import tries


def watch(
    late_ms: np.ndarray[tuple[int], np.dtype[np.float64]], per_s: float = 2.0
) -> tuple[float | None, DriftFound | None]:
    """When something was found first, and what."""
    made = DriftWatch()
    for number, late in enumerate(late_ms):
        if made.heard(number / per_s, float(late)) and made.found is not None:
            return number / per_s, made.found
    return None, None


@pytest.mark.parametrize("seed", range(tries(6)))
@pytest.mark.parametrize("per_s", [2.0, 8.0])
def test_two_milliseconds_a_minute_are_said_within_half_a_minute(seed: int, per_s: float) -> None:
    """In jitter of 0.2 ms; the slope is that of scipy's linear regression over the same beats."""
    from scipy import stats  # four seconds of every worker, at the top

    rng = np.random.default_rng(seed)
    at = np.arange(round(60 * per_s)) / per_s
    late = 1.0 + 2 * at / 60 + rng.normal(0, 0.2, len(at))
    when, found = watch(late, per_s)
    assert when is not None
    assert found is not None
    assert when <= 30
    part = (at <= when) & (at >= when - found.over_s)
    theirs = stats.linregress(at[part], late[part])
    assert found.per_minute_ms == pytest.approx(theirs.slope * 60, abs=0.05)
    assert found.now_ms == pytest.approx(theirs.intercept + theirs.slope * when, abs=0.05)
    assert found.sure > 0.99
    assert not found.jumped


def test_hours_of_jitter_are_no_drift() -> None:
    """A quarter of an hour each of normal jitter, of JACK's periods and of slow wavering (the
    bench and docs/performance.md have many hours)."""
    rng = np.random.default_rng(4)
    count = 15 * 60 * 2
    slow = np.zeros(count)
    steps = rng.normal(0, 0.3, count)
    for n in range(1, count):
        slow[n] = 0.4 * slow[n - 1] + steps[n]
    for late in (rng.normal(0, 0.5, count), rng.uniform(0, 5.3, count), slow):
        assert watch(late) == (None, None)


def test_a_jump_is_no_drift() -> None:
    """A box that is suddenly 4 ms late has jumped; no slope is made of it."""
    rng = np.random.default_rng(5)
    late = rng.normal(0, 0.2, 200)
    late[70:] += 4
    _, found = watch(late)
    assert found is not None
    assert found.jumped
    assert found.now_ms == pytest.approx(4.0, abs=0.3)
    assert found.per_minute_ms == 0


def test_when_it_will_be_heard() -> None:
    """By its slope; at once where it is far enough off, never where it comes back to the beat."""
    found = DriftFound(2.0, 2.0, 0.99, 30.0)
    assert found.heard_in_s(6.0) == pytest.approx(120)
    assert found.heard_in_s(1.5) == 0
    back = DriftFound(-2.0, 2.0, 0.99, 30.0)
    assert back.heard_in_s(6.0) == pytest.approx(240)  # past the beat, to the other side
    assert DriftFound(2.0, 0.0, 0.9, 30.0, jumped=True).heard_in_s(6.0) is None


def test_put_right_it_is_measured_afresh() -> None:
    rng = np.random.default_rng(6)
    made = DriftWatch()
    for n in range(120):
        made.heard(n / 2, n / 20 + float(rng.normal(0, 0.1)))
    assert made.found is not None
    made.forget()
    assert made.found is None
    for n in range(120, 240):
        made.heard(n / 2, float(rng.normal(0, 0.1)))
    assert made.found is None
