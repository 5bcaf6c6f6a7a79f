"""The engine led by a box: what it hears becomes a timeline, and word of starting and stopping."""

from __future__ import annotations

from typing import Literal

from grebe.core.sync.midi_clock import Go, Halted, MidiClockReceiver
from grebe.core.sync.reclock import SmoothedTimeline
from grebe.core.time.ticks import CLOCK_TICKS, TICKS_PER_QUARTER
from grebe.protocols.midi import messages as midi
from grebe.protocols.midi.messages import MidiParser
from grebe.transports.base import Heard

Hearing = Literal["", "none", "clock", "held"]
"""Nothing is followed; no clock yet; a clock is there; it is lost and its tempo is held."""


class Following:
    """The followed box, if there is one. Times are CLOCK_MONOTONIC_RAW in ns."""

    def __init__(self) -> None:
        self.device = ""
        self._receiver = MidiClockReceiver()
        self._parser = MidiParser()
        self._base_ns = 0
        """Seconds count from here: RAW since boot has too many digits for sums of squares."""
        self._offset_ns = 0
        self._planned_ns = 0

    def set(self, device: str, ppqn: float, offset_ns: int) -> None:
        """Follow this box, or ("") none. Another offset moves what is heard from now on."""
        if device != self.device or ppqn != self._receiver.ppqn:
            self._receiver, self._parser, self._base_ns = MidiClockReceiver(ppqn), MidiParser(), 0
        self.device, self._offset_ns = device, offset_ns

    @property
    def running(self) -> bool:
        """Whether the leader has started and not stopped."""
        return self._receiver.running

    def hear(self, heard: list[Heard]) -> list[Go | Halted]:
        """Take in what came from the box; what it asks for, in order."""
        out: list[Go | Halted] = []
        for at_ns, data in heard:
            if not self._base_ns:
                self._base_ns = at_ns
            for message in self._parser.feed(data, at_ns):
                found = self._word(message.data, self._seconds(at_ns + self._offset_ns))
                if found is not None:
                    out.append(found)
        return out

    def idle(self, at_ns: int) -> tuple[float, float]:
        """For ticks while stopped: the box's tempo, and by how much of a tick one is late then.

        The tempo is 0 while no clock is heard.
        """
        if self.hearing(at_ns) != "clock":
            return 0.0, 0.0
        ticks = self.tick_at(at_ns) / CLOCK_TICKS
        return self.bpm, ticks - round(ticks)

    def poll(self, now_ns: int) -> list[Go | Halted]:
        """Everything a box says comes by itself."""
        del now_ns
        return []

    def begin_by_hand(self, now_ns: int) -> Go | None:
        """The box does not say when to start: from the top with its next tick."""
        if not self._base_ns:
            self._base_ns = now_ns
        return self._receiver.start(max(self._seconds(now_ns), self._receiver.follower.last_s))

    def end_by_hand(self, now_ns: int) -> None:
        """Somebody pressed Stop: the box's clock goes on, and is only heard."""
        if self._base_ns:
            self._receiver.stop(self._seconds(now_ns))

    def _word(self, data: bytes, at_s: float) -> Go | Halted | None:
        led, status = self._receiver, data[0]
        if status == midi.TIMING_CLOCK:
            return led.clock(max(at_s, led.follower.last_s))
        if status == midi.START:
            return led.start(at_s)
        if status == midi.CONTINUE:
            return led.resume(at_s)
        if status == midi.STOP:
            return led.stop(at_s)
        if status == midi.SONG_POSITION:
            led.locate(data[1] | data[2] << 7)
        return None

    def timeline(self, tick: float, at_s: float, bpm: float) -> SmoothedTimeline:
        """A timeline from the leader's tick on; `bpm` counts while its tempo is not known."""
        at_ns = self._ns(at_s)
        self._planned_ns = at_ns
        return SmoothedTimeline(tick, at_ns, self._receiver.bpm or bpm)

    def join(self, tick: float, now_ns: int) -> Go:
        """Come in at a tick of the running leader that is not here yet."""
        now_s = self._seconds(now_ns)
        left = (tick - self._receiver.tick_at(now_s)) / TICKS_PER_QUARTER
        return Go(int(tick), now_s + left * 60 / self._receiver.bpm)

    def tick_at(self, at_ns: int) -> float:
        """The leader's song tick at a time."""
        return self._receiver.tick_at(self._seconds(at_ns))

    def steer(self, timeline: SmoothedTimeline, until_ns: int) -> None:
        """Draw the timeline to the leader from where it was planned to; it is now up to here."""
        bpm = self._receiver.bpm
        if bpm:
            planned = self._planned_ns
            timeline.steer(planned, self.tick_at(planned), bpm)
        self._planned_ns = max(self._planned_ns, until_ns)

    def hearing(self, now_ns: int) -> Hearing:
        """What is heard of the leader's clock."""
        if not self.device:
            return ""
        if self._base_ns and self._receiver.heard(self._seconds(now_ns)):
            return "clock"
        return "held" if self._receiver.running and self._receiver.bpm else "none"

    @property
    def bpm(self) -> float:
        """The leader's tempo, 0 while it is not known."""
        return self._receiver.bpm

    def off_ms(self, timeline: object, now_ns: int) -> float:
        """How far what Grebe sends is behind the leader, in ms; negative is ahead."""
        if (
            not isinstance(timeline, SmoothedTimeline)
            or not self._receiver.bpm
            or not self._receiver.running
        ):
            return 0.0
        behind = self.tick_at(now_ns) - timeline.tick_at(now_ns)
        return behind / TICKS_PER_QUARTER * 60e3 / self._receiver.bpm

    @property
    def jitter_ms(self) -> float:
        """How much its ticks waver, as a standard deviation."""
        return self._receiver.follower.jitter_s * 1e3 if self._receiver.follower.locked else 0.0

    def _seconds(self, at_ns: int) -> float:
        return (at_ns - self._base_ns) / 1e9

    def _ns(self, at_s: float) -> int:
        return self._base_ns + round(at_s * 1e9)
