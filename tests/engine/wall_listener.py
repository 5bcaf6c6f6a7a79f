"""An independent JACK client that stamps MIDI, and what the transport does, by the machine's clock.

Usage: wall_listener.py SOURCE. Connects to the port SOURCE when it is there; prints "ready", and
when its input is closed a JSON object: `seen`, rows of [ns, bytes]; `periods`, rows of [ns, frames,
frame time] where the size of a period or the counting of frames changed; `transport`, rows of
[ns, state, frame, bar, beat, tick], one a period. Frames tell nothing across servers and quanta.
"""

from __future__ import annotations

import json
import os
import sys
import time

import jack


def main() -> None:
    """Record until the input is closed."""
    client = jack.Client("wall", no_start_server=True)
    port = client.midi_inports.register("in")
    rate = client.samplerate
    seen: list[tuple[int, str]] = []
    periods: list[tuple[int, int, int]] = []
    transport: list[tuple[float, ...]] = []
    last = [0, 0]

    @client.set_process_callback
    def process(frames: int) -> None:
        now = time.clock_gettime_ns(time.CLOCK_MONOTONIC_RAW)
        start = client.last_frame_time
        if frames != last[0] or start != last[1]:
            periods.append((now, frames, start))
        last[:] = frames, start + frames
        for offset, data in port.incoming_midi_events():
            seen.append((now + offset * 1_000_000_000 // rate, bytes(data).hex()))
        state, at = client.transport_query_struct()
        transport.append((now, int(state), at.frame, at.bar, at.beat, at.tick))

    client.activate()
    end = time.monotonic() + 10
    while not client.get_ports(sys.argv[1], is_output=True, is_midi=True):
        if time.monotonic() > end:
            sys.exit("no such source")
        time.sleep(0.01)
    client.connect(client.get_ports(sys.argv[1], is_output=True, is_midi=True)[0], port)
    print("ready", flush=True)
    sys.stdin.read()
    print(json.dumps({"seen": seen, "periods": periods, "transport": transport}), flush=True)
    os._exit(0)


if __name__ == "__main__":
    main()
