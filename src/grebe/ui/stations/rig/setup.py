"""The set-up sheet in the window: steps by box, ticked off as they are made."""

from __future__ import annotations

from collections.abc import Callable

from PyQt6.QtCore import Qt
from PyQt6.QtWidgets import (
    QCheckBox,
    QGridLayout,
    QLabel,
    QScrollArea,
    QVBoxLayout,
    QWidget,
)

from grebe.app.editors.rig_editor import RigEditor
from grebe.core.rig.setup import DeviceSheet, SetupSheet, Step, of_device, setup_sheet
from grebe.ui.stations.rig.boxes import BoxChoice
from grebe.words import tr


class SetupPane(QWidget):
    """Steps of all boxes, or of the one chosen."""

    def __init__(self, editor: RigEditor) -> None:
        super().__init__()
        self._editor, self._session = editor, editor.session
        self._shown: SetupSheet | None = None
        self.boxes: dict[str, QCheckBox] = {}
        """By key of the step."""
        self.choice = BoxChoice(tr("Set-up sheet of"), everything=tr("The whole rig"))
        self.choice.activated.connect(lambda _: self.document_changed())
        self.steps = QScrollArea()
        self.steps.setWidgetResizable(True)
        self.steps.setAccessibleName(tr("Set-up sheet"))
        self.setFocusProxy(self.choice)
        outer = QVBoxLayout(self)
        outer.setContentsMargins(0, 4, 0, 0)
        outer.setSpacing(4)
        outer.addWidget(self.choice)
        outer.addWidget(self.steps, 1)

    @property
    def device(self) -> str:
        """Id of the box whose steps are shown; "" for all."""
        return self.choice.device

    def document_changed(self) -> None:
        """Show the steps as they are now."""
        self.choice.offer(self._session.project.rig)
        sheet = of_device(setup_sheet(self._session.project), self.device)
        if self._shown == sheet:
            for key, box in self.boxes.items():
                box.setChecked(key in self._session.project.ticked)
            return
        self._shown = sheet
        self.boxes = {}
        inside = QWidget()
        column = QVBoxLayout(inside)
        column.setContentsMargins(0, 4, 12, 12)
        column.setSpacing(2)
        for device in sheet.parts:
            if device.steps:
                column.addWidget(self._device(device))
        column.addStretch(1)
        self.steps.setWidget(inside)
        inside.setAutoFillBackground(False)
        view = self.steps.viewport()
        if view is not None:
            view.setAutoFillBackground(False)

    def _device(self, device: DeviceSheet) -> QWidget:
        part = QWidget()
        grid = QGridLayout(part)
        grid.setContentsMargins(0, 8, 0, 0)
        grid.setHorizontalSpacing(12)
        grid.setVerticalSpacing(3)
        title = QLabel(f"<b>{device.name}</b>, {device.label}")
        title.setTextFormat(Qt.TextFormat.RichText)
        grid.addWidget(title, 0, 0, 1, 3)
        for row, step in enumerate(device.steps, start=1):
            about = QLabel(step.about)
            about.setFixedWidth(66)
            box = QCheckBox(step.do)
            box.setAccessibleName(f"{device.name}: {step.about}: {step.do}")
            box.setChecked(step.key in self._session.project.ticked)
            box.clicked.connect(self._ticked(step))
            reason = QLabel(step.reason)
            reason.setWordWrap(True)
            grid.addWidget(about, row, 0, Qt.AlignmentFlag.AlignTop)
            grid.addWidget(box, row, 1, Qt.AlignmentFlag.AlignTop)
            grid.addWidget(reason, row, 2, Qt.AlignmentFlag.AlignTop)
            self.boxes[step.key] = box
        grid.setColumnStretch(1, 5)
        grid.setColumnStretch(2, 5)
        return part

    def _ticked(self, step: Step) -> Callable[[], None]:
        def clicked() -> None:
            done = self.boxes[step.key].isChecked()
            self._editor.boxes.tick(step.key, step.do, done=done)

        return clicked
