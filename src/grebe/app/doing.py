"""Who does an action: methods say so themselves, and are collected as typed callables.

To add an action: its row in `actions`, and `@does("its_id")` on what does it, in an
editor or a view. `tests/ui/test_window.py` holds the two against each other.
"""

from __future__ import annotations

from collections.abc import Callable
from typing import Any, TypeVar

Act = Callable[[], None]
_F = TypeVar("_F", bound=Callable[[Any], None])
_MARK = "_does"


def does(action_id: str) -> Callable[[_F], _F]:
    """Mark a method as what does an action."""

    def mark(method: _F) -> _F:
        setattr(method, _MARK, action_id)
        return method

    return mark


def acts_of(*parts: object) -> dict[str, Act]:
    """Everything that these can do, by action id; of two that do one, the first counts."""
    out: dict[str, Act] = {}
    for part in parts:
        for kind in type(part).__mro__:
            for name, method in vars(kind).items():
                action_id = getattr(method, _MARK, "")
                if action_id:
                    out.setdefault(action_id, getattr(part, name))
    return out
