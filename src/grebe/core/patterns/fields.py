"""Settings of patterns, voices, hits and lanes as text: what a form shows, and edits from it.

The same list serves the sheet in the window and whoever reads a pattern aloud.
"""

from __future__ import annotations

from typing import Any, Literal, NamedTuple, TypeVar, get_args

from grebe.core.patterns.edit import change_hit, put_point, set_lane_length, set_length
from grebe.core.patterns.keys import key_parts
from grebe.core.patterns.model import (
    Content,
    ControlLane,
    ControlPoint,
    Direction,
    Hit,
    Pattern,
    Speed,
    Voice,
)
from grebe.core.typed import with_field
from grebe.errors import EditError

Owner = Literal["name", "pattern", "voice", "hit", "lane", "point"]
"""`name` is the pattern itself, `pattern` what it says."""

RATES = (
    "1/4", "1/4t", "1/8", "1/8t", "1/8.", "1/16", "1/16t", "1/16.", "1/32", "1/32t", "1/64",
    "1/64t",
)  # fmt: skip
CONDITIONS = (
    "", "first", "later", "with", "without", "fill", "no fill", "1 of 2", "2 of 2", "1 of 3",
    "1 of 4", "2 of 4", "3 of 4", "4 of 4", "1 of 8",
)  # fmt: skip
ALWAYS = "always"
"""How the empty condition reads."""
SAME = "the pattern's"


class Field(NamedTuple):
    """One setting."""

    owner: Owner
    key: str
    words: str
    choices: tuple[str, ...] = ()


YES_NO = ("yes", "no")

FIELDS: tuple[Field, ...] = (
    Field("hit", "velocity", "Velocity"),
    Field("hit", "note", "Note"),
    Field("hit", "chord", "With it, semitones"),
    Field("hit", "gate_length", "Gate, % of a step"),
    Field("hit", "tie", "Tied to the next", YES_NO),
    Field("hit", "shift_permille", "Late by, ‰ of a step"),
    Field("hit", "flam", "Flam, ‰ of a step"),
    Field("hit", "ratchet", "Strokes"),
    Field("hit", "ratchet_to", "Last stroke, %"),
    Field("hit", "chance", "Chance, %"),
    Field("hit", "when", "Plays", (ALWAYS, *CONDITIONS[1:])),
    Field("point", "value", "Value"),
    Field("point", "glide", "Glides to the next", YES_NO),
    Field("point", "chance", "Chance, %"),
    Field("voice", "name", "Name"),
    Field("voice", "note", "Note"),
    Field("voice", "channel", "Channel"),
    Field("voice", "length", "Steps"),
    Field("voice", "rate", "Step", RATES),
    Field("voice", "even", "Spread evenly", YES_NO),
    Field("voice", "direction", "Direction", get_args(Direction)),
    Field("voice", "swing", "Swing, %"),
    Field("voice", "one_shot", "One-shot", YES_NO),
    Field("lane", "name", "Name"),
    Field("lane", "controller", "Controller"),
    Field("lane", "channel", "Channel"),
    Field("lane", "length", "Steps"),
    Field("lane", "rate", "Step", RATES),
    Field("name", "name", "Name"),
    Field("pattern", "length", "Steps"),
    Field("pattern", "rate", "Step", RATES),
    Field("pattern", "speed", "Speed, times", get_args(Speed)),
    Field("pattern", "swing", "Swing, %"),
    Field("pattern", "key", "Key"),
    Field("pattern", "seed", "Dice"),
)

_T = TypeVar("_T", Pattern, Content, Voice, Hit, ControlLane, ControlPoint)
_OWNERS = {
    "Pattern": "name",
    "Content": "pattern", "Voice": "voice", "Hit": "hit", "ControlLane": "lane",
    "ControlPoint": "point",
}  # fmt: skip
_NONE = {"channel": "the device's", "swing": SAME, "note": "the voice's"}
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
        raise EditError(f"{voice.name} has no hit on step {step + 1}")
    return change_hit(voice, step, **{key: getattr(edited(hit, key, text), key)})


def set_point_field(lane: ControlLane, step: int, key: str, text: str) -> ControlLane:
    """The lane with one setting of the point on a step taken from text."""
    point = next((p for p in lane.points if p.step == step), None)
    if point is None:
        raise EditError(f"{lane.name} has no value on step {step + 1}")
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
            raise EditError("a voice has a note, 0 to 127")
        return None if not (key == "swing" and isinstance(thing, Content)) else 50.0
    if key == "when":
        return "" if words in ("", ALWAYS) else words
    if key == "chord":
        try:
            return [int(part) for part in words.replace(",", " ").split()]
        except ValueError as error:
            raise EditError(
                f"semitones with spaces between, such as 3 7 (got {words!r})"
            ) from error
    if isinstance(getattr(thing, key), bool):
        if words not in YES_NO:
            raise EditError(f"yes or no (got {words!r})")
        return words == "yes"
    return words


def _whole(words: str, what: str) -> int:
    try:
        return int(words)
    except ValueError as error:
        raise EditError(f"{what} are a whole number (got {words!r})") from error


def _words(thing: Any, key: str) -> str:
    owner = _OWNERS[type(thing).__name__]
    return next((f.words for f in FIELDS if f.owner == owner and f.key == key), key)
