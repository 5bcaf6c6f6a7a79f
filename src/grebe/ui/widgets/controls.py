"""Small widgets shared by the views."""

from __future__ import annotations

from PyQt6.QtCore import QPointF, QRectF, QSize, Qt, pyqtSignal
from PyQt6.QtGui import QKeyEvent, QMouseEvent, QPainter, QPaintEvent, QPixmap
from PyQt6.QtWidgets import QSizePolicy, QWidget

from grebe.app.live.session import Session
from grebe.ui.widgets import draw
from grebe.ui.widgets.theme import DAY, Palette

SHEET_WIDTH = 248


class Pill(QWidget):
    """A button: words in a rounded outline, filled when it is the first thing to do here."""

    clicked = pyqtSignal()

    def __init__(self, words: str, *, primary: bool = False, parent: QWidget | None = None) -> None:
        super().__init__(parent)
        self.words = words
        self.primary = primary
        self.palette_now: Palette = DAY
        self.setFocusPolicy(Qt.FocusPolicy.TabFocus)
        self.setSizePolicy(QSizePolicy.Policy.Fixed, QSizePolicy.Policy.Fixed)
        self.setCursor(Qt.CursorShape.PointingHandCursor)
        self.setAccessibleName(words)

    def set_words(self, words: str) -> None:
        """Other words on the button."""
        self.words = words
        self.setAccessibleName(words)
        self.updateGeometry()
        self.update()

    def sizeHint(self) -> QSize:
        """Room for the words."""
        return QSize(round(draw.text_width(self.words, 14, 600)) + 28, 28)

    def mouseReleaseEvent(self, event: QMouseEvent | None) -> None:
        """A click counts when it ends inside."""
        if event is not None and self.rect().contains(event.position().toPoint()):
            self.clicked.emit()

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        """Enter presses it; Space is always run and stop."""
        if event is None:
            return
        if event.key() in (Qt.Key.Key_Return, Qt.Key.Key_Enter):
            self.clicked.emit()
        else:
            super().keyPressEvent(event)

    def paintEvent(self, event: QPaintEvent | None) -> None:
        """Draw the pill."""
        del event
        p = self.palette_now
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        box = QRectF(self.rect()).adjusted(1, 1, -1, -1)
        edge = p.crest if self.hasFocus() else p.water
        painter.setPen(edge)
        painter.setBrush(p.water if self.primary else Qt.BrushStyle.NoBrush)
        painter.drawRoundedRect(box, box.height() / 2, box.height() / 2)
        colour = p.on_water if self.primary else p.water
        draw.text(
            painter, box.center().x(), box.center().y() + 5, self.words, colour,
            size=14, weight=600, align=draw.CENTRE,
        )  # fmt: skip


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
        self.palette_now: Palette = DAY
        self.setFixedHeight(62)

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
        draw.text(painter, 0, 30, self.title, p.ink, size=26, weight=600, width=width)
        draw.text(painter, 0, 54, self.below, p.muted, size=14, width=width)
