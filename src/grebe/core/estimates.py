"""Estimates that more than one part of Grebe makes: how sure a mean is, and a line that strays do
not pull."""

from __future__ import annotations

from collections.abc import Sequence
from typing import TYPE_CHECKING

from grebe.core.numeric import np

if TYPE_CHECKING:
    from numpy.typing import NDArray

    Values = Sequence[float] | NDArray[np.floating]


def t95(free: int) -> float:
    """Half of a 95 % interval in standard errors: Student's t with so many degrees of freedom."""
    from scipy.special import stdtrit  # noqa: PLC0415 - `scipy.stats` would hold a window up

    return float(stdtrit(free, 0.975))


def pair_slopes(along: Values, values: Values) -> NDArray[np.float64]:
    """The slopes of all pairs that lie apart, from the least (Theil, 1950)."""
    x, y = np.asarray(along, dtype=float), np.asarray(values, dtype=float)
    apart = x[:, None] - x
    pairs = apart > 0
    found: NDArray[np.float64] = np.sort((y[:, None] - y)[pairs] / apart[pairs])
    return found


def median_line(along: Values, values: Values) -> tuple[float, float]:
    """Slope and level at 0 of the line through the medians, with the slope that half of all pairs
    exceed: up to 29 % of what it is laid through may lie anywhere (Theil, 1950; Sen, 1968)."""
    slope = float(np.median(pair_slopes(along, values)))
    return slope, float(np.median(values)) - slope * float(np.median(along))
