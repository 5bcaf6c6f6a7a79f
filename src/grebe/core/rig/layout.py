"""Where the boxes of a rig stand when it is drawn: columns from the leader, few crossings.

Pure geometry in rows and columns; the window turns it into pixels.
"""

from __future__ import annotations

from collections.abc import Sequence
from functools import cache, lru_cache
from itertools import pairwise, permutations, product
from math import factorial, prod
from typing import NamedTuple

from grebe.core.rig.model import GREBE_ID
from grebe.core.rig.tree import ClockTree
from grebe.core.rig.wiring import Wiring

EXACT_UP_TO = 3000
"""Arrangements tried one by one; a rig of eight boxes in four columns has some hundreds."""
SWEEPS = 12
MAX_EXCHANGES = 40_000
"""Pairs looked at when settling a large rig: keeps it to some tens of milliseconds."""


class CableLine(NamedTuple):
    """A cable through the drawing: its cells from left to right, one in every column it crosses."""

    cable: int
    """Index in the wiring's cables."""
    cells: tuple[str, ...]
    """Device ids at both ends; names such as ``3:2`` where it only passes through."""


class Drawing(NamedTuple):
    """Boxes in columns, each column from top to bottom, with the places where cables pass."""

    columns: tuple[tuple[str, ...], ...]
    """Cells: device ids, and passing places, which are no device's id."""
    lines: tuple[CableLine, ...]
    """Cables that go to the right."""
    back: tuple[int, ...]
    """Indexes of cables that go to the same column or to the left."""
    crossings: int
    """Between the lines."""


def drawing(wiring: Wiring, tree: ClockTree) -> Drawing:
    """Lay a rig out.

    Followers stand right of the leader, in columns by hops; what has no clock
    stands right of what it is plugged into, and what only feeds others left of
    it: pads and pedals left of Grebe. The order inside the columns has the
    fewest crossings there can be for rigs small enough to try all, few for
    larger ones.
    """
    level = _levels(wiring, tree)
    order: list[list[str]] = [[] for _ in range(max(level.values(), default=-1) + 1)]
    for device_id, column in level.items():
        order[column].append(device_id)
    lines: list[CableLine] = []
    back: list[int] = []
    for index, cable in enumerate(wiring.cables):
        a, b = level.get(cable.source), level.get(cable.target)
        if a is None or b is None:
            continue
        if b <= a:
            back.append(index)
            continue
        passing = [f"{index}:{column}" for column in range(a + 1, b)]
        for column, cell in zip(range(a + 1, b), passing, strict=True):
            order[column].append(cell)
        lines.append(CableLine(index, (cable.source, *passing, cable.target)))
    columns, crossings = _settled(tuple(tuple(column) for column in order), tuple(lines))
    return Drawing(columns=columns, lines=tuple(lines), back=tuple(back), crossings=crossings)


def _levels(wiring: Wiring, tree: ClockTree) -> dict[str, int]:
    """Column of every device that is to be drawn, in order of the rig."""
    level = {d: column for column, row in enumerate(tree.columns) for d in row}
    drawn = [d.id for d in wiring.rig.devices]
    if wiring.rig.leader == GREBE_ID or wiring.arriving[GREBE_ID] or wiring.leaving[GREBE_ID]:
        drawn.insert(0, GREBE_ID)
    waiting = [d for d in drawn if d not in level]
    while waiting:
        placed = _next_placed(wiring, level, waiting)
        level.update(placed)
        waiting = [d for d in waiting if d not in placed]
    lowest = min(level.values(), default=0)
    return {d: level[d] - lowest for d in drawn if d in level}


def _next_placed(wiring: Wiring, level: dict[str, int], waiting: list[str]) -> dict[str, int]:
    fed = {
        d: max(level[c.source] for c in wiring.arriving[d] if c.source in level) + 1
        for d in waiting
        if any(c.source in level for c in wiring.arriving[d])
    }
    if fed:
        return fed
    feeding = {
        d: min(level[c.target] for c in wiring.leaving[d] if c.target in level) - 1
        for d in waiting
        if any(c.target in level for c in wiring.leaving[d])
    }
    if feeding:
        return feeding
    last = max(level.values(), default=-1)
    lone = [d for d in waiting if not wiring.arriving[d]] or waiting[:1]
    return dict.fromkeys(lone, last + 1)


Edges = list[list[tuple[str, str]]]
"""For every gap between two columns, its pieces of line as (left cell, right cell)."""


def _edges(order: list[list[str]], lines: Sequence[CableLine]) -> Edges:
    column = {cell: index for index, cells in enumerate(order) for cell in cells}
    gaps: Edges = [[] for _ in range(max(0, len(order) - 1))]
    for line in lines:
        for left, right in zip(line.cells, line.cells[1:], strict=False):
            gaps[column[left]].append((left, right))
    return gaps


def _crossings(order: list[list[str]], gaps: Edges) -> int:
    return sum(_gap_crossings(order[g], order[g + 1], gap) for g, gap in enumerate(gaps))


def _gap_crossings(left: Sequence[str], right: Sequence[str], gap: list[tuple[str, str]]) -> int:
    """Pairs of lines whose ends stand in opposite order."""
    place = {cell: i for i, cell in enumerate(left)}
    other = {cell: i for i, cell in enumerate(right)}
    rows = sorted((place[a], other[b]) for a, b in gap)
    return sum(b2 < b1 for i, (a1, b1) in enumerate(rows) for a2, b2 in rows[i + 1 :] if a2 > a1)


@lru_cache(maxsize=32)
def _settled(
    columns: tuple[tuple[str, ...], ...], lines: tuple[CableLine, ...]
) -> tuple[tuple[tuple[str, ...], ...], int]:
    """The columns with few crossings, and how many: most edits of a rig change no cable."""
    order = [list(column) for column in columns]
    gaps = _edges(order, lines)
    order = _settle(order, gaps)
    return tuple(tuple(column) for column in order), _crossings(order, gaps)


def _settle(order: list[list[str]], gaps: Edges) -> list[list[str]]:
    tries = prod(factorial(min(len(column), 12)) for column in order)
    if tries <= EXACT_UP_TO:
        return _best_of_all(order, gaps)
    best, fewest = order, _crossings(order, gaps)
    current = order
    for sweep in range(SWEEPS):
        current = _sweep(current, gaps, forward=sweep % 2 == 0)
        crossings = _crossings(current, gaps)
        if crossings < fewest:
            best, fewest = current, crossings
        if not fewest:
            break
    return _exchange(best, gaps)


def _best_of_all(order: list[list[str]], gaps: Edges) -> list[list[str]]:
    """Fewest crossings; of those, nearest to the order of the rig, with the shortest lines."""
    best, value = order, (_crossings(order, gaps), 0, _lengths(order, gaps))

    @cache
    def crossed(gap: int, left: tuple[str, ...], right: tuple[str, ...]) -> int:
        """The same two columns meet again in many arrangements of the others."""
        return _gap_crossings(left, right, gaps[gap])

    for arranged in product(*(permutations(column) for column in order)):
        crossings = sum(crossed(g, *beside) for g, beside in enumerate(pairwise(arranged)))
        if crossings > value[0]:
            continue
        tried = [list(column) for column in arranged]
        other = (crossings, _moved(tried, order), _lengths(tried, gaps))
        if other < value:
            best, value = tried, other
    return best


def _lengths(order: list[list[str]], gaps: Edges) -> float:
    """How far lines go up or down, columns standing centred on one another."""
    rows = {
        cell: index - (len(column) - 1) / 2 for column in order for index, cell in enumerate(column)
    }
    return sum(abs(rows[a] - rows[b]) for gap in gaps for a, b in gap)


def _moved(order: list[list[str]], before: list[list[str]]) -> int:
    """Devices that no longer stand in the order of the rig: of equals the usual one is taken."""
    out = 0
    for column, old in zip(order, before, strict=True):
        boxes = [cell for cell in column if ":" not in cell]
        out += sum(a != b for a, b in zip(boxes, (c for c in old if ":" not in c), strict=True))
    return out


def _sweep(order: list[list[str]], gaps: Edges, *, forward: bool) -> list[list[str]]:
    """Put every cell at the mean place of those it is joined to, column by column."""
    out = [list(column) for column in order]
    steps = range(1, len(out)) if forward else range(len(out) - 2, -1, -1)
    for index in steps:
        beside = out[index - 1] if forward else out[index + 1]
        gap = gaps[index - 1] if forward else gaps[index]
        place = {cell: i for i, cell in enumerate(beside)}
        joined: dict[str, list[int]] = {}
        for a, b in gap:
            mine, other = (b, a) if forward else (a, b)
            joined.setdefault(mine, []).append(place[other])
        where = {
            cell: sum(joined[cell]) / len(joined[cell]) if cell in joined else float(i)
            for i, cell in enumerate(out[index])
        }
        out[index].sort(key=where.__getitem__)
    return out


def _exchange(order: list[list[str]], gaps: Edges) -> list[list[str]]:
    """Swap neighbours as long as that takes crossings away."""
    out = [list(column) for column in order]
    looked = 0
    better = True
    while better and looked < MAX_EXCHANGES:
        better = False
        for index, column in enumerate(out):
            near = [(g, gaps[g]) for g in (index - 1, index) if 0 <= g < len(gaps)]
            for row in range(len(column) - 1):
                looked += sum(len(gap) for _, gap in near)
                pair = column[row], column[row + 1]
                if _swap_gain(out, near, index, pair) > 0:
                    column[row], column[row + 1] = column[row + 1], column[row]
                    better = True
    return out


def _swap_gain(
    order: list[list[str]],
    near: list[tuple[int, list[tuple[str, str]]]],
    index: int,
    pair: tuple[str, str],
) -> int:
    """Crossings taken away by swapping two neighbours of a column."""
    gain = 0
    for gap_index, gap in near:
        at_left = gap_index == index
        beside = order[index + 1] if at_left else order[index - 1]
        place = {cell: i for i, cell in enumerate(beside)}
        ends: tuple[list[int], list[int]] = ([], [])
        for a, b in gap:
            mine, other = (a, b) if at_left else (b, a)
            if mine in pair:
                ends[pair.index(mine)].append(place[other])
        gain += sum((x > y) - (x < y) for x in ends[0] for y in ends[1])
    return gain


class Piece(NamedTuple):
    """A line's way through one gap: from one height to another."""

    y1: float
    y2: float


def tracks(pieces: list[Piece]) -> list[int]:
    """In which order the upright parts of the lines of one gap stand, from 0 at the left.

    Chosen so that lines that need not cross do not. Exact up to seven, by
    exchanging neighbours beyond that.
    """
    upright = [i for i, p in enumerate(pieces) if p.y1 != p.y2]
    if len(upright) <= 7:
        best = min(permutations(upright), key=lambda o: _track_crossings(pieces, o), default=())
        order = list(best)
    else:
        order = sorted(upright, key=lambda i: (pieces[i].y2 > pieces[i].y1, -pieces[i].y1))
        for _ in range(len(order)):
            for k in range(len(order) - 1):
                a, b = order[k], order[k + 1]
                if _pair_crossings(pieces[b], pieces[a]) < _pair_crossings(pieces[a], pieces[b]):
                    order[k], order[k + 1] = b, a
    place = {index: row for row, index in enumerate(order)}
    return [place.get(i, 0) for i in range(len(pieces))]


def _track_crossings(pieces: list[Piece], order: tuple[int, ...]) -> int:
    return sum(
        _pair_crossings(pieces[a], pieces[b]) for i, a in enumerate(order) for b in order[i + 1 :]
    )


def _pair_crossings(left: Piece, right: Piece) -> int:
    """Crossings of two lines when the first one's upright stands left of the other's.

    The left one's way out runs under the right upright, the right one's way in
    under the left upright.
    """
    crosses = min(right.y1, right.y2) <= left.y2 <= max(right.y1, right.y2)
    return crosses + (min(left.y1, left.y2) <= right.y1 <= max(left.y1, left.y2))
