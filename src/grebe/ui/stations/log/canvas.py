"""The three drawings of Log: a run on its axis, a box over the evenings, a change over rehearsals.

A launch or a move is a stem on the waterline, up where it was early and down where it was late; a
ring is Grebe's, a diamond the performer's.
"""

from __future__ import annotations

from collections.abc import Sequence
from datetime import UTC, datetime

from PyQt6.QtCore import QPointF, QRectF, pyqtSignal
from PyQt6.QtGui import QColor, QPainter

from grebe.app.log.tables import in_order
from grebe.app.log.views import LogModel, LogPart
from grebe.app.tables.listed import ListTable
from grebe.app.tables.table import Cell
from grebe.core.log.learning import READY
from grebe.core.log.model import Event
from grebe.core.time.formatting import clock_text
from grebe.ui.widgets import draw
from grebe.ui.widgets.canvas import Canvas
from grebe.words import tr

LEFT, RIGHT = 64.0, 14.0
BAND = 28.0
"""Height of what was planned, and of what was played."""
NAMES = 18.0
"""Above them: the songs."""
MOST_OFF_MS = 250.0
"""A stem as long as there is room; what was further off is as long."""
NEAR_PX = 7.0
LEAST_MS = 5.0
MARK = 4.5
TICKS_S = (1, 5, 10, 30, 60, 120, 300, 600, 1200, 1800, 3600)
LEAST_TICK_PX = 64.0


class LogCanvas(Canvas):
    """One of the three; the rows of its table are what can be pointed at."""

    taken_row = pyqtSignal(int)
    part: LogPart

    def __init__(self, book: LogModel, title: str) -> None:
        self.book = book
        self.row = -1
        """In hand, of the table."""
        self._title = title
        table = ListTable((tr("In words"),), self._names, self._cells, lambda: self.row, self._take)
        super().__init__(book.session, table)
        self.setAccessibleName(title)
        self._places: list[tuple[QPointF, int]] = []
        """Of what is drawn, and the row it is."""

    def _take(self, row: int) -> None:
        self.taken_row.emit(row)

    def _names(self) -> list[str]:
        return [" ".join(word for word in row if word) for row in self.book.table(self.part).rows]

    def _cells(self, row: int) -> tuple[str, ...]:
        return (" ".join(word for word in self.book.table(self.part).rows[row] if word),)

    def cell_box(self, cell: Cell) -> QRectF:
        """Around what is drawn of a row."""
        at = next((place for place, row in self._places if row == cell.row), None)
        return QRectF() if at is None else QRectF(at.x() - 8, at.y() - 8, 16, 16)

    def cell_at(self, at: QPointF) -> Cell | None:
        """The nearest thing there."""
        if not self._places:
            return None
        place, row = min(self._places, key=lambda p: (p[0] - at).manhattanLength())
        return Cell(row, 0) if (place - at).manhattanLength() < 3 * NEAR_PX else None

    def show_row(self, row: int) -> None:
        """Take a row in hand."""
        self.row = row
        self.refresh()

    def paint_still(self, painter: QPainter) -> None:
        """Draw it, or why there is nothing."""
        p = self.palette_now
        self._places = []
        if self.book.problem or not self.book.table(self.part).rows:
            words = self.book.problem or self._nothing()
            draw.paragraph(painter, QRectF(0, 20, self.width() - 20, 80), words, p.muted, size=16)
            return
        self.paint(painter)
        here = next((place for place, row in self._places if row == self.row), None)
        if here is not None:
            draw.panel(
                painter, QRectF(here.x() - 8, here.y() - 8, 16, 16), QColor(0, 0, 0, 0), p.crest
            )

    def _nothing(self) -> str:
        return tr("Nothing of this kind is in the log, or nothing that fits what is looked for.")

    def paint(self, painter: QPainter) -> None:
        """The drawing itself."""
        raise NotImplementedError


class TonightCanvas(LogCanvas):
    """A run: what was planned above what was played, and every launch and move as a stem."""

    part = "tonight"

    def paint(self, painter: QPainter) -> None:
        """Draw the two bands, the waterline and the axis."""
        run, p = self.book.run, self.palette_now
        assert run is not None
        whole = max(run.played_s, run.planned_s, 1.0)
        wide = max(10.0, self.width() - LEFT - RIGHT)
        a_second = wide / whole
        rows = {id(row): n for n, row in enumerate(in_order(run))}
        planned = 0.0
        for number, part in enumerate(run.stretches):
            shade = p.soft if number % 2 else p.panel
            box = QRectF(LEFT + planned * a_second, NAMES, part.planned_s * a_second, BAND)
            self._band(painter, box, shade, part.scene)
            planned += part.planned_s
            played = QRectF(LEFT + part.at_s * a_second, NAMES + BAND + 6,
                            part.played_s * a_second, BAND)  # fmt: skip
            self._band(painter, played, shade, part.scene)
            if not number or run.stretches[number - 1].song != part.song:
                later = (s.at_s for s in run.stretches[number:] if s.song != part.song)
                room = (next(later, whole) - part.at_s) * a_second - 8
                draw.line(painter, played.left(), 2, played.left(), played.bottom(), p.edge, 1.5)
                draw.text(painter, played.left() + 4, 13, part.song, p.muted, size=13, width=room)
            self._places.append((QPointF(played.left() + 4, played.center().y()), rows[id(part)]))
        for y, words in ((NAMES, tr("written")), (NAMES + BAND + 6, tr("played"))):
            draw.text(painter, 0, y + BAND / 2 + 5, words, p.muted, size=13)
        top, foot = NAMES + 2 * BAND + 20, self.height() - 26
        middle = (top + foot) / 2
        for y, words in ((top + 10, tr("early")), (foot, tr("late"))):
            draw.text(painter, 0, y, words, p.muted, size=13)
        draw.line(painter, LEFT, middle, LEFT + wide, middle, p.water, 2)
        for event in run.events:
            x = LEFT + event.at_s * a_second
            self._event(painter, event, rows[id(event)], x, (top, middle, foot))
        self._axis(painter, whole, a_second)

    def _band(self, painter: QPainter, box: QRectF, shade: QColor, words: str) -> None:
        p = self.palette_now
        draw.fill(painter, box.left(), box.top(), box.width(), box.height(), shade)
        draw.line(painter, box.left(), box.top(), box.left(), box.bottom(), p.rule, 1)
        if draw.text_width(words, 13) < box.width() - 8:
            draw.text(painter, box.left() + 5, box.center().y() + 5, words, p.ink, size=13)

    def _event(self, painter: QPainter, event: Event, row: int, x: float,
               ys: tuple[float, float, float]) -> None:  # fmt: skip
        p = self.palette_now
        top, middle, foot = ys
        if event.kind in ("fault", "recovery"):
            colour = p.eye if event.kind == "fault" else p.reed
            draw.line(painter, x, top, x, foot, colour, 2)
            draw.fill(painter, x - 4, foot - 8, 8, 8, colour)
            self._places.append((QPointF(x, foot - 4), row))
            return
        if event.kind not in ("launch", "move"):
            draw.line(painter, x, middle, x, middle + 7, p.edge, 2)
            self._places.append((QPointF(x, middle + 7), row))
            return
        if event.verdict == "missed":
            y = foot - 14
            draw.line(painter, x, middle, x, y, draw.see_through(p.eye, 0.5), 1)
            draw.line(painter, x - 5, y - 5, x + 5, y + 5, p.eye, 2)
            draw.line(painter, x - 5, y + 5, x + 5, y - 5, p.eye, 2)
        else:
            off = max(-MOST_OFF_MS, min(MOST_OFF_MS, event.off_ms or 0.0))
            y = middle + off / MOST_OFF_MS * (foot - middle - 14)
            wrong = event.verdict in ("late", "early")
            colour = p.sand if wrong else p.water
            draw.line(painter, x, middle, x, y, colour, 3)
            if event.kind == "move":
                draw.diamond(painter, x, y, MARK, colour if wrong else p.crest)
            else:
                draw.ring(painter, x, y, MARK, colour, p.ground)
        self._places.append((QPointF(x, y), row))

    def _axis(self, painter: QPainter, whole: float, a_second: float) -> None:
        p, y = self.palette_now, self.height() - 8
        step = next((s for s in TICKS_S if s * a_second >= LEAST_TICK_PX), TICKS_S[-1])
        for n in range(int(whole // step) + 1):
            x = LEFT + n * step * a_second
            draw.line(painter, x, y - 12, x, y - 7, p.edge, 1)
            draw.text(painter, x + 3, y, clock_text(n * step), p.muted, size=12)


class BoxesCanvas(LogCanvas):
    """A box: how late it is by itself, by date and by tempo; changes of its gear as lines."""

    part = "boxes"

    def paint(self, painter: QPainter) -> None:
        """Draw both."""
        found = self.book.box
        assert found is not None
        rows = [(n, row) for n, row in enumerate(found.rows) if row.own_ms is not None]
        if not rows:
            return
        own = [row.own_ms for _, row in rows if row.own_ms is not None]
        low, high = min(0.0, *own) - 1, max(0.0, *own) + 1
        split = LEFT + (self.width() - LEFT - RIGHT) * 0.64
        foot = self.height() - 30.0
        first, last = rows[0][1].at, rows[-1][1].at
        by_date = QRectF(LEFT, 8, split - LEFT - 40, foot - 8)
        by_bpm = QRectF(split, 8, self.width() - RIGHT - split, foot - 8)
        tempi = [row.bpm for _, row in rows]
        slow, fast = min(tempi) - 1, max(tempi) + 1
        interval = found.own
        for box in (by_date, by_bpm):
            self._frame(painter, box, low, high, interval)
        for change in found.changes:
            share = (change.at - first) / max(1.0, last - first)
            x = by_date.left() + share * by_date.width()
            draw.line(painter, x, by_date.top(), x, by_date.bottom(), self.palette_now.crest, 1)
            draw.text(painter, x + 4, by_date.top() + 12, change.words, self.palette_now.crest,
                      size=12, width=220)  # fmt: skip
        for number, row in rows:
            assert row.own_ms is not None
            share = (row.at - first) / (last - first) if last > first else 0.5
            y = by_date.bottom() - (row.own_ms - low) / (high - low) * by_date.height()
            at = QPointF(by_date.left() + share * by_date.width(), y)
            tempo_share = (row.bpm - slow) / (fast - slow)
            beside = QPointF(by_bpm.left() + tempo_share * by_bpm.width(), y)
            self._mark(painter, at, number, row.kind)
            self._mark(painter, beside, number, row.kind)
        p = self.palette_now
        for at_x, day in ((by_date.left(), first), (by_date.right() - 70, last)):
            words = datetime.fromtimestamp(day, UTC).strftime("%Y-%m-%d")
            draw.text(painter, at_x, foot + 20, words, p.muted, size=13)
        for at_x, words in ((by_bpm.left(), f"{min(tempi):g} BPM"),
                            (by_bpm.right() - 60, f"{max(tempi):g} BPM")):  # fmt: skip
            draw.text(painter, at_x, foot + 20, words, p.muted, size=13)

    def _frame(self, painter: QPainter, box: QRectF, low: float, high: float,
               interval: Sequence[float] | None) -> None:  # fmt: skip
        p = self.palette_now

        def y_of(ms: float) -> float:
            return box.bottom() - (ms - low) / (high - low) * box.height()

        draw.fill(painter, box.left(), box.top(), box.width(), box.height(), p.panel)
        if interval is not None:
            _, below, above = interval
            tall = max(2.0, y_of(below) - y_of(above))
            draw.fill(painter, box.left(), y_of(above), box.width(), tall,
                      draw.see_through(p.water, 0.22))  # fmt: skip
        draw.line(painter, box.left(), y_of(0), box.right(), y_of(0), p.water, 2)
        for ms in (low, high):
            whole = round(ms)
            if box.left() == LEFT and whole:
                y = y_of(ms) + (12 if ms == high else -2)
                draw.text(painter, 4, y, f"{whole:+d} ms", p.muted,
                          size=13)  # fmt: skip
        if box.left() == LEFT:
            draw.text(painter, 4, y_of(0) + 5, "0", p.muted, size=13)

    def _mark(self, painter: QPainter, at: QPointF, row: int, kind: str) -> None:
        p = self.palette_now
        if kind == "check":
            draw.diamond(painter, at.x(), at.y(), MARK, p.crest)
        else:
            draw.ring(painter, at.x(), at.y(), MARK, p.water, p.panel)
        self._places.append((at, row))


class ChangesCanvas(LogCanvas):
    """A change: the share of good tries, evening by evening, with its interval."""

    part = "changes"

    def paint(self, painter: QPainter) -> None:
        """Draw a post for each evening, and the level at which it is ready."""
        curve, p = self.book.curve, self.palette_now
        assert curve is not None
        foot, top = self.height() - 30.0, 14.0
        wide = self.width() - LEFT - RIGHT
        step = min(90.0, wide / max(1, len(curve.days)))

        def y_of(share: float) -> float:
            return foot - share * (foot - top)

        for share in (0.0, 0.5, 1.0):
            draw.line(painter, LEFT, y_of(share), LEFT + wide, y_of(share), p.rule, 1)
            draw.text(painter, 8, y_of(share) + 5, f"{100 * share:.0f} %", p.muted, size=13)
        draw.line(painter, LEFT, y_of(READY), LEFT + wide, y_of(READY), p.reed, 1.5)
        draw.text(painter, LEFT + wide - 150, y_of(READY) - 5, tr("ready above this"), p.reed,
                  size=13, width=150)  # fmt: skip
        before: QPointF | None = None
        shown = 1.0
        for number, day in enumerate(curve.days):
            x = LEFT + step * (number + 0.5)
            at = QPointF(x, y_of(day.share.value))
            draw.line(painter, x, y_of(day.share.low), x, y_of(day.share.high),
                      draw.see_through(p.water, 0.5), 3)  # fmt: skip
            if before is not None:
                draw.line(painter, before.x(), before.y(), x, at.y(), p.water, 1.5)
            draw.diamond(painter, x, at.y(), MARK + 1, p.crest)
            if number == 0 or x > shown:
                draw.text(painter, x - 30, foot + 20, day.day.isoformat()[2:], p.muted, size=12)
                shown = x + 66
            self._places.append((at, number))
            before = at
