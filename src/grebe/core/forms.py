"""A setting of something as a form shows it: what it is called, and what control it wants.

One shape for everything that has settings. What a number may be, and what there is to choose
from, comes from the type of the field; it stands in one place.
"""

from __future__ import annotations

from collections import Counter
from collections.abc import Iterable, Mapping
from types import UnionType
from typing import Any, Literal, Union, get_args, get_origin

from grebe.core.typed import typed_number
from grebe.core.units import Value, base_of, bounds_of, fields_of
from grebe.errors import EditError
from grebe.words import tr

Control = Literal["text", "number", "list", "tick", "ticks", "chain", "values"]
"""What is typed; a number with steps; one of several; yes or no; any of several; several in order,
more than once; numbers by name."""


class Field(Value, frozen=True, kw_only=True):
    """One setting."""

    owner: str
    """The thing that has it, as a form groups them."""
    key: str
    words: str
    control: Control = "text"
    choices: tuple[str, ...] = ()
    """To choose from; () where they depend on the document."""
    unit: str = ""
    low: float | None = None
    high: float | None = None
    step: float = 1.0
    why: str = ""
    """Why it is asked, where that is said beside it."""


def field(
    owner: str, key: str, words: str, struct: Any = None, *, choices: tuple[str, ...] = (),
    control: Control | None = None, unit: str = "", step: float | None = None,
) -> Field:  # fmt: skip
    """A setting, with its control and bounds from the type of the field `key` of `struct`.

    `choices` in place of the type's own words; `control` in place of the one that fits the type.
    """
    kind = None if struct is None else _one_of(fields_of(struct)[key])
    found = control or _control(kind, choices)
    low, high = _bounds(kind) if found == "number" else (None, None)
    steps = step if step is not None else (1.0 if _whole(kind) else 0.5)
    return Field(owner=owner, key=key, words=words, control=found, unit=unit, low=low, high=high,
                 choices=choices or _choices(kind, found), step=steps)  # fmt: skip


def _one_of(kind: Any) -> Any:
    """The type without None."""
    if get_origin(kind) in (Union, UnionType):
        return next(one for one in get_args(kind) if one is not type(None))
    return kind


def _whole(kind: Any) -> bool:
    return base_of(kind) is int


def _control(kind: Any, choices: tuple[str, ...]) -> Control:
    if choices or get_origin(kind) is Literal:
        return "tick" if choices == YES_NO else "list"
    if base_of(kind) is bool:
        return "tick"
    if base_of(kind) in (int, float) and _bounds(kind) != (None, None):
        return "number"
    return "text"


def _bounds(kind: Any) -> tuple[float | None, float | None]:
    try:
        return bounds_of(kind)
    except TypeError:
        return None, None


def _choices(kind: Any, control: Control) -> tuple[str, ...]:
    if control == "tick":
        return YES_NO
    if get_origin(kind) is Literal:
        return tuple(str(word) for word in get_args(kind))
    return ()


YES_NO = ("yes", "no")


def stepped(field: Field, text: str, steps: int) -> str:
    """What a number becomes some steps up or down, held in its bounds; "" for what is no number.

    From a word in place of a number ("the pattern's") the first step is to the lower bound.
    """
    try:
        number = typed_number(text.strip())
    except EditError:
        return f"{field.low:g}" if field.low is not None and steps > 0 else ""
    return _held(field, number + steps * field.step)


def reckoned(field: Field, typed: str, old: str) -> str:
    """What was typed into a number: "+3" adds, "-3" takes away where nothing is below nought."""
    words = typed.strip().removesuffix(field.unit).strip() if field.unit else typed.strip()
    sign = words[:1]
    takes_away = sign == "-" and field.low is not None and field.low >= 0
    if not (sign == "+" or takes_away):
        return words
    try:
        return _held(field, typed_number(old.strip()) + typed_number(words))
    except EditError:
        return words


def _held(field: Field, number: float) -> str:
    low = field.low if field.low is not None else number
    high = field.high if field.high is not None else number
    return f"{round(min(high, max(low, number)), 6):g}"


def told_apart(rows: Iterable[tuple[str, str]]) -> dict[str, str]:
    """By id a name that no other has: what is called like one before it gets a number."""
    out: dict[str, str] = {}
    seen: Counter[str] = Counter()
    for identity, name in rows:
        seen[name] += 1
        out[identity] = name if seen[name] == 1 else f"{name} ({seen[name]})"
    return out


def meant(rows: Mapping[str, str], words: str, what: str) -> str:
    """The id that is called so in `told_apart`. EditError where none is."""
    found = next((identity for identity, name in rows.items() if name == words), None)
    if found is None:
        raise EditError(tr("there is no {what} {words!r}", what=what, words=words))
    return found
