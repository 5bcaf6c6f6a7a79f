"""Where messages wait that came in on another thread, and what wakes the engine for them."""

from __future__ import annotations

import os
from collections import deque

from grebe.transports.base import Heard

MAX_AT_ONCE = 32
MAX_WAITING = 4096
"""Some four seconds of a full DIN wire; the engine takes them within a millisecond."""


class Inbox:
    """Filled by a callback on any thread, emptied by the engine."""

    def __init__(self) -> None:
        self._wake = os.eventfd(0, os.EFD_NONBLOCK | os.EFD_CLOEXEC)
        self._waiting: deque[Heard] = deque(maxlen=MAX_WAITING)

    def put(self, at_ns: int, message: bytes) -> None:
        """Keep a message with its time, and wake the engine."""
        self._waiting.append((at_ns, message))
        self.wake()

    def wake(self) -> None:
        """Have the engine look, whether anything waits or not."""
        os.eventfd_write(self._wake, 1)

    def fileno(self) -> int:
        """A descriptor that is readable while something waits."""
        return self._wake

    def take(self) -> list[Heard]:
        """What waits, in order, up to so much at once: a flood must not hold the clock up."""
        try:
            os.eventfd_read(self._wake)
        except BlockingIOError:
            return []
        out: list[Heard] = []
        while self._waiting and len(out) < MAX_AT_ONCE:
            out.append(self._waiting.popleft())
        if self._waiting:
            os.eventfd_write(self._wake, 1)
        return out

    def close(self) -> None:
        """Give the descriptor back."""
        os.close(self._wake)
