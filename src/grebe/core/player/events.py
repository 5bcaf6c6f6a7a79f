"""What the player asks to be sent, as values; `protocols.midi` turns them into bytes."""

from __future__ import annotations

from typing import ClassVar, TypeAlias

from grebe.core.time.tempo import TempoPoint
from grebe.core.units import Value


class TimingClock(Value, frozen=True, kw_only=True, tag="clock"):
    """Timing Clock, 24 a quarter note."""


class Pulse(Value, frozen=True, kw_only=True, tag="pulse"):
    """A pulse of a device's own rate."""


class Start(Value, frozen=True, kw_only=True, tag="start"):
    """Start from the top; the next clock is the downbeat."""


class Continue(Value, frozen=True, kw_only=True, tag="continue"):
    """Go on from the song position."""


class Stop(Value, frozen=True, kw_only=True, tag="stop"):
    """Stop where you are."""


class SongPosition(Value, frozen=True, kw_only=True, tag="position"):
    """Sixteenths from the top."""

    sixteenths: int


class NoteOn(Value, frozen=True, kw_only=True, tag="on"):
    """A note begins."""

    channel: int
    note: int
    velocity: int


class NoteOff(Value, frozen=True, kw_only=True, tag="off"):
    """A note ends."""

    channel: int
    note: int


class ProgramChange(Value, frozen=True, kw_only=True, tag="program"):
    """Select a pattern or sound; `program` as sent, 0 to 127."""

    channel: int
    program: int


class ControlChange(Value, frozen=True, kw_only=True, tag="control"):
    """A controller takes a value."""

    channel: int
    controller: int
    value: int


class SongSelect(Value, frozen=True, kw_only=True, tag="song"):
    """Select a song of the box's own memory; `song` as sent, 0 to 127."""

    song: int


class TempoChange(Value, frozen=True, kw_only=True, tag="tempo"):
    """The tempo changes here. For the timeline, not for a device."""

    point: TempoPoint


class SectionStarts(Value, frozen=True, kw_only=True, tag="section"):
    """A section begins here. For those who show it, not for a device."""

    section: str
    """Id of the section in the song."""
    scene: str
    tick: int
    """Where its first bar line lies; before this event after a cut in mid-bar."""
    song_bar: int
    """The first bar's number in the song as written."""


class MutesDropped(Value, frozen=True, kw_only=True, tag="mutes"):
    """Mutes made by hand ended with their scene. To be said, not for a device."""

    mutes: tuple[tuple[str, str], ...]
    """(device id, voice id or "") of each that stands otherwise now."""


class SongEnds(Value, frozen=True, kw_only=True, tag="end"):
    """The last section is over and everything has been told to stop."""


DeviceEvent: TypeAlias = (
    TimingClock
    | Pulse
    | Start
    | Continue
    | Stop
    | SongPosition
    | NoteOn
    | NoteOff
    | ProgramChange
    | ControlChange
    | SongSelect
)
Said: TypeAlias = SectionStarts | MutesDropped | SongEnds
"""What is for those who show it, not for a device or the timeline."""
Event: TypeAlias = DeviceEvent | TempoChange | Said

SAID = (SectionStarts, MutesDropped, SongEnds)
"""The same, for `isinstance`."""

Due: TypeAlias = tuple[int, str, Event]
"""(tick, device id, event). The device is "" for events that are not for a device.

A plain tuple: an hour on 16 devices is some five million of them.
"""


class Shared:
    """Shared instances of the events that carry nothing."""

    CLOCK: ClassVar[TimingClock] = TimingClock()
    PULSE: ClassVar[Pulse] = Pulse()
    START: ClassVar[Start] = Start()
    CONTINUE: ClassVar[Continue] = Continue()
    STOP: ClassVar[Stop] = Stop()
    END: ClassVar[SongEnds] = SongEnds()
