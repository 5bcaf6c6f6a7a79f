"""Moving through the pattern in hand, and selecting."""

from __future__ import annotations

from grebe.app.doing import does
from grebe.app.editors.pattern_hand import PatternHand


class PatternCursor:
    """What keys do to the cursor."""

    def __init__(self, hand: PatternHand) -> None:
        self.hand = hand

    def move(self, steps: int, rows: int, *, select: bool = False) -> None:
        """Move the cursor; with `select` what it passes is selected."""
        row, all_rows = self.hand.row, self.hand.rows
        if row is None:
            return
        if select and self.hand.anchor is None:
            self.hand.anchor = (self.hand.row_id, self.hand.step)
        elif not select:
            self.hand.anchor = None
        ids = [r.id for r in all_rows]
        other = all_rows[min(len(ids) - 1, max(0, ids.index(row.id) + rows))]
        if select:
            self.hand.step = min(other.length - 1, max(0, self.hand.step + steps))
        else:
            self.hand.step = min((self.hand.step + steps) % row.length, other.length - 1)
        self.hand.row_id = other.id

    @does("left")
    def step_left(self) -> None:
        """Cursor left, round the end."""
        self.move(-1, 0)

    @does("right")
    def step_right(self) -> None:
        """Cursor right, round the end."""
        self.move(1, 0)

    @does("up")
    def voice_up(self) -> None:
        """Cursor to the voice above."""
        self.move(0, -1)

    @does("down")
    def voice_down(self) -> None:
        """Cursor to the voice below."""
        self.move(0, 1)

    @does("first")
    def first_step(self) -> None:
        """Cursor to the first step."""
        self.move(-self.hand.step, 0)

    @does("last")
    def last_step(self) -> None:
        """Cursor to the last step."""
        if self.hand.row is not None:
            self.move(self.hand.row.length - 1 - self.hand.step, 0)

    @does("select_left")
    def select_left(self) -> None:
        """Select one step to the left."""
        self.move(-1, 0, select=True)

    @does("select_right")
    def select_right(self) -> None:
        """Select one step to the right."""
        self.move(1, 0, select=True)

    @does("select_up")
    def select_up(self) -> None:
        """Select into the voice above."""
        self.move(0, -1, select=True)

    @does("select_down")
    def select_down(self) -> None:
        """Select into the voice below."""
        self.move(0, 1, select=True)

    @does("select_all")
    def select_all(self) -> None:
        """Select the voice; again, the pattern."""
        row = self.hand.row
        if row is None:
            return
        whole_row = (row.id, 0)
        if self.hand.anchor == whole_row and self.hand.step == row.length - 1 and self.hand.rows:
            self.hand.anchor, self.hand.row_id = (self.hand.rows[0].id, 0), self.hand.rows[-1].id
            self.hand.step = max(r.length for r in self.hand.rows) - 1
        else:
            self.hand.anchor, self.hand.step = whole_row, row.length - 1
