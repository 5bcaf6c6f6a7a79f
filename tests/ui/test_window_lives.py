"""Windows and engines that are killed, and those that come after them."""

from __future__ import annotations

import os
import signal
import subprocess
import sys
from collections.abc import Callable
from pathlib import Path

import pytest

from grebe.app.document.store import Store
from grebe.app.engine.client import EngineClient, connect_when_ready
from grebe.app.live.perform import settled_report
from grebe.app.returning import Opening, left_at
from grebe.core.player.commands import Begin, Halt
from grebe.formats.project import write_project
from grebe.process.places import state_dir
from grebe.protocols.link.messages import Status, Welcome
from grebe.ui.main_window.frame import Frame
from tests import build
from tests.ui.conftest import Performer, end_engine
from tests.ui.hand import CTRL, SHIFT, K
from tests.waiting import PATIENCE_S, wait


def test_killing_the_engine(performer: Performer) -> None:
    """The window says so, starts another, and Space comes back in where it was."""
    performer.engine_ready()
    session = performer.frame.session
    session.selection.section = "s4"
    session.performer.run_here()
    performer.wait(lambda: session.running)
    first = session.link.welcome.pid  # type: ignore[union-attr]
    os.kill(first, signal.SIGKILL)
    performer.wait(lambda: session.link.welcome is not None and session.link.welcome.pid != first)
    performer.wait(lambda: session.status is not None)
    assert "Space comes back in" in session.notices.last.text  # type: ignore[union-attr]
    performer.press(K.Key_Space)
    performer.wait(lambda: session.running)
    assert session.status.section == "s4"  # type: ignore[union-attr]


def test_a_second_window_takes_over(performer: Performer) -> None:
    """Closing the window leaves it playing; a new one finds it where it is."""
    performer.engine_ready()
    session = performer.frame.session
    performer.press(K.Key_Space)
    performer.wait(lambda: session.running)
    path = session.store.home
    assert path is not None
    performer.frame.leave()
    second = Performer(Frame(Store.open(path, untitled=True)))
    try:
        second.frame.show()
        second.wait(lambda: second.frame.session.running)
        assert second.frame.session.status.tick > 0  # type: ignore[union-attr]
        assert "already playing" in second.frame.session.notices.last.text  # type: ignore[union-attr]
    finally:
        second.frame.leave()


def until(client: EngineClient, wanted: Callable[[Status], bool]) -> None:
    """Take what the engine says of itself until something is so."""
    wait(lambda: wanted(client.wait_for(Status, PATIENCE_S)))


def both_boxes_up(client: EngineClient) -> None:
    """Wait until the engine of a real window has both ports."""
    client.wait_for(Welcome, PATIENCE_S)
    until(client, lambda s: [d.port for d in s.devices] == ["up", "up"])


@pytest.mark.real_time("no tick may be missed while windows are killed and started")
def test_killing_the_real_window(own_folders: Path) -> None:
    """SIGKILL of a whole `grebe open` while it plays: not one tick is missed."""
    path = own_folders / "x.grebe"
    write_project(path, build.two_boxes())
    window = subprocess.Popen([sys.executable, "-m", "grebe", "open", str(path)])
    client = None
    try:
        client = connect_when_ready()
        both_boxes_up(client)
        client.send(Begin())
        until(client, lambda s: min(d.sent for d in s.devices) > 24)
        window.kill()
        window.wait()
        until(client, lambda s: min(d.sent for d in s.devices) > 96)
        client.send(Halt())
        until(client, lambda s: not s.running)
        rows = settled_report(client).devices
        assert [row.device for row in rows] == ["drums", "bass"]
        for row in rows:
            assert row.ticks_sent > 48
            assert row.missed == 0
    finally:
        window.kill()
        window.wait()
        if client is not None:
            client.close()
        end_engine()


def test_an_engine_that_plays_another_project(performer: Performer, tmp_path: Path) -> None:
    """The window says so and offers to attach or to end it; both work."""
    performer.engine_ready()
    performer.press(K.Key_Space)
    performer.wait(lambda: performer.frame.session.running)
    performer.frame.leave()
    other = tmp_path / "other.grebe"
    write_project(other, build.two_boxes())
    second = Performer(Frame(Store.open(other)))
    try:
        second.frame.show()
        second.wait(lambda: second.frame.session.link.state == "other")
        assert "playing Night ferry" in second.frame.session.notices.last.text  # type: ignore[union-attr]
        path = second.frame.session.link.attach()
        assert path is not None
        assert path.name == "night-ferry.grebe"
        second.press(K.Key_Q, CTRL, SHIFT)
        second.wait(lambda: second.frame.session.link.state == "on")
        second.engine_ready()
        assert second.frame.session.link.welcome.running is False  # type: ignore[union-attr]
    finally:
        second.frame.leave()


@pytest.mark.real_time("no tick may be missed while a window crashes")
def test_a_crash_brings_the_window_back_to_where_it_was(own_folders: Path) -> None:
    """The real window is killed on Stage: another comes back by itself, finds the engine at its
    bar and shows Stage; not one tick is missed."""
    path = own_folders / "x.grebe"
    write_project(path, build.two_boxes())
    outer = subprocess.Popen([sys.executable, "-m", "grebe", "open", str(path)])
    client = None
    try:
        client = connect_when_ready()
        both_boxes_up(client)
        client.send(Begin())
        note = state_dir() / f"window-{outer.pid}.json"
        wait(lambda: note.exists() and b'"section":"s1"' in note.read_bytes())
        note.write_bytes(note.read_bytes().replace(b'"station":1', b'"station":7'))
        written, inner = note.stat().st_mtime_ns, _child_of(outer.pid)
        os.kill(inner, signal.SIGKILL)
        wait(lambda: _child_of(outer.pid) not in (0, inner))
        wait(lambda: note.stat().st_mtime_ns != written)
        assert left_at(note) == Opening(path, station=7, song="song", section="s1")
        client.pump()
        assert client.wait_for(Status, PATIENCE_S).running
        client.send(Halt())
        until(client, lambda s: not s.running)
        assert [row.missed for row in settled_report(client).devices] == [0, 0]
        outer.send_signal(signal.SIGTERM)  # logged out: ends quietly
        assert outer.wait(10) == 0
        assert not note.exists()
    finally:
        outer.kill()
        outer.wait()
        if client is not None:
            client.close()
        end_engine()


def _child_of(pid: int) -> int:
    """The window that a watching process has started; 0 while there is none."""
    rows = Path(f"/proc/{pid}/task/{pid}/children").read_text().split()
    return int(rows[0]) if rows else 0
