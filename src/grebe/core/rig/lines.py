"""Addresses of lines.

Whatever plays by itself is a line: a box, or a track of one. A line is named by its address, the
box's id or `box/track`. What asks what something can play and how it is told (patterns, scenes,
decks, findings, moves) is given lines, each as a `Device` of its own (`Device.lines`); what asks
about wires, ports and the clock is given boxes.
"""

from __future__ import annotations

from grebe.core.units import LineId

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
