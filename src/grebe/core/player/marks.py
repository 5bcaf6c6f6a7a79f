"""What is laid over a section of a song, as what happens at which tick of it."""

from __future__ import annotations

from collections.abc import Iterator
from functools import lru_cache
from itertools import pairwise
from typing import NamedTuple, TypeAlias

from grebe.core.player.mutes import Muted, Mutes
from grebe.core.songs.layout import SectionSpan, tempo_marks
from grebe.core.songs.model import Curve, SwapMark
from grebe.core.time.tempo import TempoPoint
from grebe.core.time.ticks import CLOCK_TICKS, SIXTEENTH_TICKS


class Silence(NamedTuple):
    """A region begins or ends."""

    muted: Muted
    on: bool


class Filling(NamedTuple):
    """A fill written into the song begins or ends."""

    on: bool


class Moved(NamedTuple):
    """A controller curve has another value."""

    curve: Curve
    value: int


class Swaps(NamedTuple):
    """A line goes over to another pattern."""

    mark: SwapMark


class Steered(NamedTuple):
    """The tempo goes elsewhere inside the section."""

    point: TempoPoint
    """Its tick counts from the section's beginning."""


Happening: TypeAlias = Silence | Filling | Moved | Swaps | Steered
Mark: TypeAlias = tuple[int, Happening]
"""(ticks from the section's beginning, what happens)."""


def marks_of(span: SectionSpan) -> list[Mark]:
    """Everything laid over a section, in order of time; nothing at or past its end.

    What is on at the end is let go by whoever enters the next section.
    """
    return sorted(_marks(span), key=lambda mark: mark[0])


def _marks(span: SectionSpan) -> Iterator[Mark]:
    section, end = span.section, span.ticks
    for region in section.mutes:
        yield from _while(region.at, region.long, end, (region.device, region.voice))
    for fill in section.fills:
        yield from _while(fill.at, fill.long, end, None)
    for curve in section.curves:
        for tick, value in curve_changes(curve):
            if tick < end:
                yield tick, Moved(curve, value)
    for swap in section.swaps:
        if swap.at * SIXTEENTH_TICKS < end:
            yield swap.at * SIXTEENTH_TICKS, Swaps(swap)
    for point in tempo_marks(span, 0):
        yield point.tick, Steered(point)


def _while(at: int, long: int, end: int, muted: Muted | None) -> Iterator[Mark]:
    begin, over = at * SIXTEENTH_TICKS, (at + long) * SIXTEENTH_TICKS
    if begin < end:
        yield begin, Filling(on=True) if muted is None else Silence(muted, on=True)
    if over < end:
        yield over, Filling(on=False) if muted is None else Silence(muted, on=False)


@lru_cache(maxsize=512)
def curve_changes(curve: Curve) -> tuple[tuple[int, int], ...]:
    """The values of a curve as they are sent: (ticks from its section's beginning, value).

    One for each step of the controller, at most one a clock tick: 24 a quarter note.
    """
    points = curve.points
    out = [(points[0].at * SIXTEENTH_TICKS, points[0].value)]
    for here, there in pairwise(points):
        begin, ticks = here.at * SIXTEENTH_TICKS, (there.at - here.at) * SIXTEENTH_TICKS
        steps = min(abs(there.value - here.value), ticks // CLOCK_TICKS)
        for step in range(1, steps + 1):
            value = here.value + round((there.value - here.value) * step / steps)
            out.append((begin + ticks * step // steps, value))
    return tuple(out)


def curve_value(curve: Curve, tick: int) -> int:
    """The value of a curve at a tick of its section."""
    value = curve.points[0].value
    for at, changed in curve_changes(curve):
        if at > tick:
            break
        value = changed
    return value


class LaidOver:
    """What is laid over the section that plays, and how far that has come."""

    def __init__(self) -> None:
        self.generation = 0
        """Another for each section: what waits for an older one is void."""
        self.filling = False
        """Whether a fill that is written holds."""
        self._marks: list[Mark] = []
        self._at = 0

    @property
    def next_at(self) -> int | None:
        """Ticks from the section's beginning at which something happens next."""
        return self._marks[self._at][0] if self._at < len(self._marks) else None

    def end(self) -> None:
        """None of it holds any more."""
        self._marks, self._at, self.filling = [], 0, False
        self.generation += 1

    def lay(self, span: SectionSpan, since: int) -> list[Happening]:
        """Take a section's marks, `since` ticks into it; what of the past still holds."""
        self._marks = marks_of(span)
        past = self._until(since)
        out: list[Happening] = [w for w in past if isinstance(w, Silence | Filling)]
        last = {w.mark.device: w for w in past if isinstance(w, Swaps)}
        out += last.values()
        if since > 0:
            out += [Moved(curve, curve_value(curve, since)) for curve in span.section.curves]
        return out

    def fall(self, since: int) -> list[Happening]:
        """What falls on this tick of the section, or before it."""
        return self._until(since + 1)

    def _until(self, since: int) -> list[Happening]:
        out: list[Happening] = []
        while self._at < len(self._marks) and self._marks[self._at][0] < since:
            out.append(self._marks[self._at][1])
            self._at += 1
        return out


def lay_regions(mutes: Mutes, span: SectionSpan, since: int) -> None:
    """The regions that lie over a section so many ticks into it, in place of those that do."""
    mutes.end_regions()
    laid = LaidOver()
    for what in (*laid.lay(span, since), *laid.fall(since)):
        if isinstance(what, Silence):
            mutes.region(what.muted, on=what.on)
