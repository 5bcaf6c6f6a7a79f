"""The demo set and the smaller examples: shipped read-only, opened as documents without a name."""

from __future__ import annotations

import tempfile
from importlib.resources import files
from pathlib import Path
from typing import NamedTuple

from grebe.core.beginning import begin
from grebe.core.document import Project
from grebe.errors import UsageError
from grebe.formats.atomic import write_atomic
from grebe.formats.project import MAX_FILE_BYTES, SUFFIX, write_project
from grebe.formats.reading import read_file
from grebe.process.places import state_dir
from grebe.words import tr

MOST_COPIES = 100


class Example(NamedTuple):
    """A project that comes with Grebe."""

    id: str
    title: str
    words: str
    loops: tuple[str, ...] = ()
    """Audio that it plays, beside it."""

    @property
    def files(self) -> tuple[str, ...]:
        """Its project, and its loops."""
        return (f"{self.id}{SUFFIX}", *self.loops)


EXAMPLES = (
    Example("night-ferry", "Night ferry", tr("a whole set for nine boxes"), ("gravel.wav",)),
    Example("kiln-yard", "Kiln yard", tr("a drum box and one bass")),
    Example("paper-lanterns", "Paper lanterns", tr("a looper with voice and keys")),
    Example("slow-orchard", "Slow orchard", tr("a modular on pulses with a laptop")),
)
"""The demo first."""


def example(name: str) -> Example:
    """The example of a name or id. UsageError lists what there is."""
    for each in EXAMPLES:
        if name.casefold() in (each.id, each.title.casefold()):
            return each
    raise UsageError(
        tr(
            "there is no example {name!r}; there are {names}",
            name=name,
            names=", ".join(e.id for e in EXAMPLES),
        )
    )


def demo_bytes() -> bytes:
    """The demo project as shipped."""
    return _shipped(EXAMPLES[0].files[0])


def _shipped(name: str) -> bytes:
    return (files("grebe.data") / "demo" / name).read_bytes()


def copy_demo(path: Path, which: Example = EXAMPLES[0]) -> None:
    """Write an example under this name, and its loops beside it."""
    path.parent.mkdir(exist_ok=True, parents=True)
    write_atomic(path, _shipped(which.files[0]))
    for name in which.loops:
        write_atomic(path.with_name(name), _shipped(name))


def fresh_demo(which: Example = EXAMPLES[0]) -> Path:
    """A copy of an example as shipped, in a scratch place; its path.

    One that somebody has saved into is theirs, and left alone: another folder is taken.
    """
    stem = "demo" if which is EXAMPLES[0] else f"demo-{which.id}"
    for number in range(1, MOST_COPIES + 1):
        folder = state_dir() / (stem if number == 1 else f"{stem}-{number}")
        if not _is_untouched(folder, which):
            continue
        try:
            if not all((folder / name).exists() for name in which.files):
                copy_demo(folder / which.files[0], which)
        except OSError:
            break  # nothing can be written there
        return folder / which.files[0]
    path = Path(tempfile.mkdtemp(prefix="grebe-demo-")) / which.files[0]
    copy_demo(path, which)
    return path


def fresh_project(project: Project | None = None) -> Path:
    """A project, one with nothing in it by default, in a scratch place, to be opened without a
    name; its path."""
    path = Path(tempfile.mkdtemp(prefix="grebe-new-")) / "untitled.grebe"
    write_project(path, project or begin("Untitled", ()))
    return path


def is_copy(path: Path) -> bool:
    """Whether a file is a copy of an example that nobody has saved into."""
    which = next((e for e in EXAMPLES if e.files[0] == path.name), None)
    if which is None or path.parent.parent != state_dir():
        return False
    return _is_untouched(path.parent, which)


def _is_untouched(folder: Path, which: Example) -> bool:
    """Whether nothing is there but what was shipped, and nobody has saved over it."""
    for name in which.files:
        try:
            if read_file(folder / name, MAX_FILE_BYTES) != _shipped(name):
                return False
        except FileNotFoundError:
            continue
        except OSError:
            return False
    return True
