"""How much is tried where tries are drawn: a part each time, all of it by ``make long``.

Every seed is fixed, so a run is the same as the one before; what a part of them finds is a fault
that all of them would have found.
"""

from __future__ import annotations

import os

LONG = os.environ.get("GREBE_LONG") == "1"
PART = 3


def tries(count: int) -> int:
    """Of so many tries those that are made now: a third, or all."""
    return count if LONG else max(2, count // PART)
