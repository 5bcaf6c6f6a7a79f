"""What a performer can ask of the player."""

from __future__ import annotations

from typing import Annotated, Literal, TypeAlias, get_args

from msgspec import Meta

from grebe.core.player.loopers import TrackCommand
from grebe.core.player.plan import Plan
from grebe.core.units import Bpm, Value

LaunchAt = Literal["quarter_beat", "beat", "bar", "section_end", "now"]


class Begin(Value, frozen=True, kw_only=True, tag="begin"):
    """Start playing at a section; "" is the song's first."""

    section: str = ""
    tick: int | None = None
    """Or at this tick of the song, at most its last clock; the section is then the one there."""
    at_ns: int | None = None
    """When that is to fall (CLOCK_MONOTONIC_RAW), where it matters; for the engine."""
    count_in_bars: Annotated[int, Meta(ge=0, le=8)] = 0
    """Bars counted before it, in the metre and at the tempo of what comes."""


class Halt(Value, frozen=True, kw_only=True, tag="halt"):
    """Stop where the player is."""


class Launch(Value, frozen=True, kw_only=True, tag="launch"):
    """Bring in a section; "" is the one that is next."""

    section: str = ""
    at: LaunchAt = "section_end"
    into_bars: Annotated[int, Meta(ge=0, le=9999)] = 0
    """Bars of the section that are left out: where in it to come in."""


class Hold(Value, frozen=True, kw_only=True, tag="hold"):
    """Stay in this section, pass after pass, until released."""

    on: bool


class Again(Value, frozen=True, kw_only=True, tag="again"):
    """One more pass of this section."""


class Skip(Value, frozen=True, kw_only=True, tag="skip"):
    """Leave out the section that is next, and take the one after it."""


class Back(Value, frozen=True, kw_only=True, tag="back"):
    """Bring in the section before this one as written; in a song's first, that one again."""

    at: LaunchAt = "bar"


class Withdraw(Value, frozen=True, kw_only=True, tag="withdraw"):
    """What was asked for, or left out, is taken back: the song goes on as written."""


class Release(Value, frozen=True, kw_only=True, tag="release"):
    """A song that carries on at the tempo there was goes to its own."""

    ramp_bars: Annotated[int, Meta(ge=0, le=256)] | None = None
    """None: over as many bars as the set says."""


class Solo(Value, frozen=True, kw_only=True, tag="solo"):
    """Only this line, or one voice of it, and others that are soloed, sound; or no longer."""

    device: str
    """Address of a box or track."""
    voice: str = ""
    """Voice id; "" is the whole line."""
    on: bool


class Mute(Value, frozen=True, kw_only=True, tag="mute"):
    """Silence a line, or one voice of it, or let it sound again."""

    device: str
    """Address of a box or track."""
    voice: str = ""
    """Voice id; "" is the whole line."""
    on: bool


SwapAt = Literal["end", "bar", "now"]


class Swap(Value, frozen=True, kw_only=True, tag="swap"):
    """Another pattern on one line until its section is over: where the pattern that plays ends,
    on the next bar, or at once. What the scene gives it comes back with the next section."""

    device: str
    """Address of a box or track."""
    pattern: str
    """Its id; "" gives back what the scene has."""
    at: SwapAt = "end"


class HoldDice(Value, frozen=True, kw_only=True, tag="hold_dice"):
    """What changes by itself, by chance or from pass to pass, stays as it plays now, or goes on."""

    on: bool


class KeepMutes(Value, frozen=True, kw_only=True, tag="keep_mutes"):
    """Whether mutes by hand stay when this section is over. Unsaid, its scene decides."""

    on: bool


class LoopOver(Value, frozen=True, kw_only=True, tag="loop"):
    """Play a stretch of the song as written over and over; an empty one ends it."""

    first: int
    """Tick of the song."""
    last: int
    """The first tick that is not part of it."""


class Steer(Value, frozen=True, kw_only=True, tag="steer"):
    """Another tempo from the next beat on, at once or over some bars."""

    bpm: Bpm
    ramp_bars: Annotated[int, Meta(ge=0, le=64)] = 0


class Nudge(Value, frozen=True, kw_only=True, tag="nudge"):
    """Push everything ahead (positive) or hold it back while this lasts; 0 lets go."""

    percent: Annotated[float, Meta(ge=-20, le=20)] = 0.0


class Fill(Value, frozen=True, kw_only=True, tag="fill"):
    """A fill is held, or let go: hits that wait for one play while it lasts."""

    on: bool


class Metronome(Value, frozen=True, kw_only=True, tag="metronome"):
    """Click every beat on what clicks the count-in, or no longer."""

    on: bool


class Rejoin(Value, frozen=True, kw_only=True, tag="rejoin"):
    """A box that was away is there again: tell it where the song is, to come in on the next bar."""

    device: str
    """The device plugged into Grebe."""
    stop_now: bool = True
    """Stop it at once; False for one that may only have lost a tick: it plays on until the bar."""


class ReplacePlan(Value, frozen=True, kw_only=True, tag="plan"):
    """Go on with an edited plan."""

    plan: Plan


Asked: TypeAlias = (
    Launch
    | Hold
    | Again
    | Skip
    | Back
    | Withdraw
    | Release
    | Mute
    | Solo
    | Swap
    | TrackCommand
    | HoldDice
    | KeepMutes
    | LoopOver
    | Steer
    | Nudge
    | Fill
    | Metronome
)
"""What a window asks of the player as it is: the one list of it. What goes over the wire, and what
the engine hands on, follow from it."""

PLAYED: tuple[type, ...] = get_args(Asked)

Command: TypeAlias = Begin | Halt | Asked | Rejoin | ReplacePlan
