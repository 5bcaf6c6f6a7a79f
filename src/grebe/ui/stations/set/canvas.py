"""A set on one time axis: songs against the slot, the tempo through them, what lies between."""

from __future__ import annotations

from PyQt6.QtCore import QPointF, QRectF, Qt, pyqtSignal
from PyQt6.QtGui import QPainter

from grebe.app.actions.keymap import told
from grebe.app.editors.set_editor import SetEditor
from grebe.app.tables.songs import SetTable
from grebe.app.tables.table import Cell
from grebe.core.document import Project
from grebe.core.sets.edit import versions_of
from grebe.core.sets.plan import PlacedSong, SetSchedule
from grebe.ui.stations.set.crossings import EDGE
from grebe.ui.stations.set.picture import SetPicture
from grebe.ui.stations.set.places import AXIS, SONGS, SetPlaces
from grebe.ui.widgets import draw
from grebe.ui.widgets.canvas import PlayheadCanvas
from grebe.ui.widgets.drags import AimDrag, Drag, EditDrag, Held
from grebe.words import tr

WISH_REACH = 14.0
GRAB_PX = 12.0
"""Half of what can be taken hold of: 24 px across."""


class SetCanvas(PlayheadCanvas):
    """A set under the pointer: songs are put in order, crossings and the wish for energy are
    dragged."""

    pointed = pyqtSignal(str)
    """The place clicked."""
    wished = pyqtSignal(int, float)
    """A place and the energy drawn there."""

    def __init__(self, editor: SetEditor) -> None:
        super().__init__(editor.session, SetTable(editor.hand))
        self.editor = editor
        self._goes_to: int | None = None
        """The place that a dragged song would have."""
        self._versions: tuple[SetSchedule, bool] | None = None
        """Whether any song of a plan has several: asked for with every picture."""
        self.setAccessibleName(tr("Set"))

    # Where things lie

    def places(self) -> SetPlaces | None:
        """Where things lie now; None without a set."""
        plan = self.editor.hand.plan
        if plan is None:
            return None
        if self._versions is None or self._versions[0] is not plan:
            self._versions = (plan, _has_versions(self.editor.hand.project, plan))
        return SetPlaces(plan, self.width(), self.height(), versions=self._versions[1])

    def playhead_x(self) -> float | None:
        """Where the performance stands."""
        session = self.session
        if not session.running or not session.selection.whole_set:
            return None
        places = self.places()
        if places is None:
            return None
        song = next(
            (s for s in places.plan.songs if s.entry.id == session.selection.play.entry), None
        )
        if song is None or song.tempo is None:
            return None
        into = song.tempo.seconds_at(int(session.position.song_tick_now())) - song.tempo.seconds_at(
            0
        )
        return places.x_at(song.start_s + max(0.0, into))

    def playhead_span(self) -> tuple[float, float]:
        """Over songs and tempo path."""
        places = self.places()
        return AXIS - 6, self.height() - (places.foot if places is not None else 0.0)

    # The pointer

    def grip(self, at: QPointF, held: Held) -> Drag | None:
        """The wish line, what lies between two songs, or a song: each is dragged its own way."""
        del held
        places = self.places()
        if places is None:
            return None
        if _near_wish(places, at):
            return EditDrag(self.session.store, self._draw_wish, lambda: None)
        between = _edge_at(places, at)
        if between is not None:
            self.pointed.emit(between.entry.id)
            return self._edge_drag(places, between, at)
        return self._song_drag(places) if self.pick(at) else None

    def _edge_drag(self, places: SetPlaces, song: PlacedSong, begun: QPointF) -> Drag:
        scale, before = places.scale, places.plan.running
        bar_s = 240 / (song.facts.bpm if song.facts is not None else 120)

        def follow(to: QPointF, held: Held) -> str:
            del held
            seconds = (to.x() - begun.x()) / scale
            return self.editor.drags.between(
                before, song.entry.id, seconds, round(seconds / bar_s)
            )  # fmt: skip

        return EditDrag(self.session.store, follow)

    def _song_drag(self, places: SetPlaces) -> Drag:
        """A song goes elsewhere; what the new order would cost is said while it hovers."""
        plan, entry = places.plan, self.editor.hand.entry_id
        before = plan.running

        def aim(to: QPointF, held: Held) -> str:
            del held
            centres = [places.block_of(s).center().x() for s in plan.songs]
            place = sum(x < to.x() for x, s in zip(centres, plan.songs, strict=True)
                        if s.entry.id != entry)  # fmt: skip
            self._goes_to = place
            self.update()
            return self.editor.drags.cost_words(before, entry, place)

        def land() -> None:
            if self._goes_to is not None:
                self.editor.drags.reorder(before, entry, self._goes_to)

        return AimDrag(aim, land, self._let_go)

    def _let_go(self) -> None:
        self._goes_to = None
        self.update()

    def shape_at(self, at: QPointF, held: Held) -> Qt.CursorShape:
        """What a drag from there would do."""
        del held
        places = self.places()
        if places is None:
            return Qt.CursorShape.ArrowCursor
        if _near_wish(places, at):
            return Qt.CursorShape.SizeVerCursor
        if _edge_at(places, at) is not None:
            return Qt.CursorShape.SplitHCursor
        over = self.cell_at(at) is not None
        return Qt.CursorShape.OpenHandCursor if over else Qt.CursorShape.ArrowCursor

    def pick(self, at: QPointF, *, selects: bool = False) -> bool:
        """Take the song there in hand."""
        del selects
        cell, plan = self.cell_at(at), self.editor.hand.plan
        if cell is not None and plan is not None:
            self.pointed.emit(plan.songs[cell.row].entry.id)
        return cell is not None

    # Read aloud

    def cell_box(self, cell: Cell) -> QRectF:
        """A song's block."""
        places = self.places()
        if places is None or cell.row >= len(places.plan.songs):
            return QRectF()
        return places.block_of(places.plan.songs[cell.row])

    def cell_at(self, at: QPointF) -> Cell | None:
        """The song there."""
        places = self.places()
        if places is None:
            return None
        boxes = (places.block_of(s).adjusted(0, 0, 0, places.versions) for s in places.plan.songs)
        return next((Cell(row, 0) for row, box in enumerate(boxes) if box.contains(at)), None)

    def known_at(self, at: QPointF) -> str:
        """A song's figures, and how it comes in."""
        cell = self.cell_at(at)
        if cell is None:
            return ""
        table = self.cells.table
        figures = [f"{name}: {table.words(cell.row, n)}" for n, name in enumerate(table.columns())]
        return "; ".join((table.rows()[cell.row], *figures))

    def paint_moving(self, painter: QPainter) -> None:
        """The playhead, and where a dragged song would stand."""
        super().paint_moving(painter)
        places = self.places()
        if places is None or self._goes_to is None:
            return
        plan = places.plan
        others = [s for s in plan.songs if s.entry.id != self.editor.hand.entry_id]
        at = min(self._goes_to, len(others))
        x = places.x_at(others[at].start_s if at < len(others) else plan.seconds)
        draw.line(painter, x, AXIS - 8, x, AXIS + SONGS + 8, self.palette_now.crest, 3)

    def _draw_wish(self, at: QPointF, held: Held) -> str:
        """The energy wished for under the pointer is its height; what it became."""
        del held
        places = self.places()
        if places is None:
            return ""
        share = places.wish_at(at.y())
        for number, song in enumerate(places.plan.songs):
            block = places.block_of(song)
            if block.left() <= at.x() <= block.right():
                self.wished.emit(number, share)
                return tr("{share:.0f} % of the most", share=share * 100)
        return ""

    # Drawing

    def paint_still(self, painter: QPainter) -> None:
        """Draw the set."""
        places = self.places()
        if places is None or not places.plan.songs:
            words = tr("{add_song} puts a song in.", add_song=told("add_song"))
            draw.text(painter, EDGE, AXIS + 40, words, self.palette_now.muted, size=20)
            return
        SetPicture(painter, self.editor.hand, self.palette_now, places).paint()


def _has_versions(project: Project, plan: SetSchedule) -> bool:
    songs = {s.id for s in project.songs}
    known = (s.entry.song for s in plan.songs if s.entry.song in songs)
    return any(len(versions_of(project, song)) > 1 for song in known)


def _near_wish(places: SetPlaces, at: QPointF) -> bool:
    return any((p - at).manhattanLength() < WISH_REACH for p in places.wish_points())


def _edge_at(places: SetPlaces, at: QPointF) -> PlacedSong | None:
    """The song whose beginning is near, where there is silence or a ramp before it."""
    if not AXIS <= at.y() <= AXIS + SONGS:
        return None
    for song in places.plan.songs[1:]:
        near = min(GRAB_PX, places.block_of(song).width() / 3)
        if abs(places.x_at(song.start_s) - at.x()) < near and song.entry.into in ("stop", "ramp"):
            return song
    return None
