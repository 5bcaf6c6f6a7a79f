"""Lengths in words, for findings."""

from __future__ import annotations

from grebe.core.time.meter import Meter
from grebe.core.time.ticks import SIXTEENTH_TICKS


def bars_words(sixteenths: int, meter: Meter) -> str:
    """A length in bars where it comes out even, in sixteenths otherwise."""
    bars, rest = divmod(sixteenths * SIXTEENTH_TICKS, meter.bar_ticks)
    if rest == 0:
        return f"{bars} bar{'s' if bars != 1 else ''}"
    return f"{sixteenths} sixteenth{'s' if sixteenths != 1 else ''}"
