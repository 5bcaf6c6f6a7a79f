"""What lies over the stations for a while: it moves nothing, and Esc puts it away."""

from __future__ import annotations

from PyQt6.QtCore import QRectF, Qt
from PyQt6.QtGui import QKeyEvent, QPainter, QPaintEvent
from PyQt6.QtWidgets import QApplication, QHBoxLayout, QLabel, QVBoxLayout, QWidget

from grebe.ui.widgets import draw
from grebe.ui.widgets.controls import Button
from grebe.ui.widgets.theme import DAY, Palette, style_sheet
from grebe.words import tr

INSET = 24


class Overlay(QWidget):
    """Covers what is under it as far as it reaches."""

    def __init__(self, parent: QWidget) -> None:
        super().__init__(parent)
        self.palette_now: Palette = DAY
        self.hide()

    def set_palette(self, palette: Palette) -> None:
        """Take the colours of a theme."""
        if palette is not self.palette_now or not self.styleSheet():
            self.palette_now = palette
            self.setStyleSheet(style_sheet(palette))
            for button in self.findChildren(Button):
                button.palette_now = palette

    def place(self) -> None:
        """Lie over the parent."""
        parent = self.parentWidget()
        if parent is not None:
            self.setGeometry(parent.rect())

    def show_over(self, palette: Palette) -> None:
        """Show it over everything, in these colours."""
        self.set_palette(palette)
        self.place()
        self.raise_()
        self.show()

    def escaped(self) -> bool:
        """Whether Esc ended something that runs on it: then it stays."""
        return False

    def focusNextPrevChild(self, next: bool) -> bool:  # noqa: A002 - Qt's own name
        """Tab goes round what is on it: nothing under it is seen."""
        begun = at = QApplication.focusWidget() or self
        while True:
            found = at.nextInFocusChain() if next else at.previousInFocusChain()
            if found is None or found is begun:
                return False
            at = found
            tabbed = at.focusPolicy().value & Qt.FocusPolicy.TabFocus.value
            own = self.isAncestorOf(at) and at.focusProxy() is None
            if tabbed and own and at.isVisible() and at.isEnabled():
                reason = Qt.FocusReason.TabFocusReason
                at.setFocus(reason if next else Qt.FocusReason.BacktabFocusReason)
                return True

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        """Plain keys end here: what lies under it is not seen, and so not worked on."""
        if event is None:
            return
        strong = Qt.KeyboardModifier.ControlModifier | Qt.KeyboardModifier.AltModifier
        function = Qt.Key.Key_F1 <= event.key() <= Qt.Key.Key_F35
        if event.modifiers() & strong or function or event.key() == Qt.Key.Key_Escape:
            super().keyPressEvent(event)
        else:
            event.accept()


class PageOverlay(Overlay):
    """A whole page: a title, a line under it, a way out, and what it is about."""

    def __init__(self, parent: QWidget, title: str) -> None:
        super().__init__(parent)
        self.setAccessibleName(title)
        self.title = QLabel(title)
        self.title.setObjectName("title")
        self.below = QLabel("")
        self.below.setWordWrap(True)
        self.head = QHBoxLayout()
        self.head.addWidget(self.title)
        self.head.addStretch(1)
        self.done = Button(tr("Close"))
        self.done.clicked.connect(self.hide)
        self.head.addWidget(self.done)
        self.column = QVBoxLayout(self)
        self.column.setContentsMargins(INSET + 24, INSET + 16, INSET + 24, INSET + 20)
        self.column.setSpacing(8)
        self.column.addLayout(self.head)
        self.column.addWidget(self.below)

    def paintEvent(self, event: QPaintEvent | None) -> None:
        """Draw the page over what is under it."""
        del event
        p = self.palette_now
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        draw.fill(painter, 0, 0, self.width(), self.height(), draw.see_through(p.ground, 0.94))
        box = QRectF(self.rect()).adjusted(INSET, INSET - 8, -INSET, -INSET + 8)
        draw.panel(painter, box, p.panel, p.edge)
