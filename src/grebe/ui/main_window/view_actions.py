"""What keys do with whatever station is shown: its findings, its keys, its song."""

from __future__ import annotations

from typing import Protocol

from grebe.app.doing import does
from grebe.app.live.session import Session
from grebe.ui.main_window.keys import KeySheet
from grebe.ui.stations.sync.view import SyncView
from grebe.ui.widgets.view import View


class Stations(Protocol):
    """The window as far as it is needed here."""

    session: Session
    key_sheet: KeySheet

    @property
    def view(self) -> View:
        """The station shown."""

    def show_station(self, number: int) -> None:
        """Show a station."""


class ViewActions:
    """Works on the station shown."""

    def __init__(self, window: Stations) -> None:
        self._window = window

    @does("finding_after")
    def finding_after(self) -> None:
        """The next thing to look at, of those this station lists."""
        if self._window.view.listed is not None:
            self._window.view.listed.step(1)

    @does("mend_here")
    def mend_here(self) -> None:
        """Mend the one selected, or the first that Grebe can."""
        if self._window.view.listed is not None:
            self._window.view.listed.mend_selected()

    @does("accept_here")
    def accept_here(self) -> None:
        """The one selected is intended."""
        if self._window.view.listed is not None:
            self._window.view.listed.accept_selected()

    @does("tempo_to")
    def tempo_to(self) -> None:
        """To the fields in Sync that take a tempo."""
        self._window.show_station(2)
        view = self._window.view
        assert isinstance(view, SyncView)
        view.type_tempo()

    @does("next_song")
    def next_song(self) -> None:
        """Take the next song in hand."""
        ids = [s.id for s in self._window.session.project.songs]
        if len(ids) > 1:
            here = ids.index(self._window.session.selection.song_id)
            if self._window.session.choose_song(ids[(here + 1) % len(ids)]):
                self._window.view.document_changed()

    @does("keys")
    def keys(self) -> None:
        """Show the keys; turn their page; after the last put them away."""
        if self._window.key_sheet.isVisible():
            if not self._window.key_sheet.turn():
                self._window.key_sheet.hide()
        else:
            self._window.key_sheet.open_for(self._window.view.scope, self._window.view.palette_now)
