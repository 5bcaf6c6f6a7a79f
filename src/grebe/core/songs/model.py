"""Scenes (what sounds together) and songs (scenes in order)."""

from __future__ import annotations

from typing import Annotated

from msgspec import Meta

from grebe.core.time.meter import Meter
from grebe.core.units import Bars, Bpm, Id, Name, Times, Value


class Part(Value, frozen=True, kw_only=True):
    """What one device does in a scene."""

    device: Id
    chain: Annotated[tuple[Id, ...], Meta(max_length=64)] = ()
    """Pattern ids played one after another and round again; empty is silent."""
    muted: bool = False
    silent_voices: tuple[Id, ...] = ()
    """Voices muted in this scene."""


class Scene(Value, frozen=True, kw_only=True):
    """What sounds together for a number of bars."""

    id: Id
    name: Name
    bars: Bars = 8
    """Length of one pass."""
    meter: Meter = Meter()
    parts: tuple[Part, ...] = ()

    def part(self, device_id: str) -> Part:
        """The part of a device; a silent one when the scene does not name it."""
        for part in self.parts:
            if part.device == device_id:
                return part
        return Part(device=device_id)


class Section(Value, frozen=True, kw_only=True):
    """A scene at its place in a song."""

    id: Id
    scene: Id
    times: Times = 1
    """How many passes of the scene."""
    bpm: Bpm | None = None
    """Tempo from here on; None carries on."""
    ramp_bars: Annotated[int, Meta(ge=0, le=256)] = 0
    """Bars over which the tempo goes there; 0 is at once."""


class Song(Value, frozen=True, kw_only=True):
    """Scenes in order at a tempo."""

    id: Id
    name: Name
    bpm: Bpm = 120.0
    sections: tuple[Section, ...] = ()
