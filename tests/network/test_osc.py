"""OSC on sockets: several clients, what is told and when, who may ask."""

from __future__ import annotations

import socket
import time
from collections.abc import Iterator
from pathlib import Path

import msgspec
import pytest
from pythonosc.osc_bundle_builder import IMMEDIATELY, OscBundleBuilder
from pythonosc.osc_message_builder import OscMessageBuilder

from grebe.app.document.demo import demo_bytes
from grebe.app.live.osc_model import ACTIONS, ASKED, TOLD, OscModel, address_list
from grebe.app.live.watching import WatchedSession
from grebe.core.player.commands import Begin, Halt, Launch, Mute, Solo, Steer, Swap
from grebe.core.rig.model import PEERS_ID
from grebe.core.session.use import OscUse
from grebe.network.osc import MOST_CLIENTS, Surfaces
from grebe.protocols.link.messages import Do, Status, ToEngine
from grebe.protocols.link.session import Propose, ShowDocument
from grebe.protocols.osc.messages import OscMessage, read, write
from grebe.transports.clock import raw_ns

SHOWN = ShowDocument(project=demo_bytes(), song="harbour-bell")


class Client:
    """A remote surface."""

    def __init__(self, port: int) -> None:
        self.socket = socket.socket(socket.AF_INET, socket.SOCK_DGRAM)
        self.socket.bind(("127.0.0.1", 0))
        self.socket.setblocking(False)
        self._to = ("127.0.0.1", port)

    def ask(self, address: str, *arguments: int | float | str) -> None:
        self.socket.sendto(write(OscMessage(address, arguments)), self._to)

    def heard(self) -> dict[str, tuple[object, ...]]:
        out: dict[str, tuple[object, ...]] = {}
        while True:
            try:
                data = self.socket.recv(2048)
            except BlockingIOError:
                return out
            out.update({m.address: m.arguments for m in read(data)})


class Desk:
    """Surfaces with a document, and what they ask of the engine."""

    def __init__(self, **use: object) -> None:
        self.asked: list[ToEngine] = []
        self.clients: list[Client] = []
        self.surfaces = Surfaces(self.asked.append)
        self.surfaces.shown(SHOWN)
        with socket.socket(socket.AF_INET, socket.SOCK_DGRAM) as free:
            free.bind(("127.0.0.1", 0))
            self.port = free.getsockname()[1]
        self.surfaces.use(msgspec.convert({"port": self.port, **use}, OscUse))
        song = WatchedSession(SHOWN).session
        layout = song.derived.layout()
        assert layout is not None
        self.sections = [s.section.id for s in layout.spans]

    def order(self, device: str | None) -> int:
        """Where a box stands in the rig."""
        devices = [d.id for d in WatchedSession(SHOWN).session.project.rig.devices]
        return devices.index(str(device))

    def client(self) -> Client:
        """A surface of its own."""
        self.clients.append(Client(self.port))
        return self.clients[-1]

    def close(self) -> None:
        self.surfaces.close()
        for client in self.clients:
            client.socket.close()

    def turn(self) -> list[ToEngine]:
        """Read what has come; what it asked for."""
        time.sleep(0.01)
        self.surfaces.take(self.surfaces.sockets(), raw_ns())
        asked, self.asked[:] = list(self.asked), []
        return asked

    def status(self, **fields: object) -> None:
        made = Status(at_ns=raw_ns(), running=True, bpm=126.0, section=self.sections[0],
                      next_section=self.sections[1], boundary=10**9)  # fmt: skip
        self.surfaces.status(msgspec.structs.replace(made, **fields))


@pytest.fixture
def desk() -> Iterator[Desk]:
    made = Desk()
    yield made
    made.close()


def test_clients_are_told_all_once_then_what_changes_then_the_steady(desk: Desk) -> None:
    """Two of them, one by a port it names."""
    desk.status()
    clients = [desk.client(), desk.client()]
    clients[0].ask("/grebe/subscribe")
    clients[0].ask("/grebe/subscribe", clients[1].socket.getsockname()[1])
    desk.turn()
    for client in clients:
        heard = client.heard()
        assert heard["/grebe/scene"] == ("Fog", 1)
        assert heard["/grebe/next"] == ("Oars", 0)
        assert heard["/grebe/mute/1"] == (0, "Smew")
        assert heard["/grebe/running"] == (1,)
    desk.status()
    assert clients[0].heard() == {}
    desk.status(mutes=(("smew", ""),), launched=True)
    assert clients[1].heard() == {"/grebe/mute/1": (1, "Smew"), "/grebe/next": ("Oars", 1)}
    desk.surfaces.turn(raw_ns() + 10**9)
    assert {"/grebe/position", "/grebe/countdown"} <= clients[0].heard().keys()
    clients[0].ask("/grebe/unsubscribe")
    desk.turn()
    desk.status(held=True)
    clients_heard = [c.heard() for c in clients]
    assert "/grebe/held" not in clients_heard[0]
    assert clients_heard[1]["/grebe/held"] == (1,)
    desk.surfaces.turn(raw_ns() + 61 * 10**9)
    assert desk.surfaces.state().clients == ()  # type: ignore[union-attr]


def test_what_is_asked_for_is_asked_of_the_engine(desk: Desk) -> None:
    """Every address of the list."""
    client = desk.client()
    desk.status()
    cases: list[tuple[tuple[str, int | float | str], ...] | tuple[object, ...]] = [
        (("/grebe/run", 1), Begin()),
        (("/grebe/run", 0), Halt()),
        (("/grebe/tempo", 131.5), Steer(bpm=131.5)),
        (("/grebe/launch", "oars"), Launch(section=desk.sections[1], at="bar")),
        (("/grebe/launch", 3, "section_end"), Launch(section=desk.sections[2], at="section_end")),
        (("/grebe/mute/2", 1), Mute(device="knot", on=True)),
        (("/grebe/solo/1", 0), Solo(device="smew", on=False)),
        (("/grebe/mute/knot", 1), Mute(device="knot", on=True)),
        (("/grebe/mute/smew/kick", 1), Mute(device="smew", voice="kick", on=True)),
        (("/grebe/solo/smew", 1), Solo(device="smew", on=True)),
        (("/grebe/swap/smew", "slack", "bar"), Swap(device="smew", pattern="p03", at="bar")),
        (("/grebe/swap/smew", ""), Swap(device="smew", pattern="")),
        (("/grebe/do/next_in",), Do(action="next_in")),
        (("/grebe/do/fill", 0), Do(action="fill", down=False)),
    ]
    for words, wanted in cases:
        client.ask(*words)  # type: ignore[arg-type]
        assert desk.turn() == [wanted]
    desk.status(follows=PEERS_ID)
    client.ask("/grebe/tempo", 99.0)
    assert desk.turn() == [Propose(bpm=99.0)]


@pytest.mark.parametrize(
    ("pattern", "meant"),
    [
        ("/grebe/mute/{smew,knot}", {"smew", "knot"}), ("/grebe/m?te/kno[a-z]", {"knot"}),
        ("/grebe/mute/[!k]mew", {"smew"}), ("/grebe/mute/s*", {"smew", "scaup"}),
    ],
)  # fmt: skip
def test_an_address_pattern_means_all_that_it_matches(
    desk: Desk, pattern: str, meant: set[str]
) -> None:
    """OSC 1.0's signs, part by part; each box once."""
    desk.status()
    desk.client().ask(pattern, 1)
    asked = desk.turn()
    muted = [a.device for a in asked if isinstance(a, Mute) and a.on and not a.voice]
    assert len(muted) == len(asked)
    assert muted == sorted(meant, key=desk.order)


@pytest.mark.parametrize("pattern", ["/grebe/mute/nobod*", "/grebe/[", "/grebe/do/*", "/x/{a"])
def test_a_pattern_that_means_nothing_is_refused(desk: Desk, pattern: str) -> None:
    """Actions, panic among them, are not done by patterns."""
    desk.status()
    desk.client().ask(pattern, 1)
    assert desk.turn() == []
    assert desk.surfaces.state().refused == 1  # type: ignore[union-attr]


def test_a_bundle_is_waited_for_by_its_time_tag(desk: Desk) -> None:
    """What is meant in half a second is done then; at once, or in the past, now; too far, never."""
    desk.status()
    client = desk.client()
    for wait_s in (0.5, -1.0, 0.0, 300.0):
        bundle = OscBundleBuilder(time.time() + wait_s if wait_s else IMMEDIATELY)
        message = OscMessageBuilder(address="/grebe/tempo")
        message.add_arg(120.0 + wait_s)
        bundle.add_content(message.build())  # type: ignore[arg-type]
        client.socket.sendto(bundle.build().dgram, ("127.0.0.1", desk.port))
    assert desk.turn() == [Steer(bpm=119.0), Steer(bpm=120.0)]
    assert "too far" in desk.surfaces.state().problem  # type: ignore[union-attr]
    desk.surfaces.turn(raw_ns())
    assert desk.asked == []
    desk.surfaces.turn(raw_ns() + 600_000_000)
    assert desk.asked == [Steer(bpm=120.5)]


@pytest.mark.parametrize(
    "words",
    [("/grebe/run",), ("/grebe/run", "yes"), ("/grebe/tempo", 4000.0), ("/grebe/tempo", "fast"),
     ("/grebe/launch", "No such"), ("/grebe/launch", 99), ("/grebe/launch", 1, "later"),
     ("/grebe/mute/99", 1), ("/grebe/mute/x", 1), ("/grebe/mute", 1), ("/grebe/do/shutdown",),
     ("/grebe/mute/nobody", 1), ("/grebe/mute/smew/nothing", 1), ("/grebe/swap/smew", "nothing"),
     ("/grebe/swap/smew", "", "later"), ("/grebe/swap/nobody", ""), ("/grebe/do/tempo", 1),
     ("/other", 1), ("/grebe/subscribe", 70000)],
)  # fmt: skip
def test_what_cannot_be_done_is_counted_and_said(
    desk: Desk, words: tuple[str | float, ...]
) -> None:
    """And asks for nothing."""
    desk.status()
    client = desk.client()
    client.ask(str(words[0]), *words[1:])
    assert desk.turn() == []
    state = desk.surfaces.state()
    assert state is not None
    assert state.refused == 1
    assert state.problem


def test_rubbish_and_floods_are_dropped(desk: Desk) -> None:
    """A hundred messages a second are enough for a hand."""
    client = desk.client()
    client.socket.sendto(b"rubbish", ("127.0.0.1", desk.port))
    for _ in range(400):
        client.ask("/grebe/do/again")
        if len(desk.asked) > 300:
            break
    for _ in range(10):
        desk.surfaces.take(desk.surfaces.sockets(), 1)
    assert len(desk.asked) < 250
    assert desk.surfaces.state().refused > 20  # type: ignore[union-attr]


def test_only_this_computer_is_heard_unless_others_are_allowed() -> None:
    """By address or by network; what is no address is said."""
    closed, opened = Desk(), Desk(senders=["10.9.0.0/16"])
    assert closed.surfaces.sockets()[0].getsockname()[0] == "127.0.0.1"
    assert opened.surfaces.sockets()[0].getsockname()[0] == "0.0.0.0"
    assert opened.surfaces._may(("10.9.4.4", 1))
    assert opened.surfaces._may(("127.0.0.1", 1))
    assert not opened.surfaces._may(("10.8.0.1", 1))
    assert not closed.surfaces._may(("10.9.4.4", 1))
    wrong = Desk(senders=["everybody"])
    assert "everybody" in wrong.surfaces.state().problem  # type: ignore[union-attr]
    for each in (closed, opened, wrong):
        each.close()


def test_a_port_that_is_taken_is_said_and_clients_are_limited(desk: Desk) -> None:
    """Sixteen at most."""
    second = Surfaces(lambda message: None)
    second.use(OscUse(port=desk.port))
    assert "cannot be listened at" in second.state().problem  # type: ignore[union-attr]
    client = desk.client()
    for port in range(5000, 5000 + MOST_CLIENTS + 3):
        client.ask("/grebe/subscribe", port)
    desk.turn()
    assert len(desk.surfaces.state().clients) == MOST_CLIENTS  # type: ignore[union-attr]


def test_the_list_of_addresses_names_all_that_is_told_and_asked() -> None:
    """docs/osc.md is made from it, and every action that can be learnt is there."""
    words = address_list()
    assert all(row.address in words for row in TOLD)
    assert all(row.address in words for row in ASKED)
    assert all(f"`{action}`" in words for action in ACTIONS)
    watched = WatchedSession(SHOWN)
    book = OscModel(watched.session)
    watched.hear(Status(at_ns=raw_ns(), running=True, bpm=120.0))
    told = {t.address.replace("/N", "") for t in TOLD}
    for address in book.changing():
        assert address.rstrip("0123456789").rstrip("/") in told


def test_the_documents_list_is_the_programs() -> None:
    """docs/osc.md, and F1 in Sync, have the same addresses."""
    text = (Path(__file__).parents[2] / "docs" / "osc.md").read_text()
    assert address_list() in text
