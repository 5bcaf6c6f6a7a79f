"""Patterns: voices of steps, each with its own length, rate, channel and note."""

from __future__ import annotations

from fractions import Fraction
from functools import cache
from typing import Annotated, Literal

import msgspec
from msgspec import Meta

from grebe.core.time.ticks import NoteValue, note_value_ticks
from grebe.core.units import (
    Channel,
    Controller,
    FlamPermille,
    GatePercent,
    Id,
    LineId,
    Name,
    Note,
    Program,
    Ratchet,
    RatchetTo,
    ShiftPermille,
    StepCount,
    SwingPercent,
    Value,
    Velocity,
)

Step = Annotated[int, Meta(ge=0, le=255)]
"""Counted from 0."""
Percent = Annotated[int, Meta(ge=0, le=100)]
Condition = Annotated[
    str, Meta(pattern=r"^(|first|later|with|without|fill|no fill|[1-8] of [2-8])$")
]
"""When a hit plays, beside its chance: always (""); on the `first` pass of its voice or the
`later` ones; `with` or `without` the hit before it that hangs on chance or a condition; while a
`fill` is held or is not; on the first `1 of 4` passes, and so on."""
Direction = Literal["forward", "backward", "there and back", "random"]
Speed = Literal["1/4", "1/2", "1", "2", "4"]
KeyName = Annotated[str, Meta(pattern=r"^$|^[A-G][#b]? [a-z ]+$", max_length=24)]
"""A tonic and a scale, such as `D minor`; "" for none."""


class Hit(Value, frozen=True, kw_only=True):
    """One hit on a step."""

    step: Step
    velocity: Velocity = 100
    note: Note | None = None
    """Pitch of this hit; None plays the voice's own note."""
    gate_length: GatePercent = msgspec.field(default=50, name="gate")
    """How long it is held, in percent of a step; `gate` in a file."""
    tie: bool = False
    """Held into the next hit of the voice, which is not struck again if its pitch is the same."""
    chord: Annotated[tuple[Annotated[int, Meta(ge=-60, le=60)], ...], Meta(max_length=8)] = ()
    """Notes struck with it, in semitones from it."""
    shift_permille: ShiftPermille = msgspec.field(default=0, name="late")
    """How much later than its step, in thousandths of a step; negative is earlier; `late` in a
    file."""
    flam: FlamPermille = 0
    """How long before it a softer stroke falls, in thousandths of a step; 0 for none."""
    ratchet: Ratchet = 1
    """Strokes it is divided into, evenly over its step."""
    ratchet_to: RatchetTo = 100
    """Velocity of the last of those, in percent of the first."""
    chance: Percent = 100
    when: Condition = ""


class Voice(Value, frozen=True, kw_only=True):
    """One voice: a row of steps that comes round after `length` of them."""

    id: Id
    name: Name
    note: Note = 36
    channel: Channel | None = None
    """None: the device's channel."""
    length: StepCount = 16
    rate: NoteValue = "1/16"
    even: bool = False
    """Its steps lie evenly over the pattern's length, whatever their number; `rate` rests."""
    direction: Direction = "forward"
    swing: SwingPercent | None = None
    """None: the pattern's."""
    drawn: Percent = 0
    """How likely each hit takes another of the voice's pitches on every pass, while its rhythm
    stands; 0: as written. A pinned pattern stays on one throw."""
    turned: Percent = 0
    """How likely each step is turned over on every pass, a hit into a rest or a rest into a hit,
    and stays so until it is turned again: a loop that goes on changing. Locked at either end: at 0
    it is as written, at 100 row and opposite change places. A pinned pattern stays on one pass."""
    one_shot: bool = False
    """Struck only, however long the gate: the sound plays out by itself."""
    hits: tuple[Hit, ...] = ()
    """In order of step, at most one a step, none beyond `length`."""

    def hit_at(self, step: int) -> Hit | None:
        """The hit on a step, if there is one."""
        return next((h for h in self.hits if h.step == step), None)


class ControlPoint(Value, frozen=True, kw_only=True):
    """A controller's value from a step on."""

    step: Step
    value: Annotated[int, Meta(ge=0, le=127)]
    glide: bool = False
    """Goes evenly to the next point's value, instead of holding this one until there."""
    chance: Percent = 100
    when: Condition = ""


class ControlLane(Value, frozen=True, kw_only=True):
    """A row of controller values, with its own length."""

    id: Id
    name: Name
    controller: Controller
    channel: Channel | None = None
    """None: the device's channel."""
    length: StepCount = 16
    rate: NoteValue = "1/16"
    points: tuple[ControlPoint, ...] = ()
    """In order of step, at most one a step, none beyond `length`."""


class Pin(Value, frozen=True, kw_only=True):
    """One throw of the dice, kept."""

    seed: int
    """Of the take it fell in."""
    pass_number: Annotated[int, Meta(ge=0)] = msgspec.field(name="turn")
    """The pass it fell in, from 0."""


_SLOWER: dict[str, Fraction] = {
    "1/4": Fraction(4), "1/2": Fraction(2), "1": Fraction(1), "2": Fraction(1, 2),
    "4": Fraction(1, 4),
}  # fmt: skip


@cache
def _step_ticks(rate: str, speed: str) -> int:
    """Kept: fractions would cost most of a check of a long song."""
    return int(note_value_ticks(rate) * _SLOWER[speed])


class Content(Value, frozen=True, kw_only=True):
    """What a pattern says: its own length, its voices and controller lanes."""

    length: StepCount = 16
    """Steps after which a chain goes on to its next pattern."""
    rate: NoteValue = "1/16"
    speed: Speed = "1"
    """How fast all of it runs: at 1/4 it lasts four times as long."""
    swing: SwingPercent = 50.0
    """How far into each pair of the pattern's steps the second falls; 50 is straight."""
    key: KeyName = ""
    """What melodic voices move in."""
    seed: Annotated[int, Meta(ge=0, le=2**31)] = 0
    """Of its dice, beside that of the take."""
    pin: Pin | None = None
    """The throw that every pass plays; None: each pass has its own."""
    voices: tuple[Voice, ...] = ()
    lanes: tuple[ControlLane, ...] = ()

    @property
    def step_ticks(self) -> int:
        """Ticks of one step of the pattern's own count."""
        return _step_ticks(self.rate, self.speed)

    @property
    def ticks(self) -> int:
        """Ticks of the pattern."""
        return self.length * self.step_ticks

    def step_of(self, row: Voice | ControlLane) -> Fraction:
        """Ticks, exact, of one step of a voice or lane."""
        if isinstance(row, Voice) and row.even:
            return Fraction(self.ticks, row.length)
        return note_value_ticks(row.rate) * _SLOWER[self.speed]

    def ticks_of(self, row: Voice | ControlLane) -> int:
        """Ticks after which a voice or lane comes round."""
        steps = row.length
        if isinstance(row, Voice) and row.direction == "there and back":
            steps *= 2
        return int(steps * self.step_of(row))

    def tick_of(self, row: Voice | ControlLane, step: int) -> int:
        """Ticks from its beginning to a step of a voice or lane, straight."""
        return int(step * self.step_of(row))


class Memory(Value, frozen=True, kw_only=True):
    """A box's pattern memory: contents by program number."""

    slots: dict[int, Content] = {}


BoxStatus = Literal["in the box", "changed since", "not there yet"]


class Pattern(Value, frozen=True, kw_only=True):
    """A pattern of one box, or of one track of it."""

    id: Id
    name: Name
    device: LineId
    program: Program | None = None
    """The program number that selects it, as sent; None if it has no slot."""
    content: Content = Content()
    variation_of: Id | None = None
    """The pattern it was made from, and is shown against."""
    in_box: Content | None = None
    """For a box that plays its own: the copy of what its memory holds."""

    @property
    def box_status(self) -> BoxStatus:
        """Whether the box holds this pattern as it stands here."""
        if self.in_box is None:
            return "not there yet"
        # The key is for whoever writes; no box holds it.
        there, here = (msgspec.structs.replace(c, key="") for c in (self.in_box, self.content))
        return "in the box" if there == here else "changed since"

    def voice(self, voice_id: str) -> Voice:
        """The voice with this id; KeyError when there is none."""
        for voice in self.content.voices:
            if voice.id == voice_id:
                return voice
        raise KeyError(voice_id)
