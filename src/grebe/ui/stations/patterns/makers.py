"""The sheet's page of generators: what it writes is plain hits from then on."""

from __future__ import annotations

from collections.abc import Callable

from PyQt6.QtCore import pyqtSignal
from PyQt6.QtWidgets import QVBoxLayout, QWidget

from grebe.app.editors.generators import Generators
from grebe.core.patterns.makers import MAKERS
from grebe.ui.widgets.fields import ListField
from grebe.ui.widgets.form import Form
from grebe.ui.widgets.sheet import Facts, head, note
from grebe.words import tr


class MakersPage(QWidget):
    """Choose one, set its numbers: every change writes the row under the cursor anew."""

    chosen = pyqtSignal(str)
    """The name of a generator."""

    def __init__(self, generators: Generators, taken: Callable[[Form], None]) -> None:
        """`taken` lets what is typed into a form of it be set."""
        super().__init__()
        self._generators, self._taken = generators, taken
        self.title = Facts(grows=True)
        self.choice = ListField()
        self.choice.show_choice([m.name for m in MAKERS], generators.maker.name)
        self.choice.setAccessibleName(tr("Generator"))
        self.choice.entered.connect(self.chosen)
        self._forms: dict[str, Form] = {}
        self._column = QVBoxLayout(self)
        self._column.setContentsMargins(0, 0, 0, 0)
        self._column.setSpacing(8)
        self._column.addWidget(self.title)
        self._column.addWidget(self.choice)

    @property
    def form(self) -> Form:
        """That of the one chosen, made when it is first wanted."""
        maker = self._generators.maker
        if maker.name not in self._forms:
            rows = [parameter.field(maker.name) for parameter in maker.parameters]
            made = self._forms[maker.name] = Form(self._generators, {maker.name: ""}, rows)
            self._taken(made)
            self._column.addWidget(made, 1)
        return self._forms[maker.name]

    def open(self) -> None:
        """Show the one chosen last, for the row under the cursor."""
        self.show_chosen()
        self.choice.setFocus()

    def show_chosen(self) -> None:
        """Show the one chosen, and its numbers."""
        maker, name = self._generators.maker, self._generators.row_name
        words = tr("Generate {name}", name=tr("no voice") if name is None else name)
        self.title.show_lines(
            [head(words), note(maker.about), note(tr("Esc: done. Ctrl+Z: as it was."))]
        )
        shown = self.form
        for form in self._forms.values():
            form.setVisible(form is shown)
        shown.show_all()
