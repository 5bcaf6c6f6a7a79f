"""The blocks of Stage: each box, whether it sounds, its number, its port; loop tracks in them."""

from __future__ import annotations

from PyQt6.QtCore import QPointF, QRectF
from PyQt6.QtGui import QPainter

from grebe.app.session import Session
from grebe.app.stage_book import StageBook
from grebe.core.rig.model import Device
from grebe.ui import draw
from grebe.ui.theme import NIGHT
from grebe.ui.words import late_text

MOST = 8
"""Blocks that have a key."""
FEWEST, WIDEST = 4, 240.0
GAP = 10.0


class Blocks:
    """A row of blocks, one a box."""

    def __init__(self, session: Session, book: StageBook) -> None:
        self._session = session
        self._book = book
        self._boxes: list[QRectF] = []

    def number_at(self, place: QPointF) -> int:
        """The number of the block at a place; 0 for none."""
        for number, box in enumerate(self._boxes, start=1):
            if box.contains(place):
                return number
        return 0

    def paint(self, painter: QPainter, box: QRectF) -> None:
        """Draw the row."""
        session = self._session
        status = session.status
        silent = set(status.mutes) if status is not None else set()
        ports = {d.id: d.port for d in status.devices} if status is not None else {}
        devices = session.project.players[:MOST]
        count = max(FEWEST, len(devices))
        wide = min(WIDEST, (box.width() - 3 - GAP * (count - 1)) / count)
        self._boxes = []
        for index, device in enumerate(devices):
            block = QRectF(
                box.left() + 1 + index * (wide + GAP), box.top() + 2, wide, box.height() - 4
            )
            self._boxes.append(block)
            muted = (device.id, "") in silent
            self._block(painter, block, device, index + 1, muted=muted,
                        gone=ports.get(device.id) == "gone")  # fmt: skip

    def _block(
        self, painter: QPainter, block: QRectF, device: Device, number: int, *, muted: bool,
        gone: bool,
    ) -> None:  # fmt: skip
        p, session, wide = NIGHT, self._session, block.width()
        status = session.status
        alone = status is not None and device.id in status.solos
        hushed = status is not None and bool(status.solos) and not alone
        edge = p.eye if gone else p.crest if alone else p.rule if muted or hushed else p.water
        draw.panel(painter, block, p.ground if muted or hushed else p.soft, edge,
                   width=3 if alone else 2)  # fmt: skip
        if muted or hushed:
            draw.hatch(painter, block.adjusted(6, 6, -6, -6), p.rule)
        x, y = block.left() + 14, block.top()
        colour = p.muted if muted or hushed else p.ink
        draw.text(painter, x, y + 36, device.name, colour, size=26, weight=600, width=wide - 28)
        off_ms = session.off_by_ms(device)
        wrong = gone or off_ms is not None
        words = self._state(device, muted=muted, alone=alone, hushed=hushed)
        words = words if off_ms is None else late_text(off_ms)
        draw.text(
            painter, x, y + 62, "port gone" if gone else words, p.eye if wrong else colour,
            size=20, weight=600 if wrong else 400, width=wide - 28,
        )  # fmt: skip
        draw.text(
            painter, block.right() - 12, block.bottom() - 10, str(number), p.muted,
            size=16, align=draw.RIGHT,
        )  # fmt: skip

    def _state(self, device: Device, *, muted: bool, alone: bool, hushed: bool) -> str:
        status, layout = self._session.status, self._session.layout()
        if alone:
            return "alone"
        if hushed:
            return "others alone"
        if muted:
            by_hand = device.plays == "own" and device.mute_controller is None
            return "mute it by hand" if by_hand else "muted"
        if status is None or not status.running or layout is None:
            return "ready"
        span = layout.span_of(status.section)
        if span is None:
            return "ready"
        return "sounding" if span.scene.part(device.id).chain else "silent here"
