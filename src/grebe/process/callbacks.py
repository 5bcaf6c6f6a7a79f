"""A process whose audio library calls back from a thread of its own: how soon it is answered."""

from __future__ import annotations

import gc
import sys

SWITCH_S = 0.0002
"""How soon a callback gets the interpreter from whoever has it. At Python's own 5 ms a callback
that waits now and then is later than a period is long."""


def before_callbacks() -> None:
    """Call it once all is loaded and made, before the first callback: what is there by then is not
    looked through for garbage any more."""
    sys.setswitchinterval(SWITCH_S)
    gc.collect()
    gc.freeze()
