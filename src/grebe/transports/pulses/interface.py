"""``python -m grebe.transports.pulses.interface``: sounds pulses at an audio interface.

A process of its own for each interface, with nothing in it but pulses: they are never mixed into
another output. Exact to the sample; what the interface itself delays, as PortAudio states it, is
made up for. It ends when its card stops asking for samples, or the engine hangs up.
"""

from __future__ import annotations

import argparse
import os
import select
import socket
import time
from typing import Any

import msgspec

from grebe.errors import PortLost
from grebe.process.callbacks import before_callbacks
from grebe.process.log import start_log
from grebe.process.priority import ask_for_realtime
from grebe.transports.clock import raw_ns
from grebe.transports.frames import FrameClock
from grebe.transports.pulses.devices import interface_meant, interfaces, sound_library
from grebe.transports.pulses.drawn import Drawn
from grebe.transports.pulses.talk import (
    HEARTBEAT_S,
    MAX_PACKET_BYTES,
    DiscardDrawn,
    DrawBetween,
    DrawLevel,
    DrawPulse,
    DrawShape,
    DropLine,
    InterfaceGone,
    InterfaceState,
    ToInterface,
)

DRAWS, WATCHES = 60, 62
"""Priorities: who watches the drawing must get the processor where that spins."""
SILENT_NS = 150_000_000
"""An interface that has not asked for samples for so long was pulled, or its server is gone."""
RATE, PERIOD = "GREBE_SOUND_RATE", "GREBE_SOUND_PERIOD"
"""Frames a second, and frames at a time, where they are to be others than the interface's own."""


class PulseStream:
    """One interface's stream; `lines` are its channels, from 1."""

    def __init__(self, name: str) -> None:
        """Open it. PortLost when it is not there or will not open."""
        library = sound_library()
        meant = interface_meant(name, interfaces())
        self.channels = meant.channels
        self.lines: dict[int, Drawn] = {}
        """Replaced, never changed: the callback reads it."""
        self.period = self.underruns = 0
        self.delay_ns = 0
        self.called_ns = raw_ns()
        self._count = 0
        try:
            self._stream = library.RawOutputStream(
                device=meant.number, channels=self.channels, dtype="float32", callback=self._fill,
                latency="low", prime_output_buffers_using_stream_callback=False,
                samplerate=_number(RATE), blocksize=_number(PERIOD) or 0,
            )  # fmt: skip
            self.frames = FrameClock(round(self._stream.samplerate))
            self._stream.start()  # and never stopped: where the card is gone that waits for ever
        except library.PortAudioError as error:
            raise PortLost(f"audio interface {name} would not open ({error})") from error

    def _fill(self, data: Any, frames: int, when: Any, status: Any) -> None:
        """Called by PortAudio on its thread for each block."""
        now_ns = self.called_ns = raw_ns()
        self.period = frames
        if status.output_underflow:
            self.underruns += 1
            self._count += frames  # a block was lost: the loop of frames begins afresh
        self.frames.update(self._count, now_ns, frames)
        delay_ns = round((when.outputBufferDacTime - when.currentTime) * 1e9)
        if abs(delay_ns - self.delay_ns) > 1_000_000:
            self.delay_ns = max(0, delay_ns)  # it wavers by the callback: kept while it is near
        block = memoryview(data).cast("B")
        block[:] = bytes(len(block))
        samples = block.cast("f")
        for channel, drawn in self.lines.items():
            drawn.late_ns = self.delay_ns
            drawn.draw(samples[channel - 1 :: self.channels], self._count, frames)
        self._count += frames

    def take(self, message: ToInterface) -> None:
        """Do what the engine says."""
        line = self.lines.get(message.channel)
        if isinstance(message, DrawShape):
            if line is not None:
                line.shape = message.shape
            else:
                made = Drawn(self.frames, message.shape)
                self.lines = {**self.lines, message.channel: made}
        elif line is None:
            return
        elif isinstance(message, DrawPulse):
            line.pulse(message.due_ns, between=message.between)
        elif isinstance(message, DrawBetween):
            line.between_until_ns = message.until_ns
        elif isinstance(message, DrawLevel):
            line.level(message.due_ns, high=message.high)
        elif isinstance(message, DiscardDrawn):
            line.discard()
        elif isinstance(message, DropLine):
            self.lines = {n: other for n, other in self.lines.items() if n != message.channel}

    def running(self) -> InterfaceState:
        """How it is doing."""
        delay_ms = self.delay_ns / 1e6
        return InterfaceState(
            self.channels, self.frames.rate, self.period, delay_ms, self.underruns
        )


def _number(variable: str) -> int | None:
    text = os.environ.get(variable, "")
    return int(text) if text.isdecimal() and int(text) else None


def sound(name: str, engine: socket.socket) -> None:
    """Sound what the engine says until it hangs up. PortLost where the interface goes."""
    before_callbacks()
    ask_for_realtime(DRAWS)  # for the callback's thread, which begins with the stream
    stream = PulseStream(name)
    ask_for_realtime(WATCHES)
    decoder, encode = msgspec.msgpack.Decoder(ToInterface), msgspec.msgpack.encode
    told = 0.0
    while True:
        if raw_ns() - stream.called_ns > SILENT_NS:
            raise PortLost(f"audio interface {name} went away")
        if time.monotonic() - told >= HEARTBEAT_S:
            told = time.monotonic()
            engine.send(encode(stream.running()))
        if select.select([engine], [], [], HEARTBEAT_S)[0]:
            packet = engine.recv(MAX_PACKET_BYTES)
            if not packet:
                return
            stream.take(decoder.decode(packet))


def main() -> None:
    """Sound until told to end."""
    parser = argparse.ArgumentParser(prog="grebe interface")
    parser.add_argument("--fd", type=int, required=True)
    parser.add_argument("--name", required=True)
    chosen = parser.parse_args()
    start_log("pulses")
    engine = socket.socket(fileno=chosen.fd)
    try:
        sound(chosen.name, engine)
    except PortLost as error:
        engine.send(msgspec.msgpack.encode(InterfaceGone(str(error))))
    except OSError:
        pass  # the engine is gone
    # At once: closing a stream whose card is gone can hang in its library.
    os._exit(0)


if __name__ == "__main__":
    main()
