"""What the performer is told of what is heard: a leader lost or back, bytes that are no MIDI."""

from __future__ import annotations

from collections.abc import Callable

from grebe.core.rig.formatting import listed
from grebe.engine.connections import Connections
from grebe.engine.sources.base import Hearing
from grebe.protocols.link.messages import Notice
from grebe.words import tr

SAID_NS = 5_000_000_000
"""What goes on is not said more often."""


class InputWatch:
    """Looks at what comes in, some times a second."""

    def __init__(self, connections: Connections, tell: Callable[[Notice], None]) -> None:
        self._connections = connections
        self._tell = tell
        self.hearing: Hearing = ""
        """What is heard of the leader's clock."""
        self._garbled: set[str] = set()
        """Sources that have been said to send what is no MIDI."""
        self._opened: dict[str, int] = {}
        """By audio interface whose settings were said, underruns that were said."""
        self._underrun_ns = 0
        """When underruns were said last."""

    def look(self, now: int, *, running: bool) -> None:
        """Say what is new."""
        self._look_at_leader(now, running=running)
        self._look_at_bytes()
        self._look_at_sounds(now)

    def _look_at_sounds(self, now: int) -> None:
        """Say how an audio interface was opened, and when it ran out of samples."""
        for wire in self._connections.ports.sounds:
            state = wire.running
            if state is None or not state.period:
                self._opened.pop(wire.name, None)
            elif wire.name not in self._opened:
                self._opened[wire.name] = state.underruns  # before it has settled
                text = tr(
                    "{name}: {rate} frames a second, {period} at a time, {delay:.1f} ms behind.",
                    name=wire.name,
                    rate=state.rate,
                    period=state.period,
                    delay=state.delay_ms,
                )
                self._tell(Notice(level="info", text=text))
            elif state.underruns > self._opened[wire.name] and now > self._underrun_ns + SAID_NS:
                count = state.underruns - self._opened[wire.name]
                self._opened[wire.name], self._underrun_ns = state.underruns, now
                text = tr(
                    "{name} ran out of samples {count} times: pulses of those moments came late, "
                    "or not at all.",
                    name=wire.name,
                    count=count,
                )
                self._tell(Notice(level="warn", text=text))

    def _look_at_bytes(self) -> None:
        """Once a source, when bytes come in that are no part of any message."""
        for source, count in self._connections.inputs.unreadable().items():
            if source not in self._garbled:
                self._garbled.add(source)
                name = self._connections.name(source)
                text = tr(
                    "{name} sends what is no MIDI: {count} bytes of it are left out so far.",
                    name=name,
                    count=count,
                )
                self._tell(Notice(level="warn", text=text))

    def torn(self, devices: list[str]) -> None:
        """JACK lost time, and a clock to these with it perhaps."""
        names = listed([self._connections.name(device) for device in devices])
        text = tr(
            "JACK lost time; {names} may be a tick short and is put right on the next bar.",
            names=names,
        )
        self._tell(Notice(level="warn", text=text))

    def _look_at_leader(self, now: int, *, running: bool) -> None:
        """Say when the leader's clock is lost, and when it is back."""
        source = self._connections.sources.current
        before, self.hearing = self.hearing, source.hearing(now)
        if not running or before == self.hearing:
            return
        name = self._connections.name(source.device)
        if self.hearing == "held":
            text = tr(
                "{name}'s clock is lost: its tempo of {bpm:.2f} BPM is held.",
                name=name,
                bpm=source.bpm,
            )
            self._tell(Notice(level="warn", text=text))
        elif before == "held" and self.hearing == "clock":
            self._tell(Notice(level="info", text=tr("{name}'s clock is back.", name=name)))
