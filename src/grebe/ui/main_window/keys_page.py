"""Settings > Keys: every action with its keys, changed by pressing; clashes; files of keys."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from pathlib import Path
from typing import Any

from PyQt6.QtCore import QAbstractTableModel, QModelIndex, QSortFilterProxyModel, Qt
from PyQt6.QtGui import QKeyEvent
from PyQt6.QtWidgets import (
    QAbstractItemView,
    QHBoxLayout,
    QHeaderView,
    QLineEdit,
    QTableView,
    QWidget,
)

from grebe.app.actions.keymap import Clash, KeyMap, keep_keys, key_file, key_map, printed
from grebe.app.actions.model import Action, Station, station_name
from grebe.app.actions.table import ACTIONS, by_id
from grebe.errors import GrebeError
from grebe.formats.atomic import write_atomic
from grebe.formats.reading import read_file
from grebe.ui.main_window.overlay import PageOverlay
from grebe.ui.widgets.ask_file import KEYS, ask_open, ask_save
from grebe.ui.widgets.controls import Button
from grebe.ui.widgets.keyboard import key_names
from grebe.words import tr

COLUMNS = (tr("What it does"), tr("Where"), tr("Keys"), tr("As shipped"), tr("Clashes with"))
FILES = "Keys (*.json)"
MOST_BYTES = 1024 * 1024


class KeysModel(QAbstractTableModel):
    """A row an action."""

    def __init__(self) -> None:
        super().__init__()
        self.clashes: dict[str, str] = {}

    def rowCount(self, parent: QModelIndex | None = None) -> int:
        """One each."""
        return 0 if parent is not None and parent.isValid() else len(ACTIONS)

    def columnCount(self, parent: QModelIndex | None = None) -> int:
        """As named in the head."""
        return 0 if parent is not None and parent.isValid() else len(COLUMNS)

    def headerData(
        self, section: int, orientation: Qt.Orientation, role: int = Qt.ItemDataRole.DisplayRole
    ) -> Any:
        """The heads of the columns."""
        if orientation == Qt.Orientation.Horizontal and role == Qt.ItemDataRole.DisplayRole:
            return COLUMNS[section]
        return None

    def data(self, index: QModelIndex, role: int = Qt.ItemDataRole.DisplayRole) -> Any:
        """What stands in a cell."""
        if not index.isValid() or role != Qt.ItemDataRole.DisplayRole:
            return None
        action = ACTIONS[index.row()]
        return (
            action.title, action.where, _words(key_map().keys(action)), _words(action.keys),
            self.clashes.get(action.id, ""),
        )[index.column()]  # fmt: skip

    def changed(self) -> None:
        """Keys are others now."""
        self.dataChanged.emit(self.index(0, 0), self.index(len(ACTIONS) - 1, len(COLUMNS) - 1))


def _words(keys: tuple[str, ...]) -> str:
    return ", ".join(printed(key) for key in keys)


class KeysPage(PageOverlay):
    """The table, and a way to press another key."""

    def __init__(
        self, parent: QWidget, serves: Callable[[], Mapping[tuple[Station, int], frozenset[str]]]
    ) -> None:
        """`serves`: what of everywhere each station and part answers."""
        super().__init__(parent, tr("Keys"))
        self._serves = serves
        self._waits: Action | None = None
        self.model = KeysModel()
        self.shown = QSortFilterProxyModel(self)
        self.shown.setSourceModel(self.model)
        self.shown.setFilterCaseSensitivity(Qt.CaseSensitivity.CaseInsensitive)
        self.shown.setFilterKeyColumn(-1)
        self.field = QLineEdit()
        self.field.setPlaceholderText(tr("Search"))
        self.field.setAccessibleName(tr("Search the keys"))
        self.field.textChanged.connect(self.shown.setFilterFixedString)
        self.table = QTableView()
        self.table.setModel(self.shown)
        self.table.setSelectionBehavior(QAbstractItemView.SelectionBehavior.SelectRows)
        self.table.setEditTriggers(QAbstractItemView.EditTrigger.NoEditTriggers)
        self.table.setTabKeyNavigation(False)
        self.table.setAccessibleName(tr("Keys"))
        self.table.activated.connect(lambda _: self.ask())
        head, rows = self.table.horizontalHeader(), self.table.verticalHeader()
        if head is not None and rows is not None:
            head.setSectionResizeMode(QHeaderView.ResizeMode.Stretch)
            rows.hide()
        row = QHBoxLayout()
        for words, does in (
            (tr("Change"), self.ask), (tr("No key"), self.none), (tr("As shipped"), self.shipped),
            (tr("All as shipped"), self.all_shipped), (tr("Read a file"), self.read),
            (tr("Write a file"), self.write),
        ):  # fmt: skip
            button = Button(words, primary=does == self.ask)
            button.clicked.connect(does)
            row.addWidget(button)
        row.addStretch(1)
        self.column.addWidget(self.field)
        self.column.addWidget(self.table, 1)
        self.column.addLayout(row)

    def open(self) -> None:
        """Show the keys as they are."""
        self._refresh(
            tr("Enter or Change, then press the key it is to have. Esc leaves it as it is.")
        )
        self.field.setFocus()

    def _refresh(self, words: str) -> None:
        clashes = list(key_map().clashes(self._serves()))
        self.model.clashes = _by_action(clashes)
        self.model.changed()
        self.below.setText(words if not clashes else f"{words} {_clash_words(clashes[0])}")

    @property
    def action(self) -> Action | None:
        """The action of the row in hand."""
        index = self.shown.mapToSource(self.table.currentIndex())
        return ACTIONS[index.row()] if index.isValid() else None

    def ask(self) -> None:
        """The next key that is pressed is its key."""
        self._waits = self.action
        if self._waits is not None:
            self.below.setText(
                tr("Press the key for: {waits_title}", waits_title=self._waits.title)
            )
            self.setFocus()

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        """Take the key that was waited for."""
        if event is None or self._waits is None:
            super().keyPressEvent(event)
            return
        names, action = key_names(event), self._waits
        event.accept()
        if not names:
            return
        self._waits = None
        self.table.setFocus()
        if event.key() == Qt.Key.Key_Escape and action.id != "panic":
            self._refresh(tr("Left as it was."))
            return
        key = names[0]
        if action.numbers:
            if not key[-1:].isdigit():
                self._refresh(tr("This one has a key for each number: press one with its 1."))
                return
            key = key[:-1] + "{n}"
        self._take(key_map().with_keys(action.id, (key,)), f"{action.title}: {printed(key)}.")

    def _take(self, keys: KeyMap, words: str) -> None:
        try:
            keep_keys(keys)
        except OSError as error:
            words = tr(
                "{words} It could not be kept ({strerror}).", words=words, strerror=error.strerror
            )
        self._refresh(words)

    def none(self) -> None:
        """It has no key."""
        if self.action is not None:
            self._take(
                key_map().with_keys(self.action.id, ()),
                tr("{action_title}: no key.", action_title=self.action.title),
            )

    def shipped(self) -> None:
        """It has the keys it was shipped with."""
        if self.action is not None:
            self._take(
                key_map().with_keys(self.action.id, None),
                tr("{action_title}: as it was.", action_title=self.action.title),
            )

    def all_shipped(self) -> None:
        """All keys are as shipped."""
        self._take(KeyMap(), tr("All keys are as shipped."))

    def read(self) -> None:
        """Read a file of keys."""
        chosen = ask_open(self, KEYS, tr("Read keys"), FILES)
        if chosen is not None:
            self.read_from(chosen)

    def read_from(self, path: Path) -> None:
        """The same under a name; what is wrong with it is said."""
        try:
            keys = key_file(read_file(path, MOST_BYTES))
        except (GrebeError, OSError) as error:
            self._refresh(f"{path.name}: {error}.")
        else:
            self._take(keys, tr("Read {path}.", path=path.name))

    def write(self) -> None:
        """Write the keys that were changed to a file."""
        chosen = ask_save(self, KEYS, tr("Write keys"), FILES)
        if chosen is not None:
            self.write_into(chosen.with_suffix(".json"))

    def write_into(self, path: Path) -> None:
        """The same under a name."""
        try:
            write_atomic(path, key_map().to_bytes())
        except OSError as error:
            self._refresh(
                tr(
                    "{path} could not be written: {strerror}.",
                    path=path.name,
                    strerror=error.strerror,
                )
            )
        else:
            self._refresh(tr("Wrote {path}.", path=path.name))


def _by_action(clashes: list[Clash]) -> dict[str, str]:
    known = by_id()
    out: dict[str, str] = {}
    for clash in clashes:
        first, second = known[clash.first], known[clash.second]
        out.setdefault(first.id, f"{printed(clash.key)}: {second.title}")
        out.setdefault(second.id, f"{printed(clash.key)}: {first.title}")
    return out


def _clash_words(clash: Clash) -> str:
    known = by_id()
    return tr(
        "{printed} means two things in {station_names}: {title}, and {title2}. The first is done.",
        printed=printed(clash.key),
        station_names=station_name(clash.station),
        title=known[clash.first].title,
        title2=known[clash.second].title,
    )
