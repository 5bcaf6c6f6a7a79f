"""Starting Qt and the window."""

from __future__ import annotations

import os
import socket
import sys

from PyQt6.QtCore import QByteArray, QCoreApplication, QLibraryInfo, QTranslator
from PyQt6.QtWidgets import QApplication, QWidget

from grebe.app.document.demo import fresh_demo
from grebe.app.document.recovery import OpenedDocument, open_recovered
from grebe.app.kept import take_said
from grebe.app.returning import Opening
from grebe.app.settings import read_settings, remember_project
from grebe.errors import GrebeError
from grebe.process.log import LOG, end_log, start_log
from grebe.process.places import written
from grebe.ui.main_window.asked import AskedToEnd
from grebe.ui.main_window.frame import KEPT, Frame
from grebe.ui.main_window.mishap import log_qt, saying
from grebe.ui.main_window.place import back_to
from grebe.ui.main_window.raising import Raising
from grebe.ui.main_window.waiting import Waiting
from grebe.ui.widgets.theme import font, load_fonts
from grebe.words import language, tr

SCREEN_S = 3.0
SWITCH_S = 0.001
"""So long a thread that looks through the document may keep the window waiting."""


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
    application.setApplicationName("Grebe")
    application.setDesktopFileName("grebe")
    load_fonts()
    application.setFont(font(14))
    _translate_qt(application)
    sys.setswitchinterval(SWITCH_S)
    return application


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


def show_frame(found: OpenedDocument, opening: Opening | None = None) -> Frame:
    """A window for a document that was opened; after a crash where the one before it was."""
    frame = Frame(found.store, found.claim)
    frame.session.derived.beside = frame.makes_ahead = True
    frame.session.log.tidy()
    if found.store.path is not None:
        remember_project(found.store.path)
    said = [found.said, *take_said(), LOG.problem]
    if opening is not None and opening.station in frame.views:
        if any(s.id == opening.song for s in frame.session.project.songs):
            frame.session.selection.song_id = opening.song
            frame.session.selection.section = opening.section
        frame.show_station(opening.station)
        said.insert(0, tr("The window had crashed and is back; what plays went on."))
    kept = read_settings()
    if kept.geometry:
        frame.restoreGeometry(QByteArray.fromBase64(kept.geometry.encode()))
    fresh = opening is None or not (opening.station or opening.untitled)
    path = found.store.path
    if fresh and path is not None and kept.place_in == written(path):
        back_to(frame, kept)
    if fresh and kept.station in frame.views:
        frame.show_station(kept.station)
    if opening is not None and opening.begins:
        frame.book.do("new_project")
    words = " ".join(s for s in said if s)
    if words:
        frame.session.say("warn", words)
    KEPT.append(frame)
    frame.show()
    return frame


def run_window(opening: Opening) -> int:
    """Open a project in a window; returns when the last window is closed."""
    start_log("window", hook=saying(_say_everywhere))
    log_qt()
    found = None if opening.missing else open_recovered(opening.path, untitled=opening.untitled)
    application = make_application()
    asked = AskedToEnd(application, _keep_all, lambda: _end(application))
    raising = Raising(_window_of, application)
    if found is not None:
        show_frame(found, opening)
        waiting = None
    else:
        waiting = Waiting(
            opening.path,
            lambda path: _opened(open_recovered(path)),
            lambda: _opened(open_recovered(fresh_demo(), untitled=True)),
        )
        waiting.show()
    status = application.exec()
    del waiting
    raising.close()
    asked.close()
    end_log("closed")
    return status


def _window_of(path: object) -> QWidget | None:
    """The window that shows a project; for None the last one that was opened."""
    if path is None:
        shown = [w for w in QApplication.topLevelWidgets() if w.isVisible()]
        return KEPT[-1] if KEPT else next(iter(shown), None)
    for frame in KEPT:
        home = frame.session.store.home
        if home is not None and os.path.realpath(home) == os.path.realpath(str(path)):
            return frame
    return None


def _opened(found: OpenedDocument) -> None:
    show_frame(found)


def _say_everywhere(text: str) -> None:
    for frame in KEPT:
        frame.session.say("error", text)


def _keep_all() -> None:
    for frame in list(KEPT):
        frame.keep()


def _end(application: QApplication) -> None:
    """Close what is open without asking: unsaved work is kept, and offered the next time."""
    for frame in list(KEPT):
        frame.leave()
    application.quit()
