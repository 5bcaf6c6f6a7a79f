"""What Stage says, worked out from the engine's last word. Without Qt.

Now, next, when, and the performer's moves: which, from when, until when, and whether it is done.
"""

from __future__ import annotations

import time
from collections.abc import Callable
from dataclasses import dataclass
from typing import NamedTuple

from grebe.app.editors.scene_model import SceneModel, SceneTransition
from grebe.app.live.reading import Reading
from grebe.core.rehearse.score import ExpectedMove
from grebe.core.sets.fit import Repeat, left_s, repeats, to_drop
from grebe.core.sets.plan import SetFactsModel, SetSchedule, plan_set
from grebe.core.songs.layout import Layout, SectionSpan
from grebe.core.songs.model import Scene, Song
from grebe.core.time.ticks import TICKS_PER_QUARTER

LATE_SHARE = 0.5
"""Of a bar: so long after a section came in, what is ticked off is a move before it, made late."""
BPM_APART = 0.5
"""What plays has another tempo than is written when they are this far apart."""


@dataclass(frozen=True)
class StagePlace:
    """Where the song is."""

    span: SectionSpan
    following: SectionSpan | None
    other_song: Song | None
    """The song of what comes, where it is another one."""
    bar: int
    """Bar in this section, from 1."""
    bars: int
    beat: int
    beats: int
    number: int
    """Which pass, from 1."""
    passes: int
    to_go_ticks: float
    to_go_s: float
    withdraw_s: float
    """How long what was asked for can still be withdrawn."""


@dataclass(frozen=True)
class StageMove:
    """A move by hand before the next section."""

    device: str
    words: str
    limb: str
    opens: int
    """Tick from which it can be made."""
    begins: int
    """Tick at which it goes best, all moves considered."""
    closes: int
    """Tick at which it has to be over."""
    fits: bool
    """Whether hands can make it in time with all others."""

    def expected(self, boundary: int, a_second: float) -> ExpectedMove:
        """As it is judged, the boundary at 0; `a_second` in ticks."""
        return ExpectedMove("move", self.words, (self.opens - boundary) / a_second,
                            (self.closes - boundary) / a_second)  # fmt: skip


class Made(NamedTuple):
    """A move that was ticked off."""

    move: StageMove
    at_tick: float
    bpm: float


class Slot(NamedTuple):
    """Time left, and whether the plan still fits it."""

    left_s: float
    """Of the slot; negative when it is over."""
    plan_s: float
    """What is still to be played."""
    drop: tuple[Repeat, ...]
    """What could be left out so that it fits."""

    @property
    def over_s(self) -> float:
        """By how much the plan is too long; negative: time to spare."""
        return self.plan_s - self.left_s


class StageModel:
    """Keeps the moves that are done, and when the slot began."""

    def __init__(self, session: Reading, now_s: Callable[[], float] = time.monotonic) -> None:
        self.session = session
        self.made: list[Made] = []
        """Moves ticked off before the section that comes, in order."""
        self.made_before: list[Made] = []
        """Those ticked off before the section that plays came in."""
        self.moves_before: tuple[StageMove, ...] = ()
        """All that there were to make before it."""
        self._now_s = now_s
        self._passages = SceneModel()
        self._facts = SetFactsModel()
        self._plan: tuple[object, object, SetSchedule] | None = None
        self._moves: tuple[tuple[object, ...], tuple[StageMove, ...]] | None = None
        self._crossing: tuple[str, str, str, int] | None = None
        self._other: tuple[object, Song, Layout] | None = None
        self._began_s: float | None = None

    # Where it is

    def now(self, layout: Layout) -> StagePlace | None:
        """Where the song is; None while nothing plays."""
        session = self.session
        status = session.status
        if status is None or not status.running:
            return None
        span = layout.span_of(status.section)
        if span is None:
            return None
        tick = session.position.tick_now()
        meter = span.scene.meter
        inside = max(0.0, tick - status.section_tick)
        planned = status.boundary - status.section_tick
        planned = planned if planned > 0 else span.ticks
        bars = max(1, -(-planned // meter.bar_ticks))
        to_go = max(0.0, status.boundary - tick)
        a_second = max(1.0, status.bpm) / 60 * TICKS_PER_QUARTER
        following, song = self._following(layout)
        return StagePlace(
            span=span,
            following=following,
            other_song=song,
            bar=min(bars, int(inside // meter.bar_ticks) + 1),
            bars=bars,
            beat=int(inside % meter.bar_ticks // meter.beat_ticks) + 1,
            beats=meter.beats,
            number=int(inside // span.pass_ticks) + 1,
            passes=max(1, -(-planned // span.pass_ticks)),
            to_go_ticks=to_go,
            to_go_s=to_go / a_second,
            withdraw_s=max(0.0, (status.last_word - tick) / a_second),
        )

    def _following(self, layout: Layout) -> tuple[SectionSpan | None, Song | None]:
        """The section that comes, also in another song of the set, and that song."""
        session, status = self.session, self.session.status
        assert status is not None
        coming = session.selection.play.coming if session.selection.whole_set else None
        if coming is None or (coming.song == session.selection.song_id and status.next_section):
            return layout.span_of(status.next_section), None
        song = next((s for s in session.project.songs if s.id == coming.song), None)
        if song is None:
            return None, None
        return self._layout_of(song).span_of(coming.section), song

    def _layout_of(self, song: Song) -> Layout:
        """Another song laid out; asked for with every frame, so it is kept."""
        if (
            self._other is None
            or self._other[0] is not self.session.project
            or (self._other[1] is not song)
        ):
            self._other = (self.session.project, song, self.session.project.layout(song))
        return self._other[2]

    # The performer's moves

    def passage(self, here: Scene | None, following: SectionSpan) -> SceneTransition:
        """What changes when a section comes in."""
        project, song = self.session.project, self.session.song
        status, after = self.session.status, following.section.bpm or following.bpm
        bpm = following.bpm
        if status is not None and status.running and here is not None:
            bpm = status.bpm if abs(status.bpm - bpm) > BPM_APART else bpm
        return self._passages.passage(
            project, here, following.scene, bpm, song, after * self.session.tempo_scale
        )

    def moves(self, now: StagePlace) -> tuple[StageMove, ...]:
        """Every move before the section that comes, in order of their moments."""
        status = self.session.status
        if status is None:
            return ()
        self._renew(now)
        if now.following is None:
            return ()
        same = now.following.scene.id == now.span.scene.id and now.other_song is None
        if same and now.following.section.bpm is None:
            return ()
        key = (now.span.scene, now.following, status.boundary, round(status.bpm, 2))
        if self._moves is None or self._moves[0] != key:
            self._moves = (key, self._moves_to(now, status.boundary, status.bpm))
        return self._moves[1]

    def _renew(self, now: StagePlace) -> None:
        """Another section comes: nothing is done for it yet."""
        status = self.session.status
        assert status is not None
        following = now.following.section.id if now.following else ""
        crossing = (
            self.session.selection.song_id,
            now.span.section.id,
            following,
            status.section_tick,
        )
        if crossing != self._crossing:
            self._crossing = crossing
            self.made_before, self.made = self.made, []
            self.moves_before = () if self._moves is None else self._moves[1]
            self._moves = None

    def _moves_to(self, now: StagePlace, boundary: int, bpm: float) -> tuple[StageMove, ...]:
        assert now.following is not None
        passage = self.passage(now.span.scene, now.following)
        a_second = bpm / 60 * TICKS_PER_QUARTER
        begins = {p.move: p.begins for p in passage.hands.placed}
        every = [*(p.move for p in passage.hands.placed), *passage.hands.relieve]
        name_of = self.session.project.rig.name_of
        out = [
            StageMove(
                device=move.device,
                words=f"{name_of(move.device)}: {move.words.rpartition(': ')[2]}",
                limb=move.limb,
                opens=boundary + round(move.opens * a_second),
                begins=boundary + round(begins.get(move, move.opens) * a_second),
                closes=boundary + round(move.closes * a_second),
                fits=move in begins,
            )
            for move in every
        ]
        return tuple(sorted(out, key=lambda m: m.begins))

    def to_do(self, now: StagePlace) -> tuple[StageMove, ...]:
        """Moves that are not ticked off yet."""
        done = {m.move for m in self.made}
        return tuple(m for m in self.moves(now) if m not in done)

    def announced(self, now: StagePlace, move: StageMove) -> bool:
        """Whether it is time to look at a move: from a bar ahead of when it goes best."""
        bar = now.span.scene.meter.bar_ticks
        return self.session.position.tick_now() >= move.begins - bar

    def tick_off(self) -> StageMove | None:
        """The next move is done; which. None where there is none to do."""
        layout = self.session.derived.layout()
        now = self.now(layout) if layout is not None else None
        status = self.session.status
        late = self._late_move(now) if now is not None else None
        if late is not None and status is not None:
            self.made_before.append(Made(late, self.session.position.tick_now(), status.bpm))
            return late
        waiting = self.to_do(now) if now is not None else ()
        if not waiting or status is None:
            return None
        self.made.append(Made(waiting[0], self.session.position.tick_now(), status.bpm))
        return waiting[0]

    def _late_move(self, now: StagePlace) -> StageMove | None:
        """A move before the section that has just come in, which is ticked off only now; None where
        there is none, or it is long over."""
        status = self.session.status
        assert status is not None
        self._renew(now)
        over = self.session.position.tick_now() - status.section_tick
        if over >= LATE_SHARE * now.span.scene.meter.bar_ticks:
            return None
        made = {m.move for m in self.made_before}
        return next((move for move in self.moves_before if move not in made), None)

    # The set and its slot

    def plan(self) -> SetSchedule | None:
        """The set laid out; None while it is one song that is performed."""
        session = self.session
        running = session.selection.running_set
        if running is None or not session.selection.whole_set:
            return None
        kept = self._plan
        if kept is None or kept[0] is not session.project or kept[1] is not running:
            made = plan_set(session.project, running, self._facts)
            kept = self._plan = (session.project, running, made)
        return kept[2]

    def follow(self) -> None:
        """Called often: the slot begins when the set does."""
        session = self.session
        plan = self.plan()
        if plan is None or not plan.playable or not session.running:
            return
        first = plan.playable[0].entry.id
        if self._began_s is None or (session.selection.play.entry == first and self._fresh()):
            self._began_s = self._now_s()

    def _fresh(self) -> bool:
        """Whether the song has only just begun."""
        begins = self.session.position.song_tick_now() < TICKS_PER_QUARTER
        return begins and self._now_s() - (self._began_s or 0.0) > 2.0

    def slot(self) -> Slot | None:
        """Time left in the slot, and what of the plan is left. None where no slot was said."""
        plan, session = self.plan(), self.session
        if plan is None or not plan.running.slot_s or not plan.playable:
            return None
        passed = 0.0 if self._began_s is None else self._now_s() - self._began_s
        entry = session.selection.play.entry or plan.playable[0].entry.id
        tick = session.position.song_tick_now()
        saved = sum(
            r.seconds for r in repeats(plan.songs, entry, int(tick))
            if (r.entry, r.section) in session.selection.dropped
        )  # fmt: skip
        left = left_s(plan.songs, entry, tick) - saved
        over = left - (plan.running.slot_s - passed)
        drop: tuple[Repeat, ...] = ()
        if over > 0:
            found = [
                r for r in repeats(plan.songs, entry, int(tick))
                if (r.entry, r.section) not in session.selection.dropped
            ]  # fmt: skip
            drop = to_drop(found, over)
        return Slot(plan.running.slot_s - passed, left, drop)
