"""The buttons in the heading: the few that matter for the thing in hand, changing with it."""

from __future__ import annotations

from functools import partial

from PyQt6.QtWidgets import QHBoxLayout, QWidget

from grebe.app.actions.buttons import BUTTONS, on_button
from grebe.app.actions.keymap import printed
from grebe.ui.main_window.action_book import ActionBook
from grebe.ui.widgets.controls import Button
from grebe.ui.widgets.view import View
from grebe.words import tr

LEAST = 120
"""Room that buttons have, however long the title is."""


class HeadButtons(QWidget):
    """Of one station; made anew when another kind of thing is in hand."""

    def __init__(self, view: View, book: ActionBook) -> None:
        super().__init__()
        self._view, self._book = view, book
        self._shown: tuple[str, ...] = ()
        self.buttons: dict[str, Button] = {}
        self._row = QHBoxLayout(self)
        self._row.setContentsMargins(0, 0, 0, 0)
        self._row.setSpacing(8)

    def follow(self, met: frozenset[str]) -> None:
        """Show the buttons of what is in hand now, and which of them can be pressed."""
        kinds = self._view.in_hand().kinds
        wanted = BUTTONS.get(kinds[0], ()) if kinds else ()
        if wanted != self._shown:
            self._make(wanted)
        self._fit()
        for action_id, button in self.buttons.items():
            reason = self._book.why_not(action_id, met)
            if reason != button.why_not:
                button.why_not = reason
                button.update()

    def _fit(self) -> None:
        """As many as leave the title its room; all of them are in the menu too."""
        heading, taken = self._view.heading, 0
        room = max(LEAST, heading.width() - heading.title_width() - 24)
        for number, button in enumerate(self.buttons.values()):
            taken += button.sizeHint().width() + (8 if number else 0)
            button.setVisible(number == 0 or taken <= room)
        heading.leave_room(min(taken, room))

    def _make(self, wanted: tuple[str, ...]) -> None:
        self._shown = wanted
        for old in self.buttons.values():
            self._row.removeWidget(old)
            old.hide()
            old.deleteLater()
        self.buttons = {}
        for number, action_id in enumerate(wanted):
            button = Button(on_button(action_id), primary=number == 0)
            button.palette_now = self._view.palette_now
            button.setObjectName(action_id)
            keys = self._book.keys.keys_of(action_id)
            button.setToolTip(tr("Key: {printed}", printed=printed(keys[0])) if keys else "")
            button.clicked.connect(partial(self._book.do, action_id))
            self._row.addWidget(button)
            self.buttons[action_id] = button
