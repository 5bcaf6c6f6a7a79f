"""How cheap an order of songs could be at most: a mixed-integer programme, solved by HiGHS.

A variable for each song followed by each other at each place (the three-index formulation of
Picard and Queyranne, 1978, from memory): one is 1 between every two places, a song that is come to
is left again, and each is played once. Its bound is used, and its order where it has a better one.
"""

from __future__ import annotations

from collections.abc import Sequence
from itertools import pairwise
from typing import NamedTuple, TypeAlias

from grebe.core.numeric import NDArray, np

Array: TypeAlias = "NDArray[np.float64]"


class Costs(NamedTuple):
    """What an order is judged by."""

    step: Array
    """(songs, songs): from one to another."""
    place: Array
    """(songs, places): of a song at a place; infinite where a pin forbids it."""

    def of(self, order: Sequence[int]) -> float:
        """What an order costs."""
        out = sum(float(self.place[song, at]) for at, song in enumerate(order))
        return out + sum(float(self.step[a, b]) for a, b in pairwise(order))


def bounded(costs: Costs, seconds: float) -> tuple[tuple[int, ...], float]:
    """An order, empty where none was found in time, and what none can be below.

    The bound is 0 where the time did not do for one. Three songs at least.
    """
    from scipy.optimize import Bounds, LinearConstraint, milp  # noqa: PLC0415 - slow to import
    from scipy.sparse import coo_array  # noqa: PLC0415

    count = len(costs.place)
    allowed = np.isfinite(costs.place)
    grid = np.meshgrid(np.arange(count), np.arange(count), np.arange(count - 1), indexing="ij")
    here, there, place = (axis.ravel() for axis in grid)
    usable = (here != there) & allowed[here, place] & allowed[there, place + 1]
    here, there, place = here[usable], there[usable], place[usable]
    price = costs.step[here, there] + costs.place[there, place + 1]
    first = place == 0
    price[first] += costs.place[here[first], 0]
    number = np.arange(len(here))
    inner = count * (count - 2)
    # Rows for a song at a place that is neither the first nor the last; then one for each song.
    come, left = place <= count - 3, place >= 1
    rows = np.concatenate([place[come] * count + there[come],
                           (place[left] - 1) * count + here[left],
                           inner + there, inner + here[first]])  # fmt: skip
    columns = np.concatenate([number[come], number[left], number, number[first]])
    signs = np.ones(len(rows))
    signs[come.sum() : come.sum() + left.sum()] = -1
    equal = np.concatenate([np.zeros(inner), np.ones(count)])
    matrix = coo_array((signs, (rows, columns)), shape=(len(equal), len(here))).tocsr()
    found = milp(
        price,
        constraints=LinearConstraint(matrix, equal, equal),
        integrality=np.ones(len(here)),
        bounds=Bounds(0, 1),
        options={"time_limit": seconds},
    )
    order: tuple[int, ...] = ()
    if found.x is not None:
        chosen = sorted(number[found.x > 0.5], key=lambda n: place[n])
        order = (int(here[chosen[0]]), *(int(there[n]) for n in chosen))
    return order, float(found.mip_dual_bound or 0.0)
