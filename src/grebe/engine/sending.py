"""From what the player wants sent, tick by tick, to bytes on a wire at their time."""

from __future__ import annotations

from collections.abc import Callable

from grebe.core.player.events import (
    SAID,
    Continue,
    ControlChange,
    DeviceEvent,
    Due,
    NoteOff,
    NoteOn,
    ProgramChange,
    Said,
    Shared,
    Start,
    Stop,
    TempoChange,
)
from grebe.core.sync.timeline import SongTimeline
from grebe.engine.device_output import DeviceOutput
from grebe.engine.limits import CLOCK_BYTE, IDLE_CLOCK, START_LEAD_NS
from grebe.engine.outputs import Outputs
from grebe.engine.send_queue import Queued, SendQueue
from grebe.errors import PortLost
from grebe.protocols.midi.messages import NOTE_OFF, STOP, encode
from grebe.transports.clock import MonotonicClock

EARLY_NS = 1_000
"""With real-time priority what is due within so long is sent at once."""


class Sending:
    """What waits for its deadline, and the sending itself."""

    def __init__(
        self,
        outputs: Outputs,
        clock: MonotonicClock,
        say: Callable[[Said], None],
        *,
        realtime: bool,
    ) -> None:
        """`say` is told, at its time, what is said of the song and is for no box."""
        self._outputs = outputs
        self._now_ns = clock.now_ns
        self._say = say
        self._early_ns = EARLY_NS if realtime else 0
        self._queue = SendQueue()
        self._bytes: dict[DeviceEvent, bytes] = {}
        self._missed_before = 0
        """What was due before this is not sent any more: boxes come in on the next bar."""

    @property
    def next_ns(self) -> int | None:
        """The next deadline; None while nothing waits."""
        return self._queue.next_ns

    def plan(self, dues: list[Due], timeline: SongTimeline) -> None:
        """Have these sent at their time: at once where the port stamps them, at the deadline
        otherwise. Tempo changes are for the timeline and are left out."""
        outputs = self._outputs
        for tick, device, event in dues:
            if isinstance(event, TempoChange):
                continue
            due_ns = timeline.ns_at(tick)
            if isinstance(event, SAID):
                self._queue.push(due_ns, "", event)
                continue
            if event is Shared.PULSE:
                outputs.pulse(device, due_ns)
                continue
            if isinstance(event, (NoteOn, NoteOff)):
                outputs.gate(device, event.note, due_ns, high=isinstance(event, NoteOn))
            output, meant = outputs.reached(device), outputs.of_line(device)
            if output is None or meant is None:
                continue
            due_ns += meant.offset_ns
            if isinstance(event, (Start, Continue)):
                due_ns -= START_LEAD_NS
            if due_ns < self._missed_before:
                self._send_late(output, event, self._missed_before)
            elif output.stamped:
                self._send(output, event, due_ns)
            else:
                self._queue.push(due_ns, output.device.id, event)

    def idle_tick(self, wire: str, at_ns: int) -> None:
        """A clock between two runs."""
        output = self._outputs.get(wire)
        if output is None:
            return
        due_ns = at_ns + output.offset_ns
        if output.stamped:
            self._send(output, IDLE_CLOCK, due_ns)
        else:
            self._queue.push(due_ns, wire, IDLE_CLOCK)

    def end_idle_ticks(self, from_ns: int) -> None:
        """A run begins: from then on its own ticks go out."""
        self._queue.drop(IDLE_CLOCK, from_ns)

    def send_due(self) -> None:
        """Send what is due by now."""
        queue = self._queue
        ticks: list[tuple[str, int, int]] = []
        while queue and (queue.next_ns or 0) <= self._now_ns() + self._early_ns:
            due_ns, _, wire, event = queue.pop()
            output = self._outputs.get(wire)
            if isinstance(event, SAID):
                self._say(event)
            elif event is Shared.CLOCK and output is not None and output.port is not None:
                late_ns = self._now_ns() - due_ns
                try:
                    output.port.send(CLOCK_BYTE, due_ns)
                except PortLost as error:
                    self._outputs.lost(output, error)
                else:
                    ticks.append((wire, due_ns, late_ns))
            elif output is not None:  # it may have left the rig since this was planned
                self._send(output, event, due_ns)
        for wire, due_ns, late_ns in ticks:  # counted when all of them are out
            for sharing in self._outputs.sharing(wire):
                sharing.tick_sent(due_ns, late_ns / 1e6)

    def send_now(self, dues: list[Due]) -> None:
        """Send at once what belongs to no time of a run."""
        now = self._now_ns()
        for _, device, event in dues:
            output = self._outputs.reached(device) or self._outputs.of_line(device)
            if output is not None and not isinstance(event, (TempoChange, *SAID)):
                self._send(output, event, now)

    def skip(self, before_ns: int) -> None:
        """What was due before is not poured out at once: ticks in a burst would make boxes race.

        What ends notes is sent, and what stays set.
        """
        self._missed_before = before_ns
        for queued in self._queue.take_all():
            if queued.due_ns >= before_ns or isinstance(queued.event, SAID):
                self._queue.push(queued.due_ns, queued.wire, queued.event)
                continue
            output = self._outputs.get(queued.wire)
            if output is not None:
                self._send_late(output, queued.event, before_ns)
        self.send_due()

    def halt(self, dues: list[Due]) -> None:
        """Drop what has not gone out, except the ends of notes; then send what ends the run.

        Without `dues` the player had come to the song's end already: what waits has them.
        """
        waiting = self._queue.take_all()
        self._discard(keeps_stop=not dues)
        ends = (NoteOff,) if dues else (NoteOff, Stop, ControlChange)
        now = self._now_ns()
        for queued in sorted(waiting):
            if isinstance(queued.event, ends):
                self._send_queued(queued, now)
        self.send_now(dues)

    def _discard(self, *, keeps_stop: bool) -> None:
        """Take back what ports that stamp were given, but for the ends of notes."""
        for output in self._outputs.by_id.values():
            for data in () if output.port is None else output.port.discard():
                if data[0] & 0xF0 == NOTE_OFF or (data[0] == STOP and keeps_stop):
                    self._outputs.send_raw(output, data)

    def _send_queued(self, queued: Queued, now: int) -> None:
        output = self._outputs.get(queued.wire)
        if output is not None and not isinstance(queued.event, SAID):
            self._send(output, queued.event, now)

    def _send_late(self, output: DeviceOutput, event: DeviceEvent | Said, now: int) -> None:
        """Of what was due while nothing could be sent: what ends notes, and what stays set."""
        if isinstance(event, (NoteOff, Stop, ControlChange, ProgramChange)):
            self._send(output, event, now)

    def _send(self, output: DeviceOutput, event: DeviceEvent, due_ns: int) -> None:
        port, outputs = output.port, self._outputs
        if port is None:
            return
        data = self._bytes.get(event)
        if data is None:
            data = self._bytes[event] = encode(event)
        try:
            port.send(data, due_ns)
        except PortLost as error:
            outputs.lost(output, error)
            return
        output.sounding.took(data)
        if isinstance(event, (Start, Continue)):
            outputs.started(output.device.id)
        elif isinstance(event, Stop):
            outputs.stopped(output.device.id)
        if event is Shared.CLOCK:  # a port that stamps: it says later how late it was
            for sharing in outputs.sharing(output.device.id):
                sharing.tick_sent(due_ns, None)
