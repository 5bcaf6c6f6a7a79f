"""Tables for others in the room, from any station: of the set in Set, else of the song in hand."""

from __future__ import annotations

from collections.abc import Callable
from typing import TYPE_CHECKING

from PyQt6.QtWidgets import QWidget

from grebe.app.doing import does
from grebe.app.live.session import Session
from grebe.core.sets.model import Set
from grebe.core.songs.model import Song
from grebe.errors import UsageError
from grebe.ui.widgets.ask_file import SHEETS, ask_folder
from grebe.ui.widgets.paper_out import PaperOut
from grebe.words import tr

if TYPE_CHECKING:
    from grebe.core.room import RoomKind


class RoomActions:
    """Writes cues, markers and lists for others in the room; each action asks where to."""

    def __init__(self, window: QWidget, session: Session, of_set: Callable[[], bool]) -> None:
        """`of_set`: whether a whole set is what one is at."""
        self._window, self._session, self._of_set = window, session, of_set
        self._out = PaperOut(window, session)

    def _played(self) -> Song | Set:
        selection = self._session.selection
        of = selection.running_set if self._of_set() else selection.song
        of = of or selection.song or selection.running_set
        if of is None:
            raise UsageError(tr("There is no song yet."))
        return of

    def _write(self, kind: RoomKind, of: Song | Set | None) -> None:
        from grebe.app.document.sheets import room_sheet

        self._out.write(room_sheet(self._session.project, kind, of))

    @does("write_cue_list")
    def write_cue_list(self) -> None:
        """Everything that happens, with bar, time and who does it."""
        self._write("cues", self._played())

    @does("write_markers")
    def write_markers(self) -> None:
        """Sections, markers and tempi as MIDI and as a table of labels."""
        folder = ask_folder(self._window, SHEETS, tr("Write markers into"))
        if folder is not None:
            from grebe.app.document.export import export_markers

            paths = export_markers(self._session.project, self._played(), folder)
            names = tr(" and ").join(path.name for path in paths)
            self._session.say("info", tr("Wrote {path}.", path=names))

    @does("write_light_cues")
    def write_light_cues(self) -> None:
        """Where what one sees should change."""
        self._write("lights", self._played())

    @does("write_band_list")
    def write_band_list(self) -> None:
        """Tempo, key, metre and length of the songs of a set."""
        running = self._session.selection.running_set
        if running is None:
            raise UsageError(tr("There is no set yet."))
        self._write("band", running)

    @does("write_patch_list")
    def write_patch_list(self) -> None:
        """Channels, cables and supplies of the boxes."""
        self._write("patch", None)
