"""A project from nothing; songs copied and removed with what uses them."""

from __future__ import annotations

import pytest

from grebe.app.document.demo import fresh_demo
from grebe.core.beginning import begin, first_pattern, plays_notes, voices_of, with_first_song
from grebe.core.document import Project
from grebe.core.findings import find
from grebe.core.songs.whole import copy_song, remove_song, used_in
from grebe.errors import EditError
from grebe.formats.profiles import shipped_profiles
from grebe.formats.project import read_project

PROFILES = {p.id: p for p in shipped_profiles()}


def test_nothing_but_a_scene_and_a_song() -> None:
    """Without boxes: what can be opened, has nothing that blocks, and is led by Grebe."""
    project = begin("Empty", ())
    assert (project.rig.devices, project.patterns) == ((), ())
    assert [len(project.scenes), len(project.songs)] == [1, 1]
    assert project.rig.leader == "grebe"
    assert project.layout(project.songs[0]).bars > 0
    assert not [f for f in find(project).open if f.severity == "block"]


@pytest.mark.parametrize("profile", sorted(PROFILES))
def test_a_box_of_every_profile(profile: str) -> None:
    """None of them begins with a finding that stops one; what plays notes has a pattern that is
    in the scene."""
    project = begin("One", [(PROFILES[profile], "It")], bpm=100, key="D minor")
    assert not [f for f in find(project).open if f.severity == "block"]
    (device,) = project.rig.devices
    assert device.name == "It"
    lines = [line.id for line in device.pattern_lines if plays_notes(line)]
    assert [p.device for p in project.patterns] == lines
    for pattern in project.patterns:
        assert pattern.content.voices
        assert project.scenes[0].part(pattern.device).chain == (pattern.id,)
    assert (project.songs[0].bpm, project.songs[0].key) == (100, "D minor")


def test_boxes_of_one_name_are_told_apart() -> None:
    """The second gets a number; voices are the chart's, else General MIDI's drums."""
    gannet = PROFILES["gannet"]
    project = begin("Two", [(gannet, ""), (gannet, "")])
    assert [d.name for d in project.rig.devices] == ["Gannet", "Gannet 2"]
    device = project.rig.devices[0]
    named = [v.name for v in device.spec.voices]
    assert [v.name for v in voices_of(device).voices] == (named or [
        v.name for v in voices_of(device).voices
    ])  # fmt: skip


@pytest.mark.parametrize(
    ("bpm", "key", "words"), [(5, "", "from 20 to 400"), (120, "H", "a key is a tonic")]
)
def test_what_cannot_begin_says_so(bpm: float, key: str, words: str) -> None:
    """A tempo and a key are held to their bounds."""
    with pytest.raises(EditError, match=words):
        begin("Bad", (), bpm=bpm, key=key)


def test_a_first_pattern_brings_what_is_missing() -> None:
    """A scene and a song where there is none; with several scenes it is put into none unasked."""
    project = begin("Bare", [(PROFILES["gannet"], "Kit")])
    device = project.rig.devices[0]
    bare = Project(name="Bare", rig=project.rig)
    made, new = first_pattern(bare, device)
    assert (len(made.scenes), len(made.songs)) == (1, 1)
    assert made.scenes[0].part(device.id).chain == (new,)
    again, second = first_pattern(made, device)
    assert again.scenes[0].part(device.id).chain == (new,)
    assert again.pattern(second).name == "Kit 2"
    with pytest.raises(EditError, match="no scene"):
        with_first_song(bare)


def test_songs_are_copied_and_removed_with_their_places() -> None:
    """The demo can be emptied: sets lose the place, versions stand alone, names stay apart."""
    project = read_project(fresh_demo()).project
    made, new = copy_song(project, "harbour-bell")
    assert made.songs[1].id == new
    assert made.songs[1].name == "Harbour bell 2"
    assert len({s.name for s in made.songs}) == len(made.songs)
    assert used_in(project, "harbour-bell") == ("Night ferry",)
    for song in made.songs:
        made = remove_song(made, song.id)
    assert made.songs == ()
    assert made.sets[0].songs == ()
