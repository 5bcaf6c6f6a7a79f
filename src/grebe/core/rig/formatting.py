"""Filters, rates and lists in words; filters and rates also from the words tables take."""

from __future__ import annotations

import re
from collections.abc import Sequence
from fractions import Fraction

import msgspec

from grebe.core.rig.model import AudioPort, Cable, Filter, Gate, Plays
from grebe.core.rig.spec import PulseShape
from grebe.core.rig.wiring import exact
from grebe.core.typed import with_field
from grebe.errors import EditError
from grebe.words import tr

PARTS = {"clock": "clock", "start": "transport", "notes": "notes", "program": "program",
         "controllers": "controllers"}  # fmt: skip
"""Word to field, in the order they are listed."""
USUAL = (
    tr("all"),
    tr("all but clock"),
    tr("all but notes"),
    tr("all but program"),
    tr("clock, start"),
    tr("notes"),
    tr("nothing"),
)
_CONTROLLER = re.compile(r"^cc ?(\d{1,3})$")


def listed(names: list[str]) -> str:
    """Names in a sentence: "a, b and c"."""
    return (
        names[0]
        if len(names) == 1
        else tr("{names} and {names2}", names=", ".join(names[:-1]), names2=names[-1])
    )


def filter_words(filter_: Filter) -> str:
    """A filter in words: "all", "all but notes, cc 7", "clock, start"."""
    on = [tr(word) for word, field in PARTS.items() if getattr(filter_, field)]
    off = [tr(word) for word, field in PARTS.items() if not getattr(filter_, field)]
    singles = [tr("cc {number}", number=number) for number in filter_.but]
    blocked = off + (singles if filter_.controllers else [])
    passing = on + ([] if filter_.controllers else singles)
    if not blocked:
        return tr("all")
    if not passing:
        return tr("nothing")
    # Blocked controllers can only be said as an exception, single open ones only as a list.
    if filter_.controllers and (singles or len(off) < len(on)):
        return tr("all but {names}", names=", ".join(blocked))
    if len(off) < len(on) and not singles:
        return tr("all but {names}", names=", ".join(blocked))
    return ", ".join(passing)


def filter_from_words(words: str) -> Filter:
    """The filter that such words mean. EditError says which word is not known."""
    text = " ".join(words.casefold().split())
    if text in ("all", tr("all").casefold(), "everything", ""):
        return Filter()
    if text in ("nothing", tr("nothing").casefold(), "none"):
        text = ""
    beginnings = ("all but ", tr("all but {names}", names="").casefold())
    but = text.startswith(beginnings)
    for beginning in beginnings:
        text = text.removeprefix(beginning)
    fields_by_word = PARTS | {tr(word).casefold(): field for word, field in PARTS.items()}
    named: set[str] = set()
    singles: set[int] = set()
    for part in filter(None, re.split(rf" ?, ?| and |{re.escape(tr(' and '))}", text)):
        match = _CONTROLLER.match(part)
        if match and int(match[1]) <= 119:
            singles.add(int(match[1]))
        elif part in fields_by_word:
            named.add(fields_by_word[part])
        else:
            raise EditError(
                tr(
                    "{part!r} is not known; say all, nothing, or some of: {names}, cc 7",
                    part=part,
                    names=", ".join(map(tr, PARTS)),
                )
            )
    fields = {field: (field in named) != but for field in PARTS.values()}
    if fields["controllers"] != but:
        singles = set()  # they are blocked or passed with the rest already
    return Filter(**fields, but=tuple(sorted(singles)))


def rate_text(rate: Fraction) -> str:
    """A rate as the tables show it: 24, 1/4."""
    return str(rate)


def rate_from_text(text: str) -> float | None:
    """Pulses a quarter note from "24" or "1/4"; None from an empty cell: the jack's usual.

    EditError for anything that is not above 0 and up to 96.
    """
    if not text.strip():
        return None
    try:
        rate = Fraction(text.strip())
    except (ValueError, ZeroDivisionError) as error:
        raise EditError(
            tr("a rate is a number of pulses a quarter note (got {text_!r})", text_=text)
        ) from error
    if not 0 < rate <= 96:
        raise EditError(tr("rates go up to 96 pulses a quarter note (got {text_})", text_=text))
    return float(exact(float(rate)))


def hop_words(cable: Cable, came: Fraction | None, rate: Fraction, volts: float | None) -> str:
    """What stands on a clock cable in the drawing: "MIDI clock 24", "24 to 4, 5 V", "thru"."""
    if cable.medium == "network":
        return "network"
    if cable.medium == "midi":
        if came is None:
            return tr("MIDI clock {rate}", rate=rate)
        return {"thru": "thru", "own": tr("own clock"), "both": tr("own clock and thru")}[
            cable.gives
        ]
    level = f", {volts:g} V" if volts else ""
    change = (
        f"{came} \u2192 {rate}"
        if came is not None and came != rate
        else tr("{rate} a quarter", rate=rate)
    )
    return change + level


def width_words(shape: PulseShape) -> str:
    """A pulse's width as it is typed: "5 ms" or "50 %"."""
    if shape.width_ms is None:
        return f"{shape.width_percent:g} %"
    return tr("{width_ms:g} ms", width_ms=shape.width_ms)


def pulse_width(shape: PulseShape, text: str) -> PulseShape:
    """The shape with a width as typed, in ms or per cent. EditError for what is none."""
    words = text.strip().removesuffix("ms").strip()
    percent = words.endswith("%")
    try:
        value = float(words.removesuffix("%"))
    except ValueError as error:
        raise EditError(
            tr("a width is a number with ms or %, such as 5 ms (got {text_!r})", text_=text)
        ) from error
    if percent and 0 < value < 100:
        return msgspec.structs.replace(shape, width_ms=None, width_percent=value)
    if not percent and 0 < value <= 1000:
        return msgspec.structs.replace(shape, width_ms=value)
    raise EditError(
        tr("a width goes up to 1000 ms, or to under 100 % of the way to the next pulse")
    )


def plays_words(plays: Plays | None) -> str:
    """Whether notes on a cable are meant to play the box there: "no", "yes", "channel 10 -24"."""
    if plays is None:
        return "no"
    words = [tr("channel {channel}", channel=plays.channel)] if plays.channel else []
    words += [f"{plays.offset:+d}"] if plays.offset else []
    return " ".join(words) or "yes"


def plays_from_words(text: str) -> Plays | None:
    """The opposite. EditError for what is neither."""
    words = text.strip().lower()
    if words in ("", "no"):
        return None
    found = re.fullmatch(r"[^\d+-]*(\d+)?\s*([+-]\s*\d+)?", words)
    if found is None or (words != "yes" and found[1] is None and found[2] is None):
        raise EditError(
            tr(
                "say yes, no, or a channel and an offset, such as channel 10 -24 (got {text_!r})",
                text_=text,
            )
        )
    channel, offset = found[1], found[2]
    return with_field(
        with_field(Plays(), "channel", int(channel) if channel else None, tr("Channel")),
        "offset",
        int(offset.replace(" ", "")) if offset else 0,
        tr("Offset"),
    )


def gates_words(gates: Sequence[Gate]) -> str:
    """Notes that leave as gates, and where: "36 JACK; 38 3 of NAME"."""
    rows = []
    for gate in gates:
        jack = f"JACK {gate.at.name}".strip()
        rows.append(f"{gate.note} {jack if gate.at.wire == 'jack' else _channel_words(gate.at)}")
    return "; ".join(rows)


def _channel_words(at: AudioPort) -> str:
    return f"{at.channel} of {at.name}"


def gates_from_words(text: str) -> tuple[Gate, ...]:
    """The opposite. EditError for what is none."""
    made: list[Gate] = []
    for row in (part.strip() for part in text.split(";")):
        if not row:
            continue
        found = re.fullmatch(r"(\d+)\s+(?:JACK\s*(.*)|(\d+)\s+of\s+(.+))", row)
        if found is None:
            raise EditError(
                tr(
                    "a gate is a note and where it leaves, such as 36 JACK, or 38 3 of an "
                    "interface; one after another with semicolons (got {text_!r})",
                    text_=row,
                )
            )
        fields: dict[str, object] = {"wire": "jack", "name": found[2] or ""}
        if found[3]:
            fields = {"wire": "audio", "name": found[4], "channel": int(found[3])}
        try:
            made.append(msgspec.convert({"note": int(found[1]), "at": fields}, Gate))
        except msgspec.ValidationError as error:
            raise EditError(
                tr("a gate's note goes from 0 to 127, its channel from 1 to 64 (got {text_!r})",
                   text_=row)
            ) from error  # fmt: skip
    if len({gate.at for gate in made if gate.at.wire == "audio"}) < sum(
        gate.at.wire == "audio" for gate in made
    ):
        raise EditError(tr("each gate has a channel of its own"))
    return tuple(made)
