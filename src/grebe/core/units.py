"""Constrained scalar types, declared once and read by the document, settings and spin boxes.

Ranges follow MIDI 1.0 where MIDI sets them (channel, note, velocity, program,
controller); the tempo range is common practice with room at both ends.
"""

from __future__ import annotations

from functools import cache
from typing import Annotated, Any, TypeVar, get_args, get_type_hints

import msgspec
from msgspec import Meta

MIN_BPM, MAX_BPM = 20.0, 400.0
MAX_STEPS = 256
MAX_TIMES = 999

Bpm = Annotated[float, Meta(ge=MIN_BPM, le=MAX_BPM)]
"""Tempo in quarter notes a minute."""
Channel = Annotated[int, Meta(ge=1, le=16)]
"""MIDI channel as printed, 1 to 16."""
DRUM_CHANNEL = 10
"""General MIDI level 1: percussion is on channel 10."""
Note = Annotated[int, Meta(ge=0, le=127)]
Velocity = Annotated[int, Meta(ge=1, le=127)]
Program = Annotated[int, Meta(ge=0, le=127)]
"""Program number as sent on the wire, 0 to 127."""
Controller = Annotated[int, Meta(ge=0, le=119)]
"""Controller number; 120 to 127 are channel mode messages and not for use here."""
OffsetMs = Annotated[float, Meta(ge=-500, le=500)]
"""A device's timing offset in milliseconds: positive later, negative earlier."""
FootMs = Annotated[float, Meta(ge=-200, le=200)]
"""How late a foot presses, in milliseconds; negative is early."""
StepCount = Annotated[int, Meta(ge=1, le=MAX_STEPS)]
GatePercent = Annotated[int, Meta(ge=1, le=25600)]
"""How long a note is held, in percent of one step."""
ShiftPermille = Annotated[int, Meta(ge=-500, le=500)]
"""How much later than its step a hit sounds, in thousandths of a step; negative is earlier."""
FlamPermille = Annotated[int, Meta(ge=0, le=500)]
"""How long before a hit a softer stroke falls, in thousandths of a step; 0 for none."""
Ratchet = Annotated[int, Meta(ge=1, le=8)]
RatchetTo = Annotated[int, Meta(ge=5, le=200)]
GapSeconds = Annotated[float, Meta(ge=0, le=3600)]
"""Silence between two songs."""
SwingPercent = Annotated[float, Meta(ge=50, le=75)]
"""Where the second of two steps falls, in percent of both; 50 is straight."""
Times = Annotated[int, Meta(ge=1, le=MAX_TIMES)]
Bars = Annotated[int, Meta(ge=1, le=999)]
Name = Annotated[str, Meta(min_length=1, max_length=80)]
Id = Annotated[str, Meta(pattern=r"^[a-z0-9][a-z0-9-]{0,63}$")]
"""Identity of a thing in the document: lower case letters, digits and hyphens."""
IdOrNone = Annotated[str, Meta(pattern=r"^$|^[a-z0-9][a-z0-9-]{0,63}$")]
"""An id, or "" for none."""
LineId = Annotated[str, Meta(pattern=r"^[a-z0-9][a-z0-9-]{0,63}(/[a-z0-9][a-z0-9-]{0,63})?$")]
"""What plays: a box by its id, or a track of one as `box/track` (`core.rig.lines`)."""


class Value(msgspec.Struct, frozen=True, kw_only=True, omit_defaults=True):
    """Base of every document value: immutable, keyword-only, compared by content."""


N = TypeVar("N", int, float)


def base_of(kind: Any) -> Any:
    """A type without its bounds."""
    return getattr(kind, "__origin__", kind)


def bounds_of(kind: Any) -> tuple[float, float]:
    """The least and the greatest value of a type above, or of that or None, as its `Meta` has them.

    TypeError for a type without both.
    """
    for one in (kind, *get_args(kind)):
        for meta in getattr(one, "__metadata__", ()):
            if isinstance(meta, Meta) and meta.ge is not None and meta.le is not None:
                return meta.ge, meta.le
    raise TypeError(f"{kind!r} has no bounds")


def held_in(kind: Any, value: N) -> N:
    """A value, or the nearest that a type above allows; of the value's own type."""
    low, high = bounds_of(kind)
    return type(value)(min(high, max(low, value)))


@cache
def fields_of(struct: Any) -> dict[str, Any]:
    """The types of a value's fields, with their bounds."""
    return get_type_hints(struct, include_extras=True)
