"""What the performer is told: a line at a time, kept to be read again, and in the log."""

from __future__ import annotations

import logging
from collections import deque
from collections.abc import Callable
from dataclasses import dataclass
from datetime import datetime

from grebe.app.engine.link import Level
from grebe.process.log import log_told
from grebe.protocols.link.messages import Notice

_log = logging.getLogger(__name__)
KEPT = 50


@dataclass(frozen=True)
class Said:
    """One line, when it was said, and what can be done about it."""

    level: Level
    text: str
    at: datetime
    offers: str = ""
    """The action that is offered with it, by id."""
    over: Callable[[], bool] | None = None
    """Whether what it says is over; None for what time alone ends."""


class Notices:
    """The last lines that were said."""

    def __init__(self, place: Callable[[], str]) -> None:
        """`place` is where the song is, in words; "" while it is not playing."""
        self._place = place
        self.last: Notice | None = None
        self.said: deque[Said] = deque(maxlen=KEPT)
        """The newest last."""

    def say(
        self, level: Level, text: str, *, offers: str = "",
        over: Callable[[], bool] | None = None,
    ) -> None:  # fmt: skip
        """Something for the performer to read; `offers` is an action that goes with it."""
        place = self._place()
        log_told(_log, level, text, f" [{place}]" if place else "")
        self.take(Notice(level=level, text=text), offers=offers, over=over)

    def take(
        self, notice: Notice, *, offers: str = "", over: Callable[[], bool] | None = None
    ) -> None:
        """One line more; what the engine has said stands in its log already."""
        self.last = notice
        self.said.append(Said(notice.level, notice.text, datetime.now(), offers, over))
