"""``grebe list``, ``check`` and ``render``."""

from __future__ import annotations

import argparse
import sys
from pathlib import Path
from typing import Any

import msgspec

from grebe.app.export import export_smf
from grebe.cli.common import Commands, add_json, command, opened, print_json
from grebe.core.document import Project
from grebe.core.findings import check
from grebe.errors import EditError


def add_commands(commands: Commands) -> None:
    """Add the commands of this module."""
    parser = command(
        commands, "list", "List what a project holds.", "grebe list set.grebe --json", list_project
    )
    parser.add_argument("file")
    add_json(parser)
    parser = command(
        commands,
        "check",
        "Look for what would go wrong on stage. Exit status 1 when something blocks.",
        "grebe check set.grebe --json",
        check_project,
    )
    parser.add_argument("file")
    add_json(parser)
    parser = command(
        commands,
        "render",
        "Write a song as files.",
        'grebe render set.grebe --song "Harbour bell" --to out --smf',
        render,
    )
    parser.add_argument("file")
    parser.add_argument("--song", required=True)
    parser.add_argument("--to", required=True, metavar="DIR")
    parser.add_argument("--smf", action="store_true", help="a Standard MIDI File, type 1")
    add_json(parser)


def list_project(arguments: argparse.Namespace) -> int:
    """Names of everything, as other commands take them."""
    project = opened(arguments).project
    listing: dict[str, list[Any]] = {
        "devices": [d.name for d in project.rig.devices],
        "patterns": [p.name for p in project.patterns],
        "scenes": [s.name for s in project.scenes],
        "songs": [_song_row(project, index) for index in range(len(project.songs))],
        "sets": [s.name for s in project.sets],
    }
    if arguments.json:
        print_json(listing)
        return 0
    for kind, rows in listing.items():
        names = [row if isinstance(row, str) else row["name"] for row in rows]
        sys.stdout.write(f"{kind}: {', '.join(names) or 'none'}\n")
    return 0


def _song_row(project: Project, index: int) -> dict[str, object]:
    song = project.songs[index]
    try:
        layout = project.layout(song)
    except EditError:  # `check` says which scene is missing
        return {"name": song.name, "bars": None, "seconds": None}
    return {"name": song.name, "bars": layout.bars, "seconds": round(layout.seconds(), 6)}


def check_project(arguments: argparse.Namespace) -> int:
    """Findings; 1 when one of them blocks."""
    findings = check(opened(arguments).project)
    if arguments.json:
        print_json({"findings": msgspec.to_builtins(findings)})
    elif not findings:
        sys.stdout.write("Nothing to look at.\n")
    else:
        for f in findings:
            sys.stdout.write(f"{f.severity}: {f.message} {f.why} {f.fix} [{f.code}]\n")
    return 1 if any(f.severity == "block" for f in findings) else 0


def render(arguments: argparse.Namespace) -> int:
    """Write the files asked for; lists them."""
    project = opened(arguments).project
    song = project.song_named(arguments.song)
    if not arguments.smf:
        sys.stderr.write("grebe: say what to render: --smf\n")
        return 2
    written = [str(export_smf(project, song, Path(arguments.to)))]
    if arguments.json:
        print_json({"files": written})
    else:
        sys.stdout.write("".join(f"{path}\n" for path in written))
    return 0
