"""Watching another computer's stage: what it shows, as link messages on standard output.

Times are turned into those of this computer's clock, by the session's own
measurement of the two.
"""

from __future__ import annotations

import secrets
import select
import socket
import sys

import msgspec

from grebe.core.session.other import Other
from grebe.core.session.use import SessionUse
from grebe.errors import ProtocolError, at_the_border
from grebe.network.node import Node
from grebe.protocols.link.messages import Notice, Status, from_watched, pack
from grebe.protocols.link.session import ShowDocument
from grebe.protocols.session import stage
from grebe.transports.clock import raw_ns

AGAIN_NS = 2_000_000_000
READ_BYTES = 262_144
CONNECT_S = 3.0


class WatchRequest(msgspec.Struct, frozen=True, kw_only=True):
    """Whose stage, as JSON on the first line of standard input."""

    use: SessionUse
    passphrase: str = ""
    of: str = ""
    """Name of the computer; "" is the first that shows its stage."""


class StageViewer:
    """Finds the computer, connects, passes on."""

    def __init__(self, watch: WatchRequest) -> None:
        self._watch = watch
        self._node = Node(watch.use, passphrase=watch.passphrase)
        self._shower: Other | None = None
        self._socket: socket.socket | None = None
        self._frames: stage.Frames | None = None
        self._heard = bytearray()
        self._random = b""
        self._theirs = b""
        self._tried_ns = 0
        self._said = ""

    def run(self) -> None:
        """Until nobody reads any more."""
        try:
            while True:
                waited = [*self._node.sockets()]
                if self._socket is not None:
                    waited.append(self._socket)
                ready, _, _ = select.select(waited, [], [], self._node.wait_s())
                self._node.take([s for s in ready if s is not self._socket])
                self._node.turn()
                if self._socket is None:
                    self._connect()
                elif self._socket in ready:
                    self._read()
        except (BrokenPipeError, KeyboardInterrupt):
            pass
        finally:
            self._node.close()

    def _say(self, text: str) -> None:
        if text != self._said:
            self._said = text
            self._pass_on(pack(Notice(level="warn", text=text)))

    def _pass_on(self, data: bytes) -> None:
        sys.stdout.buffer.write(data)
        sys.stdout.buffer.flush()

    def _connect(self) -> None:
        now = raw_ns()
        if now - self._tried_ns < AGAIN_NS:
            return
        self._tried_ns = now
        wanted = self._watch.of.casefold()
        found = [
            o
            for o in self._node.peer.membership.members()
            if o.state is not None and o.state.service and wanted in ("", o.state.name.casefold())
        ]
        if not found:
            name = self._watch.of or "Anybody"
            self._say(f"{name} shows no stage in {self._watch.use.name} yet.")
            return
        shower = found[0]
        assert isinstance(shower.address, tuple)
        assert shower.state is not None
        try:
            made = socket.create_connection((shower.address[0], shower.state.service), CONNECT_S)
        except OSError as error:
            self._say(f"{shower.state.name}'s stage cannot be reached ({error.strerror}).")
            return
        self._random = secrets.token_bytes(stage.RANDOM_BYTES)
        made.sendall(stage.hello(self._random))
        self._shower, self._socket, self._frames = shower, made, None
        self._heard.clear()
        self._theirs = b""

    def _read(self) -> None:
        assert self._socket is not None
        try:
            data = self._socket.recv(READ_BYTES)
            if not data and self._frames is None and not self._node.key:
                raise ProtocolError(
                    "it does not show it to this computer. Accept this one there, in Sync, or "
                    "give the session a passphrase"
                )
            if not data:
                raise ProtocolError("it is shown no longer")
            with at_the_border("what the stage sent"):
                if self._frames is None:
                    data = self._prove(data)
                if self._frames is not None:
                    for frame in self._frames.feed(data):
                        self._take(frame)
        except (ProtocolError, OSError) as error:
            self._socket.close()
            self._socket = None
            self._say(f"The stage was lost: {error}. It is tried again.")

    def _prove(self, data: bytes) -> bytes:
        """The opening words; what came after them."""
        assert self._socket is not None
        key = self._node.key
        self._heard += data
        if not self._theirs and len(self._heard) >= stage.HELLO_BYTES:
            self._theirs = stage.read_hello(bytes(self._heard[: stage.HELLO_BYTES]))
            self._socket.sendall(stage.proof(key, stage.WATCHER, self._theirs, self._random))
        end = stage.HELLO_BYTES + stage.PROOF_BYTES
        if not self._theirs or len(self._heard) < end:
            return b""
        proof = bytes(self._heard[stage.HELLO_BYTES : end])
        if not stage.proves(proof, key, stage.SHOWER, self._theirs, self._random):
            raise ProtocolError("it has not the passphrase")
        self._frames = stage.Frames(key, self._theirs, self._random)
        self._said = ""
        return bytes(self._heard[end:])

    def _take(self, frame: bytes) -> None:
        message = from_watched(frame)
        if isinstance(message, Status):
            self._pass_on(pack(msgspec.structs.replace(message, at_ns=self._here(message.at_ns))))
        elif isinstance(message, ShowDocument):
            self._pass_on(pack(message))

    def _here(self, theirs_ns: int) -> int:
        """A time of their clock by ours."""
        shower, now = self._shower, raw_ns()
        clock = shower.clock(now) if shower is not None else None
        if clock is None:
            return now
        ahead = clock.theirs(now) - theirs_ns
        return round(now - ahead / (1 + clock.skew))
