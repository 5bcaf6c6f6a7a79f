"""The Rig station."""

from __future__ import annotations

from collections.abc import Callable
from pathlib import Path

from PyQt6.QtCore import QEvent, QObject, Qt
from PyQt6.QtWidgets import (
    QFileDialog,
    QScrollArea,
    QStackedWidget,
    QVBoxLayout,
    QWidget,
)

from grebe.app.document.export import export_setup
from grebe.app.doing import Act, acts_of, does
from grebe.app.editors.rig_editor import RigEditor
from grebe.app.live.networking import SEEN
from grebe.app.live.session import Session
from grebe.core.rig.edits import (
    uses_of,
)
from grebe.core.rig.model import GREBE_ID, Cable, Device
from grebe.core.rig.spec import Profile
from grebe.errors import EditError, GrebeError
from grebe.formats.profiles import own_profiles, shipped_profiles
from grebe.process.places import own_profiles_dir
from grebe.protocols.link.messages import PeerRow
from grebe.ui.stations.rig.abilities import AbilitiesPane
from grebe.ui.stations.rig.canvas import RigCanvas
from grebe.ui.stations.rig.controls import ControlsPane
from grebe.ui.stations.rig.device import DevicePage
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
        self.editor = RigEditor(session)
        self._ports_shown: tuple[str, ...] = ()
        self.tree_canvas = RigCanvas(session)
        self.tree_canvas.device_clicked.connect(self.select)
        self.findings = FindingsList(session)
        self.findings.setFixedHeight(FINDINGS_HEIGHT)
        self.tables = TablesPane(self.editor, self.ask_removal)
        self.setup = SetupPane(self.editor)
        self.notes = NotesPane(self.editor)
        self.abilities = AbilitiesPane(self.editor, self.select)
        self.controls = ControlsPane(self.editor)
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
        self.findings.mend.connect(self.editor.findings.mend)
        self.findings.intended.connect(self.editor.findings.accept)
        self.findings.heard_again.connect(self.editor.findings.hear_again)
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
        hand = self.editor.hand
        page.renamed.connect(lambda words: hand.set_fields("Name", name=words))
        page.channel_set.connect(lambda value: hand.set_fields("Channel", channel=value))
        page.offset_set.connect(self.editor.device.set_offset)
        page.stays_set.connect(lambda on: hand.set_fields("Start", stays=on))
        page.stopped_set.connect(lambda on: hand.set_fields("Clock", clock_stopped=on))
        page.filtered.connect(self.editor.device.switch)
        page.port.chosen.connect(lambda port: hand.set_fields("Port", port=port))
        page.input.chosen.connect(lambda port: hand.set_fields("Input", input=port))
        page.line_chosen.connect(self.editor.device.set_line)
        page.pulse.shaped.connect(lambda shape: hand.set_fields("Pulse", pulse=shape))
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

    def acts(self) -> dict[str, Act]:
        """The view's own, then the editor's."""
        return {**self.editor.acts(), **acts_of(self)}

    def around(self, action_id: str, act: Act) -> Act:
        """Show what is in hand now; an edit has been shown already."""
        del action_id

        def shown() -> None:
            before = self.selected
            act()
            if self.selected != before:
                self.document_changed()

        return shown

    def select(self, device_id: str) -> None:
        """Show another device in the sheet."""
        self.editor.hand.selected = device_id
        self.pages.setCurrentWidget(self.device_page)
        self.document_changed()

    def document_changed(self) -> None:
        """Show the rig as it is now."""
        rig = self.session.project.rig
        known = [d.id for d in self.session.network.shown_rig().devices]
        if self.selected not in (*known, GREBE_ID):
            self.editor.hand.selected = known[0] if known else GREBE_ID
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

    @property
    def selected(self) -> str:
        """Id of the box in hand, of Grebe, or of a computer of the session."""
        return self.editor.hand.selected

    def _device(self) -> Device | None:
        return self.editor.hand.device

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

    # Findings

    def _finding_chosen(self, subject: str) -> None:
        if any(d.id == subject for d in self.session.project.rig.devices):
            self.select(subject)

    # Boxes and cables

    def _add_box(self, profile: Profile, name: str) -> None:
        self._safely(lambda: self.select(self.editor.boxes.add(profile, name)))
        self.canvas.setFocus()

    def _plug(self, cable: Cable) -> None:
        self._safely(lambda: self.editor.boxes.plug(cable))
        self._back()

    def _safely(self, edit: Callable[[], None]) -> None:
        try:
            edit()
        except EditError as error:
            self.session.say("warn", f"{error}. Nothing was changed.")

    def ask_removal(self, device_id: str) -> None:
        """Show what uses a device before it goes."""
        self.select(device_id)
        device = self._device()
        if device is not None:
            self.pages.setCurrentWidget(self.remove_page)
            self.remove_page.open(device.name, uses_of(self.session.project, device_id))

    def _remove(self) -> None:
        self._safely(self.editor.boxes.remove)
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
        self.editor.boxes.route()
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
        self.editor.findings.mend_first(self.findings.current, self.session.derived.findings())

    @does("intended")
    def intended(self) -> None:
        """The selected finding is intended."""
        finding = self.findings.current
        if finding is not None and not self.findings.shows_intended:
            self.editor.findings.accept(finding)

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
