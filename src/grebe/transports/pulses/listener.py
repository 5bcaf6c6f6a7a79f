"""``python -m grebe.transports.pulses.listener``: hears pulses at an audio input, says when.


A process of its own beside the engine, so that samples and NumPy stay out of it.
"""

from __future__ import annotations

import argparse
import os
import select
import signal
import socket
from collections import deque
from typing import Any

import numpy as np
from numpy.typing import NDArray

from grebe.core.sync.pulses import PulseDetector
from grebe.errors import PortLost
from grebe.process.log import start_log
from grebe.process.priority import be_ordinary, limit_realtime
from grebe.protocols.midi.messages import START, STOP, TIMING_CLOCK
from grebe.transports.clock import raw_ns
from grebe.transports.frames import FrameClock
from grebe.transports.jack.midi import connect, open_client
from grebe.transports.pulses.devices import interface_meant, interfaces, sound_library
from grebe.transports.pulses.input import MAX_PACKET_BYTES, STAMP

REST_S = 0.002
"""Between looks: pulses are stamped when they come, so this delays only their being told."""
MAX_BLOCKS = 4096
SILENT_NS = 3_000_000_000
"""An input that gives no samples for so long is gone, whether anybody says so or not."""
OPENS_S = 8
"""A JACK that hangs must not leave processes behind."""

Block = tuple[int, NDArray[np.float32], NDArray[np.float32] | None]
"""(frame of its first sample, pulses, run line)."""
Edge = tuple[float, int]
"""(seconds from the first sample, the MIDI status it stands for)."""


class BlockSource:
    """Blocks of samples from a callback, and the clock of their frames."""

    def __init__(self, rate: int) -> None:
        self.frames = FrameClock(rate)
        self.delay_ns = 0
        """From the jack to the frame: what the interface itself takes."""
        self.blocks: deque[Block] = deque(maxlen=MAX_BLOCKS)
        self.over = ""
        """Why there will be no more."""


def jack_source(name: str, run: str | None) -> tuple[BlockSource, Any]:
    """From a JACK port, and one for the run line; keep the client. PortLost when there is none."""
    client = open_client("grebe ear", os.environ.get("JACK_DEFAULT_SERVER"))
    source = BlockSource(client.samplerate)
    port = client.inports.register("pulses")
    line = None if run is None else client.inports.register("run")

    def process(count: int) -> None:
        now_ns = raw_ns()
        frame = client.last_frame_time
        source.frames.update(frame, now_ns, count)
        other = None if line is None else line.get_array().copy()
        source.blocks.append((frame, port.get_array().copy(), other))

    def ended(status: Any, reason: str) -> None:
        del status, reason
        source.over = "JACK stopped"

    client.set_process_callback(process)
    client.set_shutdown_callback(ended)
    client.activate()
    connect(client, name, port)
    if line is not None:
        connect(client, run, line)
    return source, client


def sound_source(name: str, channel: int, run: int | None) -> tuple[BlockSource, Any]:
    """From a channel of an interface, and one for the run line; keep the stream. PortLost when it
    will not open."""
    library = sound_library()
    count = 0

    def fill(data: Any, frames: int, when: Any, status: Any) -> None:
        nonlocal count
        now_ns = raw_ns()
        if status.input_overflow:
            count += frames
        source.frames.update(count, now_ns, frames)
        source.delay_ns = max(0, round((when.currentTime - when.inputBufferAdcTime) * 1e9))
        other = None if run is None else data[:, run - 1].copy()
        source.blocks.append((count, data[:, channel - 1].copy(), other))
        count += frames

    try:
        stream = library.InputStream(
            device=interface_meant(name, interfaces(input_=True)).number,
            channels=max(channel, run or 0),
            dtype="float32",
            callback=fill,
            latency="low",
        )
        source = BlockSource(round(stream.samplerate))
        stream.start()
    except (library.PortAudioError, ValueError) as error:
        raise PortLost(f"audio interface {name} would not open ({error})") from error
    return source, stream


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


def listen(source: BlockSource, told: socket.socket, *, falling: bool) -> None:
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
            frame, samples, run = source.blocks.popleft()
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
            source, kept = jack_source(chosen.name, chosen.run_name)
        else:
            source, kept = sound_source(chosen.name, chosen.channel, chosen.run_channel)
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
