"""The continuity chart: a line for each device that runs on, a knot where something changes."""

from __future__ import annotations

from PyQt6.QtCore import QPointF, QRectF, Qt, pyqtSignal
from PyQt6.QtGui import QDragEnterEvent, QDragMoveEvent, QDropEvent, QPainter, QPen

from grebe.app.actions.keymap import told
from grebe.app.editors.scene_editor import SceneEditor
from grebe.app.editors.scene_model import SceneTransition
from grebe.app.tables.songs import SceneTable
from grebe.app.tables.table import Cell
from grebe.core.rig.model import Device
from grebe.core.songs.model import Part, Scene
from grebe.ui.widgets import draw
from grebe.ui.widgets.canvas import Canvas
from grebe.ui.widgets.clipboard import dragged_pattern
from grebe.ui.widgets.drags import AimDrag, Drag, Held
from grebe.words import counted, tr

LABELS = 140.0
COLUMN = 112.0
HEAD = 56.0
HANDS = 64.0
MAX_ROW, MIN_ROW = 74.0, 40.0
THICK, THIN = 10.0, 5.0
KNOT = 6.0
LONG_LABEL = 17


class ChartCanvas(Canvas):
    """Draws only the columns and rows that are seen."""

    pointed = pyqtSignal(str, str)
    """Scene and device clicked; the device is "" in the head of the chart."""

    given = pyqtSignal(str, int, int, bool)
    """A pattern that was dropped on a cell, by row and column; whether after what is there."""

    def __init__(self, editor: SceneEditor) -> None:
        super().__init__(editor.session, SceneTable(editor.hand))
        self.editor = editor
        self._goes_to: int | None = None
        """The column before which a dragged scene would stand."""
        self._onto: Cell | None = None
        self.surface.setAcceptDrops(True)
        self.first = 0
        """The first column seen."""
        self.top = 0
        """The first row seen."""
        self.setAccessibleName(tr("Scenes"))

    # Where things lie

    @property
    def columns(self) -> int:
        """How many columns there is room for, the last one perhaps in part."""
        return max(1, int((self.width() - LABELS) / COLUMN + 0.999))

    @property
    def row(self) -> float:
        """Height of a row."""
        room = self.height() - HEAD - HANDS
        most = max(MAX_ROW, room / 10)
        return min(most, max(MIN_ROW, room / max(1, len(self.editor.hand.devices))))

    @property
    def rows(self) -> int:
        """How many rows are seen."""
        return max(1, int((self.height() - HEAD - HANDS) / self.row + 0.001))

    def reveal(self) -> None:
        """Bring the scene and device in hand into sight."""
        scenes, devices = self.editor.hand.scenes, self.editor.hand.devices
        at = next((i for i, s in enumerate(scenes) if s.id == self.editor.hand.scene_id), 0)
        whole = max(1, int((self.width() - LABELS) / COLUMN))
        self.first = max(0, min(self.first, at), at - whole + 1)
        row = next((i for i, d in enumerate(devices) if d.id == self.editor.hand.device_id), 0)
        self.top = max(0, min(self.top, row), row - self.rows + 1)
        self.refresh()

    def turn(self, columns: int) -> None:
        """Show other columns."""
        most = max(0, len(self.editor.hand.scenes) - 1)
        first = max(0, min(most, self.first + columns))
        if first != self.first:
            self.first = first
            self.refresh()

    def scroll_by(self, across: float, down: float) -> None:
        """Scroll through the scenes; boxes where not all are seen."""
        self.turn(round(across or (down if self.rows >= len(self.editor.hand.devices) else 0)))
        most = max(0, len(self.editor.hand.devices) - self.rows)
        top = max(0, min(most, self.top + round(down)))
        if top != self.top:
            self.top = top
            self.refresh()

    # Read aloud

    def cell_box(self, cell: Cell) -> QRectF:
        """A box in a scene."""
        top = HEAD + self.row * (cell.row - self.top)
        return QRectF(LABELS + COLUMN * (cell.column - self.first), top, COLUMN, self.row)

    def cell_at(self, at: QPointF) -> Cell | None:
        """The box in a scene there."""
        row = int((at.y() - HEAD) // self.row) + self.top
        column = int((at.x() - LABELS) // COLUMN) + self.first
        hand = self.editor.hand
        inside = at.x() >= LABELS and at.y() >= HEAD and row < len(hand.devices)
        return Cell(row, column) if inside and column < len(hand.scenes) else None

    def known_at(self, at: QPointF) -> str:
        """What the box plays there, and what has to change for it."""
        cell = self.cell_at(at)
        if cell is None:
            return ""
        hand = self.editor.hand
        where = tr("{device} in {scene}", device=hand.devices[cell.row].name,
                   scene=hand.scenes[cell.column].name)  # fmt: skip
        return f"{where}: {self.cells.table.words(*cell)}"

    # The pointer

    def shape_at(self, at: QPointF, held: Held) -> Qt.CursorShape:
        """Heads and cells can be dragged."""
        del held
        column = int((at.x() - LABELS) // COLUMN) + self.first
        over = at.x() >= LABELS and column < len(self.editor.hand.scenes)
        return Qt.CursorShape.OpenHandCursor if over else Qt.CursorShape.ArrowCursor

    def double(self, at: QPointF) -> None:
        """A cell: its chain as a list. A head: the scene's settings."""
        if self.pick(at):
            self.asked.emit("settings" if self.cell_at(at) is None else "edit_chain")

    def grip(self, at: QPointF, held: Held) -> Drag | None:
        """A head: the scene goes elsewhere. A cell: what it has goes to another scene too."""
        del held
        if not self.pick(at):
            return None
        cell = self.cell_at(at)
        return self._scene_drag() if cell is None else self._part_drag(cell)

    def _scene_drag(self) -> Drag:
        hand = self.editor.hand
        moved = hand.scene_id
        name = next(s.name for s in hand.scenes if s.id == moved)

        def aim(to: QPointF, held: Held) -> str:
            del held
            scenes = hand.scenes
            self._goes_to = max(0, min(len(scenes), round((to.x() - LABELS) / COLUMN) + self.first))
            self.update()
            if self._goes_to >= len(scenes):
                return tr("{name} to the end", name=name)
            return tr("{name} before {other}", name=name, other=scenes[self._goes_to].name)

        def land() -> None:
            scenes = hand.scenes
            at = self._goes_to if self._goes_to is not None else len(scenes)
            self.editor.drags.move_before(moved, scenes[at].id if at < len(scenes) else "")

        return AimDrag(aim, land, self._let_go)

    def _part_drag(self, cell: Cell) -> Drag:
        hand = self.editor.hand
        device, source = hand.devices[cell.row], hand.scenes[cell.column]

        def aim(to: QPointF, held: Held) -> str:
            del held
            under = self.cell_at(QPointF(to.x(), self.cell_box(cell).center().y()))
            self._onto = under if under is not None and under != cell else None
            self.update()
            where = "" if self._onto is None else hand.scenes[self._onto.column].name
            return tr("{device} as in {scene}", device=device.name, scene=source.name) + (
                f" \u2192 {where}" if where else ""
            )

        def land() -> None:
            if self._onto is not None:
                onto = hand.scenes[self._onto.column].id
                self.editor.drags.copy_part(device.id, source.id, onto)
                self.pointed.emit(onto, device.id)

        return AimDrag(aim, land, self._let_go)

    def _let_go(self) -> None:
        self._goes_to, self._onto = None, None
        self.update()

    # A pattern that is dragged here by its name

    def dragEnterEvent(self, e: QDragEnterEvent | None) -> None:
        """A pattern may come onto a cell."""
        if e is not None and dragged_pattern(e.mimeData()):
            e.acceptProposedAction()
        elif e is not None:
            e.ignore()

    def dragMoveEvent(self, e: QDragMoveEvent | None) -> None:
        """Over a cell of its box."""
        if e is not None:
            self._onto = self.cell_at(e.position())
            self.update()
            e.setAccepted(self._onto is not None)

    def dropEvent(self, e: QDropEvent | None) -> None:
        """In place of what the box played there; with Ctrl after it."""
        if e is None:
            return
        pattern, cell = dragged_pattern(e.mimeData()), self.cell_at(e.position())
        self._let_go()
        if pattern and cell is not None:
            longer = bool(e.modifiers() & Held.ControlModifier)
            self.given.emit(pattern, cell.row, cell.column, longer)
            e.acceptProposedAction()

    def paint_moving(self, painter: QPainter) -> None:
        """Where what is dragged would go."""
        p = self.palette_now
        if self._goes_to is not None:
            x = LABELS + COLUMN * (self._goes_to - self.first)
            draw.line(painter, x, 4, x, self.height() - HANDS, p.crest, 3)
        if self._onto is not None:
            painter.setBrush(Qt.BrushStyle.NoBrush)
            painter.setPen(QPen(p.crest, 3))
            painter.drawRoundedRect(self.cell_box(self._onto).adjusted(2, 2, -2, -2), 6, 6)

    def pick(self, at: QPointF, *, selects: bool = False) -> bool:
        """Take the scene, and the device, there in hand."""
        del selects
        column = int((at.x() - LABELS) // COLUMN) + self.first
        scenes, devices = self.editor.hand.scenes, self.editor.hand.devices
        if at.x() < LABELS or column >= len(scenes):
            return False
        index = int((at.y() - HEAD) // self.row) + self.top
        inside = at.y() >= HEAD and index < len(devices)
        self.picked = "part" if inside else "scene"
        self.pointed.emit(scenes[column].id, devices[index].id if inside else "")
        return True

    # Drawing

    def paint_still(self, painter: QPainter) -> None:
        """Draw the chart."""
        p, editor = self.palette_now, self.editor
        scenes, devices = editor.hand.scenes, editor.hand.devices
        if not scenes:
            words = tr(
                "No scenes yet. {new_scene} makes one; what is in it is chosen with {one_after}.",
                new_scene=told("new_scene"),
                one_after=told("one_after"),
            )
            draw.text(painter, 0, 40, words, p.muted, size=16)
            return
        seen = scenes[self.first : self.first + self.columns]
        passages = [editor.hand.passage(self.first + n) for n in range(len(seen))]
        rows = devices[self.top : self.top + self.rows]
        bottom = HEAD + self.row * len(rows)
        self._paint_labels(painter, rows)
        for number, scene in enumerate(seen):
            self._paint_head(painter, LABELS + number * COLUMN, scene, bottom + HANDS)
        if not devices:
            words = tr(
                "Nothing plays in it yet. {add_box} in Rig adds a box.", add_box=told("add_box")
            )
            draw.text(painter, LABELS + COLUMN + 16, HEAD + 24, words, p.muted, size=16)
        for index, device in enumerate(rows):
            middle = HEAD + self.row * (index + 0.62)
            for number, scene in enumerate(seen):
                x = LABELS + number * COLUMN
                before = scenes[self.first + number - 1] if self.first + number else None
                self._paint_cell(painter, x, middle, device, before, scene, passages[number])
        self._paint_hands(painter, passages, bottom)
        right = LABELS + len(seen) * COLUMN
        draw.line(painter, right, 8, right, bottom + HANDS, p.rule)
        if len(rows) < len(devices):
            words = tr("{value} devices below", value=len(devices) - self.top - len(rows))
            draw.text(painter, 0, 20, words, p.muted, size=12)

    def _paint_labels(self, painter: QPainter, rows: tuple[Device, ...]) -> None:
        p = self.palette_now
        for index, device in enumerate(rows):
            middle = HEAD + self.row * (index + 0.62)
            here = device.id == self.editor.hand.device_id
            if here:
                draw.fill(painter, 0, middle - 20, 3, 34, p.crest)
            draw.text(painter, 10, middle - 4, device.name, p.ink, size=16, weight=600,
                      width=LABELS - 22)  # fmt: skip
            if self.row > MIN_ROW + 6:
                label = device.label if 0 < len(device.label) < LONG_LABEL else device.kind
                words = f"{label}, {_told(device)}"
                draw.text(painter, 10, middle + 13, words, p.muted, size=12, width=LABELS - 22)

    def _paint_head(self, painter: QPainter, x: float, scene: Scene, bottom: float) -> None:
        p = self.palette_now
        chosen = scene.id == self.editor.hand.scene_id
        if chosen:
            draw.fill(painter, x, 4, COLUMN, bottom - 4, draw.see_through(p.crest, 0.12))
        draw.line(painter, x, 8, x, bottom, p.rule)
        draw.text(painter, x + 10, 24, scene.name, p.ink, size=16, weight=600, width=COLUMN - 16)
        words = f"{scene.times}\u00d7 {counted(scene.bars, 'bar')}"
        if scene.mutes == "left":
            words += tr(", mutes left")
        elif scene.role:
            words += f", {tr(scene.role)}"
        draw.text(painter, x + 10, 42, words, p.muted, size=12, width=COLUMN - 14)

    def _paint_cell(
        self, painter: QPainter, x: float, middle: float, device: Device, before: Scene | None,
        scene: Scene, passage: SceneTransition,
    ) -> None:  # fmt: skip
        p = self.palette_now
        part = scene.part(device.id)
        found = passage.of(device.id)
        new = bool(found)
        if scene.id == self.editor.hand.scene_id and device.id == self.editor.hand.device_id:
            box = QRectF(x + 1, middle - self.row * 0.5, COLUMN - 2, self.row * 0.78)
            draw.panel(painter, box, draw.see_through(p.crest, 0.16), p.crest, width=1.5)
        was = None if before is None else before.part(device.id)
        end = x + COLUMN
        if not _sounds(device, part):
            draw.line(painter, x, middle, end, middle, p.rule, 2, Qt.PenStyle.DotLine)
        elif part.muted:
            box = QRectF(x, middle - THICK / 2, COLUMN, THICK)
            draw.panel(painter, box, p.ground, p.crest)
            draw.hatch(painter, box, p.crest)
        else:
            thick = THICK if new else THIN
            colour = p.water if new else draw.see_through(p.water, 0.75)
            draw.fill(painter, x, middle - thick / 2, COLUMN, thick, colour)
        if new or was is None:
            words = self._words(device, part)
            dim = not _sounds(device, part) or part.muted
            draw.text(
                painter, x + 12, middle - 12, words, p.muted if dim else p.ink, size=14,
                weight=600, width=COLUMN - 16,
            )  # fmt: skip
        if any(c.by == "hand" for c in found):
            draw.diamond(painter, x, middle, KNOT, p.crest)
        elif found:
            draw.rings(painter, (QPointF(x, middle),), KNOT, p.water, p.ground)

    def _words(self, device: Device, part: Part) -> str:
        if part.echo is not None:
            ending = {".": tr(" dotted"), "t": tr(" triplet")}.get(part.echo[-1], "")
            return part.echo.rstrip(".t") + ending
        if part.tracks is not None and device.spec.loop_tracks:
            return "tr " + "+".join(map(str, part.tracks)) if part.tracks else tr("no tracks")
        if not part.chain:
            return tr("silent")
        name = self.session.project.pattern_name
        chain = list(dict.fromkeys(part.chain))
        words = "\u2192".join(name(c) for c in chain)
        silent = f" \u2212{len(part.silent_voices)}" if part.silent_voices else ""
        return words + silent

    def _paint_hands(self, painter: QPainter, passages: list[SceneTransition], top: float) -> None:
        p = self.palette_now
        draw.line(painter, 0, top + 6, self.width(), top + 6, p.rule)
        draw.text(painter, 10, top + 32, tr("Your hands"), p.ink, size=16, weight=600)
        draw.text(painter, 10, top + 49, tr("moves in the bar before"), p.muted, size=12)
        for number, passage in enumerate(passages):
            x = LABELS + number * COLUMN + 12
            hands = passage.hands
            moves = [*(q.move for q in hands.placed), *hands.relieve]
            if not moves:
                draw.text(painter, x, top + 38, tr("none"), p.muted, size=14)
                continue
            colour = p.crest if hands.fits else p.eye
            shown = moves[:4]
            for index, move in enumerate(shown):
                box = QRectF(x + index * 18, top + 24, 13, 20)
                if move.limb == "foot":  # lower and broad, so that it is told apart without colour
                    box = QRectF(x + index * 18, top + 34, 15, 10)
                draw.panel(painter, box, colour)
            words = (
                ""
                if hands.fits and hands.spare_s > 0.5
                else tr("tight")
                if hands.fits
                else tr("no")
            )
            if len(moves) > len(shown):
                words = f"+{len(moves) - len(shown)} {words}"
            draw.text(painter, x + len(shown) * 18 + 4, top + 38, words, colour, size=14,
                      weight=600)  # fmt: skip


def _sounds(device: Device, part: Part) -> bool:
    """Whether there is a line to draw."""
    if device.spec.loop_tracks and part.tracks is not None:
        return bool(part.tracks)
    return bool(part.chain) or part.echo is not None


def _told(device: Device) -> str:
    """How its changes come about, in a word."""
    if device.plays == "grebe":
        return tr("by Grebe")
    return tr("remote") if device.obeys_program else tr("hand")
