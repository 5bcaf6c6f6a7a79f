"""What changed between two frozen trees, as little as can be said of it, and the way back.

Trees share what an edit left alone, so what is the same object is not looked into. A patch is made
of plain values: ``{"v": value}`` replaces, ``{"f": {field: patch}}`` goes into a struct,
``{"e": {index: patch}}`` into a tuple, ``{"s": [start, removed, items]}`` cuts a tuple,
``{"k": {key: patch}, "-": [keys]}`` goes into a dictionary.
"""

from __future__ import annotations

import types
import typing
from functools import cache
from typing import Annotated, Any, TypeVar, get_args, get_origin

import msgspec

from grebe.core.units import fields_of
from grebe.errors import ProtocolError

MOST_DEEP = 24
"""Far deeper than a plan is; what goes on for ever is no patch."""
_T = TypeVar("_T")
Patch = dict[str, Any]


def diff(old: object, new: object) -> Patch | None:
    """What turns `old` into `new`; None where both are the same."""
    if old is new:
        return None
    if type(old) is type(new):
        if isinstance(new, msgspec.Struct):
            return _fields(old, new)
        if isinstance(old, tuple) and isinstance(new, tuple):
            return _items(old, new)
        if isinstance(old, dict) and isinstance(new, dict):
            return _keys(old, new)
    return None if old == new else {"v": new}


def _fields(old: object, new: msgspec.Struct) -> Patch | None:
    found = {}
    for name in new.__struct_fields__:
        patch = diff(getattr(old, name), getattr(new, name))
        if patch is not None:
            found[name] = patch
    return {"f": found} if found else None


def _items(old: tuple[Any, ...], new: tuple[Any, ...]) -> Patch | None:
    least = min(len(old), len(new))
    first = 0
    while first < least and _same(old[first], new[first]):
        first += 1
    if first == len(old) == len(new):
        return None
    last = 0
    while last < least - first and _same(old[-1 - last], new[-1 - last]):
        last += 1
    if len(old) == len(new):
        pairs = ((n, diff(old[n], new[n])) for n in range(first, len(new) - last))
        return {"e": {str(n): patch for n, patch in pairs if patch is not None}}
    return {"s": [first, len(old) - last - first, list(new[first : len(new) - last])]}


def _same(old: object, new: object) -> bool:
    return old is new or (type(old) is type(new) and old == new)


def _keys(old: dict[Any, Any], new: dict[Any, Any]) -> Patch | None:
    found = {}
    for key, value in new.items():
        patch = diff(old[key], value) if key in old else {"v": value}
        if patch is not None:
            found[key] = patch
    gone = [key for key in old if key not in new]
    return {"k": found, "-": gone} if found or gone else None


def patched(old: _T, patch: Patch) -> _T:
    """`old` with a patch made to it. ProtocolError where it does not fit."""
    try:
        made: _T = _patched(old, patch, type(old), 0)
    except ProtocolError:
        raise
    except Exception as error:
        raise ProtocolError(f"a change does not fit ({type(error).__name__}: {error})") from error
    return made


def _patched(old: Any, patch: Patch, kind: Any, deep: int) -> Any:
    if deep > MOST_DEEP:
        raise ProtocolError("a change goes too deep")
    match patch:
        case {"v": value}:
            return msgspec.convert(value, kind)
        case {"f": fields} if isinstance(old, msgspec.Struct):
            kinds = fields_of(type(old))
            new = {
                name: _patched(getattr(old, name), inner, kinds[name], deep + 1)
                for name, inner in fields.items()
            }
            return msgspec.structs.replace(old, **new)
        case {"e": items} if isinstance(old, tuple):
            out = list(old)
            for index, inner in items.items():
                place = int(index)
                if place < 0:
                    raise ProtocolError("a change before the first item")
                out[place] = _patched(old[place], inner, _item_kind(kind, place), deep + 1)
            return tuple(out)
        case {"s": [int(first), int(removed), list(items)]} if isinstance(old, tuple):
            if not 0 <= first <= first + removed <= len(old):
                raise ProtocolError("a cut outside of what is there")
            new_items = [msgspec.convert(item, _item_kind(kind, first)) for item in items]
            return (*old[:first], *new_items, *old[first + removed :])
        case {"k": keys, "-": gone} if isinstance(old, dict):
            value_kind = get_args(_plain(kind, dict))[1]
            changed = {
                key: _patched(old.get(key), inner, value_kind, deep + 1)
                for key, inner in keys.items()
            }
            return {k: v for k, v in (old | changed).items() if k not in set(gone)}
    raise ProtocolError("a change that is none")


@cache
def _plain(kind: Any, wanted: type) -> Any:
    """Of what may be one of several, that which is a `wanted`."""
    if get_origin(kind) is Annotated:
        return _plain(get_args(kind)[0], wanted)
    if get_origin(kind) in (typing.Union, types.UnionType):
        return next(k for each in get_args(kind) if (k := _plain(each, wanted)) is not None)
    return kind if get_origin(kind) is wanted else None


def _item_kind(kind: Any, place: int) -> Any:
    """The type of one item of a tuple's."""
    kinds = get_args(_plain(kind, tuple))
    return kinds[0] if len(kinds) == 2 and kinds[1] is Ellipsis else kinds[place]
