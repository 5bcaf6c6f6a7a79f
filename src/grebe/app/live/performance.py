"""How the song was played last: what the engine says happened, run after run. Without Qt."""

from __future__ import annotations

from collections.abc import Iterable

from grebe.core.player.happened import Entered, Happened, Stopped

MOST_EVENTS = 20_000
"""An evening of busy hands: what is longer loses its beginning."""


class PerformanceLog:
    """The run that goes on, or the last that there was."""

    def __init__(self) -> None:
        self.events: list[Happened] = []
        self._over = True

    def take(self, happened: Iterable[Happened]) -> None:
        """The engine says what happened since its last word."""
        for event in happened:
            if self._over and isinstance(event, Entered):
                self.events.clear()
                self._over = False
            self.events.append(event)
            self._over = self._over or isinstance(event, Stopped)
        del self.events[:-MOST_EVENTS]

    @property
    def holds(self) -> bool:
        """Whether anything was played."""
        return bool(self.events)
