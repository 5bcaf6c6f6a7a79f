"""When the next pulse of each line falls."""

from __future__ import annotations

from collections.abc import Iterable

from grebe.core.player.plan import PulseLine
from grebe.core.rig.wiring import exact
from grebe.core.time.ticks import TICKS_PER_QUARTER


class Pulses:
    """The pulse lines of a run. They count from the top of the song it was begun in."""

    def __init__(self) -> None:
        self._top = 0
        self._waiting: set[str] = set()
        """Devices whose next pulse is under way."""

    def begin(self, top: int) -> None:
        """A run begins in the song whose first tick, as written, is `top`."""
        self._top = top
        self._waiting.clear()

    def idle(self, lines: Iterable[PulseLine]) -> list[PulseLine]:
        """Lines that no pulse is under way for."""
        return [line for line in lines if line.device not in self._waiting]

    def gone(self, device: str) -> None:
        """A line was taken away."""
        self._waiting.discard(device)

    def first_from(self, line: PulseLine, tick: int) -> int:
        """The first pulse of a line that is not before a tick; it is under way from now on."""
        apart = TICKS_PER_QUARTER / exact(line.rate)
        number = -(-(tick - self._top) // apart)
        self._waiting.add(line.device)
        return self._top + round(number * apart)
