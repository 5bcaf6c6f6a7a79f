"""Whose channel is it: boxes are muted one after another; its own falls silent with each."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from typing import NamedTuple

from grebe.core.numeric import np

EXPECTED = 3.0
"""So many hits should have come while a box was muted, for their absence to mean something."""
FALLS = 0.25
"""A channel is silent with a box where fewer than this share of them came."""
STAYS = 0.6
"""And is not another's where with that one more than this share came."""


class Muted(NamedTuple):
    """A stretch in which a box was silent, in any unit of time."""

    box: str
    first: float
    last: float


class Whose(NamedTuple):
    """What was found."""

    channels: dict[str, str]
    """By channel the box that it is."""
    unclear: tuple[str, ...]
    """Channels that sound and are no box's alone."""
    silent: tuple[str, ...]
    """Channels on which nothing came."""


def whose_channels(
    hits: Mapping[str, Sequence[float]], muted: Sequence[Muted], first: float, last: float
) -> Whose:
    """Which box each channel is, from the times of its hits between `first` and `last`."""
    channels: dict[str, str] = {}
    unclear: list[str] = []
    silent: list[str] = []
    for channel, times in hits.items():
        rows = np.asarray(times, dtype=float)
        rows = rows[(rows >= first) & (rows < last)]
        if not len(rows):
            silent.append(channel)
            continue
        shares = _shares(rows, muted, first, last)
        falls = [box for box, share in shares.items() if share is not None and share < FALLS]
        others = [s for box, s in shares.items() if box not in falls]
        if len(falls) == 1 and all(share is None or share > STAYS for share in others):
            channels[channel] = falls[0]
        else:
            unclear.append(channel)
    return Whose(channels, tuple(unclear), tuple(silent))


def _shares(
    rows: np.ndarray[tuple[int], np.dtype[np.float64]], muted: Sequence[Muted], first: float,
    last: float,
) -> dict[str, float | None]:  # fmt: skip
    """By box the share of its hits that came while it was muted; None where too few were due."""
    inside = [((rows >= m.first) & (rows < m.last)).sum() for m in muted]
    out: dict[str, float | None] = {}
    for number, stretch in enumerate(muted):
        # While another box is muted this channel's own rate is heard, unless that one is its own.
        elsewhere = [n for n in range(len(muted)) if n != number]
        most = max((inside[n] / (muted[n].last - muted[n].first) for n in elsewhere), default=0.0)
        open_for = last - first - sum(m.last - m.first for m in muted)
        if open_for > 0:
            most = max(most, (len(rows) - sum(inside)) / open_for)
        due = most * (stretch.last - stretch.first)
        out[stretch.box] = None if due < EXPECTED else float(inside[number]) / due
    return out
