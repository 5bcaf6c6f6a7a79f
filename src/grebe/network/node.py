"""One peer on real sockets."""

from __future__ import annotations

import secrets
import select
import socket
from contextlib import suppress
from typing import NamedTuple

from grebe.core.session.gossip import OutgoingPacket
from grebe.core.session.packets import Packet, Pong
from grebe.core.session.peer import Peer
from grebe.core.session.use import SessionUse
from grebe.errors import NetworkError, OtherVersion, ProtocolError
from grebe.network.discovery import Discovery
from grebe.network.limits import Gatekeeper
from grebe.protocols.session.packets import decode, encode, session_key, session_tag
from grebe.transports.clock import Sleep, raw_ns
from grebe.transports.udp import Address, Datagram, Udp, addresses_here, resolve
from grebe.words import tr

AT_ONCE = 256
"""Packets read before time is looked at again."""
LONGEST_WAIT_S = 0.05
LOOK_AGAIN_NS = 2_000_000_000
"""How often interfaces are looked at: one may have come up."""
SLEEP_NS = 500_000_000
ALONE_NS = 8_000_000_000
"""After so long with nobody heard it is said what may be in the way."""


class Counts:
    """What was dropped, and why."""

    def __init__(self) -> None:
        self.malformed = self.other_version = self.other_session = self.far = 0

    def as_dict(self, node: Node) -> dict[str, int]:
        """All of them by name."""
        return {
            "malformed": self.malformed,
            "other_version": self.other_version,
            "other_session": self.other_session,
            "from_afar": self.far,
            "too_many": node.gate.refused,
            "replayed_or_impossible": node.peer.dropped,
            "not_sent": node.udp.unreached,
        }


class Warp(NamedTuple):
    """A clock made to differ from this computer's, where peers are tried out on one machine."""

    offset_ns: int = 0
    skew: float = 0.0

    def ns(self, raw: int) -> int:
        """Its time at a time of CLOCK_MONOTONIC_RAW."""
        return raw + self.offset_ns + round(raw * self.skew)


class Node:
    """A peer, its sockets and its discovery."""

    def __init__(
        self,
        use: SessionUse,
        *,
        passphrase: str = "",
        bpm: float = 120.0,
        discover: bool = True,
        downbeat_ns: int | None = None,
        warp: Warp | None = None,
    ) -> None:
        """NetworkError when there is no network, or an address is none."""
        self.use = use
        self._warp = warp or Warp()
        self.udp = Udp(use.interface)
        self.session = session_tag(use.name)
        self.key = session_key(use.name, passphrase)
        self.counts = Counts()
        self.gate = Gatekeeper()
        self.problem = self.udp.deaf
        self.sent_bytes = self.received_bytes = 0
        name = use.peer or socket.gethostname()
        self.peer = Peer(
            secrets.randbits(63) | 1,
            name,
            self.now_ns(),
            bpm=bpm,
            quantum_beats=use.quantum_beats,
            sealed=bool(passphrase),
            shares_starts=use.shares_starts,
            downbeat_ns=downbeat_ns,
        )
        self._typed: list[Address] = []
        for text in use.addresses:
            try:
                self._typed.append(resolve(text))
            except NetworkError as error:
                self.problem = str(error)
        self._discovery = (
            Discovery(name, self.udp.port, self.session, use.interface) if discover else None
        )
        self._sleep = Sleep()
        self._begun = self._looked = self._slept = self.now_ns()

    @property
    def dropped(self) -> int:
        """Packets that were no good, from afar, or too many; other sessions' do not count."""
        counts = self.counts
        bad = counts.malformed + counts.other_version + counts.far
        return bad + self.gate.refused + self.peer.dropped

    def now_ns(self) -> int:
        """The peer's clock: CLOCK_MONOTONIC_RAW, unless it is made to differ."""
        return self.clock_at(raw_ns())

    def clock_at(self, raw: int) -> int:
        """The same at a time of CLOCK_MONOTONIC_RAW."""
        return self._warp.ns(raw)

    def sockets(self) -> list[socket.socket]:
        """To be waited on."""
        return self.udp.sockets()

    def wait_s(self) -> float:
        """How long it may be waited for something to come in."""
        return max(0.0, min(LONGEST_WAIT_S, (self.peer.next_ns - self.now_ns()) / 1e9))

    def run_once(self) -> None:
        """Wait for what comes in or is due, and do it."""
        ready, _, _ = select.select(self.sockets(), [], [], self.wait_s())
        self.take(ready)
        self.turn()

    def take(self, ready: list[socket.socket]) -> None:
        """Read what has come in."""
        known = {o.address for o in self.peer.membership.others.values() if o.proven}
        for each in ready:
            for datagram in self.udp.receive(each, AT_ONCE):
                self._take(datagram, known=datagram.source in known)

    def _take(self, datagram: Datagram, *, known: bool) -> None:
        self.received_bytes += len(datagram.data)
        if not datagram.near:
            self.counts.far += 1
            return
        if not self.gate.admits(datagram.source, datagram.at_ns, known=known):
            return
        try:
            packet = decode(datagram.data, self.session, self.key)
        except OtherVersion as error:
            self.counts.other_version += 1
            self.problem = f"{error} ({datagram.source[0]})"
            return
        except ProtocolError:
            self.counts.malformed += 1
            return
        if packet is None:
            self.counts.other_session += 1
            return
        at_ns = self.clock_at(datagram.at_ns)
        for sending in self.peer.receive(packet, datagram.source, at_ns, beacon=datagram.beacon):
            self._send(sending)

    def turn(self) -> None:
        """Do what is due."""
        now = self.now_ns()
        if now - self._slept > SLEEP_NS:
            self._slept = now
            if self._sleep.noticed_s():
                self.peer.woke(now)
        if now - self._looked > LOOK_AGAIN_NS:
            self._looked = now
            self.udp.look_again()
        for sending in self.peer.poll(now):
            self._send(sending)
        for sending in self.peer.ask(self.now_ns()):
            self._send(sending)

    def _send(self, sending: OutgoingPacket) -> None:
        packet = sending.packet
        if isinstance(packet.body, Pong):
            packet = Packet(packet.sender, packet.seq, packet.body._replace(t3=self.now_ns()))
        data = encode(packet, self.session, self.key)
        self.sent_bytes += len(data)
        if sending.to is not None:
            assert isinstance(sending.to, tuple)
            self.udp.send(data, sending.to)
            return
        self.udp.beacon(data)
        known = {o.address for o in self.peer.membership.others.values()}
        found = self._discovery.found() if self._discovery is not None else []
        for address in {*self._typed, *found} - known:
            self.udp.send(encode(self.peer.again(packet), self.session, self.key), address)

    def why_alone(self) -> str:
        """What may keep others away, and what to do: "" while somebody is heard, or at first.

        Two computers that do not hear each other both begin a session, and neither can know.
        """
        if self.peer.membership.others or self.now_ns() - self._begun < ALONE_NS:
            return ""
        known = self._discovery.problem if self._discovery is not None else ""
        outside, _ = addresses_here(self.use.interface)
        if not outside:
            return known or tr("nobody else is heard: this computer is on no network")
        hint = tr(
            "nobody else is heard. If somebody should be, the network may keep multicast back: "
            "type this computer's address at the other one, {address}, or the other's here",
            address=f"{outside[0]}:{self.udp.port}",
        )
        return f"{known}; {hint}" if known else hint

    def close(self) -> None:
        """Say goodbye and let go of everything."""
        with suppress(OSError):
            for sending in self.peer.leave():
                self._send(sending)
        if self._discovery is not None:
            self._discovery.close()
        self.udp.close()
