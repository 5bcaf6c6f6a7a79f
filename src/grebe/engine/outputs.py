"""Ways out by device: how each is reached, and what goes down its wire now."""

from __future__ import annotations

from collections.abc import Callable, Iterable

from grebe.core.player.plan import Plan
from grebe.core.rig.lines import box_of
from grebe.engine.device_output import DeviceOutput
from grebe.engine.inputs import Sendings
from grebe.engine.lines import PulseOutputs
from grebe.errors import PortLost
from grebe.protocols.link.messages import DeviceStatus
from grebe.protocols.midi.messages import silence
from grebe.transports.clock import MonotonicClock
from grebe.transports.jack.midi import JackPort
from grebe.words import tr


class Outputs:
    """Every device's way out, and their pulse lines."""

    def __init__(
        self, lines: PulseOutputs, clock: MonotonicClock, warn: Callable[[str], None]
    ) -> None:
        """`warn` tells the performer something in words."""
        self._lines = lines
        self._clock = clock
        self._warn = warn
        self.by_id: dict[str, DeviceOutput] = {}
        self._via: dict[str, str] = {}
        self._sharing: dict[str, list[DeviceOutput]] = {}

    def get(self, device: str) -> DeviceOutput | None:
        """A device's own output."""
        return self.by_id.get(device)

    def take(self, plan: Plan, outputs: dict[str, DeviceOutput]) -> None:
        """These are there now, reached as a plan has it."""
        self.by_id = outputs
        self._via = dict(plan.via)
        self._sharing = {
            wire: [outputs[d] for d in plan.devices_on(wire) if d in self.by_id]
            for wire in plan.clocked
        }
        for wire, sharing in self._sharing.items():
            for output in sharing:
                output.clock_of(self.by_id[wire])

    @property
    def wires(self) -> tuple[str, ...]:
        """Ids of the devices plugged in, once each."""
        return tuple(dict.fromkeys(self._via.values()))

    def of_line(self, line: str) -> DeviceOutput | None:
        """The output of the box that a line is, or is part of."""
        return self.by_id.get(line) or self.by_id.get(box_of(line))

    def reached(self, line: str) -> DeviceOutput | None:
        """The output that a line's box is reached by; None where Grebe does not reach it."""
        wire = self._via.get(line) or self._via.get(box_of(line), "")
        return self.by_id.get(wire)

    def sharing(self, wire: str) -> Iterable[DeviceOutput]:
        """The outputs that get the clock of a wire."""
        return self._sharing.get(wire, ())

    @property
    def earliest_ns(self) -> int:
        """How far ahead of the music the earliest device is sent to."""
        return max([0, *(-output.aim_ns for output in self.by_id.values())])

    def statuses(self) -> tuple[DeviceStatus, ...]:
        """How every device is doing."""
        return tuple(
            output.status(self._lines.sent.get(device, 0), self._lines.problems.get(device, ""))
            for device, output in self.by_id.items()
        )

    def torn(self) -> list[str]:
        """Devices whose wire may have lost a clock since this was asked last."""
        return [
            device
            for device, output in self.by_id.items()
            if isinstance(output.port, JackPort) and output.port.take_torn()
        ]

    def begin_run(self, tick: int, base_ns: int, started: tuple[str, ...]) -> None:
        """A run begins: its first clock, at a tick, is due at a time. `started`: wires that get
        Start."""
        self._lines.begin()
        for device, output in self.by_id.items():
            output.begin(tick, started=self._via.get(device) in started)
            self._lines.start(device, base_ns + output.offset_ns)

    def pulse(self, device: str, due_ns: int) -> None:
        """A pulse down a device's line."""
        output = self.by_id.get(device)
        if output is not None:
            self._lines.pulse(device, due_ns + output.offset_ns)

    def pulse_between(self, device: str, due_ns: int) -> None:
        """A pulse between two runs."""
        output = self.by_id.get(device)
        if output is not None:
            self._lines.pulse_between(device, due_ns + output.offset_ns)

    def gate(self, line: str, note: int, due_ns: int, *, high: bool) -> None:
        """A note of a box or a track of it, where it has a gate."""
        box = box_of(line)
        output = self.by_id.get(box)
        if output is not None:
            self._lines.gate(box, note, due_ns + output.offset_ns, high=high)

    def started(self, wire: str) -> None:
        """Start or Continue has gone down a wire."""
        for device, output in self.by_id.items():
            if self._via.get(device, device) == wire:
                output.started()

    def stopped(self, wire: str) -> None:
        """Stop has gone down a wire."""
        for device, output in self.by_id.items():
            if self._via.get(device, device) == wire:
                output.stopped()

    def send_raw(self, output: DeviceOutput, data: bytes) -> None:
        """Send now; a lost port is noted."""
        try:
            if output.port is not None:
                output.port.send(data, self._clock.now_ns())
                output.sounding.took(data)
        except PortLost as error:
            self.lost(output, error)

    def send_all(self, sendings: Sendings) -> None:
        """Send what a route gives."""
        for wire, data in sendings:
            output = self.by_id.get(wire)
            if output is not None:
                self.send_raw(output, data)

    def silence(self, output: DeviceOutput) -> None:
        """The end of every note that sounds there, then all notes and sound off, on every channel:
        some boxes know only the one."""
        for data in (*output.sounding.ends(), *silence()):
            self.send_raw(output, data)

    def silence_all(self) -> None:
        """The same on every port."""
        for output in self.by_id.values():
            self.silence(output)

    def lost(self, output: DeviceOutput, error: PortLost) -> None:
        """A port went away."""
        output.lose(error)
        self._warn(
            tr("{device}: {error}. The rest play on.", device=output.device.name, error=error)
        )

    def collect(self) -> None:
        """Take in what the ports have to say."""
        for output in self.by_id.values():
            try:
                output.collect()
            except PortLost as error:
                self.lost(output, error)
