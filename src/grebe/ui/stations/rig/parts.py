"""The parts of the Rig station: the drawing, and those that are made when they are wanted."""

from __future__ import annotations

from collections.abc import Callable
from typing import cast

from PyQt6.QtWidgets import QStackedWidget, QWidget

from grebe.app.editors.rig_editor import RigEditor
from grebe.ui.stations.rig.abilities import AbilitiesPane
from grebe.ui.stations.rig.controls import ControlsPane
from grebe.ui.stations.rig.gear import GearPane
from grebe.ui.stations.rig.notes import NotesPane
from grebe.ui.stations.rig.setup import SetupPane
from grebe.ui.stations.rig.tables import TablesPane
from grebe.ui.widgets.sheet_pane import SheetPane
from grebe.words import tr

CONTROLS = 5


class RigParts(QStackedWidget):
    """By number. A window begins with the drawing: the others are a third of all it would make."""

    def __init__(
        self, editor: RigEditor, drawing: QWidget, *, dressed: Callable[[QWidget], None],
        ask_removal: Callable[[str], None], select: Callable[[str], None],
        what_if: Callable[[str, str], str],
    ) -> None:  # fmt: skip
        """`dressed` gives a part that was just made the colours of the theme."""
        super().__init__()
        self._dressed = dressed
        self._makers: dict[int, Callable[[], QWidget]] = {
            1: lambda: TablesPane(editor, ask_removal),
            2: lambda: SetupPane(editor),
            3: lambda: NotesPane(editor),
            4: lambda: AbilitiesPane(editor, select),
            CONTROLS: lambda: ControlsPane(editor),
            6: lambda: SheetPane(tr("What if this goes?"), what_if),
            7: lambda: GearPane(editor.session),
        }
        """Of parts that nobody has wanted yet."""
        self.addWidget(drawing)
        for _ in self._makers:
            self.addWidget(QWidget())

    def pane(self, part: int) -> QWidget:
        """A part by its number, made now if it was not."""
        found = self.widget(part)
        assert found is not None
        if part not in self._makers:
            return found
        made = self._makers.pop(part)()
        here = self.currentIndex() == part
        self.insertWidget(part, made)
        self.removeWidget(found)
        found.deleteLater()
        if here:
            self.setCurrentIndex(part)
        self._dressed(made)
        return made

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
        return CONTROLS not in self._makers and self.controls.give_up()
