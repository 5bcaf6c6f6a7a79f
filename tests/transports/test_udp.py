"""UDP on the local network: what is near, beacons, and a port that is taken."""

from __future__ import annotations

import ipaddress
import socket
import time

import pytest

from grebe.transports.clock import raw_ns
from grebe.transports.udp import BEACON_PORT, Udp, interfaces, is_near, near_networks


def test_what_is_near_is_what_this_computer_is_in() -> None:
    """By IPv4, as a socket of both families has it, by IPv6 with an interface."""
    networks = [ipaddress.ip_network("10.9.0.0/16"), ipaddress.ip_network("fe80::/64")]
    for host in ("10.9.1.1", "::ffff:10.9.1.1", "fe80::1%lo"):
        assert is_near(host, networks)
    for host in ("10.8.1.1", "::ffff:10.8.1.1", "fd00::1"):
        assert not is_near(host, networks)
    assert is_near("127.0.0.1", near_networks())
    assert not is_near("198.51.100.7", near_networks())
    assert "lo" in [name for name, _, _ in interfaces()]
    assert [name for name, _, _ in interfaces("lo")] == ["lo"]


def test_beacons_that_cannot_be_heard_are_said(monkeypatch: pytest.MonkeyPatch) -> None:
    """Another program has the port to itself; packets are sent and heard all the same."""
    monkeypatch.setattr("grebe.transports.udp.BEACON_PORT", BEACON_PORT + 10)
    taken = [socket.socket(socket.AF_INET6, socket.SOCK_DGRAM)]
    taken[0].bind(("::", BEACON_PORT + 10))  # of both families
    udp, other = Udp("lo"), Udp("lo")
    try:
        assert "beacons are not heard" in udp.deaf
        other.send(b"hello", ("127.0.0.1", udp.port))
        other.send(b"hello", ("::1", udp.port))
        got = [d for s in udp.sockets() for d in udp.receive(s, 5)]
        assert {d.data for d in got} == {b"hello"}
        assert all(d.near and not d.beacon for d in got)
        assert {d.source[1] for d in got} == {other.port}
        other.send(b"x" * 70_000, ("127.0.0.1", udp.port))
        assert other.unreached == 1
    finally:
        for each in taken:
            each.close()
        udp.close()
        other.close()


def test_a_stamp_is_never_before_the_packet_was_sent(monkeypatch: pytest.MonkeyPatch) -> None:
    """Although the process may be held up between its readings of two clocks: a packet that
    seemed to come too early would be taken for the quickest."""
    one, two = Udp("lo"), Udp("lo")

    def held_up() -> int:
        now = raw_ns()
        time.sleep(0.002)
        return now

    monkeypatch.setattr("grebe.transports.udp.raw_ns", held_up)
    try:
        for _ in range(20):
            sent = raw_ns()
            one.send(b"x", ("127.0.0.1", two.port))
            came = [d for s in two.sockets() for d in two.receive(s, 5)]
            (got,) = [d for d in came if not d.beacon]  # others may be on the interface
            assert got.at_ns >= sent
    finally:
        one.close()
        two.close()
