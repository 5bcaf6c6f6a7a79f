"""The step sheet in the window: how to key the pattern in hand into its box."""

from __future__ import annotations

from PyQt6.QtWidgets import QTextBrowser, QVBoxLayout, QWidget

from grebe.app.editors.pattern_editor import PatternEditor
from grebe.core.patterns.stepsheet import step_sheet
from grebe.formats.sheets import steps_html
from grebe.ui.widgets.theme import DAY, Palette
from grebe.words import tr


class StepsPane(QWidget):
    """The sheet as it is printed."""

    def __init__(self, editor: PatternEditor) -> None:
        super().__init__()
        self.editor = editor
        self.palette_now: Palette = DAY
        self.page = QTextBrowser()
        self.page.setAccessibleName(tr("Step sheet"))
        self.page.setFrameShape(QTextBrowser.Shape.NoFrame)
        outer = QVBoxLayout(self)
        outer.setContentsMargins(0, 4, 0, 0)
        outer.addWidget(self.page)
        self.setFocusProxy(self.page)

    def open(self) -> None:
        """Show the pattern in hand."""
        pattern, device = self.editor.hand.pattern, self.editor.hand.device
        if pattern is None or device is None:
            self.page.setHtml("<p>No pattern in hand.</p>")
            return
        ink, muted = self.palette_now.ink.name(), self.palette_now.muted.name()
        self.page.setHtml(
            steps_html(
                [step_sheet(pattern, device, self.editor.session.position.written_bpm)],
                ink=ink,
                muted=muted,
            )
        )
