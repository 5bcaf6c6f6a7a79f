"""An independent JACK client that plays notes. Run as a process of its own.

Usage: jack_sender.py SERVER TARGET COUNT. Waits for TARGET, connects to it,
plays COUNT notes some periods apart, each at another offset in its period, and
prints a JSON list of [frame, bytes].
"""

from __future__ import annotations

import json
import os
import sys
import time

import jack

EVERY_PERIODS = 6


def main() -> None:
    """Play the notes."""
    server, target, count = sys.argv[1], sys.argv[2], int(sys.argv[3])
    client = jack.Client("sender", no_start_server=True, servername=server)
    port = client.midi_outports.register("out")
    sent: list[tuple[int, str]] = []
    periods = [0]
    go = [False]

    @client.set_process_callback
    def process(frames: int) -> None:
        port.clear_buffer()
        periods[0] += 1
        if not go[0] or len(sent) >= count or periods[0] % EVERY_PERIODS:
            return
        offset = (37 * len(sent)) % frames
        data = bytes((0x90, 36 + len(sent) % 16, 100))
        port.write_midi_event(offset, data)
        sent.append((client.last_frame_time + offset, data.hex()))

    client.activate()
    end = time.monotonic() + 10
    while not client.get_ports(target, is_input=True):
        if time.monotonic() > end:
            sys.exit("no such target")
        time.sleep(0.01)
    client.connect(port, target)
    go[0] = True
    while len(sent) < count and time.monotonic() < end + 10:
        time.sleep(0.01)
    time.sleep(0.2)
    print(json.dumps(sent), flush=True)
    os._exit(0)  # a client that is closed can hang, and holds its server up


if __name__ == "__main__":
    main()
