"""The memory map: every place of a box's memory, and what is meant to be in it."""

from __future__ import annotations

from PyQt6.QtCore import QPointF, QRectF, Qt, pyqtSignal
from PyQt6.QtGui import QPainter, QPen

from grebe.app.actions.keymap import told
from grebe.app.doing import does
from grebe.app.editors.memory_edits import MemoryEdits
from grebe.app.editors.pattern_editor import PatternEditor
from grebe.app.tables.patterns import MemoryTable
from grebe.app.tables.table import Cell
from grebe.core.rig.memory import MemoryPlace, memory_map
from grebe.ui.widgets import draw
from grebe.ui.widgets.canvas import Canvas
from grebe.ui.widgets.drags import AimDrag, Drag, Held
from grebe.words import tr

LINE = 21.0
TOP = 30.0
COLUMN = 190.0
"""Least width of a column of places."""
COLUMN_ROWS = 16

STATUS_WORDS = {
    "in the box": tr("in it"),
    "changed since": tr("changed"),
    "not there yet": "not yet",
}


class MemoryPane(Canvas):
    """Columns of places; the arrows move, letters do, and a pattern can be dragged to its place."""

    taken = pyqtSignal(str)
    """A pattern is taken in hand."""

    def __init__(self, editor: PatternEditor) -> None:
        table = MemoryTable(lambda: self.places, lambda: self.program, self._choose)
        super().__init__(editor.session, table)
        self.editor = editor
        self._edits = MemoryEdits(editor.hand)
        self.program = 0
        """The place in hand, as sent."""
        self._first_column = 0
        self.setAccessibleName(tr("Memory map"))

    @property
    def places(self) -> tuple[MemoryPlace, ...]:
        """Places of the box in hand."""
        device = self.editor.hand.device
        return () if device is None else memory_map(self.session.project, device)

    def open(self) -> None:
        """Begin at the pattern in hand."""
        pattern = self.editor.hand.pattern
        if pattern is not None and pattern.program is not None:
            self.program = pattern.program
        self._keep_in_sight()

    def _columns_shown(self) -> int:
        return max(1, int((self.width() - 8) // COLUMN))

    def _keep_in_sight(self) -> None:
        self.program = max(0, min(self.program, len(self.places) - 1))
        column = self.program // COLUMN_ROWS
        shown = self._columns_shown()
        if not self._first_column <= column < self._first_column + shown:
            self._first_column = max(0, min(column, self._columns() - shown))
        self.refresh()

    def _columns(self) -> int:
        return -(-len(self.places) // COLUMN_ROWS)

    def _box(self, program: int) -> QRectF:
        column, row = divmod(program, COLUMN_ROWS)
        width = self.width() / self._columns_shown()
        return QRectF((column - self._first_column) * width, TOP + row * LINE, width - 10, LINE)

    # What the keys do here

    def _move(self, by: int) -> None:
        self.program += by
        self._keep_in_sight()

    @does("left")
    def step_left(self) -> None:
        """A column to the left."""
        self._move(-COLUMN_ROWS)

    @does("right")
    def step_right(self) -> None:
        """A column to the right."""
        self._move(COLUMN_ROWS)

    @does("up")
    def voice_up(self) -> None:
        """The place before."""
        self._move(-1)

    @does("down")
    def voice_down(self) -> None:
        """The place after."""
        self._move(1)

    @does("open_place")
    def settings(self) -> None:
        """Take the pattern at this place in hand."""
        place = self._place()
        if place is not None and place.patterns:
            self.taken.emit(place.patterns[0].id)

    @does("assign")
    def assign(self) -> None:
        """Give the pattern in hand this place; one that was there takes its."""
        self._edits.assign(self.program)

    @does("copy_here")
    def copy_here(self) -> None:
        """A copy of the pattern in hand at this place."""
        self._edits.copy_here(self.program)

    @does("remove")
    def remove(self) -> None:
        """Free this place; the pattern stays in the project."""
        self._edits.free(self._place())

    def _place(self) -> MemoryPlace | None:
        return next((p for p in self.places if p.program == self.program), None)

    def _choose(self, program: int) -> None:
        self.program = program
        self._keep_in_sight()

    # Read aloud, and the pointer

    def cell_box(self, cell: Cell) -> QRectF:
        """Where a place is drawn."""
        places = self.places
        return self._box(places[cell.row].program) if cell.row < len(places) else QRectF()

    def cell_at(self, at: QPointF) -> Cell | None:
        """The place there."""
        for row, place in enumerate(self.places):
            if self._box(place.program).contains(at):
                return Cell(row, 0)
        return None

    def pick(self, at: QPointF, *, selects: bool = False) -> bool:
        """Take a place in hand, or the pattern of the one that is."""
        del selects
        cell = self.cell_at(at)
        if cell is None:
            return False
        place = self.places[cell.row]
        if place.program == self.program:
            self.settings()
        self.program = place.program
        self.refresh()
        return True

    def grip(self, at: QPointF, held: Held) -> Drag | None:
        """A pattern: dragged to another place it is kept there, what was there takes its."""
        del held
        self.pick(at)
        cell = self.cell_at(at)
        place = None if cell is None else self.places[cell.row]
        if place is None or not place.patterns:
            return None
        onto: list[int] = []

        def aim(to: QPointF, held: Held) -> str:
            del held
            under = self.cell_at(to)
            onto[:] = [] if under is None else [self.places[under.row].program]
            pattern = place.patterns[0].name
            if under is None:
                return pattern
            there = self.places[under.row]
            return tr("{pattern} to {place}", pattern=pattern, place=there.printed)

        def land() -> None:
            if onto and onto[0] != place.program:
                self.taken.emit(place.patterns[0].id)
                self._edits.assign(onto[0])
                self._choose(onto[0])

        return AimDrag(aim, land)

    def scroll_by(self, across: float, down: float) -> None:
        """Other columns."""
        last = max(0, self._columns() - self._columns_shown())
        by = round(across or down) or (1 if across + down > 0 else -1)
        self._first_column = max(0, min(last, self._first_column + by))
        self.refresh()

    def paint_still(self, painter: QPainter) -> None:
        """Draw the columns in sight."""
        p = self.palette_now
        device = self.editor.hand.device
        if device is None:
            draw.text(painter, 0, 40, tr("No box in hand."), p.muted)
            return
        shown = self._columns_shown()
        kind = tr("Its own copy is played") if device.plays == "own" else tr("Numbers it is told")
        more = self._columns() - shown
        beyond = tr(", {more} columns more", more=more) if more > 0 else ""
        draw.text(
            painter,
            0,
            16,
            tr(
                "{device}: {count} places. {kind}{beyond}. {assign}: the pattern in hand "
                "here. {copy_here}: a copy. {remove}: free it.",
                device=device.name,
                count=len(self.places),
                kind=kind,
                beyond=beyond,
                assign=told("assign"),
                copy_here=told("copy_here"),
                remove=told("remove"),
            ),
            p.muted,
            size=14,
            width=self.width(),
        )
        current = self.editor.hand.pattern_id
        for place in self.places:
            column = place.program // COLUMN_ROWS
            if self._first_column <= column < self._first_column + shown:
                self._paint_place(painter, place, current)

    def _paint_place(self, painter: QPainter, place: MemoryPlace, current: str) -> None:
        p, box = self.palette_now, self._box(place.program)
        base = box.bottom() - 6
        draw.line(painter, box.left(), box.bottom(), box.right(), box.bottom(), p.rule)
        draw.text(painter, box.left() + 6, base, place.printed, p.muted, size=14)
        if place.patterns:
            pattern = place.patterns[0]
            here = pattern.id == current
            colour = p.eye if len(place.patterns) > 1 else p.crest if here else p.ink
            words = " / ".join(x.name for x in place.patterns)
            draw.text(painter, box.left() + 62, base, words, colour, size=14,
                      weight=600 if here else 400, width=box.width() - 122)  # fmt: skip
            if place.status is not None:
                tone = p.reed if place.status == "in the box" else p.sand
                draw.text(painter, box.right() - 4, base, STATUS_WORDS[place.status], tone,
                          size=12, align=draw.RIGHT)  # fmt: skip
        if place.program == self.program:
            painter.setBrush(Qt.BrushStyle.NoBrush)
            painter.setPen(QPen(p.crest, 1.5))
            painter.drawRoundedRect(box.adjusted(1, 1, -1, -1), 4, 4)
