"""Swing: the second of each two steps falls late."""

from __future__ import annotations

from typing import NamedTuple

from grebe.core.time.ticks import TICKS_PER_QUARTER


def swung(tick: int, step_ticks: int, percent: float) -> int:
    """Where a straight place falls when pairs of steps swing, all in ticks from their beginning.

    What lies between two steps moves in proportion. `percent` is where the
    second step falls in the pair: 50 is straight, 66.7 a triplet (common practice).
    """
    pair = 2 * step_ticks
    middle = round(pair * percent / 100)
    into = tick % pair
    if into < step_ticks:
        return tick - into + into * middle // step_ticks
    return tick - into + middle + (into - step_ticks) * (pair - middle) // step_ticks


class Swing(NamedTuple):
    """A swing in other units."""

    late_ms: float
    """How late the second step of a pair falls."""
    late_ticks: float
    """The same in ticks of a given resolution."""
    ratio: float
    """First step to second."""


def swing(percent: float, bpm: float, step_ticks: int, ppqn: int) -> Swing:
    """What a swing in percent is in milliseconds, in ticks of `ppqn` a quarter, and as a ratio."""
    late_quarters = 2 * step_ticks / TICKS_PER_QUARTER * (percent - 50) / 100
    return Swing(late_quarters * 60_000 / bpm, late_quarters * ppqn, percent / (100 - percent))
