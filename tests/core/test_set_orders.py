"""The order of a set: keys, costs and the best of all orders."""

from __future__ import annotations

import itertools
import random

import msgspec
import numpy as np
import pytest

from grebe.core.sets.bounds import Costs, bounded
from grebe.core.sets.formatting import (
    reason_words,
    sure_words,
)
from grebe.core.sets.model import Weights
from grebe.core.sets.order import RunningOrder, best_order, costs_of, key_step, tempo_step
from grebe.core.sets.plan import plan_set
from grebe.core.songs.model import MuteRegion, Section
from tests.core.test_sets import place, three_songs

# Orders


def test_steps_of_tempo_and_key() -> None:
    """Double is twelve; half feel is near; a fifth is a step, the same root in another mode two."""
    assert tempo_step(100, 100) == 0
    assert tempo_step(120, 60) == pytest.approx(3.0)
    assert tempo_step(100, 100 * 2 ** (1 / 12)) == pytest.approx(1.0)
    assert [key_step("C major", k) for k in ("A minor", "G major", "C minor", "")] == [
        0, 1, 2, 1.5,
    ]  # fmt: skip


def dealt(count: int, seed: int, pins: tuple[int, ...] = ()) -> Costs:
    dice = np.random.default_rng(seed)
    step = dice.uniform(0, 10, (count, count))
    where = dice.uniform(0, 5, (count, count))
    for pin in pins:
        rest = [n for n in range(count) if n != pin]
        where[pin, rest] = np.inf
        where[rest, pin] = np.inf
    return Costs(step, where)


@pytest.mark.parametrize("seed", range(12))
def test_the_order_is_that_of_brute_force(seed: int) -> None:
    """All orders of up to seven songs, with and without pins."""
    count = 2 + seed % 6
    costs = dealt(count, seed, (0,) if seed % 2 else ())
    best = min(costs.of(order) for order in itertools.permutations(range(count)))
    found = best_order(costs)
    assert found.exact
    assert found.cost == pytest.approx(best)
    assert costs.of(found.order) == pytest.approx(best)


@pytest.mark.parametrize("seed", range(6))
def test_the_bound_of_an_order_is_that_of_brute_force(seed: int) -> None:
    """Given the time it needs, the programme's order and bound are the best there is."""
    costs = dealt(6, seed, (0,) if seed % 2 else ())
    best = min(costs.of(order) for order in itertools.permutations(range(6)))
    order, bound = bounded(costs, 30)
    assert costs.of(order) == pytest.approx(best)
    assert bound == pytest.approx(best)


def test_a_longer_set_comes_near_the_best() -> None:
    """Eighteen songs whose best order is known: along a line. HiGHS proves that none is cheaper;
    where it cannot in time it says by how much one could be."""
    dice = random.Random(4)
    at = list(range(18))
    dice.shuffle(at)
    step = np.abs(np.subtract.outer(at, at)).astype(float)
    costs = Costs(step, np.zeros((18, 18)))
    found = best_order(costs)
    assert found.cost == pytest.approx(17.0)
    assert found.exact or found.gap <= 1.0  # a busy machine leaves the last step unproven
    pinned = dealt(17, 9, (2, 6))
    found = best_order(pinned)
    assert (found.order[2], found.order[6]) == (2, 6)
    assert sorted(found.order) == list(range(17))
    assert 0 <= found.gap <= 1
    assert best_order(Costs(np.zeros((0, 0)), np.zeros((0, 0)))).order == ()


def test_what_counts_can_be_weighed() -> None:
    """By tempo alone the songs go up; by a wish for falling energy the fullest comes first."""
    project = three_songs(place(2), place(3), place(1), weights=Weights(key=0, energy=0, work=0))
    plan = plan_set(project, project.sets[0])
    found = best_order(costs_of(project, project.sets[0], plan.songs))
    tempi = [plan.songs[n].facts.bpm for n in found.order]  # type: ignore[union-attr]
    assert tempi in ([100.0, 120.0, 150.0], [150.0, 120.0, 100.0])
    thin = msgspec.structs.replace(
        project.songs[0], sections=(Section(id="x", scene="a", mutes=(
            MuteRegion(device="drums", at=0, long=32),)),),
    )  # fmt: skip
    energy = Weights(tempo=0, key=0, energy=1, work=0)
    running = msgspec.structs.replace(project.sets[0], weights=energy, wish=(0.0, 1.0))
    project = msgspec.structs.replace(project, songs=(thin, *project.songs[1:]), sets=(running,))
    plan = plan_set(project, running)
    order = best_order(costs_of(project, running, plan.songs)).order
    assert plan.songs[order[0]].entry.song == "s1"


def test_why_a_song_lies_after_another_in_a_line() -> None:
    """Tempo, key, energy and work, each as it stands; a key only where both songs have one."""
    project = three_songs(place(1), place(2), place(3))
    plan = plan_set(project, project.sets[0])
    words = reason_words(plan.songs[1], plan.songs[0], (0.2, 0.5), wished=0.6)
    assert words == "tempo +20.0 %, relative, energy 20 to 50 %, wished 60, no work"
    for number in (0, 1):
        songs = list(project.songs)
        songs[number] = msgspec.structs.replace(songs[number], key="")
        bare = msgspec.structs.replace(project, songs=tuple(songs))
        plan = plan_set(bare, bare.sets[0])
        words = reason_words(plan.songs[1], plan.songs[0], (0.2, 0.5), wished=None)
        assert words == "tempo +20.0 %, key not known, energy 20 to 50 %, no work"


@pytest.mark.parametrize(
    ("gap", "words"),
    [
        (0.0, "none fits better"),
        (0.25, "the best found; none costs over 25 % less"),
        (1.0, "the best found"),
    ],
)
def test_how_sure_an_order_is_is_said(gap: float, words: str) -> None:
    """Proven, bounded, or neither, where the time did not reach."""
    assert sure_words(RunningOrder((0, 1), 1.0, gap)) == words
