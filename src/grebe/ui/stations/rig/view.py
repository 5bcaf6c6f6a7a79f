"""The Rig station."""

from __future__ import annotations

from collections.abc import Callable
from pathlib import Path
from typing import Any

import msgspec
from PyQt6.QtCore import QEvent, QObject, Qt
from PyQt6.QtWidgets import (
    QFileDialog,
    QScrollArea,
    QStackedWidget,
    QVBoxLayout,
    QWidget,
)

from grebe.app.document.export import export_setup
from grebe.app.doing import does
from grebe.app.live.networking import SEEN
from grebe.app.live.session import Session
from grebe.core.document import Project, let_lead, with_device, with_rig
from grebe.core.findings import Finding, as_intended, mend, not_intended
from grebe.core.rig.edits import (
    add_cable,
    add_device,
    add_route,
    profile_from,
    proposed_route,
    remove_device,
    uses_of,
)
from grebe.core.rig.model import GREBE_ID, AudioPort, Cable, Device, Port
from grebe.core.rig.propose import proposals
from grebe.core.rig.setup import PULSE_CARE
from grebe.core.rig.spec import Profile
from grebe.errors import EditError, GrebeError, ProfileError
from grebe.formats.profiles import own_profiles, shipped_profiles, write_profile
from grebe.process.places import own_profiles_dir
from grebe.protocols.link.messages import PeerRow
from grebe.ui.stations.rig.abilities import AbilitiesPane
from grebe.ui.stations.rig.canvas import RigCanvas
from grebe.ui.stations.rig.clocking import learn_panic, next_count_in, next_jack
from grebe.ui.stations.rig.controls import ControlsPane
from grebe.ui.stations.rig.device import LINES, OFFSET_STEP_MS, DevicePage
from grebe.ui.stations.rig.facts import device_lines, grebe_lines, heading_words
from grebe.ui.stations.rig.findings import FindingsList
from grebe.ui.stations.rig.notes import NotesPane
from grebe.ui.stations.rig.pages import AddPage, CablePage, RemovePage
from grebe.ui.stations.rig.setup import SetupPane
from grebe.ui.stations.rig.tables import TablesPane
from grebe.ui.stations.sync.computers import peer_lines
from grebe.ui.widgets.controls import Pill
from grebe.ui.widgets.printing import html_to_pdf
from grebe.ui.widgets.view import Sheet, View

PANES = (
    ("Drawing", "pane_drawing"),
    ("Tables", "pane_tables"),
    ("Set-up sheet", "pane_setup"),
    ("Note maps", "pane_notes"),
    ("What it can do", "pane_abilities"),
    ("Pedals", "pane_controls"),
)
FINDINGS_HEIGHT = 200
PAPER = "PDF (*.pdf);;HTML (*.html)"


class RigView(View):
    """Boxes, cables, who leads, what is wrong, and the device's sheet."""

    scope = "rig"
    number = 1

    def __init__(self, session: Session) -> None:
        super().__init__(session)
        devices = session.project.rig.devices
        self.selected = devices[0].id if devices else GREBE_ID
        self._ports_shown: tuple[str, ...] = ()
        self.tree_canvas = RigCanvas(session)
        self.tree_canvas.device_clicked.connect(self.select)
        self.findings = FindingsList(session)
        self.findings.setFixedHeight(FINDINGS_HEIGHT)
        self.tables = TablesPane(session, self.ask_removal)
        self.setup = SetupPane(session)
        self.notes = NotesPane(session)
        self.abilities = AbilitiesPane(session, self.select)
        self.controls = ControlsPane(session)
        self.panes = QStackedWidget()
        self._make_panes()
        self._make_sheet()
        self.lay_out(self.tree_canvas, self.sheet, above=self._tabs(), body=self.panes)
        self.add_pill("Add a box", "add_box", primary=True)
        self.add_pill("Cable", "add_cable")
        self.add_pill("Let it lead", "lead")
        self.who_pill = self.add_pill("Who plays", "who_plays")
        self.document_changed()

    def _make_panes(self) -> None:
        self.drawing_area = QScrollArea()
        self.drawing_area.setWidget(self.tree_canvas)
        self.drawing_area.setWidgetResizable(False)
        self.drawing_area.installEventFilter(self)
        drawing = QWidget()
        column = QVBoxLayout(drawing)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(6)
        column.addWidget(self.drawing_area, 1)
        column.addWidget(self.findings)
        self.findings.mend.connect(self._mend)
        self.findings.intended.connect(self._accept)
        self.findings.heard_again.connect(self._hear_again)
        self.findings.chosen.connect(self._finding_chosen)
        for pane in (
            drawing, self.tables, self.setup, self.notes, self.abilities, self.controls,
        ):  # fmt: skip
            self.panes.addWidget(pane)

    def _make_sheet(self) -> None:
        self.sheet = Sheet()
        self.pages = QStackedWidget()
        self.device_page = DevicePage()
        self.add_page, self.cable_page = AddPage(), CablePage(self.session)
        self.remove_page = RemovePage()
        for page in (self.device_page, self.add_page, self.cable_page, self.remove_page):
            self.pages.addWidget(page)
        self.sheet.column.addWidget(self.pages)
        page = self.device_page
        page.renamed.connect(lambda words: self._set_fields("Name", name=words))
        page.channel_set.connect(lambda value: self._set_fields("Channel", channel=value))
        page.offset_set.connect(self._offset_typed)
        page.stays_set.connect(lambda on: self._set_fields("Start", stays=on))
        page.stopped_set.connect(lambda on: self._set_fields("Clock", clock_stopped=on))
        page.filtered.connect(self._filter)
        page.port.chosen.connect(self._port_chosen)
        page.input.chosen.connect(self._input_chosen)
        page.line_chosen.connect(self._line_chosen)
        page.pulse.shaped.connect(lambda shape: self._set_fields("Pulse", pulse=shape))
        page.pulse.refused.connect(lambda words: self.session.say("warn", words))
        self.add_page.wanted.connect(self._add_box)
        self.cable_page.wanted.connect(self._plug)
        self.remove_page.wanted.connect(self._remove)
        for other in (self.add_page, self.cable_page, self.remove_page):
            other.left.connect(self._back)

    def _tabs(self) -> QWidget:
        bar, row = QWidget(), self.tab_row(PANES)
        bar.setLayout(row)
        self.paper_pill = Pill("PDF or HTML")
        self.paper_pill.clicked.connect(self.handler("print_setup"))
        row.addWidget(self.paper_pill)
        return bar

    def eventFilter(self, watched: QObject | None, event: QEvent | None) -> bool:
        """The room for the drawing has changed."""
        if (
            watched is self.drawing_area
            and event is not None
            and event.type() == QEvent.Type.Resize
        ):
            self._draw_rig()
        return super().eventFilter(watched, event)

    def _draw_rig(self) -> None:
        size = self.drawing_area.size()
        self.tree_canvas.selected = self.selected
        rig = self.session.network.shown_rig()
        self.tree_canvas.show_rig(rig, max(200.0, size.width() - 4), max(160.0, size.height() - 4))

    # Showing

    def select(self, device_id: str) -> None:
        """Show another device in the sheet."""
        self.selected = device_id
        self.pages.setCurrentWidget(self.device_page)
        self.document_changed()

    def document_changed(self) -> None:
        """Show the rig as it is now."""
        rig = self.session.project.rig
        known = [d.id for d in self.session.network.shown_rig().devices]
        if self.selected not in (*known, GREBE_ID):
            self.selected = known[0] if known else GREBE_ID
        self._draw_rig()
        self.heading.say(rig.name, heading_words(rig, self.tree_canvas.tree))
        device = self._device()
        self.device_page.show_device(device, rig)
        if device is not None:
            other = "Let Grebe play it" if device.plays == "own" else "Let it play its own"
            self.who_pill.set_words(other)
        self.who_pill.setVisible(device is not None)
        self.findings.refresh()
        current = self.panes.currentIndex()
        self.show_tab(current)
        self.paper_pill.setVisible(current == 2)
        if current == 1:
            self.tables.document_changed()
        elif current == 2:
            self.setup.document_changed()
        elif current == 3:
            self.notes.refresh()
        elif current == 4:
            self.abilities.device = self.selected
            self.abilities.document_changed()
        elif current == 5:
            self.controls.refresh()
        self._show_facts()

    def moved(self) -> None:
        """Figures in the sheet and marks on the boxes follow the engine."""
        status = self.session.status
        ports = tuple(d.port for d in status.devices) if status else ()
        if ports != self._ports_shown:
            self._ports_shown = ports
            self.tree_canvas.update()
        if self.session.network.shown_rig() is not self.tree_canvas.wiring.rig:
            self.document_changed()  # a computer came or went
        elif self.session.network.rows:
            self.tree_canvas.update()
        self._show_facts()

    def _device(self) -> Device | None:
        devices = self.session.project.rig.devices
        return next((d for d in devices if d.id == self.selected), None)

    def _computer(self, device: Device | None) -> PeerRow | None:
        """What is selected as a computer of the session, if it is one."""
        network = self.session.network
        if device is not None:
            return network.row_of(device)
        return next((r for r in network.rows if SEEN + r.id == self.selected), None)

    def _show_facts(self) -> None:
        device = self._device()
        peer = self._computer(device)
        if peer is not None and device is None:
            self.device_page.show_lines(peer_lines(peer), [])
        elif device is None:
            lines = grebe_lines(self.session, self.tree_canvas.tree)
            self.device_page.show_lines(lines, [])
        else:
            how, able = device_lines(self.session, device, self.tree_canvas.tree)
            self.device_page.show_lines([*how, *(peer_lines(peer) if peer else [])], able)

    def showEvent(self, event: object) -> None:
        """Look for ports whenever the station is shown."""
        del event
        self.device_page.ports.look()

    def leaving(self) -> None:
        """End the look for ports."""
        self.device_page.ports.stop()

    def escaped(self) -> None:
        """Leave a page of the sheet, or give up learning."""
        if self.controls.give_up():
            return
        if self.pages.currentWidget() is not self.device_page:
            self._back()

    def _back(self) -> None:
        self.pages.setCurrentWidget(self.device_page)
        self.canvas.setFocus()

    # Editing the device

    def _apply(self, name: str, edit: Callable[[Project], Project], merge: str = "") -> None:
        try:
            self.session.store.apply(name, edit, merge=merge)
        except EditError as error:
            self.session.say("warn", f"{error}. Nothing was changed.")

    def _set_fields(self, what: str, **fields: Any) -> None:
        device = self._device()
        if device is not None:
            self._apply(
                f"{what} of {device.name}",
                lambda project: with_device(
                    project, device.id, lambda d: msgspec.structs.replace(d, **fields)
                ),
            )

    def _port_chosen(self, port: Port) -> None:
        self._set_fields("Port", port=port)

    def _input_chosen(self, port: Port) -> None:
        self._set_fields("Input", input=port)

    def _line_chosen(self, field: str, line: AudioPort) -> None:
        self._set_fields(LINES[field], **{field: line})
        if line.wire != "none" and field != "pulse_from":
            self.session.say("warn", f"{PULSE_CARE} Channels 1 and 2 are often the main output.")

    def _offset_typed(self, value: float) -> None:
        device = self._device()
        if device is not None:
            self._set_offset(device, value)

    def _set_offset(self, device: Device, value: float) -> None:
        held = round(min(500.0, max(-500.0, value)), 1)
        self._apply(
            f"Offset of {device.name}",
            lambda project: with_device(
                project, device.id, lambda d: msgspec.structs.replace(d, offset_ms=held)
            ),
            merge=f"offset-{device.id}",
        )

    def _filter(self, end: str, field: str, on: bool) -> None:
        """Switch a kind of message at all of the device's MIDI inputs, or outputs."""
        device = self._device()
        if device is None:
            return
        side = "target" if end == "accepts" else "source"

        def switched(cable: Cable) -> Cable:
            if getattr(cable, side) != device.id or cable.medium not in ("midi", "network"):
                return cable
            filter_ = msgspec.structs.replace(getattr(cable, end), **{field: on})
            return msgspec.structs.replace(cable, **{end: filter_})

        def edit(project: Project) -> Project:
            rig = project.rig
            cables = tuple(switched(c) for c in rig.cables)
            return with_rig(project, msgspec.structs.replace(rig, cables=cables))

        word = "on" if on else "off"
        self._apply(f"{field} {word} at {device.name}", edit)

    # Findings

    def _mend(self, finding: Finding) -> None:
        self._apply(finding.fix, lambda project: mend(project, finding))

    def _accept(self, finding: Finding) -> None:
        self._apply(f"Intended: {finding.message}", lambda p: as_intended(p, finding))

    def _hear_again(self, finding: Finding) -> None:
        self._apply(f"Hear again: {finding.message}", lambda p: not_intended(p, finding))

    def _finding_chosen(self, subject: str) -> None:
        if any(d.id == subject for d in self.session.project.rig.devices):
            self.select(subject)

    # Boxes and cables

    def _add_box(self, profile: Profile, name: str) -> None:
        made: list[str] = []

        def edit(project: Project) -> Project:
            new, device_id = add_device(project, profile, name)
            made.append(device_id)
            return new

        self._apply(f"Add {name}", edit)
        if made:
            self.select(made[-1])
            self.canvas.setFocus()

    def _plug(self, cable: Cable) -> None:
        name = self.session.project.rig.name_of

        def edit(project: Project) -> Project:
            new = add_cable(project, cable)
            route = proposed_route(new.rig, cable.source) if cable.target == GREBE_ID else None
            sends = next((d for d in new.rig.devices if d.id == cable.source), None)
            notes = sends is not None and sends.spec.sends.notes and cable.medium != "audio"
            return add_route(new, route) if route is not None and notes else new

        self._apply(f"Cable from {name(cable.source)} to {name(cable.target)}", edit)
        self._back()

    def ask_removal(self, device_id: str) -> None:
        """Show what uses a device before it goes."""
        self.select(device_id)
        device = self._device()
        if device is not None:
            self.pages.setCurrentWidget(self.remove_page)
            self.remove_page.open(device.name, uses_of(self.session.project, device_id))

    def _remove(self) -> None:
        device = self._device()
        if device is not None:
            self._apply(f"Remove {device.name}", lambda p: remove_device(p, device.id))
            self.session.say("info", f"{device.name} is taken out. Ctrl+Z brings it back.")
        self._back()

    # Actions

    @does("previous")
    def previous(self) -> None:
        """Select the device before."""
        self._step(-1)

    @does("next")
    def next(self) -> None:
        """Select the device after."""
        self._step(1)

    def _step(self, by: int) -> None:
        ids = [p.device for p in self.tree_canvas.placed] or [GREBE_ID]
        index = ids.index(self.selected) if self.selected in ids else 0
        self.select(ids[(index + by) % len(ids)])
        box = next((p.box for p in self.tree_canvas.placed if p.device == self.selected), None)
        if box is not None:
            self.drawing_area.ensureVisible(
                round(box.center().x()), round(box.center().y()), 120, 60
            )

    @does("earlier")
    def earlier(self) -> None:
        """Offset a tenth of a millisecond earlier."""
        self._nudge(-OFFSET_STEP_MS)

    @does("later")
    def later(self) -> None:
        """Offset a tenth of a millisecond later."""
        self._nudge(OFFSET_STEP_MS)

    def _nudge(self, by: float) -> None:
        device = self._device()
        if device is not None:
            self._set_offset(device, device.offset_ms + by)

    @does("who_plays")
    def who_plays(self) -> None:
        """Let the box play its own patterns, or Grebe play it."""
        device = self._device()
        if device is not None:
            self._set_fields("Who plays", plays="grebe" if device.plays == "own" else "own")

    @does("lead")
    def lead(self) -> None:
        """Let the selected one lead the clock; its clock output is switched on."""
        leader, name = self.selected, self.session.project.rig.name_of(self.selected)
        self._apply(f"{name} leads", lambda project: let_lead(project, leader))

    @does("propose")
    def propose(self) -> None:
        """Let the one lead that leads best, and say why."""
        rows = proposals(self.session.project.rig)
        best = rows[0]
        self.session.say("info", " Next: ".join(p.why for p in rows[:2]))
        self.selected = best.leader
        self.lead()

    @does("jack")
    def jack(self) -> None:
        """Lead JACK's transport, follow it, or leave it to others."""
        next_jack(self.session)

    @does("count_in")
    def count_in(self) -> None:
        """Click the count-in on this box, or on none; on Grebe's page: how many bars."""
        next_count_in(self.session, self._device())

    @does("learn_panic")
    def learn_panic(self) -> None:
        """Let the next press on this box panic from then on; again to forget it."""
        learn_panic(self.session, self._device())

    @does("add_box")
    def add_box(self) -> None:
        """Choose a profile for a new box."""
        own, bad = own_profiles(own_profiles_dir())
        if bad:
            self.session.say("warn", bad[0])
        self.pages.setCurrentWidget(self.add_page)
        self.add_page.open((*own, *shipped_profiles()))

    @does("add_cable")
    def add_cable(self) -> None:
        """Run a cable from the selected one."""
        self.pages.setCurrentWidget(self.cable_page)
        self.cable_page.open(self.selected)

    @does("add_route")
    def add_route(self) -> None:
        """Route what the selected box plays through Grebe."""
        route = proposed_route(self.session.project.rig, self.selected)
        if route is None or self._device() is None:
            raise EditError("there is no box to route this to")
        self._apply("Add a route", lambda project: add_route(project, route))
        self._show_pane(3)

    @does("remove_box")
    def remove_box(self) -> None:
        """Show what uses the selected box; remove it from there."""
        if self._device() is not None:
            self.ask_removal(self.selected)

    @does("settings")
    def settings(self) -> None:
        """To the selected box's settings."""
        self.pages.setCurrentWidget(self.device_page)
        self.device_page.ensureWidgetVisible(self.device_page.name)
        self.device_page.name.setFocus()

    @does("next_finding")
    def next_finding(self) -> None:
        """The next finding."""
        self.findings.step(1)

    @does("finding_before")
    def finding_before(self) -> None:
        """The finding before."""
        self.findings.step(-1)

    @does("fix")
    def fix(self) -> None:
        """Mend the selected finding, or the first that can be mended."""
        open_ = self.session.derived.findings()
        chosen = self.findings.current
        finding = chosen if chosen is not None and chosen.cure is not None else None
        finding = finding or next((f for f in open_ if f.cure is not None), None)
        if finding is not None:
            self._mend(finding)

    @does("intended")
    def intended(self) -> None:
        """The selected finding is intended."""
        finding = self.findings.current
        if finding is not None and not self.findings.shows_intended:
            self._accept(finding)

    @does("save_profile")
    def save_profile(self) -> None:
        """Save the selected box as a profile of the performer's own."""
        device = self._device()
        if device is None:
            return
        try:
            path = write_profile(own_profiles_dir(), profile_from(device))
        except ProfileError as error:
            self.session.say("error", str(error))
            return
        self.session.say("info", f"Saved {device.name} as a profile: {path.name}.")

    def _show_pane(self, index: int) -> None:
        self.panes.setCurrentIndex(index)
        self.document_changed()
        focus: tuple[QWidget, ...] = (
            self.tree_canvas, self.tables.devices, self.setup, self.notes, self.abilities.stack,
            self.controls,
        )  # fmt: skip
        focus[index].setFocus(Qt.FocusReason.OtherFocusReason)

    @does("pane_drawing")
    def pane_drawing(self) -> None:
        """The drawing."""
        self._show_pane(0)

    @does("pane_tables")
    def pane_tables(self) -> None:
        """The tables."""
        self._show_pane(1)

    @does("pane_setup")
    def pane_setup(self) -> None:
        """The set-up sheet."""
        self._show_pane(2)

    @does("pane_notes")
    def pane_notes(self) -> None:
        """The note maps."""
        self._show_pane(3)

    @does("pane_abilities")
    def pane_abilities(self) -> None:
        """What the selected box can do."""
        self._show_pane(4)

    @does("pane_controls")
    def pane_controls(self) -> None:
        """What controllers, pedals and computer keys do on Stage."""
        self._show_pane(5)

    @does("part_after")
    def part_after(self) -> None:
        """The next part of what the box can do."""
        self._step_part(1)

    @does("part_before")
    def part_before(self) -> None:
        """The part before."""
        self._step_part(-1)

    def _step_part(self, by: int) -> None:
        if self.panes.currentWidget() is self.abilities:
            self.abilities.step(by)

    @does("add_row")
    def add_row(self) -> None:
        """A jack, voice, controller or hand move more."""
        if self.panes.currentWidget() is self.abilities:
            self.abilities.add_row()

    @does("print_setup")
    def print_setup(self) -> None:
        """Write the set-up sheet as PDF or HTML."""
        chosen, kind = QFileDialog.getSaveFileName(self, "Set-up sheet", "set-up.pdf", PAPER)
        if not chosen:
            return
        path = Path(chosen)
        if path.suffix.lower() not in (".pdf", ".html"):
            path = path.with_suffix(".html" if "html" in kind else ".pdf")
        try:
            device = self.setup.device
            export_setup(self.session.project, path, device=device, to_pdf=html_to_pdf)
        except GrebeError as error:
            self.session.say("error", str(error))
            return
        self.session.say("info", f"Wrote {path.name}.")
