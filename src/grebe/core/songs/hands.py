"""Whether two hands and a foot can make all moves in time, and what to do when they cannot.

Scheduling of jobs with release times and deadlines on identical machines, hands and feet apart.
It is hard in general and small here: the sets of moves that can be made are worked out one move
at a time, keeping for each set only the earliest times at which limbs come free.
"""

from __future__ import annotations

from collections.abc import Sequence
from itertools import combinations
from math import inf
from typing import Literal, NamedTuple, TypeAlias

from grebe.core.numeric import NDArray, np
from grebe.core.songs.model import Limb, Performer

Array: TypeAlias = "NDArray[np.float64]"
_ROUNDING = 1e-9
MOST_MOVES = 16
"""More at once are not worked out exactly; nobody makes them either."""


class Move(NamedTuple):
    """Something to be done by hand or foot. Times in seconds, the boundary at 0."""

    device: str
    words: str
    limb: Limb
    seconds: float
    opens: float
    """From when on it can be begun."""
    closes: float
    """When it has to be over."""
    relief: tuple[Literal["give", "ahead", "earlier"], ...] = ()
    """What could be done about it: given to Grebe, pre-set in peace, moved earlier."""


class Placed(NamedTuple):
    """A move at its time."""

    move: Move
    begins: float
    limb: int
    """Which hand or foot, from 0."""


class Schedule(NamedTuple):
    """How the moves go, or which could not be made."""

    placed: tuple[Placed, ...]
    """In order of time."""
    relieve: tuple[Move, ...]
    """The smallest set to be given away, pre-set or moved; empty where all can be made."""
    spare_s: float
    """How much longer every move could take for all to go; 0 where they do not."""

    @property
    def fits(self) -> bool:
        """Whether everything can be made in time."""
        return not self.relieve


def schedule(moves: Sequence[Move], performer: Performer) -> Schedule:
    """Work out whether the moves can be made, exactly up to 16 for each kind of limb."""
    placed: list[Placed] = []
    relieve: list[Move] = []
    spare = inf
    kinds: tuple[Limb, ...] = ("hand", "foot")
    for limb in kinds:
        mine = sorted((m for m in moves if m.limb == limb), key=lambda m: (m.closes, m.opens))
        if not mine:
            continue
        done, left = _best(mine, performer.limbs(limb))
        placed += done
        relieve += left
        spare = min(spare, 0.0 if left else _spare(done))
    placed.sort(key=lambda p: (p.begins, p.limb))
    return Schedule(tuple(placed), tuple(relieve), 0.0 if spare == inf else spare)


def _spare(done: list[Placed]) -> float:
    """The least time left between a move's end and its deadline, shared by those of its limb."""
    return min((p.move.closes - p.begins - p.move.seconds) for p in done)


def _best(moves: list[Move], limbs: int) -> tuple[list[Placed], list[Move]]:
    """The most moves that can be made, the ones hardest to relieve first, and the rest."""
    if limbs == 0:
        return [], moves
    tried, over = moves[:MOST_MOVES], moves[MOST_MOVES:]
    need, room = _needs(tried, limbs)
    for left_out in range(len(tried) + 1):
        ways = sorted(
            combinations(range(len(tried)), left_out),
            key=lambda way: sum(_cost(tried[n]) for n in way),
        )
        taken = np.ones((len(ways), len(tried)))
        for row, way in enumerate(ways):
            taken[row, list(way)] = 0.0
        hopeless = np.any(taken @ need.T > room, axis=1)
        for row, way in enumerate(ways):
            done = None
            if not hopeless[row]:
                done = _placed([m for n, m in enumerate(tried) if n not in way], limbs)
            if done is not None:
                return done, [*(tried[n] for n in way), *over]
    return [], moves


def _cost(move: Move) -> int:
    """How hard a move is to relieve: what Grebe can take is easiest."""
    hard = {"give": 0, "ahead": 1, "earlier": 2}
    return min((hard[r] for r in move.relief), default=8)


def _placed(moves: list[Move], limbs: int) -> list[Placed] | None:
    """All moves at their times; None where that is impossible."""
    for rule in (_by_deadline, _as_it_comes):
        done = rule(moves, limbs)
        if done is not None:
            return done
    return _searched(moves, limbs)


def _by_deadline(moves: list[Move], limbs: int) -> list[Placed] | None:
    """By earliest deadline on whichever limb is free first; None where that fails."""
    free = [-inf] * limbs
    out: list[Placed] = []
    for move in moves:
        limb = min(range(limbs), key=lambda n: free[n])
        begins = max(move.opens, free[limb])
        if begins + move.seconds > move.closes + _ROUNDING:
            return None
        free[limb] = begins + move.seconds
        out.append(Placed(move, begins, limb))
    return out


def _as_it_comes(moves: list[Move], limbs: int) -> list[Placed] | None:
    """Whenever a limb is free, the most urgent of what can be begun; None where that fails."""
    free = [-inf] * limbs
    left, out = list(moves), []
    while left:
        limb = min(range(limbs), key=lambda n: free[n])
        at = max(free[limb], min(m.opens for m in left))
        move = min((m for m in left if m.opens <= at), key=lambda m: m.closes - m.seconds)
        if at + move.seconds > move.closes + _ROUNDING:
            return None
        free[limb] = at + move.seconds
        left.remove(move)
        out.append(Placed(move, at, limb))
    return out


def _needs(moves: list[Move], limbs: int) -> tuple[Array, Array]:
    """Stretches of time: what each move has to do inside them wherever it is put, and what room
    there is. Where the moves need more than the room they cannot all be made (energetic
    reasoning: Erschler and Lopez 1990, from memory).

    Shapes (stretches, moves) and (stretches,), in seconds.
    """
    opens = np.array([m.opens for m in moves])
    closes = np.array([m.closes for m in moves])
    seconds = np.array([m.seconds for m in moves])
    # np.unique would bring in a tenth of a second of modules the first time.
    edges = np.array(sorted(set(opens))), np.array(sorted(set(closes)))
    begin, end = (grid.reshape(-1, 1) for grid in np.meshgrid(*edges))
    long = end - begin
    left, right = opens + seconds - begin, end - closes + seconds
    need = np.minimum(np.minimum(seconds, long), np.minimum(left, right))
    return np.maximum(0.0, need), np.maximum(0.0, limbs * long[:, 0]) + _ROUNDING


class _State(NamedTuple):
    """Limbs free again at these times after some moves; the way there."""

    low: float
    high: float
    way: tuple[tuple[int, float], ...]
    """(move, when it begins), in order."""


def _searched(moves: list[Move], limbs: int) -> list[Placed] | None:
    """Try all orders, the most urgent first, leaving out states that one tried before betters.

    Any schedule can be had by adding moves in order of their beginning, each as early as it goes.
    """
    tried: dict[int, list[_State]] = {}
    twins = _twins(moves)
    everything = (1 << len(moves)) - 1
    waiting: list[tuple[int, _State]] = [(0, _State(-inf, -inf if limbs > 1 else inf, ()))]
    while waiting:
        mask, state = waiting.pop()
        if mask == everything:
            return _on_limbs(moves, state, limbs)
        left = [n for n in range(len(moves)) if not mask >> n & 1]
        found: list[tuple[float, int, _State]] = []
        for free, other in ((state.low, state.high), (state.high, state.low)):
            if free == inf:
                continue
            # Whatever could be over before another begins might as well come first.
            soonest = min(max(free, moves[n].opens) + moves[n].seconds for n in left)
            for number in left:
                move = moves[number]
                begins = max(free, move.opens)
                over = begins + move.seconds
                late = over > move.closes + _ROUNDING or begins > soonest
                if late or twins[number] & ~mask:
                    continue
                rest = [moves[k] for k in left if k != number]
                low, high = (over, other) if over <= other else (other, over)
                if _too_late(rest, low, high):
                    continue
                first = min((m.opens for m in rest), default=-inf)
                way = (*state.way, (number, begins))
                new = _State(max(low, first), max(high, first), way)
                after = mask | 1 << number
                if _is_new(tried.setdefault(after, []), new):
                    found.append((begins + move.closes - move.seconds, after, new))
        found.sort(key=_urgency, reverse=True)  # the last is tried next
        waiting += [(after, new) for _, after, new in found]
    return None


def _urgency(row: tuple[float, int, _State]) -> float:
    return row[0]


def _too_late(rest: list[Move], low: float, high: float) -> bool:
    """Whether what is left (by deadline) cannot all be made with limbs free at these times."""
    work = 0.0
    for move in rest:
        if max(low, move.opens) + move.seconds > move.closes + _ROUNDING:
            return True
        work += move.seconds
        room = move.closes - low + (move.closes - high if move.closes > high else 0.0)
        if work > room + _ROUNDING:
            return True
    return False


def _twins(moves: list[Move]) -> list[int]:
    """For each move, those just like it that come before: they are made in this order."""
    return [
        sum(1 << other for other in range(number) if moves[other][3:6] == move[3:6])
        for number, move in enumerate(moves)
    ]


def _is_new(states: list[_State], new: _State) -> bool:
    """Take a state in unless one there is as good; drop those it betters."""
    if any(s.low <= new.low and s.high <= new.high for s in states):
        return False
    states[:] = [s for s in states if not (new.low <= s.low and new.high <= s.high)]
    states.append(new)
    return True


def _on_limbs(moves: list[Move], state: _State, limbs: int) -> list[Placed]:
    free = [-inf] * limbs
    out: list[Placed] = []
    for number, begins in state.way:
        # The limb it was put on is the one free last of those that are free by then.
        limb = max((n for n in range(limbs) if free[n] <= begins), key=lambda n: free[n])
        free[limb] = begins + moves[number].seconds
        out.append(Placed(moves[number], begins, limb))
    return out
