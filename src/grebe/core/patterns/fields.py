"""Settings of patterns, voices, hits and lanes as text: what a form shows, and edits from it.

The same list serves the sheet in the window and whoever reads a pattern aloud.
"""

from __future__ import annotations

from typing import Any, TypeVar

from grebe.core.forms import YES_NO, Field, field
from grebe.core.patterns.edit import change_hit, put_point, set_lane_length, set_length
from grebe.core.patterns.keys import key_parts
from grebe.core.patterns.model import (
    Content,
    ControlLane,
    ControlPoint,
    Hit,
    Pattern,
    Voice,
)
from grebe.core.typed import with_field
from grebe.errors import EditError
from grebe.words import tr

RATES = (
    "1/4", "1/4t", "1/8", "1/8t", "1/8.", "1/16", "1/16t", "1/16.", "1/32", "1/32t", "1/64",
    "1/64t",
)  # fmt: skip
CONDITIONS = (
    "",
    "first",
    "later",
    "with",
    "without",
    "fill",
    "no fill",
    "1 of 2",
    "2 of 2",
    "1 of 3",
    "1 of 4",
    "2 of 4",
    "3 of 4",
    "4 of 4",
    "1 of 8",
)
ALWAYS = "always"
"""How the empty condition reads."""
SAME = tr("the pattern's")


FIELDS: tuple[Field, ...] = (
    field("hit", "velocity", tr("Velocity"), Hit),
    field("hit", "note", tr("Note"), Hit),
    field("hit", "chord", tr("With it, semitones")),
    field("hit", "gate_length", tr("Gate"), Hit, unit=tr("% of a step"), step=5),
    field("hit", "tie", tr("Tied to the next"), choices=YES_NO),
    field("hit", "shift_permille", tr("Late by"), Hit, unit=tr("\u2030 of a step"), step=10),
    field("hit", "flam", tr("Flam"), Hit, unit=tr("\u2030 of a step"), step=10),
    field("hit", "ratchet", tr("Strokes"), Hit),
    field("hit", "ratchet_to", tr("Last stroke"), Hit, unit="%", step=5),
    field("hit", "chance", tr("Chance"), Hit, unit="%", step=5),
    field("hit", "when", tr("Plays"), choices=(ALWAYS, *CONDITIONS[1:])),
    field("point", "value", tr("Value"), ControlPoint),
    field("point", "glide", tr("Glides to the next"), choices=YES_NO),
    field("point", "chance", tr("Chance"), ControlPoint, unit="%", step=5),
    field("point", "when", tr("Sent"), choices=(ALWAYS, *CONDITIONS[1:])),
    field("voice", "name", tr("Name")),
    field("voice", "note", tr("Note"), Voice),
    field("voice", "channel", tr("Channel"), Voice),
    field("voice", "length", tr("Steps"), Voice),
    field("voice", "rate", tr("Step"), choices=RATES),
    field("voice", "even", tr("Spread evenly"), choices=YES_NO),
    field("voice", "direction", tr("Direction"), Voice),
    field("voice", "swing", tr("Swing"), Voice, unit="%", step=1),
    field("voice", "drawn", tr("Pitches drawn anew"), Voice, unit="%", step=5),
    field("voice", "turned", tr("Steps turned over"), Voice, unit="%", step=5),
    field("voice", "one_shot", tr("One-shot"), choices=YES_NO),
    field("lane", "name", tr("Name")),
    field("lane", "controller", tr("Controller"), ControlLane),
    field("lane", "channel", tr("Channel"), ControlLane),
    field("lane", "length", tr("Steps"), ControlLane),
    field("lane", "rate", tr("Step"), choices=RATES),
    field("name", "name", tr("Name")),
    field("pattern", "length", tr("Steps"), Content),
    field("pattern", "rate", tr("Step"), choices=RATES),
    field("pattern", "speed", tr("Speed, times"), Content),
    field("pattern", "swing", tr("Swing"), Content, unit="%", step=1),
    field("pattern", "key", tr("Key")),
    field("pattern", "seed", tr("Dice"), Content),
)

_T = TypeVar("_T", Pattern, Content, Voice, Hit, ControlLane, ControlPoint)
_OWNERS = {
    "Pattern": "name",
    "Content": "pattern", "Voice": "voice", "Hit": "hit", "ControlLane": "lane",
    "ControlPoint": "point",
}  # fmt: skip
_NONE = {"channel": tr("the device's"), "swing": SAME, "note": tr("the voice's")}
"""How a field that may be empty reads when it is."""


def text_of(thing: Pattern | Content | Voice | Hit | ControlLane | ControlPoint, key: str) -> str:
    """A setting as text."""
    value = getattr(thing, key)
    if key == "when" and not value:
        return ALWAYS
    if value is None:
        return _NONE[key]
    if isinstance(value, bool):
        return "yes" if value else "no"
    if isinstance(value, tuple):
        return " ".join(str(v) for v in value)
    return f"{value:g}" if isinstance(value, float) else str(value)


def edited(thing: _T, key: str, text: str) -> _T:
    """The thing with a setting taken from text. EditError says what it may be."""
    words = text.strip()
    made: Any = thing
    if isinstance(made, Voice) and key == "length":
        made = set_length(made, _whole(words, "steps"))
    elif isinstance(made, ControlLane) and key == "length":
        made = set_lane_length(made, _whole(words, "steps"))
    else:
        made = _converted(thing, key, words)
    out: _T = made
    return out


def _converted(thing: Any, key: str, text: str) -> Any:
    return with_field(thing, key, _value(thing, key, text), _words(thing, key))


def set_hit_field(voice: Voice, step: int, key: str, text: str) -> Voice:
    """The voice with one setting of the hit on a step taken from text."""
    hit = voice.hit_at(step)
    if hit is None:
        raise EditError(tr("{voice} has no hit on step {value}", voice=voice.name, value=step + 1))
    return change_hit(voice, step, **{key: getattr(edited(hit, key, text), key)})


def set_point_field(lane: ControlLane, step: int, key: str, text: str) -> ControlLane:
    """The lane with one setting of the point on a step taken from text."""
    point = next((p for p in lane.points if p.step == step), None)
    if point is None:
        raise EditError(tr("{lane} has no value on step {value}", lane=lane.name, value=step + 1))
    return put_point(lane, edited(point, key, text))


def _value(thing: Any, key: str, words: str) -> Any:
    if key == "key" and words:
        try:
            key_parts(words)
        except ValueError as error:
            raise EditError(str(error)) from error
        return words
    if key in _NONE and (not words or words == _NONE[key]):
        if key == "note" and isinstance(thing, Voice):
            raise EditError(tr("a voice has a note, 0 to 127"))
        return None if not (key == "swing" and isinstance(thing, Content)) else 50.0
    if key == "when":
        return "" if words in ("", ALWAYS) else words
    if key == "chord":
        try:
            return [int(part) for part in words.replace(",", " ").split()]
        except ValueError as error:
            raise EditError(
                tr("semitones with spaces between, such as 3 7 (got {words!r})", words=words)
            ) from error
    if isinstance(getattr(thing, key), bool):
        if words not in YES_NO:
            raise EditError(tr("yes or no (got {words!r})", words=words))
        return words == "yes"
    return words


def _whole(words: str, what: str) -> int:
    try:
        return int(words)
    except ValueError as error:
        raise EditError(
            tr("{what} are a whole number (got {words!r})", what=what, words=words)
        ) from error


def _words(thing: Any, key: str) -> str:
    owner = _OWNERS[type(thing).__name__]
    return next((f.words for f in FIELDS if f.owner == owner and f.key == key), key)
