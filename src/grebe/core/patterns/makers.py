"""Generators as a form offers them: their numbers, what those may be, and the voice they make."""

from __future__ import annotations

import re
from collections.abc import Callable, Mapping, Sequence
from typing import NamedTuple, get_args

import msgspec

from grebe.core.forms import Field
from grebe.core.patterns.generate import (
    MAX_REGISTER,
    Order,
    arpeggio,
    division,
    euclid,
    fill_voice,
    looping_random,
    random_walk,
    register,
    shuffled_hits,
)
from grebe.core.patterns.keys import pitch_classes
from grebe.core.patterns.model import ControlLane, ControlPoint, Voice
from grebe.core.patterns.stages import Wave, bits_of, chosen, gates, sampled, values
from grebe.core.patterns.whole import closer
from grebe.core.units import MAX_STEPS
from grebe.errors import EditError
from grebe.words import tr


class Number(NamedTuple):
    """One number of a generator."""

    key: str
    words: str
    low: int
    high: int
    usual: int

    def field(self, owner: str) -> Field:
        """As a form has it."""
        return Field(owner=owner, key=self.key, words=self.words, control="number",
                     low=self.low, high=self.high)  # fmt: skip


class GeneratorChoice(NamedTuple):
    """One choice of a generator."""

    key: str
    words: str
    choices: tuple[str, ...]

    def field(self, owner: str) -> Field:
        """As a form has it."""
        return Field(owner=owner, key=self.key, words=self.words, control="list",
                     choices=self.choices)  # fmt: skip


class Text(NamedTuple):
    """Whole numbers in a row, such as taps or notes."""

    key: str
    words: str
    usual: str

    def field(self, owner: str) -> Field:
        """As a form has it."""
        return Field(owner=owner, key=self.key, words=self.words)


Parameter = Number | GeneratorChoice | Text
Values = Mapping[str, str]
SEED = Number("seed", tr("Seed"), 0, 99_999, 1)


class Maker(NamedTuple):
    """One generator."""

    name: str
    about: str
    parameters: tuple[Parameter, ...]
    make: Callable[[Voice, Values], Voice]
    lane: Callable[[int, Values], Sequence[float]] | None = None
    """Of one that can turn a controller: values from 0 to 1, so many steps of them."""


def made(maker: Maker, voice: Voice, values: Values) -> Voice:
    """The voice a generator makes of it. EditError says which number is out of its range."""
    _check(maker, values)
    try:
        return maker.make(voice, values)
    except ValueError as error:
        raise EditError(str(error)) from error


def made_lane(maker: Maker, lane: ControlLane, values: Values) -> ControlLane:
    """The row of controller values that a generator makes: a value a step, where it is another.
    EditError for a generator of hits alone, and as `made`."""
    if maker.lane is None:
        raise EditError(tr("{maker} writes hits: take a voice in hand", maker=maker.name))
    _check(maker, values)
    row = [round(127 * value) for value in maker.lane(lane.length, values)]
    points = tuple(
        ControlPoint(step=step, value=value)
        for step, value in enumerate(row)
        if step == 0 or row[step - 1] != value
    )
    return msgspec.structs.replace(lane, points=points)


def _check(maker: Maker, values: Values) -> None:
    for parameter in maker.parameters:
        if isinstance(parameter, Number):
            _number(parameter, values)


def usual(maker: Maker, voice: Voice | None) -> dict[str, str]:
    """Values to begin with."""
    out: dict[str, str] = {}
    for p in maker.parameters:
        if isinstance(p, Number):
            out[p.key] = str(p.usual)
        else:
            out[p.key] = p.choices[0] if isinstance(p, GeneratorChoice) else p.usual
    if out.get("notes") == "" and voice is not None:
        pitched = sorted({h.note for h in voice.hits if h.note is not None})
        out["notes"] = " ".join(str(n) for n in pitched or [voice.note])
    return out


def _number(parameter: Number, values: Values) -> int:
    text = values.get(parameter.key, str(parameter.usual))
    try:
        value = int(text)
    except ValueError as error:
        raise EditError(
            tr(
                "{parameter_words} is a whole number (got {text_!r})",
                parameter_words=parameter.words,
                text_=text,
            )
        ) from error
    if not parameter.low <= value <= parameter.high:
        raise EditError(
            tr(
                "{parameter_words} goes from {low} to {high} (got {value})",
                parameter_words=parameter.words,
                low=parameter.low,
                high=parameter.high,
                value=value,
            )
        )
    return value


def _row(text: str, what: str, low: int, high: int) -> list[int]:
    try:
        numbers = [int(part) for part in text.replace(",", " ").split()]
    except ValueError as error:
        raise EditError(
            tr(
                "{what} are whole numbers with spaces between (got {text_!r})",
                what=what,
                text_=text,
            )
        ) from error
    if not numbers or not all(low <= n <= high for n in numbers):
        raise EditError(
            tr(
                "{what} go from {low} to {high}, one at least (got {text_!r})",
                what=what,
                low=low,
                high=high,
                text_=text,
            )
        )
    return numbers


LOW, HIGH = 48, 72
"""Notes of a key that is named without them."""


def _notes(text: str) -> list[int]:
    """Notes by number, or all of a key: "D minor", "D minor 50 74"."""
    named = re.fullmatch(r"\s*([A-G][#b]?\s+[a-z][a-z ]*?)\s*(?:(\d+)\s+(\d+))?\s*", text)
    if named is None:
        return _row(text, "notes", 0, 127)
    low, high = (int(named[2]), int(named[3])) if named[2] else (LOW, HIGH)
    classes = pitch_classes(" ".join(named[1].split()))
    held = [n for n in range(max(0, low), min(127, high) + 1) if n % 12 in classes]
    if not held:
        raise EditError(tr("no note of {key} lies from {low} to {high}",
                           key=named[1], low=low, high=high))  # fmt: skip
    return held


HITS = Number("hits", tr("Hits"), 0, MAX_STEPS, 5)
ROTATE = Number("rotate", tr("Rotated by"), -MAX_STEPS, MAX_STEPS, 0)
LOOP = Number("loop", tr("Comes round after"), 1, MAX_STEPS, 8)
LOCK = Number("lock", tr("Locked, %"), 0, 100, 100)
DENSITY = Number("density", tr("Density, %"), 0, 100, 50)
EVERY = Number("every", tr("Every so many steps"), 1, 64, 3)
STROKES = Number("strokes", tr("Times over"), 1, 8, 3)
FIRST = Number("first", tr("From step"), 1, MAX_STEPS, 1)
LEAP = Number("leap", tr("Leaps at most"), 1, 12, 1)
STRENGTH = Number("strength", tr("By so much, %"), 0, 100, 50)
OCTAVES = Number("octaves", tr("Octaves"), 1, 4, 1)
TAPS = Text("taps", "Taps", "5 3")
OTHER = Text("other", tr("Laid over by, taps"), "")
NOTES = Text("notes", tr("Notes, or a key"), "")
BITS = Text("bits", tr("Bits, x or a point each"), "x..x.x..")
FED = Text("fed", tr("Fed back from stages"), "8")
STAGE = Number("stage", tr("Out of stage"), 1, MAX_REGISTER, 1)
ATTENUATION = Number("attenuation", tr("As far as, %"), 0, 100, 100)
PERIOD = Number("period", tr("Goes round in so many steps"), 1, 4096, 37)
WAVE = GeneratorChoice("wave", tr("Wave"), get_args(Wave))
ORDER = GeneratorChoice("order", "Order", ("up", "down", "up and down", "random"))


def _euclid(voice: Voice, v: Values) -> Voice:
    hits = min(voice.length, _number(HITS, v))
    return fill_voice(voice, euclid(hits, voice.length, _number(ROTATE, v)))


def _register(voice: Voice, v: Values) -> Voice:
    taps = _row(v["taps"], "taps", 1, MAX_REGISTER)
    other = _row(v["other"], "taps", 1, MAX_REGISTER) if v.get("other", "").strip() else ()
    return fill_voice(voice, register(taps, voice.length, _number(SEED, v), other))


def _looping(voice: Voice, v: Values) -> Voice:
    row = looping_random(
        voice.length, _number(LOOP, v), _number(LOCK, v) / 100, _number(SEED, v),
        _number(DENSITY, v) / 100,
    )  # fmt: skip
    return fill_voice(voice, row)


def _division(voice: Voice, v: Values) -> Voice:
    return fill_voice(voice, division(voice.length, _number(EVERY, v), _number(FIRST, v) - 1))


def _multiplied(voice: Voice, v: Values) -> Voice:
    """A divided clock whose hits a multiplied one breaks up."""
    row = _division(voice, v)
    strokes = _number(STROKES, v)
    hits = tuple(msgspec.structs.replace(h, ratchet=strokes) for h in row.hits)
    return msgspec.structs.replace(row, hits=hits)


def _pitched(voice: Voice, notes: Callable[[int], Sequence[int]]) -> Voice:
    """On the steps the voice has hits on; on all of them where it has none."""
    on = {h.step for h in voice.hits} or set(range(voice.length))
    row = [step in on for step in range(voice.length)]
    return fill_voice(voice, row, notes=notes(len(on)))


def _walk(voice: Voice, v: Values) -> Voice:
    held = sorted(set(_notes(v["notes"])))
    return _pitched(
        voice, lambda count: random_walk(count, held, _number(SEED, v), _number(LEAP, v))
    )


def _arpeggio(voice: Voice, v: Values) -> Voice:
    held = _notes(v["notes"])
    order: Order = v["order"]  # type: ignore[assignment]
    return _pitched(
        voice, lambda count: arpeggio(count, held, order, _number(OCTAVES, v), _number(SEED, v))
    )


def _closer(voice: Voice, v: Values) -> Voice:
    return closer(voice, _number(STRENGTH, v))


def _written(v: Values) -> tuple[tuple[bool, ...], list[int]]:
    """The bits of a register and its taps; none for one that empties."""
    bits = bits_of(v["bits"])
    taps = v.get("fed", "").strip()
    return bits, _row(taps, "taps", 1, MAX_REGISTER) if taps else []


def _stage(voice: Voice, v: Values) -> Voice:
    bits, taps = _written(v)
    return fill_voice(voice, gates(bits, taps, voice.length, _number(STAGE, v)))


def _stage_lane(steps: int, v: Values) -> Sequence[float]:
    bits, taps = _written(v)
    return [float(on) for on in gates(bits, taps, steps, _number(STAGE, v))]


def _values_lane(steps: int, v: Values) -> Sequence[float]:
    bits, taps = _written(v)
    return values(bits, taps, steps, _number(ATTENUATION, v) / 100)


def _wave_lane(steps: int, v: Values) -> Sequence[float]:
    shape: Wave = v["wave"]  # type: ignore[assignment]
    return sampled(shape, _number(PERIOD, v), range(steps))


def _stage_notes(voice: Voice, v: Values) -> Voice:
    bits, taps = _written(v)
    held = _notes(v["notes"])
    row = values(bits, taps, voice.length, _number(ATTENUATION, v) / 100)
    on = sorted({h.step for h in voice.hits}) or list(range(voice.length))
    return _pitched(voice, lambda count: chosen([row[step] for step in on[:count]], held))


def _stage_levels(voice: Voice, v: Values) -> Voice:
    bits, taps = _written(v)
    row = values(bits, taps, voice.length, _number(ATTENUATION, v) / 100)
    hits = tuple(
        msgspec.structs.replace(h, velocity=1 + round(126 * row[h.step]))
        for h in voice.hits if h.step < voice.length
    )  # fmt: skip
    return msgspec.structs.replace(voice, hits=hits)


def _wave(voice: Voice, v: Values) -> Voice:
    held = _notes(v["notes"])
    on = sorted({h.step for h in voice.hits}) or list(range(voice.length))
    shape: Wave = v["wave"]  # type: ignore[assignment]
    row = sampled(shape, _number(PERIOD, v), on)
    return _pitched(voice, lambda count: chosen(row[:count], held))


def _shuffle(voice: Voice, v: Values) -> Voice:
    return shuffled_hits(voice, _number(SEED, v))


MAKERS: tuple[Maker, ...] = (
    Maker(tr("Evenly"), tr("Hits as evenly as can be over the steps."), (HITS, ROTATE), _euclid),
    Maker(tr("Register"), tr("A shift register fed by the exclusive-or of its taps."),
          (TAPS, OTHER, SEED), _register),
    Maker(tr("Written register"), tr("Your own bits, shifted on; fed back, they come round."),
          (BITS, FED, STAGE), _stage, _stage_lane),
    Maker(tr("Register, notes"), tr("Its first stages choose the notes, on the steps there are."),
          (BITS, FED, NOTES, ATTENUATION), _stage_notes),
    Maker(tr("Register, levels"), tr("Its first stages set how loud the hits are."),
          (BITS, FED, ATTENUATION), _stage_levels, _values_lane),
    Maker(tr("Slow wave"), tr("A wave, caught by the steps there are, chooses the notes."),
          (NOTES, WAVE, PERIOD), _wave, _wave_lane),
    Maker(tr("Looping chance"), tr("Random steps that come round; unlocked they change."),
          (LOOP, LOCK, DENSITY, SEED), _looping),
    Maker(tr("Division"), tr("Every so many steps."), (EVERY, FIRST), _division),
    Maker(tr("Multiplied"), tr("Every so many steps, that step struck several times over."),
          (EVERY, FIRST, STROKES), _multiplied),
    Maker(tr("Walk"), tr("From note to neighbouring note, on the steps there are."),
          (NOTES, LEAP, SEED), _walk),
    Maker(tr("Arpeggio"), tr("The notes one after another, on the steps there are."),
          (NOTES, ORDER, OCTAVES, SEED), _arpeggio),
    Maker(tr("Closer to the grid"), tr("What is late or early goes towards its step."),
          (STRENGTH,), _closer),
    Maker(tr("Shuffle"), tr("The hits there are, in another order."), (SEED,), _shuffle),
)  # fmt: skip
