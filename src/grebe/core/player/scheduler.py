"""What is to happen at which tick, in order. Each kind of thing has a type; what falls on one tick
is sorted by kind: decisions, the clock, ends of notes, notes."""

from __future__ import annotations

from heapq import heappush
from itertools import count
from typing import NamedTuple, TypeAlias

from grebe.core.player.deck import Deck, Lane, NoteEnds
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


class SwapFalls(NamedTuple):
    """A line goes over to another chain, or its box is told that it will."""

    deck: Deck
    token: int
    """Of the swap: one asked for since has another."""
    tells: bool


class FadeFalls(NamedTuple):
    """A controller has come a step further on its way to what a scene wants."""

    deck: Deck
    token: int
    """Of the scene's coming in: another one has another."""
    channel: int
    controller: int
    value: int


class TempoFalls(NamedTuple):
    """The tempo changes."""

    point: TempoPoint
    section: int = -1
    """The number of the section it is for; void once another is in. -1: whichever plays."""


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


class OpensAgain(NamedTuple):
    """A box whose input closes as its pattern begins has the note that opens it struck anew, or
    it is looked when that is."""

    device: str
    strikes: bool


class ClickFalls(NamedTuple):
    """A beat is clicked."""

    on: NoteOn


class ClockFalls(NamedTuple):
    """A clock of MIDI."""


class PulseFalls(NamedTuple):
    """A pulse down a device's line."""

    device: str


What: TypeAlias = (
    Prepare | Switch | ChainStep | SwapFalls | FadeFalls | TempoFalls | MarksFall | Told
    | TrackFalls | OpensAgain | ClickFalls | ClockFalls | PulseFalls | NoteEnds | Lane
)  # fmt: skip
"""A lane stands for the stroke under its cursor."""

_KINDS: tuple[type, ...] = (
    Prepare, Switch, ChainStep, SwapFalls, FadeFalls, TempoFalls, MarksFall, Told, TrackFalls,
    OpensAgain, ClickFalls, ClockFalls, PulseFalls, NoteEnds, Lane,
)  # fmt: skip
_ORDER = {kind: order for order, kind in enumerate(_KINDS)}
NOTE_ENDS, STROKE = _ORDER[NoteEnds], _ORDER[Lane]
CLOCK = ClockFalls()


class Scheduler:
    """A heap of them."""

    def __init__(self) -> None:
        self.heap: list[tuple[int, int, int, What]] = []
        """(tick, kind, serial, what). The player takes from it, and puts strokes and ends of notes
        on it, by itself: there are millions of them, and a call for each costs a third."""
        self.serial = count()

    def at(self, tick: int, what: What) -> None:
        """Have something happen."""
        heappush(self.heap, (tick, _ORDER[type(what)], next(self.serial), what))

    def stroke(self, lane: Lane) -> None:
        """Have what is under a lane's cursor sound. Apart, since there are millions of them."""
        heappush(self.heap, (lane.next_tick(), STROKE, next(self.serial), lane))

    def note_end(self, tick: int, deck: Deck, key: int) -> None:
        """Have a note end."""
        heappush(self.heap, (tick, NOTE_ENDS, next(self.serial), deck.end_of(key)))

    def clear(self) -> None:
        """Nothing is to happen any more."""
        self.heap.clear()
