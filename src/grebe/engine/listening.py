"""Telling windows when devices sound, beside the beats of the song they should sound on."""

from __future__ import annotations

from grebe.core.sync.timeline import SongTimeline
from grebe.core.time.ticks import CLOCK_TICKS, SIXTEENTH_TICKS, TICKS_PER_QUARTER
from grebe.engine.connections import Connections
from grebe.engine.inputs import PULSES
from grebe.errors import PortLost
from grebe.protocols.link.messages import Deviation, Heard, Heed, Listen
from grebe.protocols.midi.messages import NOTE_ON, TIMING_CLOCK
from grebe.protocols.standin.reports import ReportKind
from grebe.words import tr

REPORTS = {"beats": ReportKind.BEAT, "notes": ReportKind.NOTE, "clock": ReportKind.TICK}
"""What a stand-in reports of what is listened to."""


class Listening:
    """What a window has asked to be listened to."""

    def __init__(self, connections: Connections) -> None:
        self._connections = connections
        self._on = False
        self._beat_told = -1
        """The last beat of the song whose time was told."""
        self._steps: dict[str, int] = {}
        """By device heard at an input, ticks between the steps that it plays on."""

    def begin(self, message: Listen) -> None:
        """Listen to these devices from now on. PortLost where one is waited for in vain."""
        self._on = bool(message.devices)
        self._beat_told = -1
        missing = self._heed(message.devices)
        if missing and message.asked:
            lost, name = self._connections.inputs.lost, self._connections.name
            rows = [f"{name(key.removesuffix(PULSES))}: {lost[key]}" for key in missing]
            raise PortLost(tr("what it plays cannot be heard; {names}", names="; ".join(rows)))

    def _heed(self, devices: dict[str, Heed]) -> list[str]:
        """Tell when these sound: from their reports, or at the inputs they are heard at; those
        that cannot be heard."""
        heeds: dict[str, bytes] = {}
        self._steps = {}
        for device, output in self._connections.outputs.by_id.items():
            heed = devices.get(device)
            reports = output.device.port.is_standin
            output.heed = REPORTS.get(heed or "") if reports else None
            if heed == "pulses":
                heeds[device + PULSES] = bytes((TIMING_CLOCK,))
                self._steps[device] = SIXTEENTH_TICKS
            elif heed not in (None, "sound") and output.heed is None:
                heeds[device] = bytes((TIMING_CLOCK if heed == "clock" else NOTE_ON,))
                self._steps[device] = CLOCK_TICKS if heed == "clock" else SIXTEENTH_TICKS
        self._connections.inputs.listen(heeds, self._connections.outputs.by_id)
        return [key for key in heeds if key in self._connections.inputs.lost]

    def _told(self) -> list[Heard]:
        """What was listened to since the last call."""
        told = [
            Heard(device=device, at_ns=at) for device, at in self._connections.inputs.take_heard()
        ]
        for device, output in self._connections.outputs.by_id.items():
            told += [Heard(device=device, at_ns=at) for at in output.heard()]
        return told

    def heard(self, timeline: SongTimeline | None, now: int) -> tuple[Heard, ...]:
        """Beats of the song that have passed, and what the devices listened to have sounded."""
        if not self._on:
            return ()
        told = self._told()
        if timeline is None:
            self._beat_told = -1
            return tuple(told)
        beat = int(timeline.tick_at(now) // TICKS_PER_QUARTER)
        first = max(0, beat if self._beat_told < 0 else self._beat_told + 1)
        for number in range(first, beat + 1):
            told.append(Heard(device="", at_ns=timeline.ns_at(number * TICKS_PER_QUARTER)))
        self._beat_told = max(self._beat_told, beat)
        return tuple(told)

    def departures(
        self, timeline: SongTimeline | None, heard: tuple[Heard, ...]
    ) -> list[Deviation]:
        """How far off its step each event is that came in at an input; ticks only on beats."""
        out: list[Deviation] = []
        if timeline is None:
            return out
        for event in heard:
            unit = self._steps.get(event.device, 0)
            if unit:
                step = round(timeline.tick_at(event.at_ns) / unit) * unit
                if unit != CLOCK_TICKS or step % TICKS_PER_QUARTER == 0:
                    ms = (event.at_ns - timeline.ns_at(step)) / 1e6
                    out.append(Deviation(device=event.device, tick=step, ms=ms))
        return out
