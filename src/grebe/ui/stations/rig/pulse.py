"""How a pulse looks: width, polarity and level, in fields."""

from __future__ import annotations

import msgspec
from PyQt6.QtCore import pyqtSignal
from PyQt6.QtWidgets import QComboBox, QGridLayout, QLabel, QLineEdit, QSpinBox, QWidget

from grebe.core.rig.formatting import pulse_width, width_words
from grebe.core.rig.spec import PulseShape
from grebe.errors import EditError
from grebe.words import tr

POLARITIES = ("rising", "falling")


class PulseFields(QWidget):
    """Three fields; emits the shape they come to."""

    shaped = pyqtSignal(PulseShape)
    refused = pyqtSignal(str)
    """Why what was typed is no width."""

    def __init__(self) -> None:
        super().__init__()
        self._shape = PulseShape()
        self.width_field = QLineEdit()
        self.width_field.setAccessibleName(tr("Pulse width, such as 5 ms or 50 %"))
        self.width_field.editingFinished.connect(self._width_typed)
        self.polarity = QComboBox()
        self.polarity.addItems(POLARITIES)
        self.polarity.setAccessibleName(tr("Pulse polarity"))
        self.polarity.activated.connect(self._polarity_chosen)
        self.level = QSpinBox()
        self.level.setRange(1, 100)
        self.level.setSuffix(" %")
        self.level.setKeyboardTracking(False)
        self.level.setButtonSymbols(QSpinBox.ButtonSymbols.NoButtons)
        self.level.setAccessibleName(tr("Pulse level, per cent of full scale"))
        self.level.valueChanged.connect(self._level_set)
        grid = QGridLayout(self)
        grid.setContentsMargins(0, 0, 0, 0)
        grid.setHorizontalSpacing(6)
        grid.setVerticalSpacing(3)
        fields = (
            (tr("Width"), self.width_field),
            (tr("Edge"), self.polarity),
            (tr("Level"), self.level),
        )
        for column, (words, field) in enumerate(fields):
            grid.addWidget(QLabel(words), 0, column)
            grid.addWidget(field, 1, column)

    def show_shape(self, shape: PulseShape) -> None:
        """Put a shape in the fields."""
        self._shape = shape
        if not self.width_field.hasFocus():
            self.width_field.setText(width_words(shape))
        self.polarity.setCurrentIndex(POLARITIES.index(shape.polarity))
        self.level.blockSignals(True)
        self.level.setValue(round(shape.level * 100))
        self.level.blockSignals(False)

    def _emit(self, shape: PulseShape) -> None:
        if shape != self._shape:
            self.shaped.emit(shape)

    def _width_typed(self) -> None:
        try:
            self._emit(pulse_width(self._shape, self.width_field.text()))
        except EditError as error:
            self.refused.emit(f"{error}.")
            self.width_field.setText(width_words(self._shape))

    def _polarity_chosen(self, index: int) -> None:
        self._emit(msgspec.structs.replace(self._shape, polarity=POLARITIES[index]))

    def _level_set(self, percent: int) -> None:
        self._emit(msgspec.structs.replace(self._shape, level=percent / 100))
