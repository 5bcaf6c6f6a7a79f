"""The engine in a session of peers: the same words as from a box that leads."""

from __future__ import annotations

from collections.abc import Callable

from grebe.core.player.commands import Begin
from grebe.core.rig.model import PEERS_ID
from grebe.core.session.place import BeatStretch, SongAnchor, beat_at, bpm_at, ns_at
from grebe.core.session.shared import on_the_one
from grebe.core.sync.midi_clock import Go, Halted
from grebe.core.sync.reclock import SmoothedTimeline
from grebe.core.time.tempo import TempoMap, TempoPoint
from grebe.core.time.ticks import CLOCKS_PER_QUARTER, TICKS_PER_QUARTER
from grebe.engine.sources.midi import Hearing
from grebe.protocols.link.messages import Agreed, Propose, ShareStart
from grebe.transports.base import Heard

SOON_NS = 100_000_000
"""A beat that is nearer than this is too near to come in on."""
PREROLL = 0.25
"""Beats before the first that boxes are told in: programs, where they take a moment."""
SILENT_NS = 1_000_000_000
"""With no word of the network process for so long its last one is held."""
PROPOSE_EVERY_NS = 100_000_000
SAME_BPM = 0.005


class PeerFollowing:
    """Follows what a session has agreed on. Times are CLOCK_MONOTONIC_RAW in ns."""

    device = PEERS_ID

    def __init__(self, ask: Callable[[Propose | ShareStart], None]) -> None:
        """`ask` says something to the network process."""
        self._ask = ask
        self._agreed: Agreed | None = None
        self._heard_ns = 0
        self._stretches: tuple[BeatStretch, ...] = ()
        self._place: SongAnchor | None = None
        self._planned_ns = 0
        self._run_word = ""
        self._awaited: Begin | None = None
        """What is to begin when the session starts."""
        self._coming: tuple[Begin, int] | None = None
        """What comes in, and on which beat."""
        self._base = 0.0
        self._song: TempoMap | None = None
        self._proposed_ns = 0
        self._words: list[Go | Halted] = []

    def take(self, agreed: Agreed, now_ns: int) -> None:
        """The network process says how it stands."""
        stretches = tuple(BeatStretch(*s) for s in agreed.stretches)
        if not stretches:
            return
        if self._stretches and self._place is not None:
            before, now = (beat_at(s, now_ns) for s in (self._stretches, stretches))
            self._place.moved(before, now, agreed.span)
        first = self._agreed is None
        self._agreed, self._stretches, self._heard_ns = agreed, stretches, now_ns
        if first:  # what was said before we came is none of ours
            self._run_word = agreed.run_word
        elif agreed.run_word != self._run_word:
            self._run_word = agreed.run_word
            if agreed.shares_starts:
                starts = Go(0, agreed.run_beat) if agreed.running else None
                self._words.append(starts or Halted())

    @property
    def ready(self) -> bool:
        """Whether there is a session to follow."""
        return bool(self._stretches)

    @property
    def running(self) -> bool:
        """The song comes in by itself, wherever the session is."""
        return False

    def begin(self, command: Begin, now_ns: int, ahead_ns: int) -> None:
        """Come in on the next one; or ask the session to start, and come in with it."""
        agreed = self._agreed
        assert agreed is not None
        if agreed.running or not agreed.shares_starts:
            self._await(command, None, now_ns, ahead_ns)
        else:
            self._awaited = command
            self._ask(ShareStart(on=True))

    def begin_with_session(self, at_beat: float, now_ns: int, ahead_ns: int) -> None:
        """The session starts on a beat: come in there, or, where that is too near, on the next
        one."""
        self._await(self._awaited or Begin(), at_beat, now_ns, ahead_ns)

    def _await(self, command: Begin, at_beat: float | None, now_ns: int, ahead_ns: int) -> None:
        assert self._agreed is not None
        beat = self._soonest(PREROLL, now_ns, ahead_ns)
        if at_beat is not None:
            beat = max(beat, round(at_beat))
        self._coming, self._awaited = (command, beat), None

    def _soonest(self, lead: float, now_ns: int, ahead_ns: int) -> int:
        """The first one that can be come in on when so many beats go before it."""
        assert self._agreed is not None
        beat = beat_at(self._stretches, now_ns + SOON_NS + ahead_ns) + lead
        return on_the_one(beat, self._agreed.span)

    def comes(self, now_ns: int, ahead_ns: int) -> tuple[Begin, int] | None:
        """What is to set off now, and the beat it comes in on: it waits until shortly before, since
        the tempo may still change."""
        if self._coming is None:
            return None
        command, beat = self._coming
        soon = now_ns + SOON_NS + ahead_ns
        if not command.count_in_bars and ns_at(self._stretches, beat - PREROLL) > soon:
            return None
        self._coming = None
        return command, beat

    def set_off(
        self, begins: float, base: float, bpm: float, now_ns: int, ahead_ns: int, at_beat: int
    ) -> SmoothedTimeline:
        """A timeline on which the tick `base` falls on a beat of the session.

        `begins` is the first tick, where a count-in begins before the base; `bpm` the song's own.
        """
        assert self._agreed is not None
        lead = (base - begins) / TICKS_PER_QUARTER
        beat = at_beat if lead <= PREROLL else self._soonest(lead, now_ns, ahead_ns)
        self._place, self._song, self._base = SongAnchor(base, beat), None, base
        at_ns = round(ns_at(self._stretches, beat - lead))
        self._planned_ns = at_ns
        brought = self._agreed.brings_tempo and bpm
        return SmoothedTimeline(begins, at_ns, brought or bpm_at(self._stretches, at_ns))

    @property
    def has_song(self) -> bool:
        """Whether what plays is drawn to the session."""
        return self._place is not None

    def take_over(self, tick: float, bar_line: int, at_ns: int, bpm: float) -> SmoothedTimeline:
        """What plays already is drawn to the session: its bars to the session's spans.

        `tick` is where it is at `at_ns`, `bar_line` the tick of a bar line before that.
        """
        assert self._agreed is not None
        span, beat = self._agreed.span, beat_at(self._stretches, at_ns)
        played = (tick - bar_line) / TICKS_PER_QUARTER
        self._place = SongAnchor(bar_line, round((beat - played) / span) * span)
        self._planned_ns = at_ns
        return SmoothedTimeline(tick, at_ns, bpm)

    def song_tempo(self, point: TempoPoint) -> None:
        """The song would have this tempo from a tick on."""
        if self._song is None:
            self._song = TempoMap((TempoPoint(tick=point.tick, bpm=point.bpm),))
        else:
            self._song = self._song.with_point(point)
        self._proposed_ns = 0
        self._bring(max(point.tick, self._base))

    def _bring(self, tick: float) -> None:
        """Ask the session to have the song's tempo, where it is to."""
        agreed, song, place = self._agreed, self._song, self._place
        if agreed is None or song is None or place is None or not agreed.brings_tempo:
            return
        bpm = song.bpm_at(int(tick))
        if abs(bpm - agreed.bpm) > SAME_BPM:
            self._ask(Propose(bpm=bpm, beat=place.beat_of(tick)))

    def ended(self) -> None:
        """The song is over, or what was to come in does not."""
        self._place = self._song = self._coming = None

    def hear(self, heard: list[Heard]) -> list[Go | Halted]:
        """Boxes say nothing here."""
        del heard
        return []

    def poll(self, now_ns: int) -> list[Go | Halted]:
        """What the session wants: to start on a beat (in place of seconds), or to stop."""
        del now_ns
        words, self._words = self._words, []
        return words

    def begin_by_hand(self, now_ns: int) -> Go | None:
        """The engine sets off by itself."""
        del now_ns
        return None

    def end_by_hand(self, now_ns: int) -> None:
        """Somebody pressed Stop here: those that share starts stop too."""
        del now_ns
        self._awaited = self._coming = None
        if self._agreed is not None and self._agreed.shares_starts and self._agreed.running:
            self._ask(ShareStart(on=False))

    def idle(self, at_ns: int) -> tuple[float, float]:
        """For ticks while stopped: the tempo, and by how much of a tick one is late then."""
        if not self._stretches:
            return 0.0, 0.0
        ticks = beat_at(self._stretches, at_ns) * CLOCKS_PER_QUARTER
        return self.bpm, ticks - round(ticks)

    def tick_at(self, at_ns: int) -> float:
        """The song's tick at a time."""
        assert self._place is not None
        return self._place.tick_at(beat_at(self._stretches, at_ns))

    def steer(self, timeline: SmoothedTimeline, until_ns: int) -> None:
        """Draw the timeline to the session from where it was planned to."""
        planned = self._planned_ns
        if self._place is not None and planned < until_ns:
            timeline.steer(planned, self.tick_at(planned), bpm_at(self._stretches, planned))
            if self._song is not None and until_ns - self._proposed_ns > PROPOSE_EVERY_NS:
                self._proposed_ns = until_ns
                last = self._song.points[-1]
                tick = self.tick_at(until_ns)
                if last.tick < tick < last.tick + last.ramp_ticks:
                    self._bring(tick)
        self._planned_ns = max(planned, until_ns)

    def hearing(self, now_ns: int) -> Hearing:
        """Whether the network process speaks."""
        if not self._stretches:
            return "none"
        return "held" if now_ns - self._heard_ns > SILENT_NS else "clock"

    @property
    def bpm(self) -> float:
        """The tempo there, 0 while nothing is known."""
        return self._agreed.bpm if self._agreed is not None else 0.0

    @property
    def jitter_ms(self) -> float:
        """How far the session's time may be off here."""
        return self._agreed.spread_ms if self._agreed is not None else 0.0

    def off_ms(self, timeline: object, now_ns: int) -> float:
        """How far what Grebe sends is behind the session, in ms; negative is ahead."""
        if not isinstance(timeline, SmoothedTimeline) or self._place is None or not self.bpm:
            return 0.0
        behind = self.tick_at(now_ns) - timeline.tick_at(now_ns)
        return behind / TICKS_PER_QUARTER * 60e3 / self.bpm
