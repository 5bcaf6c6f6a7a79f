"""Everything that lies over the stations: one at a time, and Esc puts it away."""

from __future__ import annotations

from collections.abc import Callable
from functools import cached_property
from typing import TYPE_CHECKING, TypeVar

from PyQt6.QtCore import QEvent, QObject, QPoint, pyqtSignal
from PyQt6.QtWidgets import QWidget

from grebe.app.actions.finding import Findable
from grebe.app.live.phones import Phones
from grebe.app.live.session import Session
from grebe.formats.profiles import known_profiles
from grebe.process.places import own_profiles_dir
from grebe.ui.main_window.action_book import ActionBook
from grebe.ui.main_window.menus import open_at, thing_menu
from grebe.ui.main_window.overlay import Overlay
from grebe.ui.widgets.theme import Palette
from grebe.ui.widgets.view import Thing, View

if TYPE_CHECKING:
    from grebe.ui.main_window.bringing_page import BringingPage
    from grebe.ui.main_window.finder import Finder
    from grebe.ui.main_window.help_page import HelpPage
    from grebe.ui.main_window.keys_page import KeysPage
    from grebe.ui.main_window.lists import CautionsPage, HistoryList, MessageList
    from grebe.ui.main_window.phone_page import PhonePage
    from grebe.ui.main_window.settings_page import SettingsPage
    from grebe.ui.main_window.start_page import StartPage
    from grebe.ui.main_window.taking_page import TakingPage

ALONGSIDE = ("region", "section")
"""Kinds that lie over each other: each has the other's actions below its own."""
Made = TypeVar("Made", bound=Overlay)


class Overlays(QObject):
    """The finder, the pages, and the menu of a thing; each is loaded and made when it is first
    wanted."""

    found = pyqtSignal(object)
    """What was chosen in the finder."""
    gone_to = pyqtSignal(int)
    """A step of the history."""
    settings_changed = pyqtSignal(object)
    begun = pyqtSignal(object)
    """A project that is new."""
    gone_on_with = pyqtSignal(object)
    """The path of one of the last projects."""
    walk_wanted = pyqtSignal()
    demo_wanted = pyqtSignal(object)
    """An example to look at."""

    def __init__(
        self, room: QWidget, session: Session, book: ActionBook, *,
        palette: Callable[[], Palette], view: Callable[[], View], names: Callable[[str], str],
        phones: Phones,
    ) -> None:  # fmt: skip
        """`room` is what they lie over; `names` says what has the number of an action."""
        super().__init__()
        self._room, self._session, self._book = room, session, book
        self._palette, self._view, self._names = palette, view, names
        self._phones = phones
        self._made: list[Overlay] = []
        room.installEventFilter(self)

    def _keep(self, made: Made) -> Made:
        self._made.append(made)
        return made

    @cached_property
    def finder(self) -> Finder:
        """Finds an action, or anything by its name."""
        from grebe.ui.main_window.finder import Finder

        made = self._keep(Finder(self._room, self._why))
        made.chosen.connect(self.found)
        return made

    @cached_property
    def help(self) -> HelpPage:
        """What the station shown is for."""
        from grebe.ui.main_window.help_page import HelpPage

        made = self._keep(HelpPage(self._room, self._book))
        made.report.clicked.connect(lambda: self._leave_for("report"))
        made.change.clicked.connect(lambda: self._leave_for("change_keys"))
        return made

    @cached_property
    def keys(self) -> KeysPage:
        """Every action with its keys."""
        from grebe.ui.main_window.keys_page import KeysPage

        return self._keep(KeysPage(self._room, self._book.serves))

    @cached_property
    def settings(self) -> SettingsPage:
        """How Grebe looks and behaves here."""
        from grebe.ui.main_window.settings_page import SettingsPage

        made = self._keep(SettingsPage(self._room, self._session, self._book.do))
        made.changed.connect(self.settings_changed)
        return made

    @cached_property
    def start(self) -> StartPage:
        """The way in."""
        from grebe.ui.main_window.start_page import StartPage

        profiles, _ = known_profiles(own_profiles_dir())
        made = self._keep(StartPage(self._room, self._session, profiles))
        made.wanted.connect(self.begun)
        made.opened.connect(self.gone_on_with)
        made.demo.connect(self.demo_wanted)
        made.walk_wanted.connect(self.walk_wanted)
        made.asked.connect(self._leave_for)
        return made

    @cached_property
    def taking(self) -> TakingPage:
        """Out of another project."""
        from grebe.ui.main_window.taking_page import TakingPage

        return self._keep(TakingPage(self._room, self._session))

    @cached_property
    def bringing(self) -> BringingPage:
        """MIDI files, and where each goes."""
        from grebe.ui.main_window.bringing_page import BringingPage

        return self._keep(BringingPage(self._room, self._session))

    @cached_property
    def phones(self) -> PhonePage:
        """Stage on phones."""
        from grebe.ui.main_window.phone_page import PhonePage

        return self._keep(PhonePage(self._room, self._phones))

    @cached_property
    def messages(self) -> MessageList:
        """What was said lately."""
        from grebe.ui.main_window.lists import MessageList

        return self._keep(MessageList(self._room))

    @cached_property
    def cautions(self) -> CautionsPage:
        """All of them."""
        from grebe.ui.main_window.lists import CautionsPage

        return self._keep(CautionsPage(self._room))

    @cached_property
    def history(self) -> HistoryList:
        """Every step that can be undone."""
        from grebe.ui.main_window.lists import HistoryList

        made = self._keep(HistoryList(self._room))
        made.gone_to.connect(self.gone_to)
        return made

    def _leave_for(self, action_id: str) -> None:
        self.close_all()
        self._book.do(action_id)

    def _why(self, entry: Findable) -> str:
        """Why what was found cannot be done; an action of another station goes there first."""
        return self._book.why_not(entry.id) if entry.kind == "action" else ""

    @property
    def open_now(self) -> Overlay | None:
        """The one that is shown."""
        return next((each for each in self._made if not each.isHidden()), None)

    def open(self, which: Overlay) -> None:
        """Show one, the others not."""
        for each in self._made:
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

    def eventFilter(self, watched: QObject | None, event: QEvent | None) -> bool:
        """The room has another size: what lies over it goes along."""
        resized = event is not None and event.type() == QEvent.Type.Resize
        if resized and watched is self._room and self.open_now is not None:
            self.open_now.place()
        return False

    def open_menu(self, at: QPoint, *, in_hand: bool, kind: str = "") -> None:
        """The menu of the thing in hand, or of the station where nothing was under the pointer;
        `kind` comes first where that was pointed at."""
        view = self._view()
        thing = view.in_hand()
        if kind:
            at_kind = thing.kinds.index(kind) if kind in thing.kinds else len(thing.kinds)
            rest = thing.kinds[at_kind + 1 :]
            if kind in ALONGSIDE:
                rest = tuple(k for k in thing.kinds if k != kind)
            thing = Thing(thing.words if rest else kind.capitalize(), (kind, *rest))
        if not in_hand:
            thing = Thing(thing.words, thing.kinds[-1:])
        menu = thing_menu(view, thing, self._book, self._names)
        open_at(menu, at)
