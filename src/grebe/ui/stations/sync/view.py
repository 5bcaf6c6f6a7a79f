"""The Sync station: how far off each box is, and what the clock itself is doing."""

from __future__ import annotations

from PyQt6.QtCore import Qt
from PyQt6.QtWidgets import QScrollArea, QStackedWidget, QWidget

from grebe.app.doing import Act, acts_of, does
from grebe.app.editors.network_form import CHOICES, NetworkForm
from grebe.app.editors.rig_hand import RigHand
from grebe.app.live.ear_actions import EarActions
from grebe.app.live.session import Session
from grebe.app.live.sound_check import tried
from grebe.core.forms import field
from grebe.core.rig.tree import clock_tree
from grebe.core.session.use import OscUse, SessionUse
from grebe.errors import EditError
from grebe.ui.stations.rig.facts import grebe_lines
from grebe.ui.stations.sync.canvas import SyncCanvas
from grebe.ui.stations.sync.check import check_lines, heard_lines
from grebe.ui.stations.sync.checks import SyncChecks
from grebe.ui.stations.sync.computers import ComputersCanvas, computer_lines, computers_words
from grebe.ui.stations.sync.facts import device_lines, own_lines
from grebe.ui.stations.sync.probe import ProbePane
from grebe.ui.stations.sync.tempo import TempoFields
from grebe.ui.widgets.form import Form
from grebe.ui.widgets.sheet import Facts, SheetLine, head, row
from grebe.ui.widgets.typed import take_typed
from grebe.ui.widgets.view import NO_BOX, PanedView, Sheet, Thing
from grebe.words import tr

PANES = (
    (tr("Boxes"), "pane_boxes"), (tr("Computers"), "pane_computers"), (tr("Probe"), "pane_probe"),
)  # fmt: skip
BOXES, COMPUTERS, PROBE = range(3)
TITLES = {"session": tr("The session"), "osc": tr("OSC")}
ROWS = (
    field("session", "name", tr("Called")),
    field("session", "passphrase", tr("Passphrase")),
    field("session", "peer", tr("We are")),
    field("session", "quantum_beats", tr("One every"), SessionUse, unit=tr("beats")),
    field("session", "shares_starts", tr("Start, stop"), choices=CHOICES["shares_starts"]),
    field("session", "brings_tempo", tr("Tempo"), choices=CHOICES["brings_tempo"]),
    field("session", "shows_stage", tr("Our stage"), choices=CHOICES["shows_stage"]),
    field("session", "interface", tr("Interface")),
    field("session", "addresses", tr("Addresses")),
    field("osc", "port", tr("Port"), OscUse),
    field("osc", "senders", tr("May ask, besides us")),
    field("osc", "clients", tr("Always told")),
    field("osc", "hz", tr("Times a second"), OscUse),
)


class SyncView(PanedView):
    """Strips, and the clock's sheet; the other computers, and the session's."""

    scope = "sync"

    def __init__(self, session: Session) -> None:
        super().__init__(session)
        self.strips = SyncCanvas(session)
        self.strips.device_clicked.connect(self.select)
        self.checks = SyncChecks(self, session, self.strips, self.moved)
        area = QScrollArea()
        area.setWidgetResizable(True)
        area.setHorizontalScrollBarPolicy(Qt.ScrollBarPolicy.ScrollBarAlwaysOff)
        area.setWidget(self.strips)
        self._area = area
        self.sheet = Sheet()
        self.facts = Facts(grows=True)
        rolling = QScrollArea()
        rolling.setWidgetResizable(True)
        rolling.setHorizontalScrollBarPolicy(Qt.ScrollBarPolicy.ScrollBarAlwaysOff)
        rolling.setWidget(self.facts)
        self.facts.setAutoFillBackground(False)  # the sheet's own surface shows through
        view = rolling.viewport()
        if view is not None:
            view.setAutoFillBackground(False)
        self.tempo = TempoFields()
        self.tempo.wanted.connect(session.tempo.go_to)
        self.tempo.done.connect(self.strips.setFocus)
        self.computers = ComputersCanvas(session)
        self.computers.computer_clicked.connect(self._select_computer)
        self.editor = NetworkForm(session)
        self.form = Form(self.editor, TITLES, ROWS)
        take_typed(self.session, self.form, self.editor)
        self.sheet.column.addWidget(self.tempo)
        self.sheet.column.addWidget(rolling, 1)
        self.sheet.column.addWidget(self.form, 1)
        self.panes = QStackedWidget()
        self.panes.addWidget(area)
        self.panes.addWidget(self.computers)
        self.ears = EarActions(session, self.checks.device)
        self.probe = ProbePane(session)
        self.probe.changed.connect(self.moved)
        self.panes.addWidget(self.probe)
        area.setFocusProxy(self.strips)
        above = QWidget()
        above.setLayout(self.tab_row(PANES))
        self.lay_out(self.strips, self.sheet, above=above, body=self.panes)
        self.form.setVisible(False)
        self._rolling = rolling
        self.show_tab(0)
        self.document_changed()

    @property
    def at_computers(self) -> bool:
        """Whether the other computers are shown."""
        return self.part == COMPUTERS

    def to_part(self, index: int) -> None:
        """Show another part."""
        self.panes.setCurrentIndex(index)
        self.show_tab(index)
        self.tempo.setVisible(index == BOXES)
        self._show_form(on=False)
        self.document_changed()
        self.focus_pane()

    def _show_form(self, *, on: bool) -> None:
        self.form.setVisible(on)
        self._rolling.setVisible(not on)

    @does("pane_boxes")
    def pane_boxes(self) -> None:
        """How far off each box is."""
        self.to_part(BOXES)

    @does("pane_computers")
    def pane_computers(self) -> None:
        """Who else is in the session."""
        self.to_part(COMPUTERS)

    @does("pane_probe")
    def pane_probe(self) -> None:
        """What the box in hand obeys, found out."""
        self.to_part(PROBE)

    @does("probe_it")
    def probe_it(self) -> None:
        """Begin the probe of the box in hand, or take it up."""
        if self.part != PROBE:
            self.to_part(PROBE)
        self.probe.begin()

    @does("settings")
    def settings(self) -> None:
        """The session's settings, or away with them."""
        if not self.at_computers:
            self.to_part(1)
        if not self.escaped():
            self._show_form(on=True)
            self.form.open()

    @does("watch")
    def watch(self) -> None:
        """The selected computer's stage, in a window of its own."""
        peer = self.computers.row()
        if peer is None or not peer.service:
            raise EditError(tr("no computer here shows its stage"))
        self.session.network.watch(peer.name)

    def _select_computer(self, peer: str) -> None:
        self.computers.selected = peer
        self.moved()

    def type_tempo(self) -> None:
        """Into the tempo's field."""
        self.to_part(BOXES)
        self.tempo.open()

    def escaped(self) -> bool:
        """Give up what is listened to, put away a recording or the form."""
        open_now = bool(self.checks.lines) or self.form.isVisibleTo(self)
        listened = self.checks.recording.give_up()
        listened = self.session.checking.end() or listened
        listened = self.session.probings.stop() or listened
        listened = self.session.channel_search.end() or listened
        self.checks.lines = []
        if self.form.isVisibleTo(self):
            self._show_form(on=False)
            self.focus_pane()
        self.moved()
        return open_now or listened

    def in_hand(self) -> Thing:
        """A computer of the session, or a box's strip."""
        if self.at_computers:
            peer = self.computers.row()
            return Thing(peer.name if peer is not None else tr("The session"), ("peer",))
        device = self.checks.device()
        if not self.session.project.rig.devices:
            return NO_BOX
        kind = "probe" if self.part == PROBE else "strip"
        return Thing(device.name if device is not None else tr("Sync"), (kind,))

    def acts(self, part: int) -> dict[str, Act]:
        """What does each action here."""
        del part
        return {**acts_of(self.checks, self.ears), **self.probe.acts(), **acts_of(self)}

    def select(self, device_id: str) -> None:
        """Another device."""
        self.strips.selected = device_id
        self.document_changed()

    def document_changed(self) -> None:
        """Show the rig as it is now."""
        rig = self.session.project.rig
        ids = [d.id for d in self.strips.devices]
        if self.strips.selected not in ids:
            self.strips.selected = ids[0] if ids else ""
        self.strips.document_changed()
        if self.session.song is not None:
            self.tempo.show_tempo(self.session.song.bpm)
        self._tree = clock_tree(rig)
        self.form.show_all()
        self.moved()

    def moved(self) -> None:
        """Figures follow the engine."""
        self.ears.follow()
        if self.at_computers:
            peers = self.session.network.peers
            self.heading.say(tr("Sync"), computers_words(peers))
            self.facts.show_lines(computer_lines(self.session, self.computers.row()))
            self.computers.update()
            return
        if self.part == PROBE:
            self.probe.show_box(self.checks.device())
            self.heading.say(tr("Sync"), self.probe.words())
            self.facts.show_lines(self.probe.lines())
            return
        self.heading.say(tr("Sync"), self._words())
        self.facts.show_lines(self._lines())

    def _words(self) -> str:
        devices = self.strips.devices
        judged = [self.strips.judged(d) for d in devices]
        heard = [j for j in judged if j.verdict]
        if not heard:
            return tr("Run, and every beat of every box stands here. Up is early, down is late.")
        good = sum(j.verdict == "good" for j in heard)
        bpm = self.session.status.bpm if self.session.status is not None else 0.0
        at = tr(" at {bpm:.2f} BPM", bpm=bpm) if bpm else ""
        return tr(
            "The last beats{at}. Up is early, down is late. {good} of {count} are good.",
            at=at,
            good=good,
            count=len(heard),
        )

    def _lines(self) -> list[SheetLine]:
        session = self.session
        rig, status = session.project.rig, session.status
        leader = rig.name_of(rig.leader) if rig.leader else tr("nobody")
        lines = [*self.checks.lines]
        device = self.checks.device()
        if device is not None:
            judged = self.strips.judged(device)
            lines += [*device_lines(session, device, judged), *check_lines(session, device)]
            lines.append(SheetLine("", kind="gap"))
        lines += [*own_lines(session), head(tr("The clock")), row(tr("Leads"), leader)]
        if status is not None and status.follows:
            lines += heard_lines(self.session, status)
        return [*lines, SheetLine("", kind="gap"), *grebe_lines(session, self._tree)]

    def showEvent(self, event: object) -> None:
        """Hear what real boxes play, for their strips."""
        del event
        self.session.checking.watch(on=True)

    def hideEvent(self, event: object) -> None:
        """Hear it no longer."""
        del event
        self.session.checking.watch(on=False)

    def leaving(self) -> None:
        """End what still measures."""
        self.checks.recording.stop()
        self.session.probings.stop()
        self.session.hearing.close()

    @does("up")
    def previous(self) -> None:
        """The device before."""
        self._step(-1)

    @does("down")
    def next(self) -> None:
        """The device after."""
        self._step(1)

    def _step(self, by: int) -> None:
        if self.part == PROBE:
            self.probe.step(by)
            return
        if self.at_computers:
            peers = [r.id for r in self.session.network.rows]
            here = self.computers.row()
            if here is not None:
                self._select_computer(peers[(peers.index(here.id) + by) % len(peers)])
            return
        ids = [d.id for d in self.strips.devices]
        if ids:
            at = ids.index(self.strips.selected) if self.strips.selected in ids else 0
            self.select(ids[(at + by) % len(ids)])

    @does("log_check")
    def log_check(self) -> None:
        """Write the check of the box in hand down as a try of it with its leader."""
        session = self.session
        device = session.project.rig.find(self.strips.selected)
        checked = session.checking.check.results.get(self.strips.selected)
        if device is None or checked is None:
            session.say("info", tr("It has not been checked by ear yet."))
            return
        session.gear.add(tried(session.project.rig, device, checked))
        session.derived.know(session.gear.library)
        session.say("info", tr("Written down: {sentence}", sentence=checked.measured.sentence))

    @does("set_offset")
    def set_offset(self) -> None:
        """Set the selected device's offset to the number that mends it; accept a computer."""
        if self.at_computers:
            peer = self.computers.row()
            if peer is None or peer.accepted:
                self.session.say("info", tr("Nobody waits to be accepted."))
            else:
                self.session.network.accept(peer.id)
            return
        devices = self.session.project.rig.timed
        device = next((d for d in devices if d.id == self.strips.selected), None)
        if device is None:
            return
        checked = self.session.checking.check.results.get(device.id)
        if checked is not None and checked.offset_ms == device.offset_ms:
            setting = checked.set_ms  # a check says more than the last beats
        else:
            setting = self.strips.judged(device).set_ms
        if setting is None:
            self.session.say("info", tr("{device} needs no other offset.", device=device.name))
            return
        held = RigHand(self.session).set_offset(device, setting)
        self.session.hearing.forget(device.id)
        self.session.say(
            "info",
            tr("{device} is sent {held:+.1f} ms from now on.", device=device.name, held=held),
        )
