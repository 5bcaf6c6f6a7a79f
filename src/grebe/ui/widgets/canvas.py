"""What is drawn: a table of Qt's that paints itself, is dragged, touched and read aloud."""

from __future__ import annotations

from typing import Protocol, runtime_checkable

from PyQt6.QtCore import QEvent, QPoint, QPointF, Qt, QTimer
from PyQt6.QtCore import pyqtSignal as Signal
from PyQt6.QtGui import (
    QContextMenuEvent,
    QDragEnterEvent,
    QDragMoveEvent,
    QDropEvent,
    QHelpEvent,
    QKeyEvent,
    QMouseEvent,
    QPainter,
    QPaintEvent,
    QPixmap,
    QTouchEvent,
    QWheelEvent,
)
from PyQt6.QtWidgets import (
    QSizePolicy,
    QToolTip,
    QWidget,
)

from grebe.app.live.session import Session
from grebe.app.tables.table import NoTable, Table
from grebe.ui.widgets import draw
from grebe.ui.widgets.cell_view import CellView
from grebe.ui.widgets.drags import Drag, Held
from grebe.ui.widgets.live_words import LiveWords
from grebe.ui.widgets.theme import DAY, Palette
from grebe.ui.widgets.touch import Touches

DRAG_PX = 4.0
"""A pointer that moved less than this has clicked."""
EDGE_PX = 28.0
"""So near the edge a drag scrolls what is seen."""
EDGE_EVERY_MS = 60
WHEEL_STEP = 120
"""Of Qt: a notch of a wheel is an eighth of a degree times this."""
ZOOM_STEP = 1.25
"""By a notch of the wheel with Ctrl."""
TOUCHES = (
    QEvent.Type.TouchBegin, QEvent.Type.TouchUpdate, QEvent.Type.TouchEnd, QEvent.Type.TouchCancel,
)  # fmt: skip
PRESSES = (
    QEvent.Type.MouseButtonPress, QEvent.Type.MouseButtonRelease, QEvent.Type.MouseButtonDblClick,
)  # fmt: skip


@runtime_checkable
class TakesKeys(Protocol):
    """A window that knows what keys do."""

    def take_key(self, event: QKeyEvent) -> bool:
        """Do what a key over a canvas does; whether it does anything."""

    def open_thing_menu(self, at: QPoint, *, in_hand: bool, kind: str = "") -> None:
        """Open the menu of the thing in hand at a place on the screen, or of the whole station;
        `kind` of it was pointed at."""


@runtime_checkable
class Picks(Protocol):
    """What is drawn and can be taken in hand by pointing."""

    def pick(self, at: QPointF, *, selects: bool = False) -> bool:
        """Take what is under a point in hand, without any edit; whether there is something."""


def open_menu(widget: QWidget, event: QContextMenuEvent | None) -> None:
    """Open the menu of what is under the pointer, or, by key, of what is in hand."""
    window = widget.window()
    if event is None or not isinstance(window, TakesKeys) or not isinstance(widget, Picks):
        return
    by_key = event.reason() == QContextMenuEvent.Reason.Keyboard
    found = by_key or widget.pick(QPointF(event.pos()))
    kind = widget.picked if isinstance(widget, Canvas) and not by_key else ""
    window.open_thing_menu(event.globalPos(), in_hand=found, kind=kind)


class Canvas(CellView):
    """A drawn view: a still layer kept as a picture, and what moves drawn over it.

    `paint_still` runs only after `refresh`, a resize or a change of theme. A press is given to
    `grip`, which says what it takes hold of; the rest of a drag is the same everywhere.
    """

    asked = Signal(str)
    """An action that a gesture stands for, such as a double click."""

    def __init__(self, session: Session, table: Table | None = None) -> None:
        super().__init__(table or NoTable())
        self.session = session
        self.palette_now: Palette = DAY
        self._still = QPixmap()
        self._stale = True
        self._drag: Drag | None = None
        self._from = self._at = QPointF()
        self._dragged = False
        self._live = LiveWords(self.surface)
        self._touches = Touches(self)
        self._edge = QTimer(self)
        self._edge.setInterval(EDGE_EVERY_MS)
        self._edge.timeout.connect(self._at_edge)
        self.surface.setAttribute(Qt.WidgetAttribute.WA_AcceptTouchEvents)
        self.setSizePolicy(QSizePolicy.Policy.Expanding, QSizePolicy.Policy.Expanding)
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)

    def set_palette(self, palette: Palette) -> None:
        """Take the colours of a theme."""
        self.palette_now = palette
        self._live.set_palette(palette)
        self.refresh()

    # What the pointer does: views override these

    picked = ""
    """The kind of thing that `pick` found, where that is not the nearest of what is in hand."""
    by_double = "settings"
    """The action that a double click on a thing stands for."""

    def pick(self, at: QPointF, *, selects: bool = False) -> bool:
        """Take what is under a point in hand, without any edit; whether there is something.

        `selects`: up to there, from what was in hand, where more than one thing can be.
        """
        del selects
        cell = self.cell_at(at)
        if cell is not None:
            self.cells.table.take(*cell)
        return cell is not None

    def grip(self, at: QPointF, held: Held) -> Drag | None:
        """A press: take in hand what is there, and say what can be dragged by it."""
        self.pick(at, selects=bool(held & Held.ShiftModifier))
        return None

    def double(self, at: QPointF) -> None:
        """A double click does `by_double` with what is there."""
        if self.pick(at):
            self.asked.emit(self.by_double)

    def shape_at(self, at: QPointF, held: Held) -> Qt.CursorShape:
        """The form of the pointer there: what a drag from there would do."""
        del at, held
        return Qt.CursorShape.ArrowCursor

    def known_at(self, at: QPointF) -> str:
        """What is known of what is under a resting pointer, in words."""
        cell = self.cell_at(at)
        return "" if cell is None else self.cells.table.words(*cell)

    def scroll_by(self, across: float, down: float) -> None:
        """Other parts of it are seen; in notches of a wheel, to the right and down."""

    def zoom_at(self, at: QPointF, by: float) -> None:
        """See more of it (`by` above 1) or less, with what is under the point staying there."""

    # What the pointer does: the same everywhere

    def mousePressEvent(self, e: QMouseEvent | None) -> None:
        """Take hold of what is there."""
        if e is not None:
            self.press(e.position(), e.modifiers())

    def mouseMoveEvent(self, e: QMouseEvent | None) -> None:
        """Drag it, or show what could be."""
        if e is not None:
            self.move_to(e.position(), e.modifiers())

    def mouseReleaseEvent(self, e: QMouseEvent | None) -> None:
        """Let it go."""
        if e is not None:
            self.release(e.position())

    def mouseDoubleClickEvent(self, e: QMouseEvent | None) -> None:
        """The second click of two."""
        if e is not None:
            self.double(e.position())

    def from_screen(self, at: QPointF) -> QPointF:
        """A place of the screen, here."""
        return self.surface.mapFromGlobal(at)

    def press(self, at: QPointF, held: Held) -> None:
        """A finger or a button is down."""
        self.setFocus()
        self._from = self._at = QPointF(at)
        self._dragged = False
        self._drag = self.grip(at, held)

    def move_to(self, at: QPointF, held: Held) -> None:
        """The pointer is there."""
        if self._drag is None:
            self.surface.setCursor(self.shape_at(at, held))
            return
        if not self._dragged and (at - self._from).manhattanLength() < DRAG_PX:
            return
        self._dragged, self._at, self._held = True, QPointF(at), held
        self._live.show_at(self._drag.move(at, held), at)
        near = min(at.x(), self.width() - at.x(), at.y(), self.height() - at.y())
        if near < EDGE_PX and not self._edge.isActive():
            self._edge.start()

    def release(self, at: QPointF) -> None:
        """The finger or the button is up."""
        del at
        drag, self._drag = self._drag, None
        self._end_drag()
        if drag is not None:
            drag.drop()
            self.refresh()

    def take_drag_back(self) -> bool:
        """Esc while something is dragged: it was not meant. Whether anything was."""
        drag, self._drag = self._drag, None
        self._end_drag()
        if drag is not None:
            drag.take_back()
            self.refresh()
        return drag is not None

    def _end_drag(self) -> None:
        self._live.hide()
        self._edge.stop()

    def _at_edge(self) -> None:
        """A drag rests at the edge: what lies beyond comes into sight, and is dragged over."""
        right = (self._at.x() > self.width() - EDGE_PX) - (self._at.x() < EDGE_PX)
        low = (self._at.y() > self.height() - EDGE_PX) - (self._at.y() < EDGE_PX)
        if self._drag is None or not (right or low):
            self._edge.stop()
            return
        self.scroll_by(right, low)
        self._live.show_at(self._drag.move(self._at, self._held), self._at)

    def wheelEvent(self, e: QWheelEvent | None) -> None:
        """Scroll; with Ctrl zoom at the pointer, with Shift scroll across."""
        if e is None:
            return
        turned, across = e.angleDelta().y() / WHEEL_STEP, e.angleDelta().x() / WHEEL_STEP
        if e.modifiers() & Held.ControlModifier:
            self.zoom_at(e.position(), ZOOM_STEP ** -(turned or across))
        elif e.modifiers() & Held.ShiftModifier:
            self.scroll_by(-(turned or across), 0)
        else:
            self.scroll_by(-across, -turned)
        e.accept()

    def dragEnterEvent(self, e: QDragEnterEvent | None) -> None:
        """What is dragged from elsewhere is the window's, unless a view takes it."""
        if e is not None:
            e.ignore()

    def dragMoveEvent(self, e: QDragMoveEvent | None) -> None:
        """As it was when it came in."""

    def dropEvent(self, e: QDropEvent | None) -> None:
        """What is dropped is the window's, unless a view takes it."""
        if e is not None:
            e.ignore()

    def viewportEvent(self, event: QEvent | None) -> bool:
        """Only the left button edits: another one opens the menu of what is under it."""
        if event is None:
            return False
        kind = event.type()
        if kind in PRESSES and isinstance(event, QMouseEvent):
            if event.button() != Qt.MouseButton.LeftButton:
                event.ignore()
                return False
        elif kind == QEvent.Type.ToolTip and isinstance(event, QHelpEvent):
            words = "" if self._drag is not None else self.known_at(QPointF(event.pos()))
            QToolTip.showText(event.globalPos(), words, self.surface)
            return True
        elif kind in TOUCHES and isinstance(event, QTouchEvent):
            return self._touches.take(event)
        return super().viewportEvent(event)

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        """A key is an action, before anything that scrolls around the drawing has it."""
        if event is None:
            return
        window = self.window()
        took = event.key() == Qt.Key.Key_Escape and self.take_drag_back()
        if took or (isinstance(window, TakesKeys) and window.take_key(event)):
            event.accept()
        else:
            event.ignore()

    def keyReleaseEvent(self, event: QKeyEvent | None) -> None:
        """The window's."""
        if event is not None:
            event.ignore()

    def contextMenuEvent(self, event: QContextMenuEvent | None) -> None:
        """The menu of what is under the pointer, or, by key, of what is in hand."""
        open_menu(self, event)

    # Drawing

    def refresh(self) -> None:
        """What stands still has changed: draw it anew."""
        self._stale = True
        self.follow_table()
        self.update()

    def resizeEvent(self, event: object) -> None:
        """Another size: draw anew."""
        del event
        self._stale = True

    def paintEvent(self, event: QPaintEvent | None) -> None:
        """Draw the still layer from its picture, then what moves."""
        ratio = self.devicePixelRatioF()
        if self._stale:
            self._stale = False
            if self._still.size() != self.size() * ratio:  # a new one costs milliseconds
                self._still = QPixmap(self.size() * ratio)
                self._still.setDevicePixelRatio(ratio)
            self._still.fill(self.palette_now.ground)
            painter = QPainter(self._still)
            painter.setRenderHint(QPainter.RenderHint.Antialiasing)
            self.paint_still(painter)
            painter.end()
        painter = QPainter(self.surface)
        if event is not None:
            painter.setClipRect(event.rect())
        painter.drawPixmap(QPointF(0, 0), self._still)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        self.paint_moving(painter)

    def paint_still(self, painter: QPainter) -> None:
        """Draw what changes only with the document. Views override it."""

    def paint_moving(self, painter: QPainter) -> None:
        """Draw what moves. Views override it."""


class PlayheadCanvas(Canvas):
    """A canvas whose moving part is one playhead: only its strip is repainted."""

    def __init__(self, session: Session, table: Table | None = None) -> None:
        super().__init__(session, table)
        self._shown_x: float | None = None

    def playhead_x(self) -> float | None:
        """Where the playhead stands now; None for nowhere. Views override it."""
        return None

    def playhead_span(self) -> tuple[float, float]:
        """Top and bottom of the playhead. Views override it."""
        return 0.0, float(self.height())

    def move_playhead(self) -> None:
        """Repaint the strips where the playhead was and is."""
        x = self.playhead_x()
        if x == self._shown_x:
            return
        for at in (self._shown_x, x):
            if at is not None:
                self.update(round(at) - 3, 0, 7, self.height())
        self._shown_x = x

    def paint_moving(self, painter: QPainter) -> None:
        """Draw the playhead."""
        self._shown_x = self.playhead_x()
        if self._shown_x is not None:
            top, bottom = self.playhead_span()
            draw.playhead(painter, self.palette_now, self._shown_x, top, bottom)
