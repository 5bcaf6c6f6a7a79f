"""What changes between scenes: the messages are those the player sends, at their times."""

from __future__ import annotations

import msgspec
import pytest

from grebe.core.document import Project
from grebe.core.player.commands import Begin
from grebe.core.player.events import ControlChange, ProgramChange
from grebe.core.player.plan import make_plan
from grebe.core.player.player import Player
from grebe.core.rig.model import Device
from grebe.core.rig.spec import HandMove, Spec
from grebe.core.songs.changes import SceneChange, changes, moves_of
from grebe.core.songs.hands import schedule
from grebe.core.songs.model import ControlValue, Part, Performer
from grebe.core.time.ticks import SIXTEENTH_TICKS
from tests import build

BPM = 120.0


def of(project: Project, first: str = "a", second: str = "b") -> dict[tuple[str, str], SceneChange]:
    """The changes from one scene to another, by device and kind."""
    found = changes(project, project.scene(first), project.scene(second), BPM)
    return {(c.device, c.kind): c for c in found}


def with_devices(project: Project, **edits: dict[str, object]) -> Project:
    """The project with fields of devices replaced."""
    devices = tuple(msgspec.structs.replace(d, **edits.get(d.id, {})) for d in project.rig.devices)
    return msgspec.structs.replace(
        project, rig=msgspec.structs.replace(project.rig, devices=devices)
    )


def with_parts(project: Project, scene: str, *parts: Part) -> Project:
    """The project with other parts in a scene."""
    scenes = tuple(
        msgspec.structs.replace(s, parts=parts) if s.id == scene else s for s in project.scenes
    )
    return msgspec.structs.replace(project, scenes=scenes)


def test_messages_are_those_the_player_sends() -> None:
    """Same events, as long before the boundary, for programs, mutes and values."""
    project = build.two_boxes()
    value = ControlValue(controller=74, value=20)
    project = with_parts(project, "a", Part(device="bass", chain=("b1",)))
    project = with_parts(
        project, "b", Part(device="drums", chain=("d2",)),
        Part(device="bass", chain=("b1",), values=(value,)),
    )  # fmt: skip
    song = build.song("a", "b", bpm=BPM)
    project = msgspec.structs.replace(project, songs=(song,))
    player = Player(make_plan(project, song))
    dues = player.apply(Begin())
    while player.running:
        dues += player.advance(player.tick + SIXTEENTH_TICKS)
    boundary = project.layout(song).spans[1].tick
    sent = {
        (device, boundary - tick, event)
        for tick, device, event in dues
        if isinstance(event, (ProgramChange, ControlChange)) and 0 < tick <= boundary
    }
    found = changes(project, project.scene("a"), project.scene("b"), BPM)
    assert {(c.device, s.before, s.event) for c in found for s in c.sent} == sent
    assert len(sent) == 3


def test_each_box_is_told_at_its_own_time() -> None:
    """A slow box half a second before, a quick one beside it a sixteenth before, in both places."""
    project = build.two_boxes()
    drums, bass = project.rig.devices
    slow = msgspec.structs.replace(
        drums, id="slow", name="Slow", spec=Spec(told_ms=500.0), mute_controller=None
    )
    quick = msgspec.structs.replace(drums, mute_controller=None)
    patterns = (
        *project.patterns,
        build.own(build.pattern("w1", "slow", build.voice("x..............."), program=1)),
        build.own(build.pattern("w2", "slow", build.voice("x..............."), program=2)),
    )
    scenes = [build.scene("a", 2, drums=["d1"], slow=["w1"]),
              build.scene("b", 2, drums=["d2"], slow=["w2"])]  # fmt: skip
    song = build.song("a", "b", bpm=BPM)
    project = build.project([quick, slow, bass], list(patterns), scenes, song)
    player = Player(make_plan(project, song))
    dues = player.apply(Begin())
    while player.running:
        dues += player.advance(player.tick + SIXTEENTH_TICKS)
    boundary = project.layout(song).spans[1].tick
    sent = {(d, boundary - t) for t, d, e in dues if isinstance(e, ProgramChange) and t > 0}
    found = changes(project, scenes[0], scenes[1], BPM)
    assert {(c.device, s.before) for c in found for s in c.sent} == sent
    assert sent == {("drums", SIXTEENTH_TICKS), ("slow", 4 * SIXTEENTH_TICKS)}


def test_the_latest_safe_moment() -> None:
    """As its profile says, and two bytes of MIDI at 31 250 baud (0.64 ms) before that."""
    told = of(build.two_boxes())[("drums", "pattern")]
    assert told.latest_ms == pytest.approx(0.64)
    assert told.opens_ms == 2000.0  # its last pass: sooner, it would change a pattern too soon
    slow = with_devices(build.two_boxes(), drums={"spec": Spec(told_ms=300.0)})
    told = of(slow)[("drums", "pattern")]
    assert told.latest_ms == pytest.approx(300.64)
    assert "sent 300 ms early" in told.how
    by_bar = with_devices(build.two_boxes(), drums={"change_at": "bar"})
    assert of(by_bar)[("drums", "pattern")].opens_ms == 2000.0


def test_what_carries_on_is_no_change() -> None:
    """The bass plays on; only the drums change."""
    assert list(of(build.two_boxes())) == [("drums", "pattern")]


def by_hand(**fields: object) -> Device:
    """Drums that no program reaches, with moves of their own."""
    moves = (
        HandMove(name="press a pad", seconds=0.5, serves=("pattern",)),
        HandMove(name="turn it down", seconds=1.5, serves=("mute",)),
    )
    return msgspec.structs.replace(
        build.two_boxes().rig.devices[0], obeys_program=False, mute_controller=None,
        spec=Spec(by_hand=moves), **fields,
    )  # fmt: skip


def hand_project(**fields: object) -> Project:
    """Such drums beside the bass."""
    project = build.two_boxes()
    rig = msgspec.structs.replace(project.rig, devices=(by_hand(**fields), project.rig.devices[1]))
    return msgspec.structs.replace(project, rig=rig)


def test_moves_by_hand_have_a_window() -> None:
    """In the last pass of what plays; heard at once, in the bar before and just after the one."""
    change = of(hand_project())[("drums", "pattern")]
    assert (change.by, change.seconds, change.opens_ms, change.latest_ms) == ("hand", 0.5, 2000, 0)
    project = hand_project(change_at="at_once")
    change = of(project)[("drums", "pattern")]
    assert change.latest_ms == -125.0  # a quarter of a beat at 120 BPM
    silent = with_parts(hand_project(), "b", Part(device="bass", chain=("b1",)))
    change = of(silent)[("drums", "mute")]
    assert (change.after, change.move and change.move.name) == ("silent", "turn it down")


def test_voices_of_a_box_are_silenced_one_by_one() -> None:
    """By hand it takes a move for each; Grebe mutes what it plays itself."""
    part = Part(device="drums", chain=("d1",), silent_voices=("v",))
    project = with_parts(hand_project(), "b", part, Part(device="bass", chain=("b1",), muted=True))
    found = of(project)
    assert found[("drums", "mute")].after == "v silent"
    assert found[("drums", "mute")].seconds == 1.5
    assert found[("bass", "mute")].by == "grebe"


def test_tracks_and_echo_times_are_for_hands() -> None:
    """Each track is a press; an echo's time comes from the tempo, fitted to its range."""
    looper = build.device(
        "looper", kind="looper", plays="own",
        spec=Spec(by_hand=(HandMove(name="tread", seconds=0.4, limb="foot", serves=("tracks",)),)),
    )  # fmt: skip
    echo = build.device("echo", kind="echo", plays="own", spec=Spec(echo_ms=(20.0, 300.0)))
    first = build.scene("a", 2, looper=Part(device="looper", tracks=(1,)))
    second = build.scene("b", 2, looper=Part(device="looper", tracks=(1, 2, 3)),
                         echo=Part(device="echo", echo="1/4"))  # fmt: skip
    project = build.project([looper, echo], [], [first, second], build.song("a", "b"))
    found = of(project)
    tracks = found[("looper", "tracks")]
    assert (tracks.times, tracks.seconds, tracks.after) == (2, 0.8, "tracks 1 + 2 + 3")
    # A quarter at 120 BPM is 500 ms (60 000 / BPM); its half fits 20 to 300.
    assert found[("echo", "echo")].after == "1/4, 250 ms"
    assert "ahead" in found[("echo", "echo")].relief


def test_too_much_for_two_hands() -> None:
    """Three slow moves in one bar: the one that can be pre-set is to be relieved."""
    moves = (HandMove(name="turn", seconds=1.8, serves=("pattern", "echo")),)
    boxes = [build.device(n, plays="own", spec=Spec(by_hand=moves)) for n in ("x", "y")]
    boxes.append(build.device("echo", kind="echo", plays="own", spec=Spec(by_hand=moves)))
    patterns = [build.own(build.pattern(f"{n}{k}", n, build.voice("x...x...x...x...")))
                for n in ("x", "y") for k in (1, 2)]  # fmt: skip
    first = build.scene("a", 2, x=["x1"], y=["y1"])
    second = build.scene("b", 2, x=["x2"], y=["y2"], echo=Part(device="echo", echo="1/8"))
    project = build.project(boxes, patterns, [first, second], build.song("a", "b"))
    found = schedule(moves_of(tuple(of(project).values())), Performer())
    assert [m.device for m in found.relieve] == ["echo"]


def test_a_scene_that_leaves_mutes_alone_changes_none() -> None:
    """What stands, stands."""
    project = with_parts(
        build.two_boxes(), "b", Part(device="drums", chain=("d1",)),
        Part(device="bass", chain=("b1",), muted=True),
    )  # fmt: skip
    assert ("bass", "mute") in of(project)
    scenes = tuple(
        msgspec.structs.replace(s, mutes="left") if s.id == "b" else s for s in project.scenes
    )
    assert of(msgspec.structs.replace(project, scenes=scenes)) == {}


def test_an_echo_is_set_anew_where_the_tempo_changes() -> None:
    """The note value stays, 500 ms at 120 BPM become 480 at 125: a move; at 120.05 none."""
    spec = Spec(echo_ms=(20.0, 800.0))
    echo = build.device("echo", kind="echo", plays="own", spec=spec)
    scenes = [build.scene(n, 2, echo=Part(device="echo", echo="1/4")) for n in ("a", "b")]
    project = build.project([echo], [], scenes, build.song("a", "b"))
    assert changes(project, scenes[0], scenes[1], 120.0) == ()
    (found,) = changes(project, scenes[0], scenes[1], 120.0, bpm_after=125.0)
    assert (found.before, found.after, found.by) == ("500 ms", "1/4, 480 ms", "hand")
    assert changes(project, scenes[0], scenes[1], 120.0, bpm_after=120.05) == ()
    (halved,) = changes(project, scenes[0], scenes[1], 80.0, bpm_after=70.0)
    assert (halved.before, halved.after) == ("750 ms", "1/4, 429 ms")
