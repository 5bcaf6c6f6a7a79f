"""Fingers on a canvas: one drags as a button does, resting it opens the menu, two scroll and zoom.

Until it is clear which of them is meant nothing is edited.
"""

from __future__ import annotations

import time
from typing import Protocol

from PyQt6.QtCore import QEvent, QObject, QPoint, QPointF, Qt, QTimer
from PyQt6.QtGui import QContextMenuEvent, QTouchEvent
from PyQt6.QtWidgets import QApplication

MENU_MS = 600
"""A finger that rests so long asks for the menu. Common practice, no source."""
TWICE_S = 0.35
"""Two taps so close in time are a double one. Common practice, no source."""
SLIP_PX = 12.0
"""A resting finger moves so much."""
SCROLL_PX = 40.0
"""Of two fingers, for what a notch of a wheel does."""
NO_KEY = Qt.KeyboardModifier.NoModifier


class Touched(Protocol):
    """What fingers do to a canvas."""

    def press(self, at: QPointF, held: Qt.KeyboardModifier) -> None:
        """As a button that is pressed."""

    def move_to(self, at: QPointF, held: Qt.KeyboardModifier) -> None:
        """As a pointer that moves."""

    def release(self, at: QPointF) -> None:
        """As a button that is let go of."""

    def take_drag_back(self) -> bool:
        """What was dragged was not meant."""

    def scroll_by(self, across: float, down: float) -> None:
        """In notches of a wheel."""

    def zoom_at(self, at: QPointF, by: float) -> None:
        """Above 1 more is seen."""

    def contextMenuEvent(self, event: QContextMenuEvent | None) -> None:
        """Open the menu."""

    def double(self, at: QPointF) -> None:
        """As a double click."""

    def from_screen(self, at: QPointF) -> QPointF:
        """A place of the screen in the canvas."""

    def mapToGlobal(self, pos: QPoint) -> QPoint:
        """A place on the screen."""


class Touches(QObject):
    """The fingers that are down on one canvas."""

    def __init__(self, canvas: Touched) -> None:
        super().__init__()
        self._canvas = canvas
        self._first: QPointF | None = None
        """Where the only finger came down, while it is not clear yet what is meant."""
        self._dragging = self._two = False
        self._middle, self._apart = QPointF(), 1.0
        self._tapped: tuple[QPointF, float] | None = None
        """Where and when a finger tapped last."""
        self._rests = QTimer(self)
        self._rests.setSingleShot(True)
        self._rests.setInterval(MENU_MS)
        self._rests.timeout.connect(self._rested)

    def take(self, event: QTouchEvent) -> bool:
        """What the fingers did. Whether it was of use, which is always so."""
        points = [self._canvas.from_screen(p.globalPosition()) for p in event.points()]
        kind = event.type()
        if kind == QEvent.Type.TouchCancel:
            self._forget()
        elif len(points) >= 2 and kind != QEvent.Type.TouchEnd:
            self._two_fingers(points[0], points[1])
        elif kind == QEvent.Type.TouchBegin:
            self._first, self._dragging, self._two = QPointF(points[0]), False, False
            self._rests.start()
        elif kind == QEvent.Type.TouchUpdate and points:
            self._one_finger(points[0], event.modifiers())
        elif kind == QEvent.Type.TouchEnd:
            self._up(points[0] if points else QPointF(), event.modifiers())
        event.accept()
        return True

    def _one_finger(self, at: QPointF, held: Qt.KeyboardModifier) -> None:
        if self._first is not None and (at - self._first).manhattanLength() > SLIP_PX:
            self._rests.stop()
            first, self._first = self._first, None
            self._dragging = True
            self._canvas.press(first, held)
        if self._dragging:
            self._canvas.move_to(at, held)

    def _two_fingers(self, one: QPointF, other: QPointF) -> None:
        middle, apart = (one + other) / 2, max(1.0, (one - other).manhattanLength())
        if not self._two:
            self._forget()
            self._two = True
        else:
            moved = (self._middle - middle) / SCROLL_PX
            self._canvas.zoom_at(middle, self._apart / apart)
            self._canvas.scroll_by(moved.x(), moved.y())
        self._middle, self._apart = middle, apart

    def _up(self, at: QPointF, held: Qt.KeyboardModifier) -> None:
        self._rests.stop()
        first, now = self._first, time.monotonic()
        if first is not None and self._is_second(first, now):
            self._tapped = None
            self._canvas.double(first)
        elif first is not None:  # it has only tapped
            self._tapped = (first, now)
            self._canvas.press(first, held)
            self._dragging = True
        if self._dragging:
            self._canvas.release(at)
        self._first, self._dragging, self._two = None, False, False

    def _is_second(self, at: QPointF, now_s: float) -> bool:
        """Whether a tap is the second of two."""
        if self._tapped is None:
            return False
        before, then_s = self._tapped
        near = (at - before).manhattanLength() < 2 * SLIP_PX
        return near and now_s - then_s < TWICE_S

    def _rested(self) -> None:
        first, self._first = self._first, None
        if first is not None:
            at = first.toPoint()
            reason = QContextMenuEvent.Reason.Mouse
            asked = QContextMenuEvent(reason, at, self._canvas.mapToGlobal(at),
                                      QApplication.keyboardModifiers())  # fmt: skip
            self._canvas.contextMenuEvent(asked)

    def _forget(self) -> None:
        """Another finger came down, or the screen took them away: nothing was meant."""
        self._rests.stop()
        self._first = None
        if self._dragging:
            self._canvas.take_drag_back()
        self._dragging = self._two = False
