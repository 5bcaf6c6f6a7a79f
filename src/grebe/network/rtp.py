"""Ports for MIDI over the network: the engine on one side, RTP on the other."""

from __future__ import annotations

import os
import secrets
import socket
from collections.abc import Iterator
from pathlib import Path

from grebe.errors import NetworkError, ProtocolError
from grebe.network.limits import Bucket
from grebe.protocols.link.session import RtpPort, RtpState
from grebe.protocols.rtp.stream import Receiver, Sender, Timed
from grebe.protocols.standin.reports import encode_reports, played
from grebe.transports.clock import raw_ns
from grebe.transports.rtp import unpack
from grebe.transports.udp import Address, IpNetwork, is_near, near_networks, resolve

REPORT_NS = 1_000_000_000
LOOK_NS = 5_000_000_000
"""How often it is looked which networks there are."""
AT_ONCE = 64
MAX_BYTES = 2_048
A_SECOND, BURST = 2_000.0, 500.0
LONGEST_REPORT = 3
FREE = range(5_104, 5_304, 2)
"""RTP at an even port and RTCP at the next, where nobody said which."""


class EngineSide:
    """Where the engine hands over a device's MIDI, and is told what comes."""

    def __init__(self, path: str) -> None:
        self._path = Path(path)
        self._path.unlink(missing_ok=True)
        self._listener = socket.socket(socket.AF_UNIX, socket.SOCK_SEQPACKET)
        self._listener.bind(path)
        os.chmod(path, 0o600)
        self._listener.listen(2)
        self._listener.setblocking(False)
        self._engines: list[socket.socket] = []

    def sockets(self) -> list[socket.socket]:
        """To be waited on."""
        return [self._listener, *self._engines]

    def take(self, ready: list[socket.socket]) -> list[Timed]:
        """What has been handed over, in order of when it is due."""
        if self._listener in ready:
            try:
                connected, _ = self._listener.accept()
            except OSError:
                pass
            else:
                connected.setblocking(False)
                self._engines.append(connected)
        messages = [m for e in list(self._engines) if e in ready for m in self._from_engine(e)]
        return sorted(messages, key=lambda timed: timed[0])

    def _from_engine(self, engine: socket.socket) -> list[Timed]:
        messages: list[Timed] = []
        for _ in range(AT_ONCE):
            try:
                data = engine.recv(MAX_BYTES)
            except BlockingIOError:
                break
            except OSError:
                data = b""
            if not data:
                engine.close()
                self._engines.remove(engine)
                break
            due_ns, message = unpack(data)
            if message and len(message) <= LONGEST_REPORT:  # system exclusive is left out
                messages.append((due_ns, message))
        return messages

    def tell(self, timed: list[Timed]) -> None:
        """What came over the network."""
        reports = [played(message, at_ns) for at_ns, message in timed]
        for begin in range(0, len(reports), AT_ONCE):
            packet = encode_reports(reports[begin : begin + AT_ONCE])
            for engine in self._engines:
                try:
                    engine.send(packet)
                except OSError:
                    continue  # it has no time just now, or has gone: what is late is no use to it

    def close(self) -> None:
        """Let go of it."""
        for each in self.sockets():
            each.close()
        self._path.unlink(missing_ok=True)


class Near:
    """Whether a sender is on the local network."""

    def __init__(self) -> None:
        self._looked_ns = 0
        self._networks: list[IpNetwork] = []

    def has(self, host: str, now_ns: int) -> bool:
        """Look at most every few seconds which networks there are."""
        if now_ns - self._looked_ns > LOOK_NS or not self._networks:
            self._looked_ns, self._networks = now_ns, near_networks()
        return is_near(host, self._networks)


def arrived(
    ours: socket.socket, near: Near, bucket: Bucket
) -> Iterator[tuple[bytes, Address, int]]:
    """What has come in from near, and not too much of it: packet, sender, time."""
    for _ in range(AT_ONCE):
        try:
            data, source = ours.recvfrom(MAX_BYTES)
        except OSError:
            return
        now = raw_ns()
        address = (str(source[0]), int(source[1]))
        if near.has(address[0], now) and bucket.take(now):
            yield data, address, now


class NetworkPort:
    """One device: MIDI out to an address, MIDI in at a port, or both."""

    def __init__(self, port: RtpPort) -> None:
        """NetworkError or OSError where it cannot be opened."""
        self.port = port
        self.problem = ""
        self._target: Address | None = resolve(port.target, 5004) if port.target else None
        self._sender = Sender(secrets.randbits(32), secrets.randbits(15), secrets.randbits(31))
        self._receiver = Receiver(secrets.randbits(32))
        self._bucket = Bucket(A_SECOND, BURST)
        self._source: Address | None = None
        self._reported_ns = 0
        self._near = Near()
        self.unreadable = self.sent = 0
        self._rtp, self._rtcp = pair(range(port.listen, port.listen + 1) if port.listen else FREE)
        self._engine = EngineSide(port.path)

    def sockets(self) -> list[socket.socket]:
        """To be waited on."""
        return [self._rtp, self._rtcp, *self._engine.sockets()]

    def take(self, ready: list[socket.socket]) -> None:
        """Carry what has come in on either side."""
        self._send(self._engine.take(ready))
        if self._rtp in ready:
            self._from_network()
        if self._rtcp in ready:
            self._reports()

    def _send(self, messages: list[Timed]) -> None:
        if not messages or self._target is None:
            return
        try:
            self._rtp.sendto(self._sender.packet(messages), mapped(self._target))
            self.sent += 1
            self.problem = ""
        except OSError as error:
            self.problem = f"{self.port.target} cannot be reached ({error.strerror})"

    def _from_network(self) -> None:
        for data, source, now in arrived(self._rtp, self._near, self._bucket):
            if not self.port.listen:
                continue
            try:
                timed = self._receiver.receive(data, now)
            except ProtocolError:
                self.unreadable += 1
                continue
            self._source = source
            self._engine.tell(timed)

    def _reports(self) -> None:
        for _ in range(AT_ONCE):
            try:
                data = self._rtcp.recv(MAX_BYTES)
            except OSError:
                return
            try:
                self._sender.hear(data)
            except ProtocolError:
                self.unreadable += 1

    def turn(self, now_ns: int) -> None:
        """Tell the sender what has come."""
        if now_ns - self._reported_ns < REPORT_NS or self._source is None:
            return
        self._reported_ns = now_ns
        report = self._receiver.report()
        if report is not None:
            host, port = self._source
            try:
                self._rtcp.sendto(report, (host, port + 1))
            except OSError as error:
                self.problem = f"{host} cannot be told what has come ({error.strerror})"

    def state(self) -> RtpState:
        """How it is doing."""
        receiver = self._receiver
        return RtpState(
            device=self.port.device,
            sent=self.sent,
            received=receiver.received,
            lost=receiver.lost,
            repaired=receiver.repaired,
            unreadable=self.unreadable,
            problem=self.problem,
        )

    def close(self) -> None:
        """Let go of all sockets."""
        self._engine.close()
        self._rtp.close()
        self._rtcp.close()


def pair(ports: range) -> tuple[socket.socket, socket.socket]:
    """Sockets at the first of these ports that is free with the next one. NetworkError for none."""
    for wanted in ports:
        made = [socket.socket(socket.AF_INET6, socket.SOCK_DGRAM) for _ in range(2)]
        try:
            for number, each in enumerate(made):
                each.setsockopt(socket.IPPROTO_IPV6, socket.IPV6_V6ONLY, 0)
                each.setblocking(False)
                each.bind(("::", wanted + number))
        except OSError as error:
            problem = error
            for each in made:
                each.close()
        else:
            return made[0], made[1]
    raise NetworkError(f"port {ports[0]} cannot be listened at ({problem.strerror})")


def mapped(address: Address) -> Address:
    """An address as a socket of both families wants it."""
    host, port = address
    return (host if ":" in host else f"::ffff:{host}", port)
