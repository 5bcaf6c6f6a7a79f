"""Small widgets shared by the views."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Protocol, runtime_checkable

from PyQt6.QtCore import QEvent, QPoint, QPointF, QRectF, QSize, Qt, pyqtSignal
from PyQt6.QtGui import (
    QContextMenuEvent,
    QKeyEvent,
    QMouseEvent,
    QPainter,
    QPaintEvent,
    QPen,
    QPixmap,
)
from PyQt6.QtWidgets import QPushButton, QSizePolicy, QTabBar, QWidget

from grebe.app.live.session import Session
from grebe.ui.widgets import draw
from grebe.ui.widgets.theme import CORNER, DAY, Palette, font
from grebe.words import tr

SHEET_WIDTH = 292


class Button(QPushButton):
    """A button: words in an edge on a soft surface; filled when it is the first thing to do here,
    dashed while it cannot be done. A click leaves the focus where it is."""

    def __init__(self, words: str, *, primary: bool = False, parent: QWidget | None = None) -> None:
        super().__init__(words, parent)
        self.primary = primary
        self.why_not = ""
        """Why it cannot be done now; it can be pressed all the same, and says so."""
        self.palette_now: Palette = DAY
        self.setFocusPolicy(Qt.FocusPolicy.TabFocus)
        self.setSizePolicy(QSizePolicy.Policy.Fixed, QSizePolicy.Policy.Fixed)
        self.setCursor(Qt.CursorShape.PointingHandCursor)
        self.setAccessibleName(words)

    @property
    def words(self) -> str:
        """What it says."""
        return self.text()

    def sizeHint(self) -> QSize:
        """Room for the words."""
        return QSize(round(draw.text_width(self.text(), 14, 600)) + 28, 30)

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        """Enter presses it as Space does."""
        if event is not None and event.key() in (Qt.Key.Key_Return, Qt.Key.Key_Enter):
            self.click()
        else:
            super().keyPressEvent(event)

    def paintEvent(self, event: QPaintEvent | None) -> None:
        """Draw it."""
        del event
        p = self.palette_now
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        box = QRectF(self.rect()).adjusted(1.5, 1.5, -1.5, -1.5)
        cannot = bool(self.why_not)
        filled = self.primary and not cannot
        pen = QPen(p.crest if self.hasFocus() else p.water if filled else p.edge,
                   3 if self.hasFocus() else 1.2)  # fmt: skip
        if cannot and not self.hasFocus():
            pen.setStyle(Qt.PenStyle.DashLine)
        painter.setPen(pen)
        surface = p.rule if self.isDown() else p.soft
        painter.setBrush(p.water if filled else Qt.BrushStyle.NoBrush if cannot else surface)
        painter.drawRoundedRect(box, CORNER, CORNER)
        colour = p.on_water if filled else p.muted if cannot else p.ink
        draw.text(
            painter, box.center().x(), box.center().y() + 5, self.text(), colour,
            size=14, weight=600, align=draw.CENTRE,
        )  # fmt: skip


class Tabs(QTabBar):
    """The parts of a station by name, with a line under the one that is shown."""

    asked = pyqtSignal(int)
    """A part was chosen by hand."""

    def __init__(self, names: Sequence[str]) -> None:
        super().__init__()
        self.setDrawBase(False)
        self.setExpanding(False)
        self.setFocusPolicy(Qt.FocusPolicy.TabFocus)
        self.setUsesScrollButtons(False)
        self.setAccessibleName(tr("Parts"))
        self.setFont(font(16, 600))
        for name in names:
            self.addTab(name)
        self.currentChanged.connect(self._changed)
        self._told = False

    def _changed(self, index: int) -> None:
        if not self._told:
            self.asked.emit(index)

    def show_part(self, index: int) -> None:
        """Another part is shown."""
        self._told = True
        self.setCurrentIndex(index)
        self._told = False


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


class Canvas(QWidget):
    """A drawn view: a still layer kept as a picture, and what moves drawn over it.

    `paint_still` runs only after `refresh`, a resize or a change of theme.
    """

    def __init__(self, session: Session, parent: QWidget | None = None) -> None:
        super().__init__(parent)
        self.session = session
        self.palette_now: Palette = DAY
        self._still = QPixmap()
        self._stale = True
        self.setSizePolicy(QSizePolicy.Policy.Expanding, QSizePolicy.Policy.Expanding)
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)

    def set_palette(self, palette: Palette) -> None:
        """Take the colours of a theme."""
        self.palette_now = palette
        self.refresh()

    def event(self, event: QEvent | None) -> bool:
        """Only the left button edits: another one opens the menu of what is under it."""
        pressed = (
            QEvent.Type.MouseButtonPress, QEvent.Type.MouseButtonRelease,
            QEvent.Type.MouseButtonDblClick,
        )  # fmt: skip
        if (
            isinstance(event, QMouseEvent) and event.type() in pressed
            and event.button() != Qt.MouseButton.LeftButton
        ):  # fmt: skip
            event.ignore()
            return False
        return super().event(event)

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        """A key is an action, before anything that scrolls around the drawing has it."""
        window = self.window()
        if event is not None and isinstance(window, TakesKeys) and window.take_key(event):
            event.accept()
        else:
            super().keyPressEvent(event)

    picked = ""
    """The kind of thing that `pick` found, where that is not the nearest of what is in hand."""

    def pick(self, at: QPointF, *, selects: bool = False) -> bool:
        """Take what is under a point in hand, without any edit; whether there is something.

        `selects`: up to there, from what was in hand. Views override it.
        """
        del at, selects
        return False

    def contextMenuEvent(self, event: QContextMenuEvent | None) -> None:
        """The menu of what is under the pointer, or, by key, of what is in hand."""
        open_menu(self, event)

    def refresh(self) -> None:
        """What stands still has changed: draw it anew."""
        self._stale = True
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
        painter = QPainter(self)
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

    def __init__(self, session: Session, parent: QWidget | None = None) -> None:
        super().__init__(session, parent)
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


class Heading(QWidget):
    """A view's title and the line under it."""

    def __init__(self, parent: QWidget | None = None) -> None:
        super().__init__(parent)
        self.title = ""
        self.below = ""
        self._taken = 0
        self.palette_now: Palette = DAY
        self.setFixedHeight(62)

    def leave_room(self, width: int) -> None:
        """Buttons stand over the right end of the title, so wide."""
        if width != self._taken:
            self._taken = width
            self.update()

    def say(self, title: str, below: str) -> None:
        """Other words."""
        if (title, below) != (self.title, self.below):
            self.title, self.below = title, below
            self.setAccessibleName(f"{title}. {below}")
            self.update()

    def paintEvent(self, event: QPaintEvent | None) -> None:
        """Draw both lines."""
        del event
        p = self.palette_now
        painter = QPainter(self)
        width = float(self.width())
        draw.text(painter, 0, 30, self.title, p.ink, size=26, weight=600,
                  width=max(80.0, width - self._taken - 12))  # fmt: skip
        draw.text(painter, 0, 54, self.below, p.muted, size=14, width=width)
