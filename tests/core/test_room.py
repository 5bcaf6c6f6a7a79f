"""Tables for others in the room, and markers for a recorder."""

from __future__ import annotations

import io

import mido
import msgspec
import pytest

from grebe.app.document.demo import demo_bytes
from grebe.app.document.export import export_markers
from grebe.core.document import Project
from grebe.core.rig.model import AudioPort
from grebe.core.room import band_table, cue_table, light_table, markers, patch_table
from grebe.core.sets.plan import plan_set
from grebe.core.songs.cues import cue_sheet
from grebe.core.time.formatting import clock_text
from grebe.errors import EditError
from grebe.formats.project import parse_project
from tests import build


@pytest.fixture(scope="module")
def demo() -> Project:
    return parse_project(demo_bytes(), "the demo").project


def test_widths_fill_the_paper_and_every_row_has_every_column(demo: Project) -> None:
    song, running = demo.songs[0], demo.sets[0]
    for table in (
        cue_table(demo, song), cue_table(demo, running), light_table(demo, song),
        light_table(demo, running), band_table(demo, running), patch_table(demo),
    ):  # fmt: skip
        assert sum(table.wide) == 100, table.kind
        assert len(table.wide) == len(table.head)
        assert {len(row) for row in table.rows} == {len(table.head)}


def test_cues_of_a_set_go_on_through_it(demo: Project) -> None:
    """The second song's cues begin where the plan of the set has it."""
    running = demo.sets[0]
    plan = plan_set(demo, running)
    second = plan.playable[1]
    assert second.facts is not None
    rows = [row for row in cue_table(demo, running).rows if row[0] == second.facts.song.name]
    assert rows[0][2] == clock_text(second.start_s)
    assert len(rows) == len(cue_sheet(demo, second.facts.song).cues)


def test_lights_have_what_one_sees(demo: Project) -> None:
    """Every section with how full it is, ten the fullest; fills; mutes of boxes, not of voices."""
    song = demo.song_named("Harbour bell")
    rows = light_table(demo, song).rows
    sections = [row for row in rows if row[2]]
    layout = cue_sheet(demo, song).layout
    assert [row[2] for row in sections] == [s.scene.name for s in layout.spans]
    assert max(int(row[3]) for row in sections) == 10
    said = [row[5] for row in rows]
    assert "fill begins" in said
    assert "The song ends" in said
    mutes = sum(bool(not m.voice) for s in song.sections for m in s.mutes)
    assert sum("all out" in words for words in said) == mutes


def test_a_band_knows_tempo_key_and_how_a_song_comes_in(demo: Project) -> None:
    """A ramp inside a song shows its range; the first begins."""
    rows = band_table(demo, demo.sets[0]).rows
    assert [row[1] for row in rows] == [
        next(s.name for s in demo.songs if s.id == e.song) for e in demo.sets[0].songs
    ]
    assert rows[0][7] == "begins"
    assert rows[0][2] == "118 BPM"
    song = demo.songs[0]
    faster = msgspec.structs.replace(song.sections[-1], bpm=130.0)
    other = msgspec.structs.replace(song, sections=(*song.sections[:-1], faster))
    edited = msgspec.structs.replace(demo, songs=(other, *demo.songs[1:]))
    row = next(r for r in band_table(edited, edited.sets[0]).rows if r[1] == song.name)
    assert row[2] == f"{song.bpm:g} ({song.bpm:g}-130) BPM"


def test_a_patch_list_has_cables_power_and_channels() -> None:
    base = build.two_boxes()
    drums = msgspec.structs.replace(
        base.rig.devices[0], power="9 V DC", heard_at=AudioPort(wire="audio", name="i", channel=3),
    )  # fmt: skip
    rig = msgspec.structs.replace(base.rig, devices=(drums, *base.rig.devices[1:]))
    table = patch_table(msgspec.structs.replace(base, rig=rig))
    first = table.rows[0]
    assert (first[0], first[2], first[5]) == (drums.name, "9 V DC", "sound in 3")
    assert "voltage" in table.care


def test_markers_and_tempi_are_those_of_the_song(
    demo: Project, tmp_path_factory: pytest.TempPathFactory
) -> None:
    """Read back by mido: markers at the seconds that the labels have, of a song and of a set."""
    folder = tmp_path_factory.mktemp("markers")
    for played in (demo.song_named("Harbour bell"), demo.sets[0]):
        midi, labels = export_markers(demo, played, folder)
        rows = [line.split("\t") for line in labels.read_text().splitlines()]
        assert all(len(row) == 3 for row in rows)
        begun = {float(begin) for begin, _, _ in rows}
        file = mido.MidiFile(file=io.BytesIO(midi.read_bytes()))
        assert len(file.tracks) == 1
        now, found = 0.0, []
        for message in file:
            now += message.time
            if message.type == "marker":
                found.append(now)
        assert len(found) > 5
        assert all(min(abs(at - b) for b in begun) < 0.001 for at in found)
    with pytest.raises(EditError):
        markers(demo, msgspec.structs.replace(demo.sets[0], songs=()))
