"""A small picture of an answer, where one says more than figures."""

from __future__ import annotations

import math
from collections.abc import Callable, Mapping
from fractions import Fraction
from typing import Any

from PyQt6.QtCore import QRectF
from PyQt6.QtGui import QPainter

from grebe.ui.widgets import draw
from grebe.ui.widgets.theme import Palette

Values = Mapping[str, Any]
Picture = Callable[[QPainter, QRectF, Palette, Values, Values], None]
"""Draws an answer's values, and what was asked, as read, by name."""
MARK, TALL = 4.5, 12.0
BEATS_SHOWN = 16
MOST_ROWS = 6


def _echo(painter: QPainter, box: QRectF, p: Palette, values: Values, asked: Values) -> None:
    """Times on a line from short to long, what the unit can do as a band."""
    low, high = asked["min_ms"], asked["max_ms"]
    notes = values["notes"]
    first = math.log(min(low, *(n["ms"] for n in notes)))
    last = math.log(max(high, *(n["ms"] for n in notes)))

    def x_of(ms: float) -> float:
        return box.left() + (math.log(ms) - first) / max(1e-9, last - first) * box.width()

    y = box.center().y()
    draw.fill(painter, x_of(low), y - 14, max(2.0, x_of(high) - x_of(low)), 28, p.soft)
    draw.line(painter, box.left(), y, box.right(), y, p.rule, 1)
    for note in notes:
        colour = p.water if note["fits"] else p.muted
        x, plain = x_of(note["ms"]), note["note"][-1].isdigit()
        draw.line(painter, x, y - (12 if plain else 6), x, y + (12 if plain else 6), colour, 2)
        if plain:
            draw.text(painter, x - 8, y + 30, note["note"], colour, size=13)


def _swing(painter: QPainter, box: QRectF, p: Palette, values: Values, asked: Values) -> None:
    """Four pairs of steps on a ruler: where they are written, where the second falls."""
    del values
    share = asked["percent"] / 100
    y, pair = box.center().y(), box.width() / 4
    draw.line(painter, box.left(), y, box.right(), y, p.water, 2)
    for n in range(4):
        x = box.left() + n * pair
        draw.line(painter, x, y - 20, x, y, p.water, 3)
        draw.line(painter, x + pair / 2, y, x + pair / 2, y + 8, p.edge, 1)
        draw.line(painter, x + share * pair, y - 20, x + share * pair, y, p.crest, 3)


def _pulses(painter: QPainter, box: QRectF, p: Palette, values: Values, asked: Values) -> None:
    """Both trains over a bar of four quarters."""
    del values
    for row, rate in enumerate((asked["start"], asked["to"])):
        y = box.top() + 26 + row * 44
        draw.line(painter, box.left(), y, box.right(), y, p.rule, 1)
        draw.text(painter, box.left(), y - 24, str(rate), p.muted, size=13)
        colour = p.water if row == 0 else p.crest
        count = min(int(4 * rate) if rate >= Fraction(1, 4) else 1, 400)
        for n in range(count):
            x = box.left() + float(n / (4 * rate)) * box.width()
            draw.line(painter, x, y - TALL, x, y, colour, 1.5)


def _drift(painter: QPainter, box: QRectF, p: Palette, values: Values, asked: Values) -> None:
    """Two rows of beats that slide apart."""
    del values
    tempi = (asked["bpm_a"], asked["bpm_b"])
    whole = BEATS_SHOWN * 60 / min(tempi)
    for row, bpm in enumerate(tempi):
        y = box.top() + 26 + row * 40
        draw.line(painter, box.left(), y, box.right(), y, p.rule, 1)
        for n in range(int(whole * bpm / 60) + 1):
            x = box.left() + n * 60 / bpm / whole * box.width()
            draw.line(painter, x, y - TALL, x, y, p.water if row == 0 else p.crest, 2)


def _lanes(painter: QPainter, box: QRectF, p: Palette, values: Values, asked: Values) -> None:
    """Each lane's beginnings until all begin together again."""
    rows = asked["lanes"][:MOST_ROWS]
    beats = float(values["beats"])
    step = min(22.0, box.height() / max(1, len(rows)))
    for row, length in enumerate(rows):
        y = box.top() + (row + 1) * step
        draw.line(painter, box.left(), y, box.right(), y, p.rule, 1)
        for n in range(min(400, int(beats / float(length)) + 1)):
            x = box.left() + n * float(length) / beats * box.width()
            together = n == 0 or abs(n * float(length) - beats) < 1e-9
            draw.line(painter, x, y - 9, x, y, p.crest if together else p.water, 2)


def _key(painter: QPainter, box: QRectF, p: Palette, values: Values, asked: Values) -> None:
    """How well each key fits."""
    del asked
    rows = values["ranking"][:MOST_ROWS]
    step = min(20.0, box.height() / max(1, len(rows)))
    for row, found in enumerate(rows):
        y = box.top() + row * step
        wide = max(0.0, found["score"]) * (box.width() - 110)
        draw.text(painter, box.left(), y + step - 6, found["key"], p.ink, size=14)
        draw.fill(painter, box.left() + 100, y + 3, wide, step - 7, p.water if row == 0 else p.edge)


def _loop(painter: QPainter, box: QRectF, p: Palette, values: Values, asked: Values) -> None:
    """The bars of it, and how far a whole number of samples lies beside its end."""
    bars = max(1, min(64, round(asked["bars"])))
    y, wide = box.center().y(), box.width() - 60
    draw.line(painter, box.left(), y, box.left() + wide, y, p.water, 3)
    for n in range(bars + 1):
        x = box.left() + n / bars * wide
        draw.line(painter, x, y - 14, x, y, p.water, 2)
    off = values["nearest"] - values["samples"]
    x = box.left() + wide + off * 40  # a sample is forty pixels here
    draw.line(painter, x, y - 22, x, y + 22, p.crest, 2)
    draw.text(painter, min(x + 4, box.right() - 50), y + 34, f"{off:+.2f}", p.crest, size=13)


def _steps(painter: QPainter, box: QRectF, p: Palette, values: Values, asked: Values) -> None:
    """Stems on the waterline."""
    del asked
    steps = values["steps"]
    y, wide = box.center().y() + 10, box.width() / max(1, len(steps))
    draw.line(painter, box.left(), y, box.right(), y, p.water, 2)
    for n, step in enumerate(steps):
        x = box.left() + (n + 0.5) * wide
        tall = 30 if step == "x" else 0
        draw.line(painter, x, y - tall, x, y + (0 if tall else 5), p.water if tall else p.edge, 4)


def _dose(painter: QPainter, box: QRectF, p: Palette, values: Values, asked: Values) -> None:
    """How full the day is, part by part; the line is all that a day may have."""
    del asked
    dose = values["dose_percent"] / 100
    whole = max(1.0, dose)
    y = box.center().y() - 14
    draw.fill(painter, box.left(), y, box.width(), 28, p.panel)
    wide = box.width() * dose / whole
    draw.fill(painter, box.left(), y, wide, 28, p.eye if dose > 1 else p.sand)
    x = box.left() + box.width() / whole
    draw.line(painter, x, y - 6, x, y + 34, p.ink, 2)


PICTURES: dict[str, Picture] = {
    "delay": _echo, "swing": _swing, "pulses": _pulses, "drift": _drift, "realign": _lanes,
    "key": _key, "loop": _loop, "euclid": _steps, "exposure": _dose,
}  # fmt: skip
"""By calculator."""
HEIGHT = 120.0
