"""Report a problem: shows what would be in the report, and writes it where it is wanted."""

from __future__ import annotations

from pathlib import Path

from PyQt6.QtWidgets import (
    QCheckBox,
    QDialog,
    QHBoxLayout,
    QLabel,
    QListWidget,
    QPlainTextEdit,
    QVBoxLayout,
    QWidget,
)

from grebe.app.report import ReportFile, gather, write_report
from grebe.errors import GrebeError
from grebe.process.places import shown
from grebe.ui.widgets.ask_file import REPORTS, ask_save
from grebe.ui.widgets.controls import Button
from grebe.ui.widgets.port_look import PortLook
from grebe.ui.widgets.theme import Palette, style_sheet
from grebe.words import tr

SHOWN_CHARACTERS = 200_000
"""Of a part, from its end: what happened last stands there."""


class Reporting(QDialog):
    """The parts of a report at the left, the one chosen at the right."""

    def __init__(self, project: Path | None, palette: Palette, parent: QWidget) -> None:
        super().__init__(parent)
        self._project = project
        self.setWindowTitle(tr("Report a problem"))
        self.setStyleSheet(
            style_sheet(palette) + f"QDialog {{ background: {palette.panel.name()}; }}"
        )
        self.resize(900, 560)
        self.parts: list[ReportFile] = []
        self._look = PortLook(self)
        self._look.said = tr("Ports are still being looked for.")
        self.list = QListWidget()
        self.list.setAccessibleName(tr("Parts of the report"))
        self.list.setFixedWidth(240)
        self.text = QPlainTextEdit()
        self.text.setReadOnly(True)
        self.text.setLineWrapMode(QPlainTextEdit.LineWrapMode.NoWrap)
        self.text.setTabChangesFocus(True)
        self.text.setAccessibleName(tr("What is in the part chosen"))
        words = QLabel(
            tr(
                "This is all that would be in the report. Grebe sends nothing: save it, "
                "look at it, and send it on yourself."
            )
        )
        words.setWordWrap(True)
        self.with_project = QCheckBox(self._project_words())
        self.with_project.setEnabled(project is not None)
        self.said = QLabel("")
        self.write = Button(tr("Save the report"), primary=True)
        self.leave = Button(tr("Close"))
        row = QHBoxLayout()
        row.addWidget(self.with_project)
        row.addStretch(1)
        for button in (self.leave, self.write):
            button.palette_now = palette
            row.addWidget(button)
        middle = QHBoxLayout()
        middle.addWidget(self.list)
        middle.addWidget(self.text, 1)
        column = QVBoxLayout(self)
        column.addWidget(words)
        column.addLayout(middle, 1)
        column.addLayout(row)
        column.addWidget(self.said)
        self.list.currentRowChanged.connect(self._show)
        self.with_project.toggled.connect(self._gather)
        self.write.clicked.connect(self._save)
        self.leave.clicked.connect(self.reject)
        self._look.ended.connect(self._ports_came)
        self.finished.connect(self._look.stop)
        self.write.why_not = self._look.said
        self.said.setText(self._look.said)
        self._gather()
        self._look.look(network=True)

    def _ports_came(self) -> None:
        self.write.why_not = ""
        self.write.update()
        self.said.clear()
        self._gather()

    def _project_words(self) -> str:
        if self._project is None:
            return tr("The project has no file yet, so it cannot go along")
        return tr("With the project, {path} as it was last saved", path=shown(self._project.name))

    def _fill(self) -> None:
        row = max(0, self.list.currentRow())
        self.list.clear()
        for part in self.parts:
            self.list.addItem(f"{part.name}   {max(1, len(part.data) // 1024)} kB")
        self.list.setCurrentRow(row)

    def _show(self, row: int) -> None:
        if 0 <= row < len(self.parts):
            text = self.parts[row].data.decode("utf-8", "replace")
            self.text.setPlainText(text[-SHOWN_CHARACTERS:])

    def _gather(self) -> None:
        project = self._project if self.with_project.isChecked() else None
        try:
            self.parts = gather(project, ports=self._look.said)
        except GrebeError as error:
            self.said.setText(str(error))
        self._fill()

    def _save(self) -> None:
        if self.write.why_not:
            return  # it is said beside it
        chosen = ask_save(
            self, REPORTS, tr("Save the report"), tr("ZIP files (*.zip)"), "grebe-report.zip"
        )
        if chosen is None:
            return
        try:
            write_report(chosen, self.parts)
        except GrebeError as error:
            self.said.setText(str(error))
        else:
            self.said.setText(tr("Saved {path}.", path=shown(chosen.name)))
