"""Grebe leads: the song's own tempi, from the moment Run is pressed."""

from __future__ import annotations

from grebe.core.player.commands import Begin
from grebe.core.sync.timeline import SongTimeline, TempoTimeline
from grebe.core.time.tempo import TempoPoint
from grebe.engine.limits import BEGIN_AFTER_NS, LOOKAHEAD_NS
from grebe.engine.sources.base import AtTime, Enter, Hearing, Moment, RunStart, SourceSong, Word
from grebe.transports.base import Heard


class InternalClock:
    """Nobody is followed: time is the engine's own, at the song's tempo."""

    device = ""
    bpm = 0.0
    jitter_ms = 0.0

    def song_is(self, song: SourceSong) -> None:
        """Its tempi come as they are played."""

    def begin(self, command: Begin, moment: Moment) -> list[Word]:
        """At once, or at the moment that the command names."""
        del moment
        return [Enter(command, None if command.at_ns is None else AtTime(command.at_ns))]

    def stop_by_hand(self, now_ns: int) -> None:
        """Nobody else has to be stopped."""

    def hear(self, heard: list[Heard]) -> list[Word]:
        """Nobody is listened to."""
        del heard
        return []

    def poll(self, moment: Moment) -> list[Word]:
        """Nothing happens by itself."""
        del moment
        return []

    def timeline(self, entry: Enter, opening: RunStart, moment: Moment) -> SongTimeline:
        """Soon, or at a moment; in step with the clock that boxes get while stopped."""
        anchor = moment.now_ns + BEGIN_AFTER_NS + moment.ahead_ns - LOOKAHEAD_NS
        soonest = TempoTimeline(opening.first, anchor)
        base_ns = soonest.ns_at(opening.base)
        if isinstance(entry.at, AtTime) and entry.at.at_ns > base_ns:
            return TempoTimeline(opening.first, anchor + entry.at.at_ns - base_ns)
        if moment.idle is not None:  # the downbeat is one of the ticks that go on
            wait = (moment.idle.next_ns - base_ns) % moment.idle.period_ns
            return TempoTimeline(opening.first, anchor + round(wait))
        return soonest

    def take_over(self, timeline: SongTimeline, bar_line: int, at_ns: int) -> SongTimeline:
        """What was drawn to somebody goes on by itself."""
        del bar_line
        return timeline.freed(at_ns)

    def steer(self, until_ns: int) -> None:
        """Nothing to draw it to."""

    def tempo_written(self, point: TempoPoint) -> None:
        """The timeline has taken it."""

    def ended(self) -> None:
        """Nothing is left of it."""

    def hearing(self, now_ns: int) -> Hearing:
        """Nobody is followed."""
        del now_ns
        return ""

    def idle(self, at_ns: int) -> tuple[float, float]:
        """Ticks while stopped keep the tempo there was."""
        del at_ns
        return 0.0, 0.0

    def off_ms(self, now_ns: int) -> float:
        """Nobody to be behind."""
        del now_ns
        return 0.0
