"""The rig in tables: boxes, cables and routes, each cell with what it can be filled with."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any

from PyQt6.QtCore import QAbstractTableModel, QModelIndex, QObject, Qt
from PyQt6.QtGui import QKeyEvent
from PyQt6.QtWidgets import (
    QAbstractItemView,
    QComboBox,
    QHeaderView,
    QLabel,
    QLineEdit,
    QStyledItemDelegate,
    QStyleOptionViewItem,
    QTableView,
    QVBoxLayout,
    QWidget,
)

from grebe.app.editors.rig_columns import CABLE_COLUMNS, DEVICE_COLUMNS, ROUTE_COLUMNS, Column
from grebe.app.editors.rig_editor import RigEditor
from grebe.core.forms import Field, reckoned
from grebe.core.rig.model import Cable, Device, Rig, Route
from grebe.words import tr

ROW_HEIGHT = 25
CELL = Field(owner="table", key="cell", words="")
"""A cell as a form's field: "+3" adds to the number that stands there."""


class RigModel(QAbstractTableModel):
    """One of the three tables over the document."""

    def __init__(
        self,
        editor: RigEditor,
        what: str,
        columns: tuple[Column, ...],
        items: Callable[[Rig], tuple[Any, ...]],
        parent: QObject | None = None,
    ) -> None:
        super().__init__(parent)
        self.editor, self.session = editor, editor.session
        self.what = what
        self.columns = columns
        self._items = items
        self._shown: tuple[Any, ...] = ()
        self.document_changed()

    def document_changed(self) -> None:
        """Show what is there now; only a change of number resets the view's place."""
        items = self._items(self.session.project.rig)
        if len(items) != len(self._shown):
            self.beginResetModel()
            self._shown = items
            self.endResetModel()
        elif items != self._shown:
            self._shown = items
            if items:
                self.dataChanged.emit(
                    self.index(0, 0), self.index(len(items) - 1, len(self.columns) - 1)
                )

    def item(self, row: int) -> Any:
        """What stands in a row."""
        return self._shown[row]

    def rowCount(self, parent: QModelIndex | None = None) -> int:
        """Rows there are."""
        del parent
        return len(self._shown)

    def columnCount(self, parent: QModelIndex | None = None) -> int:
        """Columns there are."""
        del parent
        return len(self.columns)

    def data(self, index: QModelIndex, role: int = Qt.ItemDataRole.DisplayRole) -> object:
        """The text of a cell."""
        if role not in (Qt.ItemDataRole.DisplayRole, Qt.ItemDataRole.EditRole):
            return None
        column = self.columns[index.column()]
        return column.shown(self.session.project.rig, self._shown[index.row()])

    def headerData(
        self,
        section: int,
        orientation: Qt.Orientation,
        role: int = Qt.ItemDataRole.DisplayRole,
    ) -> object:
        """Titles of the columns, numbers of the rows."""
        if role != Qt.ItemDataRole.DisplayRole:
            return None
        if orientation == Qt.Orientation.Vertical:
            return str(section + 1)
        return self.columns[section].title

    def flags(self, index: QModelIndex) -> Qt.ItemFlag:
        """What can be edited."""
        flags = super().flags(index)
        if self.columns[index.column()].edit is not None:
            flags |= Qt.ItemFlag.ItemIsEditable
        return flags

    def setData(
        self, index: QModelIndex, value: object, role: int = Qt.ItemDataRole.EditRole
    ) -> bool:
        """Make an edit of a text; what cannot be is said in the window."""
        column, row = self.columns[index.column()], index.row()
        edit, old = column.edit, str(self.data(index))
        if isinstance(value, str):
            value = reckoned(CELL, value, old.partition(" ")[0])
        if role != Qt.ItemDataRole.EditRole or edit is None or value == old:
            return False
        item = self._shown[row]
        name = tr(
            "{column_title} of {what} {value}",
            column_title=column.title,
            what=self.what,
            value=row + 1,
        )
        return self.editor.boxes.set_cell(name, edit, row, item, str(value))


class ChoiceDelegate(QStyledItemDelegate):
    """Edits a cell with a list where there are choices, with completion while typing."""

    def createEditor(
        self, parent: QWidget | None, option: QStyleOptionViewItem, index: QModelIndex
    ) -> QWidget | None:
        """A list, or a line."""
        model = index.model()
        assert isinstance(model, RigModel)
        column = model.columns[index.column()]
        rig, item = model.session.project.rig, model.item(index.row())
        choices = column.choices(rig, item) if column.choices is not None else ()
        if not choices:
            return super().createEditor(parent, option, index)
        box = QComboBox(parent)
        box.setEditable(column.free)
        box.addItems(list(choices))
        return box

    def setEditorData(self, editor: QWidget | None, index: QModelIndex) -> None:
        """Begin with what stands there."""
        text = str(index.data(Qt.ItemDataRole.EditRole))
        if isinstance(editor, QComboBox):
            at = editor.findText(text)
            if at < 0 and editor.isEditable():
                editor.setEditText(text)
            else:
                editor.setCurrentIndex(max(0, at))
        elif isinstance(editor, QLineEdit):
            editor.setText(text)
            editor.selectAll()

    def setModelData(self, editor: QWidget | None, model: object, index: QModelIndex) -> None:
        """Hand the text over."""
        assert isinstance(model, RigModel)
        if isinstance(editor, QComboBox):
            model.setData(index, editor.currentText())
        elif isinstance(editor, QLineEdit):
            model.setData(index, editor.text())


MOST_STRETCHED = 11


class RigTable(QTableView):
    """One table; Delete takes the row out."""

    def __init__(self, model: RigModel, remove: Callable[[int], None]) -> None:
        super().__init__()
        self.setModel(model)
        self._remove = remove
        self.setItemDelegate(ChoiceDelegate(self))
        self.setAccessibleName(model.what)
        self.setEditTriggers(
            QAbstractItemView.EditTrigger.DoubleClicked
            | QAbstractItemView.EditTrigger.EditKeyPressed
            | QAbstractItemView.EditTrigger.AnyKeyPressed
        )
        header, rows = self.horizontalHeader(), self.verticalHeader()
        assert header is not None
        assert rows is not None
        # Where there is no room for all their titles, columns keep their own width.
        many = model.columnCount() > MOST_STRETCHED
        modes = QHeaderView.ResizeMode
        header.setSectionResizeMode(modes.ResizeToContents if many else modes.Stretch)
        header.setDefaultAlignment(Qt.AlignmentFlag.AlignLeft)
        rows.setDefaultSectionSize(ROW_HEIGHT)
        rows.hide()
        self.setShowGrid(True)

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        """Enter edits, Delete removes the row."""
        if event is None:
            return
        index = self.currentIndex()
        if event.key() in (Qt.Key.Key_Return, Qt.Key.Key_Enter) and index.isValid():
            while index.isValid() and not index.flags() & Qt.ItemFlag.ItemIsEditable:
                index = index.siblingAtColumn(index.column() + 1)
            self.edit(index)
        elif event.key() == Qt.Key.Key_Delete and index.isValid():
            self._remove(index.row())
        else:
            super().keyPressEvent(event)


class TablesPane(QWidget):
    """Boxes, cables and routes, one under another."""

    def __init__(self, editor: RigEditor, remove_device: Callable[[str], None]) -> None:
        super().__init__()
        devices: Callable[[Rig], tuple[Device, ...]] = lambda rig: rig.devices  # noqa: E731
        cables: Callable[[Rig], tuple[Cable, ...]] = lambda rig: rig.cables  # noqa: E731
        routes: Callable[[Rig], tuple[Route, ...]] = lambda rig: rig.routes  # noqa: E731
        self.models = (
            RigModel(editor, "box", DEVICE_COLUMNS, devices, self),
            RigModel(editor, "cable", CABLE_COLUMNS, cables, self),
            RigModel(editor, "route", ROUTE_COLUMNS, routes, self),
        )
        self.devices = RigTable(
            self.models[0], lambda row: remove_device(self.models[0].item(row).id)
        )
        self.cables = RigTable(self.models[1], editor.boxes.remove_cable)
        self.routes = RigTable(self.models[2], editor.boxes.remove_route)
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 4, 0, 0)
        column.setSpacing(4)
        for words, table, share in (
            (tr("Boxes"), self.devices, 4),
            (tr("Cables"), self.cables, 4),
            (tr("Routes through Grebe: what one box plays, another sounds"), self.routes, 2),
        ):
            column.addWidget(QLabel(words))
            column.addWidget(table, share)

    def document_changed(self) -> None:
        """Show what is there now."""
        for model in self.models:
            model.document_changed()
