"""Hearing at once when the engine speaks or hangs up, not with the next frame."""

from __future__ import annotations

from collections.abc import Callable

from PyQt6.QtCore import QObject, QSocketNotifier
from PyQt6.sip import voidptr


class EngineEar:
    """A notifier on the engine's socket, which is another after each engine."""

    def __init__(self, owner: QObject, heard: Callable[[], object]) -> None:
        self._owner = owner
        self._heard = heard
        self._notifier: QSocketNotifier | None = None

    def follow(self, descriptor: int | None) -> None:
        """Listen at this socket from now on, or at none."""
        current = int(self._notifier.socket()) if self._notifier is not None else None
        if descriptor == current:
            return
        if self._notifier is not None:
            self._notifier.setEnabled(False)
            self._notifier.deleteLater()
            self._notifier = None
        if descriptor is not None:
            kind = QSocketNotifier.Type.Read
            self._notifier = QSocketNotifier(voidptr(descriptor), kind, self._owner)
            self._notifier.activated.connect(self._spoke)

    def _spoke(self) -> None:
        self._heard()
