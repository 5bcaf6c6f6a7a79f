"""The Patterns station."""

from __future__ import annotations

from functools import partial

from PyQt6.QtWidgets import (
    QStackedWidget,
    QVBoxLayout,
    QWidget,
)

from grebe.app.actions.keymap import told
from grebe.app.doing import Act, acts_of, does
from grebe.app.editors.clip import ThingClip, pattern_in_hand
from grebe.app.editors.generators import Generators
from grebe.app.editors.pattern_editor import PatternEditor
from grebe.app.editors.pattern_hand import PatternHand
from grebe.app.live.session import Session
from grebe.core.patterns.fields import FIELDS
from grebe.core.patterns.model import Pattern
from grebe.core.rig.model import Device
from grebe.core.rig.numbering import printed_program
from grebe.errors import EditError
from grebe.ui.stations.patterns.canvas import PatternCanvas
from grebe.ui.stations.patterns.capture import CapturePane
from grebe.ui.stations.patterns.facts import pattern_lines
from grebe.ui.stations.patterns.loops import LoopsPane
from grebe.ui.stations.patterns.makers import MakersPage
from grebe.ui.stations.patterns.memory import MemoryPane
from grebe.ui.stations.patterns.panes import PatternPanes
from grebe.ui.stations.patterns.parts import PatternParts
from grebe.ui.stations.patterns.transfer import PatternTransfer
from grebe.ui.widgets.form import Form
from grebe.ui.widgets.pattern_strip import PatternStrip
from grebe.ui.widgets.sheet import Facts
from grebe.ui.widgets.typed import take_typed
from grebe.ui.widgets.view import NO_BOX, PanedView, Sheet, Thing, dress
from grebe.words import counted, tr

PANES = (
    (tr("Note lanes"), "pane_note_lanes"),
    (tr("Memory"), "pane_memory"),
    (tr("Step sheet"), "pane_steps"),
    (tr("Capture"), "pane_capture"),
    (tr("Loops"), "pane_loops"),
)
"""Parts of the station, and the actions that show them."""


TITLES = {
    "hit": tr("This hit"),
    "point": tr("This value"),
    "voice": tr("Voice"),
    "lane": tr("Controller lane"),
    "name": tr("Pattern"),
    "pattern": tr("All of it"),
}
"""Of the form's groups."""
ANYWHERE = (
    "live", "snap", "step_in", "find_key", "in_box", "new_pattern", "variation", "dice", "pin",
)  # fmt: skip
"""Edits that work in every part, not only over the note lanes."""


class PatternsView(PanedView):
    """Note lanes on waterlines, and what there is to know about the pattern."""

    scope = "patterns"
    panes: PatternParts
    about = ("pattern",)

    def __init__(self, session: Session, editor: PatternEditor) -> None:
        super().__init__(session)
        self.editor = editor
        hand = self.editor.hand
        self.clip = ThingClip(session, lambda: pattern_in_hand(session, hand.pattern_id))
        self._facts_stale = True
        self._shown: tuple[object, ...] = ()
        self.pattern_canvas = PatternCanvas(self.editor)
        self.strip = PatternStrip(session)
        self.strip.chosen.connect(self.choose)
        self.strip.box_chosen.connect(self.choose_box)
        self.sheet = Sheet()
        self.facts = Facts(grows=True)
        self.fields = Form(self.editor.fields, TITLES, FIELDS)
        self.fields.put_below(self.facts)
        take_typed(self.session, self.fields, self.editor.fields)
        self.pages = QStackedWidget()
        self.generators = Generators(self.editor)
        self.makers = MakersPage(
            self.generators, partial(take_typed, session, editor=self.generators)
        )
        self.makers.chosen.connect(self._generate)
        self.pages.addWidget(self.fields)
        self.pages.addWidget(self.makers)
        self.sheet.column.addWidget(self.pages, 1)
        self.pattern_panes = PatternPanes(
            self.editor, show=self.to_part, choose=self.choose, changed=self.document_changed
        )
        self.panes = PatternParts(
            self.editor, self.pattern_canvas, self.pattern_panes,
            dressed=lambda pane: dress(pane, self.palette_now),
        )  # fmt: skip
        self.transfer = PatternTransfer(
            self, self.editor, lambda: self.panes.loops.files,
            self.pattern_panes.show_taken, self.files_came.emit,
        )  # fmt: skip
        self.lay_out(self.pattern_canvas, self.sheet, above=self._above(), body=self.panes)
        canvas = self.pattern_canvas
        canvas.pointed.connect(self._point)
        canvas.files_dropped.connect(self.transfer.import_files)
        self.document_changed()

    def _above(self) -> QWidget:
        """The patterns by name over the panes by name."""
        above = QWidget()
        column = QVBoxLayout(above)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(0)
        column.addWidget(self.strip)
        column.addLayout(self.tab_row(PANES))
        return above

    # Showing

    @property
    def pattern(self) -> Pattern | None:
        """The pattern in hand."""
        return self.editor.hand.pattern

    def device(self) -> Device | None:
        """The device it belongs to."""
        return self.editor.hand.device

    def choose(self, pattern_id: str) -> None:
        """Take another pattern in hand."""
        self.editor.hand.take(pattern_id)
        self.document_changed()

    def document_changed(self) -> None:
        """Show the pattern as it is now."""
        self.editor.hand.settle()
        pattern, device = self.pattern, self.device()
        self.pattern_canvas.refresh()
        self.strip.current = self.editor.hand.pattern_id
        self.strip.arrange()
        self._say_heading(pattern, device)
        self._facts_stale = True
        self.fields.show_all()
        self._shown = standing(self.editor.hand)
        self._show_part()

    def show_facts(self) -> None:
        """What there is to know about the pattern: not with every edit, but soon after."""
        self._facts_stale = False
        pattern = self.pattern
        lines = [] if pattern is None else pattern_lines(self.session, pattern, self.device())
        self.facts.show_lines(lines)

    def _show_part(self) -> None:
        self.show_tab(self.panes.currentIndex())
        self.panes.follow()

    def to_part(self, index: int) -> None:
        """Show another part."""
        self.panes.setCurrentIndex(index)
        self._show_part()
        pane = self.panes.currentWidget()
        if isinstance(pane, (MemoryPane, CapturePane)):
            pane.open()
        self.focus_pane()

    def _say_heading(self, pattern: Pattern | None, device: Device | None) -> None:
        if pattern is None:
            makes, takes = told("new_pattern"), told("import_loop")
            below = tr(
                "{makes} makes one; {takes} imports a MIDI file as one.", makes=makes, takes=takes
            )
            if device is None:
                below = tr(
                    "A pattern belongs to a box: {add_box} in Rig adds one.",
                    add_box=told("add_box"),
                )
            title = (
                tr("{device} has no pattern yet", device=device.name)
                if device
                else tr("No box yet")
            )
            self.heading.say(title, below)
            return
        content = pattern.content
        words = []
        if device is not None:
            words.append(f"{device.name} {device.label}".strip())
            if pattern.program is not None and device.plays == "own":
                printed = printed_program(device, pattern.program)
                words.append(
                    tr(
                        "its pattern {printed}, sent as program {program}",
                        printed=printed,
                        program=pattern.program,
                    )
                )
        words.append(
            tr("{steps} of {rate}", steps=counted(content.length, "step"), rate=content.rate)
        )
        if content.speed != "1":
            words.append(tr("speed \u00d7{speed}", speed=content.speed))
        if content.swing != 50:
            words.append(tr("swing {swing:g} %", swing=content.swing))
        if content.key:
            words.append(content.key)
        if content.pin is not None:
            words.append(tr("take pinned to pass {value}", value=content.pin.pass_number + 1))
        if device is not None:
            words.append(
                tr(
                    "{device} plays it: {box_status}",
                    device=device.name,
                    box_status=tr(pattern.box_status),
                )
                if device.plays == "own"
                else tr("played by Grebe")
            )
        self.heading.say(pattern.name, "   ".join(words))

    def follow_box(self) -> None:
        """Its first pattern, or none yet."""
        self.editor.hand.follow_box()

    def choose_box(self, device_id: str) -> None:
        """Take a box in hand."""
        self.session.selection.box = device_id
        self.follow_box()
        self.document_changed()

    def show_subject(self, kind: str, subject: str) -> None:
        """Take the pattern in hand."""
        del kind
        if subject in self.session.project.patterns_by_id:
            self.choose(subject)

    def moved(self) -> None:
        """Move the playhead."""
        place = self.session.position.pattern_place(self.editor.hand.pattern_id)
        self.pattern_canvas.phase = None if place is None else place.into
        self.pattern_canvas.move_playhead()
        if self._facts_stale:
            self.show_facts()
        if self.editor.writer.hear():
            self._cursor_moved()

    # Edits

    def acts(self, part: int) -> dict[str, Act]:
        """What the part shown has for an action; over the note lanes, the editor."""
        strikes: dict[str, Act] = {
            f"strike_{n}": partial(self.editor.writer.audition, n) for n in range(1, 10)
        }
        own = acts_of(self, self.pattern_panes, self.transfer)
        edits = self.editor.acts()
        if part <= 0:
            return {**own, **edits, **strikes}
        pane = self.panes.pane(part)
        there = pane.acts() if isinstance(pane, LoopsPane) else acts_of(pane)
        kept = {name: act for name, act in edits.items() if name in ANYWHERE}
        return {
            **own,
            **kept,
            **strikes,
            **acts_of(self.clip),
            **there,
        }  # what is not seen is not edited

    def around(self, action_id: str, act: Act) -> Act:
        """Show what is in hand now; an edit has been shown already."""
        del action_id

        def shown() -> None:
            before = self.editor.hand.pattern_id
            act()
            if before != self.editor.hand.pattern_id:
                self.document_changed()
            elif standing(self.editor.hand) != self._shown:  # an edit has been shown already
                self._cursor_moved()

        return shown

    def in_hand(self) -> Thing:
        """The hit, the step, the row; without rows the pattern."""
        hand = self.editor.hand
        row = hand.row
        if not self.session.project.rig.devices:
            return NO_BOX
        if self.part > 0 or hand.pattern is None or row is None:
            return Thing(hand.pattern.name if hand.pattern else tr("Patterns"), ("pattern",))
        there = hand.hit is not None or hand.point is not None
        return Thing(
            tr("{row}, step {value}", row=row.name, value=hand.step + 1),
            ("hit" if there else "step", "row", "pattern"),
        )

    def _cursor_moved(self) -> None:
        self.pattern_canvas.refresh()
        self.fields.show_all()
        self._shown = standing(self.editor.hand)

    def _point(self, row: str, step: int, selects: bool) -> None:
        editor = self.editor
        if selects and editor.hand.anchor is None:
            editor.hand.anchor = (editor.hand.row_id, editor.hand.step)
        elif not selects:
            editor.hand.anchor = None
        editor.hand.row_id, editor.hand.step = row, step
        self._cursor_moved()

    @does("generate")
    def generate(self) -> None:
        """The generators, for the voice under the cursor."""
        self.session.store.end_merge()
        self.pages.setCurrentWidget(self.makers)
        self.makers.open()

    def _generate(self, name: str) -> None:
        try:
            self.generators.choose(name)
        except EditError as error:
            self.session.say("warn", f"{error}.")
        self.makers.show_chosen()

    @does("settings")
    def settings(self) -> None:
        """To the settings of what is under the cursor."""
        self.pages.setCurrentWidget(self.fields)
        self.fields.open()

    @does("rename")
    def rename(self) -> None:
        """To the pattern's name."""
        self.pages.setCurrentWidget(self.fields)
        self.fields.open("name")

    @does("rename_row")
    def rename_row(self) -> None:
        """To the name of the voice or lane in hand."""
        self.pages.setCurrentWidget(self.fields)
        lane = self.editor.hand.lane is not None
        self.fields.open("name", owner="lane" if lane else "voice")

    def escaped(self) -> bool:
        """From the generators to the settings, then out of the selection."""
        if self.pages.currentWidget() is not self.fields:
            self.pages.setCurrentWidget(self.fields)
            self.focus_pane()
            self.document_changed()
            return True
        held, self.editor.hand.anchor = self.editor.hand.anchor, None
        self._cursor_moved()
        return held is not None


def standing(hand: PatternHand) -> tuple[object, ...]:
    """What is on the screen, as far as a key can change it."""
    return (hand.session.project, hand.row_id, hand.step, hand.anchor)
