"""What was typed into a form, as a value: what it may be stands with the type, in `units` and in
the values that have fields of it, and is said in words from there."""

from __future__ import annotations

import math
from datetime import date
from types import UnionType
from typing import Any, Literal, TypeVar, Union, get_args, get_origin

import msgspec

from grebe.core.units import base_of, bounds_of, fields_of, held_in
from grebe.errors import EditError
from grebe.words import tr

_S = TypeVar("_S", bound=msgspec.Struct)
WORDS = {int: tr("a whole number"), float: "a number"}


def taken(kind: Any, value: Any, what: str) -> Any:
    """A value of a type, from text or what a form has made of it.

    `what` is the setting as the window names it. EditError says what it may be.
    """
    try:
        return msgspec.convert(value, kind, strict=False)
    except msgspec.ValidationError as error:
        got = value if isinstance(value, str) else str(value)
        raise EditError(
            tr(
                "{what}: {value} (got {got!r})",
                what=what,
                value=allowed_words(kind) or _plain(error),
                got=got,
            )
        ) from error


def with_field(thing: _S, name: str, value: Any, what: str = "") -> _S:
    """The thing with a field as it was typed; `what` is its name in the window, where it has one of
    its own. EditError as for `taken`."""
    words = what or name.replace("_", " ").capitalize()
    made = taken(fields_of(type(thing))[name], value, words)
    return msgspec.structs.replace(thing, **{name: made})


def allowed_words(kind: Any) -> str:
    """What a type allows: "a whole number from 1 to 16"; "" for what is no number and no choice."""
    if get_origin(kind) in (Union, UnionType):
        kind = next(one for one in get_args(kind) if one is not type(None))
    if get_origin(kind) is Literal:
        return tr(
            "one of {names}", names=", ".join(str(choice) or "none" for choice in get_args(kind))
        )
    words = WORDS.get(base_of(kind), "")
    try:
        low, high = bounds_of(kind)
    except TypeError:
        return words
    return tr("{words} from {low:g} to {high:g}", words=words, low=low, high=high) if words else ""


def typed_number(words: str) -> float:
    """A finite number; EditError says that it goes in numbers."""
    try:
        number = float(words)
    except ValueError:
        number = math.nan
    if not math.isfinite(number):
        raise EditError(tr("it goes in numbers (got {words!r})", words=words))
    return number


def typed_whole(words: str) -> int:
    """A whole number; EditError says that it goes in whole numbers."""
    try:
        return int(words)
    except ValueError as error:
        raise EditError(tr("it goes in whole numbers (got {words!r})", words=words)) from error


def typed_day(words: str) -> date:
    """A day; EditError says how it is written."""
    try:
        return date.fromisoformat(words.strip())
    except ValueError as error:
        raise EditError(tr("a day goes as 2026-11-30 (got {text!r})", text=words)) from error


def typed_in(struct: type, name: str, words: str) -> Any:
    """A number for a field of a value, or the nearest that the field allows; whole where it is."""
    kind = fields_of(struct)[name]
    number = typed_number(words)
    return held_in(kind, int(number) if base_of(kind) is int else number)


def _plain(error: msgspec.ValidationError) -> str:
    """Why a value was refused, with the names of types as words."""
    what = str(error).partition(" - at ")[0].removesuffix(", got `str`")
    for kind, words in WORDS.items():
        what = what.replace(f"`{kind.__name__}`", words)
    return f"{what[0].lower()}{what[1:]}"
