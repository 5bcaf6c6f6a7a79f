"""Note lanes: every stroke of a voice where it sounds, controller values where they go."""

from __future__ import annotations

from PyQt6.QtCore import QLineF, QPointF, QRectF, Qt
from PyQt6.QtGui import QColor, QPainter, QPen, QPolygonF

from grebe.core.patterns.model import ControlLane, Hit, Voice
from grebe.core.patterns.passes import Sound, lane_changes, passes_of
from grebe.core.patterns.translate import flam_ms
from grebe.ui.stations.patterns.places import Places
from grebe.ui.widgets import draw
from grebe.ui.widgets.formatting import note_name
from grebe.ui.widgets.theme import Palette
from grebe.words import tr

ACCENT = 120
"""From this velocity a stroke has a head."""
ROOM_FOR_WORDS = 22.0
"""A step this wide has room for what is said beside its stroke."""


def stroke_width(places: Places, voice: Voice) -> float:
    """Width of a voice's strokes."""
    return max(2.0, min(6.0, places.step_width(voice) * 0.3))


def paint_voice(
    painter: QPainter,
    p: Palette,
    places: Places,
    index: int,
    voice: Voice,
    *,
    bpm: float,
    base: Voice | None,
) -> None:
    """All of a voice: its steps, its hits as they sound, its repeats, what a variation changed."""
    y = places.level(index)
    passes = passes_of(places.content, voice)
    _steps(painter, p, places, voice, y)
    wide = stroke_width(places, voice)
    hits = {h.step: h for h in voice.hits}
    sounds = passes.sounds(0)
    if base is not None:
        _base(painter, p, places, voice, base, y, wide)
    held = draw.see_through(p.water, 0.4)
    solid: list[QRectF] = []
    dotted: list[Sound] = []
    for sound in sounds:
        hit, x = hits[sound.step], places.x_at(sound.tick)
        height = places.stroke_height(sound.velocity)
        if not sound.lead and (hit.gate_length > 100 or hit.note is not None or hit.tie):
            until = min(places.x_at(sound.tick + sound.gate_ticks), places.left + places.wide)
            draw.fill(painter, x, y - 4, max(2.0, until - x - 2), 4, held)
        if hit.chance < 100 or hit.when:
            dotted.append(sound)
        elif sound.lead:
            draw.fill(painter, x - 1, y - height, 2, height, p.crest)
        else:
            thin = wide if hit.ratchet == 1 else max(1.5, wide * 0.6)
            solid.append(QRectF(x - thin / 2, y - height, thin, height))
    draw.rects(painter, solid, p.water)
    _dotted(painter, p, places, dotted, y, wide)
    _heads(painter, p, places, sounds, hits, y)
    if places.step_width(voice) >= ROOM_FOR_WORDS or len(voice.hits) <= 16:
        _words(painter, p, places, voice, sounds, hits, y, bpm)
    _repeats(painter, p, places, voice, y, wide)


def _steps(painter: QPainter, p: Palette, places: Places, voice: Voice, y: float) -> None:
    if places.step_width(voice) > 6:
        places_of = range(int(places.end_of(voice) / float(places.content.step_of(voice))))
        step = float(places.content.step_of(voice))
        painter.setPen(QPen(p.water, 1))
        marks = [QLineF(x, y, x, y + 4) for x in (places.x_at(n * step) for n in places_of)]
        painter.drawLines(*marks)


def _dotted(
    painter: QPainter, p: Palette, places: Places, sounds: list[Sound], y: float, wide: float
) -> None:
    """Strokes of hits that do not play on every pass: a row of blocks."""
    block = 6.0
    rects: list[QRectF] = []
    for sound in sounds:
        x, height = places.x_at(sound.tick), max(block, places.stroke_height(sound.velocity))
        at = 0.0
        while at < height:
            rects.append(QRectF(x - wide / 2, y - at - block / 2 - 1, wide, min(4.0, block)))
            at += 2 * block
    draw.rects(painter, rects, p.water)


def _heads(
    painter: QPainter,
    p: Palette,
    places: Places,
    sounds: list[Sound],
    hits: dict[int, Hit],
    y: float,
) -> None:
    painter.setPen(Qt.PenStyle.NoPen)
    painter.setBrush(p.crest)
    radius = 5.0 if places.row_height >= 60 else 3.5
    for sound in sounds:
        if sound.velocity >= ACCENT and not sound.lead and hits[sound.step].velocity >= ACCENT:
            painter.drawEllipse(
                QPointF(places.x_at(sound.tick), y - places.stroke_height(sound.velocity)),
                radius,
                radius,
            )


def _words(
    painter: QPainter,
    p: Palette,
    places: Places,
    voice: Voice,
    sounds: list[Sound],
    hits: dict[int, Hit],
    y: float,
    bpm: float,
) -> None:
    """What a stroke does not show by itself: pitch, chance, condition, flam, strokes."""
    said: set[int] = set()
    for sound in sounds:
        hit = hits[sound.step]
        if sound.lead or sound.step in said:
            continue
        said.add(sound.step)
        words: list[tuple[str, QColor]] = []
        top = y - places.stroke_height(sound.velocity) + 9
        if hit.note is not None:
            chord = f" +{len(hit.chord)}" if hit.chord else ""
            words.append((note_name(hit.note) + chord, p.muted))
        if hit.flam:
            ms = flam_ms(places.content, voice, hit, bpm)
            words.append((tr("flam {ms:.0f} ms", ms=ms), p.crest))
        seldom = [f"{hit.chance}%"] if hit.chance < 100 else []
        seldom += [hit.when] if hit.when else []
        if hit.ratchet > 1:  # over its strokes, which take the room beside the first
            middle = places.x_at(sound.tick) + places.step_width(voice) / 2
            loudest = min(127, max(hit.velocity, hit.velocity * hit.ratchet_to // 100))
            over = y - places.stroke_height(loudest) - 6
            above = " ".join((f"\u00d7{hit.ratchet}", *seldom))
            draw.text(painter, middle, max(y - places.tall - 4, over), above,
                      p.crest, size=12, weight=600, align=draw.CENTRE)  # fmt: skip
        else:
            words += [(text, p.muted) for text in seldom]
        head = 4 if hit.velocity >= ACCENT else 0
        x = places.x_at(sound.tick) + stroke_width(places, voice) / 2 + 3 + head
        room = max(1, int((places.row_height - 4) // 13))
        for line, (text, colour) in enumerate(words[:room]):
            draw.text(painter, x, min(top, y - 6 - 13 * (len(words[:room]) - 1)) + 13 * line,
                      text, colour, size=12, weight=600 if colour is p.crest else 400)  # fmt: skip


def _repeats(
    painter: QPainter, p: Palette, places: Places, voice: Voice, y: float, wide: float
) -> None:
    """Later passes, faint, where the pattern goes on."""
    passes = passes_of(places.content, voice)
    if passes.cycle >= places.shown_ticks:
        return
    rects: list[QRectF] = []
    for number in range(1, -(-places.shown_ticks // passes.cycle)):
        for sound in passes.sounds(number):
            if sound.tick < places.shown_ticks:
                height = places.stroke_height(sound.velocity)
                rects.append(QRectF(places.x_at(sound.tick) - wide / 2, y - height, wide, height))
    draw.rects(painter, rects, p.rule)


def _base(
    painter: QPainter,
    p: Palette,
    places: Places,
    voice: Voice,
    base: Voice,
    y: float,
    wide: float,
) -> None:
    """What the pattern had that this variation was made from: outlines where it differs."""
    now = {h.step: h for h in voice.hits}
    painter.setBrush(Qt.BrushStyle.NoBrush)
    painter.setPen(QPen(p.crest, 1, Qt.PenStyle.DotLine))
    for hit in base.hits:
        if now.get(hit.step) != hit and hit.step < voice.length:
            x, height = places.x_of(voice, hit.step), places.stroke_height(hit.velocity)
            painter.drawRect(QRectF(x - wide / 2 - 2, y - height, wide + 4, height))
    was = {h.step: h for h in base.hits}
    painter.setPen(Qt.PenStyle.NoPen)
    painter.setBrush(p.crest)
    for step in now.keys() | was.keys():
        if now.get(step) != was.get(step) and step < voice.length:
            x = places.x_of(voice, step)
            painter.drawPolygon(
                QPolygonF([QPointF(x - 4, y + 9), QPointF(x + 4, y + 9), QPointF(x, y + 4)])
            )


def paint_lane(
    painter: QPainter, p: Palette, places: Places, index: int, lane: ControlLane
) -> None:
    """A controller lane: its value as a line that is held or glides, points where it is set."""
    y = places.level(index)
    end = places.x_at(places.shown_ticks)
    if not lane.points:
        return
    cycle = places.content.ticks_of(lane)
    line = QPolygonF()
    value: int | None = None
    for number in range(-(-places.shown_ticks // cycle)):
        for change in lane_changes(places.content, lane, number, 0):
            if change.fill:  # only while a fill is held
                continue
            x = min(end, places.x_at(change.tick))
            if value is not None:
                line.append(QPointF(x, y - places.stroke_height(value)))
            line.append(QPointF(x, y - places.stroke_height(change.value)))
            value = change.value
    if value is not None:
        line.append(QPointF(end, y - places.stroke_height(value)))
    painter.setBrush(Qt.BrushStyle.NoBrush)
    painter.setPen(QPen(p.water, 2))
    painter.drawPolyline(line)
    painter.setPen(Qt.PenStyle.NoPen)
    painter.setBrush(p.water)
    for point in lane.points:
        x, top = places.x_of(lane, point.step), y - places.stroke_height(point.value)
        painter.drawRect(QRectF(x - 3, top - 3, 6, 6))
        seldom = [f"{point.chance}%"] if point.chance < 100 else []
        said = " ".join((str(point.value), *seldom, point.when)).rstrip()
        draw.text(painter, x + 6, max(y - places.tall + 4, top - 5), said, p.muted, size=12)
    painter.setPen(Qt.PenStyle.NoPen)
