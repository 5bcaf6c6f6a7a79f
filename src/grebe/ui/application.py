"""Starting Qt and the window."""

from __future__ import annotations

import os
import signal
import sys
from pathlib import Path

from PyQt6.QtCore import QCoreApplication
from PyQt6.QtWidgets import QApplication

from grebe.app.recovery import open_recovered
from grebe.app.returning import left_on
from grebe.errors import GrebeError
from grebe.ui.frame import KEPT, RECOVERED, Frame, remember
from grebe.ui.theme import font, load_fonts


def make_application() -> QApplication:
    """The Qt application with the packaged fonts. GrebeError where there is no screen."""
    screens = ("DISPLAY", "WAYLAND_DISPLAY", "QT_QPA_PLATFORM")
    if not any(os.environ.get(name) for name in screens):
        raise GrebeError(
            "there is no screen to open a window on. Start it in a desktop session; "
            "grebe run plays without one."
        )
    application = QApplication(sys.argv[:1])
    application.setApplicationName("Grebe")
    application.setDesktopFileName("grebe")
    load_fonts()
    application.setFont(font(14))
    return application


def paper_application() -> QCoreApplication:
    """An application that needs no screen: enough to lay text out for paper."""
    running = QApplication.instance()
    if running is not None:
        return running
    os.environ.setdefault("QT_QPA_PLATFORM", "offscreen")
    return make_application()


def run_window(path: Path) -> int:
    """Open a project in a window; returns when the last window is closed."""
    store, recovered = open_recovered(path)
    application = make_application()
    signal.signal(signal.SIGINT, signal.SIG_DFL)
    station = left_on(path)
    frame = Frame(store)
    remember(path, frame.palette_now)
    if recovered:
        frame.session.say("warn", RECOVERED)
    if station in frame.views:
        frame.show_station(station)
        frame.session.say("warn", "The window had crashed; what plays went on.")
    KEPT.append(frame)
    frame.show()
    return application.exec()
