"""All MIDI over the network of one engine."""

from __future__ import annotations

import socket

from grebe.errors import NetworkError
from grebe.network.rtp import NetworkPort
from grebe.network.session_port import SessionPort
from grebe.protocols.link.session import RtpPort, RtpState


class RtpSessions:
    """All ports of one engine."""

    def __init__(self) -> None:
        self._ports: dict[str, NetworkPort | SessionPort] = {}
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
                    opens = NetworkPort if port.session == "none" else SessionPort
                    self._ports[device] = opens(port)
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
