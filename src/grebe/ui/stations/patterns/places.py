"""Where things lie in the drawing of a pattern: ticks across, rows down."""

from __future__ import annotations

from typing import NamedTuple

from grebe.core.patterns.model import Content, ControlLane, Voice

LABELS = 128.0
TOP = 30.0
EDGE = 8.0
"""From the labels to the first step."""
MAX_ROW = 104.0
ROWS_AT_LEAST = 8
"""So many rows fill a large screen."""
TALL_ROW = 220.0
"""Where there are one or two rows, pitches and velocities get more room."""
ROW_MARGIN = 8.0
"""A row's picture reaches so far over its neighbours: heads, words."""
LOW_ROW = 52.0
"""Below this a row's label is one line."""

Row = Voice | ControlLane


class StepPlace(NamedTuple):
    """A row and a step."""

    row: Row
    step: int


class Places:
    """The geometry of one content at one size."""

    def __init__(
        self, content: Content, width: float, height: float, first: float = 0.0,
        shown: float = 0.0,
    ) -> None:  # fmt: skip
        """`first` and `shown`: the ticks that are seen, where not all are."""
        self.content = content
        self.rows: tuple[Row, ...] = (*content.voices, *content.lanes)
        self.shown_ticks = max([content.ticks, *(content.ticks_of(r) for r in self.rows)])
        """Length of the time drawn: the pattern, or a row that is longer."""
        self.first, self._seen = first, shown or float(self.shown_ticks)
        self.left, self.wide = LABELS + EDGE, width - LABELS - 20
        count = max(1, len(self.rows))
        most = max(MAX_ROW, height / ROWS_AT_LEAST) if count > 2 else max(TALL_ROW, height / 4)
        self.row_height = min(most, (height - TOP - 8) / count)
        self.foot = min(14.0, self.row_height / 4)
        """From a waterline to the row's end."""
        self.tall = self.row_height - self.foot - min(20.0, self.row_height / 5)
        """Height of the loudest stroke."""

        self.like = (
            width, height, count, self.shown_ticks, content.ticks, content.step_ticks,
            content.speed, content.swing, content.pin, self.first, self._seen,
        )  # fmt: skip
        """What the drawing of every row hangs on besides the row."""

    def row_top(self, index: int) -> float:
        """Where a row's picture begins."""
        return float(round(TOP + self.row_height * index - ROW_MARGIN))

    def x_at(self, tick: float) -> float:
        """Where a tick lies."""
        return self.left + self.wide * (tick - self.first) / self._seen

    def tick_at(self, x: float) -> float:
        """The tick at a place across."""
        return self.first + (x - self.left) / self.wide * self._seen

    def level(self, index: int) -> float:
        """Height of a row's waterline."""
        return TOP + self.row_height * (index + 1) - self.foot

    @property
    def bottom(self) -> float:
        """Below the last waterline."""
        return self.level(max(0, len(self.rows) - 1)) + min(8.0, self.foot)

    def stroke_height(self, value: int) -> float:
        """Height of a stroke for a velocity or value."""
        return value / 127 * self.tall

    def value_at(self, index: int, y: float) -> int:
        """The velocity or value at a height in a row."""
        return round((self.level(index) - y) / self.tall * 127)

    def step_width(self, row: Row) -> float:
        """Width of a step."""
        return self.wide * float(self.content.step_of(row)) / self._seen

    def index_of(self, row_id: str) -> int:
        """Which row has this id; -1 for none."""
        return next((i for i, r in enumerate(self.rows) if r.id == row_id), -1)

    def x_of(self, row: Row, step: int) -> float:
        """Where a step of a row lies when it is straight: backwards ones from the end."""
        place = step
        if isinstance(row, Voice) and row.direction == "backward":
            place = row.length - 1 - step
        return self.x_at(float(place * self.content.step_of(row)))

    def end_of(self, row: Row) -> float:
        """Where a row comes round, in ticks."""
        return self.content.ticks_of(row)

    def row_under(self, y: float) -> int:
        """The row at a height, also above the first and below the last."""
        return int((y - TOP) // self.row_height)

    def step_under(self, row: Row, x: float) -> int:
        """The step of a row nearest to a place across, also past its ends."""
        place = round(self.tick_at(x) / float(self.content.step_of(row)))
        if isinstance(row, Voice) and row.direction == "backward" and place < row.length:
            return row.length - 1 - place
        if isinstance(row, Voice) and row.direction == "there and back":
            return 2 * row.length - 1 - place if row.length <= place < 2 * row.length else place
        return place

    def place_at(self, x: float, y: float) -> StepPlace | None:
        """The row and the step under a point; the step may lie past the row's end."""
        index = self.row_under(y)
        if not 0 <= index < len(self.rows) or x < LABELS:
            return None
        row = self.rows[index]
        return StepPlace(row, max(0, self.step_under(row, x)))
