"""Another computer's clock from what arrives soonest in each direction.

Delay only ever adds. So of all questions the one that took least bounds the
other clock from one side, and of all answers the one that took least from
the other; the clock is taken to lie half way between. The two may be
different exchanges, which makes this robust where one direction is loaded.
"""

from __future__ import annotations

from collections.abc import Sequence
from itertools import chain
from typing import NamedTuple

from grebe.core.numeric import NDArray, np
from grebe.core.session.exchange import Exchange, best_of

WINDOW_NS = 30_000_000_000
SKEW_PRIOR = 50e-6
"""Crystals of computers differ by so much at most, as a rule."""
SKEW_MOST = 500e-6
PRIOR_NS = 1_000.0
PRIOR_JITTER = 1.0
"""What a skew as large as the prior's has to gain in delay to be believed: so much, and this share
of what chance alone gains, the jitter over the number of exchanges."""
SKEW_AFTER_NS = 500_000_000
"""Over less time no skew can be told from jitter."""
_SEARCHES, _ACROSS = 4, 17
NO_FLOOR = 16.0
"""Of so many exchanges the five of least delay lie within this over their number, as a share of
the median's distance, where delay has a hard floor and exponential jitter: by chance alone it is
more one time in ten thousand (the sum of eight exponential gaps, a gamma distribution)."""
NO_FLOOR_FROM = 50
NO_FLOOR_OVER_NS = 300_000
"""Nearer than this they are good enough whatever they are."""
STEP_NS = 2_000_000
"""A contradiction of this much between the two bounds is a stepped clock, not noise."""


class OffsetEstimate(NamedTuple):
    """Another clock, as it stands at a time of ours."""

    at_ns: int
    offset_ns: float
    """Theirs minus ours, then."""
    skew: float
    """How much faster theirs runs: 1e-6 is a microsecond a second."""
    spread_ns: float
    """How far apart the least delays are: what the offset may be wrong by, but for a delay that is
    always longer one way."""
    delay_ns: float
    """Least time there and back."""
    best_ns: float
    """The offset by the plain best of the last exchanges, for comparison."""
    floored: bool
    """Whether delays have a hard floor; else `offset_ns` is the plain best."""

    def theirs(self, ours_ns: int) -> float:
        """Their clock at a time of ours."""
        return ours_ns + self.offset_ns + self.skew * (ours_ns - self.at_ns)


def estimate(exchanges: Sequence[Exchange], now_ns: int) -> OffsetEstimate:
    """The other clock now, from the exchanges of the last 30 s. ValueError without any."""
    if not exchanges:
        raise ValueError("no exchange yet")
    table = _table(exchanges)
    base = int(table[-1, 1] - table[-1, 0])
    there_at = (table[:, 0] - now_ns).astype(float)
    there = (table[:, 1] - table[:, 0] - base).astype(float)
    back_at = (table[:, 3] - now_ns).astype(float)
    back = (table[:, 3] - table[:, 2] + base).astype(float)
    skew = 0.0
    if there_at[-1] - there_at[0] >= SKEW_AFTER_NS:
        skew = _skew(there_at, there, back_at, back)
    there = np.sort(there - skew * there_at)
    back = np.sort(back + skew * back_at)
    best = best_of(exchanges)
    floored = _floored(there, back)
    offset = base + (there[0] - back[0]) / 2
    if not floored:  # with the skew, the best exchanges are older than now by half their time
        offset = best
    third = min(2, len(there) - 1)
    return OffsetEstimate(
        at_ns=now_ns,
        offset_ns=float(offset),
        skew=skew,
        spread_ns=float(there[third] - there[0] + back[third] - back[0]) / 2,
        delay_ns=float(there[0] + back[0]),
        best_ns=best,
        floored=floored,
    )


def stepped(exchanges: Sequence[Exchange]) -> bool:
    """Whether the last exchange contradicts those before it: a clock has been set, or slept."""
    if len(exchanges) < 2:
        return False
    table = _table(exchanges)
    ages = (table[-1, 0] - table[:-1, 0]).astype(float) * SKEW_MOST
    last = table[-1]
    there, back = last[1] - last[0], last[3] - last[2]
    least_there = (table[:-1, 1] - table[:-1, 0] + ages).min()
    least_back = (table[:-1, 3] - table[:-1, 2] + ages).min()
    # Both delays are 0 or more, whatever the offset: their sum cannot be negative.
    return bool(there + least_back < -STEP_NS or back + least_there < -STEP_NS)


def _table(exchanges: Sequence[Exchange]) -> NDArray[np.int64]:
    """A row an exchange; NumPy's own way from tuples takes three times as long."""
    return np.fromiter(chain.from_iterable(exchanges), np.int64, 4 * len(exchanges)).reshape(-1, 4)


def _skew(
    there_at: NDArray[np.float64],
    there: NDArray[np.float64],
    back_at: NDArray[np.float64],
    back: NDArray[np.float64],
) -> float:
    """The skew under which least delays both ways add up to most.

    The sum is concave in the skew, so a search that narrows finds its top.
    """
    low, high = -SKEW_MOST, SKEW_MOST
    best = 0.0
    jitter = _above_least(there) + _above_least(back)
    prior = PRIOR_NS + PRIOR_JITTER * jitter / len(there)
    for _ in range(_SEARCHES):
        tried = np.linspace(low, high, _ACROSS)
        sums = (there - tried[:, None] * there_at).min(axis=1)
        sums += (back + tried[:, None] * back_at).min(axis=1)
        sums -= prior * (tried / SKEW_PRIOR) ** 2
        i = int(sums.argmax())
        best = float(tried[i])
        width = tried[1] - tried[0]
        low, high = best - width, best + width
    return best


def _floored(there: NDArray[np.float64], back: NDArray[np.float64]) -> bool:
    """Whether sorted delays crowd at their least, as they do where a wire sets it."""
    if len(there) < NO_FLOOR_FROM:
        return True
    gaps = there[4] - there[0] + back[4] - back[0]
    medians = _above_least(there) + _above_least(back)
    return bool(gaps <= NO_FLOOR_OVER_NS or gaps <= NO_FLOOR / len(there) * medians)


def _above_least(delays: NDArray[np.float64]) -> float:
    """The median's distance from the least; `np.median` takes several times as long."""
    row, count = np.sort(delays), len(delays)
    return float((row[(count - 1) // 2] + row[count // 2]) / 2 - row[0])
