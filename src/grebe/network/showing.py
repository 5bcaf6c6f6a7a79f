"""This computer's stage, shown to others of the session. Nothing can be asked of it there."""

from __future__ import annotations

import secrets
import socket
from collections.abc import Callable

import msgspec

from grebe.core.showing import shown_project
from grebe.errors import ProtocolError, at_the_border
from grebe.formats.project import parse_project, project_bytes
from grebe.protocols.link.messages import Status, pack
from grebe.protocols.link.session import ShowDocument
from grebe.protocols.session import stage
from grebe.transports.udp import is_near, near_networks, plain_host

EVERY_NS = 60_000_000
MOST_WATCHERS = 8
MOST_WAITING, MOST_WAITING_EACH = 8, 2
"""Connections that have not proved anything yet: of all, and of one computer."""
AT_ONCE = 64
"""Connections taken in one turn."""
MAX_UNSENT_BYTES = 24 * 1024 * 1024
PROVED_WITHIN_NS = 5_000_000_000


def shown_status(status: Status) -> Status:
    """The engine's word as another computer's Stage needs it: no ports, nothing of who else is
    there, nothing that was played in."""
    devices = tuple(msgspec.structs.replace(d, detail="", line_problem="") for d in status.devices)
    return msgspec.structs.replace(status, devices=devices, peers=None, played=(), heard=())


class StageWatcher:
    """One that watches, or is about to."""

    def __init__(self, connected: socket.socket, host: str, now_ns: int) -> None:
        connected.setblocking(False)
        self.host = host
        self.socket = connected
        self.since_ns = now_ns
        self.frames: stage.Frames | None = None
        self.random = secrets.token_bytes(stage.RANDOM_BYTES)
        self._heard = bytearray()
        self._unsent = bytearray(stage.hello(self.random))
        self.open = True

    def turn(self, key: bytes) -> bool:
        """Go on proving; whether it may watch from now on. ProtocolError where it may not."""
        if self.frames is not None:
            return False
        try:
            self._heard += self.socket.recv(256)
        except BlockingIOError:
            return False
        except OSError:
            self.open = False
            return False
        hello, proof = self._heard[: stage.HELLO_BYTES], self._heard[stage.HELLO_BYTES :]
        if len(hello) < stage.HELLO_BYTES or len(proof) < stage.PROOF_BYTES:
            self.open = len(self._heard) > 0
            return False
        theirs = stage.read_hello(bytes(hello))
        if not stage.proves(bytes(proof), key, stage.WATCHER, self.random, theirs):
            raise ProtocolError("a watcher without the passphrase")
        self._unsent += stage.proof(key, stage.SHOWER, self.random, theirs)
        self.frames = stage.Frames(key, self.random, theirs)
        return True

    def say(self, frame: bytes) -> None:
        """Send a frame when it has room; one that does not read is let go."""
        assert self.frames is not None
        self._unsent += self.frames.wrap(frame)
        self.open = self.open and len(self._unsent) < MAX_UNSENT_BYTES

    def flush(self) -> None:
        """Send what it takes now."""
        if not self._unsent or not self.open:
            return
        try:
            sent = self.socket.send(self._unsent)
            del self._unsent[:sent]
        except BlockingIOError:
            return
        except OSError:
            self.open = False


class Showing:
    """The door, and those that watch."""

    def __init__(self, key: bytes, accepts: Callable[[str], bool]) -> None:
        """`accepts` says whether a computer at an address may watch where there is no passphrase.

        OSError where no port can be had.
        """
        self._key = key
        self._accepts = accepts
        self._door = socket.create_server(
            ("::", 0), family=socket.AF_INET6, dualstack_ipv6=socket.has_dualstack_ipv6()
        )
        self._door.setblocking(False)
        self.port: int = self._door.getsockname()[1]
        self._watchers: list[StageWatcher] = []
        self._shown: bytes | None = None
        self._told_ns = 0
        self.refused = 0

    @property
    def watched(self) -> int:
        """How many watch."""
        return sum(w.frames is not None for w in self._watchers)

    def sockets(self) -> list[socket.socket]:
        """To be waited on."""
        return [self._door, *(w.socket for w in self._watchers)]

    def turn(self, now_ns: int) -> None:
        """Let in, prove, send on, let go."""
        self._let_in(now_ns)
        for watcher in self._watchers:
            try:
                with at_the_border("a watcher's words"):
                    if watcher.turn(self._key) and self._shown is not None:
                        watcher.say(self._shown)
            except ProtocolError:
                self.refused += 1
                watcher.open = False
            slow = watcher.frames is None and now_ns - watcher.since_ns > PROVED_WITHIN_NS
            watcher.open = watcher.open and not slow
            watcher.flush()
            if not watcher.open:
                watcher.socket.close()
        self._watchers = [w for w in self._watchers if w.open]

    def _let_in(self, now_ns: int) -> None:
        for _ in range(AT_ONCE):
            try:
                connected, source = self._door.accept()
            except OSError:
                return
            host = plain_host(str(source[0]))
            near = is_near(host, near_networks())
            if self.watched >= MOST_WATCHERS or not near or not (self._key or self._accepts(host)):
                self.refused += 1
                connected.close()
                continue
            self._make_room(host)
            self._watchers.append(StageWatcher(connected, host, now_ns))

    def _make_room(self, host: str) -> None:
        """Those that say nothing shut out nobody: the oldest of them goes, first of one's own."""
        waiting = [w for w in self._watchers if w.frames is None]
        own = [w for w in waiting if w.host == host]
        crowded = own if len(own) >= MOST_WAITING_EACH else waiting
        if len(own) >= MOST_WAITING_EACH or len(waiting) >= MOST_WAITING:
            self.refused += 1
            crowded[0].open = False
            crowded[0].socket.close()
            self._watchers.remove(crowded[0])

    def shown(self, shown: ShowDocument) -> None:
        """The document has changed: what Stage shows of it is passed on."""
        opened = parse_project(shown.project, "the document shown").project
        seen = shown_project(opened, shown.song, shown.set, whole_set=shown.whole_set)
        self._shown = pack(msgspec.structs.replace(shown, project=project_bytes(seen)))
        self._say(self._shown)

    def status(self, status: Status, now_ns: int) -> None:
        """The engine's word: passed on some times a second."""
        if now_ns - self._told_ns >= EVERY_NS:
            self._told_ns = now_ns
            self._say(pack(shown_status(status)))

    def _say(self, frame: bytes) -> None:
        for watcher in self._watchers:
            if watcher.frames is not None:
                watcher.say(frame)

    def close(self) -> None:
        """Close the door."""
        for watcher in self._watchers:
            watcher.socket.close()
        self._door.close()
