"""Words that go along with the pointer while something is dragged: what it will become."""

from __future__ import annotations

from PyQt6.QtCore import QPointF, QRectF, Qt
from PyQt6.QtGui import QPainter, QPaintEvent
from PyQt6.QtWidgets import QWidget

from grebe.ui.widgets import draw
from grebe.ui.widgets.theme import DAY, Palette

SIZE = 16
HIGH = 30
AWAY = 18
"""From the pointer, so that a finger does not hide them."""


class LiveWords(QWidget):
    """A line on a small surface, inside the view that it belongs to."""

    def __init__(self, room: QWidget) -> None:
        super().__init__(room)
        self.words = ""
        self._palette_now: Palette = DAY
        self.setAttribute(Qt.WidgetAttribute.WA_TransparentForMouseEvents)
        self.hide()

    def set_palette(self, palette: Palette) -> None:
        """Take the colours of a theme."""
        self._palette_now = palette

    def show_at(self, words: str, at: QPointF) -> None:
        """Say this beside the pointer; "" says nothing."""
        self.words = words
        room = self.parentWidget()
        if not words or room is None:
            self.hide()
            return
        wide = round(draw.text_width(words, SIZE, 600)) + 20
        x = round(at.x()) + AWAY
        if x + wide > room.width():
            x = round(at.x()) - AWAY - wide
        y = round(at.y()) - AWAY - HIGH
        self.setGeometry(max(0, x), y if y > 0 else round(at.y()) + AWAY, wide, HIGH)
        self.show()
        self.raise_()
        self.update()

    def paintEvent(self, event: QPaintEvent | None) -> None:
        """Draw them."""
        del event
        p = self._palette_now
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        box = QRectF(self.rect()).adjusted(1, 1, -1, -1)
        draw.panel(painter, box, p.panel, p.crest, width=1.5)
        draw.text(painter, 10, 20, self.words, p.ink, size=SIZE, weight=600)
