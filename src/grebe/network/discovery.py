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
from grebe.transports.udp import Address, addresses_here

SERVICE = "_grebe-peer._udp.local."
ASK_MS = 2_000
MOST_FOUND = 128


class Announced:
    """Tells the local network by DNS-SD that something can be had here."""

    def __init__(
        self,
        service: str,
        name: str,
        port: int,
        *,
        interface: str = "",
        properties: dict[str, str] | None = None,
        finds: ServiceListener | None = None,
    ) -> None:
        """`finds` is told of others that offer the same. Returns at once: asking others whether the
        name is free takes more than a second."""
        self._service, self._name, self._port = service, name.replace(".", "-"), port
        self._interface, self._properties, self._finds = interface, properties or {}, finds
        self._zeroconf: Zeroconf | None = None
        self.problem = ""
        """Why it is not announced, where that is known."""
        Thread(target=self._begin, daemon=True).start()

    def _begin(self) -> None:
        outside, loopback = addresses_here(self._interface)
        addresses = outside or loopback
        try:
            self._zeroconf = Zeroconf(
                interfaces=addresses or InterfaceChoice.All,
                ip_version=IPVersion.V4Only if addresses else IPVersion.V6Only,
            )
            if self._finds is not None:
                ServiceBrowser(self._zeroconf, self._service, self._finds)
            info = ServiceInfo(
                self._service,
                f"{self._name}.{self._service}",
                addresses=[socket.inet_aton(a) for a in addresses],
                port=self._port,
                properties=self._properties,
            )
            self._zeroconf.register_service(info, allow_name_change=True)
        except (OSError, ZeroconfError, RuntimeError) as error:
            self.problem = f"not announced by DNS-SD ({error or type(error).__name__})"

    def close(self) -> None:
        """Say goodbye, without waiting for it."""
        if self._zeroconf is not None:
            Thread(target=self._zeroconf.close, daemon=True).start()


class Discovery(ServiceListener):
    """Says that we are there and finds the others. Everything slow happens in threads."""

    def __init__(self, name: str, port: int, session: bytes, interface: str) -> None:
        """`session` is the tag by which others know theirs. Returns at once."""
        self._own = f"{name}-{port}".replace(".", "-")
        self._session = session.hex()
        self._found: dict[str, list[Address]] = {}
        self._lock = Lock()
        properties = {"session": self._session, "version": str(VERSION)}
        self._announced = Announced(
            SERVICE, self._own, port, interface=interface, properties=properties, finds=self
        )

    @property
    def problem(self) -> str:
        """Why nothing is found this way, where that is known."""
        return self._announced.problem

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
        self._announced.close()
