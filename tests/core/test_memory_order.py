"""Patterns put side by side in memory, against brute force."""

from __future__ import annotations

from itertools import pairwise, permutations

from hypothesis import given, settings
from hypothesis import strategies as st

from grebe.core.songs.memory_order import in_order
from tests.long import tries

NAMES = ("a", "b", "c", "d", "e")


def fewest_by_brute_force(
    chains: list[list[str]], group: int, groups: int, lies: dict[str, int]
) -> int | None:
    """The fewest patterns moved, over all ways to place them; None where there is none."""
    used = sorted({p for chain in chains for p in chain})
    best: int | None = None
    for places in permutations(range(group * groups), len(used)):
        at = dict(zip(used, places, strict=True))
        runs = all(at[b] == at[a] + 1 for chain in chains for a, b in pairwise(chain))
        if runs and all(len({at[p] // group for p in chain}) == 1 for chain in chains):
            moved = sum(lies[p] != at[p] for p in used if p in lies)
            best = moved if best is None else min(best, moved)
    return best


@st.composite
def cases(draw: st.DrawFn) -> tuple[list[list[str]], int, int, dict[str, int]]:
    """Chains over up to five patterns, a memory of groups, where the patterns lie now."""
    chains = draw(
        st.lists(
            st.permutations(NAMES).flatmap(lambda p: st.integers(1, 3).map(lambda n: list(p[:n]))),
            min_size=1,
            max_size=3,
        )
    )
    group = draw(st.sampled_from([2, 3, 4]))
    groups = draw(st.sampled_from([2, 3] if group < 4 else [1, 2]))
    used = sorted({p for chain in chains for p in chain})
    places = draw(st.permutations(range(group * groups)))
    return chains, group, groups, dict(zip(used, places, strict=False))


@settings(max_examples=tries(60))
@given(cases())
def test_as_brute_force_finds(case: tuple[list[list[str]], int, int, dict[str, int]]) -> None:
    """A way is found exactly where there is one, and it moves the fewest patterns."""
    chains, group, groups, lies = case
    found = in_order(chains, group, groups, lies=lies)
    best = fewest_by_brute_force(chains, group, groups, lies)
    assert (best is None) == bool(found.why_not)
    if best is not None:
        assert len(found.moved) == best
        for chain in chains:
            for a, b in pairwise(chain):
                assert found.places[b] == found.places[a] + 1


def test_sixteen_patterns_into_full_groups() -> None:
    """Four chains of four into four groups of four, all of them lying the wrong way round."""
    names = [f"p{n}" for n in range(16)]
    chains = [names[n : n + 4] for n in range(0, 16, 4)]
    found = in_order(chains, 4, 4, lies={p: 15 - n for n, p in enumerate(names)})
    assert found.why_not == ""
    assert sorted(found.places.values()) == list(range(16))


def test_why_there_is_no_way() -> None:
    """In words, with the patterns that clash."""
    forked = in_order([["a", "b"], ["a", "c"]], 4, 4)
    assert forked.why_not.format(*forked.clash) == (
        "a is followed by b in one chain and by c in another"
    )
    joined = in_order([["a", "c"], ["b", "c"]], 4, 4)
    assert (
        joined.why_not.format(*joined.clash)
        == "c comes after a in one chain and after b in another"
    )
    assert "before itself" in in_order([["a", "b"], ["b", "a"]], 4, 4).why_not
    assert "a group holds 2" in in_order([["a", "b", "c"]], 2, 4).why_not
    assert "twice" in in_order([["a", "b", "a"]], 4, 4).why_not


def test_places_of_others_are_left_alone() -> None:
    """Taken places are not used; without room that is said."""
    found = in_order([["a", "b"]], 4, 1, taken=frozenset({0, 1}))
    assert found.places == {"a": 2, "b": 3}
    assert "do not fit" in in_order([["a", "b"]], 4, 1, taken=frozenset({0, 2})).why_not
