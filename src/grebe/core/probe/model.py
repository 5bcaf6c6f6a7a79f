"""What an experiment sends, what is observed of it, and what is believed in the end."""

from __future__ import annotations

from typing import Literal, NamedTuple

from grebe.core.units import Value


class Send(NamedTuple):
    """A whole MIDI message, so many seconds after the experiment begins."""

    at_s: float
    data: bytes


class HeardHit(NamedTuple):
    """A sound begins."""

    at_s: float
    level: float
    """Its height, linear, on any scale that stays the same."""
    colour: int
    """Which sound it is, as far as can be told."""


class CameBack(NamedTuple):
    """A whole MIDI message that came back."""

    at_s: float
    data: bytes


class Experiment(NamedTuple):
    """One stretch of sending and listening."""

    question: str
    """What it is to find out, in words."""
    sends: tuple[Send, ...]
    seconds: float


class Observation(NamedTuple):
    """What came of it, in seconds from its beginning, in order."""

    hits: tuple[HeardHit, ...] = ()
    back: tuple[CameBack, ...] = ()


class Ears(NamedTuple):
    """By what a box is heard."""

    audio: bool
    midi: bool


ProgramAt = Literal["at_once", "bar", "pattern_end"]


class Answers(Value, frozen=True, kw_only=True):
    """What was found out. None: it could not be heard; its name is in `unsure` then."""

    clock: bool | None = None
    start: bool | None = None
    stop: bool | None = None
    goes_on: bool | None = None
    """Whether Continue goes on where it stopped."""
    song_position: bool | None = None
    program: bool | None = None
    program_at: ProgramAt | None = None
    channels: tuple[int, ...] = ()
    latency_ms: float | None = None
    """From a note to its sound, median."""
    clock_latency_ms: float | None = None
    """From a clock to the sound of its step, median."""
    velocity_levels: int | None = None
    """1: none; 128: continuous."""
    thru: Literal["none", "notes", "all"] | None = None
    sends_clock: Literal["never", "running", "always"] | None = None
    unsure: tuple[str, ...] = ()
    said: tuple[str, ...] = ()
    """What was heard for each answer, in a sentence."""
