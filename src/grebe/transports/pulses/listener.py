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
from grebe.transports.audio_in import Channels, Samples, interface_channels, jack_channels
from grebe.transports.clock import raw_ns
from grebe.transports.pulses.input import MAX_PACKET_BYTES, STAMP

REST_S = 0.002
"""Between looks: pulses are stamped when they come, so this delays only their being told."""
SILENT_NS = 3_000_000_000
"""An input that gives no samples for so long is gone, whether anybody says so or not."""
OPENS_S = 8
"""A JACK that hangs must not leave processes behind."""

STEADY_S = 0.05
NOISE, STEADY_SHARE = 0.005, 0.01
"""A run line keeps its level where it strays for so long by no more than this much of full scale,
or of all that it has ever moved."""
LEAST_STEP, STEP_SHARE = 0.05, 0.5
"""So far it has to lie from there for an edge that nobody heard."""

Edge = tuple[float, int]
"""(seconds from the first sample, the MIDI status it stands for)."""


class RunLine:
    """Finds a run line's edges in blocks, as Start and Stop."""

    def __init__(self, rate: int) -> None:
        self._rises, self._falls = PulseDetector(rate), PulseDetector(rate, falling=True)
        self._steady = round(STEADY_S * rate)
        self._level, self._kept = 0.0, 0
        """Where it lies, and for how many samples: behind a capacitor it never stays."""
        self._lowest, self._highest = 0.0, 0.0
        """That it has been at."""

    def begin_anew(self, first: float) -> list[Edge]:
        """Samples were lost, or none were there yet; this is the first of the next. Where it had
        kept its level, what it did meanwhile is known by the one it has now."""
        self._rises.begin_anew(first)
        self._falls.begin_anew(first)
        kept, self._kept = self._kept, 0
        step = first - self._level
        least = max(LEAST_STEP, STEP_SHARE * (self._highest - self._lowest))
        if kept < self._steady or abs(step) < least:
            return []
        return [(0.0, START if step > 0 else STOP)]

    def feed(self, block: NDArray[np.float32]) -> list[Edge]:
        """What it did in a block."""
        low, high = float(block.min()), float(block.max())
        self._lowest, self._highest = min(self._lowest, low), max(self._highest, high)
        room = max(NOISE, STEADY_SHARE * (self._highest - self._lowest))
        if self._level - room <= low and high <= self._level + room:
            self._kept += len(block)
        else:
            self._level, self._kept = float(block[-1]), 0
        rises = [(at_s, START) for at_s in self._rises.feed(block)]
        return rises + [(at_s, STOP) for at_s in self._falls.feed(block)]


class Edges:
    """Finds what is told in blocks: pulses as clocks, a run line's edges as Start and Stop."""

    def __init__(self, rate: int, *, falling: bool) -> None:
        self._rate = rate
        self._pulses, self._run = PulseDetector(rate, falling=falling), RunLine(rate)
        self._first, self._coming = 0, -1
        """The frame that is counted from, and the one that comes next."""

    def take(self, frame: int, rows: Samples) -> list[tuple[float, int]]:
        """(frame, MIDI status) of what there is in a block, in order of when it came.

        A row a line: pulses, and a run line where there is one. `frame` is the first sample's; one
        that does not come next tells that samples were lost.
        """
        found: list[Edge] = []
        if frame != self._coming:
            self._first = frame
            self._pulses.begin_anew(float(rows[0][0]))
            if len(rows) > 1:
                found = self._run.begin_anew(float(rows[1][0]))
        self._coming = frame + rows.shape[1]
        found += [(at_s, TIMING_CLOCK) for at_s in self._pulses.feed(rows[0])]
        if len(rows) > 1:
            found += self._run.feed(rows[1])
        found.sort(key=lambda edge: edge[0])
        return [(self._first + at_s * self._rate, status) for at_s, status in found]


def listen(source: Channels, told: socket.socket, *, falling: bool) -> None:
    """Tell of every pulse until the other end hangs up, or the source is over."""
    heard_ns = raw_ns()
    edges = Edges(source.frames.rate, falling=falling)
    while not select.select([told], [], [], REST_S)[0]:
        if source.over:
            raise PortLost(source.over)
        if source.blocks:
            heard_ns = raw_ns()
        elif raw_ns() - heard_ns > SILENT_NS:
            raise PortLost("nothing comes in any more: its server or interface is gone")
        while source.blocks:
            for frame, status in edges.take(*source.blocks.popleft()):
                at_ns = source.frames.ns_at(frame)
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
    # All that it takes is loaded before the first callback, which would wait for that, and every
    # client of JACK with it.
    Edges(48_000, falling=False).take(0, np.zeros((2, 64), np.float32))
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
