"""UDP on the local network: one socket of our own, one a family for beacons to all.

What leaves has a time to live of 255 and what arrives with less has come
through a router and is dropped (RFC 5082): so only the local network is
reached and heard, whatever address somebody types. Beacons go to a multicast
group of local scope with a time to live of 1.
"""

from __future__ import annotations

import ipaddress
import socket
import struct
import time
from contextlib import suppress
from typing import NamedTuple

import ifaddr

from grebe.errors import NetworkError
from grebe.transports.clock import raw_ns

GROUP_4, GROUP_6 = "239.255.71.98", "ff02::7162"
BEACON_PORT = 20_771
LOOPBACK = "127."
FAR = 255
MAX_BYTES = 2_048
"""More than any packet of ours; what is longer is cut by the kernel and refused by its reader."""
MAX_AGE_NS = 200_000_000
"""A kernel stamp older than this is not believed: the wall clock may have been set."""
SO_TIMESTAMPNS, IP_RECVTTL = 35, 12
"""Linux; Python has no names for them."""
_TIMESPEC = struct.Struct("ll")
_ANCILLARY = 256

Address = tuple[str, int]
"""Host in its numeric form, of IPv6 link-local ones with %interface, and port."""


class Datagram(NamedTuple):
    """One packet."""

    data: bytes
    source: Address
    at_ns: int
    """When the kernel had it, CLOCK_MONOTONIC_RAW."""
    near: bool
    """Whether it came without passing a router."""
    beacon: bool
    """Whether it was sent to all, and may have come several ways."""


def interfaces(only: str = "") -> list[tuple[str, int, list[str]]]:
    """Interfaces as (name, index, IPv4 addresses); `only` one of them, where it is given."""
    out = []
    for adapter in ifaddr.get_adapters():
        if adapter.index is None or (only and adapter.name != only):
            continue
        addresses = [str(i.ip) for i in adapter.ips if i.is_IPv4]
        out.append((str(adapter.name), adapter.index, addresses))
    return out


def addresses_here(only: str = "") -> tuple[list[str], list[str]]:
    """This computer's IPv4 addresses: those others can reach it by, and its own loopback's."""
    found = [address for _, _, some in interfaces(only) for address in some]
    outside = [address for address in found if not address.startswith(LOOPBACK)]
    return outside, [address for address in found if address not in outside]


def resolve(text: str, port: int = BEACON_PORT) -> Address:
    """An address as somebody types it: numeric, or a name of the local network; with or without a
    port. NetworkError says what is wrong with it."""
    host, colon, typed = text.strip().rpartition(":")
    if not colon or host.endswith(":") or (":" in host and not host.startswith("[")):
        host, typed = text.strip(), ""  # no port, or a bare IPv6 address
    host = host.strip("[]")
    try:
        number = int(typed) if typed else port
        found = socket.getaddrinfo(host, number, type=socket.SOCK_DGRAM)
    except (OSError, ValueError, UnicodeError) as error:
        raise NetworkError(f"no computer of the name {text!r} is known here ({error})") from error
    if not 0 < number < 2**16:
        raise NetworkError(f"a port goes from 1 to 65535 (got {number})")
    return _plain(found[0][4])


def _plain(source: tuple[object, ...]) -> Address:
    host, port = str(source[0]), int(str(source[1]))
    if ":" in host and "%" not in host and len(source) > 3 and source[3]:
        host = f"{host}%{socket.if_indextoname(int(str(source[3])))}"
    return host, port


class Udp:
    """Our socket and the ears for beacons, of both families where there are both."""

    def __init__(self, interface: str = "", port: int = 0) -> None:
        """`interface` limits it to one; "" is all. NetworkError when there is no network."""
        self._only = interface
        self._own: list[socket.socket] = []
        self._beacons: list[socket.socket] = []
        self._joined: set[tuple[int, str]] = set()
        self.port = port
        self.deaf = ""
        """Why beacons are not heard; "" where they are."""
        self.unreached = 0
        """Packets that could not be sent."""
        if interface and not interfaces(interface):
            names = ", ".join(name for name, _, _ in interfaces())
            raise NetworkError(f"there is no network interface {interface!r}; there are: {names}")
        for family in (socket.AF_INET, socket.AF_INET6):
            try:
                self._open(family)
            except OSError as error:
                problem = error
        if not self._own:
            raise NetworkError(f"no network can be used ({problem.strerror})")
        self.look_again()

    def _open(self, family: socket.AddressFamily) -> None:
        own = self._socket(family, self.port)
        self.port = own.getsockname()[1]
        self._own.append(own)
        try:
            self._beacons.append(self._socket(family, BEACON_PORT, shared=True))
        except OSError as error:
            self.deaf = f"beacons are not heard: port {BEACON_PORT} ({error.strerror})"

    def _socket(
        self, family: socket.AddressFamily, port: int, *, shared: bool = False
    ) -> socket.socket:
        made = socket.socket(family, socket.SOCK_DGRAM)
        try:
            made.setblocking(False)
            made.setsockopt(socket.SOL_SOCKET, SO_TIMESTAMPNS, 1)
            if shared:
                made.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
            if self._only:
                made.setsockopt(socket.SOL_SOCKET, socket.SO_BINDTODEVICE, self._only.encode())
            if family == socket.AF_INET:
                made.setsockopt(socket.IPPROTO_IP, socket.IP_TTL, FAR)
                made.setsockopt(socket.IPPROTO_IP, IP_RECVTTL, 1)
                made.setsockopt(socket.IPPROTO_IP, socket.IP_MULTICAST_TTL, 1)
            else:
                made.setsockopt(socket.IPPROTO_IPV6, socket.IPV6_V6ONLY, 1)
                made.setsockopt(socket.IPPROTO_IPV6, socket.IPV6_UNICAST_HOPS, FAR)
                made.setsockopt(socket.IPPROTO_IPV6, socket.IPV6_RECVHOPLIMIT, 1)
                made.setsockopt(socket.IPPROTO_IPV6, socket.IPV6_MULTICAST_HOPS, 1)
            made.bind(("" if family == socket.AF_INET else "::", port))
        except OSError:
            made.close()
            raise
        return made

    def look_again(self) -> None:
        """Listen for beacons on interfaces that have come up since, too."""
        found = {(i, a) for _, i, addresses in interfaces(self._only) for a in [*addresses, ""]}
        self._joined &= found  # one that went down and comes back is joined again
        for index, address in found - self._joined:
            for ear in self._beacons:
                with suppress(OSError):
                    if ear.family == socket.AF_INET and address:
                        group = socket.inet_aton(GROUP_4) + socket.inet_aton(address)
                        ear.setsockopt(socket.IPPROTO_IP, socket.IP_ADD_MEMBERSHIP, group)
                    elif ear.family == socket.AF_INET6 and not address:
                        group = socket.inet_pton(socket.AF_INET6, GROUP_6) + struct.pack(
                            "@I", index
                        )
                        ear.setsockopt(socket.IPPROTO_IPV6, socket.IPV6_JOIN_GROUP, group)
            self._joined.add((index, address))

    def sockets(self) -> list[socket.socket]:
        """All of them, to be waited on."""
        return [*self._own, *self._beacons]

    def receive(self, ready: socket.socket, most: int) -> list[Datagram]:
        """What has come in on one of them, at most so many packets."""
        out: list[Datagram] = []
        while len(out) < most:
            try:
                data, more, _, source = ready.recvmsg(MAX_BYTES, _ANCILLARY)
            except BlockingIOError:
                break
            except OSError:
                continue  # a word of the network that an earlier packet was not wanted
            # The wall clock first: what passes between the readings then looks like delay, which is
            # harmless. The other way round a packet would seem to have come before it did.
            wall_ns = time.time_ns()
            at_ns, hops = raw_ns(), 0
            for level, kind, value in more:
                if level == socket.SOL_SOCKET and kind == SO_TIMESTAMPNS:
                    at_ns -= _age_ns(value, wall_ns)
                elif (level, kind) in (
                    (socket.IPPROTO_IP, socket.IP_TTL),
                    (socket.IPPROTO_IPV6, socket.IPV6_HOPLIMIT),
                ):
                    hops = int.from_bytes(value[:4], "little")
            beacon = ready in self._beacons
            out.append(Datagram(data, _plain(source), at_ns, beacon or hops == FAR, beacon))
        return out

    def send(self, data: bytes, to: Address) -> None:
        """Send to one. What cannot be sent is counted: the network may be down for a moment."""
        family = socket.AF_INET6 if ":" in to[0] else socket.AF_INET
        for own in self._own:
            if own.family == family:
                try:
                    own.sendto(data, to)
                except OSError:
                    self.unreached += 1
                return
        self.unreached += 1

    def beacon(self, data: bytes) -> None:
        """Send to all that may listen, on every interface."""
        for _, index, addresses in interfaces(self._only):
            for own in self._own:
                with suppress(OSError):
                    if own.family == socket.AF_INET:
                        for address in addresses[:1]:
                            own.setsockopt(
                                socket.IPPROTO_IP,
                                socket.IP_MULTICAST_IF,
                                socket.inet_aton(address),
                            )
                            own.sendto(data, (GROUP_4, BEACON_PORT))
                    else:
                        own.sendto(data, (GROUP_6, BEACON_PORT, 0, index))

    def close(self) -> None:
        """Close all."""
        for each in self.sockets():
            each.close()


def _age_ns(stamp: bytes, wall_ns: int) -> int:
    """How long before `wall_ns` a kernel stamp was; 0 where it cannot be believed."""
    seconds, nanoseconds = _TIMESPEC.unpack(stamp[: _TIMESPEC.size])
    age = wall_ns - (seconds * 1_000_000_000 + nanoseconds)
    return age if 0 <= age < MAX_AGE_NS else 0


IpNetwork = ipaddress.IPv4Network | ipaddress.IPv6Network


def plain_host(host: str) -> str:
    """An address as text, without a scope, an IPv4 address as one."""
    address = ipaddress.ip_address(host.partition("%")[0])
    mapped = address.ipv4_mapped if isinstance(address, ipaddress.IPv6Address) else None
    return str(mapped or address)


def is_near(host: str, networks: list[IpNetwork]) -> bool:
    """Whether an address, as a socket of either family gives it, is in one of some networks."""
    address = ipaddress.ip_address(host.partition("%")[0])
    mapped = address.ipv4_mapped if isinstance(address, ipaddress.IPv6Address) else None
    return any((mapped or address) in network for network in networks)


def near_networks() -> list[IpNetwork]:
    """Networks that this computer is in itself, and its own addresses."""
    out: list[IpNetwork] = []
    for adapter in ifaddr.get_adapters():
        for ip in adapter.ips:
            host = ip.ip if isinstance(ip.ip, str) else ip.ip[0]
            out.append(ipaddress.ip_network(f"{host}/{ip.network_prefix}", strict=False))
    return out
