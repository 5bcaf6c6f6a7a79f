"""What was typed into a form, as a number."""

from __future__ import annotations

import math

from grebe.errors import EditError


def typed_number(words: str) -> float:
    """A finite number; EditError says that it goes in numbers."""
    try:
        number = float(words)
    except ValueError:
        number = math.nan
    if not math.isfinite(number):
        raise EditError(f"it goes in numbers (got {words!r})")
    return number
