"""How long loud sound can be borne, and what speed does to pitch."""

from __future__ import annotations

import math

LIMIT_DBA, LIMIT_MINUTES, EXCHANGE_DB = 85.0, 480.0, 3.0
"""NIOSH 98-126: 85 dBA for eight hours, half the time for every 3 dB more."""
SEMITONES = 12


def hearing_minutes(level_dba: float) -> float:
    """Minutes a day at a level, by NIOSH 98-126: 100 dBA is 15."""
    return float(LIMIT_MINUTES / 2 ** ((level_dba - LIMIT_DBA) / EXCHANGE_DB))


def repitch_semitones(bpm_from: float, bpm_to: float) -> float:
    """Semitones by which sound goes up when it is played faster, by resampling alone."""
    return SEMITONES * math.log2(bpm_to / bpm_from)
