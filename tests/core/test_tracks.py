"""Boxes with tracks: chains and mutes a track, one wire for all of them."""

from __future__ import annotations

from collections import Counter

import msgspec
import pytest

from grebe.core.document import Project
from grebe.core.patterns.model import Pattern
from grebe.core.player.commands import Begin, Command, Mute, ReplacePlan, Solo, Swap
from grebe.core.player.events import (
    ControlChange,
    Due,
    NoteOff,
    NoteOn,
    ProgramChange,
    Start,
    TimingClock,
)
from grebe.core.player.plan import make_plan
from grebe.core.player.player import Player
from grebe.core.rig.lines import box_of, line_id, track_of
from grebe.core.rig.model import Cable, Device, Port
from grebe.core.rig.spec import Spec, Track
from grebe.core.songs.model import MuteRegion, Part
from grebe.core.time.ticks import CLOCK_TICKS, TICKS_PER_QUARTER
from grebe.errors import EditError
from tests import build

BAR = 4 * TICKS_PER_QUARTER


def at_program(pattern: Pattern, program: int) -> Pattern:
    """The pattern in its box, at a place."""
    return build.own(msgspec.structs.replace(pattern, program=program))


def groove(box: Device | None = None) -> Project:
    """Four patterns of two bars chained on one track, a row of 14 steps on another, chance on a
    third, drums in a pattern of the box; in the second scene mutes are saved."""
    box = box or build.groovebox()
    lead = [
        build.pattern(f"l{n}", "groove/lead", build.voice("x" + "." * 31, 60 + n)) for n in range(4)
    ]
    fourteen = build.pattern("f", "groove/low", build.voice("x" + "." * 13, 40), length=16)
    by_chance = build.voice("x...", 50)
    chance = build.pattern("c", "groove/out-1", msgspec.structs.replace(
        by_chance, hits=(msgspec.structs.replace(by_chance.hits[0], chance=50),)
    ))  # fmt: skip
    kick = build.voice("x...x...x...x...", 36, "kick", channel=9)
    snare = build.voice("....x.......x...", 36, "snare", channel=10)
    kit = build.pattern("kit", "groove", kick, snare)
    chains = {"groove": ["kit"], "groove/lead": ["l0", "l1", "l2", "l3"], "groove/low": ["f"],
              "groove/out-1": ["c"]}  # fmt: skip
    second = {
        **chains,
        "groove/lead": Part(device="groove/lead", chain=("l0",), muted=True),
        "groove/drum-2": Part(device="groove/drum-2", muted=True),
    }
    scenes = [build.scene("a", 8, **chains), build.scene("b", 2, **second)]
    return build.project([box], [*lead, fourteen, chance, kit], scenes, build.song("a", "b"))


def begun(project: Project) -> tuple[Player, list[Due]]:
    """A player that runs its first song."""
    player = Player(make_plan(project, project.songs[0]))
    return player, player.apply(Begin())


def notes(dues: list[Due], line: str, note: int | None = None) -> list[float]:
    """Bars, from 0, of the notes that a line begins."""
    return [
        tick / BAR
        for tick, device, event in dues
        if device == line and isinstance(event, NoteOn) and note in (None, event.note)
    ]


def test_addresses() -> None:
    """A box is its own line; a track's address holds both."""
    assert (line_id("groove"), line_id("groove", "low")) == ("groove", "groove/low")
    assert (box_of("groove/low"), track_of("groove/low")) == ("groove", "low")
    assert (box_of("groove"), track_of("groove")) == ("groove", "")


def test_what_a_track_leaves_unsaid_is_as_the_box_has_it() -> None:
    """Its channel, mute and polyphony are its own, jacks and loop tracks the box's."""
    box = build.groovebox(obeys_program=True)
    whole, lead, low, *_ = box.lines
    assert whole is box
    assert (lead.id, lead.name, lead.channel, lead.spec.polyphony) == (
        "groove/lead", "Groove Lead", 1, 4,
    )  # fmt: skip
    assert low.kind == "bass"
    assert low.lines == (low,)
    assert (lead.told_on, box.told_on) == (1, 16)
    assert {d.obeys_program for d in box.lines} == {True, False}  # one is never told


def test_every_track_plays_its_own() -> None:
    """A chain of four on one, 14 steps against 16 on another, chance on a third."""
    player, dues = begun(groove())
    dues += player.advance(8 * BAR)
    assert [notes(dues, "groove/lead", 60 + n) for n in range(4)] == [[0], [2], [4], [6]]
    low = notes(dues, "groove/low")
    assert low == [n * 14 / 16 for n in range(len(low))]
    assert len(low) == 10  # 128 sixteenths hold ten beginnings of 14
    struck = notes(dues, "groove/out-1")
    assert 4 < len(struck) < 28  # of 32, by chance
    assert notes(dues, "groove") == sorted(notes(dues, "groove"))


def test_one_wire_has_one_clock_and_one_start() -> None:
    """However many tracks: they are the box's, which is plugged in once."""
    player, dues = begun(groove())
    dues += player.advance(BAR)
    clocks = Counter(d for _, d, e in dues if isinstance(e, TimingClock))
    assert clocks == {"groove": BAR // CLOCK_TICKS}
    assert [d for _, d, e in dues if isinstance(e, Start)] == ["groove"]


def test_mutes_saved_with_a_scene_are_of_the_track() -> None:
    """The track that is muted is silent; a row on a muted drum's channel, too; the rest plays."""
    player, dues = begun(groove())
    player.advance(8 * BAR)
    dues = player.advance(10 * BAR)
    assert not notes(dues, "groove/lead")
    assert {e.channel for _, d, e in dues if d == "groove" and isinstance(e, NoteOn)} == {9}
    assert notes(dues, "groove/low")
    assert ("groove/lead", "") in player.mutes
    assert ("groove/drum-2", "") in player.mutes


@pytest.mark.parametrize(
    ("asked", "heard"),
    [
        (Mute(device="groove", on=True), set()),
        (Mute(device="groove/lead", on=True), {(2, 40), (9, 36), (10, 36)}),
        (Mute(device="groove/drum-1", on=True), {(1, 60), (2, 40), (10, 36)}),
        (Mute(device="groove", voice="kick", on=True), {(1, 60), (2, 40), (10, 36)}),
        (Solo(device="groove/low", on=True), {(2, 40)}),
        (Solo(device="groove/drum-2", on=True), {(10, 36)}),
        (Solo(device="groove", voice="kick", on=True), {(9, 36)}),
        (Solo(device="groove", on=True), {(1, 60), (2, 40), (9, 36), (10, 36)}),
    ],
    ids=lambda a: repr(a)[:60],
)
def test_what_a_hand_silences(asked: Command, heard: set[tuple[int, int]]) -> None:
    """A box with all in it, one track, one voice; the other way round for solo."""
    player, _ = begun(groove())
    player.apply(asked)
    dues = player.advance(BAR)
    on = {(e.channel, e.note) for _, _, e in dues if isinstance(e, NoteOn) and e.channel != 3}
    assert on == heard


def own_box() -> Device:
    """The groovebox playing its own patterns."""
    return build.groovebox(plays="own", obeys_program=True, mute_controller=19, port=Port())


def own_project(box: Device) -> Project:
    """Its tracks as its memory holds them."""
    patterns = [
        at_program(build.pattern("l1", "groove/lead", build.voice("x...", 60)), 0),
        at_program(build.pattern("l2", "groove/lead", build.voice("x.x.", 60)), 1),
        at_program(build.pattern("b1", "groove/low", build.voice("x...", 40)), 0),
        at_program(build.pattern("b2", "groove/low", build.voice("x.x.", 40)), 1),
        at_program(build.pattern("k1", "groove", build.voice("x...", 36, channel=9)), 8),
    ]
    first = {"groove": ["k1"], "groove/lead": ["l1"], "groove/low": ["b1"]}
    after = Part(device="groove/drum-1", muted=True)
    second = {"groove": ["k1"], "groove/lead": ["l2"], "groove/drum-1": after}
    scenes = [build.scene("a", 2, **first), build.scene("b", 2, **second)]
    return build.project([box], patterns, scenes, build.song("a", "b"))


def told(dues: list[Due], kind: type) -> list[tuple[str, int, int]]:
    """(line, channel, program or value) of what is told."""
    return [
        (d, e.channel, e.program if isinstance(e, ProgramChange) else e.value)
        for _, d, e in dues
        if isinstance(e, kind) and isinstance(e, (ProgramChange, ControlChange))
    ]


def test_a_box_s_own_tracks_are_told_one_by_one() -> None:
    """A program change on the channel of each, and its own mute; a track given nothing falls
    silent, one that is a part of the box's pattern does not."""
    player, dues = begun(own_project(own_box()))
    dues += player.advance(BAR)
    assert told(dues, ProgramChange) == [
        ("groove", 16, 8), ("groove/lead", 1, 0), ("groove/low", 2, 0),
    ]  # fmt: skip
    assert told(dues, ControlChange) == [
        ("groove", 16, 127), ("groove/lead", 1, 127), ("groove/low", 2, 127),
        *((f"groove/drum-{n}", 8 + n, 127) for n in range(1, 5)),
    ]  # fmt: skip
    dues = player.advance(3 * BAR)
    assert told(dues, ProgramChange) == [("groove/lead", 1, 1)]
    assert told(dues, ControlChange) == [("groove/low", 2, 0), ("groove/drum-1", 9, 0)]
    assert not [e for _, _, e in dues if isinstance(e, (NoteOn, NoteOff))]


def test_tracks_that_can_only_be_switched_together_are_told_once() -> None:
    """On the box's channel, by the first that plays."""
    box = own_box()
    tracks = tuple(msgspec.structs.replace(t, program="box") for t in box.tracks)
    spec = msgspec.structs.replace(box.spec, tracks=tracks)
    project = own_project(msgspec.structs.replace(box, spec=spec))
    player, dues = begun(project)
    dues += player.advance(3 * BAR)
    assert told(dues, ProgramChange) == [("groove", 16, 8)]


def test_two_boxes_on_one_port_are_one_wire() -> None:
    """Whatever the rig calls them, their port gets one clock."""
    ports = [Port(wire="jack", name="system:midi_playback_1")] * 2
    boxes = [build.device("a", port=ports[0]), build.device("b", port=ports[1], channel=2)]
    patterns = [build.pattern(f"p{d.id}", d.id, build.voice("x...")) for d in boxes]
    project = build.project(
        boxes, patterns, [build.scene("s", 1, a=["pa"], b=["pb"])], build.song("s")
    )
    player, dues = begun(project)
    dues += player.advance(BAR)
    assert {d for _, d, e in dues if isinstance(e, (TimingClock, Start))} == {"a"}
    assert player.plan.via == {"a": "a", "b": "a"}
    assert {d for _, d, e in dues if isinstance(e, NoteOn)} == {"a", "b"}


@pytest.mark.parametrize(("at", "bar"), [("end", 2.0), ("bar", 1.0), ("now", 0.5)])
def test_one_track_s_pattern_swapped(at: str, bar: float) -> None:
    """Where its pattern ends, on the bar, at once; back to the scene's with the next section."""
    player, _ = begun(groove())
    dues = player.advance(BAR // 2)
    player.apply(Swap(device="groove/lead", pattern="l3", at=at))  # type: ignore[arg-type]
    dues += player.advance(8 * BAR)
    swapped = notes(dues, "groove/lead", 63)
    assert swapped[0] == (bar if at != "now" else 2.0)  # its only note is on its first step
    assert notes(dues, "groove/lead", 61) == []
    dues = player.advance(10 * BAR)
    assert player.now[1].pattern == "l0"


def test_a_swap_is_refused_in_words() -> None:
    """No such line, no such pattern, nothing that plays; and nothing is otherwise."""
    project = groove()
    player = Player(make_plan(project, project.songs[0]))
    with pytest.raises(EditError, match="nothing plays"):
        player.apply(Swap(device="groove/lead", pattern="l3"))
    player.apply(Begin())
    for command in (Swap(device="nobody", pattern="l3"), Swap(device="groove/low", pattern="l3")):
        before = player.promise(), player.now
        with pytest.raises(EditError):
            player.apply(command)
        assert (player.promise(), player.now) == before


def test_a_pattern_changed_in_the_scene_that_plays_is_heard_where_the_old_one_ends() -> None:
    """Also in a section that is held: it need not come in anew."""
    project = groove()
    player, _ = begun(project)
    player.advance(BAR)
    scenes = (
        msgspec.structs.replace(project.scenes[0], parts=tuple(
            msgspec.structs.replace(p, chain=("l3",)) if p.device == "groove/lead" else p
            for p in project.scenes[0].parts
        )),
        project.scenes[1],
    )  # fmt: skip
    edited = msgspec.structs.replace(project, scenes=scenes)
    player.apply(ReplacePlan(plan=make_plan(edited, edited.songs[0])))
    assert {s.line: s.pattern for s in player.now}["groove/lead"] == "l0"  # it still sounds
    dues = player.advance(5 * BAR)
    assert notes(dues, "groove/lead") == [2, 4]
    assert notes(dues, "groove/lead", 63) == [2, 4]
    assert {s.line: s.pattern for s in player.now}["groove/lead"] == "l3"


def test_a_region_over_a_track() -> None:
    """A stretch of a song without one drum."""
    project = groove()
    song = build.song(("a", 1, {"mutes": (MuteRegion(device="groove/drum-1", at=8, long=8),)}))
    player, dues = begun(msgspec.structs.replace(project, songs=(song,)))
    dues += player.advance(BAR)
    kicks = [t * 4 / BAR for t, _, e in dues if isinstance(e, NoteOn) and e.channel == 9]
    assert kicks == [0, 1]


def test_a_track_that_sends_through_another_is_no_cable() -> None:
    """What a track feeds hears it, and the clock of the wire is the box's alone."""
    box = build.groovebox()
    behind = build.device("bass", channel=3, port=Port(wire="none"))
    project = build.project([box, behind], [], [build.scene("a", 1)], build.song("a"))
    cables = (
        Cable(source="grebe", target="groove"),
        Cable(source="groove", target="bass", gives="both"),
    )
    rig = msgspec.structs.replace(project.rig, cables=cables)
    plan = make_plan(msgspec.structs.replace(project, rig=rig), project.songs[0])
    assert plan.clocked == ("groove",)


def test_two_tracks_of_one_name_make_one_address_each() -> None:
    """Ids tell them apart."""
    tracks = (Track(id="a", name="Same"), Track(id="b", name="Same"))
    box = build.device("box", spec=Spec(tracks=tracks))
    assert [d.id for d in box.lines] == ["box", "box/a", "box/b"]
