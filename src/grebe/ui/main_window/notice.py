"""One line above the waterline for what the performer should know."""

from __future__ import annotations

from PyQt6.QtGui import QMouseEvent, QPainter, QPaintEvent
from PyQt6.QtWidgets import QHBoxLayout, QWidget

from grebe.protocols.link.messages import Notice
from grebe.ui.widgets import draw
from grebe.ui.widgets.controls import Pill
from grebe.ui.widgets.theme import DAY, Palette

SHOWN_S = {"info": 4.0, "warn": 12.0, "error": 30.0}


class NoticeStrip(QWidget):
    """Shows the last notice for a while; a click puts it away."""

    def __init__(self, parent: QWidget | None = None) -> None:
        super().__init__(parent)
        self.palette_now: Palette = DAY
        self.notice: Notice | None = None
        self._since = 0.0
        self.attach = Pill("Attach to it", primary=True)
        self.end = Pill("End it")
        row = QHBoxLayout(self)
        row.setContentsMargins(0, 0, 16, 0)
        row.setSpacing(8)
        row.addStretch(1)
        row.addWidget(self.attach)
        row.addWidget(self.end)
        self.setFixedHeight(34)
        self.hide()

    def show_notice(self, notice: Notice | None, now_s: float, *, stays: bool) -> None:
        """Show this notice, or let the one shown run out.

        One that `stays` is about an engine with another project: it offers what to do.
        """
        self.attach.setVisible(stays)
        self.end.setVisible(stays)
        if stays:
            self._since = now_s
        if notice is not None and notice is not self.notice:
            self.notice, self._since = notice, now_s
            self.setAccessibleName(notice.text)
            self.show()
            self.update()
        elif self.notice is not None and now_s - self._since > SHOWN_S[self.notice.level]:
            self.hide()

    def mousePressEvent(self, event: QMouseEvent | None) -> None:
        """Put it away."""
        del event
        self.hide()

    def paintEvent(self, event: QPaintEvent | None) -> None:
        """Draw the line."""
        del event
        if self.notice is None:
            return
        p = self.palette_now
        painter = QPainter(self)
        room = self.width() - (260 if self.attach.isVisible() else 40)
        colour = {"info": p.water, "warn": p.sand, "error": p.eye}[self.notice.level]
        draw.fill(painter, 0, 0, self.width(), self.height(), p.panel)
        draw.fill(painter, 0, 0, 4, self.height(), colour)
        draw.text(painter, 20, 22, self.notice.text, colour, size=14, weight=600, width=room)
