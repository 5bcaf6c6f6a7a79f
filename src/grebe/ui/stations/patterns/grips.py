"""What can be taken hold of in a pattern's drawing, and what dragging it does."""

from __future__ import annotations

from collections.abc import Callable
from functools import partial
from typing import Literal, NamedTuple

from PyQt6.QtCore import QPointF, Qt

from grebe.app.editors.pattern_editor import PatternEditor
from grebe.app.editors.pattern_hits import NEW_VALUE, PLAIN
from grebe.app.tables.patterns import played_ms
from grebe.core.patterns.model import ControlLane, Hit, Voice
from grebe.core.units import MAX_STEPS
from grebe.ui.stations.patterns.places import LABELS, Places, Row
from grebe.ui.widgets.drags import Drag, EditDrag, Held, LookDrag
from grebe.words import counted, tr

GRAB_PX = 12.0
"""Half of what can be taken hold of: 24 px across."""
SIDEWAYS_PX = 8.0
Kind = Literal["name", "end", "block", "hit", "gate", "step", "lane", ""]


class PatternGrip(NamedTuple):
    """What is under the pointer."""

    kind: Kind
    row: Row
    at_row: int
    step: int


SHAPES: dict[Kind, Qt.CursorShape] = {
    "name": Qt.CursorShape.SizeVerCursor,
    "end": Qt.CursorShape.SplitHCursor,
    "block": Qt.CursorShape.SizeAllCursor,
    "hit": Qt.CursorShape.SizeVerCursor,
    "gate": Qt.CursorShape.SizeHorCursor,
    "step": Qt.CursorShape.PointingHandCursor,
    "lane": Qt.CursorShape.CrossCursor,
    "": Qt.CursorShape.ArrowCursor,
}
"""What a drag from there would do."""


class PatternGrips:
    """Knows the drawing's geometry and the editor; makes drags."""

    def __init__(self, editor: PatternEditor, places: Callable[[], Places]) -> None:
        self._editor, self._places = editor, places

    def at(self, at: QPointF) -> PatternGrip | None:
        """What is under a point; None outside the rows."""
        places, hand = self._places(), self._editor.hand
        found = places.place_at(max(at.x(), LABELS + 1), at.y())
        if found is None:
            return None
        row, step = found
        index = places.index_of(row.id)
        if at.x() < LABELS:
            return PatternGrip("name", row, index, 0)
        if abs(at.x() - places.x_at(places.end_of(row))) < GRAB_PX and at.x() > LABELS + GRAB_PX:
            return PatternGrip("end", row, index, step)
        if step >= row.length:
            return PatternGrip("", row, index, step)
        if hand.anchor is not None:
            ids, first, last = hand.selection()
            if row.id in ids and first <= step <= last:
                return PatternGrip("block", row, index, step)
        if isinstance(row, ControlLane):
            return PatternGrip("lane", row, index, step)
        return PatternGrip(self._of_voice(places, row, step, at), row, index, step)

    def _of_voice(self, places: Places, row: Voice, step: int, at: QPointF) -> Kind:
        if row.hit_at(step) is not None:
            return "hit"
        held = self._held_to(places, row, at.x())
        return "gate" if held is not None else "step"

    def _held_to(self, places: Places, row: Voice, x: float) -> Hit | None:
        """The hit whose held note ends near here, apart from where it begins."""
        step = float(places.content.step_of(row))
        for hit in row.hits:
            begins = places.x_of(row, hit.step)
            end = begins + places.step_width(row) * hit.gate_length / 100
            apart = min(GRAB_PX, (end - begins) / 2)
            if hit.gate_length > 100 and abs(x - end) < apart and step > 0:
                return hit
        return None

    # Drags

    def drag(self, grip: PatternGrip, at: QPointF, held: Held) -> Drag | None:
        """What a press there begins."""
        hand = self._editor.hand
        if held & Held.ShiftModifier and grip.kind != "name":
            return self._frame()
        if grip.kind == "name":
            return self._order(grip)
        if grip.kind == "end":
            return self._edit(partial(self._length, grip))
        if grip.kind == "block":
            return self._block(grip, at)
        hand.anchor = None
        if grip.kind == "gate":
            found = self._held_to(self._places(), grip.row, at.x())  # type: ignore[arg-type]
            if found is not None:
                return self._edit(partial(self._gate, grip, found))
        if grip.kind == "lane":
            return self._lane(grip, at)
        if grip.kind == "hit":
            return self._hit(grip, at, alt=bool(held & Held.AltModifier))
        if grip.kind == "step":
            return self._paint(grip)
        return None

    def _edit(
        self, follow: Callable[[QPointF, Held], str], click: Callable[[], None] | None = None
    ) -> Drag:
        return EditDrag(self._editor.session.store, follow, click)

    def _row(self, grip: PatternGrip) -> Row:
        """The row as it is now."""
        return next((r for r in self._editor.hand.rows if r.id == grip.row.id), grip.row)

    def _length(self, grip: PatternGrip, to: QPointF, held: Held) -> str:
        del held
        places, row = self._places(), self._row(grip)
        length = round(places.tick_at(to.x()) / float(places.content.step_of(row)))
        if isinstance(row, Voice) and row.direction == "there and back":
            length //= 2
        length = max(1, min(MAX_STEPS, length))
        self._editor.hand.set_length(row.id, length)
        return counted(length, "step")

    def _gate(self, grip: PatternGrip, hit: Hit, to: QPointF, held: Held) -> str:
        del held
        places = self._places()
        along = (to.x() - places.x_of(grip.row, hit.step)) / places.step_width(grip.row)
        percent = self._editor.drags.gate(grip.row.id, hit.step, round(along * 100))
        return tr("held for {percent} % of a step", percent=percent)

    def _hit(self, grip: PatternGrip, begun: QPointF, *, alt: bool) -> Drag:
        """Up and down its velocity, with Alt its timing; sideways it goes to another step."""
        hand, drags = self._editor.hand, self._editor.drags
        row_id, step, before = grip.row.id, grip.step, hand.content
        voice = grip.row
        assert isinstance(voice, Voice)
        was = voice.hit_at(step)
        assert was is not None
        way: list[str] = ["timing"] if alt else []

        def follow(to: QPointF, held: Held) -> str:
            places, off = self._places(), to - begun
            if not way:
                if max(abs(off.x()), abs(off.y())) < SIDEWAYS_PX / 2:
                    return ""
                way.append("sideways" if abs(off.x()) > abs(off.y()) else "velocity")
            if way[0] == "timing":
                moved = round(1000 * off.x() / places.step_width(voice)) + was.shift_permille
                drags.shift(row_id, step, moved)
                return self._when(row_id, step)
            if way[0] == "sideways":
                later = round(off.x() / places.step_width(voice))
                copied = bool(held & Held.ControlModifier)
                drags.move(before, (row_id,), step, step, down=0, later=later, copied=copied)
                hand.step = max(0, min(voice.length - 1, step + later))
                return tr("step {number}", number=hand.step + 1)
            value = max(1, min(127, places.value_at(grip.at_row, to.y())))
            hand.write(row_id, step, value)
            return tr("velocity {value}", value=value)

        return self._edit(follow, lambda: hand.remove(row_id, step))

    def _when(self, row_id: str, step: int) -> str:
        """A hit's timing as it is now, in thousandths of a step and in ms."""
        hand = self._editor.hand
        voice = next(v for v in hand.content.voices if v.id == row_id)
        hit = voice.hit_at(step)
        assert hit is not None
        at = played_ms(hand.content, voice, hit, hand.session.position.written_bpm)
        return tr("{shift:+d} thousandths, at {at:.1f} ms", shift=hit.shift_permille, at=at)

    def _paint(self, grip: PatternGrip) -> Drag:
        """A hit at once; along the row more of them, up and down the velocity of the first."""
        hand, drags = self._editor.hand, self._editor.drags
        row_id, step = grip.row.id, grip.step

        def follow(to: QPointF, held: Held) -> str:
            del held
            places = self._places()
            row = self._row(grip)
            under = places.step_under(row, to.x())
            if under == step:
                value = max(1, min(127, places.value_at(grip.at_row, to.y())))
                hand.write(row_id, step, value)
                return tr("velocity {value}", value=value)
            drags.paint(row_id, step, under, PLAIN)
            first, last = sorted((step, max(0, min(row.length - 1, under))))
            return tr("steps {first} to {last}", first=first + 1, last=last + 1)

        drag = self._edit(follow)
        hand.write(row_id, step, PLAIN)
        return drag

    def _lane(self, grip: PatternGrip, begun: QPointF) -> Drag:
        """Freehand; with Alt a line from where it began. A click on a value takes it away."""
        hand, drags = self._editor.hand, self._editor.drags
        row_id = grip.row.id
        places = self._places()
        there = hand.point is not None
        first = (grip.step, places.value_at(grip.at_row, begun.y()))
        last = [first]

        def follow(to: QPointF, held: Held) -> str:
            places, row = self._places(), self._row(grip)
            step = max(0, min(row.length - 1, places.step_under(row, to.x())))
            value = max(0, min(127, places.value_at(grip.at_row, to.y())))
            line = bool(held & Held.AltModifier)
            drags.draw(row_id, first if line else last[0], (step, value))
            last[0] = (step, value)
            return tr("step {step}: {value}", step=step + 1, value=value)

        drag = self._edit(follow, (lambda: hand.remove(row_id, grip.step)) if there else None)
        if not there:
            hand.write(row_id, grip.step, first[1] or NEW_VALUE)
        return drag

    def _order(self, grip: PatternGrip) -> Drag | None:
        """A voice's name up or down."""
        if not isinstance(grip.row, Voice):
            return None

        def follow(to: QPointF, held: Held) -> str:
            del held
            places = self._places()
            count = len(self._editor.hand.content.voices)
            place = max(0, min(count - 1, places.row_under(to.y())))
            self._editor.drags.order(grip.row.id, place)
            return tr("row {number} of {count}", number=place + 1, count=count)

        return self._edit(follow)

    def _block(self, grip: PatternGrip, begun: QPointF) -> Drag:
        """What is selected goes elsewhere; with Ctrl a copy of it. A click lets it go."""
        hand, drags = self._editor.hand, self._editor.drags
        before, (rows, first, last) = hand.content, hand.selection()
        anchor, here = hand.anchor, (hand.row_id, hand.step)
        assert anchor is not None

        def follow(to: QPointF, held: Held) -> str:
            places = self._places()
            later = round((to.x() - begun.x()) / places.step_width(grip.row))
            down = places.row_under(to.y()) - grip.at_row
            copied = bool(held & Held.ControlModifier)
            drags.move(before, rows, first, last, down=down, later=later, copied=copied)
            ids = [r.id for r in hand.rows]
            for_row = {r: ids[max(0, min(len(ids) - 1, ids.index(r) + down))] for r in ids}
            hand.anchor = (for_row[anchor[0]], max(0, anchor[1] + later))
            hand.row_id, hand.step = for_row[here[0]], max(0, here[1] + later)
            how = tr("copied") if copied else tr("moved")
            return tr("{how} {later:+d} steps, {down:+d} rows", how=how, later=later, down=down)

        def click() -> None:
            hand.anchor = None
            hand.row_id, hand.step = grip.row.id, grip.step

        return self._edit(follow, click)

    def _frame(self) -> Drag:
        """From where it began, or from the cursor, to the pointer: all between is selected."""
        hand = self._editor.hand
        was = hand.anchor

        def look(to: QPointF, held: Held) -> str:
            del held
            places = self._places()
            index = max(0, min(len(places.rows) - 1, places.row_under(to.y())))
            row = places.rows[index]
            hand.row_id = row.id
            hand.step = max(0, min(row.length - 1, places.step_under(row, to.x())))
            ids, first, last = hand.selection()
            rows = counted(len(ids), "row")
            return tr("{rows}, steps {first} to {last}", rows=rows, first=first + 1, last=last + 1)

        def undone() -> None:
            hand.anchor = was

        return LookDrag(look, undone)
