"""Echo times from the tempo."""

from __future__ import annotations

from typing import NamedTuple

from grebe.core.time.ticks import TICKS_PER_QUARTER, note_value_ticks

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


NOTE_VALUES = tuple(f"1/{n}{kind}" for n in (1, 2, 4, 8, 16, 32) for kind in ("", ".", "t"))
"""Whole notes to thirty-seconds: straight, dotted, triplet."""
MOST_HALVINGS = 6


class DelayRow(NamedTuple):
    """A note value as an echo time."""

    note: str
    ms: float
    fits: bool


def delay_table(bpm: float, low_ms: float, high_ms: float) -> tuple[DelayRow, ...]:
    """Every note value in milliseconds, and whether an echo from `low_ms` to `high_ms` has it."""
    rows: list[DelayRow] = []
    for name in NOTE_VALUES:
        ms = note_ms(bpm, note_value_ticks(name) / TICKS_PER_QUARTER)
        rows.append(DelayRow(name, ms, low_ms <= ms <= high_ms))
    return tuple(rows)


def halved_bpm(bpm: float, low_ms: float, high_ms: float) -> float | None:
    """The nearest half or double of a tempo whose quarter an echo can take.

    None where the tempo itself has one, or none of them does: an echo that cannot take 140 BPM
    as a quarter note is set to 70.
    """
    if low_ms <= note_ms(bpm) <= high_ms:
        return None
    for times in range(1, MOST_HALVINGS + 1):
        factor = float(2**times)
        for other in (bpm / factor, bpm * factor):
            if low_ms <= note_ms(other) <= high_ms:
                return other
    return None
