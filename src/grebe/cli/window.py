"""``grebe``, ``grebe open`` and ``grebe demo``: the window."""

from __future__ import annotations

import argparse
import sys
from pathlib import Path

from grebe.app.demo import fresh_demo
from grebe.app.returning import watch
from grebe.app.settings import last_project
from grebe.cli.common import Commands, command
from grebe.formats.project import read_project


def add_commands(commands: Commands) -> None:
    """Add the commands of this module."""
    parser = command(commands, "open", "Open a project.", "grebe open set.grebe", open_file)
    parser.add_argument("file")
    parser = command(
        commands, "demo", "Open the demo set, copied so that it can be changed.", "grebe demo", demo
    )
    parser.add_argument("--path", action="store_true", help="print where it lies, open nothing")


def open_last(arguments: argparse.Namespace) -> int:
    """The project of the last time; the demo set where there is none."""
    del arguments
    path = last_project()
    return _show(path if path is not None and path.exists() else fresh_demo())


def open_file(arguments: argparse.Namespace) -> int:
    """A project by its path."""
    return _show(Path(arguments.file).resolve())


def demo(arguments: argparse.Namespace) -> int:
    """The demo set."""
    path = fresh_demo()
    if arguments.path:
        sys.stdout.write(f"{path}\n")
        return 0
    return _show(path)


def _show(path: Path) -> int:
    read_project(path)  # what cannot be opened is said before a window appears
    return watch(path, _run)


def _run(path: Path) -> int:
    from grebe.ui.application import run_window  # noqa: PLC0415 - Qt only where a window is wanted

    return run_window(path)
