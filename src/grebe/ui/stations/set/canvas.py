"""A set on one time axis: songs against the slot, the tempo through them, what lies between."""

from __future__ import annotations

from PyQt6.QtCore import QPointF, QRectF, Qt, pyqtSignal
from PyQt6.QtGui import QPainter, QPen, QPolygonF

from grebe.app.actions.keymap import told
from grebe.app.editors.set_editor import SetEditor
from grebe.app.tables.songs import SetTable
from grebe.app.tables.table import Cell
from grebe.core.sets.edit import versions_of
from grebe.core.sets.formatting import (
    key_words,
    tempo_words,
)
from grebe.core.sets.model import wished
from grebe.core.sets.plan import PlacedSong, SetSchedule
from grebe.core.time.formatting import clock_text
from grebe.ui.stations.set.crossings import EDGE, paint_between, tempo_points
from grebe.ui.widgets import draw
from grebe.ui.widgets.canvas import PlayheadCanvas
from grebe.ui.widgets.drags import AimDrag, Drag, EditDrag, Held
from grebe.ui.widgets.formatting import length_text
from grebe.words import tr

AXIS = 34.0
SONGS = 146.0
VERSION = 22.0
LOW_WORDS = 22.0
"""A second pair of words under the path stands so much lower."""
LEAST_PATH = 96.0
"""Of the tempo path, with two lines of words."""
FOOT = 158.0
"""Room for what lies between songs."""
GAP = 3.0
NARROW = 62.0
MOST_ENERGY = 0.44
"""Share of a song's block that full energy fills."""
WISH_REACH = 14.0
GRAB_PX = 12.0
"""Half of what can be taken hold of: 24 px across."""


class SetCanvas(PlayheadCanvas):
    """Songs, tempo path, crossings."""

    pointed = pyqtSignal(str)
    """The place clicked."""
    wished = pyqtSignal(int, float)
    """A place and the energy drawn there."""

    def __init__(self, editor: SetEditor) -> None:
        super().__init__(editor.session, SetTable(editor.hand))
        self.editor = editor
        self._goes_to: int | None = None
        """The place that a dragged song would have."""
        self.setAccessibleName(tr("Set"))

    # Where things lie

    def _scale(self, plan: SetSchedule) -> float:
        """Pixels a second."""
        longest = max(plan.seconds, plan.running.slot_s, 1.0)
        return (self.width() - 2 * EDGE) / longest

    def _x(self, plan: SetSchedule, seconds: float) -> float:
        return EDGE + seconds * self._scale(plan)

    @property
    def _foot(self) -> float:
        """Room for what lies between songs; 0 on a low screen, where the tempo path has it."""
        least = AXIS + SONGS + self._versions + LEAST_PATH + FOOT
        return FOOT if self.height() >= least else 0.0

    @property
    def _versions(self) -> float:
        """Height of the row of versions; 0 where no song has any."""
        plan = self.editor.hand.plan
        songs = {s.id for s in self.editor.hand.project.songs}
        several = plan is not None and any(
            len(versions_of(self.editor.hand.project, s.entry.song)) > 1
            for s in plan.songs
            if s.entry.song in songs
        )
        return VERSION if several else 0.0

    def block_of(self, plan: SetSchedule, song: PlacedSong) -> QRectF:
        """Where a song lies."""
        left, right = self._x(plan, song.start_s), self._x(plan, song.end_s)
        return QRectF(left + GAP / 2, AXIS, max(3.0, right - left - GAP), SONGS)

    def playhead_x(self) -> float | None:
        """Where the performance stands."""
        plan, session = self.editor.hand.plan, self.session
        if plan is None or not session.running or not session.selection.whole_set:
            return None
        song = next((s for s in plan.songs if s.entry.id == session.selection.play.entry), None)
        if song is None or song.tempo is None:
            return None
        into = song.tempo.seconds_at(int(session.position.song_tick_now())) - song.tempo.seconds_at(
            0
        )
        return self._x(plan, song.start_s + max(0.0, into))

    def playhead_span(self) -> tuple[float, float]:
        """Over songs and tempo path."""
        return AXIS - 6, self.height() - self._foot

    # The pointer

    def grip(self, at: QPointF, held: Held) -> Drag | None:
        """The wish line, what lies between two songs, or a song: each is dragged its own way."""
        del held
        plan = self.editor.hand.plan
        if plan is None:
            return None
        if self._near_wish(at):
            return EditDrag(self.session.store, self._draw_wish, lambda: None)
        between = self._edge_at(plan, at)
        if between is not None:
            self.pointed.emit(between.entry.id)
            return self._edge_drag(plan, between, at)
        return self._song_drag(plan) if self.pick(at) else None

    def _edge_at(self, plan: SetSchedule, at: QPointF) -> PlacedSong | None:
        """The song whose beginning is near, where there is silence or a ramp before it."""
        if not AXIS <= at.y() <= AXIS + SONGS:
            return None
        for song in plan.songs[1:]:
            long = self.block_of(plan, song).width()
            near = abs(self._x(plan, song.start_s) - at.x()) < min(GRAB_PX, long / 3)
            if near and song.entry.into in ("stop", "ramp"):
                return song
        return None

    def _edge_drag(self, plan: SetSchedule, song: PlacedSong, begun: QPointF) -> Drag:
        scale, before = self._scale(plan), plan.running
        bar_s = 240 / (song.facts.bpm if song.facts is not None else 120)

        def follow(to: QPointF, held: Held) -> str:
            del held
            seconds = (to.x() - begun.x()) / scale
            return self.editor.drags.between(
                before, song.entry.id, seconds, round(seconds / bar_s)
            )  # fmt: skip

        return EditDrag(self.session.store, follow)

    def _song_drag(self, plan: SetSchedule) -> Drag:
        """A song goes elsewhere; what the new order would cost is said while it hovers."""
        before, entry = plan.running, self.editor.hand.entry_id

        def aim(to: QPointF, held: Held) -> str:
            del held
            centres = [self.block_of(plan, s).center().x() for s in plan.songs]
            place = sum(x < to.x() for x, s in zip(centres, plan.songs, strict=True)
                        if s.entry.id != entry)  # fmt: skip
            self._goes_to = place
            self.update()
            return self.editor.drags.cost_words(before, entry, place)

        def land() -> None:
            if self._goes_to is not None:
                self.editor.drags.reorder(before, entry, self._goes_to)

        return AimDrag(aim, land, self._let_go)

    def _let_go(self) -> None:
        self._goes_to = None
        self.update()

    def shape_at(self, at: QPointF, held: Held) -> Qt.CursorShape:
        """What a drag from there would do."""
        del held
        plan = self.editor.hand.plan
        if plan is None:
            return Qt.CursorShape.ArrowCursor
        if self._near_wish(at):
            return Qt.CursorShape.SizeVerCursor
        if self._edge_at(plan, at) is not None:
            return Qt.CursorShape.SplitHCursor
        over = self.cell_at(at) is not None
        return Qt.CursorShape.OpenHandCursor if over else Qt.CursorShape.ArrowCursor

    def pick(self, at: QPointF, *, selects: bool = False) -> bool:
        """Take the song there in hand."""
        del selects
        cell, plan = self.cell_at(at), self.editor.hand.plan
        if cell is not None and plan is not None:
            self.pointed.emit(plan.songs[cell.row].entry.id)
        return cell is not None

    # Read aloud

    def cell_box(self, cell: Cell) -> QRectF:
        """A song's block."""
        plan = self.editor.hand.plan
        if plan is None or cell.row >= len(plan.songs):
            return QRectF()
        return self.block_of(plan, plan.songs[cell.row])

    def cell_at(self, at: QPointF) -> Cell | None:
        """The song there."""
        plan = self.editor.hand.plan
        for row, song in enumerate(() if plan is None else plan.songs):
            assert plan is not None
            if self.block_of(plan, song).adjusted(0, 0, 0, self._versions).contains(at):
                return Cell(row, 0)
        return None

    def known_at(self, at: QPointF) -> str:
        """A song's figures, and how it comes in."""
        cell = self.cell_at(at)
        if cell is None:
            return ""
        table = self.cells.table
        figures = [f"{name}: {table.words(cell.row, n)}" for n, name in enumerate(table.columns())]
        return "; ".join((table.rows()[cell.row], *figures))

    def paint_moving(self, painter: QPainter) -> None:
        """The playhead, and where a dragged song would stand."""
        super().paint_moving(painter)
        plan = self.editor.hand.plan
        if plan is None or self._goes_to is None:
            return
        others = [s for s in plan.songs if s.entry.id != self.editor.hand.entry_id]
        at = min(self._goes_to, len(others))
        x = self._x(plan, others[at].start_s if at < len(others) else plan.seconds)
        draw.line(painter, x, AXIS - 8, x, AXIS + SONGS + 8, self.palette_now.crest, 3)

    def _wish_points(self, plan: SetSchedule) -> list[QPointF]:
        running = plan.running
        if not running.wish:
            return []
        count = len(plan.songs)
        return [
            QPointF(
                self.block_of(plan, song).center().x(),
                self._energy_y(wished(running.wish, n, count)),
            )
            for n, song in enumerate(plan.songs)
        ]

    def _energy_y(self, share: float) -> float:
        return AXIS + SONGS - share * SONGS * MOST_ENERGY

    def _near_wish(self, at: QPointF) -> bool:
        plan = self.editor.hand.plan
        points = [] if plan is None else self._wish_points(plan)
        return any((p - at).manhattanLength() < WISH_REACH for p in points)

    def _draw_wish(self, at: QPointF, held: Held) -> str:
        """The energy wished for under the pointer is its height; what it became."""
        del held
        plan = self.editor.hand.plan
        if plan is None:
            return ""
        share = (AXIS + SONGS - at.y()) / (SONGS * MOST_ENERGY)
        for number, song in enumerate(plan.songs):
            block = self.block_of(plan, song)
            if block.left() <= at.x() <= block.right():
                held_in = max(0.0, min(1.0, share))
                self.wished.emit(number, held_in)
                return tr("{share:.0f} % of the most", share=held_in * 100)
        return ""

    # Drawing

    def paint_still(self, painter: QPainter) -> None:
        """Draw the set."""
        plan, p = self.editor.hand.plan, self.palette_now
        if plan is None or not plan.songs:
            words = tr("{add_song} puts a song in.", add_song=told("add_song"))
            draw.text(painter, EDGE, AXIS + 40, words, p.muted, size=20)
            return
        self._paint_axis(painter, plan)
        facts = [s.facts for s in plan.songs if s.facts is not None]
        most = max((max(f.energy) for f in facts), default=1.0)
        for song in plan.songs:
            self._paint_song(painter, plan, song, most)
        self._paint_spare(painter, plan)
        self._paint_wish(painter, plan)
        top = AXIS + SONGS + self._versions + 14
        low = self._foot or LOW_WORDS
        room = QRectF(0, top, self.width(), self.height() - low - top)
        self._paint_path(painter, plan, room)
        box = QRectF(0, self.height() - self._foot + 8, self.width(), FOOT - 10)
        if self._foot:
            paint_between(painter, p, self.editor.hand, plan, box)

    def _paint_axis(self, painter: QPainter, plan: SetSchedule) -> None:
        p = self.palette_now
        draw.line(painter, EDGE, 24, self.width() - EDGE, 24, p.rule, 1.5)
        longest = max(plan.seconds, plan.running.slot_s)
        step = next((m for m in (1, 2, 3, 5, 6, 10, 15, 30) if longest / 60 / m <= 12), 60)
        for minute in range(0, int(longest // 60) + 1, step):
            x = self._x(plan, minute * 60.0)
            draw.line(painter, x, 19, x, 28, p.muted, 1.5)
            align = draw.LEFT if minute == 0 else draw.CENTRE
            words = tr("{minute} min", minute=minute) if minute == 0 else str(minute)
            draw.text(painter, x, 14, words, p.muted, size=12, align=align)

    def _paint_song(
        self, painter: QPainter, plan: SetSchedule, song: PlacedSong, most: float
    ) -> None:
        p = self.palette_now
        block, facts = self.block_of(plan, song), song.facts
        here = song.entry.id == self.editor.hand.entry_id
        edge = p.crest if here else p.rule
        if facts is None:
            draw.panel(painter, block, p.ground, p.eye, width=2)
            draw.text(painter, block.left() + 6, AXIS + 24, song.entry.song, p.eye, size=14,
                      weight=600, width=block.width() - 8)  # fmt: skip
            return
        draw.panel(painter, block, p.panel, edge, width=2.5 if here else 1.0)
        self._paint_energy(painter, song, block, most)
        x, wide = block.left() + 8, block.width() - 12
        if block.width() < NARROW:
            self._paint_narrow(painter, song, block)
        else:
            pin = "\u2022 " if song.entry.pinned else ""
            draw.text(painter, x, AXIS + 22, f"{pin}{facts.song.name}", p.ink, size=16,
                      weight=600, width=wide)  # fmt: skip
            key = facts.key or tr("key not known")
            draw.text(painter, x, AXIS + 40, key, p.muted, size=14, width=wide)
            draw.text(painter, x, AXIS + 57, length_text(song.seconds), p.muted, size=14,
                      width=wide)  # fmt: skip
            draw.text(painter, x, AXIS + 80, f"{facts.bpm:g}", p.crest, size=20, weight=700,
                      width=wide)  # fmt: skip
        self._paint_versions(painter, song, block)

    def _paint_narrow(self, painter: QPainter, song: PlacedSong, block: QRectF) -> None:
        """A short song: its name runs upwards."""
        p = self.palette_now
        assert song.facts is not None
        painter.save()
        painter.translate(block.left() + min(block.width() / 2 + 5, 20), block.bottom() - 8)
        painter.rotate(-90)
        draw.text(painter, 0, 0, f"{song.facts.song.name}  {song.facts.bpm:g}", p.ink, size=14,
                  weight=600, width=SONGS - 14)  # fmt: skip
        painter.restore()

    def _paint_energy(
        self, painter: QPainter, song: PlacedSong, block: QRectF, most: float
    ) -> None:
        """Energy section by section, as water standing in the block."""
        facts, p = song.facts, self.palette_now
        assert facts is not None
        whole = sum(facts.weight)
        x = block.left() + 1
        colour = draw.see_through(p.water, 0.22)
        for energy, weight in zip(facts.energy, facts.weight, strict=True):
            wide = (block.width() - 2) * weight / whole
            tall = SONGS * MOST_ENERGY * energy / most
            draw.fill(painter, x, block.bottom() - 1 - tall, wide, tall, colour)
            x += wide

    def _paint_versions(self, painter: QPainter, song: PlacedSong, block: QRectF) -> None:
        """The other versions of the song, side by side under it."""
        others = [
            s
            for s in versions_of(self.editor.hand.project, song.entry.song)
            if s.id != song.entry.song
        ]
        if not others:
            return
        p = self.palette_now
        other = others[0]
        facts = self.editor.hand.book.facts(self.editor.hand.project, other.id)
        if facts is None:
            return
        wide = min(self.width() - block.left() - EDGE, max(130.0, facts.seconds * self._scale(
            self.editor.hand.plan)))  # type: ignore[arg-type]  # fmt: skip
        box = QRectF(block.left(), block.bottom() + 3, wide, VERSION - 5)
        draw.panel(painter, box, p.ground, p.rule)
        name = other.version or other.name
        draw.text(
            painter,
            box.left() + 6,
            box.bottom() - 4,
            tr("or {name}, {clock_text} (V)", name=name, clock_text=clock_text(facts.seconds)),
            p.muted,
            size=12,
            width=max(10.0, wide - 8),
        )

    def _paint_spare(self, painter: QPainter, plan: SetSchedule) -> None:
        """What is left of the slot, or where it ends too soon."""
        spare, p = plan.spare_s, self.palette_now
        if spare is None:
            return
        x = self._x(plan, plan.running.slot_s)
        if spare < 0:
            draw.line(painter, x, AXIS - 12, x, self.height() - self._foot, p.eye, 2,
                      Qt.PenStyle.DashLine)  # fmt: skip
            draw.text(
                painter,
                x + 6,
                AXIS + SONGS + 12,
                tr("{clock_text} too long", clock_text=clock_text(-spare)),
                p.eye,
                size=14,
                weight=600,
            )
            return
        left = self._x(plan, plan.seconds) + GAP
        box = QRectF(left, AXIS, max(2.0, x - left), SONGS)
        painter.setPen(QPen(p.reed, 1.5, Qt.PenStyle.DashLine))
        painter.setBrush(Qt.BrushStyle.NoBrush)
        painter.drawRoundedRect(box, 6, 6)
        words = tr("{clock_text} spare", clock_text=clock_text(spare))
        if box.width() > draw.text_width(words, 14, 600) + 8:
            draw.text(painter, box.center().x(), AXIS + SONGS - 10, words, p.reed, size=14,
                      weight=600, align=draw.CENTRE)  # fmt: skip
        else:
            draw.text(painter, x, AXIS + SONGS + 14, words, p.reed, size=14, weight=600,
                      align=draw.RIGHT)  # fmt: skip

    def _paint_wish(self, painter: QPainter, plan: SetSchedule) -> None:
        """The energy the performer wishes for."""
        points, p = self._wish_points(plan), self.palette_now
        if not points:
            return
        painter.setPen(QPen(p.crest, 1.5, Qt.PenStyle.DotLine))
        painter.setBrush(Qt.BrushStyle.NoBrush)
        painter.drawPolyline(QPolygonF(points))
        for point in points:
            draw.diamond(painter, point.x(), point.y(), 4, p.crest)

    def _paint_path(self, painter: QPainter, plan: SetSchedule, box: QRectF) -> None:
        """The tempo through the set, and how each song comes in, in words."""
        p = self.palette_now
        draw.text(painter, EDGE, box.top() + 14, tr("Tempo path"), p.ink, size=14, weight=600)
        rows = plan.playable
        if not rows:
            return
        low = min(s.facts.low_bpm for s in rows if s.facts is not None)
        high = max(s.facts.high_bpm for s in rows if s.facts is not None)
        inner = QRectF(box.left(), box.top() + 26, box.width(), max(20.0, box.height() - 86))
        words_y = box.bottom() - 30

        def y(bpm: float) -> float:
            share = 0.5 if high == low else (bpm - low) / (high - low)
            return inner.bottom() - share * inner.height()

        last: QPointF | None = None
        for song in rows:
            points = [QPointF(self._x(plan, at), y(bpm)) for at, bpm in tempo_points(song)]
            if last is not None and song.crossing is not None:
                stop = song.entry.into == "stop"
                jump = abs(last.y() - points[0].y()) > 1
                colour = p.muted if stop else p.crest if jump else p.water
                style = Qt.PenStyle.DotLine if stop else Qt.PenStyle.DashLine
                painter.setPen(QPen(colour, 1.5, style))
                painter.drawLine(last, points[0])
                draw.line(painter, points[0].x() - 1, inner.top(), points[0].x() - 1, words_y - 16,
                          p.rule, 1, Qt.PenStyle.DotLine)  # fmt: skip
            painter.setPen(QPen(p.water, 4, Qt.PenStyle.SolidLine, Qt.PenCapStyle.FlatCap))
            painter.setBrush(Qt.BrushStyle.NoBrush)
            painter.drawPolyline(QPolygonF(points))
            last = points[-1]
        self._paint_crossings(painter, plan, words_y)

    def _paint_crossings(self, painter: QPainter, plan: SetSchedule, baseline: float) -> None:
        """Two lines at each crossing; a pair that would run into the one before stands lower."""
        p = self.palette_now
        ends = [0.0, 0.0]
        for song in plan.songs:
            crossing = song.crossing
            if crossing is None:
                continue
            how, key = tempo_words(song.entry, crossing), key_words(crossing.key)
            fits = crossing.key is None or crossing.key.fits
            wide = max(draw.text_width(how, 14, 600), draw.text_width(key, 12, 600))
            x = max(wide / 2 + 2, min(self.width() - wide / 2 - 2, self._x(plan, song.start_s)))
            row = 0 if x - wide / 2 >= ends[0] else 1
            ends[row] = x + wide / 2 + 10
            at = baseline + row * 30 - 8
            draw.text(painter, x, at, how, p.ink, size=14, weight=600, align=draw.CENTRE)
            colour = p.reed if fits and crossing.key else p.muted if fits else p.sand
            draw.text(painter, x, at + 14, key, colour, size=12, weight=600, align=draw.CENTRE)
