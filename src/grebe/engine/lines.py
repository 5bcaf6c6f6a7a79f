"""Pulse outputs of all boxes: pulses, run/stop lines and resets, opened, drawn and minded."""

from __future__ import annotations

from collections import Counter

import msgspec

from grebe.core.rig.model import AudioPort, Device
from grebe.core.rig.spec import PulseShape
from grebe.engine.ports import Ports
from grebe.errors import PortLost
from grebe.transports.clock import MonotonicClock
from grebe.transports.pulses.drawn import NEVER_NS, LinePort
from grebe.words import tr

RUN_LEAD_NS = 2_000_000
"""The run line rises so long before the first pulse, so that the box is ready for it."""
RESET_LEAD_NS = 3_000_000
"""A reset ends at least so long before the first pulse: some inputs take none while it is high."""
RESET_WIDE_MS = 2.0

PULSES, RUN, RESET, GATE = "pulses", "run", "reset", "gate"
GATE_REST_NS = 2_000_000
"""A gate goes down so long before its note ends, so that the next is struck anew."""
SHORTEST_GATE_NS = 1_000_000
_Key = tuple[str, str]
"""(device id, what for)."""


class PulseOutputs:
    """The lines of every box that has any."""

    def __init__(self, ports: Ports, clock: MonotonicClock) -> None:
        self._ports = ports
        self._clock = clock
        self._wanted: dict[_Key, tuple[str, AudioPort, Device]] = {}
        """(port name, line, device) by key."""
        self._open: dict[_Key, LinePort] = {}
        self.problems: dict[str, str] = {}
        """By device, why one of its lines is gone."""
        self.sent: Counter[str] = Counter()
        """By device, pulses of this run."""
        self._high = False
        self._gates: dict[_Key, int] = {}
        """Gates that are high by what has been planned, and since when."""

    def set(self, devices: tuple[Device, ...], *, running: bool) -> None:
        """Take the lines of these devices; what stays as it is is not touched."""
        before, self._wanted = self._wanted, {}
        for device in devices:
            for what, line in (
                (PULSES, device.pulse_at), (RUN, device.run_at), (RESET, device.reset_at),
                *((_gate(gate.note), gate.at) for gate in device.gates),
            ):  # fmt: skip
                if line.is_set:
                    name = tr("{what} to {device}", what=what, device=device.name)
                    self._wanted[(device.id, what)] = (name, line, device)
        for key in list(self._open):
            if before.get(key, ())[:2] != self._wanted.get(key, ())[:2]:
                self._open.pop(key).close()
        self.problems = {}
        for key, (_, _, device) in self._wanted.items():
            if key in self._open:
                self._open[key].drawn.shape = self._shape(key[1], device)
            else:
                self._try(key, patient=not running)

    @staticmethod
    def _shape(what: str, device: Device) -> PulseShape:
        if what != RESET or device.pulse.width_ms is None:
            return device.pulse
        wide = min(RESET_WIDE_MS, device.pulse.width_ms)
        return msgspec.structs.replace(device.pulse, width_ms=wide)

    def _try(self, key: _Key, *, patient: bool = False) -> bool:
        name, line, device = self._wanted[key]
        shape = self._shape(key[1], device)
        try:
            opened = self._ports.open_line(name, line, shape, patient=patient)
        except PortLost as error:
            self.problems[key[0]] = str(error)
            return False
        if opened is not None:
            self._open[key] = opened
            if key[1] == RUN and self._high:
                opened.drawn.level(self._clock.now_ns(), high=True)
        return True

    def pulse(self, device: str, due_ns: int) -> None:
        """One pulse."""
        line = self._open.get((device, PULSES))
        if line is not None:
            line.drawn.pulse(due_ns)
            self.sent[device] += 1

    def has_pulses(self, device: str) -> bool:
        """Whether pulses reach a device."""
        return (device, PULSES) in self._open

    def pulse_between(self, device: str, due_ns: int) -> None:
        """One pulse while stopped, for a box that wants them."""
        line = self._open.get((device, PULSES))
        if line is not None:
            line.drawn.pulse(due_ns, between=True)

    def between_until(self, until_ns: int) -> None:
        """A run begins: pulses between two runs end here."""
        for (_, what), line in self._open.items():
            if what == PULSES:
                line.drawn.between_until_ns = until_ns

    def gate(self, device: str, note: int, due_ns: int, *, high: bool) -> None:
        """A note that has a gate begins or ends."""
        key = (device, _gate(note))
        line = self._open.get(key)
        if line is None:
            return
        since = self._gates.pop(key, None)
        if since is not None:
            rests_ns = due_ns - GATE_REST_NS
            if rests_ns > since:
                line.drawn.level(rests_ns, high=False)
            elif not high:  # another so soon finds it high still
                line.drawn.level(since + SHORTEST_GATE_NS, high=False)
        if high:
            self._gates[key] = due_ns
            line.drawn.level(due_ns, high=True)

    def begin(self) -> None:
        """A run begins: pulses are counted from here."""
        self.sent.clear()

    def start(self, device: str, first_ns: int) -> None:
        """Its run line rises and its reset pulses before the first pulse, which is due then."""
        self._high = True
        line = self._open.get((device, RUN))
        if line is not None:
            line.drawn.level(first_ns - RUN_LEAD_NS, high=True)
        line = self._open.get((device, RESET))
        if line is not None:
            wide_ns = round((line.drawn.shape.width_ms or RESET_WIDE_MS) * 1e6)
            line.drawn.pulse(first_ns - wide_ns - RESET_LEAD_NS)

    def stop(self) -> None:
        """No more pulses, and every run line and gate down."""
        self._high = False
        self._gates.clear()
        now = self._clock.now_ns()
        for (_, what), line in self._open.items():
            line.drawn.discard()
            line.drawn.between_until_ns = NEVER_NS
            if what == RUN or what.startswith(GATE):
                line.drawn.level(now, high=False)

    def look_after(self, device: str) -> tuple[str, bool]:
        """Look at a device's lines: what went away, in words, and whether any is back. One that
        was gone is tried again."""
        gone, back = "", False
        for key in [k for k in self._wanted if k[0] == device]:
            line = self._open.get(key)
            if line is not None:
                try:
                    line.check()
                except PortLost as error:
                    self._open.pop(key).close()
                    self.problems[device] = gone = str(error)
            elif self._try(key):
                back |= self.problems.pop(device, None) is not None
        return gone, back

    def close(self) -> None:
        """Let go of all."""
        for line in self._open.values():
            line.close()
        self._open.clear()


def _gate(note: int) -> str:
    """What a gate is called among the lines of its box."""
    return f"{GATE} {note}"
