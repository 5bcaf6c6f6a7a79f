"""Whether hands can make all moves, against brute force."""

from __future__ import annotations

import random
from itertools import pairwise

from hypothesis import given, settings
from hypothesis import strategies as st

from grebe.core.songs.hands import Move, Schedule, schedule
from grebe.core.songs.model import Performer
from tests.long import tries


def move(seconds: float, opens: float, closes: float, **fields: object) -> Move:
    """A move of a hand."""
    return Move("box", "turn it", "hand", seconds, opens, closes, **fields)  # type: ignore[arg-type]


def most_by_brute_force(moves: list[Move], limbs: int) -> int:
    """The most moves any order on any limb makes in time: all orders are tried."""
    best = 0

    def add(left: frozenset[int], free: tuple[float, ...], done: int) -> None:
        nonlocal best
        best = max(best, done)
        for number in left:
            for limb in range(limbs):
                over = max(free[limb], moves[number].opens) + moves[number].seconds
                if over <= moves[number].closes + 1e-9:
                    freed = (*free[:limb], over, *free[limb + 1 :])
                    add(left - {number}, freed, done + 1)

    add(frozenset(range(len(moves))), (-1e9,) * limbs, 0)
    return best


def is_sound(found: Schedule, moves: list[Move]) -> None:
    """Everything is placed or left over, inside its window, one at a time on each limb."""
    assert sorted(p.move for p in found.placed) + sorted(found.relieve) or not moves
    assert len(found.placed) + len(found.relieve) == len(moves)
    for placed in found.placed:
        assert placed.begins >= placed.move.opens - 1e-9
        assert placed.begins + placed.move.seconds <= placed.move.closes + 1e-6
    for limb in {p.limb for p in found.placed}:
        mine = [p for p in found.placed if p.limb == limb]
        for first, second in pairwise(mine):
            assert first.begins + first.move.seconds <= second.begins + 1e-9


windows = st.tuples(
    st.sampled_from([0.5, 1.0, 1.5, 2.0, 3.0]),
    st.sampled_from([-8.0, -6.0, -5.0, -3.0]),
    st.sampled_from([0.0, 0.5, 1.0, 2.0, 3.0]),
)


@settings(max_examples=tries(60))
@given(st.lists(windows, min_size=1, max_size=5), st.sampled_from([1, 2]))
def test_as_many_as_brute_force_finds(rows: list[tuple[float, float, float]], hands: int) -> None:
    """Never fewer, never more."""
    moves = [move(seconds, opens, opens + seconds + slack) for seconds, opens, slack in rows]
    found = schedule(moves, Performer(hands=hands))
    is_sound(found, moves)
    assert len(found.placed) == most_by_brute_force(moves, hands)


def test_twelve_hard_moves_are_settled() -> None:
    """Random windows that nearly fit: what is left over is sound, and gone without them."""
    dice = random.Random(7)
    for _ in range(6):
        moves = []
        for _ in range(12):
            seconds = round(dice.uniform(0.3, 2.5), 2)
            opens = -dice.uniform(2, 8)
            moves.append(move(seconds, opens, max(dice.uniform(-1, 0.3), opens + seconds)))
        found = schedule(moves, Performer())
        is_sound(found, moves)
        rest = [m for m in moves if m not in found.relieve]
        assert schedule(rest, Performer()).fits
        for kept in found.relieve:  # the smallest: with any one more it does not go
            assert not schedule([*rest, kept], Performer()).fits


def test_feet_and_hands_are_apart() -> None:
    """Two hands and a foot at once; a second foot is wanted in vain."""
    pedal = move(1.0, -1.0, 0.0)._replace(limb="foot")
    moves = [move(1.0, -1.0, 0.0), move(1.0, -1.0, 0.0), pedal]
    assert schedule(moves, Performer()).fits
    found = schedule([*moves, pedal], Performer())
    assert [m.limb for m in found.relieve] == ["foot"]
    assert schedule([*moves, pedal], Performer(feet=2)).fits


def test_what_grebe_could_take_is_given_away_first() -> None:
    """Of moves that are equal otherwise."""
    moves = [move(1.0, -1.0, 0.0, relief=r) for r in ((), ("ahead",), ("give",))]
    (left,) = schedule(moves, Performer()).relieve
    assert left.relief == ("give",)


def test_nothing_to_do_and_no_hands() -> None:
    """The two ends."""
    assert schedule([], Performer()).fits
    assert len(schedule([move(1.0, -2.0, 0.0)], Performer(hands=0)).relieve) == 1


def test_spare_time_is_told() -> None:
    """How much longer every move could take."""
    assert schedule([move(1.0, -3.0, 0.0)], Performer()).spare_s == 2.0
