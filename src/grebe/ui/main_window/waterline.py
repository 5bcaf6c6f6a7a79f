"""The waterline: run and stop, one bar of time with everybody's beats, tempo. In every view."""

from __future__ import annotations

from PyQt6.QtCore import QRectF, Qt, pyqtSignal
from PyQt6.QtGui import QColor, QKeyEvent, QMouseEvent, QPainter, QPaintEvent, QPen
from PyQt6.QtWidgets import QLabel, QPushButton, QWidget

from grebe.app.live.session import Session
from grebe.core.rig.model import GREBE_ID
from grebe.core.time.meter import Meter
from grebe.core.time.ticks import TICKS_PER_QUARTER
from grebe.ui.widgets import draw
from grebe.ui.widgets.formatting import late_text
from grebe.ui.widgets.guard import TouchGuard
from grebe.ui.widgets.theme import CORNER, DAY, Palette
from grebe.words import counted, tr

HEIGHT = 84
SURFACE_LEFT = 296
SURFACE_RIGHT = 334
"""Room kept at the right for names and tempo."""
PEER_TOLERANCE_MS = 1.0
"""Another computer farther off than this is named."""
FULL_MS = 6.0
"""Deviation drawn at full height; larger ones are cut off there and stand at the right in words."""


class Figure(QLabel):
    """A line of words or a figure; a label, painted as all else is."""

    def __init__(
        self, parent: QWidget, size: int, weight: int = 400,
        align: Qt.AlignmentFlag = draw.LEFT,
    ) -> None:  # fmt: skip
        super().__init__(parent)
        self._look = (size, weight, align)
        self.colour = DAY.ink
        self.setAttribute(Qt.WidgetAttribute.WA_TransparentForMouseEvents)

    def say(self, words: str, colour: QColor, weight: int | None = None) -> None:
        """Other words, or in another colour."""
        size, before, align = self._look
        look = (size, before if weight is None else weight, align)
        if (words, colour, look) != (self.text(), self.colour, self._look):
            self._look, self.colour = look, colour
            self.setText(words)
            self.update()

    def paintEvent(self, a0: QPaintEvent | None) -> None:
        """Draw it, on its own baseline."""
        del a0
        size, weight, align = self._look
        x = self.width() if align == draw.RIGHT else 0
        painter = QPainter(self)
        draw.text(painter, x, round(self.height() * 0.78), self.text(), self.colour,
                  size=size, weight=weight, align=align, width=self.width())  # fmt: skip


class RunButton(QPushButton):
    """Run and stop; on Stage a touch of it has to be held."""

    def __init__(self, session: Session, parent: QWidget) -> None:
        super().__init__(tr("Run"), parent)
        self._guard = TouchGuard(session)
        self.palette_now: Palette = DAY
        self.ready = False
        """Whether there is an engine to run."""
        self.setFocusPolicy(Qt.FocusPolicy.TabFocus)
        self.setCursor(Qt.CursorShape.PointingHandCursor)

    def mousePressEvent(self, e: QMouseEvent | None) -> None:
        """At once, or when it has been held."""
        if e is not None and e.button() == Qt.MouseButton.LeftButton:
            self.setDown(True)
            if self._guard.press(e.position()):
                self.clicked.emit()

    def mouseReleaseEvent(self, e: QMouseEvent | None) -> None:
        """The end of a touch."""
        self.setDown(False)
        if e is not None and self._guard.release(e.position()):
            self.clicked.emit()

    def keyPressEvent(self, e: QKeyEvent | None) -> None:
        """Enter and Space press it, once."""
        press_by_key(self, e)

    def paintEvent(self, a0: QPaintEvent | None) -> None:
        """Draw it."""
        del a0
        p, box = self.palette_now, QRectF(self.rect()).adjusted(4, 4, -4, -4)
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        draw.panel(painter, box, p.water if self.ready else p.soft)
        colour = p.on_water if self.ready else p.muted
        draw.text(painter, box.center().x(), box.center().y() + 7, self.text(), colour,
                  size=20, weight=600, align=draw.CENTRE)  # fmt: skip
        if self.hasFocus():
            painter.setBrush(Qt.BrushStyle.NoBrush)
            painter.setPen(QPen(p.crest, 3))
            painter.drawRoundedRect(QRectF(self.rect()).adjusted(2, 2, -2, -2), CORNER, CORNER)


class TapButton(QPushButton):
    """The tempo, which takes taps."""

    def __init__(self, parent: QWidget) -> None:
        super().__init__(tr("Tap the tempo"), parent)
        self.palette_now: Palette = DAY
        self.setFocusPolicy(Qt.FocusPolicy.TabFocus)

    def mousePressEvent(self, e: QMouseEvent | None) -> None:
        """A tap counts when it comes down."""
        if e is not None and e.button() == Qt.MouseButton.LeftButton:
            self.clicked.emit()

    def mouseReleaseEvent(self, e: QMouseEvent | None) -> None:
        """It has counted."""

    def keyPressEvent(self, e: QKeyEvent | None) -> None:
        """Enter and Space tap."""
        press_by_key(self, e)

    def paintEvent(self, a0: QPaintEvent | None) -> None:
        """An edge while it has the focus; its figures are labels over it."""
        del a0
        if self.hasFocus():
            painter = QPainter(self)
            painter.setRenderHint(QPainter.RenderHint.Antialiasing)
            painter.setPen(QPen(self.palette_now.crest, 3))
            painter.drawRoundedRect(QRectF(self.rect()).adjusted(2, 2, -2, -2), CORNER, CORNER)


def press_by_key(button: QPushButton, event: QKeyEvent | None) -> None:
    """Enter and Space press a button once; another key is the window's."""
    if event is None:
        return
    if event.key() in (Qt.Key.Key_Return, Qt.Key.Key_Enter, Qt.Key.Key_Space):
        if not event.isAutoRepeat():
            button.clicked.emit()
    else:
        event.ignore()


class Waterline(QWidget):
    """The bottom of the window, under every station: Run, tempo, who leads, and where the song
    is."""

    run_clicked = pyqtSignal()
    tap_clicked = pyqtSignal()

    def __init__(self, session: Session, parent: QWidget | None = None) -> None:
        super().__init__(parent)
        self.session = session
        self.palette_now: Palette = DAY
        self.setFixedHeight(HEIGHT)
        self.setAccessibleName(tr("Waterline"))
        self.run = RunButton(session, self)
        self.run.clicked.connect(self.run_clicked)
        self.tap = TapButton(self)
        self.tap.clicked.connect(self.tap_clicked)
        self.place = Figure(self, 26, 600)
        self.of_bars = Figure(self, 12)
        self.verdicts = [Figure(self, 14) for _ in range(3)]
        self.pushed = Figure(self, 12, align=draw.RIGHT)
        self.tempo = Figure(self, 26, 600, draw.RIGHT)
        self.led_by = Figure(self, 12, align=draw.RIGHT)
        self._arrange()

    def _arrange(self) -> None:
        """Put everything in its place."""
        right = self.width() - SURFACE_RIGHT + 12
        self.run.setGeometry(12, 15, 116, 54)
        self.place.setGeometry(142, 20, 120, 32)
        self.of_bars.setGeometry(142, 52, 124, 16)
        for index, line in enumerate(self.verdicts):
            line.setGeometry(right, 9 + index * 19, 150, 19)
        self.tap.setGeometry(self.width() - 130, 10, 122, self.height() - 20)
        self.pushed.setGeometry(self.width() - 258, 4, 240, 17)
        self.tempo.setGeometry(self.width() - 138, 20, 120, 32)
        self.led_by.setGeometry(self.width() - 172, 52, 154, 16)

    def resizeEvent(self, event: object) -> None:
        """Another width."""
        del event
        self._arrange()

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        """Left and right go from one of its buttons to the other."""
        if event is None:
            return
        to = {Qt.Key.Key_Left: self.run, Qt.Key.Key_Right: self.tap}.get(Qt.Key(event.key()))
        if to is None:
            event.ignore()
        else:
            to.setFocus()

    def set_palette(self, palette: Palette) -> None:
        """Take the colours of a theme."""
        self.palette_now = self.run.palette_now = self.tap.palette_now = palette
        self.follow()

    def follow(self) -> None:
        """Say what is so now, and draw the water: many times a second."""
        self._say_left()
        self._say_right()
        self.update()

    def paintEvent(self, event: QPaintEvent | None) -> None:
        """Draw the water: it changes many times a second."""
        del event
        p = self.palette_now
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        draw.fill(painter, 0, 0, self.width(), self.height(), p.panel)
        draw.line(painter, 0, 1, self.width(), 1, p.rule, 2)
        self._paint_surface(painter)

    def _say_left(self) -> None:
        p, session = self.palette_now, self.session
        ready, running = session.link.state == "on", session.running
        words = tr("Stop") if running else tr("Run")
        if (words, ready) != (self.run.text(), self.run.ready):
            self.run.ready = ready
            self.run.setText(words)
            self.run.update()
        bar, beat = self._bar_beat()
        place = f"{bar}.{beat}" if running else "-.-"
        coming = session.position.beats_to_come()
        if coming:
            place = tr("in {coming}", coming=coming)
        self.place.say(place, p.ink)
        layout = session.derived.layout()
        below = tr("bar.beat")
        if layout is not None:
            below = tr("bar.beat   of {bars}", bars=layout.bars)
        self.of_bars.say(below, p.muted)

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

    def _say_right(self) -> None:
        p, session = self.palette_now, self.session
        lines = self._verdict()[:3]
        for index, label in enumerate(self.verdicts):
            words, colour, weight = lines[index] if index < len(lines) else ("", p.muted, 400)
            label.say(words, colour, weight)
        now = session.position.now()
        self.tempo.say(
            f"{now.bpm:.2f}" if now.running or session.song or now.leader else "0.00", p.ink
        )
        self.led_by.say(self._led_by(), p.muted)
        self.pushed.say(self._by_hand(), p.crest)

    def _by_hand(self) -> str:
        """What was done to the tempo by hand."""
        tempo = self.session.tempo
        if tempo.pushed:
            return tr("pushed {pushed:+g} %", pushed=tempo.pushed)
        if tempo.tapped is not None:
            return tr("tapped {low:.1f} to {high:.1f}", low=tempo.tapped.low,
                      high=tempo.tapped.high)  # fmt: skip
        return ""

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
        if status is not None and rig.leader not in (None, GREBE_ID):
            return tr("BPM  tap T  {led} not heard", led=led)
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
        names = {d.id: d for d in session.project.rig.lines}
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
