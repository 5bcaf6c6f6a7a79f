"""What the Song station writes: sheets, cue lists, scenes as audio loops."""

from __future__ import annotations

from collections.abc import Callable
from pathlib import Path

from PyQt6.QtWidgets import QWidget

from grebe.app.document.export import (
    export_cues,
    export_programme,
    export_stage,
    programme_sheet,
    stage_sheet,
)
from grebe.app.document.export_audio import LoopWanted, export_loop
from grebe.app.doing import does
from grebe.app.editors.loops import folder_of, samples_of
from grebe.app.editors.song_editor import SongEditor
from grebe.errors import GrebeError
from grebe.ui.widgets.ask_file import LOOPS, SHEETS, ask_folder, ask_save
from grebe.ui.widgets.printing import html_to_pdf, print_html
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

    @does("print_sheet")
    def print_sheet(self) -> None:
        """The sheet shown onto paper: the programme, or the stage sheet."""
        project, song = self._editor.session.project, self._editor.session.song
        if song is None:
            return
        stage = self._shows_stage()
        page = stage_sheet(project, song) if stage else programme_sheet(project, song)
        if print_html(self._window, page.html, page.title) and not stage:
            self._remember()

    @does("write_sheet")
    def write_sheet(self) -> None:
        """The sheet shown as a file."""
        stage = self._shows_stage()
        title = tr("Write the stage sheet") if stage else tr("Write the programming sheets")
        chosen = ask_save(self._window, SHEETS, title, tr("Sheets (*.pdf *.html)"))
        if chosen is not None:
            self.write_into(chosen, stage=stage)

    def _remember(self) -> None:
        """What a programme says now is what stands on paper: changes are told from it later."""
        self._editor.sections.printed([p.device.id for p in self._editor.hand.book.programmes()])

    def write_into(self, path: Path, *, stage: bool) -> None:
        """The same under a name. A programme is remembered, to say later what changed since."""
        project, song = self._editor.session.project, self._editor.session.song
        if song is None:
            return
        try:
            if stage:
                export_stage(project, song, path, to_pdf=html_to_pdf)
            else:
                export_programme(project, song, path, device="", to_pdf=html_to_pdf)
                self._remember()
        except GrebeError as error:
            self._editor.session.say("error", str(error))
        else:
            self._editor.session.say("info", tr("Wrote {path}.", path=path.name))

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
