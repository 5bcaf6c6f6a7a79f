"""The parts of the Rig station: the drawing, and those that are made when they are wanted."""

from __future__ import annotations

from collections.abc import Callable
from typing import cast

from PyQt6.QtWidgets import QWidget

from grebe.app.editors.rig_editor import RigEditor
from grebe.ui.stations.rig.abilities import AbilitiesPane
from grebe.ui.stations.rig.controls import ControlsPane
from grebe.ui.stations.rig.gear import GearPane
from grebe.ui.stations.rig.notes import NotesPane
from grebe.ui.stations.rig.setup import SetupPane
from grebe.ui.stations.rig.tables import TablesPane
from grebe.ui.widgets.lazy_parts import LazyParts
from grebe.ui.widgets.sheet_pane import SheetPane
from grebe.words import tr

CONTROLS = 5


class RigParts(LazyParts):
    """The drawing, tables, set-up, note maps, abilities, controls, what if this goes, gear."""

    def __init__(
        self, editor: RigEditor, drawing: QWidget, *, dressed: Callable[[QWidget], None],
        ask_removal: Callable[[str], None], select: Callable[[str], None],
        what_if: Callable[[str, str], str],
    ) -> None:  # fmt: skip
        """`what_if` writes the page of a box, in the colours it is given."""
        makers = (
            lambda: TablesPane(editor, ask_removal),
            lambda: SetupPane(editor),
            lambda: NotesPane(editor),
            lambda: AbilitiesPane(editor, select),
            lambda: ControlsPane(editor),
            lambda: SheetPane(tr("What if this goes?"), what_if),
            lambda: GearPane(editor.session),
        )
        super().__init__(drawing, makers, dressed=dressed)

    @property
    def tables(self) -> TablesPane:
        """Boxes, cables and routes as tables."""
        return cast(TablesPane, self.pane(1))

    @property
    def setup(self) -> SetupPane:
        """The set-up sheet."""
        return cast(SetupPane, self.pane(2))

    @property
    def notes(self) -> NotesPane:
        """Note maps."""
        return cast(NotesPane, self.pane(3))

    @property
    def abilities(self) -> AbilitiesPane:
        """What the box in hand can do."""
        return cast(AbilitiesPane, self.pane(4))

    @property
    def controls(self) -> ControlsPane:
        """What controllers, pedals and computer keys do on Stage."""
        return cast(ControlsPane, self.pane(5))

    @property
    def what_if(self) -> SheetPane:
        """What is lost without each box."""
        return cast(SheetPane, self.pane(6))

    @property
    def gear(self) -> GearPane:
        """What is known of this gear."""
        return cast(GearPane, self.pane(7))

    def follow(self, selected: str) -> None:
        """Show the part that is seen as it is now, of the box in hand."""
        shown = self.pane(self.currentIndex())
        if isinstance(shown, AbilitiesPane | GearPane):
            shown.device = selected
        if isinstance(shown, SheetPane):
            shown.open()
        elif isinstance(shown, NotesPane | ControlsPane):
            shown.refresh()
        elif isinstance(shown, TablesPane | SetupPane | AbilitiesPane | GearPane):
            shown.document_changed()

    def give_up(self) -> bool:
        """Learn no key or pedal after all; whether one was being learnt."""
        return self.is_made(CONTROLS) and self.controls.give_up()
