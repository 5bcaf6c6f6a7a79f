"""What an engine sends to a stand-in's memory, and when. Ports are fakes, no process runs."""

from __future__ import annotations

from pathlib import Path

import msgspec
import pytest

from grebe.app.engine.supervisor import load_message
from grebe.core.document import Project, mark_in_box, with_content
from grebe.core.player.plan import make_plan
from grebe.engine.loop import Engine
from grebe.engine.server import Server
from grebe.errors import PortLost
from grebe.protocols.link.messages import Load, Loaded
from grebe.protocols.standin.reports import SetupReader, StandinReport, is_setup
from tests import build


class FakePort:
    """Keeps what is sent."""

    stamped = False

    def __init__(self) -> None:
        self.sent: list[bytes] = []

    def send(self, data: bytes, due_ns: int) -> None:
        self.sent.append(data)

    def discard(self) -> list[bytes]:
        return []

    def reports(self) -> list[StandinReport]:
        return []

    def check(self) -> None:
        return

    def late_ms(self) -> list[float]:
        return []

    def close(self) -> None:
        return


class Window:
    """A connection that only listens."""

    def __init__(self) -> None:
        self.heard: list[object] = []

    def send(self, message: object) -> None:
        self.heard.append(message)


@pytest.fixture
def engine(own_folders: Path, monkeypatch: pytest.MonkeyPatch) -> Engine:
    """An engine that has not been set going."""
    made = Engine(Server(own_folders / "e.sock"), realtime=False, priority_help="")
    ports: dict[str, FakePort] = {}
    monkeypatch.setattr(
        made.connections.ports, "open", lambda device: ports.setdefault(device.id, FakePort())
    )
    made.fakes = ports  # type: ignore[attr-defined]
    return made


def load(project: Project) -> Load:
    return load_message(project, make_plan(project, project.songs[0], "x"))


def memories(engine: Engine, device: str = "drums") -> list[int]:
    """Lengths of the pattern in slot 4 of every memory sent to a device."""
    sent = engine.fakes[device].sent  # type: ignore[attr-defined]
    found = [SetupReader().take(data) for data in sent if is_setup(data)]
    return [s.memory.slots[4].length for s in found if s is not None and s.memory.slots]


def shorter(project: Project) -> Project:
    return with_content(project, "d1", lambda c: msgspec.structs.replace(c, length=8))


def test_a_memory_is_sent_when_it_changes_and_only_then(engine: Engine) -> None:
    """Once at first; not with edits that are not in the box; again when marked as in the box."""
    window, project = Window(), build.two_boxes()
    engine.dispatch._take_plan(window, load(project))  # type: ignore[arg-type]
    engine.dispatch._take_plan(window, load(project))  # type: ignore[arg-type]
    assert memories(engine) == [16]
    engine.dispatch._take_plan(window, load(shorter(project)))  # type: ignore[arg-type]
    assert memories(engine) == [16]
    engine.dispatch._take_plan(window, load(mark_in_box(shorter(project), "d1")))  # type: ignore[arg-type]
    assert memories(engine) == [16, 8]
    assert memories(engine, "bass") == []
    assert window.heard == []
    engine._server.close()


def test_a_box_that_comes_later_gets_its_memory(
    engine: Engine, monkeypatch: pytest.MonkeyPatch
) -> None:
    """Not there at first; found when it is looked for, and loaded then."""
    opened = engine.connections.ports.open

    def gone(_: object) -> None:
        raise PortLost("not yet")

    monkeypatch.setattr(engine.connections.ports, "open", gone)
    engine.dispatch._take_plan(Window(), load(build.two_boxes()))  # type: ignore[arg-type]
    assert [o.state for o in engine.connections.outputs.by_id.values()] == ["gone", "gone"]
    engine.connections.look_after_a_port()
    assert engine.connections.outputs.by_id["bass"].problem == "not yet"
    monkeypatch.setattr(engine.connections.ports, "open", opened)
    for _ in range(2):
        engine.connections.look_after_a_port()
    assert [o.state for o in engine.connections.outputs.by_id.values()] == ["up", "up"]
    assert memories(engine) == [16]
    engine._server.close()


def test_loading_is_told_to_everybody(engine: Engine) -> None:
    """Every window that has greeted hears which project the engine has now."""
    told: list[object] = []
    engine.dispatch._tell = told.append
    engine.dispatch._take_plan(Window(), load(build.two_boxes()))  # type: ignore[arg-type]
    assert told == [Loaded(song="song", project="Test", source="x")]
    engine._server.close()
