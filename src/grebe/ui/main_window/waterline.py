"""The waterline: run and stop, one bar of time with everybody's beats, tempo. In every view."""

from __future__ import annotations

from PyQt6.QtCore import QPointF, QRectF, Qt, pyqtSignal
from PyQt6.QtGui import QColor, QKeyEvent, QMouseEvent, QPainter, QPaintEvent, QPen
from PyQt6.QtWidgets import QWidget

from grebe.app.live.session import Session
from grebe.core.time.meter import Meter
from grebe.core.time.ticks import TICKS_PER_QUARTER
from grebe.ui.widgets import draw
from grebe.ui.widgets.formatting import late_text
from grebe.ui.widgets.guard import TouchGuard
from grebe.ui.widgets.theme import CORNER, DAY, Palette
from grebe.words import counted, tr

HEIGHT = 84
SURFACE_LEFT = 270
SURFACE_RIGHT = 270
"""Room kept at the right for names and tempo."""
PEER_TOLERANCE_MS = 1.0
"""Another computer farther off than this is named."""
FULL_MS = 6.0
"""Deviation drawn at full height; larger ones are cut off there and stand at the right in words."""


class Waterline(QWidget):
    """The bottom of the window."""

    run_clicked = pyqtSignal()
    tap_clicked = pyqtSignal()

    def __init__(self, session: Session, parent: QWidget | None = None) -> None:
        super().__init__(parent)
        self.session = session
        self._guard = TouchGuard(session)
        self.palette_now: Palette = DAY
        self.setFixedHeight(HEIGHT)
        self.setFocusPolicy(Qt.FocusPolicy.TabFocus)
        self.points_at_tap = False
        """What Enter presses, while it has the focus: the tap at the right, or run and stop."""
        self.setAccessibleName(tr("Waterline"))

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        """Left and right choose between run and tap, Enter or Space presses."""
        if event is None:
            return
        if event.key() in (Qt.Key.Key_Left, Qt.Key.Key_Right):
            self.points_at_tap = event.key() == Qt.Key.Key_Right
            self.update()
        elif event.key() in (Qt.Key.Key_Return, Qt.Key.Key_Enter, Qt.Key.Key_Space):
            if not event.isAutoRepeat():
                (self.tap_clicked if self.points_at_tap else self.run_clicked).emit()
        else:
            super().keyPressEvent(event)

    def mousePressEvent(self, event: QMouseEvent | None) -> None:
        """The button at the left runs and stops; the tempo at the right takes taps."""
        if event is None:
            return
        if event.position().x() > self.width() - 120:
            self.tap_clicked.emit()
        elif self._guard.press(event.position()):
            self._touch(event.position())

    def mouseReleaseEvent(self, event: QMouseEvent | None) -> None:
        """On Stage a touch of the button has to be held."""
        if event is not None and self._guard.release(event.position()):
            self._touch(event.position())

    def _touch(self, at: QPointF) -> None:
        if self._button().contains(at):
            self.run_clicked.emit()

    def _button(self) -> QRectF:
        return QRectF(16, 19, 108, 46)

    def paintEvent(self, event: QPaintEvent | None) -> None:
        """Draw it all: it changes many times a second."""
        del event
        p = self.palette_now
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        draw.fill(painter, 0, 0, self.width(), self.height(), p.panel)
        draw.line(painter, 0, 1, self.width(), 1, p.rule, 2)
        self._paint_left(painter)
        self._paint_surface(painter)
        self._paint_right(painter)
        if self.hasFocus():
            tap = QRectF(self.width() - 130, 10, 122, self.height() - 20)
            box = tap if self.points_at_tap else self._button().adjusted(-4, -4, 4, 4)
            painter.setBrush(Qt.BrushStyle.NoBrush)
            painter.setPen(QPen(p.crest, 3))
            painter.drawRoundedRect(box, CORNER, CORNER)

    def _paint_left(self, painter: QPainter) -> None:
        p, session = self.palette_now, self.session
        button = self._button()
        ready = session.link.state == "on"
        running = session.running
        draw.panel(painter, button, p.water if ready else p.soft)
        words = tr("Stop") if running else tr("Run")
        colour = p.on_water if ready else p.muted
        draw.text(
            painter, button.center().x(), button.center().y() + 7, words, colour,
            size=20, weight=600, align=draw.CENTRE,
        )  # fmt: skip
        bar, beat = self._bar_beat()
        place = f"{bar}.{beat}" if running else "-.-"
        coming = session.position.beats_to_come()
        if coming:
            place = tr("in {coming}", coming=coming)
        draw.text(painter, 142, 44, place, p.ink, size=26, weight=600)
        layout = session.derived.layout()
        below = "bar.beat"
        if layout is not None:
            below = tr("bar.beat   of {bars}", bars=layout.bars)
        draw.text(painter, 142, 64, below, p.muted, size=12)

    def _meter(self) -> Meter:
        status, layout = self.session.status, self.session.derived.layout()
        if status is not None and layout is not None:
            span = layout.span_of(status.section)
            if span is not None:
                return span.scene.meter
        return Meter()

    def _bar_beat(self) -> tuple[int, int]:
        """Bar in the song as written, and beat, both from 1."""
        session = self.session
        layout, status = session.derived.layout(), session.status
        if layout is None or status is None or not session.running:
            return 0, 0
        tick = int(session.position.song_tick_now())
        span = layout.spans[layout.index_at(tick)]
        meter = span.scene.meter
        inside = tick - span.tick
        return (
            span.bar + inside // meter.bar_ticks,
            inside % meter.bar_ticks // meter.beat_ticks + 1,
        )

    def _paint_surface(self, painter: QPainter) -> None:
        p, session = self.palette_now, self.session
        left, right = float(SURFACE_LEFT), self.width() - float(SURFACE_RIGHT)
        top, bottom = 14.0, self.height() - 14.0
        level = (top + bottom) / 2
        meter = self._meter()
        for beat in range(meter.beats + 1):
            x = left + (right - left) * beat / meter.beats
            draw.line(painter, x, top, x, bottom, p.rule)
        draw.text(painter, left - 8, top + 9, tr("early"), p.muted, size=12, align=draw.RIGHT)
        draw.text(painter, left - 8, bottom, tr("late"), p.muted, size=12, align=draw.RIGHT)
        draw.line(painter, left, level, right, level, p.water, 2)
        status = session.status
        if status is None:
            return
        bar_ticks = meter.bar_ticks
        now = session.position.tick_now()
        bar_start = status.section_tick + (now - status.section_tick) // bar_ticks * bar_ticks
        for index, device in enumerate(session.project.rig.timed):
            for deviation in session.position.deviations.get(device.id, ()):
                back = (bar_start - deviation.tick) / TICKS_PER_QUARTER
                this_bar = deviation.tick >= bar_start
                if back > bar_ticks / TICKS_PER_QUARTER or deviation.tick > now:
                    continue
                phase = (deviation.tick - status.section_tick) % bar_ticks / bar_ticks
                if not this_bar and bar_start + phase * bar_ticks <= now:
                    continue  # this bar's own beat has taken its place
                x = left + (right - left) * phase + 5 + index * 6
                height = max(-1.0, min(1.0, deviation.ms / FULL_MS)) * (bottom - level)
                off = abs(deviation.ms) > device.tolerance_ms
                colour = p.eye if off else p.water
                if not this_bar:
                    colour = draw.see_through(colour, 0.35)
                draw.line(painter, x, level, x, level + (height or 1), colour, 3)
        for index, peer in enumerate(session.network.rows if session.network.leads else ()):
            if peer.standing == "here" and peer.offset_ms is not None:
                x = right - 8 - index * 13
                height = max(-1.0, min(1.0, peer.offset_ms / FULL_MS)) * (bottom - level)
                off = abs(peer.offset_ms) > PEER_TOLERANCE_MS
                draw.ring(painter, x, level + height, 3.5, p.eye if off else p.reed, p.panel)
        if session.running:
            x = left + (right - left) * (now - bar_start) / bar_ticks
            draw.playhead(painter, p, x, top - 6, bottom + 6)

    def _paint_right(self, painter: QPainter) -> None:
        p, session = self.palette_now, self.session
        x = self.width() - SURFACE_RIGHT + 12
        lines = self._verdict()
        for index, (words, colour, weight) in enumerate(lines[:3]):
            draw.text(painter, x, 24 + index * 19, words, colour, size=14, weight=weight, width=150)
        status, song = session.status, session.song
        bpm = status.bpm if status is not None and status.running else song.bpm if song else 0.0
        right = self.width() - 18
        draw.text(painter, right, 44, f"{bpm:.2f}", p.ink, size=26, weight=600, align=draw.RIGHT)
        draw.text(painter, right, 64, self._led_by(), p.muted, size=12, align=draw.RIGHT)
        if session.tempo.pushed:
            words = tr("pushed {pushed:+g} %", pushed=session.tempo.pushed)
            draw.text(painter, right, 17, words, p.crest, size=12, align=draw.RIGHT)
        elif session.tempo.tapped is not None:
            fit = session.tempo.tapped
            words = tr("tapped {low:.1f} to {high:.1f}", low=fit.low, high=fit.high)
            draw.text(painter, right, 17, words, p.crest, size=12, align=draw.RIGHT)

    def _led_by(self) -> str:
        """Who leads, and what is heard of a leader that Grebe follows."""
        session, status = self.session, self.session.status
        rig = session.project.rig
        led = rig.name_of(rig.leader) if rig.leader else tr("nobody")
        if status is not None and status.follows:
            name = rig.name_of(status.follows)
            heard = {
                "none": tr("waits for {name}", name=name),
                "held": tr("holds {name}'s tempo", name=name),
            }
            return heard.get(status.hearing, tr("follows {name}", name=name))
        return tr("BPM  tap T  led by {led}", led=led)

    def _computers(self) -> list[tuple[str, QColor, int]]:
        """Other computers of the session: those that are off by name, else how many there are."""
        p, network = self.palette_now, self.session.network
        if not network.leads:
            return []
        late = [(r, r.offset_ms) for r in network.rows if r.offset_ms is not None]
        off = [(r, ms) for r, ms in late if abs(ms) > PEER_TOLERANCE_MS + r.spread_ms]
        if off:
            return [(f"{r.name} {late_text(ms)}", p.eye, 600) for r, ms in off]
        here = sum(r.standing == "here" for r in network.rows)
        if not here:
            return []
        worst = max((abs(ms) for _, ms in late), default=0.0)
        words = tr(
            "{computers}, {max:.2f} ms", computers=counted(here, "computer"), max=max(worst, 0.01)
        )
        return [(words, p.muted, 400)]

    def _verdict(self) -> list[tuple[str, QColor, int]]:
        p, session = self.palette_now, self.session
        status = session.status
        if session.link.state == "starting":
            return [(tr("Starting the engine"), p.muted, 400)]
        if session.link.state == "other":
            return [(tr("The engine plays"), p.sand, 600), ("another project", p.sand, 600)]
        if session.link.state != "on" or status is None:
            return [(tr("No engine"), p.eye, 600)]
        names = {d.id: d for d in session.project.rig.devices}
        off: list[tuple[str, QColor, int]] = []
        good: list[str] = []
        worst = 0.0
        for row in status.devices:
            device = names.get(row.id)
            if device is None:
                continue
            if row.line_problem:
                off.append((tr("{device}: pulses gone", device=device.name), p.eye, 600))
            elif row.port == "gone":
                off.append((tr("{device}: port gone", device=device.name), p.eye, 600))
            elif (off_ms := session.position.off_by_ms(device)) is not None:
                off.append((f"{device.name} {late_text(off_ms)}", p.eye, 600))
            elif row.sent:
                good.append(device.name)
                worst = max(worst, abs(row.late_ms))
        off += self._computers()
        if good and status.running:
            off.append((", ".join(good), p.muted, 400))
            off.append((tr("within {max:.1f} ms", max=max(worst, 0.1)), p.muted, 400))
        if not off:
            words = tr("No box is heard yet") if status.running else tr("Nothing sounds before Run")
            return [(words, p.muted, 400)]
        return off
