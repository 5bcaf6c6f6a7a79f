"""A calculator as data: its question, its inputs with their bounds, its answer.

The command `grebe calc` and the Tools station read the same rows, so both take the same things and
say the same. To add one: a function that answers, and its row in `CALCULATORS`.
"""

from __future__ import annotations

import math
import re
from collections.abc import Callable, Mapping
from fractions import Fraction
from typing import Any, NamedTuple

import msgspec

from grebe.core.rig.notemap import PadLayout
from grebe.core.time.meter import parse_meter
from grebe.core.time.ticks import TICKS_PER_QUARTER, note_value_ticks
from grebe.core.units import MAX_BPM, MIN_BPM
from grebe.words import tr

MAX_LANES, MAX_LANE_STEPS = 64, 4096
SLOWEST_RATE, FASTEST_RATE = Fraction(1, 64), 960
MOST_LISTED = 4096

Reader = Callable[[str], Any]
"""From what was typed to a value. ValueError says what it should be."""


class Input(NamedTuple):
    """Something to be typed."""

    key: str
    """As the command's option is called, without its dashes."""
    words: str
    read: Reader
    usual: str
    """What stands there in Tools, and is taken where a command leaves out what it may."""
    optional: bool = False
    """Whether a command may leave it out."""
    hint: str = ""

    @property
    def name(self) -> str:
        """What the working function calls it."""
        return "start" if self.key == "from" else self.key.replace("-", "_")


class Answer(NamedTuple):
    """What a calculator says."""

    values: Mapping[str, object]
    """For machines: keys and values as `--json` prints them."""
    sentence: str
    head: tuple[str, ...] = ()
    rows: tuple[tuple[str, ...], ...] = ()
    care: str = ""

    @property
    def text(self) -> str:
        """All of it, for copying: the table with tabs between its columns."""
        lines = [self.sentence, *(["\t".join(self.head)] if self.head else [])]
        lines += ["\t".join(row) for row in self.rows]
        return "\n".join([*lines, *([self.care] if self.care else [])])


class Calculator(NamedTuple):
    """One calculator."""

    id: str
    title: str
    asks: str
    """The question it answers."""
    example: str
    """A command line, after `grebe calc`."""
    inputs: tuple[Input, ...]
    work: Callable[..., Answer]
    """Takes the values by name; ValueError where they do not go together."""
    tells_table: bool = False
    """Whether the table is the answer, so that a command prints it, too."""

    def answer(self, texts: Mapping[str, str]) -> Answer:
        """The answer to what was typed, by key. ValueError says what is wrong."""
        return self.work(**self.read(texts))

    def read(self, texts: Mapping[str, str]) -> dict[str, Any]:
        """What was typed, by key, as values by name. ValueError says what is wrong."""
        return {i.name: i.read(texts[i.key].strip()) for i in self.inputs}


def number(what: str, low: float, high: float) -> Reader:
    """A number between two limits; `what` begins its message: "BPM goes"."""

    def read(text: str) -> float:
        try:
            value = float(text.replace(",", "."))
        except ValueError as error:
            raise ValueError(f"{what} in numbers: a number (got {text!r})") from error
        if not (math.isfinite(value) and low <= value <= high):
            raise ValueError(f"{what} from {low:g} to {high:g} (got {text})")
        return value

    return read


def whole(what: str, low: int, high: int) -> Reader:
    """A whole number between two limits; `what` begins its message: "bars count"."""

    def read(text: str) -> int:
        try:
            value = int(text)
        except ValueError as error:
            raise ValueError(f"{what} in whole numbers: a number (got {text!r})") from error
        if not low <= value <= high:
            raise ValueError(f"{what} from {low} to {high} (got {text})")
        return value

    return read


def one_of(what: str, choices: tuple[int, ...]) -> Reader:
    """One of several whole numbers."""

    def read(text: str) -> int:
        if text not in map(str, choices):
            raise ValueError(f"{what} {', '.join(map(str, choices))} (got {text})")
        return int(text)

    return read


def yes_or_no(text: str) -> bool:
    """Yes or no."""
    if text.lower() not in ("yes", "no"):
        raise ValueError(f"say yes or no (got {text!r})")
    return text.lower() == "yes"


def step_ticks(text: str) -> int:
    """Ticks of a note value such as 1/16 or 1/8t."""
    return note_value_ticks(text)


def seconds_list(text: str) -> list[float]:
    """Times in seconds."""
    try:
        times = [float(part) for part in text.split(",")]
    except ValueError as error:
        raise ValueError(
            f"times should be seconds with commas between, such as 0,0.5,1.0 (got {text})"
        ) from error
    if len(times) > MOST_LISTED or not all(map(math.isfinite, times)):
        raise ValueError(f"times should be at most {MOST_LISTED} seconds that are numbers")
    return times


def whole_list(text: str) -> list[int]:
    """Whole numbers."""
    try:
        return [int(part) for part in text.split(",")][:MOST_LISTED]
    except ValueError as error:
        raise ValueError(
            f"whole numbers with commas between, such as 8,6,5,4 (got {text})"
        ) from error


def lanes(text: str) -> list[Fraction]:
    """Lengths of lanes in quarter notes, from STEPS@RATE with commas between."""
    out: list[Fraction] = []
    for part in text.split(","):
        steps, at, rate = part.strip().partition("@")
        if not at or not re.fullmatch(r"[0-9]+", steps):
            raise ValueError(f"lanes should look like 16@1/16,14@1/16,7@1/8t (got {text})")
        if not 1 <= int(steps) <= MAX_LANE_STEPS:
            raise ValueError(f"a lane has 1 to {MAX_LANE_STEPS} steps (got {steps})")
        out.append(Fraction(int(steps) * step_ticks(rate), TICKS_PER_QUARTER))
    if len(out) > MAX_LANES:
        raise ValueError(f"{MAX_LANES} lanes at most (got {len(out)})")
    return out


def pulse_rate(text: str) -> Fraction:
    """Pulses a quarter note."""
    try:
        rate = Fraction(text)
    except (ValueError, ZeroDivisionError) as error:
        raise ValueError(
            f"a rate is pulses a quarter note, such as 48, 1 or 1/4 (got {text})"
        ) from error
    if not SLOWEST_RATE <= rate <= FASTEST_RATE:
        raise ValueError(f"a rate goes from {SLOWEST_RATE} to {FASTEST_RATE} (got {text})")
    return rate


def levels(text: str) -> list[tuple[float, float]]:
    """Levels with their minutes: 96@42,101@6."""
    out: list[tuple[float, float]] = []
    for part in text.split(","):
        level, at, minutes = part.strip().partition("@")
        try:
            row = (float(level), float(minutes))
        except ValueError:
            at = ""
        if not at or not (40 <= row[0] <= 140 and 0 <= row[1] <= 1440):
            raise ValueError(
                "levels should be dBA@minutes with commas between, 40 to 140 dBA, such as "
                f"96@42,101@6 (got {text})"
            )
        out.append(row)
    return out[:MOST_LISTED]


def pads(text: str) -> PadLayout:
    """Pads as base=36,rows=4,cols=4,order=up."""
    fields: dict[str, str] = {}
    for part in text.split(","):
        name, equals, value = part.strip().partition("=")
        if not equals or name not in PadLayout.__struct_fields__ or name in fields:
            raise ValueError(f"pads should look like base=36,rows=4,cols=4,order=up (got {text})")
        fields[name] = value
    try:
        return msgspec.convert(fields, PadLayout, strict=False)
    except msgspec.ValidationError as error:
        raise ValueError(f"pads {text}: {error}") from error


bpm = number(tr("BPM goes"), MIN_BPM, MAX_BPM)
BPM = Input("bpm", tr("Tempo, BPM"), bpm, "126")
METER = Input("meter", tr("Metre"), parse_meter, "4/4", optional=True)
BARS = Input("bars", tr("Bars"), number("bars go", 0.0625, 100_000), "4")
