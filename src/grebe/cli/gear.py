"""``grebe gear``: what you know of gear: notes, tries, all of it written to one file and read."""

from __future__ import annotations

import argparse
import sys
from collections.abc import Callable
from datetime import date
from pathlib import Path

import msgspec

from grebe.app.gear import GearShelf
from grebe.cli.common import Commands, add_json, command, print_json
from grebe.core.gear.model import NOTE_KINDS, OUTCOMES, Trial, note_of, trial_of
from grebe.errors import UsageError
from grebe.formats.reading import plain

ABOUT = "a profile's id, a box's name, a port or interface, or grebe"


def add_commands(commands: Commands) -> None:
    """Add the command."""
    parser = command(
        commands,
        "gear",
        "What you know of gear, found again in any project that has it: list it, note something, "
        "log a try, or write all of it, with your profiles, to one file and read such a file.",
        'grebe gear note "drops the clock" --about "Interface X" --about otter --kind fails',
        gear,
    )
    parser.set_defaults(do=_list)
    add_json(parser)
    rows = parser.add_subparsers(metavar="DO")
    _row(rows, "list", "list it", _list)
    note = _row(rows, "note", "note something", _note, "TEXT", "what you found out")
    note.add_argument("--kind", choices=NOTE_KINDS, default="quirk")
    note.add_argument("--firmware", default="", help="with which it was so")
    tried = _row(rows, "try", "log what was tried between two", _try, "TEXT", "what was tried")
    tried.add_argument("--outcome", choices=OUTCOMES, default="unsure")
    for one in (note, tried):
        one.add_argument("--about", action="append", default=[], metavar="GEAR", help=ABOUT)
        one.add_argument("--day", default="", metavar="YYYY-MM-DD", help="today if left out")
    _row(rows, "remove", "take something out", _remove, "ID", "as the list has it")
    _row(rows, "write", "write all of it to a file", _write, "FILE", "where")
    _row(rows, "read", "read such a file", _read, "FILE", "which")


Do = Callable[[GearShelf, argparse.Namespace], str]


def _row(
    rows: argparse._SubParsersAction[argparse.ArgumentParser], name: str, words: str, do: Do,
    takes: str = "", what: str = "",
) -> argparse.ArgumentParser:  # fmt: skip
    row = rows.add_parser(name, help=words, description=words)
    if takes:
        row.add_argument("text", metavar=takes, help=what)
    row.set_defaults(do=do)
    add_json(row)
    return row


def gear(arguments: argparse.Namespace) -> int:
    """Do what was asked. UsageError for what cannot be noted."""
    shelf = GearShelf()
    if shelf.problem:
        raise UsageError(shelf.problem)
    try:
        said = arguments.do(shelf, arguments)
    except msgspec.ValidationError as error:
        raise UsageError(
            f"this cannot be noted: {plain(str(error))}; give --about once or twice, a text, and "
            "a day such as 2026-05-02"
        ) from error
    if arguments.json:
        print_json(msgspec.to_builtins(shelf.library))
    elif said:
        sys.stdout.write(f"{said}.\n")
    else:
        for entry in shelf.library.entries:
            what = entry.what if isinstance(entry, Trial) else entry.text
            kind = entry.outcome if isinstance(entry, Trial) else entry.kind
            about = " and ".join(entry.gear)
            sys.stdout.write(f"{entry.id}  {entry.day}  {kind:8} {about}: {what}\n")
    return 0


def _list(shelf: GearShelf, arguments: argparse.Namespace) -> str:
    del shelf, arguments
    return ""


def _day(arguments: argparse.Namespace) -> str:
    return arguments.day or f"{date.today():%Y-%m-%d}"


def _note(shelf: GearShelf, arguments: argparse.Namespace) -> str:
    day, about = _day(arguments), arguments.about
    shelf.add(note_of(arguments.kind, about, arguments.text, day, arguments.firmware))
    return ""


def _try(shelf: GearShelf, arguments: argparse.Namespace) -> str:
    if len(arguments.about) != 2:
        raise UsageError("a try is between two: give --about twice")
    one, other = arguments.about
    shelf.add(trial_of((one, other), arguments.text, arguments.outcome, _day(arguments)))
    return ""


def _remove(shelf: GearShelf, arguments: argparse.Namespace) -> str:
    if all(entry.id != arguments.text for entry in shelf.library.entries):
        raise UsageError(f"there is no note {arguments.text!r}; grebe gear list shows their ids")
    shelf.remove(arguments.text)
    return ""


def _write(shelf: GearShelf, arguments: argparse.Namespace) -> str:
    return f"Wrote {shelf.write_all(Path(arguments.text))}"


def _read(shelf: GearShelf, arguments: argparse.Namespace) -> str:
    return f"Read {shelf.read_all(Path(arguments.text))}"
