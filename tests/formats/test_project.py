"""The project file: round trips, bad input, unknown fields, atomic saving."""

from __future__ import annotations

import json
import os
import re
from pathlib import Path
from typing import Any

import pytest

from grebe.app.document.demo import demo_bytes
from grebe.core.document import SCHEMA_VERSION, with_song
from grebe.core.rig.model import Filter
from grebe.errors import ProjectError
from grebe.formats.project import (
    json_schema,
    parse_project,
    project_bytes,
    read_project,
    write_project,
)
from tests import build


def changed(*path: Any, value: Any) -> bytes:
    """The demo's bytes with one field changed."""
    tree = json.loads(demo_bytes())
    place = tree
    for key in path[:-1]:
        place = place[key]
    place[path[-1]] = value
    return json.dumps(tree).encode()


def test_round_trip() -> None:
    """What is written is read again the same."""
    project = build.two_boxes()
    assert parse_project(project_bytes(project), "x").project == project


def test_the_demo_is_sound() -> None:
    """It opens, and its songs can be laid out."""
    project = parse_project(demo_bytes(), "demo").project
    assert [project.layout(song).bars for song in project.songs] == [
        112, 56, 208, 216, 272, 144, 192,
    ]  # fmt: skip


@pytest.mark.parametrize(
    ("data", "words"),
    [
        (b"", "is empty"),
        (demo_bytes()[:5000], "cut short"),
        (b"MThd and more", "is not JSON"),
        (b"[1, 2]", "top level is not an object"),
        (b'{"name": "x"}', "field `schema` should be a whole number"),
        (changed("schema", value=True), "field `schema` should be a whole number"),
        (changed("schema", value=99), "has schema 99; this Grebe reads up to 4"),
        (changed("rig", "devices", 0, "channel", value=17), "field `rig.devices[0].channel`"),
        (changed("songs", 0, "bpm", value=5), "field `songs[0].bpm`"),
        (changed("songs", 0, "sections", value="x"), "field `songs[0].sections`"),
        (changed("scenes", 0, "meter", value={"unit": 3}), "field `scenes[0].meter.unit`"),
        (changed("patterns", 0, "id", value="p02"), "'p02' stands there twice"),
        (
            changed(
                "patterns",
                4,
                "content",
                "lanes",
                0,
                "points",
                value=[{"step": 3, "value": 1}, {"step": 2, "value": 1}],
            ),
            "field `patterns[4].content.lanes[0].points`: steps must increase",
        ),
        (changed("loops", 0, "slices", 0, "end", value=9_999_999), "field `loops[0].slices[0]`"),
        (
            changed("patterns", 0, "content", "voices", 0, "hits", value=[{"step": 16}]),
            "steps must increase and stay below the length of 16",
        ),
    ],
)
def test_bad_files(tmp_path: Path, data: bytes, words: str) -> None:
    """One sentence or two with the file, the field and what to do; the file untouched."""
    path = tmp_path / "set.grebe"
    path.write_bytes(data)
    with pytest.raises(ProjectError) as caught:
        read_project(path)
    text = str(caught.value)
    assert words in text
    assert str(path) in text
    assert "The file has not been touched." in text
    assert re.search(r"Open|Mend|Give|open", text)
    assert path.read_bytes() == data


def test_a_file_that_is_not_there(tmp_path: Path) -> None:
    """Said plainly, also for a folder."""
    with pytest.raises(ProjectError, match="is not there"):
        read_project(tmp_path / "none.grebe")
    with pytest.raises(ProjectError, match="cannot be read"):
        read_project(tmp_path)


def test_unknown_fields_survive(tmp_path: Path) -> None:
    """Written back where they stood, also when things have moved."""
    tree = json.loads(project_bytes(build.two_boxes()))
    tree["colour"] = "blue"
    tree["songs"][0]["sections"][1]["mood"] = {"a": [1]}
    tree["rig"]["cables"][0]["length_m"] = 3
    opened = parse_project(json.dumps(tree).encode(), "x")

    def turned(song: Any) -> Any:
        from grebe.core.songs.edit import move_section

        return move_section(song, 1, -1)

    path = tmp_path / "x.grebe"
    write_project(path, with_song(opened.project, "song", turned), opened.extras)
    again = json.loads(path.read_bytes())
    assert again["colour"] == "blue"
    assert again["songs"][0]["sections"][0]["mood"] == {"a": [1]}
    assert again["rig"]["cables"][0]["length_m"] == 3


def test_saving_keeps_the_last_good_file(tmp_path: Path) -> None:
    """Beside it, under its name with a tilde; the rights of the file stay."""
    path = tmp_path / "x.grebe"
    first = build.two_boxes()
    write_project(path, first)
    path.chmod(0o640)
    write_project(path, build.project([], [], []))
    assert read_project(tmp_path / "x.grebe~").project == first
    assert path.stat().st_mode & 0o777 == 0o640
    assert sorted(p.name for p in tmp_path.iterdir()) == ["x.grebe", "x.grebe~"]


def test_a_failed_save_leaves_what_was_there(
    tmp_path: Path, monkeypatch: pytest.MonkeyPatch
) -> None:
    """A full disk in the middle: the old file whole, no scraps, a sentence."""
    path = tmp_path / "x.grebe"
    write_project(path, build.two_boxes())
    before = path.read_bytes()

    def full(_: int) -> None:
        raise OSError(28, "No space left on device")

    monkeypatch.setattr(os, "fsync", full)
    with pytest.raises(ProjectError, match="No space left on device. What was there is unchanged"):
        write_project(path, build.project([], [], []))
    assert path.read_bytes() == before
    assert [p.name for p in tmp_path.iterdir()] == ["x.grebe"]


def test_the_published_schema_is_current() -> None:
    """docs/project.schema.json; after a change of the document: make schema."""
    kept = Path(__file__).parents[2] / "docs" / "project.schema.json"
    assert json.loads(kept.read_text()) == json.loads(json.dumps(json_schema()))
    assert json_schema()["$defs"]["Project"]["properties"]["schema"]["const"] == SCHEMA_VERSION


def test_a_file_of_schema_1_is_brought_up() -> None:
    """What a cable carried is what its source lets out; a box in the middle passes on."""
    tree = json.loads(project_bytes(build.two_boxes()))
    tree["schema"] = 1
    tree["rig"]["cables"] = [
        {"source": "grebe", "target": "drums", "notes": False, "colour": "red"},
        {"source": "drums", "target": "bass", "clock": True},
    ]
    opened = parse_project(json.dumps(tree).encode(), "old")
    first, second = opened.project.rig.cables
    assert (first.gives, first.passes) == ("own", Filter(notes=False))
    assert (second.gives, second.passes) == ("thru", Filter())
    again = json.loads(project_bytes(opened.project, opened.extras))
    assert again["schema"] == 4
    assert again["rig"]["cables"][0]["colour"] == "red"
    for broken in ({"rig": 3}, {"rig": {"cables": 4}}, {"rig": {"cables": [5]}}):
        with pytest.raises(ProjectError, match="field `rig"):
            parse_project(json.dumps({"schema": 1, **broken}).encode(), "old")


def test_a_file_of_schema_3_plays_as_it_did() -> None:
    """Boxes without tracks are one line each; a session that songs brought their tempi to, unsaid,
    still gets them, and one that did not is asked for nothing."""
    tree = json.loads(project_bytes(build.two_boxes()))
    tree["schema"] = 3
    opened = parse_project(json.dumps(tree).encode(), "old").project
    assert opened == build.two_boxes()
    assert [d.id for d in opened.rig.lines] == ["drums", "bass"]
    for network, brings in ({"name": "Ferry"}, True), ({"brings_tempo": False}, False):
        tree["rig"]["network"] = network
        assert parse_project(json.dumps(tree).encode(), "old").project.rig.network.brings_tempo is (
            brings
        )
    for broken in ({"rig": 3}, {"rig": {"network": 4}}):
        with pytest.raises(ProjectError, match="field `rig"):
            parse_project(json.dumps({"schema": 3, **broken}).encode(), "old")


def test_tracks_are_kept_and_named_in_words() -> None:
    """A box with tracks comes back as it was; two of one id, or a wrong address, are refused."""
    box = build.groovebox()
    pattern = build.pattern("p", "groove/lead", build.voice("x"))
    project = build.project([box], [pattern], [build.scene("s", **{"groove/lead": ["p"]})])
    data = project_bytes(project)
    assert parse_project(data, "new").project == project
    tree = json.loads(data)
    tree["rig"]["devices"][0]["spec"]["tracks"][1]["id"] = "lead"
    with pytest.raises(ProjectError, match="'lead' stands there twice"):
        parse_project(json.dumps(tree).encode(), "new")
    tree = json.loads(data)
    tree["patterns"][0]["device"] = "groove/lead/x"
    with pytest.raises(ProjectError, match=r"field `patterns\[0\].device"):
        parse_project(json.dumps(tree).encode(), "new")


def test_a_file_of_schema_2_has_its_set_s_songs_as_places() -> None:
    """Each song got a place of its own, also one that comes twice; a set got an id."""
    tree = json.loads(project_bytes(build.two_boxes()))
    tree["schema"] = 2
    tree["sets"] = [{"name": "Two", "songs": ["song", "song"]}]
    (running,) = parse_project(json.dumps(tree).encode(), "old").project.sets
    assert (running.id, running.name) == ("set-1", "Two")
    assert [(s.id, s.song) for s in running.songs] == [("e1", "song"), ("e2", "song")]
    for broken in ([3], [{"songs": 4}], [{"songs": [{"id": "e1"}]}]):
        with pytest.raises(ProjectError, match="field `sets"):
            parse_project(json.dumps({"schema": 2, "sets": broken}).encode(), "old")
