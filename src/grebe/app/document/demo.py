"""The demo set: shipped read-only, opened as a document without a name."""

from __future__ import annotations

import tempfile
from importlib.resources import files
from pathlib import Path

from grebe.core.beginning import begin
from grebe.core.document import Project
from grebe.formats.atomic import write_atomic
from grebe.formats.project import MAX_FILE_BYTES, write_project
from grebe.formats.reading import read_file
from grebe.process.places import state_dir

DEMO_NAME = "night-ferry.grebe"
MOST_COPIES = 100
LOOPS = ("gravel.wav",)
"""Audio that the demo plays, beside it."""


def demo_bytes() -> bytes:
    """The demo project as shipped."""
    return _shipped(DEMO_NAME)


def _shipped(name: str) -> bytes:
    return (files("grebe.data") / "demo" / name).read_bytes()


def copy_demo(path: Path) -> None:
    """Write the demo under this name, and its loops beside it."""
    path.parent.mkdir(exist_ok=True, parents=True)
    write_atomic(path, demo_bytes())
    for name in LOOPS:
        write_atomic(path.with_name(name), _shipped(name))


def fresh_demo() -> Path:
    """A copy of the demo as shipped, in a scratch place; its path.

    One that somebody has saved into is theirs, and left alone: another folder is taken.
    """
    for number in range(1, MOST_COPIES + 1):
        folder = state_dir() / ("demo" if number == 1 else f"demo-{number}")
        if not _is_untouched(folder):
            continue
        try:
            if not all((folder / name).exists() for name in (DEMO_NAME, *LOOPS)):
                copy_demo(folder / DEMO_NAME)
        except OSError:
            break  # nothing can be written there
        return folder / DEMO_NAME
    path = Path(tempfile.mkdtemp(prefix="grebe-demo-")) / DEMO_NAME
    copy_demo(path)
    return path


def fresh_project(project: Project | None = None) -> Path:
    """A project, one with nothing in it by default, in a scratch place, to be opened without a
    name; its path."""
    path = Path(tempfile.mkdtemp(prefix="grebe-new-")) / "untitled.grebe"
    write_project(path, project or begin("Untitled", ()))
    return path


def is_copy(path: Path) -> bool:
    """Whether a file is a copy of the demo that nobody has saved into."""
    scratch = path.name == DEMO_NAME and path.parent.parent == state_dir()
    return scratch and _is_untouched(path.parent)


def _is_untouched(folder: Path) -> bool:
    """Whether nothing is there but what was shipped, and nobody has saved over it."""
    for name in (DEMO_NAME, *LOOPS):
        try:
            if read_file(folder / name, MAX_FILE_BYTES) != _shipped(name):
                return False
        except FileNotFoundError:
            continue
        except OSError:
            return False
    return True
