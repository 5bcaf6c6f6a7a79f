"""``grebe bench``."""

from __future__ import annotations

import argparse
import json
import sys

from grebe.bench import PARTS, run_bench
from grebe.cli.common import Commands, add_json, command, number, print_json


def add_commands(commands: Commands) -> None:
    """Add the command."""
    parser = command(
        commands, "bench", "Measure the speed figures.", "grebe bench --only clock --json", bench
    )
    parser.add_argument("--only", choices=tuple(PARTS))
    parser.add_argument(
        "--seconds",
        type=number("seconds go", 0.1, 86_400),
        default=30.0,
        help="for each run of the clock",
    )
    add_json(parser)


def bench(arguments: argparse.Namespace) -> int:
    """The figures of docs/performance.md."""

    def say(what: str) -> None:
        if sys.stderr.isatty():
            sys.stderr.write(f"measuring {what}\n")

    result = run_bench(arguments.only, arguments.seconds, say)
    if arguments.json:
        print_json(result)
    else:
        sys.stdout.write(json.dumps(result, indent=2) + "\n")
    return 0
