"""Echo times from the tempo."""

from __future__ import annotations

QUARTER_MS_AT_1_BPM = 60_000.0


def note_ms(bpm: float, quarters: float = 1.0) -> float:
    """Milliseconds of so many quarter notes: a quarter at 140 BPM is 428.571."""
    return QUARTER_MS_AT_1_BPM / bpm * quarters


def fitted_ms(bpm: float, low_ms: float, high_ms: float, quarters: float = 1.0) -> float | None:
    """The time of a note value, halved or doubled until an echo can take it.

    None when no half or double of it lies between `low_ms` and `high_ms`.
    """
    time_ms = note_ms(bpm, quarters)
    while time_ms > high_ms:
        time_ms /= 2
    while time_ms < low_ms:
        time_ms *= 2
    return time_ms if low_ms <= time_ms <= high_ms else None
