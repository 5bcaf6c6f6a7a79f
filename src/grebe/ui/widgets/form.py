"""A form on the sheet: settings of what is in hand, one a row, typed or chosen."""

from __future__ import annotations

from collections.abc import Sequence
from functools import partial
from typing import NamedTuple, Protocol

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


class FormRow(NamedTuple):
    """One setting."""

    owner: str
    key: str
    words: str
    choices: tuple[str, ...] = ()


class FormTexts(Protocol):
    """Where a form has its texts from."""

    def field_text(self, owner: str, key: str) -> str | None:
        """A setting as text; None while there is no such thing in hand."""

    def field_choices(self, owner: str, key: str) -> tuple[str, ...]:
        """What can be chosen just now, where a row's choices depend on the document."""


class Form(QScrollArea):
    """One row a setting. Enter or leaving a field sets it; Esc, the window's key, goes back."""

    typed = pyqtSignal(str, str, str)
    """Owner, key, text."""

    def __init__(self, source: FormTexts, titles: dict[str, str], rows: Sequence[FormRow]) -> None:
        super().__init__()
        self._source = source
        self._rows = rows
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
        self._groups: dict[str, QWidget] = {}
        self.fields: dict[tuple[str, str], QLineEdit | QComboBox] = {}
        for owner, title in titles.items():
            self._groups[owner] = self._group(owner, title)
            self._column.addWidget(self._groups[owner])
        self._column.addStretch(1)

    def _group(self, owner: str, title: str) -> QWidget:
        box = QWidget()
        grid = QGridLayout(box)
        grid.setContentsMargins(0, 0, 0, 10)
        grid.setHorizontalSpacing(4)
        grid.setVerticalSpacing(3)
        grid.setColumnStretch(0, 1)
        label = QLabel(title)
        label.setStyleSheet("font-weight: 600; font-size: 16px;")
        grid.addWidget(label, 0, 0, 1, 2)
        for number, row in enumerate((r for r in self._rows if r.owner == owner), start=1):
            grid.addWidget(QLabel(row.words), number, 0)
            widget = self._widget(row)
            widget.setAccessibleName(f"{title}: {row.words}")
            widget.setFixedWidth(92)
            self.fields[(owner, row.key)] = widget
            grid.addWidget(widget, number, 1)
        return box

    def _widget(self, row: FormRow) -> QLineEdit | QComboBox:
        if row.choices:
            box = QComboBox()
            box.addItems(row.choices)
            box.textActivated.connect(partial(self.typed.emit, row.owner, row.key))
            return box
        line = QLineEdit()
        line.setMaxLength(400)
        line.editingFinished.connect(partial(self._finished, row, line))
        return line

    def _finished(self, row: FormRow, line: QLineEdit) -> None:
        text = self._source.field_text(row.owner, row.key)
        if text is not None and line.text() != text:
            self.typed.emit(row.owner, row.key, line.text())
            text = self._source.field_text(row.owner, row.key)
            if text is not None:  # what was refused is not left standing
                line.setText(text)

    def show_all(self) -> None:
        """Show what is in hand now."""
        shown: set[str] = set()
        for (owner, key), widget in self.fields.items():
            text = self._source.field_text(owner, key)
            if text is None:
                continue
            shown.add(owner)
            if isinstance(widget, QComboBox):
                self._show_choice(widget, owner, key, text)
            elif not widget.hasFocus():
                widget.setText(text)
        for owner, group in self._groups.items():
            group.setVisible(owner in shown)

    def _show_choice(self, box: QComboBox, owner: str, key: str, text: str) -> None:
        choices = self._source.field_choices(owner, key)
        if choices and [box.itemText(n) for n in range(box.count())] != list(choices):
            box.clear()
            box.addItems(choices)
        if box.findText(text) < 0:
            box.addItem(text)
        box.setCurrentText(text)

    def open(self) -> None:
        """Begin with the first field there is."""
        self.show_all()
        for (owner, key), widget in self.fields.items():
            if self._source.field_text(owner, key) is not None:
                widget.setFocus()
                return
