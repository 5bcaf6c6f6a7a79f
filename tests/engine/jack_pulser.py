"""An independent JACK client that sends pulses. Run as a process of its own.

Usage: jack_pulser.py SERVER FRAMES_APART. Offers "pulser:out" and a run line, "pulser:run",
prints "ready", then sends a pulse every so many frames until its input ends, and prints a JSON
list of the frames on which they rose. Each "run" or "stop" on its input moves the run line, a
quarter of the way from one pulse to the next.
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
    line = client.outports.register("run")
    rose: list[int] = []
    level, wanted = [0.0], [0.0]

    @client.set_process_callback
    def process(frames: int) -> None:
        start = client.last_frame_time
        at = (np.arange(frames) + start) % apart
        buffer = port.get_array()
        buffer[:] = np.where(at < WIDE, 0.7, 0.0) + 0.01 * np.sin(at * 2 * np.pi * 50 / 48_000)
        run = np.full(frames, level[0], dtype=np.float32)
        moves = np.flatnonzero(at == apart // 4)
        if wanted[0] != level[0] and len(moves):
            run[moves[0] :] = level[0] = wanted[0]
        line.get_array()[:] = run
        rose.extend((np.flatnonzero(at == 0) + start).tolist())

    client.activate()
    print("ready", flush=True)
    for word in sys.stdin:
        wanted[0] = 0.7 if word.strip() == "run" else 0.0
    print(json.dumps(rose), flush=True)
    os._exit(0)  # a client that is closed can hang, and holds its server up


if __name__ == "__main__":
    main()
