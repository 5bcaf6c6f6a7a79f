"""Where a chain of patterns is after some time."""

from __future__ import annotations

from collections.abc import Sequence


def place_in_chain(lengths: Sequence[tuple[str, int]], since: float) -> tuple[str, float] | None:
    """Which pattern of a chain plays, and the ticks into it, `since` ticks after its start.

    `lengths` are (pattern id, ticks) in order; the chain goes round. None for an
    empty chain or before its start.
    """
    whole = sum(ticks for _, ticks in lengths)
    if not whole or since < 0:
        return None
    rest = since % whole
    for pattern, ticks in lengths:
        if rest < ticks:
            return pattern, rest
        rest -= ticks
    return None
