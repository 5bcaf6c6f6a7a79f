"""Sets: keys, time, work between songs, orders, versions; against brute force and worked sums."""

from __future__ import annotations

import json
import math
from pathlib import Path
from typing import Any

import msgspec
import pytest

from grebe.core.document import Project
from grebe.core.findings import check
from grebe.core.rig.spec import HandMove, Spec
from grebe.core.sets.between import between
from grebe.core.sets.edit import (
    all_in,
    change_place,
    in_this_order,
    insert_song,
    move_place,
    other_version,
    remove_place,
    versions_of,
    wish_at,
)
from grebe.core.sets.facts import song_facts, song_key
from grebe.core.sets.fit import Repeat, left_s, repeats, to_drop
from grebe.core.sets.formatting import (
    between_words,
    key_words,
    shift_words,
    tempo_words,
)
from grebe.core.sets.joined import join, section_id
from grebe.core.sets.keys import relation, shifted, signature
from grebe.core.sets.model import Set, SetSong, wished
from grebe.core.sets.plan import plan_set
from grebe.core.songs.changes import reached_by
from grebe.core.songs.model import MuteRegion, Need, Part, Section, Song
from grebe.core.time.meter import Meter
from grebe.core.time.tempo import ramp_seconds
from grebe.errors import EditError
from tests import build

DATA = Path(__file__).parent / "data"


def three_songs(*songs: SetSong, **fields: Any) -> Project:
    """Two boxes, two scenes, songs at 100, 120 and 150 BPM in A minor, C major and Eb major."""
    base = build.two_boxes()
    made = tuple(
        msgspec.structs.replace(base.songs[0], id=f"s{n}", name=f"S{n}", bpm=bpm, key=key)
        for n, (bpm, key) in enumerate(((100.0, "A minor"), (120.0, "C major"),
                                        (150.0, "Eb major")), start=1)
    )  # fmt: skip
    running = Set(id="night", name="Night", songs=songs, **fields)
    return msgspec.structs.replace(base, songs=made, sets=(running,))


def place(n: int, **fields: Any) -> SetSong:
    return SetSong(id=f"e{n}", song=f"s{n}", **fields)


# Keys


def test_the_circle_of_fifths() -> None:
    """C, G, D, A ... in fifths, and each with its relative minor (any handbook of harmony)."""
    majors = ["C", "G", "D", "A", "E", "B", "F#", "C#", "Ab", "Eb", "Bb", "F"]
    minors = ["A", "E", "B", "F#", "C#", "Ab", "Eb", "Bb", "F", "C", "G", "D"]
    for number, (major, minor) in enumerate(zip(majors, minors, strict=True)):
        assert signature(f"{major} major") == number
        assert signature(f"{minor} minor") == number


@pytest.mark.parametrize(
    ("first", "second", "words", "fits", "shift"),
    [
        ("D minor", "D minor", "same key", True, 0),
        ("D minor", "F major", "relative", True, 0),
        ("C major", "G major", "a fifth up", True, 5),
        ("C major", "F major", "a fourth up", True, -5),
        ("A minor", "D minor", "a fourth up", True, -5),
        ("A minor", "G major", "a fifth up of the relative", True, 5),
        ("C major", "C minor", "same root, other mode", False, -3),
        ("C major", "D major", "2 steps apart", False, -2),
        ("C major", "F# major", "clash, 6 steps apart", False, 6),
        ("D dorian", "C major", "2 steps apart", False, None),
    ],
)
def test_how_keys_stand(first: str, second: str, words: str, *, fits: bool, shift: int) -> None:
    """In words, and the shift that brings the second home."""
    found = relation(first, second)
    assert found is not None
    if shift is None:  # D dorian has the notes of C major
        assert (found.words, found.fits) == ("relative", True)
        return
    assert (found.words, found.fits, found.shift) == (words, fits, shift)
    assert relation(first, shifted(second, found.shift)).steps == 0  # type: ignore[union-attr]
    assert relation("", second) is None


def test_relations_of_all_keys_are_those_of_music21() -> None:
    """Sharps, relative and parallel of all 24 against 24 keys, as music21 has them."""
    found = json.loads((DATA / "relations_music21.json").read_text())
    assert len(found["pairs"]) == 576
    for first, second, apart, relative, parallel in found["pairs"]:
        mine = relation(first, second)
        assert mine is not None
        assert mine.steps == min(apart % 12, -apart % 12)
        assert (mine.words == "relative") == relative
        assert (mine.words == "same root, other mode") == parallel


def test_a_key_unknown_is_refused() -> None:
    with pytest.raises(ValueError, match="a tonic and a scale"):
        signature("H major")


# Facts and the axis


def test_the_key_comes_from_the_notes_unless_it_is_said() -> None:
    """A scale of D minor on a bass says D minor; drums say nothing; the performer has the word."""
    notes = (50, 52, 53, 55, 57, 58, 60, 62)
    row = build.voice("xxxxxxxx", 50)
    hits = tuple(
        msgspec.structs.replace(h, note=n, gate_length=100)
        for h, n in zip(row.hits, notes, strict=True)
    )
    bass = build.device("bass", kind="bass", channel=2)
    lines = build.pattern("b", "bass", msgspec.structs.replace(row, hits=hits))
    project = build.project([bass], [lines], [build.scene("a", 2, bass=["b"])], build.song("a"))
    assert song_key(project, project.layout(project.songs[0])) in ("D minor", "F major", "Bb major")
    facts = song_facts(project, project.songs[0])
    assert facts is not None
    assert not facts.key_said
    said = msgspec.structs.replace(project.songs[0], key="E phrygian")
    facts = song_facts(project, said)
    assert facts is not None
    assert (facts.key, facts.key_said) == ("E phrygian", True)
    drums = build.project(
        [build.device("d", kind="drums", channel=10)], [build.pattern("p", "d", row)],
        [build.scene("a", 2, d=["p"])], build.song("a"),
    )  # fmt: skip
    facts = song_facts(drums, drums.songs[0])
    assert facts is not None
    assert facts.key == ""
    assert song_facts(project, Song(id="none", name="None")) is None


def test_a_set_on_its_axis() -> None:
    """Eight bars each: 19.2 s at 100, 16 at 120, 12.8 at 150; a stop adds its silence."""
    project = three_songs(place(1), place(2, into="stop", gap_s=7.0), place(3, into="cut"),
                          slot_s=60.0)  # fmt: skip
    plan = plan_set(project, project.sets[0])
    assert [round(s.start_s, 6) for s in plan.songs] == [0.0, 26.2, 42.2]
    assert [round(s.seconds, 6) for s in plan.songs] == [19.2, 16.0, 12.8]
    assert plan.spare_s == pytest.approx(60.0 - 55.0)
    assert left_s(plan.songs, "e2", 0) == pytest.approx(28.8)
    assert left_s(plan.songs, "gone", 0) == pytest.approx(55.0)


def test_how_a_tempo_gets_there() -> None:
    """A ramp lasts 60 N ln(b2/b1)/(b2-b1) (shared facts: scipy's quad agrees); what carries on
    holds its tempo over the first section, then goes to its own."""
    ramped = three_songs(place(1), place(2, into="ramp", ramp_bars=4))
    plan = plan_set(ramped, ramped.sets[0])
    assert plan.songs[1].seconds == pytest.approx(ramp_seconds(100, 120, 16) + 4 * 4 * 0.5)
    assert ramp_seconds(100, 120, 16) == pytest.approx(60 * 16 * math.log(1.2) / 20)
    carried = three_songs(place(1), place(2, into="carry", ramp_bars=1))
    plan = plan_set(carried, carried.sets[0])
    held = 2 * 4 * 0.6 + ramp_seconds(100, 120, 4) + 5 * 4 * 0.5
    assert plan.songs[1].seconds == pytest.approx(held)
    words = [
        tempo_words(place(2, into=into), plan.songs[1].crossing)  # type: ignore[arg-type]
        for into in ("stop", "cut", "ramp", "carry")
    ]
    assert words == ["stops, 10 s", "cut on the bar", "ramp 8 bars",
                     "carries on at 100 until released"]  # fmt: skip


def test_songs_that_are_not_there_are_left_out_and_found() -> None:
    """A missing song, one without sections, one whose scene is gone."""
    project = three_songs(place(1), SetSong(id="e8", song="gone"), SetSong(id="e9", song="empty"),
                          place(2, into="cut"))  # fmt: skip
    songs = (*project.songs, Song(id="empty", name="Empty"))
    project = msgspec.structs.replace(project, songs=songs)
    plan = plan_set(project, project.sets[0])
    assert [s.facts is not None for s in plan.songs] == [True, False, False, True]
    assert plan.songs[3].crossing is not None
    codes = [f.code for f in check(project) if f.code.startswith("set.")]
    assert codes == ["set.no-song", "set.no-song", "set.tempo-jump"]
    assert [c.song for c in join(project, project.sets[0]).chapters] == ["s1", "s2"]
    none = msgspec.structs.replace(project.sets[0], songs=(SetSong(id="e8", song="gone"),))
    with pytest.raises(EditError, match="no song that can be played"):
        join(project, none)


def test_findings_of_a_set() -> None:
    """Too long for its slot, other metres without a stop, keys that clash, a set of nothing."""
    project = three_songs(place(1), place(3, into="ramp"), slot_s=20.0)
    waltz = build.scene("w", 2, Meter(beats=3), drums=["d1"], bass=["b1"])
    third = msgspec.structs.replace(
        project.songs[2], sections=(Section(id="x", scene="w", times=2),)
    )
    project = msgspec.structs.replace(
        project,
        scenes=(*project.scenes, waltz),
        songs=(*project.songs[:2], third),
        sets=(*project.sets, Set(id="no", name="Nothing")),
    )
    found = {f.code: f for f in check(project) if f.code.startswith("set.")}
    assert set(found) == {"set.too-long", "set.metre", "set.key-clash", "set.empty"}
    assert "4/4 to 3/4" in found["set.metre"].message
    assert "3 semitones down, to C major" in found["set.key-clash"].fix
    assert "Drop a pass of" in found["set.too-long"].fix


# What lies between


def worked(seconds: float = 9.0, **fields: Any) -> Project:
    """Two songs; the second wants a kit on the drums."""
    project = three_songs(place(1), place(2, **fields))
    need = Need(device="drums", what="kit 2", seconds=seconds)
    second = msgspec.structs.replace(project.songs[1], needs=(need,))
    return msgspec.structs.replace(project, songs=(project.songs[0], second, project.songs[2]))


def test_work_wants_silence() -> None:
    """Nine seconds on drums that play to the end: not on a cut, nor in 8 s, but in 9."""
    for gap, fits in ((8.0, False), (9.0, True)):
        project = worked(into="stop", gap_s=gap)
        crossing = plan_set(project, project.sets[0]).songs[1].crossing
        assert crossing is not None
        assert crossing.between.fits is fits
    project = worked(into="cut")
    crossing = plan_set(project, project.sets[0]).songs[1].crossing
    assert crossing is not None
    assert not crossing.between.fits
    assert between_words(project, crossing.between) == (
        "1 thing, 9 s of work, 0 s of silence: Drums cannot be ready."
    )
    assert [f.code for f in check(project) if f.code == "set.no-time"] == ["set.no-time"]


def test_a_box_that_is_silent_is_free_before_and_after() -> None:
    """Silent for the last 4.8 s of the song before and 4 s of this: 8 s can be done on a cut."""
    project = worked(8.0, into="cut")
    scenes = tuple(
        msgspec.structs.replace(s, parts=tuple(p for p in s.parts if p.device != "drums"))
        if s.id == "a" else s
        for s in project.scenes
    )  # fmt: skip
    quiet = msgspec.structs.replace(project, scenes=scenes)
    crossing = plan_set(quiet, quiet.sets[0]).songs[1].crossing
    assert crossing is not None
    (kit,) = [w for w in crossing.between.by_hand if w.kind == "load"]
    assert (kit.opens, kit.closes) == (pytest.approx(-2 * 4 * 0.6), pytest.approx(2 * 4 * 0.5))
    assert crossing.between.fits


def test_what_stands_already_is_not_done_again_and_a_helper_has_hands_too() -> None:
    """The same kit for both; another's hands do not take the performer's time."""
    project = worked(into="stop", gap_s=1.0)
    kit = project.songs[1].needs
    first = msgspec.structs.replace(project.songs[0], needs=kit)
    same = msgspec.structs.replace(project, songs=(first, *project.songs[1:]))
    crossing = plan_set(same, same.sets[0]).songs[1].crossing
    assert crossing is not None
    assert crossing.between.by_hand == ()
    helped = worked(into="stop", gap_s=9.0)
    needs = tuple(
        Need(device="drums", what=f"thing {n}", seconds=9.0, by="helper" if n < 2 else "you")
        for n in range(4)
    )
    second = msgspec.structs.replace(helped.songs[1], needs=needs)
    helped = msgspec.structs.replace(helped, songs=(helped.songs[0], second))
    facts = [song_facts(helped, s) for s in helped.songs]
    assert facts[1] is not None
    found = between(helped, facts[0], facts[1], 9.0, 120.0, reached_by(helped))
    assert found.fits
    assert found.seconds == 36.0
    assert between(helped, None, facts[1], 0.0, 120.0, reached_by(helped)).fits


def test_two_patterns_in_one_place_of_a_memory_are_re_programmed() -> None:
    """Both songs use program 4 of the drums for another pattern: four hits, 6.8 s."""
    project = three_songs(place(1), place(2))
    other = build.own(build.pattern("d3", "drums", build.voice("x...x...x...x..."), program=4))
    scene = build.scene("c", 2, drums=["d3"])
    second = msgspec.structs.replace(project.songs[1], sections=(Section(id="x", scene="c"),))
    project = msgspec.structs.replace(
        project, patterns=(*project.patterns, other), scenes=(*project.scenes, scene),
        songs=(project.songs[0], second),
    )  # fmt: skip
    crossing = plan_set(project, project.sets[0]).songs[1].crossing
    assert crossing is not None
    (work,) = [w for w in crossing.between.by_hand if w.kind == "program"]
    assert work.what == "key d3 into 4 over d1"
    assert work.seconds == pytest.approx(4 * 0.7 + 4.0)


def test_moves_between_the_last_scene_and_the_first() -> None:
    """An echo set by hand for the next song's tempo shows among the work."""
    project = three_songs(place(1), place(2, into="cut"))
    echo = build.device(
        "echo", kind="echo", plays="own",
        spec=Spec(echo_ms=(20.0, 800.0),
                  by_hand=(HandMove(name="set it", seconds=3.0, serves=("echo",)),)),
    )  # fmt: skip
    scenes = tuple(
        msgspec.structs.replace(s, parts=(*s.parts, Part(device="echo", echo=v)))
        for s, v in zip(project.scenes, ("1/4", "1/8"), strict=True)
    )
    first = msgspec.structs.replace(project.songs[0], sections=(Section(id="x", scene="b"),))
    rig = msgspec.structs.replace(project.rig, devices=(*project.rig.devices, echo))
    project = msgspec.structs.replace(
        project, rig=rig, scenes=scenes, songs=(first, project.songs[1])
    )
    crossing = plan_set(project, project.sets[0]).songs[1].crossing
    assert crossing is not None
    assert [w.what for w in crossing.between.by_hand] == ["set it: 1/8 to 1/4, 500 ms"]


# Edits


def test_edits_of_a_set() -> None:
    """In, out, about, settings; an order; a shape drawn point by point."""
    running = Set(songs=(place(1), place(2)))
    running = insert_song(running, 1, "s3")
    assert [s.song for s in running.songs] == ["s1", "s3", "s2"]
    assert len({s.id for s in running.songs}) == 3
    running = move_place(running, "e1", 5)
    assert [s.song for s in running.songs] == ["s3", "s2", "s1"]
    running = change_place(running, "e1", into="cut", pinned=True)
    assert running.songs[2].into == "cut"
    running = in_this_order(running, ["e2", "e1"])
    assert [s.song for s in running.songs] == ["s2", "s1", "s3"]
    assert [s.song for s in remove_place(running, "e1").songs] == ["s2", "s3"]
    drawn = wish_at(wish_at(running, 0, 0.0), 2, 2.0)
    assert drawn.wish == (0.0, 0.5, 1.0)
    assert [wished((0.0, 1.0), n, 3) for n in range(3)] == [0.0, 0.5, 1.0]
    assert wished((0.3,), 1, 3) == 0.3


def test_versions_of_a_song_side_by_side() -> None:
    """Everything in begins where the fullest begins, without mutes, those saved in scenes neither;
    a scene that does not come again follows. The place takes either."""
    project = three_songs(place(1))
    muted = Part(device="drums", chain=("d1",), muted=True)
    thin = build.scene("t", 2, bass=["b1"], drums=muted)
    built = msgspec.structs.replace(
        project.songs[0],
        sections=(
            Section(id="w", scene="b", mutes=(MuteRegion(device="drums", long=999),)),
            Section(id="x", scene="t"),
            Section(id="y", scene="b", bpm=110.0),
            Section(id="z", scene="b", mutes=(MuteRegion(device="drums"),)),
        ),
    )
    project = msgspec.structs.replace(
        project, scenes=(*project.scenes, thin), songs=(built, *project.songs[1:])
    )
    with pytest.raises(EditError, match="only one version"):
        other_version(project, "night", "e1")
    project, made = all_in(project, "s1")
    song = project.song(made)
    assert (song.version_of, song.version, song.name) == (
        "s1",
        "everything in",
        "S1, everything in",
    )
    assert [s.id for s in song.sections] == ["y", "x", "z"]
    unmuted = project.scene(song.sections[1].scene)
    assert (unmuted.name, unmuted.part("drums").muted) == ("t, all in", False)
    assert project.scene("t").part("drums").muted
    assert (song.bpm, song.sections[0].bpm, song.sections[0].mutes) == (110.0, None, ())
    assert [s.id for s in versions_of(project, made)] == ["s1", made]
    taken = other_version(project, "night", "e1")
    assert taken.sets[0].songs[0].song == made
    assert other_version(taken, "night", "e1").sets[0].songs[0].song == "s1"


def test_what_to_drop() -> None:
    """The pass that saves just enough; several where none does; all of them at worst."""
    rows = [Repeat("e1", f"x{n}", f"X{n}", float(n)) for n in (4, 8, 16)]
    assert [r.seconds for r in to_drop(rows, 5.0)] == [8.0]
    assert [r.seconds for r in to_drop(rows, 20.0)] == [16.0, 8.0]
    assert len(to_drop(rows, 100.0)) == 3
    project = three_songs(place(1), place(2))
    plan = plan_set(project, project.sets[0])
    found = repeats(plan.songs, "e1", 0)
    assert [(r.entry, r.scene, round(r.seconds, 3)) for r in found] == [
        ("e1", "b", 4.8), ("e2", "b", 4.0),
    ]  # fmt: skip
    late = plan.songs[0].facts.layout.spans[2].tick  # type: ignore[union-attr]
    assert [r.entry for r in repeats(plan.songs, "e1", late)] == ["e2"]


# Joined


def test_a_set_is_one_long_song() -> None:
    """Sections keep their ids behind that of their place; tempi and ways in are the set's."""
    project = three_songs(place(1), place(2, into="ramp", ramp_bars=4), place(3))
    joined = join(project, project.sets[0])
    assert [c.into for c in joined.chapters] == ["stop", "ramp", "stop"]
    ids = [s.id for s in joined.song.sections]
    assert ids[:4] == ["e1-s1", "e1-s2", "e1-s3", "e2-s1"]
    first = joined.song.sections[3]
    assert (first.bpm, first.ramp_bars) == (120.0, 4)
    assert joined.own["e2-s1"] == (1, "s2", "s1")
    assert joined.id_of(1, "") == "e2-s1"
    long = section_id("e1", "a" * 64)
    assert len(long) <= 64
    assert long != section_id("e1", "a" * 63)


def test_shift_and_key_in_words() -> None:
    found = relation("C major", "D major")
    assert shift_words(found, "D major") == "2 semitones down, to C major"
    assert key_words(found) == "2 steps apart"
    assert key_words(None) == "key not known"
    assert shift_words(relation("C major", "A minor"), "A minor") == ""
