"""The engine's socket server, without an engine."""

from __future__ import annotations

import socket
from pathlib import Path

import pytest

from grebe.engine.server import MAX_UNSENT_BYTES, MAX_WINDOWS, Server
from grebe.errors import EngineError
from grebe.protocols.link.messages import LINK_VERSION, Hello, Notice, Shutdown, Status, pack


@pytest.fixture
def server(own_folders: Path) -> Server:
    return Server(own_folders / "engine.sock")


def window(server: Server, *messages: object) -> socket.socket:
    """A window that has said something."""
    made = socket.socket(socket.AF_UNIX, socket.SOCK_STREAM)
    made.connect(str(server.path))
    for message in messages:
        made.sendall(pack(message))  # type: ignore[arg-type]
    return made


def test_last_words_of_a_window_that_hung_up(server: Server) -> None:
    """Said and gone at once: still heard, although answering it fails."""
    made = window(server, Hello(version=LINK_VERSION))
    server.poll()
    for connection in server.connections:
        connection.greeted = connection.wants_status = True
    server.tell(Status(at_ns=0, running=False))
    made.sendall(pack(Shutdown()))
    made.close()
    server.tell(Status(at_ns=1, running=False))
    assert [message for _, message in server.poll()] == [Shutdown()]
    server.poll()
    assert server.connections == []
    server.close()


def test_only_those_who_want_status_get_it(server: Server) -> None:
    """And nobody before greeting."""
    wants, other, silent = (window(server) for _ in range(3))
    for _ in range(3):
        server.poll()
    for connection, status in zip(server.connections, (True, False, False), strict=True):
        connection.greeted, connection.wants_status = True, status
    server.connections[2].greeted = False
    server.tell(Status(at_ns=0, running=False), status=True)
    server.tell(Notice(level="info", text="x"))
    sizes = []
    for made in (wants, other, silent):
        made.setblocking(False)
        try:
            sizes.append(len(made.recv(10_000)))
        except BlockingIOError:
            sizes.append(0)
        made.close()
    assert sizes[0] > sizes[1] > sizes[2] == 0
    server.close()


def test_a_window_that_never_reads_is_let_go(server: Server) -> None:
    """Its backlog is bounded."""
    made = window(server)
    server.poll()
    (connection,) = server.connections
    notice = Notice(level="info", text="x" * 1_000_000)
    for _ in range(MAX_UNSENT_BYTES // 1_000_000 + 2):
        connection.send(notice)
    assert not connection.open
    server.poll()
    assert server.connections == []
    made.close()
    server.close()


def test_too_many_windows(server: Server) -> None:
    """The ninth that has said who it is is turned away, the others stay."""
    made = [window(server) for _ in range(MAX_WINDOWS)]
    server.poll()
    for connection in server.connections:
        connection.greeted = True
    made.append(window(server))
    server.poll()
    assert len(server.connections) == MAX_WINDOWS
    made[-1].settimeout(2)
    assert made[-1].recv(1) == b""
    for one in made:
        one.close()
    server.close()


def test_sixty_idle_connections_shut_out_nobody(server: Server) -> None:
    """Those that say nothing go, the oldest first, for one that wants to come in."""
    idle = [socket.socket(socket.AF_UNIX, socket.SOCK_STREAM) for _ in range(60)]
    for each in idle:
        each.connect(str(server.path))
        server.poll()
    last = window(server)
    last.sendall(pack(Hello(version=LINK_VERSION)))
    assert any(isinstance(m, Hello) for _ in range(3) for _, m in server.poll())
    for each in (*idle, last):
        each.close()
    server.close()


def test_a_path_in_use(server: Server) -> None:
    """A second server says who is there and what to do."""
    with pytest.raises(EngineError, match="already running .*; end it: grebe stop"):
        Server(server.path)
    server.close()
    again = Server(server.path)
    again.close()
    assert not again.path.exists()
