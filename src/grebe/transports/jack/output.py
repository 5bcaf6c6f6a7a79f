"""What every output port of our JACK client has in common."""

from __future__ import annotations

from typing import Any, Protocol

from grebe.errors import PortLost
from grebe.transports.frames import FrameClock
from grebe.transports.jack.library import STOPPED


class JackHost(Protocol):
    """What an output needs of the wire it belongs to."""

    client: Any
    frames: FrameClock

    @property
    def alive(self) -> bool:
        """Whether the server is there."""

    def forget(self, port: Any) -> None:
        """Take a port out of the callback and give it back."""


class JackOut:
    """An output, connected to `target` unless that is empty."""

    def __init__(self, wire: JackHost, out: Any, target: str) -> None:
        self.wire = wire
        self.out = out
        self._target = target

    def check(self) -> None:
        """PortLost when the server stopped or the other end was taken away."""
        if not self.wire.alive:
            raise PortLost(STOPPED)
        if self._target and not self.wire.client.get_all_connections(self.out):
            raise PortLost(f"JACK port {self._target} went away")

    def close(self) -> None:
        """Take the port away."""
        self.wire.forget(self)
