"""The end of a second start that is in this process: its windows come forward when asked."""

from __future__ import annotations

import os
from collections.abc import Callable

from PyQt6.QtCore import QObject
from PyQt6.QtNetwork import QLocalServer, QLocalSocket
from PyQt6.QtWidgets import QWidget

from grebe.process.first_window import MAX_WISH_BYTES, own_socket, read_wish
from grebe.process.places import read_back

TOKENS = ("XDG_ACTIVATION_TOKEN", "DESKTOP_STARTUP_ID")
"""By what a desktop lets a window take the focus; the first start's is used up."""


class Raising(QObject):
    """Listens as long as it lives. `find` has the window for a path, or any for None."""

    def __init__(self, find: Callable[[object], QWidget | None], parent: QObject) -> None:
        super().__init__(parent)
        self._find = find
        self._server = QLocalServer(self)
        self._server.setSocketOptions(QLocalServer.SocketOption.UserAccessOption)
        self._server.newConnection.connect(self._asked)
        self._server.listen(str(own_socket()))

    def close(self) -> None:
        """Answer no longer."""
        self._server.close()

    def _asked(self) -> None:
        while (caller := self._server.nextPendingConnection()) is not None:
            caller.readyRead.connect(lambda c=caller: self._read(c))
            caller.disconnected.connect(caller.deleteLater)
            self._read(caller)

    def _read(self, caller: QLocalSocket) -> None:
        if not caller.canReadLine():
            if caller.bytesAvailable() > MAX_WISH_BYTES:
                caller.abort()
            return
        wish = read_wish(bytes(caller.readLine(MAX_WISH_BYTES)))
        window = None
        if wish is not None:
            window = self._find(read_back(wish.project) if wish.project else None)
        caller.write(b"no\n" if window is None else b"yes\n")
        caller.disconnectFromServer()
        if window is not None and wish is not None:
            come_forward(window, wish.token)


def come_forward(window: QWidget, token: str = "") -> None:
    """Show a window in front of all others, as far as the desktop allows."""
    if token:
        os.environ[TOKENS[0]] = token
    window.showNormal() if window.isMinimized() else window.show()
    window.raise_()
    window.activateWindow()
