"""Hits in what a box plays, with a height and a colour that means the same in every experiment."""

from __future__ import annotations

import numpy as np
from numpy.typing import NDArray

from grebe.core.probe.model import HeardHit
from grebe.core.sync.onsets import ALIKE, SILENT, cut_out, look, rises, timed

LOUD_S = 0.03
"""Its height is its loudest sample within so long."""


class Ear:
    """Remembers the sounds it has heard, by their colour."""

    def __init__(self, rate: int) -> None:
        self.rate = rate
        self._known: list[NDArray[np.float64]] = []

    def hits(self, samples: NDArray[np.float32]) -> list[HeardHit]:
        """Hits in a stretch (mono, -1 to 1), in seconds from its first sample."""
        if not len(samples) or float(np.abs(samples).max()) < SILENT:
            return []
        starts = rises(samples, self.rate)
        if not len(starts):
            return []
        cut = cut_out(samples, starts, self.rate)
        colours = np.array([self._colour(row) for row in cut])
        loud = round(LOUD_S * self.rate)
        out: list[HeardHit] = []
        for colour in np.unique(colours):
            alike = np.flatnonzero(colours == colour)
            times = starts[alike] / self.rate + timed(cut[alike], self.rate)
            out += [
                HeardHit(
                    float(at),
                    float(np.abs(samples[starts[i] : starts[i] + loud]).max()),
                    int(colour),
                )
                for i, at in zip(alike, times, strict=True)
            ]
        return sorted(out)

    def _colour(self, row: NDArray[np.float32]) -> int:
        """The number of the sound it is like; a new one, where it is like none."""
        shape = look(row, self.rate)
        shape = shape / (np.linalg.norm(shape) + 1e-12)
        likeness = [float(shape @ known) for known in self._known]
        if likeness and max(likeness) >= ALIKE:
            return int(np.argmax(likeness))
        self._known.append(shape)
        return len(self._known) - 1
