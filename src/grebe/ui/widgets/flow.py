"""A row of controls that goes on in a second one where the window is narrow."""

from __future__ import annotations

from PyQt6.QtCore import QPoint, QRect, QSize, Qt
from PyQt6.QtWidgets import QLayout, QLayoutItem, QVBoxLayout, QWidget

GAP = 8


class FlowLayout(QLayout):
    """Items one after another, broken into rows as words are."""

    def __init__(self) -> None:
        super().__init__()
        self._items: list[QLayoutItem] = []
        self.setContentsMargins(0, 0, 0, 0)

    def addItem(self, a0: QLayoutItem | None) -> None:
        """At its end."""
        if a0 is not None:
            self._items.append(a0)

    def count(self) -> int:
        """How many there are."""
        return len(self._items)

    def itemAt(self, index: int) -> QLayoutItem | None:
        """One of them; None past the end."""
        return self._items[index] if 0 <= index < len(self._items) else None

    def takeAt(self, index: int) -> QLayoutItem | None:
        """One of them, which is let go of."""
        return self._items.pop(index) if 0 <= index < len(self._items) else None

    def expandingDirections(self) -> Qt.Orientation:
        """It takes no more than it needs."""
        return Qt.Orientation(0)

    def hasHeightForWidth(self) -> bool:
        """The narrower, the taller."""
        return True

    def heightForWidth(self, a0: int) -> int:
        """Height of all rows at a width."""
        return self._arrange(QRect(0, 0, a0, 0), places=False)

    def setGeometry(self, a0: QRect) -> None:
        """Put everything in its place."""
        super().setGeometry(a0)
        self._arrange(a0, places=True)

    def sizeHint(self) -> QSize:
        """All of it in one row."""
        hints = [item.sizeHint() for item in self._items]
        wide = sum(h.width() for h in hints) + GAP * max(0, len(hints) - 1)
        return QSize(wide, max((h.height() for h in hints), default=0))

    def minimumSize(self) -> QSize:
        """Its widest item."""
        size = QSize()
        for item in self._items:
            size = size.expandedTo(item.minimumSize())
        return size

    def _arrange(self, room: QRect, *, places: bool) -> int:
        x, y, tall = room.x(), room.y(), 0
        for item in self._items:
            widget = item.widget()
            if widget is not None and widget.isHidden():
                continue
            size = item.sizeHint()
            if x > room.x() and x + size.width() > room.right() + 1:
                x, y, tall = room.x(), y + tall + GAP, 0
            if places:
                item.setGeometry(QRect(QPoint(x, y), size))
            x += size.width() + GAP
            tall = max(tall, size.height())
        return y + tall - room.y()


def named(words: QWidget, control: QWidget) -> QWidget:
    """A control under its words, as one item of a row."""
    made = QWidget()
    column = QVBoxLayout(made)
    column.setContentsMargins(0, 0, 0, 0)
    column.setSpacing(2)
    column.addWidget(words)
    column.addWidget(control)
    return made
