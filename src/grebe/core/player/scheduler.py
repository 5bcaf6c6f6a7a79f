"""What is to happen at which tick, in order. Each kind of thing has a type; what falls on one tick
is sorted by kind: decisions, the clock, ends of notes, notes."""

from __future__ import annotations

from heapq import heappop, heappush
from itertools import count
from typing import NamedTuple, TypeAlias

from grebe.core.player.deck import Deck, Lane
from grebe.core.player.events import DeviceEvent, NoteOn
from grebe.core.time.tempo import TempoPoint


class Prepare(NamedTuple):
    """Boxes are told what the coming section wants of them."""

    token: int
    """Of the boundary this is for: one that was moved since has another."""
    devices: list[str]


class Switch(NamedTuple):
    """The section is over."""

    token: int


class ChainStep(NamedTuple):
    """A device's chain goes on, or its box is told that it will."""

    deck: Deck
    generation: int
    tells: bool


class TempoFalls(NamedTuple):
    """The tempo changes."""

    point: TempoPoint


class MarksFall(NamedTuple):
    """Something laid over the section begins or ends."""

    generation: int


class Told(NamedTuple):
    """Boxes are told something."""

    events: list[tuple[str, DeviceEvent]]


class TrackFalls(NamedTuple):
    """A loop track does what it was armed for."""

    device: str
    number: int
    bars: int
    """Length of a recording; 0 while open."""


class ClickFalls(NamedTuple):
    """A beat is clicked."""

    on: NoteOn


class ClockFalls(NamedTuple):
    """A clock of MIDI."""


class PulseFalls(NamedTuple):
    """A pulse down a device's line."""

    device: str


class NoteEnds(NamedTuple):
    """A note that sounds ends."""

    deck: Deck
    key: int


What: TypeAlias = (
    Prepare | Switch | ChainStep | TempoFalls | MarksFall | Told | TrackFalls | ClickFalls
    | ClockFalls | PulseFalls | NoteEnds | Lane
)  # fmt: skip
"""A lane stands for the stroke under its cursor."""

_KINDS: tuple[type, ...] = (
    Prepare, Switch, ChainStep, TempoFalls, MarksFall, Told, TrackFalls, ClickFalls, ClockFalls,
    PulseFalls, NoteEnds, Lane,
)  # fmt: skip
_ORDER = {kind: order for order, kind in enumerate(_KINDS)}
_NOTE_ENDS, _STROKE = _ORDER[NoteEnds], _ORDER[Lane]
CLOCK = ClockFalls()


class Scheduler:
    """A heap of them."""

    def __init__(self) -> None:
        self._heap: list[tuple[int, int, int, What]] = []
        self._serial = count()

    def at(self, tick: int, what: What) -> None:
        """Have something happen."""
        heappush(self._heap, (tick, _ORDER[type(what)], next(self._serial), what))

    def stroke(self, lane: Lane) -> None:
        """Have what is under a lane's cursor sound. Apart, since there are millions of them."""
        heappush(self._heap, (lane.next_tick(), _STROKE, next(self._serial), lane))

    def note_end(self, tick: int, deck: Deck, key: int) -> None:
        """Have a note end."""
        heappush(self._heap, (tick, _NOTE_ENDS, next(self._serial), NoteEnds(deck, key)))

    def next_before(self, until: int) -> tuple[int, What] | None:
        """The next thing and its tick, taken off; None where nothing falls before `until`."""
        heap = self._heap
        if not heap or heap[0][0] >= until:
            return None
        tick, _, _, what = heappop(heap)
        return tick, what

    def clear(self) -> None:
        """Nothing is to happen any more."""
        self._heap.clear()
