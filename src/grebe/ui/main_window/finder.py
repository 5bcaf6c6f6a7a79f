"""Find an action: a field, and below it what has the words typed; Enter does it."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any

from PyQt6.QtCore import QAbstractListModel, QModelIndex, QRectF, QSize, Qt, pyqtSignal
from PyQt6.QtGui import QKeyEvent, QPainter, QPaintEvent
from PyQt6.QtWidgets import (
    QLineEdit,
    QListView,
    QStyle,
    QStyledItemDelegate,
    QStyleOptionViewItem,
    QVBoxLayout,
    QWidget,
)

from grebe.app.actions.finding import Findable, found
from grebe.ui.main_window.overlay import Overlay
from grebe.ui.widgets import draw
from grebe.words import tr

WIDE, TALL, ROW = 660, 430, 28
TOP = 26
KEYS_WIDE = 190.0


class FoundModel(QAbstractListModel):
    """What was found."""

    def __init__(self, why_not: Callable[[Findable], str]) -> None:
        super().__init__()
        self.rows: list[Findable] = []
        self._why_not = why_not

    def show_rows(self, rows: list[Findable]) -> None:
        """Show other rows."""
        self.beginResetModel()
        self.rows = rows
        self.endResetModel()

    def rowCount(self, parent: QModelIndex | None = None) -> int:
        """How many there are."""
        return 0 if parent is not None and parent.isValid() else len(self.rows)

    def data(self, index: QModelIndex, role: int = Qt.ItemDataRole.DisplayRole) -> Any:
        """The title; for people who hear it, all of it; why it cannot be done now as its tip."""
        if not index.isValid():
            return None
        row = self.rows[index.row()]
        if role == Qt.ItemDataRole.DisplayRole:
            return row.title
        if role == Qt.ItemDataRole.UserRole:
            return row
        if role == Qt.ItemDataRole.ToolTipRole:
            return self._why_not(row) or None
        if role == Qt.ItemDataRole.AccessibleTextRole:
            return ", ".join(w for w in (row.title, row.where, row.key, self._why_not(row)) if w)
        return None


class FoundDelegate(QStyledItemDelegate):
    """A row: what it is, where, its key; greyed with the reason where it cannot be done."""

    def __init__(self, finder: Finder, why_not: Callable[[Findable], str]) -> None:
        super().__init__(finder)
        self._finder = finder
        self._why_not = why_not

    def sizeHint(self, option: QStyleOptionViewItem, index: QModelIndex) -> QSize:
        """One line."""
        del option, index
        return QSize(200, ROW)

    def paint(
        self, painter: QPainter | None, option: QStyleOptionViewItem, index: QModelIndex
    ) -> None:
        """Draw the row."""
        if painter is None:
            return
        p, box = self._finder.palette_now, QRectF(option.rect)
        row: Findable = index.data(Qt.ItemDataRole.UserRole)
        reason = self._why_not(row)
        chosen = bool(option.state & QStyle.StateFlag.State_Selected)
        if chosen:
            draw.fill(painter, box.left(), box.top(), box.width(), box.height(), p.soft)
            draw.fill(painter, box.left(), box.top(), 3, box.height(), p.water)
        y = box.top() + 19
        said = reason or f"{row.where}   {row.key}".strip()
        room = min(KEYS_WIDE + (150 if reason else 0), draw.text_width(said, 14, 400) + 8)
        draw.text(painter, box.left() + 14, y, row.title, p.muted if reason else p.ink, size=16,
                  weight=600 if chosen else 400, width=box.width() - room - 34)  # fmt: skip
        draw.text(painter, box.right() - 12 - room, y, said, p.muted, size=14, width=room)


class Finder(Overlay):
    """Lies over the stations at the top."""

    chosen = pyqtSignal(object)
    """The entry to be done or shown."""

    def __init__(self, parent: QWidget, why_not: Callable[[Findable], str]) -> None:
        super().__init__(parent)
        self.setAccessibleName(tr("Find an action"))
        self._entries: list[Findable] = []
        self._recent: list[str] = []
        self.field = QLineEdit()
        self.field.setPlaceholderText(tr("Type any of its words: drums out, tempo, thru"))
        self.field.setAccessibleName(tr("Find an action, or anything by its name"))
        self.field.textChanged.connect(self._typed)
        self.model = FoundModel(why_not)
        self.list = QListView()
        self.list.setModel(self.model)
        self.list.setUniformItemSizes(True)
        self.list.setItemDelegate(FoundDelegate(self, why_not))
        self.list.setFocusPolicy(Qt.FocusPolicy.NoFocus)
        self.list.setAccessibleName(tr("Found"))
        self.list.clicked.connect(self._clicked)
        column = QVBoxLayout(self)
        column.setContentsMargins(10, 10, 10, 10)
        column.setSpacing(6)
        column.addWidget(self.field)
        column.addWidget(self.list, 1)

    def place(self) -> None:
        """At the top, in the middle."""
        parent = self.parentWidget()
        if parent is not None:
            wide = min(WIDE, parent.width() - 40)
            rows = max(1, len(self.model.rows)) * ROW + 66  # no taller than what was found
            tall = min(TALL, rows, parent.height() - 60)
            self.setGeometry((parent.width() - wide) // 2, TOP, wide, tall)

    def search_in(self, entries: list[Findable], recent: list[str], typed: str = "") -> None:
        """Begin: in these, with what was done last first."""
        self._entries, self._recent = entries, recent
        self.field.setText(typed)
        self._typed(typed)
        self.field.setFocus()
        self.field.selectAll()

    def _typed(self, words: str) -> None:
        self.model.show_rows(found(self._entries, words, self._recent))
        self.place()
        if self.model.rows:
            self.list.setCurrentIndex(self.model.index(0))

    def _clicked(self, index: QModelIndex) -> None:
        self._take(index.row())

    def _take(self, row: int) -> None:
        if 0 <= row < len(self.model.rows):
            self.hide()
            self.chosen.emit(self.model.rows[row])

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        """Up and down choose, Enter does it."""
        if event is None:
            return
        key, here = event.key(), self.list.currentIndex().row()
        moves = {
            Qt.Key.Key_Down: 1, Qt.Key.Key_Up: -1, Qt.Key.Key_PageDown: 10, Qt.Key.Key_PageUp: -10,
        }  # fmt: skip
        if key in moves:
            to = max(0, min(len(self.model.rows) - 1, here + moves[Qt.Key(key)]))
            self.list.setCurrentIndex(self.model.index(to))
        elif key in (Qt.Key.Key_Return, Qt.Key.Key_Enter):
            self._take(here)
        else:
            super().keyPressEvent(event)

    def paintEvent(self, event: QPaintEvent | None) -> None:
        """Draw the panel."""
        del event
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        box = QRectF(self.rect()).adjusted(1, 1, -1, -1)
        draw.panel(painter, box, self.palette_now.panel, self.palette_now.edge, width=1.5)
