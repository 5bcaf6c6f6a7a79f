"""Stage: readable at two metres, always dark."""

from __future__ import annotations

from dataclasses import dataclass

from PyQt6.QtCore import QRectF
from PyQt6.QtGui import QPainter, QPaintEvent, QPen

from grebe.app.scene_book import Passage, SceneBook
from grebe.app.session import Session
from grebe.core.rig.model import Device
from grebe.core.songs.layout import Layout, Span
from grebe.core.songs.model import Scene
from grebe.core.time.ticks import TICKS_PER_QUARTER
from grebe.ui import draw
from grebe.ui.theme import NIGHT
from grebe.ui.widgets import Canvas
from grebe.ui.words import clock_text, counted, late_text, seconds_text

DESIGN_HEIGHT = 650.0
"""Height of the canvas at which sizes are as given; a larger screen scales them up."""
MAX_BLOCKS = 32
MOST_MOVES = 2
"""Moves by hand spelled out at a time."""


@dataclass(frozen=True)
class Now:
    """What Stage says, worked out from the engine's last word."""

    span: Span
    following: Span | None
    bar: int
    """Bar in this section, from 1."""
    bars: int
    beat: int
    beats: int
    number: int
    """Which pass, from 1."""
    passes: int
    to_go_ticks: float
    to_go_s: float


def now_of(session: Session, layout: Layout) -> Now | None:
    """Where the song is; None while nothing plays."""
    status = session.status
    if status is None or not status.running:
        return None
    span = layout.span_of(status.section)
    if span is None:
        return None
    meter = span.scene.meter
    inside = max(0.0, session.tick_now() - status.section_tick)
    planned = max(span.ticks, status.boundary - status.section_tick if status.boundary else 0)
    bars = -(-planned // meter.bar_ticks)
    to_go = max(0.0, status.boundary - session.tick_now())
    return Now(
        span=span,
        following=layout.span_of(status.next_section),
        bar=min(bars, int(inside // meter.bar_ticks) + 1),
        bars=bars,
        beat=int(inside % meter.bar_ticks // meter.beat_ticks) + 1,
        beats=meter.beats,
        number=int(inside // span.pass_ticks) + 1,
        passes=max(span.section.times, -(-planned // span.pass_ticks)),
        to_go_ticks=to_go,
        to_go_s=to_go / TICKS_PER_QUARTER * 60 / max(1.0, status.bpm),
    )


class StageCanvas(Canvas):
    """Draws everything anew: it changes with every beat."""

    def __init__(self, session: Session) -> None:
        super().__init__(session)
        self.palette_now = NIGHT
        self._book = SceneBook()
        self.setAccessibleName("Stage")

    def paintEvent(self, event: QPaintEvent | None) -> None:
        """Draw Stage."""
        del event
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        draw.fill(painter, 0, 0, self.width(), self.height(), NIGHT.ground)
        layout = self.session.layout()
        if layout is None or not layout.spans:
            draw.text(painter, 24, 80, "No song to play", NIGHT.ink, size=44, weight=600)
            return
        scale = min(self.height() / DESIGN_HEIGHT, self.width() / 1150.0)
        painter.scale(scale, scale)
        wide, tall = self.width() / scale, self.height() / scale
        now = now_of(self.session, layout)
        self._paint_top(painter, layout, now, wide)
        split = wide * 0.635
        upper = tall - 264
        self._paint_now(painter, layout, now, QRectF(0, 44, split, upper))
        self._paint_next(painter, layout, now, QRectF(split + 16, 44, wide - split - 17, upper))
        self._paint_mutes(painter, QRectF(0, 44 + upper + 16, wide, 100))
        self._paint_ribbon(painter, layout, now, QRectF(0, 44 + upper + 134, wide, 60))

    def _paint_top(self, painter: QPainter, layout: Layout, now: Now | None, wide: float) -> None:
        project, p = self.session.project, NIGHT
        ids = [s.id for s in project.songs]
        place = f"{layout.song.name}   song {ids.index(layout.song.id) + 1} of {len(ids)}"
        name = project.sets[0].name if project.sets else project.name
        wide_name = draw.text(painter, 0, 24, name, p.muted, size=20, weight=600)
        draw.text(painter, wide_name + 28, 24, place, p.muted, size=20)
        tempo = layout.tempo
        length = tempo.seconds_at(layout.ticks)
        at = tempo.seconds_at(int(self.session.song_tick_now())) if now else 0.0
        words = f"{clock_text(at)}   {clock_text(length - at)} left"
        draw.text(painter, wide, 24, words, p.muted, size=20, align=draw.RIGHT)

    def _paint_now(self, painter: QPainter, layout: Layout, now: Now | None, box: QRectF) -> None:
        p = NIGHT
        draw.panel(painter, box, p.panel)
        x, right, y = box.left() + 28, box.right() - 28, box.top()
        status = self.session.status
        held = status is not None and status.held
        coming = self.session.beats_to_come()
        label = "COUNTING IN" if coming else "HELD" if held else "NOW" if now else "READY"
        draw.text(painter, x, y + 40, label, p.crest if held else p.muted, size=20, weight=600)
        span = now.span if now else layout.spans[0]
        count_room = 190
        draw.text(
            painter, x, y + 122, span.scene.name, p.ink, size=92, weight=700,
            width=box.width() - 56 - count_room,
        )  # fmt: skip
        if now is None:
            words = (
                f"{layout.song.bpm:g} BPM, {counted(layout.bars, 'bar')}. Space runs from the top."
            )
            draw.text(painter, x, y + 166, words, p.muted, size=26)
            self._paint_keys(painter, box)
            return
        below = f"pass {now.number} of {now.passes}" if now.passes > 1 else "one pass"
        draw.text(painter, x, y + 166, below, p.muted, size=26)
        draw.text(
            painter, right, y + 122, str(coming or now.bar), p.crest if coming else p.ink,
            size=120, weight=600, align=draw.RIGHT,
        )  # fmt: skip
        words = "held" if held else f"of {counted(now.bars, 'bar')}"
        if coming:
            words = "beats to go" if coming > 1 else "beat to go"
        draw.text(painter, right, y + 166, words, p.muted, size=26, align=draw.RIGHT)
        self._paint_bars(painter, now, QRectF(x, y + 192, right - x, 64))
        self._paint_hands(painter, now, x, y + 300, right - x)
        self._paint_keys(painter, box)

    def _paint_bars(self, painter: QPainter, now: Now, box: QRectF) -> None:
        """One block per bar, those gone by filled; the beats of the bar that sounds."""
        p = NIGHT
        bars = min(now.bars, MAX_BLOCKS)
        first = max(0, min(now.bar - bars // 2, now.bars - bars)) if now.bars > bars else 0
        gap = 8 if bars <= 16 else 4
        wide = (box.width() - gap * (bars - 1)) / bars
        for index in range(bars):
            number = first + index + 1
            left = box.left() + index * (wide + gap)
            block = QRectF(left, box.top(), wide, box.height())
            if number < now.bar:
                draw.panel(painter, block, p.water)
                continue
            draw.panel(painter, block, p.soft)
            if number == now.bar:
                each = wide / now.beats
                for beat in range(now.beat):
                    draw.fill(
                        painter, left + beat * each + 1, box.top(), each - 2, box.height(), p.crest
                    )

    def _paint_hands(
        self, painter: QPainter, now: Now, x: float, baseline: float, wide: float
    ) -> None:
        """What the performer has to do before the next section."""
        p = NIGHT
        moves = self._hand_moves(now)
        if now.following is None or not moves:
            words = "The song ends by itself"
            if now.following is not None:
                words = f"Hands free until {now.following.scene.name}"
            draw.text(painter, x, baseline, words, p.muted, size=26, weight=600, width=wide)
            return
        status = self.session.status
        most = 1 if status is not None and status.mutes_by_hand else MOST_MOVES
        lines = moves[:most]
        if len(moves) > most:
            lines[-1] += f", and {len(moves) - most} more"
        for index, words in enumerate(lines):
            y = baseline + index * 32
            draw.diamond(painter, x + 8, y - 8, 8, p.crest)
            draw.text(painter, x + 26, y, words, p.crest, size=26, weight=600, width=wide - 26)

    def _passage(self, here: Scene | None, following: Span) -> Passage:
        """What changes when a section comes in."""
        project, song = self.session.project, self.session.song
        return self._book.passage(project, here, following.scene, following.bpm, song)

    def _hand_moves(self, now: Now) -> list[str]:
        if now.following is None or now.following.scene.id == now.span.scene.id:
            return []
        name_of = self.session.project.rig.name_of
        passage = self._passage(now.span.scene, now.following)
        return [f"{name_of(c.device)} to {c.after}" for c in passage.changes if c.move is not None]

    def _paint_keys(self, painter: QPainter, box: QRectF) -> None:
        p, y = NIGHT, box.bottom() - 22
        x = box.left() + 28
        status = self.session.status
        if status is not None and status.running and status.mutes_by_hand:
            kept = "stay after" if status.mutes_kept else "end with"
            many = counted(len(status.mutes_by_hand), "mute")
            words = f"{many} by hand: {kept} this section, K changes that"
            draw.text(painter, x, y - 30, words, p.crest, size=20, weight=600,
                      width=box.width() - 56)  # fmt: skip
        keys = (("Next bar", "Enter"), ("Cut", "Shift+Enter"), ("Hold", "H"), ("Again", "R"),
                ("Skip", "\u2192"))  # fmt: skip
        for name, key in keys:
            x += draw.text(painter, x, y, f"{name} ", p.muted, size=16, weight=600) + 4
            x += draw.text(painter, x, y, key, p.ink, size=16, weight=600) + 26

    def _paint_next(self, painter: QPainter, layout: Layout, now: Now | None, box: QRectF) -> None:
        p = NIGHT
        status = self.session.status
        launched = status is not None and status.launched
        draw.panel(painter, box, p.ground, p.crest, width=3 if launched else 1.5)
        x, y = box.left() + 24, box.top()
        wide = box.width() - 48
        draw.text(painter, x, y + 40, "NEXT", p.crest, size=20, weight=600)
        following = now.following if now else (layout.spans[0])
        if now is None:
            return self._paint_first(painter, layout, x, y, wide)
        name = following.scene.name if following else "The end"
        draw.text(painter, x, y + 96, name, p.ink, size=60, weight=700, width=wide)
        beat_ticks = now.span.scene.meter.beat_ticks
        beats_left = -(-int(now.to_go_ticks) // beat_ticks)
        bars, beats = divmod(beats_left, now.beats)
        parts = [counted(bars, "bar")] if bars else []
        parts += [counted(beats, "beat")] if beats else []
        when = f"in {' '.join(parts) or 'a moment'} \u00b7 {seconds_text(now.to_go_s)}"
        if status is not None and status.held and not launched:
            when = "when you let go: H, or Enter"
        draw.text(painter, x, y + 134, when, p.crest if launched else p.ink, size=26, width=wide)
        self._paint_changes(painter, now.span, following, QRectF(x, y + 158, wide, 200))
        return None

    def _paint_first(
        self, painter: QPainter, layout: Layout, x: float, y: float, wide: float
    ) -> None:
        span = layout.spans[0]
        draw.text(painter, x, y + 96, span.scene.name, NIGHT.ink, size=60, weight=700, width=wide)
        draw.text(painter, x, y + 134, "with Space", NIGHT.ink, size=26, width=wide)
        self._paint_changes(painter, None, span, QRectF(x, y + 158, wide, 200))

    def _paint_changes(
        self, painter: QPainter, here: Span | None, following: Span | None, box: QRectF
    ) -> None:
        p = NIGHT
        names = {q.id: q.name for q in self.session.project.patterns}
        passage = None
        if following is not None:
            passage = self._passage(None if here is None else here.scene, following)
        for index, device in enumerate(self.session.project.players):
            y = box.top() + 22 + index * 34
            if y > box.bottom():
                break
            draw.text(painter, box.left(), y, device.name, p.ink, size=20, weight=600, width=96)
            after = following.scene.part(device.id).chain if following else ()
            told = " \u00b7 ".join(dict.fromkeys(names.get(q, q) for q in after)) or "silent"
            found = () if passage is None else passage.of(device.id)
            words = ", ".join(c.after for c in found)
            if not found:
                words = f"stays on {told}" if after else "stays silent"
            by_hand = any(c.move is not None for c in found)
            colour = p.water if found else p.muted
            if by_hand:
                draw.diamond(painter, box.left() + 104, y - 7, 6, p.crest)
                words, colour = f"{words}: by hand", p.crest
            elif found:
                draw.ring(painter, box.left() + 104, y - 7, 5, p.water, p.ground)
            draw.text(
                painter, box.left() + 118, y, words, colour, size=20,
                weight=600 if found else 400, width=box.width() - 118,
            )  # fmt: skip

    def _paint_mutes(self, painter: QPainter, box: QRectF) -> None:
        p, status = NIGHT, self.session.status
        silent = set(status.mutes) if status is not None else set()
        ports = {d.id: d.port for d in status.devices} if status is not None else {}
        devices = self.session.project.players[:8]
        gap = 10.0
        count = max(4, len(devices))
        wide = min(240.0, (box.width() - 3 - gap * (count - 1)) / count)
        for index, device in enumerate(devices):
            block = QRectF(
                box.left() + 1 + index * (wide + gap), box.top() + 2, wide, box.height() - 4
            )
            muted = (device.id, "") in silent
            gone = ports.get(device.id) == "gone"
            edge = p.eye if gone else p.rule if muted else p.water
            draw.panel(painter, block, p.ground if muted else p.soft, edge, width=2)
            if muted:
                draw.hatch(painter, block.adjusted(6, 6, -6, -6), p.rule)
            x, y = block.left() + 14, block.top()
            colour = p.muted if muted else p.ink
            draw.text(painter, x, y + 36, device.name, colour, size=26, weight=600, width=wide - 28)
            off_ms = self.session.off_by_ms(device)
            wrong = gone or off_ms is not None
            words = self._state(device, muted=muted) if off_ms is None else late_text(off_ms)
            draw.text(
                painter, x, y + 62, "port gone" if gone else words, p.eye if wrong else colour,
                size=20, weight=600 if wrong else 400, width=wide - 28,
            )  # fmt: skip
            draw.text(
                painter, block.right() - 12, block.bottom() - 10, str(index + 1), p.muted,
                size=16, align=draw.RIGHT,
            )  # fmt: skip

    def _state(self, device: Device, *, muted: bool) -> str:
        status, layout = self.session.status, self.session.layout()
        if muted:
            by_hand = device.plays == "own" and device.mute_controller is None
            return "mute it by hand" if by_hand else "muted"
        if status is None or not status.running or layout is None:
            return "ready"
        span = layout.span_of(status.section)
        if span is None:
            return "ready"
        return "sounding" if span.scene.part(device.id).chain else "silent here"

    def _paint_ribbon(
        self, painter: QPainter, layout: Layout, now: Now | None, box: QRectF
    ) -> None:
        p = NIGHT
        total = max(1, layout.ticks)
        for span in layout.spans:
            left = box.left() + box.width() * span.tick / total
            wide = box.width() * span.ticks / total - 4
            block = QRectF(left, box.top(), wide, box.height())
            here = now is not None and span.section.id == now.span.section.id
            coming = (
                now is not None
                and now.following is not None
                and span.section.id == now.following.section.id
            )
            draw.panel(painter, block, p.water if here else p.panel, p.crest if coming else None,
                       width=2)  # fmt: skip
            colour = p.ground if here else p.ink if coming else p.muted
            draw.text(
                painter, left + 10, box.center().y() + 7, span.scene.name, colour,
                size=20, weight=600, width=wide - 14,
            )  # fmt: skip
        if now is not None:
            x = box.left() + box.width() * self.session.song_tick_now() / total
            painter.setPen(QPen(p.crest, 3))
            draw.line(painter, x, box.top() - 6, x, box.bottom() + 6, p.crest, 3)
