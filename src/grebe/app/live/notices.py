"""What the performer is told: one line at a time, and in the log with its place in the song."""

from __future__ import annotations

import logging
from collections.abc import Callable

from grebe.app.engine.link import Level
from grebe.process.log import log_told
from grebe.protocols.link.messages import Notice

_log = logging.getLogger(__name__)


class Notices:
    """The last thing that was said."""

    def __init__(self, place: Callable[[], str]) -> None:
        """`place` is where the song is, in words; "" while it is not playing."""
        self._place = place
        self.last: Notice | None = None

    def say(self, level: Level, text: str) -> None:
        """Something for the performer to read."""
        place = self._place()
        log_told(_log, level, text, f" [{place}]" if place else "")
        self.last = Notice(level=level, text=text)
