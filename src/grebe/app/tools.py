"""The small calculators: each with fields, an answer in a sentence and a table. Without Qt."""

from __future__ import annotations

import math
from collections.abc import Callable, Mapping
from typing import NamedTuple

from grebe.core.audio.care import hearing_minutes, repitch_semitones
from grebe.core.sync.explain import drift
from grebe.core.time.delay import delay_table, halved_bpm, note_ms
from grebe.core.time.loop_length import LOOP_BARS, loop_length
from grebe.core.time.meter import Meter, parse_meter
from grebe.core.time.position import clocks_to, song_position, song_position_bytes, tick_of
from grebe.core.time.tempo import ramp_seconds
from grebe.core.time.ticks import TICKS_PER_QUARTER
from grebe.core.units import MAX_BPM, MIN_BPM
from grebe.errors import EditError

HEARING_CARE = (
    "Levels add up over a day; a meter at the ear is what counts. Where rules are stricter, they "
    "hold: wear protection, and ask a licensed person."
)

LEFT_OUT = " out of range"
"""Behind a figure that does not fit."""


class Answer(NamedTuple):
    """What a calculator says."""

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


class ToolField(NamedTuple):
    """Something to be typed."""

    key: str
    words: str
    usual: str


class Tool(NamedTuple):
    """One calculator."""

    id: str
    title: str
    asks: str
    """The question it answers."""
    fields: tuple[ToolField, ...]
    answer: Callable[[Mapping[str, str]], Answer]


def _number(values: Mapping[str, str], field: str, low: float, high: float) -> float:
    try:
        found = float(values[field].replace(",", "."))
    except ValueError as error:
        raise EditError(f"{field}: a number (got {values[field]!r})") from error
    if not (math.isfinite(found) and low <= found <= high):
        raise EditError(f"{field}: from {low:g} to {high:g} (got {values[field]})")
    return found


def _bpm(values: Mapping[str, str], field: str = "bpm") -> float:
    return _number(values, field, MIN_BPM, MAX_BPM)


def _meter(values: Mapping[str, str]) -> Meter:
    try:
        return parse_meter(values["meter"].strip())
    except ValueError as error:
        raise EditError(str(error)) from error


def _delay(values: Mapping[str, str]) -> Answer:
    bpm = _bpm(values)
    low, high = _number(values, "min", 0.1, 60_000), _number(values, "max", 0.1, 600_000)
    if low > high:
        raise EditError(f"min {low:g} is over max {high:g}")
    rows = delay_table(bpm, low, high)
    sentence = f"A quarter at {bpm:g} BPM is {note_ms(bpm):.1f} ms."
    half = halved_bpm(bpm, low, high)
    if half is not None:
        sentence += f" The unit cannot take it: set it to {half:g} BPM."
    columns = [rows[n : n + 3] for n in range(0, len(rows), 3)]
    table = tuple(
        (group[0].note, *(f"{r.ms:.1f}" if r.fits else f"{r.ms:.1f}{LEFT_OUT}" for r in group))
        for group in columns
    )
    return Answer(sentence, ("note", "straight, ms", "dotted, ms", "triplet, ms"), table)


def _tempo(values: Mapping[str, str]) -> Answer:
    seconds, meter = _number(values, "seconds", 0.05, 86_400), _meter(values)
    bars = _number(values, "bars", 0.25, 10_000)
    quarters = meter.bar_ticks / TICKS_PER_QUARTER
    found = bars * quarters * 60 / seconds
    rows = tuple((f"{n}", f"{n * quarters * 60 / seconds:.3f}") for n in LOOP_BARS)
    return Answer(f"{bars:g} bars of {meter} in {seconds:g} s are {found:.3f} BPM.",
                  ("if it is so many bars", "BPM"), rows)  # fmt: skip


def _loop(values: Mapping[str, str]) -> Answer:
    bpm, meter = _bpm(values), _meter(values)
    bars, rate = _number(values, "bars", 0.0625, 100_000), _number(values, "rate", 8000, 384_000)
    found = loop_length(bpm, bars, meter.bar_ticks, round(rate))
    rows = tuple(
        (f"{n}", f"{one.seconds:.6f}", f"{one.samples:.3f}", f"{one.nearest}",
         f"{one.drift_ms_per_hour:+.3f}")
        for n in LOOP_BARS
        for one in [loop_length(bpm, n, meter.bar_ticks, round(rate))]
    )  # fmt: skip
    return Answer(
        f"{bars:g} bars at {bpm:g} BPM are {found.seconds:.6f} s, {found.samples:.3f} samples; "
        f"cut to {found.nearest} they drift {found.drift_ms_per_hour:+.3f} ms an hour.",
        ("bars", "seconds", "samples", "cut to", "drift, ms an hour"), rows,
    )  # fmt: skip


def _repitch(values: Mapping[str, str]) -> Answer:
    start, to = _bpm(values, "from"), _bpm(values, "to")
    semitones = repitch_semitones(start, to)
    rows = tuple(
        (f"{start * 2 ** (n / 12):.3f}", f"{n:+d}") for n in (-12, -7, -5, -3, -2, -1, 1, 2, 3, 5)
    )
    return Answer(
        f"From {start:g} to {to:g} BPM by speed alone: {semitones:+.3f} semitones, "
        f"{to / start:.4f} times as fast.",
        ("tempo of a whole semitone, BPM", "semitones"), rows,
    )  # fmt: skip


def _hearing(values: Mapping[str, str]) -> Answer:
    level = _number(values, "level", 40, 194)
    rows = tuple((f"{n}", f"{hearing_minutes(n):.4g}") for n in range(85, 116, 3))
    return Answer(f"{level:g} dBA can be borne for {hearing_minutes(level):.3g} minutes a day "
                  "(NIOSH 98-126).", ("dBA", "minutes a day"), rows, HEARING_CARE)  # fmt: skip


def _ramp(values: Mapping[str, str]) -> Answer:
    start, to, meter = _bpm(values, "from"), _bpm(values, "to"), _meter(values)
    bars = _number(values, "bars", 0.25, 10_000)
    beats = bars * meter.bar_ticks / TICKS_PER_QUARTER
    rows = tuple(
        (f"{n}", f"{ramp_seconds(start, to, n * meter.bar_ticks / TICKS_PER_QUARTER):.3f}")
        for n in (1, 2, 4, 8, 16, 32)
    )
    seconds = ramp_seconds(start, to, beats)
    sentence = f"From {start:g} to {to:g} BPM over {bars:g} bars takes {seconds:.3f} s."
    return Answer(sentence, ("bars", "seconds"), rows)


def _drift(values: Mapping[str, str]) -> Answer:
    first, second = _bpm(values, "a"), _bpm(values, "b")
    limit = _number(values, "limit", 0.1, 1000)
    found = drift(first, second, limit)
    if not math.isfinite(found.seconds_to_limit):
        return Answer("They do not part: the tempi are the same.")
    rows = tuple(
        (f"{ms:g}", f"{drift(first, second, ms).seconds_to_limit:.1f}",
         f"{drift(first, second, ms).beats_to_limit:.1f}")
        for ms in (1.0, 2.0, 6.0, 10.0, 20.0, 50.0)
    )  # fmt: skip
    return Answer(
        f"They part by {found.ms_per_minute:.2f} ms a minute: {limit:g} ms after "
        f"{found.seconds_to_limit:.1f} s.",
        ("apart, ms", "after, s", "beats of A"), rows,
    )  # fmt: skip


def _position(values: Mapping[str, str]) -> Answer:
    bpm, meter = _bpm(values), _meter(values)
    bar, beat = int(_number(values, "bar", 1, 1024)), int(_number(values, "beat", 1, 32))
    try:
        tick = tick_of(bar, beat, meter)
        sixteenths = song_position(tick)
        data = song_position_bytes(sixteenths).hex(" ").upper()
    except ValueError as error:
        raise EditError(str(error)) from error
    seconds = tick / TICKS_PER_QUARTER * 60 / bpm
    return Answer(f"Bar {bar}, beat {beat} is song position {sixteenths}, {seconds:.3f} s in.",
                  ("bytes", "clocks"), ((data, f"{clocks_to(tick)}"),))  # fmt: skip


_BPM = ToolField("bpm", "Tempo, BPM", "126")
_METER = ToolField("meter", "Metre", "4/4")

TOOLS: tuple[Tool, ...] = (
    Tool("delay", "Echo times", "What is a note in milliseconds?",
         (_BPM, ToolField("min", "Unit from, ms", "20"), ToolField("max", "Unit to, ms", "800")), _delay),
    Tool("tempo", "Tempo of a length", "How fast is a loop of so many seconds?",
         (ToolField("seconds", "Seconds", "7.619"), ToolField("bars", "Bars", "4"), _METER), _tempo),
    Tool("loop", "Loop length", "How many samples is it, and does it drift?",
         (_BPM, ToolField("bars", "Bars", "4"), _METER, ToolField("rate", "Samples a second", "48000")),
         _loop),
    Tool("repitch", "Speed and pitch", "What does another tempo do to the pitch?",
         (ToolField("from", "From, BPM", "140"), ToolField("to", "To, BPM", "126")), _repitch),
    Tool("ramp", "Tempo ramp", "How long does it take to get there?",
         (ToolField("from", "From, BPM", "120"), ToolField("to", "To, BPM", "140"),
          ToolField("bars", "Bars", "8"), _METER), _ramp),
    Tool("drift", "Drift", "How soon do two that run free part?",
         (ToolField("a", "A, BPM", "120"), ToolField("b", "B, BPM", "120.05"),
          ToolField("limit", "Apart, ms", "20")), _drift),
    Tool("position", "Song position", "What is sent for a bar and beat?",
         (ToolField("bar", "Bar", "33"), ToolField("beat", "Beat", "1"), _METER, _BPM), _position),
    Tool("hearing", "Hearing", "How long can a level be borne?",
         (ToolField("level", "Level, dBA", "100"),), _hearing),
)  # fmt: skip
