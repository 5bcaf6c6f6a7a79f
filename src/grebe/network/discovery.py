"""Peers found by DNS-SD, beside the beacons: where multicast of ours is blocked, theirs may not
be, and other programs see that there is a session."""

from __future__ import annotations

import socket
from threading import Lock, Thread

from zeroconf import Error as ZeroconfError
from zeroconf import (
    InterfaceChoice,
    IPVersion,
    ServiceBrowser,
    ServiceInfo,
    ServiceListener,
    Zeroconf,
)

from grebe.protocols.session.packets import VERSION
from grebe.transports.udp import Address, interfaces

SERVICE = "_grebe-peer._udp.local."
ASK_MS = 2_000
MOST_FOUND = 128
LOOPBACK = "127."


class Discovery(ServiceListener):
    """Says that we are there and finds the others. Everything slow happens in threads."""

    def __init__(self, name: str, port: int, session: bytes, interface: str) -> None:
        """`session` is the tag by which others know theirs. Returns at once."""
        self._own = f"{name}-{port}".replace(".", "-")
        self._port = port
        self._session = session.hex()
        self._interface = interface
        self._found: dict[str, list[Address]] = {}
        self._lock = Lock()
        self._zeroconf: Zeroconf | None = None
        self.problem = ""
        """Why nothing is found this way, where that is known."""
        self._thread = Thread(target=self._begin, daemon=True)
        self._thread.start()

    def _begin(self) -> None:
        """Registering takes more than a second: others are asked whether the name is free."""
        addresses = [a for _, _, some in interfaces(self._interface) for a in some]
        outside = [a for a in addresses if not a.startswith(LOOPBACK)] or addresses
        try:
            self._zeroconf = Zeroconf(
                interfaces=outside or InterfaceChoice.All,
                ip_version=IPVersion.V4Only if outside else IPVersion.V6Only,
            )
            ServiceBrowser(self._zeroconf, SERVICE, self)
            info = ServiceInfo(
                SERVICE,
                f"{self._own}.{SERVICE}",
                addresses=[socket.inet_aton(a) for a in outside],
                port=self._port,
                properties={"session": self._session, "version": str(VERSION)},
            )
            self._zeroconf.register_service(info, allow_name_change=True)
        except (OSError, ZeroconfError, RuntimeError) as error:
            self.problem = f"not announced by DNS-SD ({error or type(error).__name__})"

    def found(self) -> list[Address]:
        """Addresses of others of our session."""
        with self._lock:
            return [a for some in self._found.values() for a in some]

    def add_service(self, zc: Zeroconf, type_: str, name: str) -> None:
        """One is there."""
        self.update_service(zc, type_, name)

    def update_service(self, zc: Zeroconf, type_: str, name: str) -> None:
        """One is there, or has changed."""
        info = zc.get_service_info(type_, name, ASK_MS)
        if info is None or not info.port or name.startswith(f"{self._own}."):
            return
        session = (info.properties or {}).get(b"session") or b""
        if session.decode(errors="replace") != self._session:
            return
        some = [(address, info.port) for address in info.parsed_scoped_addresses()]
        with self._lock:
            if len(self._found) < MOST_FOUND:
                self._found[name] = some

    def remove_service(self, zc: Zeroconf, type_: str, name: str) -> None:
        """One says that it goes."""
        del zc, type_
        with self._lock:
            self._found.pop(name, None)

    def close(self) -> None:
        """Say goodbye, without waiting for it."""
        if self._zeroconf is not None:
            Thread(target=self._zeroconf.close, daemon=True).start()
