"""Song Position: counting in sixteenths, as MIDI 1.0 does."""

from __future__ import annotations

from grebe.core.time.meter import Meter
from grebe.core.time.ticks import CLOCK_TICKS, SIXTEENTH_TICKS

MAX_SONG_POSITION = 16_383  # 14 bits, MIDI 1.0: 1024 bars of 4/4 counted from 0


def song_position(tick: int) -> int:
    """Sixteenths from the top to `tick`, held at the largest number 14 bits can say."""
    return min(max(tick, 0) // SIXTEENTH_TICKS, MAX_SONG_POSITION)


def song_position_bytes(sixteenths: int) -> bytes:
    """The Song Position message: F2, low seven bits, high seven bits (MIDI 1.0)."""
    return bytes((0xF2, sixteenths & 0x7F, sixteenths >> 7))


def clocks_to(tick: int) -> int:
    """MIDI clocks from the top to `tick`."""
    return tick // CLOCK_TICKS


def tick_of(bar: int, beat: int, meter: Meter) -> int:
    """Tick of a printed place; bars and beats count from 1. ValueError outside."""
    if bar < 1 or not 1 <= beat <= meter.beats:
        raise ValueError(
            f"bar counts from 1 and beat from 1 to {meter.beats} in {meter} (got {bar}.{beat})"
        )
    return (bar - 1) * meter.bar_ticks + (beat - 1) * meter.beat_ticks
