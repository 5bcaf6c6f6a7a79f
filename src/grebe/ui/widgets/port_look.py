"""Looking for the ports there are, without holding the window up.

They come from ``python -m grebe.transports``: a library that hangs, hangs there.
"""

from __future__ import annotations

import json
import sys
from typing import Any

from PyQt6.QtCore import QObject, QProcess, pyqtSignal


class PortLook(QObject):
    """A look for the ports there are, for all that shows them."""

    found = pyqtSignal(dict)
    ended = pyqtSignal()
    """Whatever came of it."""

    def __init__(self, parent: QObject | None = None) -> None:
        super().__init__(parent)
        self.last: dict[str, Any] = {}
        """What was found last, for a list that is made after it."""
        self.said = ""
        """The same as it was said, also where nobody can make anything of it."""
        self.found.connect(self._keep)
        self.process = QProcess(self)
        self.process.finished.connect(self._looked)

    def _keep(self, found: dict[str, Any]) -> None:
        self.last = found

    def look(self, *, network: bool = False) -> None:
        """Look for ports, on the network, too, where that is wanted; the lists follow when they
        are found."""
        if self.process.state() == QProcess.ProcessState.NotRunning:
            words = [] if network else ["--here"]
            self.process.start(sys.executable, ["-m", "grebe.transports", *words])

    def stop(self) -> None:
        """Let a look that still runs end, before the window does."""
        if self.process.state() != QProcess.ProcessState.NotRunning:
            self.process.kill()
            self.process.waitForFinished(1000)

    def _looked(self) -> None:
        told = bytes(self.process.readAllStandardOutput().data())
        self.said = (told or bytes(self.process.readAllStandardError().data())).decode(
            "utf-8", "replace"
        )
        try:
            found = json.loads(told or b"{}")
        except json.JSONDecodeError:
            pass
        else:
            self.found.emit(found)
        self.ended.emit()
