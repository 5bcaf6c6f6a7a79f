"""From rows and columns to pixels: boxes, and the corners of every cable."""

from __future__ import annotations

from dataclasses import dataclass
from functools import partial
from math import hypot

from PyQt6.QtCore import QPointF, QRectF

from grebe.core.rig.layout import Drawing, Piece, tracks
from grebe.core.rig.wiring import Wiring

REACH = 12.0
"""A pointer so near a cable means it: 24 px across."""
BOX_WIDTH = 176.0
LEAST_WIDTH = 136.0
"""Of a box where there are many columns: its longest line still fits."""
FULL, SHORT, LOW = 74.0, 54.0, 28.0
"""Heights of a box with three lines, two, one."""
MARGIN = 8.0
PORT_GAP = 11.0
NARROWEST_GAP, WIDEST_GAP = 56.0, 200.0
CROWDED_GAP = 120.0
"""A gap grows with its cables up to this; from then on they stand closer."""
TRACK = 8.0


@dataclass(frozen=True)
class PlacedBox:
    """A device and where it is drawn."""

    device: str
    box: QRectF


@dataclass(frozen=True)
class PlacedCable:
    """A cable's corners from its source to its target."""

    cable: int
    """Index in the wiring's cables."""
    corners: tuple[QPointF, ...]
    label_at: QPointF
    """Right end of the words' baseline."""
    label_room: float
    back: bool = False


@dataclass(frozen=True)
class Picture:
    """Everything placed."""

    boxes: tuple[PlacedBox, ...] = ()
    cables: tuple[PlacedCable, ...] = ()
    width: float = 0.0
    height: float = 0.0
    """Room it takes; more than there was when the rig is large."""
    lines_in_box: int = 3

    def cable_at(self, at: QPointF) -> PlacedCable | None:
        """The cable that runs nearest to a point, where one runs near it."""
        near = [(min(map(partial(_apart, at), c.corners[:-1], c.corners[1:])), i)
                for i, c in enumerate(self.cables)]  # fmt: skip
        apart, found = min(near, default=(REACH, -1))
        return self.cables[found] if apart < REACH else None


def _apart(at: QPointF, one: QPointF, other: QPointF) -> float:
    """From a point to a stretch of a line, in pixels."""
    along, to = other - one, at - one
    long = QPointF.dotProduct(along, along)
    share = 0.0 if not long else max(0.0, min(1.0, QPointF.dotProduct(to, along) / long))
    off = to - along * share
    return float(hypot(off.x(), off.y()))


@dataclass
class _Cell:
    top: float
    height: float
    left: float
    right: float

    @property
    def middle(self) -> float:
        return self.top + self.height / 2


def picture(drawn: Drawing, wiring: Wiring, width: float, height: float) -> Picture:
    """Place a drawing in so much room, with smaller boxes when there are many."""
    if not drawn.columns:
        return Picture()
    tallest = max(len(column) for column in drawn.columns)
    box_height, row_gap, lines = _row_sizes(tallest, height - 2 * MARGIN)
    gap, columns = 0.0, len(drawn.columns)
    pieces = [0.0] * columns
    for line in drawn.lines:
        first = next(i for i, c in enumerate(drawn.columns) if line.cells[0] in c)
        for offset in range(len(line.cells) - 1):
            pieces[first + offset] += 1.0
    aside = 52.0 if drawn.back else 2.0
    wide = BOX_WIDTH
    if columns > 1:
        wanted = min(CROWDED_GAP, max(NARROWEST_GAP, max(pieces) * TRACK + 24.0))
        wide = min(BOX_WIDTH, max(LEAST_WIDTH, (width - aside - (columns - 1) * wanted) / columns))
        room = (width - aside - columns * wide) / (columns - 1)
        gap = max(wanted, min(WIDEST_GAP, room))
    tall = tallest * box_height + (tallest - 1) * row_gap
    room_height = max(height, tall + 2 * MARGIN)
    cells: dict[str, _Cell] = {}
    boxes: list[PlacedBox] = []
    for index, column in enumerate(drawn.columns):
        used = len(column) * box_height + (len(column) - 1) * row_gap
        top = max(MARGIN, (room_height - used) / 2)
        left = 1 + index * (wide + gap)
        for row, cell in enumerate(column):
            y = top + row * (box_height + row_gap)
            cells[cell] = _Cell(y, box_height, left, left + wide)
            if ":" not in cell:
                boxes.append(PlacedBox(cell, QRectF(left, y, wide, box_height)))
    cables = [*_forward(drawn, cells), *_backward(drawn, wiring, cells)]
    return Picture(
        boxes=tuple(boxes),
        cables=tuple(cables),
        width=columns * wide + (columns - 1) * gap + aside,
        height=room_height,
        lines_in_box=lines,
    )


def _row_sizes(tallest: int, room: float) -> tuple[float, float, int]:
    for height, lines, least in ((FULL, 3, 14.0), (SHORT, 2, 10.0)):
        gap = (room - tallest * height) / max(1, tallest - 1)
        if gap >= least or tallest == 1:
            return height, min(34.0, max(gap, least)), lines
    return LOW, max(6.0, min(14.0, (room - tallest * LOW) / max(1, tallest - 1))), 1


def _forward(drawn: Drawing, cells: dict[str, _Cell]) -> list[PlacedCable]:
    """Cables to the right: out at a height of their own, up or down in a gap, and in."""
    gaps: dict[float, list[tuple[int, str, str]]] = {}
    for line in drawn.lines:
        for a, b in zip(line.cells, line.cells[1:], strict=False):
            gaps.setdefault(cells[a].right, []).append((line.cable, a, b))
    heights = _plug_heights(drawn, cells)
    corners: dict[int, list[QPointF]] = {}
    for right, rows in sorted(gaps.items()):
        pieces = [
            Piece(heights[(cable, a, "out")], heights[(cable, b, "in")]) for cable, a, b in rows
        ]
        order = tracks(pieces)
        upright = 1 + max(order)
        left_edge = min(cells[b].left for _, _, b in rows)
        room = left_edge - right
        for (cable, _, b), piece, track in zip(rows, pieces, order, strict=True):
            x = right + room * (track + 1) / (upright + 1) * 0.55
            way = corners.setdefault(cable, [QPointF(right, piece.y1)])
            if piece.y1 != piece.y2:
                way += [QPointF(x, piece.y1), QPointF(x, piece.y2)]
            way.append(QPointF(cells[b].left if ":" not in b else cells[b].right, piece.y2))
    out: list[PlacedCable] = []
    for line in drawn.lines:
        way = corners[line.cable]
        end = way[-1]
        before = way[-2].x() if len(way) > 1 else end.x() - 40
        label = QPointF(end.x() - 14, end.y() - 7)
        out.append(PlacedCable(line.cable, tuple(way), label, end.x() - before - 18))
    return out


def _plug_heights(drawn: Drawing, cells: dict[str, _Cell]) -> dict[tuple[int, str, str], float]:
    """Where each piece of line leaves and enters its cells: spread about their middles, in the
    order of what is at the other end, so that they do not cross there."""
    leaving: dict[str, list[tuple[float, int]]] = {}
    entering: dict[str, list[tuple[float, int]]] = {}
    for line in drawn.lines:
        for a, b in zip(line.cells, line.cells[1:], strict=False):
            leaving.setdefault(a, []).append((cells[b].middle, line.cable))
            entering.setdefault(b, []).append((cells[a].middle, line.cable))
    out: dict[tuple[int, str, str], float] = {}
    for side, rows in (("out", leaving), ("in", entering)):
        for cell, ends in rows.items():
            at = cells[cell]
            step = min(PORT_GAP, (at.height - 10) / max(1, len(ends)))
            for place, (_, cable) in enumerate(sorted(ends)):
                y = at.middle + (place - (len(ends) - 1) / 2) * step
                out[(cable, cell, side)] = at.middle if ":" in cell else y
    return out


def _backward(drawn: Drawing, wiring: Wiring, cells: dict[str, _Cell]) -> list[PlacedCable]:
    """Cables to the same column or to the left: round the right side, over or under."""
    out: list[PlacedCable] = []
    for place, index in enumerate(drawn.back):
        cable = wiring.cables[index]
        start, end = cells[cable.source], cells[cable.target]
        x = max(start.right, end.right) + 16 + 7 * (place % 4)
        y1 = start.top + start.height * 0.78
        y2 = end.top + end.height * 0.22
        way: tuple[QPointF, ...]
        if start.right == end.right:
            way = (QPointF(start.right, y1), QPointF(x, y1), QPointF(x, y2), QPointF(end.right, y2))
        else:
            under = max(start.top + start.height, end.top + end.height) + 8 + 5 * (place % 3)
            way = (
                QPointF(start.right, y1),
                QPointF(start.right + 12, y1),
                QPointF(start.right + 12, under),
                QPointF(end.left + end.height / 3, under),
                QPointF(end.left + end.height / 3, end.top + end.height),
            )
        label = QPointF(x + 6, (y1 + y2) / 2) if start.right == end.right else way[3]
        out.append(PlacedCable(index, way, label, 90.0, back=True))
    return out
