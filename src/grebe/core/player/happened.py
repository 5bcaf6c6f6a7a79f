"""What happened in a run, as it is remembered to be kept: when a section came in, what was silent
from when on, what hands swapped, filled, steered and looped. Ticks are those of the performance."""

from __future__ import annotations

from typing import TypeAlias

from grebe.core.units import Value


class Entered(Value, frozen=True, array_like=True, tag="in"):
    """A section came in."""

    tick: int
    origin: int
    """Where its first bar line lies, or would have lain."""
    section: str
    into: int
    """Ticks of it that were left out."""


class Silenced(Value, frozen=True, array_like=True, tag="silent"):
    """From here on this is silent, and nothing else: by scene, region, hand or solo."""

    tick: int
    silent: tuple[tuple[str, str], ...]
    """(address of a line, voice id or "" for all of it)."""
    by_hand: bool
    """Whether scene and song alone would have it otherwise."""


class Swapped(Value, frozen=True, array_like=True, tag="swap"):
    """A line went over to another pattern."""

    tick: int
    line: str
    pattern: str


class Filled(Value, frozen=True, array_like=True, tag="fill"):
    """A fill was held, or let go."""

    tick: int
    on: bool


class TempoTaken(Value, frozen=True, array_like=True, tag="tempo"):
    """The tempo went elsewhere, by hand."""

    tick: int
    bpm: float
    ramp_ticks: int


class TrackDid(Value, frozen=True, array_like=True, tag="track"):
    """A loop track did what it was armed for."""

    tick: int
    device: str
    number: int
    act: str


class Stopped(Value, frozen=True, array_like=True, tag="stop"):
    """The run was over."""

    tick: int


Happened: TypeAlias = Entered | Silenced | Swapped | Filled | TempoTaken | TrackDid | Stopped
