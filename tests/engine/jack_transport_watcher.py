"""An independent JACK client that watches the transport. Run as a process of its own.

Usage: jack_transport_watcher.py SERVER SECONDS. Prints "ready", and at the end
a JSON list with a row for each period in which the transport rolled:
[frame of the clock, frame of the transport, bar, beat, tick, BPM, beats a bar].
"""

from __future__ import annotations

import json
import os
import sys
import time

import jack


def main() -> None:
    """Watch for some seconds."""
    server, seconds = sys.argv[1], float(sys.argv[2])
    client = jack.Client("watcher", no_start_server=True, servername=server)
    rows: list[tuple[float, ...]] = []

    @client.set_process_callback
    def process(frames: int) -> None:
        del frames
        state, at = client.transport_query_struct()
        if int(state) == int(jack.ROLLING):
            rows.append(
                (client.last_frame_time, at.frame, at.bar, at.beat, at.tick,
                 at.beats_per_minute, at.beats_per_bar)
            )  # fmt: skip

    client.activate()
    print("ready", flush=True)
    time.sleep(seconds)
    state, _ = client.transport_query_struct()
    print(json.dumps({"rows": rows, "state": int(state)}), flush=True)
    os._exit(0)  # a client that is closed can hang, and holds its server up


if __name__ == "__main__":
    main()
