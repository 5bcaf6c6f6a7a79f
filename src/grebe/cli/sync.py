"""``grebe sync-check``: how far off a device is, measured from a recording."""

from __future__ import annotations

import argparse
import sys
from pathlib import Path

from grebe.app.live.sync_check import Progress, answer_of, check, read_sources
from grebe.cli.common import Commands, add_json, command, print_json
from grebe.core.sync.explain import drift_words, offset_words
from grebe.core.time.ticks import TICKS_PER_QUARTER, note_value_ticks

UNUSABLE = 2
CLOCKS = {"1/48": "1/32t", "1/96": "1/64t"}
"""Two clock ticks, and one, as they are also called."""


def add_commands(commands: Commands) -> None:
    """Add the command."""
    parser = command(
        commands,
        "sync-check",
        "Measure how late a device is, how much it wavers, whether it drifts, and say what to set. "
        "FILE is a WAV (left the reference, right the device; one channel is measured against its "
        "own even beat) or a CSV of source,seconds, the first source the reference.",
        "grebe sync-check take.wav --names Smew,Dunlin --json",
        sync_check,
    )
    parser.add_argument("file")
    parser.add_argument(
        "--grid",
        type=_grid,
        default="1/4",
        help="note value between the reference's beats, down to 1/96: a clock tick",
    )
    parser.add_argument("--names", type=_names, default=(), help="names of the sources, in order")
    parser.add_argument(
        "--progress", action="store_true", help="say on stderr how far it is, a line a step"
    )
    parser.add_argument(
        "--strips", action="store_true", help="with --json: also how late each hit was"
    )
    add_json(parser)


def sync_check(arguments: argparse.Namespace) -> int:
    """Measure; 0 when all are good, 1 when one is not, 2 when the reference cannot be used."""
    sources = read_sources(
        Path(arguments.file), arguments.names, _progress(asked=arguments.progress)
    )
    checked = check(sources, arguments.grid)
    if arguments.json:
        print_json(answer_of(checked, strips=arguments.strips))
    if checked.problem:
        sys.stderr.write(f"grebe: {arguments.file}: {checked.problem}\n")
        return UNUSABLE
    if not arguments.json:
        sys.stdout.write(f"{checked.reference}: {checked.bpm:.3f} BPM\n")
        for name, found in checked.devices:
            sys.stdout.write(f"{name}: {found.verdict}. {found.sentence}\n")
            if found.verdict == "adjust" and found.offset_ms is not None:
                sys.stdout.write(f"  That is {offset_words(found.offset_ms)}.\n")
            elif found.verdict == "drifting" and found.drift_ms_per_min is not None:
                sys.stdout.write(f"  {drift_words(found.drift_ms_per_min)}\n")
    return 0 if all(found.verdict == "good" for _, found in checked.devices) else 1


def _progress(*, asked: bool) -> Progress:
    if asked:
        return _say_line
    if not sys.stderr.isatty():
        return lambda _: None

    def show(share: float) -> None:
        end = "\n" if share >= 1 else ""
        sys.stderr.write(f"\r{share * 100:3.0f} % heard (Ctrl+C stops){end}")
        sys.stderr.flush()

    return show


def _say_line(share: float) -> None:
    sys.stderr.write(f"{share * 100:.0f} %\n")
    sys.stderr.flush()


def _grid(text: str) -> float:
    try:
        return note_value_ticks(CLOCKS.get(text, text)) / TICKS_PER_QUARTER
    except ValueError as error:
        raise argparse.ArgumentTypeError(
            f"a grid is a note value such as 1/4, 1/16 or 1/8t, or 1/96, a clock tick (got {text})"
        ) from error


def _names(text: str) -> tuple[str, ...]:
    return tuple(name.strip() for name in text.split(",") if name.strip())
