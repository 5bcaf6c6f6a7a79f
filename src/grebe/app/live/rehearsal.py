"""Rehearsing a song or a set against the stand-ins: what is asked for, when it was done, a score.

Launches by hand: each section stays until the performer brings in the next. Moves are ticked off
as on Stage. A hard transition goes round with a count-in, slower if wanted. Without Qt.
"""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass
from datetime import datetime

from grebe.app.live.session import Session
from grebe.app.live.stage_model import StageModel, StagePlace
from grebe.core.log.model import OnesRow, TryRow, local, stamp
from grebe.core.player.commands import Hold
from grebe.core.rehearse.ones import Ones, off_bar_ms, ones
from grebe.core.rehearse.score import ExpectedMove, Scored, Transition, Try, score, to_practise
from grebe.core.songs.layout import SectionSpan
from grebe.core.time.ticks import TICKS_PER_QUARTER
from grebe.errors import EditError
from grebe.words import tr

PACES = (1.0, 0.9, 0.8, 0.7, 0.6, 0.5)
DRILL_BARS = 4
"""Bars before the boundary that a transition is begun at."""
DRILL_AFTER = 2
"""Bars after it until it goes round."""
GIVES_UP_BARS = 4
"""A launch that does not come for so many bars is missed: Grebe brings it in."""
SHOWN = 60
RECENT_TRIES = 20_000
"""Of the log, that what to practise is worked out of."""


@dataclass
class Leg:
    """One section of a run, until the next comes in."""

    song: str
    span: SectionSpan
    section_tick: int
    planned: int
    """Tick at which the next should come in."""
    now: StagePlace
    launched: float | None = None
    """Tick at which the performer asked for the next."""
    given_up: bool = False


class Rehearsal:
    """One rehearsal at a time; its scores, and what the log says to practise."""

    def __init__(
        self, session: Session, book: StageModel,
        today: Callable[[], datetime] = lambda: datetime.now().astimezone(),
    ) -> None:  # fmt: skip
        self.session = session
        self.book = book
        self.on = False
        self.by_hand = True
        """Whether launches are the performer's; otherwise only moves are asked for."""
        self.scores: list[tuple[str, str, Scored]] = []
        """(from, to, how it went), latest first."""
        self.drilled: Transition | None = None
        """The transition that goes round."""
        self.tapping = False
        """Whether the exercise runs."""
        self.taps: list[float] = []
        """Of the exercise, ms off the bar line."""
        self._today = today
        self._leg: Leg | None = None
        self._practise: tuple[tuple[int, str], tuple[Transition, ...]] | None = None

    # What there is

    @property
    def practise(self) -> tuple[Transition, ...]:
        """Transitions of this project, the worst first."""
        kept = self._practise
        if kept is None or kept[0] != self.stamp:
            log = self.session.log.read()
            rows = [] if log is None else log.tries(self.session.project.name, last=RECENT_TRIES)
            tries = (
                Try(r.song, r.before, r.after, r.kind, r.what, r.verdict, r.off_ms) for r in rows
            )
            kept = self._practise = (self.stamp, to_practise(tries))
        return kept[1]

    @property
    def stamp(self) -> tuple[int, str]:
        """What of the log this rests on: another one where more was written."""
        return self.session.log.written, self.session.project.name

    @property
    def history(self) -> list[tuple[str, float, float]]:
        """(day, mean ms, spread ms) of earlier runs of the exercise."""
        log, name = self.session.log.read(), self.session.project.name
        rows = [] if log is None else log.ones(name)
        return [(local(r.at, r.zone_min).date().isoformat(), r.mean_ms, r.spread_ms) for r in rows]

    def to_boundary_s(self) -> float:
        """Seconds until what is next should come in; negative when it is late."""
        status, leg = self.session.status, self._leg
        if status is None or leg is None:
            return 0.0
        left = leg.planned - self.session.position.tick_now()
        return left / TICKS_PER_QUARTER * 60 / max(1.0, status.bpm)

    def asks(self, now: StagePlace) -> list[tuple[str, bool]]:
        """What is wanted of the performer before the next section, and whether it is time."""
        bar = now.span.scene.meter.bar_ticks
        rows = [(m.words, self.book.announced(now, m)) for m in self.book.to_do(now)]
        leg = self._leg
        if leg is not None and leg.launched is None and self._launches(now):
            soon = self.session.position.tick_now() >= leg.planned - bar
            rows.append(
                (
                    tr("Bring in {what}", what=now.following.scene.name if now.following else ""),
                    soon,
                )
            )
        return rows

    def _launches(self, now: StagePlace) -> bool:
        """Whether the next section waits for the performer."""
        over = self.drilled is not None and now.span.scene.name == self.drilled.after
        return self.by_hand and now.following is not None and not over

    @property
    def ones(self) -> Ones | None:
        """The exercise so far."""
        return ones(self.taps) if self.taps else None

    # Running

    def begin(self) -> None:
        """Rehearse what is in hand from its beginning, counted in."""
        if self.session.running:
            raise EditError(tr("stop first: a rehearsal begins from where it stands"))
        self.on, self.scores, self._leg = True, [], None
        self.session.performer.launched_ns.clear()
        self.session.performer.run_counted()

    def end(self) -> None:
        """No more; what runs is stopped."""
        self._finish_taps()
        self.on, self._leg, self.drilled = False, None, None
        if self.session.running:
            self.session.performer.run_stop()
        self.session.tempo.set_scale(1.0)

    def drill(self, transition: Transition) -> None:
        """Let one transition go round, from some bars before it, counted in.

        EditError where the song no longer has it.
        """
        session = self.session
        if session.running:
            raise EditError("stop first")
        song = next((s for s in session.project.songs if s.name == transition.song), None)
        if song is None:
            raise EditError(tr("there is no song {song} any more", song=transition.song))
        layout = session.project.layout(song)
        pairs = zip(layout.spans, layout.spans[1:], strict=False)
        found = next(
            ((a, b) for a, b in pairs
             if (a.scene.name, b.scene.name) == (transition.before, transition.after)),
            None,
        )  # fmt: skip
        if found is None:
            raise EditError(
                tr(
                    "{song} does not go from {before} to {after} any more",
                    song=transition.song,
                    before=transition.before,
                    after=transition.after,
                )
            )
        before, after = found
        session.selection.perform_set(on=False)
        session.choose_song(song.id)
        bar = before.scene.meter.bar_ticks
        first = max(before.tick, before.end - DRILL_BARS * bar)
        last = min(after.end, after.tick + DRILL_AFTER * after.scene.meter.bar_ticks)
        self.on, self.scores, self._leg, self.drilled = True, [], None, transition
        session.performer.launched_ns.clear()
        session.performer.loop_over(first, last)
        session.selection.section, session.selection.tick = before.section.id, first
        session.performer.run_counted()

    def slower(self) -> float:
        """The next pace: all of it slower, or as written again."""
        at = PACES.index(self.session.tempo.scale) if self.session.tempo.scale in PACES else 0
        self.session.tempo.set_scale(PACES[(at + 1) % len(PACES)])
        return self.session.tempo.scale

    def follow(self) -> None:
        """Called often: hold sections for the performer, score what is over."""
        if not self.on:
            return
        session, layout = self.session, self.session.derived.layout()
        now = None if layout is None else self.book.now(layout)
        status = session.status
        if now is None or status is None:
            if self._leg is not None and not session.running:
                self._leg, self.on = None, False  # it ended, or was stopped
                self._finish_taps()
            return
        if session.position.tick_now() <= status.section_tick:
            return  # still counted in: what is held now would be let go as it begins
        self.book.moves(now)  # another section: what was to do before it is kept there
        leg = self._leg
        if (
            leg is None
            or leg.section_tick != status.section_tick
            or (leg.span.section.id != now.span.section.id)
        ):
            if leg is not None:
                self._score(leg, now)
            leg = self._leg = self._begin_leg(now)
        self._mind(leg, now)

    def _begin_leg(self, now: StagePlace) -> Leg:
        session, status = self.session, self.session.status
        assert status is not None
        song = session.song
        leg = Leg(
            "" if song is None else song.name, now.span, status.section_tick,
            status.boundary, now,
        )  # fmt: skip
        if self._launches(now):
            session.link.tell(Hold(on=True))
            leg.planned = status.section_tick + now.span.ticks
        session.performer.launched_ns.clear()
        return leg

    def _mind(self, leg: Leg, now: StagePlace) -> None:
        """Take presses; bring in what the performer has missed."""
        session = self.session
        if session.performer.launched_ns and leg.launched is None:
            leg.launched = self._tick_at(session.performer.launched_ns[0])
        leg.now = now
        if not self.by_hand or leg.given_up or leg.launched is not None:
            return
        bar = leg.span.scene.meter.bar_ticks
        if session.position.tick_now() > leg.planned + GIVES_UP_BARS * bar:
            leg.given_up = True
            session.performer.launch_unasked()

    def _tick_at(self, at_ns: int) -> float:
        """The tick at a time of the engine's clock, as it last said."""
        status = self.session.status
        assert status is not None
        passed_s = (at_ns - status.at_ns) / 1e9
        return status.tick + passed_s * status.bpm / 60 * TICKS_PER_QUARTER

    def _score(self, leg: Leg, entered: StagePlace) -> None:
        """A leg is over: judge its launch and its moves."""
        session, status = self.session, self.session.status
        assert status is not None
        bpm = max(1.0, status.bpm)
        a_second = bpm / 60 * TICKS_PER_QUARTER
        bar_s = leg.span.scene.meter.bar_ticks / a_second
        scores: list[Scored] = []
        if self._launches(leg.now) and leg.span.section.id != entered.span.section.id:
            at = None if leg.launched is None else (leg.launched - leg.planned) / a_second
            scores.append(score(ExpectedMove("launch", "launch", -bar_s, 0.0), at))
        made = {m.move: m for m in self.book.made_before}
        for move in self.book.moves_before:
            done = made.get(move)
            boundary = status.section_tick
            at_s = None if done is None else (done.at_tick - boundary) / a_second
            scores.append(score(move.expected(boundary, a_second), at_s))
        names = leg.span.scene.name, entered.span.scene.name
        self.scores[:0] = [(*names, s) for s in scores]
        del self.scores[SHOWN:]
        if scores:
            when, project, pace = stamp(self._today()), session.project.name, session.tempo.scale
            session.log.add(*(TryRow.of(s, when, project, leg.song, names, pace) for s in scores))

    # On the one

    def tap_ones(self) -> None:
        """Begin the exercise, or end it and write it down."""
        if self.tapping:
            self._finish_taps()
            return
        self.tapping, self.taps = True, []
        if not self.session.running:
            self.session.performer.run_counted()

    def tap(self, at_ns: int) -> None:
        """One tap of the exercise, at a time of the engine's clock."""
        status, layout = self.session.status, self.session.derived.layout()
        if not self.tapping or status is None or not status.running or layout is None:
            return
        span = layout.span_of(status.section)
        if span is None:
            return
        tick = self._tick_at(at_ns)
        bar = span.scene.meter.bar_ticks
        self.taps.append(off_bar_ms(tick - status.section_tick, bar, status.bpm, TICKS_PER_QUARTER))

    def _finish_taps(self) -> None:
        if not self.tapping:
            return
        self.tapping = False
        found = self.ones
        if found is not None and found.taps >= 3:
            session = self.session
            song = "" if session.song is None else session.song.name
            at, zone = stamp(self._today())
            session.log.add(
                OnesRow(
                    at=at, zone_min=zone, project=session.project.name, song=song,
                    bpm=round(session.position.written_bpm, 2), taps=found.taps,
                    mean_ms=round(found.mean_ms, 2), spread_ms=round(found.spread_ms, 2),
                )
            )  # fmt: skip
