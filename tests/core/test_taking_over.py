"""Boxes, patterns, scenes and songs out of another project; the last two out of MIDI files, too."""

from __future__ import annotations

import io

import mido
import msgspec
import pytest

from grebe.app.document.demo import demo_bytes
from grebe.core.arriving import (
    FileTrack,
    MidiFileTracks,
    as_pattern,
    kind_of,
    place_of,
    with_box,
)
from grebe.core.arriving_songs import as_song
from grebe.core.beginning import begin
from grebe.core.document import Project
from grebe.core.findings import find
from grebe.core.patterns.capture import Played
from grebe.core.rig.spec import Profile
from grebe.core.taking_over import Wanted, match_boxes, take_over
from grebe.core.time.meter import Meter
from grebe.errors import EditError, MidiFileError
from grebe.formats.midi_loops import parse_arrival
from grebe.formats.profiles import shipped_profiles
from grebe.formats.project import parse_project, project_bytes

PROFILES = {p.id: p for p in shipped_profiles()}


def demo() -> Project:
    return parse_project(demo_bytes(), "demo").project


def profile(kind: str) -> Profile:
    return next(p for p in shipped_profiles() if p.kind == kind)


def mine() -> Project:
    return begin("Mine", [(profile("drums"), "Kit"), (profile("bass"), "Low")])


def blocks(project: Project) -> list[str]:
    return [f.message for f in find(project).open if f.severity == "block"]


def test_a_song_comes_with_all_it_needs_and_plays() -> None:
    """Into an empty project: its scenes, their patterns, their boxes; every id is there, the file
    can be written and read, and as much stops it as there."""
    other = demo()
    song = other.songs[0]
    taken = take_over(begin("Empty", ()), other, Wanted(songs=frozenset({song.id})))
    project = taken.project
    mirrored = next(s for s in project.songs if s.name == song.name)
    scenes = {s.id: s for s in project.scenes}
    patterns = {p.id: p for p in project.patterns}
    boxes = {d.id for d in project.rig.devices}
    assert [scenes[s.scene].name for s in mirrored.sections] == [
        other.scene(s.scene).name for s in song.sections
    ]
    for section in mirrored.sections:
        for part in scenes[section.scene].parts:
            assert part.device in boxes
            assert all(patterns[p].device == part.device for p in part.chain)
    assert parse_project(project_bytes(project), "taken").project == project
    assert blocks(project) == blocks(msgspec.structs.replace(other, songs=(song,), sets=()))
    assert any("song" in line for line in taken.lines)


def test_twice_the_same_keeps_ids_and_names_apart() -> None:
    """Boxes are matched the second time; patterns, scenes and songs stand there twice."""
    other = demo()
    wanted = Wanted(songs=frozenset(s.id for s in other.songs))
    again = take_over(other, other, wanted)
    project = again.project
    assert project.rig == other.rig
    assert len(again.matched) == len(wanted.with_needs(other).boxes)
    for items in (project.patterns, project.scenes, project.songs):
        assert len({i.id for i in items}) == len(items)  # type: ignore[attr-defined]
    assert len({s.name for s in project.songs}) == len(project.songs)
    assert len(project.songs) == 2 * len(other.songs)
    places = [(p.device, p.program) for p in project.patterns if p.program is not None]
    assert len(set(places)) == len(places)


def test_boxes_are_matched_by_profile_and_name_or_as_said() -> None:
    other, own = demo(), mine()
    kit = next(d for d in other.rig.devices if d.kind == "drums")
    one = begin("One", [(PROFILES[kit.profile], "Otherwise")])
    assert match_boxes(one, other).get(kit.id) == "otherwise"
    wanted = Wanted(patterns=frozenset({next(p for p in other.patterns if p.device == kit.id).id}))
    matched = take_over(own, other, wanted, {kit.id: "kit"}).project
    assert matched.patterns[-1].device == "kit"
    assert len(matched.rig.devices) == len(own.rig.devices)
    added = take_over(own, other, wanted, {}).project
    assert len(added.rig.devices) == len(own.rig.devices) + 1
    new = added.rig.devices[-1]
    assert added.patterns[-1].device == new.id
    assert any(c.target == new.id for c in added.rig.cables)


def test_nothing_wanted_changes_nothing() -> None:
    assert take_over(mine(), demo(), Wanted()).project == mine()


# MIDI files


def played(*rows: tuple[float, int], channel: int = 1) -> tuple[Played, ...]:
    return tuple(Played(at, 0.2, note, 100, channel) for at, note in rows)


def loop(bars: int, pattern: tuple[tuple[float, int], ...], channel: int = 1) -> tuple[Played, ...]:
    return played(*((at + 4 * b, n) for b in range(bars) for at, n in pattern), channel=channel)


BEAT = ((0.0, 36), (1.0, 38), (2.0, 36), (3.0, 38))
LINE = ((0.0, 38), (1.5, 41), (3.0, 45))


def test_what_a_track_was_for() -> None:
    assert kind_of(FileTrack("x", played((0, 36), channel=10))) == "drums"
    assert kind_of(FileTrack("Deep bass", played((0, 72)))) == "bass"
    assert kind_of(FileTrack("x", played((0, 40)))) == "bass"
    assert kind_of(FileTrack("x", played((0, 70)))) == "synth"


def test_box_bars_and_key_are_proposed() -> None:
    """The shortest that it repeats with; the key of what is in it; drums have none."""
    project = mine()
    line = place_of(project, FileTrack("Line", loop(8, LINE)), Meter())
    assert (line.kind, line.box, line.bars) == ("bass", "low", 1)
    assert line.key
    beat = place_of(project, FileTrack("Beat", loop(2, BEAT, channel=10)), Meter())
    assert (beat.box, beat.bars, beat.key) == ("kit", 1, "")
    assert place_of(project, FileTrack("Keys", loop(1, ((0, 72),))), Meter(), ("low",)).box == ""


def test_a_pattern_of_a_track() -> None:
    walk = FileTrack("Walk", loop(2, LINE))
    project, new = as_pattern(mine(), walk, "low", 1, Meter(), "D minor")
    made = project.pattern(new)
    assert (made.name, made.content.length, made.content.key) == ("Walk", 16, "D minor")
    assert [h.note for h in made.content.voices[0].hits] == [38, 41, 45]
    with pytest.raises(EditError, match="no notes"):
        as_pattern(project, FileTrack("Walk", ()), "low", 1, Meter())
    with pytest.raises(EditError, match="no box"):
        as_pattern(project, FileTrack("Walk", loop(1, LINE)), "nobody", 1, Meter())


def test_a_song_of_tracks_is_cut_into_scenes_that_come_again() -> None:
    """Eight bars of beat, a line in the last four of them, the first four again."""
    beat = (*loop(8, BEAT, channel=10), *(n._replace(start=n.start + 32) for n in loop(4, BEAT)))
    line = tuple(n._replace(start=n.start + 16) for n in loop(4, LINE))
    arrival = MidiFileTracks(
        "Ferry", (FileTrack("Beat", beat), FileTrack("Line", line)), Meter(), 128.0
    )
    project, song_id = as_song(mine(), arrival, ("kit", "low"), ("", "D minor"))
    song = project.song(song_id)
    assert (song.name, song.bpm, song.key) == ("Ferry", 128.0, "D minor")
    names = [project.scene(s.scene).name for s in song.sections]
    assert names == ["Ferry 1", "Ferry 2", "Ferry 1"]
    assert [project.scene(s.scene).bars for s in song.sections] == [4, 4, 4]
    (chain,) = (project.scene(song.sections[0].scene).part("kit").chain,)
    assert project.scene(song.sections[1].scene).part("kit").chain == chain
    assert not project.scene(song.sections[0].scene).part("low").chain
    new = [p for p in project.patterns if p.id not in {q.id for q in mine().patterns}]
    assert len(new) == 2
    left, _ = as_song(mine(), arrival, ("kit", ""))
    assert all(p.device != "low" or not p.content.voices[0].hits for p in left.patterns)
    both, song_id = as_song(mine(), arrival, ("kit", "kit"))
    parts = both.scene(both.song(song_id).sections[1].scene).parts
    assert [p.device for p in parts] == ["kit"]
    with pytest.raises(EditError, match="no track"):
        as_song(mine(), arrival, ("", ""))


def test_a_track_gets_a_box_of_its_own() -> None:
    project, new = with_box(begin("Empty", ()), FileTrack("Reed bass", loop(1, LINE)), "bass")
    device = next(d for d in project.rig.devices if d.id == new)
    assert (device.name, device.kind) == ("Reed bass", "bass")
    assert device.spec.guessed
    assert any(c.target == new for c in project.rig.cables)


def midi(kind: int, *tracks: list[mido.Message]) -> bytes:
    file = mido.MidiFile(type=kind, ticks_per_beat=480)
    file.tracks.extend(mido.MidiTrack(t) for t in tracks)
    out = io.BytesIO()
    file.save(file=out)
    return out.getvalue()


def note(number: int, channel: int, wait: int = 0) -> list[mido.Message]:
    return [
        mido.Message("note_on", note=number, channel=channel, velocity=90, time=wait),
        mido.Message("note_off", note=number, channel=channel, time=240),
    ]


def test_a_file_track_by_track() -> None:
    head = [
        mido.MetaMessage("set_tempo", tempo=500_000),
        mido.MetaMessage("time_signature", numerator=3, denominator=4),
    ]
    named = [mido.MetaMessage("track_name", name="Reed"), *note(40, 1)]
    arrival = parse_arrival(midi(1, head, named, note(36, 9), []), "x.mid", "Ferry")
    assert [(t.name, len(t.notes)) for t in arrival.tracks] == [("Reed", 1), ("Track 3", 1)]
    assert (arrival.bpm, str(arrival.meter)) == (120.0, "3/4")
    by_channel = parse_arrival(midi(0, [*note(40, 1), *note(36, 9)]), "x.mid", "Ferry")
    assert [t.name for t in by_channel.tracks] == ["Channel 2", "Channel 10"]
    with pytest.raises(MidiFileError, match="no notes"):
        parse_arrival(midi(1, head), "x.mid", "Ferry")
    with pytest.raises(MidiFileError):
        parse_arrival(b"MThd", "x.mid", "Ferry")
