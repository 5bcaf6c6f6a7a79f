"""A table of Qt's whose cells are where they are drawn."""

from __future__ import annotations

from typing import Any

from PyQt6.QtCore import QModelIndex, QPoint, QPointF, QRect, QRectF, QSize, Qt
from PyQt6.QtCore import pyqtSignal as Signal
from PyQt6.QtGui import QRegion
from PyQt6.QtWidgets import QAbstractButton, QAbstractItemView, QFrame, QTableView, QWidget

from grebe.app.tables.table import Cell, Table
from grebe.ui.widgets.cells import Cells


class CellView(QTableView):
    """A table whose places are where they are drawn, not in lines of equal boxes.

    Qt's own header cells, accessible rows and columns and current item come with it; what it would
    paint, scroll or type by itself is switched off.
    """

    taken = Signal()
    """A place was taken in hand from outside, as by a screen reader."""

    def __init__(self, table: Table) -> None:
        super().__init__()
        self.cells = Cells(table)
        self._following = False
        self.setFrameShape(QFrame.Shape.NoFrame)
        self.setObjectName("drawn")
        for bars in (self.setHorizontalScrollBarPolicy, self.setVerticalScrollBarPolicy):
            bars(Qt.ScrollBarPolicy.ScrollBarAlwaysOff)
        for header in (self.horizontalHeader(), self.verticalHeader()):
            if header is not None:
                header.hide()
        for corner in self.findChildren(QAbstractButton):
            corner.hide()
        self.setTabKeyNavigation(False)
        self.setEditTriggers(QAbstractItemView.EditTrigger.NoEditTriggers)
        self.setSelectionMode(QAbstractItemView.SelectionMode.ExtendedSelection)
        self.setAutoScroll(False)
        self.setAttribute(Qt.WidgetAttribute.WA_InputMethodEnabled, on=False)
        self.setModel(self.cells)
        self.surface.setAutoFillBackground(False)
        self.surface.setMouseTracking(True)
        chosen = self.selectionModel()
        assert chosen is not None
        chosen.currentChanged.connect(self._made_current)

    @property
    def surface(self) -> QWidget:
        """What is painted on."""
        found = self.viewport()
        assert found is not None
        return found

    def follow_table(self) -> None:
        """What the table says, what is in hand and what is selected may be other now."""
        self._following = True
        self.cells.follow()
        chosen, here = self.selectionModel(), self.cells.table.here()
        if chosen is not None:
            flag = chosen.SelectionFlag
            index = QModelIndex() if here is None else self.cells.index(*here)
            if chosen.currentIndex() != index:
                chosen.setCurrentIndex(index, flag.ClearAndSelect)
        self._following = False

    def _made_current(self, index: QModelIndex) -> None:
        """From outside, as by a screen reader: the hand follows."""
        if not self._following and index.isValid():
            self.cells.table.take(index.row(), index.column())
            self.taken.emit()

    # Where a place is drawn: views override the first two

    def cell_box(self, cell: Cell) -> QRectF:
        """Where a place is drawn."""
        del cell
        return QRectF()

    def cell_at(self, at: QPointF) -> Cell | None:
        """Which place is drawn at a point."""
        del at
        return None

    def visualRect(self, index: QModelIndex) -> QRect:
        """For Qt."""
        inside = index.isValid()
        return self.cell_box(Cell(index.row(), index.column())).toRect() if inside else QRect()

    def indexAt(self, p: QPoint) -> QModelIndex:
        """For Qt."""
        cell = self.cell_at(QPointF(p))
        return QModelIndex() if cell is None else self.cells.index(*cell)

    def scrollTo(self, index: QModelIndex, hint: object = None) -> None:
        """The hand that takes a place brings it into sight."""

    def moveCursor(self, *how: object) -> QModelIndex:
        """Keys are actions of the registry."""
        del how
        return self.currentIndex()

    def horizontalOffset(self) -> int:
        """Nothing is scrolled by Qt."""
        return 0

    def verticalOffset(self) -> int:
        """Nothing is scrolled by Qt."""
        return 0

    def setSelection(self, rect: QRect, command: object) -> None:
        """What is selected is the hand's."""

    def visualRegionForSelection(self, selection: object) -> QRegion:
        """All of it: it is painted with the rest."""
        del selection
        return QRegion(self.surface.rect())

    def updateGeometries(self) -> None:
        """Nothing stands around it."""

    def sizeHint(self) -> QSize:
        """As large as there is room."""
        return QSize()

    def minimumSizeHint(self) -> QSize:
        """As small as need be."""
        return QSize()

    def viewportSizeHint(self) -> QSize:
        """As large as there is room."""
        return QSize()

    def update(self, *where: Any) -> None:
        """Paint what is drawn anew, all or a part."""
        self.surface.update(*where)
