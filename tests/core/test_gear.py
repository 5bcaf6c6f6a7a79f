"""What a performer knows of gear: found again where that gear is, and kept in one file."""

from __future__ import annotations

from pathlib import Path

import msgspec
import pytest
from hypothesis import given
from hypothesis import strategies as st

from grebe.app.gear import GearShelf
from grebe.core.findings import check, find
from grebe.core.gear.known import about
from grebe.core.gear.model import GearLibrary, GearNote, joined, note_of, trial_of
from grebe.core.rig.model import Port
from grebe.errors import ProfileError
from grebe.formats.gear import gear_bytes, parse_gear, read_gear
from grebe.formats.profiles import own_profiles, shipped_profiles, write_profile
from grebe.process.places import own_profiles_dir
from tests.core.faulty_projects import fed, rigged
from tests.core.test_rig import box, cable

SMEW, KNOT = box("merganser", "Smew"), box("curlew", "Knot", channel=2)
TOGETHER = rigged(SMEW, KNOT, cables=(*fed(SMEW, KNOT), cable("smew", "knot", medium="audio")))
APART = rigged(SMEW, KNOT, cables=fed(SMEW, KNOT))


def library(*notes: GearNote) -> GearLibrary:
    return GearLibrary(notes=notes)


def told(project: object, kept: GearLibrary) -> list[tuple[str, str]]:
    found = find(project, library=kept).open  # type: ignore[arg-type]
    return [(f.code, f.subject) for f in found if f.code.startswith("rig.known")]


def test_a_note_on_one_box_is_found_by_its_profile_under_any_name() -> None:
    note = note_of(
        "quirk", ["merganser"], "forgets its pattern when it is told twice", "2026-03-01"
    )
    assert told(APART, library(note)) == [("rig.known", "smew")]
    renamed = rigged(msgspec.structs.replace(SMEW, name="Left drums"))
    assert told(renamed, library(note)) == [("rig.known", "smew")]
    assert told(rigged(KNOT), library(note)) == []


def test_what_fails_together_is_told_where_they_meet() -> None:
    """Not of two that are in one rig and never meet; not once it was tried again and worked."""
    note = note_of("fails", ["merganser", "curlew"], "its clock stumbles", "2026-03-01")
    assert told(TOGETHER, library(note)) == [("rig.known-fails", "smew")]
    assert told(APART, library(note)) == []
    later = trial_of(("merganser", "curlew"), "another cable", "works", "2026-03-02")
    assert told(TOGETHER, GearLibrary(notes=(note,), trials=(later,))) == []
    before = msgspec.structs.replace(later, day="2026-02-01")
    assert told(TOGETHER, GearLibrary(notes=(note,), trials=(before,))) != []


def test_an_interface_with_a_box_at_it() -> None:
    """A port is known by a part of its name."""
    at = msgspec.structs.replace(SMEW, port=Port(wire="alsa", name="Interface X MIDI 1"))
    note = note_of("fails", ["interface x", "merganser"], "drops clock", "2026-03-01")
    (row,) = about(rigged(at, cables=fed(at)).rig, library(note))
    assert row.boxes == ("smew", "smew")
    (finding,) = [
        f for f in find(rigged(at, cables=fed(at)), library=library(note)).open
        if f.code == "rig.known-fails"
    ]  # fmt: skip
    assert "interface x and merganser fail: drops clock" in finding.message
    assert not about(rigged(SMEW).rig, library(note))


def test_what_works_is_quiet_and_nothing_is_told_without_notes() -> None:
    note = note_of("works", ["merganser", "curlew"], "two hours, no slip", "2026-03-01")
    assert told(TOGETHER, library(note)) == []
    assert len(about(TOGETHER.rig, library(note))) == 1
    assert [f.code for f in check(APART)] == [f.code for f in find(APART).open]


@pytest.mark.parametrize(
    ("gear", "text", "day"),
    [([], "x", "2026-01-01"), (["a", "b", "c"], "x", "2026-01-01"), (["a"], "", "2026-01-01"),
     (["a"], "x", "today"), (["a" * 81], "x", "2026-01-01"), (["a"], "x" * 601, "2026-01-01")],
)  # fmt: skip
def test_what_is_no_note_is_refused(gear: list[str], text: str, day: str) -> None:
    with pytest.raises(msgspec.ValidationError):
        note_of("quirk", gear, text, day)


words = st.text(st.characters(exclude_categories=("Cs", "Cc")), min_size=1, max_size=30).filter(
    lambda w: w.strip() == w
)
notes = st.builds(
    note_of, st.sampled_from(["works", "fails", "quirk"]), st.lists(words, min_size=1, max_size=2),
    words, st.dates().map(lambda d: f"{d:%Y-%m-%d}".rjust(10, "0")),
)  # fmt: skip
libraries = st.lists(notes, max_size=5).map(lambda rows: library(*rows))


@given(libraries, libraries)
def test_two_libraries_are_one_whichever_comes_first(one: GearLibrary, other: GearLibrary) -> None:
    """Joined with itself it is the same; nothing is lost."""
    both = joined(one, other)
    assert {n.id for n in both.notes} == {n.id for n in (*one.notes, *other.notes)}
    assert {n.id for n in joined(other, one).notes} == {n.id for n in both.notes}
    assert joined(both, both) == both


@given(libraries)
def test_a_file_of_it_reads_back(kept: GearLibrary) -> None:
    profiles = shipped_profiles()[:2]
    assert parse_gear(gear_bytes(profiles, kept), "x") == (profiles, kept)


def test_all_of_it_goes_to_another_performer(own_folders: Path, tmp_path: Path) -> None:
    """Profiles, notes and tries; a profile that both have otherwise stays beside one's own."""
    mine = msgspec.structs.replace(shipped_profiles()[0], id="otter", name="Otter")
    shelf = GearShelf()
    shelf.add(note_of("quirk", ["otter"], "hisses", "2026-01-01"),
              trial_of(("otter", "grebe"), "clock", "works", "2026-01-02"))  # fmt: skip
    write_profile(own_profiles_dir(), mine)
    assert shelf.write_all(tmp_path / "all.json") == "1 profile, 1 note, 1 try"
    other = msgspec.structs.replace(mine, label="louder")
    write_profile(own_profiles_dir(), other)
    shelf.remove(shelf.library.notes[0].id)
    assert shelf.read_all(tmp_path / "all.json") == "1 profile, 1 note, 0 tries"
    kept = {p.id: p for p in own_profiles(own_profiles_dir())[0]}
    assert kept == {"otter": other, "otter-2": msgspec.structs.replace(mine, id="otter-2")}
    assert GearShelf().library == shelf.library


def test_a_change_can_be_taken_back(own_folders: Path) -> None:
    shelf = GearShelf()
    shelf.add(note_of("quirk", ["otter"], "hisses", "2026-01-01"))
    kept = shelf.library
    shelf.remove(kept.notes[0].id)
    assert shelf.library.notes == ()
    assert shelf.take_back()
    assert GearShelf().library == kept
    assert not shelf.take_back()


def test_two_windows_keep_each_others_notes(own_folders: Path) -> None:
    one, other = GearShelf(), GearShelf()
    one.add(note_of("quirk", ["otter"], "hisses", "2026-01-01"))
    other.add(note_of("works", ["otter"], "runs", "2026-01-02"))
    assert len(GearShelf().library.notes) == 2


NO_FILES = (
    b"", b"{", b"[]", b'{"format": "grebe-gear"}', b"\xff\xfe",
    b'{"format": "grebe-gear", "schema": 1, "notes": [{"id": 3}]}',
)  # fmt: skip


@pytest.mark.parametrize("data", NO_FILES)
def test_what_is_no_such_file_is_refused_and_left_alone(
    data: bytes, own_folders: Path, tmp_path: Path
) -> None:
    path = tmp_path / "gear.json"
    path.write_bytes(data)
    with pytest.raises(ProfileError):
        read_gear(path)
    shelf = GearShelf(path)
    assert shelf.problem
    with pytest.raises(ProfileError):
        shelf.add(note_of("quirk", ["otter"], "hisses", "2026-01-01"))
    assert path.read_bytes() == data
