"""A rig drawn small: boxes and cables without words, to know a project by."""

from __future__ import annotations

from PyQt6.QtCore import QPointF, QRectF, QSize, Qt
from PyQt6.QtGui import QColor, QPainter, QPen, QPixmap, QPolygonF

from grebe.core.rig.layout import drawing
from grebe.core.rig.model import GREBE_ID, Rig
from grebe.core.rig.tree import tree_of
from grebe.core.rig.wiring import Wiring
from grebe.ui.stations.rig.geometry import picture
from grebe.ui.widgets.theme import Palette

SIZE = QSize(92, 52)
ROOM = 560.0
"""Pixels across which it is laid out before it is made small."""


def thumbnail(rig: Rig, palette: Palette) -> QPixmap:
    """The drawing of a rig, twice as fine as it is shown."""
    made = QPixmap(SIZE * 2)
    made.setDevicePixelRatio(2.0)
    made.fill(QColor(palette.ground))
    wiring = Wiring(rig)
    whole = picture(drawing(wiring, tree_of(wiring)), wiring, ROOM, ROOM * 0.5)
    if not whole.boxes:
        return made
    scale = min(SIZE.width() / (whole.width + 24), SIZE.height() / (whole.height + 24))
    painter = QPainter(made)
    painter.setRenderHint(QPainter.RenderHint.Antialiasing)
    painter.translate(
        (SIZE.width() - whole.width * scale) / 2, (SIZE.height() - whole.height * scale) / 2
    )
    painter.setPen(QPen(palette.water, 1.2))
    for cable in whole.cables:
        painter.drawPolyline(QPolygonF([QPointF(c.x() * scale, c.y() * scale)
                                        for c in cable.corners]))  # fmt: skip
    for placed in whole.boxes:
        box = placed.box
        small = QRectF(box.x() * scale, box.y() * scale, box.width() * scale, box.height() * scale)
        edge = palette.crest if placed.device == GREBE_ID else palette.edge
        painter.setPen(QPen(edge, 1.0))
        painter.setBrush(palette.panel)
        painter.drawRoundedRect(small, 1.5, 1.5)
    painter.setBrush(Qt.BrushStyle.NoBrush)
    painter.end()
    return made
