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
    lasts_s: float | None = None
    """Until it has died away to a tenth; None where another sound or the end comes first."""


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
    far: bool = False
    """Whether it goes to other patterns, or to tempi far off."""
    plays: bool = False
    """Whether the box plays meanwhile, though nothing in it starts it."""


class Observation(NamedTuple):
    """What came of it, in seconds from its beginning, in order."""

    hits: tuple[HeardHit, ...] = ()
    back: tuple[CameBack, ...] = ()
    torn: bool = False
    """Samples were lost in it, and it could not be done again: what was heard may have moved."""


QuestionKey = Literal["press_play", "tempo_shown", "other_pattern", "permit"]


class ProbeQuestion(NamedTuple):
    """Something only the performer can say or do."""

    key: QuestionKey
    text: str
    choices: tuple[tuple[str, str], ...]
    """(what it stands for, its words); "" is always an answer, too: cannot say."""


Reply = str
"""What a question's choice stands for; "" for no answer."""


class Ears(NamedTuple):
    """By what a box is heard."""

    audio: bool
    midi: bool
    hand: bool = False
    """Whether somebody is there who answers questions."""


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
    notes: tuple[int, ...] = ()
    """Notes that sound; of a box that plays any pitch the lowest and the highest tried."""
    pitched: bool | None = None
    held: bool | None = None
    """Whether a note sounds for as long as it is held."""
    swing_percent: float | None = None
    """A swing that is left on in its own patterns."""
    slowest_bpm: float | None = None
    fastest_bpm: float | None = None
    """Tempi it was heard to follow, of those tried."""
    settles_s: float | None = None
    """How long it is off after the tempo jumps; 0 where it follows at once."""
    shows: Literal["tempo", "half", "double"] | None = None
    """What its display makes of 120 BPM."""
    sure: dict[str, float] = {}
    """By name of an answer how sure it is, 0 to 1."""
    unsure: tuple[str, ...] = ()
    said: tuple[str, ...] = ()
    """What was heard for each answer, in a sentence."""
