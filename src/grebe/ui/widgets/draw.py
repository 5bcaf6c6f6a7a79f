"""Drawing shared by all views: text, panels, hatching, rings and diamonds."""

from __future__ import annotations

from collections.abc import Sequence
from functools import lru_cache

from PyQt6.QtCore import QPointF, QRectF, Qt
from PyQt6.QtGui import QBrush, QColor, QPainter, QPen, QPixmap, QPolygonF

from grebe.ui.widgets.theme import CORNER, Palette, font, metrics

LEFT = Qt.AlignmentFlag.AlignLeft
RIGHT = Qt.AlignmentFlag.AlignRight
CENTRE = Qt.AlignmentFlag.AlignHCenter


def text(
    painter: QPainter,
    x: float,
    baseline: float,
    words: str,
    colour: QColor,
    *,
    size: float = 14,
    weight: int = 400,
    align: Qt.AlignmentFlag = LEFT,
    width: float | None = None,
) -> float:
    """Draw a line of text from its baseline; its width. Too long for `width`, it is shortened."""
    measure = metrics(size, weight)
    wide = measure.horizontalAdvance(words)
    if width is not None and wide > width:
        words = measure.elidedText(words, Qt.TextElideMode.ElideRight, width)
        wide = measure.horizontalAdvance(words)
    if align == RIGHT:
        x -= wide
    elif align == CENTRE:
        x -= wide / 2
    painter.setFont(font(size, weight))
    painter.setPen(colour)
    painter.drawText(QPointF(x, baseline), words)
    return wide


def text_width(words: str, size: float, weight: int = 400) -> float:
    """Width of a line of text."""
    return metrics(size, weight).horizontalAdvance(words)


def paragraph(
    painter: QPainter,
    box: QRectF,
    words: str,
    colour: QColor,
    *,
    size: float = 14,
    weight: int = 400,
) -> float:
    """Draw text broken into lines inside a box; the height it took."""
    made = font(size, weight)
    painter.setFont(made)
    painter.setPen(colour)
    flags = int(Qt.TextFlag.TextWordWrap) | int(Qt.AlignmentFlag.AlignLeft)
    taken = painter.boundingRect(box, flags, words)
    painter.drawText(box, flags, words)
    return taken.height()


def panel(
    painter: QPainter,
    box: QRectF,
    fill: QColor,
    line: QColor | None = None,
    *,
    width: float = 1.0,
) -> None:
    """A surface with the house's corners."""
    painter.setBrush(QBrush(fill))
    painter.setPen(QPen(line, width) if line is not None else Qt.PenStyle.NoPen)
    painter.drawRoundedRect(box, CORNER, CORNER)


def line(
    painter: QPainter,
    x1: float,
    y1: float,
    x2: float,
    y2: float,
    colour: QColor,
    width: float = 1.0,
    style: Qt.PenStyle = Qt.PenStyle.SolidLine,
) -> None:
    """A straight line with flat ends."""
    painter.setPen(QPen(colour, width, style, Qt.PenCapStyle.FlatCap))
    painter.drawLine(QPointF(x1, y1), QPointF(x2, y2))


def fill(painter: QPainter, x: float, y: float, w: float, h: float, colour: QColor) -> None:
    """A plain rectangle."""
    painter.fillRect(QRectF(x, y, w, h), colour)


def rects(painter: QPainter, boxes: Sequence[QRectF], colour: QColor) -> None:
    """Plain rectangles, all at once: a call to Qt for each would cost most of a repaint."""
    if boxes:
        painter.setPen(Qt.PenStyle.NoPen)
        painter.setBrush(colour)
        painter.drawRects(*boxes)


def hatch(painter: QPainter, box: QRectF, colour: QColor) -> None:
    """Hatching: muted here."""
    painter.setPen(Qt.PenStyle.NoPen)
    painter.setBrush(QBrush(colour, Qt.BrushStyle.BDiagPattern))
    painter.drawRect(box)


def ring(
    painter: QPainter, x: float, y: float, radius: float, colour: QColor, ground: QColor
) -> None:
    """A ring: Grebe does it."""
    painter.setPen(QPen(colour, 2))
    painter.setBrush(QBrush(ground))
    painter.drawEllipse(QPointF(x, y), radius, radius)


def rings(
    painter: QPainter, places: Sequence[QPointF], radius: float, colour: QColor, ground: QColor
) -> None:
    """Many rings of one kind, from a picture of one: drawing each costs most of a repaint."""
    if not places:
        return
    device = painter.device()
    ratio = 1.0 if device is None else device.devicePixelRatioF()
    picture = _ring_picture(radius, colour.rgba(), ground.rgba(), ratio)
    half = radius + 2
    for place in places:
        painter.drawPixmap(QPointF(place.x() - half, place.y() - half), picture)


@lru_cache(maxsize=32)
def _ring_picture(radius: float, colour: int, ground: int, ratio: float) -> QPixmap:
    side = 2 * (radius + 2)
    picture = QPixmap(round(side * ratio), round(side * ratio))
    picture.setDevicePixelRatio(ratio)
    picture.fill(Qt.GlobalColor.transparent)
    painter = QPainter(picture)
    painter.setRenderHint(QPainter.RenderHint.Antialiasing)
    middle = radius + 2
    ring(painter, middle, middle, radius, QColor.fromRgba(colour), QColor.fromRgba(ground))
    painter.end()
    return picture


def diamond(painter: QPainter, x: float, y: float, radius: float, colour: QColor) -> None:
    """A diamond: you do it."""
    painter.setPen(Qt.PenStyle.NoPen)
    painter.setBrush(QBrush(colour))
    r = radius * 1.2
    painter.drawPolygon(
        QPolygonF([QPointF(x, y - r), QPointF(x + r, y), QPointF(x, y + r), QPointF(x - r, y)])
    )


def see_through(colour: QColor, alpha: float) -> QColor:
    """The colour at an opacity from 0 to 1."""
    out = QColor(colour)
    out.setAlphaF(alpha)
    return out


def playhead(painter: QPainter, p: Palette, x: float, top: float, bottom: float) -> None:
    """The playhead of every view."""
    line(painter, x, top, x, bottom, p.crest, 2)
