"""``grebe calc``: the arithmetic on its own, from the rows of `core.calculators`."""

from __future__ import annotations

import argparse
import sys
from collections.abc import Callable
from pathlib import Path

from grebe.cli.common import Commands, add_json, command, plain_help, print_json
from grebe.core.calculators.boxes import key_of_weights
from grebe.core.calculators.model import Answer, Calculator, Input, yes_or_no
from grebe.core.calculators.table import CALCULATORS
from grebe.errors import UsageError

DRUMS = 10
"""Channel whose notes are drums, not keys (General MIDI)."""


def add_commands(commands: Commands) -> None:
    """Add the calculators."""
    parser = command(
        commands,
        "calc",
        "Small calculators.",
        "grebe calc position --bar 33 --beat 1 --meter 4/4 --bpm 126 --json",
        lambda _: _say_which(parser),
    )
    rows = parser.add_subparsers(metavar="NAME")
    for one in CALCULATORS:
        words = (one.work.__doc__ or "").strip()
        row = command(rows, one.id, words, f"grebe calc {one.example}", _runner(one))
        for field in one.inputs:
            _add_option(row, field, required=not field.optional and one.id != "key")
        if one.id == "key":
            row.add_argument("--midi", metavar="FILE", help="of the notes of a MIDI file")
        add_json(row)


def _say_which(parser: argparse.ArgumentParser) -> int:
    parser.error("say which calculator")


def _add_option(row: argparse.ArgumentParser, field: Input, *, required: bool) -> None:
    if field.read is yes_or_no:
        row.add_argument(f"--{field.key}", dest=field.name, action="store_const", const="yes",
                         default=field.usual, help=plain_help(field.words))  # fmt: skip
        return
    row.add_argument(
        f"--{field.key}", dest=field.name, required=required, default=field.usual,
        metavar=field.hint or None, help=plain_help(field.words), type=_checked(field),
    )  # fmt: skip


def _checked(field: Input) -> Callable[[str], str]:
    """The text again, once it can be read: argparse then says whose option is wrong."""

    def check(text: str) -> str:
        try:
            field.read(text)
        except ValueError as error:
            raise argparse.ArgumentTypeError(str(error)) from error
        return text

    return check


def _runner(one: Calculator) -> Callable[[argparse.Namespace], int]:
    def run(arguments: argparse.Namespace) -> int:
        try:
            if getattr(arguments, "midi", None):
                answer = _key_of_file(Path(arguments.midi))
            else:
                answer = one.answer({f.key: getattr(arguments, f.name) for f in one.inputs})
        except ValueError as error:
            raise UsageError(str(error)) from error
        if arguments.json:
            print_json(dict(answer.values))
        else:
            _say(answer, table=one.tells_table)
        return 0

    return run


def _say(answer: Answer, *, table: bool) -> None:
    if table:
        wide = [max(map(len, column)) for column in zip(answer.head, *answer.rows, strict=True)]
        for row in (answer.head, *answer.rows):
            cells = (cell.rjust(width) for cell, width in zip(row, wide, strict=True))
            sys.stdout.write("  ".join(cells) + "\n")
    sys.stdout.write(f"{answer.sentence} {answer.care}".rstrip() + "\n")


def _key_of_file(path: Path) -> Answer:
    from grebe.formats.midi_loops import read_notes  # noqa: PLC0415 - only for a file

    weights: dict[int, float] = {}
    for note in read_notes(path):
        if note.channel != DRUMS:
            weights[note.note] = weights.get(note.note, 0.0) + max(note.length, 1e-3)
    return key_of_weights(weights)
