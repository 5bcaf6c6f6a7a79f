"""What changed, sent as what changed: exact, small, and refused where it does not fit."""

from __future__ import annotations

from typing import Any

import msgspec
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from grebe.app.document.demo import demo_bytes
from grebe.app.engine.plan_sender import PlanSender, in_parts
from grebe.app.engine.supervisor import load_message
from grebe.core.document import Project
from grebe.core.patterns.model import Hit
from grebe.core.player.plan import make_plan
from grebe.engine.loading import MOST_PATTERNS, Loading, only_patterns
from grebe.errors import ProtocolError
from grebe.formats.project import parse_project
from grebe.protocols.link.messages import (
    PART_BYTES,
    Load,
    LoadPart,
    PlanChange,
    Stale,
    ToEngine,
    pack,
    to_engine,
)
from grebe.protocols.link.patch import diff, patched
from tests import build
from tests.long import tries

DEMO = parse_project(demo_bytes(), "demo").project
replace = msgspec.structs.replace


def over_the_wire(message: Any) -> ToEngine:
    return to_engine(pack(message)[4:])


def load_of(project: Project) -> Load:
    return load_message(project, make_plan(project, project.songs[0], "/x.grebe"))


def with_step(project: Project, number: int, step: int) -> Project:
    """A hit set, or taken away, in the first voice of a pattern."""
    pattern = project.patterns[number % len(project.patterns)]
    content = pattern.content
    voice = content.voices[0]
    step %= voice.length
    left = tuple(h for h in voice.hits if h.step != step)
    hits = left if len(left) < len(voice.hits) else tuple(
        sorted((*left, Hit(step=step, velocity=77)), key=lambda h: h.step)
    )  # fmt: skip
    voices = (replace(voice, hits=hits), *content.voices[1:])
    new = replace(pattern, content=replace(content, voices=voices))
    return replace(project, patterns=tuple(new if p is pattern else p for p in project.patterns))


def edited(project: Project, kind: int, number: int) -> Project:
    """One of many edits, by two numbers."""
    patterns, songs, rig = project.patterns, project.songs, project.rig
    match kind % 7:
        case 0 if patterns:
            return with_step(project, number, number)
        case 1 if len(patterns) > 1:
            gone = number % len(patterns)
            return replace(project, patterns=(*patterns[:gone], *patterns[gone + 1 :]))
        case 2 if patterns:
            copy = replace(patterns[0], id=f"copy-{number}-{len(patterns)}")
            return replace(project, patterns=(copy, *patterns))
        case 3:
            song = replace(songs[0], bpm=60.0 + number % 200)
            return replace(project, songs=(song, *songs[1:]))
        case 4:
            devices = tuple(
                replace(d, offset_ms=float(number % 50)) if n == number % len(rig.devices) else d
                for n, d in enumerate(rig.devices)
            )
            return replace(project, rig=replace(rig, devices=devices))
        case 5:
            return replace(project, name=f"Name {number % 3}")
        case 6:
            song = replace(songs[0], sections=songs[0].sections[: 1 + number % 3])
            return replace(project, songs=(song, *songs[1:]))
    return project


@settings(max_examples=tries(60))
@given(st.lists(st.tuples(st.integers(0, 6), st.integers(0, 400)), max_size=6))
def test_whatever_is_edited_comes_out_the_same(edits: list[tuple[int, int]]) -> None:
    """Any edits in a row, sent over the wire one by one: the engine has just what the window has,
    and what was left alone is still the very same object."""
    sender, loading = PlanSender(), Loading()
    project = DEMO
    for kind, number in [(5, 0), *edits]:
        project = edited(project, kind, number)
        load = load_of(project)
        for message in sender.messages(load):
            taken = loading.take(over_the_wire(message))  # type: ignore[arg-type]
            if isinstance(taken, Load):
                loading.loaded = taken
        assert loading.loaded is not None
        assert replace(loading.loaded, token="") == load


def test_a_key_press_is_a_few_bytes() -> None:
    """And leaves all but one pattern as it was; the same again is nothing at all."""
    sender, loading = PlanSender(), Loading()
    (whole,) = sender.messages(load_of(DEMO))
    before = loading.take(over_the_wire(whole))  # type: ignore[arg-type]
    assert isinstance(before, Load)
    loading.loaded = before
    after_edit = with_step(DEMO, 0, 5)
    (change,) = sender.messages(load_of(after_edit))
    assert isinstance(change, PlanChange)
    assert len(pack(change)) < 400
    after = loading.take(over_the_wire(change))  # type: ignore[arg-type]
    assert isinstance(after, Load)
    assert only_patterns(before, after)
    old, new = before.plan.plan, after.plan.plan
    assert sum(a is not b for a, b in zip(old.patterns, new.patterns, strict=True)) == 1
    assert list(sender.messages(load_of(after_edit))) == []


def test_a_change_of_something_else_is_stale() -> None:
    """Another window has loaded meanwhile, or the engine is another: all of it is asked for."""
    sender, loading = PlanSender(), Loading()
    (whole,) = sender.messages(load_of(DEMO))
    (change,) = sender.messages(load_of(with_step(DEMO, 0, 5)))
    assert isinstance(change, PlanChange)
    assert loading.take(change) == Stale()
    loading.loaded = replace(whole, token="another")  # type: ignore[arg-type]
    assert loading.take(change) == Stale()
    loading.loaded = replace(whole, token="")  # type: ignore[arg-type]
    assert loading.take(replace(change, base="")) == Stale()
    sender.forget()
    (again,) = sender.messages(load_of(DEMO))
    assert isinstance(again, Load)


def test_a_large_plan_goes_in_parts() -> None:
    """Each quickly read, in order; other parts that wait are forgotten by another token's."""
    voices = [build.voice("x" * 64, note=36 + n, voice_id=f"v{n}") for n in range(8)]
    patterns = [build.pattern(f"p{n}", "drums", *voices) for n in range(60)]
    project = build.project(
        [build.device("drums")], patterns, [build.scene("a", drums=[p.id for p in patterns])],
        build.song("a"),
    )  # fmt: skip
    load = replace(load_of(project), token="one")
    parts = list(in_parts(load))
    assert len(parts) > 4
    assert max(len(pack(p)) for p in parts) < 2 * PART_BYTES
    loading = Loading()
    assert loading.take(LoadPart(token="another", patterns=load.plan.plan.patterns)) is None
    for part in parts[:-1]:
        assert loading.take(over_the_wire(part)) is None  # type: ignore[arg-type]
    assert loading.take(over_the_wire(parts[-1])) == load  # type: ignore[arg-type]
    with pytest.raises(ProtocolError, match="over 100000 patterns"):
        for _ in range(MOST_PATTERNS):
            loading.take(LoadPart(token="x", patterns=load.plan.plan.patterns))


@pytest.mark.parametrize(
    "patch",
    [
        {}, {"x": 1}, {"f": {"nothing": {"v": 1}}}, {"f": {"patterns": {"e": {"9999": {"v": 1}}}}},
        {"f": {"patterns": {"e": {"-1": {"v": 1}}}}}, {"f": {"patterns": {"e": {"a": {}}}}},
        {"f": {"patterns": {"s": [0, 10_000, []]}}}, {"f": {"patterns": {"s": [5, -3, []]}}},
        {"f": {"patterns": {"s": [0, 0, [7]]}}}, {"f": {"song": {"v": None}}},
        {"f": {"song": {"f": {"bpm": {"v": "fast"}}}}}, {"f": {"song": {"f": {"bpm": {"v": 1e9}}}}},
        {"e": {}}, {"k": {}, "-": []}, {"f": {"via": {"k": {"a": {"v": 3}}, "-": []}}}, {"f": 7},
    ],
)  # fmt: skip
def test_what_does_not_fit_is_refused(patch: dict[str, Any]) -> None:
    """Whatever it is; and nothing has been changed by it."""
    plan = load_of(DEMO).plan.plan
    kept = pack(load_of(DEMO))
    with pytest.raises(ProtocolError):
        patched(plan, patch)
    assert pack(load_of(DEMO)) == kept


def test_patches_that_nest_for_ever_are_refused() -> None:
    """By depth, before the stack is full."""
    patch: dict[str, Any] = {"v": 1}
    for _ in range(200):
        patch = {"f": {"song": patch}}
    with pytest.raises(ProtocolError):
        patched(load_of(DEMO).plan.plan, patch)


def test_the_same_is_no_patch() -> None:
    """Also where it was made anew."""
    assert diff(load_of(DEMO).plan, load_of(DEMO).plan) is None
