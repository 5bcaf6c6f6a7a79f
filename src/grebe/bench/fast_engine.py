"""``python -m grebe.bench.fast_engine SECONDS``: the engine itself on a clock that runs at speed.

Reads a Load message from its input, plays it to ports that swallow everything, and prints a JSON
object: resident memory over the time that passed, ticks sent, and how long it really took.
"""

from __future__ import annotations

import gc
import json
import os
import socket
import sys
import time
from pathlib import Path

import msgspec

from grebe.core.player.commands import Begin, Hold
from grebe.core.rig.model import Device
from grebe.engine.loop import Engine
from grebe.engine.ports import Ports
from grebe.engine.server import Connection
from grebe.protocols.link.messages import FromEngine, Hello, Load, Shutdown, Status, ToEngine
from grebe.protocols.standin.reports import ReportKind, StandinReport
from grebe.transports.base import OutPort
from grebe.transports.clock import SimulatedClock

_PAGE_KB = os.sysconf("SC_PAGE_SIZE") // 1024
LOOKS = 60
"""How often memory is looked at."""


class Swallowing:
    """A port to a box that reports every tick and beat, as a stand-in does."""

    stamped = False

    def __init__(self, clock: SimulatedClock) -> None:
        self._clock = clock
        self._reports: list[StandinReport] = []
        self._number = 0

    def send(self, data: bytes, due_ns: int) -> None:
        """Note a tick."""
        del due_ns
        if data == b"\xf8":
            now = self._clock.now_ns()
            self._reports.append(StandinReport(ReportKind.TICK, 1, self._number, now))
            if self._number % 24 == 0:
                self._reports.append(StandinReport(ReportKind.BEAT, 1, self._number // 24, now))
            self._number += 1

    def discard(self) -> list[bytes]:
        """Nothing is handed over early."""
        return []

    def reports(self) -> list[StandinReport]:
        """What has been noted since."""
        out, self._reports = self._reports, []
        return out

    def check(self) -> None:
        """It is always there."""

    def late_ms(self) -> list[float]:
        """The engine does the sending."""
        return []

    def close(self) -> None:
        """Nothing to let go of."""


class Rehearsing(Ports):
    """Opens ports that swallow."""

    def __init__(self, clock: SimulatedClock) -> None:
        super().__init__()
        self._clock = clock

    def open(self, device: Device) -> OutPort | None:
        """One for every device."""
        del device
        return Swallowing(self._clock)


class Script:
    """Stands where windows would: loads, begins, and ends it after so long."""

    def __init__(self, clock: SimulatedClock, load: Load, seconds: float) -> None:
        self.connections: list[Connection] = []
        self.memory_kb: list[int] = []
        self.ticks = 0
        self._clock = clock
        self._end_ns = clock.now_ns() + round(seconds * 1e9)
        self._look_every_ns = round(seconds * 1e9 / LOOKS)
        self._next_look_ns = clock.now_ns() + self._look_every_ns
        self._waiting: list[ToEngine] = [
            Hello(version=0), load, Begin(), Hold(on=True),
        ]  # fmt: skip
        self._one = _Silent()

    def sockets(self) -> list[socket.socket]:
        """Nothing to wait on: it asks of its own accord."""
        return []

    def poll(self) -> list[tuple[Connection, ToEngine]]:
        """The next thing to be said, and a look at memory when it is time."""
        now = self._clock.now_ns()
        if now >= self._next_look_ns:
            self._next_look_ns += self._look_every_ns
            fields = Path("/proc/self/statm").read_text().split()
            self.memory_kb.append(int(fields[1]) * _PAGE_KB)
        if now >= self._end_ns:
            return [(self._one, Shutdown())]
        return [(self._one, self._waiting.pop(0))] if self._waiting else []

    def tell(self, message: FromEngine, *, status: bool = False) -> None:
        """Count; encoding is part of what the engine does for its windows."""
        del status
        msgspec.msgpack.encode(message)
        if isinstance(message, Status):
            self.ticks = sum(device.sent for device in message.devices) or self.ticks

    def close(self) -> None:
        """Nobody to hang up on."""


class _Silent(Connection):
    """A window that reads nothing."""

    def __init__(self) -> None:
        self.greeted = True
        self.wants_status = True
        self.open = True

    def send(self, message: FromEngine) -> None:
        """Not at all."""
        del message


def main() -> int:
    """Rehearse; the exit status."""
    seconds = float(sys.argv[1])
    load = msgspec.msgpack.decode(sys.stdin.buffer.read(), type=Load)
    clock = SimulatedClock()
    script = Script(clock, load, seconds)
    gc.collect()
    gc.freeze()
    gc.disable()
    began = time.monotonic()
    Engine(script, realtime=False, priority_help="", clock=clock, ports=Rehearsing(clock)).run()
    out = {
        "simulated_seconds": seconds,
        "took_seconds": round(time.monotonic() - began, 1),
        "ticks": script.ticks,
        "memory_kb": script.memory_kb,
    }
    sys.stdout.write(json.dumps(out) + "\n")
    return 0


if __name__ == "__main__":
    sys.exit(main())
