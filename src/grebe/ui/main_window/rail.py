"""The left rail: the stations in the order of work."""

from __future__ import annotations

from PyQt6.QtCore import QPointF, QRectF, Qt, pyqtSignal
from PyQt6.QtGui import QFocusEvent, QKeyEvent, QMouseEvent, QPainter, QPaintEvent
from PyQt6.QtWidgets import QWidget

from grebe.app.live.session import Session
from grebe.ui.widgets import draw
from grebe.ui.widgets.guard import TouchGuard
from grebe.ui.widgets.theme import DAY, Palette
from grebe.words import tr

RAIL_WIDTH = 84
ROW = 58
TOP = 62

STATIONS: tuple[tuple[int, str], ...] = (
    (1, "Rig"),
    (2, "Sync"),
    (3, "Patterns"),
    (4, "Scenes"),
    (5, "Song"),
    (6, "Set"),
    (7, "Stage"),
    (9, "Tools"),
)
"""Number (also its key with Ctrl) and name. Numbers keep to the whole order of work."""
TOOLS = 9
"""Stands apart, at the foot of the rail."""


class Rail(QWidget):
    """The rail."""

    chosen = pyqtSignal(int)

    def __init__(self, session: Session, parent: QWidget | None = None) -> None:
        super().__init__(parent)
        self._guard = TouchGuard(session)
        self.current = STATIONS[0][0]
        self.badges: dict[int, int] = {}
        self.palette_now: Palette = DAY
        self.setFixedWidth(RAIL_WIDTH)
        self.setFocusPolicy(Qt.FocusPolicy.TabFocus)
        self.pointed = self.current
        """The station that Enter would show, while the rail has the focus."""
        self.setAccessibleName(tr("Stations"))

    def focusInEvent(self, event: QFocusEvent | None) -> None:
        """Begin at the station shown."""
        self.pointed = self.current
        super().focusInEvent(event)

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        """Up and down point, Enter or Space shows."""
        if event is None:
            return
        numbers = [number for number, _ in STATIONS]
        at, moves = numbers.index(self.pointed), {Qt.Key.Key_Up: -1, Qt.Key.Key_Down: 1}
        if event.key() in moves:
            to = at + moves[Qt.Key(event.key())]
            self.pointed = numbers[max(0, min(len(numbers) - 1, to))]
            self.update()
        elif event.key() in (Qt.Key.Key_Return, Qt.Key.Key_Enter, Qt.Key.Key_Space):
            self.chosen.emit(self.pointed)
        else:
            super().keyPressEvent(event)

    def show_current(self, number: int) -> None:
        """Mark the station shown."""
        self.current = number
        self.update()

    def set_badge(self, number: int, count: int) -> None:
        """How many things a station has to say."""
        if self.badges.get(number, 0) != count:
            self.badges[number] = count
            self.update()

    def mousePressEvent(self, event: QMouseEvent | None) -> None:
        """A click chooses a station; on Stage it has to be held."""
        if event is not None and self._guard.press(event.position()):
            self._touch(event.position())

    def mouseReleaseEvent(self, event: QMouseEvent | None) -> None:
        """The end of a touch."""
        if event is not None and self._guard.release(event.position()):
            self._touch(event.position())

    def _touch(self, at: QPointF) -> None:
        for index, (number, _) in enumerate(STATIONS):
            if 0 <= at.y() - self._top(index) < ROW:
                self.chosen.emit(number)

    def _top(self, index: int) -> float:
        """Where a station's row begins."""
        if STATIONS[index][0] == TOOLS:
            return self.height() - ROW - 8
        return TOP + index * ROW

    def paintEvent(self, event: QPaintEvent | None) -> None:
        """Draw the rail."""
        del event
        p = self.palette_now
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        draw.fill(painter, 0, 0, self.width(), self.height(), p.panel)
        draw.line(painter, self.width() - 1, 0, self.width() - 1, self.height(), p.rule, 2)
        middle = self.width() / 2
        draw.text(painter, middle, 34, "grebe", p.crest, size=20, weight=700, align=draw.CENTRE)
        for index, (number, name) in enumerate(STATIONS):
            y = self._top(index)
            here = number == self.current
            if here:
                draw.fill(painter, 0, y, self.width() - 1, ROW - 4, p.soft)
                draw.fill(painter, 0, y, 4, ROW - 4, p.crest)
            if self.hasFocus() and number == self.pointed:
                box = QRectF(3, y + 2, self.width() - 8, ROW - 8)
                draw.panel(painter, box, p.soft if here else p.panel, p.crest, width=2)
            if number != TOOLS:
                draw.text(painter, middle, y + 20, str(number), p.muted, size=12, align=draw.CENTRE)
            colour, weight = (p.ink, 600) if here else (p.muted, 400)
            draw.text(
                painter, middle, y + 42, tr(name), colour, size=16, weight=weight, align=draw.CENTRE
            )
            count = self.badges.get(number, 0)
            if count:
                draw.panel(painter, QRectF(self.width() - 24, y + 6, 17, 15), p.sand)
                colour = p.ground
                draw.text(
                    painter, self.width() - 15.5, y + 18, str(count), colour,
                    size=12, weight=600, align=draw.CENTRE,
                )  # fmt: skip
