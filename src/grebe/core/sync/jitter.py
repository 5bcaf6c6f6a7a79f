"""How much arrivals waver, from their second differences: blind to phase, tempo and slow drift.

In plain Python: the engine, which follows clocks, does without NumPy and its memory.
"""

from __future__ import annotations

from collections import deque
from math import cos, fsum, hypot, pi, sin

WINDOW = 192
TRIM = 0.10
_TRIMMED = 0.6230
"""Mean square of a unit normal without its largest tenth: 1 - 2zφ(z)/0.9 at z = 1.645."""
LEAST_S = 0.05e-3
FRAME_S = 1e-3
FRAMED_S = 0.29e-3
"""A uniform millisecond's standard deviation."""
FRAMED_SHARE = 0.9
"""Mean resultant length, of arrivals on a circle of a millisecond, from which they are on one."""
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
        ticks = list(self._ticks)
        squares: list[float] = []
        for (n0, t0), (n1, t1), (n2, t2) in zip(ticks, ticks[1:], ticks[2:], strict=False):
            if n2 - n1 == n1 - n0:  # also every second tick, every third...
                squares.append((t2 - 2 * t1 + t0) ** 2)
        if len(squares) < 8:
            return
        squares.sort()
        kept = squares[: max(4, int(len(squares) * (1 - TRIM)))]
        variance = fsum(kept) / len(kept) / _TRIMMED / 6
        turn = 2 * pi / FRAME_S
        across = fsum(cos(turn * (t % FRAME_S)) for _, t in ticks)
        along = fsum(sin(turn * (t % FRAME_S)) for _, t in ticks)
        framed = hypot(across, along) > FRAMED_SHARE * len(ticks)
        self.variance = max(variance, FRAMED_S**2 if framed else LEAST_S**2)
