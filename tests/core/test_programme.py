"""A song as each box can have it."""

from __future__ import annotations

from itertools import combinations, pairwise
from typing import Any

import msgspec
from hypothesis import given, settings
from hypothesis import strategies as st

from grebe.core.document import Project
from grebe.core.findings import check
from grebe.core.rig.spec import ChainRule, MemoryShape, Spec, Steps
from grebe.core.songs.changes import reached_by
from grebe.core.songs.model import BoxSong, Printed, Then
from grebe.core.songs.programme import Entry, Programme, programmes, shorter, split, what_changed
from grebe.core.songs.unroll import unrolled
from tests import build
from tests.long import tries

STEPS = "x...x...x...x..."


def boxed(spec: Spec, *chains: list[str], times: int = 1, **fields: Any) -> Project:
    """A box that nothing reaches by program, with a scene of four bars for each chain."""
    box = build.device("box", plays="own", spec=spec, **fields)
    names = dict.fromkeys(p for chain in chains for p in chain)
    patterns = [
        build.own(build.pattern(p, "box", build.voice(STEPS), program=n))
        for n, p in enumerate(sorted(names))
    ]
    scenes = [build.scene(f"s{n}", 4, box=chain) for n, chain in enumerate(chains)]
    song = build.song(*((s.id, times) for s in scenes))
    return build.project([box], patterns, scenes, song)


def only(project: Project) -> Programme:
    (found,) = programmes(project, project.songs[0], reached_by(project))
    return found


def test_the_lines_of_a_programme() -> None:
    """Bars, scenes, printed places, repeats, stretches played again and what is cut."""
    project = boxed(Spec(), ["a", "a", "b"], ["b"], times=2)
    project = msgspec.structs.replace(project, songs=(build.song(("s0", 3), ("s1", 2), "s0"),))
    assert only(project).lines == (
        "Bar 1, s0: 1 a 2 times, 2 b once; 4 times over",
        "Bar 13, s1: 2 b 8 times",
        "Bar 21, s0: 1 a 2 times, 2 b once, 1 a once",
    )


def test_a_pattern_cut_short_is_said() -> None:
    """Five bars of pattern in four of scene."""
    project = boxed(Spec(), ["a"])
    long = build.own(build.pattern("a", "box", build.voice("x" + "." * 47), program=0))
    assert only(msgspec.structs.replace(project, patterns=(long,))).lines == (
        "Bar 1, s0: 1 a 2 times, the last cut short",
    )


def test_told_live_played_and_boxed() -> None:
    """How each device comes to play its part."""
    project = build.two_boxes()
    song = project.songs[0]
    assert [p.how for p in programmes(project, song, reached_by(project))] == ["live", "grebe"]
    song = msgspec.structs.replace(song, box_songs=(BoxSong(device="drums", number=3),))
    found = programmes(project, song, reached_by(project))[0]
    assert found.how == "box"
    assert found.lines[0] == "One track in song 4"


def test_a_list_past_its_limit() -> None:
    """Longer patterns, or more tracks; both are worked out."""
    rule = ChainRule(rule="any", longest=4)
    spec = Spec(chains=rule, steps=Steps(longest=32))
    found = only(boxed(spec, ["a"], ["a", "b"]))
    assert found.problems == ("a list of 8 is past its limit of 4",)
    assert found.remedies[0] == ("write 2 longer patterns (a + a; a + b): 4 in the list")
    assert found.remedies[1] == "split it into 2 tracks, the next begun at bar 5"
    assert len(found.tracks) == 2


def test_chains_that_do_not_lie_side_by_side() -> None:
    """The order that serves, or why there is none."""
    rule = ChainRule(rule="neighbours", longest=4, group=4)
    spec = Spec(chains=rule, memory=MemoryShape(slots=16))
    found = only(boxed(spec, ["a", "c"], ["b"]))
    assert found.problems == ("a \u2192 c do not lie side by side in its memory",)
    assert found.order is not None
    assert found.order.places["c"] == found.order.places["a"] + 1
    assert found.remedies[0].startswith("put its patterns in another order: ")
    found = only(boxed(spec, ["a", "c"], ["a", "b"]))
    assert "a is followed by c in one chain and by b in another" in found.problems
    found = only(boxed(spec, ["a", "a", "b"]))
    assert "needs copies" in found.problems[0]


@settings(max_examples=tries(60))
@given(st.lists(st.sampled_from("ab"), min_size=1, max_size=8), st.integers(1, 4))
def test_the_shortest_list_by_brute_force(plays: list[str], longest: int) -> None:
    """All ways to cut the list are tried."""
    steps = {"a": 1, "b": 2}
    best = None
    for count in range(len(plays)):
        for cuts in combinations(range(1, len(plays)), count):
            rows = [plays[i:j] for i, j in zip((0, *cuts), (*cuts, len(plays)), strict=True)]
            if all(len(r) == 1 or sum(steps[p] for p in r) <= longest for r in rows):
                new = {tuple(r) for r in rows if len(r) > 1}
                best = min(best or (99, 99), (len(rows), len(new)))
    found = shorter(plays, steps, longest, 99)
    assert found is not None
    assert best is not None
    assert found.entries == best[0]


@settings(max_examples=tries(60))
@given(
    st.lists(st.tuples(st.integers(1, 3), st.booleans()), min_size=1, max_size=8),
    st.integers(3, 6),
)
def test_tracks_are_few_and_cut_where_sections_begin(
    rows: list[tuple[int, bool]], limit: int
) -> None:
    """As few tracks, then as few cuts inside a section, as any way of cutting has."""
    entries = [Entry("p", times, n, "s", first=first) for n, (times, first) in enumerate(rows)]
    best = None
    for count in range(len(rows)):
        for cuts in combinations(range(1, len(rows)), count):
            edges = (0, *cuts, len(rows))
            held = [sum(t for t, _ in rows[i:j]) for i, j in pairwise(edges)]
            if max(held) <= limit:
                inside = sum(not rows[c][1] for c in cuts)
                best = min(best or (99, 99), (len(held), inside))
    tracks = split(entries, limit)
    inside = sum(not entries[first].first for first, _ in tracks[1:])
    assert (len(tracks), inside) == best
    assert tracks[0][0] == 0
    assert [a + 1 for _, a in tracks[:-1]] == [b for b, _ in tracks[1:]]


def test_a_song_unrolled() -> None:
    """Jumps are written out; ids stay apart; what never ends goes on."""
    song = build.song("a", ("b", 1, {"then": Then(kind="jump", to="s1", jumps=2)}), "c")
    flat = unrolled(song)
    assert [s.scene for s in flat.sections] == ["a", "b", "a", "b", "a", "b", "c"]
    assert len({s.id for s in flat.sections}) == 7
    assert all(s.then.kind == "next" for s in flat.sections)
    for_ever = build.song(("a", 1, {"then": Then(kind="jump", to="s1", jumps=0)}), "b")
    assert [s.scene for s in unrolled(for_ever).sections] == ["a", "b"]


def test_what_changed_since_it_was_printed() -> None:
    """Line by line; the finding says it until the sheet is printed again."""
    assert what_changed(("1", "2"), ("1", "3", "4")) == ("Line 2 was: 2", "Line 3 is new: 4")
    assert what_changed(("1", "2"), ("1",)) == ("Line 2 is gone: 2",)
    project = boxed(Spec(), ["a"])
    lines = only(project).lines
    printed = Printed(song="song", device="box", lines=lines)
    project = msgspec.structs.replace(project, printed=(printed,))
    assert "song.sheet-changed" not in [f.code for f in check(project)]
    longer = msgspec.structs.replace(project, songs=(build.song(("s0", 2)),))
    found = [f for f in check(longer) if f.code == "song.sheet-changed"]
    assert len(found) == 1
    assert "Line 1 was" in found[0].message


def test_one_pattern_over_and_over_is_not_split_into_one_track() -> None:
    """Past the limit of its list, and no split helps: no such thing is proposed."""
    spec = Spec(memory=MemoryShape(slots=8), chains=ChainRule(rule="any", longest=4))
    box = build.device("box", plays="own", obeys_program=False, spec=spec)
    pattern = build.own(build.pattern("p", "box", build.voice("x" + 15 * "."), program=0))
    project = build.project([box], [pattern], [build.scene("s", 32, box=["p"])], build.song("s"))
    (found,) = programmes(project, project.songs[0], frozenset())
    assert found.problems
    assert not any("track" in remedy for remedy in found.remedies)
