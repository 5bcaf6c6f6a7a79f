"""What stands in the columns of the Rig's tables, and how a text in a cell becomes an edit."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from dataclasses import dataclass
from typing import Any

from grebe.core.document import Project, with_device
from grebe.core.rig.edits import change_cable, change_route, spec_of
from grebe.core.rig.formatting import (
    USUAL,
    filter_from_words,
    filter_words,
    plays_from_words,
    plays_words,
    rate_from_text,
    rate_text,
)
from grebe.core.rig.model import GREBE_ID, Cable, Rig
from grebe.core.rig.wiring import Wiring, exact
from grebe.core.typed import typed_whole, with_field
from grebe.errors import EditError
from grebe.words import tr


@dataclass(frozen=True)
class Column:
    """One column: what stands in it, what it can be, and how a text becomes an edit."""

    title: str
    shown: Callable[[Rig, Any], str]
    edit: Callable[[Project, int, Any, str], Project] | None = None
    choices: Callable[[Rig, Any], Sequence[str]] | None = None
    """What the cell can be filled with; none, or an empty list, leaves it free."""
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
    for name, value in fields.items():
        item = with_field(item, name, value)
    return item


def _number(text: str) -> float:
    try:
        return float(text.removesuffix("ms").strip())
    except ValueError as error:
        raise EditError(tr("{text_!r} is not a number", text_=text)) from error


def _name(text: str) -> str:
    if not text.strip():
        raise EditError(tr("a box has a name"))
    return text.strip()[:80]


def _yes(text: str) -> bool:
    return text.lower() in ("yes", "on")


YES_NO = ("yes", "no")
PLAYS = {"grebe": "Grebe", "own": tr("its own")}


def _yes_no_column(title: str, field: str) -> Column:
    """A switch of a box."""
    return Column(
        title,
        lambda r, d: "yes" if getattr(d, field) else "no",
        _device_edit(**{field: _yes}),
        lambda r, d: YES_NO,
    )


DEVICE_COLUMNS = (
    Column("Name", lambda r, d: d.name, _device_edit(name=_name), free=True),
    Column(
        tr("What it is"), lambda r, d: d.label or tr(d.kind), _device_edit(label=str), free=True
    ),
    Column(
        tr("Channel"),
        lambda r, d: str(d.channel),
        _device_edit(channel=typed_whole),
        lambda r, d: [str(n) for n in range(1, 17)],
    ),
    Column(
        tr("Plays"),
        lambda r, d: PLAYS[d.plays],
        _device_edit(plays=lambda t: "own" if t == PLAYS["own"] else "grebe"),
        lambda r, d: list(PLAYS.values()),
    ),
    _yes_no_column(tr("Sends clock"), "sends_clock"),
    _yes_no_column(tr("Obeys clock"), "obeys_clock"),
    _yes_no_column(tr("Stopped too"), "clock_stopped"),
    _yes_no_column("Start", "obeys_transport"),
    _yes_no_column(tr("Program"), "obeys_program"),
    Column(
        tr("Offset ms"), lambda r, d: f"{d.offset_ms:g}", _device_edit(offset_ms=_number), free=True
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
    raise EditError(tr("there is no box {name!r}", name=name))


Change = Callable[..., Project]
"""`change_cable` or `change_route`."""


def _row_edit(
    change: Change, field: str, read: Callable[[Rig, Any, str], Any]
) -> Callable[[Project, int, Any, str], Project]:
    def edit(project: Project, index: int, item: Any, text: str) -> Project:
        value = read(project.rig, item, text)
        _checked(item, {field: value})
        return change(project, index, **{field: value})

    return edit


def _end_column(title: str, change: Change, field: str) -> Column:
    """From or To: a box by name."""
    return Column(
        title,
        lambda r, c: r.name_of(getattr(c, field)),
        _row_edit(change, field, lambda r, c, t: _id_named(r, t)),
        _ends,
    )


def _filter_column(title: str, change: Change, field: str) -> Column:
    """A filter in words."""
    return Column(
        title,
        lambda r, c: filter_words(getattr(c, field)),
        _row_edit(change, field, lambda r, c, t: filter_from_words(t)),
        lambda r, c: USUAL,
        free=True,
    )


def _rate_column(title: str, field: str) -> Column:
    """A rate at one end of a cable."""
    return Column(
        title,
        _rate_shown(field),
        _row_edit(change_cable, field, lambda r, c, t: rate_from_text(t)),
        lambda r, c: RATES,
        free=True,
    )


def _jack_column(title: str, end: str) -> Column:
    """The jack at one end of a cable."""
    edit = _row_edit(change_cable, f"{end}_jack", _jack_read(end))
    return Column(title, _jack_shown(end), edit, _jack_names(end))


def _choice_column(title: str, field: str, *choices: str) -> Column:
    """One of some words of a cable."""
    return Column(
        title,
        lambda r, c: getattr(c, field),
        _row_edit(change_cable, field, lambda r, c, t: t),
        lambda r, c: choices,
    )


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
            raise EditError(
                tr("{box} has no jack {text_!r}", box=rig.name_of(getattr(cable, end)), text_=text)
            )
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


def _plays_edit(project: Project, index: int, item: Any, text: str) -> Project:
    """Whether notes on a cable play the box; of sound, whether the box only listens to it."""
    if item.medium == "audio":
        return change_cable(project, index, listens=text.strip() in ("listens", "yes"))
    return change_cable(project, index, plays=plays_from_words(text))


RATES = ("24", "48", "12", "4", "2", "1", "96", "1/4")

CABLE_COLUMNS = (
    _end_column(tr("From"), change_cable, "source"),
    _jack_column(tr("Output"), "source"),
    _end_column(tr("To"), change_cable, "target"),
    _jack_column(tr("Input"), "target"),
    _choice_column(tr("Medium"), "medium", "midi", "pulse", "network", "audio"),
    _choice_column(tr("Gives"), "gives", "own", "thru", "both"),
    _rate_column(tr("Rate"), "rate"),
    _rate_column(tr("Counts on"), "expects"),
    _filter_column(tr("Lets out"), change_cable, "passes"),
    _filter_column(tr("Lets in"), change_cable, "accepts"),
    Column(
        tr("Plays it"),
        lambda r, c: (
            ("listens" if c.listens else "no") if c.medium == "audio" else (plays_words(c.plays))
        ),
        _plays_edit,
        lambda r, c: ("no", "listens") if c.medium == "audio" else YES_NO,
        free=True,
    ),
)

NOTES = {"same": tr("as they come"), "position": tr("by position"), "table": tr("by table")}


def _channel(text: str) -> int | None:
    return None if text == tr("as it comes") else typed_whole(text)


def _notes(text: str) -> str:
    return next((key for key, words in NOTES.items() if words == text), text)


ROUTE_COLUMNS = (
    _end_column(tr("From"), change_route, "source"),
    _end_column(tr("To"), change_route, "target"),
    _filter_column(tr("Passes"), change_route, "passes"),
    Column(
        tr("Channel"),
        lambda r, c: tr("as it comes") if c.channel is None else str(c.channel),
        _row_edit(change_route, "channel", lambda r, c, t: _channel(t)),
        lambda r, c: (tr("as it comes"), *(str(n) for n in range(1, 17))),
    ),
    Column(
        tr("Notes"),
        lambda r, c: NOTES[c.notes],
        _row_edit(change_route, "notes", lambda r, c, t: _notes(t)),
        lambda r, c: tuple(NOTES.values()),
    ),
    Column(
        tr("Transpose"),
        lambda r, c: f"{c.transpose:+d}" if c.transpose else "0",
        _row_edit(change_route, "transpose", lambda r, c, t: typed_whole(t)),
        free=True,
    ),
)
