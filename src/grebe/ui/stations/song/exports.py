"""What the Song station writes: sheets, cue lists, scenes as audio loops."""

from __future__ import annotations

from collections.abc import Callable
from pathlib import Path

from PyQt6.QtWidgets import QWidget

from grebe.app.document.export import export_cues
from grebe.app.document.export_audio import LoopWanted, export_loop
from grebe.app.document.loop_files import folder_of
from grebe.app.document.sheets import SheetPage, programme_sheet, stage_sheet
from grebe.app.doing import does
from grebe.app.editors.loops import samples_of
from grebe.app.editors.song_editor import SongEditor
from grebe.errors import GrebeError
from grebe.ui.widgets.ask_file import LOOPS, SHEETS, ask_folder
from grebe.ui.widgets.paper_out import PaperOut
from grebe.words import tr


class SongExports:
    """Asks where, and says what came of it."""

    def __init__(
        self, window: QWidget, editor: SongEditor, shows_stage: Callable[[], bool]
    ) -> None:
        """`shows_stage`: whether the stage sheet is shown, not the programme."""
        self._window = window
        self._editor = editor
        self._shows_stage = shows_stage
        self._out = PaperOut(window, editor.session)

    @does("preview_sheet")
    def preview_sheet(self) -> None:
        """The sheet shown, as it would be printed."""
        page = self._page()
        if page is not None:
            self._out.preview(page)

    @does("print_sheet")
    def print_sheet(self) -> None:
        """The sheet shown onto paper: the programme, or the stage sheet."""
        page = self._page()
        if page is not None and self._out.print(page):
            self._remember()

    @does("write_sheet")
    def write_sheet(self) -> None:
        """The sheet shown as a file."""
        page = self._page()
        if page is not None and self._out.write(page):
            self._remember()

    def write_into(self, path: Path) -> None:
        """The same under a name."""
        page = self._page()
        if page is not None and self._out.write_to(page, path):
            self._remember()

    def _page(self) -> SheetPage | None:
        project, song = self._editor.session.project, self._editor.session.song
        if song is None:
            return None
        return (stage_sheet if self._shows_stage() else programme_sheet)(project, song)

    def _remember(self) -> None:
        """What a programme says now is what stands on paper: changes are told from it later."""
        if not self._shows_stage():
            programmes = self._editor.hand.book.programmes()
            self._editor.sections.printed([p.device.id for p in programmes])

    @does("export_cues")
    def export_cues(self) -> None:
        """Write the cue list as CSV."""
        folder = ask_folder(self._window, SHEETS, tr("Write the cue list into"))
        if folder is not None:
            self.cues_into(folder)

    def cues_into(self, folder: Path) -> None:
        """The same into a folder; what cannot be written is said in the window."""
        song = self._editor.session.song
        if song is None:
            return
        try:
            path = export_cues(self._editor.session.project, song, folder)
        except GrebeError as error:
            self._editor.session.say("error", str(error))
        else:
            self._editor.session.say("info", tr("Wrote {path}.", path=path.name))

    @does("export_scene")
    def export_scene(self) -> None:
        """Write the selected section's scene as a WAV loop."""
        if self._editor.hand.span is not None:
            folder = ask_folder(self._window, LOOPS, tr("Write the scene as a WAV loop into"))
            if folder is not None:
                self.export_into(folder)

    def export_into(self, folder: Path) -> None:
        """The same into a folder; what cannot be written is said in the window."""
        session, song, span = (
            self._editor.session,
            self._editor.session.song,
            self._editor.hand.span,
        )
        if song is None or span is None:
            return
        wanted = LoopWanted(scene=span.scene.id, bpm=song.bpm)
        sounds = samples_of(session.project, folder_of(session.store.home))
        try:
            (path,) = export_loop(session.project, wanted, folder, samples=sounds.samples)
        except GrebeError as error:
            session.say("error", str(error))
        else:
            session.say("info", tr("Wrote {path}.", path=path.name))
