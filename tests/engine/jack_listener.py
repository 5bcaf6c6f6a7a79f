"""An independent JACK client: records MIDI or pulses at exact frames. Run as its own process.

Usage: jack_listener.py SERVER SOURCE SECONDS. Waits for SOURCE to appear and
connects to it; with "-" it waits for others to connect to listener:in. Prints
"ready" and at the end a JSON object: `seen`, a list of [frame, bytes] (for audio
[frame, "rise"]), and `jumps`, the stretches [from, to] in which JACK lost time.
"""

from __future__ import annotations

import json
import os
import select
import sys
import time

import jack
import numpy as np


def main() -> None:
    """Record for some seconds."""
    server, source, seconds = sys.argv[1], sys.argv[2], float(sys.argv[3])
    client = jack.Client("listener", no_start_server=True, servername=server)
    port = client.midi_inports.register("in")
    audio = client.inports.register("audio")
    level = [False]
    listens: list[bool] = []
    seen: list[tuple[int, str]] = []
    jumps: list[tuple[int, int]] = []
    expected = [-1]

    @client.set_process_callback
    def process(frames: int) -> None:
        start = client.last_frame_time
        if start != expected[0]:
            jumps.append((expected[0], start))
        expected[0] = start + frames
        for offset, data in port.incoming_midi_events():
            seen.append((start + offset, bytes(data).hex()))
        if listens:
            high = audio.get_array() >= 0.25
            if high.any() or level[0]:
                rises = np.flatnonzero(high & ~np.concatenate([level, high[:-1]]))
                seen.extend((start + int(offset), "rise") for offset in rises)
            level[0] = bool(high[-1])

    client.set_xrun_callback(lambda _: jumps.append((client.last_frame_time,) * 2))
    client.activate()
    end = time.monotonic() + 10
    while source != "-" and not client.get_ports(source, is_output=True):
        if time.monotonic() > end:
            sys.exit("no such source")
        time.sleep(0.01)
    if source == "-":
        pass
    elif client.get_ports(source, is_output=True)[0].is_audio:
        listens.append(True)
        client.connect(source, audio)
    else:
        client.connect(source, port)
    print("ready", flush=True)
    select.select([sys.stdin], [], [], seconds)  # until then, or until it is let go
    print(json.dumps({"seen": seen, "jumps": jumps}), flush=True)
    os._exit(0)  # a client that is closed can hang, and holds its server up


if __name__ == "__main__":
    main()
