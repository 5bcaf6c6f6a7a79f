"""Note lanes on waterlines: a pattern's voices and controller lanes, and the pointer over them."""

from __future__ import annotations

from pathlib import Path
from typing import NamedTuple

from PyQt6.QtCore import QMimeData, QPointF, QRectF, Qt, pyqtSignal
from PyQt6.QtGui import QDragEnterEvent, QDropEvent, QPainter, QPen, QPixmap

from grebe.app.actions.keymap import told
from grebe.app.editors.pattern_editor import PatternEditor
from grebe.app.tables.patterns import PatternTable
from grebe.app.tables.table import Cell
from grebe.core.patterns.model import Content, Voice
from grebe.core.time.ticks import TICKS_PER_QUARTER
from grebe.formats.naming import AUDIO_SUFFIXES, MIDI_SUFFIXES
from grebe.ui.stations.patterns.grips import SHAPES, PatternGrips
from grebe.ui.stations.patterns.note_lanes import paint_lane, paint_voice
from grebe.ui.stations.patterns.places import EDGE, LABELS, LOW_ROW, ROW_MARGIN, TOP, Places, Row
from grebe.ui.widgets import draw
from grebe.ui.widgets.canvas import PlayheadCanvas
from grebe.ui.widgets.drags import Drag, Held
from grebe.words import counted, tr


class _Picture(NamedTuple):
    """A row as it was drawn, and what it was drawn from."""

    row: Row
    base: Voice | None
    key: object
    pixmap: QPixmap


class PatternCanvas(PlayheadCanvas):
    """Draws the pattern in hand and turns the pointer into edits."""

    pointed = pyqtSignal(str, int, bool)
    """Row, step, whether the selection grows to there."""
    files_dropped = pyqtSignal(list)

    def __init__(self, editor: PatternEditor) -> None:
        super().__init__(editor.session, PatternTable(editor.hand))
        self.editor = editor
        self.phase: float | None = None
        """Where in the pattern the music is, in ticks; None when it is not playing."""
        self._grips = PatternGrips(editor, lambda: self.places)
        self._shown = self._first = 0.0
        """Ticks that are seen, 0 for all, and the first of them."""
        self._places: Places | None = None
        self._pictures: dict[str, _Picture] = {}
        self.surface.setAcceptDrops(True)
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
            kept = self._places = Places(
                content, self.width(), self.height(), self._first, self._shown
            )
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

    def grip(self, at: QPointF, held: Held) -> Drag | None:
        """What is there in hand, and what dragging it does; a click on an empty step writes."""
        found = self._grips.at(at)
        if found is None:
            return None
        selects = bool(held & Held.ShiftModifier) and found.kind != "name"
        if found.kind not in ("end", "block", "") or selects:
            self.pick(at, selects=selects)
        return self._grips.drag(found, at, held)

    def double(self, at: QPointF) -> None:
        """A name: to be written anew. Over the steps each of two clicks is a click."""
        found = self._grips.at(at)
        if found is not None and found.kind == "name":
            self.pick(at)
            self.asked.emit("rename_row")
        else:
            self.press(at, Held.NoModifier)

    def pick(self, at: QPointF, *, selects: bool = False) -> bool:
        """Put the cursor there, or the end of what is selected; at a row's name on the row."""
        places = self.places
        self.picked = "row" if at.x() < LABELS else ""
        place = places.place_at(max(at.x(), LABELS + 1), at.y())
        if place is None:
            return False
        row, step = place
        step = self.editor.hand.step if self.picked else step
        self.pointed.emit(row.id, max(0, min(step, row.length - 1)), selects)
        return True

    def shape_at(self, at: QPointF, held: Held) -> Qt.CursorShape:
        """What a drag from there would do."""
        found = self._grips.at(at)
        if found is None:
            return Qt.CursorShape.ArrowCursor
        if held & Held.AltModifier and found.kind == "hit":
            return Qt.CursorShape.SizeHorCursor
        return SHAPES[found.kind]

    def scroll_by(self, across: float, down: float) -> None:
        """Other steps are seen, where not all are."""
        shown = self._shown or self._all_ticks()
        self._look_at(self._first + (across + down) * shown / 8, self._shown)

    def zoom_at(self, at: QPointF, by: float) -> None:
        """More or fewer steps, the one under the pointer staying there."""
        places, whole = self.places, self._all_ticks()
        shown = (self._shown or whole) * by
        tick = places.tick_at(max(at.x(), LABELS))
        share = (tick - self._first) / (self._shown or whole)
        shown = 0.0 if shown >= whole else max(4.0 * self.content.step_ticks, shown)
        self._look_at(tick - share * (shown or whole), shown)

    def reveal(self) -> None:
        """The step in hand is seen."""
        row = self.editor.hand.row
        if row is None or not self._shown:
            return
        tick = float(self.editor.hand.step * self.content.step_of(row))
        step = float(self.content.step_of(row))
        if not self._first <= tick <= self._first + self._shown - step:
            self._look_at(tick - self._shown / 2, self._shown)

    def _all_ticks(self) -> float:
        return float(Places(self.content, self.width(), self.height()).shown_ticks)

    def _look_at(self, first: float, shown: float) -> None:
        whole = self._all_ticks()
        self._shown = shown if shown < whole else 0.0
        self._first = max(0.0, min(whole - self._shown, first)) if self._shown else 0.0
        self._places = None
        self.refresh()

    # Read aloud

    def cell_box(self, cell: Cell) -> QRectF:
        """A step of a row."""
        places = self.places
        if cell.row >= len(places.rows):
            return QRectF()
        row = places.rows[cell.row]
        wide, x = places.step_width(row), places.x_of(row, cell.column)
        top = places.level(cell.row) - places.tall
        return QRectF(x - wide / 2, top, wide, places.tall + places.foot)

    def cell_at(self, at: QPointF) -> Cell | None:
        """The step there."""
        place = self.places.place_at(at.x(), at.y())
        if place is None or place.step >= place.row.length:
            return None
        return Cell(self.places.index_of(place.row.id), place.step)

    def known_at(self, at: QPointF) -> str:
        """Of a hit what it does and when; of a name its note."""
        cell = self.cell_at(at)
        if cell is None:
            return ""
        row = self.places.rows[cell.row].name
        words = self.cells.table.words(*cell)
        return tr("{row}, step {step}: {words}", row=row, step=cell.column + 1, words=words)

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


def _loops_in(data: QMimeData | None) -> list[str]:
    """Paths of the MIDI and WAV files that are dragged; none where anything else is among them."""
    if data is None or not data.hasUrls():
        return []
    paths = [url.toLocalFile() for url in data.urls() if url.isLocalFile()]
    loops = [p for p in paths if Path(p).suffix.lower() in (*MIDI_SUFFIXES, *AUDIO_SUFFIXES)]
    return loops if loops == paths else []
