"""Patterns put in another order in a box's memory, so that every chain lies side by side.

A box with the rule `neighbours` or `row` plays its memory's places from a first to a last, in
one group. So a pattern followed by another in any chain must lie right before it, everywhere.
"""

from __future__ import annotations

from collections.abc import Sequence
from itertools import pairwise
from typing import NamedTuple

from grebe.words import tr


class MemoryOrder(NamedTuple):
    """Where each pattern goes, or why it cannot be."""

    places: dict[str, int]
    """Pattern id to place, from 0 over all groups; empty where there is no way."""
    moved: tuple[str, ...]
    """Patterns that lie elsewhere than before."""
    why_not: str
    """Why there is no way; "" where there is one."""
    clash: tuple[str, ...] = ()
    """The patterns that cannot be brought together."""


def in_order(
    chains: Sequence[Sequence[str]], group: int, groups: int, *,
    lies: dict[str, int] | None = None, taken: frozenset[int] = frozenset(),
) -> MemoryOrder:  # fmt: skip
    """Places for the patterns of all chains, so that each chain is a run of neighbours.

    `lies` is where patterns are now: the answer moves as few as can be. `taken` are places that
    must be left alone. The search is complete: no answer means there is none.
    """
    lies = lies or {}
    after: dict[str, str] = {}
    ahead: dict[str, str] = {}
    order = list(dict.fromkeys(pattern for chain in chains for pattern in chain))
    for chain in chains:
        if len(set(chain)) < len(chain) and len(set(chain)) > 1:
            twice = next(p for p in chain if chain.count(p) > 1)
            return _no(
                tr("{0} comes twice in one chain, and a place is played once a round"), twice
            )
        for here, there in pairwise(chain):
            if here == there:
                continue
            if after.setdefault(here, there) != there:
                return _no(tr("{0} is followed by {1} in one chain and by {2} in another"), here,
                           after[here], there)  # fmt: skip
            if ahead.setdefault(there, here) != here:
                return _no(tr("{0} comes after {1} in one chain and after {2} in another"), there,
                           ahead[there], here)  # fmt: skip
    blocks = _blocks(order, after, ahead)
    if sum(map(len, blocks)) < len(order):
        circle = sorted(set(order) - {p for block in blocks for p in block})
        return _no(tr("{0} would have to lie before itself"), *circle)
    long = max(blocks, key=len, default=[])
    if len(long) > group:
        words = tr(
            "{{0}} to {{1}} are {count} in a row, and a group holds {group}",
            count=len(long),
            group=group,
        )
        return _no(words, long[0], long[-1])
    places = _packed(blocks, group, groups, lies, taken)
    if places is None:
        return MemoryOrder(
            {},
            (),
            tr("they do not fit into {groups} groups of {group}", groups=groups, group=group),
            tuple(order),
        )
    moved = tuple(p for p in order if p in lies and lies[p] != places[p])
    return MemoryOrder(places, moved, "")


def _no(words: str, *patterns: str) -> MemoryOrder:
    return MemoryOrder({}, (), words, patterns)


def _blocks(order: list[str], after: dict[str, str], ahead: dict[str, str]) -> list[list[str]]:
    """Runs of patterns that have to lie side by side; those in a circle are left out."""
    blocks: list[list[str]] = []
    for pattern in order:
        if pattern in ahead:
            continue
        block = [pattern]
        while block[-1] in after:
            block.append(after[block[-1]])
        blocks.append(block)
    return blocks


def _packed(
    blocks: list[list[str]], group: int, groups: int, lies: dict[str, int],
    taken: frozenset[int],
) -> dict[str, int] | None:  # fmt: skip
    """Each block at a place inside one group, moving the fewest patterns; None if none fits.

    A branch that has to move as many as the best answer so far is given up.
    """
    used = [place in taken for place in range(group * groups)]
    best: dict[str, int] | None = None
    fewest = sum(map(len, blocks)) + 1
    starts: dict[str, int] = {}
    ways = {
        block[0]: sorted(
            (sum(p in lies and lies[p] != start + n for n, p in enumerate(block)), start)
            for start in _starts(block, group, groups)
        )
        for block in blocks
    }

    def open_ways(block: list[str]) -> list[tuple[int, int]]:
        long = len(block)
        return [(c, s) for c, s in ways[block[0]] if not any(used[s : s + long])]

    def place(left: list[list[str]], moved: int) -> None:
        nonlocal best, fewest
        if moved >= fewest:
            return
        if not left:
            fewest = moved
            best = {p: starts[b[0]] + n for b in blocks for n, p in enumerate(b)}
            return
        rows = [(open_ways(block), block) for block in left]
        if any(not row for row, _ in rows) or moved + sum(r[0][0] for r, _ in rows) >= fewest:
            return
        # The block that loses most when its best place goes comes first; of those, the longest.
        found, block = max(rows, key=lambda row: (_regret(row[0]), len(row[1])))
        rest = [b for b in left if b is not block]
        tried: set[tuple[object, ...]] = set()
        for cost, start in found:
            span = range(start, start + len(block))
            # Where it keeps nothing, places alike in what is free around them are tried once.
            alike = (start,) if _kept(lies, span) else _alike(used, start, len(block), group)
            if alike in tried:
                continue
            tried.add(alike)
            used[start : start + len(block)] = [True] * len(block)
            starts[block[0]] = start
            place(rest, moved + cost)
            used[start : start + len(block)] = [False] * len(block)

    place(blocks, 0)
    return best


def _regret(found: list[tuple[int, int]]) -> int:
    """What the second best place costs more than the best; a lot where there is no second."""
    return found[1][0] - found[0][0] if len(found) > 1 else 99


def _starts(block: list[str], group: int, groups: int) -> list[int]:
    return [g * group + offset for g in range(groups) for offset in range(group - len(block) + 1)]


def _kept(lies: dict[str, int], span: range) -> bool:
    """Whether a pattern that has to be placed lies on one of these places now."""
    return any(place in span for place in lies.values())


def _alike(used: list[bool], start: int, long: int, group: int) -> tuple[object, ...]:
    """What makes two places the same for what is still to come: the free places of their group."""
    first = start // group * group
    free = tuple(used[first : first + group])
    return ("free", free, start - first, long)
