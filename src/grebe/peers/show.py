"""This computer's stage, shown to others of the session. Nothing can be asked of it there."""

from __future__ import annotations

import secrets
import socket

from grebe.errors import ProtocolError
from grebe.link.messages import Shown, Status, pack
from grebe.protocols import stage
from grebe.wires.udp import is_near, near_networks

EVERY_NS = 60_000_000
MOST_WATCHERS = 8
MAX_UNSENT_BYTES = 24 * 1024 * 1024
PROVED_WITHIN_NS = 5_000_000_000


class Watcher:
    """One that watches, or is about to."""

    def __init__(self, connected: socket.socket, now_ns: int) -> None:
        connected.setblocking(False)
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
        if bytes(proof) != stage.proof(key, stage.WATCHER, self.random, theirs):
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

    def __init__(self, key: bytes) -> None:
        """OSError where no port can be had."""
        self._key = key
        self._door = socket.create_server(
            ("::", 0), family=socket.AF_INET6, dualstack_ipv6=socket.has_dualstack_ipv6()
        )
        self._door.setblocking(False)
        self.port: int = self._door.getsockname()[1]
        self._watchers: list[Watcher] = []
        self._shown: Shown | None = None
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
                if watcher.turn(self._key) and self._shown is not None:
                    watcher.say(pack(self._shown))
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
        try:
            connected, source = self._door.accept()
        except OSError:
            return
        near = is_near(str(source[0]), near_networks())
        if len(self._watchers) >= MOST_WATCHERS or not near:
            self.refused += 1
            connected.close()
        else:
            self._watchers.append(Watcher(connected, now_ns))

    def shown(self, shown: Shown) -> None:
        """The document has changed."""
        self._shown = shown
        self._say(pack(shown))

    def status(self, status: Status, now_ns: int) -> None:
        """The engine's word: passed on some times a second."""
        if now_ns - self._told_ns >= EVERY_NS:
            self._told_ns = now_ns
            self._say(pack(status))

    def _say(self, frame: bytes) -> None:
        for watcher in self._watchers:
            if watcher.frames is not None:
                watcher.say(frame)

    def close(self) -> None:
        """Close the door."""
        for watcher in self._watchers:
            watcher.socket.close()
        self._door.close()
