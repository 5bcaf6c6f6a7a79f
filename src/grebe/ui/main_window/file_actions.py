"""What keys do with files: save, open, attach, export, report a problem."""

from __future__ import annotations

from collections.abc import Callable
from pathlib import Path
from typing import TYPE_CHECKING

from PyQt6.QtWidgets import QWidget

from grebe.app.document.demo import Example, fresh_demo, fresh_project, is_copy
from grebe.app.document.recovery import OpenedDocument, open_recovered
from grebe.app.doing import does
from grebe.app.live.session import Session
from grebe.app.settings import remember_project
from grebe.core.document import Project
from grebe.ui.main_window.documents import FILES, Documents
from grebe.ui.widgets.ask_file import LOOPS, PROJECTS, ask_folder, ask_open
from grebe.ui.widgets.theme import Palette
from grebe.words import tr

if TYPE_CHECKING:
    pass


class FileActions:
    """Asks for names and folders over one window."""

    def __init__(
        self,
        window: QWidget,
        session: Session,
        documents: Documents,
        *,
        saved: Callable[[], None],
        replace: Callable[[OpenedDocument], None],
        palette: Callable[[], Palette],
    ) -> None:
        """`saved` is told of a file written, `replace` shows another document in this place."""
        self._window = window
        self._session = session
        self._documents = documents
        self._saved = saved
        self._replace = replace
        self._palette = palette

    @does("save")
    def save(self) -> None:
        """Save, asking for a name only when there is none."""
        if self._documents.save():
            self._saved()

    @does("save_as")
    def save_as(self) -> None:
        """Save under another name."""
        if self._documents.save_as():
            self._saved()

    @does("save_copy")
    def save_copy(self) -> None:
        """Write it under another name, and go on with this one."""
        self._documents.save_copy()

    @does("report")
    def report(self) -> None:
        """Show what a report of a problem would hold, and write it."""
        from grebe.ui.main_window.reporting import Reporting

        self.reporting = Reporting(self._session.store.path, self._palette(), self._window)
        self.reporting.open()

    @does("open")
    def open(self) -> None:
        """Open another project in a window of its own place."""
        if not self._documents.may_leave():
            return
        chosen = ask_open(self._window, PROJECTS, tr("Open a project"), FILES)
        if chosen is not None:
            self.open_file(chosen)

    def begin(self, project: Project) -> None:
        """A project that was begun, in this window's place."""
        self._leave_for(lambda: fresh_project(project), untitled=True)

    def go_on(self, path: Path) -> None:
        """With a project of before, in this window's place. ProjectError leaves the one shown."""
        self._leave_for(lambda: path)

    def open_demo(self, which: Example) -> None:
        """An example as shipped, in this window's place."""
        self._leave_for(lambda: fresh_demo(which), untitled=True)

    @does("close_project")
    def close_project(self) -> None:
        """An empty project in its place; what plays goes on until something else is loaded."""
        self._leave_for(fresh_project, untitled=True)

    def _leave_for(self, made: Callable[[], Path], *, untitled: bool = False) -> None:
        """Show another project, made only when this one may be left."""
        if self._documents.may_leave():
            self.open_file(made(), untitled=untitled)

    def open_file(self, path: Path, *, untitled: bool = False) -> None:
        """Show another project in this window. ProjectError leaves the one shown."""
        found = open_recovered(path, untitled=untitled)
        self._session.link.close()
        if not untitled:
            remember_project(path)
        self._replace(found)

    @does("attach")
    def attach(self) -> None:
        """Open the project that the running engine plays."""
        path = self._session.link.attach()
        if path is None:
            self._session.say("info", tr("There is no other project to attach to."))
        elif self._documents.may_leave():
            self.open_file(path, untitled=is_copy(path))

    @does("export")
    def export(self) -> None:
        """Export the song as a MIDI file into a folder."""
        song = self._session.song
        if song is None:
            return
        title = tr("Export {song} as a MIDI file into", song=song.name)
        folder = ask_folder(self._window, LOOPS, title)
        if folder is not None:
            from grebe.app.document.export import export_smf

            path = export_smf(self._session.project, song, folder)
            self._session.say("info", tr("Wrote {path}.", path=path.name))
