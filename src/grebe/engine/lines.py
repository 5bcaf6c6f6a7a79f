"""Pulse outputs of all boxes: pulses, run/stop lines and resets, opened, drawn and minded."""

from __future__ import annotations

from collections import Counter

import msgspec

from grebe.core.rig.model import AudioPort, Device
from grebe.core.rig.spec import PulseShape
from grebe.engine.ports import Ports
from grebe.errors import PortLost
from grebe.transports.clock import MonotonicClock
from grebe.transports.pulses.drawn import LinePort
from grebe.words import tr

RUN_LEAD_NS = 2_000_000
"""The run line rises so long before the first pulse, so that the box is ready for it."""
RESET_LEAD_NS = 3_000_000
"""A reset ends at least so long before the first pulse: some inputs take none while it is high."""
RESET_WIDE_MS = 2.0

PULSES, RUN, RESET = "pulses", "run", "reset"
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

    def set(self, devices: tuple[Device, ...]) -> None:
        """Take the lines of these devices; what stays as it is is not touched."""
        before, self._wanted = self._wanted, {}
        for device in devices:
            for what, line in (
                (PULSES, device.pulse_at), (RUN, device.run_at), (RESET, device.reset_at),
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
                self._try(key)

    @staticmethod
    def _shape(what: str, device: Device) -> PulseShape:
        if what != RESET or device.pulse.width_ms is None:
            return device.pulse
        wide = min(RESET_WIDE_MS, device.pulse.width_ms)
        return msgspec.structs.replace(device.pulse, width_ms=wide)

    def _try(self, key: _Key) -> bool:
        name, line, device = self._wanted[key]
        try:
            opened = self._ports.open_line(name, line, self._shape(key[1], device))
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
        """No more pulses, and every run line down."""
        self._high = False
        now = self._clock.now_ns()
        for (_, what), line in self._open.items():
            line.drawn.discard()
            if what == RUN:
                line.drawn.level(now, high=False)

    def look_after(self, device: str) -> str:
        """Look at a device's lines; what went away, in words. One that was gone is tried again."""
        gone = ""
        for what in (PULSES, RUN, RESET):
            key = (device, what)
            line = self._open.get(key)
            if line is not None:
                try:
                    line.check()
                except PortLost as error:
                    self._open.pop(key).close()
                    self.problems[device] = gone = str(error)
            elif key in self._wanted and self._try(key):
                self.problems.pop(device, None)
        return gone

    def close(self) -> None:
        """Let go of all."""
        for line in self._open.values():
            line.close()
        self._open.clear()
