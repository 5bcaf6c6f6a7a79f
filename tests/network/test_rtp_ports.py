"""MIDI over the network between two ports of this computer, the engine's ends played by hand."""

from __future__ import annotations

import select
import socket
import time
from collections.abc import Iterator
from pathlib import Path
from random import Random

import pytest

from grebe.errors import PortLost
from grebe.network.rtp_sessions import RtpSessions
from grebe.protocols.link.session import RtpPort
from grebe.transports.clock import raw_ns
from grebe.transports.rtp import HandedPort, unpack


def free_pair() -> int:
    """An even port that is free, with the next one."""
    for port in range(25_000, 29_000, 2):
        try:
            with socket.socket(socket.AF_INET6, socket.SOCK_DGRAM) as a:
                a.bind(("::", port))
                with socket.socket(socket.AF_INET6, socket.SOCK_DGRAM) as b:
                    b.bind(("::", port + 1))
                    return port
        except OSError:
            continue
    raise AssertionError("no ports")


class Ends:
    """One port that sends and one that is heard, both of one network process."""

    def __init__(self, folder: Path) -> None:
        self.port = free_pair()
        self.wanted = (
            RtpPort(device="out", path=f"{folder}/out", target=f"127.0.0.1:{self.port}"),
            RtpPort(device="in", path=f"{folder}/in", listen=self.port),
        )
        self.ports = RtpSessions()
        self.ports.use(self.wanted)
        self.out, self.into = HandedPort(f"{folder}/out"), HandedPort(f"{folder}/in")
        self.turn()

    def turn(self, rounds: int = 6) -> None:
        for _ in range(rounds):
            ready, _, _ = select.select(self.ports.sockets(), [], [], 0.005)
            self.ports.take(ready)
            self.ports.turn(raw_ns())


@pytest.fixture
def ends(own_folders: Path) -> Iterator[Ends]:
    made = Ends(own_folders)
    yield made
    made.ports.close()
    made.out.close()
    made.into.close()


def test_what_goes_in_at_one_end_comes_out_at_the_other_with_its_time(ends: Ends) -> None:
    """Stamps keep the distance between messages, whatever the way took."""
    dice, due = Random(3), raw_ns()
    for i in range(10):
        time.sleep(max(0.0, (due - raw_ns()) / 1e9 + 0.02 * i + dice.uniform(0, 0.01)))
        ends.out.send(b"\xf8", due + i * 20_000_000)
        ends.turn(3)
    time.sleep(max(0.0, (due - raw_ns()) / 1e9 + 0.2))
    ends.out.send(bytes((0x90, 60, 100)), due + 200_000_000)
    ends.turn()
    got = ends.into.receive()
    assert [m for _, m in got] == [*[b"\xf8"] * 10, bytes((0x90, 60, 100))]
    times = [at for at, _ in got]
    assert times[-1] - times[0] == pytest.approx(200_000_000, abs=12_000_000)
    assert sorted(times) == times
    out, into = ends.ports.states()
    assert (out.sent, into.received, into.lost) == (11, 11, 0)


def test_a_lost_end_of_a_note_is_made_up_for(ends: Ends) -> None:
    """The packet is sent to nowhere instead."""
    sender = ends.ports._ports["out"]
    ends.out.send(bytes((0x90, 60, 100)), raw_ns())
    ends.turn()
    target, sender._target = sender._target, ("127.0.0.1", free_pair())
    ends.out.send(bytes((0x80, 60, 64)), raw_ns())
    ends.turn()
    sender._target = target
    ends.out.send(b"\xf8", raw_ns())
    ends.turn()
    got = [m for _, m in ends.into.receive()]
    assert got == [bytes((0x90, 60, 100)), bytes((0x80, 60, 64)), b"\xf8"]
    state = ends.ports.states()[1]
    assert (state.lost, state.repaired) == (1, 1)


def test_the_receiver_reports_and_the_journal_is_cut(ends: Ends) -> None:
    """RTCP at the next port; the sender's checkpoint moves."""
    for i in range(5):
        ends.out.send(bytes((0xB0, 7, i)), raw_ns())
        ends.turn(2)
    ends.ports.turn(raw_ns() + 2_000_000_000)
    ends.turn()
    sender = ends.ports._ports["out"]._sender
    assert sender._checkpoint == sender._next - 1


def test_rubbish_is_counted_and_strangers_from_afar_are_not_heard(ends: Ends) -> None:
    """Only networks this computer is in itself."""
    with socket.socket(socket.AF_INET, socket.SOCK_DGRAM) as out:
        for data in (b"", b"x", b"\x80\x61" + b"\0" * 10, b"\x80" * 2000):
            out.sendto(data, ("127.0.0.1", ends.port))
            out.sendto(data, ("127.0.0.1", ends.port + 1))
    ends.turn()
    assert ends.ports.states()[1].unreadable >= 3
    port = ends.ports._ports["in"]
    assert port._near.has("127.0.0.1", raw_ns())
    assert port._near.has("::ffff:127.0.0.1", raw_ns())
    assert not port._near.has("198.51.100.7", raw_ns())


def test_ports_come_and_go_with_the_rig(ends: Ends, own_folders: Path) -> None:
    """One that stays is not touched; one that cannot be says why."""
    kept = ends.ports._ports["in"]
    bad = RtpPort(device="bad", path=f"{own_folders}/bad", target="no such host.invalid")
    ends.ports.use((ends.wanted[1], bad))
    assert ends.ports._ports == {"in": kept}
    assert "no such host" in ends.ports.states()[1].problem
    with pytest.raises(PortLost):
        for _ in range(3):
            ends.out.send(b"\xf8", raw_ns())
            ends.out.reports()
    ends.ports.use(())
    assert not ends.ports.on
    with pytest.raises(PortLost, match="MIDI over the network is not there"):
        HandedPort(f"{own_folders}/in")


def test_what_is_handed_over_carries_its_time() -> None:
    """Eight bytes before the message."""
    assert unpack(b"\1" + b"\0" * 7 + b"\xf8") == (1, b"\xf8")
    assert unpack(b"short") == (0, b"")
