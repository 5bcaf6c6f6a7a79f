"""Note maps: the pads of two boxes as they lay them out, side by side, and what becomes of each."""

from __future__ import annotations

from collections.abc import Sequence

from PyQt6.QtCore import QPointF, QRectF
from PyQt6.QtGui import QPainter

from grebe.app.doing import does
from grebe.app.editors.rig_editor import RigEditor
from grebe.app.tables.listed import ListTable
from grebe.app.tables.table import Cell
from grebe.core.rig.model import Device, Route
from grebe.core.rig.notemap import PadLayout, note_map
from grebe.core.rig.passage import NOT_SENT, route_notes
from grebe.ui.widgets import draw
from grebe.ui.widgets.canvas import Canvas
from grebe.ui.widgets.theme import Palette
from grebe.words import tr

PAD = 62.0
PAD_GAP = 6.0
HEAD = 92.0


class NotesPane(Canvas):
    """One route at a time. Arrows choose a pad, + and - change the note it becomes."""

    def __init__(self, editor: RigEditor) -> None:
        table = ListTable(
            (tr("Note"), tr("Becomes")),
            self._names,
            self._cells,
            lambda: self.pad - 1,
            self._choose,
        )
        super().__init__(editor.session, table)
        self._editor = editor
        self.index = 0
        self.pad = 1
        self.setAccessibleName(tr("Note maps"))
        self._pads: list[tuple[QRectF, int]] = []

    @property
    def route(self) -> Route | None:
        """The route shown."""
        routes = self.session.project.rig.routes
        return routes[min(self.index, len(routes) - 1)] if routes else None

    def ends(self) -> tuple[Device, Device] | None:
        """Its source and target."""
        route, rig = self.route, self.session.project.rig
        known = {d.id: d for d in rig.devices}
        if route is None or route.source not in known or route.target not in known:
            return None
        return known[route.source], known[route.target]

    # Read aloud

    @property
    def _layout(self) -> PadLayout | None:
        """Pads of the source."""
        ends = self.ends()
        return None if ends is None else ends[0].spec.pads

    def _names(self) -> list[str]:
        """Pads by number."""
        pads = self._layout
        count = 0 if pads is None else pads.rows * pads.cols
        return [tr("pad {pad}", pad=pad + 1) for pad in range(count)]

    def _cells(self, row: int) -> tuple[str, ...]:
        """A pad's note, and what that becomes."""
        pads = self._layout
        assert pads is not None
        note = pads.note_of(row + 1)
        return str(note), str(self._table()[note]) if note < 128 else "-"

    def _choose(self, row: int) -> None:
        self.pad = row + 1
        self.refresh()

    def cell_box(self, cell: Cell) -> QRectF:
        """Where a pad is drawn."""
        return next((box for box, pad in self._pads if pad == cell.row + 1), QRectF())

    def cell_at(self, at: QPointF) -> Cell | None:
        """The pad there."""
        return next((Cell(pad - 1, 0) for box, pad in self._pads if box.contains(at)), None)

    def _table(self) -> tuple[int, ...]:
        """The note that each note becomes."""
        ends, route = self.ends(), self.route
        if ends is None or route is None:
            return tuple(range(128))
        return route_notes(route, *ends) or tuple(range(128))

    @does("note_mode")
    def cycle_mode(self) -> None:
        """As they come, by position, by table."""
        route = self.route
        if route is not None:
            modes = ("same", "position", "table")
            mode = modes[(modes.index(route.notes) + 1) % 3]
            fields: dict[str, object] = {"notes": mode}
            if mode == "table" and not route.table:
                fields["table"] = _as_table(route, self._table())
            self._change(tr("How notes go"), fields)

    def change_note(self, by: int) -> None:
        """Another note for the pad chosen; the route becomes a table."""
        ends, route = self.ends(), self.route
        if ends is None or route is None or ends[0].spec.pads is None:
            return
        note = ends[0].spec.pads.note_of(self.pad)
        rows = dict(_as_table(route, self._table()))
        rows[note] = min(127, max(0, rows.get(note, note) + by))
        table = tuple(sorted(rows.items()))
        self._change(tr("Note of a pad"), {"notes": "table", "table": table})

    def _change(self, name: str, fields: dict[str, object]) -> None:
        at = min(self.index, len(self.session.project.rig.routes) - 1)
        self._editor.boxes.change_route(name, at, fields)

    def _go(self, by: int) -> None:
        pads = self._layout
        if pads is not None and 1 <= self.pad + by <= pads.rows * pads.cols:
            self.pad += by
            self.refresh()

    def _a_row(self) -> int:
        """How much more the pad above counts."""
        pads = self._layout
        return 0 if pads is None else pads.cols if pads.order == "up" else -pads.cols

    @does("left")
    def left(self) -> None:
        """The pad before."""
        self._go(-1)

    @does("right")
    def right(self) -> None:
        """The pad after."""
        self._go(1)

    @does("up")
    def up(self) -> None:
        """The pad above."""
        self._go(self._a_row())

    @does("down")
    def down(self) -> None:
        """The pad below."""
        self._go(-self._a_row())

    @does("note_up")
    def note_up(self) -> None:
        """The note above, for the pad chosen."""
        self.change_note(1)

    @does("note_down")
    def note_down(self) -> None:
        """The note below."""
        self.change_note(-1)

    def _route(self, by: int) -> None:
        count = len(self.session.project.rig.routes)
        self.index = (self.index + by) % count if count else 0
        self.refresh()

    @does("one_after")
    def one_after(self) -> None:
        """The next route."""
        self._route(1)

    @does("one_before")
    def one_before(self) -> None:
        """The route before."""
        self._route(-1)

    def paint_still(self, painter: QPainter) -> None:
        """Draw both fields of pads and the sentence over them."""
        p = self.palette_now
        self._pads = []
        ends, route = self.ends(), self.route
        if ends is None or route is None:
            words = tr(
                "No routes yet. Run a cable from a controller to Grebe: its route begins there."
            )
            draw.text(painter, 0, 30, words, p.muted, size=16)
            return
        source, target = ends
        count = len(self.session.project.rig.routes)
        more = (
            tr("   {value} of {count}, Page down for the next", value=self.index + 1, count=count)
            if count > 1
            else ""
        )
        title = tr("{source} to {target}{more}", source=source.name, target=target.name, more=more)
        draw.text(painter, 0, 24, title, p.ink, size=20, weight=600)
        draw.text(
            painter,
            0,
            50,
            route_sentence(route, source, target),
            p.ink,
            size=16,
            width=self.width(),
        )
        keys = tr("M: as they come, by position, by table.  Arrows choose a pad, + and - its note.")
        draw.text(painter, 0, 74, keys, p.muted, size=14, width=self.width())
        if source.spec.pads is None or target.spec.pads is None:
            _paint_voices(painter, p, target)
            return
        right = (self.width() + 40) / 2
        table = self._table()
        note = source.spec.pads.note_of(self.pad)
        becomes = table[note] if note < 128 else NOT_SENT
        self._paint_pads(painter, 0, source, source.spec.pads, note, table)
        self._paint_pads(painter, right, target, target.spec.pads, becomes, None)

    def _paint_pads(
        self,
        painter: QPainter,
        left: float,
        device: Device,
        pads: PadLayout,
        chosen: int,
        table: tuple[int, ...] | None,
    ) -> None:
        p = self.palette_now
        way = tr("from the bottom left") if pads.order == "up" else tr("from the top left")
        draw.text(painter, left, HEAD + 20, device.name, p.ink, size=16, weight=600)
        draw.text(painter, left, HEAD + 40, tr("counts {way}", way=way), p.muted, size=14)
        names = {voice.note: voice.name for voice in device.spec.voices}
        size = min(PAD, (self.height() - HEAD - 60) / pads.rows - PAD_GAP)
        wide = min(96.0, (self.width() / 2 - 40) / pads.cols - PAD_GAP)
        for row in range(pads.rows):
            for col in range(pads.cols):
                pad = pads.pad_at(row, col)
                note = pads.note_of(pad)
                x = left + col * (wide + PAD_GAP)
                y = HEAD + 54 + (pads.rows - 1 - row) * (size + PAD_GAP)
                box = QRectF(x, y, wide, size)
                edge = p.crest if note == chosen else p.rule
                draw.panel(painter, box, p.panel, edge, width=2.5 if note == chosen else 1.0)
                draw.text(painter, x + 8, y + 18, tr("pad {pad}", pad=pad), p.muted, size=12)
                words = str(note)
                if table is not None and note < 128:
                    out = table[note]
                    words = f"{note} \u2192 {out if out != NOT_SENT else 'none'}"
                draw.text(
                    painter, x + 8, y + 37, words, p.ink, size=14, weight=600, width=wide - 12
                )
                if size > 50:
                    name = names.get(note, "")
                    draw.text(painter, x + 8, y + 54, name, p.muted, size=12, width=wide - 12)
                if table is not None:
                    self._pads.append((box, pad))


def route_sentence(route: Route, source: Device, target: Device) -> str:
    """What a route does to notes, in words."""
    words = {
        "same": tr("Notes pass as they come."),
        "table": tr("A table says what each becomes."),
    }
    text = words.get(route.notes, "")
    if source.spec.pads is not None and target.spec.pads is not None:
        offset = note_map(source.spec.pads, target.spec.pads).offset
        if route.notes == "position" and offset is not None:
            text = tr(
                "By where the pads lie: one transposition of {offset:+d} does it.",
                offset=offset,
            )
        elif route.notes == "position":
            text = tr("By where the pads lie: no one transposition does it, so each has its own.")
        elif route.notes == "same" and offset != 0:
            text += tr(" The pads do not lie on the same notes.")
    if route.transpose:
        text += tr(" Then {transpose:+d} semitones.", transpose=route.transpose)
    return text


def _as_table(route: Route, becomes: Sequence[int]) -> tuple[tuple[int, int], ...]:
    """What each note becomes, as the route's own table has it before it is transposed."""
    return tuple(
        (note, out - route.transpose)
        for note, out in enumerate(becomes)
        if out != NOT_SENT and 0 <= out - route.transpose <= 127
    )


def _paint_voices(painter: QPainter, p: Palette, target: Device) -> None:
    words = (
        tr("{target}'s voices:", target=target.name)
        if target.spec.voices
        else tr("No pads to lay side by side.")
    )
    draw.text(painter, 0, HEAD + 24, words, p.ink, size=14, weight=600)
    for row, voice in enumerate(target.spec.voices[:20]):
        y = HEAD + 48 + row * 22
        draw.text(painter, 0, y, f"{voice.note}  {voice.name}", p.ink, size=14)
