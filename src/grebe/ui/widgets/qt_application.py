"""Starting Qt, for a window or for paper alone: a sheet wants no window loaded."""

from __future__ import annotations

import os
import socket
import sys
from contextlib import suppress
from typing import NoReturn

from PyQt6.QtCore import QCoreApplication, QLibraryInfo, QTranslator
from PyQt6.QtWidgets import QApplication

from grebe.errors import GrebeError
from grebe.process.log import LOG
from grebe.ui.widgets.theme import font, load_fonts
from grebe.words import language, tr

SCREEN_S = 3.0
SWITCH_S = 0.001
"""So long a thread that looks through the document may keep the window waiting."""
_KEPT: list[QApplication] = []
"""Never let go: PyQt would destroy every window with it, and then looks at wrappers that are gone.
On a busy machine that ended one window of twelve by a crash after all had been done."""


def make_application() -> QApplication:
    """The Qt application with the packaged fonts. GrebeError where there is no screen."""
    screens = ("DISPLAY", "WAYLAND_DISPLAY", "QT_QPA_PLATFORM")
    if not any(os.environ.get(name) for name in screens):
        raise GrebeError(
            tr(
                "there is no screen to open a window on. Start it in a desktop session; "
                "grebe run plays without one."
            )
        )
    _look_for_screen()
    application = QApplication(sys.argv[:1])
    _KEPT.append(application)
    application.setApplicationName("Grebe")
    application.setDesktopFileName("grebe")
    load_fonts()
    application.setFont(font(14))
    _translate_qt(application)
    sys.setswitchinterval(SWITCH_S)
    return application


def quit_process(status: int) -> NoReturn:
    """End a process that had windows, with this exit status, without taking Qt apart.

    At its own end Python would let go of the application, too.
    """
    LOG.flush()
    for stream in (sys.stdout, sys.stderr):
        with suppress(OSError):  # whoever read it has gone
            stream.flush()
    os._exit(status)


def _translate_qt(application: QApplication) -> None:
    """Qt's own words, of its file and print dialogs, in the language of the window."""
    if language() == "en":
        return
    words = QTranslator(application)
    folder = QLibraryInfo.path(QLibraryInfo.LibraryPath.TranslationsPath)
    if words.load(f"qtbase_{language()}", folder):
        application.installTranslator(words)


def _look_for_screen() -> None:
    """GrebeError where the X server that is named cannot be reached: Qt would end the process."""
    named = os.environ.get("DISPLAY", "")
    other = os.environ.get("WAYLAND_DISPLAY") or os.environ.get("QT_QPA_PLATFORM")
    host, _, number = named.rpartition(":")
    if other or not number:
        return
    screen = number.partition(".")[0]
    try:
        if host in ("", "unix"):
            with socket.socket(socket.AF_UNIX, socket.SOCK_STREAM) as server:
                server.settimeout(SCREEN_S)
                path = f"/tmp/.X11-unix/X{screen}"  # noqa: S108 - where X servers listen
                if server.connect_ex(path) and server.connect_ex("\0" + path):
                    raise OSError(None, tr("nobody listens there"))
        elif screen.isdecimal():
            socket.create_connection((host, 6000 + int(screen)), SCREEN_S).close()
    except OSError as error:
        raise GrebeError(
            tr(
                "the screen {named} cannot be reached ({value}). Start it in a desktop "
                "session, or name another with DISPLAY; grebe run plays without one.",
                named=named,
                value=error.strerror or error,
            )
        ) from error


def paper_application() -> QCoreApplication:
    """An application that needs no screen: enough to lay text out for paper."""
    running = QApplication.instance()
    if running is not None:
        return running
    os.environ.setdefault("QT_QPA_PLATFORM", "offscreen")
    return make_application()
