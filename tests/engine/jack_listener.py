"""An independent JACK client: records MIDI at exact frames. Run as a process of its own.

Usage: jack_listener.py SERVER SOURCE SECONDS. Waits for SOURCE to appear and
connects to it; prints "ready" and at the end a JSON object: `seen`, a list of
[frame, bytes], and `jumps`, the stretches [from, to] in which JACK lost time.
"""

from __future__ import annotations

import json
import sys
import time

import jack


def main() -> None:
    """Record for some seconds."""
    server, source, seconds = sys.argv[1], sys.argv[2], float(sys.argv[3])
    client = jack.Client("listener", no_start_server=True, servername=server)
    port = client.midi_inports.register("in")
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

    client.set_xrun_callback(lambda _: jumps.append((client.last_frame_time,) * 2))
    client.activate()
    end = time.monotonic() + 10
    while not client.get_ports(source, is_output=True):
        if time.monotonic() > end:
            sys.exit("no such source")
        time.sleep(0.01)
    client.connect(source, port)
    print("ready", flush=True)
    time.sleep(seconds)
    client.deactivate()
    client.close()
    print(json.dumps({"seen": seen, "jumps": jumps}), flush=True)


if __name__ == "__main__":
    main()
