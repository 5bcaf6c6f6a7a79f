"""A stage shown to another computer: only to who has the passphrase, and nothing comes back."""

from __future__ import annotations

import secrets
import socket
from collections.abc import Iterator
from itertools import pairwise

import msgspec
import pytest

from grebe.app.document.demo import fresh_demo
from grebe.app.editors.scene_model import SceneModel
from grebe.core.rig.model import Port
from grebe.core.session.use import OscUse, SessionUse
from grebe.core.showing import shown_project
from grebe.errors import ProtocolError
from grebe.formats.project import project_bytes, read_project
from grebe.network.showing import MOST_WAITING_EACH, Showing
from grebe.protocols.link.messages import Status, from_watched
from grebe.protocols.link.session import ShowDocument
from grebe.protocols.session import stage
from grebe.transports.clock import raw_ns
from tests import build

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
    made = Showing(KEY, lambda _: False)
    yield made
    made.close()


def test_the_document_and_the_engines_words_are_passed_on(showing: Showing) -> None:
    """The document first, to who comes later too."""
    project = build.two_boxes()
    showing.shown(ShowDocument(project=project_bytes(project), song="song"))
    watcher = Watcher(showing)
    assert watcher.good
    showing.status(Status(at_ns=5, running=True), raw_ns())
    showing.status(Status(at_ns=6, running=True), raw_ns())  # too soon after it
    frames = watcher.frames.feed(watcher.read())
    messages = [from_watched(f) for f in frames]
    seen = project_bytes(shown_project(project, "song", "", whole_set=False))
    assert messages == [ShowDocument(project=seen, song="song"), Status(at_ns=5, running=True)]
    assert showing.watched == 1
    watcher.socket.close()
    for _ in range(5):
        showing.status(Status(at_ns=7, running=True), raw_ns() + 10**9)
        showing.turn(raw_ns())


def test_without_the_passphrase_nothing_is_shown(showing: Showing) -> None:
    """It is hung up on."""
    showing.shown(ShowDocument(project=project_bytes(build.two_boxes()), song="song"))
    watcher = Watcher(showing, b"w" * 32)
    assert not watcher.good
    assert b"Drums" not in watcher.proof + watcher.read()
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


def test_idle_connections_shut_out_nobody(showing: Showing) -> None:
    """Sixty that say nothing, from one computer: one that can prove itself comes in all the same,
    and who watches already stays."""
    first = Watcher(showing)
    many = [socket.create_connection(("127.0.0.1", showing.port), 2) for _ in range(60)]
    for _ in range(20):
        showing.turn(raw_ns())
    assert len(showing.sockets()) <= 2 + MOST_WAITING_EACH
    second = Watcher(showing)
    assert second.good
    assert showing.watched == 2
    for each in (first.socket, second.socket, *many):
        each.close()


def test_without_a_passphrase_only_who_is_accepted_watches() -> None:
    """Told by the address it comes from; the others are hung up on before anything is said."""
    asked: list[str] = []

    def accepts(host: str) -> bool:
        asked.append(host)
        return len(asked) > 1

    showing = Showing(b"", accepts)
    try:
        showing.shown(ShowDocument(project=project_bytes(build.two_boxes()), song="song"))
        stranger = socket.create_connection(("127.0.0.1", showing.port), 2)
        showing.turn(raw_ns())
        assert stranger.recv(100) == b""
        watcher = Watcher(showing, b"")
        assert asked[0] == "127.0.0.1"
        assert b"Drums" in b"".join(watcher.frames.feed(watcher.read()))
        stranger.close()
        watcher.socket.close()
    finally:
        showing.close()


def test_what_is_shown_is_what_stage_shows() -> None:
    """Nothing of a project but songs in hand and what moves depend on: every text of it is marked,
    and only names come through."""
    project = read_project(fresh_demo()).project
    rig = msgspec.structs.replace(
        project.rig,
        devices=tuple(
            msgspec.structs.replace(d, port=Port(wire="alsa", name="SECRET port"))
            for d in project.rig.devices
        ),
        network=SessionUse(name="SECRET session", addresses=("SECRET:1",)),
        osc=OscUse(clients=("SECRET:2",)),
    )
    loops = tuple(msgspec.structs.replace(x, file="SECRET.wav") for x in project.loops)
    marked = msgspec.structs.replace(project, rig=rig, loops=loops)
    running = marked.sets[0]
    for whole_set in (True, False):
        seen = shown_project(marked, marked.songs[0].id, running.id, whole_set=whole_set)
        text = project_bytes(seen)
        assert b"SECRET" not in text
        assert not any(v.hits for p in seen.patterns for v in p.content.voices)
        assert not any(x.points for p in seen.patterns for x in p.content.lanes)
        assert len(seen.songs) == (len({s.song for s in running.songs}) if whole_set else 1)


def test_moves_on_a_shown_stage_are_those_at_home() -> None:
    """What is left out changes nothing of what Stage says, section by section of the demo."""
    project = read_project(fresh_demo()).project
    compared = 0
    for song in project.songs:
        seen = shown_project(project, song.id, "", whole_set=False)
        book, shown_book = SceneModel(), SceneModel()
        spans = project.layout(song).spans
        shown_spans = seen.layout(seen.songs[0]).spans
        assert [s.ticks for s in spans] == [s.ticks for s in shown_spans]
        for (a, b), (c, d) in zip(pairwise(spans), pairwise(shown_spans), strict=True):
            at_home = book.passage(project, a.scene, b.scene, song.bpm, song)
            there = shown_book.passage(seen, c.scene, d.scene, song.bpm, seen.songs[0])
            assert at_home == there
            compared += len(at_home.changes)
    assert compared > 20


def test_a_frame_that_is_no_message_is_refused() -> None:
    """By who watches."""
    with pytest.raises(ProtocolError):
        from_watched(b"\0\0\0\0\0\0\0\0")
    with pytest.raises(ProtocolError):
        from_watched(b"")
