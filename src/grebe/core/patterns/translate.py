"""A pattern in a box's own counts: the nearest level it knows, and how far that is off."""

from __future__ import annotations

from collections.abc import Sequence
from typing import NamedTuple

from grebe.core.patterns.model import Content, Hit, Voice
from grebe.core.rig.spec import Steps
from grebe.core.time.swing import swing
from grebe.core.time.ticks import TICKS_PER_QUARTER


class Level(NamedTuple):
    """The nearest of a box's levels to what is wanted."""

    number: int
    """Counted from 1, as boxes print them (common practice); 0 where it knows none."""
    of: int
    value: float
    """What the level is, in the unit of what was wanted."""
    off_ms: float
    """How much later the box plays than wanted; negative is earlier."""


def swing_level(steps: Steps, percent: float, bpm: float, step_ticks: int) -> Level:
    """The nearest of a box's swings, and how far apart the late steps fall at a tempo."""
    at = _nearest(steps.swing, percent)
    value = steps.swing[at]
    wanted, there = (swing(p, bpm, step_ticks, 96).late_ms for p in (percent, value))
    return Level(at + 1, len(steps.swing), value, there - wanted)


def flam_ms(content: Content, voice: Voice, hit: Hit, bpm: float) -> float:
    """How long before a hit its flam falls."""
    return float(content.step_of(voice)) * hit.flam / 1000 / TICKS_PER_QUARTER * 60_000 / bpm


def late_ms(content: Content, voice: Voice, late: int, bpm: float) -> float:
    """Thousandths of a voice's step in milliseconds."""
    return float(content.step_of(voice)) * late / 1000 / TICKS_PER_QUARTER * 60_000 / bpm


def flam_level(steps: Steps, wanted_ms: float) -> Level:
    """The nearest of a box's flam widths; number 0 where it has none or they are not known."""
    if not steps.flam_ms:
        return Level(0, steps.flams, 0.0, -wanted_ms)
    at = _nearest(steps.flam_ms, wanted_ms)
    return Level(at + 1, len(steps.flam_ms), steps.flam_ms[at], steps.flam_ms[at] - wanted_ms)


def velocity_level(steps: Steps, velocity: int) -> Level:
    """The nearest of a box's velocity levels; number 0 where it takes any."""
    if not steps.levels:
        return Level(0, 0, velocity, 0.0)
    at = _nearest(steps.levels, velocity)
    return Level(at + 1, len(steps.levels), steps.levels[at], 0.0)


def _nearest(levels: Sequence[float], wanted: float) -> int:
    return min(range(len(levels)), key=lambda i: (abs(levels[i] - wanted), i))
