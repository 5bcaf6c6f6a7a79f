"""Going through what can be chosen, one key at a time."""

from __future__ import annotations

from collections.abc import Sequence
from typing import TypeVar

_T = TypeVar("_T")


def after(values: Sequence[_T], value: object) -> _T:
    """The value after this one, round the end; the first where it is none of them."""
    if value in values:
        return values[(values.index(value) + 1) % len(values)]
    return values[0]
