"""Hits in what a box plays, with a height and a colour that means the same in every experiment."""

from __future__ import annotations

import numpy as np
from numpy.typing import NDArray

from grebe.core.probe.model import HeardHit
from grebe.core.sync.onsets import ALIKE, SILENT, cut_out, look, rises, timed

LOUD_S = 0.03
"""Its height is its loudest sample within so long."""
DIED_AWAY, RMS_S, QUIET_S = 0.1, 0.002, 0.01
"""A sound is over when its level, over so long each, stays below this share of its height."""


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
                    self._lasts(samples, starts, int(i)),
                )
                for i, at in zip(alike, times, strict=True)
            ]
        return sorted(out)

    def _lasts(
        self, samples: NDArray[np.float32], starts: NDArray[np.int64], number: int
    ) -> float | None:
        """How long a hit sounds; None where the next comes before it has died away."""
        until = int(starts[number + 1]) if number + 1 < len(starts) else len(samples)
        width = round(RMS_S * self.rate)
        rest = samples[starts[number] : until]
        blocks = rest[: len(rest) // width * width].reshape(-1, width)
        if not len(blocks):
            return None
        level = np.sqrt(np.einsum("ij,ij->i", blocks, blocks) / width)
        quiet = level < DIED_AWAY * float(level[: max(1, round(LOUD_S / RMS_S))].max())
        top = int(level.argmax())
        needed = round(QUIET_S / RMS_S)
        for at in range(top, len(quiet) - needed + 1):
            if quiet[at : at + needed].all():
                return at * RMS_S
        return None

    def _colour(self, row: NDArray[np.float32]) -> int:
        """The number of the sound it is like; a new one, where it is like none."""
        shape = look(row, self.rate)
        shape = shape / (np.linalg.norm(shape) + 1e-12)
        likeness = [float(shape @ known) for known in self._known]
        if likeness and max(likeness) >= ALIKE:
            return int(np.argmax(likeness))
        self._known.append(shape)
        return len(self._known) - 1
