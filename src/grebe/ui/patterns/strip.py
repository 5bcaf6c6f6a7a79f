"""All patterns by device, in a line or two of words: where to go."""

from __future__ import annotations

from PyQt6.QtCore import QRectF, pyqtSignal
from PyQt6.QtGui import QMouseEvent, QPainter, QPaintEvent
from PyQt6.QtWidgets import QWidget

from grebe.app.session import Session
from grebe.ui import draw
from grebe.ui.theme import DAY, Palette

ROW = 24.0
SPACE = 14.0


class PatternStrip(QWidget):
    """Names of patterns; a click takes one in hand."""

    chosen = pyqtSignal(str)

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        self.current = ""
        self.palette_now: Palette = DAY
        self._places: list[tuple[QRectF, str]] = []
        self.setAccessibleName("Patterns by device")
        self.arrange()

    def arrange(self) -> None:
        """Work out where each name stands, and how many rows that takes."""
        project = self.session.project
        x, y = 0.0, 0.0
        room = float(max(300, self.width()))
        places: list[tuple[QRectF, str]] = []
        self._heads: list[tuple[float, float, str]] = []
        for device in project.rig.devices:
            own = [p for p in project.patterns if p.device == device.id]
            if not own:
                continue
            wide = draw.text_width(device.name, 14, 600) + SPACE
            if x and x + wide > room:
                x, y = 0.0, y + ROW
            self._heads.append((x, y, device.name))
            x += wide
            for pattern in own:
                wide = draw.text_width(pattern.name, 14, 600)
                if x + wide > room:
                    x, y = 0.0, y + ROW
                places.append((QRectF(x, y, wide, ROW), pattern.id))
                x += wide + SPACE
            x += SPACE
        self._places = places
        self.setFixedHeight(round(y + ROW + 4))
        self.update()

    def resizeEvent(self, event: object) -> None:
        """Another width: other rows."""
        del event
        self.arrange()

    def mousePressEvent(self, event: QMouseEvent | None) -> None:
        """Take the pattern under the pointer in hand."""
        if event is None:
            return
        for box, pattern in self._places:
            if box.contains(event.position()):
                self.chosen.emit(pattern)

    def paintEvent(self, event: QPaintEvent | None) -> None:
        """Draw the names."""
        del event
        p = self.palette_now
        painter = QPainter(self)
        names = {pattern.id: pattern.name for pattern in self.session.project.patterns}
        for x, y, device in self._heads:
            draw.text(painter, x, y + 17, device, p.muted, size=14, weight=600)
        for box, pattern in self._places:
            here = pattern == self.current
            draw.text(
                painter, box.left(), box.top() + 17, names.get(pattern, ""),
                p.crest if here else p.water, size=14, weight=600 if here else 400,
            )  # fmt: skip
            if here:
                draw.fill(painter, box.left(), box.top() + 21, box.width(), 2, p.crest)
