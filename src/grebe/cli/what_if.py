"""``grebe what-if``: what is lost when a box or a cable goes, and how one could play on."""

from __future__ import annotations

import argparse
import sys

import msgspec

from grebe.cli.common import Commands, add_json, command, opened, print_json
from grebe.core.whatif.answers import Without, if_gone
from grebe.core.whatif.fallback import blocking
from grebe.core.whatif.losses import Gone, what_can_go


def add_commands(commands: Commands) -> None:
    """Add the command."""
    parser = command(
        commands,
        "what-if",
        "What is lost when a box or a cable goes, and how one could play on without it. Exit "
        "status 1 when what is proposed has a fault that blocks.",
        "grebe what-if set.grebe --without Smew --json",
        what_if,
    )
    parser.add_argument("file")
    parser.add_argument("--without", metavar="BOX", help="one box; otherwise each box and cable")
    add_json(parser)


def what_if(arguments: argparse.Namespace) -> int:
    """Say what is lost; 1 where the arrangement proposed blocks."""
    project = opened(arguments).project
    if arguments.without is not None:
        every: tuple[Gone, ...] = (Gone(box=project.device_named(arguments.without).id),)
    else:
        every = what_can_go(project.rig)
    before = blocking(project)
    rows = [if_gone(project, gone, before) for gone in every]
    if arguments.json:
        print_json({"without": [_row(row) for row in rows]})
    else:
        for row in rows:
            sys.stdout.write(f"Without {row.losses.name}:\n")
            for sentence in (*(row.lost or ("Nothing is lost.",)), *row.then):
                sys.stdout.write(f"  {sentence}\n")
    return 1 if any(row.fallback.faults for row in rows) else 0


def _row(row: Without) -> dict[str, object]:
    out: dict[str, object] = msgspec.to_builtins(row.losses)
    faults = [f.code for f in row.fallback.faults]
    return {**out, "moves": list(row.fallback.moves), "faults": faults}
