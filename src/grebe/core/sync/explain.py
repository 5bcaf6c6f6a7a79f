"""What figures of timing mean: drift until it flams, an offset in air, what is heard."""

from __future__ import annotations

import math
from typing import NamedTuple

from grebe.words import tr

SOUND_M_A_S = 343.0
"""Speed of sound in dry air at 20 degrees Celsius (ISO 9613-1)."""
NOTICED_MS = 6.0
NOTICED_SHARE = 0.025
SHARE_FROM_MS, SHARE_TO_MS = 240.0, 1000.0
"""Friberg and Sundberg 1995 (from memory): about 6 ms for tones 100 to 240 ms apart, 2.5 % of the
interval from there to a second."""


class Drift(NamedTuple):
    """Two sources that run free of each other, counted on the beats of the first."""

    ms_per_minute: float
    """Without its sign."""
    seconds_to_limit: float
    """Infinite when they do not drift."""
    beats_to_limit: float


def drift(bpm_a: float, bpm_b: float, limit_ms: float) -> Drift:
    """How fast two tempi part, and how long until they are `limit_ms` apart.

    A minute of A has `bpm_a` beats; B's beat of the same number falls `bpm_a / bpm_b` minutes in.
    """
    ms_per_minute = abs(1 - bpm_a / bpm_b) * 60_000
    if not ms_per_minute:
        return Drift(0.0, math.inf, math.inf)
    minutes = limit_ms / ms_per_minute
    return Drift(ms_per_minute, minutes * 60, minutes * bpm_a)


def noticed_ms(interval_ms: float) -> float:
    """What listeners notice of one tone among tones this far apart; source as above.

    Outside what was studied the nearest figure is given.
    """
    if interval_ms <= SHARE_FROM_MS:
        return NOTICED_MS
    return NOTICED_SHARE * min(interval_ms, SHARE_TO_MS)


def offset_words(offset_ms: float, rate: int = 48_000) -> str:
    """An offset in samples and in metres of air."""
    samples = round(abs(offset_ms) * rate / 1e3)
    metres = abs(offset_ms) / 1e3 * SOUND_M_A_S
    return tr(
        "{samples} samples at {value:g} kHz, or {metres:.1f} m of air",
        samples=samples,
        value=rate / 1000,
        metres=metres,
    )


def drift_words(ms_per_min: float) -> str:
    """How long until a drift is heard as two hits."""
    if not ms_per_min:
        return tr("It never flams.")
    seconds = NOTICED_MS / abs(ms_per_min) * 60
    return tr(
        "From together it would flam audibly ({noticed_ms:g} ms) after {seconds:.0f} s.",
        noticed_ms=NOTICED_MS,
        seconds=seconds,
    )
