"""One device as the engine sees it: its port, what went out, how late it was."""

from __future__ import annotations

from array import array
from collections import deque
from statistics import median
from typing import Literal

from grebe.core.rig.model import Device
from grebe.core.time.ticks import CLOCKS_PER_QUARTER, TICKS_PER_QUARTER
from grebe.errors import PortLost
from grebe.protocols.link.messages import Deviation, DeviceStatus, LatenessReport
from grebe.protocols.midi.sounding import Sounding
from grebe.protocols.standin.reports import ReportKind, StandinReport
from grebe.transports.base import OutPort

BEATS_SHOWN = 16
"""Beats behind the waterline's figures: four bars, so that it follows a change soon."""
OFFSET_SLEW = 0.02
"""An offset changed while playing moves by 20 ms a second at most, over a bar where that is slower:
no tick jumps, none is left out."""
USUAL_BAR_NS = 2_000_000_000
MAX_FIGURES = 40_000
"""Lateness figures kept for a report: at least the last 13 minutes at 126 BPM, four bytes each."""
MAX_DUES = 16_384
"""Ticks whose due time is known: a report comes within seconds, minutes after a long stop."""


class Figures:
    """The last figures, in little memory: an hour of a large rig is millions of them."""

    def __init__(self) -> None:
        self._values = array("f")

    def append(self, value: float) -> None:
        """One more; the oldest half goes when there are too many."""
        self._values.append(value)
        if len(self._values) >= 2 * MAX_FIGURES:
            del self._values[:MAX_FIGURES]

    def __len__(self) -> int:
        return len(self._values)

    def last(self, most: int) -> tuple[float, ...]:
        """The last ones, oldest first."""
        return tuple(self._values[-min(most, MAX_FIGURES) :])

    def clear(self) -> None:
        """None any more."""
        del self._values[:]


class DeviceOutput:
    """A device's way out with its counters."""

    def __init__(self, device: Device, opened: OutPort | None, problem: str) -> None:
        self.offset_ns = 0
        """Where it is now on the way to `aim_ns`."""
        self.change(device, at_once=True)
        self.port = opened
        self.problem = problem
        self.sent = 0
        self.received = 0
        self._due = array("q")
        self._run = 0
        self._first_tick = 0
        self._send_ms = Figures()
        self._device_ms = Figures()
        self._collected = 0
        """Ticks of which the port has said how late they were."""
        self._forgotten = 0
        """Ticks of this run whose due time is not kept any more."""
        self._recent: deque[float] = deque(maxlen=BEATS_SHOWN)
        self._beat_ms: list[tuple[int, float]] = []
        self._reports = False
        self._counts = True
        self._told_at = 0
        """Of the ticks sent in this run, the first since the device was last told to start."""
        self._paused = False
        """Whether it was stopped in the middle of a run, to come in again on the next bar."""
        self._clock_of: DeviceOutput = self
        self.heed: ReportKind | None = None
        """What of its reports is listened to."""
        self._heard: list[int] = []
        self.sounding = Sounding()
        """Notes that it was sent and that have not ended, also while its port is gone."""

    @property
    def state(self) -> Literal["up", "gone", "none"]:
        """Whether the port is there."""
        if not self.device.port.is_plugged:
            return "none"
        return "up" if self.port is not None else "gone"

    @property
    def stamped(self) -> bool:
        """Whether its port takes messages early, with the time they are due."""
        return self.port is not None and self.port.stamped

    def begin(self, tick: int, *, started: bool) -> None:
        """A run begins at a song position; ticks are counted from here.

        A stand-in counts its reports from the Start that reaches it. Where none
        does (`started` is False) they cannot be told apart, and are left out.
        """
        self._counts, self._paused, self._told_at = started, False, 0
        if not started:
            self._reports = False
        self.sent = self.received = 0
        self._due = array("q")
        self._forgotten = 0
        self._first_tick = tick
        self._recent.clear()

    def started(self) -> None:
        """Start or Continue has gone out: the device counts another run."""
        self._run += self._counts
        self._paused, self._told_at = False, self.sent  # its ticks begin anew, ours go on

    def stopped(self) -> None:
        """Stop has gone out: ticks that it gets until it is started again it does not count."""
        self._paused = self._counts

    def rejoin(self) -> None:
        """A new connection: the device counts its runs from the beginning."""
        self._run = 0
        self._recent.clear()
        self.problem = ""

    def lose(self, error: PortLost) -> None:
        """The port is gone. The rest play on."""
        self.close()
        self.problem = str(error)

    def close(self) -> None:
        """Let go of the port, if there is one."""
        if self.port is not None:
            self.port.close()
        self.port = None

    def change(self, device: Device, *, at_once: bool, bar_ns: int = USUAL_BAR_NS) -> None:
        """The device was edited, its port stays. While it plays its offset moves over a bar."""
        self.device = device
        self.aim_ns = round(device.offset_ms * 1e6)
        self._slew = min(OFFSET_SLEW, abs(self.aim_ns - self.offset_ns) / bar_ns)
        if at_once:
            self.offset_ns = self.aim_ns

    def slew(self, passed_ns: int) -> None:
        """Move towards the offset that is set, by at most a share of the time that passed."""
        most = int(passed_ns * self._slew)
        self.offset_ns += max(-most, min(most, self.aim_ns - self.offset_ns))

    def clock_of(self, other: DeviceOutput) -> None:
        """Its clock comes over the wire of another, with that one's offset."""
        self._clock_of = other

    def tick_sent(self, due_ns: int, late_ms: float | None) -> None:
        """A clock tick went out; lateness is None where the port says it later."""
        if self.sent % CLOCKS_PER_QUARTER == 0 and late_ms is not None and not self._reports:
            self._beat(self.sent // CLOCKS_PER_QUARTER, late_ms)
        if self._paused:
            return
        self.sent += 1
        self._due.append(due_ns)
        if len(self._due) >= 2 * MAX_DUES:
            del self._due[:MAX_DUES]
            self._forgotten += MAX_DUES
        if late_ms is not None:
            self._send_ms.append(late_ms)

    def collect(self) -> None:
        """Take in what the port has to say. PortLost when it is gone."""
        if self.port is None:
            return
        for late in self.port.late_ms():
            self._send_ms.append(late)
            self._collected += 1
            if self._collected % CLOCKS_PER_QUARTER == 0:
                self._beat(max(0, self.sent // CLOCKS_PER_QUARTER - 1), late)
        for report in self.port.reports():
            self._take(report)

    def _take(self, report: StandinReport) -> None:
        if not self._counts:
            return
        self._reports = True
        if report.run != self._run:
            return
        if report.kind is self.heed:
            self._heard.append(report.at_ns)
        if report.kind is ReportKind.TICK:
            self.received += self._told_at + report.number < self.sent
            due_ns = self._due_of(self._told_at + report.number)
            if due_ns is not None:
                self._device_ms.append((report.at_ns - due_ns) / 1e6)
        elif report.kind is ReportKind.BEAT:
            due_ns = self._due_of(self._told_at + report.number * CLOCKS_PER_QUARTER)
            if due_ns is not None:
                # What counts for the ear is the beat itself, without the offset
                # that was applied to make up for the device.
                musical_ns = due_ns - self._clock_of.offset_ns
                number = self._told_at // CLOCKS_PER_QUARTER + report.number
                self._beat(number, (report.at_ns - musical_ns) / 1e6)

    def _due_of(self, tick: int) -> int | None:
        """When a tick of this run was due; None when that is long ago, or it was not sent."""
        index = tick - self._forgotten
        return self._due[index] if 0 <= index < len(self._due) else None

    def _beat(self, number: int, ms: float) -> None:
        self._recent.append(ms)
        self._beat_ms.append((self._first_tick + number * TICKS_PER_QUARTER, ms))

    def heard(self) -> list[int]:
        """Times of what was listened to since the last call."""
        taken, self._heard = self._heard, []
        return taken

    def deviations(self) -> list[Deviation]:
        """Beats that came out since the last call."""
        taken, self._beat_ms = self._beat_ms, []
        return [Deviation(device=self.device.id, tick=tick, ms=ms) for tick, ms in taken]

    def status(self, pulses: int, line_problem: str) -> DeviceStatus:
        """How the device is doing; what its pulse outputs have to say is given."""
        middle = median(self._recent) if self._recent else 0.0
        spread = max((abs(ms - middle) for ms in self._recent), default=0.0)
        return DeviceStatus(
            id=self.device.id,
            port=self.state,
            detail=self.problem,
            sent=self.sent,
            received=self.received,
            measured="device" if self._reports else "send",
            late_ms=middle,
            spread_ms=spread,
            pulses=pulses,
            line_problem=line_problem,
        )

    def report(self, most: int = MAX_FIGURES) -> LatenessReport:
        """Figures since the counters were cleared, at most the last so many."""
        return LatenessReport(
            device=self.device.id,
            ticks_sent=self.sent,
            ticks_received=self.received if self._reports else self.sent,
            missed=self.sent - self.received if self._reports else 0,
            measured="device" if self._reports else "send",
            ms=(self._device_ms if self._reports else self._send_ms).last(most),
            send_ms=self._send_ms.last(most),
        )

    def clear(self) -> None:
        """Begin the figures afresh."""
        self._send_ms.clear()
        self._device_ms.clear()
