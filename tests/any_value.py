"""Values of the document's types as Hypothesis makes them up, from the types and their bounds."""

from __future__ import annotations

from typing import Any

import msgspec
from hypothesis import strategies as st
from msgspec import inspect

MOSTLY = 4
"""So much likelier is a field as it is without a word."""
MOST = 2
"""Of a list: more tells no more of whether it is kept."""


def values_of(kind: Any) -> st.SearchStrategy[Any]:
    """Any value of a type that msgspec reads."""
    return _of(inspect.type_info(kind), {})


def _of(info: inspect.Type, known: dict[type, st.SearchStrategy[Any]]) -> st.SearchStrategy[Any]:
    match info:
        case inspect.Metadata():
            return _of(info.type, known)
        case inspect.BoolType():
            return st.booleans()
        case inspect.NoneType():
            return st.none()
        case inspect.IntType():
            return st.integers(*_bounds(info, 1, -(2**31), 2**31))
        case inspect.FloatType():
            low, high = _bounds(info, 1e-3, -1e6, 1e6)
            return st.floats(low, high, allow_nan=False)
        case inspect.StrType():
            if info.pattern is not None:
                return st.from_regex(info.pattern, fullmatch=True).filter(
                    lambda s: len(s) <= (info.max_length or 200) and "\n" not in s
                )
            letters = st.characters(codec="utf-8", exclude_categories=("Cs",))
            return st.text(letters, min_size=info.min_length or 0,
                           max_size=min(12, info.max_length or 12))  # fmt: skip
        case inspect.LiteralType():
            return st.sampled_from(list(info.values))
        case inspect.UnionType():
            return st.one_of([_of(each, known) for each in info.types])
        case inspect.VarTupleType() | inspect.ListType():
            low = info.min_length or 0
            rows = st.lists(_of(info.item_type, known), min_size=low, max_size=max(low, MOST))
            return rows.map(tuple)
        case inspect.TupleType():
            return st.tuples(*(_of(each, known) for each in info.item_types))
        case inspect.DictType():
            return st.dictionaries(_of(info.key_type, known), _of(info.value_type, known),
                                   max_size=MOST)  # fmt: skip
        case inspect.StructType():
            return _struct(info, known)
    raise NotImplementedError(info)


def _struct(
    info: inspect.StructType, known: dict[type, st.SearchStrategy[Any]]
) -> st.SearchStrategy[Any]:
    """Any value of it; its fields mostly as they are without a word."""
    if info.cls not in known:
        known[info.cls] = st.deferred(lambda: made)
        fields = {
            field.name: _of(field.type, known) if field.required
            else st.one_of(*[st.just(_default(field))] * MOSTLY, _of(field.type, known))
            for field in info.fields
        }  # fmt: skip
        made = st.fixed_dictionaries(fields).map(lambda found: info.cls(**found))
        known[info.cls] = made
    return known[info.cls]


def _default(field: inspect.Field) -> Any:
    if field.default is not msgspec.NODEFAULT:
        return field.default
    return field.default_factory()


def _bounds(
    info: inspect.IntType | inspect.FloatType, step: float, low: float, high: float
) -> tuple[Any, Any]:
    low = info.ge if info.ge is not None else low if info.gt is None else info.gt + step
    high = info.le if info.le is not None else high if info.lt is None else info.lt - step
    return low, high


def encoded(value: Any) -> bytes:
    """To tell two values apart by all that is kept of them."""
    return msgspec.json.encode(value)
