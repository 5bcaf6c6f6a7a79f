"""``grebe desktop``: into the desktop's menu, or out of it."""

from __future__ import annotations

import argparse
import sys
from pathlib import Path

from grebe.app.desktop import command_here, install, remove, share_of_user
from grebe.cli.common import Commands, command
from grebe.process.places import shown


def add_commands(commands: Commands) -> None:
    """Add the command."""
    parser = command(
        commands, "desktop",
        "Put Grebe into the desktop's menu, with its icons, the kind of its files, the manual and "
        "the shells' completion; or take them away.",
        "grebe desktop", desktop,
    )  # fmt: skip
    parser.add_argument("--remove", action="store_true", help="take them away again")
    parser.add_argument(
        "--to", metavar="SHARE", help="a share folder, such as /usr/local/share; yours without"
    )
    parser.add_argument("--exec", metavar="COMMAND", help="how it is started; as now without")
    parser.add_argument(
        "--quiet", action="store_true", help="leave the desktop's caches, as a package does"
    )


def desktop(arguments: argparse.Namespace) -> int:
    """Write the files, or take them away."""
    share = Path(arguments.to) if arguments.to else share_of_user()
    tell = not arguments.quiet
    if arguments.remove:
        gone = remove(share, tell=tell)
        words = f"{len(gone)} files are gone from {shown(share)}." if gone else "Nothing was there."
    else:
        written = install(share, arguments.exec or command_here(), tell=tell)
        words = f"{len(written)} files are in {shown(share)}: Grebe is in the desktop's menu."
    sys.stdout.write(f"{words}\n")
    return 0
