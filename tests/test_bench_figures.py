"""What a benchmark says of how long things took."""

from __future__ import annotations

import numpy as np
import pytest

from grebe.bench.figures import percentile, spread_ms


@pytest.mark.parametrize("count", [1, 2, 3, 7, 60, 100, 101])
@pytest.mark.parametrize("percent", [50, 95, 99])
def test_a_percentile_is_one_of_the_times_near_numpys(count: int, percent: int) -> None:
    """NumPy's interpolated one, or one of the two times that follow on it."""
    times = sorted(np.random.default_rng(count).uniform(0, 100, count).round(6).tolist())
    numpys = float(np.percentile(times, percent))
    found = percentile(times[::-1], percent, 6)
    assert found in [t for t in times if t >= numpys - 1e-6][:2]


def test_a_spread_is_named_and_in_no_order() -> None:
    assert spread_ms([3.004, 1.0, 2.0], 50, 95) == {"p50_ms": 2.0, "p95_ms": 3.0, "max_ms": 3.0}
    assert spread_ms([3.004], 50, digits=3) == {"p50_ms": 3.004, "max_ms": 3.004}
