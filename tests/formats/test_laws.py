"""Laws: what is written and read again is the same, whatever it was."""

from __future__ import annotations

from typing import Any

import msgspec
import pytest
from hypothesis import HealthCheck, assume, given, settings
from hypothesis import strategies as st

from grebe.core.document import Accepted, PrintedSheet, Project
from grebe.core.patterns.loops import Loop
from grebe.core.patterns.model import Pattern
from grebe.core.rig.model import Rig
from grebe.core.rig.spec import Profile
from grebe.core.sets.model import Set, SetSong
from grebe.core.sets.plan import plan_set
from grebe.core.songs.model import Performer, Printed, Scene, Song
from grebe.errors import ProfileError, ProjectError
from grebe.formats.profiles import check_profile, parse_profile, profile_bytes
from grebe.formats.project import parse_project, project_bytes
from grebe.formats.sets_csv import read_set_csv, set_csv
from grebe.formats.tables import csv_bytes, decoded, rows_of
from tests import build
from tests.any_value import values_of
from tests.long import tries

SLOW = settings(
    max_examples=tries(25),
    suppress_health_check=[HealthCheck.too_slow, HealthCheck.data_too_large,
                           HealthCheck.filter_too_much],
)  # fmt: skip


CONTRADICT = ("stands there twice", "steps must increase", "a slice ends after")
"""Of what is made up: things that no document of Grebe's has, which are refused by these words."""
PARTS: dict[str, Any] = {
    "rig": Rig, "patterns": tuple[Pattern, ...], "loops": tuple[Loop, ...],
    "scenes": tuple[Scene, ...], "songs": tuple[Song, ...], "sets": tuple[Set, ...],
    "performer": Performer, "printed": tuple[Printed, ...],
    "printed_sheets": tuple[PrintedSheet, ...], "accepted": tuple[Accepted, ...],
}  # fmt: skip


@pytest.mark.parametrize("part", PARTS)
def test_a_project_is_what_it_was(part: str) -> None:
    """Every field of every kind; what contradicts itself is refused, and nothing else is."""

    @SLOW
    @given(values_of(PARTS[part]))
    def law(value: Any) -> None:
        project = msgspec.structs.replace(build.two_boxes(), **{part: value})
        try:
            opened = parse_project(project_bytes(project), "any")
        except ProjectError as error:
            assume(not any(words in str(error) for words in CONTRADICT))
            raise
        assert opened.project == project
        assert opened.extras == {}

    law()


def test_all_of_a_project_is_in_the_law() -> None:
    assert set(PARTS) | {"name", "ticked"} == set(Project.__struct_fields__)


@SLOW
@given(values_of(Profile))
def test_a_profile_is_what_it_was(profile: Profile) -> None:
    """Where it does not contradict itself."""
    try:
        check_profile(profile, "any")
    except ProfileError:
        assume(False)
    assert parse_profile(profile_bytes(profile), "any") == profile


ENTRIES = values_of(SetSong)
NAMES = st.text(
    st.characters(codec="utf-8", exclude_categories=("Cs", "Cc")), min_size=1, max_size=8
)


@settings(max_examples=tries(60))
@given(st.lists(st.tuples(ENTRIES, st.integers(0, 2)), max_size=5), st.tuples(NAMES, NAMES, NAMES))
def test_a_set_is_what_it_was(rows: list[tuple[SetSong, int]], names: tuple[str, ...]) -> None:
    """Songs, how each comes in, bars of a ramp, silences, which are pinned: all that CSV holds;
    whatever the songs are called, two of them alike too."""
    base = build.two_boxes()
    names = tuple(name.strip() or "x" for name in names)
    songs = tuple(
        msgspec.structs.replace(base.songs[0], id=f"song-{n}", name=name)
        for n, name in enumerate(names)
    )
    project = msgspec.structs.replace(base, songs=songs)
    entries = tuple(
        msgspec.structs.replace(entry, id=f"e{n}", song=f"song-{at}")
        for n, (entry, at) in enumerate(rows, start=1)
    )
    running = Set(id="set", name="Set", songs=entries)
    again = read_set_csv(decoded(set_csv(project, plan_set(project, running))), project, running)
    kept = ("song", "into", "ramp_bars", "gap_s", "pinned")
    assert [[getattr(e, f) for f in kept] for e in again.songs] == [
        [getattr(e, f) for f in kept] for e in entries
    ]


@settings(max_examples=tries(60))
@given(st.lists(st.lists(NAMES.map(str.strip), min_size=2, max_size=4), min_size=1, max_size=4))
def test_cells_are_what_they_were(rows: list[list[str]]) -> None:
    """Whatever is written in them; a formula's first character is kept from being one."""
    wide = max(map(len, rows))
    rows = [["head"] * wide, *([*row, *[""] * (wide - len(row))] for row in rows)]
    found = rows_of(decoded(csv_bytes(rows)))
    assert [[cell.removeprefix("'") for cell in row] for row in found] == [
        [cell.removeprefix("'") for cell in row] for row in rows
    ]
