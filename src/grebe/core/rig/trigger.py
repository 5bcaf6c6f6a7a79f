"""A press of something a box sends, given a meaning: a pedal that panics."""

from __future__ import annotations

from typing import Annotated, Literal

from msgspec import Meta

from grebe.core.units import Channel, Id, Value

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
        return f"{self.kind} {self.number} on channel {self.channel}"
