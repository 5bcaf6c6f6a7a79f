"""How much arrivals waver, from their second differences: blind to phase, tempo and slow drift."""

from __future__ import annotations

from collections import deque

import numpy as np

WINDOW = 192
TRIM = 0.10
_TRIMMED = 0.6230
"""Mean square of a unit normal without its largest tenth: 1 - 2zφ(z)/0.9 at z = 1.645."""
LEAST_S = 0.05e-3
FRAME_S = 1e-3
FRAMED_S = 0.29e-3
"""A uniform millisecond's standard deviation."""
USUAL_S = 1e-3
EVERY = 8


class Noise:
    """The variance of arrivals around the clock they come from, in seconds squared."""

    def __init__(self) -> None:
        self.variance = USUAL_S**2
        self._ticks: deque[tuple[int, float]] = deque(maxlen=WINDOW)
        self._count = 0

    def arrived(self, at: float, number: int) -> None:
        """A tick with its number arrived."""
        if self._ticks and number <= self._ticks[-1][0]:
            if number < self._ticks[-1][0]:
                self._ticks.clear()
            return
        self._ticks.append((number, at))
        self._count += 1
        if self._count % EVERY == 0 and len(self._ticks) >= 12:
            self._work_out()

    def _work_out(self) -> None:
        numbers = np.array([n for n, _ in self._ticks])
        times = np.array([t for _, t in self._ticks])
        apart = np.diff(numbers)
        running = apart[1:] == apart[:-1]  # also every second tick, every third...
        second = (times[2:] - 2 * times[1:-1] + times[:-2])[running]
        if len(second) < 8:
            return
        squares = np.sort(second * second)[: max(4, int(len(second) * (1 - TRIM)))]
        variance = float(squares.mean()) / _TRIMMED / 6
        turns = np.exp(2j * np.pi * (times % FRAME_S) / FRAME_S)
        framed = abs(turns.mean()) > 0.9
        self.variance = max(variance, FRAMED_S**2 if framed else LEAST_S**2)
