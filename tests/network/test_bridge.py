"""An engine in a session: the network process beside it, another peer on this computer."""

from __future__ import annotations

import socket
import time
from collections.abc import Callable, Iterator
from contextlib import closing
from itertools import pairwise

import msgspec
import pytest

from grebe.app.engine.client import connect_when_ready
from grebe.app.engine.supervisor import rtp_ports, start_engine, start_network
from grebe.core.document import with_rig, with_song
from grebe.core.player.commands import Begin, Halt
from grebe.core.rig.model import PEERS_ID, Port
from grebe.core.session.use import SessionUse
from grebe.core.songs.edit import set_tempo
from grebe.core.time.ticks import TICKS_PER_QUARTER
from grebe.network.node import Node
from grebe.process.children import end_child
from grebe.process.places import log_dir
from grebe.protocols.link.messages import Shutdown, Status
from grebe.protocols.link.session import AcceptPeer, CarryRtp, Join, Propose
from grebe.protocols.rtp.commands import decode_section
from grebe.protocols.rtp.packets import decode_rtp
from grebe.transports.clock import raw_ns
from tests import build
from tests.engine.live import Live
from tests.network.party import Party
from tests.waiting import PATIENCE_S, wait


class Stage:
    """An engine with its network process, and a party of others."""

    def __init__(self, party: Party) -> None:
        self.party = party
        self.live = Live(with_song(build.two_boxes(), "song", lambda s: set_tempo(s, 132.0)))
        self.process = start_network()
        self.status = Status(at_ns=0, running=False)

    def join(self, **use: object) -> None:
        """The engine's computer joins."""
        session = SessionUse(name=self.party.session, peer="Smew", interface="lo", **use)  # type: ignore[arg-type]
        self.live.send(Join(use=session, passphrase="sea", bpm=100.0))

    def until(self, wanted: Callable[[Status], bool], seconds: float = PATIENCE_S) -> Status:
        """Turn the party and read what the engine says until something is so."""
        end = time.monotonic() + seconds
        while time.monotonic() < end:
            self.party.turn()
            for message in self.live.client.pump():
                if isinstance(message, Status):
                    self.status = message
                    if wanted(message):
                        return message
        raise AssertionError(f"it did not come to that: {self.status}")

    def off_beats(self, node: Node) -> float:
        """How far the song is from the node's beats, in beats, modulo a bar of four."""
        status = self.status
        tick = status.tick + (raw_ns() - status.at_ns) / 60e9 * status.bpm * TICKS_PER_QUARTER
        apart = tick / TICKS_PER_QUARTER - node.peer.beat_at(node.now_ns())
        return float((apart + 2) % 4 - 2)

    def close(self) -> None:
        self.live.close()
        end_child(self.process)


@pytest.fixture
def stage(party: Party) -> Iterator[Stage]:
    made = Stage(party)
    yield made
    made.close()


def in_session(status: Status) -> bool:
    return status.peers is not None and status.peers.state == "in" and bool(status.peers.rows)


@pytest.mark.real_time("judges milliseconds between processes")
def test_the_engine_joins_adopts_starts_and_stops_with_the_session(stage: Stage) -> None:
    """It comes in on the one, brings its song's tempo, follows another's, and leaves."""
    wren = stage.party.add("Wren", 90.0)
    stage.party.until(stage.party.together)
    stage.join(brings_tempo=True)
    status = stage.until(lambda s: in_session(s) and s.follows == PEERS_ID)
    assert status.heard_bpm == pytest.approx(90.0)
    assert status.hearing == "clock"
    (row,) = status.peers.rows  # type: ignore[union-attr]
    assert (row.name, row.reference, row.accepted) == ("Wren", True, True)
    assert row.offset_ms is not None
    assert abs(row.offset_ms) < 2

    stage.live.send(Begin())
    stage.until(lambda s: s.running)
    assert wren.peer.agreed.running.running
    assert wren.peer.agreed.running.at % 4_000_000 == 0
    stage.until(lambda s: s.tick > 5 * TICKS_PER_QUARTER and abs(s.heard_off_ms) < 0.5)
    assert wren.peer.agreed.tempo.bpm == pytest.approx(132.0)
    assert abs(stage.off_beats(wren)) < 0.02

    wren.peer.change_tempo(150.0, wren.now_ns())
    stage.until(lambda s: abs(s.bpm - 150) < 0.1)
    stage.until(lambda s: abs(s.heard_off_ms) < 0.5)
    assert abs(stage.off_beats(wren)) < 0.02
    stage.live.send(Propose(bpm=140.0))
    stage.until(lambda s: abs(wren.peer.agreed.tempo.bpm - 140) < 0.01)

    wren.peer.stop(wren.now_ns())
    stage.until(lambda s: not s.running)
    wren.peer.start(wren.now_ns())
    stage.until(lambda s: s.running)
    stage.live.send(Halt())
    stage.until(lambda s: not s.running and not wren.peer.agreed.running.running)

    stage.live.send(Begin())
    stage.until(lambda s: s.running and s.tick > TICKS_PER_QUARTER)
    stage.live.send(Join())
    stage.until(lambda s: s.peers is None and s.follows == "")
    stage.until(lambda s: s.running and s.tick > 3 * TICKS_PER_QUARTER)
    stage.live.send(Halt())
    stage.until(lambda s: not s.running)
    for box in stage.live.report().values():  # none is on its way any more
        assert (box.missed, box.ticks_received) == (0, box.ticks_sent)


def test_each_may_start_on_its_own_and_hold_the_sessions_tempo(stage: Stage) -> None:
    """On the one all the same; the song's tempo is not brought."""
    wren = stage.party.add("Wren", 90.0)
    stage.party.until(stage.party.together)
    stage.join(shares_starts=False, brings_tempo=False)
    stage.until(lambda s: in_session(s) and s.follows == PEERS_ID)
    stage.live.send(Begin())
    stage.until(lambda s: s.running and s.tick > TICKS_PER_QUARTER)
    assert not wren.peer.agreed.running.running
    assert wren.peer.agreed.tempo.bpm == 90.0
    assert stage.status.bpm == pytest.approx(90.0, abs=0.1)
    assert abs(stage.off_beats(wren)) < 0.02
    wren.peer.start(wren.now_ns())
    wren.peer.stop(wren.now_ns())
    stage.party.wait(0.5)
    assert stage.until(lambda s: True).running


@pytest.mark.real_time("judges milliseconds between processes")
def test_what_plays_already_is_what_the_session_goes_by(stage: Stage) -> None:
    """The first to join brings its tempo and its bar: nothing of it moves."""
    stage.live.send(Begin())
    stage.until(lambda s: s.running and s.tick > TICKS_PER_QUARTER)
    stage.live.send(Join(use=SessionUse(name=stage.party.session, interface="lo"), bpm=132.0))
    stage.until(lambda s: s.peers is not None and s.peers.state == "in" and s.follows == PEERS_ID)
    assert abs(stage.status.heard_off_ms) < 3
    wren = stage.party.add("Wren", 90.0, passphrase="")
    stage.until(
        lambda s: (
            in_session(s)
            and wren.peer.membership.phase == "in"
            and wren.peer.membership.epoch != wren.peer.id
        )
    )
    stage.party.wait(0.5)
    stage.until(lambda s: True)
    assert wren.peer.agreed.tempo.bpm == pytest.approx(132.0)
    assert abs(stage.off_beats(wren)) < 0.02
    wren.peer.change_tempo(99.0, wren.now_ns())  # a stranger: it waits
    status = stage.until(lambda s: any(r.asks_bpm for r in s.peers.rows))  # type: ignore[union-attr]
    (row,) = status.peers.rows  # type: ignore[union-attr]
    assert (row.asks_bpm, row.accepted) == (99.0, False)
    assert status.bpm == pytest.approx(132.0, abs=0.5)
    stage.live.send(AcceptPeer(peer=row.id))
    stage.until(lambda s: abs(s.bpm - 99) < 0.5)


@pytest.mark.real_time("judges milliseconds between processes")
def test_the_network_process_dies_and_the_clock_goes_on(stage: Stage) -> None:
    """The last tempo is held; another process joins again."""
    stage.party.add("Wren", 90.0)
    stage.party.until(stage.party.together)
    stage.join()
    stage.until(lambda s: in_session(s) and s.follows == PEERS_ID)
    stage.live.send(Begin())
    stage.until(lambda s: s.running and s.tick > TICKS_PER_QUARTER)
    stage.process.kill()
    stage.process.wait()
    stage.until(
        lambda s: s.hearing == "held" and s.peers is not None and s.peers.state == "starting"
    )
    assert stage.status.running
    stage.process = start_network()
    stage.until(lambda s: in_session(s) and s.hearing == "clock")
    stage.until(lambda s: abs(s.heard_off_ms) < 1)
    assert stage.status.running


@pytest.mark.real_time("clocks that come too late to be of use are dropped, and would be missing")
def test_midi_leaves_over_the_network_stamped_with_when_it_is_due() -> None:
    """The engine hands it over; clocks are as far apart by their stamps as the tempo has them."""
    with socket.socket(socket.AF_INET, socket.SOCK_DGRAM) as ear:
        ear.bind(("127.0.0.1", 0))
        ear.setblocking(False)
        target = f"127.0.0.1:{ear.getsockname()[1]}"
        project = with_song(build.two_boxes(), "song", lambda s: set_tempo(s, 120.0))
        drums = msgspec.structs.replace(project.rig.devices[0], port=Port(wire="rtp", name=target))
        rig = msgspec.structs.replace(project.rig, devices=(drums, *project.rig.devices[1:]))
        live = Live(with_rig(project, rig))
        helper = start_network()
        try:
            live.send(CarryRtp(ports=rtp_ports(rig.devices)))
            live.status(lambda s: all(d.port == "up" for d in s.devices))
            live.send(Begin())
            live.status(lambda s: s.running and s.tick > 3 * TICKS_PER_QUARTER)
            live.send(Halt())
            status = live.status(lambda s: s.peers is not None and bool(s.peers.rtp[0].sent))
        finally:
            live.close()
            end_child(helper)
        got: list[tuple[int, bytes]] = []
        while True:
            try:
                packet = decode_rtp(ear.recv(2048))
            except BlockingIOError:
                break
            section = decode_section(packet.payload)
            got += [(packet.timestamp + c.after & 0xFFFFFFFF, c.data) for c in section.commands]
    assert status.peers is not None
    words = [m for _, m in got]
    assert words.index(b"\xfa") < words.index(b"\xf8")
    assert b"\xfc" in words
    clocks = [at for at, m in got if m == b"\xf8"]
    assert len(clocks) >= 72
    steps = {b - a & 0xFFFFFFFF for a, b in pairwise(clocks)}
    assert steps <= {999, 1000, 1001}  # 60 / 120 / 24 s in samples of 48 kHz


def test_it_waits_for_an_engine_that_is_slower_to_start() -> None:
    """Both are started at once; on a busy machine the network process is there first."""
    log = log_dir() / "network.log"
    started = [start_network()]
    try:
        wait(lambda: log.exists() and "begins" in log.read_text())
        time.sleep(0.2)
        assert started[0].poll() is None
        started.append(start_engine())
        with closing(connect_when_ready()) as client:
            client.send(Join(use=SessionUse(name="sea", peer="Smew", interface="lo"), bpm=100.0))
            wait(lambda: any(isinstance(m, Status) and m.peers for m in client.pump()))
            client.send(Shutdown())
        assert [process.wait(PATIENCE_S) for process in started] == [0, 0]
    finally:
        for process in started:
            end_child(process)
