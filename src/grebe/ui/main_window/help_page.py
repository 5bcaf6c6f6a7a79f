"""F1: what the station shown is for, its gestures, its keys; searchable."""

from __future__ import annotations

from html import escape

from PyQt6.QtWidgets import QLineEdit, QTextBrowser, QWidget

from grebe.app.actions.gestures import ABOUT, GESTURES
from grebe.app.actions.keymap import printed
from grebe.app.actions.model import Action, Station, station_name
from grebe.app.actions.table import VERBS, actions_in
from grebe.app.live.osc_model import ASKED, TOLD
from grebe.ui.main_window.action_book import ActionBook
from grebe.ui.main_window.overlay import PageOverlay
from grebe.ui.widgets.controls import Button
from grebe.words import tr

Rows = list[tuple[str, str]]


class HelpPage(PageOverlay):
    """One page, of the station and its part that are shown."""

    def __init__(self, parent: QWidget, book: ActionBook) -> None:
        super().__init__(parent, tr("Help"))
        self._book = book
        self._station: Station = "rig"
        self._part = -1
        self.report = Button(tr("Report a problem"))
        self.change = Button(tr("Change the keys"))
        self.head.insertWidget(2, self.report)
        self.head.insertWidget(3, self.change)
        self.field = QLineEdit()
        self.field.setPlaceholderText(tr("Search"))
        self.field.setAccessibleName(tr("Search the help"))
        self.field.textChanged.connect(self._show)
        self.text = QTextBrowser()
        self.text.setAccessibleName(tr("What can be done here"))
        self.column.addWidget(self.field)
        self.column.addWidget(self.text, 1)

    def show_station(self, station: Station, part: int) -> None:
        """Show the help of a station, as its part has it."""
        self._station, self._part = station, part
        self.title.setText(station_name(station))
        self.below.setText(ABOUT[station])
        self.field.setText("")
        self._show("")
        self.field.setFocus()

    def groups(self) -> list[tuple[str, Rows]]:
        """Everything there is to say, in groups: what is pressed, what it does."""
        name = station_name(self._station)
        here = [a for a in actions_in(self._station) if a.part in (-1, self._part)]
        everywhere = [
            a for a in actions_in("everywhere") if not a.at or self._station in a.at
        ]  # fmt: skip
        groups = [
            (tr("By the pointer"), list(GESTURES[self._station])),
            (name, self._rows(here)),
            (tr("Everywhere"), self._rows(everywhere)),
            (tr("What a letter means"), list(VERBS.items())),
        ]
        if self._station == "sync":
            groups.append((tr("By OSC, told"), [(t.address, t.meaning) for t in TOLD]))
            groups.append((tr("By OSC, asked"), [(a.address, a.meaning) for a in ASKED]))
        return groups

    def _rows(self, actions: list[Action]) -> Rows:
        return [(self._keys_of(action), action.title) for action in actions]

    def _keys_of(self, action: Action) -> str:
        numbers = action.numbers
        many = (
            tr("{numbers} to {numbers2}", numbers=numbers[0], numbers2=numbers[-1])
            if numbers
            else ""
        )
        keys = [printed(k.replace("{n}", many)) for k in self._book.keys.keys(action)]
        return tr(" or ").join(dict.fromkeys(keys)) or tr("{menu} menu", menu=action.menu)

    def _show(self, typed: str) -> None:
        words = typed.casefold().split()
        p, parts = self.palette_now, []
        for title, rows in self.groups():
            lines = [
                f"<tr><td width='190' style='color:{p.crest.name()}'><b>{escape(keys)}</b></td>"
                f"<td>{escape(says)}</td></tr>"
                for keys, says in rows
                if all(word in f"{keys} {says} {title}".casefold() for word in words)
            ]
            if lines:
                parts.append(f"<h3>{escape(title)}</h3><table>{''.join(lines)}</table>")
        self.text.setHtml("".join(parts) or tr("Nothing here has those words."))
