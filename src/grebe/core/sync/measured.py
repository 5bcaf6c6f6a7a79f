"""What a measurement of a device says: a value, for whoever shows, keeps or sends it."""

from __future__ import annotations

from typing import Literal

from grebe.core.units import Value
from grebe.words import tr

Verdict = Literal["good", "adjust", "drifting", "unusable"]
Nature = Literal["white", "frames", "periodic", "growing", "bursts", ""]
NATURE_WORDS: dict[Nature, str] = {
    "white": tr("without a pattern"),
    "frames": tr("on the 1 ms frames of a bus"),
    "periodic": tr("coming and going evenly"),
    "growing": tr("growing from beginning to end"),
    "bursts": tr("in bursts"),
    "": "",
}


class Spread(Value, frozen=True, kw_only=True):
    """Departures from the line, in ms, without their sign."""

    p50: float
    p95: float
    p99: float
    max: float


class Measured(Value, frozen=True, kw_only=True):
    """What was measured of one device. Positive is late."""

    verdict: Verdict
    sentence: str
    """The verdict with its reason."""
    confidence: float
    """Of the verdict, 0 to 1."""
    events: int
    """Of the device that count."""
    bpm: float | None = None
    offset_ms: float | None = None
    """The fitted line at the middle of the stretch."""
    offset_low_ms: float | None = None
    offset_high_ms: float | None = None
    """Ends of its 95 % interval."""
    drift_ms_per_min: float | None = None
    drift_error_ms_per_min: float | None = None
    """Standard error of that."""
    drift_bpm: float | None = None
    jitter_ms: Spread | None = None
    nature: Nature = ""
    swing_percent: float | None = None
    """Of the device's steps, where they swing and the reference does not."""
    missed: int = 0
    extra: int = 0
    clean_beats: int = 0
    """Longest stretch of reference events with none missed, extra or stray."""
    suggested_offset_ms: float | None = None
    """What to set; None where no one number mends it."""
