"""What the system asks of a window: to end, by a signal or at logout."""

from __future__ import annotations

import logging
import signal
import socket
from collections.abc import Callable
from types import FrameType

from PyQt6.QtCore import QObject, QSocketNotifier
from PyQt6.QtGui import QGuiApplication, QSessionManager
from PyQt6.sip import voidptr

from grebe.process.children import ENDED_BY

_log = logging.getLogger(__name__)


class AskedToEnd(QObject):
    """Calls `end` soon after the process was told to end, in the window's own loop.

    Qt's loop runs no Python while nothing happens: so the signal wakes it by a socket.
    """

    def __init__(self, application: QGuiApplication, keep: Callable[[], None],
                 end: Callable[[], None]) -> None:  # fmt: skip
        super().__init__(application)
        self._keep, self._end = keep, end
        self._ours, theirs = socket.socketpair()
        self._theirs = theirs
        for each in (self._ours, theirs):
            each.setblocking(False)
        signal.set_wakeup_fd(theirs.fileno(), warn_on_full_buffer=False)
        for number in ENDED_BY:
            signal.signal(number, self._noted)
        self._notifier = QSocketNotifier(
            voidptr(self._ours.fileno()), QSocketNotifier.Type.Read, self
        )
        self._notifier.activated.connect(self._woken)
        application.commitDataRequest.connect(self._logged_out)

    def _noted(self, number: int, frame: FrameType | None) -> None:
        """The signal's number comes by the socket."""

    def _woken(self) -> None:
        came = self._ours.recv(64)
        if any(number in came for number in ENDED_BY):
            _log.info("asked to end by signal %s", ", ".join(map(str, came)))
            self._keep()
            self._end()

    def _logged_out(self, manager: QSessionManager) -> None:
        """Logout: unsaved work is kept, nothing is asked, the session's end is not held up."""
        _log.info("the desktop session ends")
        manager.setRestartHint(QSessionManager.RestartHint.RestartNever)
        self._keep()

    def close(self) -> None:
        """Listen no longer."""
        signal.set_wakeup_fd(-1)
        self._notifier.setEnabled(False)
        self._ours.close()
        self._theirs.close()
