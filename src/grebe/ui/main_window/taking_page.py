"""A page: out of another project, picked from a tree, with what would come of it."""

from __future__ import annotations

from collections.abc import Iterable
from pathlib import Path
from typing import Any

from PyQt6.QtCore import Qt
from PyQt6.QtWidgets import (
    QComboBox,
    QGridLayout,
    QHBoxLayout,
    QLabel,
    QScrollArea,
    QTreeWidget,
    QTreeWidgetItem,
    QVBoxLayout,
    QWidget,
)

from grebe.app.editors.taking import Taking
from grebe.app.live.session import Session
from grebe.errors import GrebeError
from grebe.process.places import shown
from grebe.ui.main_window.documents import FILES
from grebe.ui.main_window.overlay import PageOverlay
from grebe.ui.widgets.ask_file import PROJECTS, ask_open
from grebe.ui.widgets.controls import Button
from grebe.words import tr

NEW_BOX = tr("a new box")
GROUPS = (
    ("songs", tr("Songs")),
    ("scenes", tr("Scenes")),
    ("patterns", tr("Patterns")),
    ("boxes", tr("Boxes")),
)
TREE_WIDTH = 420
ROLE = Qt.ItemDataRole.UserRole


class TakingPage(PageOverlay):
    """Left the tree, right which box is which and what would be added."""

    def __init__(self, parent: QWidget, session: Session) -> None:
        super().__init__(parent, tr("Out of another project"))
        self.below.setText(
            tr("Tick what you want; what it needs comes along. Boxes you have already are yours.")
        )
        self.taking = Taking(session)
        self.tree = QTreeWidget()
        self.tree.setHeaderHidden(True)
        self.tree.setAccessibleName(tr("What is in it"))
        self.tree.setMinimumWidth(TREE_WIDTH)
        self.tree.itemChanged.connect(self._ticked)
        self.boxes: dict[str, QComboBox] = {}
        self._grid = QGridLayout()
        self._grid.setColumnStretch(1, 1)
        self.said = QLabel("")
        self.said.setWordWrap(True)
        other = Button(tr("Choose a project"))
        other.clicked.connect(self.ask)
        self.take = Button(tr("Take them"), primary=True)
        self.take.clicked.connect(self._take)
        sides = QHBoxLayout()
        sides.setSpacing(24)
        sides.addWidget(self.tree, 1)
        right = QVBoxLayout()
        right.addWidget(QLabel(tr("Which box is which")))
        inside = QWidget()
        inside.setLayout(self._grid)
        area = QScrollArea()
        area.setWidget(inside)
        area.setWidgetResizable(True)
        for part in (inside, area.viewport()):
            if part is not None:
                part.setAutoFillBackground(False)
        right.addWidget(area, 1)
        right.addWidget(self.said)
        row = QHBoxLayout()
        row.addWidget(other)
        row.addStretch(1)
        row.addWidget(self.take)
        right.addLayout(row)
        sides.addLayout(right, 1)
        self.column.addLayout(sides, 1)

    def ask(self) -> None:
        """Choose the other project."""
        chosen = ask_open(self, PROJECTS, tr("Take out of which project?"), FILES)
        if chosen is not None:
            self.open_file(chosen)

    def open_file(self, path: Path) -> None:
        """Show what is in another project."""
        try:
            self.taking.read(path)
        except GrebeError as error:
            self.said.setText(str(error))
            return
        self.title.setText(tr("Out of {path}", path=shown(path.stem)))
        self._fill()
        self._match()
        self._say()
        self.tree.setFocus()

    def _fill(self) -> None:
        other = self.taking.other
        things: dict[str, Iterable[Any]] = {
            "songs": other.songs, "scenes": other.scenes, "patterns": other.patterns,
            "boxes": other.rig.devices,
        }  # fmt: skip
        self.tree.blockSignals(True)
        self.tree.clear()
        for kind, words in GROUPS:
            top = QTreeWidgetItem([words])
            self.tree.addTopLevelItem(top)
            for thing in things[kind]:
                name = thing.name
                if kind == "patterns":
                    name = f"{name}, {other.rig.name_of(thing.device)}"
                item = QTreeWidgetItem([name])
                item.setData(0, ROLE, (kind, thing.id))
                item.setFlags(item.flags() | Qt.ItemFlag.ItemIsUserCheckable)
                item.setCheckState(0, Qt.CheckState.Unchecked)
                top.addChild(item)
            top.setExpanded(kind in ("songs", "boxes"))
        first = self.tree.topLevelItem(0)
        self.tree.setCurrentItem(first)
        self.tree.blockSignals(False)

    def _match(self) -> None:
        """A list of one's own boxes for each of theirs."""
        while (item := self._grid.takeAt(0)) is not None:
            widget = item.widget()
            if widget is not None:
                widget.deleteLater()
        self.boxes = {}
        own = self.taking.session.project.rig.devices
        for at, theirs in enumerate(self.taking.other.rig.devices):
            choice = QComboBox()
            choice.setAccessibleName(tr("{theirs} is", theirs=theirs.name))
            choice.addItem(NEW_BOX, "")
            for device in own:
                choice.addItem(device.name, device.id)
            choice.setCurrentIndex(max(0, choice.findData(self.taking.matches.get(theirs.id, ""))))
            choice.activated.connect(lambda _, d=theirs.id: self._matched(d))
            self.boxes[theirs.id] = choice
            self._grid.addWidget(QLabel(tr("{theirs} is", theirs=theirs.name)), at, 0)
            self._grid.addWidget(choice, at, 1)
        self._grid.setRowStretch(len(self.boxes), 1)

    def _matched(self, theirs: str) -> None:
        chosen = str(self.boxes[theirs].currentData() or "")
        self.taking.matches = {
            d: own for d, own in self.taking.matches.items() if d != theirs and own != chosen
        }
        if chosen:
            self.taking.matches[theirs] = chosen
        for name, choice in self.boxes.items():
            choice.setCurrentIndex(max(0, choice.findData(self.taking.matches.get(name, ""))))
        self._say()

    def _ticked(self, item: QTreeWidgetItem) -> None:
        kind, name = item.data(0, ROLE)
        self.taking.want(kind, name, on=item.checkState(0) == Qt.CheckState.Checked)
        self._say()

    def _say(self) -> None:
        try:
            taken = self.taking.proposed()
        except GrebeError as error:
            self.said.setText(f"{error}.")
            self.take.setEnabled(False)
            return
        words = (
            tr("It would add {names}.", names=", ".join(taken.lines))
            if taken.lines
            else tr("Nothing is ticked.")
        )
        mine = [
            tr("{theirs} is your {own}", theirs=theirs, own=own) for theirs, own in taken.matched
        ]
        self.said.setText(f"{words} {'; '.join(mine)}." if mine else words)
        self.take.setEnabled(bool(taken.lines))

    def _take(self) -> None:
        try:
            self.taking.take()
        except GrebeError as error:
            self.said.setText(f"{error}.")
        else:
            self.hide()
