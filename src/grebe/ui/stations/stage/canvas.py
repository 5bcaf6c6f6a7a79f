"""Stage: readable at two metres, always dark."""

from __future__ import annotations

from collections.abc import Hashable

from PyQt6.QtCore import QPointF, QRectF, pyqtSignal
from PyQt6.QtGui import QMouseEvent, QPainter, QPaintEvent

from grebe.app.actions.keymap import told
from grebe.app.live.session import Session
from grebe.app.live.stage_actions import StageNumbers
from grebe.app.live.stage_model import StageModel, StageMove, StagePlace
from grebe.core.songs.layout import Layout, SectionSpan
from grebe.core.time.formatting import clock_text
from grebe.ui.stations.stage.blocks import KEYS_SHOWN, Blocks
from grebe.ui.widgets import draw
from grebe.ui.widgets.controls import Canvas
from grebe.ui.widgets.formatting import counted, seconds_text
from grebe.ui.widgets.guard import TouchGuard
from grebe.ui.widgets.kept import Kept
from grebe.ui.widgets.theme import NIGHT

DESIGN_HEIGHT = 650.0
"""Height of the canvas at which sizes are as given; a larger screen scales them up."""
DESIGN_WIDTH = 1150.0
MAX_BLOCKS = 32
MOST_MOVES = 2
"""Moves by hand spelled out at a time."""
NOW_SHARE = 0.635
BELOW = 264.0
"""Room under the two panels: mutes and ribbon."""


class StageCanvas(Canvas):
    """Draws everything anew: it changes with every beat."""

    touched = pyqtSignal(str)
    """An action that was touched: a mute, or a section of the ribbon as "section:ID"."""

    def __init__(self, session: Session, book: StageModel, numbers: StageNumbers) -> None:
        super().__init__(session)
        self.palette_now = NIGHT
        self.book = book
        self.keyed = True
        """Whether there are keys to be told of."""
        self.numbers = numbers
        self._guard = TouchGuard(session)
        self._blocks = Blocks(session, book)
        self._ribbon: list[tuple[QRectF, str]] = []
        self._scale = 1.0
        self._now_part, self._next_part = Kept(), Kept()
        self._blocks_part, self._ribbon_part = Kept(), Kept()
        self.setAccessibleName("Stage")

    # Touch

    def mousePressEvent(self, event: QMouseEvent | None) -> None:
        """A touch counts at once, or when it has been held."""
        if event is not None and self._guard.press(event.position()):
            self._touch(event.position())

    def mouseReleaseEvent(self, event: QMouseEvent | None) -> None:
        """The end of a touch."""
        if event is not None and self._guard.release(event.position()):
            self._touch(event.position())

    def _touch(self, at: QPointF) -> None:
        place = at / self._scale
        number = self._blocks.number_at(place)
        if number:
            self.touched.emit(f"mute_{number}")
        for box, section in self._ribbon:
            if box.contains(place):
                self.touched.emit(f"section:{section}")

    # Drawing

    def paintEvent(self, event: QPaintEvent | None) -> None:
        """Draw Stage."""
        del event
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        p = NIGHT
        draw.fill(painter, 0, 0, self.width(), self.height(), p.ground)
        layout = self.session.derived.layout()
        if layout is None or not layout.spans:
            draw.text(painter, 24, 80, "No song to play", NIGHT.ink, size=44, weight=600)
            return
        self._scale = min(self.height() / DESIGN_HEIGHT, self.width() / DESIGN_WIDTH)
        painter.scale(self._scale, self._scale)
        wide, tall = self.width() / self._scale, self.height() / self._scale
        now = self.book.now(layout)
        self._paint_top(painter, layout, now, wide)
        split, upper = wide * NOW_SHARE, tall - BELOW
        left = QRectF(0, 44, split, upper)
        right = QRectF(split + 16, 44, wide - split - 17, upper)
        blocks = QRectF(0, 44 + upper + 16, wide, 100)
        ribbon = QRectF(0, 44 + upper + 134, wide, 60)
        scale = self._scale
        self._now_part.draw(painter, left, scale, self._now_key(layout, now),
                            lambda inner: self._paint_now(inner, layout, now, left))  # fmt: skip
        self._next_part.draw(painter, right.adjusted(-2, -2, 2, 2), scale,
                             self._next_key(layout, now),
                             lambda inner: self._paint_next(inner, layout, now, right))  # fmt: skip
        if now is not None and self.numbers.typed is None:
            self._paint_when(painter, now, right)
        self._blocks_part.draw(painter, blocks, scale, self._blocks.key(),
                               lambda inner: self._blocks.paint(inner, blocks))  # fmt: skip
        self._ribbon_part.draw(
            painter, ribbon.adjusted(-2, -2, 2, 2), scale, self._ribbon_key(layout, now),
            lambda inner: self._paint_ribbon(inner, layout, now, ribbon),
        )  # fmt: skip
        if now is not None and self.session.position.tick_now() >= 0:
            x = ribbon.width() * self.session.position.song_tick_now() / max(1, layout.ticks)
            draw.line(painter, x, ribbon.top() - 6, x, ribbon.bottom() + 6, p.crest, 3)

    # What each part depends on: where that is as it was, the part is not drawn anew

    def _now_key(self, layout: Layout, now: StagePlace | None) -> Hashable:
        session, status = self.session, self.session.status
        if now is None or status is None:
            return (id(layout), None)
        moves = self.book.to_do(now)
        shown = tuple(
            (m.words, self._when(now, m), self.book.announced(now, m))
            for m in moves[: MOST_MOVES + 1]
        )
        following = now.following.scene.name if now.following is not None else None
        carried = round(status.bpm, 1) if status.carried else None
        return (
            id(layout), now.span.section.id, now.bar, now.bars, now.beat, now.number, now.passes,
            status.held, session.position.beats_to_come(), carried, status.mutes_by_hand,
            status.mutes_kept, shown, len(moves), len(self.book.made), following,
        )  # fmt: skip

    def _next_key(self, layout: Layout, now: StagePlace | None) -> Hashable:
        session, status = self.session, self.session.status
        typed = (self.numbers.typed, self.numbers.of)
        if now is None or status is None:
            return (id(layout), id(session.project), typed, None)
        following = now.following
        return (
            id(layout), id(session.project), typed, now.span.section.id,
            None if following is None else (following.section.id, following.bpm),
            None if now.other_song is None else now.other_song.id,
            status.launched, session.selection.play.entry, round(status.bpm, 1),
            session.tempo.scale, self._warning(now),
        )  # fmt: skip

    def _ribbon_key(self, layout: Layout, now: StagePlace | None) -> Hashable:
        if now is None:
            return (id(layout), None)
        following = now.following.section.id if now.following is not None else ""
        return (id(layout), now.span.section.id, following, now.other_song is None)

    def _warning(self, now: StagePlace) -> str:
        """What the next tempo does to loops that run."""
        return "" if now.following is None else self.session.looping.warning(now.following.bpm)

    def _paint_top(
        self, painter: QPainter, layout: Layout, now: StagePlace | None, wide: float
    ) -> None:
        p, session = NIGHT, self.session
        plan = self.book.plan()
        if plan is not None:
            name = plan.running.name
            ids = [s.entry.id for s in plan.songs]
            at = (
                ids.index(session.selection.play.entry)
                if session.selection.play.entry in ids
                else 0
            )
            place = f"{layout.song.name}   song {at + 1} of {len(ids)}"
        else:
            name, place = session.project.name, f"{layout.song.name}   this song alone"
        x = draw.text(painter, 0, 24, name, p.muted, size=20, weight=600) + 28
        x += draw.text(painter, x, 24, place, p.ink, size=20) + 28
        deaf = () if session.status is None else session.status.deaf
        if deaf:
            names = ", ".join(session.project.rig.name_of(d) for d in deaf)
            draw.text(painter, x, 24, f"{names} not heard", p.eye, size=20, weight=600)
        elif session.stage.locked:
            draw.text(painter, x, 24, f"keys locked, {told('lock')}", p.sand, size=20, weight=600)
        elif not session.stage.guarded:
            draw.text(painter, x, 24, "touch guard off", p.sand, size=20)
        self._paint_time_left(painter, layout, now, wide)

    def _paint_time_left(
        self, painter: QPainter, layout: Layout, now: StagePlace | None, wide: float
    ) -> None:
        """Of the slot where one was said, and whether the plan fits; of the song otherwise."""
        p, slot = NIGHT, self.book.slot()
        if slot is None:
            tempo = layout.tempo
            at = tempo.seconds_at(int(self.session.position.song_tick_now())) if now else 0.0
            left = tempo.seconds_at(layout.ticks) - at
            words = f"{clock_text(at)}   {clock_text(left)} left"
            draw.text(painter, wide, 24, words, p.muted, size=20, align=draw.RIGHT)
            return
        there = f"{clock_text(max(0.0, slot.left_s))} of the slot left"
        width = draw.text(painter, wide, 24, there, p.ink, size=20, align=draw.RIGHT)
        over = slot.over_s
        if over <= 0:
            fits, colour = f"plan fits, {clock_text(-over)} to spare", p.reed
        elif slot.drop:
            first = slot.drop[0]
            fits = f"{clock_text(over)} over: D drops a pass of {first.scene}"
            colour = p.sand
        else:
            fits, colour = f"{clock_text(over)} over", p.eye
        draw.text(painter, wide - width - 20, 24, fits, colour, size=20, weight=600,
                  align=draw.RIGHT)  # fmt: skip

    # Now

    def _paint_now(
        self, painter: QPainter, layout: Layout, now: StagePlace | None, box: QRectF
    ) -> None:
        p = NIGHT
        draw.panel(painter, box, p.panel)
        x, right, y = box.left() + 28, box.right() - 28, box.top()
        status = self.session.status
        held = status is not None and status.held
        coming = self.session.position.beats_to_come()
        label = "COUNTING IN" if coming else "HELD" if held else "NOW" if now else "READY"
        draw.text(painter, x, y + 40, label, p.crest if held else p.muted, size=20, weight=600)
        if status is not None and status.carried:
            draw.text(
                painter, right, y + 40, f"carried at {status.bpm:.4g} BPM: G lets it go to its own",
                p.crest, size=20, weight=600, align=draw.RIGHT,
            )  # fmt: skip
        span = now.span if now else layout.spans[0]
        count_room = 190
        draw.text(
            painter, x, y + 122, span.scene.name, p.ink, size=92, weight=700,
            width=box.width() - 56 - count_room,
        )  # fmt: skip
        if now is None:
            words = (
                f"{layout.song.bpm:g} BPM, {counted(layout.bars, 'bar')}. Space runs from the top."
            )
            draw.text(painter, x, y + 166, words, p.muted, size=26)
            self._paint_keys(painter, box, None)
            return
        below = f"pass {now.number} of {now.passes}" if now.passes > 1 else "one pass"
        draw.text(painter, x, y + 166, below, p.muted, size=26)
        draw.text(
            painter, right, y + 122, str(coming or now.bar), p.crest if coming else p.ink,
            size=120, weight=600, align=draw.RIGHT,
        )  # fmt: skip
        words = "held" if held else f"of {counted(now.bars, 'bar')}"
        if coming:
            words = "beats to go" if coming > 1 else "beat to go"
        draw.text(painter, right, y + 166, words, p.muted, size=26, align=draw.RIGHT)
        self._paint_bars(painter, now, QRectF(x, y + 192, right - x, 64))
        self._paint_hands(painter, now, x, y + 300, right - x)
        self._paint_keys(painter, box, now)

    def _paint_bars(self, painter: QPainter, now: StagePlace, box: QRectF) -> None:
        """One block per bar, those gone by filled; the beats of the bar that sounds."""
        p = NIGHT
        bars = min(now.bars, MAX_BLOCKS)
        first = max(0, min(now.bar - bars // 2, now.bars - bars)) if now.bars > bars else 0
        gap = 8 if bars <= 16 else 4
        wide = (box.width() - gap * (bars - 1)) / bars
        for index in range(bars):
            number = first + index + 1
            left = box.left() + index * (wide + gap)
            block = QRectF(left, box.top(), wide, box.height())
            if number < now.bar:
                draw.panel(painter, block, p.water)
                continue
            draw.panel(painter, block, p.soft)
            if number == now.bar:
                each = wide / now.beats
                for beat in range(now.beat):
                    draw.fill(
                        painter, left + beat * each + 1, box.top(), each - 2, box.height(), p.crest
                    )

    def _paint_hands(
        self, painter: QPainter, now: StagePlace, x: float, baseline: float, wide: float
    ) -> None:
        """What the performer has to do before the next section."""
        p, moves = NIGHT, self.book.to_do(now)
        if not moves:
            made = len(self.book.made)
            words = f"{counted(made, 'move')} done. " if made else ""
            if now.following is not None:
                words += f"Hands free until {now.following.scene.name}"
            else:
                words += "The song ends by itself"
            draw.text(painter, x, baseline, words, p.muted, size=26, weight=600, width=wide)
            return
        status = self.session.status
        most = 1 if status is not None and status.mutes_by_hand else MOST_MOVES
        for index, move in enumerate(moves[:most]):
            y = baseline + index * 32
            rest = len(moves) - most
            more = f", and {rest} more" if rest > 0 and index == most - 1 else ""
            soon = self.book.announced(now, move)
            colour = p.crest if soon else p.muted
            draw.diamond(painter, x + 8, y - 8, 8, colour)
            when = self._when(now, move)
            width = draw.text(painter, x + wide, y, when, p.eye if when == "late" else colour,
                              size=26, weight=600, align=draw.RIGHT)  # fmt: skip
            draw.text(painter, x + 26, y, move.words + more, colour, size=26, weight=600,
                      width=wide - 40 - width)  # fmt: skip

    def _when(self, now: StagePlace, move: StageMove) -> str:
        """When a move is to be made: beats until it goes best, "now" from then on, or "late"."""
        tick = self.session.position.tick_now()
        beat = now.span.scene.meter.beat_ticks
        if tick >= move.closes:
            return "late"
        if tick >= move.begins:
            return "now, M" if self.keyed else "now"
        beats = -(-int(move.begins - tick) // beat)
        bars, rest = divmod(beats, now.beats)
        return f"in {bars} bars" if bars > 1 else f"in {bars * now.beats + rest} beats"

    def _paint_keys(self, painter: QPainter, box: QRectF, now: StagePlace | None) -> None:
        if not self.keyed:
            return
        p, y = NIGHT, box.bottom() - 22
        x = box.left() + 28
        status = self.session.status
        if now is not None and status is not None and status.mutes_by_hand:
            kept = "stay after" if status.mutes_kept else "end with"
            many = counted(len(status.mutes_by_hand), "mute")
            words = f"{many} by hand: {kept} this section, {told('keep_mutes')} changes that"
            draw.text(painter, x, y - 30, words, p.crest, size=20, weight=600,
                      width=box.width() - 56)  # fmt: skip
        shown = dict(KEYS_SHOWN)
        if now is not None and self.book.to_do(now):
            shown["Done"] = "tick_move"
        for name, action in shown.items():
            key = told(action)
            if x > box.right() - 70:
                break
            x += draw.text(painter, x, y, f"{name} ", p.muted, size=16, weight=600) + 4
            x += draw.text(painter, x, y, key, p.ink, size=16, weight=600) + 18

    # Next

    def _paint_next(
        self, painter: QPainter, layout: Layout, now: StagePlace | None, box: QRectF
    ) -> None:
        p = NIGHT
        status = self.session.status
        launched = status is not None and status.launched and now is not None
        draw.panel(painter, box, p.ground, p.crest, width=3 if launched else 1.5)
        x, y = box.left() + 24, box.top()
        wide = box.width() - 48
        if self.numbers.typed is not None:
            self._paint_number(painter, layout, x, y, wide)
            return
        label = "NEXT, ASKED FOR" if launched else "NEXT"
        draw.text(painter, x, y + 40, label, p.crest, size=20, weight=600)
        if now is None:
            self._paint_first(painter, layout, x, y, wide)
            return
        following = now.following
        name = following.scene.name if following else self._after_the_end()
        draw.text(painter, x, y + 96, name, p.ink, size=60, weight=700, width=wide)
        if now.other_song is not None:
            draw.text(painter, x + wide, y + 40, now.other_song.name, p.crest, size=20, weight=600,
                      align=draw.RIGHT, width=wide - 170)  # fmt: skip
        warned = self._warning(now)
        below = 158.0
        if launched:
            below = 176.0
        elif warned:
            draw.text(painter, x, y + 162, warned, p.sand, size=16, weight=600, width=wide)
            below = 172.0
        room = QRectF(x, y + below, wide, box.height() - below - 12)
        self._paint_changes(painter, now.span, following, room)

    def _paint_when(self, painter: QPainter, now: StagePlace, box: QRectF) -> None:
        """When the next comes in, and how long it can be taken back: what moves with time."""
        p, status = NIGHT, self.session.status
        launched = status is not None and status.launched
        x, y, wide = box.left() + 24, box.top(), box.width() - 48
        beat_ticks = now.span.scene.meter.beat_ticks
        beats_left = -(-int(now.to_go_ticks) // beat_ticks)
        bars, beats = divmod(beats_left, now.beats)
        parts = [counted(bars, "bar")] if bars else []
        parts += [counted(beats, "beat")] if beats else []
        when = f"in {' '.join(parts) or 'a moment'} \u00b7 {seconds_text(now.to_go_s)}"
        if status is not None and status.held and not launched:
            when = "when you let go: H, or Enter"
        draw.text(painter, x, y + 134, when, p.crest if launched else p.ink, size=26, width=wide)
        if launched:
            left = f"\u232b takes it back, for {seconds_text(now.withdraw_s)}"
            if now.withdraw_s <= 0:
                left = "too late to take back: boxes are told"
            draw.text(painter, x, y + 162, left, p.sand, size=20, width=wide)

    def _after_the_end(self) -> str:
        joined = self.session.selection.joined()
        after = self.session.selection.play.after(joined) if joined is not None else None
        return f"Stop, then {after.name}" if after is not None else "The end"

    def _paint_first(
        self, painter: QPainter, layout: Layout, x: float, y: float, wide: float
    ) -> None:
        span = layout.spans[0]
        draw.text(painter, x, y + 96, span.scene.name, NIGHT.ink, size=60, weight=700, width=wide)
        draw.text(painter, x, y + 134, "with Space", NIGHT.ink, size=26, width=wide)
        self._paint_changes(painter, None, span, QRectF(x, y + 158, wide, 220))

    def _paint_number(
        self, painter: QPainter, layout: Layout, x: float, y: float, wide: float
    ) -> None:
        """A number being typed, and what has it."""
        p = NIGHT
        draw.text(painter, x, y + 40, f"{self.numbers.of.upper()} NUMBER", p.crest, size=20,
                  weight=600)  # fmt: skip
        draw.text(painter, x, y + 130, self.numbers.typed or "\u2026", p.ink, size=92, weight=700)
        names = self.numbers.named(layout)
        found = int(self.numbers.typed) if self.numbers.typed else 0
        name = names[found - 1][1] if 1 <= found <= len(names) else ""
        draw.text(painter, x + 140, y + 124, name, p.crest, size=44, weight=600, width=wide - 140)
        words = "Enter brings it in on the next bar, Esc lets it be."
        draw.text(painter, x, y + 168, words, p.muted, size=20, width=wide)
        for index, (_, label) in enumerate(names[:14]):
            column, row = divmod(index, 7)
            here = index + 1 == found
            draw.text(
                painter, x + column * wide / 2, y + 204 + row * 26, f"{index + 1}  {label}",
                p.ink if here else p.muted, size=20, weight=600 if here else 400,
                width=wide / 2 - 12,
            )  # fmt: skip

    def _paint_changes(
        self,
        painter: QPainter,
        here: SectionSpan | None,
        following: SectionSpan | None,
        box: QRectF,
    ) -> None:
        p = NIGHT
        names = {q.id: q.name for q in self.session.project.patterns}
        passage = None
        if following is not None:
            passage = self.book.passage(None if here is None else here.scene, following)
        for index, device in enumerate(self.session.project.players):
            y = box.top() + 22 + index * 32
            if y > box.bottom():
                break
            draw.text(painter, box.left(), y, device.name, p.ink, size=20, weight=600, width=96)
            after = following.scene.part(device.id).chain if following else ()
            told = " \u00b7 ".join(dict.fromkeys(names.get(q, q) for q in after)) or "silent"
            found = () if passage is None else passage.of(device.id)
            words = ", ".join(c.after for c in found)
            if not found:
                words = f"stays on {told}" if after else "stays silent"
            by_hand = any(c.move is not None for c in found)
            colour = p.water if found else p.muted
            if by_hand:
                draw.diamond(painter, box.left() + 104, y - 7, 6, p.crest)
                words, colour = f"{words}: by hand", p.crest
            elif found:
                draw.ring(painter, box.left() + 104, y - 7, 5, p.water, p.ground)
            draw.text(
                painter, box.left() + 118, y, words, colour, size=20,
                weight=600 if found else 400, width=box.width() - 118,
            )  # fmt: skip

    # The ribbon

    def _paint_ribbon(
        self, painter: QPainter, layout: Layout, now: StagePlace | None, box: QRectF
    ) -> None:
        p = NIGHT
        total = max(1, layout.ticks)
        self._ribbon = []
        narrow = False
        for number, span in enumerate(layout.spans, start=1):
            left = box.left() + box.width() * span.tick / total
            wide = box.width() * span.ticks / total - 4
            block = QRectF(left, box.top(), wide, box.height())
            self._ribbon.append((block, span.section.id))
            here = now is not None and span.section.id == now.span.section.id
            coming = (
                now is not None
                and now.following is not None
                and now.other_song is None
                and span.section.id == now.following.section.id
            )
            draw.panel(painter, block, p.water if here else p.panel, p.crest if coming else None,
                       width=2)  # fmt: skip
            colour = p.ground if here else p.ink if coming else p.muted
            narrow = wide < 70
            words = str(number) if narrow else span.scene.name
            draw.text(
                painter, left + (4 if narrow else 10), box.center().y() + 7, words, colour,
                size=16 if narrow else 20, weight=600, width=wide - (4 if narrow else 14),
            )  # fmt: skip
