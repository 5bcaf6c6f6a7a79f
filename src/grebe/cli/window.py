"""``grebe``, ``grebe open`` and ``grebe demo``: the window."""

from __future__ import annotations

import argparse
import os
import sys
from pathlib import Path

from grebe.app.document.demo import EXAMPLES, example, fresh_demo, fresh_project
from grebe.app.returning import Opening, watch
from grebe.app.settings import last_project, read_settings, tell_processes
from grebe.cli.common import Commands, command
from grebe.errors import GrebeError
from grebe.formats.project import read_project
from grebe.process.first_window import Wish, raised
from grebe.process.garbage import put_off_collection
from grebe.process.log import start_log
from grebe.process.places import WINDOW_LIBRARIES, written


def add_commands(commands: Commands) -> None:
    """Add the commands of this module."""
    parser = command(commands, "open", "Open a project.", "grebe open set.grebe", open_file)
    parser.add_argument("file")
    parser = command(
        commands, "demo", "Open the demo set, copied so that it can be changed.", "grebe demo", demo
    )
    parser.add_argument(
        "example", nargs="?", default=EXAMPLES[0].id,
        help=f"one of {', '.join(e.id for e in EXAMPLES)}",
    )  # fmt: skip
    parser.add_argument("--path", action="store_true", help="print where it lies, open nothing")


def open_last(arguments: argparse.Namespace) -> int:
    """The window that is open already; without one the project of the last time, waited for where
    it is missing; without that the way in."""
    del arguments
    if _raised():
        return 0
    path = last_project()
    if path is None:
        return _show(Opening(fresh_project(), untitled=True, begins=True))
    return _show(Opening(path, missing=not path.exists()))


def open_file(arguments: argparse.Namespace) -> int:
    """A project by its path; the window that has it open comes forward."""
    path = Path(arguments.file).absolute()
    return 0 if _raised(path) else _show(Opening(path))


def demo(arguments: argparse.Namespace) -> int:
    """The demo set, or a smaller example."""
    path = fresh_demo(example(arguments.example))
    if arguments.path:
        sys.stdout.write(f"{path}\n")
        return 0
    return 0 if _raised(path) else _show(Opening(path, untitled=True))


def _raised(path: Path | None = None) -> bool:
    token = os.environ.get("XDG_ACTIVATION_TOKEN") or os.environ.get("DESKTOP_STARTUP_ID", "")
    return raised(Wish(written(path) if path is not None else "", token))


def _show(opening: Opening) -> int:
    if not opening.missing:
        read_project(opening.path)  # what cannot be opened is said before a window appears
    tell_processes(read_settings())
    start_log("starter")
    return watch(opening, _run)


def _run(opening: Opening) -> int:
    put_off_collection()
    try:  # Qt only where a window is wanted
        from grebe.ui.main_window.application import run_window  # noqa: PLC0415
    except ImportError as error:
        raise GrebeError(
            f"the window cannot be opened: {error}. On Debian and Ubuntu: sudo apt-get install "
            f"{WINDOW_LIBRARIES}"
        ) from error
    return run_window(opening)
