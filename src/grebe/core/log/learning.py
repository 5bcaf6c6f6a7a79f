"""A transition over rehearsals and runs: how often it was good, and whether it is ready.

Intervals of shares are Wilson's, of 95 %.
"""

from __future__ import annotations

from collections.abc import Sequence
from datetime import date
from typing import NamedTuple

from grebe.core.log.model import TryRow, evening
from grebe.core.log.over_time import LEAST, Interval, Z
from grebe.core.rehearse.score import RECENT
from grebe.words import tr

READY = 0.6
"""The share of good tries that the latest ones have to be surely above: six of six are."""


class LearningDay(NamedTuple):
    """One evening of it."""

    day: date
    good: int
    tries: int
    share: Interval


class LearningCurve(NamedTuple):
    """All there is of one transition."""

    tries: int
    days: tuple[LearningDay, ...]
    recent: Interval | None
    """Of the latest tries; None for too few."""

    @property
    def ready(self) -> bool | None:
        """None while that cannot be said."""
        if self.recent is None:
            return None
        if self.recent.low >= READY:
            return True
        return False if self.recent.high < READY else None

    @property
    def sentence(self) -> str:
        """Whether it is ready, in words."""
        if self.recent is None:
            return tr("{tries} tries: too few to say.", tries=self.tries)
        share = tr("{share:.0f} % of the latest were good (95 %: {low:.0f} to {high:.0f})",
                   share=100 * self.recent.value, low=100 * self.recent.low,
                   high=100 * self.recent.high)  # fmt: skip
        said = {
            True: tr("It is ready: {share}.", share=share),
            False: tr("It is not ready: {share}.", share=share),
            None: tr("Not sure yet: {share}.", share=share),
        }
        return said[self.ready]


def learning(rows: Sequence[TryRow]) -> LearningCurve:
    """Of the tries of one transition, in order of time; those at full pace and slower alike."""
    ordered = sorted(rows, key=lambda row: row.at)
    by_day: dict[date, list[TryRow]] = {}
    for row in ordered:
        by_day.setdefault(evening(row.at, row.zone_min), []).append(row)
    days = tuple(
        LearningDay(day, _good(mine), len(mine), share_of(_good(mine), len(mine)))
        for day, mine in by_day.items()
    )
    recent = ordered[-RECENT:]
    sure = share_of(_good(recent), len(recent)) if len(recent) >= LEAST else None
    return LearningCurve(len(ordered), days, sure)


def share_of(good: int, count: int) -> Interval:
    """A share with Wilson's interval (1927). ZeroDivisionError for a count of 0."""
    share, z2 = good / count, Z * Z
    middle = (share + z2 / (2 * count)) / (1 + z2 / count)
    half = Z / (1 + z2 / count) * (share * (1 - share) / count + z2 / (4 * count**2)) ** 0.5
    return Interval(share, max(0.0, middle - half), min(1.0, middle + half))


def _good(rows: Sequence[TryRow]) -> int:
    return sum(row.verdict == "good" for row in rows)
