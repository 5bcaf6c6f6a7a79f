"""``grebe new``: a project from nothing."""

from __future__ import annotations

import argparse
import sys

from grebe.cli.common import Commands, add_json, command, print_json
from grebe.core.beginning import begin
from grebe.core.findings import find
from grebe.core.rig.spec import Profile
from grebe.errors import EditError, UsageError
from grebe.formats.profiles import known_profiles
from grebe.formats.project import named, write_project
from grebe.process.places import own_profiles_dir, shown


def add_commands(commands: Commands) -> None:
    """Add the command."""
    parser = command(
        commands, "new", "Begin a project: boxes, cables proposed, a first scene and song.",
        "grebe new mine.grebe --box coot:Kit --box bittern --bpm 124", new_project,
    )  # fmt: skip
    parser.add_argument("file")
    parser.add_argument(
        "--box", action="append", default=[], metavar="PROFILE[:NAME]",
        help="a box by its profile's id or name; may be given again",
    )  # fmt: skip
    parser.add_argument("--bpm", type=float, default=120.0)
    parser.add_argument("--key", default="", help='such as "D minor"')
    add_json(parser)


def new_project(arguments: argparse.Namespace) -> int:
    """Write it, never over something that is there."""
    path = named(arguments.file)
    if path.exists():
        raise UsageError(f"{shown(path)} is there already: choose another name")
    boxes = [_box(words) for words in arguments.box]
    try:
        project = begin(path.stem, boxes, bpm=arguments.bpm, key=arguments.key)
    except EditError as error:
        raise UsageError(str(error)) from error
    write_project(path, project)
    blocking = sum(f.severity == "block" for f in find(project).open)
    if arguments.json:
        print_json({
            "file": str(path), "devices": [d.name for d in project.rig.devices],
            "cables": len(project.rig.cables), "patterns": [p.name for p in project.patterns],
            "scenes": [s.name for s in project.scenes], "songs": [s.name for s in project.songs],
            "blocking": blocking,
        })  # fmt: skip
    else:
        sys.stdout.write(
            f"{shown(path)}: {len(project.rig.devices)} boxes, {len(project.rig.cables)} cables, "
            f"{len(project.patterns)} patterns. Open it: grebe open {shown(path)}\n"
        )
    return 0


def _box(words: str) -> tuple[Profile, str]:
    """A profile by its id or name, and the name that is wanted."""
    wanted, _, name = words.partition(":")
    known, _ = known_profiles(own_profiles_dir())
    for profile in known:
        if wanted.casefold() in (profile.id.casefold(), profile.name.casefold()):
            return profile, name.strip()
    there = ", ".join(p.id for p in known)
    raise UsageError(f"there is no profile {wanted!r}; profiles: {there}")
