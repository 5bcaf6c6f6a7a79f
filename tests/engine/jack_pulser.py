"""An independent JACK client that sends pulses. Run as a process of its own.

Usage: jack_pulser.py SERVER FRAMES_APART. Offers "pulser:out", prints "ready", then
sends a pulse every so many frames until its input ends, and prints a JSON list of
the frames on which they rose.
"""

from __future__ import annotations

import json
import os
import sys

import jack
import numpy as np

WIDE = 96


def main() -> None:
    """Send pulses."""
    server, apart = sys.argv[1], int(sys.argv[2])
    client = jack.Client("pulser", no_start_server=True, servername=server)
    port = client.outports.register("out")
    rose: list[int] = []

    @client.set_process_callback
    def process(frames: int) -> None:
        start = client.last_frame_time
        at = (np.arange(frames) + start) % apart
        buffer = port.get_array()
        buffer[:] = np.where(at < WIDE, 0.7, 0.0) + 0.01 * np.sin(at * 2 * np.pi * 50 / 48_000)
        rose.extend((np.flatnonzero(at == 0) + start).tolist())

    client.activate()
    print("ready", flush=True)
    sys.stdin.read()
    print(json.dumps(rose), flush=True)
    os._exit(0)  # a client that is closed can hang, and holds its server up


if __name__ == "__main__":
    main()
