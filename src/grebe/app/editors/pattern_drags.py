"""What a dragging hand does to the pattern in hand, each from what there was when it began."""

from __future__ import annotations

from grebe.app.doing import does
from grebe.app.editors.pattern_hand import PatternHand
from grebe.core.patterns import edit, shaping
from grebe.core.patterns.model import Content
from grebe.errors import EditError
from grebe.words import tr

SHIFT_REACH = 500
"""Micro-timing goes half a step either way, in thousandths."""
LONGEST_GATE = 1600


class PatternDrags:
    """Edits by a place of the pointer, not by a key."""

    def __init__(self, hand: PatternHand) -> None:
        self.hand = hand

    def paint(self, row_id: str, first: int, last: int, velocity: int) -> None:
        """Hits on every empty step between two."""
        self.hand.change_row(
            tr("Paint hits"), lambda v: shaping.painted(v, first, last, velocity), row_id
        )

    def shift(self, row_id: str, step: int, permille: int) -> int:
        """A hit's micro-timing; what it became."""
        held = max(-SHIFT_REACH, min(SHIFT_REACH, permille))
        self.hand.change_row(
            tr("Micro-timing"), lambda v: edit.change_hit(v, step, shift_permille=held), row_id
        )
        return held

    def gate(self, row_id: str, step: int, percent: int) -> int:
        """How long a hit is held; what it became."""
        held = max(5, min(LONGEST_GATE, percent))
        self.hand.change_row(
            tr("Gate"), lambda v: edit.change_hit(v, step, gate_length=held), row_id
        )
        return held

    def order(self, row_id: str, to: int) -> None:
        """A voice at another place from the top."""
        if any(v.id == row_id for v in self.hand.content.voices):
            self.hand.change(tr("Order of voices"), lambda c: shaping.move_voice(c, row_id, to))

    def move(
        self, before: Content, rows: tuple[str, ...], first: int, last: int,
        *, down: int, later: int, copied: bool,
    ) -> None:  # fmt: skip
        """A block of hits of the content as it was, elsewhere."""
        made = shaping.move_block(before, rows, first, last, down=down, later=later, copied=copied)
        name = tr("Copy hits") if copied else tr("Move hits")
        self.hand.change(name, lambda _: made)

    def draw(self, row_id: str, one: tuple[int, int], other: tuple[int, int]) -> None:
        """A lane's values from one place to another."""
        self.hand.change_row(
            tr("Draw a lane"), lambda lane: shaping.drawn(lane, one, other), row_id
        )

    # Shapes, by name

    def _shape(self, shape: shaping.Shape) -> None:
        lane = self.hand.lane
        if lane is None:
            raise EditError(tr("a shape is for a controller lane, and none is in hand"))
        first, last = 0, lane.length - 1
        if self.hand.anchor is not None:
            _, first, last = self.hand.selection()
        ends = [edit.point_at(lane, step) for step in (first, min(last, lane.length - 1))]
        low, high = (127 * n if point is None else point.value for n, point in enumerate(ends))
        self.hand.change_row(
            tr("Shape of a lane"),
            lambda lane: shaping.shaped(lane, shape, first, last, low, high), lane.id,
        )  # fmt: skip

    @does("shape_ramp")
    def ramp(self) -> None:
        """Evenly from the first value of the stretch to its last."""
        self._shape("ramp")

    @does("shape_sine")
    def sine(self) -> None:
        """Up and down once between them."""
        self._shape("sine")

    @does("shape_steps")
    def steps(self) -> None:
        """Four stairs between them."""
        self._shape("steps")
