"""``python -m grebe.standins``: reads a list of devices and socket paths as JSON on stdin.

Prints "ready" when every stand-in listens.
"""

from __future__ import annotations

import gc
import sys
from pathlib import Path

import msgspec

from grebe.core.rig.model import Device
from grebe.standins.host import Host
from grebe.wires.clock import ask_for_realtime

PRIORITY = 60
"""Below the engine's 70: a device never holds up the clock."""


class Seating(msgspec.Struct, frozen=True):
    """One stand-in and where it listens."""

    device: Device
    path: str


def main() -> None:
    """Run the stand-ins given on stdin."""
    seating = msgspec.json.decode(sys.stdin.buffer.read(), type=list[Seating])
    host = Host({s.device.id: (s.device, Path(s.path)) for s in seating})
    ask_for_realtime(PRIORITY)
    gc.collect()
    gc.freeze()
    sys.stdout.write("ready\n")
    sys.stdout.flush()
    host.run()


if __name__ == "__main__":
    main()
