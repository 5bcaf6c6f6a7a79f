"""The clock a simulated box makes when it leads: as steady, or not, as its faults say."""

from __future__ import annotations

import random

from grebe.core.rig.model import Faults
from grebe.core.time.ticks import CLOCKS_PER_QUARTER
from grebe.protocols.midi import messages as midi

START_BEFORE_NS = 2_000_000
"""Start goes out so long before the tick that is the downbeat."""


class OwnClock:
    """Ticks at a tempo set by hand; runs on while stopped, as the clock of most boxes does."""

    def __init__(self, bpm: float, faults: Faults, now_ns: int) -> None:
        self._faults = faults
        self._random = random.Random(faults.seed)
        self._period_ns = 60e9 / (bpm * CLOCKS_PER_QUARTER) / (1 + faults.drift_ppm / 1e6)
        self._began_ns = now_ns
        self._number = 0
        self._pressed = False
        self._due_ns = now_ns
        self._set_due()

    @property
    def due_ns(self) -> int:
        """When it has something to send next."""
        return self._due_ns - START_BEFORE_NS if self._pressed else self._due_ns

    def press(self) -> None:
        """Somebody presses start: the next tick is the downbeat."""
        self._pressed = True

    def take(self, now_ns: int) -> list[bytes]:
        """What goes out by now: Start, and ticks."""
        out: list[bytes] = []
        while self.due_ns <= now_ns:
            if self._pressed:
                self._pressed = False
                out.append(bytes((midi.START,)))
                continue
            if self._random.random() * 100 >= self._faults.drop_percent:
                out.append(bytes((midi.TIMING_CLOCK,)))
                doubles = self._faults.double_percent
                if doubles and self._random.random() * 100 < doubles:
                    out.append(bytes((midi.TIMING_CLOCK,)))
            self._number += 1
            self._set_due()
        return out

    def _set_due(self) -> None:
        late = self._random.gauss(0.0, self._faults.jitter_ms) if self._faults.jitter_ms else 0.0
        due = self._began_ns + round(self._number * self._period_ns + late * 1e6)
        self._due_ns = max(due, self._due_ns)
