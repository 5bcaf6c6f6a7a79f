"""Waiting for what is waited for: as long as a busy machine needs, and no longer than it takes."""

from __future__ import annotations

import time
from collections.abc import Callable

PATIENCE_S = 45.0
"""Long, because a machine of which others take half still has to get there, and what is so ends
the wait at once; below the time that a whole test may take."""


def wait(
    true: Callable[[], object],
    seconds: float = PATIENCE_S,
    turn: Callable[[], object] = lambda: time.sleep(0.005),
    why: Callable[[], object] = lambda: "it did not happen",
) -> None:
    """Wait until something is so, doing ``turn`` in between. AssertionError, with ``why``, after
    the time."""
    end = time.monotonic() + seconds
    while not true():
        assert time.monotonic() < end, why()
        turn()
