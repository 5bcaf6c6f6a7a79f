"""The sheet's form: every setting of what is under the cursor, typed or chosen."""

from __future__ import annotations

from functools import partial
from typing import Any

from PyQt6.QtCore import Qt, pyqtSignal
from PyQt6.QtWidgets import (
    QComboBox,
    QGridLayout,
    QLabel,
    QLineEdit,
    QScrollArea,
    QVBoxLayout,
    QWidget,
)

from grebe.app.pattern_editor import PatternEditor
from grebe.core.patterns.fields import FIELDS, Field, Owner, text_of

TITLES: dict[Owner, str] = {
    "hit": "This hit", "point": "This value", "voice": "Voice", "lane": "Controller lane",
    "name": "Pattern", "pattern": "All of it",
}  # fmt: skip


class FieldsPage(QScrollArea):
    """One row a setting. Enter or leaving a field sets it; Esc, the window's key, goes back."""

    typed = pyqtSignal(str, str, str)
    """Owner, field, text."""

    def __init__(self, editor: PatternEditor) -> None:
        super().__init__()
        self._editor = editor
        self.setWidgetResizable(True)
        self.setHorizontalScrollBarPolicy(Qt.ScrollBarPolicy.ScrollBarAlwaysOff)
        self._inside = QWidget()
        self.setWidget(self._inside)
        for part in (self._inside, self.viewport()):
            if part is not None:
                part.setAutoFillBackground(False)
        self._column = QVBoxLayout(self._inside)
        self._column.setContentsMargins(0, 0, 6, 0)
        self._column.setSpacing(2)
        self._groups: dict[Owner, QWidget] = {}
        self.fields: dict[tuple[str, str], QLineEdit | QComboBox] = {}
        for owner in TITLES:
            self._groups[owner] = self._group(owner)
            self._column.addWidget(self._groups[owner])
        self._column.addStretch(1)

    def _group(self, owner: Owner) -> QWidget:
        box = QWidget()
        grid = QGridLayout(box)
        grid.setContentsMargins(0, 0, 0, 10)
        grid.setHorizontalSpacing(4)
        grid.setVerticalSpacing(3)
        grid.setColumnStretch(0, 1)
        title = QLabel(TITLES[owner])
        title.setStyleSheet("font-weight: 600; font-size: 16px;")
        grid.addWidget(title, 0, 0, 1, 2)
        for row, field in enumerate((f for f in FIELDS if f.owner == owner), start=1):
            grid.addWidget(QLabel(field.words), row, 0)
            widget = self._widget(field)
            widget.setAccessibleName(f"{TITLES[owner]}: {field.words}")
            widget.setFixedWidth(84)
            self.fields[(owner, field.key)] = widget
            grid.addWidget(widget, row, 1)
        return box

    def _widget(self, field: Field) -> QLineEdit | QComboBox:
        if field.choices:
            box = QComboBox()
            box.addItems(field.choices)
            box.textActivated.connect(partial(self.typed.emit, field.owner, field.key))
            return box
        line = QLineEdit()
        line.setMaxLength(80)
        line.editingFinished.connect(partial(self._finished, field, line))
        return line

    def _finished(self, field: Field, line: QLineEdit) -> None:
        thing = self._thing(field.owner)
        if thing is not None and line.text() != text_of(thing, field.key):
            self.typed.emit(field.owner, field.key, line.text())
            thing = self._thing(field.owner)
            if thing is not None:  # what was refused is not left standing
                line.setText(text_of(thing, field.key))

    def _thing(self, owner: Owner) -> Any:
        editor = self._editor
        return {
            "hit": editor.hit,
            "point": editor.point,
            "voice": editor.voice,
            "lane": editor.lane,
            "name": editor.pattern,
            "pattern": editor.content if editor.pattern is not None else None,
        }[owner]

    def show_all(self) -> None:
        """Show what is under the cursor now."""
        for owner, group in self._groups.items():
            thing = self._thing(owner)
            group.setVisible(thing is not None)
            if thing is None:
                continue
            for (of, key), widget in self.fields.items():
                if of != owner:
                    continue
                text = text_of(thing, key)
                if isinstance(widget, QComboBox):
                    if widget.findText(text) < 0:
                        widget.addItem(text)
                    widget.setCurrentText(text)
                elif not widget.hasFocus():
                    widget.setText(text)

    def open(self) -> None:
        """Begin with the first field there is."""
        self.show_all()
        for (owner, _), widget in self.fields.items():
            if self._thing(owner) is not None:  # type: ignore[arg-type]
                widget.setFocus()
                return
