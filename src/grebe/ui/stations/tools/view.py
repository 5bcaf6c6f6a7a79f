"""The Tools station: one calculator at a time, its answer in a sentence and a table."""

from __future__ import annotations

from typing import Any

from PyQt6.QtCore import QPointF, QRectF, Qt, pyqtSignal
from PyQt6.QtGui import QGuiApplication, QKeyEvent, QPainter
from PyQt6.QtWidgets import QGridLayout, QLabel, QLineEdit, QStackedWidget, QVBoxLayout, QWidget

from grebe.app.doing import does
from grebe.app.editors.using import USES
from grebe.app.live.session import Session
from grebe.app.tables.listed import ListTable
from grebe.app.tables.table import Cell
from grebe.core.calculators.model import Answer, Calculator
from grebe.core.calculators.table import CALCULATORS
from grebe.core.calculators.times import LEFT_OUT
from grebe.core.time.delay import NOTE_VALUES
from grebe.errors import EditError
from grebe.ui.stations.tools.pictures import HEIGHT, PICTURES
from grebe.ui.widgets import draw
from grebe.ui.widgets.canvas import Canvas
from grebe.ui.widgets.fields import ListField
from grebe.ui.widgets.view import Sheet, Thing, View
from grebe.words import tr

LIST_WIDE = 230.0
ROW, LEAST_ROW = 34.0, 22.0
WIDEST = 560.0
"""Of a picture."""
NOTES = tuple(NOTE_VALUES)
"""That an echo can be set to."""
LINE = 26.0


class ToolsCanvas(Canvas):
    """The list of calculators at the left, the answer at the right."""

    chosen = pyqtSignal(int)

    def __init__(self, session: Session) -> None:
        table = ListTable(
            (tr("Answer"),), self._names, self._cells, lambda: self.index, self._choose
        )
        super().__init__(session, table)
        self.index = 0
        self.answer: Answer | None = None
        self.texts: dict[str, str] = {}
        """What was typed that it answers."""
        self.inputs: dict[str, Any] = {}
        """The same as values, by name."""
        self.problem = ""
        self.setAccessibleName(tr("Tools"))

    @property
    def row(self) -> float:
        """Height of a line: all are seen."""
        return min(ROW, max(LEAST_ROW, self.height() / len(CALCULATORS)))

    def _choose(self, row: int) -> None:
        self.chosen.emit(row)

    def _names(self) -> list[str]:
        """Calculators."""
        return [tool.title for tool in CALCULATORS]

    def _cells(self, row: int) -> tuple[str, ...]:
        """The answer of the one in hand."""
        said = self.problem if self.answer is None else self.answer.sentence
        return (said if row == self.index else "",)

    def cell_box(self, cell: Cell) -> QRectF:
        """Its line."""
        return QRectF(0, cell.row * self.row, LIST_WIDE, self.row)

    def cell_at(self, at: QPointF) -> Cell | None:
        """The line there."""
        row = int(at.y() // self.row)
        return Cell(row, 0) if at.x() <= LIST_WIDE and row < len(CALCULATORS) else None

    def pick(self, at: QPointF, *, selects: bool = False) -> bool:
        """Take the calculator there; the answer is in hand anywhere else."""
        del selects
        index = int(at.y() // self.row)
        if at.x() <= LIST_WIDE and 0 <= index < len(CALCULATORS):
            self.chosen.emit(index)
        return True

    def paint_still(self, painter: QPainter) -> None:
        """Draw the list and the answer."""
        p = self.palette_now
        for index, tool in enumerate(CALCULATORS):
            box = QRectF(1, index * self.row + 1, LIST_WIDE - 16, self.row - 3)
            here = index == self.index
            if here:
                draw.panel(painter, box, p.soft, p.crest)
            draw.text(painter, 12, box.center().y() + 5, tool.title, p.ink if here else p.muted,
                      size=16, weight=600 if here else 400)  # fmt: skip
        box = QRectF(LIST_WIDE, 0, self.width() - LIST_WIDE - 2, self.height())
        if self.problem or self.answer is None:
            draw.paragraph(painter, box, self.problem, p.eye, size=16, weight=600)
        else:
            self._paint_answer(painter, box, self.answer)

    def _paint_answer(self, painter: QPainter, box: QRectF, answer: Answer) -> None:
        p = self.palette_now
        y = box.top() + 4
        y += draw.paragraph(painter, QRectF(box.left(), y, box.width(), 90), answer.sentence, p.ink,
                            size=20, weight=600) + 18  # fmt: skip
        if answer.care:
            y += draw.paragraph(painter, QRectF(box.left(), y, box.width(), 60), answer.care,
                                p.crest, size=14, weight=600) + 14  # fmt: skip
        picture = PICTURES.get(CALCULATORS[self.index].id)
        if picture is not None:
            room = QRectF(box.left(), y, min(box.width() - 10, WIDEST), HEIGHT)
            picture(painter, room, p, answer.values, self.inputs)
            y += HEIGHT + 16
        columns = len(answer.head)
        if not columns:
            return
        wide = min(200.0, box.width() / columns)
        for column, words in enumerate(answer.head):
            draw.text(painter, box.left() + column * wide, y + 14, words, p.muted, size=14,
                      width=wide - 8)  # fmt: skip
        y += 22
        for row in answer.rows:
            draw.line(painter, box.left(), y, box.left() + wide * columns, y, p.rule, 1)
            for column, words in enumerate(row):
                fits = not words.endswith(LEFT_OUT)
                draw.text(painter, box.left() + column * wide, y + 19, words,
                          p.ink if fits else p.muted, size=16, width=wide - 8)  # fmt: skip
            y += LINE


class ToolsView(View):
    """The arithmetic, on its own: one calculator at a time, its answer, and where that can be
    used."""

    scope = "tools"

    def __init__(self, session: Session) -> None:
        super().__init__(session)
        self.tools_canvas = ToolsCanvas(session)
        self.tools_canvas.chosen.connect(self.choose)
        self.fields: dict[str, dict[str, QLineEdit]] = {}
        self.note = ListField()
        self.note.setAccessibleName(tr("Note to be used"))
        self.note.show_choice(NOTES, "1/8.")
        self.pages = QStackedWidget()
        for tool in CALCULATORS:
            self.pages.addWidget(self._page(tool))
        self.sheet = Sheet()
        self.sheet.column.addWidget(self.pages, 1)
        self.lay_out(self.tools_canvas, self.sheet)
        self.choose(0)

    def _page(self, tool: Calculator) -> QWidget:
        page = QWidget()
        column = QVBoxLayout(page)
        column.setContentsMargins(0, 0, 0, 0)
        title = QLabel(f"<b>{tool.title}</b>")
        column.addWidget(title)
        grid = QGridLayout()
        grid.setVerticalSpacing(6)
        lines: dict[str, QLineEdit] = {}
        for row, field in enumerate(tool.inputs):
            line = QLineEdit(field.usual)
            line.setAccessibleName(f"{tool.title}: {field.words}")
            line.textChanged.connect(self._typed)
            grid.addWidget(QLabel(field.words), row, 0)
            grid.addWidget(line, row, 1)
            lines[field.key] = line
        if tool.id == "delay":
            grid.addWidget(QLabel(tr("Note to be used")), len(tool.inputs), 0)
            grid.addWidget(self.note, len(tool.inputs), 1)
        self.fields[tool.id] = lines
        column.addLayout(grid)
        column.addStretch(1)
        return page

    @property
    def tool(self) -> Calculator:
        """The calculator shown."""
        return CALCULATORS[self.tools_canvas.index]

    def choose(self, index: int) -> None:
        """Show another calculator."""
        self.tools_canvas.index = index
        self.pages.setCurrentIndex(index)
        self._work_out()

    def document_changed(self) -> None:
        """The song in hand gives its tempo to what asks for one and was not typed yet."""
        bpm = f"{self.session.position.written_bpm:g}"
        for lines in self.fields.values():
            line = lines.get("bpm")
            if line is not None and not line.isModified():
                line.setText(bpm)
        self.heading.say(tr("Tools"), f"{self.tool.title}: {self.tool.asks}")

    def _typed(self) -> None:
        self._work_out()

    def _work_out(self) -> None:
        canvas = self.tools_canvas
        values = {key: line.text() for key, line in self.fields[self.tool.id].items()}
        canvas.texts = values
        try:
            canvas.inputs = self.tool.read(values)
            canvas.answer, canvas.problem = self.tool.work(**canvas.inputs), ""
        except ValueError as error:
            canvas.answer, canvas.problem = None, f"{error}."
        self.heading.say(tr("Tools"), f"{self.tool.title}: {self.tool.asks}")
        canvas.refresh()

    @does("up")
    def tool_before(self) -> None:
        """The calculator before."""
        self.choose(max(0, self.tools_canvas.index - 1))

    @does("down")
    def tool_after(self) -> None:
        """The calculator after."""
        self.choose(min(len(CALCULATORS) - 1, self.tools_canvas.index + 1))

    @does("settings")
    def fill_in(self) -> None:
        """To its first field."""
        line = next(iter(self.fields[self.tool.id].values()))
        line.setFocus()
        line.selectAll()

    def in_hand(self) -> Thing:
        """The answer."""
        return Thing(self.tool.title, ("answer",))

    @does("use_answer")
    def use(self) -> None:
        """Put the answer to use where it belongs."""
        use, answer = USES.get(self.tool.id), self.tools_canvas.answer
        if use is None or answer is None:
            raise EditError(tr("this answer has no place of its own: copy it"))
        texts = {**self.tools_canvas.texts, "note": str(self.note.currentData() or "")}
        words = use(self.session, answer.values, texts)
        self.session.notices.say("info", words, offers="undo" if self.tool.id != "register" else "")

    @does("copy_table")
    def copy(self) -> None:
        """Copy the answer and its table."""
        clipboard, answer = QGuiApplication.clipboard(), self.tools_canvas.answer
        if clipboard is not None and answer is not None:
            clipboard.setText(answer.text)
            self.session.say("info", tr("Copied."))

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        """Enter in a field goes back to the list."""
        if event is not None and event.key() in (Qt.Key.Key_Return, Qt.Key.Key_Enter):
            self.tools_canvas.setFocus()
        else:
            super().keyPressEvent(event)
