"""``grebe check``: what would go wrong on stage."""

from __future__ import annotations

import argparse
import sys

import msgspec

from grebe.app.gear import GearShelf
from grebe.cli.common import Commands, add_json, command, opened, print_json
from grebe.core.findings import Finding, find


def add_commands(commands: Commands) -> None:
    """Add the command."""
    parser = command(
        commands,
        "check",
        "Look for what would go wrong on stage. Exit status 1 when something blocks.",
        "grebe check set.grebe --json",
        check_project,
    )
    parser.add_argument("file")
    add_json(parser)


def check_project(arguments: argparse.Namespace) -> int:
    """Findings; 1 when one of them blocks."""
    found = find(opened(arguments).project, library=GearShelf().library)
    findings = found.open
    if arguments.json:
        print_json(
            {
                "findings": [_finding_row(f) for f in findings],
                "intended": [_finding_row(f) for f in found.intended],
            }
        )
    elif not findings:
        sys.stdout.write("Nothing to look at.\n")
    else:
        for f in findings:
            sys.stdout.write(f"{f.severity}: {f.message} {f.why} {f.fix} [{f.code}]\n")
    return 1 if any(f.severity == "block" for f in findings) else 0


def _finding_row(finding: Finding) -> dict[str, object]:
    row: dict[str, object] = msgspec.to_builtins(finding)
    return {**row, "cure": finding.cure is not None}
