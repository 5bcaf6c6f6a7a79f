"""Generators and keys, against tables, brute force and music21."""

from __future__ import annotations

import json
from collections import Counter
from itertools import pairwise
from pathlib import Path

import pytest

from grebe.core.patterns.generate import (
    Register,
    arpeggio,
    division,
    euclid,
    fill_voice,
    looping_random,
    random_walk,
    register,
    shuffled_hits,
)
from grebe.core.patterns.keys import in_key, outside, pitch_classes, rank_keys
from tests import build


def _row(steps: tuple[bool, ...]) -> str:
    return "".join("x" if on else "." for on in steps)


@pytest.mark.parametrize(
    ("hits", "steps", "row"),
    [(3, 8, "x..x..x."), (5, 8, "x.xx.xx."), (2, 5, "x.x.."), (5, 16, "x..x..x..x..x..."),
     (4, 16, "x...x...x...x..."), (0, 4, "...."), (4, 4, "xxxx"), (1, 3, "x..")],
)  # fmt: skip
def test_euclid(hits: int, steps: int, row: str) -> None:
    """The first four from Toussaint 2005; the rest are plain."""
    assert _row(euclid(hits, steps)) == row


def test_euclid_is_as_even_as_can_be() -> None:
    """Distances between hits differ by one step at most, for all up to 24; rotation moves it."""
    for steps in range(1, 25):
        for hits in range(1, steps + 1):
            row = euclid(hits, steps)
            places = [i for i, on in enumerate(row) if on]
            gaps = {(b - a) % steps or steps for a, b in zip(places, places[1:] + places[:1],
                                                             strict=True)}  # fmt: skip
            assert len(places) == hits
            assert max(gaps) - min(gaps) <= 1
    assert _row(euclid(3, 8, 1)) == ".x..x..x"
    assert euclid(3, 8, 8) == euclid(3, 8)


@pytest.mark.parametrize(("hits", "steps"), [(5, 4), (-1, 4), (1, 0), (1, 257)])
def test_euclid_refuses(hits: int, steps: int) -> None:
    """What has no answer."""
    with pytest.raises(ValueError, match="steps go from 1"):
        euclid(hits, steps)


@pytest.mark.parametrize(
    ("taps", "period"), [((8, 6, 5, 4), 255), ((16, 15, 13, 4), 65_535), ((3, 2), 7), ((4, 2), 6)]
)
def test_register_periods(taps: tuple[int, ...], period: int) -> None:
    """Maximal taps (from memory): 2^n - 1. (4, 2) is not maximal: counted by hand."""
    assert Register(taps, 1).period() == period


def test_register_output_repeats_with_its_period() -> None:
    """And not before; a second row of taps laid over it gives another rhythm."""
    row = register((5, 3), 62, seed=9)
    assert row[:31] == row[31:]
    assert sum(row[:31]) == 16
    assert register((5, 3), 31, 9, other=(4, 1)) != row[:31]
    assert register((5, 3), 4, seed=0) == register((5, 3), 4, seed=1)


def test_looping_random() -> None:
    """Locked it repeats for ever, free it does not; the seed decides, density thins."""
    locked = looping_random(64, 8, 1.0, seed=3)
    assert locked == locked[:8] * 8
    free = looping_random(64, 8, 0.0, seed=3)
    assert free != free[:8] * 8
    assert free == looping_random(64, 8, 0.0, seed=3)
    assert not any(looping_random(16, 8, 0.5, 1, density=0.0))


def test_divisions_walks_and_arpeggios() -> None:
    """Every third; neighbours only; up, down, there and back, over octaves, by seed."""
    assert _row(division(8, 3, 1)) == ".x..x..x"
    walk = random_walk(200, (36, 38, 42, 46), seed=5)
    places = [(36, 38, 42, 46).index(n) for n in walk]
    assert max(abs(a - b) for a, b in pairwise(places)) == 1
    assert set(walk) == {36, 38, 42, 46}
    assert arpeggio(5, (60, 64, 67), "up") == (60, 64, 67, 60, 64)
    assert arpeggio(4, (64, 60), "down", octaves=2) == (76, 72, 64, 60)
    assert arpeggio(6, (60, 64, 67), "up and down") == (60, 64, 67, 64, 60, 64)
    assert arpeggio(9, (60, 64), "random", seed=4) == arpeggio(9, (64, 60), "random", seed=4)
    assert arpeggio(2, (120,), "up", octaves=3) == (120, 120)


def test_shuffle_keeps_steps_and_hits() -> None:
    """Velocities change places; steps stay; another seed is another order."""
    voice = fill_voice(build.voice("................"), euclid(7, 16), notes=(1, 2, 3, 4, 5, 6, 7))
    mixed = shuffled_hits(voice, 2)
    assert [h.step for h in mixed.hits] == [h.step for h in voice.hits]
    assert sorted(h.note or 0 for h in mixed.hits) == [1, 2, 3, 4, 5, 6, 7]
    assert mixed != voice
    assert mixed != shuffled_hits(voice, 3)


def test_scales() -> None:
    """D minor's notes; steps of a key; what lies outside it."""
    assert pitch_classes("D minor") == {2, 4, 5, 7, 9, 10, 0}
    assert pitch_classes("Db major") == pitch_classes("C# major")
    assert [in_key(62, "D minor", n) for n in (-1, 1, 2, 7)] == [60, 64, 65, 74]
    assert in_key(63, "D minor", 1) == 64
    assert in_key(126, "C major", 5) == 127
    assert outside((62, 63, 66), "D minor") == (63, 66)
    with pytest.raises(ValueError, match="a key is a tonic and a scale"):
        pitch_classes("H minor")


def test_keys_of_plain_scales() -> None:
    """A scale with its tonic doubled is in its own key."""
    assert rank_keys(Counter((62, 64, 65, 67, 69, 70, 72, 62, 74, 69)))[0].key == "D minor"
    assert rank_keys(Counter((60, 64, 67, 60)))[0].key == "C major"
    with pytest.raises(ValueError, match="at least one note"):
        rank_keys({})


def test_key_ranking_is_that_of_music21() -> None:
    """Its Krumhansl-Kessler analysis (version in the file, made by tools/reference_keys.py)
    gives the same scores, and the same order but for keys that score alike."""
    found = json.loads((Path(__file__).parent / "data" / "keys_music21.json").read_text())
    assert len(found["takes"]) == 4
    for take in found["takes"]:
        theirs = dict(map(tuple, take["ranking"]))
        ours = rank_keys(Counter(take["notes"]))
        assert {r.key for r in ours} == theirs.keys()
        for row in ours:
            assert row.score == pytest.approx(theirs[row.key], abs=1e-6)
        order = [theirs[row.key] for row in ours]
        assert all(a >= b - 1e-6 for a, b in pairwise(order))


def test_weights_count() -> None:
    """Longer notes weigh more."""
    assert rank_keys({60: 4.0, 64: 2.0, 67: 3.0})[0].key == "C major"


def test_a_register_is_as_long_as_its_highest_tap_of_either_row() -> None:
    """A second row that reaches further makes it longer: what comes out is the bits it taps."""
    assert Register((3, 2), other=(7, 1)).bits == 7
    assert Register((7, 1), other=(3, 2)).bits == 7
    state = 0b1000001  # by hand: out is bit 7 xor bit 1, in is bit 3 xor bit 2
    by_hand: list[bool] = []
    for _ in range(20):
        by_hand.append(bool((state >> 6 ^ state) & 1))
        state = (state << 1 | (state >> 2 ^ state >> 1) & 1) & 0b1111111
    assert register((3, 2), 20, 0b1000001, (7, 1)) == tuple(by_hand)
