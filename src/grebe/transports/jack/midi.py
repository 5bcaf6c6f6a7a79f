"""MIDI through JACK, written in the process callback at exact frames.

The engine hands messages over early; the callback places each at the frame of
its time. What is routed from one JACK port to another is passed on by the
callback itself, at the frame it came in on. Nothing here allocates ports while
running except on request.
"""

from __future__ import annotations

import re
import time
from bisect import insort
from collections import deque
from collections.abc import Callable, Iterator
from contextlib import contextmanager, suppress
from typing import Any, TypeVar

from grebe.core.rig.spec import PulseShape
from grebe.errors import PortLost
from grebe.protocols.midi.message_filter import MessageFilter
from grebe.protocols.midi.messages import TIMING_CLOCK, MidiParser
from grebe.protocols.standin.reports import StandinReport
from grebe.transports.base import Heard
from grebe.transports.clock import raw_ns
from grebe.transports.frames import FrameClock, FrameCount
from grebe.transports.inbox import Inbox
from grebe.transports.jack.library import STOPPED, jack_module, why_none
from grebe.transports.jack.lines import JackLine
from grebe.transports.jack.output import JackOut
from grebe.transports.jack.transport import JackFollowed, JackTransport, Where

TRIES, BUSY_S = 5, 0.05
"""A server that is just letting go of a client refuses another for a moment: one of thirty, opened
one after the other."""


def open_client(name: str, server: str | None) -> Any:
    """A client of the JACK server that runs. PortLost says why there is none."""
    jack = jack_module(server)
    jack.set_error_function(_say_nothing)  # the library prints; what matters is raised
    jack.set_info_function(_say_nothing)
    for _ in range(TRIES):
        try:
            return jack.Client(name, no_start_server=True, servername=server)
        except jack.JackError as error:
            status = getattr(error, "status", None)
            if status is None or status.server_failed or not status.server_error:
                raise PortLost(why_none(server)) from error
        time.sleep(BUSY_S)
    raise PortLost("JACK runs, and takes no further client")


def connect(client: Any, source: Any, target: Any) -> None:
    """Connect two ports, our own as themselves and others' by name, unless one of the two is "".

    PortLost when it is not there.
    """
    named = target if isinstance(target, str) else source
    with _or_lost(f"there is no JACK port {named!r}"):
        if source and target:
            client.connect(source, target)


def _registered(ports: Any, name: str, words: str) -> Any:
    """A new port of our client. PortLost when JACK has no room for it."""
    with _or_lost(f"JACK would not open {words}"):
        return ports.register(name)


@contextmanager
def _or_lost(words: str) -> Iterator[None]:
    """What JACK refuses, also because it has just gone and nobody knows yet, is PortLost."""
    import jack  # noqa: PLC0415 - needs libjack, which not every machine has

    try:
        yield
    except jack.JackError as error:
        raise PortLost(words) from error


def _say_nothing(message: str) -> None:
    del message


TORN_PERIODS = 3
"""What was written so many periods before time was lost may never have reached the other end."""
SETTLES_NS = 500_000_000
"""So long after periods changed size, or the card that counts them, frames jump and xruns are
told, and nothing is lost: of PipeWire's, 120 changes under load took no clock with them."""
DOUBT_NS = 150_000_000
"""A jump is judged so much later: one that such a change follows is a part of it."""
SILENT_NS = 3_000_000_000
"""A server that has not called for so long is taken as stopped."""
_Out = TypeVar("_Out", bound="JackPort | JackLine")


class JackWire:
    """One JACK client with an output port for each device."""

    def __init__(self, server: str | None = None) -> None:
        """Open and start the client. PortLost when there is no server."""
        self.client = open_client("grebe", server)
        self.frames = FrameClock(self.client.samplerate)
        self.transport: JackTransport | JackFollowed | None = None
        self._stopped = False
        self._called_ns = raw_ns()
        """When the callback was called last."""
        self._ports: list[JackPort | JackLine] = []
        self._inputs: list[JackInput] = []
        self._overrun = False
        self._lost_at = 0
        self._doubted: tuple[JackPort, ...] = ()
        """When time seems to have been lost, and who had a clock in it; 0 and nobody."""
        self.losses = 0
        """How often time was lost, and perhaps what was to go out in it."""
        self._count = FrameCount(self.client.samplerate)
        self._expected = 0
        """The frame that follows on the last period."""
        self._frames_a_period = int(self.client.blocksize)
        self._settled_ns = 0
        """Until then frames jump because periods are another size, or another card's."""
        try:
            with _or_lost(STOPPED):
                self.client.set_process_callback(self._process)
                self.client.set_xrun_callback(self._on_xrun)
                self.client.set_shutdown_callback(self._on_shutdown)
                self.client.activate()
        except PortLost:
            self.client.close()
            raise

    @property
    def alive(self) -> bool:
        """Whether the server is there. One that was killed does not always say so: it is
        taken as stopped, too, when it has not called for a while."""
        return not self._stopped and raw_ns() - self._called_ns < SILENT_NS

    def open_port(self, name: str, target: str) -> JackPort:
        """A new output named for a device, connected to `target` unless that is empty.

        PortLost when the target is not there.
        """
        out = _registered(self.client.midi_outports, name, f"an output for {name}")
        return self._plugged(JackPort(self, out, target), target)

    def _plugged(self, port: _Out, target: str) -> _Out:
        """Let the callback serve a new output, and connect it."""
        self._ports = [*self._ports, port]  # replaced, never changed: the callback reads it
        try:
            connect(self.client, port.out, target)
        except PortLost:
            port.close()
            raise
        return port

    def must_have(self, port: str) -> None:
        """PortLost when there is no such port."""
        if not self.client.get_ports(f"^{re.escape(port)}$"):
            raise PortLost(f"there is no JACK port {port!r}")

    def lead_transport(self, where: Where) -> JackTransport:
        """Lead JACK's transport; `where` says the place at a time, also from the callback.

        PortLost when the server stopped.
        """
        if not isinstance(self.transport, JackTransport):
            self.leave_transport()
            with _or_lost(STOPPED):
                self.transport = JackTransport(self.client, self.frames, where)
        return self.transport

    def follow_transport(self) -> JackFollowed:
        """Watch JACK's transport."""
        if not isinstance(self.transport, JackFollowed):
            self.leave_transport()
            self.transport = JackFollowed(self.client, lambda: self.alive)
        return self.transport

    def leave_transport(self) -> None:
        """Leave JACK's transport to others."""
        transport, self.transport = self.transport, None
        if transport is not None:
            self._give_back(transport.release)

    def open_line(self, name: str, target: str, shape: PulseShape) -> JackLine:
        """A new audio output for pulses or a level, connected to `target` unless that is empty.

        PortLost when the target is not there.
        """
        out = _registered(self.client.outports, name, f"an output for {name}")
        return self._plugged(JackLine(self, out, target, shape), target)

    def open_input(self, name: str, source: str) -> JackInput:
        """A new input named for a device, connected from `source` unless that is empty.

        PortLost when the source is not there.
        """
        into = _registered(self.client.midi_inports, f"from {name}", f"an input for {name}")
        opened = JackInput(self, into, source)
        try:
            connect(self.client, source, into)
        except PortLost:
            opened.close_input()
            raise
        self._inputs = [*self._inputs, opened]
        return opened

    def forget_input(self, heard: JackInput) -> None:
        """Take an input out of the callback and give it back."""
        self._inputs = [p for p in self._inputs if p is not heard]
        self._give_back(heard.into.unregister)

    def forget(self, port: JackPort | JackLine) -> None:
        """Take a port out of the callback and give it back."""
        self._ports = [p for p in self._ports if p is not port]
        self._give_back(port.out.unregister)

    def _give_back(self, call: Callable[[], object]) -> None:
        """Nothing to do where the server has gone: it has taken it along."""
        if self.alive:
            with suppress(PortLost), _or_lost(STOPPED):
                call()

    def close(self) -> None:
        """Close the client. A dead one must be closed too, before another is opened."""
        self._ports, self._inputs = [], []
        if self.alive:
            self.client.deactivate()
        self.client.close()

    @property
    def period_ns(self) -> int:
        """How long a period is now; another program may change it at any moment."""
        return round(self._frames_a_period / self.frames.rate * 1e9)

    def _process(self, frames: int) -> None:
        now_ns = self._called_ns = raw_ns()
        anew = self._count.anew
        start = self._count.frame(self.client.last_frame_time, now_ns)
        expected, self._expected = self._expected, start + frames
        gaps = self.frames.gaps
        self.frames.update(start, now_ns, frames)
        lost, self._overrun = self._overrun or self.frames.gaps != gaps, False
        begun_anew = self._count.anew != anew
        if begun_anew and isinstance(self.transport, JackTransport):
            self.transport.begun_anew()
        if begun_anew or frames != self._frames_a_period:
            self._frames_a_period = frames
            self._settled_ns = now_ns + SETTLES_NS
            self._lost_at, self._doubted = 0, ()
        elif lost and now_ns > self._settled_ns:
            since = min(start, expected) - TORN_PERIODS * frames
            ports = [p for p in self._ports if isinstance(p, JackPort) and p.has_clock_since(since)]
            self._lost_at, self._doubted = now_ns, (*self._doubted, *ports)
        elif self._lost_at and now_ns - self._lost_at > DOUBT_NS:
            self.losses += 1
            for torn in self._doubted:
                torn.is_torn = True
            self._lost_at, self._doubted = 0, ()
        for heard in self._inputs:
            heard.read(start)
        for port in self._ports:
            port.write(start, frames)
        if self.transport is not None:
            self.transport.process(start, frames)

    def _on_xrun(self, delayed_us: float) -> None:
        # The dummy driver counts each of a few microseconds; a period's worth can lose messages.
        if delayed_us * self.frames.rate / 1e6 >= self.client.blocksize:
            self._overrun = True

    def _on_shutdown(self, status: Any, reason: str) -> None:
        del status, reason
        self._stopped = True


class JackInput:
    """One input port."""

    def __init__(self, wire: JackWire, into: Any, source: str) -> None:
        self.wire = wire
        self.into = into
        self._source = source
        self.through: tuple[tuple[MessageFilter, JackPort], ...] = ()
        """Gates to other JACK ports. Replaced, never changed: the callback reads it."""
        self.wakes = False
        """Whether the engine has to pass some of it on."""
        self._inbox = Inbox()
        self._parser = MidiParser()

    def read(self, start: int) -> None:
        """Called in the process callback: take in what this period brought."""
        for offset, buffer in self.into.incoming_midi_events():
            for data, _ in self._parser.feed(bytes(buffer), 0):
                for message_filter, port in self.through:
                    passed = message_filter(data)
                    if passed is not None:
                        port.pass_on(start + offset, passed)
                if self.wakes:
                    self._inbox.put(self.wire.frames.ns_at(start + offset), data)

    def fileno(self) -> int:
        """The descriptor the callback wakes the engine by."""
        return self._inbox.fileno()

    def receive(self) -> list[Heard]:
        """What has come in. PortLost when the server stopped."""
        if not self.wire.alive:
            raise PortLost(STOPPED)
        return self._inbox.take()

    def check_input(self) -> None:
        """PortLost when the server stopped or the other end was taken away."""
        if not self.wire.alive:
            raise PortLost(STOPPED)
        if self._source and not self.wire.client.get_all_connections(self.into):
            raise PortLost(f"JACK port {self._source} went away")

    def has_passed(self, message_filter: MessageFilter) -> bool:
        """The callback passes on what goes to another JACK port."""
        return any(message_filter is other for other, _ in self.through)

    def close_input(self) -> None:
        """Take the port away."""
        self.wire.forget_input(self)
        self._inbox.close()


class JackPort(JackOut):
    """One MIDI output and what waits for it."""

    stamped = True

    def __init__(self, wire: JackWire, out: Any, target: str) -> None:
        super().__init__(wire, out, target)
        self.planned: deque[tuple[int, bytes]] | None = None
        """Set to a deque to keep (frame, bytes) of everything written."""
        self._incoming: deque[tuple[int, bytes]] = deque()
        self._waiting: list[tuple[int, int, bytes]] = []
        """By time (CLOCK_MONOTONIC_RAW ns), not by frame: that holds whatever JACK counts."""
        self._serial = 0
        self._late: deque[float] = deque(maxlen=4096)
        self._last_clock = -1
        self.is_torn = False
        """Whether JACK lost time, and a clock with it perhaps. Set in the callback."""

    def send(self, data: bytes, due_ns: int) -> None:
        """Hand a message over; it goes out at the frame of its time."""
        if not self.wire.alive:
            raise PortLost(STOPPED)
        self._incoming.append((due_ns, data))

    def pass_on(self, frame: int, data: bytes) -> None:
        """Called in the process callback: put a message out at a frame of this period."""
        self._serial += 1
        insort(self._waiting, (self.wire.frames.ns_at(frame), self._serial, data))

    def write(self, start: int, frames: int) -> None:
        """Called in the process callback: put out what falls into this period."""
        self.out.clear_buffer()
        incoming, waiting = self._incoming, self._waiting  # `discard` may replace both
        while incoming:
            due_ns, data = incoming.popleft()
            self._serial += 1
            insort(waiting, (due_ns, self._serial, data))
        while waiting:
            due_ns, _, data = waiting[0]
            frame = self.wire.frames.frame_at(due_ns)  # now: another size of period moves frames
            if frame is None or frame >= start + frames:
                break
            waiting.pop(0)
            offset = max(0, frame - start)
            if data[0] == TIMING_CLOCK:
                self._last_clock = start + offset
                self._late.append((start + offset - frame) / self.wire.frames.rate * 1e3)
            self.out.write_midi_event(offset, data)
            if self.planned is not None:
                self.planned.append((frame, data))

    def reports(self) -> list[StandinReport]:
        """Real devices do not report."""
        return []

    def has_clock_since(self, frame: int) -> bool:
        """Called in the process callback: whether a clock was written from a frame on."""
        return self._last_clock >= frame

    def take_torn(self) -> bool:
        """Whether a clock may have been lost since this was asked last."""
        torn, self.is_torn = self.is_torn, False
        return torn

    def discard(self) -> list[bytes]:
        """Take back what has not gone out.

        The callback may be running: it keeps the containers it began with, so a
        message may both go out and be given back, and none is lost.
        """
        incoming, self._incoming = self._incoming, deque()
        waiting, self._waiting = self._waiting, []
        return [data for _, _, data in waiting] + [data for _, data in incoming]

    def late_ms(self) -> list[float]:
        """Lateness of the clock ticks put out since the last call, exact to the frame."""
        out = []
        while self._late:
            out.append(self._late.popleft())
        return out
