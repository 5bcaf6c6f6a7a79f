"""The sheet's page of generators: what it writes is plain hits from then on."""

from __future__ import annotations

from functools import partial

from PyQt6.QtCore import pyqtSignal
from PyQt6.QtWidgets import QComboBox, QGridLayout, QLabel, QLineEdit, QVBoxLayout, QWidget

from grebe.app.editors.pattern_editor import PatternEditor
from grebe.core.patterns.makers import MAKERS, GeneratorChoice, Maker, usual
from grebe.ui.widgets.sheet import Facts, head, note
from grebe.words import tr


class MakersPage(QWidget):
    """Choose one, set its numbers: every change writes the voice under the cursor anew."""

    wanted = pyqtSignal(object, dict)
    """The maker and its values."""

    def __init__(self, editor: PatternEditor) -> None:
        super().__init__()
        self._editor = editor
        self._values: dict[str, dict[str, str]] = {}
        self.fields: dict[str, QLineEdit | QComboBox] = {}
        self.title = Facts(grows=True)
        self.choice = QComboBox()
        self.choice.addItems([m.name for m in MAKERS])
        self.choice.setAccessibleName(tr("Generator"))
        self.choice.textActivated.connect(self._chosen)
        self.form = QWidget()
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(8)
        for part in (self.title, self.choice, self.form):
            column.addWidget(part)
        column.addStretch(1)

    @property
    def maker(self) -> Maker:
        """The one chosen."""
        return MAKERS[max(0, self.choice.currentIndex())]

    def open(self) -> None:
        """Show the one chosen last, for the voice under the cursor."""
        self._build()
        self.choice.setFocus()

    def _chosen(self, name: str) -> None:
        del name
        self._build()
        self._write()

    def _build(self) -> None:
        voice, lane, maker = self._editor.hand.voice, self._editor.hand.lane, self.maker
        row_of = voice or lane
        name = row_of.name if row_of is not None else tr("no voice")
        self.title.show_lines(
            [
                head(tr("Generate {name}", name=name)),
                note(maker.about),
                note(tr("Esc: done. Ctrl+Z: as it was.")),
            ]
        )
        if row_of is None:
            return
        values = self._values.setdefault(maker.name, usual(maker, voice))
        if "notes" in values and voice is not None:
            values["notes"] = usual(maker, voice)["notes"] if not voice.hits else values["notes"]
        old, self.form = self.form, QWidget()
        grid = QGridLayout(self.form)
        grid.setContentsMargins(0, 0, 0, 0)
        grid.setColumnStretch(0, 1)
        self.fields = {}
        for row, parameter in enumerate(maker.parameters):
            widget: QLineEdit | QComboBox
            if isinstance(parameter, GeneratorChoice):
                widget = QComboBox()
                widget.addItems(parameter.choices)
                widget.setCurrentText(values[parameter.key])
                widget.textActivated.connect(partial(self._set, parameter.key))
            else:
                widget = QLineEdit(values[parameter.key])
                widget.setMaxLength(80)
                widget.editingFinished.connect(partial(self._typed, parameter.key, widget))
            widget.setFixedWidth(92)
            widget.setAccessibleName(parameter.words)
            self.fields[parameter.key] = widget
            grid.addWidget(QLabel(parameter.words), row, 0)
            grid.addWidget(widget, row, 1)
        layout = self.layout()
        assert layout is not None
        layout.replaceWidget(old, self.form)
        old.deleteLater()

    def _typed(self, key: str, widget: QLineEdit) -> None:
        if self._values[self.maker.name].get(key) != widget.text():
            self._set(key, widget.text())

    def _set(self, key: str, text: str) -> None:
        self._values[self.maker.name][key] = text
        self._write()

    def _write(self) -> None:
        if self._editor.hand.voice is not None or self._editor.hand.lane is not None:
            self.wanted.emit(self.maker, dict(self._values[self.maker.name]))
