"""Parts of a drawing kept as pictures: drawn anew only when what they show is otherwise."""

from __future__ import annotations

from collections.abc import Callable, Hashable
from math import ceil

from PyQt6.QtCore import QPointF, QRectF, Qt
from PyQt6.QtGui import QPainter, QPixmap


class Kept:
    """One part of a canvas that is drawn at a scale."""

    def __init__(self) -> None:
        self._key: Hashable = None
        self._picture = QPixmap()

    def draw(
        self, painter: QPainter, box: QRectF, scale: float, key: Hashable,
        paint: Callable[[QPainter], None],
    ) -> None:  # fmt: skip
        """Put the part into `box` (in the painter's own, scaled, places); `paint` draws it where
        `key`, all that it depends on, is another than last time."""
        device = painter.device()
        ratio = 1.0 if device is None else device.devicePixelRatioF()
        left, top = round(box.left() * scale), round(box.top() * scale)
        wide = ceil((box.left() + box.width()) * scale) - left + 1
        tall = ceil((box.top() + box.height()) * scale) - top + 1
        whole = (key, left, top, wide, tall, scale, ratio)
        if whole != self._key:
            self._key = whole
            size = (round(wide * ratio), round(tall * ratio))
            if (self._picture.width(), self._picture.height()) != size:
                self._picture = QPixmap(*size)
                self._picture.setDevicePixelRatio(ratio)
            self._picture.fill(Qt.GlobalColor.transparent)
            inner = QPainter(self._picture)
            inner.setRenderHint(QPainter.RenderHint.Antialiasing)
            inner.translate(-left, -top)
            inner.scale(scale, scale)
            paint(inner)
            inner.end()
        painter.save()
        painter.resetTransform()
        painter.drawPixmap(QPointF(left, top), self._picture)
        painter.restore()
