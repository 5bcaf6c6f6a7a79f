"""Songs laid out, bands, chains, and edits to the document."""

from __future__ import annotations

import math

import msgspec
import pytest

from grebe.core import document
from grebe.core.songs import edit
from grebe.core.songs.bands import Band, bands
from grebe.core.songs.chain import place_in_chain
from grebe.core.songs.model import Part
from grebe.core.time.meter import Meter
from grebe.core.time.ticks import TICKS_PER_QUARTER
from grebe.errors import EditError, UsageError
from tests import build

BAR = 4 * TICKS_PER_QUARTER


def sounding_density(stretches: tuple[Band, ...]) -> dict[str, float]:
    """Per section, the densities of what sounds in it added up."""
    sections = dict.fromkeys(s.section for s in stretches)
    return {
        section: sum(s.density for s in stretches if s.section == section and not s.muted)
        for section in sections
    }


def test_the_hook_starts_on_bar_33() -> None:
    """Intro 8, verse 16, build 8: the next section is bar 33 (common practice)."""
    scenes = [build.scene(n, 8) for n in ("intro", "verse", "rise", "hook")]
    song = build.song("intro", ("verse", 2), "rise", ("hook", 2), bpm=126)
    layout = build.project([], [], scenes, song).layout(song)
    assert [span.bar for span in layout.spans] == [1, 9, 25, 33]
    assert layout.bars == 48
    assert layout.seconds() == pytest.approx(48 * 4 * 60 / 126)


def test_metres_and_tempo_along_a_song() -> None:
    """A 7/8 scene has shorter bars; a ramp is over when the next section begins."""
    scenes = [build.scene("a", 2), build.scene("b", 2, Meter(beats=7, unit=8))]
    song = build.song("a", "b", ("a", 4, {"bpm": 140, "ramp_bars": 8}), "a", bpm=120)
    layout = build.project([], [], scenes, song).layout(song)
    assert [span.ticks / TICKS_PER_QUARTER for span in layout.spans] == [8, 7, 32, 8]
    assert [span.bpm for span in layout.spans] == pytest.approx([120, 120, 120, 140])
    ramp = 60 * 32 * math.log(140 / 120) / 20  # closed form of a ramp linear in beats
    assert layout.seconds() == pytest.approx(15 / 2 + ramp + 8 * 60 / 140)


def test_a_lost_scene_is_named() -> None:
    """With the song and the number of the section."""
    song = build.song("a", "gone")
    with pytest.raises(EditError, match="section 2: there is no scene 'gone'"):
        build.project([], [], [build.scene("a")], song).layout(song)


def test_section_at_a_tick() -> None:
    """From its first tick on; held at both ends."""
    project = build.two_boxes()
    layout = project.layout(project.songs[0])
    at = [layout.index_at(t * BAR) for t in (-1, 0, 2, 5, 6, 99)]
    assert at == [0, 0, 1, 1, 2, 2]


def test_place_in_a_chain() -> None:
    """Round and round; before its start there is no place."""
    chain = [("p", 10), ("q", 5)]
    assert [place_in_chain(chain, t) for t in (0, 9, 10, 15)] == [
        ("p", 0, 0), ("p", 9, 0), ("q", 0, 0), ("p", 0, 0),
    ]  # fmt: skip
    assert place_in_chain([("p", 10), ("p", 10), ("q", 5)], 12) == ("p", 2, 1)
    assert place_in_chain([("p", 10)], 37) == ("p", 7, 3)
    assert place_in_chain(chain, -1) is None
    assert place_in_chain([], 3) is None


def _bands(project: document.Project) -> tuple[Band, ...]:
    """Those of every box in the song."""
    layout = project.layout(project.songs[0])
    return tuple(b for line in project.rig.lines for b in bands(project, layout, line))


def test_bands_tell_what_changes() -> None:
    """Only what changes is marked; the drums get denser in b, so energy rises there."""
    project = build.two_boxes()
    stretches = _bands(project)
    marked = [(s.device, s.section) for s in stretches if s.changes]
    assert marked == [("drums", "s1"), ("drums", "s2"), ("drums", "s3"), ("bass", "s1")]
    assert sounding_density(stretches) == {"s1": 1.5, "s2": 4.5, "s3": 1.5}


def test_a_muted_part_has_no_energy() -> None:
    """It keeps its density for drawing under the hatching."""
    project = build.two_boxes()
    part = Part(device="drums", chain=("d1",), muted=True)
    scenes = (build.scene("a", 2, drums=part), project.scenes[1])
    project = msgspec.structs.replace(project, scenes=scenes)
    stretches = _bands(project)
    assert (stretches[0].density, stretches[0].muted) == (1.0, True)
    assert sounding_density(stretches)["s1"] == 0


def test_bands_show_the_boxs_own_copy() -> None:
    """What sounds is what is in the box, not what has been drawn since."""
    project = build.two_boxes()
    emptied = document.with_content(project, "d1", lambda c: msgspec.structs.replace(c, voices=()))
    stretches = _bands(emptied)
    assert stretches[0].density == 1.0


def test_finding_a_song() -> None:
    """By name or id; otherwise what there is."""
    project = build.two_boxes()
    assert project.song_named("Song") is project.song_named("song")
    with pytest.raises(UsageError, match="no song 'x' in Test; songs: Song"):
        project.song_named("x")


def _ids(song: object) -> list[str]:
    return [s.id for s in song.sections]  # type: ignore[attr-defined]


def test_moving_sections() -> None:
    """Within the song; past its ends nothing happens."""
    song = build.song("a", "b", "c")
    assert _ids(edit.move_section(song, 0, 1)) == ["s2", "s1", "s3"]
    assert edit.move_section(song, 0, -1) == song
    assert edit.move_section(song, 2, 1) == song


def test_copying_gives_a_new_id() -> None:
    """Two sections never share an id."""
    song = edit.duplicate_section(build.song("a", ("b", 3)), 1)
    assert _ids(song) == ["s1", "s2", "s3"]
    assert [s.times for s in song.sections] == [1, 3, 3]


def test_the_last_section_stays() -> None:
    """A song keeps at least one."""
    song = edit.remove_section(build.song("a", "b"), 0)
    assert _ids(song) == ["s2"]
    with pytest.raises(EditError, match="at least one"):
        edit.remove_section(song, 0)


def test_values_are_held() -> None:
    """Passes between 1 and 999, tempo between 20 and 400."""
    song = build.song("a")
    assert edit.set_times(song, 0, 0).sections[0].times == 1
    assert edit.set_times(song, 0, 5000).sections[0].times == 999
    assert [edit.set_tempo(song, b).bpm for b in (5, 126.5, 500)] == [20, 126.5, 400]


@pytest.mark.parametrize(
    "edit",
    [document.with_pattern, document.with_song, document.with_device],
)
def test_editing_what_is_not_there(edit: object) -> None:
    """Names the thing that is missing."""
    with pytest.raises(EditError, match="there is no"):
        edit(build.two_boxes(), "nothing", lambda x: x)  # type: ignore[operator]


def test_marking_as_in_the_box() -> None:
    """The box's copy is then what is drawn."""
    project = document.with_content(
        build.two_boxes(), "d1", lambda c: msgspec.structs.replace(c, length=8)
    )
    assert project.pattern("d1").box_status == "changed since"
    assert document.mark_in_box(project, "d1").pattern("d1").box_status == "in the box"
