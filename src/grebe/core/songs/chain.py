"""Where a chain of patterns is after some time."""

from __future__ import annotations

from collections.abc import Sequence
from typing import NamedTuple


class ChainPlace(NamedTuple):
    """Where a chain is."""

    pattern: str
    into: float
    """Ticks into the pattern."""
    pass_number: int
    """How often it has been played in a row before, since the chain came round."""


def place_in_chain(lengths: Sequence[tuple[str, int]], since: float) -> ChainPlace | None:
    """Which pattern of a chain plays, `since` ticks after its start, and where in it.

    `lengths` are (pattern id, ticks) in order; the chain goes round. None for an
    empty chain or before its start.
    """
    whole = sum(ticks for _, ticks in lengths)
    if not whole or since < 0:
        return None
    if len({pattern for pattern, _ in lengths}) == 1:
        return ChainPlace(lengths[0][0], since % lengths[0][1], int(since // lengths[0][1]))
    rest, pass_number, before = since % whole, 0, ""
    for pattern, ticks in lengths:
        pass_number = pass_number + 1 if pattern == before else 0
        if rest < ticks:
            return ChainPlace(pattern, rest, pass_number)
        rest, before = rest - ticks, pattern
    return None
