"""Patterns: voices of steps, each with its own length, rate, channel and note."""

from __future__ import annotations

from typing import Annotated, Literal

from msgspec import Meta

from grebe.core.time.ticks import NoteValue, note_value_ticks
from grebe.core.units import (
    Channel,
    GatePercent,
    Id,
    Name,
    Note,
    Program,
    StepCount,
    Value,
    Velocity,
)


class Hit(Value, frozen=True, kw_only=True):
    """One hit on a step."""

    step: Annotated[int, Meta(ge=0, le=255)]
    """Counted from 0."""
    velocity: Velocity = 100
    note: Note | None = None
    """Pitch of this hit; None plays the voice's own note."""
    gate: GatePercent = 50
    """How long it is held, in percent of a step."""


class Voice(Value, frozen=True, kw_only=True):
    """One voice: a row of steps that comes round after `length` of them."""

    id: Id
    name: Name
    note: Note = 36
    channel: Channel | None = None
    """None: the device's channel."""
    length: StepCount = 16
    rate: NoteValue = "1/16"
    hits: tuple[Hit, ...] = ()
    """In order of step, at most one a step, none beyond `length`."""

    @property
    def step_ticks(self) -> int:
        """Ticks of one step."""
        return note_value_ticks(self.rate)

    @property
    def ticks(self) -> int:
        """Ticks after which the voice comes round."""
        return self.length * self.step_ticks

    def hit_at(self, step: int) -> Hit | None:
        """The hit on a step, if there is one."""
        return next((h for h in self.hits if h.step == step), None)


class Content(Value, frozen=True, kw_only=True):
    """What a pattern says: its own length and its voices."""

    length: StepCount = 16
    """Steps after which a chain goes on to its next pattern."""
    rate: NoteValue = "1/16"
    voices: tuple[Voice, ...] = ()

    @property
    def step_ticks(self) -> int:
        """Ticks of one step of the pattern's own count."""
        return note_value_ticks(self.rate)

    @property
    def ticks(self) -> int:
        """Ticks of the pattern."""
        return self.length * self.step_ticks


class Memory(Value, frozen=True, kw_only=True):
    """A box's pattern memory: contents by program number."""

    slots: dict[int, Content] = {}


BoxStatus = Literal["in the box", "changed since", "not there yet"]


class Pattern(Value, frozen=True, kw_only=True):
    """A pattern of one device."""

    id: Id
    name: Name
    device: Id
    program: Program | None = None
    """The program number that selects it, as sent; None if it has no slot."""
    content: Content = Content()
    in_box: Content | None = None
    """For a box that plays its own: the copy of what its memory holds."""

    @property
    def box_status(self) -> BoxStatus:
        """Whether the box holds this pattern as it stands here."""
        if self.in_box is None:
            return "not there yet"
        return "in the box" if self.in_box == self.content else "changed since"

    def voice(self, voice_id: str) -> Voice:
        """The voice with this id; KeyError when there is none."""
        for voice in self.content.voices:
            if voice.id == voice_id:
                return voice
        raise KeyError(voice_id)
