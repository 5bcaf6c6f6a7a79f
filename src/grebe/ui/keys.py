"""The key sheet: F1 lays the keys of this view over it."""

from __future__ import annotations

from PyQt6.QtCore import QRectF, Qt
from PyQt6.QtGui import QKeyEvent, QMouseEvent, QPainter, QPaintEvent
from PyQt6.QtWidgets import QWidget

from grebe.app.commands import Action, Scope, actions_in
from grebe.ui import draw
from grebe.ui.theme import DAY, Palette

ROW = 27.0

_PRINTED = {
    "Return": "Enter", "PgUp": "Page up", "PgDown": "Page down", "Left": "\u2190",
    "Right": "\u2192", "Up": "\u2191", "Down": "\u2193",
}  # fmt: skip


def printed(keys: str) -> str:
    """A shortcut as printed for people."""
    if keys == "+":
        return "+"
    return "+".join(_PRINTED.get(part, part) for part in keys.split("+"))


class KeySheet(QWidget):
    """Two columns of keys: this view's, and those that work everywhere."""

    def __init__(self, parent: QWidget) -> None:
        super().__init__(parent)
        self.palette_now: Palette = DAY
        self.scope: Scope = "everywhere"
        self.hide()

    def open_for(self, scope: Scope, palette: Palette) -> None:
        """Show the keys of a view."""
        self.scope, self.palette_now = scope, palette
        parent = self.parentWidget()
        if parent is not None:
            self.setGeometry(parent.rect())
        self.raise_()
        self.show()
        self.setFocus()

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        """Any key closes it."""
        if event is not None and event.key() not in (Qt.Key.Key_Shift, Qt.Key.Key_Control):
            self.hide()

    def mousePressEvent(self, event: QMouseEvent | None) -> None:
        """So does a click."""
        del event
        self.hide()

    def paintEvent(self, event: QPaintEvent | None) -> None:
        """Draw the columns."""
        del event
        p = self.palette_now
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        draw.fill(painter, 0, 0, self.width(), self.height(), draw.see_through(p.ground, 0.94))
        box = QRectF(24, 20, self.width() - 48, self.height() - 40)
        draw.panel(painter, box, p.panel, p.rule)
        half = box.width() / 2
        columns = ((self.scope.capitalize(), self.scope), ("Everywhere", "everywhere"))
        for index, (title, scope) in enumerate(columns):
            x = box.left() + 28 + index * half
            draw.text(painter, x, box.top() + 40, title, p.ink, size=20, weight=600)
            for place, action in enumerate(_folded(scope)):  # type: ignore[arg-type]
                y = box.top() + 74 + place * ROW
                keys = " or ".join(printed(k) for k in action.keys)
                draw.text(painter, x, y, keys, p.crest, size=16, weight=600)
                draw.text(painter, x + 150, y, action.title, p.ink, size=16, width=half - 190)


def _folded(scope: Scope) -> list[Action]:
    """The actions of a scope, with numbered mutes as one line and double keys once."""
    out: list[Action] = []
    for action in actions_in(scope):
        if action.id.startswith("mute_"):
            if action.id == "mute_1":
                out.append(Action(id="mute", title="Mute or unmute", keys=("1 to 8",)))
            continue
        keys = tuple(dict.fromkeys(k.replace("Enter", "Return") for k in action.keys))
        out.append(Action(id=action.id, title=action.title, keys=keys))
    return out
