"""What the commands share: arguments, printing, progress."""

from __future__ import annotations

import argparse
import json
import sys
from collections.abc import Callable, Mapping
from pathlib import Path
from typing import TYPE_CHECKING, Any

from grebe.core.time.meter import Meter, parse_meter
from grebe.core.units import MAX_BPM, MIN_BPM

if TYPE_CHECKING:
    from grebe.formats.project import Opened

Commands = Any
"""argparse's action for sub-commands, which it keeps private."""


def command(
    commands: Commands, name: str, help_text: str, example: str, call: Callable[..., int]
) -> argparse.ArgumentParser:
    """Add a command with its help and an example."""
    shown = plain_help(help_text)
    parser: argparse.ArgumentParser = commands.add_parser(
        name, help=shown, description=shown, epilog=f"example: {example}"
    )
    parser.set_defaults(call=call)
    return parser


def plain_help(text: str) -> str:
    """A help text as it stands: argparse fills in what follows a %."""
    return text.replace("%", "%%")


def add_json(parser: argparse.ArgumentParser) -> None:
    """The --json flag."""
    parser.add_argument("--json", action="store_true", help="print one JSON object")


def opened(arguments: argparse.Namespace) -> Opened:
    """The project named on the command line."""
    from grebe.formats.project import read_project  # noqa: PLC0415 - half the commands read none

    return read_project(Path(arguments.file))


def number(what: str, low: float, high: float) -> Callable[[str], float]:
    """A reader of numbers between two limits, for an argument's type.

    `what` is how its message begins: "BPM goes".
    """

    def read(text: str) -> float:
        value = float(text)
        if not low <= value <= high:
            raise argparse.ArgumentTypeError(f"{what} from {low:g} to {high:g} (got {text})")
        return value

    read.__name__ = what.partition(" ")[0]
    return read


bpm = number("BPM goes", MIN_BPM, MAX_BPM)


def meter(text: str) -> Meter:
    """A metre such as 4/4, for an argument's type."""
    try:
        return parse_meter(text)
    except ValueError as error:
        raise argparse.ArgumentTypeError(str(error)) from error


def print_json(value: object) -> None:
    """One JSON object and nothing else."""
    sys.stdout.write(json.dumps(value, ensure_ascii=False) + "\n")


def answer(arguments: argparse.Namespace, values: Mapping[str, object], sentence: str) -> int:
    """Print an answer as JSON when asked, otherwise as a sentence; status 0."""
    if arguments.json:
        print_json(values)
    else:
        sys.stdout.write(sentence + "\n")
    return 0


def progress_bar(seconds: float) -> Callable[[float], None]:
    """Progress on stderr when it is a terminal; otherwise nothing."""
    if not sys.stderr.isatty():
        return lambda _: None

    def show(elapsed: float) -> None:
        sys.stderr.write(f"\r{elapsed:5.1f} of {seconds:.0f} s")
        sys.stderr.flush()

    return show
