"""Note lanes on waterlines: a pattern's voices and controller lanes, and the pointer over them."""

from __future__ import annotations

from pathlib import Path
from typing import NamedTuple

from PyQt6.QtCore import QMimeData, QPointF, QRectF, Qt, pyqtSignal
from PyQt6.QtGui import QDragEnterEvent, QDropEvent, QMouseEvent, QPainter, QPen, QPixmap

from grebe.app.actions.keymap import told
from grebe.app.document.pattern_files import MIDI_SUFFIXES
from grebe.app.editors.pattern_editor import PatternEditor
from grebe.app.editors.pattern_hits import NEW_VALUE, PLAIN
from grebe.core.patterns.model import Content, ControlLane, Voice
from grebe.core.time.ticks import TICKS_PER_QUARTER
from grebe.core.units import MAX_STEPS
from grebe.ui.stations.patterns.note_lanes import paint_lane, paint_voice
from grebe.ui.stations.patterns.places import EDGE, LABELS, LOW_ROW, ROW_MARGIN, TOP, Places, Row
from grebe.ui.widgets import draw
from grebe.ui.widgets.controls import PlayheadCanvas
from grebe.words import counted, tr

CLICK_PX = 4.0
GRAB_PX = 7.0


class _Drag(NamedTuple):
    kind: str
    """length, or value"""
    row: str
    step: int
    from_y: float
    existed: bool
    moved: bool


class _Picture(NamedTuple):
    """A row as it was drawn, and what it was drawn from."""

    row: Row
    base: Voice | None
    key: object
    pixmap: QPixmap


class PatternCanvas(PlayheadCanvas):
    """Draws the pattern in hand and turns the pointer into edits."""

    written = pyqtSignal(str, int, int)
    """Row, step, velocity or value."""
    removed = pyqtSignal(str, int)
    length_dragged = pyqtSignal(str, int)
    pointed = pyqtSignal(str, int, bool)
    """Row, step, whether the selection grows to there."""
    drag_ended = pyqtSignal()
    files_dropped = pyqtSignal(list)

    def __init__(self, editor: PatternEditor) -> None:
        super().__init__(editor.session)
        self.editor = editor
        self.phase: float | None = None
        """Where in the pattern the music is, in ticks; None when it is not playing."""
        self._drag: _Drag | None = None
        self._places: Places | None = None
        self._pictures: dict[str, _Picture] = {}
        self.setAcceptDrops(True)
        self.setAccessibleName(tr("Pattern"))

    @property
    def content(self) -> Content:
        """What is drawn."""
        return self.editor.hand.content

    @property
    def places(self) -> Places:
        """Where everything lies; kept while neither size nor content changes."""
        kept, content = self._places, self.content
        if kept is None or kept.content is not content:
            kept = self._places = Places(content, self.width(), self.height())
        return kept

    def resizeEvent(self, event: object) -> None:
        """Another size: other places."""
        self._places = None
        super().resizeEvent(event)

    def playhead_x(self) -> float | None:
        """The playhead lies where the pattern is."""
        return None if self.phase is None else round(self.places.x_at(self.phase), 1)

    def playhead_span(self) -> tuple[float, float]:
        """From the ruler to the last waterline."""
        return TOP - 16, self.places.bottom

    # The pointer

    def mousePressEvent(self, event: QMouseEvent | None) -> None:
        """Begin to write, to drag a value, or to drag a row's end; with Shift to select."""
        if event is None:
            return
        self.setFocus()
        x, y = event.position().x(), event.position().y()
        places = self.places
        place = places.place_at(x, y)
        if place is None:
            return
        row, step = place
        selecting = bool(event.modifiers() & Qt.KeyboardModifier.ShiftModifier)
        if abs(x - places.x_at(places.end_of(row))) < GRAB_PX and not selecting:
            self._drag = _Drag("length", row.id, step, y, False, False)
            return
        if step >= row.length:
            return
        self.pointed.emit(row.id, step, selecting)
        if selecting:
            return
        exists = _there(row, step)
        self._drag = _Drag("value", row.id, step, y, exists, False)
        if not exists:
            value = PLAIN if isinstance(row, Voice) else places.value_at(places.index_of(row.id), y)
            self.written.emit(row.id, step, value or NEW_VALUE)

    def pick(self, at: QPointF, *, selects: bool = False) -> bool:
        """Put the cursor there, or the end of what is selected; at a row's name on the row."""
        places = self.places
        self.picked = "row" if at.x() < places.left else ""
        place = places.place_at(max(at.x(), places.left + 1), at.y())
        if place is None:
            return False
        row, step = place
        self.pointed.emit(row.id, min(step, row.length - 1), selects)
        return True

    def mouseMoveEvent(self, event: QMouseEvent | None) -> None:
        """Drag: up is louder, sideways at a row's end is longer, over a lane draws its curve."""
        drag = self._drag
        if event is None or drag is None:
            return
        x, y = event.position().x(), event.position().y()
        places = self.places
        index = places.index_of(drag.row)
        if index < 0:
            return
        row = places.rows[index]
        if drag.kind == "length":
            length = round(places.tick_at(x) / float(self.content.step_of(row)))
            if isinstance(row, Voice) and row.direction == "there and back":
                length //= 2
            if 1 <= length <= MAX_STEPS and length != row.length:
                self.length_dragged.emit(drag.row, length)
            return
        if drag.existed and not drag.moved and abs(drag.from_y - y) < CLICK_PX:
            return
        step = drag.step
        if isinstance(row, ControlLane):
            step = min(row.length - 1, max(0, round(
                places.tick_at(x) / float(self.content.step_of(row)))))  # fmt: skip
        self._drag = drag._replace(moved=True)
        low = 1 if isinstance(row, Voice) else 0
        self.written.emit(drag.row, step, min(127, max(low, places.value_at(index, y))))

    def mouseReleaseEvent(self, event: QMouseEvent | None) -> None:
        """A click on a hit without a drag removes it."""
        drag = self._drag
        if event is None or drag is None:
            return
        self._drag = None
        if drag.kind == "value" and drag.existed and not drag.moved:
            self.removed.emit(drag.row, drag.step)
        self.drag_ended.emit()

    def dragEnterEvent(self, event: QDragEnterEvent | None) -> None:
        """MIDI and WAV files may be dropped; anything else is the window's."""
        if event is not None and _loops_in(event.mimeData()):
            event.acceptProposedAction()
        elif event is not None:
            event.ignore()

    def dropEvent(self, event: QDropEvent | None) -> None:
        """MIDI files become patterns, WAV files loops."""
        if event is not None:
            event.acceptProposedAction()
            self.files_dropped.emit(_loops_in(event.mimeData()))

    # Drawing

    def paint_still(self, painter: QPainter) -> None:
        """Draw the ruler and every row."""
        places = self.places
        if not places.rows:
            words = tr(
                "This pattern has no voices. {add_voice} adds one.", add_voice=told("add_voice")
            )
            if self.editor.hand.pattern is None:
                words = tr(
                    "No pattern yet. {new_pattern} makes one, {import_loop} imports a MIDI file.",
                    new_pattern=told("new_pattern"),
                    import_loop=told("import_loop"),
                )
                if self.editor.hand.device is None:
                    words = tr("No box yet. {add_box} in Rig adds one.", add_box=told("add_box"))
            draw.text(painter, LABELS, 60, words, self.palette_now.muted)
            return
        self._paint_ruler(painter, places)
        self._paint_selection(painter, places)
        bpm = self.session.position.written_bpm
        pattern = self.editor.hand.base
        base = {v.id: v for v in pattern.content.voices} if pattern is not None else {}
        pictures: dict[str, _Picture] = {}
        for index, row in enumerate(places.rows):
            old = None if pattern is None else base.get(row.id, Voice(id=row.id, name=row.name))
            picture = self._pictures.get(row.id)
            key = (places.like, index, bpm, self.palette_now.ground.rgb())
            if picture is None or picture.row is not row or picture[1:3] != (old, key):
                picture = self._picture(places, index, row, old, bpm, key)
            pictures[row.id] = picture
            painter.drawPixmap(QPointF(0, places.row_top(index)), picture.pixmap)
        self._pictures = pictures
        self._paint_cursor(painter, places)

    def _picture(
        self, places: Places, index: int, row: Row, old: Voice | None, bpm: float, key: object
    ) -> _Picture:
        """A row by itself: after an edit all but one are as they were."""
        ratio = self.devicePixelRatioF()
        height = places.row_height + 2 * ROW_MARGIN
        pixmap = QPixmap(round(self.width() * ratio), round(height * ratio))
        pixmap.setDevicePixelRatio(ratio)
        pixmap.fill(Qt.GlobalColor.transparent)
        painter = QPainter(pixmap)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        painter.translate(0, -places.row_top(index))
        self._paint_label(painter, places, index, row)
        if isinstance(row, Voice):
            paint_voice(painter, self.palette_now, places, index, row, bpm=bpm, base=old)
        else:
            paint_lane(painter, self.palette_now, places, index, row)
        painter.end()
        return _Picture(row, old, key, pixmap)

    def _paint_ruler(self, painter: QPainter, places: Places) -> None:
        p, step = self.palette_now, self.content.step_ticks
        count = places.shown_ticks // step
        every = 1 if count <= 32 else 4 if count <= 64 else 16
        lines: list[QRectF] = []
        for number in range(0, count, every):
            x = places.x_at(number * step)
            if number * step % TICKS_PER_QUARTER == 0:
                lines.append(QRectF(round(x - EDGE), TOP - 4, 1, places.bottom - TOP + 4))
                if every == 1 or number % (4 * every) == 0:
                    draw.text(painter, x, 14, str(number + 1), p.muted, size=12, align=draw.CENTRE)
            elif every == 1:
                draw.text(painter, x, 12, "\u00b7", p.muted, size=12, align=draw.CENTRE)
        draw.rects(painter, lines, p.rule)

    def _paint_label(self, painter: QPainter, places: Places, index: int, row: Row) -> None:
        p, y = self.palette_now, places.level(index)
        end = places.x_at(places.end_of(row))
        full = places.end_of(row) >= places.shown_ticks
        colour, weight = (p.muted, 400) if full else (p.crest, 600)
        what = (
            tr("note {note}", note=row.note)
            if isinstance(row, Voice)
            else tr("controller {controller}", controller=row.controller)
        )
        steps = tr("{steps} of {rate}", steps=counted(row.length, "step"), rate=row.rate)
        if isinstance(row, Voice):
            if row.even:
                steps = tr("{steps}, even", steps=counted(row.length, "step"))
            if row.direction != "forward":
                what += f", {row.direction}"
            if row.swing is not None:
                what += tr(", swing {swing:g}", swing=row.swing)
        if places.row_height >= LOW_ROW:
            draw.text(painter, 0, y - 34, row.name, p.ink, size=16, weight=600, width=LABELS - 12)
            draw.text(painter, 0, y - 17, what, p.muted, size=12, width=LABELS - 12)
            draw.text(painter, 0, y - 1, steps, colour, size=12, weight=weight)
        else:
            draw.text(painter, 0, y - 1, row.name, p.ink, size=14, weight=600, width=LABELS - 48)
            draw.text(painter, LABELS - 12, y - 1, f"{row.length}", colour, size=12,
                      weight=weight, align=draw.RIGHT)  # fmt: skip
        draw.line(painter, LABELS, y, end if full else end - 4, y, p.water, 2)
        if not full:
            post = min(14.0, places.row_height / 3)
            draw.line(painter, end - 5, y - post, end - 5, y + 6, p.crest, 3)
            draw.line(
                painter, end + 2, y, places.x_at(places.shown_ticks), y, p.rule, 1.5,
                Qt.PenStyle.DotLine,
            )  # fmt: skip

    def _paint_selection(self, painter: QPainter, places: Places) -> None:
        if self.editor.hand.anchor is None:
            return
        ids, first, last = self.editor.hand.selection()
        for index, row in enumerate(places.rows):
            if row.id in ids and first < row.length:
                half = places.step_width(row) / 2
                xs = sorted(places.x_of(row, min(s, row.length - 1)) for s in (first, last))
                top = places.level(index) - places.tall - 4
                box = QRectF(xs[0] - half, top, xs[1] - xs[0] + 2 * half, places.tall + 10)
                painter.fillRect(box, self.palette_now.soft)

    def _paint_cursor(self, painter: QPainter, places: Places) -> None:
        row, index = self.editor.hand.row, places.index_of(self.editor.hand.row_id)
        if row is None or index < 0:
            return
        x, y = places.x_of(row, self.editor.hand.step), places.level(index)
        half = max(6.0, places.step_width(row) / 2 - 2)
        tall = places.tall + 8
        painter.setBrush(Qt.BrushStyle.NoBrush)
        painter.setPen(QPen(self.palette_now.crest, 1.5))
        painter.drawRoundedRect(QRectF(x - half, y - tall, 2 * half, tall + 6), 4, 4)


def _there(row: Row, step: int) -> bool:
    if isinstance(row, Voice):
        return row.hit_at(step) is not None
    return any(p.step == step for p in row.points)


def _loops_in(data: QMimeData | None) -> list[str]:
    """Paths of the MIDI and WAV files that are dragged; none where anything else is among them."""
    if data is None or not data.hasUrls():
        return []
    paths = [url.toLocalFile() for url in data.urls() if url.isLocalFile()]
    loops = [p for p in paths if Path(p).suffix.lower() in (*MIDI_SUFFIXES, ".wav")]
    return loops if loops == paths else []
