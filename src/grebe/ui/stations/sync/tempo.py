"""A tempo typed: there from the next beat on, or over some bars."""

from __future__ import annotations

from PyQt6.QtCore import QEvent, QObject, Qt, pyqtSignal
from PyQt6.QtGui import QKeyEvent
from PyQt6.QtWidgets import QDoubleSpinBox, QGridLayout, QLabel, QSizePolicy, QSpinBox, QWidget

from grebe.core.units import MAX_BPM, MIN_BPM
from grebe.ui.widgets.controls import Button
from grebe.words import tr

MOST_BARS = 64


class TempoFields(QWidget):
    """Two fields and a button. Enter goes there."""

    wanted = pyqtSignal(float, int)
    """BPM, bars to be there in (0: from the next beat on)."""
    done = pyqtSignal()

    def __init__(self) -> None:
        super().__init__()
        self.bpm = QDoubleSpinBox()
        self.bpm.setRange(MIN_BPM, MAX_BPM)
        self.bpm.setDecimals(2)
        self.bpm.setValue(120.0)
        self.bpm.setSuffix(" BPM")
        self.bpm.setAccessibleName(tr("Tempo in BPM"))
        self.bars = QSpinBox()
        self.bars.setRange(0, MOST_BARS)
        self.bars.setSuffix(tr(" bars"))
        self.bars.setSpecialValueText(tr("next beat"))
        self.bars.setAccessibleName(tr("Over how many bars"))
        self.go = Button(tr("Go there"))
        self.go.clicked.connect(self._go)
        self.setSizePolicy(QSizePolicy.Policy.Preferred, QSizePolicy.Policy.Fixed)
        grid = QGridLayout(self)
        grid.setContentsMargins(0, 0, 0, 0)
        grid.setHorizontalSpacing(8)
        grid.setVerticalSpacing(3)
        grid.addWidget(QLabel(tr("Tempo")), 0, 0)
        grid.addWidget(QLabel(tr("Over")), 0, 1)
        grid.addWidget(self.bpm, 1, 0)
        grid.addWidget(self.bars, 1, 1)
        grid.addWidget(self.go, 2, 0, 1, 2, Qt.AlignmentFlag.AlignLeft)
        for spin in (self.bpm, self.bars):
            spin.setButtonSymbols(QSpinBox.ButtonSymbols.NoButtons)
            spin.installEventFilter(self)

    def show_tempo(self, bpm: float) -> None:
        """The tempo there is, unless somebody types one."""
        if not self.bpm.hasFocus():
            self.bpm.setValue(bpm)

    def open(self) -> None:
        """Begin to type."""
        self.bpm.setFocus()
        self.bpm.selectAll()

    def _go(self) -> None:
        self.bpm.interpretText()
        self.bars.interpretText()
        self.wanted.emit(self.bpm.value(), self.bars.value())
        self.done.emit()

    def eventFilter(self, watched: QObject | None, event: QEvent | None) -> bool:
        """Enter goes there."""
        if isinstance(event, QKeyEvent) and event.type() == QEvent.Type.KeyPress:
            entered = event.key() in (Qt.Key.Key_Return, Qt.Key.Key_Enter)
            if entered:
                self._go()
                return True
        return super().eventFilter(watched, event)
