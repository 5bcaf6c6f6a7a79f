"""Edits of songs and scenes, forms, and cue lists."""

from __future__ import annotations

import msgspec
import pytest
from hypothesis import given
from hypothesis import strategies as st

from grebe.core.document import Project
from grebe.core.patterns.loops import Loop, Slice
from grebe.core.patterns.model import Voice
from grebe.core.patterns.struck import is_drum, is_hat
from grebe.core.rig.spec import HandMove, Spec, SpecVoice
from grebe.core.songs import edit
from grebe.core.songs.cues import cue_sheet
from grebe.core.songs.forms import FORMS, scene_energy, song_of_form, song_of_scenes
from grebe.core.songs.model import (
    ControlValue,
    Curve,
    CurvePoint,
    FillMark,
    Marker,
    MuteRegion,
    Part,
    Scene,
    SwapMark,
    Then,
)
from grebe.core.songs.scenes import (
    add_scene,
    copy_scene,
    move_scene,
    put_value,
    remove_scene,
    set_part,
)
from grebe.core.songs.variations import drums_in, vary
from grebe.core.time.ticks import SIXTEENTH_TICKS, TICKS_PER_QUARTER
from grebe.errors import EditError
from tests import build

BAR = 4 * TICKS_PER_QUARTER


def loop() -> Project:
    """Drums and a bass in two scenes of four bars, each twice."""
    drums = build.device(
        "drums", kind="drums", spec=Spec(voices=(SpecVoice(name="Clap", note=39),))
    )
    bass = build.device("bass", channel=2)
    hat = build.voice("x.x.x.x.x.x.x.x.", 42, "hat")
    hat = msgspec.structs.replace(hat, name="Closed hat")
    patterns = [
        build.pattern("d1", "drums", build.voice("x...x...x...x..."), hat),
        build.pattern("b1", "bass", build.voice("..x...x...x...x.", 40)),
    ]
    scenes = [build.scene("a", 4, drums=["d1"]), build.scene("b", 4, drums=["d1"], bass=["b1"])]
    return build.project([drums, bass], patterns, scenes, build.song(("a", 2), ("b", 2)))


PROJECT = loop()
LAYOUT = PROJECT.layout(PROJECT.songs[0])


def silent_bars(song: object, device: str = "drums") -> list[int]:
    """Bars that begin in a mute of a device."""
    project = msgspec.structs.replace(PROJECT, songs=(song,))
    layout = project.layout(project.songs[0])
    return [b for b in range(1, 17) if edit.is_silenced(layout, device, "", layout.bar_tick(b))]


def test_drums_out_over_a_section_line() -> None:
    """Bars 7 to 10 lie in two sections: a region in each, that moves with it."""
    song = edit.silence(LAYOUT, "drums", "", LAYOUT.bar_tick(7), LAYOUT.bar_tick(11))
    assert silent_bars(song) == [7, 8, 9, 10]
    assert [s.mutes for s in song.sections] == [
        (MuteRegion(device="drums", at=96, long=32),), (MuteRegion(device="drums", at=0, long=32),)
    ]  # fmt: skip
    assert silent_bars(edit.move_section(song, 0, 1)) == [1, 2, 15, 16]


def test_regions_that_touch_are_one_and_are_cut_open_again() -> None:
    """Non-destructive: what was silent outside the stretch stays so."""
    song = edit.silence(LAYOUT, "drums", "", 0, 2 * BAR)
    layout = PROJECT.layout(song)
    song = edit.silence(layout, "drums", "", 2 * BAR, 4 * BAR)
    assert song.sections[0].mutes == (MuteRegion(device="drums", at=0, long=64),)
    song = edit.unsilence(PROJECT.layout(song), "drums", "", BAR, 2 * BAR)
    assert silent_bars(song) == [1, 3, 4]


@given(st.lists(st.tuples(st.booleans(), st.integers(0, 255), st.integers(1, 64)), max_size=8))
def test_silence_is_as_if_painted(rows: list[tuple[bool, int, int]]) -> None:
    """Sixteenth by sixteenth the same as painting and wiping a strip."""
    strip = [False] * 256
    song = PROJECT.songs[0]
    for on, at, long in rows:
        layout = PROJECT.layout(song)
        first, last = at * SIXTEENTH_TICKS, min(256, at + long) * SIXTEENTH_TICKS
        change = edit.silence if on else edit.unsilence
        song = change(layout, "drums", "", first, last)
        strip[at : at + long] = [on] * len(strip[at : at + long])
    layout = PROJECT.layout(song)
    assert strip == [edit.is_silenced(layout, "drums", "", n * SIXTEENTH_TICKS) for n in range(256)]


def test_fills_markers_tempi_and_curves() -> None:
    """Put where they are wanted, taken away again."""
    song = edit.fill_over(LAYOUT, 7 * BAR, 8 * BAR)
    assert song.sections[0].fills == (FillMark(at=112, long=16),)
    assert edit.fill_over(PROJECT.layout(song), 7 * BAR, 8 * BAR).sections[0].fills == ()
    song = edit.put_marker(LAYOUT, 9 * BAR, "Drop")
    assert song.sections[1].markers == (Marker(name="Drop", at=16),)
    assert edit.put_marker(PROJECT.layout(song), 9 * BAR, "").sections[1].markers == ()
    song = edit.put_tempo(LAYOUT, 2 * BAR, 140, 2)
    layout = PROJECT.layout(song)
    assert layout.tempo.bpm_at(4 * BAR) == 140
    assert layout.spans[1].bpm == 140
    assert edit.put_tempo(layout, 2 * BAR, None).sections[0].tempi == ()
    assert edit.put_tempo(LAYOUT, 0, 999).sections[0].bpm == 400
    song = edit.put_curve_point(LAYOUT, "bass", 74, BAR, 200)
    song = edit.put_curve_point(PROJECT.layout(song), "bass", 74, 0, 10)
    points = (CurvePoint(at=0, value=10), CurvePoint(at=16, value=127))
    assert song.sections[0].curves == (Curve(device="bass", controller=74, points=points),)


def test_sections_inserted_and_kept_apart() -> None:
    """Every section has an id of its own; the last one stays."""
    song = edit.insert_section(PROJECT.songs[0], 1, "b")
    assert [s.scene for s in song.sections] == ["a", "b", "b"]
    assert len({s.id for s in song.sections}) == 3
    for _ in range(2):
        song = edit.remove_section(song, 0)
    with pytest.raises(EditError, match="at least one"):
        edit.remove_section(song, 0)


def test_bars_and_ticks_along_a_song() -> None:
    """There and back, held at the ends."""
    assert [LAYOUT.bar_at(LAYOUT.bar_tick(b)) for b in (1, 8, 9, 16)] == [1, 8, 9, 16]
    assert LAYOUT.bar_tick(99) == LAYOUT.ticks
    assert LAYOUT.bar_at(-5) == 1
    assert LAYOUT.bar_at(99 * BAR) == 16


def test_parts_and_values() -> None:
    """What is as silent as no part at all is left out."""
    scene = set_part(PROJECT.scenes[0], "drums", muted=True)
    assert scene.part("drums").muted
    assert set_part(scene, "drums", muted=False, chain=()).parts == ()
    scene = put_value(scene, "bass", 74, 200)
    assert scene.part("bass").values == (ControlValue(controller=74, value=127),)
    assert put_value(scene, "bass", 74, None).part("bass") == Part(device="bass")


def test_scenes_made_copied_moved_removed() -> None:
    """In order; one that a song plays stays."""
    project, new = add_scene(PROJECT, "a")
    assert [s.id for s in project.scenes] == ["a", new, "b"]
    project, copy = copy_scene(project, "b")
    assert project.scene(copy).name == "b 2"
    project = move_scene(project, copy, -9)
    assert project.scenes[0].id == copy
    assert remove_scene(project, copy).scenes[0].id == "a"
    with pytest.raises(EditError, match="Song"):
        remove_scene(project, "a")


def varied(way: str, scene: str = "b") -> tuple[Project, Scene]:
    made = vary(PROJECT, scene, way, "song")
    assert made.done.endswith(".")
    return made.project, made.project.scene(made.scene)


def test_ways_to_vary_a_scene() -> None:
    """Without drums, hats out, everything together; never twice the same name."""
    _, scene = varied("no_drums")
    assert scene.part("drums").muted
    assert scene.name == "b, no drums"
    _, scene = varied("no_hats")
    assert scene.part("drums").silent_voices == ("hat",)
    project, scene = varied("together", "a")
    assert scene.part("bass").chain == ("b1",)
    assert vary(project, "a", "together").project.scenes[1].name == "a, all in 2"
    with pytest.raises(EditError, match="that already"):
        vary(PROJECT, "b", "together")


def sampler() -> Project:
    """A sampler that holds drums and a loop in one pattern, and nothing else that drums."""
    box = build.device("box", kind="sampler", channel=1)
    voices = [
        msgspec.structs.replace(build.voice("x...x...x...x...", note, voice), name=name)
        for note, voice, name in ((60, "k", "Kick"), (61, "s", "Snare 2"), (62, "h", "Closed hat"),
                                  (63, "l", "Gravel 1"), (64, "v", "Ohh, long"))
    ]  # fmt: skip
    piece = Slice(start=0, end=9, note=61, at=0)
    loop_ = Loop(id="l", name="Gravel", device="box", file="g.wav", rate=48_000, samples=99,
                 slices=(piece,))  # fmt: skip
    project = build.project(
        [box], [build.pattern("p", "box", *voices)], [build.scene("a", 4, box=["p"])],
        build.song("a"),
    )  # fmt: skip
    return msgspec.structs.replace(project, loops=(loop_,))


def test_variations_go_by_what_the_voices_are() -> None:
    """On a sampler the drums go and the rest stays; what was done is said."""
    project = sampler()
    made = vary(project, "a", "no_drums")
    part = made.project.scene(made.scene).part("box")
    assert (part.muted, part.silent_voices) == (False, ("k", "h"))  # the snare's note is a slice
    assert made.done == "a, no drums: Kick, Closed hat of Box are silent."
    assert vary(project, "a", "no_hats").done == "a, no hats: Closed hat of Box are silent."
    out = vary(project, "a", "last_bar", "song")
    assert {m.voice for m in out.project.songs[0].sections[0].mutes} == {"k", "h"}
    risen = vary(project, "a", "riser")
    pattern = risen.project.pattern(risen.project.scene(risen.scene).part("box").chain[0])
    assert pattern.content.voices[-1].note == 62
    (found,) = drums_in(project, project.scenes[0])
    assert not found.only
    bare = msgspec.structs.replace(project, patterns=(
        build.pattern("p", "box", build.voice("x...")),
    ))  # fmt: skip
    whys = {"no_drums": "no drums sound", "no_hats": "no hats", "last_bar": "no drums sound",
            "riser": "nothing to rise over"}  # fmt: skip
    for way, why in whys.items():
        with pytest.raises(EditError, match=why):
            vary(bare, "a", way, "song")


@pytest.mark.parametrize(
    ("note", "name", "hat"),
    [(36, "Bass Drum 1", False), (38, "Acoustic Snare", False), (42, "Closed Hi-hat", True),
     (44, "Pedal Hi-hat", True), (46, "Open Hi-hat", True), (49, "Crash Cymbal 1", False),
     (56, "Cowbell", False), (75, "Claves", False), (81, "Open Triangle", False)],
)  # fmt: skip
def test_general_midi_s_percussion(note: int, name: str, hat: bool) -> None:
    """General MIDI level 1's percussion map: by note on channel 10, and by its names elsewhere."""
    synth = build.device("x", kind="synth")
    by_note = Voice(id="v", name="Note", note=note, channel=10)
    assert is_drum(by_note, synth)
    assert is_hat(by_note) == hat
    assert not is_drum(Voice(id="v", name="Note", note=note), synth)
    named = Voice(id="v", name=name, note=100)
    assert is_drum(named, synth)
    assert is_hat(named) == hat
    assert not is_drum(Voice(id="v", name="Note", note=34, channel=10), synth)


def test_everything_together_lets_all_sound() -> None:
    """Also what has no chain: a track of a box that is muted."""
    muted = set_part(set_part(PROJECT.scenes[1], "drums", muted=True), "bass", silent_voices=("v",))
    project = msgspec.structs.replace(PROJECT, scenes=(PROJECT.scenes[0], muted))
    made = vary(project, "b", "together")
    assert not any(p.muted or p.silent_voices for p in made.project.scene(made.scene).parts)
    assert "Drums is let sound" in made.done


def test_a_voice_that_rises() -> None:
    """A variation of the drums with sixteenths that swell over the whole scene."""
    project, scene = varied("riser")
    (chosen,) = scene.part("drums").chain
    pattern = project.pattern(chosen)
    riser = pattern.content.voices[-1]
    assert (pattern.variation_of, riser.name, riser.note, riser.length) == ("d1", "Riser", 39, 64)
    velocities = [h.velocity for h in riser.hits]
    assert velocities == sorted(velocities)
    assert velocities[-1] == 127
    with pytest.raises(EditError, match="no drums play"):
        vary(*add_scene(PROJECT), "riser")


def test_drums_out_for_the_last_bar_where_the_song_has_it() -> None:
    """A region over the last bar of each section that plays the scene."""
    project, _ = varied("last_bar")
    assert silent_bars(project.songs[0]) == [16]
    with pytest.raises(EditError, match="does not play"):
        project, new = add_scene(PROJECT)
        vary(project, new, "last_bar", "song")


def test_forms_take_the_performers_scenes() -> None:
    """By role where there is one; otherwise about as full as the part should be."""
    scenes = (PROJECT.scenes[0], msgspec.structs.replace(PROJECT.scenes[1], role="hook"))
    project = msgspec.structs.replace(PROJECT, scenes=scenes)
    song = song_of_form(project, FORMS[0], "Song II", 126.0)
    layout = project.layout(song)
    # Intro 8, verse 16, build 8: the hook starts on bar 33 (common practice).
    assert next(s.bar for s in layout.spans if s.scene.role == "hook") == 33
    assert layout.spans[0].scene.id == "a"
    assert scene_energy(project, scenes[0]) < scene_energy(project, scenes[1])
    with pytest.raises(EditError, match="no scenes"):
        song_of_form(msgspec.structs.replace(project, scenes=()), FORMS[1], "x", 120)


def test_all_scenes_as_a_song() -> None:
    """In order, as often as each says, going on as it says."""
    scenes = (
        msgspec.structs.replace(PROJECT.scenes[0], times=3),
        msgspec.structs.replace(PROJECT.scenes[1], then=Then(kind="jump", to="a", jumps=2)),
    )
    song = song_of_scenes(msgspec.structs.replace(PROJECT, scenes=scenes))
    assert [(s.scene, s.times) for s in song.sections] == [("a", 3), ("b", 1)]
    assert song.sections[1].then == Then(kind="jump", to="s1", jumps=2)


def test_a_cue_list() -> None:
    """Bars, times and hands; what lies over the song at its own place."""
    project = PROJECT
    move = HandMove(name="press", seconds=0.5, limb="foot", serves=("pattern",))
    looper = build.device("looper", plays="own", spec=Spec(by_hand=(move,)))
    rig = msgspec.structs.replace(project.rig, devices=(*project.rig.devices, looper))
    extra = build.own(build.pattern("l1", "looper", build.voice("x...............")))
    scenes = (project.scenes[0], set_part(project.scenes[1], "looper", chain=("l1",)))
    song = edit.silence(LAYOUT, "drums", "", 6 * BAR, 8 * BAR)
    song = edit.put_tempo(PROJECT.layout(song), 9 * BAR, 100)
    project = msgspec.structs.replace(
        project, rig=rig, patterns=(*project.patterns, extra), scenes=scenes, songs=(song,)
    )
    rows = [(c.bar, round(c.seconds, 3), c.kind, c.device, c.by) for c in
            cue_sheet(project, song).cues]  # fmt: skip
    assert (7, 12.0, "mute", "Drums", "grebe") in rows  # 24 beats at 120 BPM
    assert (9, 16.0, "mute", "Drums", "grebe") in rows
    assert (9, 16.0, "move", "Looper", "foot") in rows
    assert (10, 18.0, "tempo", "", "grebe") in rows
    assert rows[-1] == (17, 34.8, "end", "", "")  # 36 beats at 120, 28 at 100 BPM
    assert [r[0] for r in rows] == sorted(r[0] for r in rows)


def test_only_the_sections_selected() -> None:
    """What is left begins at its own tempo, and jumps to nothing that is gone."""
    project = build.two_boxes()
    song = project.songs[0]
    song = edit.with_section(song, "s2", bpm=140.0)
    song = edit.with_section(song, "s3", then=Then(kind="jump", to="s1"))
    layout = project.layout(song)
    at = {span.section.id: span for span in layout.spans}
    bar = layout.spans[0].scene.meter.bar_ticks
    kept = edit.only_sections(layout, at["s2"].tick + bar, at["s3"].tick + 1)
    assert [s.id for s in kept.sections] == ["s2", "s3"]
    assert (kept.bpm, kept.sections[0].bpm) == (126.0, 140.0)
    assert kept.sections[1].then == Then()
    assert edit.only_sections(layout, at["s3"].tick, at["s3"].tick + 1).bpm == 140.0
    stays = edit.only_sections(layout, 0, layout.ticks)
    assert stays == song
    with pytest.raises(EditError, match="no section"):
        edit.only_sections(layout, layout.ticks, layout.ticks + 1)


def test_another_pattern_from_a_place_on() -> None:
    """In order of time, one a place; "" is what the scene has, None takes it away."""
    project = build.two_boxes()
    layout = project.layout(project.songs[0])
    song = edit.put_swap(layout, SIXTEENTH_TICKS * 20 + 5, "drums", "d2")
    assert song.sections[0].swaps == (SwapMark(device="drums", pattern="d2", at=20),)
    song = edit.put_swap(project.layout(song), SIXTEENTH_TICKS * 8, "drums", "")
    assert [(s.at, s.pattern) for s in song.sections[0].swaps] == [(8, ""), (20, "d2")]
    song = edit.put_swap(project.layout(song), SIXTEENTH_TICKS * 20, "drums", "d1")
    assert [(s.at, s.pattern) for s in song.sections[0].swaps] == [(8, ""), (20, "d1")]
    song = edit.put_swap(project.layout(song), SIXTEENTH_TICKS * 8, "drums", None)
    song = edit.put_swap(project.layout(song), SIXTEENTH_TICKS * 20, "drums", None)
    assert song == project.songs[0]


def test_fills_by_a_divided_clock() -> None:
    """On the last of every four bars of a section of ten, counted from its first; 0 takes them
    out, whatever was there."""
    scenes = [build.scene("a", 10), build.scene("b", 3)]
    project = build.project([build.device("box")], [], scenes, build.song("a", "b"))
    layout = project.layout(project.songs[0])
    first = layout.spans[0].section.id
    made = edit.fills_every(layout, first, 4)
    assert [(f.at, f.long) for f in made.sections[0].fills] == [(48, 16), (112, 16)]
    assert made.sections[1] == project.songs[0].sections[1]
    again = edit.fills_every(project.layout(made), first, 0)
    assert again == project.songs[0]
    assert edit.fills_every(layout, "nobody", 4) == project.songs[0]
