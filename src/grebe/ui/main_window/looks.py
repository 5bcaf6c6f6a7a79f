"""How the window looks: colours, what is folded away; changed by key and in the settings."""

from __future__ import annotations

from typing import Protocol

import msgspec
from PyQt6.QtCore import QObject, pyqtSignal
from PyQt6.QtGui import QGuiApplication

from grebe.app.actions.model import STATION_NUMBERS
from grebe.app.doing import does
from grebe.app.settings import Settings, read_settings, write_settings
from grebe.ui.main_window.menus import MenuBar
from grebe.ui.main_window.notice import NoticeStack
from grebe.ui.main_window.overlays import Overlays
from grebe.ui.main_window.rail import Rail
from grebe.ui.main_window.walk_bar import WalkBar
from grebe.ui.main_window.waterline import Waterline
from grebe.ui.widgets.theme import BRIGHTNESS, DAY, Palette, chosen_palette, night
from grebe.ui.widgets.view import View

STAGE = STATION_NUMBERS["stage"]
"""Always dark."""


class Dressed(Protocol):
    """The window as far as it is needed here."""

    rail: Rail
    waterline: Waterline
    menu_bar: MenuBar
    notices: NoticeStack
    walk: WalkBar
    over: Overlays

    @property
    def view(self) -> View:
        """The station shown."""

    def update(self) -> None:
        """Draw the ground anew."""


class Looks(QObject):
    """Keeps the settings of how things look, and shows them."""

    shown = pyqtSignal()
    """Things may look otherwise now."""

    def __init__(self, window: Dressed) -> None:
        super().__init__()
        self._window = window
        self.settings = read_settings()
        self.palette: Palette = chosen_palette(self.settings.theme)
        """Of the stations at the table."""
        window.over.settings_changed.connect(self.take)
        hints = QGuiApplication.styleHints()
        if hints is not None:
            hints.colorSchemeChanged.connect(self.desktop_changed)

    @property
    def palette_shown(self) -> Palette:
        """Night around Stage, otherwise the theme chosen."""
        on_stage = self._window.rail.current == STAGE
        return self.night if on_stage else self.palette

    @property
    def night(self) -> Palette:
        """Night as bright as was chosen."""
        return night(self.settings.night_step)

    def show(self) -> None:
        """Colour what is seen; fold away what is to be."""
        window, shown, view = self._window, self.palette_shown, self._window.view
        window.rail.set_palette(shown)
        window.waterline.set_palette(shown)
        window.menu_bar.set_palette(shown)
        window.menu_bar.setVisible(window.rail.current != STAGE or self.settings.menu_on_stage)
        window.notices.set_palette(shown)
        window.walk.set_palette(shown)
        if window.over.open_now is not None:
            window.over.open_now.set_palette(shown)
        # the other stations when they are shown: styling all of them takes a while
        if view.palette_now is not shown or not view.styleSheet():
            view.set_palette(shown)
        if view.sheet_shown is not None:
            view.sheet_shown.setVisible(self.settings.sheet_shown)
        window.update()
        self.shown.emit()

    def take(self, settings: Settings) -> None:
        """Show things as these settings say."""
        self.settings = settings
        self.palette = chosen_palette(settings.theme)
        self.show()

    def desktop_changed(self) -> None:
        """The desktop is light or dark now."""
        self.take(read_settings())

    def change(self, **fields: object) -> None:
        """Other settings from now on, kept."""
        settings = msgspec.structs.replace(read_settings(), **fields)
        write_settings(settings)
        self.take(settings)

    @does("theme")
    def theme(self) -> None:
        """Day or Night."""
        self.change(theme="night" if self.palette is DAY else "day")

    @does("brightness")
    def brightness(self) -> None:
        """Night a step dimmer, then bright again."""
        self.change(night_step=(self.settings.night_step + 1) % len(BRIGHTNESS))

    @does("fold_sheet")
    def fold_sheet(self) -> None:
        """The sheet at the right, or away with it."""
        self.change(sheet_shown=not self.settings.sheet_shown)

    @does("fold_menu")
    def fold_menu(self) -> None:
        """The menu bar on Stage, or away with it."""
        self.change(menu_on_stage=not self.settings.menu_on_stage)
