"""A pattern as voices and steps, and a box's memory as its places."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from functools import cache

from grebe.app.editors.pattern_hand import PatternHand
from grebe.app.tables.table import Cell
from grebe.core.patterns import edit
from grebe.core.patterns.model import Content, Hit, Voice
from grebe.core.patterns.passes import passes_of
from grebe.core.patterns.stepsheet import hit_words
from grebe.core.rig.memory import MemoryPlace
from grebe.core.time.ticks import TICKS_PER_QUARTER
from grebe.words import tr


@cache
def numbers(count: int) -> tuple[str, ...]:
    """From 1."""
    return tuple(str(n + 1) for n in range(count))


def played_ms(content: Content, voice: Voice, hit: Hit, bpm: float) -> float:
    """When a hit sounds in the first pass, in ms from the pattern's start: swing, micro-timing and
    a flam's first stroke included."""
    ticks = [s.tick for s in passes_of(content, voice).sounds(0) if s.step == hit.step]
    at = min(ticks, default=float(hit.step * content.step_of(voice)))
    return at * 60_000 / (bpm * TICKS_PER_QUARTER)


class PatternTable:
    """Rows are voices and controller lanes, columns are steps."""

    def __init__(self, hand: PatternHand) -> None:
        self._hand = hand

    def rows(self) -> Sequence[str]:
        """Names of voices and lanes."""
        return [row.name for row in self._hand.rows]

    def columns(self) -> Sequence[str]:
        """Steps from 1, as many as the longest row has."""
        return numbers(max((row.length for row in self._hand.rows), default=0))

    def words(self, row: int, column: int) -> str:
        """What is on a step: a hit as its box counts it, and when it sounds."""
        hand = self._hand
        line = hand.rows[row]
        if column >= line.length:
            return tr("past its end")
        if not isinstance(line, Voice):
            point = edit.point_at(line, column)
            if point is None:
                return tr("no value")
            glides = tr(", glides to the next") if point.glide else ""
            return tr("value {value}{glides}", value=point.value, glides=glides)
        hit, pattern = line.hit_at(column), hand.pattern
        if hit is None or pattern is None:
            return tr("empty##a step")
        bpm = hand.session.position.written_bpm
        does = hit_words(pattern, line, hit, hand.device, bpm)
        at = played_ms(pattern.content, line, hit, bpm)
        return tr("{does}; sounds at {at:.1f} ms", does=does, at=at)

    def here(self) -> Cell | None:
        """The cursor."""
        hand = self._hand
        ids = [row.id for row in hand.rows]
        return Cell(ids.index(hand.row_id), hand.step) if hand.row_id in ids else None

    def chosen(self) -> tuple[Cell, Cell] | None:
        """From the anchor to the cursor."""
        hand = self._hand
        if hand.anchor is None or not hand.rows:
            return None
        (*_, last_row), first, last = hand.selection()
        ids = [row.id for row in hand.rows]
        first_row = hand.selection()[0][0]
        return Cell(ids.index(first_row), first), Cell(ids.index(last_row), last)

    def take(self, row: int, column: int) -> None:
        """Put the cursor there."""
        line = self._hand.rows[row]
        self._hand.row_id, self._hand.step = line.id, min(column, line.length - 1)
        self._hand.anchor = None


class MemoryTable:
    """One column: what lies at each place of a box's memory."""

    def __init__(
        self, places: Callable[[], tuple[MemoryPlace, ...]], here: Callable[[], int],
        take: Callable[[int], None],
    ) -> None:  # fmt: skip
        """`here` is the place in hand and `take` takes one, both by number as sent."""
        self._places, self._here, self._take = places, here, take

    def rows(self) -> Sequence[str]:
        """Places as the box prints them."""
        return [place.printed for place in self._places()]

    def columns(self) -> Sequence[str]:
        """What lies there."""
        return [tr("Patterns")]

    def words(self, row: int, column: int) -> str:
        """Its patterns, and whether they are in the box."""
        del column
        place = self._places()[row]
        names = ", ".join(p.name for p in place.patterns) or tr("free")
        return f"{names}, {tr(place.status)}" if place.status is not None else names

    def here(self) -> Cell | None:
        """The place in hand."""
        numbers_sent = [place.program for place in self._places()]
        here = self._here()
        return Cell(numbers_sent.index(here), 0) if here in numbers_sent else None

    def chosen(self) -> tuple[Cell, Cell] | None:
        """One at a time."""
        return None

    def take(self, row: int, column: int) -> None:
        """Take a place in hand."""
        del column
        self._take(self._places()[row].program)
