"""Two lists over the stations: what was said lately, and every step that can be undone."""

from __future__ import annotations

from collections.abc import Iterable

from PyQt6.QtCore import Qt, pyqtSignal
from PyQt6.QtWidgets import QListWidget, QListWidgetItem, QWidget

from grebe.app.live.notices import Said
from grebe.core.calculators.times import HEARING_CARE
from grebe.core.findings.plugs import VOLTAGE_CARE
from grebe.core.rig.setup import HEARING, MAINS_CARE, PULSE_CARE
from grebe.core.room import POWER_CARE
from grebe.ui.main_window.overlay import PageOverlay
from grebe.words import counted, tr


class MessageList(PageOverlay):
    """The last messages, the newest first."""

    def __init__(self, parent: QWidget) -> None:
        super().__init__(parent, tr("Messages"))
        self.list = QListWidget()
        self.list.setWordWrap(True)
        self.column.addWidget(self.list, 1)

    def list_said(self, said: Iterable[Said]) -> None:
        """Show these."""
        self.list.clear()
        marks = {"info": "", "warn": tr("Look: "), "error": tr("Wrong: ")}
        for each in reversed(list(said)):
            self.list.addItem(f"{each.at:%H:%M:%S}   {marks[each.level]}{each.text}")
        self.below.setText(
            tr("{messages}, the newest first.", messages=counted(self.list.count(), "message"))
        )
        self.list.setFocus()


class CautionsPage(PageOverlay):
    """Every caution there is, on one page."""

    def __init__(self, parent: QWidget) -> None:
        super().__init__(parent, tr("Cautions"))
        self.below.setText(
            tr("Where rules of the venue or the country are stricter, they hold. What is "
               "electrical is for licensed people.")
        )  # fmt: skip
        self.list = QListWidget()
        self.list.setWordWrap(True)
        self.list.setAccessibleName(tr("Cautions"))
        self.list.addItems(
            [HEARING, HEARING_CARE, PULSE_CARE, VOLTAGE_CARE, MAINS_CARE, POWER_CARE]
        )
        self.column.addWidget(self.list, 1)


class HistoryList(PageOverlay):
    """Every step by name; choosing one goes there."""

    gone_to = pyqtSignal(int)
    """So many steps are to be done."""

    def __init__(self, parent: QWidget) -> None:
        super().__init__(parent, tr("History"))
        self.list = QListWidget()
        self.list.itemActivated.connect(self._go)
        self.list.itemClicked.connect(self._go)
        self.column.addWidget(self.list, 1)

    def list_steps(self, done: tuple[str, ...], undone: tuple[str, ...]) -> None:
        """Show what was done, where the project stands, and what was undone."""
        self.list.clear()
        self.list.addItem(tr("As it was opened"))
        for name in done:
            self.list.addItem(name)
        for name in undone:
            item = QListWidgetItem(tr("{name} (undone)", name=name))
            item.setForeground(self.palette_now.muted)
            self.list.addItem(item)
        self.list.setCurrentRow(len(done))
        self.below.setText(
            tr(
                "{steps} done, {count} undone. Enter or a click goes to any; nothing is "
                "lost by that until the next edit.",
                steps=counted(len(done), "step"),
                count=len(undone),
            )
        )
        self.list.setFocus(Qt.FocusReason.OtherFocusReason)

    def _go(self, item: QListWidgetItem) -> None:
        self.gone_to.emit(self.list.row(item))
