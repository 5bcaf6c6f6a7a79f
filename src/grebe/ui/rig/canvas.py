"""The clock tree, drawn by itself: the leader at the left, followers in columns."""

from __future__ import annotations

from dataclasses import dataclass

from PyQt6.QtCore import QPointF, QRectF, Qt, pyqtSignal
from PyQt6.QtGui import QColor, QMouseEvent, QPainter, QPen, QPolygonF

from grebe.app.session import Session
from grebe.core.findings import Finding
from grebe.core.rig.model import GREBE_ID, Cable, Device, Rig
from grebe.core.rig.tree import ClockTree, clock_tree
from grebe.ui import draw
from grebe.ui.theme import CORNER
from grebe.ui.widgets import Canvas

BOX = (176.0, 82.0)
ROW_GAP = 34.0
FINDING_HEIGHT = 88.0


@dataclass(frozen=True)
class PlacedBox:
    """A device and where it is drawn."""

    device: str
    box: QRectF


class RigCanvas(Canvas):
    """Boxes, cables and findings."""

    device_clicked = pyqtSignal(str)

    def __init__(self, session: Session) -> None:
        super().__init__(session)
        self.selected = ""
        self.placed: tuple[PlacedBox, ...] = ()
        self.findings: tuple[Finding, ...] = ()
        self.setAccessibleName("Clock tree")

    def mousePressEvent(self, event: QMouseEvent | None) -> None:
        """A click selects a device."""
        if event is None:
            return
        self.setFocus()
        for placed in self.placed:
            if placed.box.contains(event.position()):
                self.device_clicked.emit(placed.device)

    def paint_still(self, painter: QPainter) -> None:
        """Draw the tree and what is wrong with it."""
        project = self.session.project
        tree = clock_tree(project.rig)
        self.findings = self.session.findings()
        room = self.height() - (FINDING_HEIGHT + 40 if self.findings else 0)
        self.placed = _place(tree, float(self.width()), room)
        boxes = {p.device: p.box for p in self.placed}
        for cable in project.rig.cables:
            if cable.source in boxes and cable.target in boxes:
                self._paint_cable(painter, cable, boxes, tree)
        for placed in self.placed:
            self._paint_box(painter, placed, project.rig, tree)
        self._paint_findings(painter, room)

    def _paint_box(self, painter: QPainter, placed: PlacedBox, rig: Rig, tree: ClockTree) -> None:
        p, box = self.palette_now, placed.box
        leads = placed.device == tree.leader
        wrong = any(f.subject == placed.device and f.severity != "note" for f in self.findings)
        selected = placed.device == self.selected
        edge = p.eye if wrong else p.crest if selected or leads else p.rule
        draw.panel(painter, box, p.panel, edge, width=2 if selected or leads else 1.5)
        if leads:
            draw.fill(painter, box.left(), box.top() + 3, 5, box.height() - 6, p.crest)
        x, y = box.left() + 16, box.top()
        wide = box.width() - 26
        name = rig.name_of(placed.device)
        draw.text(painter, x, y + 27, name, p.ink, size=20, weight=600, width=wide)
        if placed.device == GREBE_ID:
            below, third = "this program", "leads, 24 a quarter"
        else:
            device = rig.device(placed.device)
            below = device.label or device.kind
            third = _plays(device)
        draw.text(painter, x, y + 48, below, p.muted, size=14, width=wide)
        draw.text(painter, x, y + 69, third, p.ink, size=14, width=wide)

    def _paint_cable(
        self, painter: QPainter, cable: Cable, boxes: dict[str, QRectF], tree: ClockTree
    ) -> None:
        p = self.palette_now
        start, end = boxes[cable.source], boxes[cable.target]
        style = {
            "midi": Qt.PenStyle.SolidLine,
            "pulse": Qt.PenStyle.DashLine,
            "network": Qt.PenStyle.DotLine,
            "audio": Qt.PenStyle.SolidLine,
        }[cable.medium]
        carries = cable in tree.hops
        doubled = cable.clock and not carries and len(tree.sources.get(cable.target, ())) > 1
        colour = p.water if carries else p.eye if doubled else p.muted
        painter.setPen(QPen(colour, 1.2 if cable.medium == "audio" else 2.2, style))
        painter.setBrush(Qt.BrushStyle.NoBrush)
        if end.left() <= start.right():
            self._paint_back_cable(painter, start, end, colour, "second clock" if doubled else "")
            return
        leaving = [
            c
            for c in self.session.project.rig.cables
            if c.source == cable.source
            and c.target in boxes
            and boxes[c.target].left() > start.right()
        ]
        ordered = sorted(leaving, key=lambda c: boxes[c.target].top())
        place = ordered.index(cable)
        y1 = start.center().y() + (place - (len(ordered) - 1) / 2) * 12
        x1, x2, y2 = start.right(), end.left() - 9, end.center().y()
        # Cables going up turn nearer to the boxes they lead to, so that they do not cross.
        turns = len(ordered) - place if y2 > y1 else place + 1
        middle = x1 + (x2 - x1) * turns / (len(ordered) + 1)
        painter.drawPolyline(
            QPolygonF([QPointF(x1, y1), QPointF(middle, y1), QPointF(middle, y2), QPointF(x2, y2)])
        )
        painter.setPen(Qt.PenStyle.NoPen)
        painter.setBrush(colour)
        painter.drawPolygon(
            QPolygonF([QPointF(x2 + 9, y2), QPointF(x2, y2 - 5.5), QPointF(x2, y2 + 5.5)])
        )
        if carries:
            words = "MIDI clock 24"
            draw.text(painter, x2 - 4, y2 - 8, words, p.ink, size=14, weight=600, align=draw.RIGHT)

    def _paint_back_cable(
        self, painter: QPainter, start: QRectF, end: QRectF, colour: QColor, words: str
    ) -> None:
        """A cable to a box in the same column or an earlier one: round the right-hand side."""
        out = max(start.right(), end.right()) + 28
        y1, y2 = start.center().y(), end.center().y()
        painter.drawPolyline(
            QPolygonF(
                [
                    QPointF(start.right(), y1),
                    QPointF(out, y1),
                    QPointF(out, y2),
                    QPointF(end.right() + 9, y2),
                ]
            )
        )
        painter.setPen(Qt.PenStyle.NoPen)
        painter.setBrush(colour)
        x = end.right()
        painter.drawPolygon(
            QPolygonF([QPointF(x, y2), QPointF(x + 9, y2 - 5.5), QPointF(x + 9, y2 + 5.5)])
        )
        if words:
            draw.text(painter, out + 8, (y1 + y2) / 2 + 5, words, colour, size=14, weight=600)

    def paint_moving(self, painter: QPainter) -> None:
        """Mark the devices whose port is gone."""
        status = self.session.status
        gone = {d.id for d in status.devices if d.port == "gone"} if status else set()
        p = self.palette_now
        for placed in self.placed:
            if placed.device in gone:
                box = placed.box
                draw.panel(painter, box.adjusted(3, 54, -3, -3), p.panel)
                draw.text(
                    painter, box.left() + 16, box.top() + 69, "port gone", p.eye,
                    size=14, weight=600,
                )  # fmt: skip
                painter.setBrush(Qt.BrushStyle.NoBrush)
                painter.setPen(QPen(p.eye, 2))
                painter.drawRoundedRect(box, CORNER, CORNER)

    def _paint_findings(self, painter: QPainter, top: float) -> None:
        if not self.findings:
            return
        p = self.palette_now
        draw.text(painter, 0, top + 18, "Findings", p.ink, size=16, weight=600)
        shown = self.findings[:2]
        more = len(self.findings) - len(shown)
        if more:
            draw.text(painter, 84, top + 18, f"and {more} more: grebe check", p.muted, size=14)
        wide = (self.width() - 12) / 2
        for index, finding in enumerate(shown):
            box = QRectF(index * (wide + 12), top + 30, wide, FINDING_HEIGHT)
            colour = self._severity(finding)
            draw.panel(painter, box, p.panel, p.rule)
            draw.fill(painter, box.left(), box.top(), 4, box.height(), colour)
            x, room = box.left() + 16, box.width() - 28
            y = box.top()
            draw.text(painter, x, y + 23, finding.message, p.ink, size=14, weight=600, width=room)
            draw.text(painter, x, y + 46, finding.why, p.muted, size=14, width=room)
            draw.text(painter, x, y + 69, finding.fix, colour, size=14, weight=600, width=room)

    def _severity(self, finding: Finding) -> QColor:
        p = self.palette_now
        return {"block": p.eye, "warn": p.sand, "note": p.muted}[finding.severity]


def _plays(device: Device) -> str:
    if device.plays == "grebe":
        return f"Grebe plays it, ch {device.channel}"
    return f"plays its own, ch {device.channel}"


def _place(tree: ClockTree, width: float, height: float) -> tuple[PlacedBox, ...]:
    """Boxes by column; what no clock reaches stands in a column of its own at the right."""
    columns = [list(column) for column in tree.columns]
    if tree.free_running:
        columns.append(list(tree.free_running))
    if not columns:
        return ()
    box_width, box_height = BOX
    gap = 0.0
    if len(columns) > 1:
        gap = min(190.0, (width - 2 - len(columns) * box_width) / (len(columns) - 1))
    tallest = max(len(column) for column in columns)
    row_gap = min(ROW_GAP, max(8.0, (height - 40 - tallest * box_height) / max(1, tallest - 1)))
    out: list[PlacedBox] = []
    for index, column in enumerate(columns):
        tall = len(column) * box_height + (len(column) - 1) * row_gap
        top = max(10.0, (height - tall) / 2)
        for place, device in enumerate(column):
            box = QRectF(
                1 + index * (box_width + gap),
                top + place * (box_height + row_gap),
                box_width,
                box_height,
            )
            out.append(PlacedBox(device, box))
    return tuple(out)
