"""What is carried between places, projects and windows: JSON of ours, plain text beside it."""

from __future__ import annotations

from PyQt6.QtCore import QByteArray, QMimeData, QObject
from PyQt6.QtGui import QGuiApplication

from grebe.app.carrying import MIME_TYPE, Carried, packed, plain_text, unpacked

PATTERN_TYPE = "application/x-grebe-pattern"
"""A pattern of the same window by its id, while it is dragged."""


def pattern_mime(pattern_id: str, name: str) -> QMimeData:
    """What a pattern is dragged as."""
    made = QMimeData()
    made.setData(PATTERN_TYPE, QByteArray(pattern_id.encode()))
    made.setText(name)
    return made


def dragged_pattern(data: QMimeData | None) -> str:
    """The id of the pattern that is dragged; "" for anything else."""
    if data is None or not data.hasFormat(PATTERN_TYPE):
        return ""
    return bytes(data.data(PATTERN_TYPE).data()).decode(errors="replace")


class DesktopBoard(QObject):
    """The desktop's clipboard."""

    def __init__(self) -> None:
        super().__init__()
        self._holds: bool | None = None
        """Whether it has something of Grebe's; None: not looked since it changed."""
        board = QGuiApplication.clipboard()
        if board is not None:
            board.dataChanged.connect(self._changed)

    def _changed(self) -> None:
        self._holds = None

    @property
    def holds(self) -> bool:
        """Whether there is something of Grebe's. Asked often: looked up once a change."""
        if self._holds is None:
            data = _on_board()
            self._holds = data is not None and data.hasFormat(MIME_TYPE)
        return self._holds

    def put(self, what: Carried) -> None:
        """Copy it there, with plain text beside it."""
        board = QGuiApplication.clipboard()
        if board is not None:
            made = QMimeData()
            made.setData(MIME_TYPE, QByteArray(packed(what)))
            made.setText(plain_text(what))
            board.setMimeData(made)

    def get(self) -> Carried | None:
        """What lies on it, of whatever window; None where that is nothing of Grebe's.

        ProjectError where it says it is, and cannot be read.
        """
        data = _on_board()
        if data is None or not data.hasFormat(MIME_TYPE):
            return None
        return unpacked(bytes(data.data(MIME_TYPE).data()))


def _on_board() -> QMimeData | None:
    board = QGuiApplication.clipboard()
    return None if board is None else board.mimeData()
