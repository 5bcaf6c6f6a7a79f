"""The engine led by JACK's transport: the same words as from a box that leads."""

from __future__ import annotations

from grebe.core.player.player import Player
from grebe.core.rig.model import JACK_ID
from grebe.core.sync.midi_clock import Go, Halted
from grebe.core.sync.reclock import SmoothedTimeline
from grebe.core.sync.transport import Stand, TransportFollower
from grebe.core.time.tempo import TempoMap, TempoPoint
from grebe.core.time.ticks import SIXTEENTH_TICKS, TICKS_PER_QUARTER, next_multiple
from grebe.engine.sources.midi import Hearing
from grebe.transports.base import Heard
from grebe.transports.frames import FrameClock
from grebe.transports.jack.transport import JackFollowed

SOON_NS = 60_000_000
"""From seeing it roll to coming in: what is planned ahead, and a little."""


class JackFollowing:
    """Follows the transport of a JACK client. Times are CLOCK_MONOTONIC_RAW in ns."""

    device = JACK_ID

    def __init__(self, watched: JackFollowed, frames: FrameClock) -> None:
        self._watched = watched
        self._frames = frames
        self._base_ns = 0
        self._follower = TransportFollower(TempoMap((TempoPoint(tick=0, bpm=120.0),)))
        self._planned_ns = 0

    @property
    def running(self) -> bool:
        """Whether the transport rolls."""
        return self._follower.rolling

    def watches(self, watched: JackFollowed) -> bool:
        """Whether it is this transport."""
        return self._watched is watched

    def song_is(self, player: Player) -> None:
        """The song whose tempo map holds while nobody gives out a tempo."""
        self._follower.song = player.plan.layout().tempo

    def hear(self, heard: list[Heard]) -> list[Go | Halted]:
        """Boxes say nothing here."""
        del heard
        return []

    def poll(self, now_ns: int) -> list[Go | Halted]:
        """Look where the transport is; what follows from it."""
        seen, mapping = self._watched.seen, self._frames.mapping
        if seen is None or mapping is None:
            return []
        if not self._base_ns:
            self._base_ns = now_ns
        was_rolling = self._follower.rolling
        at_s = self._seconds(self._frames.ns_at(seen.frame))
        stand = Stand(at_s, seen.stands / self._frames.rate, seen.rolling, seen.bpm, seen.quarters)
        out: list[Go | Halted] = []
        if self._follower.take(stand):
            if was_rolling:
                out.append(Halted())
            if seen.rolling:
                tick = next_multiple(int(self.tick_at(now_ns + SOON_NS)), SIXTEENTH_TICKS)
                out.append(self.join(tick, now_ns))
        return out

    def begin_by_hand(self, now_ns: int) -> Go | None:
        """Somebody pressed Run here: the transport is started for everybody."""
        del now_ns
        self._watched.press(start=True)
        return None

    def end_by_hand(self, now_ns: int) -> None:
        """Somebody pressed Stop here."""
        del now_ns
        self._watched.press(start=False)

    def idle(self, at_ns: int) -> tuple[float, float]:
        """Tempo for ticks while stopped; they have no phase to keep."""
        del at_ns
        return self.bpm, 0.0

    def join(self, tick: float, now_ns: int) -> Go:
        """Come in at a tick that is not here yet."""
        left = (tick - self.tick_at(now_ns)) / TICKS_PER_QUARTER
        return Go(int(tick), self._seconds(now_ns) + left * 60 / self.bpm)

    def timeline(self, tick: float, at_s: float, bpm: float) -> SmoothedTimeline:
        """A timeline from the transport's tick on."""
        at_ns = self._base_ns + round(at_s * 1e9)
        self._planned_ns = at_ns
        return SmoothedTimeline(tick, at_ns, self.bpm or bpm)

    def tick_at(self, at_ns: int) -> float:
        """The song's tick at a time."""
        return self._follower.tick_at(self._seconds(at_ns))

    def steer(self, timeline: SmoothedTimeline, until_ns: int) -> None:
        """Draw the timeline to the transport from where it was planned to."""
        if self.running and self.bpm:
            timeline.steer(self._planned_ns, self.tick_at(self._planned_ns), self.bpm)
        self._planned_ns = max(self._planned_ns, until_ns)

    def hearing(self, now_ns: int) -> Hearing:
        """Whether JACK is there."""
        del now_ns
        return "none" if self._watched.seen is None else "clock"

    @property
    def bpm(self) -> float:
        """The tempo there, 0 while nothing is known."""
        return self._follower.bpm

    @property
    def jitter_ms(self) -> float:
        """Frames do not waver."""
        return 0.0

    def off_ms(self, timeline: object, now_ns: int) -> float:
        """How far what Grebe sends is behind the transport, in ms; negative is ahead."""
        if not isinstance(timeline, SmoothedTimeline) or not self.running or not self.bpm:
            return 0.0
        behind = self.tick_at(now_ns) - timeline.tick_at(now_ns)
        return behind / TICKS_PER_QUARTER * 60e3 / self.bpm

    def _seconds(self, at_ns: int) -> float:
        return (at_ns - self._base_ns) / 1e9
