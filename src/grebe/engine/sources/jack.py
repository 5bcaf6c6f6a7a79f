"""JACK's transport leads: its frames and tempo become a timeline."""

from __future__ import annotations

from grebe.core.player.commands import Begin
from grebe.core.rig.model import JACK_ID
from grebe.core.sync.timeline import SongTimeline
from grebe.core.sync.transport import Stand, TransportFollower
from grebe.core.time.tempo import TempoMap, TempoPoint
from grebe.core.time.ticks import SIXTEENTH_TICKS, TICKS_PER_QUARTER, next_multiple
from grebe.engine.limits import JOIN_AFTER_NS
from grebe.engine.sources.base import (
    AtTime,
    Enter,
    Hearing,
    Leave,
    Moment,
    RunStart,
    SourceSong,
    Word,
)
from grebe.engine.sources.drawn import DrawnTimeline
from grebe.transports.base import Heard
from grebe.transports.frames import FrameClock
from grebe.transports.jack.transport import JackFollowed

SOON_NS = 60_000_000
"""From seeing it roll to coming in: what is planned ahead, and a little."""


class TransportClock:
    """Follows the transport of a JACK client. Times are CLOCK_MONOTONIC_RAW in ns."""

    device = JACK_ID
    jitter_ms = 0.0
    """Frames do not waver."""

    def __init__(self, watched: JackFollowed, frames: FrameClock) -> None:
        self._watched = watched
        self._frames = frames
        self._base_ns = 0
        self._follower = TransportFollower(TempoMap((TempoPoint(tick=0, bpm=120.0),)))
        self._song: SourceSong | None = None
        self._drawn = DrawnTimeline(self.tick_at)
        """The timeline of the run that goes on."""

    @property
    def bpm(self) -> float:
        """The tempo there, 0 while nothing is known."""
        return self._follower.bpm

    def watches(self, watched: JackFollowed) -> bool:
        """Whether it is this transport."""
        return self._watched is watched

    def song_is(self, song: SourceSong) -> None:
        """The song whose tempo map holds while nobody gives out a tempo."""
        self._song = song
        self._follower.song = song.tempo

    def begin(self, command: Begin, moment: Moment) -> list[Word]:
        """Come in on the next bar while it rolls; otherwise it is started for everybody."""
        del command
        if self._follower.rolling and self._song is not None:
            soon = int(self.tick_at(moment.now_ns + JOIN_AFTER_NS))
            return [self._join(self._song.bar_after(soon), moment.now_ns)]
        self._watched.press(start=True)
        return []

    def stop_by_hand(self, now_ns: int) -> None:
        """It is stopped for everybody."""
        del now_ns
        self._watched.press(start=False)

    def hear(self, heard: list[Heard]) -> list[Word]:
        """Boxes say nothing here."""
        del heard
        return []

    def poll(self, moment: Moment) -> list[Word]:
        """Look where the transport is; what follows from it."""
        seen, mapping = self._watched.seen, self._frames.mapping
        if seen is None or mapping is None:
            return []
        now = moment.now_ns
        if not self._base_ns:
            self._base_ns = now
        was_rolling = self._follower.rolling
        at_s = self._seconds(self._frames.ns_at(seen.frame))
        stand = Stand(at_s, seen.stands / self._frames.rate, seen.rolling, seen.bpm, seen.quarters)
        out: list[Word] = []
        if self._follower.take(stand):
            if was_rolling:
                out.append(Leave())
            if seen.rolling:
                tick = next_multiple(int(self.tick_at(now + SOON_NS)), SIXTEENTH_TICKS)
                out.append(self._join(tick, now))
        return out

    def _join(self, tick: int, now_ns: int) -> Enter:
        """Come in at a tick that is not here yet."""
        left = (tick - self.tick_at(now_ns)) / TICKS_PER_QUARTER
        at_ns = now_ns + round(left * 60e9 / self.bpm)
        return Enter(Begin(tick=tick), AtTime(at_ns), located=True)

    def timeline(self, entry: Enter, opening: RunStart, moment: Moment) -> SongTimeline:
        """From the transport's tick on."""
        del moment
        return self._drawn.enter(entry, self.bpm or opening.song_bpm)

    def take_over(self, timeline: SongTimeline, bar_line: int, at_ns: int) -> SongTimeline:
        """It is followed from its start on: what plays goes on by itself."""
        del bar_line
        return timeline.freed(at_ns)

    def tick_at(self, at_ns: int) -> float:
        """The song's tick at a time."""
        return self._follower.tick_at(self._seconds(at_ns))

    def steer(self, until_ns: int) -> None:
        """Draw the timeline to the transport from where it was planned to."""
        self._drawn.steer(until_ns, self.bpm if self._follower.rolling else 0.0)

    def tempo_written(self, point: TempoPoint) -> None:
        """The transport's tempo counts, or the song's as it is written."""

    def ended(self) -> None:
        """The transport goes on, or has said so itself."""
        self._drawn.end()

    def hearing(self, now_ns: int) -> Hearing:
        """Whether JACK is there."""
        del now_ns
        return "none" if self._watched.seen is None else "clock"

    def idle(self, at_ns: int) -> tuple[float, float]:
        """Tempo for ticks while stopped; they have no phase to keep."""
        del at_ns
        return self.bpm, 0.0

    def off_ms(self, now_ns: int) -> float:
        """How far what Grebe sends is behind the transport."""
        return self._drawn.behind_ms(now_ns, self.bpm) if self._follower.rolling else 0.0

    def _seconds(self, at_ns: int) -> float:
        return (at_ns - self._base_ns) / 1e9
