"""``grebe list``: the names in a project."""

from __future__ import annotations

import argparse
import sys
from typing import Any

from grebe.cli.common import Commands, add_json, command, opened, print_json
from grebe.core.document import Project
from grebe.core.weighing import weigh
from grebe.errors import EditError


def add_commands(commands: Commands) -> None:
    """Add the command."""
    parser = command(
        commands, "list", "List what a project holds.", "grebe list set.grebe --json", list_project
    )
    parser.add_argument("file")
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
    weight = weigh(project)._asdict()
    if arguments.json:
        print_json({**listing, "weight": weight})
        return 0
    for kind, rows in listing.items():
        names = [row if isinstance(row, str) else row["name"] for row in rows]
        sys.stdout.write(f"{kind}: {', '.join(names) or 'none'}\n")
    for what, words in weight.items():
        sys.stdout.write(f"{what}: {words}\n")
    return 0


def _song_row(project: Project, index: int) -> dict[str, object]:
    song = project.songs[index]
    try:
        layout = project.layout(song)
    except EditError:  # `check` says which scene is missing
        return {"name": song.name, "bars": None, "seconds": None}
    return {"name": song.name, "bars": layout.bars, "seconds": round(layout.seconds(), 6)}
