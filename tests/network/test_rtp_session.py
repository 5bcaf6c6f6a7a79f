"""Sessions of RTP MIDI: inviting and being invited, clocks compared, goodbye; over real sockets.

The packets are as independent implementations have them (there is no standard): the examples in
hex were checked by hand against the open-source library `pymidi`, which is also run against both
sides with `tools/lab/invite.py`.
"""

from __future__ import annotations

import select
import struct
import time
from collections.abc import Callable, Iterator
from itertools import pairwise
from pathlib import Path

import pytest

from grebe.app.engine.supervisor import rtp_ports
from grebe.core.rig.model import Port
from grebe.errors import ProtocolError
from grebe.network import session_port
from grebe.network.rtp_sessions import RtpSessions
from grebe.network.session_port import SessionPort
from grebe.protocols.link.session import RtpPort
from grebe.protocols.rtp.invitation import (
    ACCEPT,
    GOODBYE,
    INVITE,
    REFUSE,
    SILENT_NS,
    Channel,
    Compared,
    Greeting,
    MidiSession,
    Received,
    decode,
    encode_compared,
    encode_greeting,
    encode_received,
)
from grebe.transports.clock import raw_ns
from grebe.transports.rtp import HandedPort
from tests import build

SECOND = 1_000_000_000


def test_packets_are_as_others_write_and_read_them() -> None:
    """Layouts by hand: signature, kind, version, token, sender, name; stamps of 64 bits."""
    invited = bytes.fromhex("ffff 494e 00000002 12345678 deadbeef") + b"Tern\0"
    assert encode_greeting(Greeting(INVITE, 0x12345678, 0xDEADBEEF, "Tern")) == invited
    assert decode(invited) == Greeting(INVITE, 0x12345678, 0xDEADBEEF, "Tern")
    left = bytes.fromhex("ffff 4259 00000002 12345678 deadbeef")
    assert encode_greeting(Greeting(GOODBYE, 0x12345678, 0xDEADBEEF, "Tern")) == left
    clock = bytes.fromhex("ffff 434b deadbeef 01 000000") + struct.pack(">QQQ", 5, 6, 0)
    assert encode_compared(Compared(0xDEADBEEF, 1, (5, 6, 0))) == clock
    assert decode(clock) == Compared(0xDEADBEEF, 1, (5, 6, 0))
    told = bytes.fromhex("ffff 5253 deadbeef 1234 0000")
    assert encode_received(Received(0xDEADBEEF, 0x1234)) == told
    assert decode(told) == Received(0xDEADBEEF, 0x1234)


@pytest.mark.parametrize(
    "data",
    [b"", b"\xff", b"\xff\xff", b"\xff\xffXX" + bytes(20), b"\xff\xffIN\0\0", b"\xff\xffCK\0\0\0\0",
     bytes.fromhex("ffff434b deadbeef 03000000") + bytes(24), b"\x80\x61" + bytes(30),
     bytes.fromhex("ffff494e 00000003 12345678 deadbeef 00")],
)  # fmt: skip
def test_what_makes_no_sense_is_refused(data: bytes) -> None:
    with pytest.raises(ProtocolError):
        decode(data)


def between(
    inviter: MidiSession,
    invited: MidiSession,
    now: int,
    lost: Callable[[int], bool] = lambda _: False,
) -> list[tuple[str, Channel, str]]:
    """Let them talk until both fall silent: (who, where, what)."""
    said: list[tuple[str, Channel, str]] = []
    waiting = [(inviter, invited, row) for row in inviter.turn(now)]
    waiting += [(invited, inviter, row) for row in invited.turn(now)]
    while waiting:
        sender, other, (channel, data) = waiting.pop(0)
        said.append((sender.name, channel, data[2:4].decode()))
        if not lost(len(said)):
            waiting += [(other, sender, row) for row in other.hear(data, channel, now)]
    return said


def two() -> tuple[MidiSession, MidiSession]:
    return (
        MidiSession("Heron", 1, 77, invites=True),
        MidiSession("Grebe Smew", 2, 88, invites=False),
    )


def test_one_invites_at_both_ports_and_then_compares_clocks() -> None:
    """As practised: control, then data, then three packets of a comparison."""
    inviter, invited = two()
    assert between(inviter, invited, SECOND) == [
        ("Heron", "control", "IN"), ("Grebe Smew", "control", "OK"),
        ("Heron", "data", "IN"), ("Grebe Smew", "data", "OK"),
        ("Heron", "data", "CK"), ("Grebe Smew", "data", "CK"), ("Heron", "data", "CK"),
    ]  # fmt: skip
    assert inviter.phase == invited.phase == "together"
    assert (inviter.other, invited.other) == ("Grebe Smew", "Heron")
    assert inviter.round_trip_ns == 0


@pytest.mark.parametrize("lost", [1, 2, 3, 4])
def test_an_invitation_that_is_lost_is_repeated(lost: int) -> None:
    inviter, invited = two()
    between(inviter, invited, SECOND, lambda number: number == lost)
    for n in range(2, 6):
        between(inviter, invited, n * SECOND)
    assert inviter.phase == invited.phase == "together"


def test_a_second_one_is_refused_while_one_is_there() -> None:
    """And the first is not disturbed; when it has left the second may come."""
    inviter, invited = two()
    between(inviter, invited, SECOND)
    second = MidiSession("Stilt", 3, 99, invites=True)
    said = between(second, invited, 2 * SECOND)
    assert ("Grebe Smew", "control", "NO") in said
    assert second.phase == "alone"
    assert "refused" in second.problem
    assert invited.other == "Heron"
    for channel, data in inviter.leave():
        assert invited.hear(data, channel, 3 * SECOND) == []
    assert invited.phase == "alone"
    assert invited.problem == "Heron left"
    for n in range(4, 8):
        between(second, invited, n * SECOND)
    assert invited.other == "Stilt"


def test_one_who_falls_silent_is_gone() -> None:
    inviter, invited = two()
    between(inviter, invited, SECOND)
    assert invited.turn(SECOND + SILENT_NS) == []
    assert invited.phase == "together"
    invited.turn(2 * SECOND + SILENT_NS)
    assert invited.phase == "alone"
    assert invited.problem == "Heron went away"


def test_strangers_change_nothing() -> None:
    """Answers nobody asked for, clocks and goodbyes of others."""
    inviter, invited = two()
    assert inviter.hear(encode_greeting(Greeting(ACCEPT, 77, 9, "x")), "control", SECOND) == []
    between(inviter, invited, SECOND)
    for greeting in (Greeting(REFUSE, 5, 9), Greeting(GOODBYE, 5, 9), Greeting(ACCEPT, 5, 9, "x")):
        assert invited.hear(encode_greeting(greeting), "control", SECOND) == []
        assert inviter.hear(encode_greeting(greeting), "control", SECOND) == []
    assert invited.hear(encode_compared(Compared(9, 0, (1, 0, 0))), "data", SECOND) == []
    assert inviter.phase == invited.phase == "together"


def test_a_port_of_the_rig_says_how_it_is_in_a_session() -> None:
    """ "session" waits; with an address it invites."""
    waits = build.device("Smew", port=Port(wire="rtp", name="session"))
    invites = build.device("Knot", port=Port(wire="rtp", name="session 192.0.2.7:5006"))
    plain = build.device("Scaup", port=Port(wire="rtp", name="192.0.2.7:5006"))
    found = [(p.session, p.target, p.listen) for p in rtp_ports((waits, invites, plain))]
    assert found == [
        ("waits", "", 0), ("invites", "192.0.2.7:5006", 0), ("none", "192.0.2.7:5006", 0),
    ]  # fmt: skip


class Ends:
    """One that waits and one that invites it, of one process, with the engines' ends."""

    def __init__(self, folder: Path) -> None:
        self.ports = RtpSessions()
        waits = RtpPort(device="a", path=f"{folder}/a", session="waits", name="Grebe Smew")
        self.ports.use((waits,))
        there = self.ports._ports["a"]
        assert isinstance(there, SessionPort)
        self.waits = there
        self.invites = RtpPort(
            device="b", path=f"{folder}/b", session="invites", name="Heron",
            target=f"127.0.0.1:{there.number}",
        )  # fmt: skip
        self.ports.use((waits, self.invites))
        self.a, self.b = HandedPort(f"{folder}/a"), HandedPort(f"{folder}/b")

    def turn(self, seconds: float) -> None:
        until = time.monotonic() + seconds
        while time.monotonic() < until:
            ready, _, _ = select.select(self.ports.sockets(), [], [], 0.005)
            self.ports.take(ready)
            self.ports.turn(raw_ns())

    def problems(self) -> dict[str, str]:
        return {s.device: s.problem for s in self.ports.states()}


@pytest.fixture
def ends(own_folders: Path, unannounced: None, monkeypatch: pytest.MonkeyPatch) -> Iterator[Ends]:
    del unannounced
    monkeypatch.setattr(session_port, "PORTS", range(27_004, 27_204, 2))
    made = Ends(own_folders)
    yield made
    made.ports.close()
    made.a.close()
    made.b.close()


def test_midi_goes_both_ways_in_a_session(ends: Ends) -> None:
    """Once invited, with its time; before that what is to be done is said."""
    assert "waits to be invited, at port 27" in ends.problems()["a"]
    ends.turn(0.3)
    assert ends.problems() == {"a": "", "b": ""}
    due = raw_ns()
    for n in range(10):
        ends.a.send(bytes((0x90, 60 + n, 100)), due + n * 5_000_000)
        ends.b.send(b"\xf8", due + n * 5_000_000)
        ends.turn(0.01)
    ends.turn(0.1)
    assert [data for _, data in ends.b.receive()] == [bytes((0x90, 60 + n, 100)) for n in range(10)]
    clocks = [at_ns for at_ns, data in ends.a.receive() if data == b"\xf8"]
    assert len(clocks) == 10
    apart = [(b - a) / 1e6 for a, b in pairwise(clocks)]
    assert max(abs(ms - 5) for ms in apart) < 0.5  # stamps count tenths of a millisecond


def test_after_a_goodbye_it_can_be_invited_again(ends: Ends) -> None:
    ends.turn(0.3)
    waits = ends.waits.port
    ends.ports.use((waits,))
    ends.turn(0.1)
    assert ends.problems()["a"] == "Heron left"
    ends.ports.use((waits, ends.invites))
    ends.turn(0.3)
    assert ends.problems() == {"a": "", "b": ""}
