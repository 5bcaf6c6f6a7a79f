"""The parts of the Rig station: shown by key, stepped through, printed."""

from __future__ import annotations

from collections.abc import Callable
from typing import TYPE_CHECKING

from PyQt6.QtWidgets import QStackedWidget

from grebe.app.doing import does
from grebe.app.live.playing_on import PlayingOn
from grebe.app.live.session import Session
from grebe.ui.stations.rig.abilities import AbilitiesPane
from grebe.ui.widgets.paper_out import PaperOut
from grebe.words import tr

if TYPE_CHECKING:
    from grebe.app.document.sheets import SheetPage


class RigPanes:
    """What keys do with the parts."""

    def __init__(
        self, session: Session, panes: QStackedWidget, show: Callable[[int], None],
        of: Callable[[], str],
    ) -> None:  # fmt: skip
        """`show` shows the part with a number; `of` says which box the set-up sheet is of."""
        self._of = of
        self._session = session
        self._playing_on = PlayingOn(session)
        self._panes = panes
        self._out = PaperOut(panes, session)
        self._show = show

    @does("pane_drawing")
    def pane_drawing(self) -> None:
        """The drawing."""
        self._show(0)

    @does("pane_tables")
    def pane_tables(self) -> None:
        """The tables."""
        self._show(1)

    @does("pane_setup")
    def pane_setup(self) -> None:
        """The set-up sheet."""
        self._show(2)

    @does("pane_notes")
    def pane_notes(self) -> None:
        """The note maps."""
        self._show(3)

    @does("pane_abilities")
    def pane_abilities(self) -> None:
        """What the selected box can do."""
        self._show(4)

    @does("pane_controls")
    def pane_controls(self) -> None:
        """What controllers, pedals and computer keys do on Stage."""
        self._show(5)

    @does("pane_what_if")
    def pane_what_if(self) -> None:
        """What is lost without each box, and how one plays on."""
        self._show(6)

    @does("pane_gear")
    def pane_gear(self) -> None:
        """What is known of this gear."""
        self._show(7)

    @does("without_box")
    def without_box(self) -> None:
        """Play on without the box in hand."""
        self._playing_on.without(self._session.selection.box)

    @does("identify")
    def identify(self) -> None:
        """Have the box in hand show which one it is."""
        box = self._session.selection.box
        device = None if box is None else self._session.project.rig.find(box)
        if device is not None:
            self._session.hands.identify(device)
            words = tr("Three notes to {name}, and pulses where it has a line.", name=device.name)
            self._session.say("info", words)

    @does("part_after")
    def part_after(self) -> None:
        """The next part of what the box can do."""
        self._step_part(1)

    @does("part_before")
    def part_before(self) -> None:
        """The part before."""
        self._step_part(-1)

    def _step_part(self, by: int) -> None:
        shown = self._panes.currentWidget()
        if isinstance(shown, AbilitiesPane):
            shown.step(by)

    @does("add_row")
    def add_row(self) -> None:
        """A jack, voice, controller or hand move more."""
        shown = self._panes.currentWidget()
        if isinstance(shown, AbilitiesPane):
            shown.add_row()

    @does("preview_sheet")
    def preview_setup(self) -> None:
        """The set-up sheet, as it would be printed."""
        self._out.preview(self._setup_page())

    @does("print_sheet")
    def print_setup(self) -> None:
        """The set-up sheet onto paper."""
        self._out.print(self._setup_page())

    @does("write_card")
    def write_card(self) -> None:
        """A card for the lid of the box in hand."""
        from grebe.app.document.sheets import card_page

        self._out.write(card_page(self._session.project, self._session.selection.box))

    @does("write_sheet")
    def write_setup(self) -> None:
        """Write the set-up sheet as PDF or HTML."""
        self._out.write(self._setup_page())

    def _setup_page(self) -> SheetPage:
        from grebe.app.document.sheets import setup_page

        return setup_page(self._session.project, self._of())
