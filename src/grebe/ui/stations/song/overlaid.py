"""What is laid over the bands of a song: mutes hatched, curves as they are sent."""

from __future__ import annotations

from collections.abc import Callable

from PyQt6.QtCore import QPointF, QRectF
from PyQt6.QtGui import QPainter, QPen, QPolygonF

from grebe.core.player.marks import curve_changes
from grebe.core.songs.layout import SectionSpan
from grebe.core.songs.model import Curve
from grebe.core.time.ticks import SIXTEENTH_TICKS
from grebe.ui.stations.song.places import CURVE_SHARE, SongPlaces
from grebe.ui.widgets import draw
from grebe.ui.widgets.theme import Palette
from grebe.words import tr


def paint_over(
    painter: QPainter, p: Palette, places: SongPlaces, span: SectionSpan, device: str, row: float,
    name_of: Callable[[str], str],
) -> None:  # fmt: skip
    """Mutes hatched over the band, curves as a thin line, other patterns where they come in, by
    the names that `name_of` has."""
    middle = places.middle_of(device)
    for region in span.section.mutes:
        if region.device != device:
            continue
        begin = span.tick + region.at * SIXTEENTH_TICKS
        end = min(span.end, begin + region.long * SIXTEENTH_TICKS)
        left, right = places.x_at(begin), places.x_at(end)
        tall = row * (0.5 if not region.voice else 0.18)
        top = middle - tall / 2 if not region.voice else middle + row * 0.12
        box = QRectF(left, top, max(3.0, right - left - 1), tall)
        ground = p.ground if not region.voice else draw.see_through(p.ground, 0.6)
        draw.panel(painter, box, ground, p.crest, width=1.5)
        draw.hatch(painter, box, p.crest)
    for curve in span.section.curves:
        if curve.device != device:
            continue
        points = _stairs(places, span, curve, middle, row)
        painter.setPen(QPen(p.sand, 2))
        painter.drawPolyline(QPolygonF(points))
        for point in curve.points:
            x = places.x_at(span.tick + point.at * SIXTEENTH_TICKS)
            y = middle + row * CURVE_SHARE * (0.5 - point.value / 127)
            draw.fill(painter, x - 3, y - 3, 6, 6, p.sand)
        words = tr("controller {controller}", controller=curve.controller)
        draw.text(painter, points[0].x() + 4, middle + row * 0.46, words, p.muted, size=12)
    swaps = [s for s in span.section.swaps if s.device == device]
    ends = [*(s.at for s in swaps[1:]), span.ticks // SIXTEENTH_TICKS]
    for swap, end in zip(swaps, ends, strict=False):
        x = places.x_at(span.tick + swap.at * SIXTEENTH_TICKS)
        room = places.x_at(span.tick + end * SIXTEENTH_TICKS) - x - 8
        draw.line(painter, x, middle - row * 0.3, x, middle + row * 0.3, p.crest, 2)
        words = name_of(swap.pattern) if swap.pattern else tr("as the scene has it")
        if room > 12:
            draw.text(painter, x + 5, middle + row * 0.6, words, p.crest, size=12, weight=600,
                      width=room)  # fmt: skip


def _stairs(
    places: SongPlaces, span: SectionSpan, curve: Curve, middle: float, row: float
) -> list[QPointF]:
    """A curve as it is sent: each value held until the next."""
    out: list[QPointF] = []
    for tick, value in curve_changes(curve):
        at = QPointF(
            places.x_at(span.tick + tick), middle + row * CURVE_SHARE * (0.5 - value / 127)
        )
        if out:
            out.append(QPointF(at.x(), out[-1].y()))
        out.append(at)
    return [*out, QPointF(places.x_at(span.end), out[-1].y())]
