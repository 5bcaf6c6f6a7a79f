"""All patterns by device, in a few lines of words: where to go."""

from __future__ import annotations

from itertools import compress
from operator import is_not
from typing import NamedTuple

from PyQt6.QtCore import QPointF, QRectF, Qt, pyqtSignal
from PyQt6.QtGui import QDrag, QPainter
from PyQt6.QtWidgets import QSizePolicy

from grebe.app.live.session import Session
from grebe.app.tables.listed import ListTable
from grebe.app.tables.table import Cell
from grebe.core.beginning import plays_notes
from grebe.core.document import Project
from grebe.core.patterns.model import Pattern
from grebe.core.rig.lines import box_of
from grebe.ui.widgets import draw
from grebe.ui.widgets.canvas import Canvas
from grebe.ui.widgets.clipboard import pattern_mime
from grebe.ui.widgets.drags import Drag, Held
from grebe.words import tr

ROW = 24.0
SPACE = 14.0
MOST_ROWS = 3
"""More patterns than fit there: only those of the box in hand, around the one in hand."""


class _Word(NamedTuple):
    box: QRectF
    words: str
    pattern: str
    """What a click takes in hand; "" for nothing."""
    is_device: bool
    bare: str = ""
    """The box that has no pattern yet; "" for all else."""


class PatternStrip(Canvas):
    """Names of patterns; a click takes one in hand, a drag carries it onto a scene."""

    chosen = pyqtSignal(str)
    box_chosen = pyqtSignal(str)
    """A box, by id: one that has no pattern yet."""

    def __init__(self, session: Session) -> None:
        table = ListTable((tr("Box"),), self._names, self._cells, self._here, self._choose)
        super().__init__(session, table)
        self.current = ""
        self._words: list[_Word] = []
        self._named: tuple[_Word, ...] = ()
        """Those that can be taken in hand."""
        self._shown: object = None
        self._patterns: tuple[Pattern, ...] = ()
        self.setAccessibleName(tr("Patterns by device"))
        self.setFocusPolicy(Qt.FocusPolicy.NoFocus)
        self.setSizePolicy(QSizePolicy.Policy.Expanding, QSizePolicy.Policy.Fixed)
        self.arrange()

    def arrange(self) -> None:
        """Work out where each name stands, if anything about it has changed."""
        project = self.session.project
        boxes = tuple((d.id, d.name) for d in project.rig.lines)
        key = (boxes, self.width(), self.current)
        if key == self._shown and _same_names(self._patterns, project.patterns):
            return
        self._shown, self._patterns = key, project.patterns
        room = float(max(300, self.width()))
        self._words, rows = _laid_out(project, room, None, "")
        if rows > MOST_ROWS:
            here = _device_of(project, self.current) or self.session.selection.box
            self._words, rows = _laid_out(project, room, here, self.current)
        self._named = tuple(w for w in self._words if w.pattern or w.bare)
        self.setFixedHeight(round(min(rows, MOST_ROWS) * ROW + 4))
        self.refresh()

    def resizeEvent(self, event: object) -> None:
        """Another width: other rows."""
        super().resizeEvent(event)
        self.arrange()

    # Read aloud

    def _names(self) -> list[str]:
        """Patterns, and boxes that have none yet."""
        return [word.words for word in self._named]

    def _cells(self, row: int) -> tuple[str, ...]:
        """Its box."""
        project, word = self.session.project, self._named[row]
        return (project.rig.name_of(word.bare or _device_of(project, word.pattern)),)

    def _here(self) -> int:
        return next((i for i, w in enumerate(self._named) if w.pattern == self.current), -1)

    def _choose(self, row: int) -> None:
        word = self._named[row]
        if word.pattern:
            self.chosen.emit(word.pattern)
        else:
            self.box_chosen.emit(word.bare)

    def cell_box(self, cell: Cell) -> QRectF:
        """Where a name stands."""
        return self._named[cell.row].box if cell.row < len(self._named) else QRectF()

    def cell_at(self, at: QPointF) -> Cell | None:
        """The name there."""
        found = (i for i, word in enumerate(self._named) if word.box.contains(at))
        return next((Cell(i, 0) for i in found), None)

    # The pointer

    def press(self, at: QPointF, held: Held) -> None:
        """Take the pattern under the pointer in hand; the keys stay where they are."""
        self._drag = self.grip(at, held)
        self._from, self._dragged = QPointF(at), False

    def grip(self, at: QPointF, held: Held) -> Drag | None:
        """A pattern's name can be carried onto a scene."""
        del held
        cell = self.cell_at(at)
        word = None if cell is None else self._named[cell.row]
        self.pick(at)  # the names may lie otherwise after that
        return None if word is None or not word.pattern else CarryDrag(self, word)

    def shape_at(self, at: QPointF, held: Held) -> Qt.CursorShape:
        """A hand over a name."""
        del held
        over = self.cell_at(at) is not None
        return Qt.CursorShape.PointingHandCursor if over else Qt.CursorShape.ArrowCursor

    def double(self, at: QPointF) -> None:
        """The first click has done it."""

    def paint_still(self, painter: QPainter) -> None:
        """Draw the names."""
        p = self.palette_now
        for word in self._words:
            here = word.pattern == self.current and not word.is_device
            colour = p.muted if word.is_device else p.crest if here else p.water
            bold = here or word.is_device
            base = word.box.top() + 17
            draw.text(painter, word.box.left(), base, word.words, colour, size=14,
                      weight=600 if bold else 400)  # fmt: skip
            if here:
                draw.fill(painter, word.box.left(), base + 4, word.box.width(), 2, p.crest)


class CarryDrag:
    """A pattern's name on its way: the desktop's own drag, once the pointer moves."""

    def __init__(self, strip: PatternStrip, word: _Word) -> None:
        self._strip, self._word, self._gone = strip, word, False

    def move(self, at: QPointF, held: Held) -> str:
        """Hand it over to the desktop, which says where it may go."""
        del at, held
        if not self._gone:
            self._gone = True
            carried = QDrag(self._strip)
            carried.setMimeData(pattern_mime(self._word.pattern, self._word.words))
            carried.exec(Qt.DropAction.CopyAction)
        return ""

    def drop(self) -> None:
        """It was a click, or has landed."""

    def take_back(self) -> None:
        """Nothing has happened."""


def _same_names(before: tuple[Pattern, ...], now: tuple[Pattern, ...]) -> bool:
    """Whether patterns are called the same, of the same boxes; most are the very same objects."""
    if len(before) != len(now):
        return False
    edited = compress(zip(before, now, strict=True), map(is_not, before, now))
    return all((a.id, a.name, a.device) == (b.id, b.name, b.device) for a, b in edited)


def _device_of(project: Project, pattern_id: str) -> str:
    pattern = project.patterns_by_id.get(pattern_id)
    return "" if pattern is None else pattern.device


def _laid_out(
    project: Project, room: float, only: str | None, around: str
) -> tuple[list[_Word], int]:
    """Words in rows as wide as `room`, and how many rows; patterns of one box only, if named.

    Then as many of them as there is room for, from some before `around` on.
    """
    x, y = 0.0, 0.0
    words: list[_Word] = []

    def put(text: str, pattern: str, *, is_device: bool = False, bare: str = "") -> None:
        nonlocal x, y
        wide = draw.text_width(text, 14, 600)
        if x and x + wide > room:
            x, y = 0.0, y + ROW
        words.append(_Word(QRectF(x, y, wide, ROW), text, pattern, is_device, bare))
        x += wide + SPACE

    of = project.patterns_of
    folded: dict[str, list[Pattern]] = {}
    if only is not None:  # of other boxes with tracks one name each
        for box in project.rig.devices:
            held = [p for line in box.lines for p in of.get(line.id, [])]
            if box.tracks and box.id != box_of(only) and held:
                folded[box.id] = held
    taking = {line.id for box in project.rig.devices for line in box.pattern_lines}
    for device in project.rig.lines:
        if box_of(device.id) in folded:
            if device.id in folded:
                held = folded[device.id]
                put(f"{device.name} {len(held)}", held[0].id, is_device=True)
            continue
        own = [(p.id, p.name) for p in of.get(device.id, [])]
        if not own:
            if device.id in taking and plays_notes(device):
                put(
                    tr("{device}, none yet", device=device.name), "", is_device=True, bare=device.id
                )
            continue
        if only is not None and device.id != only:
            put(f"{device.name} {len(own)}", own[0][0], is_device=True)
            continue
        put(device.name, "", is_device=True)
        first = 0
        if only is not None:
            at = next((i for i, (pattern, _) in enumerate(own) if pattern == around), 0)
            first = max(0, at - NEAR)
            own = own[first : at + NEAR]
        for pattern_id, name in own:
            put(name, pattern_id)
            if only is None and y >= ROW * MOST_ROWS:
                return words, MOST_ROWS + 1  # too many: no need to place them all
        x += SPACE
    return words, round(y / ROW) + 1


NEAR = 10
"""Patterns shown before and after the one in hand, where not all fit."""
