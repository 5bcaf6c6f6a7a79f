"""The Rig station."""

from __future__ import annotations

from functools import partial

from PyQt6.QtCore import QEvent, QObject, Qt
from PyQt6.QtWidgets import (
    QScrollArea,
    QVBoxLayout,
    QWidget,
)

from grebe.app.doing import Act, acts_of, does
from grebe.app.editors.clip import ThingClip, box_in_hand
from grebe.app.editors.rig_editor import RigEditor
from grebe.app.live.networking import SEEN
from grebe.app.live.session import Session
from grebe.core.rig.model import GREBE_ID, Device
from grebe.protocols.link.session import PeerRow
from grebe.ui.stations.rig.abilities import AbilitiesPane
from grebe.ui.stations.rig.canvas import RigCanvas
from grebe.ui.stations.rig.facts import device_lines, grebe_lines, heading_words
from grebe.ui.stations.rig.panes import RigPanes
from grebe.ui.stations.rig.parts import RigParts
from grebe.ui.stations.rig.profile_side import ProfileSide
from grebe.ui.stations.rig.side import RigSide
from grebe.ui.stations.rig.tables import TablesPane
from grebe.ui.stations.sync.computers import peer_lines
from grebe.ui.widgets.findings import FindingsList
from grebe.ui.widgets.typed import take_typed
from grebe.ui.widgets.view import PanedView, Thing, dress
from grebe.words import tr

PANES = (
    (tr("Drawing"), "pane_drawing"),
    (tr("Tables"), "pane_tables"),
    (tr("Set-up"), "pane_setup"),
    (tr("Note maps"), "pane_notes"),
    (tr("Abilities"), "pane_abilities"),
    (tr("Pedals"), "pane_controls"),
    (tr("What if"), "pane_what_if"),
    (tr("Notes##about gear"), "pane_gear"),
)
FINDINGS_HEIGHT = 200


class RigView(PanedView):
    """Boxes, cables, who leads, what is wrong, and the device's sheet."""

    scope = "rig"
    panes: RigParts

    def __init__(self, session: Session) -> None:
        super().__init__(session)
        self.editor = RigEditor(session)
        self.clip = ThingClip(session, lambda: box_in_hand(session, self.selected))
        self._ports_shown: tuple[str, ...] = ()
        self.tree_canvas = RigCanvas(session)
        self.tree_canvas.device_clicked.connect(self.select)
        self.tree_canvas.cable_wanted.connect(self._run_cable)
        self.findings = FindingsList(session)
        self.findings.setFixedHeight(FINDINGS_HEIGHT)
        self.panes = RigParts(
            self.editor, self._drawing(), dressed=lambda pane: dress(pane, self.palette_now),
            ask_removal=self._ask_removal, select=self.select, what_if=self._what_if_page,
        )  # fmt: skip
        self.side = RigSide(
            self.editor, self.select, leave=self._to_drawing,
            routes=lambda: self.to_part(3),
        )  # fmt: skip
        self.profiles = ProfileSide(self.editor, self.side, partial(take_typed, session))
        self.rig_panes = RigPanes(
            session, self.panes, self.to_part, of=lambda: self.panes.setup.device
        )
        self.lay_out(self.tree_canvas, self.side.sheet, above=self._tabs(), body=self.panes)
        take_typed(self.session, self.side.device_page.form, self.editor.form)
        self.document_changed()

    def _drawing(self) -> QWidget:
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
        self.findings.chosen.connect(self.show_subject)
        return drawing

    def _tabs(self) -> QWidget:
        bar = QWidget()
        bar.setLayout(self.tab_row(PANES))
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

    def _run_cable(self, source: str, target: str, at_once: bool) -> None:
        self.side.run_cable(source, target, at_once=at_once)

    def _draw_rig(self) -> None:
        size = self.drawing_area.size()
        self.tree_canvas.selected = self.selected
        rig = self.session.network.shown_rig()
        self.tree_canvas.show_rig(rig, max(200.0, size.width() - 4), max(160.0, size.height() - 4))

    # Showing

    def acts(self, part: int) -> dict[str, Act]:
        """What the part shown has for an action, then the view, then the editor."""
        own = {
            **self.editor.acts(),
            **acts_of(self.side, self.profiles, self.rig_panes, self, self.clip),
        }
        return {**own, **acts_of(self.panes.pane(part))}

    def in_hand(self) -> Thing:
        """The box in hand, or Grebe."""
        if not self.session.project.rig.devices and self.selected != GREBE_ID:
            return Thing(tr("The rig"), ("rig",))
        device = self.editor.hand.device
        if device is None:
            return Thing(tr("Grebe"), ("grebe", "rig"))
        return Thing(device.name, ("box", "rig"))

    def around(self, action_id: str, act: Act) -> Act:
        """Show what is in hand now; an edit has been shown already."""
        del action_id

        def shown() -> None:
            before = self.selected
            act()
            if self.selected != before:
                self.document_changed()

        return shown

    def _ask_removal(self, device_id: str) -> None:
        self.side.ask_removal(device_id)

    def _to_drawing(self) -> None:
        self.canvas.setFocus()

    def select(self, device_id: str) -> None:
        """Show another device in the sheet."""
        self.editor.hand.selected = device_id
        if any(d.id == device_id for d in self.session.project.rig.devices):
            self.session.selection.box = device_id
        self.side.pages.setCurrentWidget(self.side.device_page)
        self.document_changed()

    def follow_box(self) -> None:
        """The box in hand, unless Grebe or a computer is."""
        known = {d.id for d in self.session.project.rig.devices}
        if self.selected in known and self.session.selection.box in known:
            self.editor.hand.selected = self.session.selection.box

    def document_changed(self) -> None:
        """Show the rig as it is now."""
        rig = self.session.project.rig
        known = [d.id for d in self.session.network.shown_rig().devices]
        if self.selected not in (*known, GREBE_ID):
            self.editor.hand.selected = known[0] if known else GREBE_ID
        self._draw_rig()
        self.heading.say(rig.name, heading_words(rig, self.tree_canvas.shown.tree))
        device = self.editor.hand.device
        self.side.device_page.show_device(device, rig)
        self.findings.refresh()
        self.show_tab(self.panes.currentIndex())
        self.panes.follow(self.selected)
        self._show_facts()

    def _what_if_page(self, ink: str, muted: str) -> str:
        from grebe.app.document.sheets import what_if_page

        return what_if_page(self.session.project, self.selected, ink=ink, muted=muted)

    def moved(self) -> None:
        """Figures in the sheet and marks on the boxes follow the engine."""
        status = self.session.status
        ports = tuple(d.port for d in status.devices) if status else ()
        if ports != self._ports_shown:
            self._ports_shown = ports
            self.tree_canvas.update()
        if self.session.network.shown_rig() is not self.tree_canvas.shown.wiring.rig:
            self.document_changed()  # a computer came or went
        elif self.session.network.rows:
            self.tree_canvas.update()
        self._show_facts()

    @property
    def selected(self) -> str:
        """Id of the box in hand, of Grebe, or of a computer of the session."""
        return self.editor.hand.selected

    def _computer(self, device: Device | None) -> PeerRow | None:
        """What is selected as a computer of the session, if it is one."""
        network = self.session.network
        if device is not None:
            return network.row_of(device)
        return next((r for r in network.rows if SEEN + r.id == self.selected), None)

    def _show_facts(self) -> None:
        device = self.editor.hand.device
        peer = self._computer(device)
        if peer is not None and device is None:
            self.side.device_page.show_lines(peer_lines(peer), [])
        elif device is None:
            lines = grebe_lines(self.session, self.tree_canvas.shown.tree)
            self.side.device_page.show_lines(lines, [])
        else:
            how, able = device_lines(self.session, device, self.tree_canvas.shown.tree)
            more = [*self.profiles.lines(device), *(peer_lines(peer) if peer else [])]
            self.side.device_page.show_lines([*how, *more], able)

    def showEvent(self, event: object) -> None:
        """Look for ports and profiles whenever the station is shown."""
        del event
        self.profiles.look()
        self.side.device_page.ports.look()

    def leaving(self) -> None:
        """End the look for ports."""
        self.side.device_page.ports.stop()

    def escaped(self) -> bool:
        """Leave a page of the sheet, or give up learning."""
        if self.panes.give_up():
            return True
        if self.side.pages.currentWidget() is self.side.device_page:
            return False
        self.side.back()
        return True

    # Editing the device

    # Findings

    @property
    def listed(self) -> FindingsList | None:
        """All of them, whatever they are about."""
        return self.findings

    def show_subject(self, kind: str, subject: str) -> None:
        """Take a box in hand; anything else is shown where it is edited."""
        if any(d.id == subject for d in self.session.project.rig.devices):
            self.select(subject)
        elif kind != "device":
            super().show_subject(kind, subject)

    # Actions

    @does("up")
    def previous(self) -> None:
        """Select the device before."""
        self._step(-1)

    @does("down")
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

    def to_part(self, index: int) -> None:
        """Show another part."""
        pane = self.panes.pane(index)
        self.panes.setCurrentIndex(index)
        self.document_changed()
        if index == 0:
            pane = self.tree_canvas
        elif isinstance(pane, TablesPane):
            pane = pane.devices
        elif isinstance(pane, AbilitiesPane):
            pane = pane.stack
        pane.setFocus(Qt.FocusReason.OtherFocusReason)
