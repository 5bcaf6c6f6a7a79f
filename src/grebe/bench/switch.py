"""A network of network namespaces joined by a switch that delays, loses and parts. Needs root.

Each namespace has one interface; what leaves it is an Ethernet frame read
here and, some time later, written to where it goes, by a process that reads
changes of the model as JSON lines on its standard input.
"""

from __future__ import annotations

import ctypes
import fcntl
import json
import os
import random
import select
import struct
import subprocess
import sys
import time
from contextlib import suppress
from heapq import heappop, heappush

TUNSETIFF, IFF_TAP, IFF_NO_PI = 0x400454CA, 0x0002, 0x1000
CLONE_NEWNET = 0x40000000
FRAME_BYTES = 2_048
GROUP_BIT = 1
IPV4_GROUPS, IPV6_GROUPS, NEIGHBOURS = bytes.fromhex("01005e"), bytes.fromhex("3333"), 0xFF
"""How Ethernet addresses of groups begin (RFC 1112, RFC 2464); neighbours are found by 33:33:ff."""
INTERFACE = "gr0"
RUN = "import sys; from grebe.bench.switch import run; run(sys.argv[1:])"


class Model:
    """How long frames take and which get lost. Times in milliseconds."""

    def __init__(self) -> None:
        self.kind = "quiet"
        self.loss = 0.0
        self.parted: list[int] = []
        """Namespaces, by number, that the others cannot reach."""
        self.multicast = True
        """Whether it is let through: guest networks and many access points keep it back."""
        self._bad_until = self._good_until = 0.0

    def set(self, change: dict[str, object]) -> None:
        """Take what is said of it."""
        for name in ("kind", "loss", "parted", "multicast"):
            if name in change:
                setattr(self, name, change[name])

    def delay_s(self, at_s: float) -> float:
        """How long one frame takes now."""
        if self.kind == "quiet":
            return 0.0
        if self.kind == "bursty":
            if at_s > self._bad_until and at_s > self._good_until:
                self._good_until = at_s + random.expovariate(1.0)
                self._bad_until = self._good_until + 0.25
            if at_s > self._good_until:
                return 0.005 + random.expovariate(1 / 0.02)
            return 0.0008
        return 0.001 + random.expovariate(1e3 / float(self.kind))

    def keeps(self, frame: bytes) -> bool:
        """Whether a frame is multicast that is kept back; what finds neighbours is not."""
        return not self.multicast and (
            frame[:3] == IPV4_GROUPS or (frame[:2] == IPV6_GROUPS and frame[2] != NEIGHBOURS)
        )

    def loses(self, source: int, target: int) -> bool:
        """Whether a frame does not arrive."""
        if (source in self.parted) != (target in self.parted):
            return True
        return random.random() < self.loss


def open_tap(namespace: str) -> int:
    """A descriptor for the interface of a namespace."""
    libc = ctypes.CDLL(None, use_errno=True)
    here = os.open("/proc/self/ns/net", os.O_RDONLY)
    there = os.open(f"/run/netns/{namespace}", os.O_RDONLY)
    try:
        if libc.setns(there, CLONE_NEWNET):
            raise OSError(ctypes.get_errno(), "setns")
        tap = os.open("/dev/net/tun", os.O_RDWR | os.O_NONBLOCK)
        request = struct.pack("16sH14x", INTERFACE.encode(), IFF_TAP | IFF_NO_PI)
        fcntl.ioctl(tap, TUNSETIFF, request)
    finally:
        libc.setns(here, CLONE_NEWNET)
        os.close(here)
        os.close(there)
    return tap


def run(namespaces: list[str]) -> None:
    """Switch until the standard input ends."""
    taps = [open_tap(name) for name in namespaces]
    sys.stdout.write("ready\n")
    sys.stdout.flush()
    model, places, air, serial = Model(), {}, [], 0  # type: ignore[var-annotated]
    while True:
        now = time.monotonic()
        wait = max(0.0, air[0][0] - now) if air else 0.5
        ready, _, _ = select.select([0, *taps], [], [], wait)
        if 0 in ready:
            line = sys.stdin.readline()
            if not line:
                return
            model.set(json.loads(line))
        now = time.monotonic()
        for source, tap in enumerate(taps):
            if tap not in ready:
                continue
            try:
                frame = os.read(tap, FRAME_BYTES)
            except OSError:
                continue  # its interface is down
            places[frame[6:12]] = source
            known = None if frame[0] & GROUP_BIT else places.get(frame[:6])
            targets = [known] if known is not None else range(len(taps))
            for target in targets:
                kept = model.keeps(frame) or model.loses(source, target)
                if target != source and not kept:
                    serial += 1
                    heappush(air, (now + model.delay_s(now), serial, target, frame))
        while air and air[0][0] <= time.monotonic():
            _, _, target, frame = heappop(air)
            with suppress(OSError):  # its interface is down
                os.write(taps[target], frame)


class Network:
    """Namespaces g0, g1 ... on one switch, with addresses 10.71.0.1, .2 ... (and IPv6)."""

    def __init__(self, count: int, *, wired: bool = False) -> None:
        """`wired`: by the kernel's own bridge, which neither delays nor loses. OSError where
        namespaces cannot be made."""
        self.names = [f"grebe{os.getpid()}-{i}" for i in range(count)]
        self._made: list[str] = []
        self._switch: subprocess.Popen[str] | None = None
        try:
            for name in self.names:
                _ip("netns", "add", name)
                self._made.append(name)
                _ip("-n", name, "link", "set", "lo", "up")
            if wired:
                self._wire()
            else:
                self._start_switch()
            for i, name in enumerate(self.names):
                _ip("-n", name, "addr", "add", f"10.71.0.{i + 1}/24", "dev", INTERFACE)
                _ip("-n", name, "link", "set", INTERFACE, "up")
                _ip("-n", name, "route", "add", "224.0.0.0/4", "dev", INTERFACE)
        except BaseException:
            self.close()
            raise

    def _start_switch(self) -> None:
        self._switch = subprocess.Popen(
            [sys.executable, "-c", RUN, *self.names],
            stdin=subprocess.PIPE,
            stdout=subprocess.PIPE,
            text=True,
        )
        assert self._switch.stdout is not None
        if self._switch.stdout.readline() != "ready\n":
            raise OSError("the switch did not start")

    def _wire(self) -> None:
        hub = f"grebe{os.getpid()}-hub"
        _ip("netns", "add", hub)
        self._made.append(hub)
        _ip("-n", hub, "link", "add", "br0", "type", "bridge")
        _ip("-n", hub, "link", "set", "br0", "up")
        for i, name in enumerate(self.names):
            _ip("-n", hub, "link", "add", f"v{i}", "type", "veth", "peer", "name", f"w{i}")
            _ip("-n", hub, "link", "set", f"w{i}", "netns", name)
            _ip("-n", name, "link", "set", f"w{i}", "name", INTERFACE)
            _ip("-n", hub, "link", "set", f"v{i}", "master", "br0")
            _ip("-n", hub, "link", "set", f"v{i}", "up")

    def command(self, number: int) -> list[str]:
        """What stands before a command that is to run in a namespace."""
        return ["ip", "netns", "exec", self.names[number]]

    def set(self, **change: object) -> None:
        """Change the model: kind ("quiet", "bursty", or milliseconds of jitter), loss, parted,
        multicast."""
        assert self._switch is not None
        assert self._switch.stdin is not None
        self._switch.stdin.write(json.dumps(change) + "\n")
        self._switch.stdin.flush()

    def move(self, number: int, address: str) -> None:
        """Give an interface another IPv4 address, as a network may; "" leaves it IPv6 only."""
        name = self.names[number]
        _ip("-n", name, "-4", "addr", "flush", "dev", INTERFACE)
        if address:
            _ip("-n", name, "addr", "add", f"{address}/24", "dev", INTERFACE)
            _ip("-n", name, "route", "replace", "224.0.0.0/4", "dev", INTERFACE)

    def link(self, number: int, *, up: bool) -> None:
        """Take an interface down, or up again."""
        _ip("-n", self.names[number], "link", "set", INTERFACE, "up" if up else "down")

    def close(self) -> None:
        """Take all of it away."""
        if self._switch is not None:
            assert self._switch.stdin is not None
            self._switch.stdin.close()
            self._switch.wait()
            assert self._switch.stdout is not None
            self._switch.stdout.close()
        for name in self._made:
            subprocess.run(["ip", "netns", "del", name], check=False, capture_output=True)  # noqa: S607
        self._made.clear()


def _ip(*words: str) -> None:
    done = subprocess.run(["ip", *words], check=False, capture_output=True, text=True)  # noqa: S607
    if done.returncode:
        raise OSError(f"ip {' '.join(words)}: {done.stderr.strip()}")
