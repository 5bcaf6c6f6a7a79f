"""How the rig is drawn: boxes, a line a cable, and what moves over them."""

from __future__ import annotations

from collections.abc import Collection, Iterator
from functools import cached_property

from PyQt6.QtCore import QLineF, QPointF, QRectF, Qt
from PyQt6.QtGui import QColor, QPainter, QPainterPath, QPen, QPolygonF

from grebe.app.live.networking import Networking
from grebe.core.rig.model import Cable
from grebe.ui.stations.rig.geometry import Picture, PlacedBox, PlacedCable
from grebe.ui.stations.rig.shown import ShownRig
from grebe.ui.stations.sync.computers import signed
from grebe.ui.widgets import draw
from grebe.ui.widgets.theme import CORNER, Palette
from grebe.words import tr

STYLES = {
    "midi": Qt.PenStyle.SolidLine,
    "pulse": Qt.PenStyle.DashLine,
    "network": Qt.PenStyle.DotLine,
    "audio": Qt.PenStyle.SolidLine,
}
PLAIN_FROM = 60
"""Cables from which on lines are drawn without smoothing: over a hundred of them smooth edges cost
more than they show."""
Look = tuple[str, QColor, list[QLineF], QPainterPath]
"""Medium, colour, and the lines and tips of all cables that look so."""


class RigPainter:
    """Draws one rig at one size in one theme, again and again."""

    def __init__(self, shown: ShownRig, picture: Picture, palette: Palette) -> None:
        self.shown, self.picture, self.palette = shown, picture, palette

    def paint(self, painter: QPainter, selected: str, wrong: Collection[str]) -> None:
        """The tree. `wrong`: what there are findings about."""
        many = len(self.picture.cables) > PLAIN_FROM
        painter.setRenderHint(QPainter.RenderHint.Antialiasing, on=not many)
        self._paint_cables(painter, thin=many)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        for placed in self.picture.boxes:
            self._paint_box(painter, placed, selected, wrong=placed.device in wrong)

    def _paint_box(
        self, painter: QPainter, placed: PlacedBox, selected_id: str, *, wrong: bool
    ) -> None:
        p, box, wiring = self.palette, placed.box, self.shown.wiring
        leads = placed.device == self.shown.tree.leader
        selected = placed.device == selected_id
        edge = p.crest if selected else p.eye if wrong else p.crest if leads else p.rule
        draw.panel(painter, box, p.panel, edge, width=2 if selected or leads else 1.5)
        if leads:
            draw.fill(painter, box.left(), box.top() + 3, 5, box.height() - 6, p.crest)
        x, y = box.left() + 16, box.top()
        wide = box.width() - 26
        if wrong:
            self._paint_mark(painter, box)
            wide -= 14
        name = wiring.rig.name_of(placed.device)
        lines = self.picture.lines_in_box
        if lines == 1:
            draw.text(painter, x, y + 19, name, p.ink, size=14, weight=600, width=wide)
            return
        draw.text(painter, x, y + 25, name, p.ink, size=20, weight=600, width=wide)
        device = wiring.devices.get(placed.device)
        below = tr("this program") if device is None else device.label or tr(device.kind)
        third = self.shown.role_of(placed.device)
        if lines == 2:
            draw.text(painter, x, y + 44, third, p.ink, size=14, width=wide)
            return
        draw.text(painter, x, y + 45, below, p.muted, size=14, width=wide)
        draw.text(painter, x, y + 64, third, p.ink, size=14, width=wide)

    def _paint_mark(self, painter: QPainter, box: QRectF) -> None:
        """Something is wrong here: said by a shape too, not by colour alone."""
        x, y = box.right() - 15, box.top() + 14
        painter.setPen(Qt.PenStyle.NoPen)
        painter.setBrush(self.palette.eye)
        painter.drawPolygon(
            QPolygonF([QPointF(x, y - 7), QPointF(x + 7.5, y + 6), QPointF(x - 7.5, y + 6)])
        )

    def _paint_cables(self, painter: QPainter, *, thin: bool) -> None:
        """All lines of one look at once, then all tips: two hundred cables one by one take long."""
        for medium, colour, lines, tips in self._looks:
            painter.setPen(QPen(colour, 1.0 if thin or medium == "audio" else 2.2, STYLES[medium]))
            painter.drawLines(*lines)
            painter.fillPath(tips, colour)
        if self.picture.lines_in_box > 1:
            for placed in self.picture.cables:
                self._paint_label(painter, placed)

    @cached_property
    def _looks(self) -> tuple[Look, ...]:
        """The lines and tips of every look, gathered once."""
        return tuple(self._gather())

    def _gather(self) -> Iterator[Look]:
        looks: dict[tuple[int, str], tuple[QColor, list[QLineF], QPainterPath]] = {}
        for placed in self.picture.cables:
            cable = self.shown.wiring.cables[placed.cable]
            colour = self._colour(cable)
            made = looks.get((colour.rgba(), cable.medium))
            if made is None:
                made = looks[(colour.rgba(), cable.medium)] = (colour, [], QPainterPath())
            _, lines, tips = made
            way = placed.corners
            tip, before = way[-1], way[-2]
            along = QPointF(_sign(tip.x() - before.x()), _sign(tip.y() - before.y()))
            end = tip - along * 8
            lines += map(QLineF, way[:-2], way[1:-1])
            lines.append(QLineF(before, end))
            across = QPointF(along.y(), along.x()) * 5.5
            tips.addPolygon(QPolygonF([tip, end - along + across, end - along - across]))
        for (_, medium), (colour, lines, tips) in looks.items():
            yield medium, colour, lines, tips

    def _paint_label(self, painter: QPainter, placed: PlacedCable) -> None:
        cable = self.shown.wiring.cables[placed.cable]
        words, room = self.shown.label(cable), placed.label_room
        if not placed.back and draw.text_width(words, 14, 600) > room:
            words = self.shown.short_label(cable)
            words = words if draw.text_width(words, 14, 600) <= room else ""
        if words:
            align = draw.LEFT if placed.back else draw.RIGHT
            x, y = placed.label_at.x(), placed.label_at.y()
            ink = self.palette.eye if self.shown.clashes(cable) else self.palette.ink
            draw.text(painter, x, y, words, ink, size=14, weight=600, align=align)

    def _colour(self, cable: Cable) -> QColor:
        p = self.palette
        if self.shown.clashes(cable):
            return p.eye
        if not self.shown.carries(cable):
            return p.muted
        return {"pulse": p.sand, "network": p.reed}.get(cable.medium, p.water)

    # What moves

    def paint_gone(self, painter: QPainter, placed: PlacedBox) -> None:
        """A box whose port is gone."""
        p, box = self.palette, placed.box
        if box.height() > 60:
            draw.panel(painter, box.adjusted(3, 48, -3, -3), p.panel)
            draw.text(
                painter, box.left() + 16, box.top() + 64, tr("port gone"), p.eye,
                size=14, weight=600,
            )  # fmt: skip
        painter.setBrush(Qt.BrushStyle.NoBrush)
        painter.setPen(QPen(p.eye, 2))
        painter.drawRoundedRect(box, CORNER, CORNER)

    def paint_running(self, painter: QPainter, begins: QPointF, ends: QPointF, onto: str) -> None:
        """A cable in the hand, and the box it would go into."""
        p = self.palette
        draw.line(painter, begins.x(), begins.y(), ends.x(), ends.y(), p.crest, 2.5)
        for placed in self.picture.boxes:
            if placed.device == onto:
                painter.setBrush(Qt.BrushStyle.NoBrush)
                painter.setPen(QPen(p.crest, 3))
                painter.drawRoundedRect(placed.box, CORNER, CORNER)

    def paint_computers(self, painter: QPainter, network: Networking) -> None:
        """How late the beat of each computer in the session is, in place of its role."""
        p = self.palette
        if not network.rows or self.picture.lines_in_box < 2:
            return
        for placed in self.picture.boxes:
            device = self.shown.wiring.devices.get(placed.device)
            peer = network.row_of(device) if device is not None else None
            if peer is None or peer.offset_ms is None:
                continue
            box, low = placed.box, 64 if placed.box.height() > 60 else 44
            words = tr(
                "{signed} ms, {lost_percent:.0f} % lost",
                signed=signed(peer.offset_ms),
                lost_percent=peer.lost_percent,
            )
            draw.fill(painter, box.left() + 12, box.top() + low - 15, box.width() - 16, 19, p.panel)
            draw.text(
                painter, box.left() + 16, box.top() + low, words, p.reed,
                size=14, weight=600, width=box.width() - 24,
            )  # fmt: skip


def _sign(value: float) -> float:
    return (value > 0) - (value < 0)
