"""Names and ids that nothing has yet, by a number at their end."""

from __future__ import annotations

from collections.abc import Collection
from itertools import count


def free_name(name: str, taken: Collection[str]) -> str:
    """The name itself, or with 2, 3 and so on behind it."""
    if name not in taken:
        return name
    return next(made for n in count(2) if (made := f"{name} {n}") not in taken)


def free_number(stem: str, taken: Collection[str], first: int = 1) -> str:
    """An id such as ``song-1``: the stem with the first number from `first` on that is free."""
    return next(made for n in count(first) if (made := f"{stem}-{n}") not in taken)
