"""What goes wrong in the window itself: logged, said in one line, and the window stays."""

from __future__ import annotations

import logging
import sys
import traceback
from collections.abc import Callable
from pathlib import Path
from types import TracebackType

from PyQt6.QtCore import QMessageLogContext, QtMsgType, qInstallMessageHandler

from grebe.errors import GrebeError
from grebe.process.places import WINDOW_LIBRARIES
from grebe.words import tr

_log = logging.getLogger("qt")
_LEVELS = {
    QtMsgType.QtDebugMsg: logging.DEBUG,
    QtMsgType.QtInfoMsg: logging.INFO,
    QtMsgType.QtWarningMsg: logging.WARNING,
    QtMsgType.QtCriticalMsg: logging.ERROR,
    QtMsgType.QtFatalMsg: logging.CRITICAL,
}


def in_words(error: BaseException, at: TracebackType | None) -> str:
    """An error nobody caught, for the performer: Grebe's own says itself what is the matter."""
    if isinstance(error, GrebeError):
        return str(error)
    frames = traceback.extract_tb(at)
    place = (
        tr(
            " in {name}, line {lineno}",
            name=Path(frames[-1].filename).name,
            lineno=frames[-1].lineno,
        )
        if frames
        else ""
    )
    return tr(
        "Something went wrong in Grebe ({name}{place}). What plays goes on; "
        "Ctrl+F1 shows what happened, to be sent on.",
        name=type(error).__name__,
        place=place,
    )


def saying(say: Callable[[str], None]) -> Callable[..., None]:
    """A hook for `start_log` that says an error in one line, and never raises another."""

    def hook(kind: type[BaseException], error: BaseException, at: TracebackType | None) -> None:
        del kind
        try:
            say(in_words(error, at))
        except Exception:
            logging.getLogger(__name__).exception("an error could not be said")

    return hook


def _from_qt(kind: QtMsgType, context: QMessageLogContext, text: str | None) -> None:
    del context
    _log.log(_LEVELS.get(kind, logging.WARNING), "%s", text)
    if kind == QtMsgType.QtFatalMsg:  # the process ends now: whoever started it has to know why
        words = " ".join((text or "").split())
        sys.stderr.write(
            f"grebe: Qt could not open a window ({words[:300]}). If libraries are missing, on "
            f"Debian and Ubuntu: sudo apt-get install {WINDOW_LIBRARIES}\n"
        )
        sys.stderr.flush()


def log_qt() -> None:
    """What Qt has to say goes to the log."""
    qInstallMessageHandler(_from_qt)
