"""A stage for somebody else: another computer's, to be read and nothing more."""

from __future__ import annotations

import time

from PyQt6.QtCore import QProcess, Qt, QTimer
from PyQt6.QtGui import QCloseEvent, QKeyEvent, QPainter, QPaintEvent
from PyQt6.QtWidgets import QLabel, QVBoxLayout, QWidget

from grebe.app.engine.supervisor import display_command
from grebe.app.live.notices import Notices
from grebe.app.live.stage_model import StageModel
from grebe.app.live.stage_numbers import StageNumbers
from grebe.app.live.watching import WatchedSession
from grebe.errors import GrebeError
from grebe.protocols.link.messages import FromEngine, Notice, Status, Unpacker, from_engine
from grebe.protocols.link.session import ShowDocument
from grebe.ui.main_window.notice import NoticeStack
from grebe.ui.stations.stage.canvas import StageCanvas
from grebe.ui.widgets import draw
from grebe.ui.widgets.theme import NIGHT, style_sheet
from grebe.words import tr

FRAME_MS = 33
SILENT_S = 2.0
"""With nothing heard for so long what is shown may be stale, and says so."""


class Display(QWidget):
    """The window. F11 fills the screen, Ctrl+Q closes it."""

    def __init__(self, words: bytes, title: str) -> None:
        """`words` is what the process that watches is told."""
        super().__init__()
        self.setWindowTitle(tr("{title} - Grebe", title=title))
        self.setStyleSheet(style_sheet(NIGHT))
        self.resize(1280, 800)
        self.watching: WatchedSession | None = None
        self.canvas: StageCanvas | None = None
        self._book: StageModel | None = None
        self._heard_s = 0.0
        self._unpacker = Unpacker()
        self._notice: Notice | None = None
        self.said = Notices(lambda: "")
        self._column = QVBoxLayout(self)
        self._column.setContentsMargins(16, 12, 16, 8)
        self.waiting = QLabel(tr("Nothing is shown yet."))
        self.waiting.setAlignment(Qt.AlignmentFlag.AlignCenter)
        self._column.addWidget(self.waiting, 1)
        self.notices = NoticeStack(self)
        self.notices.set_palette(NIGHT)
        self.process = QProcess(self)
        self.process.readyReadStandardOutput.connect(self._read)
        self.process.finished.connect(self._ended)
        command = display_command()
        self.process.start(command[0], command[1:])
        self.process.write(words)
        self._timer = QTimer(self)
        self._timer.timeout.connect(self._pulse)
        self._timer.start(FRAME_MS)

    def _read(self) -> None:
        try:
            for body in self._unpacker.feed(bytes(self.process.readAllStandardOutput().data())):
                self.hear(from_engine(body))
        except GrebeError as error:
            self._notice = Notice(level="error", text=str(error))

    def hear(self, message: FromEngine) -> None:
        """A word from the stage that is watched."""
        self._heard_s = time.monotonic()
        if isinstance(message, ShowDocument):
            self._show(message)
        elif isinstance(message, Notice):
            self._notice = message
        elif isinstance(message, Status) and self.watching is not None:
            self.watching.hear(message)

    def _show(self, shown: ShowDocument) -> None:
        if self.watching is not None:
            self.watching.show(shown)
            return
        self.watching = WatchedSession(shown)
        self._book = StageModel(self.watching.session)
        self.canvas = StageCanvas(
            self.watching.session, self._book, StageNumbers(self.watching.session, self._book)
        )
        self.canvas.keyed = False
        self._column.replaceWidget(self.waiting, self.canvas)
        self._column.setStretchFactor(self.canvas, 1)
        self.waiting.hide()
        self._notice = None

    def _pulse(self) -> None:
        now = time.monotonic()
        if self.canvas is not None and self._book is not None:
            self._book.follow()
            self.canvas.update()
            if now - self._heard_s > SILENT_S and self._notice is None:
                text = tr("Nothing has been heard for a while: what is shown may be past.")
                self._notice = Notice(level="warn", text=text)
        if self._notice is not None and self._notice is not self.said.last:
            self.said.take(self._notice)
        self.notices.follow(self.said.said, now)
        if self._notice is not None and now - self._heard_s < SILENT_S and self.canvas is not None:
            self._notice = None

    def _ended(self) -> None:
        error = bytes(self.process.readAllStandardError().data()).decode(errors="replace").strip()
        words = error.splitlines()[-1] if error else tr("the network process ended")
        self._notice = Notice(
            level="error", text=tr("Nothing more is shown: {words}.", words=words)
        )

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        """Fill the screen, or close; every other key does nothing."""
        if event is None:
            return
        if event.key() == Qt.Key.Key_F11:
            self.setWindowState(self.windowState() ^ Qt.WindowState.WindowFullScreen)
        elif event.key() == Qt.Key.Key_Q and (
            event.modifiers() & Qt.KeyboardModifier.ControlModifier
        ):
            self.close()

    def paintEvent(self, event: QPaintEvent | None) -> None:
        """The ground."""
        del event
        draw.fill(QPainter(self), 0, 0, self.width(), self.height(), NIGHT.ground)

    def closeEvent(self, event: QCloseEvent | None) -> None:
        """End what watches."""
        self._timer.stop()
        self.process.finished.disconnect(self._ended)
        self.process.closeWriteChannel()
        self.process.terminate()
        self.process.waitForFinished(1000)
        super().closeEvent(event)
