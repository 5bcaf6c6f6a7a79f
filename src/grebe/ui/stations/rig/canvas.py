"""The rig, drawn by itself: the leader at the left, followers in columns, one line per cable."""

from __future__ import annotations

from collections.abc import Iterator

from PyQt6.QtCore import QLineF, QPointF, QRectF, Qt, pyqtSignal
from PyQt6.QtGui import QColor, QPainter, QPainterPath, QPen, QPolygonF

from grebe.app.actions.keymap import told
from grebe.app.live.session import Session
from grebe.app.tables.listed import ListTable
from grebe.app.tables.table import Cell
from grebe.core.rig.edits import best_cable
from grebe.core.rig.formatting import filter_words, hop_words
from grebe.core.rig.layout import Drawing, drawing
from grebe.core.rig.model import GREBE_ID, Cable, Device, Rig
from grebe.core.rig.tree import ClockTree, tree_of
from grebe.core.rig.wiring import Wiring
from grebe.ui.stations.rig.geometry import Picture, PlacedBox, PlacedCable, picture
from grebe.ui.stations.sync.computers import signed
from grebe.ui.widgets import draw
from grebe.ui.widgets.canvas import Canvas
from grebe.ui.widgets.drags import AimDrag, Drag, Held
from grebe.ui.widgets.theme import CORNER, Palette
from grebe.words import counted, tr

STYLES = {
    "midi": Qt.PenStyle.SolidLine,
    "pulse": Qt.PenStyle.DashLine,
    "network": Qt.PenStyle.DotLine,
    "audio": Qt.PenStyle.SolidLine,
}


JACKS = 18.0
"""So much of a box's right end are its outputs, of its left end its inputs."""
PLAIN_FROM = 60
"""Cables from which on lines are drawn without smoothing."""

Look = tuple[str, QColor, list[QLineF], QPainterPath]
"""Medium, colour, and the lines and tips of all cables that look so."""


class RigCanvas(Canvas):
    """Boxes and cables."""

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
        self.wiring = Wiring(session.project.rig)
        self.tree = tree_of(self.wiring)
        self._drawn: tuple[Rig, Drawing] | None = None
        self._carrying: set[int] = set()
        """Identities of the cables the tree is made of; comparing 200 by content takes long."""
        self._clashing: set[int] = set()
        self._looks: tuple[Look, ...] = ()
        self._running: tuple[QPointF, QPointF] | None = None
        """The cable that is being run: from where, and where its end is now."""
        self._onto = ""
        self._looks_of: tuple[Picture | None, Palette | None] = (None, None)
        self.setAccessibleName(tr("Clock tree"))

    @property
    def placed(self) -> tuple[PlacedBox, ...]:
        """The boxes as they stand."""
        return self.picture.boxes

    def show_rig(self, rig: Rig, room_width: float, room_height: float) -> None:
        """Lay a rig out for so much room. The order is kept while the rig is the same."""
        if self._drawn is None or self._drawn[0] is not rig:
            self.wiring = Wiring(rig)
            self.tree = tree_of(self.wiring)
            self._drawn = (rig, drawing(self.wiring, self.tree))
            self._carrying = {id(hop.cable) for hop in self.tree.hops.values()}
            self._clashing = {id(c) for c in self.wiring.cables if self._clashes(c)}
        self.picture = picture(self._drawn[1], self.wiring, room_width, room_height)
        width = max(room_width, self.picture.width)
        height = max(room_height, self.picture.height)
        self.setFixedSize(round(width), round(height))
        self.refresh()

    @property
    def crossings(self) -> int:
        """Crossings in the drawing."""
        return self._drawn[1].crossings if self._drawn is not None else 0

    # Read aloud

    def _names(self) -> list[str]:
        """Boxes, and Grebe."""
        return [self.wiring.rig.name_of(placed.device) for placed in self.placed]

    def _cells(self, row: int) -> tuple[str, ...]:
        """A box's role, and the clock that reaches it."""
        box = self.placed[row].device
        device = self.wiring.devices.get(box)
        role = self._grebe_role() if device is None else _role(device, self.tree)
        return role, self._clock_of(box)

    def _clock_of(self, device: str) -> str:
        hop = self.tree.hops.get(device)
        if hop is None:
            return tr("no clock reaches it") if device != self.tree.leader else tr("leads")
        return self.cable_words(hop.cable)

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
            return self._proposal(source.device, self._onto)

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

    def _proposal(self, source: str, target: str) -> str:
        """The cable that fits between two boxes, in words."""
        rig = self.wiring.rig
        if not target:
            return tr("from {source} to \u2026", source=rig.name_of(source))
        cable = best_cable(rig, source, target)
        return tr(
            "{source} to {target}: {cable}",
            source=rig.name_of(source), target=rig.name_of(target), cable=self._plugs(cable),
        )  # fmt: skip

    def _plugs(self, cable: Cable) -> str:
        """Its medium, and the jacks at its ends by name."""
        ends = (self.wiring.source_jack(cable), self.wiring.target_jack(cable))
        names = " \u2192 ".join(jack.name if jack is not None else tr("any") for jack in ends)
        return f"{tr(cable.medium)}, {names}"

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
        return "" if placed is None else self.cable_words(self.wiring.cables[placed.cable])

    def cable_words(self, cable: Cable) -> str:
        """From where to where it goes, what it carries at what rate, and how late that arrives."""
        rig = self.wiring.rig
        says = [
            tr(
                "{source} to {target}", source=rig.name_of(cable.source),
                target=rig.name_of(cable.target),
            ),
            self._plugs(cable),
            tr("passes {what}", what=filter_words(cable.passes)),
        ]  # fmt: skip
        hop = self.tree.hops.get(cable.target)
        if hop is not None and hop.cable is cable:
            says.append(
                tr(
                    "clock of {rate} a quarter, {late:.2f} ms after the leader",
                    rate=hop.rate, late=hop.delay_ms,
                )
            )  # fmt: skip
        elif id(cable) in self._clashing:
            says.append(tr("a second clock"))
        return "; ".join(says)

    def paint_still(self, painter: QPainter) -> None:
        """Draw the tree."""
        wrong = {f.subject for f in self.session.derived.known().open if f.severity != "note"}
        # Over a hundred lines smooth edges cost more than they show.
        many = len(self.picture.cables) > PLAIN_FROM
        painter.setRenderHint(QPainter.RenderHint.Antialiasing, on=not many)
        self._paint_cables(painter, thin=many)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        for placed in self.placed:
            self._paint_box(painter, placed, wrong=placed.device in wrong)
        if not self.placed:
            words = tr("No boxes yet. {add_box} adds the first.", add_box=told("add_box"))
            draw.text(painter, 8, 40, words, self.palette_now.muted, size=16)

    def _paint_box(self, painter: QPainter, placed: PlacedBox, *, wrong: bool) -> None:
        p, box, rig, tree = self.palette_now, placed.box, self.wiring.rig, self.tree
        leads = placed.device == tree.leader
        selected = placed.device == self.selected
        edge = p.crest if selected else p.eye if wrong else p.crest if leads else p.rule
        draw.panel(painter, box, p.panel, edge, width=2 if selected or leads else 1.5)
        if leads:
            draw.fill(painter, box.left(), box.top() + 3, 5, box.height() - 6, p.crest)
        x, y = box.left() + 16, box.top()
        wide = box.width() - 26
        if wrong:
            self._paint_mark(painter, box)
            wide -= 14
        name = rig.name_of(placed.device)
        lines = self.picture.lines_in_box
        if lines == 1:
            draw.text(painter, x, y + 19, name, p.ink, size=14, weight=600, width=wide)
            return
        draw.text(painter, x, y + 25, name, p.ink, size=20, weight=600, width=wide)
        device = self.wiring.devices.get(placed.device)
        below = tr("this program") if device is None else device.label or tr(device.kind)
        third = self._grebe_role() if device is None else _role(device, tree)
        if lines == 2:
            draw.text(painter, x, y + 44, third, p.ink, size=14, width=wide)
            return
        draw.text(painter, x, y + 45, below, p.muted, size=14, width=wide)
        draw.text(painter, x, y + 64, third, p.ink, size=14, width=wide)

    def _paint_mark(self, painter: QPainter, box: QRectF) -> None:
        """Something is wrong here: said by a shape too, not by colour alone."""
        x, y = box.right() - 15, box.top() + 14
        painter.setPen(Qt.PenStyle.NoPen)
        painter.setBrush(self.palette_now.eye)
        painter.drawPolygon(
            QPolygonF([QPointF(x, y - 7), QPointF(x + 7.5, y + 6), QPointF(x - 7.5, y + 6)])
        )

    def _grebe_role(self) -> str:
        if self.tree.leader == GREBE_ID:
            return tr("leads, 24 a quarter")
        if self.tree.sources[GREBE_ID]:
            follows = self.wiring.rig.name_of(self.tree.sources[GREBE_ID][0].source)
            return tr("follows {follows}", follows=follows)
        return tr("no clock of its own")

    def _paint_cables(self, painter: QPainter, *, thin: bool) -> None:
        """All lines of one look at once, then all tips: two hundred cables one by one take long."""
        for medium, colour, lines, tips in self._gathered():
            painter.setPen(QPen(colour, 1.0 if thin or medium == "audio" else 2.2, STYLES[medium]))
            painter.drawLines(*lines)
            painter.fillPath(tips, colour)
        if self.picture.lines_in_box > 1:
            for placed in self.picture.cables:
                self._paint_label(painter, placed)

    def _gathered(self) -> tuple[Look, ...]:
        """The lines and tips of every look, gathered once for a picture and a theme."""
        before, theme = self._looks_of
        if before is not self.picture or theme is not self.palette_now:
            self._looks_of = (self.picture, self.palette_now)
            self._looks = tuple(self._gather())
        return self._looks

    def _gather(self) -> Iterator[Look]:
        looks: dict[tuple[int, str], tuple[QColor, list[QLineF], QPainterPath]] = {}
        for placed in self.picture.cables:
            cable = self.wiring.cables[placed.cable]
            colour = self._colour(cable)
            made = looks.get((colour.rgba(), cable.medium))
            if made is None:
                made = looks[(colour.rgba(), cable.medium)] = (colour, [], QPainterPath())
            _, lines, tips = made
            way = placed.corners
            tip, before = way[-1], way[-2]
            along = QPointF(_sign(tip.x() - before.x()), _sign(tip.y() - before.y()))
            end = tip - along * 8
            lines += map(QLineF, way[:-2], way[1:-1])
            lines.append(QLineF(before, end))
            across = QPointF(along.y(), along.x()) * 5.5
            tips.addPolygon(QPolygonF([tip, end - along + across, end - along - across]))
        for (_, medium), (colour, lines, tips) in looks.items():
            yield medium, colour, lines, tips

    def _paint_label(self, painter: QPainter, placed: PlacedCable) -> None:
        cable = self.wiring.cables[placed.cable]
        clashes = id(cable) in self._clashing
        carries = id(cable) in self._carrying
        words = "second clock" if clashes else self._words(cable, carries=carries)
        room = placed.label_room
        if words and not placed.back and draw.text_width(words, 14, 600) > room:
            short = carries and cable.medium != "network"
            words = str(self.tree.hops[cable.target].rate) if short else ""
            words = words if draw.text_width(words, 14, 600) <= room else ""
        if words:
            align = draw.LEFT if placed.back else draw.RIGHT
            x, y = placed.label_at.x(), placed.label_at.y()
            ink = self.palette_now.eye if clashes else self.palette_now.ink
            draw.text(painter, x, y, words, ink, size=14, weight=600, align=align)

    def _colour(self, cable: Cable) -> QColor:
        p = self.palette_now
        if id(cable) in self._clashing:
            return p.eye
        if id(cable) not in self._carrying:
            return p.muted
        return {"pulse": p.sand, "network": p.reed}.get(cable.medium, p.water)

    def _clashes(self, cable: Cable) -> bool:
        """Whether this is a second clock at its input."""
        return (
            id(cable) not in self._carrying
            and cable.accepts.clock
            and cable.target in self.tree.hops
            and cable in self.tree.sources[cable.target]
            and self.tree.hops[cable.target].cable.target_jack == cable.target_jack
            and self.tree.hops[cable.target].cable.medium == cable.medium
        )

    def _words(self, cable: Cable, *, carries: bool) -> str:
        if carries:
            hop = self.tree.hops[cable.target]
            jack = self.wiring.source_jack(cable)
            words = hop_words(cable, hop.came, hop.rate, jack.volts if jack else None)
            return words if cable.plays is None else tr("{words}, plays it", words=words)
        if cable.medium == "audio":
            return tr("listens") if cable.listens else "audio"
        if cable.plays is not None:
            return tr("plays it")
        return "notes" if cable.passes.notes and cable.medium == "midi" else ""

    def paint_moving(self, painter: QPainter) -> None:
        """Mark the devices whose port is gone."""
        status = self.session.status
        gone = {d.id for d in status.devices if d.port == "gone"} if status else set()
        p = self.palette_now
        self._paint_computers(painter)
        self._paint_running(painter)
        for placed in self.placed:
            if placed.device in gone:
                box = placed.box
                if box.height() > 60:
                    draw.panel(painter, box.adjusted(3, 48, -3, -3), p.panel)
                    draw.text(
                        painter, box.left() + 16, box.top() + 64, tr("port gone"), p.eye,
                        size=14, weight=600,
                    )  # fmt: skip
                painter.setBrush(Qt.BrushStyle.NoBrush)
                painter.setPen(QPen(p.eye, 2))
                painter.drawRoundedRect(box, CORNER, CORNER)

    def _paint_running(self, painter: QPainter) -> None:
        """A cable in the hand, and the box it would go into."""
        if self._running is None:
            return
        p, (begins, ends) = self.palette_now, self._running
        draw.line(painter, begins.x(), begins.y(), ends.x(), ends.y(), p.crest, 2.5)
        for placed in self.placed:
            if placed.device == self._onto:
                painter.setBrush(Qt.BrushStyle.NoBrush)
                painter.setPen(QPen(p.crest, 3))
                painter.drawRoundedRect(placed.box, CORNER, CORNER)

    def _paint_computers(self, painter: QPainter) -> None:
        """How late the beat of each computer in the session is, in place of its role."""
        p, network = self.palette_now, self.session.network
        if not network.rows or self.picture.lines_in_box < 2:
            return
        for placed in self.placed:
            device = self.wiring.devices.get(placed.device)
            peer = network.row_of(device) if device is not None else None
            if peer is None or peer.offset_ms is None:
                continue
            box, low = placed.box, 64 if placed.box.height() > 60 else 44
            words = tr(
                "{signed} ms, {lost_percent:.0f} % lost",
                signed=signed(peer.offset_ms),
                lost_percent=peer.lost_percent,
            )
            draw.fill(painter, box.left() + 12, box.top() + low - 15, box.width() - 16, 19, p.panel)
            draw.text(
                painter, box.left() + 16, box.top() + low, words, p.reed,
                size=14, weight=600, width=box.width() - 24,
            )  # fmt: skip


def _sign(value: float) -> float:
    return (value > 0) - (value < 0)


def _role(device: Device, tree: ClockTree) -> str:
    """What a box does here, in a few words."""
    if device.id == tree.leader:
        return "leads"
    if device.kind == "relay":
        return "passes on"
    if not device.spec.obeys.clock and not device.spec.sends.clock and not device.obeys_clock:
        return (
            tr("no clock")
            if device.kind != "controller"
            else tr("plays in, ch {channel}", channel=device.channel)
        )
    if device.id not in tree.locked:
        return tr("runs on its own")
    if not (device.spec.obeys.notes or device.obeys_program):
        return tr("follows")
    who = tr("plays its own") if device.plays == "own" else tr("Grebe plays it")
    if device.tracks:
        return tr("{who}, {tracks}", who=who, tracks=counted(len(device.tracks), "track"))
    return tr("{who}, ch {channel}", who=who, channel=device.channel)
