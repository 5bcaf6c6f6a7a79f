"""A strip per device: its last beats, early above and late below, with their distribution."""

from __future__ import annotations

from collections.abc import Sequence

from PyQt6.QtCore import QPointF, QRectF, Qt, pyqtSignal
from PyQt6.QtGui import QColor, QPainter

from grebe.app.live.hearing import deviations_by_ear
from grebe.app.live.session import Session
from grebe.app.tables.listed import ListTable
from grebe.app.tables.table import Cell
from grebe.core.rig.model import Device, Port
from grebe.core.sync.strip import StripFigures, strip_figures
from grebe.core.time.ticks import TICKS_PER_QUARTER
from grebe.protocols.link.messages import Deviation, DeviceStatus
from grebe.ui.stations.sync.computers import signed
from grebe.ui.widgets import draw
from grebe.ui.widgets.canvas import Canvas
from grebe.ui.widgets.drags import Drag, Held, LookDrag
from grebe.words import counted, tr

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
FIGURE = 68.0
SHOWN = 64
"""Beats in a strip."""
RECORDINGS = 2
A_TICK_S = 0.5 / TICKS_PER_QUARTER
"""Places of a recording are counted at 120 BPM."""
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
    """A strip for each box: how early or late its beats were against what leads."""

    device_clicked = pyqtSignal(str)

    def __init__(self, session: Session) -> None:
        table = ListTable(
            (tr("verdict"), tr("offset"), tr("waver"), tr("drift"), tr("set")),
            self._names,
            self._cells,
            self._here, lambda row: self.device_clicked.emit(self._rows[row][1]),
        )  # fmt: skip
        super().__init__(session, table)
        self.selected = ""
        self.back = 0
        """How many beats before the last one the strips end."""
        self.measured: tuple[int, int] | None = None
        """A stretch of what is shown that is measured alone: beats from the left, both included."""
        self.recorded: dict[str, list[tuple[float, float]]] = {}
        """By name the last recordings that were measured: (seconds, ms late) of each hit."""
        self._rows: list[tuple[QRectF, str]] = []
        self.setAccessibleName(tr("Strips of all devices"))

    def record(self, name: str, strip: Sequence[Sequence[float]]) -> None:
        """A recording was measured: it gets a strip below the boxes; the last two stay."""
        self.recorded.pop(name, None)
        self.recorded[name] = [(at_s, late_ms) for at_s, late_ms in strip]
        for old in list(self.recorded)[:-RECORDINGS]:
            del self.recorded[old]
        self.document_changed()

    @property
    def devices(self) -> tuple[Device, ...]:
        """Whose strips are shown: boxes, and recordings, which stand for boxes without a port."""
        shown = (Device(id=n, name=n[:80], port=Port(wire="none")) for n in self.recorded)
        return (*self.session.project.rig.timed, *shown)

    def beats_of(self, device: Device) -> list[Deviation]:
        """The beats that a strip shows."""
        if device.id in self.recorded:
            return self._shown([
                Deviation(device=device.id, tick=round(at_s / A_TICK_S), ms=late)
                for at_s, late in self.recorded[device.id]
            ])  # fmt: skip
        heard = self.session.hearing.by_ear.get(device.id)
        if heard:
            beats = deviations_by_ear(device, heard)
        else:
            beats = list(self.session.position.deviations.get(device.id, ()))
        return self._shown(beats)

    def _shown(self, beats: list[Deviation]) -> list[Deviation]:
        back = min(self.back, max(0, len(beats) - SHOWN))
        return beats[max(0, len(beats) - back - SHOWN) : len(beats) - back]

    def judged(self, device: Device) -> StripFigures:
        """The figures of the beats of a device that are shown, or of the stretch measured."""
        beats = self.beats_of(device)
        if self.measured is not None:
            beats = beats[self.measured[0] : self.measured[1] + 1]
        bpm = self.session.status.bpm if self.session.status is not None else 0.0
        recorded = device.id in self.recorded
        a_tick = A_TICK_S if recorded else 60 / (bpm or 120.0) / TICKS_PER_QUARTER
        seconds = [d.tick * a_tick for d in beats]
        late = [d.ms for d in beats]
        return strip_figures(seconds, late, device.offset_ms, device.tolerance_ms)

    def document_changed(self) -> None:
        """Room for every device."""
        devices = self.devices
        self.setMinimumHeight(round(HEAD + LOWEST_ROW * len(devices)))
        self.refresh()

    # Read aloud

    def _names(self) -> list[str]:
        """Boxes."""
        names = {device.id: device.name for device in self.devices}
        return [names.get(device, device) for _, device in self._rows]

    def _cells(self, row: int) -> tuple[str, ...]:
        """A box's figures."""
        known = {d.id: d for d in self.devices}
        device = known.get(self._rows[row][1])
        if device is None:
            return ("",) * (len(COLUMNS) + 1)
        judged = self.judged(device)
        return (
            WORDS[judged.verdict], f"{judged.offset_ms:+.1f} ms", f"{judged.jitter_ms:.1f} ms",
            tr("{drift:+.0f} ms a min", drift=judged.drift_ms_per_min),
            "-" if judged.set_ms is None else f"{judged.set_ms:+.1f} ms",
        )  # fmt: skip

    def _here(self) -> int:
        return next((i for i, (_, d) in enumerate(self._rows) if d == self.selected), -1)

    def cell_box(self, cell: Cell) -> QRectF:
        """A box's line, or one of its figures."""
        if cell.row >= len(self._rows):
            return QRectF()
        line = self._rows[cell.row][0]
        if not cell.column:
            return QRectF(line.left(), line.top(), NAMES, line.height())
        left = self.width() - FIGURES + 8 + (cell.column - 1) * FIGURE
        return QRectF(left, line.top(), FIGURE, line.height())

    def cell_at(self, at: QPointF) -> Cell | None:
        """The figure there; of the name and the strip the verdict."""
        row = next((i for i, (box, _) in enumerate(self._rows) if box.contains(at)), -1)
        column = int((at.x() - (self.width() - FIGURES + 8)) // FIGURE) + 1
        return None if row < 0 else Cell(row, max(0, min(len(COLUMNS), column)))

    def known_at(self, at: QPointF) -> str:
        """Of a beat how late it was; else the figure."""
        cell = self.cell_at(at)
        if cell is None:
            return ""
        devices = {d.id: d for d in self.devices}
        device = devices.get(self._rows[cell.row][1])
        beats = [] if device is None else self.beats_of(device)
        number = self._beat_at(at)
        if 0 <= number < len(beats):
            return tr("{late:+.2f} ms, {back} beats ago", late=beats[number].ms,
                      back=len(beats) - number - 1 + self.back)  # fmt: skip
        return self.cells.table.words(*cell)

    # The pointer

    def _beat_at(self, at: QPointF) -> int:
        strip = self._strip(QRectF(0, HEAD, self.width(), ROW))
        return int((at.x() - strip.left()) // (strip.width() / SHOWN))

    def grip(self, at: QPointF, held: Held) -> Drag | None:
        """A strip: sideways it goes through time; with Shift a stretch of it is measured."""
        self.pick(at)
        if self.measured is not None:
            self.measured = None
            self.refresh()
        begins, first = self.back, self._beat_at(at)
        if not 0 <= first < SHOWN:
            return None

        def through(to: QPointF, held: Held) -> str:
            del held
            most = max((len(b) for b in self.session.position.deviations.values()), default=0)
            self.back = max(0, min(most - SHOWN, begins + self._beat_at(to) - first))
            self.refresh()
            return tr("{back} beats ago", back=self.back) if self.back else tr("the last beats")

        def measure(to: QPointF, held: Held) -> str:
            del held
            one, other = sorted((first, max(0, min(SHOWN - 1, self._beat_at(to)))))
            self.measured = (one, other)
            self.refresh()
            return counted(other - one + 1, "beat")

        def undone() -> None:
            self.back, self.measured = begins, None
            self.refresh()

        return LookDrag(measure if held & Held.ShiftModifier else through, undone)

    def scroll_by(self, across: float, down: float) -> None:
        """Through time."""
        most = max((len(b) for b in self.session.position.deviations.values()), default=0)
        self.back = max(0, min(most - SHOWN, self.back - round(4 * (across + down))))
        self.refresh()

    def shape_at(self, at: QPointF, held: Held) -> Qt.CursorShape:
        """Over a strip it goes sideways."""
        if self.cell_at(at) is None or not 0 <= self._beat_at(at) < SHOWN:
            return Qt.CursorShape.ArrowCursor
        measures = held & Held.ShiftModifier
        return Qt.CursorShape.IBeamCursor if measures else Qt.CursorShape.SizeHorCursor

    def paint_still(self, painter: QPainter) -> None:
        """Headings, names and lines."""
        p = self.palette_now
        devices = self.devices
        right = self.width() - FIGURES
        for index, (words, unit) in enumerate(COLUMNS):
            x = right + 8 + index * FIGURE
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
        devices = {d.id: d for d in self.devices}
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
        beats = self.beats_of(device)
        if not beats:
            return
        if self.measured is not None:
            self._paint_measured(painter, self._strip(row))
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
            x = right + 8 + index * FIGURE
            draw.text(painter, x, middle + 6, figure, ink, size=20, weight=600)

    def _paint_measured(self, painter: QPainter, strip: QRectF) -> None:
        """The stretch that the figures are of."""
        assert self.measured is not None
        step, (first, last) = strip.width() / SHOWN, self.measured
        box = QRectF(strip.left() + first * step, strip.top(), (last - first + 1) * step,
                     strip.height())  # fmt: skip
        colour = draw.see_through(self.palette_now.crest, 0.16)
        draw.panel(painter, box, colour, self.palette_now.crest)

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
        step = strip.width() / SHOWN
        middle, half = strip.center().y(), strip.height() / 2
        for index, beat in enumerate(beats):
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
