"""The right-hand sheet: facts about the thing selected, drawn as a column."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal

from PyQt6.QtCore import QRectF
from PyQt6.QtGui import QColor, QPainter, QPaintEvent, QPixmap, QResizeEvent
from PyQt6.QtWidgets import QWidget

from grebe.ui.widgets import draw
from grebe.ui.widgets.controls import DrawnWords
from grebe.ui.widgets.theme import DAY, Palette

Tone = Literal["ink", "muted", "good", "look", "wrong", "yours"]


@dataclass(frozen=True)
class SheetLine:
    """One line of a sheet. With a value it is a row of name and value."""

    words: str
    value: str = ""
    kind: Literal["head", "big", "row", "text", "gap", "bar", "cycles"] = "text"
    tone: Tone = "ink"
    shares: tuple[float, ...] = ()
    """For a bar, how full it is; for cycles, how often each row comes round."""


def head(words: str) -> SheetLine:
    """A heading inside the sheet."""
    return SheetLine(words, kind="head")


def big(words: str, tone: Tone = "yours") -> SheetLine:
    """The one figure that matters."""
    return SheetLine(words, kind="big", tone=tone)


def row(words: str, value: str, tone: Tone = "ink") -> SheetLine:
    """A name and its value."""
    return SheetLine(words, value, "row", tone)


def note(words: str, tone: Tone = "muted") -> SheetLine:
    """A sentence."""
    return SheetLine(words, tone=tone)


def bar(share: float, tone: Tone) -> SheetLine:
    """How full something is, 0 to 1."""
    return SheetLine("", kind="bar", tone=tone, shares=(share,))


def cycles(times: tuple[float, ...]) -> SheetLine:
    """Rows that come round so often each before they all begin together again."""
    return SheetLine("", kind="cycles", tone="muted", shares=times)


class Facts(DrawnWords):
    """Draws lines of a sheet one under another; one that `grows` takes the height they need."""

    def __init__(self, parent: QWidget | None = None, *, grows: bool = False) -> None:
        super().__init__(parent)
        self._grows = grows
        self.lines: tuple[SheetLine, ...] = ()
        self.palette_now: Palette = DAY

    def show_lines(self, lines: list[SheetLine]) -> None:
        """Show these lines."""
        made = tuple(lines)
        if made != self.lines:
            self.lines = made
            words = ". ".join(f"{x.words} {x.value}".strip() for x in lines)
            self.setAccessibleName(words)
            self._grow()
            self.update()

    def resizeEvent(self, event: QResizeEvent | None) -> None:
        """Another width breaks the lines elsewhere."""
        del event
        self._grow()

    def _grow(self) -> None:
        if self._grows:
            self.setMinimumHeight(round(self.height_for(self.lines, self.width())))

    def height_for(self, lines: Sequence[SheetLine], width: float) -> float:
        """Height that lines take at a width."""
        nowhere = QPixmap(1, 1)  # has to outlive the painter
        painter = QPainter(nowhere)
        y = 0.0
        for entry in lines:
            y = self._draw(painter, entry, y, width)
        painter.end()
        return y

    def paintEvent(self, event: QPaintEvent | None) -> None:
        """Draw the lines."""
        del event
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        y = 0.0
        for entry in self.lines:
            y = self._draw(painter, entry, y, float(self.width()))

    def _draw(self, painter: QPainter, entry: SheetLine, y: float, width: float) -> float:
        p = self.palette_now
        colour = _tone(p, entry.tone)
        if entry.kind == "gap":
            return y + 12
        if entry.kind == "bar":
            draw.fill(painter, 0, y + 6, width, 10, p.soft)
            draw.fill(painter, 0, y + 6, width * min(1.0, max(0.0, entry.shares[0])), 10, colour)
            return y + 22
        if entry.kind == "cycles":
            return self._cycles(painter, entry, y, width)
        if entry.kind == "head":
            draw.text(painter, 0, y + 22, entry.words, p.ink, size=16, weight=600, width=width)
            return y + 30
        if entry.kind == "big":
            draw.text(painter, 0, y + 22, entry.words, colour, size=26, weight=600, width=width)
            return y + 32
        if entry.kind == "row":
            draw.text(painter, 0, y + 16, entry.words, p.muted, size=14)
            box = QRectF(92, y + 1, width - 92, 200)
            height = draw.paragraph(painter, box, entry.value, colour, size=14, weight=600)
            return y + max(24.0, height + 7)
        height = draw.paragraph(painter, QRectF(0, y, width, 400), entry.words, colour, size=14)
        return y + height + 5

    def _cycles(self, painter: QPainter, entry: SheetLine, y: float, width: float) -> float:
        """A line a row with a mark wherever it begins again, up to where all do."""
        p = self.palette_now
        for times in entry.shares[:MOST_ROUNDS]:
            y += 12
            draw.line(painter, 0, y, width, y, p.rule)
            marks = min(times, width / 3)  # closer marks would be a band
            count = int(marks) + 1
            boxes = [QRectF(n * width / times, y - 4, 1.5, 8) for n in range(count)]
            draw.rects(painter, boxes, p.water)
        return y + 12


MOST_ROUNDS = 6


def _tone(p: Palette, tone: Tone) -> QColor:
    return {
        "ink": p.ink,
        "muted": p.muted,
        "good": p.reed,
        "look": p.sand,
        "wrong": p.eye,
        "yours": p.crest,
    }[tone]
