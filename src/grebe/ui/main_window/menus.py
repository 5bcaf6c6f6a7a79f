"""The menu bar and the menu of a thing, both made from the registry when they are opened."""

from __future__ import annotations

from collections.abc import Callable, Iterator
from functools import partial

from PyQt6.QtCore import QPoint
from PyQt6.QtGui import QAction
from PyQt6.QtWidgets import QMenu, QMenuBar, QWidget

from grebe.app.actions.keymap import printed
from grebe.app.actions.model import STATION_NAMES, Action, station_name
from grebe.app.actions.table import ACTIONS
from grebe.ui.main_window.action_book import ActionBook
from grebe.ui.widgets.theme import DAY, Palette, style_sheet
from grebe.ui.widgets.view import Thing
from grebe.words import tr

WINDOW_MENUS = ("File", "Edit", "Play", "Go")
MOST_ROWS = 14
FOLDED = 3
"""Fewer than so many stand in the menu itself."""
LONGEST_REASON = 44
"""A longer reason is left to the tip."""


class MenuBar(QMenuBar):
    """File, Edit, Play, Go, the station shown, Help."""

    def __init__(self, book: ActionBook, names: Callable[[str], str]) -> None:
        """`names`: what has the number of a numbered action."""
        super().__init__()
        self._book, self._names = book, names
        self.palette_now: Palette = DAY
        self.menus: dict[str, QMenu] = {}
        for name in WINDOW_MENUS:
            self._add(name, name)
        self.station_menu = self._add("station", "Rig")
        self._add("Help", "Help")
        self.finds = QAction(tr("Find an action   Ctrl+K"), self)
        self.finds.triggered.connect(partial(book.do, "find_action"))
        self.addAction(self.finds)

    def _add(self, key: str, words: str) -> QMenu:
        menu = QMenu(f"&{tr(words)}", self)
        menu.setToolTipsVisible(True)
        menu.aboutToShow.connect(partial(self._fill, key))
        self.menus[key] = menu
        self.addMenu(menu)
        return menu

    def set_palette(self, palette: Palette) -> None:
        """Take the colours of a theme."""
        if palette is not self.palette_now or not self.styleSheet():
            self.palette_now = palette
            self.setStyleSheet(style_sheet(palette))

    def show_station(self) -> None:
        """The station's own menu is that of the station shown."""
        self.station_menu.setTitle(station_name(self._book.station))
        keys = self._book.keys.keys_of("find_action")
        words = (
            tr("Find an action   {printed}", printed=printed(keys[0]))
            if keys
            else tr("Find an action")
        )
        self.finds.setText(words)

    def _fill(self, key: str) -> None:
        menu = self.menus[key]
        name = STATION_NAMES[self._book.station] if key == "station" else key
        rows = [action for action in ACTIONS if action.menu == name]
        fill_menu(menu, rows, self._book, self._names, grouped=key == "station")


def fill_menu(
    menu: QMenu, rows: list[Action], book: ActionBook, names: Callable[[str], str], *,
    grouped: bool,
) -> None:  # fmt: skip
    """Put actions into a menu; `grouped`: each group in a menu of its own, else between lines."""
    menu.clear()
    met, within, last = book.met(), {"": menu}, ""
    for action in rows:
        into = menu
        if grouped and action.group:
            if action.group not in within:
                if len(within) == 1:
                    menu.addSeparator()
                within[action.group] = _below(menu, tr(action.group))
            into = within[action.group]
        elif action.group != last:
            menu.addSeparator()
            last = action.group
        if action.numbers:
            into = _below(into, action.title)
        for action_id in action.ids():
            into.addAction(_entry(menu, action, action_id, book, met, names))


def _below(menu: QMenu, words: str) -> QMenu:
    made = QMenu(words, menu)
    made.setToolTipsVisible(True)
    menu.addMenu(made)
    return made


def _entry(
    parent: QWidget, action: Action, action_id: str, book: ActionBook, met: frozenset[str],
    names: Callable[[str], str],
) -> QAction:  # fmt: skip
    number = action.number_of(action_id)
    name = names(action_id) if number is not None else ""
    words = action.title if number is None else f"{number}   {name}".strip()
    held, reason = book.keys.keys_of(action_id), book.why_not(action_id, met)
    right = printed(held[0]) if held else ""
    if reason and len(reason) <= LONGEST_REASON:
        right = reason.rstrip(".")
    made = QAction(f"{words}\t{right}" if right else words, parent)
    made.setObjectName(action_id)
    made.setEnabled(not reason)
    made.setToolTip(reason)
    made.triggered.connect(partial(_chosen, book, action_id))
    return made


def _chosen(book: ActionBook, action_id: str) -> None:
    book.do(action_id, chosen=True)


def rows_on(thing: Thing, station: str) -> list[tuple[str, list[Action]]]:
    """What can be done with a thing: by each kind of thing it is, the nearest first."""
    out: list[tuple[str, list[Action]]] = []
    seen: set[str] = set()
    for kind in thing.kinds:
        rows = [
            action for action in ACTIONS
            if kind in action.on and action.id not in seen
            and action.station in ("everywhere", station, *(("rig",) if kind == "rig" else ()))
            and (not action.at or station in action.at)
        ]  # fmt: skip
        seen |= {action.id for action in rows}
        rows.sort(key=lambda action: action.id == "settings")  # its settings last
        if rows:
            out.append((kind, rows))
    return out


def thing_menu(
    parent: QWidget, thing: Thing, book: ActionBook, names: Callable[[str], str]
) -> QMenu:
    """The menu of a thing; what it is part of has a menu below."""
    menu = QMenu(parent)
    menu.setToolTipsVisible(True)
    menu.setStyleSheet(style_sheet(_palette_of(parent)))
    title = menu.addAction(thing.words)
    if title is not None:
        title.setEnabled(False)
    menu.addSeparator()
    met = book.met()
    for number, (kind, rows) in enumerate(rows_on(thing, book.station)):
        into = menu if number == 0 else _below(menu, tr("The {kind}", kind=kind))
        if number == 1:
            menu.insertSeparator(into.menuAction())
        for group, of_group in _folded(rows):
            within = _below(into, tr(group)) if group else into
            for action in of_group:
                inner = _below(within, action.title) if action.numbers else within
                for action_id in action.ids():
                    inner.addAction(_entry(menu, action, action_id, book, met, names))
    return menu


def _folded(rows: list[Action]) -> Iterator[tuple[str, list[Action]]]:
    """Rows one after another; of a long menu all groups but the largest fold into one each."""
    if len(rows) <= MOST_ROWS:
        yield "", rows
        return
    groups: dict[str, list[Action]] = {}
    for action in rows:
        groups.setdefault(action.group, []).append(action)
    largest = max(groups, key=lambda name: len(groups[name]))
    yield "", groups.pop(largest)
    rest = [row for name, of_group in groups.items() if len(of_group) < FOLDED for row in of_group]
    for name, of_group in groups.items():
        if len(of_group) >= FOLDED:
            yield name, of_group
    yield "", rest


def open_at(menu: QMenu, at: QPoint) -> None:
    """Show a menu; it goes when it is closed."""
    menu.aboutToHide.connect(menu.deleteLater)
    menu.popup(at)


def _palette_of(parent: QWidget) -> Palette:
    found = getattr(parent, "palette_now", DAY)
    return found if isinstance(found, Palette) else DAY
