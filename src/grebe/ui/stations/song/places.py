"""Where things lie in the drawing of a song: ticks across, boxes down."""

from __future__ import annotations

from PyQt6.QtCore import QPointF

from grebe.core.songs.layout import Layout, SectionSpan
from grebe.core.songs.model import CurvePoint
from grebe.core.time.ticks import SIXTEENTH_TICKS

LABELS = 124.0
RULER = 36.0
MARKS = 22.0
TOP = RULER + 36.0 + MARKS
CURVE_SHARE = 0.84
"""Of a row's height a curve goes from 0 to 127 over."""


class SongPlaces:
    """The geometry of a layout at one size and zoom."""

    left, ruler, top = LABELS, RULER, TOP

    def __init__(
        self, layout: Layout, first: int, scale: float, row: float, devices: tuple[str, ...]
    ) -> None:
        """`first`: the first tick seen; `scale`: pixels a tick; `row`: a row's height; `devices`:
        those seen, by id."""
        self.layout, self._first, self._scale = layout, first, scale
        self.row, self._devices = row, devices

    def x_at(self, tick: float) -> float:
        """Where a tick lies. The ruler is in musical time."""
        return LABELS + (tick - self._first) * self._scale

    def tick_at(self, x: float, *, held: bool = True) -> int:
        """The tick at a place, `held` inside the song."""
        tick = round(self._first + (x - LABELS) / self._scale)
        return max(0, min(self.layout.ticks - 1, tick)) if held else tick

    def on_grid(self, tick: int, unit: int) -> int:
        """The nearest step of a section's grid."""
        span = self.layout.spans[self.layout.index_at(max(0, min(self.layout.ticks - 1, tick)))]
        return max(0, min(self.layout.ticks, span.tick + round((tick - span.tick) / unit) * unit))

    def middle_of(self, device: str) -> float:
        """The height of a box's line; of one that is not seen, above all."""
        at = self._devices.index(device) if device in self._devices else -1
        return TOP + self.row * (at + 0.5)

    def device_at(self, y: float) -> str:
        """The box at a height; "" above and below the rows."""
        at = int((y - TOP) // self.row)
        return self._devices[at] if 0 <= at < len(self._devices) else ""

    def value_at(self, device: str, y: float) -> int:
        """A curve's value at a height of a box's row."""
        share = 0.5 - (y - self.middle_of(device)) / (self.row * CURVE_SHARE)
        return max(0, min(127, round(share * 127)))

    def point_at(self, span: SectionSpan, device: str, point: CurvePoint) -> QPointF:
        """Where a curve's point lies."""
        x = self.x_at(span.tick + point.at * SIXTEENTH_TICKS)
        share = 0.5 - point.value / 127
        return QPointF(x, self.middle_of(device) + share * self.row * CURVE_SHARE)
