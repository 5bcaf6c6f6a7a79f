"""From one box's pads to another's, by where they lie."""

from __future__ import annotations

from typing import Annotated, Literal, NamedTuple

from msgspec import Meta

from grebe.core.units import Note, Value


class PadLayout(Value, frozen=True, kw_only=True):
    """A field of pads on consecutive notes, counted along the rows from the left."""

    base: Note = 36
    """Note of pad 1."""
    rows: Annotated[int, Meta(ge=1, le=16)] = 4
    cols: Annotated[int, Meta(ge=1, le=16)] = 4
    order: Literal["up", "down"] = "up"
    """`up`: pad 1 is at the bottom left. `down`: at the top left."""

    def pad_at(self, row: int, col: int) -> int:
        """Number of a pad, from 1; rows count from 0 at the bottom, columns from the left."""
        line = row if self.order == "up" else self.rows - 1 - row
        return line * self.cols + col + 1

    def note_of(self, pad: int) -> int:
        """Note of a pad; over 127 there is none to send."""
        return self.base + pad - 1


class PadPair(NamedTuple):
    """Two pads that lie at the same place."""

    from_note: int
    to_note: int
    from_pad: int
    to_pad: int


class NoteMap(Value, frozen=True, kw_only=True):
    """How notes of one box become notes of another."""

    offset: int | None
    """The one transposition that does it; None where it takes a table."""
    pairs: tuple[PadPair, ...]
    """In order of the first box's pads. Pads that the other does not have are left out."""


def note_map(source: PadLayout, target: PadLayout) -> NoteMap:
    """Match two fields of pads, laid with their bottom left corners on one another.

    Pads whose note would be over 127 are left out.
    """
    pairs: list[PadPair] = []
    for row in range(min(source.rows, target.rows)):
        for col in range(min(source.cols, target.cols)):
            from_pad, to_pad = source.pad_at(row, col), target.pad_at(row, col)
            from_note, to_note = source.note_of(from_pad), target.note_of(to_pad)
            if max(from_note, to_note) <= 127:
                pairs.append(PadPair(from_note, to_note, from_pad, to_pad))
    pairs.sort(key=lambda pair: pair.from_pad)
    offsets = {pair.to_note - pair.from_note for pair in pairs}
    return NoteMap(offset=offsets.pop() if len(offsets) == 1 else None, pairs=tuple(pairs))
