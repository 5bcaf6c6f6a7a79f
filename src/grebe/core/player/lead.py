"""How long before its boundary a box is told of a change."""

from __future__ import annotations

from grebe.core.rig.model import Device
from grebe.core.time.ticks import SIXTEENTH_TICKS, TICKS_PER_QUARTER

PROGRAM_LEAD_TICKS = SIXTEENTH_TICKS
"""A program change is sent one sixteenth before its boundary, or earlier where a box takes longer:
one that changes at the end of its pattern has to have it before that end."""


def lead_ticks(device: Device, bpm: float) -> int:
    """How long before its boundary a box is told of a change, at a tempo."""
    needed = device.spec.told_ms / 60_000 * bpm * TICKS_PER_QUARTER
    return max(PROGRAM_LEAD_TICKS, int(needed))
