"""The engine's end of an audio interface: what is to sound is told to a process of its own."""

from __future__ import annotations

import select
import socket
import time

import msgspec

from grebe.core.rig.spec import PulseShape
from grebe.errors import PortLost
from grebe.process import children
from grebe.transports.clock import raw_ns
from grebe.transports.pulses.drawn import NEVER_NS
from grebe.transports.pulses.talk import (
    MAX_PACKET_BYTES,
    DiscardDrawn,
    DrawBetween,
    DrawLevel,
    DrawPulse,
    DrawShape,
    DropLine,
    FromInterface,
    InterfaceGone,
    InterfaceState,
    ToInterface,
)

SILENT_NS = 1_500_000_000
"""A process that has not told of itself for so long hangs."""
_encode = msgspec.msgpack.Encoder().encode
_decode = msgspec.msgpack.Decoder(FromInterface).decode


class SoundWire:
    """One interface; its channels are opened one by one."""

    def __init__(self, name: str) -> None:
        """Start its process. What keeps that from sounding is told by `check`, later."""
        self.name = name
        self.running: InterfaceState | None = None
        """What the interface last told of itself; None until it is open."""
        self.problem = ""
        """Why it sounds no more."""
        self._lines: dict[int, SoundLine] = {}
        self._heard_ns = raw_ns()
        self._socket, its = socket.socketpair(socket.AF_UNIX, socket.SOCK_SEQPACKET)
        self._socket.setblocking(False)
        words = ("--fd", str(its.fileno()), "--name", name)
        self._process = children.start(children.INTERFACE, *words, pass_fds=[its.fileno()])
        its.close()

    def look(self) -> bool:
        """Take in what the process has told of itself; whether it has opened or ended since."""
        was_open, had_ended = self.running is not None, bool(self.problem)
        self._take_in()
        return (was_open, had_ended) != (self.running is not None, bool(self.problem))

    def _take_in(self) -> None:
        while not self.problem:
            try:
                packet = self._socket.recv(MAX_PACKET_BYTES)
            except BlockingIOError:
                break
            except OSError as error:
                packet = b""
                self.problem = f"audio interface {self.name} went away ({error.strerror})"
            if not packet:
                self.problem = self.problem or f"audio interface {self.name} went away"
                return
            told = _decode(packet)
            self._heard_ns = raw_ns()
            if isinstance(told, InterfaceGone):
                self.problem = told.why
            else:
                self.running = told
        if self.running is not None and raw_ns() - self._heard_ns > SILENT_NS:
            self.problem = f"audio interface {self.name} does not answer"

    def wait(self, seconds: float) -> None:
        """Wait until it is open, or known not to be, or so long."""
        until = time.monotonic() + seconds
        while self.running is None and not self.problem:
            left = until - time.monotonic()
            if left <= 0 or not select.select([self._socket], [], [], left)[0]:
                return
            self.look()

    def must_run(self) -> InterfaceState:
        """PortLost when it is not open."""
        if self.problem:
            raise PortLost(self.problem)
        if self.running is None:
            raise PortLost(f"audio interface {self.name} is being opened")
        return self.running

    def open_line(self, channel: int, shape: PulseShape) -> SoundLine:
        """A channel, from 1. PortLost when the interface has not so many, or it is taken."""
        channels = self.must_run().channels
        if channel > channels:
            raise PortLost(f"audio interface {self.name} has {channels} channels")
        if channel in self._lines:
            raise PortLost(f"channel {channel} of {self.name} is in use already")
        line = self._lines[channel] = SoundLine(self, channel, shape)
        return line

    def tell(self, message: ToInterface) -> None:
        """Say something to its process. What it has no room for is lost with it."""
        try:
            self._socket.send(_encode(message))
        except OSError as error:
            self.problem = self.problem or f"audio interface {self.name} went away ({error})"

    def forget(self, line: SoundLine) -> None:
        """A channel is needed no more."""
        if self._lines.get(line.channel) is line:
            del self._lines[line.channel]
            self.tell(DropLine(line.channel))

    def close(self) -> None:
        """Hang up: the process ends by itself. One that hangs is killed."""
        self._socket.close()
        if self.problem or self.running is None:
            self._process.kill()
        children.let_go(self._process)


class SoundLine:
    """One channel of an interface, which carries pulses or a level and nothing else."""

    def __init__(self, wire: SoundWire, channel: int, shape: PulseShape) -> None:
        self.wire = wire
        self.channel = channel
        self._shape = shape
        self._between_until_ns = NEVER_NS
        wire.tell(DrawShape(channel, shape))

    @property
    def drawn(self) -> SoundLine:
        """Where pulses and levels are told: the process draws them."""
        return self

    @property
    def shape(self) -> PulseShape:
        """What its pulses look like."""
        return self._shape

    @shape.setter
    def shape(self, shape: PulseShape) -> None:
        if shape != self._shape:
            self._shape = shape
            self.wire.tell(DrawShape(self.channel, shape))

    @property
    def between_until_ns(self) -> int:
        """Pulses between two runs that are due later than this are left out."""
        return self._between_until_ns

    @between_until_ns.setter
    def between_until_ns(self, until_ns: int) -> None:
        if until_ns != self._between_until_ns:
            self._between_until_ns = until_ns
            self.wire.tell(DrawBetween(self.channel, until_ns))

    def pulse(self, due_ns: int, *, between: bool = False) -> None:
        """A pulse that rises at a time (CLOCK_MONOTONIC_RAW)."""
        self.wire.tell(DrawPulse(self.channel, due_ns, between))

    def level(self, due_ns: int, *, high: bool) -> None:
        """High, or at rest, from a time on."""
        self.wire.tell(DrawLevel(self.channel, due_ns, high))

    def discard(self) -> None:
        """Take back what has not been drawn."""
        self.wire.tell(DiscardDrawn(self.channel))

    def check(self) -> None:
        """PortLost when the interface was pulled."""
        self.wire.must_run()

    def close(self) -> None:
        """Leave the channel silent."""
        self.wire.forget(self)
