"""In what order songs might go: tempo steps, keys, an energy shape, work between them, pins.

Up to sixteen songs the best order is found exactly, by dynamic programming over sets of songs
already played (Held and Karp 1962, from memory; how many they are says the place): that takes under
a second, where HiGHS takes ten to prove fourteen. Beyond that orders are improved by swapping,
moving and turning stretches round, begun from many places; HiGHS, given what time there is, says
how much cheaper any order could be at most, and sometimes finds one (`bounds`).
"""

from __future__ import annotations

import math
import random
from collections.abc import Sequence
from typing import NamedTuple

from grebe.core.document import Project
from grebe.core.numeric import np
from grebe.core.sets.between import between
from grebe.core.sets.bounds import Costs, bounded
from grebe.core.sets.facts import SongFacts
from grebe.core.sets.keys import relation
from grebe.core.sets.model import Set, Weights, wished
from grebe.core.sets.plan import PlacedSong
from grebe.core.songs.changes import reached_by

EXACT = 16
PROVED = 1e-6
"""A gap below this is none: the numbers of a bound are rounded."""
STARTS = 24
"""Places from which longer sets are improved."""
SEMITONES = 12
HALF_FEEL = 3.0
"""What a step to half or double the tempo costs beside what is left of it, in tempo semitones."""
OTHER_MODE = 2.0
UNKNOWN_KEY = 1.5
ENERGY = 6.0
"""What missing the wished energy by all of it costs, beside a step on the circle of fifths."""
SECONDS = 10.0
"""Seconds of work that count as much as a step on the circle."""


class RunningOrder(NamedTuple):
    """An order and what it costs."""

    order: tuple[int, ...]
    """Places of the set as it stands."""
    cost: float
    gap: float
    """How much cheaper than this any order could be at most, of its cost; 0 where none is."""

    @property
    def exact(self) -> bool:
        """Whether no order is cheaper."""
        return self.gap < PROVED


def tempo_step(bpm_from: float, bpm_to: float) -> float:
    """How far apart two tempi are, in twelfths of a doubling; half and double feel near."""
    plain = abs(math.log2(bpm_to / bpm_from)) * SEMITONES
    return min(plain, abs(plain - SEMITONES) + HALF_FEEL)


def key_step(first: str, second: str) -> float:
    """How far apart two keys are, in steps of the circle of fifths."""
    found = relation(first, second)
    if found is None:
        return UNKNOWN_KEY
    return OTHER_MODE if found.same_root else float(found.steps)


def relative_energy(facts: Sequence[SongFacts]) -> list[float]:
    """Energy of each song against the fullest and the emptiest: 0 to 1."""
    energies = [f.mean_energy for f in facts]
    low, high = min(energies, default=0.0), max(energies, default=0.0)
    return [(e - low) / (high - low) if high > low else 0.5 for e in energies]


def costs_of(project: Project, running: Set, songs: Sequence[PlacedSong]) -> Costs:
    """What the orders of a set's songs that can be played are judged by."""
    facts = [s.facts for s in songs if s.facts is not None]
    weights, count = running.weights, len(facts)
    reached = reached_by(project)
    step = np.zeros((count, count))
    for a, first in enumerate(facts):
        for b, second in enumerate(facts):
            if a != b:
                step[a, b] = _step(project, weights, first, second, reached)
    place = np.zeros((count, count))
    energies = relative_energy(facts)
    if running.wish:
        for at in range(count):
            want = wished(running.wish, at, count)
            place[:, at] = [weights.energy * ENERGY * abs(e - want) for e in energies]
    for number, song in enumerate(s for s in songs if s.facts is not None):
        if song.entry.pinned:
            elsewhere = [n for n in range(count) if n != number]
            place[number, elsewhere] = np.inf
            place[elsewhere, number] = np.inf
    return Costs(step, place)


def _step(
    project: Project, weights: Weights, first: SongFacts, second: SongFacts,
    reached: frozenset[str],
) -> float:  # fmt: skip
    out = weights.tempo * tempo_step(first.end_bpm, second.bpm)
    out += weights.key * key_step(first.key, second.key)
    if weights.work:
        done = between(project, first, second, 0.0, first.end_bpm, reached)
        out += weights.work * done.seconds / SECONDS
    return out


def best_order(costs: Costs, seconds: float = 1.0) -> RunningOrder:
    """The cheapest order, exactly up to sixteen songs; beyond them the best found, and how far it
    can be from the cheapest, looked into for so many seconds."""
    count = len(costs.place)
    if count == 0:
        return RunningOrder((), 0.0, 0.0)
    if count <= EXACT:
        order = _exact(costs)
        return RunningOrder(order, costs.of(order), 0.0)
    order = _improved(costs)
    other, bound = bounded(costs, seconds)
    if other and costs.of(other) < costs.of(order):
        order = other
    cost = costs.of(order)
    return RunningOrder(order, cost, max(0.0, 1 - bound / cost) if cost > 0 else 0.0)


def _exact(costs: Costs) -> tuple[int, ...]:
    count = len(costs.place)
    best = np.full((1 << count, count), np.inf)
    came = np.full((1 << count, count), -1, dtype=np.int8)
    for song in range(count):
        best[1 << song, song] = costs.place[song, 0]
    for mask in range(1, 1 << count):
        at = mask.bit_count()
        if at == count:
            break
        rows = best[mask]
        if not np.isfinite(rows).any():
            continue
        ways = rows[:, None] + costs.step
        last = np.argmin(ways, axis=0)
        reach = ways[last, np.arange(count)] + costs.place[:, at]
        for song in range(count):
            after = mask | 1 << song
            if after != mask and reach[song] < best[after, song]:
                best[after, song] = reach[song]
                came[after, song] = last[song]
    mask = (1 << count) - 1
    song = int(np.argmin(best[mask]))
    order: list[int] = []
    while song >= 0:
        order.append(song)
        mask, song = mask ^ 1 << song, int(came[mask, song])
    return tuple(reversed(order))


def _improved(costs: Costs) -> tuple[int, ...]:
    count = len(costs.place)
    pinned: dict[int, int] = {}
    for at in range(count):
        songs = np.flatnonzero(np.isfinite(costs.place[:, at]))
        if len(songs) == 1:
            pinned[int(songs[0])] = at
    free = [n for n in range(count) if n not in pinned]
    dice = random.Random(1)
    best: list[int] = []
    cost = math.inf
    for start in range(STARTS):
        order = _nearest(costs, free, pinned, free[start % len(free)] if free else 0)
        if start >= len(free):
            dice.shuffle(order)
            order = _pins(order, pinned)
        order = _descend(costs, order, set(pinned.values()))
        found = costs.of(order)
        if found < cost:
            best, cost = order, found
    return tuple(best)


def _pins(order: list[int], pinned: dict[int, int]) -> list[int]:
    """The order with every pinned song at its place."""
    rest = iter([n for n in order if n not in pinned])
    at = {place: song for song, place in pinned.items()}
    return [at[n] if n in at else next(rest) for n in range(len(order))]


def _nearest(costs: Costs, free: list[int], pinned: dict[int, int], first: int) -> list[int]:
    """Begun with one song, and on with whichever is nearest."""
    left = [n for n in free if n != first]
    line = [first] if free else []
    while left:
        here = line[-1]
        line.append(left.pop(int(np.argmin(costs.step[here, left]))))
    return _pins([*line, *pinned], pinned)


def _descend(costs: Costs, order: list[int], fixed: set[int]) -> list[int]:
    """Swap, move and turn round until nothing makes it cheaper."""
    places = [n for n in range(len(order)) if n not in fixed]
    cost = costs.of(order)
    better = True
    while better:
        better = False
        for i, a in enumerate(places):
            for b in places[i + 1 :]:
                for tried in _changed(order, places, a, b):
                    found = costs.of(tried)
                    if found < cost - 1e-12:
                        order, cost, better = tried, found, True
    return order


def _changed(order: list[int], places: list[int], a: int, b: int) -> list[list[int]]:
    """Two songs swapped, one moved to the other's place either way, the stretch turned round."""
    span = [p for p in places if a <= p <= b]
    songs = [order[p] for p in span]
    ways = (
        [songs[-1], *songs[1:-1], songs[0]] if len(songs) > 1 else songs,
        [*songs[1:], songs[0]],
        [songs[-1], *songs[:-1]],
        songs[::-1],
    )
    out: list[list[int]] = []
    for way in ways:
        tried = list(order)
        for place, song in zip(span, way, strict=True):
            tried[place] = song
        out.append(tried)
    return out
