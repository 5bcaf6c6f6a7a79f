"""A box's abilities as text, and edited from text."""

from __future__ import annotations

from typing import get_type_hints

import msgspec
import pytest

from grebe.app.document.demo import demo_bytes
from grebe.core.rig.abilities import (
    BY_HAND,
    CLOCK,
    CONTROLLERS,
    FACTS,
    JACKS,
    MEMORY,
    ROWS,
    VOICES,
    Ability,
    Part,
    ability_choices,
    ability_text,
    add_row,
    doubts,
    remove_row,
    set_spec,
    with_ability,
    with_row,
)
from grebe.core.rig.spec import Spec
from grebe.errors import EditError
from grebe.formats.profiles import shipped_profiles
from grebe.formats.project import parse_project

BY_PATH = {a.path: a for a in (*CLOCK, *MEMORY)}


def column(part: Part, path: str) -> Ability:
    return next(a for a in ROWS[part] if a.path == path)


def test_every_field_of_a_spec_can_be_edited() -> None:
    """No ability that only the file could change; what a probe has proven only a probe says."""
    reached = {path.split(".")[0] for path in BY_PATH} | set(ROWS)
    assert reached == set(get_type_hints(Spec)) - {"proven"}
    for part, abilities in (
        ("jacks", JACKS), ("voices", VOICES), ("controllers", CONTROLLERS), ("by_hand", BY_HAND)
    ):  # fmt: skip
        row = get_type_hints(Spec)[part].__args__[0]
        assert {a.path for a in abilities} == set(row.__struct_fields__) - {"id"}
    for name in ("sends", "obeys", "tempo", "memory", "steps", "chains", "pads"):
        kind = get_type_hints(Spec)[name]
        kind = next((k for k in getattr(kind, "__args__", ()) if k is not type(None)), kind)
        paths = {p.split(".")[1] for p in BY_PATH if p.startswith(f"{name}.")}
        assert paths == set(kind.__struct_fields__)


@pytest.mark.parametrize("profile", shipped_profiles(), ids=lambda p: p.id)
def test_what_is_shown_can_be_typed_again(profile: object) -> None:
    """The text of every field, typed, gives the same spec; what is offered is taken."""
    spec = profile.spec  # type: ignore[attr-defined]
    for part, abilities in FACTS.items():
        for ability in abilities:
            text = ability_text(spec, ability)
            assert with_ability(spec, ability, text) == spec, (part, ability)
            choices = ability_choices(ability)
            assert not choices or text in choices
            for choice in choices:
                with_ability(spec, ability, choice)
    for part, abilities in ROWS.items():
        for index, row in enumerate(getattr(spec, part)):
            for ability in abilities:
                text = ability_text(row, ability)
                if text or ability.path in ("rates", "slot"):  # empty: what says nothing there
                    assert with_row(spec, part, index, ability, text) == spec


@pytest.mark.parametrize(
    ("path", "text", "words"),
    [
        ("tempo.low", "slow", "Lowest tempo, BPM: a number from 20 to 400"),
        ("loop_tracks", "2.5", "Loop tracks: a whole number from 0 to 64"),
        ("loop_tracks", "65", "from 0 to 64"),
        ("obeys.clock", "perhaps", "say yes or no"),
        ("channels", "1, 17", "<= 16"),
        ("steps.swing", "50, 80", "<= 75"),
        ("chains.rule", "circle", "circle"),
        ("memory.slots", "0", "a whole number from 1 to"),
    ],
)
def test_what_cannot_be_is_refused_in_words(path: str, text: str, words: str) -> None:
    """The field by the name it has in the window, and what is wrong."""
    with pytest.raises(EditError) as caught:
        with_ability(Spec(), BY_PATH[path], text)
    assert words in str(caught.value)


def test_parts_a_box_lacks_come_and_go() -> None:
    """A memory is there as soon as one of its values is, and goes with `none`."""
    spec = with_ability(Spec(), BY_PATH["memory.slots"], "64")
    assert spec.memory is not None
    assert (spec.memory.banks, spec.memory.slots) == (1, 64)
    assert with_ability(spec, BY_PATH["memory.banks"], "none").memory is None
    assert ability_text(Spec(), BY_PATH["pads.order"]) == "none"
    pads = with_ability(Spec(), BY_PATH["pads.order"], "down").pads
    assert pads is not None
    assert (pads.rows, pads.order) == (4, "down")


def test_rows_come_and_go() -> None:
    """New rows have a name, an id and a number of their own."""
    spec = Spec()
    for part in ROWS:
        for _ in range(3):
            spec = add_row(spec, part)
    assert len({j.id for j in spec.jacks}) == 3
    assert [v.note for v in spec.voices] == [36, 37, 38]
    assert [c.number for c in spec.controllers] == [1, 2, 3]
    spec = remove_row(spec, "jacks", 1)
    assert len({j.id for j in add_row(spec, "jacks").jacks}) == 3
    spec = with_row(spec, "jacks", 0, column("jacks", "kind"), "pulse")
    spec = with_row(spec, "jacks", 0, column("jacks", "rates"), "48, 24")
    assert spec.jacks[0].rates == (48.0, 24.0)
    with pytest.raises(EditError, match="Gives V"):
        with_row(spec, "jacks", 0, column("jacks", "volts"), "230")


def test_a_box_that_cannot_is_not_set_to_do_it() -> None:
    """Taking an ability away switches its setting off; what it denies is said in words."""
    project = parse_project(demo_bytes(), "demo").project
    knot = project.rig.device("knot")
    assert knot.obeys_clock
    assert knot.sends_clock
    assert doubts(knot) == ()
    spec = with_ability(knot.spec, BY_PATH["obeys.clock"], "no")
    spec = with_ability(spec, BY_PATH["change_at"], "at once")
    changed = set_spec(project, "knot", spec).rig.device("knot")
    assert (changed.obeys_clock, changed.sends_clock) == (False, True)
    assert changed.change_at == "at_once"
    spec = with_ability(spec, BY_PATH["chains.rule"], "neighbours")
    spec = with_ability(spec, BY_PATH["chains.group"], "0")
    spec = with_row(add_row(spec, "controllers"), "controllers", 0, CONTROLLERS[2], "99")
    spec = with_row(spec, "controllers", 0, CONTROLLERS[3], "3")
    found = doubts(msgspec.structs.replace(knot, spec=spec))
    assert any(words.startswith("Chains inside groups of: ") for words in found)
    assert any(words.startswith("Controllers, row 1, From: ") for words in found)
