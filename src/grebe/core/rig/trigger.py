"""A press of something a box sends, given a meaning: a pedal that panics."""

from __future__ import annotations

from typing import Annotated, Literal

from msgspec import Meta

from grebe.core.units import Channel, Id, Value
from grebe.words import tr

TriggerKind = Literal["note", "controller", "program"]


class Trigger(Value, frozen=True, kw_only=True):
    """One note, controller or program of a box that Grebe hears."""

    device: Id
    kind: TriggerKind
    channel: Channel
    number: Annotated[int, Meta(ge=0, le=127)]

    @property
    def words(self) -> str:
        """In words: "controller 64 on channel 1"."""
        return tr(
            "{kind} {number} on channel {channel}",
            kind=self.kind,
            number=self.number,
            channel=self.channel,
        )


ACTION_LENGTH = 40


class Binding(Value, frozen=True, kw_only=True):
    """A press on a controller or pedal that does something on Stage."""

    trigger: Trigger
    action: Annotated[str, Meta(min_length=1, max_length=ACTION_LENGTH)]
    """Id of the action, as the key sheet has it."""
    low: Annotated[float, Meta(ge=0, le=400)] = 0.0
    high: Annotated[float, Meta(ge=0, le=400)] = 127.0
    """Of what is turned rather than pressed: what its ends stand for."""
    lit: Annotated[int, Meta(ge=0, le=127)] = 127
    dark: Annotated[int, Meta(ge=0, le=127)] = 0
    """Values sent back to it for its light, where Grebe reaches it."""


class KeyBinding(Value, frozen=True, kw_only=True):
    """A computer key that does something on Stage beside the key it has."""

    action: Annotated[str, Meta(min_length=1, max_length=ACTION_LENGTH)]
    keys: Annotated[str, Meta(min_length=1, max_length=40)]
    """As Qt writes them: "Ctrl+F12"."""
