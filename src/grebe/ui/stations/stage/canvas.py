"""Stage: readable at two metres, always dark."""

from __future__ import annotations

from collections.abc import Hashable

from PyQt6.QtCore import QPointF, QRectF, Qt, pyqtSignal
from PyQt6.QtGui import QPainter, QPaintEvent

from grebe.app.actions.keymap import told
from grebe.app.actions.table import by_id
from grebe.app.live.session import Session
from grebe.app.live.stage_model import StageModel, StageMove, StagePlace
from grebe.app.live.stage_numbers import StageNumbers
from grebe.app.tables.stage import StageTable
from grebe.core.songs.layout import Layout
from grebe.core.time.formatting import clock_text
from grebe.ui.stations.stage.blocks import Blocks
from grebe.ui.stations.stage.next_panel import NextPanel
from grebe.ui.stations.stage.targets import HIGH, LEAST_PX, Targets
from grebe.ui.widgets import draw
from grebe.ui.widgets.canvas import Canvas
from grebe.ui.widgets.drags import Held
from grebe.ui.widgets.guard import TouchGuard
from grebe.ui.widgets.kept import Kept
from grebe.ui.widgets.theme import NIGHT, Palette
from grebe.words import counted, tr

DESIGN_HEIGHT = 650.0
"""Height of the canvas at which sizes are as given; a larger screen scales them up."""
DESIGN_WIDTH = 1150.0
MAX_BLOCKS = 32
MOST_MOVES = 2
"""Moves by hand spelled out at a time."""
NOW_SHARE = 0.635
BELOW = 306.0
"""Room under the two panels: mutes and ribbon."""


class StageCanvas(Canvas):
    """Draws everything anew: it changes with every beat."""

    touched = pyqtSignal(str)
    """An action that was touched: a mute, or a section of the ribbon as "section:ID"."""

    def __init__(
        self, session: Session, book: StageModel, numbers: StageNumbers, *,
        guarded_here: bool = False,
    ) -> None:  # fmt: skip
        """`guarded_here`: the touch guard holds whatever station the table shows."""
        self.said = StageTable(book)
        super().__init__(session, self.said)
        self.palette_now = NIGHT
        self.book = book
        self.numbers = numbers
        self._guard = TouchGuard(session, always=guarded_here)
        self._blocks = Blocks(session, book)
        self._next = NextPanel(session, book, numbers)
        self.targets = Targets(session, numbers)
        self._heard = ""
        self._targets_part = Kept()
        self._ribbon: list[tuple[QRectF, str]] = []
        self._scale = 1.0
        self._now_part, self._next_part = Kept(), Kept()
        self._blocks_part, self._ribbon_part = Kept(), Kept()
        self.setAccessibleName(tr("Stage"))

    @property
    def keyed(self) -> bool:
        """Whether there are keys to be told of."""
        return self.targets.keyed

    @keyed.setter
    def keyed(self, so: bool) -> None:
        self.targets.keyed = so

    def set_palette(self, palette: Palette) -> None:
        """Take the colours, one of the brightnesses of Night."""
        for part in (self.targets, self._blocks, self._next):
            part.palette_now = palette
        super().set_palette(palette)

    # Read aloud

    def say_where(self) -> None:
        """Say where it is, once a bar: the sentence is this canvas's name, whose change is read."""
        sentence = self.said.sentence()
        if sentence != self._heard:
            self._heard = sentence
            self.setAccessibleName(sentence)
            self.follow_table()

    # Touch

    def press(self, at: QPointF, held: Held) -> None:
        """A touch counts at once, or when it has been held. Nothing is ever dragged."""
        del held
        if self._guard.press(at):
            self._touch(at)

    def move_to(self, at: QPointF, held: Held) -> None:
        """A hand over what can be touched."""
        del held
        over = bool(self._meant(at / self._scale))
        self.surface.setCursor(
            Qt.CursorShape.PointingHandCursor if over else Qt.CursorShape.ArrowCursor
        )

    def release(self, at: QPointF) -> None:
        """The end of a touch."""
        if self._guard.release(at):
            self._touch(at)

    def double(self, at: QPointF) -> None:
        """Two touches are two touches."""
        self.press(at, Held.NoModifier)

    def known_at(self, at: QPointF) -> str:
        """What a touch there does, and its key."""
        meant = self._meant(at / self._scale)
        action = by_id().get(meant)
        if action is None:
            return ""
        key = told(meant)
        words = action.title_of(action.number_of(meant))
        return f"{words} ({key})" if key else words

    def _meant(self, place: QPointF) -> str:
        """What a touch at a place of the design does: an action, "section:ID" or a mode."""
        target = self.targets.at(place)
        if target is not None:
            return target.action
        track, number = self._blocks.track_at(place), self._blocks.number_at(place)
        if track:
            return f"halt_{track}" if self.targets.mode == "halt" else f"track_{track}"
        if number:
            return f"solo_{number}" if self.targets.mode == "solo" else f"mute_{number}"
        for box, section in self._ribbon:
            if box.adjusted(0, -8, 4, 8).contains(place):
                return f"section:{section}"
        return ""

    def _touch(self, at: QPointF) -> None:
        meant = self._meant(at / self._scale)
        if meant == ":escape":
            self.numbers.typed = None
        elif meant.startswith(":"):
            self.targets.turn(meant[1:])
        elif meant:
            self.touched.emit(meant)
        self.update()

    # Drawing

    def paintEvent(self, event: QPaintEvent | None) -> None:
        """Draw Stage."""
        del event
        painter = QPainter(self.surface)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        p = self.palette_now
        draw.fill(painter, 0, 0, self.width(), self.height(), p.ground)
        layout = self.session.derived.layout()
        if layout is None or not layout.spans:
            draw.text(
                painter, 24, 80, tr("No song to play"), self.palette_now.ink, size=44, weight=600
            )
            return
        self._scale = min(self.height() / DESIGN_HEIGHT, self.width() / DESIGN_WIDTH)
        painter.scale(self._scale, self._scale)
        wide, tall = self.width() / self._scale, self.height() / self._scale
        now = self.book.now(layout)
        self.numbers.follow("" if now is None else now.span.section.id)
        self._paint_top(painter, layout, now, wide)
        high = max(HIGH, LEAST_PX / self._scale)
        split, upper = wide * NOW_SHARE, tall - BELOW - (high - HIGH)
        left = QRectF(0, 44, split, upper)
        right = QRectF(split + 16, 44, wide - split - 17, upper)
        targets = QRectF(0, 44 + upper + 10, wide, high)
        blocks = QRectF(0, targets.bottom() + 10, wide, 100)
        ribbon = QRectF(0, blocks.bottom() + 14, wide, 60)
        scale, looks = self._scale, self.palette_now.name
        self._now_part.draw(painter, left, scale, (looks, self._now_key(layout, now)),
                            lambda inner: self._paint_now(inner, layout, now, left))  # fmt: skip
        self._next_part.draw(painter, right.adjusted(-2, -2, 2, 2), scale,
                             (looks, self._next.key(layout, now)),
                             lambda inner: self._next.paint(inner, layout, now, right))  # fmt: skip
        if now is not None and self.numbers.typed is None:
            self._next.paint_when(painter, now, right)
        self._blocks_part.draw(painter, blocks, scale, (looks, self._blocks.key()),
                               lambda inner: self._blocks.paint(inner, blocks))  # fmt: skip
        self._targets_part.draw(painter, targets, scale, (looks, self.targets.key()),
                                lambda inner: self.targets.paint(inner, targets))  # fmt: skip
        self._ribbon_part.draw(
            painter, ribbon.adjusted(-2, -2, 2, 2), scale, (looks, self._ribbon_key(layout, now)),
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

    def _ribbon_key(self, layout: Layout, now: StagePlace | None) -> Hashable:
        if now is None:
            return (id(layout), None)
        following = now.following.section.id if now.following is not None else ""
        return (id(layout), now.span.section.id, following, now.other_song is None)

    def _paint_top(
        self, painter: QPainter, layout: Layout, now: StagePlace | None, wide: float
    ) -> None:
        p, session = self.palette_now, self.session
        plan = self.book.plan()
        if plan is not None:
            name = plan.running.name
            ids = [s.entry.id for s in plan.songs]
            at = (
                ids.index(session.selection.play.entry)
                if session.selection.play.entry in ids
                else 0
            )
            place = tr(
                "{song}   song {value} of {count}",
                song=layout.song.name,
                value=at + 1,
                count=len(ids),
            )
        else:
            name, place = (
                session.project.name,
                tr("{song}   this song alone", song=layout.song.name),
            )
        x = draw.text(painter, 0, 24, name, p.muted, size=20, weight=600) + 28
        x += draw.text(painter, x, 24, place, p.ink, size=20) + 28
        deaf = () if session.status is None else session.status.deaf
        if deaf:
            names = ", ".join(session.project.rig.name_of(d) for d in deaf)
            draw.text(
                painter, x, 24, tr("{names} not heard", names=names), p.eye, size=20, weight=600
            )
        elif session.stage.locked:
            draw.text(
                painter,
                x,
                24,
                tr("keys locked, {lock}", lock=told("lock")),
                p.sand,
                size=20,
                weight=600,
            )
        elif not session.stage.guarded:
            draw.text(painter, x, 24, tr("touch guard off"), p.sand, size=20)
        self._paint_time_left(painter, layout, now, wide)

    def _paint_time_left(
        self, painter: QPainter, layout: Layout, now: StagePlace | None, wide: float
    ) -> None:
        """Of the slot where one was said, and whether the plan fits; of the song otherwise."""
        p, slot = self.palette_now, self.book.slot()
        if slot is None:
            tempo = layout.tempo
            at = tempo.seconds_at(int(self.session.position.song_tick_now())) if now else 0.0
            left = tempo.seconds_at(layout.ticks) - at
            words = tr(
                "{clock_text}   {clock_text2} left",
                clock_text=clock_text(at),
                clock_text2=clock_text(left),
            )
            draw.text(painter, wide, 24, words, p.muted, size=20, align=draw.RIGHT)
            return
        there = tr("{clock_text} of the slot left", clock_text=clock_text(max(0.0, slot.left_s)))
        width = draw.text(painter, wide, 24, there, p.ink, size=20, align=draw.RIGHT)
        over = slot.over_s
        if over <= 0:
            fits, colour = (
                tr("plan fits, {clock_text} to spare", clock_text=clock_text(-over)),
                p.reed,
            )
        elif slot.drop:
            first = slot.drop[0]
            fits = tr(
                "{clock_text} over: D drops a pass of {scene}",
                clock_text=clock_text(over),
                scene=first.scene,
            )
            colour = p.sand
        else:
            fits, colour = tr("{clock_text} over", clock_text=clock_text(over)), p.eye
        draw.text(painter, wide - width - 20, 24, fits, colour, size=20, weight=600,
                  align=draw.RIGHT)  # fmt: skip

    # Now

    def _paint_now(
        self, painter: QPainter, layout: Layout, now: StagePlace | None, box: QRectF
    ) -> None:
        p = self.palette_now
        draw.panel(painter, box, p.panel)
        x, right, y = box.left() + 28, box.right() - 28, box.top()
        status = self.session.status
        held = status is not None and status.held
        coming = self.session.position.beats_to_come()
        label = tr("COUNTING IN") if coming else tr("READY")
        if now and not coming:
            label = tr("HELD") if held else tr("NOW")
        draw.text(painter, x, y + 40, label, p.crest if held else p.muted, size=20, weight=600)
        if status is not None and status.carried:
            draw.text(
                painter,
                right,
                y + 40,
                tr("carried at {bpm:.4g} BPM: G lets it go to its own", bpm=status.bpm),
                p.crest,
                size=20,
                weight=600,
                align=draw.RIGHT,
            )
        span = now.span if now else layout.spans[0]
        count_room = 190
        draw.text(
            painter, x, y + 122, span.scene.name, p.ink, size=92, weight=700,
            width=box.width() - 56 - count_room,
        )  # fmt: skip
        if now is None:
            words = tr(
                "{bpm:g} BPM, {bars}. Space runs from the top.",
                bpm=layout.song.bpm,
                bars=counted(layout.bars, "bar"),
            )
            draw.text(painter, x, y + 166, words, p.muted, size=26)
            return
        below = (
            tr("pass {now_number} of {passes}", now_number=now.number, passes=now.passes)
            if now.passes > 1
            else tr("one pass")
        )
        draw.text(painter, x, y + 166, below, p.muted, size=26)
        draw.text(
            painter, right, y + 122, str(coming or now.bar), p.crest if coming else p.ink,
            size=120, weight=600, align=draw.RIGHT,
        )  # fmt: skip
        words = tr("held") if held else tr("of {bars}", bars=counted(now.bars, "bar"))
        if coming:
            words = tr("beats to go") if coming > 1 else tr("beat to go")
        draw.text(painter, right, y + 166, words, p.muted, size=26, align=draw.RIGHT)
        self._paint_bars(painter, now, QRectF(x, y + 188, right - x, 48))
        self._paint_hands(painter, now, x, y + 272, right - x)
        self._paint_mutes(painter, box)

    def _paint_bars(self, painter: QPainter, now: StagePlace, box: QRectF) -> None:
        """One block per bar, those gone by filled; the beats of the bar that sounds."""
        p = self.palette_now
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
        p, moves = self.palette_now, self.book.to_do(now)
        if not moves:
            made = len(self.book.made)
            words = tr("{moves} done. ", moves=counted(made, "move")) if made else ""
            if now.following is not None:
                words += tr("Hands free until {scene}", scene=now.following.scene.name)
            else:
                words += tr("The song ends by itself")
            draw.text(painter, x, baseline, words, p.muted, size=26, weight=600, width=wide)
            return
        status = self.session.status
        most = 1 if status is not None and status.mutes_by_hand else MOST_MOVES
        for index, move in enumerate(moves[:most]):
            y = baseline + index * 32
            rest = len(moves) - most
            more = tr(", and {rest} more", rest=rest) if rest > 0 and index == most - 1 else ""
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
            key = told("tick_move") if self.keyed else ""
            return tr("now, {key}", key=key) if key else tr("now")
        beats = -(-int(move.begins - tick) // beat)
        bars, rest = divmod(beats, now.beats)
        return (
            tr("in {bars} bars", bars=bars)
            if bars > 1
            else tr("in {value} beats", value=bars * now.beats + rest)
        )

    def _paint_mutes(self, painter: QPainter, box: QRectF) -> None:
        """What becomes of mutes by hand when this section ends."""
        status = self.session.status
        if status is None or not status.mutes_by_hand:
            return
        kept = tr("stay after") if status.mutes_kept else tr("end with")
        many = counted(len(status.mutes_by_hand), "mute")
        words = tr(
            "{many} by hand: {kept} this section, {keep_mutes} changes that",
            many=many, kept=kept, keep_mutes=told("keep_mutes"),
        )  # fmt: skip
        draw.text(painter, box.left() + 28, box.bottom() - 12, words, self.palette_now.crest,
                  size=20, weight=600, width=box.width() - 56)  # fmt: skip

    # The ribbon

    def _paint_ribbon(
        self, painter: QPainter, layout: Layout, now: StagePlace | None, box: QRectF
    ) -> None:
        p = self.palette_now
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
