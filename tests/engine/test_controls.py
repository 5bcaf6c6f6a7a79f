"""Controllers and pedals learnt: presses, held pedals, knobs picked up, lights."""

from __future__ import annotations

from typing import Any

import msgspec
import pytest

from grebe.core.player.commands import (
    Begin,
    Command,
    Fill,
    Hold,
    KeepMutes,
    Launch,
    Mute,
    Nudge,
    ReplacePlan,
    Solo,
    Steer,
)
from grebe.core.player.controls import LEARNABLE, TURNED, WINDOW, command_for, is_lit
from grebe.core.player.loopers import TrackCommand
from grebe.core.player.pickup import PickUp
from grebe.core.player.plan import make_plan, make_set_plan
from grebe.core.player.player import Player
from grebe.core.rig.learn import bound, keyed, unbound
from grebe.core.rig.model import Port
from grebe.core.rig.trigger import Binding, Trigger
from grebe.core.sets.model import Set, SetSong
from grebe.engine.connections import Connections
from grebe.engine.controls import Controls
from grebe.engine.device_output import DeviceOutput
from grebe.errors import EditError
from grebe.protocols.link.messages import Load, Notice, Pressed
from grebe.protocols.midi.press import lamp, touch_of
from grebe.transports.clock import SimulatedClock
from tests import build
from tests.core.test_loopers import with_looper
from tests.engine.test_inputs import Book

NOTE = Trigger(device="pads", kind="note", channel=1, number=36)
PEDAL = Trigger(device="pads", kind="controller", channel=1, number=64)
KNOB = Trigger(device="pads", kind="controller", channel=1, number=20)
PROGRAM = Trigger(device="feet", kind="program", channel=2, number=5)


def playing(project: Any = None) -> Player:
    project = project or build.two_boxes()
    player = Player(make_plan(project, project.songs[0]))
    player.apply(Begin())
    player.advance(player.tick + 10**7)
    return player


class Sent:
    """A port that keeps what it is sent."""

    stamped = False

    def __init__(self) -> None:
        self.data: list[bytes] = []

    def send(self, data: bytes, at_ns: int) -> None:
        self.data.append(data)

    def close(self) -> None:
        pass


class Table:
    """A desk with pads and a foot controller that are heard, and what comes of their presses."""

    def __init__(self, *bindings: Binding) -> None:
        self.asked: list[Command] = []
        self.told: list[Pressed | Notice] = []
        self.panics = 0
        self.refuse = False
        self.book = Book()
        self.connections = Connections(lambda _: None, lambda _: None, SimulatedClock(), self.book)
        boxes = [
            build.device(n, port=Port(wire="none"), input=Port(wire="alsa", name=n))
            for n in ("pads", "feet")
        ]
        self.port = Sent()
        self.connections.outputs.by_id = {b.id: DeviceOutput(b, None, "") for b in boxes}
        self.connections.outputs.by_id["pads"].port = self.port  # type: ignore[assignment]
        self.controls = Controls(
            self.connections, self._ask, self._panic, self.told.append, SimulatedClock().now_ns
        )
        self.controls.set(bindings)
        base = build.two_boxes()
        self.connections.inputs.set(make_plan(base, base.songs[0]), self.connections.outputs.by_id)

    def _ask(self, command: Command) -> None:
        if self.refuse:
            raise EditError("not now")
        self.asked.append(command)

    def _panic(self) -> None:
        self.panics += 1

    def feed(self, player: Player | None, *messages: bytes, source: str = "pads") -> None:
        """Messages come in from a box."""
        heard = self.connections.inputs._inputs[source]
        heard.waiting = [(n, m) for n, m in enumerate(messages)]  # type: ignore[attr-defined]
        self.connections.inputs.hear()
        self.controls.take(player, 120.0)


def test_every_action_has_an_effect() -> None:
    """Each that can be learnt is a command, a knob's, the window's, or panic; none is lost."""
    project = with_looper()
    running = Set(songs=(SetSong(id="e1", song="song"), SetSong(id="e2", song="song")))
    player = Player(make_set_plan(project, running))
    player.apply(Begin())
    for named in LEARNABLE:
        kind, _, number = named.id.rpartition("_")
        kind = kind.removesuffix("_line")
        # The looper, the last of three, has no patterns.
        most = {
            "mute": 3,
            "solo": 3,
            "pattern": 2,
            "track": 4,
            "halt": 4,
            "scene": 3,
            "song": 2,
        }.get(kind, 99)
        command = command_for(named.id, player, down=True)
        there = not number.isdigit() or int(number) <= most
        expected = there and named.id not in (*TURNED, *WINDOW, "panic")
        assert (command is not None) == expected, named.id
    assert len({n.id for n in LEARNABLE}) == len(LEARNABLE)


def test_actions_as_commands() -> None:
    """Toggles look at what is; numbers count boxes, sections and songs."""
    player = playing(with_looper())
    assert command_for("hold", player, down=True) == Hold(on=True)
    player.apply(Hold(on=True))
    assert command_for("hold", player, down=True) == Hold(on=False)
    assert command_for("mute_2", player, down=True) == Mute(device="bass", on=True)
    assert command_for("solo_1", player, down=True) == Solo(device="drums", on=True)
    assert command_for("scene_2", player, down=True) == Launch(section="s2", at="bar")
    assert command_for("track_3", player, down=True) == TrackCommand(device="looper", number=3)
    assert command_for("keep_mutes", player, down=True) == KeepMutes(on=False)
    assert command_for("fill", player, down=False) == Fill(on=False)
    assert command_for("hold_back", player, down=True) == Nudge(percent=-4.0)
    assert command_for("again", player, down=False) is None


def test_lights_follow_what_holds() -> None:
    player = playing(with_looper())
    assert not is_lit("hold", player)
    player.apply(Hold(on=True))
    player.apply(Mute(device="drums", on=True))
    player.apply(TrackCommand(device="looper", number=2, at="now"))
    player.advance(player.tick + 1)
    lit = {n.id for n in LEARNABLE if is_lit(n.id, player)}
    assert lit == {
        "run_stop", "hold", "mute_1", "mute_line_1", "track_2", "halt_2", "scene_1", "keep_mutes",
    }  # fmt: skip


def test_a_knob_is_picked_up_where_the_value_is() -> None:
    """Nothing until it is there or has passed it; moved by something else, anew."""
    knob = PickUp()
    assert [knob.take(v, 64.0) for v in (20, 40, 60)] == [None, None, None]
    assert knob.take(70, 64.0) == 70.0
    assert knob.take(90, 70.0) == 90.0
    assert knob.take(91, 30.0) is None
    assert PickUp().take(63, 64.0) == 63.0


def test_presses_do_what_was_learnt() -> None:
    """A note, a pedal once however many values it sends, a program of another box; told too."""
    table = Table(
        Binding(trigger=NOTE, action="again"), Binding(trigger=PEDAL, action="next_in"),
        Binding(trigger=PROGRAM, action="scene_2"),
    )  # fmt: skip
    player = playing()
    table.feed(player, b"\x90\x24\x40", b"\x80\x24\x00", b"\x90\x25\x40")
    table.feed(player, b"\xb0\x40\x50", b"\xb0\x40\x7f", b"\xb0\x40\x00", b"\xb0\x40\x7f")
    table.feed(player, b"\xc1\x05", source="feet")
    assert [type(c).__name__ for c in table.asked] == ["Again", "Launch", "Launch", "Launch"]
    assert table.asked[-1] == Launch(section="s2", at="bar")
    downs = [p.action for p in table.told if isinstance(p, Pressed) and p.down]
    assert downs == ["again", "next_in", "next_in", "scene_2"]


def test_held_pedals_and_panic() -> None:
    """A fill lasts while the pedal is down; panic is the engine's own; the window's are told."""
    table = Table(
        Binding(trigger=PEDAL, action="fill"), Binding(trigger=NOTE, action="panic"),
        Binding(trigger=KNOB, action="tap"),
    )  # fmt: skip
    player = playing()
    table.feed(player, b"\xb0\x40\x7f", b"\xb0\x40\x00")
    assert table.asked == [Fill(on=True), Fill(on=False)]
    table.feed(player, b"\x90\x24\x40", b"\xb0\x14\x7f")
    assert table.panics == 1
    assert [p.action for p in table.told if isinstance(p, Pressed)][-2:] == ["panic", "tap"]
    assert len(table.asked) == 2
    table.feed(None, b"\xb0\x40\x7f")
    assert len(table.asked) == 2


def test_a_tempo_on_a_knob_does_not_jump() -> None:
    """From 60 to 180 the running 120 is at 63.5: below it nothing, from there on it turns."""
    table = Table(Binding(trigger=KNOB, action="tempo", low=60.0, high=180.0))
    table.feed(playing(), b"\xb0\x14\x0a", b"\xb0\x14\x1e")
    assert table.asked == []
    table.feed(playing(), b"\xb0\x14\x3f")
    assert table.asked == [Steer(bpm=pytest.approx(119.53, abs=0.01))]


def test_what_cannot_be_done_is_said() -> None:
    table = Table(Binding(trigger=NOTE, action="again"))
    table.refuse = True
    table.feed(playing(), b"\x90\x24\x40")
    assert Notice(level="warn", text="not now.") in table.told


def test_lights_are_sent_when_they_change() -> None:
    """Once for each change, anew when the port is back; none for programs."""
    table = Table(
        Binding(trigger=NOTE, action="hold", lit=100, dark=1),
        Binding(trigger=PEDAL, action="mute_1"), Binding(trigger=PROGRAM, action="hold"),
    )  # fmt: skip
    player = playing()
    table.controls.light(player)
    table.controls.light(player)
    assert sorted(table.port.data) == [b"\x90\x24\x01", b"\xb0\x40\x00"]
    player.apply(Hold(on=True))
    table.controls.light(player)
    assert table.port.data[-1] == b"\x90\x24\x64"
    table.controls.relight()
    table.controls.light(player)
    assert len(table.port.data) == 5
    table.controls.light(None)


def test_a_controller_that_is_not_there() -> None:
    """It is named, so that Stage can show it."""
    table = Table(Binding(trigger=NOTE, action="again"))
    assert table.controls.deaf() == ()
    table.connections.inputs._inputs["pads"].gone = True  # type: ignore[attr-defined]
    table.connections.inputs.misses("pads")
    assert table.controls.deaf() == ("pads",)


def test_any_box_can_be_learnt_from() -> None:
    """Whichever is pressed first; without one that is heard it is refused."""
    table = Table()
    inputs = table.connections.inputs
    inputs.learn("*", table.connections.outputs.by_id)
    inputs._inputs["feet"].waiting = [(1, b"\xc1\x05")]  # type: ignore[attr-defined]
    inputs.hear()
    assert inputs.learned == PROGRAM


def test_touches_and_lamps_as_bytes() -> None:
    assert touch_of("pads", b"\x90\x24\x40") == (NOTE, 64)
    assert touch_of("pads", b"\x80\x24\x40") == (NOTE, 0)
    assert touch_of("feet", b"\xc1\x05") == (PROGRAM, 127)
    assert touch_of("pads", b"\xf8") is None
    assert touch_of("pads", b"\xe0\x00\x40") is None
    assert lamp(NOTE, 3) == b"\x90\x24\x03"
    assert lamp(PEDAL, 127) == b"\xb0\x40\x7f"


def test_learning_as_edits() -> None:
    """A press does one thing; forgetting takes presses and keys of an action."""
    project = bound(build.two_boxes(), "hold", NOTE)
    project = bound(project, "again", NOTE)
    project = bound(project, "tempo", KNOB)
    assert [b.action for b in project.rig.bindings] == ["again", "tempo"]
    assert (project.rig.bindings[1].low, project.rig.bindings[1].high) == (60.0, 180.0)
    project = keyed(project, "again", "F12")
    project = keyed(project, "hold", "F12")
    assert [(k.action, k.keys) for k in project.rig.keys] == [("hold", "F12")]
    assert unbound(project, "again").rig.bindings[0].action == "tempo"
    assert unbound(project, "hold").rig.keys == ()


def test_the_plan_carries_what_was_learnt() -> None:
    project = bound(build.two_boxes(), "hold", NOTE)
    plan = make_plan(project, project.songs[0])
    assert plan.bindings == project.rig.bindings
    assert plan.players == ("drums", "bass")
    message = Load(plan=ReplacePlan(plan=plan))
    assert msgspec.msgpack.decode(msgspec.msgpack.encode(message), type=Load) == message
