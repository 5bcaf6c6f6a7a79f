"""What comes in and has a route goes out again: over real sockets, with the test as the boxes."""

from __future__ import annotations

import socket
import time
from collections.abc import Iterator
from pathlib import Path
from typing import Any

import msgspec
import pytest

from grebe.app.engine.client import connect_when_ready
from grebe.app.engine.supervisor import start_engine
from grebe.core.document import Project, with_rig
from grebe.core.player.commands import Begin, Halt, ReplacePlan
from grebe.core.player.plan import make_plan
from grebe.core.rig.model import Cable, Filter, Rig, Route
from grebe.core.rig.trigger import Trigger
from grebe.process.children import end_child
from grebe.protocols.link.messages import Learn, Learned, Load, Loaded, Notice, Status, Welcome
from grebe.protocols.standin.reports import encode_reports, played
from tests import build
from tests.core.test_rig import box, cable
from tests.engine.live import live
from tests.waiting import PATIENCE_S, wait


class Played:
    """A box that is the test itself: plays, and hears what reaches it."""

    def __init__(self, path: Path) -> None:
        self.listener = socket.socket(socket.AF_UNIX, socket.SOCK_SEQPACKET)
        self.listener.bind(str(path))
        self.listener.listen(1)
        self.listener.settimeout(5)
        self.engine: socket.socket | None = None

    def accept(self) -> None:
        self.engine, _ = self.listener.accept()
        self.engine.settimeout(5)

    def play(self, *messages: bytes) -> None:
        assert self.engine is not None
        self.engine.send(encode_reports([played(data, 0) for data in messages]))

    def hears(self) -> bytes:
        """The next note or controller that comes in."""
        assert self.engine is not None
        while True:
            data = self.engine.recv(65536)
            if 0x80 <= data[0] < 0xF0:
                return data

    def nothing_comes(self) -> bool:
        assert self.engine is not None
        self.engine.settimeout(0.3)
        try:
            while True:
                if 0x80 <= self.engine.recv(65536)[0] < 0xF0:
                    return False
        except TimeoutError:
            return True
        finally:
            self.engine.settimeout(5)

    def close(self) -> None:
        self.listener.close()
        if self.engine is not None:
            self.engine.close()


def pads_to_sampler(**fields: Any) -> Project:
    pads, sampler = box("pochard", "Pads"), box("fulmar", "Fulmar", obeys_program=False)
    pads = msgspec.structs.replace(pads, port=build.device("x").port)
    fields.setdefault("notes", "position")
    rig = Rig(
        devices=(pads, sampler),
        cables=(Cable(source="pads", target="grebe"), Cable(source="grebe", target="fulmar")),
        routes=(Route(source="pads", target="fulmar", channel=10, **fields),),
    )
    return Project(
        name="Test", rig=rig, scenes=(build.scene("a", 4),), songs=(build.song(("a", 8)),)
    )


class Table:
    """An engine between two boxes that are the test."""

    def __init__(self, folder: Path) -> None:
        self.boxes = {d: Played(folder / f"{d}.sock") for d in ("pads", "fulmar")}
        self.paths = {d: str(folder / f"{d}.sock") for d in self.boxes}
        self.engine = start_engine()
        self.client = connect_when_ready()
        self.client.wait_for(Welcome, PATIENCE_S)

    def load(self, project: Project) -> None:
        plan = make_plan(project, project.songs[0], "test")
        self.client.send(Load(plan=ReplacePlan(plan=plan), standins=self.paths))
        self.client.wait_for(Loaded, PATIENCE_S)

    def close(self) -> None:
        self.client.close()
        end_child(self.engine)
        for one in self.boxes.values():
            one.close()


@pytest.fixture
def table(own_folders: object, tmp_path: Path) -> Iterator[Table]:
    made = Table(tmp_path)
    made.load(pads_to_sampler())
    for one in made.boxes.values():
        one.accept()
    yield made
    made.close()


def test_pads_sound_by_where_they_lie(table: Table) -> None:
    """Stopped or playing; note, channel and end are those of the sampler."""
    pads, sampler = table.boxes["pads"], table.boxes["fulmar"]
    for running in (False, True):
        if running:
            table.client.send(Begin())
            table.client.wait_for(Status, PATIENCE_S)
        pads.play(b"\x90\x30\x64", b"\x80\x30\x40")
        assert sampler.hears() == b"\x99\x3c\x64"
        assert sampler.hears() == b"\x89\x3c\x40"
    table.client.send(Halt())


def test_a_route_that_is_closed_ends_its_notes(table: Table) -> None:
    """The note that sounds is ended, and no other comes through."""
    pads, sampler = table.boxes["pads"], table.boxes["fulmar"]
    pads.play(b"\x90\x30\x64")
    assert sampler.hears() == b"\x99\x3c\x64"
    project = pads_to_sampler()
    table.load(with_rig(project, msgspec.structs.replace(project.rig, routes=())))
    assert sampler.hears() == b"\x89\x3c\x40"
    pads.play(b"\x90\x31\x64")
    assert sampler.nothing_comes()


def test_filters_and_maps_are_changed_while_it_runs(table: Table) -> None:
    """A controller kept back, another let through; notes as they come."""
    pads, sampler = table.boxes["pads"], table.boxes["fulmar"]
    only = Filter(clock=False, transport=False, controllers=False, but=(20,))
    table.load(pads_to_sampler(notes="same", passes=only))
    pads.play(b"\xb0\x15\x01", b"\xb0\x14\x02", b"\x90\x30\x64")
    assert sampler.hears() == b"\xb9\x14\x02"
    assert sampler.hears() == b"\x99\x30\x64"


def test_a_pedal_panics(table: Table) -> None:
    """Everything is silenced and stopped; a release, or another pedal, does nothing."""
    pads, sampler = table.boxes["pads"], table.boxes["fulmar"]
    project = pads_to_sampler(passes=Filter(controllers=False))
    panic = Trigger(device="pads", kind="controller", channel=1, number=64)
    table.load(with_rig(project, msgspec.structs.replace(project.rig, panic=panic)))
    table.client.send(Begin())
    pads.play(b"\xb0\x40\x00", b"\xb0\x41\x7f", b"\xb1\x40\x7f")
    time.sleep(0.2)
    table.client.pump()
    assert table.client.wait_for(Status, PATIENCE_S).running
    pads.play(b"\xb0\x40\x7f")
    silenced = [sampler.hears() for _ in range(4)]
    assert silenced == [b"\xb0\x40\x00", b"\xe0\x00\x40", b"\xb0\x7b\x00", b"\xb0\x78\x00"]
    wait(lambda: not table.client.wait_for(Status, PATIENCE_S).running)


def test_a_press_is_learnt(table: Table) -> None:
    """The next one on that box, not a release, and not without an input."""
    pads = table.boxes["pads"]
    table.client.send(Learn(device="pads"))
    time.sleep(0.2)
    pads.play(b"\xf8", b"\x80\x30\x40", b"\xc3\x07")
    learned = table.client.wait_for(Learned, PATIENCE_S)
    assert learned.trigger == Trigger(device="pads", kind="program", channel=4, number=7)
    table.client.send(Learn(device="nobody"))
    assert "no input" in table.client.wait_for(Notice, PATIENCE_S).text


def test_a_box_that_hangs_up_is_named_and_its_notes_end(table: Table) -> None:
    """The rest plays on."""
    pads, sampler = table.boxes["pads"], table.boxes["fulmar"]
    pads.play(b"\x90\x30\x64")
    assert sampler.hears() == b"\x99\x3c\x64"
    pads.close()
    assert sampler.hears() == b"\x89\x3c\x40"
    wait(lambda: any("Pads" in m.text for m in table.client.pump() if isinstance(m, Notice)))


@pytest.mark.usefixtures("own_folders")
def test_a_box_behind_a_thru_gets_clock_and_notes_once() -> None:
    """One wire: the clock goes once, and both boxes count it; each counts its own run."""
    first = build.device("first", channel=1)
    behind = build.device("behind", channel=2)
    pattern = build.pattern("p", "behind", build.voice("xxxx"))
    rig = Rig(
        devices=(first, behind),
        cables=(cable("grebe", "first"), cable("first", "behind", gives="thru")),
    )
    project = Project(
        name="Test",
        rig=rig,
        patterns=(pattern,),
        scenes=(build.scene("a", 4, behind=["p"]),),
        songs=(build.song(("a", 8), bpm=240.0),),
    )
    with live(project) as one:
        one.send(Begin())
        one.status(lambda s: s.running and s.tick > 3 * 14_414_400)
        one.send(Halt())
        rows = one.report()
    assert rows["first"].ticks_sent == rows["behind"].ticks_sent > 48
    for row in rows.values():
        assert row.measured == "device"
        assert row.ticks_sent - row.ticks_received <= 1


def test_no_note_is_left_waiting_with_the_reports(table: Table) -> None:
    """Many in a row, at every moment against the engine's own looking: each comes out at once."""
    pads, sampler = table.boxes["pads"], table.boxes["fulmar"]
    table.client.send(Begin())
    for n in range(120):
        note = 36 + n % 16
        pads.play(bytes((0x90, note, 100)))
        assert sampler.hears()[0] == 0x99
        pads.play(bytes((0x80, note, 64)))
        assert sampler.hears()[0] == 0x89
        time.sleep(0.003)
    table.client.send(Halt())
