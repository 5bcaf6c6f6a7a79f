"""The walk through a first set: one step above the waterline, ticked off as it is done."""

from __future__ import annotations

import re

from PyQt6.QtCore import pyqtSignal
from PyQt6.QtGui import QPainter, QPaintEvent
from PyQt6.QtWidgets import QHBoxLayout, QLabel, QVBoxLayout, QWidget

from grebe.app.actions.keymap import told
from grebe.app.walk import STEPS, Walk
from grebe.ui.widgets import draw
from grebe.ui.widgets.controls import Button
from grebe.ui.widgets.theme import DAY, Palette, style_sheet
from grebe.words import tr

TALL = 84
OVER = tr(
    "That was it: a set of your own. docs/guide.md has the same with "
    "pictures; Ctrl+K finds anything else."
)


class WalkBar(QWidget):
    """Says what is next; hidden while nobody walks."""

    gone_to = pyqtSignal(int)
    """The station where the step is done."""

    def __init__(self, walk: Walk) -> None:
        super().__init__()
        self.walk = walk
        self.palette_now: Palette = DAY
        self._shown: tuple[object, ...] = ()
        self.setAccessibleName(tr("A first set, step by step"))
        self.setFixedHeight(TALL)
        self.title = QLabel("")
        self.title.setObjectName("group")
        self.how = QLabel("")
        self.how.setWordWrap(True)
        self.ticks = QLabel("")
        self.go, self.skip, self.leave = (
            Button(tr("Go there")),
            Button(tr("Skip it")),
            Button(tr("Leave")),
        )
        self.go.clicked.connect(self._go)
        self.skip.clicked.connect(self._skip)
        self.leave.clicked.connect(lambda: self.show_walk(on=False))
        words = QVBoxLayout()
        words.setSpacing(2)
        head = QHBoxLayout()
        head.setSpacing(16)
        head.addWidget(self.title)
        head.addWidget(self.ticks)
        head.addStretch(1)
        words.addLayout(head)
        words.addWidget(self.how, 1)
        row = QHBoxLayout(self)
        row.setContentsMargins(24, 8, 16, 8)
        row.setSpacing(8)
        row.addLayout(words, 1)
        for button in (self.go, self.skip, self.leave):
            row.addWidget(button)
        self.follow()

    def show_walk(self, *, on: bool) -> None:
        """Take it up, or leave it for now."""
        self.walk.show(on=on)
        self.follow()

    def follow(self) -> None:
        """Tick off what is done, and say what is next."""
        self.walk.look()
        step, walk = self.walk.step, self.walk
        shown = (walk.shown, walk.done)
        if shown == self._shown:
            return
        self._shown = shown
        self.setVisible(walk.shown)
        done = len(walk.done)
        self.ticks.setText("\u25cf" * done + "\u25cb" * (len(STEPS) - done))
        self.ticks.setAccessibleName(
            tr("{done} of {count} steps are done", done=done, count=len(STEPS))
        )
        if step is None:
            self.title.setText("Done")
            self.how.setText(OVER)
        else:
            self.title.setText(
                tr(
                    "{walk_number} of {count}: {step_title}",
                    walk_number=walk.number,
                    count=len(STEPS),
                    step_title=step.title,
                )
            )
            self.how.setText(in_words(step.how))
        self.go.setVisible(step is not None and step.station > 0)
        self.skip.setVisible(step is not None)

    def set_palette(self, palette: Palette) -> None:
        """Take the colours of a theme."""
        if palette is not self.palette_now or not self.styleSheet():
            self.palette_now = palette
            self.setStyleSheet(style_sheet(palette))
            for button in (self.go, self.skip, self.leave):
                button.palette_now = palette
            self.update()

    def paintEvent(self, event: QPaintEvent | None) -> None:
        """A band of its own."""
        del event
        painter = QPainter(self)
        p = self.palette_now
        draw.fill(painter, 0, 0, self.width(), self.height(), p.soft)
        draw.fill(painter, 0, 0, self.width(), 2, p.edge)

    def _go(self) -> None:
        if self.walk.step is not None:
            self.gone_to.emit(self.walk.step.station)

    def _skip(self) -> None:
        self.walk.skip()
        self.follow()


def in_words(how: str) -> str:
    """What is to be done, with the keys as they are now in place of the actions."""
    return re.sub(r"{(\w+)}", lambda found: told(found[1]), how)
