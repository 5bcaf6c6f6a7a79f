"""How loud a mix is, and one gain for all of it: so that its stems add up to it again."""

from __future__ import annotations

from math import inf, log10
from typing import NamedTuple

import numpy as np

from grebe.core.audio.mix import CEILING, Stereo


class Levels(NamedTuple):
    """What was made of a mix."""

    gain: float
    """All of it, and each of its stems, times this."""
    peak_db: float
    """Of the loudest sample, in dB of full scale, after that."""

    @property
    def gain_db(self) -> float:
        """The same in dB; 0 where nothing was done."""
        return 20 * log10(self.gain)


def levels_of(parts: list[Stereo], wanted_gain: float = 1.0) -> Levels:
    """The gain at which neither a part nor all of them together pass the ceiling: the wanted one,
    or less."""
    peak = max((_peak(part) for part in parts), default=0.0)
    if not peak:
        return Levels(1.0, -inf)
    gain = min(wanted_gain, CEILING / peak)
    return Levels(gain, 20 * log10(gain * peak))


def _peak(audio: Stereo) -> float:
    return float(np.abs(audio).max()) if len(audio) else 0.0
