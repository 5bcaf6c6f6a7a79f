"""The left rail: the stations in the order of work."""

from __future__ import annotations

from PyQt6.QtCore import QPointF, QRectF, QSize, Qt, pyqtSignal
from PyQt6.QtGui import QFocusEvent, QKeyEvent, QMouseEvent, QPainter, QPaintEvent, QWheelEvent
from PyQt6.QtWidgets import QSizePolicy, QTabBar, QVBoxLayout, QWidget

from grebe.app.actions.model import STATION_AT, STATION_NUMBERS, station_name
from grebe.app.live.session import Session
from grebe.ui.widgets import draw
from grebe.ui.widgets.guard import TouchGuard
from grebe.ui.widgets.theme import DAY, Palette
from grebe.words import tr

RAIL_WIDTH = 84
ROW = 58
TOP = 62

TOOLS = STATION_NUMBERS["tools"]
"""Stands apart, at the foot of the rail."""


class StationTabs(QTabBar):
    """The stations as tabs: Qt's own for a screen reader, painted by us."""

    chosen = pyqtSignal(int)

    def __init__(self, session: Session) -> None:
        super().__init__()
        self._guard = TouchGuard(session)
        self.badges: dict[int, int] = {}
        self.palette_now: Palette = DAY
        self._told = False
        self.setShape(QTabBar.Shape.RoundedWest)
        self.setDrawBase(False)
        self.setExpanding(False)
        self.setUsesScrollButtons(False)
        self.setSizePolicy(QSizePolicy.Policy.Fixed, QSizePolicy.Policy.Expanding)
        self.setFocusPolicy(Qt.FocusPolicy.TabFocus)
        self.setAccessibleName(tr("Stations"))
        for station, number in STATION_NUMBERS.items():
            self.setTabData(self.addTab(station_name(station)), number)
        self.pointed = self.number_at(0)
        """The station that Enter would show, while the rail has the focus."""
        self.currentChanged.connect(self._changed)

    def number_at(self, index: int) -> int:
        """The number of the station with a tab."""
        return int(self.tabData(index))

    def tabSizeHint(self, index: int) -> QSize:
        """All alike but the last, whose name stands at the foot."""
        rest = self.height() - (len(STATION_NUMBERS) - 1) * ROW
        return QSize(RAIL_WIDTH, max(ROW, rest) if index == len(STATION_NUMBERS) - 1 else ROW)

    def minimumSizeHint(self) -> QSize:
        """Every station can be seen."""
        return QSize(RAIL_WIDTH, len(STATION_NUMBERS) * ROW)

    def sizeHint(self) -> QSize:
        """The same; it is given all the height there is."""
        return self.minimumSizeHint()

    def show_current(self, number: int) -> None:
        """Mark the station shown."""
        self._told = True
        self.setCurrentIndex(number - 1)
        self._told = False
        self.update()

    def set_badge(self, number: int, count: int) -> None:
        """How many things a station has to say."""
        if self.badges.get(number, 0) == count:
            return
        self.badges[number] = count
        index = number - 1
        name = station_name(STATION_AT[number])
        words = tr("{name}, {count} to look at", name=name, count=count) if count else name
        self.setTabText(index, words)
        self.update()

    def _changed(self, index: int) -> None:
        """Chosen by a screen reader: it is shown."""
        if not self._told:
            self.chosen.emit(self.number_at(index))

    def focusInEvent(self, event: QFocusEvent | None) -> None:
        """Begin at the station shown."""
        self.pointed = self.number_at(self.currentIndex())
        super().focusInEvent(event)

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        """Up and down point, Enter or Space shows."""
        if event is None:
            return
        numbers = list(STATION_AT)
        at, moves = numbers.index(self.pointed), {Qt.Key.Key_Up: -1, Qt.Key.Key_Down: 1}
        if event.key() in moves:
            to = at + moves[Qt.Key(event.key())]
            self.pointed = numbers[max(0, min(len(numbers) - 1, to))]
            self.update()
        elif event.key() in (Qt.Key.Key_Return, Qt.Key.Key_Enter, Qt.Key.Key_Space):
            self.chosen.emit(self.pointed)
        else:
            event.ignore()

    def wheelEvent(self, event: QWheelEvent | None) -> None:
        """Turning the wheel changes nothing here."""
        if event is not None:
            event.ignore()

    def mousePressEvent(self, event: QMouseEvent | None) -> None:
        """A click chooses a station; on Stage it has to be held."""
        if event is not None and self._guard.press(event.position()):
            self._touch(event.position())

    def mouseReleaseEvent(self, event: QMouseEvent | None) -> None:
        """The end of a touch."""
        if event is not None and self._guard.release(event.position()):
            self._touch(event.position())

    def _touch(self, at: QPointF) -> None:
        index = self.tabAt(at.toPoint())
        low = index == len(STATION_NUMBERS) - 1 and at.y() < self.height() - ROW - 8
        if index >= 0 and not low:
            self.chosen.emit(self.number_at(index))

    def _top(self, index: int) -> float:
        """Where a station's words begin."""
        if self.number_at(index) == TOOLS:
            return self.height() - ROW - 8
        return index * ROW

    def paintEvent(self, event: QPaintEvent | None) -> None:
        """Draw the stations."""
        del event
        p = self.palette_now
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        middle, shown = self.width() / 2, self.number_at(self.currentIndex())
        for index, (number, station) in enumerate(STATION_AT.items()):
            y = self._top(index)
            here = number == shown
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
                painter, middle, y + 42, station_name(station), colour,
                size=16, weight=weight, align=draw.CENTRE,
            )  # fmt: skip
            count = self.badges.get(number, 0)
            if count:
                draw.panel(painter, QRectF(self.width() - 24, y + 6, 17, 15), p.sand)
                draw.text(
                    painter, self.width() - 15.5, y + 18, str(count), p.ground,
                    size=12, weight=600, align=draw.CENTRE,
                )  # fmt: skip


class Rail(QWidget):
    """The name over the stations."""

    def __init__(self, session: Session, parent: QWidget | None = None) -> None:
        super().__init__(parent)
        self.tabs = StationTabs(session)
        self.chosen = self.tabs.chosen
        self.current = self.tabs.number_at(0)
        self.palette_now: Palette = DAY
        self.setFixedWidth(RAIL_WIDTH)
        column = QVBoxLayout(self)
        column.setContentsMargins(0, TOP, 0, 0)
        column.addWidget(self.tabs)

    @property
    def badges(self) -> dict[int, int]:
        """How many things each station has to say."""
        return self.tabs.badges

    def set_palette(self, palette: Palette) -> None:
        """Take the colours of a theme."""
        self.palette_now = self.tabs.palette_now = palette
        self.update()
        self.tabs.update()

    def show_current(self, number: int) -> None:
        """Mark the station shown."""
        self.current = number
        self.tabs.show_current(number)

    def set_badge(self, number: int, count: int) -> None:
        """How many things a station has to say."""
        self.tabs.set_badge(number, count)

    def paintEvent(self, event: QPaintEvent | None) -> None:
        """Draw the ground and the name."""
        del event
        p = self.palette_now
        painter = QPainter(self)
        draw.fill(painter, 0, 0, self.width(), self.height(), p.panel)
        draw.line(painter, self.width() - 1, 0, self.width() - 1, self.height(), p.rule, 2)
        draw.text(painter, self.width() / 2, 34, "grebe", p.crest, size=20, weight=700,
                  align=draw.CENTRE)  # fmt: skip
