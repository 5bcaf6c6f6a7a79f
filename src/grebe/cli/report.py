"""``grebe report``: what happened, in one file to be sent on."""

from __future__ import annotations

import argparse
import sys
from pathlib import Path

from grebe.app.report import check_place, gather, write_report
from grebe.cli.common import Commands, add_json, command, print_json


def add_commands(commands: Commands) -> None:
    """Add the command of this module."""
    parser = command(
        commands,
        "report",
        "Put versions, ports, priority and the last logs into one file to be sent on.",
        "grebe report --to problem.zip",
        report,
    )
    parser.add_argument("--to", required=True, metavar="OUT.zip")
    parser.add_argument("--project", metavar="FILE", help="put this project in, too")
    add_json(parser)


def report(arguments: argparse.Namespace) -> int:
    """Write a report, and say what is in it."""
    check_place(Path(arguments.to))
    parts = gather(Path(arguments.project) if arguments.project else None)
    write_report(Path(arguments.to), parts)
    if arguments.json:
        rows = [{"name": p.name, "what": p.what, "bytes": len(p.data)} for p in parts]
        print_json({"to": arguments.to, "parts": rows})
    else:
        for part in parts:
            sys.stdout.write(f"{part.name}: {part.what}\n")
        sys.stdout.write(f"Written to {arguments.to}.\n")
    return 0
