"""Stems on waterlines: a pattern's voices, each with its own length."""

from __future__ import annotations

from PyQt6.QtCore import QPointF, QRectF, Qt, pyqtSignal
from PyQt6.QtGui import QMouseEvent, QPainter, QPen

from grebe.app.session import Session
from grebe.core.patterns.model import Content, Hit, Pattern, Voice
from grebe.core.time.ticks import TICKS_PER_QUARTER
from grebe.core.units import MAX_STEPS
from grebe.ui import draw
from grebe.ui.widgets import PlayheadCanvas
from grebe.ui.words import counted, note_name

LABELS = 128.0
TOP = 30.0
ACCENT = 120
"""From this velocity a stem has a head."""
CLICK_PX = 4.0
MAX_ROW = 104.0
TALL_ROW = 220.0
"""Where there are one or two voices, pitches and velocities get more room."""


class PatternCanvas(PlayheadCanvas):
    """Draws a pattern and turns the pointer into edits."""

    hit_written = pyqtSignal(str, int, int)
    """Voice, step, velocity."""
    hit_removed = pyqtSignal(str, int)
    length_dragged = pyqtSignal(str, int)
    cursor_moved = pyqtSignal(str, int)
    drag_ended = pyqtSignal()

    def __init__(self, session: Session) -> None:
        super().__init__(session)
        self.pattern: Pattern | None = None
        self.place: tuple[str, int] = ("", 0)
        """Where the keys write: voice id and step."""
        self.phase: float | None = None
        """Where in the pattern the music is, in ticks; None when it is not playing."""
        self._drag: tuple[str, str, int, float, bool] | None = None
        self.setAccessibleName("Pattern")

    # Where things are

    @property
    def content(self) -> Content:
        """What is drawn."""
        return self.pattern.content if self.pattern is not None else Content()

    def shown_ticks(self) -> int:
        """Length of the time drawn: the pattern, or a voice that is longer."""
        content = self.content
        return max([content.ticks, *(v.ticks for v in content.voices)])

    def x_at(self, tick: float) -> float:
        """Where a tick lies."""
        return LABELS + 8 + (self.width() - LABELS - 20) * tick / self.shown_ticks()

    def row_height(self) -> float:
        """Height of a voice's row."""
        voices = max(1, len(self.content.voices))
        most = MAX_ROW if voices > 2 else TALL_ROW
        return min(most, (self.height() - TOP - 8) / voices)

    def level(self, row: int) -> float:
        """Height of a voice's waterline."""
        return TOP + self.row_height() * (row + 1) - 14

    def stem_height(self, velocity: int) -> float:
        """Height of a stem."""
        return velocity / 127 * (self.row_height() - 34)

    def place_at(self, x: float, y: float) -> tuple[Voice, int] | None:
        """The voice and the step under a point."""
        row = int((y - TOP) // self.row_height())
        if not 0 <= row < len(self.content.voices) or x < LABELS:
            return None
        voice = self.content.voices[row]
        tick = (x - LABELS - 8) / (self.width() - LABELS - 20) * self.shown_ticks()
        step = round(tick / voice.step_ticks)
        return voice, step

    def playhead_x(self) -> float | None:
        """The playhead lies where the pattern is."""
        return None if self.phase is None else round(self.x_at(self.phase), 1)

    def playhead_span(self) -> tuple[float, float]:
        """From the ruler to the last waterline."""
        return TOP - 16, self.level(len(self.content.voices) - 1) + 8

    # The pointer

    def mousePressEvent(self, event: QMouseEvent | None) -> None:
        """Begin to write, to drag a velocity, or to drag a voice's end."""
        if event is None:
            return
        self.setFocus()
        x, y = event.position().x(), event.position().y()
        place = self.place_at(x, y)
        if place is None:
            return
        voice, step = place
        if abs(x - self.x_at(voice.ticks)) < 7:
            self._drag = ("length", voice.id, step, y, False)
            return
        if step >= voice.length:
            return
        self.cursor_moved.emit(voice.id, step)
        hit = voice.hit_at(step)
        self._drag = ("velocity", voice.id, step, y, hit is not None)
        if hit is None:
            self.hit_written.emit(voice.id, step, 100)

    def mouseMoveEvent(self, event: QMouseEvent | None) -> None:
        """Drag: up is louder, sideways at a voice's end is longer."""
        if event is None or self._drag is None:
            return
        kind, voice_id, step, from_y, existed = self._drag
        voice = next((v for v in self.content.voices if v.id == voice_id), None)
        if voice is None:
            return
        if kind == "length":
            tick = (event.position().x() - LABELS - 8) / (self.width() - LABELS - 20)
            length = round(tick * self.shown_ticks() / voice.step_ticks)
            if 1 <= length <= MAX_STEPS and length != voice.length:
                self.length_dragged.emit(voice_id, length)
            return
        moved = from_y - event.position().y()
        if existed and abs(moved) < CLICK_PX:
            return
        row = self.content.voices.index(voice)
        wanted = (self.level(row) - event.position().y()) / (self.row_height() - 34) * 127
        self._drag = (kind, voice_id, step, -1e9, existed)
        self.hit_written.emit(voice_id, step, min(127, max(1, round(wanted))))

    def mouseReleaseEvent(self, event: QMouseEvent | None) -> None:
        """A click on a hit without a drag removes it."""
        if event is None or self._drag is None:
            return
        kind, voice_id, step, from_y, existed = self._drag
        self._drag = None
        if kind == "velocity" and existed and from_y > -1e8:
            self.hit_removed.emit(voice_id, step)
        self.drag_ended.emit()

    # Drawing

    def paint_still(self, painter: QPainter) -> None:
        """Draw the ruler and every voice."""
        content = self.content
        if not content.voices:
            draw.text(painter, LABELS, 60, "This pattern has no voices.", self.palette_now.muted)
            return
        self._paint_ruler(painter)
        for row, voice in enumerate(content.voices):
            self._paint_voice(painter, row, voice)
        self._paint_cursor(painter)

    def _paint_ruler(self, painter: QPainter) -> None:
        p, step = self.palette_now, self.content.step_ticks
        shown = self.shown_ticks()
        bottom = self.level(len(self.content.voices) - 1) + 8
        count = shown // step
        every = 1 if count <= 32 else 4 if count <= 64 else 16
        for number in range(0, count, every):
            x = self.x_at(number * step)
            if number * step % TICKS_PER_QUARTER == 0:
                draw.line(painter, x - 8, TOP - 4, x - 8, bottom, p.rule)
                if every == 1 or number % (4 * every) == 0:
                    draw.text(painter, x, 14, str(number + 1), p.muted, size=12, align=draw.CENTRE)
            elif every == 1:
                draw.text(painter, x, 12, "\u00b7", p.muted, size=12, align=draw.CENTRE)

    def _paint_voice(self, painter: QPainter, row: int, voice: Voice) -> None:
        p, y = self.palette_now, self.level(row)
        end = self.x_at(voice.ticks)
        full = voice.ticks >= self.shown_ticks()
        draw.text(painter, 0, y - 34, voice.name, p.ink, size=16, weight=600, width=LABELS - 16)
        draw.text(painter, 0, y - 17, f"note {voice.note}", p.muted, size=12)
        colour = p.muted if full else p.crest
        words = f"{counted(voice.length, 'step')} of {voice.rate}"
        draw.text(painter, 0, y - 1, words, colour, size=12, weight=400 if full else 600)
        draw.line(painter, LABELS, y, end if full else end - 4, y, p.water, 2)
        step = voice.step_ticks
        if (self.x_at(step) - self.x_at(0)) > 6:
            for number in range(voice.length):
                x = self.x_at(number * step)
                draw.line(painter, x, y, x, y + 4, p.water)
        for hit in voice.hits:
            self._paint_hit(painter, voice, hit, y)
        if not full:
            draw.line(painter, end - 5, y - 14, end - 5, y + 6, p.crest, 3)
            draw.line(
                painter, end + 2, y, self.x_at(self.shown_ticks()), y, p.rule, 1.5,
                Qt.PenStyle.DotLine,
            )  # fmt: skip
            self._paint_repeats(painter, voice, y)

    def _stem_width(self, voice: Voice) -> float:
        return max(2.0, min(6.0, (self.x_at(voice.step_ticks) - self.x_at(0)) * 0.3))

    def _paint_hit(self, painter: QPainter, voice: Voice, hit: Hit, y: float) -> None:
        p = self.palette_now
        x = self.x_at(hit.step * voice.step_ticks)
        height = self.stem_height(hit.velocity)
        wide = self._stem_width(voice)
        held = self.x_at(hit.step * voice.step_ticks + voice.step_ticks * hit.gate // 100)
        if hit.gate > 100 or hit.note is not None:
            held = min(held, self.x_at(self.shown_ticks()))
            draw.fill(painter, x, y - 4, max(2.0, held - x - 2), 4, draw.see_through(p.water, 0.4))
        draw.fill(painter, x - wide / 2, y - height, wide, height, p.water)
        if hit.velocity >= ACCENT:
            painter.setPen(Qt.PenStyle.NoPen)
            painter.setBrush(p.crest)
            painter.drawEllipse(QPointF(x, y - height), 5, 5)
        if hit.note is not None:
            draw.text(
                painter, x + wide / 2 + 3, y - height + 9, note_name(hit.note), p.muted, size=12
            )

    def _paint_repeats(self, painter: QPainter, voice: Voice, y: float) -> None:
        shown, colour, wide = self.shown_ticks(), self.palette_now.rule, self._stem_width(voice)
        begin = voice.ticks
        while begin < shown:
            for hit in voice.hits:
                tick = begin + hit.step * voice.step_ticks
                if tick < shown:
                    height = self.stem_height(hit.velocity)
                    x = self.x_at(tick)
                    draw.fill(painter, x - wide / 2, y - height, wide, height, colour)
            begin += voice.ticks

    def _paint_cursor(self, painter: QPainter) -> None:
        for row, voice in enumerate(self.content.voices):
            if voice.id == self.place[0]:
                x = self.x_at(self.place[1] * voice.step_ticks)
                half = max(6.0, (self.x_at(voice.step_ticks) - self.x_at(0)) / 2 - 2)
                y = self.level(row)
                tall = self.row_height() - 24
                painter.setBrush(Qt.BrushStyle.NoBrush)
                painter.setPen(QPen(self.palette_now.crest, 1.5))
                painter.drawRoundedRect(QRectF(x - half, y - tall, 2 * half, tall + 7), 4, 4)
