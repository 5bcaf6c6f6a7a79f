"""A form on the sheet: settings of what is in hand, one a row, each with the control it wants."""

from __future__ import annotations

from collections.abc import Sequence
from functools import partial
from typing import Protocol

from PyQt6.QtCore import Qt, pyqtSignal
from PyQt6.QtGui import QResizeEvent
from PyQt6.QtWidgets import (
    QCheckBox,
    QGridLayout,
    QLabel,
    QLineEdit,
    QScrollArea,
    QVBoxLayout,
    QWidget,
)

from grebe.core.forms import Field
from grebe.ui.widgets.fields import (
    ChainField,
    ListField,
    ManyField,
    NumberField,
    Option,
    TicksField,
    ValuesField,
    mark_wrong,
    text_field,
)
from grebe.words import tr

WIDE = 132
"""Of a control beside its words."""


class FormTexts(Protocol):
    """Where a form has its texts from."""

    def field_text(self, owner: str, key: str) -> str | None:
        """A setting as text; None while there is no such thing in hand."""

    def field_choices(self, owner: str, key: str) -> tuple[str, ...]:
        """What can be chosen just now, where a row's choices depend on the document."""


class FormMany(Protocol):
    """Where a form has what several are chosen in."""

    def field_many(self, owner: str, key: str) -> tuple[tuple[Option, ...], tuple[str, ...]] | None:
        """What there is, and what of it is chosen, by id; None where it does not apply."""


class Form(QScrollArea):
    """One row a setting. Enter or leaving a field sets it; Esc, the window's key, goes back."""

    typed = pyqtSignal(str, str, str)
    """Owner, key, text."""
    picked = pyqtSignal(str, str, tuple)
    """Owner, key, ids: of what several are chosen in."""

    def __init__(
        self, source: FormTexts, titles: dict[str, str], rows: Sequence[Field],
        many: FormMany | None = None,
    ) -> None:  # fmt: skip
        super().__init__()
        self._source, self._many = source, many
        self._rows = rows
        self.setWidgetResizable(True)
        self.setFocusPolicy(Qt.FocusPolicy.NoFocus)  # its fields have it
        self._inside = QWidget()
        self.setWidget(self._inside)
        for part in (self._inside, self.viewport()):
            if part is not None:
                part.setAutoFillBackground(False)
        self._column = QVBoxLayout(self._inside)
        self._column.setContentsMargins(0, 0, 8, 0)
        self._column.setSpacing(2)
        self._groups: dict[str, QWidget] = {}
        self._labels: dict[tuple[str, str], QLabel] = {}
        self._said: dict[tuple[str, str], QLabel] = {}
        self.fields: dict[tuple[str, str], QWidget] = {}
        for owner, title in titles.items():
            self._groups[owner] = self._group(owner, title)
            self._column.addWidget(self._groups[owner])
        self._column.addStretch(1)

    def grow(self) -> None:
        """It stands in something that scrolls: as tall as it needs, without bars of its own."""
        self._grows = True
        self.setVerticalScrollBarPolicy(Qt.ScrollBarPolicy.ScrollBarAlwaysOff)

    _grows = False

    def put_below(self, widget: QWidget) -> None:
        """What stands under the settings, and scrolls with them."""
        self._column.insertWidget(self._column.count() - 1, widget)

    def _group(self, owner: str, title: str) -> QWidget:
        box = QWidget()
        grid = QGridLayout(box)
        grid.setContentsMargins(0, 0, 0, 10)
        grid.setHorizontalSpacing(6)
        grid.setVerticalSpacing(3)
        grid.setColumnStretch(0, 1)
        label = QLabel(title)
        label.setObjectName("group")
        if not title:
            label.hide()
        grid.addWidget(label, 0, 0, 1, 2)
        at = 1
        for row in (r for r in self._rows if r.owner == owner):
            place, widget, words = (owner, row.key), self._widget(row), QLabel(row.words)
            words.setWordWrap(True)
            widget.setAccessibleName(f"{title}: {row.words}" if title else row.words)
            many = isinstance(widget, ManyField)
            grid.addWidget(words, at, 0, 1, 2 if many else 1)
            if many:
                grid.addWidget(widget, at + 1, 0, 1, 2)
                at += 1
            else:
                widget.setFixedWidth(WIDE)
                grid.addWidget(widget, at, 1)
            if row.why:
                why = QLabel(row.why)
                why.setWordWrap(True)
                why.setObjectName("why")
                widget.setAccessibleDescription(row.why)
                at += 1
                grid.addWidget(why, at, 0, 1, 2)
            said = QLabel("")
            said.setWordWrap(True)
            said.setObjectName("wrong")
            said.hide()
            grid.addWidget(said, at + 1, 0, 1, 2)
            self.fields[place], self._labels[place], self._said[place] = widget, words, said
            at += 2
        return box

    def _widget(self, row: Field) -> QWidget:
        if row.control in ("ticks", "chain", "values"):
            return self._many_widget(row)
        if row.control == "number":
            number = NumberField(row)
            number.entered.connect(partial(self._set, row))
            return number
        if row.control == "list":
            box = ListField({choice: tr(choice) for choice in row.choices})
            box.show_choice(row.choices, row.choices[0] if row.choices else "")
            box.entered.connect(partial(self._set, row))
            return box
        if row.control == "tick":
            tick = QCheckBox()
            tick.clicked.connect(lambda on: self._set(row, row.choices[0 if on else 1]))
            return tick
        return text_field(partial(self._set, row))

    def _many_widget(self, row: Field) -> ManyField:
        made: ManyField
        if row.control == "ticks":
            made = TicksField(tr("none there"))
        elif row.control == "chain":
            made = ChainField(tr("pattern"))
        else:
            made = ValuesField()
        made.chosen.connect(lambda ids: self._pick(row, ids))
        return made

    def _set(self, row: Field, text: str) -> None:
        if text == self._source.field_text(row.owner, row.key):
            return
        self.refuse("", row.owner, row.key)
        self.typed.emit(row.owner, row.key, text)
        self.show_all()

    def _pick(self, row: Field, ids: tuple[str, ...]) -> None:
        self.refuse("", row.owner, row.key)
        self.picked.emit(row.owner, row.key, ids)
        self.show_all()

    def refuse(self, words: str, owner: str, key: str) -> None:
        """Say at a field what is wrong with what was typed; what was there stays. "" takes it
        back."""
        place = (owner, key)
        said, widget = self._said[place], self.fields[place]
        said.setText(words)
        said.setVisible(bool(words))
        mark_wrong(widget, wrong=bool(words))
        if words and isinstance(widget, QLineEdit):  # what was refused is not left standing
            widget.setText(self._source.field_text(owner, key) or "")
        elif words and isinstance(widget, NumberField):
            widget.give_back()

    def show_all(self) -> None:
        """Show what is in hand now."""
        shown: set[str] = set()
        for row in self._rows:
            place = (row.owner, row.key)
            widget = self.fields[place]
            if isinstance(widget, ManyField):
                found = self._many.field_many(*place) if self._many is not None else None
                self._labels[place].setVisible(found is not None)
                widget.setVisible(found is not None)
                if found is not None:
                    widget.show_options(*found)
                continue
            text = self._source.field_text(*place)
            for part in (self._labels[place], widget):  # what there is not is not asked
                if part.isHidden() == (text is not None):
                    part.setVisible(text is not None)
            if text is None:
                self._said[place].hide()
                continue
            shown.add(row.owner)
            self._show(row, widget, text)
        for owner, group in self._groups.items():
            group.setVisible(owner in shown)
        self._fit()

    def _fit(self) -> None:
        """Where it grows: as tall as its rows are at this width."""
        if self._grows:
            self.setFixedHeight(max(40, self._column.totalHeightForWidth(self.width()) + 2))

    def resizeEvent(self, event: QResizeEvent | None) -> None:
        """Words break elsewhere at another width."""
        super().resizeEvent(event)
        self._fit()

    def _show(self, row: Field, widget: QWidget, text: str) -> None:
        if isinstance(widget, NumberField):
            widget.set_text(text)
        elif isinstance(widget, ListField):
            choices = self._source.field_choices(row.owner, row.key)
            widget.show_choice(choices, text)
        elif isinstance(widget, QCheckBox):
            widget.setChecked(text == row.choices[0])
        elif isinstance(widget, QLineEdit):
            being_typed = widget.hasFocus() and widget.isModified()
            if not being_typed and widget.text() != text:
                widget.setText(text)

    def open(self, wanted: str = "", owner: str = "") -> None:
        """Begin with the first field there is, or the first with a key, of one owner if named."""
        self.show_all()
        for (whose, key), widget in self.fields.items():
            asked = wanted in ("", key) and owner in ("", whose)
            if asked and self._source.field_text(whose, key) is not None:
                widget.setFocus()
                if isinstance(widget, QLineEdit):
                    widget.selectAll()
                self.ensureWidgetVisible(widget)
                return
