"""A song bar by bar, and what is found in how it goes."""

from __future__ import annotations

import random
from typing import Any

import msgspec
import pytest
from msgspec.structs import replace

from grebe.app.document.demo import fresh_demo
from grebe.core.document import Project, with_content, with_scene
from grebe.core.findings import Finding, check, find
from grebe.core.patterns.model import Content, Hit
from grebe.core.rig.spec import HandMove, Spec
from grebe.core.songs.changes import changes, moves_of
from grebe.core.songs.energy import PatternBars, song_bars, unchanged
from grebe.core.songs.model import (
    Curve,
    CurvePoint,
    FillMark,
    Marker,
    MuteRegion,
    Part,
    Performer,
    TempoMark,
    Then,
)
from grebe.formats.project import read_project
from tests import build


def loop(*sections: Any, scenes: list[Any] | None = None, **fields: Any) -> Project:
    """Two boxes that Grebe plays: beats and an off-beat bass."""
    drums, bass = build.device("drums", kind="drums"), build.device("bass", channel=2)
    patterns = [
        build.pattern("d1", "drums", build.voice("X...X...X...X...")),
        build.pattern("d2", "drums", build.voice("X.X.X.X.X.X.X.X.")),
        build.pattern("b1", "bass", build.voice("..x...x...x...x.", 40)),
    ]
    usual = [
        build.scene("a", 4, drums=["d1"]),
        build.scene("b", 4, drums=["d2"], bass=["b1"]),
    ]
    project = build.project([drums, bass], patterns, scenes or usual, build.song(*sections))
    return msgspec.structs.replace(project, **fields)


def found(project: Project, code: str) -> list[Finding]:
    return [f for f in check(project) if f.code == code]


def energies(project: Project) -> list[float]:
    return [b.energy for b in song_bars(project, project.layout(project.songs[0]))]


def test_energy_of_bars() -> None:
    """A voice counts half for sounding and half for density up to sixteenths, by loudness."""
    # Four strokes a bar: one a quarter of the four that count fully, at full velocity.
    first = 0.5 + 0.5 * 1 / 4
    second = 0.5 + 0.5 * 2 / 4 + 100 / 127 * first
    assert energies(loop("a", "b")) == pytest.approx([first] * 4 + [second] * 4)


def test_muted_bars_have_less() -> None:
    """A bar half muted counts half; a silent voice not at all."""
    region = MuteRegion(device="drums", at=16, long=24)
    bars = energies(loop(("a", 1, {"mutes": (region,)})))
    assert bars == pytest.approx([0.625, 0, 0.3125, 0.625])
    silent = build.scene("a", 4, drums=Part(device="drums", chain=("d1",), silent_voices=("v",)))
    assert energies(loop("a", scenes=[silent])) == [0, 0, 0, 0]


def test_a_held_note_sounds_in_every_bar() -> None:
    """One stroke in four bars, held: half its loudness for sounding at all."""
    project = loop("a")
    held = build.voice("x" + "." * 63, 60)
    held = msgspec.structs.replace(held, hits=(Hit(step=0, velocity=127, gate_length=6400),))
    pad = build.pattern("d1", "drums", held)
    bars = energies(msgspec.structs.replace(project, patterns=(pad, *project.patterns[1:])))
    assert bars == pytest.approx([0.5 + 0.5 / 16, 0.5, 0.5, 0.5])


def test_a_stretch_that_only_repeats() -> None:
    """As long as the performer bears it; a mute, a fill or chance breaks it."""
    project = loop(("a", 4))
    assert unchanged(song_bars(project, project.layout(project.songs[0])), 16) == [(1, 16)]
    assert [f.message for f in found(project, "song.unchanged")] == [
        "Bars 1 to 16 of Song repeat unchanged for 16 bars."
    ]
    assert found(loop(("a", 4), performer=Performer(unchanged_bars=17)), "song.unchanged") == []
    for over in ({"mutes": (MuteRegion(device="drums", at=128),)}, {"fills": (FillMark(at=130),)}):
        assert found(loop(("a", 4, over)), "song.unchanged") == []
    voice = build.voice("x...x...x...x...")
    dice = build.pattern("d1", "drums", msgspec.structs.replace(
        voice, hits=(Hit(step=0, chance=50),)))  # fmt: skip
    lucky = msgspec.structs.replace(project, patterns=(dice, *project.patterns[1:]))
    assert found(lucky, "song.unchanged") == []


def test_a_build_that_does_not_build() -> None:
    """Found while its end is no fuller than its beginning."""
    flat = build.scene("a", 8, drums=["d1"])
    rising = build.scene("b", 8, drums=["d1"] * 6 + ["d2"] * 2)
    scenes = [msgspec.structs.replace(s, role="build") for s in (flat, rising)]
    assert [f.message[:1] for f in found(loop("a", "b", scenes=scenes), "song.flat-build")] == ["a"]


def test_a_drop_with_nothing_to_drop() -> None:
    """A drop has more in it than what came before."""
    one = build.scene("a", 4, drums=["d1"])
    drop = msgspec.structs.replace(build.scene("b", 4, drums=["d1"], bass=["b1"]), role="drop")
    assert found(loop("a", "b", scenes=[one, drop]), "song.drop-nothing") == []
    thin = msgspec.structs.replace(one, id="b", name="b", role="drop")
    assert len(found(loop("a", "b", scenes=[one, thin]), "song.drop-nothing")) == 1


def test_lengths_that_are_odd_among_fours() -> None:
    """One section of three bars among four of four; not where odd is the rule."""
    odd = build.scene("c", 3, drums=["d1"])
    scenes = [build.scene("a", 4, drums=["d1"]), odd]
    assert len(found(loop("a", "a", "a", "c", scenes=scenes), "song.odd-length")) == 1
    assert found(loop("a", "c", "c", scenes=scenes), "song.odd-length") == []


def test_few_variations_and_a_voice_never_heard() -> None:
    """Fewer than three patterns in a long song; a voice that is silent wherever it plays."""
    assert len(found(loop(("a", 9)), "song.few-variations")) == 1
    silent = build.scene("a", 4, drums=Part(device="drums", chain=("d1",), silent_voices=("v",)))
    (one,) = found(loop("a", scenes=[silent]), "song.voice-unheard")
    assert "v of d1" in one.message


def test_both_schools_of_form_and_none() -> None:
    """Advice comes only from the school that was chosen."""
    hook = msgspec.structs.replace(build.scene("a", 4, drums=["d1"]), role="hook")
    drop = msgspec.structs.replace(build.scene("b", 4, drums=["d2"], bass=["b1"]), role="drop")
    project = loop("a", "b", scenes=[hook, drop])
    assert found(project, "song.form") == []
    for school, many in (("verse and hook", 2), ("build and drop", 1)):
        chosen = msgspec.structs.replace(project, performer=Performer(school=school))
        assert len(found(chosen, "song.form")) == many


def test_what_reaches_past_its_section() -> None:
    """Mutes, fills, markers, curves, tempi: said, never cut silently."""
    over = {
        "mutes": (MuteRegion(device="drums", at=48, long=32),),
        "fills": (FillMark(at=60, long=8),),
        "markers": (Marker(name="x", at=64),),
        "curves": (Curve(device="drums", controller=7, points=(CurvePoint(at=70, value=1),)),),
        "tempi": (TempoMark(at=99, bpm=90),),
    }
    rows = found(loop(("a", 1, over)), "song.past-end")
    assert len(rows) == 5
    assert "a mute in a (bar 1) reaches 1 bar past its section" in rows[0].message


def test_a_mute_over_silence_and_one_for_hands() -> None:
    """There is nothing to drop; or Grebe cannot drop it."""
    nothing = MuteRegion(device="bass", at=0)
    assert len(found(loop(("a", 1, {"mutes": (nothing,)})), "song.mutes-nothing")) == 1
    project = build.two_boxes()
    song = build.song(("a", 1, {"mutes": (MuteRegion(device="drums", voice="v"),)}))
    assert len(found(msgspec.structs.replace(project, songs=(song,)), "song.mute-by-hand")) == 1


def test_songs_with_nothing_in_a_section() -> None:
    """No passes, no bars, a jump to nowhere: findings, and the rest plays."""
    empty = build.scene("z", 1)
    empty = msgspec.structs.replace(empty, bars=0)
    scenes = [build.scene("a", 4, drums=["d1"]), empty]
    nowhere = {"then": Then(kind="jump", to="s99")}
    project = loop("a", ("a", 0), "z", ("a", 1, nowhere), scenes=scenes)
    assert len(found(project, "song.no-bars")) == 2
    assert len(found(project, "song.no-jump")) == 1
    assert project.layout(project.songs[0]).bars == 8


def test_patterns_that_do_not_divide_the_scene() -> None:
    """What is cut, and the lengths that fit."""
    project = loop("a", scenes=[build.scene("a", 4, drums=["d1", "d2", "d1"])])
    (one,) = found(project, "scene.length")
    assert "cut after 4 quarter notes" in one.message
    assert "Make the scene 3 or 6 bars" in one.fix
    assert found(loop("a", "b"), "scene.length") == []


def test_tracks_and_echo_times_a_box_has_not() -> None:
    """A loop track past its last; a time out of an echo's range, with what fits."""
    looper = build.device("looper", kind="looper", plays="own", spec=Spec(loop_tracks=2))
    echo = build.device("echo", kind="echo", plays="own", spec=Spec(echo_ms=(20.0, 300.0)))
    scene = build.scene("a", 4, looper=Part(device="looper", tracks=(3,)),
                        echo=Part(device="echo", echo="1/4"))  # fmt: skip
    project = build.project([looper, echo], [], [scene], build.song("a"))
    assert "which has 2" in found(project, "scene.no-track")[0].message
    assert "500 ms" in found(project, "scene.echo-range")[0].message
    assert "250 ms fits" in found(project, "scene.echo-range")[0].message


def test_changes_that_want_more_hands() -> None:
    """Named with what is left over and what would help."""
    move = (HandMove(name="turn", seconds=3.0, serves=("pattern",)),)
    boxes = [build.device(n, plays="own", spec=Spec(by_hand=move)) for n in "xyz"]
    patterns = [build.own(build.pattern(f"{n}{k}", n, build.voice("x...x...x...x..."), program=k))
                for n in "xyz" for k in (1, 2)]  # fmt: skip
    scenes = [build.scene(s, 4, **{n: [f"{n}{k}"] for n in "xyz"}) for s, k in (("a", 1), ("b", 2))]
    project = build.project(boxes, patterns, scenes, build.song("a", "b", bpm=60))
    (one,) = found(project, "scene.hands")
    assert one.subject == "b"
    assert "2 hands and 1 free feet" in one.why


def test_a_book_taken_over_says_what_a_new_one_says() -> None:
    """Edit after edit: patterns, scenes, boxes; what stood is not taken for what is now."""
    project, dice = build.two_boxes(), random.Random(7)
    book = PatternBars(project)
    for _ in range(60):
        kind = dice.randrange(4)
        if kind == 0:
            steps = tuple(Hit(step=s) for s in sorted(dice.sample(range(16), dice.randrange(6))))
            name = dice.choice(project.patterns).id
            project = with_content(project, name, lambda c, s=steps: _struck(c, s))
        elif kind == 1:
            scene = dice.choice(project.scenes)
            bars = dice.randrange(1, 5)
            project = with_scene(project, scene.id, lambda s, b=bars: replace(s, bars=b))
        elif kind == 2:
            devices = tuple(replace(d, channel=dice.randrange(1, 17)) for d in project.rig.devices)
            project = replace(project, rig=replace(project.rig, devices=devices))
        else:
            patterns = list(project.patterns)
            dice.shuffle(patterns)
            project = replace(project, patterns=tuple(patterns))
        book = book.serving(project)
        layout = project.layout(project.songs[0])
        assert song_bars(project, layout, book) == song_bars(project, layout)
        assert find(project, book) == find(project)


def _struck(content: Content, hits: tuple[Hit, ...]) -> Content:
    return replace(content, voices=tuple(replace(v, hits=hits) for v in content.voices))


def test_what_is_left_to_hands_alone_is_all_of_it() -> None:
    """Lines that are left out have nothing for hands: between every two scenes of the demo."""
    project = read_project(fresh_demo()).project
    scenes = project.scenes
    pairs = [(a, b) for a in scenes for b in scenes if a is not b]
    asked = 0
    for before, after in pairs:
        every = moves_of(changes(project, before, after, 126.0))
        asked += len(every)
        assert moves_of(changes(project, before, after, 126.0, hands_only=True)) == every
    assert asked
