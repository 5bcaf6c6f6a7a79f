"""Telling windows when devices sound, beside the beats of the song they should sound on."""

from __future__ import annotations

from grebe.core.sync.reclock import SmoothedTimeline
from grebe.core.time.ticks import CLOCK_TICKS, TICKS_PER_QUARTER
from grebe.engine.connections import Connections
from grebe.engine.timeline import Timeline
from grebe.protocols.link.messages import Deviation, Heard, Listen


class Listening:
    """What a window has asked to be listened to."""

    def __init__(self, connections: Connections) -> None:
        self._connections = connections
        self._on = False
        self._beat_told = -1
        """The last beat of the song whose time was told."""

    def begin(self, message: Listen) -> None:
        """Listen to these devices from now on. PortLost where one is waited for in vain."""
        self._on = bool(message.devices)
        self._beat_told = -1
        self._connections.listen(message.devices, asked=message.asked)

    def heard(self, timeline: Timeline | SmoothedTimeline | None, now: int) -> tuple[Heard, ...]:
        """Beats of the song that have passed, and what the devices listened to have sounded."""
        if not self._on:
            return ()
        told = self._connections.heard()
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
        self, timeline: Timeline | SmoothedTimeline | None, heard: tuple[Heard, ...]
    ) -> list[Deviation]:
        """How far off its step each event is that came in at an input; ticks only on beats."""
        out: list[Deviation] = []
        if timeline is None:
            return out
        for event in heard:
            unit = self._connections.step_of(event.device)
            if unit:
                step = round(timeline.tick_at(event.at_ns) / unit) * unit
                if unit != CLOCK_TICKS or step % TICKS_PER_QUARTER == 0:
                    ms = (event.at_ns - timeline.ns_at(step)) / 1e6
                    out.append(Deviation(device=event.device, tick=step, ms=ms))
        return out
