"""Tracks: what a box plays by itself beside others, each with its channel, patterns and mute.

Whatever plays by itself is a line: a box, or a track of one. A line is named by its address, the
box's id or `box/track`. What asks what something can play and how it is told (patterns, scenes,
decks, findings, moves) is given lines, each as a `Device` of its own (`Device.lines`); what asks
about wires, ports and the clock is given boxes.
"""

from __future__ import annotations

from typing import Annotated, Literal

from msgspec import Meta

from grebe.core.rig.spec import ChainRule, HandMove, Kind, MemoryShape, SpecVoice, Steps
from grebe.core.units import Channel, Controller, Id, LineId, Name, Value

MOST_TRACKS = 64
SEPARATOR = "/"


def line_id(box: str, track: str = "") -> LineId:
    """The address of a track of a box; "" is the box itself."""
    return f"{box}{SEPARATOR}{track}" if track else box


def box_of(line: str) -> str:
    """The id of the box that a line is, or is part of."""
    return line.partition(SEPARATOR)[0]


def track_of(line: str) -> str:
    """The id of a line's track; "" where it is a box itself."""
    return line.partition(SEPARATOR)[2]


class Track(Value, frozen=True, kw_only=True):
    """One track of a box. What it leaves unsaid is as the box has it."""

    id: Id
    name: Name
    kind: Kind = "other"
    channel: Channel = 1
    voices: tuple[SpecVoice, ...] = ()
    """What it sounds; empty: whatever the box does."""
    polyphony: Annotated[int, Meta(ge=0, le=128)] = 0
    """Notes it can sound at once, out of those of the box; 0: as many as the box."""
    slot: Annotated[str, Meta(max_length=20)] = ""
    """Tracks with the same slot share one voice: one cuts the other off."""
    patterns: Literal["own", "box"] = "own"
    """`own`: it has a memory of its own; `box`: one pattern of the box holds all such tracks, and
    rows on its channel are its own."""
    memory: MemoryShape | None = None
    steps: Steps | None = None
    chains: ChainRule | None = None
    program: Literal["track", "box", "none"] = "track"
    """Whom a program change reaches: this track on its channel, the whole box on the box's
    channel (so that tracks can only be switched together), or nobody."""
    mute_controller: Controller | None = None
    """Controller that silences it (0) and lets it sound (127), on its channel."""
    mute_by: HandMove | None = None
    """How a hand mutes it on the box, where that is another move than the box's."""
    feeds: Annotated[str, Meta(pattern=r"^$|^[a-z0-9][a-z0-9-]{0,63}$")] = ""
    """The box that it plays over the box's own output, where it makes no sound itself."""
