"""A song on a bar ruler: sections, a band per device, what is laid over it, energy, playhead."""

from __future__ import annotations

from PyQt6.QtCore import QPointF, QRectF, Qt, pyqtSignal
from PyQt6.QtGui import QPainter

from grebe.app.actions.keymap import told
from grebe.app.editors.song_editor import SongEditor
from grebe.app.tables.songs import SongTable
from grebe.app.tables.table import Cell
from grebe.core.rig.model import Device
from grebe.core.songs.layout import Layout
from grebe.ui.stations.song.grips import SHAPES, SongGrips
from grebe.ui.stations.song.picture import ENERGY, MIN_ROW, SongPicture
from grebe.ui.stations.song.places import LABELS, RULER, TOP, SongPlaces
from grebe.ui.widgets import draw
from grebe.ui.widgets.canvas import PlayheadCanvas
from grebe.ui.widgets.drags import Drag, Held
from grebe.words import tr

MAX_ROW = 104.0
FOOT = 8.0
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
        self.setAccessibleName(tr("Song"))

    def layout_now(self) -> Layout | None:
        """The song laid out."""
        return self.session.derived.layout()

    # Where things lie

    def _window(self, layout: Layout) -> tuple[int, int]:
        """First tick seen, and how many."""
        shown = layout.ticks if not self.shown else min(self.shown, layout.ticks)
        return max(0, min(self.first, layout.ticks - shown)), max(1, shown)

    @property
    def _room(self) -> float:
        """Height that rows have."""
        return self.height() - TOP - ENERGY - FOOT - 24

    @property
    def row(self) -> float:
        """Height of a row."""
        count = max(1, len(self.editor.hand.devices))
        return min(max(MAX_ROW, self._room / 8), max(MIN_ROW, self._room / count))

    @property
    def rows(self) -> tuple[Device, ...]:
        """The devices seen."""
        most = max(1, int(self._room / self.row + 0.001))
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
        first, shown = self._window(layout)
        scale = (self.width() - LABELS - 2) / shown
        return SongPlaces(layout, first, scale, self.row, tuple(d.id for d in self.rows))

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
        places = self.places() if self.session.running else None
        if places is None:
            return None
        x = round(places.x_at(self.session.position.song_tick_now()), 1)
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
        places = self.places()
        if places is None:
            words = tr(
                "No song that can be laid out; what is listed below says why. "
                "{insert_section} adds a section.",
                insert_section=told("insert_section"),
            )
            draw.text(painter, 0, 60, words, self.palette_now.muted)
            return
        made = SongPicture(painter, self.editor, self.palette_now, places, self.rows)
        made.paint(self.width(), self.height())
