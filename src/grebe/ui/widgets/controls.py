"""Small widgets shared by the views."""

from __future__ import annotations

from collections.abc import Sequence

from PyQt6.QtCore import QRectF, QSize, Qt, pyqtSignal
from PyQt6.QtGui import (
    QKeyEvent,
    QPainter,
    QPaintEvent,
    QPen,
)
from PyQt6.QtWidgets import QLabel, QPushButton, QSizePolicy, QTabBar, QWidget

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
        cannot = bool(self.why_not) or not self.isEnabled()
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


class DrawnWords(QLabel):
    """Words drawn by hand, and read aloud as the label they are: by the accessible name."""

    def sizeHint(self) -> QSize:
        """As large as its layout likes."""
        return QSize()

    def minimumSizeHint(self) -> QSize:
        """As small as it likes."""
        return QSize()


class Heading(DrawnWords):
    """A view's title and the line under it."""

    def __init__(self, parent: QWidget | None = None) -> None:
        super().__init__(parent)
        self.title = ""
        self.below = ""
        self._taken = 0
        self.palette_now: Palette = DAY
        self.setFixedHeight(62)

    def title_width(self) -> int:
        """What the whole title takes."""
        return round(draw.text_width(self.title, 26, 600))

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
