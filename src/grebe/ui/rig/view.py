"""The Rig station."""

from __future__ import annotations

import msgspec
from PyQt6.QtWidgets import QDoubleSpinBox, QLabel

from grebe.app.session import Session
from grebe.core.document import with_device
from grebe.core.fixes import can_fix, fix
from grebe.core.rig.model import GREBE_ID, Device, Port
from grebe.core.rig.tree import clock_tree
from grebe.link.messages import DeviceStatus
from grebe.ui.rig.canvas import RigCanvas
from grebe.ui.rig.ports import PortChooser
from grebe.ui.sheet import Facts, Line, head, note, row
from grebe.ui.view import Sheet, View
from grebe.ui.words import counted, late_text

OFFSET_STEP_MS = 0.1


class RigView(View):
    """Boxes, cables, who leads, and the device's sheet."""

    scope = "rig"
    number = 1

    def __init__(self, session: Session) -> None:
        super().__init__(session)
        devices = session.project.rig.devices
        self.selected = devices[0].id if devices else GREBE_ID
        self._ports_shown: tuple[str, ...] = ()
        self.tree_canvas = RigCanvas(session)
        self.tree_canvas.device_clicked.connect(self.select)
        self.sheet = Sheet()
        self.facts = Facts()
        self.offset_label = QLabel("Offset in ms, earlier is negative")
        self.offset = QDoubleSpinBox()
        self.offset.setRange(-500, 500)
        self.offset.setDecimals(1)
        self.offset.setSingleStep(OFFSET_STEP_MS)
        self.offset.setSuffix(" ms")
        self.offset.setButtonSymbols(QDoubleSpinBox.ButtonSymbols.NoButtons)
        self.offset.setKeyboardTracking(False)
        self.offset.setAccessibleName("Offset in milliseconds")
        self.offset.valueChanged.connect(self._offset_typed)
        self.port_label = QLabel("Port")
        self.port = PortChooser()
        self.port.chosen.connect(self._port_chosen)
        self.sheet.column.addWidget(self.facts, 1)
        self.sheet.column.addWidget(self.port_label)
        self.sheet.column.addWidget(self.port)
        self.sheet.column.addWidget(self.offset_label)
        self.sheet.column.addWidget(self.offset)
        self.lay_out(self.tree_canvas, self.sheet)
        self.who_pill = self.add_pill("Who plays", "who_plays")
        self.fix_pill = self.add_pill("Mend it", "fix", primary=True)
        self.document_changed()

    def select(self, device_id: str) -> None:
        """Show another device in the sheet."""
        self.selected = device_id
        self.document_changed()

    def document_changed(self) -> None:
        """Show the rig as it is now."""
        rig = self.session.project.rig
        known = [d.id for d in rig.devices]
        if self.selected not in (*known, GREBE_ID):
            self.selected = known[0] if known else GREBE_ID
        tree = clock_tree(rig)
        leads = f"{rig.name_of(rig.leader)} leads" if rig.leader else "Nobody leads"
        apart = ", ".join(rig.name_of(d) for d in tree.free_running)
        locked = f"{tree.followers} of {counted(len(rig.devices), 'box', 'boxes')}"
        below = f"{leads}; the clock reaches {locked}."
        if apart:
            below += f" On its own: {apart}."
        self.heading.say(rig.name, below)
        self.tree_canvas.selected = self.selected
        self.tree_canvas.refresh()
        device = self._device()
        for part in (self.offset, self.offset_label, self.port, self.port_label):
            part.setVisible(device is not None)
        if device is not None:
            self.offset.blockSignals(True)
            self.offset.setValue(device.offset_ms)
            self.offset.blockSignals(False)
            self.port.show_port(device.port)
            other = "Let Grebe play it" if device.plays == "own" else "Let it play its own"
            self.who_pill.set_words(other)
        self.who_pill.setVisible(device is not None)
        self._show_facts()

    def moved(self) -> None:
        """Figures in the sheet and marks on the boxes follow the engine."""
        status = self.session.status
        ports = tuple(d.port for d in status.devices) if status else ()
        if ports != self._ports_shown:
            self._ports_shown = ports
            self.tree_canvas.update()
        self.fix_pill.setVisible(any(can_fix(f) for f in self.tree_canvas.findings))
        self._show_facts()

    def _device(self) -> Device | None:
        devices = self.session.project.rig.devices
        return next((d for d in devices if d.id == self.selected), None)

    def _show_facts(self) -> None:
        device = self._device()
        self.facts.show_lines(self._grebe_lines() if device is None else self._lines(device))

    def _grebe_lines(self) -> list[Line]:
        welcome = self.session.welcome
        lines = [head("Grebe"), row("Clock", "sends 24 a quarter"), row("Follows", "nobody")]
        if welcome is None:
            lines.append(row("Engine", "not connected", "wrong"))
        elif welcome.priority == "fifo":
            lines.append(row("Priority", "real-time", "good"))
        else:
            lines += [row("Priority", "ordinary", "look"), note(welcome.priority_help, "look")]
        status = self.session.status
        if status is not None and status.overruns:
            lines += [
                row("JACK", f"lost time {counted(status.overruns, 'time')}", "wrong"),
                note("A clock may have been lost there. Stop and run again to be sure."),
            ]
        return lines

    def _lines(self, device: Device) -> list[Line]:
        transport = "obeys" if device.obeys_transport else "ignores"
        position = "obeys" if device.obeys_song_position else "ignores: always from the top"
        change = {
            "pattern_end": "at its pattern end",
            "bar": "at the bar",
            "at_once": "at once",
        }[device.change_at]
        program = f"obeys, {change}" if device.obeys_program else "ignores"
        plays = "its own patterns" if device.plays == "own" else "note by note, by Grebe"
        mute = (
            "note by note"
            if device.plays == "grebe"
            else f"controller {device.mute_controller}"
            if device.mute_controller is not None
            else "by hand"
        )
        lines = [
            head(device.name),
            note(device.label or device.kind),
            row("Plays", plays),
            row("Clock", "obeys 24 a quarter" if device.obeys_clock else "ignores"),
            row("Start, stop", transport),
            row("Position", position, "ink" if device.obeys_song_position else "look"),
            row("Channel", str(device.channel)),
            row("Program", program),
            row("Mute", mute),
        ]
        status = self.session.status
        live = next((s for s in status.devices if s.id == device.id), None) if status else None
        off = self.session.off_by_ms(device) is not None
        return lines if live is None else [*lines, *_live_lines(live, off=off)]

    def _offset_typed(self, value: float) -> None:
        device = self._device()
        if device is not None:
            self._set_offset(device, value)

    def _port_chosen(self, port: Port) -> None:
        device = self._device()
        if device is not None:
            self.session.store.apply(
                f"Port of {device.name}",
                lambda project: with_device(
                    project, device.id, lambda d: msgspec.structs.replace(d, port=port)
                ),
            )

    def showEvent(self, event: object) -> None:
        """Look for ports whenever the station is shown."""
        del event
        self.port.look()

    def leaving(self) -> None:
        """End the look for ports."""
        self.port.stop_looking()

    def _set_offset(self, device: Device, value: float) -> None:
        held = round(min(500.0, max(-500.0, value)), 1)
        self.session.store.apply(
            f"Offset of {device.name}",
            lambda project: with_device(
                project, device.id, lambda d: msgspec.structs.replace(d, offset_ms=held)
            ),
            merge=f"offset-{device.id}",
        )

    def do_previous(self) -> None:
        """Select the device before."""
        self._step(-1)

    def do_next(self) -> None:
        """Select the device after."""
        self._step(1)

    def _step(self, by: int) -> None:
        ids = [p.device for p in self.tree_canvas.placed] or [GREBE_ID]
        index = ids.index(self.selected) if self.selected in ids else 0
        self.select(ids[(index + by) % len(ids)])

    def do_earlier(self) -> None:
        """Offset a tenth of a millisecond earlier."""
        self._nudge(-OFFSET_STEP_MS)

    def do_later(self) -> None:
        """Offset a tenth of a millisecond later."""
        self._nudge(OFFSET_STEP_MS)

    def _nudge(self, by: float) -> None:
        device = self._device()
        if device is not None:
            self._set_offset(device, device.offset_ms + by)

    def do_who_plays(self) -> None:
        """Let the box play its own patterns, or Grebe play it."""
        device = self._device()
        if device is None:
            return
        other = "grebe" if device.plays == "own" else "own"
        self.session.store.apply(
            f"Who plays {device.name}",
            lambda project: with_device(
                project, device.id, lambda d: msgspec.structs.replace(d, plays=other)
            ),
        )

    def do_fix(self) -> None:
        """Mend the first finding that can be mended here."""
        finding = next((f for f in self.tree_canvas.findings if can_fix(f)), None)
        if finding is not None:
            self.session.store.apply(finding.fix, lambda project: fix(project, finding))


def _live_lines(live: DeviceStatus, *, off: bool) -> list[Line]:
    lines = [Line("", kind="gap"), head("Now")]
    if live.port == "gone":
        return [*lines, row("Port", "gone", "wrong"), note(live.detail, "wrong")]
    if live.sent:
        where = "at the box" if live.measured == "device" else "as sent"
        lines.append(
            row("Beats", f"{late_text(live.late_ms)}, {where}", "wrong" if off else "good")
        )
        lines.append(row("Waver", f"{live.spread_ms:.1f} ms"))
        if live.measured == "device":
            lines.append(row("Ticks", f"{live.received} of {live.sent}"))
        else:
            lines.append(row("Ticks", f"{live.sent} sent"))
    else:
        lines.append(note("Nothing sent yet."))
    return lines
