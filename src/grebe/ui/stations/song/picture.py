"""How a song is drawn: what is seen of it, once. `canvas` says where things lie."""

from __future__ import annotations

from PyQt6.QtCore import QPointF, QRectF, Qt
from PyQt6.QtGui import QPainter, QPen, QPolygonF

from grebe.app.editors.song_editor import SongEditor
from grebe.core.rig.model import Device
from grebe.core.songs.bands import Band
from grebe.core.songs.layout import SectionSpan
from grebe.core.time.formatting import clock_text
from grebe.core.time.ticks import SIXTEENTH_TICKS
from grebe.ui.stations.song.overlaid import paint_over
from grebe.ui.stations.song.places import LABELS, MARKS, RULER, TOP, SongPlaces
from grebe.ui.widgets import draw
from grebe.ui.widgets.theme import Palette
from grebe.words import tr

MIN_ROW = 30.0
ENERGY = 92.0
FULL_DENSITY = 8.0
"""Hits a quarter note drawn at full thickness: sixteenths on two voices."""
NARROW = 26.0
"""A section narrower than this has no words."""


class SongPicture:
    """One picture of a song, with all that it is made of."""

    def __init__(
        self, painter: QPainter, editor: SongEditor, palette: Palette, places: SongPlaces,
        rows: tuple[Device, ...],
    ) -> None:  # fmt: skip
        """`rows`: the devices seen."""
        self._painter, self._palette, self._places, self._rows = painter, palette, places, rows
        self._session, self._hand = editor.session, editor.hand
        self._row = places.row
        self._width = 0.0

    def paint(self, width: float, height: float) -> None:
        """Draw it into so much room."""
        self._width = width
        painter, layout, rows = self._painter, self._places.layout, self._rows
        first, last = self._places.tick_at(LABELS), self._places.tick_at(width)
        spans = [s for s in layout.spans if s.end > first and s.tick <= last]
        bottom = TOP + self._row * len(rows)
        foot = bottom + 16 + ENERGY
        painter.save()
        painter.setClipRect(QRectF(LABELS, 0, width - LABELS, height))
        self._paint_selection(rows, foot)
        for span in spans:
            self._paint_section(span, foot)
        self._paint_named(spans)
        self._paint_loop()
        for index, device in enumerate(rows):
            self._paint_row(spans, device, TOP + self._row * (index + 0.5))
        self._paint_energy(bottom + 16, foot)
        painter.restore()
        for index, device in enumerate(rows):
            self._paint_label(TOP + self._row * (index + 0.5), device)
        if len(rows) < len(self._hand.devices):
            words = tr(
                "{count} of {count2} devices", count=len(rows), count2=len(self._hand.devices)
            )
            draw.text(painter, 8, TOP - 10, words, self._palette.muted, size=12)
        self._label_energy(foot)

    def _paint_label(self, middle: float, device: Device) -> None:
        p = self._palette
        if device.id == self._hand.device_id:
            draw.fill(self._painter, 0, middle - 16, 3, 34, p.crest)
        width = LABELS - 20
        draw.text(
            self._painter, 8, middle - 2, device.name, p.ink, size=16, weight=600, width=width
        )
        if self._row >= MIN_ROW + 8:
            below = device.label or tr(device.kind)
            if device.id == self._hand.device_id and self._hand.voice_id:
                below = self._voice_name(device.id, self._hand.voice_id)
            draw.text(self._painter, 8, middle + 15, below, p.muted, size=12, width=width)

    def _voice_name(self, device: str, voice: str) -> str:
        for pattern in self._session.project.patterns_of.get(device, []):
            for known in pattern.content.voices:
                if known.id == voice:
                    return tr("only {known}", known=known.name)
        return voice

    def _paint_selection(self, rows: tuple[Device, ...], bottom: float) -> None:
        p = self._palette
        first, last = self._hand.selection
        left, right = self._places.x_at(first), self._places.x_at(last)
        wide = max(2.0, right - left)
        draw.fill(self._painter, left, RULER, wide, bottom - RULER, draw.see_through(p.crest, 0.10))
        for index, device in enumerate(rows):
            if device.id == self._hand.device_id:
                box = QRectF(left, TOP + self._row * index + 2, wide, self._row - 4)
                draw.panel(self._painter, box, draw.see_through(p.crest, 0.14), p.crest, width=1.5)

    def _paint_loop(self) -> None:
        status = self._session.status
        if status is None or status.loop is None:
            return
        left, right = (self._places.x_at(tick) for tick in status.loop)
        draw.fill(self._painter, left, RULER - 4, right - left, 4, self._palette.water)
        draw.text(
            self._painter,
            left + 6,
            RULER + MARKS + 31,
            tr("over and over"),
            self._palette.water,
            size=12,
            weight=600,
            width=right - left - 8,
        )

    def _paint_section(self, span: SectionSpan, bottom: float) -> None:
        p = self._palette
        left, right = self._places.x_at(span.tick), self._places.x_at(span.end)
        selected = span.section.id == self._session.selection.section
        draw.fill(self._painter, left, 0, right - left, RULER, p.soft)
        if selected:
            draw.fill(self._painter, left, RULER - 3, right - left, 3, p.crest)
        draw.line(self._painter, left, 0, left, bottom, p.rule)
        left = max(left, LABELS)  # its words stay in sight
        wide = right - left - 12
        if wide < NARROW:
            return
        name_wide = draw.text(
            self._painter, left + 8, 23, span.scene.name, p.ink, size=16, weight=600, width=wide
        )
        notes = [tr("{times} times", times=span.section.times)] if span.section.times > 1 else []
        notes += [_then(span)] if span.section.then.kind != "next" else []
        if notes and name_wide + 70 < wide:
            draw.text(
                self._painter, right - 8, 23, ", ".join(notes), p.muted, size=12, align=draw.RIGHT
            )
        draw.text(self._painter, left + 4, RULER + 17, str(span.bar), p.ink, size=14, weight=600)
        at = clock_text(self._places.layout.tempo.seconds_at(span.tick))
        draw.text(self._painter, left + 4, RULER + 33, at, p.muted, size=12)
        self._paint_marks(span, left, wide)

    def _paint_marks(self, span: SectionSpan, left: float, wide: float) -> None:
        """Tempo, metre and fills: what is about the whole song."""
        p, section = self._palette, span.section
        notes = []
        if section.bpm is not None:
            over = (
                tr(" over {ramp_bars} bars", ramp_bars=section.ramp_bars)
                if section.ramp_bars
                else ""
            )
            notes.append(tr("to {bpm:g}{over}", bpm=section.bpm, over=over))
        if str(span.scene.meter) != "4/4":
            notes.append(str(span.scene.meter))
        if notes:
            draw.text(
                self._painter, left + 36, RULER + 17, ", ".join(notes), p.crest,
                size=12, weight=600, width=wide - 36,
            )  # fmt: skip
        for fill in section.fills:
            begin = self._places.x_at(span.tick + fill.at * SIXTEENTH_TICKS)
            end = self._places.x_at(
                min(span.end, span.tick + (fill.at + fill.long) * SIXTEENTH_TICKS)
            )
            draw.fill(self._painter, begin, TOP - 4, max(2.0, end - begin), 3, p.crest)

    def _paint_named(self, spans: list[SectionSpan]) -> None:
        """Markers and tempo changes by name, then fills, each where the others leave it room."""
        p = self._palette
        rows = [(s.tick + m.at * SIXTEENTH_TICKS, m.name) for s in spans for m in s.section.markers]
        rows += [
            (s.tick + t.at * SIXTEENTH_TICKS, tr("to {bpm:g}", bpm=t.bpm))
            for s in spans
            for t in s.section.tempi
        ]
        places = [(self._places.x_at(tick), name) for tick, name in sorted(rows)]
        ends = [*(x for x, _ in places[1:]), float(self._width)][: len(places)]
        taken = LABELS
        written: list[tuple[float, float]] = []
        for (x, name), end in zip(places, ends, strict=True):
            draw.line(self._painter, x, RULER, x, TOP, p.crest, 1)
            wide = draw.text_width(name, 12, 600)
            if wide > end - x - 8 and x - 4 - wide > taken:  # before its line
                draw.text(self._painter, x - 4, TOP - 6, name, p.crest, size=12, weight=600,
                          align=draw.RIGHT)  # fmt: skip
                taken = x
                written.append((x - 4 - wide, x))
            elif end - x > NARROW:
                draw.text(self._painter, x + 4, TOP - 6, name, p.crest, size=12, weight=600,
                          width=end - x - 8)  # fmt: skip
                taken = x + 4 + min(wide, end - x - 8)
                written.append((x, taken))
        self._paint_fill_words(spans, written)

    def _paint_fill_words(
        self, spans: list[SectionSpan], written: list[tuple[float, float]]
    ) -> None:
        """*fill* over each fill's line, unless another word stands there already."""
        word = tr("fill")
        wide = draw.text_width(word, 12, 400)
        for span in spans:
            for fill in span.section.fills:
                x = self._places.x_at(span.tick + fill.at * SIXTEENTH_TICKS)
                if all(x + wide + 4 <= begin or x >= end + 4 for begin, end in written):
                    draw.text(self._painter, x, TOP - 7, word, self._palette.crest, size=12)
                    written.append((x, x + wide))

    def _paint_row(self, spans: list[SectionSpan], device: Device, middle: float) -> None:
        p, places, name_of = self._palette, self._places, self._session.project.pattern_name
        begin, end = spans[0].tick, spans[-1].end
        own = [s for s in self._hand.book.bands(device) if begin <= s.tick < end]
        carried: list[QRectF] = []
        new: list[QRectF] = []
        knots: list[QRectF] = []
        named: list[tuple[QRectF, Band]] = []
        silent_from: float | None = None
        for stretch in own:
            box = self._box(stretch, middle)
            if stretch.patterns and silent_from is not None:
                self._paint_silence(silent_from, box.left(), middle)
                silent_from = None
            if not stretch.patterns:
                silent_from = box.left() if silent_from is None else silent_from
            elif stretch.muted:
                draw.panel(self._painter, box, p.ground, p.crest)
                draw.hatch(self._painter, box, p.crest)
            else:
                (new if stretch.changes else carried).append(box)
            if stretch.changes and box.width() < NARROW:
                knots.append(QRectF(box.left() - 1, middle - 5, 3, 10))
            elif stretch.changes:
                named.append((box, stretch))
        if silent_from is not None:
            self._paint_silence(silent_from, self._places.x_at(end), middle)
        draw.rects(self._painter, carried, draw.see_through(p.water, 0.75))
        draw.rects(self._painter, new, p.water)
        draw.rects(self._painter, knots, p.ink)
        begins = [QPointF(box.left() + 1, middle) for box, _ in named]
        draw.rings(self._painter, begins, 4, p.water, p.ground)
        if self._row >= MIN_ROW + 8:
            for box, stretch in named:
                self._paint_change(box, stretch)
        for span in spans:
            laid = span.section
            if laid.mutes or laid.curves or laid.swaps:
                paint_over(self._painter, p, places, span, device.id, self._row, name_of)

    def _paint_silence(self, left: float, right: float, middle: float) -> None:
        style = Qt.PenStyle.DotLine
        draw.line(self._painter, left, middle, right, middle, self._palette.rule, 1.5, style)

    def _box(self, stretch: Band, middle: float) -> QRectF:
        left = self._places.x_at(stretch.tick)
        right = self._places.x_at(stretch.tick + stretch.ticks)
        share = min(1.0, stretch.density / FULL_DENSITY)
        thick = 4 + share * (self._row * 0.4)
        return QRectF(left, middle - thick / 2, right - left - 1, thick)

    def _paint_change(self, box: QRectF, stretch: Band) -> None:
        """What comes in, over its beginning."""
        p = self._palette
        words = ", ".join(stretch.patterns) or tr("silent")
        colour = p.ink if stretch.patterns else p.muted
        draw.text(self._painter, box.left() + 9, box.top() - 5, words, colour, size=12,
                  width=box.width() - 12)  # fmt: skip

    def _paint_energy(self, top: float, bottom: float) -> None:
        p = self._palette
        bars = self._hand.book.bars()
        if not bars:
            return
        most = max(1.0, *(b.energy for b in bars))
        layout = self._places.layout
        first, last = self._places.tick_at(LABELS), self._places.tick_at(self._width)
        points: list[QPointF] = []
        for bar, after in zip(bars, [*(b.tick for b in bars[1:]), layout.ticks], strict=True):
            if after < first or bar.tick > last:
                continue
            y = bottom - (bottom - top - 6) * bar.energy / most
            points.append(QPointF(self._places.x_at(bar.tick), y))
            points.append(QPointF(self._places.x_at(after), y))
        closed = [QPointF(points[0].x(), bottom), *points, QPointF(points[-1].x(), bottom)]
        self._painter.setRenderHint(
            QPainter.RenderHint.Antialiasing, on=False
        )  # only straight steps
        self._painter.setPen(Qt.PenStyle.NoPen)
        self._painter.setBrush(draw.see_through(p.water, 0.2))
        self._painter.drawPolygon(QPolygonF(closed))
        self._painter.setPen(QPen(p.water, 2))
        self._painter.drawPolyline(QPolygonF(points))
        self._painter.setRenderHint(QPainter.RenderHint.Antialiasing)

    def _label_energy(self, bottom: float) -> None:
        p, painter = self._palette, self._painter
        draw.text(painter, 8, bottom - 34, tr("Energy"), p.ink, size=16, weight=600)
        draw.text(painter, 8, bottom - 17, tr("voices sounding,"), p.muted, size=12)
        draw.text(painter, 8, bottom - 3, tr("density, level"), p.muted, size=12)


def _then(span: SectionSpan) -> str:
    then = span.section.then
    often = tr("always") if then.jumps == 0 else f"{then.jumps}\u00d7"
    return {"next": "", "jump": tr("then jumps {often}", often=often),
            "back": tr("then back {often}", often=often),
            "stay": tr("stays")}[then.kind]  # fmt: skip
