"""A sheet out of the window: onto paper, or as a file. What was printed is remembered, so that the
next one marks what is otherwise. What makes sheets and prints is loaded when one is wanted."""

from __future__ import annotations

from datetime import date
from pathlib import Path
from typing import TYPE_CHECKING

from PyQt6.QtWidgets import QWidget

from grebe.app.live.session import Session
from grebe.app.settings import read_settings
from grebe.errors import GrebeError
from grebe.formats.naming import file_name
from grebe.ui.widgets.ask_file import SHEETS, ask_save
from grebe.words import tr

if TYPE_CHECKING:
    from grebe.app.document.sheets import SheetPage
    from grebe.ui.widgets.printing import PagePreview

PAPER = tr("Sheets (*.pdf *.html)")
TABLE = tr("Sheets and tables (*.pdf *.html *.csv)")


class PaperOut:
    """Asks where to, and says what came of it."""

    def __init__(self, window: QWidget, session: Session) -> None:
        self._window, self._session = window, session
        self.shown: PagePreview | None = None
        """What a sheet looks like before it is printed, once it was asked for."""
        self._page: SheetPage | None = None

    def print(self, page: SheetPage) -> bool:
        """Through the system's dialog; whether it was printed."""
        from grebe.ui.widgets.printing import print_html

        printed = print_html(self._window, self._finished(page), page.title)
        if printed:
            self._remember(page)
        return printed

    def preview(self, page: SheetPage) -> None:
        """Page by page, as it would be printed; from there it can be."""
        from grebe.ui.widgets.printing import PagePreview

        if self.shown is None:
            self.shown = PagePreview(self._window)
            self.shown.wanted.connect(self._print_shown)
        self._page = page
        self.shown.show_sheet(self._finished(page), page.title)

    def _finished(self, page: SheetPage) -> str:
        from grebe.app.document.sheets import finished

        return finished(self._session.project, page, read_settings().sheet_percent)

    def _print_shown(self) -> None:
        if self._page is not None:
            self.print(self._page)

    def write(self, page: SheetPage) -> bool:
        """As a file whose name is asked for; whether it was written."""
        kinds = TABLE if page.table is not None else PAPER
        path = ask_save(self._window, SHEETS, page.title, kinds, f"{file_name(page.title)}.pdf")
        return path is not None and self.write_to(page, path)

    def write_to(self, page: SheetPage, path: Path) -> bool:
        """The same under a name, .pdf where it has no ending; whether it was written."""
        from grebe.app.document.sheets import write_sheet
        from grebe.ui.widgets.printing import html_to_pdf

        session = self._session
        try:
            write_sheet(
                session.project, page, path if path.suffix else path.with_suffix(".pdf"),
                to_pdf=html_to_pdf, size_percent=read_settings().sheet_percent,
            )  # fmt: skip
        except GrebeError as error:
            session.say("error", str(error))
            return False
        if path.suffix.lower() != ".csv":
            self._remember(page)
        session.say("info", tr("Wrote {path}.", path=path.name))
        return True

    def _remember(self, page: SheetPage) -> None:
        from grebe.app.document.sheets import remember

        remember(self._session.store, page, date.today().isoformat())
