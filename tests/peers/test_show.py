"""A stage shown to another computer: only to who has the passphrase, and nothing comes back."""

from __future__ import annotations

import secrets
import socket
from collections.abc import Iterator

import pytest

from grebe.errors import ProtocolError
from grebe.link.messages import Shown, Status, from_watched
from grebe.peers.show import MOST_WATCHERS, Showing
from grebe.protocols import stage
from grebe.wires.clock import raw_ns

KEY = b"k" * 32


class Watcher:
    """The other end, by hand."""

    def __init__(self, showing: Showing, key: bytes = KEY) -> None:
        self.showing = showing
        self.socket = socket.create_connection(("127.0.0.1", showing.port), 2)
        self.socket.settimeout(0.05)
        mine = secrets.token_bytes(16)
        self.socket.sendall(stage.hello(mine))
        theirs = stage.read_hello(self.read(stage.HELLO_BYTES))
        self.socket.sendall(stage.proof(key, stage.WATCHER, theirs, mine))
        self.proof = self.read(stage.PROOF_BYTES)
        self.good = self.proof == stage.proof(key, stage.SHOWER, theirs, mine)
        self.frames = stage.Frames(key, theirs, mine)

    def read(self, count: int = 0) -> bytes:
        out = b""
        for _ in range(20):
            self.showing.turn(raw_ns())
            try:
                out += self.socket.recv(count - len(out) if count else 65_536)
            except TimeoutError:
                if not count:
                    break
            if count and len(out) == count:
                break
        return out


@pytest.fixture
def showing() -> Iterator[Showing]:
    made = Showing(KEY)
    yield made
    made.close()


def test_the_document_and_the_engines_words_are_passed_on(showing: Showing) -> None:
    """The document first, to who comes later too."""
    showing.shown(Shown(project=b"{}", song="a"))
    watcher = Watcher(showing)
    assert watcher.good
    showing.status(Status(at_ns=5, running=True), raw_ns())
    showing.status(Status(at_ns=6, running=True), raw_ns())  # too soon after it
    frames = watcher.frames.feed(watcher.read())
    messages = [from_watched(f) for f in frames]
    assert messages == [Shown(project=b"{}", song="a"), Status(at_ns=5, running=True)]
    assert showing.watched == 1
    watcher.socket.close()
    for _ in range(5):
        showing.status(Status(at_ns=7, running=True), raw_ns() + 10**9)
        showing.turn(raw_ns())


def test_without_the_passphrase_nothing_is_shown(showing: Showing) -> None:
    """It is hung up on."""
    showing.shown(Shown(project=b"secret"))
    watcher = Watcher(showing, b"w" * 32)
    assert not watcher.good
    assert b"secret" not in watcher.proof + watcher.read()
    assert showing.refused == 1
    assert showing.watched == 0
    watcher.socket.close()


def test_who_says_nothing_or_rubbish_is_let_go(showing: Showing) -> None:
    """After five seconds, or at once."""
    silent = socket.create_connection(("127.0.0.1", showing.port), 2)
    showing.turn(raw_ns())
    assert len(showing.sockets()) == 2
    showing.turn(raw_ns() + 6 * 10**9)
    assert len(showing.sockets()) == 1
    silent.close()
    rude = socket.create_connection(("127.0.0.1", showing.port), 2)
    rude.sendall(b"GET / HTTP/1.1\r\n" * 8)
    for _ in range(5):
        showing.turn(raw_ns())
    assert len(showing.sockets()) == 1
    rude.close()
    many = [socket.create_connection(("127.0.0.1", showing.port), 2) for _ in range(12)]
    for _ in range(20):
        showing.turn(raw_ns())
    assert len(showing.sockets()) == MOST_WATCHERS + 1
    for each in many:
        each.close()


def test_a_frame_that_is_no_message_is_refused() -> None:
    """By who watches."""
    with pytest.raises(ProtocolError):
        from_watched(b"\0\0\0\0\0\0\0\0")
    with pytest.raises(ProtocolError):
        from_watched(b"")
