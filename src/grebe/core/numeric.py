"""NumPy, loaded when something is first worked out with it.

Of all that a window or a command loads it takes longest, and most of them begin without it: what
they load takes `np` from here. What is loaded only to work something out imports NumPy itself.
"""

from __future__ import annotations

from importlib import import_module
from typing import TYPE_CHECKING, Any

__all__ = ["NDArray", "np"]

if TYPE_CHECKING:
    import numpy as np
    from numpy.typing import NDArray
else:
    NDArray = Any

    class _WhenWanted:
        """Has what NumPy has."""

        def __getattr__(self, name: str) -> object:
            found = getattr(import_module("numpy"), name)
            setattr(self, name, found)  # the next time it is there
            return found

    np = _WhenWanted()
