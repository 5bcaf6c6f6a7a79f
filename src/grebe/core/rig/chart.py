"""Charts of controllers and voices as they stand in manuals: pasted from a table, CSV or PDF text.

A line becomes a row where a number is found in it: as "CC#52", "52", hex ("34H", "0x34", "$34"), or
for voices as a note's name ("C#3"). What is not understood, or stands there twice, is marked.
"""

from __future__ import annotations

import csv
import re
from collections.abc import Callable, Sequence
from typing import NamedTuple

from grebe.core.rig.spec import ControllerRow, SpecVoice
from grebe.core.units import Controller, Note, bounds_of
from grebe.words import tr

MOST_LINES = 2000
MOST_NAME = 80
LETTERS = {"C": 0, "D": 2, "E": 4, "F": 5, "G": 7, "A": 9, "B": 11}
SHIFTS = {"": 0, "#": 1, "\u266f": 1, "b": -1, "\u266d": -1}
USUAL_MIDDLE_C = 4
"""The octave of note 60; makers differ between 3, 4 and 5 (common practice, no source)."""

_HEX = r"(?:0x|\$)[0-9a-f]{1,2}|[0-9a-f]{1,2}h"
_NUMBER = rf"(?:{_HEX}|\d{{1,3}})"
_CC = re.compile(rf"^\W*(?:cc|ctrl|control(?:ler)?|midi\s*cc)[\s#.:no]*({_NUMBER})\b\W*", re.I)
_CC_ANYWHERE = re.compile(
    rf"\b(?:cc|ctrl|control(?:ler)?)\s*[#.:]?\s*(?:no\.?)?\s*({_NUMBER})\b", re.I
)
_ALONE = re.compile(rf"^#?\s*({_NUMBER})\.?$", re.I)
_RANGE = re.compile(
    rf"^[\[(]?\s*({_NUMBER})\s*(?:-|\u2013|\u2014|~|\.\.+|to)\s*({_NUMBER})\s*[\])]?$", re.I
)
_RANGE_ANYWHERE = re.compile(
    rf"(?<![\w.])[\[(]?({_NUMBER})\s*(?:-|\u2013|\u2014|~|\.\.+|\bto\b)\s*({_NUMBER})[\])]?(?![\w.])",
    re.I,
)
_NOTE = re.compile("^([A-G])([#b\u266f\u266d]?)\\s?(-?\\d{1,2})$")
_NOTE_ANYWHERE = re.compile("(?<![\\w#])([A-G])([#b\u266f\u266d]?)(-?\\d)(?!\\w)")
_RULE = re.compile(r"^[\s|+=\-_:.]*$")
_SPACED = re.compile(r"\t+|\s{2,}|\s*\|\s*|(?:\s?\.){3,}\s*")


class Marked(NamedTuple):
    """A line that did not become a row as it stands, and why."""

    line: int
    """From 1."""
    text: str
    why: str


class ControllerChart(NamedTuple):
    """What was understood of a chart of controllers, in the order of their numbers."""

    rows: tuple[ControllerRow, ...]
    marked: tuple[Marked, ...]


class VoiceChart(NamedTuple):
    """What was understood of a chart of voices, in the order it has them."""

    rows: tuple[SpecVoice, ...]
    marked: tuple[Marked, ...]
    middle_c: int
    """The octave that note 60 was taken to be in."""


class _Line(NamedTuple):
    number: int
    text: str
    cells: tuple[str, ...]


def read_controllers(text: str) -> ControllerChart:
    """A chart of controllers from text."""
    low, high = (int(b) for b in bounds_of(Controller))
    rows: dict[int, ControllerRow] = {}
    marked: list[Marked] = []
    for line in _lines(text):
        found = _controller(line)
        if found is None:
            marked.append(Marked(line.number, line.text, tr("no controller number in it")))
            continue
        name, number, first, last = found
        if not low <= number <= high:
            marked.append(
                Marked(
                    line.number,
                    line.text,
                    tr(
                        "{number} is no controller: {low} to {high}",
                        number=number,
                        low=low,
                        high=high,
                    ),
                )
            )
        elif number in rows:
            why = tr(
                "controller {number} stands there already, as {name}",
                number=number,
                name=rows[number].name,
            )
            marked.append(Marked(line.number, line.text, why))
        else:
            rows[number] = ControllerRow(
                name=name or tr("Controller {number}", number=number),
                number=number,
                low=first,
                high=last,
            )
    return ControllerChart(tuple(rows[n] for n in sorted(rows)), tuple(marked))


def read_voices(text: str, middle_c: int | None = None) -> VoiceChart:
    """A chart of voices and their notes from text.

    `middle_c`: the octave of note 60. None: as a line with both a note's name and its number shows,
    else the usual one.
    """
    lines = _lines(text)
    octave = middle_c if middle_c is not None else _middle_c(lines)
    low, high = (int(b) for b in bounds_of(Note))
    rows: dict[int, SpecVoice] = {}
    marked: list[Marked] = []
    for line in lines:
        found = _voice(line, octave)
        if found is None:
            marked.append(Marked(line.number, line.text, tr("no note in it")))
            continue
        name, note = found
        taken = {v.name for v in rows.values()}
        if not low <= note <= high:
            marked.append(
                Marked(
                    line.number,
                    line.text,
                    tr("{note} is no note: {low} to {high}", note=note, low=low, high=high),
                )
            )
        elif note in rows:
            why = tr(
                "note {note} stands there already, for {name}", note=note, name=rows[note].name
            )
            marked.append(Marked(line.number, line.text, why))
        elif name in taken:
            marked.append(
                Marked(line.number, line.text, tr("{name} stands there already", name=name))
            )
        else:
            rows[note] = SpecVoice(name=name or tr("Note {note}", note=note), note=note)
    return VoiceChart(tuple(rows.values()), tuple(marked), octave)


def note_named(text: str, middle_c: int = USUAL_MIDDLE_C) -> int | None:
    """The number of a note such as C#3, with note 60 the C of octave `middle_c`; None for what is
    no note's name. It may lie outside what MIDI has."""
    found = _NOTE.match(text.strip())
    if found is None:
        return None
    letter, shift, octave = found.groups()
    return 60 + 12 * (int(octave) - middle_c) + LETTERS[letter] + SHIFTS[shift]


def _lines(text: str) -> list[_Line]:
    """Lines that may hold a row, cut into cells; headings and rules left out."""
    out: list[_Line] = []
    kept = [(n, raw) for n, raw in enumerate(text.splitlines()[:MOST_LINES], start=1)
            if not _RULE.match(raw)]  # fmt: skip
    cut = _cutter([raw for _, raw in kept])
    for number, raw in kept:
        cells = tuple(c.strip() for c in cut(raw.strip(" |")) if c.strip())
        if any(re.search(r"\d", c) for c in cells):
            out.append(_Line(number, raw.strip()[:200], cells))
    return out


def _cutter(lines: Sequence[str]) -> Callable[[str], list[str]]:
    """How these lines are cut into cells: at what most of them have."""
    half = max(1, (len(lines) + 1) // 2)
    for mark in ("\t", ";", ","):
        if sum(mark in line for line in lines) >= half or (mark == "\t" and "\t" in "".join(lines)):
            return lambda line, m=mark: next(  # type: ignore[misc]
                csv.reader([line.replace("\0", "")], delimiter=m, skipinitialspace=True), []
            )
    return _SPACED.split


def _value(text: str) -> int:
    """A number as it is written: decimal, or hex with a mark of it."""
    words = text.lower()
    if words.startswith("0x"):
        return int(words[2:], 16)
    if words.startswith("$"):
        return int(words[1:], 16)
    return int(words[:-1], 16) if words.endswith("h") else int(words)


def _controller(line: _Line) -> tuple[str, int, int, int] | None:
    """(name, number, lowest, highest) of a line; None without a number."""
    names: list[str] = []
    numbers: list[int] = []
    said: int | None = None
    span: tuple[int, int] | None = None
    for cell in line.cells:
        if (marked := _CC.match(cell)) and said is None:
            said = _value(marked[1])
            rest = cell[marked.end() :]
            span = span or _span(rest)
            names.append(_without_range(rest))
        elif found := _RANGE.match(cell):
            span = span or (_value(found[1]), _value(found[2]))
        elif alone := _ALONE.match(cell):
            numbers.append(_value(alone[1]))
        else:
            names.append(cell)
    if said is None and not numbers:
        return _in_words(" ".join(line.cells))
    if said is None:
        said, numbers = numbers[0], numbers[1:]
        names = [_without_range(n) for n in names] if span is None else names
    if span is None and len(numbers) >= 2:
        span = (numbers[0], numbers[1])
    if span is None:
        span = next((s for s in map(_span, line.cells) if s is not None), None)
    return (_tidy(names), said, *_bounded(span))


def _in_words(text: str) -> tuple[str, int, int, int] | None:
    """A row in one piece, as PDF text has it: "52 Filter cutoff 0-127", "Cutoff CC#52"."""
    span = _span(text)
    rest = _without_range(text) if span is not None else text
    found = _CC_ANYWHERE.search(rest)
    if found is None:
        found = re.search(rf"^\W*({_NUMBER})\b", rest, re.I) or re.search(
            rf"(?<![\w.])({_NUMBER})\W*$", rest, re.I
        )
    if found is None:
        return None
    name = f"{rest[: found.start()]} {rest[found.end() :]}"
    return (_tidy([name]), _value(found[1]), *_bounded(span))


def _span(text: str) -> tuple[int, int] | None:
    found = _RANGE_ANYWHERE.search(text)
    return (_value(found[1]), _value(found[2])) if found else None


def _without_range(text: str) -> str:
    return _RANGE_ANYWHERE.sub(" ", text)


def _bounded(span: tuple[int, int] | None) -> tuple[int, int]:
    """A range as a controller's values; all of them where it says something else."""
    if span is None or span[0] > span[1] or span[1] > 127:
        return 0, 127
    return span


def _voice(line: _Line, middle_c: int) -> tuple[str, int] | None:
    """(name, note) of a line; None without a note. A number says more than a name."""
    numbers: list[int] = []
    named: list[int] = []
    names: list[str] = []
    for cell in line.cells:
        note = note_named(cell, middle_c)
        if alone := _ALONE.match(cell):
            numbers.append(_value(alone[1]))
        elif note is not None:
            named.append(note)
        else:
            names.append(cell)
    if numbers:
        return _tidy(names), numbers[0]
    if named:
        return _tidy(names), named[0]
    text = " ".join(line.cells)
    inside = _NOTE_ANYWHERE.search(text)
    number = re.search(rf"^\W*({_NUMBER})\b|(?<![\w.#-])({_NUMBER})\W*$", text, re.I)
    if number is not None:
        left = f"{text[: number.start()]} {text[number.end() :]}"
        return _tidy([_NOTE_ANYWHERE.sub(" ", left)]), _value(number[1] or number[2])
    if inside is None:
        return None
    found = note_named(inside[0], middle_c)
    return None if found is None else (
        _tidy([f"{text[: inside.start()]} {text[inside.end() :]}"]), found
    )  # fmt: skip


def _middle_c(lines: Sequence[_Line]) -> int:
    """The octave of note 60, as a line shows that has a note's name and its number."""
    for line in lines:
        text = " ".join(line.cells)
        named, numbers = _NOTE_ANYWHERE.search(text), re.findall(r"(?<![\w#-])\d{1,3}(?!\w)", text)
        if named is None or not numbers:
            continue
        usual = note_named(named[0])
        off = (usual or 0) - int(numbers[0])
        if usual is not None and off % 12 == 0 and abs(off) <= 24:
            return USUAL_MIDDLE_C + off // 12
    return USUAL_MIDDLE_C


def _tidy(names: Sequence[str]) -> str:
    """What a row is called: what is left of it, without empty brackets and marks at its ends."""
    words = " ".join(names)
    words = re.sub(r"[\[({]\s*[\])}]", " ", words)
    words = re.sub(r"\s+", " ", words).strip(" \t-\u2013\u2014:;,.=|#*")
    return words[:MOST_NAME]
