"""The session protocol that RTP MIDI is commonly used with: inviting, clocks, goodbye.

There is no standard of it; as practised and as independent implementations have it, it is: packets
that begin with 0xFFFF at a control port, and at the data port, the next one, beside RTP. Whoever
invites does so at the first and then at the second; both tell a name; then the inviter compares
clocks every few seconds, which says that it is there. Stamps count tenths of a millisecond. Pure:
packets and times in, packets out; addresses and sockets are others' business.
"""

from __future__ import annotations

import struct
from typing import Literal, NamedTuple

from grebe.errors import ProtocolError

SERVICE = "_apple-midi._udp.local."
"""As registered with IANA: programs and devices look for each other by it."""
RATE = 10_000
"""Stamps a second, in RTP packets, too."""
VERSION = 2
SIGNATURE = 0xFFFF
INVITES_EVERY_NS = 1_000_000_000
COMPARES_EVERY_NS = (500_000_000, 500_000_000, 1_500_000_000, 1_500_000_000, 10_000_000_000)
"""Some close together at first; the last for good."""
SILENT_NS = 60_000_000_000
"""One who has not compared clocks for so long is gone (as practised)."""
MAX_NAME = 100
_HEAD = struct.Struct(">HHIII")
_CLOCK = struct.Struct(">HHIB3xQQQ")
_FEEDBACK = struct.Struct(">HHIHH")

Channel = Literal["control", "data"]
Outgoing = tuple[Channel, bytes]


def _code(letters: str) -> int:
    return int.from_bytes(letters.encode(), "big")


INVITE, ACCEPT, REFUSE, GOODBYE = map(_code, ("IN", "OK", "NO", "BY"))
CLOCK, FEEDBACK = map(_code, ("CK", "RS"))


class Greeting(NamedTuple):
    """An invitation, an answer to one, or a goodbye."""

    code: int
    token: int
    """The same in an invitation and its answer."""
    ssrc: int
    name: str = ""


class Compared(NamedTuple):
    """Clocks compared: stamps of who began, who answered, who began."""

    ssrc: int
    step: int
    """Which of the three this packet brings, 0 to 2."""
    stamps: tuple[int, int, int]


class Received(NamedTuple):
    """What has come, by its sequence number, so that the journal may forget what was before."""

    ssrc: int
    seq: int


def is_session_packet(data: bytes) -> bool:
    """Whether a packet at the data port is of the session, not RTP."""
    return data[:2] == b"\xff\xff"


def encode_greeting(greeting: Greeting) -> bytes:
    """A greeting as it goes over the wire."""
    head = _HEAD.pack(SIGNATURE, greeting.code, VERSION, greeting.token, greeting.ssrc)
    named = greeting.code in (INVITE, ACCEPT)
    return head + (greeting.name.encode()[:MAX_NAME] + b"\0" if named else b"")


def encode_compared(compared: Compared) -> bytes:
    """A comparison of clocks."""
    return _CLOCK.pack(SIGNATURE, CLOCK, compared.ssrc, compared.step, *compared.stamps)


def encode_received(received: Received) -> bytes:
    """What has come."""
    return _FEEDBACK.pack(SIGNATURE, FEEDBACK, received.ssrc, received.seq, 0)


def decode(data: bytes) -> Greeting | Compared | Received:
    """A packet of the session. ProtocolError for what is none, or is cut short."""
    try:
        signature, code = struct.unpack_from(">HH", data)
        if signature != SIGNATURE:
            raise ProtocolError("no packet of a session")
        if code == CLOCK:
            _, _, ssrc, step, *stamps = _CLOCK.unpack_from(data)
            if step > 2:
                raise ProtocolError("clocks are compared in three steps")
            return Compared(ssrc, step, (stamps[0], stamps[1], stamps[2]))
        if code == FEEDBACK:
            _, _, ssrc, seq, _ = _FEEDBACK.unpack_from(data)
            return Received(ssrc, seq)
        if code not in (INVITE, ACCEPT, REFUSE, GOODBYE):
            raise ProtocolError("a packet of a session, of an unknown kind")
        _, _, version, token, ssrc = _HEAD.unpack_from(data)
    except struct.error as error:
        raise ProtocolError("a packet of a session that is cut short") from error
    if version != VERSION:
        raise ProtocolError(f"version {version} of the session protocol")
    name = data[_HEAD.size :].partition(b"\0")[0][:MAX_NAME]
    return Greeting(code, token, ssrc, name.decode(errors="replace"))


class MidiSession:
    """One participant's side: invites, or waits to be invited. Times are ns on one clock."""

    def __init__(self, name: str, ssrc: int, token: int, *, invites: bool) -> None:
        self.name, self.ssrc, self.token = name, ssrc, token
        self.invites = invites
        self.phase: Literal["alone", "control", "data", "together"] = "alone"
        """`control`, `data`: invited there, and not yet answered."""
        self.other = ""
        """What the other calls itself, once it is known."""
        self.other_ssrc = 0
        self.problem = ""
        self.round_trip_ns: int | None = None
        self._asked_ns: int | None = None
        self._heard_ns = 0
        self._compared = 0
        self._compare_at = 0

    def turn(self, now_ns: int) -> list[Outgoing]:
        """What is due."""
        if self.phase == "together":
            if now_ns - self._heard_ns > SILENT_NS:
                self._part(f"{self.other} went away")
            elif self.invites and now_ns >= self._compare_at:
                last = len(COMPARES_EVERY_NS) - 1
                self._compare_at = now_ns + COMPARES_EVERY_NS[min(self._compared, last)]
                self._compared += 1
                return [("data", encode_compared(Compared(self.ssrc, 0, (_stamp(now_ns), 0, 0))))]
            return []
        if not self.invites or (
            self._asked_ns is not None and now_ns - self._asked_ns < INVITES_EVERY_NS
        ):
            return []
        self._asked_ns = now_ns
        channel: Channel = "data" if self.phase == "data" else "control"
        self.phase = channel
        return [(channel, self._greeting(INVITE, self.token))]

    def hear(self, data: bytes, channel: Channel, now_ns: int) -> list[Outgoing]:
        """Take in a packet; what to answer. ProtocolError for one that makes no sense."""
        heard = decode(data)
        if isinstance(heard, Received):
            return []
        if isinstance(heard, Compared):
            return self._compare(heard, now_ns)
        if heard.code == GOODBYE:
            if heard.ssrc == self.other_ssrc:
                self._part(f"{self.other} left")
            return []
        if heard.code == INVITE:
            return self._invited(heard, channel, now_ns)
        if not self.invites or heard.token != self.token or self.phase != channel:
            return []
        if heard.code == REFUSE:
            self._part("the other computer refused")
            return []
        self.other, self.other_ssrc = heard.name or self.other, heard.ssrc
        if channel == "control":
            self.phase, self._asked_ns = "data", now_ns
            return [("data", self._greeting(INVITE, self.token))]
        self._join(now_ns)
        return self.turn(now_ns)

    def _invited(self, heard: Greeting, channel: Channel, now_ns: int) -> list[Outgoing]:
        taken = self.phase in ("data", "together") and heard.ssrc != self.other_ssrc
        if self.invites or taken:
            return [(channel, encode_greeting(Greeting(REFUSE, heard.token, self.ssrc)))]
        self.other, self.other_ssrc = heard.name, heard.ssrc
        if channel == "data":
            self._join(now_ns)
        elif self.phase != "together":
            self.phase = "data"
        return [(channel, self._greeting(ACCEPT, heard.token))]

    def _compare(self, heard: Compared, now_ns: int) -> list[Outgoing]:
        if self.phase != "together" or heard.ssrc != self.other_ssrc:
            return []
        self._heard_ns = now_ns
        first, second, _ = heard.stamps
        if heard.step == 0:
            answer = Compared(self.ssrc, 1, (first, _stamp(now_ns), 0))
        elif heard.step == 1:
            self.round_trip_ns = (_stamp(now_ns) - first) * 1_000_000_000 // RATE
            answer = Compared(self.ssrc, 2, (first, second, _stamp(now_ns)))
        else:
            return []
        return [("data", encode_compared(answer))]

    def received(self, seq: int) -> list[Outgoing]:
        """Tell the other up to which packet all has come."""
        if self.phase != "together":
            return []
        return [("control", encode_received(Received(self.ssrc, seq & 0xFFFF)))]

    def leave(self) -> list[Outgoing]:
        """Say goodbye, where there is somebody to say it to."""
        if self.phase == "alone":
            return []
        self._part("")
        return [("control", encode_greeting(Greeting(GOODBYE, self.token, self.ssrc)))]

    def _join(self, now_ns: int) -> None:
        self.phase, self.problem = "together", ""
        self._heard_ns = self._compare_at = now_ns
        self._compared = 0

    def _part(self, why: str) -> None:
        self.phase, self.problem = "alone", why
        self.other_ssrc = 0

    def _greeting(self, code: int, token: int) -> bytes:
        return encode_greeting(Greeting(code, token, self.ssrc, self.name))


def _stamp(at_ns: int) -> int:
    return at_ns * RATE // 1_000_000_000
