"""Messages over the stations: what was said lately, with what can be done about it."""

from __future__ import annotations

from collections.abc import Sequence
from functools import partial

from PyQt6.QtCore import QRectF, pyqtSignal
from PyQt6.QtGui import QMouseEvent, QPainter, QPaintEvent, QPixmap
from PyQt6.QtWidgets import QHBoxLayout, QVBoxLayout, QWidget

from grebe.app.actions.buttons import on_button
from grebe.app.live.notices import Said
from grebe.ui.widgets import draw
from grebe.ui.widgets.controls import Button, DrawnWords
from grebe.ui.widgets.theme import DAY, Palette

SHOWN_S = {"info": 4.0, "warn": 12.0, "error": 30.0}
MOST = 3
"""So many at once: of what several boxes say, none hides the other."""
WIDE = 720
MARGIN = 16


class NoticeLine(DrawnWords):
    """One message; a click puts it away."""

    def __init__(self, said: Said, since_s: float, palette: Palette) -> None:
        super().__init__()
        self.said, self.since_s = said, since_s
        self.palette_now = palette
        self.buttons: list[Button] = []
        self._row = QHBoxLayout(self)
        self._row.setContentsMargins(16, 2, 8, 2)
        self._row.addStretch(1)
        self.setAccessibleName(said.text)

    def fit(self, wide: int) -> None:
        """As tall as its words need at a width; they are drawn, which costs less than a label."""
        nowhere = QPixmap(1, 1)  # has to outlive the painter
        painter = QPainter(nowhere)
        taken = sum(button.sizeHint().width() + 8 for button in self.buttons)
        self._room = wide - taken - 32
        box = QRectF(0, 0, self._room, 400)
        tall = draw.paragraph(painter, box, self.said.text, self.palette_now.ink, size=14,
                              weight=600)  # fmt: skip
        painter.end()
        self.setFixedHeight(max(36, round(tall) + 14))

    _room = 400

    def offer(self, button: Button) -> None:
        """A button at its end."""
        button.palette_now = self.palette_now
        self.buttons.append(button)
        self._row.addWidget(button)

    def mousePressEvent(self, event: QMouseEvent | None) -> None:
        """Put it away."""
        del event
        self.hide()

    def paintEvent(self, event: QPaintEvent | None) -> None:
        """Draw the panel."""
        del event
        p = self.palette_now
        painter = QPainter(self)
        colour = {"info": p.water, "warn": p.sand, "error": p.eye}[self.said.level]
        draw.panel(painter, self.rect().toRectF().adjusted(0.5, 0.5, -0.5, -0.5), p.panel, p.edge)
        draw.fill(painter, 0, 1, 4, self.height() - 2, colour)
        words = p.ink if self.said.level == "info" else colour
        box = QRectF(16, 7, self._room, self.height())
        draw.paragraph(painter, box, self.said.text, words, size=14, weight=600)


class NoticeStack(QWidget):
    """Lies over the foot of the stations and moves nothing."""

    wanted = pyqtSignal(str)
    """The action that was offered, and taken."""

    def __init__(self, parent: QWidget) -> None:
        super().__init__(parent)
        self.palette_now: Palette = DAY
        self.lines: list[NoticeLine] = []
        self._last: Said | None = None
        self._other: NoticeLine | None = None
        self._column = QVBoxLayout(self)
        self._column.setContentsMargins(0, 0, 0, 0)
        self._column.setSpacing(4)
        self.hide()

    def follow(self, said: Sequence[Said], now_s: float) -> None:
        """Show what is new, let go of what is over or has been shown long enough."""
        fresh: list[Said] = []
        for each in reversed(said):
            if each is self._last or len(fresh) == MOST:
                break
            fresh.append(each)
        for each in reversed(fresh):
            self._show(each, now_s)
        if said:
            self._last = said[-1]
        for line in self.lines:
            over = line.said.over is not None and line.said.over()
            if over or now_s - line.since_s > SHOWN_S[line.said.level]:
                line.hide()
        gone = [line for line in self.lines if line.isHidden() or line not in self._latest()]
        if gone or fresh:
            for line in gone:
                self._drop(line)
            self.place()

    def _latest(self) -> list[NoticeLine]:
        shown = [line for line in self.lines if not line.isHidden()]
        return shown[-MOST:]

    def _show(self, said: Said, now_s: float) -> None:
        for line in self.lines:
            if line.said.text == said.text:
                line.hide()  # said again: once is enough
        line = NoticeLine(said, now_s, self.palette_now)
        if said.offers:
            self._offer(line, said.offers)
        self.lines.append(line)
        self._column.addWidget(line)
        line.show()

    def _offer(self, line: NoticeLine, action_id: str, *, primary: bool = False) -> None:
        button = Button(on_button(action_id), primary=primary)
        button.setObjectName(action_id)
        button.clicked.connect(line.hide)
        button.clicked.connect(partial(self.wanted.emit, action_id))
        line.offer(button)

    def _drop(self, line: NoticeLine) -> None:
        self.lines.remove(line)
        self._column.removeWidget(line)
        line.deleteLater()

    def stay(self, said: Said | None) -> None:
        """One that stays while it is so, with what can be done: an engine of another project."""
        if said is None:
            if self._other is not None:
                self._column.removeWidget(self._other)
                self._other.deleteLater()
                self._other = None
                self.place()
        elif self._other is None:
            self._other = NoticeLine(said, 0.0, self.palette_now)
            self._offer(self._other, "attach", primary=True)
            self._offer(self._other, "stop_engine")
            self._column.insertWidget(0, self._other)
            self._other.show()
            self.place()

    def set_palette(self, palette: Palette) -> None:
        """Take the colours of a theme."""
        self.palette_now = palette
        others = [self._other] if self._other is not None else []
        for line in [*self.lines, *others]:
            line.palette_now = palette
            for button in line.buttons:
                button.palette_now = palette
            line.update()

    def place(self) -> None:
        """Over the foot of the parent."""
        parent = self.parentWidget()
        if parent is None:
            return
        self.setVisible(bool(self._latest()) or self._other is not None)
        wide = min(WIDE, parent.width() - 2 * MARGIN)
        others = [self._other] if self._other is not None else []
        for line in [*others, *self._latest()]:
            line.fit(wide)
        self._column.invalidate()
        tall = self._column.sizeHint().height()
        self.setGeometry(MARGIN, parent.height() - tall - MARGIN, wide, tall)
        self.raise_()
