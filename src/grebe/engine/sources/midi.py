"""A box leads: its MIDI clock or pulses become a timeline, and word of starting and stopping."""

from __future__ import annotations

from grebe.core.player.commands import Begin
from grebe.core.sync.midi_clock import Go, Halted, MidiClockReceiver
from grebe.core.sync.timeline import SongTimeline
from grebe.core.time.tempo import TempoPoint
from grebe.core.time.ticks import CLOCK_TICKS, TICKS_PER_QUARTER
from grebe.engine.limits import JOIN_AFTER_NS
from grebe.engine.sources.base import (
    AtTime,
    Enter,
    Hearing,
    Leave,
    Moment,
    PressStart,
    Remark,
    RunStart,
    SourceSong,
    Word,
)
from grebe.engine.sources.drawn import DrawnTimeline
from grebe.protocols.midi import messages as midi
from grebe.protocols.midi.messages import MidiParser
from grebe.transports.base import Heard
from grebe.words import tr


class BoxClock:
    """One box that is followed, at its rate. Times are CLOCK_MONOTONIC_RAW in ns."""

    def __init__(self, device: str, name: str, ppqn: float) -> None:
        self.device, self.ppqn = device, ppqn
        self.name = name
        """What the performer calls it."""
        self.offset_ns = 0
        """How much later its downbeat is to be; another moves what is heard from now on."""
        self._receiver = MidiClockReceiver(ppqn)
        self._parser = MidiParser()
        self._base_ns = 0
        """Seconds count from here: RAW since boot has too many digits for sums of squares."""
        self._song: SourceSong | None = None
        self._drawn = DrawnTimeline(self.tick_at)
        """The timeline of the run that goes on."""

    @property
    def bpm(self) -> float:
        """The box's tempo, 0 while it is not known."""
        return self._receiver.bpm

    @property
    def jitter_ms(self) -> float:
        """How much its ticks waver, as a standard deviation."""
        follower = self._receiver.follower
        return follower.jitter_s * 1e3 if follower.locked else 0.0

    def song_is(self, song: SourceSong) -> None:
        """Whether the box says when to start is the song's."""
        self._song = song

    def begin(self, command: Begin, moment: Moment) -> list[Word]:
        """Come in with the box: on its next bar when it runs, else when it starts."""
        del command
        song, now = self._song, moment.now_ns
        assert song is not None
        if self._receiver.running:
            tick = song.bar_after(int(self.tick_at(now + JOIN_AFTER_NS)))
            left = (tick - self.tick_at(now)) / TICKS_PER_QUARTER
            return [_entry(tick, now + round(left * 60e9 / self.bpm))]
        if song.follows_starts:
            return [PressStart()]
        if not self._base_ns:
            self._base_ns = now
        # The box does not say when to start: from the top with its next tick.
        go = self._receiver.start(max(self._seconds(now), self._receiver.follower.last_s))
        return [
            Remark(tr("Coming in with {name}'s next tick.", name=self.name))
            if go is None
            else self._go(go)
        ]

    def stop_by_hand(self, now_ns: int) -> None:
        """A box that says so itself is asked; of another the clock goes on, and is only heard."""
        told = self._song is not None and not self._song.follows_starts
        if self._base_ns and told:
            self._receiver.stop(self._seconds(now_ns))

    def hear(self, heard: list[Heard]) -> list[Word]:
        """Take in what came from the box; what it asks for, in order."""
        out: list[Word] = []
        for at_ns, data in heard:
            if not self._base_ns:
                self._base_ns = at_ns
            for message in self._parser.feed(data, at_ns):
                word = self._word(message.data, self._seconds(at_ns + self.offset_ns))
                if isinstance(word, Go):
                    out.append(self._go(word))
                elif word is not None:
                    out.append(Leave())
        return out

    def _word(self, data: bytes, at_s: float) -> Go | Halted | None:
        receiver, status = self._receiver, data[0]
        if status == midi.TIMING_CLOCK:
            return receiver.clock(max(at_s, receiver.follower.last_s))
        if status == midi.START:
            return receiver.start(at_s)
        if status == midi.CONTINUE:
            return receiver.resume(at_s)
        if status == midi.STOP:
            return receiver.stop(at_s)
        if status == midi.SONG_POSITION:
            receiver.locate(data[1] | data[2] << 7)
        return None

    def _go(self, go: Go) -> Word:
        return _entry(go.tick, self._base_ns + round(go.at_s * 1e9))

    def poll(self, moment: Moment) -> list[Word]:
        """Everything a box says comes by itself."""
        del moment
        return []

    def timeline(self, entry: Enter, opening: RunStart, moment: Moment) -> SongTimeline:
        """From the box's tick on, at the song's tempo while the box's is not known."""
        del moment
        return self._drawn.enter(entry, self.bpm or opening.song_bpm)

    def take_over(self, timeline: SongTimeline, bar_line: int, at_ns: int) -> SongTimeline:
        """A box is followed from its start on: what plays goes on by itself."""
        del bar_line
        return timeline.freed(at_ns)

    def tick_at(self, at_ns: int) -> float:
        """The box's song tick at a time."""
        return self._receiver.tick_at(self._seconds(at_ns))

    def steer(self, until_ns: int) -> None:
        """Draw the timeline to the box from where it was planned to; it is now up to here."""
        self._drawn.steer(until_ns, self._receiver.bpm or 0.0)

    def tempo_written(self, point: TempoPoint) -> None:
        """The box has a tempo of its own."""

    def ended(self) -> None:
        """The box goes on, or has said so itself."""
        self._drawn.end()

    def hearing(self, now_ns: int) -> Hearing:
        """What is heard of the box's clock."""
        if self._base_ns and self._receiver.heard(self._seconds(now_ns)):
            return "clock"
        if not (self._receiver.running and self._receiver.bpm):
            return "none"
        self._receiver.hold()
        return "held"

    def idle(self, at_ns: int) -> tuple[float, float]:
        """The box's tempo, and by how much of its ticks one at a time would be late."""
        if self.hearing(at_ns) != "clock":
            return 0.0, 0.0
        ticks = self.tick_at(at_ns) / CLOCK_TICKS
        return self.bpm, ticks - round(ticks)

    def off_ms(self, now_ns: int) -> float:
        """How far what Grebe sends is behind the box."""
        return self._drawn.behind_ms(now_ns, self.bpm) if self._receiver.running else 0.0

    def _seconds(self, at_ns: int) -> float:
        return (at_ns - self._base_ns) / 1e9


def _entry(tick: int, at_ns: int) -> Enter:
    return Enter(Begin(tick=tick), AtTime(at_ns), located=True)
