"""A strip per device: its last beats, early above and late below, with their distribution."""

from __future__ import annotations

from collections.abc import Sequence

from PyQt6.QtCore import QPointF, QRectF, pyqtSignal
from PyQt6.QtGui import QColor, QMouseEvent, QPainter

from grebe.app.live.session import Session
from grebe.core.rig.model import Device
from grebe.core.sync.strip import StripFigures, strip_figures
from grebe.core.time.ticks import TICKS_PER_QUARTER
from grebe.protocols.link.messages import Deviation, DeviceStatus
from grebe.ui.stations.sync.computers import signed
from grebe.ui.widgets import draw
from grebe.ui.widgets.controls import Canvas
from grebe.words import tr

HEAD = 40
ROW, LOWEST_ROW = 104.0, 60.0
NAMES = 160.0
FIGURES = 276.0
"""Room for the four figures at the right."""
COLUMNS = (
    (tr("offset"), "ms"),
    (tr("waver"), tr("p95 ms")),
    (tr("drift"), tr("ms a min")),
    (tr("set"), "ms"),
)
SPREAD = 54.0
FULL_MS = 6.0
BINS = 13
WORDS = {
    "": tr("no beats yet"),
    "good": tr("good"),
    "late": tr("late: one number mends it"),
    "early": tr("early: one number mends it"),
    "drifting": tr("drifts: not on the clock"),
    "unsteady": tr("unsteady"),
}


class SyncCanvas(Canvas):
    """Strips of all devices."""

    device_clicked = pyqtSignal(str)

    def __init__(self, session: Session) -> None:
        super().__init__(session)
        self.selected = ""
        self._rows: list[tuple[QRectF, str]] = []
        self.setAccessibleName(tr("Strips of all devices"))

    def judged(self, device: Device) -> StripFigures:
        """The figures of a device's last beats."""
        beats = self.session.position.deviations.get(device.id, ())
        bpm = self.session.status.bpm if self.session.status is not None else 0.0
        a_tick = 60 / (bpm or 120.0) / TICKS_PER_QUARTER
        seconds = [d.tick * a_tick for d in beats]
        late = [d.ms for d in beats]
        return strip_figures(seconds, late, device.offset_ms, device.tolerance_ms)

    def document_changed(self) -> None:
        """Room for every device."""
        devices = self.session.project.rig.timed
        self.setMinimumHeight(round(HEAD + LOWEST_ROW * len(devices)))
        self.refresh()

    def mousePressEvent(self, event: QMouseEvent | None) -> None:
        """A click selects a device."""
        if event is not None:
            self.setFocus()
            self.pick(event.position())

    def pick(self, at: QPointF, *, selects: bool = False) -> bool:
        """Take the device there in hand."""
        del selects
        for box, device in self._rows:
            if box.contains(at):
                self.device_clicked.emit(device)
                return True
        return False

    def paint_still(self, painter: QPainter) -> None:
        """Headings, names and lines."""
        p = self.palette_now
        devices = self.session.project.rig.timed
        right = self.width() - FIGURES
        for index, (words, unit) in enumerate(COLUMNS):
            x = right + 8 + index * 68
            draw.text(painter, x, 16, words, p.ink, size=14, weight=600)
            draw.text(painter, x, 33, unit, p.muted, size=12)
        height = max(LOWEST_ROW, min(ROW, (self.height() - HEAD) / max(1, len(devices))))
        self._rows = []
        if not devices:
            draw.text(painter, 0, 60, tr("No boxes yet: the Rig adds them."), p.muted, size=16)
        for index, device in enumerate(devices):
            box = QRectF(0, HEAD + index * height, self.width(), height)
            self._rows.append((box, device.id))
            if device.id == self.selected:
                draw.fill(painter, 0, box.top() + 8, 3, height - 16, p.crest)
            middle = box.center().y()
            draw.text(painter, 10, middle - 6, device.name, p.ink, size=16, weight=600, width=140)
            strip = self._strip(box)
            tolerance = min(1.0, device.tolerance_ms / FULL_MS) * strip.height() / 2
            draw.fill(
                painter, strip.left(), middle - tolerance, strip.width(), 2 * tolerance, p.soft
            )
            draw.line(painter, strip.left(), middle, strip.right(), middle, p.water, 1.5)
            draw.text(
                painter, strip.left() - 5, strip.top() + 9, f"\u2212{FULL_MS:g}", p.muted,
                size=12, align=draw.RIGHT,
            )  # fmt: skip
            draw.text(
                painter, strip.left() - 5, strip.bottom(), f"+{FULL_MS:g}", p.muted,
                size=12, align=draw.RIGHT,
            )  # fmt: skip
            draw.line(painter, 0, box.bottom(), self.width(), box.bottom(), p.rule)

    def _strip(self, row: QRectF) -> QRectF:
        inset = min(14.0, row.height() / 6)
        right = self.width() - FIGURES - SPREAD - 14
        return QRectF(NAMES + 26, row.top() + inset, right - NAMES - 26, row.height() - 2 * inset)

    def paint_moving(self, painter: QPainter) -> None:
        """Beats, distribution, figures and verdicts."""
        status = self.session.status
        live = {d.id: d for d in status.devices} if status is not None else {}
        devices = {d.id: d for d in self.session.project.rig.timed}
        for box, device_id in self._rows:
            device = devices.get(device_id)
            if device is not None:
                self._paint_device(painter, box, device, live.get(device_id))

    def _paint_device(
        self, painter: QPainter, row: QRectF, device: Device, live: DeviceStatus | None
    ) -> None:
        p = self.palette_now
        judged = self.judged(device)
        words, colour = WORDS[judged.verdict], self._colour(judged)
        if live is not None and live.port == "gone":
            words, colour = "port gone", p.eye
        elif live is not None and live.port == "none" and not judged.beats:
            words = tr("gets pulses; not heard") if live.pulses else tr("not reached by Grebe")
            peer = self.session.network.row_of(device)
            if peer is not None:
                late = (
                    ""
                    if peer.offset_ms is None
                    else tr(" {signed} ms", signed=signed(peer.offset_ms))
                )
                words, colour = tr("in the session{late}", late=late), p.reed
        middle = row.center().y()
        draw.text(painter, 10, middle + 14, words, colour, size=14, weight=600, width=148)
        beats = self.session.position.deviations.get(device.id, ())
        if not beats:
            return
        strip = self._strip(row)
        self._paint_beats(painter, strip, beats, colour)
        self._paint_spread(painter, strip, beats)
        if not judged.verdict:
            return
        right = self.width() - FIGURES
        drift = f"{judged.drift_ms_per_min:+.0f}" if judged.drift_ms_per_min else "0"
        setting = "\u2013" if judged.set_ms is None else f"{judged.set_ms:+.1f}"
        if judged.verdict in ("drifting", "unsteady"):
            setting = "?"
        figures = (f"{judged.offset_ms:+.1f}", f"{judged.jitter_ms:.1f}", drift, setting)
        for index, figure in enumerate(figures):
            ink = p.crest if index == 3 and setting not in ("\u2013", "?") else p.ink
            x = right + 8 + index * 68
            draw.text(painter, x, middle + 6, figure, ink, size=20, weight=600)

    def _colour(self, judged: StripFigures) -> QColor:
        p = self.palette_now
        return {
            "": p.muted, "good": p.reed, "late": p.sand, "early": p.sand,
            "drifting": p.eye, "unsteady": p.eye,
        }[judged.verdict]  # fmt: skip

    def _paint_beats(
        self, painter: QPainter, strip: QRectF, beats: Sequence[Deviation], colour: QColor
    ) -> None:
        p = self.palette_now
        step = strip.width() / 64
        middle, half = strip.center().y(), strip.height() / 2
        for index, beat in enumerate(list(beats)[-64:]):
            x = strip.left() + (index + 0.5) * step
            height = max(-1.0, min(1.0, beat.ms / FULL_MS)) * half
            ink = p.water if colour in (p.reed, p.muted) else colour
            draw.line(painter, x, middle, x, middle + (height or 1), ink, 3)

    def _paint_spread(self, painter: QPainter, strip: QRectF, beats: Sequence[Deviation]) -> None:
        """How many beats fell where, as bars lying at the strip's end."""
        counts = [0] * BINS
        for beat in beats:
            share = (max(-FULL_MS, min(FULL_MS, beat.ms)) + FULL_MS) / (2 * FULL_MS)
            counts[min(BINS - 1, int(share * BINS))] += 1
        high = strip.height() / BINS
        for index, count in enumerate(counts):
            if count:
                width = SPREAD * count / max(counts)
                top = strip.top() + index * high
                draw.fill(
                    painter, strip.right() + 8, top + 1, width, high - 2, self.palette_now.muted
                )
