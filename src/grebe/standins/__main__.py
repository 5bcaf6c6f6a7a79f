"""``python -m grebe.standins``: reads a list of devices and socket paths as JSON on stdin.

Prints "ready" when every stand-in listens. There is one such process for a
runtime folder: a second one hands its list to the first, and ends.
"""

from __future__ import annotations

import gc
import os
import signal
import socket
import sys
import time
from pathlib import Path

import msgspec

from grebe.core.rig.model import Device
from grebe.errors import ProtocolError, at_the_border
from grebe.process.children import ENDED_BY, only_one
from grebe.process.log import end_log, start_log
from grebe.process.places import runtime_dir
from grebe.process.priority import ask_for_realtime
from grebe.standins.host import StandinHost

PRIORITY = 60
"""Below the engine's 70: a device never holds up the clock."""
HAND_OVER_S = 5.0
MAX_SEATING_BYTES = 16 * 1024 * 1024
READY = b"ready\n"


class Seating(msgspec.Struct, frozen=True):
    """One stand-in and where it listens."""

    device: Device
    path: str


def read_seating(data: bytes) -> dict[str, tuple[Device, Path]]:
    """Stand-ins by device. ProtocolError for what is no list of them."""
    with at_the_border("a list of stand-ins"):
        seating = msgspec.json.decode(data, type=list[Seating])
    return {s.device.id: (s.device, Path(s.path)) for s in seating}


def door_path() -> Path:
    """Where the one host takes in more stand-ins."""
    return runtime_dir() / "standins.sock"


def hand_over(seating: bytes) -> bool:
    """Have the host that is there hold these stand-ins; whether it did."""
    with socket.socket(socket.AF_UNIX, socket.SOCK_STREAM) as host:
        host.settimeout(HAND_OVER_S)
        try:
            host.connect(str(door_path()))
            host.sendall(seating)
            host.shutdown(socket.SHUT_WR)
            return host.recv(len(READY)) == READY
        except OSError:
            return False


def open_door(host: StandinHost) -> socket.socket:
    """Let other processes hand their stand-ins to this host."""
    door_path().unlink(missing_ok=True)
    door = socket.socket(socket.AF_UNIX, socket.SOCK_STREAM)
    door.bind(str(door_path()))
    os.chmod(door_path(), 0o600)
    door.listen(4)

    def answer(at: socket.socket) -> None:
        connected, _ = at.accept()
        with connected:
            connected.settimeout(0.2)  # it is a process of ours, and sends at once
            data = bytearray()
            try:
                while part := connected.recv(65_536):
                    data += part
                    if len(data) > MAX_SEATING_BYTES:
                        return
                host.take(read_seating(bytes(data)))
                connected.sendall(READY)
            except (OSError, ProtocolError):
                return

    host.serve(door, answer)
    return door


def say_ready() -> None:
    """Tell whoever started this; it may not listen any more."""
    try:
        sys.stdout.buffer.write(READY)
        sys.stdout.flush()
    except OSError:
        os.dup2(os.open(os.devnull, os.O_WRONLY), 1)


def main() -> int:
    """Run the stand-ins given on stdin; the exit status."""
    start_log("standins")
    told = sys.stdin.buffer.read(MAX_SEATING_BYTES + 1)
    seats = read_seating(told)
    end = time.monotonic() + HAND_OVER_S
    while (held := only_one("standins")) is None:
        if hand_over(told):
            say_ready()
            end_log("another host holds these stand-ins")
            return 0
        if time.monotonic() > end:
            end_log("another host does not answer")
            return 1
        time.sleep(0.05)  # it may be on its way out
    host = StandinHost(seats)
    door = open_door(host)
    for number in ENDED_BY:
        signal.signal(number, lambda *_: host.leave())
    gc.collect()  # takes long: before priority, which is lost where a core is held at a stretch
    gc.freeze()
    ask_for_realtime(PRIORITY)
    say_ready()
    host.run()
    door.close()
    door_path().unlink(missing_ok=True)
    end_log("told to, or nobody has needed it for a while")
    os.close(held)
    return 0


if __name__ == "__main__":
    sys.exit(main())
