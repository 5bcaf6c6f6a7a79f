"""Sets: songs in running order, and how each comes in after the one before."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Annotated, Literal

from msgspec import Meta

from grebe.core.units import GapSeconds, Id, Name, Value

Into = Literal["stop", "cut", "ramp", "carry"]
"""How a song comes in after the one before: after a stop, when it is run; at its own tempo on the
bar; from the tempo there is to its own over bars; at the tempo there is, until it is released."""
INTO: tuple[Into, ...] = ("stop", "cut", "ramp", "carry")
Share = Annotated[float, Meta(ge=0, le=1)]
Weight = Annotated[float, Meta(ge=0, le=10)]


class SetSong(Value, frozen=True, kw_only=True):
    """A song at its place in a set."""

    id: Id
    """Of the place: the same song may come twice."""
    song: Id
    into: Into = "stop"
    """How it comes in. Of the first it says nothing."""
    ramp_bars: Annotated[int, Meta(ge=1, le=256)] = 8
    """Bars over which the tempo goes to its own, or does so once it is released."""
    gap_s: GapSeconds = 10.0
    """Silence or talk before it where it comes in after a stop."""
    pinned: bool = False
    """It stays at its place when an order is worked out."""


class Weights(Value, frozen=True, kw_only=True):
    """How much each thing counts where an order is worked out; 0 leaves it out."""

    tempo: Weight = 1.0
    key: Weight = 1.0
    energy: Weight = 1.0
    work: Weight = 1.0
    """What has to be loaded and patched between songs."""


class Set(Value, frozen=True, kw_only=True):
    """Songs in running order."""

    id: Id = "set"
    name: Name = "Set"
    songs: Annotated[tuple[SetSong, ...], Meta(max_length=200)] = ()
    slot_s: Annotated[float, Meta(ge=0, le=86_400)] = 0.0
    """How long one has; 0 where nobody said."""
    wish: Annotated[tuple[Share, ...], Meta(max_length=64)] = ()
    """How the energy should go: evenly spaced from the first song to the last, 0 to 1."""
    weights: Weights = Weights()

    def place(self, entry: str) -> int:
        """The number of a place, from 0; ValueError where it is not there."""
        return [s.id for s in self.songs].index(entry)


def wished(wish: Sequence[float], place: int, places: int) -> float:
    """The energy wished for at a place: what was drawn, evenly from point to point."""
    if len(wish) == 1 or places == 1:
        return wish[0]
    at = place / (places - 1) * (len(wish) - 1)
    low = min(int(at), len(wish) - 2)
    return wish[low] + (wish[low + 1] - wish[low]) * (at - low)
