"""A device in a session of RTP MIDI: it is invited, or invites, and MIDI goes both ways."""

from __future__ import annotations

import secrets
import socket

from grebe.errors import ProtocolError
from grebe.network.discovery import Announced
from grebe.network.limits import Bucket
from grebe.network.rtp import (
    A_SECOND,
    BURST,
    REPORT_NS,
    EngineSide,
    Near,
    arrived,
    mapped,
    pair,
)
from grebe.protocols.link.session import RtpPort, RtpState
from grebe.protocols.rtp.invitation import (
    RATE,
    SERVICE,
    Channel,
    MidiSession,
    Outgoing,
    Received,
    decode,
    is_session_packet,
)
from grebe.protocols.rtp.stream import Receiver, Sender, Timed
from grebe.transports.udp import Address, resolve

PORTS = range(5_004, 5_104, 2)
"""Where others look first, and then on: the control port; data is at the next."""


class SessionPort:
    """One device, and whoever is in a session with it. The inviting is as the protocol has it."""

    def __init__(self, port: RtpPort) -> None:
        """NetworkError or OSError where it cannot be opened."""
        self.port = port
        self._control, self._data = pair(PORTS)
        self.number = int(self._control.getsockname()[1])
        """Port that it is invited at."""
        ssrc = secrets.randbits(32)
        self._session = MidiSession(
            port.name, ssrc, secrets.randbits(32), invites=port.session == "invites"
        )
        self._sender = Sender(ssrc, secrets.randbits(15), secrets.randbits(31), RATE)
        self._receiver = Receiver(ssrc, RATE)
        self._bucket = Bucket(A_SECOND, BURST)
        self._near = Near()
        self._other: Address | None = resolve(port.target, 5004) if port.target else None
        """Its control port."""
        self._told_ns = 0
        self.sent = self.unreadable = 0
        self._problem = ""
        self._engine = EngineSide(port.path)
        self._announced = (
            None if self._session.invites else Announced(SERVICE, port.name[:60], self.number)
        )

    def sockets(self) -> list[socket.socket]:
        """To be waited on."""
        return [self._control, self._data, *self._engine.sockets()]

    def take(self, ready: list[socket.socket]) -> None:
        """Carry what has come in on either side."""
        self._play(self._engine.take(ready))
        if self._control in ready:
            self._from_network(self._control, "control")
        if self._data in ready:
            self._from_network(self._data, "data")

    def _play(self, messages: list[Timed]) -> None:
        if messages and self._session.phase == "together":
            self._out([("data", self._sender.packet(messages))])
            self.sent += 1

    def _from_network(self, ours: socket.socket, channel: Channel) -> None:
        for data, source, now in arrived(ours, self._near, self._bucket):
            try:
                self._heard(data, channel, source, now)
            except ProtocolError:
                self.unreadable += 1

    def _heard(self, data: bytes, channel: Channel, source: Address, now: int) -> None:
        session = self._session
        at_control = (source[0], source[1] - (channel == "data"))
        if not is_session_packet(data):
            if session.phase == "together" and channel == "data" and at_control == self._at():
                self._engine.tell(self._receiver.receive(data, now))
            return
        heard = decode(data)
        if isinstance(heard, Received):
            if at_control == self._at():
                self._sender.has_come(heard.seq)
            return
        was, ssrc = self._other, session.other_ssrc
        self._other = at_control  # where the answer goes
        answers = session.hear(data, channel, now)
        self._out(answers)
        if was is not None and (session.invites or session.other_ssrc == ssrc != 0):
            self._other = was  # a stranger that was refused

    def _at(self) -> Address | None:
        return None if self._other is None else mapped(self._other)

    def _out(self, packets: list[Outgoing]) -> None:
        if self._other is None:
            return
        host, port = mapped(self._other)
        for channel, data in packets:
            ours = self._data if channel == "data" else self._control
            try:
                ours.sendto(data, (host, port + (channel == "data")))
                self._problem = ""
            except OSError as error:
                self._problem = f"{self.port.target or host} cannot be reached ({error.strerror})"

    def turn(self, now_ns: int) -> None:
        """What is due: inviting, comparing clocks, telling what has come."""
        self._out(self._session.turn(now_ns))
        if now_ns - self._told_ns >= REPORT_NS and self._receiver.source is not None:
            self._told_ns = now_ns
            self._out(self._session.received(self._receiver.highest))

    def state(self) -> RtpState:
        """How it is doing."""
        receiver, session = self._receiver, self._session
        problem = self._problem or session.problem
        if session.phase != "together" and not problem:
            problem = (
                f"{self.port.target} has not accepted yet" if session.invites
                else f"waits to be invited, at port {self.number}"
            )  # fmt: skip
        return RtpState(
            device=self.port.device, sent=self.sent, received=receiver.received,
            lost=receiver.lost, repaired=receiver.repaired, unreadable=self.unreadable,
            problem="" if session.phase == "together" else problem,
        )  # fmt: skip

    def close(self) -> None:
        """Say goodbye and let go of all sockets."""
        self._out(self._session.leave())
        if self._announced is not None:
            self._announced.close()
        self._engine.close()
        self._control.close()
        self._data.close()
