"""How sure a mean is, and a line that strays do not pull, beside SciPy's."""

from __future__ import annotations

import numpy as np
import pytest
import scipy

from grebe.core.estimates import median_line, t95


@pytest.mark.parametrize("free", [1, 2, 11, 400])
def test_students_t(free: int) -> None:
    assert t95(free) == pytest.approx(scipy.stats.t.ppf(0.975, free))


@pytest.mark.parametrize("seed", range(4))
def test_the_line_is_theils(seed: int) -> None:
    """With a fifth of it anywhere, and with moments that fall together."""
    rng = np.random.default_rng(seed)
    along = np.round(np.sort(rng.uniform(0, 60, 80)), 0 if seed % 2 else 6)
    values = 0.3 * along - 2 + rng.normal(0, 0.1, 80)
    values[::5] = rng.uniform(-99, 99, 16)
    found = median_line(along, values)
    theirs = scipy.stats.theilslopes(values, along)
    assert found == pytest.approx((theirs.slope, theirs.intercept))
    assert found[0] == pytest.approx(0.3, abs=0.02)
