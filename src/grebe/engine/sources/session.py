"""A session of computers leads: what it has agreed on becomes a timeline."""

from __future__ import annotations

from collections.abc import Callable

from grebe.core.player.commands import Begin
from grebe.core.rig.model import PEERS_ID
from grebe.core.session.place import BeatStretch, SongAnchor, beat_at, bpm_at, ns_at
from grebe.core.session.shared import on_the_one
from grebe.core.sync.timeline import SongTimeline
from grebe.core.time.tempo import TempoMap, TempoPoint
from grebe.core.time.ticks import CLOCKS_PER_QUARTER, TICKS_PER_QUARTER
from grebe.engine.sources.base import (
    Enter,
    Hearing,
    Leave,
    Moment,
    OnBeat,
    RunStart,
    SourceSong,
    Word,
)
from grebe.engine.sources.drawn import DrawnTimeline
from grebe.protocols.link.session import Agreed, Propose, ShareStart
from grebe.transports.base import Heard

SOON_NS = 100_000_000
"""A beat that is nearer than this is too near to come in on."""
PREROLL = 0.25
"""Beats before the first that boxes are told in: programs, where they take a moment."""
SILENT_NS = 1_000_000_000
"""With no word of the network process for so long its last one is held."""
PROPOSE_EVERY_NS = 100_000_000
SAME_BPM = 0.005


class SessionClock:
    """Follows what a session has agreed on. Times are CLOCK_MONOTONIC_RAW in ns."""

    device = PEERS_ID

    def __init__(self, ask: Callable[[Propose | ShareStart], None]) -> None:
        """`ask` says something to the network process."""
        self._ask = ask
        self._agreed: Agreed | None = None
        self._heard_ns = 0
        self._stretches: tuple[BeatStretch, ...] = ()
        self._place: SongAnchor | None = None
        self._drawn = DrawnTimeline(self.tick_at)
        """The timeline of the run that goes on."""
        self._run_word = ""
        self._awaited: Begin | None = None
        """What is to begin when the session starts."""
        self._coming: tuple[Begin, int] | None = None
        """What comes in, and on which beat."""
        self._started_on: float | None = None
        """The beat that the session has just started on."""
        self._stopped = False
        """Whether it has just stopped."""
        self._base = 0.0
        self._song: TempoMap | None = None
        self._proposed_ns = 0

    def take(self, agreed: Agreed, now_ns: int) -> None:
        """The network process says how it stands."""
        stretches = tuple(BeatStretch(*s) for s in agreed.stretches)
        if not stretches:
            return
        if self._stretches and self._place is not None:
            before, now = (beat_at(s, now_ns) for s in (self._stretches, stretches))
            self._place.moved(before, now, agreed.quantum_beats)
        first = self._agreed is None
        self._agreed, self._stretches, self._heard_ns = agreed, stretches, now_ns
        if first:  # what was said before we came is none of ours
            self._run_word = agreed.run_word
        elif agreed.run_word != self._run_word:
            self._run_word = agreed.run_word
            if agreed.shares_starts:
                self._started_on = agreed.run_beat if agreed.running else None
                self._stopped = not agreed.running

    @property
    def ready(self) -> bool:
        """Whether there is a session to follow."""
        return bool(self._stretches)

    def song_is(self, song: SourceSong) -> None:
        """Its tempi come as they are played."""

    def begin(self, command: Begin, moment: Moment) -> list[Word]:
        """Come in on the next one; or ask the session to start, and come in with it."""
        agreed = self._agreed
        assert agreed is not None
        if agreed.running or not agreed.shares_starts:
            self._await(command, None, moment)
        else:
            self._awaited = command
            self._ask(ShareStart(on=True))
        return []

    def poll(self, moment: Moment) -> list[Word]:
        """Where the session starts: come in there, or, where that is too near, on the next one.
        What comes in waits until shortly before, since the tempo may still change."""
        words: list[Word] = []
        if self._stopped:
            self._stopped = False
            words.append(Leave())
        if self._started_on is not None:
            self._await(self._awaited or Begin(), self._started_on, moment)
            self._started_on = None
        if not self._drawn.goes_on and self._coming is not None:
            command, beat = self._coming
            soon = moment.now_ns + SOON_NS + moment.ahead_ns
            if command.count_in_bars or ns_at(self._stretches, beat - PREROLL) <= soon:
                self._coming = None
                words.append(Enter(command, OnBeat(beat)))
        return words

    def _await(self, command: Begin, at_beat: float | None, moment: Moment) -> None:
        assert self._agreed is not None
        beat = self._soonest(PREROLL, moment)
        if at_beat is not None:
            beat = max(beat, round(at_beat))
        self._coming, self._awaited = (command, beat), None

    def _soonest(self, lead: float, moment: Moment) -> int:
        """The first one that can be come in on when so many beats go before it."""
        assert self._agreed is not None
        soon = moment.now_ns + SOON_NS + moment.ahead_ns
        beat = beat_at(self._stretches, soon) + lead
        return on_the_one(beat, self._agreed.quantum_beats)

    def timeline(self, entry: Enter, opening: RunStart, moment: Moment) -> SongTimeline:
        """One on which the song's first clock falls on a beat of the session."""
        assert self._agreed is not None
        assert isinstance(entry.at, OnBeat)
        begins, base = opening.first.tick, opening.base
        lead = (base - begins) / TICKS_PER_QUARTER
        beat = entry.at.beat if lead <= PREROLL else self._soonest(lead, moment)
        self._place, self._song, self._base = SongAnchor(base, beat), None, base
        at_ns = round(ns_at(self._stretches, beat - lead))
        brought = self._agreed.brings_tempo and opening.first.bpm
        bpm = brought or bpm_at(self._stretches, at_ns)
        return self._drawn.begin(begins, at_ns, bpm)

    def take_over(self, timeline: SongTimeline, bar_line: int, at_ns: int) -> SongTimeline:
        """What plays already is drawn to the session: its bars to the session's spans."""
        assert self._agreed is not None
        tick = timeline.tick_at(at_ns)
        quantum_beats, beat = self._agreed.quantum_beats, beat_at(self._stretches, at_ns)
        played = (tick - bar_line) / TICKS_PER_QUARTER
        self._place = SongAnchor(bar_line, round((beat - played) / quantum_beats) * quantum_beats)
        return self._drawn.begin(tick, at_ns, timeline.bpm_at(int(tick)))

    def tempo_written(self, point: TempoPoint) -> None:
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
        self._drawn.end()
        self._place = self._song = self._coming = None

    def hear(self, heard: list[Heard]) -> list[Word]:
        """Boxes say nothing here."""
        del heard
        return []

    def stop_by_hand(self, now_ns: int) -> None:
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

    def steer(self, until_ns: int) -> None:
        """Draw the timeline to the session from where it was planned to."""
        planned = self._drawn.planned_ns
        if not self._drawn.goes_on or self._place is None or planned >= until_ns:
            return
        self._drawn.steer(until_ns, bpm_at(self._stretches, planned))
        if self._song is not None and until_ns - self._proposed_ns > PROPOSE_EVERY_NS:
            self._proposed_ns = until_ns
            last = self._song.points[-1]
            tick = self.tick_at(until_ns)
            if last.tick < tick < last.tick + last.ramp_ticks:
                self._bring(tick)

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

    def off_ms(self, now_ns: int) -> float:
        """How far what Grebe sends is behind the session."""
        return self._drawn.behind_ms(now_ns, self.bpm) if self._place is not None else 0.0
