"""Starting Qt and the window."""

from __future__ import annotations

import signal
import sys
from pathlib import Path

from PyQt6.QtWidgets import QApplication

from grebe.app.recovery import open_recovered
from grebe.ui.frame import KEPT, RECOVERED, Frame, remember
from grebe.ui.theme import font, load_fonts


def make_application() -> QApplication:
    """The Qt application with the packaged fonts."""
    application = QApplication(sys.argv[:1])
    application.setApplicationName("Grebe")
    application.setDesktopFileName("grebe")
    load_fonts()
    application.setFont(font(14))
    return application


def run_window(path: Path) -> int:
    """Open a project in a window; returns when the last window is closed."""
    store, recovered = open_recovered(path)
    application = make_application()
    signal.signal(signal.SIGINT, signal.SIG_DFL)
    frame = Frame(store)
    remember(path, frame.palette_now)
    if recovered:
        frame.session.say("warn", RECOVERED)
    KEPT.append(frame)
    frame.show()
    return application.exec()
