"""A box over the evenings: how late it is by itself, whether that changes with date or tempo.

Intervals are of 95 %: of a mean by Student's t, of a slope by Theil and Sen. Nothing is claimed
from fewer than three evenings, no slope from fewer than four. The interval of a slope is worked out
here, and held against `scipy.stats` by the tests: loading that takes a second, and findings are
looked for while a window opens.
"""

from __future__ import annotations

from collections.abc import Callable, Mapping, Sequence
from datetime import date
from typing import NamedTuple

from grebe.core.estimates import pair_slopes, t95
from grebe.core.log.model import BoxCheck, evening
from grebe.core.numeric import np
from grebe.words import tr

LEAST, LEAST_SLOPE = 3, 4
Z = 1.959963984540054
"""Of the normal distribution, for 95 %."""
DAY_S = 86_400.0
SLIGHT_MS = 1.0
"""An own lateness that differs by less over all that was measured is said to be the same."""
NO_WARMTH: Mapping[date, float] = {}


class Interval(NamedTuple):
    """A figure with its 95 % interval."""

    value: float
    low: float
    high: float

    @property
    def sign(self) -> int:
        """1 or -1 where it is surely on one side of nought, else 0."""
        return 1 if self.low > 0 else -1 if self.high < 0 else 0


class GearChange(NamedTuple):
    """Between two rows something about the box became another."""

    at: float
    words: str


class BoxHistory(NamedTuple):
    """What all rows of a box come to."""

    rows: tuple[BoxCheck, ...]
    """In order of time."""
    own: Interval | None
    """How late it is by itself; None for too few."""
    by_day: Interval | None
    """Milliseconds a day."""
    by_bpm: Interval | None
    """Milliseconds a beat a minute."""
    by_warmth: Interval | None
    """Milliseconds a degree, of evenings of which it was noted how warm it was."""
    changes: tuple[GearChange, ...]

    @property
    def sentences(self) -> tuple[str, ...]:
        """What can be said of it, and no more."""
        return tuple(_sentences(self))


def history(
    rows: Sequence[BoxCheck], noted: Sequence[GearChange] = (),
    warmth: Mapping[date, float] = NO_WARMTH,
) -> BoxHistory:  # fmt: skip
    """Of rows of one box, with changes that were `noted` of it, such as another firmware, and how
    warm evenings were. Those since the last change count for its lateness; what a probe found
    counts for none."""
    ordered = tuple(sorted(rows, key=lambda row: (row.at, row.id)))
    changes = tuple(sorted((*_changes(ordered), *noted)))
    since = changes[-1].at if changes else -np.inf
    now = [row for row in ordered
           if row.at >= since and row.own_ms is not None and row.kind != "probe"]  # fmt: skip
    own = [row.own_ms for row in now if row.own_ms is not None]
    return BoxHistory(
        ordered,
        mean_of(own),
        slope_of([row.at / DAY_S for row in now], own),
        slope_of([row.bpm for row in now], own),
        _by_warmth(now, warmth),
        changes,
    )


def _by_warmth(rows: Sequence[BoxCheck], warmth: Mapping[date, float]) -> Interval | None:
    pairs = [
        (warmth[day], row.own_ms) for row in rows
        if (day := evening(row.at, row.zone_min)) in warmth and row.own_ms is not None
    ]  # fmt: skip
    return slope_of([warm for warm, _ in pairs], [ms for _, ms in pairs]) if pairs else None


def mean_of(values: Sequence[float]) -> Interval | None:
    """The mean with its interval; None for fewer than three."""
    if len(values) < LEAST:
        return None
    found = np.asarray(values, dtype=float)
    mean, error = float(found.mean()), float(found.std(ddof=1)) / len(found) ** 0.5
    half = t95(len(found) - 1) * error
    return Interval(mean, mean - half, mean + half)


def slope_of(along: Sequence[float], values: Sequence[float]) -> Interval | None:
    """The slope with its interval; None for fewer than four, or where nothing lies apart.

    The median of the slopes of all pairs; its interval is Sen's (1968), ties counted as SciPy does.
    """
    if len(values) < LEAST_SLOPE or max(along) - min(along) == 0:
        return None
    slopes = pair_slopes(along, values)
    count = len(values)
    spread = count * (count - 1) * (2 * count + 5)
    for row in (along, values):
        ties = np.unique(row, return_counts=True)[1]
        spread -= int((ties * (ties - 1) * (2 * ties + 5)).sum())
    half = Z * (spread / 18) ** 0.5
    high = min(round((len(slopes) + half) / 2), len(slopes) - 1)
    low = max(round((len(slopes) - half) / 2) - 1, 0)
    return Interval(float(np.median(slopes)), float(slopes[low]), float(slopes[high]))


def _changes(rows: Sequence[BoxCheck]) -> tuple[GearChange, ...]:
    read: tuple[tuple[str, Callable[[BoxCheck], str]], ...] = (
        (tr("cable"), lambda row: row.cable), (tr("port"), lambda row: row.port),
        (tr("firmware"), lambda row: row.firmware),
    )  # fmt: skip
    out = []
    for name, of in read:
        last = ""
        for row in rows:
            now = of(row)
            if last and now and now != last:
                out.append(GearChange(row.at, tr("{name}: {now}, was {last}", name=name, now=now,
                                             last=last)))  # fmt: skip
            last = now or last
    return tuple(sorted(out))


def _sentences(found: BoxHistory) -> list[str]:
    count = len([row for row in found.rows if row.own_ms is not None and row.kind != "probe"])
    if found.own is None:
        return [tr("Measured {count} times: too few to say anything of it.", count=count)]
    out = [
        tr("By itself it is {ms:+.1f} ms late (95 %: {low:+.1f} to {high:+.1f}).",
           ms=found.own.value, low=found.own.low, high=found.own.high)
    ]  # fmt: skip
    for slope, words in (
        (found.by_bpm, tr("It is later by {rate:+.2f} ms for each BPM faster "
                          "(95 %: {low:+.2f} to {high:+.2f}).")),
        (found.by_day, tr("It becomes later by {rate:+.2f} ms a day "
                          "(95 %: {low:+.2f} to {high:+.2f}).")),
        (found.by_warmth, tr("It is later by {rate:+.2f} ms for each degree warmer "
                             "(95 %: {low:+.2f} to {high:+.2f}).")),
    ):  # fmt: skip
        if slope is not None and slope.sign:
            out.append(words.format(rate=slope.value, low=slope.low, high=slope.high))
    if found.by_bpm is not None and not found.by_bpm.sign:
        out.append(tr("Whether the tempo matters does not show."))
    return out
