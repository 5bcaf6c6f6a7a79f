"""``python -m grebe.transports.pulses.listener``: hears pulses at an audio input, says when.

A process of its own beside the engine, so that samples and NumPy stay out of it.
"""

from __future__ import annotations

import argparse
import os
import select
import signal
import socket

import numpy as np
from numpy.typing import NDArray

from grebe.core.sync.pulses import PulseDetector
from grebe.errors import PortLost
from grebe.process.log import start_log
from grebe.process.priority import be_ordinary, limit_realtime
from grebe.protocols.midi.messages import START, STOP, TIMING_CLOCK
from grebe.transports.audio_in import Channels, interface_channels, jack_channels
from grebe.transports.clock import raw_ns
from grebe.transports.pulses.input import MAX_PACKET_BYTES, STAMP

REST_S = 0.002
"""Between looks: pulses are stamped when they come, so this delays only their being told."""
SILENT_NS = 3_000_000_000
"""An input that gives no samples for so long is gone, whether anybody says so or not."""
OPENS_S = 8
"""A JACK that hangs must not leave processes behind."""

Edge = tuple[float, int]
"""(seconds from the first sample, the MIDI status it stands for)."""


class Edges:
    """Finds what is told in blocks: pulses as clocks, a run line's edges as Start and Stop."""

    def __init__(self, rate: int, *, falling: bool) -> None:
        self._pulses = PulseDetector(rate, falling=falling)
        self._rises, self._falls = PulseDetector(rate), PulseDetector(rate, falling=True)

    def feed(self, pulses: NDArray[np.float32], run: NDArray[np.float32] | None) -> list[Edge]:
        """In order of when they came."""
        found = [(at_s, TIMING_CLOCK) for at_s in self._pulses.feed(pulses)]
        if run is not None:
            found += [(at_s, START) for at_s in self._rises.feed(run)]
            found += [(at_s, STOP) for at_s in self._falls.feed(run)]
        return sorted(found, key=lambda edge: edge[0])


def listen(source: Channels, told: socket.socket, *, falling: bool) -> None:
    """Tell of every pulse until the other end hangs up, or the source is over."""
    heard_ns = raw_ns()
    detector, first, coming = Edges(source.frames.rate, falling=falling), 0, None
    while not select.select([told], [], [], REST_S)[0]:
        if source.over:
            raise PortLost(source.over)
        if source.blocks:
            heard_ns = raw_ns()
        elif raw_ns() - heard_ns > SILENT_NS:
            raise PortLost("nothing comes in any more: its server or interface is gone")
        while source.blocks:
            frame, rows = source.blocks.popleft()
            samples, run = rows[0], rows[1] if len(rows) > 1 else None
            if frame != coming:  # blocks were lost: what is counted begins afresh
                detector = Edges(source.frames.rate, falling=falling)
                first = frame
            coming = frame + len(samples)
            for at_s, status in detector.feed(samples, run):
                at_ns = source.frames.ns_at(first + at_s * source.frames.rate)
                told.send(STAMP.pack(at_ns - source.delay_ns, status))


def main() -> int:
    """Listen until told to end; the exit status."""
    parser = argparse.ArgumentParser(prog="grebe pulse ear")
    parser.add_argument("--fd", type=int, required=True)
    parser.add_argument("--wire", choices=("jack", "audio"), required=True)
    parser.add_argument("--name", default="")
    parser.add_argument("--channel", type=int, default=1)
    parser.add_argument("--run-name")
    parser.add_argument("--run-channel", type=int)
    parser.add_argument("--falling", action="store_true")
    chosen = parser.parse_args()
    start_log("pulses")
    be_ordinary()  # the engine's priority is not for this
    limit_realtime()  # the audio library's own threads may have it
    told = socket.socket(fileno=chosen.fd)
    signal.alarm(OPENS_S)
    try:
        if chosen.wire == "jack":
            run = {} if chosen.run_name is None else {"run": chosen.run_name}
            source, kept = jack_channels("grebe ear", {"pulses": chosen.name, **run})
        else:
            lines = [chosen.channel, *([chosen.run_channel] if chosen.run_channel else [])]
            source, kept = interface_channels(chosen.name, lines)
        signal.alarm(0)
        listen(source, told, falling=chosen.falling)
        del kept
    except PortLost as error:
        told.send(str(error).encode()[:MAX_PACKET_BYTES])
        return 1
    except OSError:
        return 0  # the engine is gone
    return 0


if __name__ == "__main__":
    # At once, without closing the client: JACK ends its thread wherever that stands, and where it
    # waits for the interpreter nobody gets it any more. A client that hangs holds up the server.
    os._exit(main())
