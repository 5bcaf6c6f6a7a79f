"""Everything that lies over the stations: one at a time, and Esc puts it away."""

from __future__ import annotations

from collections.abc import Callable

from PyQt6.QtCore import QPoint
from PyQt6.QtWidgets import QWidget

from grebe.app.actions.finding import Findable
from grebe.app.actions.model import Station
from grebe.app.live.session import Session
from grebe.ui.main_window.action_book import ActionBook
from grebe.ui.main_window.finder import Finder
from grebe.ui.main_window.help_page import HelpPage
from grebe.ui.main_window.keys_page import KeysPage
from grebe.ui.main_window.lists import HistoryList, MessageList
from grebe.ui.main_window.menus import open_at, thing_menu
from grebe.ui.main_window.overlay import Overlay
from grebe.ui.main_window.settings_page import SettingsPage
from grebe.ui.widgets.theme import Palette
from grebe.ui.widgets.view import Thing, View


class Overlays:
    """The finder, the pages, and the menu of a thing."""

    def __init__(
        self, room: QWidget, session: Session, book: ActionBook, *,
        palette: Callable[[], Palette], view: Callable[[], View], names: Callable[[str], str],
    ) -> None:  # fmt: skip
        """`room` is what they lie over; `names` says what has the number of an action."""
        self._room, self._book = room, book
        self._palette, self._view, self._names = palette, view, names
        self.finder = Finder(room, self._why)
        self.help = HelpPage(room, book)
        self.keys = KeysPage(room, self.serves)
        self.settings = SettingsPage(room, session, book.do)
        self.messages = MessageList(room)
        self.history = HistoryList(room)
        self.all: tuple[Overlay, ...] = (
            self.finder, self.help, self.keys, self.settings, self.messages, self.history,
        )  # fmt: skip
        self.help.report.clicked.connect(lambda: self._leave_for("report"))
        self.help.change.clicked.connect(lambda: self._leave_for("change_keys"))

    def _leave_for(self, action_id: str) -> None:
        self.close_all()
        self._book.do(action_id)

    def _why(self, entry: Findable) -> str:
        """Why what was found cannot be done; an action of another station goes there first."""
        return self._book.why_not(entry.id) if entry.kind == "action" else ""

    def serves(self) -> dict[tuple[Station, int], frozenset[str]]:
        """What of everywhere each station and part has an answer to."""
        return self._book.serves()

    @property
    def open_now(self) -> Overlay | None:
        """The one that is shown."""
        return next((each for each in self.all if not each.isHidden()), None)

    def open(self, which: Overlay) -> None:
        """Show one, the others not."""
        for each in self.all:
            if each is not which:
                each.hide()
        which.show_over(self._palette())

    def close(self, which: Overlay) -> bool:
        """Put one away; whether it was shown."""
        shown = not which.isHidden()
        which.hide()
        if shown:
            self._view().canvas.setFocus()
        return shown

    def close_all(self) -> bool:
        """Put away what is shown; whether anything was."""
        shown = self.open_now
        return shown is not None and self.close(shown)

    def place(self) -> None:
        """The room has another size."""
        shown = self.open_now
        if shown is not None:
            shown.place()

    def open_menu(self, at: QPoint, *, in_hand: bool) -> None:
        """The menu of the thing in hand, or of the station where nothing was under the pointer."""
        view = self._view()
        thing = view.in_hand()
        if not in_hand:
            thing = Thing(thing.words, thing.kinds[-1:])
        menu = thing_menu(view, thing, self._book, self._names)
        open_at(menu, at)
