"""The engine's socket: any number of windows, none of which can hold it up."""

from __future__ import annotations

import os
import socket
from pathlib import Path
from typing import Protocol

from grebe.errors import EngineError, ProtocolError
from grebe.protocols.link.messages import FromEngine, ToEngine, Unpacker, pack, to_engine
from grebe.words import tr

READ_BYTES = 65_536
MAX_UNSENT_BYTES = 8 * 1024 * 1024
"""A window that reads nothing for this long has hung; it is let go and can come back."""
MAX_WINDOWS = 8
BACKLOG = 64
"""That may wait at the door, and are taken in one turn."""


class Connection:
    """One window at the socket: what came in whole, and what waits to go out."""

    def __init__(self, connected: socket.socket) -> None:
        connected.setblocking(False)
        self.socket = connected
        self.greeted = False
        self.wants_status = False
        self.network = False
        """Whether it is the network process."""
        self.open = True
        self._listens = True
        self._unpacker = Unpacker()
        self._unsent = bytearray()

    def receive(self) -> list[ToEngine]:
        """Messages that have come in. ProtocolError for bytes that are none."""
        try:
            data = self.socket.recv(READ_BYTES)
        except BlockingIOError:
            return []
        except OSError:
            data = b""
        if not data:
            self.close()
            return []
        return [to_engine(body) for body in self._unpacker.feed(data)]

    def send(self, message: FromEngine) -> None:
        """Queue a message and send what the window takes now."""
        if self.open and self._listens:
            self._unsent += pack(message)
            self.flush()

    def flush(self) -> None:
        """Send what the window takes now; let go of one that has stopped reading."""
        if not self.open or not self._unsent:
            return
        try:
            sent = self.socket.send(self._unsent)
            del self._unsent[:sent]
        except BlockingIOError:
            if len(self._unsent) > MAX_UNSENT_BYTES:
                self.close()
        except OSError:
            # It hung up. What it said last may still wait to be read: read on to the end.
            self._listens = False
            self._unsent.clear()

    def close(self) -> None:
        """Hang up."""
        self.open = False
        self.socket.close()


class Windows(Protocol):
    """What the engine asks of those that listen to it."""

    connections: list[Connection]

    def poll(self) -> list[tuple[Connection, ToEngine]]:
        """What they say. Never blocks."""

    def sockets(self) -> list[socket.socket]:
        """What can be waited on for something to be said."""

    def tell(self, message: FromEngine, *, status: bool = False) -> None:
        """Say something to all, or to those that want status."""

    def close(self) -> None:
        """Hang up on everybody."""


class Server:
    """Listens at a path only its owner can reach."""

    def __init__(self, path: Path) -> None:
        """EngineError when another engine already listens there."""
        self.path = path
        self.connections: list[Connection] = []
        self._listener = socket.socket(socket.AF_UNIX, socket.SOCK_STREAM)
        if path.exists():
            try:
                self._listener.connect(str(path))
            except OSError:
                path.unlink(missing_ok=True)  # left behind by an engine that was killed
                self._listener.close()
                self._listener = socket.socket(socket.AF_UNIX, socket.SOCK_STREAM)
            else:
                self._listener.close()
                raise EngineError(
                    tr("an engine is already running at {path}; end it: grebe stop", path=path)
                )
        before = os.umask(0o177)
        try:
            self._listener.bind(str(path))
        finally:
            os.umask(before)
        self._listener.listen(BACKLOG)
        self._listener.setblocking(False)

    def poll(self) -> list[tuple[Connection, ToEngine]]:
        """Take in new windows and what they say. Never blocks."""
        self._accept()
        out: list[tuple[Connection, ToEngine]] = []
        for connection in self.connections:
            connection.flush()
            try:
                out += [(connection, message) for message in connection.receive()]
            except ProtocolError:
                connection.close()
        self.connections = [c for c in self.connections if c.open]
        return out

    def sockets(self) -> list[socket.socket]:
        """Windows, and the door for new ones."""
        return [self._listener, *(c.socket for c in self.connections if c.open)]

    def _accept(self) -> None:
        for _ in range(BACKLOG):
            try:
                connected, _ = self._listener.accept()
            except OSError:
                return
            if len(self.connections) >= MAX_WINDOWS:
                self._make_room()
            if len(self.connections) >= MAX_WINDOWS:
                connected.close()
            else:
                self.connections.append(Connection(connected))

    def _make_room(self) -> None:
        """Those that have not said who they are shut out nobody: the oldest of them goes."""
        idle = next((c for c in self.connections if not c.greeted), None)
        if idle is not None:
            idle.close()
            self.connections.remove(idle)

    def tell(self, message: FromEngine, *, status: bool = False) -> None:
        """Send to every window that has greeted, or to those that want status."""
        for connection in self.connections:
            if connection.greeted and (connection.wants_status or not status):
                connection.send(message)

    def close(self) -> None:
        """Hang up on everybody and take the path away."""
        for connection in self.connections:
            connection.close()
        self._listener.close()
        self.path.unlink(missing_ok=True)
