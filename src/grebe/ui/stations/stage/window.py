"""Stage on a screen of its own, while the table stays on the first one."""

from __future__ import annotations

from collections.abc import Callable

from PyQt6.QtCore import Qt, pyqtSignal
from PyQt6.QtGui import QCloseEvent, QGuiApplication, QKeyEvent, QPainter, QPaintEvent
from PyQt6.QtWidgets import QVBoxLayout, QWidget

from grebe.app.live.session import Session
from grebe.app.live.stage_model import StageModel
from grebe.app.live.stage_numbers import StageNumbers
from grebe.ui.stations.stage.canvas import StageCanvas
from grebe.ui.widgets import draw
from grebe.ui.widgets.theme import Palette
from grebe.words import tr


class StageWindow(QWidget):
    """Touches and clicks work here; keys are the table's, but for F11 and Esc."""

    closed = pyqtSignal()

    def __init__(
        self, session: Session, book: StageModel, numbers: StageNumbers, palette: Palette,
        take_key: Callable[[QKeyEvent], bool],
    ) -> None:  # fmt: skip
        """`take_key` does what a key does at the table."""
        super().__init__()
        self._take_key = take_key
        self.setWindowTitle(tr("{name}: Stage - Grebe", name=session.project.name))
        self.resize(1280, 800)
        column = QVBoxLayout(self)
        column.setContentsMargins(24, 14, 24, 14)
        self.canvas = StageCanvas(session, book, numbers, guarded_here=True)
        column.addWidget(self.canvas)
        self.set_palette(palette)

    def set_palette(self, palette: Palette) -> None:
        """Take a brightness of Night."""
        self._palette_now = palette
        self.canvas.set_palette(palette)
        self.update()

    def follow(self) -> None:
        """Time has passed."""
        self.canvas.update()
        self.canvas.say_where()

    def open_beside(self, table: QWidget) -> None:
        """On another screen than the table's, all of it, where there is one."""
        here = table.screen()
        others = [screen for screen in QGuiApplication.screens() if screen is not here]
        if others:
            self.setGeometry(others[0].geometry())
            self.showFullScreen()
        else:
            self.show()

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        """F11 fills the screen, Esc lets it go or closes; the rest is the table's."""
        if event is None:
            return
        full = Qt.WindowState.WindowFullScreen
        if event.key() == Qt.Key.Key_F11:
            self.setWindowState(self.windowState() ^ full)
        elif event.key() == Qt.Key.Key_Escape:
            if self.windowState() & full:
                self.setWindowState(self.windowState() ^ full)
            else:
                self.close()
        elif not self._take_key(event):
            super().keyPressEvent(event)

    def paintEvent(self, event: QPaintEvent | None) -> None:
        """The ground."""
        del event
        ground = self._palette_now.ground
        draw.fill(QPainter(self), 0, 0, self.width(), self.height(), ground)

    def closeEvent(self, event: QCloseEvent | None) -> None:
        """It is gone; what plays goes on."""
        self.closed.emit()
        super().closeEvent(event)
