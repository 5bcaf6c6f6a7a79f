"""The project of the last time is not there: said, and waited for."""

from __future__ import annotations

from collections.abc import Callable
from pathlib import Path

from PyQt6.QtCore import QTimer, pyqtSignal
from PyQt6.QtGui import QPainter, QPaintEvent
from PyQt6.QtWidgets import QHBoxLayout, QLabel, QVBoxLayout, QWidget

from grebe.app.settings import read_settings
from grebe.errors import GrebeError
from grebe.process.places import shown
from grebe.ui.main_window.documents import FILES
from grebe.ui.widgets import draw
from grebe.ui.widgets.ask_file import PROJECTS, ask_open
from grebe.ui.widgets.controls import Button
from grebe.ui.widgets.theme import chosen_palette, style_sheet
from grebe.words import tr

LOOK_MS = 500


class Waiting(QWidget):
    """Opens the project as soon as it is there; offers another, or the demo."""

    opened = pyqtSignal()

    def __init__(self, path: Path, open_file: Callable[[Path], None],
                 open_demo: Callable[[], None]) -> None:  # fmt: skip
        """`open_file` and `open_demo` open a window; GrebeError leaves this one."""
        super().__init__()
        self.path = path
        self._open_file, self._open_demo = open_file, open_demo
        self.palette_now = chosen_palette(read_settings().theme)
        self.setStyleSheet(style_sheet(self.palette_now))
        self.setWindowTitle(tr("{path} is missing - Grebe", path=shown(path.name)))
        self.resize(1280, 800)
        self.title = QLabel(tr("{path} is not there", path=shown(path.name)))
        self.title.setStyleSheet("font-size: 26px; font-weight: 600")
        self.where = QLabel(tr("It was in {path} when it was open last.", path=shown(path.parent)))
        self.words = QLabel(
            tr(
                "Is it on a drive that is not plugged in? As soon as it is there it "
                "opens by itself.\nGrebe goes on looking for it the next time, too, until "
                "another project is opened."
            )
        )
        self.said = QLabel("")
        self.said.setWordWrap(True)
        self.other = Button(tr("Open another project"), primary=True)
        self.demo = Button(tr("Look at the demo"))
        self.quit = Button(tr("Close"))
        row = QHBoxLayout()
        row.setSpacing(8)
        for button, do in ((self.other, self._other), (self.demo, self._demo),
                           (self.quit, self.close)):  # fmt: skip
            button.palette_now = self.palette_now
            button.clicked.connect(do)
            row.addWidget(button)
        row.addStretch(1)
        column = QVBoxLayout(self)
        column.setContentsMargins(120, 0, 120, 60)
        column.setSpacing(14)
        column.addStretch(2)
        for label in (self.title, self.where, self.words):
            column.addWidget(label)
        column.addLayout(row)
        column.addWidget(self.said)
        column.addStretch(3)
        self._timer = QTimer(self)
        self._timer.timeout.connect(self.look)
        self._timer.start(LOOK_MS)
        self.other.setFocus()

    def look(self) -> None:
        """Whether it is there by now."""
        if self.path.exists():
            self._try(lambda: self._open_file(self.path))

    def _other(self) -> None:
        chosen = ask_open(self, PROJECTS, tr("Open a project"), FILES)
        if chosen is not None:
            self._try(lambda: self._open_file(chosen))

    def _demo(self) -> None:
        self._try(self._open_demo)

    def _try(self, what: Callable[[], None]) -> None:
        try:
            what()
        except GrebeError as error:
            self.said.setText(str(error))
        else:
            self._timer.stop()
            self.opened.emit()
            self.close()

    def paintEvent(self, event: QPaintEvent | None) -> None:
        """The ground."""
        del event
        draw.fill(QPainter(self), 0, 0, self.width(), self.height(), self.palette_now.ground)
