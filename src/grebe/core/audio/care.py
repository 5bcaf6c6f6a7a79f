"""How long loud sound can be borne, and what speed does to pitch."""

from __future__ import annotations

import math
from collections.abc import Sequence

LIMIT_DBA, LIMIT_MINUTES, EXCHANGE_DB = 85.0, 480.0, 3.0
"""NIOSH 98-126: 85 dBA for eight hours, half the time for every 3 dB more."""
LEAST_DBA = 80.0
SEMITONES = 12


def hearing_minutes(level_dba: float) -> float:
    """Minutes a day at a level, by NIOSH 98-126: 100 dBA is 15."""
    return float(LIMIT_MINUTES / 2 ** ((level_dba - LIMIT_DBA) / EXCHANGE_DB))


def noise_dose(levels: Sequence[tuple[float, float]]) -> float:
    """Of what a day may have, as a share: (dBA, minutes) one after another, by NIOSH 98-126,
    section 1.1.3. What is below 80 dBA does not count there."""
    return sum(minutes / hearing_minutes(dba) for dba, minutes in levels if dba >= LEAST_DBA)


def day_level(dose: float) -> float:
    """The level that comes to the same over eight hours, in dBA (ibid., TWA); minus infinity for
    none."""
    return LIMIT_DBA + 10 * math.log10(dose) if dose > 0 else -math.inf


def repitch_semitones(bpm_from: float, bpm_to: float) -> float:
    """Semitones by which sound goes up when it is played faster, by resampling alone."""
    return SEMITONES * math.log2(bpm_to / bpm_from)
