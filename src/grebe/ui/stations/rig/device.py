"""The device's page in the Rig's sheet: what it is, how it is set, what passes where."""

from __future__ import annotations

from collections.abc import Callable
from functools import partial

from PyQt6.QtCore import Qt, pyqtSignal
from PyQt6.QtWidgets import (
    QCheckBox,
    QGridLayout,
    QLabel,
    QLayout,
    QScrollArea,
    QVBoxLayout,
    QWidget,
)

from grebe.app.editors.rig_device import HEARD, LINES
from grebe.app.editors.rig_form import FIELDS, DeviceForm
from grebe.core.rig.formatting import PARTS
from grebe.core.rig.model import GREBE_ID, AudioPort, Device, Rig
from grebe.core.rig.wiring import MIDI_MEDIA
from grebe.ui.stations.rig.ports import LineChooser, PortChooser
from grebe.ui.stations.rig.pulse import PulseFields
from grebe.ui.widgets.form import Form
from grebe.ui.widgets.port_look import PortLook
from grebe.ui.widgets.sheet import Facts, SheetLine
from grebe.words import tr


class DevicePage(QScrollArea):
    """What can be set, then facts."""

    line_chosen = pyqtSignal(str, AudioPort)
    """Field of the device, where that line is."""
    filtered = pyqtSignal(str, str, bool)
    """End ("accepts" or "passes"), field of the filter, on."""

    def __init__(self, editor: DeviceForm) -> None:
        super().__init__()
        self.setFocusPolicy(Qt.FocusPolicy.NoFocus)  # its fields have it
        self.setWidgetResizable(True)
        self.setHorizontalScrollBarPolicy(Qt.ScrollBarPolicy.ScrollBarAlwaysOff)
        inside = QWidget()
        self.setWidget(inside)
        inside.setAutoFillBackground(False)
        view = self.viewport()
        if view is not None:
            view.setAutoFillBackground(False)
        column = QVBoxLayout(inside)
        column.setSizeConstraint(QLayout.SizeConstraint.SetMinimumSize)
        column.setContentsMargins(0, 0, 6, 0)
        column.setSpacing(6)
        self.form = Form(editor, {"project": tr("The project"), "box": tr("The box")}, FIELDS)
        self.form.grow()
        self.facts = Facts(grows=True)
        self.editing = QWidget()
        self.more = Facts(grows=True)
        for part in (self.form, self.editing, self.facts, self.more):
            column.addWidget(part)
        column.addStretch(1)
        fields = QVBoxLayout(self.editing)
        fields.setSizeConstraint(QLayout.SizeConstraint.SetMinimumSize)
        fields.setContentsMargins(0, 0, 0, 0)
        fields.setSpacing(4)
        self.ports = PortLook(self)
        self.port, self.input = PortChooser(self.ports), PortChooser(self.ports, hears=True)
        self.lines: dict[str, tuple[QLabel, LineChooser]] = {}
        """Those that some box had: each is made when the first one has it."""
        for words, widget in ((tr("Reached at"), self.port), (tr("Heard at"), self.input)):
            fields.addWidget(QLabel(words))
            fields.addWidget(widget)
        self._line_places: dict[str, QVBoxLayout] = {}
        for field in LINES:
            place = self._line_places[field] = QVBoxLayout()
            place.setSpacing(4)
            fields.addLayout(place)
        self.pulse = PulseFields()
        fields.addWidget(self.pulse)
        self._add_filters(fields)

    def _show_line(self, field: str, line: AudioPort, *, wanted: bool) -> None:
        if field not in self.lines:
            if not wanted:
                return
            words, place = LINES[field], self._line_places[field]
            made = QLabel(words), LineChooser(self.ports, words, hears=field in HEARD)
            made[1].chosen.connect(partial(self.line_chosen.emit, field))
            self.lines[field] = made
            for part in made:
                place.addWidget(part)
        label, chooser = self.lines[field]
        label.setVisible(wanted)
        chooser.setVisible(wanted)
        chooser.show_line(line)

    def _add_filters(self, fields: QVBoxLayout) -> None:
        grid = QGridLayout()
        grid.setHorizontalSpacing(8)
        grid.setVerticalSpacing(3)
        grid.addWidget(QLabel(tr("Accepts")), 0, 1)
        grid.addWidget(QLabel(tr("Passes on")), 0, 2)
        self.filters: dict[tuple[str, str], QCheckBox] = {}
        for row, (word, field) in enumerate(PARTS.items(), start=1):
            grid.addWidget(QLabel(tr(word)), row, 0)
            for column, end in ((1, "accepts"), (2, "passes")):
                box = QCheckBox()
                box.setAccessibleName(f"{tr(end)} {tr(word)}")
                box.clicked.connect(self._filter_clicked(end, field))
                self.filters[(end, field)] = box
                grid.addWidget(box, row, column)
        fields.addLayout(grid)

    def _filter_clicked(self, end: str, field: str) -> Callable[[], None]:
        def clicked() -> None:
            box = self.filters[(end, field)]
            self.filtered.emit(end, field, box.checkState() != Qt.CheckState.Unchecked)

        return clicked

    def show_lines(self, lines: list[SheetLine], more: list[SheetLine]) -> None:
        """Other facts, before the fields and after them."""
        self.facts.show_lines(lines)
        self.more.show_lines(more)

    def show_device(self, device: Device | None, rig: Rig) -> None:
        """Put a device's settings in the fields; for None, which is Grebe, those of the project."""
        self.editing.setVisible(device is not None)
        self.form.show_all()
        if device is None:
            return
        self.port.show_port(device.port)
        self.input.show_port(device.input)
        pulses = [c for c in rig.cables if c.medium == "pulse" and GREBE_ID in (c.source, c.target)]
        for field in LINES:
            line: AudioPort = getattr(device, field)
            end = "source" if field in HEARD else "target"
            wanted = any(getattr(c, end) == device.id for c in pulses) or line != AudioPort()
            wanted |= field == "heard_at" and not device.port.is_standin
            self._show_line(field, line, wanted=wanted)
        self.pulse.setVisible("pulse_at" in self.lines and not self.lines["pulse_at"][1].isHidden())
        self.pulse.show_shape(device.pulse)
        midi = [c for c in rig.cables if c.medium in MIDI_MEDIA]
        ends = {
            "accepts": [c.accepts for c in midi if c.target == device.id],
            "passes": [c.passes for c in midi if c.source == device.id],
        }
        for (end, field), box in self.filters.items():
            values = {getattr(f, field) for f in ends[end]}
            box.setEnabled(bool(values))
            box.setTristate(len(values) > 1)
            state = Qt.CheckState.PartiallyChecked
            if len(values) < 2:
                on = bool(values) and values.pop()
                state = Qt.CheckState.Checked if on else Qt.CheckState.Unchecked
            box.setCheckState(state)
