"""A JACK client that sounds, independent of Grebe.

Usage: jack_audio.py SERVER NAME clicks APART_FRAMES LATE_FRAMES
       jack_audio.py SERVER NAME delay FRAMES

`clicks`: NAME:a has a click every so many frames, NAME:b the same so much later. `delay`: what
comes in at NAME:in leaves NAME:out so many frames later. Prints "ready"; ends when its input does.
"""

from __future__ import annotations

import os
import sys

import jack
import numpy as np


def main() -> None:
    """Be it until the input ends."""
    server, name, kind, *numbers = sys.argv[1:]
    client = jack.Client(name, no_start_server=True, servername=server)
    if kind == "clicks":
        apart, late = map(int, numbers)
        ports = [client.outports.register(port) for port in ("a", "b")]
        length = client.samplerate // 1000

        @client.set_process_callback
        def process(frames: int) -> None:
            at = client.last_frame_time + np.arange(frames)
            for port, later in zip(ports, (0, late), strict=True):
                port.get_array()[:] = 0.6 * ((at - later) % apart < length)
    else:
        delay = int(numbers[0])
        into, out = client.inports.register("in"), client.outports.register("out")
        kept = np.zeros(delay, dtype=np.float32)

        @client.set_process_callback
        def process(frames: int) -> None:
            nonlocal kept
            kept = np.concatenate([kept, into.get_array()])
            out.get_array()[:] = kept[:frames]
            kept = kept[frames:]

    client.activate()
    print("ready", flush=True)
    sys.stdin.read()
    os._exit(0)  # a client that is closed can hang, and holds its server up


if __name__ == "__main__":
    main()
