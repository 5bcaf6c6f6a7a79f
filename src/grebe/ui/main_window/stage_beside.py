"""Opens Stage in a window of its own, and keeps it going."""

from __future__ import annotations

from collections.abc import Callable
from typing import TYPE_CHECKING, Protocol

from PyQt6.QtCore import QObject
from PyQt6.QtGui import QKeyEvent
from PyQt6.QtWidgets import QWidget

from grebe.app.doing import does
from grebe.app.live.session import Session
from grebe.errors import GrebeError
from grebe.ui.main_window.stations import Stations
from grebe.ui.widgets.theme import Palette

if TYPE_CHECKING:
    from grebe.ui.stations.stage.window import StageWindow


class Dims(Protocol):
    """What says how bright Night is."""

    @property
    def night(self) -> Palette:
        """Night as bright as was chosen."""


class StageBeside(QObject):
    """Opens Stage in a window of its own, at most one, and has it follow."""

    def __init__(
        self, table: QWidget, session: Session, stations: Stations, looks: Dims,
        take_key: Callable[[QKeyEvent], bool],
    ) -> None:  # fmt: skip
        super().__init__()
        self._table, self._session, self._stations = table, session, stations
        self._looks, self._take_key = looks, take_key
        self.window: StageWindow | None = None

    @does("stage_window")
    def toggle(self) -> None:
        """Open it, or close it."""
        if self.window is not None:
            self.window.close()
            return
        from grebe.ui.stations.stage.window import StageWindow

        stage = self._stations.stage
        made = StageWindow(
            self._session, stage.book, stage.stage_actions.numbers, self._looks.night,
            self._take_key,
        )  # fmt: skip
        made.canvas.touched.connect(self._touched)
        made.closed.connect(self._closed)
        self.window = made
        made.open_beside(self._table)

    def _closed(self) -> None:
        gone, self.window = self.window, None
        if gone is not None:
            gone.deleteLater()

    def _touched(self, what: str) -> None:
        """As on Stage, but the table stays at its own station."""
        try:
            self._stations.stage.do_touched(what)
        except GrebeError as error:
            self._session.say("warn", f"{error}.")

    def follow(self) -> None:
        """Time has passed."""
        if self.window is not None:
            self._stations.stage.book.follow()
            self.window.follow()

    def set_palette(self) -> None:
        """Another brightness."""
        if self.window is not None:
            self.window.set_palette(self._looks.night)

    def close(self) -> None:
        """The table is closed: so is it."""
        if self.window is not None:
            self.window.close()
