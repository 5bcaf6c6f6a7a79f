"""The controls of a form, each kind with its own look: numbers, lists, ticks, chains, values."""

from __future__ import annotations

from collections.abc import Callable, Mapping, Sequence

from PyQt6.QtCore import Qt, pyqtSignal
from PyQt6.QtGui import QKeyEvent, QResizeEvent, QWheelEvent
from PyQt6.QtWidgets import (
    QAbstractItemView,
    QAbstractSpinBox,
    QCheckBox,
    QComboBox,
    QHBoxLayout,
    QLabel,
    QLineEdit,
    QListWidget,
    QListWidgetItem,
    QVBoxLayout,
    QWidget,
)

from grebe.core.forms import Field, reckoned, stepped
from grebe.ui.widgets.controls import Button
from grebe.words import tr

Option = tuple[str, str]
"""What is chosen, by id, and its name."""
ROW_HEIGHT = 24
MOST_ROWS = 8


class NumberField(QAbstractSpinBox):
    """A number with its unit: typed, stepped by arrows or the wheel; "+3" adds three."""

    entered = pyqtSignal(str)

    def __init__(self, field: Field) -> None:
        super().__init__()
        self._field = field
        self.shown = ""
        """What is so: what was typed and refused goes back to it."""
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)  # a wheel over a form scrolls the form
        self._unit = QLabel(field.unit, self)
        self._unit.setObjectName("unit")
        self._unit.setAttribute(Qt.WidgetAttribute.WA_TransparentForMouseEvents)
        self.editingFinished.connect(self._finished)

    def text(self) -> str:
        """What stands in it."""
        line = self.lineEdit()
        return "" if line is None else line.text()

    def set_text(self, text: str) -> None:
        """Show what is so; not over what is being typed."""
        self.shown = text
        line = self.lineEdit()
        if line is not None and not (self.hasFocus() and line.isModified()):
            line.setText(text)

    def give_back(self) -> None:
        """What was typed was refused: what is so stands there again."""
        line = self.lineEdit()
        if line is not None:
            line.setText(self.shown)

    def _finished(self) -> None:
        line = self.lineEdit()
        if line is None or line.text() == self.shown:
            return
        line.setModified(False)
        self.entered.emit(reckoned(self._field, line.text(), self.shown))

    def stepBy(self, steps: int) -> None:
        """Some steps up or down from what is so."""
        made = stepped(self._field, self.shown, steps)
        if made and made != self.shown:
            line = self.lineEdit()
            if line is not None:
                line.setModified(False)
            self.entered.emit(made)

    def stepEnabled(self) -> QAbstractSpinBox.StepEnabledFlag:
        """Both ways: at a bound nothing happens."""
        return (
            QAbstractSpinBox.StepEnabledFlag.StepUpEnabled
            | QAbstractSpinBox.StepEnabledFlag.StepDownEnabled
        )

    def wheelEvent(self, event: QWheelEvent | None) -> None:
        """Only a number that has the focus turns with the wheel."""
        if event is None:
            return
        if self.hasFocus():
            super().wheelEvent(event)
        else:
            event.ignore()

    def resizeEvent(self, event: QResizeEvent | None) -> None:
        """The unit stands left of the arrows."""
        super().resizeEvent(event)
        self._unit.adjustSize()
        self._unit.move(self.width() - self._unit.width() - 22, (self.height() - 18) // 2)


class ListField(QComboBox):
    """One of several; the words of a setting are shown in the language of the window."""

    entered = pyqtSignal(str)
    """What was chosen, as it is kept."""

    def __init__(self, words: Mapping[str, str] | None = None) -> None:
        """`words` are what Grebe's own values are shown as; names are shown as they are."""
        super().__init__()
        self._words = words or {}
        self.activated.connect(lambda at: self.entered.emit(str(self.itemData(at))))
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.setSizeAdjustPolicy(QComboBox.SizeAdjustPolicy.AdjustToMinimumContentsLengthWithIcon)
        self.setMinimumContentsLength(6)

    def wheelEvent(self, event: QWheelEvent | None) -> None:
        """A wheel over a form scrolls the form."""
        if event is not None:
            event.ignore()

    def show_choice(self, choices: Sequence[str], text: str) -> None:
        """Show what is so, among what can be chosen."""
        if choices and [self.itemData(n) for n in range(self.count())] != list(choices):
            self.clear()
            for choice in choices:
                self._add(choice)
        if self.findData(text) < 0:
            self._add(text)
        self.setCurrentIndex(self.findData(text))

    def _add(self, choice: str) -> None:
        self.addItem(self._words.get(choice, choice), choice)


class ManyField(QWidget):
    """What several are chosen in: the base of ticks, chains and values."""

    chosen = pyqtSignal(tuple)
    """All that is chosen, by id, in order."""

    def __init__(self) -> None:
        super().__init__()
        self._shown: object = None
        self.column = QVBoxLayout(self)
        self.column.setContentsMargins(0, 0, 0, 0)
        self.column.setSpacing(2)

    def show_options(self, options: Sequence[Option], chosen: Sequence[str]) -> None:
        """Show what there is, and what of it is chosen."""
        stamp = (tuple(options), tuple(chosen))
        if stamp != self._shown:
            self._shown = stamp
            self.fill(options, chosen)

    def fill(self, options: Sequence[Option], chosen: Sequence[str]) -> None:
        """Build it anew. Each kind has its own."""
        raise NotImplementedError


class TicksField(ManyField):
    """Any of several, ticked."""

    def __init__(self, none: str) -> None:
        """`none` is what stands there when there is nothing to tick."""
        super().__init__()
        self._none = none
        self.ticks: dict[str, QCheckBox] = {}

    def fill(self, options: Sequence[Option], chosen: Sequence[str]) -> None:
        """A tick each."""
        _clear(self)
        self.ticks = {}
        for name, words in options:
            tick = QCheckBox(words)
            tick.setChecked(name in chosen)
            tick.clicked.connect(self._changed)
            self.column.addWidget(tick)
            self.ticks[name] = tick
        if not options:
            self.column.addWidget(QLabel(self._none))

    def _changed(self) -> None:
        self.chosen.emit(tuple(name for name, tick in self.ticks.items() if tick.isChecked()))


class _Links(QListWidget):
    """The links of a chain, reordered by drag; Delete takes one out, Alt with an arrow moves it."""

    moved = pyqtSignal()

    def __init__(self) -> None:
        super().__init__()
        self.setDragDropMode(QAbstractItemView.DragDropMode.InternalMove)
        self.setVerticalScrollBarPolicy(Qt.ScrollBarPolicy.ScrollBarAsNeeded)
        model = self.model()
        if model is not None:
            model.rowsMoved.connect(lambda *_: self.moved.emit())

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        """Take out, or move."""
        if event is None:
            return
        row, alt = self.currentRow(), event.modifiers() & Qt.KeyboardModifier.AltModifier
        if event.key() in (Qt.Key.Key_Delete, Qt.Key.Key_Backspace) and row >= 0:
            self.takeItem(row)
            self.moved.emit()
        elif alt and event.key() in (Qt.Key.Key_Up, Qt.Key.Key_Down):
            to = row + (1 if event.key() == Qt.Key.Key_Down else -1)
            if 0 <= to < self.count():
                item = self.takeItem(row)
                self.insertItem(to, item)
                self.setCurrentRow(to)
                self.moved.emit()
        else:
            super().keyPressEvent(event)


class ChainField(ManyField):
    """Several in order, one as often as wanted: dragged, picked from a list, taken out."""

    def __init__(self, what: str) -> None:
        """`what` is one of them, in words."""
        super().__init__()
        self.links = _Links()
        self.links.setAccessibleName(tr("{what}: one after another", what=what))
        self.links.moved.connect(self._changed)
        self.more = ListField()
        self.more.setAccessibleName(tr("{what}: one more", what=what))
        self.more.activated.connect(self._add)
        self.away = Button(tr("Out"))
        self.away.setToolTip(tr("Takes out the one in hand; Delete does too"))
        self.away.clicked.connect(self._remove)
        row = QHBoxLayout()
        row.addWidget(self.more, 1)
        row.addWidget(self.away)
        self.column.addWidget(self.links)
        self.column.addLayout(row)
        self._first = tr("{what}: one more", what=what)

    def fill(self, options: Sequence[Option], chosen: Sequence[str]) -> None:
        """The chain, and all that could be in it."""
        names, here = dict(options), self.links.currentRow()
        self.links.clear()
        for name in chosen:
            item = QListWidgetItem(names.get(name, name))
            item.setData(Qt.ItemDataRole.UserRole, name)
            self.links.addItem(item)
        rows = max(1, min(MOST_ROWS, len(chosen)))
        self.links.setFixedHeight(rows * ROW_HEIGHT + 8)
        self.links.setCurrentRow(min(max(here, 0), len(chosen) - 1))
        self.more.clear()
        self.more.addItem(self._first)
        for name, words in options:
            self.more.addItem(words, name)
        self.away.setVisible(bool(chosen))

    def ids(self) -> list[str]:
        """What is in it now, by id."""
        items = [self.links.item(n) for n in range(self.links.count())]
        return [str(i.data(Qt.ItemDataRole.UserRole)) for i in items if i is not None]

    def _changed(self) -> None:
        self.chosen.emit(tuple(self.ids()))

    def _add(self, index: int) -> None:
        if index > 0:
            self.chosen.emit((*self.ids(), str(self.more.itemData(index))))

    def _remove(self) -> None:
        if self.links.currentRow() >= 0:
            self.links.takeItem(self.links.currentRow())
            self._changed()


class ValuesField(ManyField):
    """Numbers by name: what is chosen is "number=value", the names are of the box's chart."""

    def __init__(self) -> None:
        super().__init__()
        self._values: list[tuple[str, str]] = []
        self.numbers: dict[str, NumberField] = {}

    def fill(self, options: Sequence[Option], chosen: Sequence[str]) -> None:
        """A row each, and a list of what could be more."""
        _clear(self)
        names = dict(options)
        self._values = [(n, v) for n, _, v in (row.partition("=") for row in chosen)]
        self.numbers = {}
        for number, value in self._values:
            words = names.get(number, tr("controller {number}", number=number))
            spin = NumberField(VALUE)
            spin.set_text(value)
            spin.setAccessibleName(words)
            spin.setFixedWidth(84)
            spin.entered.connect(self._setter(number))
            away = Button(tr("Out"))
            away.clicked.connect(self._remover(number))
            row = QHBoxLayout()
            row.addWidget(QLabel(words), 1)
            row.addWidget(spin)
            row.addWidget(away)
            self.column.addLayout(row)
            self.numbers[number] = spin
        more = ListField()
        more.setAccessibleName(tr("A controller more"))
        more.addItem(tr("a controller more"))
        for number, words in options:
            if number not in self.numbers:
                more.addItem(f"{words}, {number}", number)
        more.activated.connect(lambda at: self._add(more, at))
        self.column.addWidget(more)

    def _emit(self, values: Sequence[tuple[str, str]]) -> None:
        self.chosen.emit(tuple(f"{number}={value}" for number, value in values))

    def _setter(self, number: str) -> Callable[[str], None]:
        def to(value: str) -> None:
            self._emit([(n, value if n == number else v) for n, v in self._values])

        return to

    def _remover(self, number: str) -> Callable[[], None]:
        return lambda: self._emit([(n, v) for n, v in self._values if n != number])

    def _add(self, more: ListField, at: int) -> None:
        if at > 0:
            self._emit([*self._values, (str(more.itemData(at)), "64")])


VALUE = Field(owner="", key="", words="", control="number", low=0, high=127)
"""What a controller can be, by MIDI 1.0."""


def mark_wrong(widget: QWidget, *, wrong: bool) -> None:
    """Mark a control whose text was refused, or no longer."""
    widget.setProperty("wrong", "true" if wrong else "false")
    style = widget.style()
    if style is not None:
        style.polish(widget)


def _clear(field: ManyField) -> None:
    """Take everything out of a column."""
    while (item := field.column.takeAt(0)) is not None:
        widget, inner = item.widget(), item.layout()
        if widget is not None:
            widget.hide()
            widget.deleteLater()
        while inner is not None and (part := inner.takeAt(0)) is not None:
            child = part.widget()
            if child is not None:
                child.hide()
                child.deleteLater()


def text_field(changed: Callable[[str], None]) -> QLineEdit:
    """A line of text; what was typed into it is told once, not what it was only shown."""
    line = QLineEdit()
    line.setMaxLength(400)

    def finished() -> None:
        if line.isModified():
            line.setModified(False)
            changed(line.text())

    line.editingFinished.connect(finished)
    return line
