"""Peers on the loopback interface: joining, strangers, floods, addresses, other versions."""

from __future__ import annotations

import socket
import time

import pytest

from grebe.core.session.packets import Packet, Ping
from grebe.core.session.rows import rows
from grebe.core.session.use import SessionUse
from grebe.errors import NetworkError
from grebe.network.limits import KNOWN_BURST, Bucket, Gatekeeper
from grebe.network.node import Node, Warp
from grebe.protocols.session.packets import encode, session_key, session_tag
from grebe.transports.udp import BEACON_PORT, FAR, resolve
from tests.network.party import Party


def sender(hops: int = FAR) -> socket.socket:
    """A socket that is no peer."""
    made = socket.socket(socket.AF_INET, socket.SOCK_DGRAM)
    made.setsockopt(socket.IPPROTO_IP, socket.IP_TTL, hops)
    return made


@pytest.mark.real_time("judges milliseconds between processes")
def test_two_computers_find_each_other_and_agree(party: Party) -> None:
    """Clocks a quarter hour apart, one 40 ppm fast."""
    party.add("Teal", 126.0)
    party.until(party.together)
    party.add("Wren", 90.0, warp=Warp(10**12, 40e-6))
    party.until(party.together)
    party.wait(0.5)
    assert party.nodes[1].peer.agreed.tempo.bpm == 126.0
    assert party.apart_ms() < 1.0
    party.nodes[1].peer.change_tempo(140.0, party.nodes[1].now_ns())
    party.until(lambda: party.nodes[0].peer.agreed.tempo.bpm == 140.0)
    party.wait(0.4)
    assert party.apart_ms() < 1.0
    row = rows(party.nodes[0].peer, party.nodes[0].now_ns())[0]
    assert (row.name, row.standing) == ("Wren", "here")
    party.leave(party.nodes[1])
    party.until(lambda: not party.nodes[0].peer.membership.members(), 1.0)


def test_without_multicast_an_address_can_be_typed(
    party: Party, monkeypatch: pytest.MonkeyPatch
) -> None:
    """On one side: the other learns it from there."""
    monkeypatch.setattr("grebe.transports.udp.Udp.beacon", lambda *_: None)
    first = party.add("Teal", 126.0)
    party.until(party.together)
    party.add("Wren", addresses=(f"127.0.0.1:{first.udp.port}",))
    party.until(party.together)
    assert party.nodes[1].peer.agreed.tempo.bpm == 126.0


def test_ipv6_alone_will_do(party: Party, monkeypatch: pytest.MonkeyPatch) -> None:
    """The address as it is written with a port."""
    monkeypatch.setattr("grebe.transports.udp.Udp.beacon", lambda *_: None)
    first = party.add("Teal", 126.0)
    party.until(party.together)
    party.add("Wren", addresses=(f"[::1]:{first.udp.port}",))
    wren = party.nodes[1].peer.membership
    # Known once more, too, where the machine held them up for so long that they forgot each other.
    party.until(lambda: party.together() and len(wren.members()) == 1)
    (other,) = wren.members()
    assert other.address == ("::1", first.udp.port)


def test_dns_sd_finds_them_too(party: Party, monkeypatch: pytest.MonkeyPatch) -> None:
    """With no beacon at all; registering takes more than a second."""
    monkeypatch.setattr("grebe.transports.udp.Udp.beacon", lambda *_: None)
    for name in ("Teal", "Wren"):
        party.add(name, discover=True)
    party.until(party.together, 12.0)
    assert all(n.why_alone() == "" for n in party.nodes)


def test_a_stranger_without_the_passphrase_changes_nothing(party: Party) -> None:
    """Nor does one with another; what they send is counted."""
    party.add("Teal", 126.0)
    party.until(party.together)
    for passphrase in ("", "land"):
        stranger = party.add("Stranger", 200.0, passphrase=passphrase)
        party.wait(1.2)
        stranger.peer.change_tempo(220.0, stranger.now_ns())
        stranger.peer.start(stranger.now_ns())
        party.wait(0.3)
        party.leave(stranger)
    teal = party.nodes[0]
    assert teal.peer.agreed.tempo.bpm == 126.0
    assert not teal.peer.agreed.running.running
    assert rows(teal.peer, teal.now_ns()) == []
    assert teal.counts.malformed > 10


def test_a_recording_of_a_peer_changes_nothing(party: Party) -> None:
    """Sealed packets sent again later, from elsewhere, after it has left."""
    teal = party.add("Teal", 126.0)
    party.until(party.together)
    wren = party.add("Wren", 90.0)
    recorded: list[bytes] = []
    send = wren.udp.send

    def recording(data: bytes, to: tuple[str, int]) -> None:
        recorded.append(data)
        send(data, to)

    wren.udp.send = recording  # type: ignore[method-assign]
    party.until(party.together)
    wren.peer.change_tempo(140.0, wren.now_ns())
    party.until(lambda: teal.peer.agreed.tempo.bpm == 140.0)
    party.leave(wren)
    teal.peer.change_tempo(100.0, teal.now_ns())
    with sender() as out:
        for data in recorded:
            out.sendto(data, ("127.0.0.1", teal.udp.port))
            party.turn()
    party.wait(0.5)
    assert len(recorded) > 10
    assert teal.peer.agreed.tempo.bpm == 100.0
    assert rows(teal.peer, teal.now_ns()) == []


@pytest.mark.real_time("judges milliseconds under a flood")
def test_a_flood_is_dropped_and_the_session_goes_on(party: Party) -> None:
    """Five thousand packets as fast as they go: rubbish, too long, and well made by strangers."""
    for name in ("Teal", "Wren"):
        party.add(name, 126.0)
        party.until(party.together)
    teal = party.nodes[0]
    key = session_key(party.session, "land")
    wrong = [encode(Packet(1000 + i, 1, Ping(i, i)), party.tag, key) for i in range(50)]
    rubbish = [b"x" * 20, b"grbp" + b"\1" * 60, b"y" * 1400, *wrong]
    with sender() as out:
        for i in range(5_000):
            out.sendto(rubbish[i % len(rubbish)], ("127.0.0.1", teal.udp.port))
            if i % 50 == 0:
                party.turn()
    party.wait(0.5)
    assert teal.gate.refused > 1_000
    assert party.together()
    assert party.apart_ms() < 1.0
    assert len(teal.peer.membership.others) == 1


def test_what_came_through_a_router_is_dropped(party: Party) -> None:
    """RFC 5082: a time to live below 255 has been counted down."""
    teal = party.add("Teal")
    at = ("127.0.0.1", teal.udp.port)
    with sender(hops=64) as out:
        out.sendto(encode(Packet(5, 1, Ping(1, 1)), party.tag, teal.key), at)
    party.until(lambda: teal.counts.far >= 1)
    assert not teal.peer.membership.others


def test_a_peer_of_another_version_is_said(party: Party) -> None:
    """It is not spoken to, and it is not silent either."""
    teal = party.add("Teal")
    data = bytearray(encode(Packet(5, 1, Ping(1, 1)), party.tag))
    data[4] = 9
    with sender() as out:
        out.sendto(data, ("127.0.0.1", teal.udp.port))
        out.sendto(encode(Packet(5, 1, Ping(1, 1)), session_tag("x")), ("127.0.0.1", teal.udp.port))
    party.until(lambda: teal.counts.other_session >= 1)  # a neighbour may speak here, too
    assert "version 9" in teal.problem
    assert "127.0.0.1" in teal.problem
    assert teal.counts.other_version == 1


@pytest.mark.real_time("judges milliseconds between processes")
def test_after_the_computer_slept_it_joins_again(
    party: Party, monkeypatch: pytest.MonkeyPatch
) -> None:
    """Its clock stood still for ten seconds."""
    teal = party.add("Teal", 126.0)
    party.until(party.together)
    wren = party.add("Wren")
    party.until(party.together)
    party.wait(0.5)
    wren._warp = Warp(-10_000_000_000)
    monkeypatch.setattr(wren._sleep, "noticed_s", lambda: 10.0)
    party.wait(0.7)
    monkeypatch.setattr(wren._sleep, "noticed_s", lambda: 0.0)
    party.until(lambda: party.together() and party.apart_ms() < 1.0, 4.0)
    assert teal.peer.clock.reference == teal.peer.id


def test_an_interface_that_goes_and_comes_is_listened_at_again(
    party: Party, monkeypatch: pytest.MonkeyPatch
) -> None:
    """Its group is joined anew."""
    teal = party.add("Teal")
    joined = set(teal.udp._joined)
    with monkeypatch.context() as down:
        down.setattr("grebe.transports.udp.interfaces", lambda only="": [])
        teal.udp.look_again()
        assert teal.udp._joined == set()
    teal.udp.look_again()
    assert teal.udp._joined == joined


def test_addresses_as_they_are_typed() -> None:
    """With and without a port, of both families, and none."""
    assert resolve("10.0.0.7") == ("10.0.0.7", BEACON_PORT)
    assert resolve(" 10.0.0.7:4000 ") == ("10.0.0.7", 4000)
    assert resolve("[fd00::2]:4000") == ("fd00::2", 4000)
    assert resolve("fd00::2") == ("fd00::2", BEACON_PORT)
    assert resolve("localhost", 7)[1] == 7
    for wrong in ("", "no such host.invalid", "10.0.0.7:x", "10.0.0.7:70000", "\0"):
        with pytest.raises(NetworkError):
            resolve(wrong)


def test_bad_settings_are_said() -> None:
    """An interface that is not there ends it; an address that is none does not."""
    with pytest.raises(NetworkError, match="no network interface 'gr9'; there are: .*lo"):
        Node(SessionUse(interface="gr9"), discover=False)
    node = Node(SessionUse(interface="lo", addresses=("no such host.invalid",)), discover=False)
    assert "no such host" in node.problem
    node.close()


def test_buckets_let_through_what_they_may() -> None:
    """A burst, then so many a second."""
    bucket = Bucket(10, 5)
    assert sum(bucket.take(1) for _ in range(20)) == 5
    assert sum(bucket.take(1 + 1_000_000_000) for _ in range(20)) == 5
    gate = Gatekeeper()
    assert sum(gate.admits("a", 1, known=True) for _ in range(2_000)) == KNOWN_BURST
    assert gate.admits("b", 1, known=True)  # one's flood is not another's
    assert gate.refused == 2_000 - KNOWN_BURST
    for i in range(500):
        gate.admits(i, 1, known=True)
    assert len(gate._known) <= 128
    assert time.monotonic() > 0
