"""The rig, drawn by itself: the leader at the left, followers in columns, one line per cable."""

from __future__ import annotations

from PyQt6.QtCore import QPointF, QRectF, Qt, pyqtSignal
from PyQt6.QtGui import QPainter

from grebe.app.actions.keymap import told
from grebe.app.live.session import Session
from grebe.app.tables.listed import ListTable
from grebe.app.tables.table import Cell
from grebe.core.rig.model import Rig
from grebe.ui.stations.rig.geometry import Picture, PlacedBox, picture
from grebe.ui.stations.rig.painted import RigPainter
from grebe.ui.stations.rig.shown import ShownRig
from grebe.ui.widgets import draw
from grebe.ui.widgets.canvas import Canvas
from grebe.ui.widgets.drags import AimDrag, Drag, Held
from grebe.words import tr

JACKS = 18.0
"""So much of a box's right end are its outputs, of its left end its inputs."""


class RigCanvas(Canvas):
    """Boxes and cables under the pointer: a box is taken in hand, a cable is run to another."""

    device_clicked = pyqtSignal(str)
    cable_wanted = pyqtSignal(str, str, bool)
    """From which box to which, and whether to plug it in at once: it was run from jack to jack."""

    def __init__(self, session: Session) -> None:
        table = ListTable(
            (tr("Role"), tr("Clock")), self._names, self._cells, self._here,
            lambda row: self.device_clicked.emit(self.placed[row].device),
        )  # fmt: skip
        super().__init__(session, table)
        self.selected = ""
        self.picture = Picture()
        self.shown = ShownRig(session.project.rig)
        self._painter: RigPainter | None = None
        self._running: tuple[QPointF, QPointF] | None = None
        """The cable that is being run: from where, and where its end is now."""
        self._onto = ""
        self.setAccessibleName(tr("Clock tree"))

    @property
    def placed(self) -> tuple[PlacedBox, ...]:
        """The boxes as they stand."""
        return self.picture.boxes

    def show_rig(self, rig: Rig, room_width: float, room_height: float) -> None:
        """Lay a rig out for so much room. The order is kept while the rig is the same."""
        if self.shown.wiring.rig is not rig:
            self.shown = ShownRig(rig)
        self.picture = picture(self.shown.drawing, self.shown.wiring, room_width, room_height)
        width = max(room_width, self.picture.width)
        height = max(room_height, self.picture.height)
        self.setFixedSize(round(width), round(height))
        self.refresh()

    # Read aloud

    def _names(self) -> list[str]:
        """Boxes, and Grebe."""
        return [self.shown.wiring.rig.name_of(placed.device) for placed in self.placed]

    def _cells(self, row: int) -> tuple[str, ...]:
        """A box's role, and the clock that reaches it."""
        box = self.placed[row].device
        return self.shown.role_of(box), self.shown.clock_of(box)

    def _here(self) -> int:
        return next((i for i, b in enumerate(self.placed) if b.device == self.selected), -1)

    def cell_box(self, cell: Cell) -> QRectF:
        """Where a box is drawn."""
        return self.placed[cell.row].box if cell.row < len(self.placed) else QRectF()

    def cell_at(self, at: QPointF) -> Cell | None:
        """The box there."""
        found = (i for i, placed in enumerate(self.placed) if placed.box.contains(at))
        return next((Cell(i, 0) for i in found), None)

    # The pointer

    def grip(self, at: QPointF, held: Held) -> Drag | None:
        """A box: dragged onto another one it runs a cable there."""
        del held
        if not self.pick(at):
            return None
        cell = self.cell_at(at)
        assert cell is not None
        source = self.placed[cell.row]
        jack = source.box.right() - at.x() < JACKS

        def aim(to: QPointF, held: Held) -> str:
            del held
            onto = self._box_at(to)
            begins = QPointF(source.box.right(), source.box.center().y()) if jack else at
            self._running = (begins, to)
            self._onto = onto.device if onto is not None and onto is not source else ""
            self.update()
            return self.shown.proposal(source.device, self._onto)

        def land() -> None:
            onto = next((p for p in self.placed if p.device == self._onto), None)
            if onto is not None:
                end = self._running[1] if self._running is not None else at
                into = end.x() - onto.box.left() < JACKS
                self.cable_wanted.emit(source.device, onto.device, jack and into)

        return AimDrag(aim, land, self._let_go)

    def _let_go(self) -> None:
        self._running, self._onto = None, ""
        self.update()

    def _box_at(self, at: QPointF) -> PlacedBox | None:
        cell = self.cell_at(at)
        return None if cell is None else self.placed[cell.row]

    def shape_at(self, at: QPointF, held: Held) -> Qt.CursorShape:
        """A hand over a box; a cross at its outputs, where a cable begins."""
        del held
        found = self._box_at(at)
        if found is None:
            return Qt.CursorShape.ArrowCursor
        at_jacks = found.box.right() - at.x() < JACKS
        return Qt.CursorShape.CrossCursor if at_jacks else Qt.CursorShape.PointingHandCursor

    def known_at(self, at: QPointF) -> str:
        """Of a box its role and the clock that reaches it; of a cable what flows, and how late."""
        cell = self.cell_at(at)
        if cell is not None:
            role, clock = self._cells(cell.row)
            return f"{self._names()[cell.row]}: {role}. {clock}."
        placed = self.picture.cable_at(at)
        return (
            "" if placed is None else self.shown.cable_words(self.shown.wiring.cables[placed.cable])
        )

    # Drawing

    def _painted(self) -> RigPainter:
        """What draws the picture as it is in the theme as it is."""
        made = self._painter
        if made is None or made.picture is not self.picture or made.palette is not self.palette_now:
            made = self._painter = RigPainter(self.shown, self.picture, self.palette_now)
        return made

    def paint_still(self, painter: QPainter) -> None:
        """Draw the tree."""
        wrong = {f.subject for f in self.session.derived.known().open if f.severity != "note"}
        self._painted().paint(painter, self.selected, wrong)
        if not self.placed:
            words = tr("No boxes yet. {add_box} adds the first.", add_box=told("add_box"))
            draw.text(painter, 8, 40, words, self.palette_now.muted, size=16)

    def paint_moving(self, painter: QPainter) -> None:
        """What comes and goes: how late computers are, the cable in the hand, ports that are
        gone."""
        status, made = self.session.status, self._painted()
        gone = {d.id for d in status.devices if d.port == "gone"} if status else set()
        made.paint_computers(painter, self.session.network)
        if self._running is not None:
            made.paint_running(painter, *self._running, self._onto)
        for placed in self.placed:
            if placed.device in gone:
                made.paint_gone(painter, placed)
