"""What stands in the columns of the Rig's tables, and how a text in a cell becomes an edit."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from dataclasses import dataclass
from typing import Any

import msgspec

from grebe.core.document import Project, with_device
from grebe.core.rig.edits import change_cable, change_route, spec_of
from grebe.core.rig.model import GREBE_ID, Cable, Rig
from grebe.core.rig.wiring import Wiring, exact
from grebe.core.rig.words import (
    USUAL,
    filter_from_words,
    filter_words,
    rate_from_text,
    rate_text,
)
from grebe.errors import EditError


@dataclass(frozen=True)
class Column:
    """One column: what stands in it, what it can be, and how a text becomes an edit."""

    title: str
    shown: Callable[[Rig, Any], str]
    edit: Callable[[Project, int, Any, str], Project] | None = None
    choices: Callable[[Rig, Any], Sequence[str]] | None = None
    free: bool = False
    """Whether other texts than the choices are taken."""


def _device_edit(**made: Callable[[str], object]) -> Callable[[Project, int, Any, str], Project]:
    def edit(project: Project, index: int, item: Any, text: str) -> Project:
        del index
        fields = {name: make(text) for name, make in made.items()}
        return with_device(project, item.id, lambda d: _checked(d, fields))

    return edit


def _checked(item: Any, fields: dict[str, object]) -> Any:
    """The thing with other fields, held against its types. EditError says which is wrong."""
    try:
        return msgspec.convert({**msgspec.structs.asdict(item), **fields}, type(item))
    except msgspec.ValidationError as error:
        raise EditError(str(error).partition(" - at ")[0].lower()) from error


def _whole(text: str) -> int:
    try:
        return int(text)
    except ValueError as error:
        raise EditError(f"{text!r} is not a whole number") from error


def _number(text: str) -> float:
    try:
        return float(text.removesuffix("ms").strip())
    except ValueError as error:
        raise EditError(f"{text!r} is not a number") from error


def _name(text: str) -> str:
    if not text.strip():
        raise EditError("a box has a name")
    return text.strip()[:80]


def _yes(text: str) -> bool:
    return text.lower() in ("yes", "on")


YES_NO = ("yes", "no")
PLAYS = {"grebe": "Grebe", "own": "its own"}


def _yes_no(field: str) -> Callable[[Rig, Any], str]:
    return lambda rig, item: "yes" if getattr(item, field) else "no"


DEVICE_COLUMNS = (
    Column("Name", lambda r, d: d.name, _device_edit(name=_name), free=True),
    Column("What it is", lambda r, d: d.label or d.kind, _device_edit(label=str), free=True),
    Column(
        "Channel",
        lambda r, d: str(d.channel),
        _device_edit(channel=_whole),
        lambda r, d: [str(n) for n in range(1, 17)],
    ),
    Column(
        "Plays",
        lambda r, d: PLAYS[d.plays],
        _device_edit(plays=lambda t: "own" if t == PLAYS["own"] else "grebe"),
        lambda r, d: list(PLAYS.values()),
    ),
    Column(
        "Sends clock", _yes_no("sends_clock"), _device_edit(sends_clock=_yes), lambda r, d: YES_NO
    ),
    Column(
        "Obeys clock", _yes_no("obeys_clock"), _device_edit(obeys_clock=_yes), lambda r, d: YES_NO
    ),
    Column(
        "Start", _yes_no("obeys_transport"), _device_edit(obeys_transport=_yes), lambda r, d: YES_NO
    ),
    Column(
        "Program", _yes_no("obeys_program"), _device_edit(obeys_program=_yes), lambda r, d: YES_NO
    ),
    Column(
        "Offset ms", lambda r, d: f"{d.offset_ms:g}", _device_edit(offset_ms=_number), free=True
    ),
)


def _ends(rig: Rig, cable: Cable) -> list[str]:
    del cable
    return ["Grebe", *(d.name for d in rig.devices)]


def _id_named(rig: Rig, name: str) -> str:
    if name.lower() == "grebe":
        return GREBE_ID
    for device in rig.devices:
        if name in (device.name, device.id):
            return device.id
    raise EditError(f"there is no box {name!r}")


def _cable_edit(field: str, read: Callable[[Rig, Any, str], Any]) -> Any:
    def edit(project: Project, index: int, item: Any, text: str) -> Project:
        return change_cable(project, index, **{field: read(project.rig, item, text)})

    return edit


def _jack_names(end: str) -> Callable[[Rig, Any], list[str]]:
    def names(rig: Rig, cable: Cable) -> list[str]:
        jacks = spec_of(rig, getattr(cable, end)).jacks
        return ["any", *(j.name for j in jacks if (j.gives if end == "source" else j.takes))]

    return names


def _jack_shown(end: str) -> Callable[[Rig, Any], str]:
    def shown(rig: Rig, cable: Cable) -> str:
        jack_id = getattr(cable, f"{end}_jack")
        jacks = spec_of(rig, getattr(cable, end)).jacks
        return next((j.name for j in jacks if j.id == jack_id), jack_id or "any")

    return shown


def _jack_read(end: str) -> Callable[[Rig, Any, str], str]:
    def read(rig: Rig, cable: Cable, text: str) -> str:
        jacks = spec_of(rig, getattr(cable, end)).jacks
        if text in ("", "any"):
            return ""
        found = next((j.id for j in jacks if text in (j.name, j.id)), None)
        if found is None:
            raise EditError(f"{rig.name_of(getattr(cable, end))} has no jack {text!r}")
        return found

    return read


def _rate_shown(field: str) -> Callable[[Rig, Any], str]:
    def shown(rig: Rig, cable: Cable) -> str:
        if cable.medium != "pulse":
            return "24" if cable.medium == "midi" else ""
        chosen = getattr(cable, field)
        if chosen is not None:
            return rate_text(exact(chosen))
        wiring = Wiring(rig)
        return rate_text(wiring.rate(cable) if field == "rate" else wiring.wanted_rate(cable))

    return shown


RATES = ("24", "48", "12", "4", "2", "1", "96", "1/4")

CABLE_COLUMNS = (
    Column(
        "From",
        lambda r, c: r.name_of(c.source),
        _cable_edit("source", lambda r, c, t: _id_named(r, t)),
        _ends,
    ),
    Column(
        "Output",
        _jack_shown("source"),
        _cable_edit("source_jack", _jack_read("source")),
        _jack_names("source"),
    ),
    Column(
        "To",
        lambda r, c: r.name_of(c.target),
        _cable_edit("target", lambda r, c, t: _id_named(r, t)),
        _ends,
    ),
    Column(
        "Input",
        _jack_shown("target"),
        _cable_edit("target_jack", _jack_read("target")),
        _jack_names("target"),
    ),
    Column(
        "Medium",
        lambda r, c: c.medium,
        _cable_edit("medium", lambda r, c, t: t),
        lambda r, c: ("midi", "pulse", "network", "audio"),
    ),
    Column(
        "Gives",
        lambda r, c: c.gives,
        _cable_edit("gives", lambda r, c, t: t),
        lambda r, c: ("own", "thru", "both"),
    ),
    Column(
        "Rate",
        _rate_shown("rate"),
        _cable_edit("rate", lambda r, c, t: rate_from_text(t)),
        lambda r, c: RATES,
        free=True,
    ),
    Column(
        "Counts on",
        _rate_shown("expects"),
        _cable_edit("expects", lambda r, c, t: rate_from_text(t)),
        lambda r, c: RATES,
        free=True,
    ),
    Column(
        "Lets out",
        lambda r, c: filter_words(c.passes),
        _cable_edit("passes", lambda r, c, t: filter_from_words(t)),
        lambda r, c: USUAL,
        free=True,
    ),
    Column(
        "Lets in",
        lambda r, c: filter_words(c.accepts),
        _cable_edit("accepts", lambda r, c, t: filter_from_words(t)),
        lambda r, c: USUAL,
        free=True,
    ),
)


def _route_edit(field: str, read: Callable[[Rig, Any, str], Any]) -> Any:
    def edit(project: Project, index: int, item: Any, text: str) -> Project:
        value = read(project.rig, item, text)
        _checked(item, {field: value})
        return change_route(project, index, **{field: value})

    return edit


NOTES = {"same": "as they come", "position": "by position", "table": "by table"}

ROUTE_COLUMNS = (
    Column(
        "From",
        lambda r, c: r.name_of(c.source),
        _route_edit("source", lambda r, c, t: _id_named(r, t)),
        _ends,
    ),
    Column(
        "To",
        lambda r, c: r.name_of(c.target),
        _route_edit("target", lambda r, c, t: _id_named(r, t)),
        _ends,
    ),
    Column(
        "Passes",
        lambda r, c: filter_words(c.passes),
        _route_edit("passes", lambda r, c, t: filter_from_words(t)),
        lambda r, c: USUAL,
        free=True,
    ),
    Column(
        "Channel",
        lambda r, c: "as it comes" if c.channel is None else str(c.channel),
        _route_edit("channel", lambda r, c, t: None if t == "as it comes" else _whole(t)),
        lambda r, c: ("as it comes", *(str(n) for n in range(1, 17))),
    ),
    Column(
        "Notes",
        lambda r, c: NOTES[c.notes],
        _route_edit("notes", lambda r, c, t: next((k for k, v in NOTES.items() if v == t), t)),
        lambda r, c: tuple(NOTES.values()),
    ),
    Column(
        "Transpose",
        lambda r, c: f"{c.transpose:+d}" if c.transpose else "0",
        _route_edit("transpose", lambda r, c, t: _whole(t)),
        free=True,
    ),
)
