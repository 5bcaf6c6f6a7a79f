"""A hand on a canvas: real events of the mouse, the wheel and a touch screen."""

from __future__ import annotations

from collections.abc import Sequence

from PyQt6.QtCore import QEvent, QPoint, QPointF, Qt
from PyQt6.QtGui import (
    QEventPoint,
    QHelpEvent,
    QInputDevice,
    QMouseEvent,
    QPointingDevice,
    QPointingDeviceUniqueId,
    QTouchEvent,
    QWheelEvent,
)
from PyQt6.QtTest import QTest
from PyQt6.QtWidgets import QApplication, QToolTip

from grebe.ui.widgets.canvas import Canvas

K = Qt.Key
NONE = Qt.KeyboardModifier.NoModifier
SHIFT = Qt.KeyboardModifier.ShiftModifier
CTRL = Qt.KeyboardModifier.ControlModifier
ALT = Qt.KeyboardModifier.AltModifier
LEFT = Qt.MouseButton.LeftButton
_devices: list[QPointingDevice] = []


def touch_screen() -> QPointingDevice:
    """A touch screen, made once there is an application."""
    number = 1000 + len(_devices)
    made = QPointingDevice(
        f"touch screen {number}", number, QInputDevice.DeviceType.TouchScreen,
        QPointingDevice.PointerType.Finger, QInputDevice.Capability.Position, 5, 0, "",
        QPointingDeviceUniqueId(), QApplication.instance(),
    )  # fmt: skip
    _devices.append(made)
    return made


def mouse(canvas: Canvas, kind: QEvent.Type, at: QPointF, held: Qt.KeyboardModifier = NONE) -> None:
    """One event of the mouse, with keys held."""
    moves = kind == QEvent.Type.MouseMove
    up = kind == QEvent.Type.MouseButtonRelease
    where = QPointF(canvas.surface.mapToGlobal(at.toPoint()))
    button = Qt.MouseButton.NoButton if moves else LEFT
    buttons = Qt.MouseButton.NoButton if up else LEFT
    QApplication.sendEvent(canvas.surface, QMouseEvent(kind, at, where, button, buttons, held))


def drag(
    canvas: Canvas, *way: QPointF, held: Qt.KeyboardModifier = NONE, drops: bool = True
) -> str:
    """Press at the first place, move through the others, let go; what was said beside the pointer
    before."""
    mouse(canvas, QEvent.Type.MouseButtonPress, way[0], held)
    before = way[0]
    for at in way[1:]:
        for share in (0.25, 0.5, 0.75, 1.0):
            mouse(canvas, QEvent.Type.MouseMove, before + (at - before) * share, held)
        before = at
    said = canvas._live.words if canvas._live.isVisible() else ""
    if drops:
        mouse(canvas, QEvent.Type.MouseButtonRelease, way[-1], held)
    QTest.qWait(1)
    return said


def click(canvas: Canvas, at: QPointF, held: Qt.KeyboardModifier = NONE) -> None:
    """Press and let go."""
    drag(canvas, at, held=held)


def double_click(canvas: Canvas, at: QPointF) -> None:
    """Two clicks, as Qt tells the second."""
    click(canvas, at)
    mouse(canvas, QEvent.Type.MouseButtonDblClick, at)
    mouse(canvas, QEvent.Type.MouseButtonRelease, at)


def hover(canvas: Canvas, at: QPointF) -> Qt.CursorShape:
    """The pointer over a place, no button down; its form there."""
    where = QPointF(canvas.surface.mapToGlobal(at.toPoint()))
    none = Qt.MouseButton.NoButton
    event = QMouseEvent(QEvent.Type.MouseMove, at, where, none, none, NONE)
    QApplication.sendEvent(canvas.surface, event)
    return canvas.surface.cursor().shape()


def rest(canvas: Canvas, at: QPointF) -> str:
    """The pointer rests: what is told."""
    where = canvas.surface.mapToGlobal(at.toPoint())
    QApplication.sendEvent(canvas.surface, QHelpEvent(QEvent.Type.ToolTip, at.toPoint(), where))
    said = QToolTip.text()
    QToolTip.hideText()
    return said


def wheel(canvas: Canvas, at: QPointF, notches: float, held: Qt.KeyboardModifier = NONE) -> None:
    """Turn the wheel away from the hand, so many notches."""
    where = QPointF(canvas.surface.mapToGlobal(at.toPoint()))
    event = QWheelEvent(
        at, where, QPoint(), QPoint(0, round(120 * notches)), Qt.MouseButton.NoButton, held,
        Qt.ScrollPhase.NoScrollPhase, False,
    )  # fmt: skip
    QApplication.sendEvent(canvas.surface, event)


def _fingers(
    screen: QPointingDevice, canvas: Canvas, kind: QEvent.Type, places: Sequence[QPointF],
    state: QEventPoint.State,
) -> None:  # fmt: skip
    points = [
        QEventPoint(n, state, at, QPointF(canvas.surface.mapToGlobal(at.toPoint())))
        for n, at in enumerate(places)
    ]
    QApplication.sendEvent(canvas.surface, QTouchEvent(kind, screen, NONE, points))


def touch(canvas: Canvas, *moments: Sequence[QPointF]) -> None:
    """Fingers: the places of all that are down, moment by moment; then they are lifted."""
    states, screen = QEventPoint.State, touch_screen()
    _fingers(screen, canvas, QEvent.Type.TouchBegin, moments[0], states.Pressed)
    for places in moments[1:]:
        _fingers(screen, canvas, QEvent.Type.TouchUpdate, places, states.Updated)
    _fingers(screen, canvas, QEvent.Type.TouchEnd, moments[-1], states.Released)
    QTest.qWait(1)


def rest_finger(canvas: Canvas, at: QPointF, ms: int = 80) -> None:
    """A finger comes down and rests, so long."""
    _fingers(touch_screen(), canvas, QEvent.Type.TouchBegin, [at], QEventPoint.State.Pressed)
    QTest.qWait(ms)
