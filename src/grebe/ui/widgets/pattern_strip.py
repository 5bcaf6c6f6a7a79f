"""All patterns by device, in a few lines of words: where to go."""

from __future__ import annotations

from typing import NamedTuple

from PyQt6.QtCore import QPointF, QRectF, Qt, pyqtSignal
from PyQt6.QtGui import QContextMenuEvent, QDrag, QMouseEvent, QPainter, QPaintEvent
from PyQt6.QtWidgets import QApplication, QWidget

from grebe.app.live.session import Session
from grebe.core.beginning import plays_notes
from grebe.core.document import Project
from grebe.ui.widgets import draw
from grebe.ui.widgets.canvas import open_menu
from grebe.ui.widgets.clipboard import pattern_mime
from grebe.ui.widgets.theme import DAY, Palette
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


class PatternStrip(QWidget):
    """Names of patterns; a click takes one in hand."""

    chosen = pyqtSignal(str)
    box_chosen = pyqtSignal(str)
    """A box, by id: one that has no pattern yet."""

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        self.current = ""
        self.palette_now: Palette = DAY
        self._words: list[_Word] = []
        self._pressed: QPointF | None = None
        self._shown: object = None
        self.setAccessibleName(tr("Patterns by device"))
        self.arrange()

    def arrange(self) -> None:
        """Work out where each name stands, if anything about it has changed."""
        project = self.session.project
        names = tuple((p.id, p.name, p.device) for p in project.patterns)
        boxes = tuple((d.id, d.name) for d in project.rig.devices)
        key = (names, boxes, self.width(), self.current)
        if key == self._shown:
            return
        self._shown = key
        room = float(max(300, self.width()))
        self._words, rows = _laid_out(project, room, None, "")
        if rows > MOST_ROWS:
            self._words, rows = _laid_out(project, room, _device_of(project, self.current),
                                          self.current)  # fmt: skip
        self.setFixedHeight(round(min(rows, MOST_ROWS) * ROW + 4))
        self.update()

    def resizeEvent(self, event: object) -> None:
        """Another width: other rows."""
        del event
        self.arrange()

    def contextMenuEvent(self, event: QContextMenuEvent | None) -> None:
        """The menu of the pattern there."""
        open_menu(self, event)

    def mousePressEvent(self, event: QMouseEvent | None) -> None:
        """Take the pattern under the pointer in hand."""
        if event is not None and event.button() == Qt.MouseButton.LeftButton:
            self._pressed = event.position()
            self.pick(event.position())

    def mouseMoveEvent(self, event: QMouseEvent | None) -> None:
        """A pattern's name can be dragged onto a scene."""
        if event is None or self._pressed is None:
            return
        far = (event.position() - self._pressed).manhattanLength()
        word = self._word_at(self._pressed)
        if far < QApplication.startDragDistance() or word is None or not word.pattern:
            return
        self._pressed = None
        drag = QDrag(self)
        drag.setMimeData(pattern_mime(word.pattern, word.words))
        drag.exec(Qt.DropAction.CopyAction)

    def mouseReleaseEvent(self, event: QMouseEvent | None) -> None:
        """It was a click."""
        del event
        self._pressed = None

    def _word_at(self, at: QPointF) -> _Word | None:
        return next((w for w in self._words if w.box.contains(at)), None)

    def pick(self, at: QPointF, *, selects: bool = False) -> bool:
        """Take the pattern there in hand."""
        del selects
        for word in self._words:
            if word.box.contains(at) and (word.pattern or word.bare):
                if word.pattern:
                    self.chosen.emit(word.pattern)
                else:
                    self.box_chosen.emit(word.bare)
                return True
        return False

    def paintEvent(self, event: QPaintEvent | None) -> None:
        """Draw the names."""
        del event
        p = self.palette_now
        painter = QPainter(self)
        for word in self._words:
            here = word.pattern == self.current and not word.is_device
            colour = p.muted if word.is_device else p.crest if here else p.water
            bold = here or word.is_device
            base = word.box.top() + 17
            draw.text(painter, word.box.left(), base, word.words, colour, size=14,
                      weight=600 if bold else 400)  # fmt: skip
            if here:
                draw.fill(painter, word.box.left(), base + 4, word.box.width(), 2, p.crest)


def _device_of(project: Project, pattern_id: str) -> str:
    return next((p.device for p in project.patterns if p.id == pattern_id), "")


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

    by_device: dict[str, list[tuple[str, str]]] = {}
    for pattern in project.patterns:
        by_device.setdefault(pattern.device, []).append((pattern.id, pattern.name))
    for device in project.rig.devices:
        own = by_device.get(device.id, [])
        if not own:
            if plays_notes(device):
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
