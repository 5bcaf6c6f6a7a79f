"""Starting the window."""

from __future__ import annotations

import os
from functools import partial

from PyQt6.QtCore import QByteArray, QTimer
from PyQt6.QtWidgets import QApplication, QWidget

from grebe.app.document.demo import fresh_demo
from grebe.app.document.recovery import OpenedDocument, open_recovered
from grebe.app.kept import take_said
from grebe.app.returning import Opening
from grebe.app.settings import read_settings, remember_project
from grebe.process.garbage import leave_out_what_is_there
from grebe.process.log import LOG, end_log, start_log
from grebe.ui.main_window.asked import AskedToEnd
from grebe.ui.main_window.frame import KEPT, Frame
from grebe.ui.main_window.mishap import log_qt, saying
from grebe.ui.main_window.place import where_it_was
from grebe.ui.main_window.raising import Raising
from grebe.ui.main_window.waiting import Waiting
from grebe.ui.widgets.qt_application import make_application
from grebe.words import tr


def show_frame(found: OpenedDocument, opening: Opening | None = None) -> Frame:
    """A window for a document that was opened; after a crash where the one before it was."""
    kept = read_settings()
    crashed = opening is not None and opening.station > 0
    frame = Frame(found.store, found.claim, partial(where_it_was, opening=opening, kept=kept))
    frame.session.derived.beside = frame.makes_ahead = True
    frame.session.log.tidy()
    if found.store.path is not None:
        remember_project(found.store.path)
    said = [found.said, *take_said(), LOG.problem]
    if crashed:
        said.insert(0, tr("The window had crashed and is back; what plays went on."))
    if kept.geometry:
        frame.restoreGeometry(QByteArray.fromBase64(kept.geometry.encode()))
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
    QTimer.singleShot(0, leave_out_what_is_there)  # it has been painted by then
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
