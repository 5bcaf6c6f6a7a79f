"""What Grebe hears, with inputs in the test's own hands."""

from __future__ import annotations

from typing import get_args

import msgspec
import pytest

from grebe.core.player.plan import make_plan
from grebe.core.rig.model import Cable, Device, Port, Route
from grebe.core.rig.trigger import Trigger
from grebe.core.units import fields_of
from grebe.engine.device_output import DeviceOutput
from grebe.engine.inputs import Inputs
from grebe.engine.ports import TRANSPORTS, Ports
from grebe.errors import PortLost
from grebe.protocols.midi.message_filter import MessageFilter
from grebe.transports.base import Heard, InPort, OutPort
from grebe.transports.clock import SimulatedClock
from tests import build


class Input:
    """An input that gives what the test puts in."""

    def __init__(self) -> None:
        self.waiting: list[Heard] = []
        self.gone = False
        self.closed = False

    def fileno(self) -> int:
        return -1

    def receive(self) -> list[Heard]:
        waiting, self.waiting = self.waiting, []
        return waiting

    def check_input(self) -> None:
        if self.gone:
            raise PortLost("pulled")

    def has_passed(self, message_filter: MessageFilter) -> bool:
        return False

    def close_input(self) -> None:
        self.closed = True


class Book(Ports):
    """Opens such inputs, unless there is nothing to plug into."""

    def __init__(self) -> None:
        super().__init__()
        self.input = Input()
        self.there = True

    def open_input(self, device: Device, opened: OutPort | None) -> InPort | None:
        if not self.there:
            raise PortLost("nothing there")
        self.input = Input()
        return self.input


def ears_of(book: Book) -> tuple[Inputs, dict[str, DeviceOutput]]:
    pads = build.device("pads", port=Port(wire="none"), input=Port(wire="alsa", name="pads"))
    return Inputs(book, SimulatedClock()), {"pads": DeviceOutput(pads, None, "")}


@pytest.mark.parametrize(
    ("kinds", "times"), [(b"\x90", [1, 4]), (b"\xf8", [5, 6]), (b"\x90\xf8", [1, 4, 5, 6])]
)
def test_only_what_is_listened_to_is_told(kinds: bytes, times: list[int]) -> None:
    """Notes that begin, or ticks; with when they came, whatever channel."""
    book = Book()
    inputs, outputs = ears_of(book)
    inputs.listen({"pads": kinds}, outputs)
    book.input.waiting = [
        (1, b"\x90\x30\x64"), (2, b"\x80\x30\x40"), (3, b"\x90\x30\x00"), (4, b"\x95\x31\x01"),
        (5, b"\xf8"), (6, b"\xf8"), (7, b"\xb0\x40\x7f"), (8, b"\xfa"),
    ]  # fmt: skip
    inputs.hear()
    assert inputs.heard == [("pads", at) for at in times]
    inputs.listen({}, outputs)
    assert book.input.closed
    assert not inputs.listening


def test_an_input_that_was_pulled_is_missed_until_it_is_there() -> None:
    """Found by looking at it, closed, and opened again when it can be."""
    book = Book()
    inputs, outputs = ears_of(book)
    inputs.listen({"pads": b"\x90"}, outputs)
    assert not inputs.misses("pads")
    book.input.gone, book.there = True, False
    assert inputs.misses("pads")
    assert not inputs.listening
    plan = make_plan(build.two_boxes(), build.two_boxes().songs[0])
    inputs.set(plan, outputs)
    assert inputs.lost == {"pads": "nothing there"}
    book.there = True
    inputs.set(plan, outputs)
    assert inputs.listening
    assert not inputs.misses("pads")


def test_a_press_that_is_waited_for_does_not_panic() -> None:
    """The one learnt is told once; the next like it panics, another does not."""
    book = Book()
    inputs, outputs = ears_of(book)
    inputs.panic = Trigger(device="pads", kind="note", channel=1, number=48)
    inputs.learn("pads", outputs)
    book.input.waiting = [(1, b"\x90\x30\x64")]
    inputs.hear()
    assert inputs.learned == inputs.panic
    assert not inputs.panicked
    book.input.waiting = [(2, b"\x90\x31\x64")]
    inputs.hear()
    assert not inputs.panicked
    book.input.waiting = [(3, b"\x90\x30\x64")]
    inputs.hear()
    assert inputs.panicked
    with pytest.raises(PortLost, match="no input"):
        inputs.learn("nobody", outputs)


def test_notes_over_an_input_that_is_found_pulled_end() -> None:
    """Found by looking at it, not by what comes in: nothing is left sounding."""
    book = Book()
    inputs, _ = ears_of(book)
    pads = build.device("pads", port=Port(wire="none"), input=Port(wire="alsa", name="pads"))
    project = build.project([pads, build.device("bass")], [], [build.scene("a")], build.song("a"))
    route = Route(source="pads", target="bass", channel=2)
    cables = (Cable(source="pads", target="grebe"), Cable(source="grebe", target="bass"))
    rig = msgspec.structs.replace(project.rig, routes=(route,), cables=cables)
    project = msgspec.structs.replace(project, rig=rig)
    outputs = {
        "pads": DeviceOutput(pads, None, ""),
        "bass": DeviceOutput(project.rig.devices[1], None, ""),
    }
    inputs.set(make_plan(project, project.songs[0]), outputs)
    book.input.waiting = [(1, b"\x90\x30\x64")]
    assert inputs.hear()[0] == [("bass", b"\x91\x30\x64")]
    book.input.gone = True
    assert inputs.misses("pads")
    assert [(wire, data[:2]) for wire, data in inputs.take_ends()] == [("bass", b"\x81\x30")]
    assert inputs.take_ends() == []


def test_what_is_played_in_is_remembered() -> None:
    """Notes and controllers of a box plugged into Grebe, nothing else, once."""
    book = Book()
    inputs, _ = ears_of(book)
    pads = build.device("pads", port=Port(wire="none"), input=Port(wire="alsa", name="pads"))
    project = build.project([pads], [], [build.scene("a")], build.song("a"))
    cables = (Cable(source="pads", target="grebe"),)
    rig = msgspec.structs.replace(project.rig, cables=cables)
    project = msgspec.structs.replace(project, rig=rig)
    plan = make_plan(project, project.songs[0])
    assert plan.remembered == ("pads",)
    inputs.set(plan, {"pads": DeviceOutput(pads, None, "")})
    book.input.waiting = [(1, b"\x90\x30\x64"), (2, b"\xf8"), (3, b"\xb0\x4a\x10"),
                          (4, b"\x80\x30\x40"), (5, b"\xc0\x03")]  # fmt: skip
    inputs.hear()
    assert [(at, data[0]) for _, at, data in inputs.take_played()] == [
        (1, 0x90),
        (3, 0xB0),
        (4, 0x80),
    ]
    assert inputs.take_played() == []


def test_every_wire_has_a_row_of_how_it_is_opened() -> None:
    """What a port may be is what can be opened, but for none and a computer of the session."""
    wires = get_args(fields_of(Port)["wire"])
    assert set(TRANSPORTS) == {wire for wire in wires if Port(wire=wire).is_plugged}
    assert not Port(wire="none").is_set
    assert Port(wire="peer").is_set
