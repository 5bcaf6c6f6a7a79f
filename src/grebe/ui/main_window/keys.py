"""The key sheet: F1 lays the keys of this view over it."""

from __future__ import annotations

from PyQt6.QtCore import QRectF, Qt
from PyQt6.QtGui import QKeyEvent, QMouseEvent, QPainter, QPaintEvent
from PyQt6.QtWidgets import QWidget

from grebe.app.actions import Action, Scope, actions_in
from grebe.app.live.osc_model import ASKED, TOLD
from grebe.ui.widgets import draw
from grebe.ui.widgets.controls import Pill
from grebe.ui.widgets.theme import DAY, Palette

ROW = 21.0
COLUMN = 340.0
"""Least width of a column."""
KEYS_WIDE = 118.0

_PRINTED = {
    "Return": "Enter", "PgUp": "Page up", "PgDown": "Page down", "Left": "\u2190",
    "Right": "\u2192", "Backspace": "Back", "Up": "\u2191", "Down": "\u2193",
}  # fmt: skip


def printed(keys: str) -> str:
    """A shortcut as printed for people."""
    if keys == "+":
        return "+"
    return "+".join(_PRINTED.get(part, part) for part in keys.split("+"))


class KeySheet(QWidget):
    """This view's keys, then those that work everywhere, in columns; page after page."""

    def __init__(self, parent: QWidget) -> None:
        super().__init__(parent)
        self.palette_now: Palette = DAY
        self.scope: Scope = "everywhere"
        self.page = 0
        self.report = Pill("Report a problem", parent=self)
        self.hide()

    def open_for(self, scope: Scope, palette: Palette) -> None:
        """Show the keys of a view."""
        self.scope, self.palette_now, self.page = scope, palette, 0
        parent = self.parentWidget()
        if parent is not None:
            self.setGeometry(parent.rect())
        self.report.palette_now = palette
        self.report.adjustSize()
        self.report.move(48, self.height() - 58)
        self.raise_()
        self.show()
        self.setFocus()

    def turn(self) -> bool:
        """Turn to the next page; whether there was one."""
        if self.page + 1 >= self._pages():
            return False
        self.page += 1
        self.update()
        return True

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        """Any key closes it."""
        if event is not None and event.key() not in (Qt.Key.Key_Shift, Qt.Key.Key_Control):
            self.hide()

    def mousePressEvent(self, event: QMouseEvent | None) -> None:
        """A click turns the page, after the last it closes."""
        del event
        if not self.turn():
            self.hide()

    def _rows(self) -> list[tuple[str, str]]:
        """(keys, what they do) one under another; without a key it is a title."""
        out: list[tuple[str, str]] = []
        scopes: tuple[Scope, ...] = (self.scope, "everywhere")
        for scope in dict.fromkeys(scopes):
            out.append(("", scope.capitalize()))
            out += [
                (" or ".join(printed(k) for k in action.keys), action.title)
                for action in _folded(scope)
            ]
        if self.scope == "sync":
            out.append(("", "By OSC, told"))
            out += [(told.address, told.meaning) for told in TOLD]
            out.append(("", "By OSC, asked"))
            out += [(asked.address, asked.meaning) for asked in ASKED]
        return out

    def _shape(self) -> tuple[int, int]:
        """Columns and rows of a page."""
        columns = max(1, int((self.width() - 90) // COLUMN))
        return columns, max(1, int((self.height() - 110) // ROW))

    def _pages(self) -> int:
        columns, rows = self._shape()
        return -(-len(self._rows()) // (columns * rows))

    def paintEvent(self, event: QPaintEvent | None) -> None:
        """Draw the page."""
        del event
        p = self.palette_now
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        draw.fill(painter, 0, 0, self.width(), self.height(), draw.see_through(p.ground, 0.94))
        box = QRectF(24, 20, self.width() - 48, self.height() - 40)
        draw.panel(painter, box, p.panel, p.rule)
        columns, rows = self._shape()
        width = (box.width() - 40) / columns
        shown = self._rows()[self.page * columns * rows : (self.page + 1) * columns * rows]
        for place, (keys, words) in enumerate(shown):
            x = box.left() + 24 + place // rows * width
            y = box.top() + 40 + place % rows * ROW
            if not keys:
                draw.text(painter, x, y, words, p.ink, size=16, weight=600, width=width - 12)
                continue
            draw.text(painter, x, y, keys, p.crest, size=14, weight=600, width=KEYS_WIDE - 8)
            draw.text(painter, x + KEYS_WIDE, y, words, p.ink, size=14,
                      width=width - KEYS_WIDE - 12)  # fmt: skip
        if self._pages() > 1:
            said = f"page {self.page + 1} of {self._pages()}; F1 or a click turns it"
            draw.text(painter, box.right() - 20, box.bottom() - 10, said, p.muted, size=12,
                      align=draw.RIGHT)  # fmt: skip


def _folded(scope: Scope) -> list[Action]:
    """The actions of a scope, with numbered mutes as one line and double keys once."""
    out: list[Action] = []
    for action in actions_in(scope):
        many = {"mute": ("1 to 8", "Mute or unmute"), "strike": ("1 to 9", "Play voice 1 to 9 now")}
        name, _, number = action.id.rpartition("_")
        if name in many and number.isdigit():
            if number == "1":
                keys, title = many[name]
                out.append(Action(id=name, title=title, keys=(keys,)))
            continue
        keys_once = tuple(dict.fromkeys(k.replace("Enter", "Return") for k in action.keys))
        out.append(Action(id=action.id, title=action.title, keys=keys_once))
    return out
