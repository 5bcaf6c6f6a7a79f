"""A song on a bar ruler: sections, a band per device, an energy curve, the playhead."""

from __future__ import annotations

from PyQt6.QtCore import QPointF, QRectF, Qt, pyqtSignal
from PyQt6.QtGui import QMouseEvent, QPainter, QPen, QPolygonF

from grebe.app.session import Session
from grebe.core.songs.bands import Stretch, bands, energy
from grebe.core.songs.layout import Layout
from grebe.ui import draw
from grebe.ui.widgets import PlayheadCanvas
from grebe.ui.words import clock_text

LABELS = 124.0
RULER = 36.0
TOP = RULER + 52.0
MAX_ROW = 128.0
ENERGY = 110.0
FULL_DENSITY = 8.0
"""Hits a quarter note drawn at full thickness: sixteenths on two voices."""


class SongCanvas(PlayheadCanvas):
    """Sections on bars and clock times."""

    section_clicked = pyqtSignal(str)

    def __init__(self, session: Session) -> None:
        super().__init__(session)
        self.setAccessibleName("Song")

    def layout_now(self) -> Layout | None:
        """The song laid out."""
        return self.session.layout()

    def x_at(self, layout: Layout, tick: float) -> float:
        """Where a tick lies. The ruler is in musical time."""
        return LABELS + (self.width() - LABELS - 2) * tick / max(1, layout.ticks)

    def playhead_x(self) -> float | None:
        """The playhead lies where the song is."""
        layout = self.layout_now()
        if layout is None or not self.session.running:
            return None
        return round(self.x_at(layout, self.session.song_tick_now()), 1)

    def mousePressEvent(self, event: QMouseEvent | None) -> None:
        """A click selects a section."""
        layout = self.layout_now()
        if event is None or layout is None:
            return
        self.setFocus()
        for span in layout.spans:
            left, right = self.x_at(layout, span.tick), self.x_at(layout, span.end)
            if left <= event.position().x() < right:
                self.section_clicked.emit(span.section.id)

    def paint_still(self, painter: QPainter) -> None:
        """Draw the song."""
        layout = self.layout_now()
        if layout is None or not layout.spans:
            words = "This song cannot be laid out; the findings in Rig say why."
            draw.text(painter, LABELS, 60, words, self.palette_now.muted)
            return
        project = self.session.project
        stretches = bands(project, layout)
        devices = project.players
        bottom = float(self.height()) - 8
        room = bottom - TOP - ENERGY - 20
        row = min(MAX_ROW, room / max(1, len(devices)))
        self._paint_sections(painter, layout, bottom)
        for index, device in enumerate(devices):
            middle = TOP + row * (index + 0.5) + 6
            self._paint_label(painter, middle, device.name, device.label or device.kind)
            own = [s for s in stretches if s.device == device.id]
            for stretch in own:
                self._paint_stretch(painter, layout, stretch, middle, row)
        top = TOP + row * len(devices) + 20
        self._paint_energy(painter, layout, stretches, top, min(bottom - 6, top + ENERGY))

    def _paint_label(self, painter: QPainter, middle: float, name: str, below: str) -> None:
        p = self.palette_now
        draw.text(painter, 0, middle - 2, name, p.ink, size=16, weight=600, width=LABELS - 12)
        draw.text(painter, 0, middle + 15, below, p.muted, size=12, width=LABELS - 12)

    def _paint_sections(self, painter: QPainter, layout: Layout, bottom: float) -> None:
        p = self.palette_now
        tempo = layout.tempo
        for span in layout.spans:
            left, right = self.x_at(layout, span.tick), self.x_at(layout, span.end)
            selected = span.section.id == self.session.selected_section
            draw.fill(painter, left, 0, right - left, RULER, p.soft)
            if selected:
                colour = draw.see_through(p.crest, 0.12)
                draw.fill(painter, left, 0, right - left, bottom, colour)
                draw.fill(painter, left, RULER - 3, right - left, 3, p.crest)
            draw.line(painter, left, 0, left, bottom, p.rule)
            wide = right - left - 12
            draw.text(
                painter, left + 8, 23, span.scene.name, p.ink, size=16, weight=600, width=wide
            )
            times = span.section.times
            name_wide = draw.text_width(span.scene.name, 16, 600)
            if times > 1 and name_wide + 40 < wide:
                draw.text(
                    painter, right - 8, 23, f"{times} times", p.muted, size=12, align=draw.RIGHT
                )
            draw.text(painter, left + 4, RULER + 17, str(span.bar), p.ink, size=14, weight=600)
            at = clock_text(tempo.seconds_at(span.tick))
            draw.text(painter, left + 4, RULER + 33, at, p.muted, size=12)
            notes = []
            if span.section.bpm is not None:
                over = f" over {span.section.ramp_bars} bars" if span.section.ramp_bars else ""
                notes.append(f"to {span.section.bpm:g}{over}")
            if str(span.scene.meter) != "4/4":
                notes.append(str(span.scene.meter))
            if notes:
                words = ", ".join(notes)
                draw.text(
                    painter,
                    left + 34,
                    RULER + 17,
                    words,
                    p.crest,
                    size=12,
                    weight=600,
                    width=wide - 34,
                )

    def _paint_stretch(
        self, painter: QPainter, layout: Layout, stretch: Stretch, middle: float, row: float
    ) -> None:
        p = self.palette_now
        left = self.x_at(layout, stretch.tick)
        right = self.x_at(layout, stretch.tick + stretch.ticks)
        if not stretch.patterns:
            draw.line(painter, left, middle, right, middle, p.rule, 1.5, Qt.PenStyle.DotLine)
            if stretch.changes:
                draw.ring(painter, left + 1, middle, 5, p.water, p.ground)
                draw.text(painter, left + 9, middle - 8, "silent", p.muted, size=12)
            return
        share = min(1.0, stretch.density / FULL_DENSITY)
        thick = 4 + share * (row * 0.4)
        box = QRectF(left, middle - thick / 2, right - left - 1, thick)
        colour = p.water if stretch.changes else draw.see_through(p.water, 0.7)
        if stretch.muted:
            draw.panel(painter, box, p.ground, p.crest)
            draw.hatch(painter, box, p.crest)
        else:
            draw.fill(painter, box.left(), box.top(), box.width(), box.height(), colour)
        if stretch.changes:
            draw.ring(painter, left + 1, middle, 5, p.water, p.ground)
            words = ", ".join(stretch.patterns)
            y = middle - thick / 2 - 6
            draw.text(painter, left + 9, y, words, p.ink, size=12, width=right - left - 12)

    def _paint_energy(
        self, painter: QPainter, layout: Layout, stretches: tuple[Stretch, ...],
        top: float, bottom: float,
    ) -> None:  # fmt: skip
        p = self.palette_now
        amounts = energy(stretches)
        most = max([*amounts.values(), 1.0])
        self._paint_label(painter, bottom - 26, "Energy", "hits a beat, all boxes")
        points = [QPointF(self.x_at(layout, 0), bottom)]
        for span in layout.spans:
            y = bottom - (bottom - top) * amounts.get(span.section.id, 0.0) / most
            points.append(QPointF(self.x_at(layout, span.tick), y))
            points.append(QPointF(self.x_at(layout, span.end), y))
        points.append(QPointF(self.x_at(layout, layout.ticks), bottom))
        painter.setBrush(draw.see_through(p.water, 0.2))
        painter.setPen(QPen(p.water, 2))
        painter.drawPolygon(QPolygonF(points))
