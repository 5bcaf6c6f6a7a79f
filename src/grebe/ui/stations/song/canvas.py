"""A song on a bar ruler: sections, a band per device, what is laid over it, energy, playhead."""

from __future__ import annotations

from PyQt6.QtCore import QPointF, QRectF, Qt, pyqtSignal
from PyQt6.QtGui import QPainter, QPen, QPolygonF

from grebe.app.actions.keymap import told
from grebe.app.editors.song_editor import SongEditor
from grebe.app.tables.songs import SongTable
from grebe.app.tables.table import Cell
from grebe.core.rig.model import Device
from grebe.core.songs.bands import Band
from grebe.core.songs.layout import Layout, SectionSpan
from grebe.core.time.formatting import clock_text
from grebe.core.time.ticks import SIXTEENTH_TICKS
from grebe.ui.stations.song.grips import SHAPES, SongGrips
from grebe.ui.stations.song.overlaid import paint_over
from grebe.ui.stations.song.places import LABELS, MARKS, RULER, TOP, SongPlaces
from grebe.ui.widgets import draw
from grebe.ui.widgets.canvas import PlayheadCanvas
from grebe.ui.widgets.drags import Drag, Held
from grebe.ui.widgets.theme import Palette
from grebe.words import tr

MAX_ROW, MIN_ROW = 104.0, 30.0
ENERGY = 92.0
FOOT = 8.0
FULL_DENSITY = 8.0
"""Hits a quarter note drawn at full thickness: sixteenths on two voices."""
NARROW = 26.0
"""A section narrower than this has no words."""
FEWEST_BARS = 8


class SongCanvas(PlayheadCanvas):
    """Draws only what is seen of it, so that five hundred bars cost no more than fifty."""

    pointed = pyqtSignal(object, str, bool)
    """Tick (beyond 32 bits) and device clicked ("" above and below the rows), and whether to
    select up to there."""

    def __init__(self, editor: SongEditor) -> None:
        super().__init__(editor.session, SongTable(editor.hand))
        self.editor = editor
        self._grips = SongGrips(editor, self.places, self._pointed)
        self.shown = 0
        """Ticks that are seen; 0 is all of the song."""
        self.first = 0
        """The first tick seen."""
        self.top_row = 0
        """The first device seen."""
        self.row = MAX_ROW
        """Height of a row."""
        self._first = 0
        self._scale = 1.0
        """Pixels a tick."""
        self.setAccessibleName(tr("Song"))

    def layout_now(self) -> Layout | None:
        """The song laid out."""
        return self.session.derived.layout()

    # Where things lie

    def _window(self, layout: Layout) -> tuple[int, int]:
        """First tick seen, and how many."""
        shown = layout.ticks if not self.shown else min(self.shown, layout.ticks)
        return max(0, min(self.first, layout.ticks - shown)), max(1, shown)

    def _settle(self, layout: Layout) -> None:
        """Work out where things lie, once for everything that is drawn."""
        self._first, shown = self._window(layout)
        self._scale = (self.width() - LABELS - 2) / shown
        count = max(1, len(self.editor.hand.devices))
        room = self.height() - TOP - ENERGY - FOOT - 24
        self.row = min(max(MAX_ROW, room / 8), max(MIN_ROW, room / count))

    def x_at(self, tick: float) -> float:
        """Where a tick lies, as settled. The ruler is in musical time."""
        return LABELS + (tick - self._first) * self._scale

    @property
    def rows(self) -> tuple[Device, ...]:
        """The devices seen."""
        room = self.height() - TOP - ENERGY - FOOT - 24
        most = max(1, int(room / self.row + 0.001))
        return self.editor.hand.devices[self.top_row : self.top_row + most]

    def zoom(self, by: float) -> None:
        """See more or less of the song, around the cursor."""
        layout = self.layout_now()
        if layout is None or not layout.spans:
            return
        _, shown = self._window(layout)
        self.shown = self._zoomed(layout, shown * by)
        self.first = self.editor.hand.tick - (self.shown or layout.ticks) // 2
        self.reveal()

    def _zoomed(self, layout: Layout, ticks: float) -> int:
        """So many ticks seen, as far as that can be; 0 for all of them."""
        bar = layout.spans[0].scene.meter.bar_ticks
        wanted = max(FEWEST_BARS * bar, int(ticks))
        return 0 if wanted >= layout.ticks else wanted

    def reveal(self) -> None:
        """Bring the cursor into sight."""
        layout = self.layout_now()
        if layout is not None and layout.spans:
            first, shown = self._window(layout)
            edge = shown // 16
            tick = self.editor.hand.tick
            first = min(first, tick - edge)
            self.first = max(0, first, tick - shown + edge)
        devices = self.editor.hand.devices
        at = next((i for i, d in enumerate(devices) if d.id == self.editor.hand.device_id), 0)
        if layout is not None:
            self._settle(layout)
        self.top_row = max(0, min(self.top_row, at))
        self.top_row = max(self.top_row, at - len(self.rows) + 1)
        self.refresh()

    def turn(self, steps: float) -> None:
        """Scroll through the song."""
        layout = self.layout_now()
        if layout is not None and self.shown:
            first, shown = self._window(layout)
            self.first = max(0, min(layout.ticks - shown, first + int(shown * steps / 8)))
            self.refresh()

    # The pointer

    def places(self) -> SongPlaces | None:
        """Where things lie now; None without a song."""
        layout = self.layout_now()
        if layout is None or not layout.spans:
            return None
        self._settle(layout)
        return SongPlaces(
            layout, self._first, self._scale, self.row, tuple(d.id for d in self.rows)
        )

    def _pointed(self, tick: int, device: str, selects: bool) -> None:
        self.pointed.emit(tick, device, selects)

    def grip(self, at: QPointF, held: Held) -> Drag | None:
        """The place there in hand, and what dragging from it does."""
        found = self._grips.at(at)
        if found is None:
            return None
        self.picked = "region" if found.device else "section"
        return self._grips.drag(found, at, held)

    def shape_at(self, at: QPointF, held: Held) -> Qt.CursorShape:
        """What a drag from there would do."""
        del held
        found = self._grips.at(at)
        return Qt.CursorShape.ArrowCursor if found is None else SHAPES[found.kind]

    def known_at(self, at: QPointF) -> str:
        """Of a section its clock time and what is laid over it; of that its stretch or value."""
        found, places, cell = self._grips.at(at), self.places(), self.cell_at(at)
        if found is None or places is None or cell is None:
            return ""
        over = self._grips.words(found, places.tick_at(at.x()))
        return f"{found.span.scene.name}: {over or self.cells.table.words(*cell)}"

    def scroll_by(self, across: float, down: float) -> None:
        """Scroll through the song."""
        self.turn(across + down)

    def zoom_at(self, at: QPointF, by: float) -> None:
        """See more or less of the song, the bar under the pointer staying there."""
        layout, places = self.layout_now(), self.places()
        if layout is None or places is None:
            return
        first, shown = self._window(layout)
        tick = places.tick_at(max(LABELS, at.x()))
        share = (tick - first) / shown
        wanted = self._zoomed(layout, shown * by)
        self.first = max(0, round(tick - share * (wanted or layout.ticks)))
        self.shown = wanted
        self.refresh()

    # Read aloud

    def cell_box(self, cell: Cell) -> QRectF:
        """A section, or a box in it."""
        places, rows = self.places(), self.rows
        if places is None or cell.column >= len(places.layout.spans) or cell.row > len(rows):
            return QRectF()
        span = places.layout.spans[cell.column]
        left, right = places.x_at(span.tick), places.x_at(span.end)
        if cell.row == 0:
            return QRectF(left, 0, right - left, RULER)
        at = cell.row - 1 - self.top_row
        return QRectF(left, TOP + self.row * at, right - left, self.row)

    def cell_at(self, at: QPointF) -> Cell | None:
        """The section there, or the box in it."""
        places = self.places()
        if places is None or at.x() < LABELS:
            return None
        column = places.layout.index_at(places.tick_at(at.x()))
        row = int((at.y() - TOP) // self.row)
        return Cell(row + 1 + self.top_row if 0 <= row < len(self.rows) else 0, column)

    def playhead_x(self) -> float | None:
        """The playhead lies where the song is."""
        layout = self.layout_now()
        if layout is None or not self.session.running:
            return None
        self._settle(layout)
        x = round(self.x_at(self.session.position.song_tick_now()), 1)
        return x if LABELS <= x <= self.width() else None

    def pick(self, at: QPointF, *, selects: bool = False) -> bool:
        """Put the cursor there, or the end of what is selected."""
        places = self.places()
        if places is None or at.x() < LABELS:
            return False
        index, rows = int((at.y() - TOP) // self.row), self.rows
        device = rows[index].id if 0 <= index < len(rows) else ""
        self.picked = "region" if device else "section"
        self.pointed.emit(places.tick_at(at.x()), device, selects)
        return True

    # Drawing

    def paint_still(self, painter: QPainter) -> None:
        """Draw the song."""
        layout = self.layout_now()
        if layout is None or not layout.spans:
            words = tr(
                "No song that can be laid out; what is listed below says why. "
                "{insert_section} adds a section.",
                insert_section=told("insert_section"),
            )
            draw.text(painter, 0, 60, words, self.palette_now.muted)
            return
        self._settle(layout)
        first, shown = self._window(layout)
        spans = [s for s in layout.spans if s.end > first and s.tick < first + shown]
        rows = self.rows
        bottom = TOP + self.row * len(rows)
        foot = bottom + 16 + ENERGY
        painter.save()
        painter.setClipRect(QRectF(LABELS, 0, self.width() - LABELS, self.height()))
        self._paint_selection(painter, rows, foot)
        for span in spans:
            self._paint_section(painter, layout, span, foot)
        self._paint_named(painter, spans)
        self._paint_loop(painter)
        for index, device in enumerate(rows):
            self._paint_row(painter, spans, device, TOP + self.row * (index + 0.5))
        self._paint_energy(painter, layout, bottom + 16, foot)
        painter.restore()
        for index, device in enumerate(rows):
            self._paint_label(painter, TOP + self.row * (index + 0.5), device)
        if len(rows) < len(self.editor.hand.devices):
            words = tr(
                "{count} of {count2} devices", count=len(rows), count2=len(self.editor.hand.devices)
            )
            draw.text(painter, 8, TOP - 10, words, self.palette_now.muted, size=12)
        _label_energy(painter, self.palette_now, foot)

    def _paint_label(self, painter: QPainter, middle: float, device: Device) -> None:
        p = self.palette_now
        if device.id == self.editor.hand.device_id:
            draw.fill(painter, 0, middle - 16, 3, 34, p.crest)
        width = LABELS - 20
        draw.text(painter, 8, middle - 2, device.name, p.ink, size=16, weight=600, width=width)
        if self.row >= MIN_ROW + 8:
            below = device.label or tr(device.kind)
            if device.id == self.editor.hand.device_id and self.editor.hand.voice_id:
                below = self._voice_name(device.id, self.editor.hand.voice_id)
            draw.text(painter, 8, middle + 15, below, p.muted, size=12, width=width)

    def _voice_name(self, device: str, voice: str) -> str:
        for pattern in self.session.project.patterns_of.get(device, []):
            for known in pattern.content.voices:
                if known.id == voice:
                    return tr("only {known}", known=known.name)
        return voice

    def _paint_selection(self, painter: QPainter, rows: tuple[Device, ...], bottom: float) -> None:
        p = self.palette_now
        first, last = self.editor.hand.selection
        left, right = self.x_at(first), self.x_at(last)
        wide = max(2.0, right - left)
        draw.fill(painter, left, RULER, wide, bottom - RULER, draw.see_through(p.crest, 0.10))
        for index, device in enumerate(rows):
            if device.id == self.editor.hand.device_id:
                box = QRectF(left, TOP + self.row * index + 2, wide, self.row - 4)
                draw.panel(painter, box, draw.see_through(p.crest, 0.14), p.crest, width=1.5)

    def _paint_loop(self, painter: QPainter) -> None:
        status = self.session.status
        if status is None or status.loop is None:
            return
        left, right = (self.x_at(tick) for tick in status.loop)
        draw.fill(painter, left, RULER - 4, right - left, 4, self.palette_now.water)
        draw.text(
            painter,
            left + 6,
            RULER + MARKS + 31,
            tr("over and over"),
            self.palette_now.water,
            size=12,
            weight=600,
            width=right - left - 8,
        )

    def _paint_section(
        self, painter: QPainter, layout: Layout, span: SectionSpan, bottom: float
    ) -> None:
        p = self.palette_now
        left, right = self.x_at(span.tick), self.x_at(span.end)
        selected = span.section.id == self.session.selection.section
        draw.fill(painter, left, 0, right - left, RULER, p.soft)
        if selected:
            draw.fill(painter, left, RULER - 3, right - left, 3, p.crest)
        draw.line(painter, left, 0, left, bottom, p.rule)
        left = max(left, LABELS)  # its words stay in sight
        wide = right - left - 12
        if wide < NARROW:
            return
        name_wide = draw.text(
            painter, left + 8, 23, span.scene.name, p.ink, size=16, weight=600, width=wide
        )
        notes = [tr("{times} times", times=span.section.times)] if span.section.times > 1 else []
        notes += [_then(span)] if span.section.then.kind != "next" else []
        if notes and name_wide + 70 < wide:
            draw.text(painter, right - 8, 23, ", ".join(notes), p.muted, size=12, align=draw.RIGHT)
        draw.text(painter, left + 4, RULER + 17, str(span.bar), p.ink, size=14, weight=600)
        at = clock_text(layout.tempo.seconds_at(span.tick))
        draw.text(painter, left + 4, RULER + 33, at, p.muted, size=12)
        self._paint_marks(painter, span, left, wide)

    def _paint_marks(self, painter: QPainter, span: SectionSpan, left: float, wide: float) -> None:
        """Tempo, metre and fills: what is about the whole song."""
        p, section = self.palette_now, span.section
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
                painter, left + 36, RULER + 17, ", ".join(notes), p.crest, size=12, weight=600,
                width=wide - 36,
            )  # fmt: skip
        for fill in section.fills:
            begin = self.x_at(span.tick + fill.at * SIXTEENTH_TICKS)
            end = self.x_at(min(span.end, span.tick + (fill.at + fill.long) * SIXTEENTH_TICKS))
            draw.fill(painter, begin, TOP - 4, max(2.0, end - begin), 3, p.crest)

    def _paint_named(self, painter: QPainter, spans: list[SectionSpan]) -> None:
        """Markers and tempo changes by name, then fills, each where the others leave it room."""
        p = self.palette_now
        rows = [(s.tick + m.at * SIXTEENTH_TICKS, m.name) for s in spans for m in s.section.markers]
        rows += [
            (s.tick + t.at * SIXTEENTH_TICKS, tr("to {bpm:g}", bpm=t.bpm))
            for s in spans
            for t in s.section.tempi
        ]
        places = [(self.x_at(tick), name) for tick, name in sorted(rows)]
        ends = [*(x for x, _ in places[1:]), float(self.width())][: len(places)]
        taken = LABELS
        written: list[tuple[float, float]] = []
        for (x, name), end in zip(places, ends, strict=True):
            draw.line(painter, x, RULER, x, TOP, p.crest, 1)
            wide = draw.text_width(name, 12, 600)
            if wide > end - x - 8 and x - 4 - wide > taken:  # before its line
                draw.text(painter, x - 4, TOP - 6, name, p.crest, size=12, weight=600,
                          align=draw.RIGHT)  # fmt: skip
                taken = x
                written.append((x - 4 - wide, x))
            elif end - x > NARROW:
                draw.text(painter, x + 4, TOP - 6, name, p.crest, size=12, weight=600,
                          width=end - x - 8)  # fmt: skip
                taken = x + 4 + min(wide, end - x - 8)
                written.append((x, taken))
        self._paint_fill_words(painter, spans, written)

    def _paint_fill_words(
        self, painter: QPainter, spans: list[SectionSpan], written: list[tuple[float, float]]
    ) -> None:
        """*fill* over each fill's line, unless another word stands there already."""
        word = tr("fill")
        wide = draw.text_width(word, 12, 400)
        for span in spans:
            for fill in span.section.fills:
                x = self.x_at(span.tick + fill.at * SIXTEENTH_TICKS)
                if all(x + wide + 4 <= begin or x >= end + 4 for begin, end in written):
                    draw.text(painter, x, TOP - 7, word, self.palette_now.crest, size=12)
                    written.append((x, x + wide))

    def _paint_row(
        self, painter: QPainter, spans: list[SectionSpan], device: Device, middle: float
    ) -> None:
        p, places, name_of = self.palette_now, self.places(), self.session.project.pattern_name
        assert places is not None
        begin, end = spans[0].tick, spans[-1].end
        own = [s for s in self.editor.hand.book.bands(device) if begin <= s.tick < end]
        carried: list[QRectF] = []
        new: list[QRectF] = []
        knots: list[QRectF] = []
        named: list[tuple[QRectF, Band]] = []
        silent_from: float | None = None
        for stretch in own:
            box = self._box(stretch, middle)
            if stretch.patterns and silent_from is not None:
                self._paint_silence(painter, silent_from, box.left(), middle)
                silent_from = None
            if not stretch.patterns:
                silent_from = box.left() if silent_from is None else silent_from
            elif stretch.muted:
                draw.panel(painter, box, p.ground, p.crest)
                draw.hatch(painter, box, p.crest)
            else:
                (new if stretch.changes else carried).append(box)
            if stretch.changes and box.width() < NARROW:
                knots.append(QRectF(box.left() - 1, middle - 5, 3, 10))
            elif stretch.changes:
                named.append((box, stretch))
        if silent_from is not None:
            self._paint_silence(painter, silent_from, self.x_at(end), middle)
        draw.rects(painter, carried, draw.see_through(p.water, 0.75))
        draw.rects(painter, new, p.water)
        draw.rects(painter, knots, p.ink)
        begins = [QPointF(box.left() + 1, middle) for box, _ in named]
        draw.rings(painter, begins, 4, p.water, p.ground)
        if self.row >= MIN_ROW + 8:
            for box, stretch in named:
                self._paint_change(painter, box, stretch)
        for span in spans:
            laid = span.section
            if laid.mutes or laid.curves or laid.swaps:
                paint_over(painter, p, places, span, device.id, self.row, name_of)

    def _paint_silence(self, painter: QPainter, left: float, right: float, middle: float) -> None:
        style = Qt.PenStyle.DotLine
        draw.line(painter, left, middle, right, middle, self.palette_now.rule, 1.5, style)

    def _box(self, stretch: Band, middle: float) -> QRectF:
        left = self.x_at(stretch.tick)
        right = self.x_at(stretch.tick + stretch.ticks)
        share = min(1.0, stretch.density / FULL_DENSITY)
        thick = 4 + share * (self.row * 0.4)
        return QRectF(left, middle - thick / 2, right - left - 1, thick)

    def _paint_change(self, painter: QPainter, box: QRectF, stretch: Band) -> None:
        """What comes in, over its beginning."""
        p = self.palette_now
        words = ", ".join(stretch.patterns) or tr("silent")
        colour = p.ink if stretch.patterns else p.muted
        draw.text(painter, box.left() + 9, box.top() - 5, words, colour, size=12,
                  width=box.width() - 12)  # fmt: skip

    def _paint_energy(self, painter: QPainter, layout: Layout, top: float, bottom: float) -> None:
        p = self.palette_now
        bars = self.editor.hand.book.bars()
        if not bars:
            return
        most = max(1.0, *(b.energy for b in bars))
        first, shown = self._window(layout)
        points: list[QPointF] = []
        for bar, after in zip(bars, [*(b.tick for b in bars[1:]), layout.ticks], strict=True):
            if after < first or bar.tick > first + shown:
                continue
            y = bottom - (bottom - top - 6) * bar.energy / most
            points.append(QPointF(self.x_at(bar.tick), y))
            points.append(QPointF(self.x_at(after), y))
        closed = [QPointF(points[0].x(), bottom), *points, QPointF(points[-1].x(), bottom)]
        painter.setRenderHint(QPainter.RenderHint.Antialiasing, on=False)  # only straight steps
        painter.setPen(Qt.PenStyle.NoPen)
        painter.setBrush(draw.see_through(p.water, 0.2))
        painter.drawPolygon(QPolygonF(closed))
        painter.setPen(QPen(p.water, 2))
        painter.drawPolyline(QPolygonF(points))
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)


def _then(span: SectionSpan) -> str:
    then = span.section.then
    often = tr("always") if then.jumps == 0 else f"{then.jumps}\u00d7"
    return {"next": "", "jump": f"then jumps {often}", "back": f"then back {often}",
            "stay": tr("stays")}[then.kind]  # fmt: skip


def _label_energy(painter: QPainter, p: Palette, bottom: float) -> None:
    draw.text(painter, 8, bottom - 34, tr("Energy"), p.ink, size=16, weight=600)
    draw.text(painter, 8, bottom - 17, tr("voices sounding,"), p.muted, size=12)
    draw.text(painter, 8, bottom - 3, tr("density, level"), p.muted, size=12)
