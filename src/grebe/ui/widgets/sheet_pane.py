"""Sheets of a song in the window, as they are printed."""

from __future__ import annotations

from collections.abc import Callable

from PyQt6.QtWidgets import QTextBrowser, QVBoxLayout, QWidget

from grebe.errors import EditError
from grebe.ui.widgets.sheet_html import for_qt
from grebe.ui.widgets.theme import DAY, Palette


class SheetPane(QWidget):
    """Shows HTML that is made afresh whenever it is opened."""

    def __init__(self, name: str, page: Callable[[str, str], str]) -> None:
        super().__init__()
        self._page = page
        self.palette_now: Palette = DAY
        self.browser = QTextBrowser()
        self.browser.setAccessibleName(name)
        self.browser.setFrameShape(QTextBrowser.Shape.NoFrame)
        outer = QVBoxLayout(self)
        outer.setContentsMargins(0, 4, 0, 0)
        outer.addWidget(self.browser)
        self.setFocusProxy(self.browser)

    def open(self) -> None:
        """Make the page for what is in hand."""
        try:
            html = self._page(self.palette_now.ink.name(), self.palette_now.muted.name())
        except EditError as error:
            html = f"<p>{error}.</p>"
        self.browser.setHtml(for_qt(html))
