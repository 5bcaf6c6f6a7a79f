"""Ports for MIDI over the network: the engine on one side, RTP on the other."""

from __future__ import annotations

import os
import secrets
import socket
from pathlib import Path

from grebe.errors import NetworkError, ProtocolError
from grebe.network.limits import Bucket
from grebe.protocols.link.session import RtpPort, RtpState
from grebe.protocols.rtp.stream import Receiver, Sender
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
        self._reported_ns = self._looked_ns = 0
        self._networks: list[IpNetwork] = []
        self.unreadable = self.sent = 0
        self._rtp, self._rtcp = _pair(port.listen)
        Path(port.path).unlink(missing_ok=True)
        self._listener = socket.socket(socket.AF_UNIX, socket.SOCK_SEQPACKET)
        self._listener.bind(port.path)
        os.chmod(port.path, 0o600)
        self._listener.listen(2)
        self._listener.setblocking(False)
        self._engines: list[socket.socket] = []

    def sockets(self) -> list[socket.socket]:
        """To be waited on."""
        return [self._listener, self._rtp, self._rtcp, *self._engines]

    def take(self, ready: list[socket.socket]) -> None:
        """Carry what has come in on either side."""
        if self._listener in ready:
            try:
                connected, _ = self._listener.accept()
            except OSError:
                pass
            else:
                connected.setblocking(False)
                self._engines.append(connected)
        for engine in list(self._engines):
            if engine in ready:
                self._from_engine(engine)
        if self._rtp in ready:
            self._from_network()
        if self._rtcp in ready:
            self._reports()

    def _from_engine(self, engine: socket.socket) -> None:
        messages: list[tuple[int, bytes]] = []
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
        if messages and self._target is not None:
            packet = self._sender.packet(sorted(messages, key=lambda timed: timed[0]))
            try:
                self._rtp.sendto(packet, _mapped(self._target))
                self.sent += 1
                self.problem = ""
            except OSError as error:
                self.problem = f"{self.port.target} cannot be reached ({error.strerror})"

    def _from_network(self) -> None:
        for _ in range(AT_ONCE):
            try:
                data, source = self._rtp.recvfrom(MAX_BYTES)
            except OSError:
                return
            now = raw_ns()
            if not self.port.listen or not self._near(str(source[0]), now):
                continue
            if not self._bucket.take(now):
                continue
            try:
                timed = self._receiver.receive(data, now)
            except ProtocolError:
                self.unreadable += 1
                continue
            self._source = (str(source[0]), int(source[1]))
            reports = [played(message, at_ns) for at_ns, message in timed]
            for begin in range(0, len(reports), AT_ONCE):
                self._to_engines(encode_reports(reports[begin : begin + AT_ONCE]))

    def _near(self, host: str, now_ns: int) -> bool:
        """Whether a sender is on the local network."""
        if now_ns - self._looked_ns > LOOK_NS:
            self._looked_ns, self._networks = now_ns, near_networks()
        return is_near(host, self._networks)

    def _to_engines(self, packet: bytes) -> None:
        for engine in self._engines:
            try:
                engine.send(packet)
            except OSError:
                continue  # it has no time just now, or has gone: what is late is no use to it

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
        for each in self.sockets():
            each.close()
        Path(self.port.path).unlink(missing_ok=True)


def _pair(port: int) -> tuple[socket.socket, socket.socket]:
    """RTP at an even port and RTCP at the next; 0 takes any that are free."""
    for wanted in [port] if port else range(5_104, 5_304, 2):
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
    raise NetworkError(f"port {port or 'for RTP'} cannot be listened at ({problem.strerror})")


def _mapped(address: Address) -> Address:
    """An address as a socket of both families wants it."""
    host, port = address
    return (host if ":" in host else f"::ffff:{host}", port)


class RtpSessions:
    """All ports of one engine."""

    def __init__(self) -> None:
        self._ports: dict[str, NetworkPort] = {}
        self._problems: dict[str, str] = {}

    @property
    def on(self) -> bool:
        """Whether there is any."""
        return bool(self._ports or self._problems)

    def use(self, wanted: tuple[RtpPort, ...]) -> None:
        """Have just these; those that stay the same are not touched."""
        keep = {p.device: p for p in wanted}
        for device, there in list(self._ports.items()):
            if keep.get(device) != there.port:
                self._ports.pop(device).close()
        self._problems.clear()
        for device, port in keep.items():
            if device not in self._ports:
                try:
                    self._ports[device] = NetworkPort(port)
                except (NetworkError, OSError) as error:
                    self._problems[device] = str(error)

    def sockets(self) -> list[socket.socket]:
        """To be waited on."""
        return [s for port in self._ports.values() for s in port.sockets()]

    def take(self, ready: list[socket.socket]) -> None:
        """Carry what has come in."""
        for port in self._ports.values():
            port.take(ready)

    def turn(self, now_ns: int) -> None:
        """What is due."""
        for port in self._ports.values():
            port.turn(now_ns)

    def states(self) -> tuple[RtpState, ...]:
        """How each is doing."""
        bad = (RtpState(device=d, problem=p) for d, p in self._problems.items())
        return (*(p.state() for p in self._ports.values()), *bad)

    def close(self) -> None:
        """Close all."""
        for port in self._ports.values():
            port.close()
        self._ports.clear()
