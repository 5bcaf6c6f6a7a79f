"""Names and ids that nothing has yet, by a number at their end."""

from __future__ import annotations

from collections.abc import Collection
from itertools import count


def free_name(name: str, taken: Collection[str]) -> str:
    """The name itself, or with 2, 3 and so on behind it; one that ends so counts on."""
    if name not in taken:
        return name
    stem, _, last = name.rpartition(" ")
    counted = bool(stem) and last.isdecimal() and len(last) < 4
    stem, first = (stem, int(last) + 1) if counted else (name, 2)
    return next(made for n in count(first) if (made := f"{stem} {n}") not in taken)


def free_number(stem: str, taken: Collection[str], first: int = 1) -> str:
    """An id such as ``song-1``: the stem with the first number from `first` on that is free."""
    return next(made for n in count(first) if (made := f"{stem}-{n}") not in taken)
