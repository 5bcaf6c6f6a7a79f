"""What the selected box can do: its clock, jacks, voices, controllers, memory, in tables."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any

from PyQt6.QtWidgets import QLabel, QStackedWidget, QVBoxLayout, QWidget

from grebe.app.editors.rig_columns import Column
from grebe.app.editors.rig_editor import RigEditor
from grebe.core.document import Project
from grebe.core.rig.abilities import (
    FACTS,
    ROWS,
    Ability,
    Part,
    ability_choices,
    ability_text,
    add_row,
    doubts,
    remove_row,
    set_spec,
    with_ability,
    with_row,
)
from grebe.core.rig.edits import spec_of
from grebe.core.rig.model import Rig
from grebe.core.rig.spec import Spec
from grebe.ui.stations.rig.boxes import BoxChoice
from grebe.ui.stations.rig.tables import RigModel, RigTable
from grebe.ui.widgets.controls import Button
from grebe.ui.widgets.flow import FlowLayout
from grebe.words import tr

PARTS: tuple[tuple[Part, str], ...] = (
    ("clock", tr("Clock")),
    ("jacks", tr("Jacks")),
    ("voices", tr("Voices")),
    ("controllers", tr("Controllers")),
    ("memory", tr("Patterns")),
    ("tracks", tr("Tracks")),
    ("banks", tr("Banks")),
    ("settings", tr("Its words")),
    ("first", tr("Before it plays")),
    ("by_hand", tr("Only by hand")),
)


class AbilitiesPane(QWidget):
    """One box's abilities, a part at a time; every cell is an edit that can be undone."""

    def __init__(self, editor: RigEditor, select: Callable[[str], None]) -> None:
        super().__init__()
        self._editor, self._session = editor, editor.session
        self.device = ""
        """Id of the box whose abilities these are; one that is not in the rig shows none."""
        self.boxes = BoxChoice("Box")
        self.boxes.activated.connect(lambda _: select(self.boxes.device))
        row = FlowLayout()
        row.addWidget(self.boxes)
        self.parts: list[Button] = []
        self._at = 0
        self._tables: dict[int, RigTable] = {}
        """Of the parts that have been looked at."""
        self.stack = QStackedWidget()
        for index, (_, words) in enumerate(PARTS):
            button = Button(words)
            button.clicked.connect(self._show(index))
            self.parts.append(button)
            row.addWidget(button)
        self.new = Button(tr("Add a row"))
        self.new.clicked.connect(self.add_row)
        row.addWidget(self.new)
        self.doubts = QLabel()
        self.doubts.setWordWrap(True)
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 4, 0, 0)
        column.setSpacing(6)
        column.addLayout(row)
        column.addWidget(self.doubts)
        column.addWidget(self.stack, 1)

    @property
    def part(self) -> Part:
        """The part shown."""
        return PARTS[self._at][0]

    @property
    def table(self) -> RigTable:
        """The table of the part shown, made when it is first looked at."""
        if self._at not in self._tables:
            made = self._tables[self._at] = self._table(*PARTS[self._at])
            self.stack.addWidget(made)
        return self._tables[self._at]

    def step(self, by: int) -> None:
        """Show another part."""
        self._show((self._at + by) % len(PARTS))()
        self.table.setFocus()

    def add_row(self) -> None:
        """A jack, voice, controller or hand move more."""
        part = self.part
        if part in ROWS and self._known():
            spec = self._spec(self._session.project.rig)
            self._apply(tr("Add a row"), add_row(spec, part))
            table = self.table
            model = table.model()
            assert model is not None
            table.setCurrentIndex(model.index(model.rowCount() - 1, 0))
            table.setFocus()

    def document_changed(self) -> None:
        """Show what is there now."""
        rig = self._session.project.rig
        self.boxes.offer(rig, self.device)
        model = self.table.model()
        assert isinstance(model, RigModel)
        model.document_changed()
        for index, button in enumerate(self.parts):
            button.primary = index == self._at
            button.update()
        self.new.setEnabled(self.part in ROWS and self._known())
        device = next((d for d in rig.devices if d.id == self.device), None)
        wrong = doubts(device) if device is not None else ()
        words = tr("These deny one another, so it cannot be saved as a profile yet: ")
        self.doubts.setText(words + "; ".join(wrong) + "." if wrong else "")
        if device is None:
            self.doubts.setText(tr("Grebe's own abilities are not edited. Choose a box."))
        self.doubts.setVisible(bool(self.doubts.text()))

    def _known(self) -> bool:
        return any(d.id == self.device for d in self._session.project.rig.devices)

    def _spec(self, rig: Rig) -> Spec:
        return spec_of(rig, self.device)

    def _show(self, index: int) -> Callable[[], None]:
        def show() -> None:
            self._at = index
            self.stack.setCurrentWidget(self.table)
            self.document_changed()

        return show

    def _apply(self, name: str, spec: Spec) -> None:
        self._editor.boxes.set_spec(name, self.device, spec)

    def _table(self, part: Part, words: str) -> RigTable:
        columns = self._fact_columns() if part in FACTS else self._row_columns(part)
        model = RigModel(self._editor, words.lower(), columns, self._items(part), self)

        def remove(row: int) -> None:
            if part in ROWS:
                spec = self._spec(self._session.project.rig)
                self._apply(tr("Remove a row"), remove_row(spec, part, row))
                self._session.say("info", tr("Row taken out. Ctrl+Z brings it back."))

        return RigTable(model, remove)

    def _items(self, part: Part) -> Callable[[Rig], tuple[Any, ...]]:
        def facts(rig: Rig) -> tuple[Any, ...]:
            spec = self._spec(rig)
            known = any(d.id == self.device for d in rig.devices)
            return tuple((a, ability_text(spec, a)) for a in FACTS[part]) if known else ()

        def rows(rig: Rig) -> tuple[Any, ...]:
            return tuple(getattr(self._spec(rig), part))

        return facts if part in FACTS else rows

    def _fact_columns(self) -> tuple[Column, ...]:
        def edit(project: Project, index: int, item: Any, text: str) -> Project:
            del index
            spec = with_ability(self._spec(project.rig), item[0], text)
            return set_spec(project, self.device, spec)

        return (
            Column(tr("What"), lambda r, item: item[0].words),
            Column(
                tr("This box"),
                lambda r, item: item[1],
                edit,
                lambda r, item: ability_choices(item[0]),
            ),
        )

    def _row_columns(self, part: Part) -> tuple[Column, ...]:
        return tuple(self._row_column(part, ability) for ability in ROWS[part])

    def _row_column(self, part: Part, ability: Ability) -> Column:
        def edit(project: Project, index: int, item: Any, text: str) -> Project:
            del item
            spec = with_row(self._spec(project.rig), part, index, ability, text)
            return set_spec(project, self.device, spec)

        choices = ability_choices(ability)
        return Column(
            ability.words,
            lambda r, item: ability_text(item, ability),
            edit,
            (lambda r, item: choices) if choices else None,
        )
