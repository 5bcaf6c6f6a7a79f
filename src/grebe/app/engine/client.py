"""A window's end of the engine's socket. Never blocks once connected."""

from __future__ import annotations

import socket
import time
from pathlib import Path
from typing import Literal, TypeVar

from grebe.errors import EngineError, ProtocolError
from grebe.process.places import engine_socket
from grebe.protocols.link.messages import (
    LINK_VERSION,
    FromEngine,
    Hello,
    Notice,
    ToEngine,
    Unpacker,
    Welcome,
    from_engine,
    pack,
)
from grebe.words import tr

READ_BYTES = 262_144
READY_WITHIN_S = 10.0
"""For an engine that was just started, on a machine that is busy."""
_M = TypeVar("_M")


class EngineClient:
    """One connection to an engine: sends what a window asks, takes in what the engine says."""

    def __init__(
        self,
        path: Path,
        *,
        wants_status: bool = True,
        role: Literal["window", "network"] = "window",
    ) -> None:
        """Connect and greet. EngineError when no engine listens at `path`."""
        self._socket = socket.socket(socket.AF_UNIX, socket.SOCK_STREAM)
        self._socket.setblocking(False)
        self._unpacker = Unpacker()
        self._unsent = bytearray()
        self.open = True
        self.overheard: list[Notice] = []
        """What the engine had to say while something else was waited for."""
        try:
            self._socket.connect(str(path))
        except OSError as error:
            self._socket.close()
            self.open = False
            raise EngineError(tr("no engine is running; start one: grebe engine")) from error
        self.send(Hello(version=LINK_VERSION, wants_status=wants_status, role=role))

    def fileno(self) -> int:
        """The socket's descriptor, for a notifier."""
        return self._socket.fileno()

    def send(self, message: ToEngine) -> None:
        """Queue a message and send what the engine takes now."""
        if self.open:
            self._unsent += pack(message)
            self._flush()

    def pump(self) -> list[FromEngine]:
        """Messages that have come in since; `open` turns False when the engine hung up."""
        self._flush()
        out: list[FromEngine] = []
        while self.open:
            try:
                data = self._socket.recv(READ_BYTES)
            except BlockingIOError:
                break
            except OSError:
                data = b""
            if not data:
                self.close()
                break
            try:
                out += [from_engine(body) for body in self._unpacker.feed(data)]
            except ProtocolError:
                self.close()
                raise
        return out

    def wait_for(self, kind: type[_M], timeout_s: float) -> _M:
        """Wait for a message of a kind, where there is no window. EngineError after the time."""
        end = time.monotonic() + timeout_s
        while time.monotonic() < end and self.open:
            found: _M | None = None
            for message in self.pump():
                if isinstance(message, Notice):
                    self.overheard.append(message)
                if found is None and isinstance(message, kind):
                    found = message
            if found is not None:
                return found
            time.sleep(0.005)
        raise EngineError(
            tr(
                "the engine gave no {name} within {timeout_s:g} s",
                name=kind.__name__,
                timeout_s=timeout_s,
            )
        )

    def close(self) -> None:
        """Hang up."""
        if self.open:
            self.open = False
            self._socket.close()

    def _flush(self) -> None:
        if not self.open or not self._unsent:
            return
        try:
            sent = self._socket.send(self._unsent)
            del self._unsent[:sent]
        except BlockingIOError:
            return
        except OSError:
            self.close()


def check_version(welcome: Welcome) -> None:
    """EngineError when the engine speaks another version."""
    if welcome.version != LINK_VERSION:
        raise EngineError(
            tr(
                "the running engine is of another version (link {version}, this is "
                "{link_version}); end it when you can: grebe stop",
                version=welcome.version,
                link_version=LINK_VERSION,
            )
        )


def connect_when_ready(
    *, wants_status: bool = True, role: Literal["window", "network"] = "window"
) -> EngineClient:
    """Connect to this user's engine, waiting for one that was just started; EngineError where none
    comes. For whoever can wait: commands, and the process beside the engine."""
    end = time.monotonic() + READY_WITHIN_S
    while True:
        try:
            return EngineClient(engine_socket(), wants_status=wants_status, role=role)
        except EngineError:
            if time.monotonic() > end:
                raise
            time.sleep(0.02)
