"""The engine between windows and the network process: what one says of the session, the other
hears."""

from __future__ import annotations

from typing import TypeAlias

import msgspec

from grebe.engine.server import Connection, Windows
from grebe.engine.sources.choice import Sources
from grebe.engine.sources.session import SessionClock
from grebe.protocols.link.messages import FromEngine
from grebe.protocols.link.session import (
    AcceptPeer,
    Agreed,
    CarryRtp,
    Join,
    Osc,
    Peers,
    Propose,
    ShareStart,
    ShowDocument,
)

AboutPeers: TypeAlias = (
    Join | AcceptPeer | Propose | ShareStart | Agreed | Peers | Osc | CarryRtp | ShowDocument
)
ABOUT_PEERS = (Join, AcceptPeer, Propose, ShareStart, Agreed, Peers, Osc, CarryRtp, ShowDocument)

SILENT_NS = 2_000_000_000


class Peering:
    """What is known of the session, and who is told."""

    def __init__(self, server: Windows, sources: Sources) -> None:
        self._server = server
        self._sources = sources
        self._join = Join()
        self._osc = Osc()
        self._rtp = CarryRtp()
        self._shown: ShowDocument | None = None
        self._peers: Peers | None = None
        self._told_ns = 0

    def status(self, now_ns: int) -> Peers | None:
        """The session as the network process saw it last; None while none was asked for."""
        use = self._join.use
        if use is None and self._osc.use is None and not self._rtp.ports:
            return None
        if self._peers is None or now_ns - self._told_ns > SILENT_NS:
            return Peers(state="starting", session=use.name if use is not None else "")
        return self._peers

    def greet(self, connection: Connection) -> None:
        """A network process has come: it is told all that it has to know."""
        connection.send(self._join)
        connection.send(self._osc)
        connection.send(self._rtp)
        if self._shown is not None:
            connection.send(self._shown)

    def take(self, message: AboutPeers, now_ns: int, downbeat_ns: int | None) -> None:
        """A word about the session; `downbeat_ns` is when a bar began of what plays, if any."""
        if isinstance(message, Agreed):
            if self._sources.session is not None:
                self._sources.session.take(message, now_ns)
        elif isinstance(message, Peers):
            self._peers, self._told_ns = message, now_ns
        elif isinstance(message, Join):
            self._join = msgspec.structs.replace(message, downbeat_ns=downbeat_ns)
            self._peers = None
            self._sources.session = None if message.use is None else SessionClock(self._tell)
            self._tell(self._join)
        else:
            if isinstance(message, ShowDocument):
                self._shown = message
            elif isinstance(message, Osc):
                self._osc = message
            elif isinstance(message, CarryRtp):
                self._rtp = message
            self._tell(message)

    def _tell(self, message: FromEngine) -> None:
        for connection in self._server.connections:
            if connection.greeted and connection.network:
                connection.send(message)
