"""OSC on sockets: who is told, who may ask, how often."""

from __future__ import annotations

import ipaddress
import socket
import time
from collections.abc import Callable, Iterator
from contextlib import contextmanager, suppress
from heapq import heappop, heappush
from typing import TYPE_CHECKING

from grebe.core.session.use import OscUse
from grebe.errors import GrebeError, NetworkError, at_the_border
from grebe.network.limits import Bucket
from grebe.protocols.link.messages import Status, ToEngine
from grebe.protocols.link.session import OscState, ShowDocument
from grebe.protocols.osc.messages import OscMessage, has_pattern, matching, read_timed, write
from grebe.transports.udp import Address, IpNetwork, is_near, resolve

if TYPE_CHECKING:
    from grebe.app.live.osc_model import Argument, OscModel
    from grebe.app.live.watching import WatchedSession

KEPT_NS = 60_000_000_000
MOST_CLIENTS = 16
MOST_AT_ONCE = 64
A_SECOND, BURST = 200.0, 200.0
"""Messages that are listened to, of all senders together."""
LONGEST_WAIT_S, MOST_WAITING = 60.0, 256
"""Messages of bundles that are meant later are kept so long, and so many."""
MOST_MEANT = 64
"""Addresses that one pattern may mean."""
MAX_BYTES = 2_049
"""One more than may be: what is longer is seen to be."""
LOOPBACK = ("127.0.0.0/8", "::1/128")


class Surfaces:
    """OSC clients of one engine. Times are CLOCK_MONOTONIC_RAW in ns."""

    def __init__(self, tell: Callable[[ToEngine], None]) -> None:
        self._tell = tell
        self._use: OscUse | None = None
        self._sockets: list[socket.socket] = []
        self._allowed: list[IpNetwork] = []
        self._always: list[Address] = []
        self._clients: dict[Address, int] = {}
        """Until when each is told."""
        self._watched: WatchedSession | None = None
        self._model: OscModel | None = None
        self._last: dict[str, tuple[Argument, ...]] = {}
        self._bucket = Bucket(A_SECOND, BURST)
        self._steady_ns = 0
        self._received = self._refused = 0
        self._problem = ""
        self._shown: ShowDocument | None = None
        self._waiting: list[tuple[int, int, OscMessage, Address]] = []
        """A heap of what is meant later: (when, a number, what, whose)."""

    @property
    def on(self) -> bool:
        """Whether it listens."""
        return self._use is not None

    def use(self, use: OscUse | None) -> None:
        """Listen as this says, or no longer."""
        self.close()
        self._use, self._problem = use, ""
        self._clients.clear()
        self._last.clear()
        self._waiting.clear()
        if use is None:
            return
        try:
            self._allowed = [ipaddress.ip_network(s, strict=False) for s in use.senders]
            self._always = [resolve(c) for c in use.clients]
            self._open(use)
        except (ValueError, NetworkError) as error:
            self._problem = str(error)
        except OSError as error:
            self._problem = f"port {use.port} cannot be listened at ({error.strerror})"
        self._allowed += [ipaddress.ip_network(n) for n in LOOPBACK]
        if self._shown is not None:
            self._watch(self._shown)

    def _open(self, use: OscUse) -> None:
        """Only this computer is listened to at all, unless others are allowed."""
        hosts = {
            socket.AF_INET: "0.0.0.0" if use.senders else "127.0.0.1",  # noqa: S104
            socket.AF_INET6: "::" if use.senders else "::1",
        }
        problem: OSError | None = None
        for family, host in hosts.items():
            made = socket.socket(family, socket.SOCK_DGRAM)
            made.setblocking(False)
            try:
                if family == socket.AF_INET6:
                    made.setsockopt(socket.IPPROTO_IPV6, socket.IPV6_V6ONLY, 1)
                made.bind((host, use.port))
            except OSError as error:
                made.close()
                problem = error
            else:
                self._sockets.append(made)
        if problem is not None and not self._sockets:
            raise problem

    def sockets(self) -> list[socket.socket]:
        """To be waited on."""
        return self._sockets

    def shown(self, shown: ShowDocument) -> None:
        """The document, to name things by."""
        self._shown = shown
        if self.on:
            self._watch(shown)

    def _watch(self, shown: ShowDocument) -> None:
        """Read what is shown. What reads it is loaded for OSC alone: it is half of what a process
        that only keeps time with others would load."""
        from grebe.app.live.osc_model import OscModel  # noqa: PLC0415
        from grebe.app.live.watching import WatchedSession  # noqa: PLC0415

        try:
            if self._watched is None:
                self._watched = WatchedSession(shown)
                self._model = OscModel(self._watched.session)
            else:
                self._watched.show(shown)
        except GrebeError as error:
            self._problem = str(error)

    def status(self, status: Status) -> None:
        """The engine's word; what has changed is told at once."""
        if self._watched is None or self._model is None or self._use is None:
            return
        self._watched.hear(status)
        now = self._model.changing()
        changed = {a: v for a, v in now.items() if self._last.get(a) != v}
        self._last = now
        self._say(changed, self._told())

    def turn(self, now_ns: int) -> None:
        """Do what is meant by now, and tell what is told steadily."""
        self._take_due(now_ns)
        use = self._use
        if use is None or self._model is None or now_ns - self._steady_ns < 1e9 / use.hz:
            return
        self._steady_ns = now_ns
        self._clients = {a: until for a, until in self._clients.items() if until > now_ns}
        if self._told():
            self._say(self._model.steady(), self._told())

    def take(self, ready: list[socket.socket], now_ns: int) -> None:
        """Read what has come in."""
        for each in self._sockets:
            if each in ready:
                self._read(each, now_ns)

    def _read(self, each: socket.socket, now_ns: int) -> None:
        for _ in range(MOST_AT_ONCE):
            try:
                data, source = each.recvfrom(MAX_BYTES)
            except OSError:
                return
            sender = (str(source[0]), int(source[1]))
            if not self._may(sender) or not self._bucket.take(now_ns):
                self._refused += 1
                continue
            with self._refusing():
                for message, due_s in read_timed(data):
                    self._take(message, due_s, sender, now_ns)

    def _may(self, sender: Address) -> bool:
        return is_near(sender[0], self._allowed)

    def _ask(self, message: OscMessage, sender: Address, now_ns: int) -> None:
        address, arguments = message
        port = arguments[0] if arguments and isinstance(arguments[0], int) else sender[1]
        client = (sender[0], port)
        if address == "/grebe/subscribe":
            if not 0 < port < 2**16:
                raise ValueError(f"a port goes from 1 to 65535 (got {port})")
            if len(self._clients) >= MOST_CLIENTS and client not in self._clients:
                raise ValueError(f"{MOST_CLIENTS} clients are told already")
            self._clients[client] = now_ns + KEPT_NS
            self._say(self._last, [client])
        elif address == "/grebe/unsubscribe":
            self._clients.pop(client, None)
        elif address == "/grebe/ask":
            self._say(self._last, [sender])
        elif self._model is not None:
            for meant in self._meant(self._model, address):
                for asked in self._model.asked(meant, arguments):
                    self._tell(asked)

    @staticmethod
    def _meant(model: OscModel, address: str) -> list[str]:
        """The addresses that one means: itself, or those that its pattern matches. ValueError
        where it matches none, or too many to be meant."""
        if not has_pattern(address):
            return [address]
        found = matching(address, model.askable())
        if not 1 <= len(found) <= MOST_MEANT:
            raise ValueError(f"{address} means {len(found)} addresses; 1 to {MOST_MEANT} are done")
        return found

    def _take(self, message: OscMessage, due_s: float, sender: Address, now_ns: int) -> None:
        """Do what a message asks, or keep it until it is meant."""
        wait_s = due_s - time.time()
        if wait_s <= 0:
            self._ask(message, sender, now_ns)
            self._received += 1
            return
        if wait_s > LONGEST_WAIT_S or len(self._waiting) >= MOST_WAITING:
            raise ValueError(f"{message.address} is meant in {wait_s:.0f} s: too far, or too many")
        self._received += 1
        heappush(self._waiting, (now_ns + round(wait_s * 1e9), self._received, message, sender))

    def _take_due(self, now_ns: int) -> None:
        while self._waiting and self._waiting[0][0] <= now_ns:
            _, _, message, sender = heappop(self._waiting)
            with self._refusing():
                self._ask(message, sender, now_ns)

    @contextmanager
    def _refusing(self) -> Iterator[None]:
        """What cannot be done is counted and said, and goes no further."""
        try:
            with at_the_border("an OSC message"):
                yield
        except GrebeError as error:
            self._refused += 1
            self._problem = str(error)

    def _told(self) -> list[Address]:
        return [*self._always, *self._clients]

    def _say(self, values: dict[str, tuple[Argument, ...]], clients: list[Address]) -> None:
        if not clients:
            return
        packets = [write(OscMessage(address, value)) for address, value in values.items()]
        for host, port in clients:
            family = socket.AF_INET6 if ":" in host else socket.AF_INET
            for each in self._sockets:
                if each.family == family:
                    for packet in packets:
                        with suppress(OSError):  # a client that has gone is told in vain
                            each.sendto(packet, (host, port))

    def state(self) -> OscState | None:
        """How it is doing; None while it is off."""
        if self._use is None:
            return None
        return OscState(
            port=self._use.port if self._sockets else 0,
            open=bool(self._use.senders),
            clients=tuple(f"{host}:{port}" for host, port in self._told()),
            received=self._received,
            refused=self._refused,
            problem=self._problem,
        )

    def close(self) -> None:
        """Close the sockets."""
        for each in self._sockets:
            each.close()
        self._sockets = []
