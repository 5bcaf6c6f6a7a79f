"""What stands beside the log's views: the search, filters, the list, and what is noted of a run."""

from __future__ import annotations

from PyQt6.QtCore import Qt, pyqtSignal
from PyQt6.QtWidgets import QLineEdit, QListWidget

from grebe.app.log.views import LogModel, LogPart
from grebe.core.forms import field
from grebe.core.typed import typed_day
from grebe.formats.log_filter import LogFilter
from grebe.ui.widgets.fields import ListField
from grebe.ui.widgets.form import Form
from grebe.ui.widgets.view import Sheet
from grebe.words import tr

FILTERS = (("box", tr("Box")), ("song", tr("Song")), ("venue", tr("Venue")))
ANY = tr("any")
LIST_HEIGHT = 170
FORM_HEIGHT = 152


class LogSide(Sheet):
    """Asks for less than all there is, and lists what that leaves."""

    wanted = pyqtSignal()
    """Something else is asked for."""

    def __init__(self, model: LogModel) -> None:
        super().__init__()
        self._model = model
        self.search = QLineEdit()
        self.search.setPlaceholderText(tr("Search in words"))
        self.search.setAccessibleName(tr("Search the log"))
        self.search.setClearButtonEnabled(True)
        self.search.textChanged.connect(self._changed)
        self.column.addWidget(self.search)
        self.filters: dict[str, ListField] = {}
        for key, words in FILTERS:
            made = self.filters[key] = ListField({"": f"{words}: {ANY}"})
            made.setAccessibleName(words)
            made.entered.connect(self._changed)
            self.column.addWidget(made)
        self.days: dict[str, QLineEdit] = {}
        for key, words in (("since", tr("From, 2026-11-30")), ("until", tr("Until, 2026-11-30"))):
            line = self.days[key] = QLineEdit()
            line.setPlaceholderText(words)
            line.setAccessibleName(words)
            line.setMaxLength(10)
            line.editingFinished.connect(self.wanted)
            self.column.addWidget(line)
        self.list = QListWidget()
        self.list.setAccessibleName(tr("What there is"))
        self.list.setMinimumHeight(LIST_HEIGHT)
        self.list.setHorizontalScrollBarPolicy(Qt.ScrollBarPolicy.ScrollBarAlwaysOff)
        self.column.addWidget(self.list, 1)
        rows = (field("run", "venue", tr("Venue")), field("run", "note", tr("Note")),
                field("run", "warm_c", tr("How warm"), unit="°C"))  # fmt: skip
        self.form = Form(model, {"run": tr("Noted of this run")}, rows)
        self.form.setFixedHeight(FORM_HEIGHT)
        self.column.addWidget(self.form)

    def _changed(self, _: str) -> None:
        self.wanted.emit()

    def filter(self) -> LogFilter:
        """What is asked for. EditError where a day cannot be read."""
        box, song, venue = (str(made.currentData() or "") for made in self.filters.values())
        since, until = (
            typed_day(line.text()) if line.text().strip() else None for line in self.days.values()
        )
        return LogFilter(self.search.text(), box, song, venue, since, until)

    def show_part(self, part: LogPart) -> None:
        """List what there is of a view, and what there is to choose from."""
        names = self._model.names(part)
        self.list.blockSignals(True)
        if [self._item(n) for n in range(self.list.count())] != names:
            self.list.clear()
            self.list.addItems(names)
        self.list.setCurrentRow(self._model.at[part] if names else -1)
        self.list.blockSignals(False)
        known = self._model.choices
        for key, made in self.filters.items():
            made.show_choice(["", *known.get(key, [])], str(getattr(self._model.wanted, key)))
        self.form.setVisible(part == "tonight" and self._model.run is not None)
        self.form.show_all()

    def _item(self, row: int) -> str:
        item = self.list.item(row)
        return "" if item is None else item.text()
