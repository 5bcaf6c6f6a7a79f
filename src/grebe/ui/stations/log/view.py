"""The Log station: what happened, and what keeps going wrong."""

from __future__ import annotations

from PyQt6.QtWidgets import (
    QAbstractItemView,
    QHeaderView,
    QLabel,
    QStackedWidget,
    QTableWidget,
    QTableWidgetItem,
    QVBoxLayout,
    QWidget,
)

from grebe.app.document.sheets import SheetPage
from grebe.app.doing import does
from grebe.app.live.session import Session
from grebe.app.log.views import PARTS, LogModel, LogPart
from grebe.core.room import RoomTable
from grebe.errors import EditError
from grebe.formats.sheets import room_html
from grebe.ui.stations.log.canvas import BoxesCanvas, ChangesCanvas, LogCanvas, TonightCanvas
from grebe.ui.stations.log.side import LogSide
from grebe.ui.widgets.paper_out import PaperOut
from grebe.ui.widgets.typed import take_typed
from grebe.ui.widgets.view import PanedView, Thing
from grebe.words import tr

PANES = (
    (tr("Tonight"), "pane_tonight"),
    (tr("Boxes"), "pane_over_time"),
    (tr("Changes"), "pane_changes"),
)
KINDS: dict[LogPart, str] = {"tonight": "run", "boxes": "log_box", "changes": "change"}
TABLE_HEIGHT = 200
SAID_HEIGHT = 66
MOST_NOTES = 3


class LogPane(QWidget):
    """One of the three views: a drawing, what it comes to, and the table."""

    def __init__(self, canvas: LogCanvas) -> None:
        super().__init__()
        self.canvas = canvas
        self.said = QLabel("")
        self.said.setWordWrap(True)
        self.said.setMaximumHeight(SAID_HEIGHT * 2)
        self.table = QTableWidget(0, 0)
        self.table.setAccessibleName(tr("The same as a table"))
        self.table.setMinimumHeight(TABLE_HEIGHT)
        self.table.setMaximumHeight(TABLE_HEIGHT + 60)
        self.table.setEditTriggers(QAbstractItemView.EditTrigger.NoEditTriggers)
        self.table.setSelectionBehavior(QAbstractItemView.SelectionBehavior.SelectRows)
        self.table.setTabKeyNavigation(False)
        self.table.currentCellChanged.connect(lambda row, *_: self._row(row))
        rows = self.table.verticalHeader()
        if rows is not None:
            rows.hide()
        canvas.taken_row.connect(self._taken)
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(6)
        column.addWidget(canvas, 1)
        column.addWidget(self.said)
        column.addWidget(self.table)
        self.setFocusProxy(canvas)

    def show_table(self, made: RoomTable) -> None:
        """Show what there is."""
        table = self.table
        table.blockSignals(True)
        table.setColumnCount(len(made.head))
        table.setHorizontalHeaderLabels(made.head)
        table.setRowCount(len(made.rows))
        for at, row in enumerate(made.rows):
            for column, words in enumerate(row):
                table.setItem(at, column, QTableWidgetItem(words))
        head = table.horizontalHeader()
        if head is not None and made.head:
            head.setSectionResizeMode(QHeaderView.ResizeMode.ResizeToContents)
            widest = max(range(len(made.wide)), key=lambda n: made.wide[n])
            head.setSectionResizeMode(widest, QHeaderView.ResizeMode.Stretch)
        table.blockSignals(False)
        self.canvas.row = min(self.canvas.row, len(made.rows) - 1)
        self.canvas.refresh()

    def to_row(self, row: int) -> None:
        """Take a row in hand, in both."""
        if 0 <= row < self.table.rowCount():
            self.table.setCurrentCell(row, 0)

    def _row(self, row: int) -> None:
        self.canvas.show_row(row)

    def _taken(self, row: int) -> None:
        """A row of the drawing was taken in hand."""
        self.to_row(row)
        self.canvas.setFocus()


class LogView(PanedView):
    """What happened, and what keeps going wrong."""

    scope = "log"

    def __init__(self, session: Session) -> None:
        super().__init__(session)
        self.model = LogModel(session)
        self.paper = PaperOut(self, session)
        canvases = (
            TonightCanvas(self.model, tr("A run, as it went")),
            BoxesCanvas(self.model, tr("A box over time")),
            ChangesCanvas(self.model, tr("A change over rehearsals")),
        )
        self.pages = [LogPane(canvas) for canvas in canvases]
        self.panes = QStackedWidget()
        for page in self.pages:
            self.panes.addWidget(page)
        self.side = LogSide(self.model)
        self.side.wanted.connect(self._filter)
        self.side.list.currentRowChanged.connect(self._chosen)
        take_typed(session, self.side.form, self.model)
        above = QWidget()
        above.setLayout(self.tab_row(PANES))
        self.lay_out(self.pages[0].canvas, self.side, above=above, body=self.panes)
        for page in self.pages[1:]:
            page.canvas.asked.connect(self.wanted)
            page.canvas.taken.connect(self.document_changed)

    # What is shown

    @property
    def log_part(self) -> LogPart:
        """The view that is shown."""
        return PARTS[self.panes.currentIndex()]

    @property
    def page(self) -> LogPane:
        """Its page."""
        return self.pages[self.panes.currentIndex()]

    def document_changed(self) -> None:
        """Show what is there now."""
        self.model.refresh()
        part, table = self.log_part, self.model.table(self.log_part)
        self.heading.say(table.title or tr("Log"), self._below())
        self.page.show_table(table)
        self.page.said.setText(self._said(table))
        self.page.said.setVisible(bool(self.page.said.text()))
        self.side.show_part(part)
        self.show_tab(self.panes.currentIndex())

    def _below(self) -> str:
        part = self.log_part
        count = len(self.model.names(part))
        if not count:
            return tr("What is played, checked and rehearsed is written down here, on this "
                      "computer alone.")  # fmt: skip
        if part == "tonight" and self.model.run is not None:
            return self.model.table(part).about.partition(" 1. ")[0]
        return tr("{at} of {count}", at=self.model.at[part] + 1, count=count)

    def _said(self, table: RoomTable) -> str:
        """What it comes to; and notes on gear that have the words looked for."""
        notes = self.model.notes_found[:MOST_NOTES]
        found = "\n".join(tr("Noted: {note}", note=note) for note in notes)
        return "\n".join(words for words in (self._comes_to(table), found) if words)

    def _comes_to(self, table: RoomTable) -> str:
        if self.log_part != "tonight":
            return table.about
        if not self.model.mend:
            return tr("Nothing stands out.") if self.model.run is not None else ""
        return "\n".join(f"{n}. {row.words}" for n, row in enumerate(self.model.mend, 1))

    def moved(self) -> None:
        """More may have been written."""
        if self.session.log.written != self._shown:
            self._shown = self.session.log.written
            self.document_changed()

    _shown = -1

    def in_hand(self) -> Thing:
        """The run, the box or the change."""
        names = self.model.names(self.log_part)
        words = names[self.model.at[self.log_part]].partition("\n")[0] if names else tr("The log")
        return Thing(words, (KINDS[self.log_part],))

    # Choosing

    def _chosen(self, row: int) -> None:
        self.model.take(self.log_part, row)
        self.document_changed()

    def _filter(self) -> None:
        try:
            self.model.want(self.side.filter())
        except EditError as error:
            self.session.say("warn", f"{error}.")
            return
        self.document_changed()

    def to_part(self, index: int) -> None:
        """Show another view."""
        self.panes.setCurrentIndex(index)
        self.document_changed()
        self.focus_pane()

    # Actions

    @does("pane_tonight")
    def pane_tonight(self) -> None:
        """A run."""
        self.to_part(0)

    @does("pane_over_time")
    def pane_over_time(self) -> None:
        """A box over time."""
        self.to_part(1)

    @does("pane_changes")
    def pane_changes(self) -> None:
        """A change over rehearsals."""
        self.to_part(2)

    @does("up")
    def up(self) -> None:
        """The row above."""
        self.page.to_row(max(0, self.page.canvas.row - 1))

    @does("down")
    def down(self) -> None:
        """The row below."""
        self.page.to_row(min(self.page.table.rowCount() - 1, self.page.canvas.row + 1))

    @does("one_after")
    def one_after(self) -> None:
        """The next in the list: a run before, another box, another change."""
        self.side.list.setCurrentRow(
            min(self.side.list.count() - 1, self.side.list.currentRow() + 1)
        )

    @does("one_before")
    def one_before(self) -> None:
        """The one before in the list."""
        self.side.list.setCurrentRow(max(0, self.side.list.currentRow() - 1))

    @does("settings")
    def settings(self) -> None:
        """What is noted of the run."""
        if self.log_part == "tonight":
            self.side.form.open()
        else:
            self.side.list.setFocus()

    @does("search_log")
    def search_log(self) -> None:
        """To the search."""
        self.side.search.setFocus()
        self.side.search.selectAll()

    @does("forget_evening")
    def forget_evening(self) -> None:
        """Take the evening of the run in hand out of the log."""
        day = self.model.forget_evening()
        self.session.say("info", tr("The evening of {day} is forgotten.", day=day.isoformat()))

    @does("write_sheet")
    def write_sheet(self) -> None:
        """What is shown, as a sheet or a table."""
        self.paper.write(self._sheet())

    @does("preview_sheet")
    def preview_sheet(self) -> None:
        """What is shown, as it would be printed."""
        self.paper.preview(self._sheet())

    @does("print_sheet")
    def print_sheet(self) -> None:
        """What is shown, onto paper."""
        self.paper.print(self._sheet())

    def _sheet(self) -> SheetPage:
        table = self.model.table(self.log_part)
        if not table.rows:
            raise EditError(tr("there is nothing to print yet"))
        return SheetPage(room_html(table), table.title, table=table)
