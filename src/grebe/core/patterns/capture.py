"""From what was played to a pattern: how long it is, its grid, its swing, its hits."""

from __future__ import annotations

from collections import defaultdict
from collections.abc import Callable, Iterable, Sequence
from statistics import median
from typing import NamedTuple

import msgspec

from grebe.core.patterns.model import Content, ControlLane, ControlPoint, Hit, Voice
from grebe.core.time.ticks import TICKS_PER_QUARTER, NoteValue, note_value_ticks
from grebe.core.units import MAX_STEPS, GatePercent, ShiftPermille, SwingPercent, held_in
from grebe.words import tr

FIRST_MODE_MESSAGE = 120
"""Controllers from here on are channel mode messages (MIDI 1.0)."""
LENGTHS = (1, 2, 4, 8)
"""Bars a capture can have (common practice)."""
ALIKE = 0.7
"""Two stretches are the same loop where so much of them falls on the same steps."""
SAME = 0.97
"""And so much where they repeat, not only nearly."""
CLEARLY = 0.05
"""A longer loop has to be so much more alike than a shorter one to be the loop."""
GRIDS = ("1/16", "1/8t", "1/16t", "1/32")
CLOSE = 0.09
"""Of a step, on average: closer to a grid nobody plays by hand at its speed; 0.25 is by chance."""
MIN_SWUNG = 3
"""So many second steps have to be played before a swing is believed."""
SWUNG = 52.0
"""Less is taken for straight playing."""


class Played(NamedTuple):
    """One note, in quarter notes."""

    start: float
    length: float
    note: int
    velocity: int
    channel: int = 1


class Repeats(NamedTuple):
    """After how many bars what was played comes round."""

    bars: int
    nearly: int = 0
    """So many fewer bars come round too, but with differences; 0 where none do."""


def repeats(notes: Sequence[Played], bar_beats: float, end: float) -> Repeats:
    """How many bars to take, 1, 2, 4 or 8: the shortest that what was played repeats with, or a
    longer one that it repeats with clearly better, over two whole rounds: bars that only nearly
    repeat are a phrase of several.

    `end` is where the last whole bar ends. Where nothing repeats, the
    shortest that holds all that was played.
    """
    if not notes:
        return Repeats(LENGTHS[0])
    events = {(round(n.start * 4), n.note) for n in notes if n.start < end}
    first, last = min(n.start for n in notes), round(end * 4)
    for history in (LENGTHS[-1], 0):  # what came long before counts only where it agrees
        alike: dict[int, float] = {}
        whole: dict[int, bool] = {}
        for bars in LENGTHS:
            length = round(bars * bar_beats * 4)
            reach = max(2 * length, round(history * bar_beats * 4))
            begin = max(last - reach, round(first * 4) // 4 * 4)
            alike[bars] = _likeness(events, begin, last, length)
            whole[bars] = last - begin >= 2 * length
        near = [bars for bars in LENGTHS if alike[bars] >= ALIKE]
        if near:
            better = (
                bars for bars in near
                if whole[bars] and alike[bars] >= SAME and alike[bars] - alike[near[0]] >= CLEARLY
            )  # fmt: skip
            bars = next(better, near[0])
            return Repeats(bars, near[0] if bars > near[0] else 0)
    fits = (b for b in LENGTHS if end - b * bar_beats <= first + 1e-6)
    return Repeats(next(fits, LENGTHS[-1]))


def _likeness(events: set[tuple[int, int]], begin: int, end: int, length: int) -> float:
    """How much of what lies in a stretch lies there again `length` sixteenths on, 0 to 1."""
    later = {e for e in events if e[0] >= begin + length}
    before = {(at + length, note) for at, note in events if begin <= at < end - length}
    if not later or not before:
        return 0.0
    return 2 * len(later & before) / (len(later) + len(before))


def best_grid(starts: Sequence[float]) -> str:
    """The step rate whose lines, swung as they are played, the starts (in quarter notes) keep to.

    Sixteenths where they do; otherwise the closest.
    """

    def off(rate: str) -> float:
        swing = 50.0 if rate.endswith("t") else measured_swing(starts, rate)
        return sum(abs(quantised(s, rate, swing, 0.0)[1]) for s in starts) / len(starts)

    if not starts:
        return GRIDS[0]
    return next((r for r in GRIDS if off(r) < CLOSE), min(GRIDS, key=off))


def measured_swing(starts: Sequence[float], rate: str) -> float:
    """The swing in percent that second steps are played with; 50 where too few are."""
    step = note_value_ticks(rate) / TICKS_PER_QUARTER
    into: list[float] = []
    first: list[float] = []
    for start in starts:
        place = (start + step / 2) % (2 * step) - step / 2
        if place >= step * 0.6:
            into.append(place)
        elif abs(place) < step * 0.4:
            first.append(place)
    if len(into) < MIN_SWUNG:
        return 50.0
    percent = (median(into) - (median(first) if first else 0.0)) / (2 * step) * 100
    return round(held_in(SwingPercent, percent), 1)


def played_grid(starts: Sequence[float]) -> tuple[str, float]:
    """The step rate that was played, and the swing in percent: straight where it hardly swings."""
    rate = best_grid(starts)
    swing = 50.0 if rate.endswith("t") else measured_swing(starts, rate)
    return rate, swing if swing >= SWUNG else 50.0


def quantised(start: float, rate: str, swing: float, strength: float) -> tuple[int, float]:
    """The step a start belongs to, and how much later than it is left, in steps.

    `strength` 1 puts it on its line, where swing has that line; 0 leaves it.
    """
    step = note_value_ticks(rate) / TICKS_PER_QUARTER
    late = 2 * (swing - 50) / 100

    def line(number: int) -> float:
        return number + (late if number % 2 else 0.0)

    place = start / step
    number = min((int(place // 1) + k for k in (-1, 0, 1, 2)), key=lambda n: abs(place - line(n)))
    return number, (place - line(number)) * (1 - strength)


class Turned(NamedTuple):
    """A value of a controller."""

    at: float
    """In quarter notes."""
    controller: int
    value: int
    channel: int = 0
    """0: the box's own."""


class Taken(NamedTuple):
    """How a capture is made into a pattern."""

    rate: str = "1/16"
    strength: float = 1.0
    """0 to 1."""
    swing: float = 50.0
    """Of the grid it is put on."""
    melodic: bool = False
    """One voice with pitches and chords, instead of a voice for each note."""
    one_shot: bool = False


def lanes_from(turns: Iterable[Turned], beats: float, rate: NoteValue) -> tuple[ControlLane, ...]:
    """What controllers did in `beats` quarter notes: a lane each, the last value of every step.
    Mode messages (from 120 on) are left out."""
    step = note_value_ticks(rate) / TICKS_PER_QUARTER
    length = min(MAX_STEPS, max(1, round(beats / step)))
    found: dict[tuple[int, int], dict[int, int]] = {}
    for turn in turns:
        if 0 <= turn.at < beats and turn.controller < FIRST_MODE_MESSAGE:
            row = found.setdefault((turn.channel, turn.controller), {})
            row[min(length - 1, int(turn.at / step + 1e-6))] = turn.value
    return tuple(
        ControlLane(
            id=f"c{number}" if not channel else f"c{number}-{channel}",
            name=tr("Controller {number}", number=number), controller=number,
            channel=channel or None, length=length, rate=rate,
            points=tuple(ControlPoint(step=s, value=v) for s, v in sorted(values.items())),
        )
        for (channel, number), values in sorted(found.items())
    )  # fmt: skip


def content_from(
    notes: Sequence[Played],
    beats: float,
    how: Taken,
    name_of: Callable[[int], str] = lambda note: tr("Note {note}", note=note),
) -> Content:
    """A pattern `beats` quarter notes long from notes that begin at 0; later ones wrap round.

    A hit early enough to belong to the first step of the next pass is put
    there. Two on one step of a voice: the louder stays.
    """
    step = note_value_ticks(how.rate) / TICKS_PER_QUARTER
    length = min(MAX_STEPS, max(1, round(beats / step)))
    rows: dict[int, dict[int, Hit]] = defaultdict(dict)
    for note in sorted(notes, key=lambda n: (n.start, n.note)):
        number, late = quantised(note.start, how.rate, how.swing, how.strength)
        at = number % length
        if number >= length and at:
            continue
        hit = Hit(
            step=at,
            velocity=min(127, max(1, note.velocity)),
            note=note.note if how.melodic else None,
            gate_length=held_in(GatePercent, round(note.length / step * 100)),
            shift_permille=held_in(ShiftPermille, round(late * 1000)),
        )
        row = rows[0 if how.melodic else note.note]
        there = row.get(at)
        if there is None:
            row[at] = hit
        elif how.melodic and there.note is not None and note.note != there.note:
            row[at] = _with_chord(there, note.note - there.note)
        elif hit.velocity > there.velocity:
            row[at] = hit
    voices = tuple(
        Voice(
            id="line" if how.melodic else f"n{number}",
            name="Line" if how.melodic else name_of(number)[:80],
            note=min(h.note or 0 for h in row.values()) if how.melodic else number,
            length=length,
            rate=how.rate,
            one_shot=how.one_shot,
            hits=tuple(row[s] for s in sorted(row)),
        )
        for number, row in sorted(rows.items())
    )
    return Content(length=length, rate=how.rate, swing=how.swing, voices=voices)


def _with_chord(hit: Hit, interval: int) -> Hit:
    """The hit with a note more, told from the lowest of them."""
    if interval in hit.chord or len(hit.chord) >= 8 or not -60 <= interval <= 60:
        return hit
    notes = sorted((0, *hit.chord, interval))
    root = (hit.note or 0) + notes[0]
    return msgspec.structs.replace(hit, note=root, chord=tuple(n - notes[0] for n in notes[1:]))


def overdubbed(content: Content, more: Content) -> Content:
    """A pattern with another pass laid over it: hits join their voice, new notes a voice of theirs.

    Where both have a hit on a step the new one stays. A voice with another
    step takes the hits that fall on its steps.
    """
    voices = list(content.voices)
    for new in more.voices:
        at = next(
            (i for i, v in enumerate(voices) if v.note == new.note and v.id != "line"),
            None,
        )
        if new.id == "line":
            at = next((i for i, v in enumerate(voices) if v.id == "line"), None)
        if at is None:
            taken = {v.id for v in voices}
            new_id = next(
                i for i in (new.id, *(f"{new.id}-{n}" for n in range(99))) if i not in taken
            )
            voices.append(msgspec.structs.replace(new, id=new_id))
            continue
        voice = voices[at]
        hits = {h.step: h for h in voice.hits}
        ratio = note_value_ticks(new.rate) / note_value_ticks(voice.rate)
        for hit in new.hits:
            step = hit.step * ratio
            if step == int(step):
                place = int(step) % voice.length
                hits[place] = msgspec.structs.replace(hit, step=place)
        voices[at] = msgspec.structs.replace(voice, hits=tuple(hits[s] for s in sorted(hits)))
    return msgspec.structs.replace(content, voices=tuple(voices))
