"""A table of the application as a model of Qt's, for views that paint themselves."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Any

from PyQt6.QtCore import QAbstractTableModel, QModelIndex, Qt

from grebe.app.tables.table import Table

ROLE = Qt.ItemDataRole
SAID = (ROLE.DisplayRole, ROLE.AccessibleTextRole, ROLE.ToolTipRole)


class Cells(QAbstractTableModel):
    """Rows, columns and words of a `Table`; `follow` takes in what has changed there."""

    def __init__(self, table: Table) -> None:
        super().__init__()
        self.table = table
        self._rows: Sequence[str] = ()
        self._columns: Sequence[str] = ()

    def follow(self) -> None:
        """The table says something else now."""
        rows, columns = self.table.rows(), self.table.columns()
        if (len(rows), len(columns)) != (len(self._rows), len(self._columns)):
            self.beginResetModel()
            self._rows, self._columns = rows, columns
            self.endResetModel()
            return
        renamed = rows != self._rows, columns != self._columns
        self._rows, self._columns = rows, columns
        if not rows or not columns:
            return
        for across, name in zip(Qt.Orientation, (renamed[1], renamed[0]), strict=True):
            if name:
                last = len(columns if across == Qt.Orientation.Horizontal else rows) - 1
                self.headerDataChanged.emit(across, 0, last)
        self.dataChanged.emit(self.index(0, 0), self.index(len(rows) - 1, len(columns) - 1))

    def rowCount(self, parent: QModelIndex = QModelIndex()) -> int:  # noqa: B008 - Qt's signature
        """How many rows."""
        return 0 if parent.isValid() else len(self._rows)

    def columnCount(self, parent: QModelIndex = QModelIndex()) -> int:  # noqa: B008
        """How many columns."""
        return 0 if parent.isValid() else len(self._columns)

    def data(self, index: QModelIndex, role: int = ROLE.DisplayRole) -> Any:
        """The words of a place."""
        inside = 0 <= index.row() < len(self._rows) and 0 <= index.column() < len(self._columns)
        if role in SAID and inside:
            return self.table.words(index.row(), index.column())
        return None

    def headerData(
        self, section: int, orientation: Qt.Orientation, role: int = ROLE.DisplayRole
    ) -> Any:
        """What a row or a column is called."""
        names = self._columns if orientation == Qt.Orientation.Horizontal else self._rows
        return names[section] if role in SAID and 0 <= section < len(names) else None

    def flags(self, index: QModelIndex) -> Qt.ItemFlag:
        """All can be taken in hand, and none is edited in place."""
        if not index.isValid():
            return Qt.ItemFlag.NoItemFlags
        return Qt.ItemFlag.ItemIsEnabled | Qt.ItemFlag.ItemIsSelectable
