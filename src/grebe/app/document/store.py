"""The open document: its trees, undo and redo, and its file."""

from __future__ import annotations

import os
from collections.abc import Callable
from pathlib import Path
from typing import Literal

from grebe.core.document import Project
from grebe.core.sizes import too_large
from grebe.errors import ChangedOnDisk, EditError, ProjectError
from grebe.formats.project import (
    MAX_FILE_BYTES,
    Extras,
    Opened,
    digest_of,
    read_project,
    write_project,
)
from grebe.formats.reading import read_file
from grebe.process.places import shown
from grebe.words import tr

MAX_UNDO = 500
"""Trees share what they have in common: five hundred edits are a few megabytes."""

Edit = Callable[[Project], Project]
Listener = Callable[[Project, Project], None]
Gesture = Literal["none", "begun", "edited"]
"""Whether something is being dragged, and whether that has changed anything yet."""


class Store:
    """Holds the current tree. Edits go through `apply`; listeners get the old and the new tree.

    `path` is the file that saving writes; None for a document without a name. `home` is where the
    document was read from: its loops lie there, and it is known by it while it has no name.
    """

    def __init__(
        self,
        project: Project,
        path: Path | None = None,
        extras: Extras | None = None,
        *,
        home: Path | None = None,
        digest: str = "",
    ) -> None:
        self.project = project
        self.path = path
        self.home = home if home is not None else path
        self.extras: Extras = extras or {}
        """Fields of the file that this version does not know."""
        self.digest = digest
        """Of the file as it was last read or written here; "" before it was."""
        self._undo: list[tuple[str, Project]] = []
        self._redo: list[tuple[str, Project]] = []
        self._saved = project
        self._merge_key = ""
        self._gesture: Gesture = "none"
        self._listeners: list[Listener] = []
        self._seen_stat = _stat_of(path)

    @classmethod
    def open(cls, path: Path, *, untitled: bool = False) -> Store:
        """Open a project file, or (`untitled`) begin a document without a name from it.

        ProjectError as `read_project`.
        """
        opened = read_project(path)
        name = None if untitled else path
        return cls(opened.project, name, opened.extras, home=path, digest=opened.digest)

    @property
    def name(self) -> str:
        """What the document's file is called, for people; "" while it has none."""
        return shown(self.path.name) if self.path is not None else ""

    @property
    def dirty(self) -> bool:
        """Whether there is something to save."""
        return self.project is not self._saved and self.project != self._saved

    @property
    def saved(self) -> Project:
        """The tree as last opened or saved."""
        return self._saved

    @property
    def undo_name(self) -> str:
        """What Undo would take back; "" for nothing."""
        return self._undo[-1][0] if self._undo else ""

    @property
    def redo_name(self) -> str:
        """What Redo would bring back; "" for nothing."""
        return self._redo[-1][0] if self._redo else ""

    def listen(self, listener: Listener) -> None:
        """Call `listener(old, new)` after every change of the tree."""
        self._listeners.append(listener)

    def apply(self, name: str, edit: Edit, *, merge: str = "") -> None:
        """Make an edit. Edits in a row with the same `merge` key are one step of undo, and so are
        all edits of a gesture.

        EditError from the edit leaves everything as it was.
        """
        new = edit(self.project)
        if new == self.project:
            return
        if large := too_large(new, self.project):
            raise EditError(tr("that would be too large: {large}", large=large))
        goes_on = bool(merge) and merge == self._merge_key and bool(self._undo)
        if not (goes_on or self._gesture == "edited"):
            self._undo.append((name, self.project))
            del self._undo[:-MAX_UNDO]
        if self._gesture != "none":
            self._gesture = "edited"
        self._merge_key = merge
        self._redo.clear()
        self._change(new)

    def end_merge(self) -> None:
        """The next edit is a step of its own whatever its key, as after a drag."""
        self._merge_key = ""

    def begin_gesture(self) -> None:
        """All edits from here to its end are one step of undo, whatever they are called."""
        self.end_merge()
        self._gesture = "begun"

    def end_gesture(self) -> None:
        """What was dragged is let go of; back where it came from, it was no edit."""
        if self._gesture == "edited" and self._undo[-1][1] == self.project:
            self._undo.pop()
        self._gesture = "none"
        self.end_merge()

    def take_gesture_back(self) -> None:
        """It was not meant: everything is as it was when it began, and nothing is left to redo."""
        if self._gesture == "edited":
            _, tree = self._undo.pop()
            self._change(tree)
        self.end_gesture()

    def undo(self) -> str:
        """Take the last edit back; its name, or "" when there is none."""
        return self._step(self._undo, self._redo)

    def redo(self) -> str:
        """Bring back what was undone last; its name, or "" when there is none."""
        return self._step(self._redo, self._undo)

    # Its file

    def save(self, path: Path | None = None, *, over: bool = False) -> Path:
        """Save, under another name if one is given; the path.

        What somebody else has written there since it was read here is not written over, unless
        `over`: ChangedOnDisk. ProjectError when it cannot be written, ValueError when it has no
        name yet. Another name is asked about by who chose it: what is there is written over, and
        kept as ``NAME~``.
        """
        target = path or self.path
        if target is None:
            raise ValueError("the project has no file name yet")
        if target == self.path and not over and self.changed_on_disk():
            raise ChangedOnDisk(
                tr(
                    "{path} has been changed by another window or program since it was "
                    "opened here. Nothing was written.",
                    path=shown(target.name),
                )
            )
        self.digest = write_project(target, self.project, self.extras)
        self.path = self.home = target
        self._saved = self.project
        self._seen_stat = _stat_of(target)
        return target

    def changed_on_disk(self) -> bool:
        """Whether the file holds something else than was read or written here.

        One that is gone has not changed: saving writes it again.
        """
        if self.path is None:
            return False
        try:
            return digest_of(read_file(self.path, MAX_FILE_BYTES)) != self.digest
        except FileNotFoundError:
            return False
        except OSError:
            return self.path.exists()

    def look_at_disk(self) -> str:
        """What has happened to the file since this was asked last, in a sentence; "" for nothing.

        One call of stat(2) while nothing has.
        """
        if self.path is None:
            return ""
        found = _stat_of(self.path)
        if found == self._seen_stat:
            return ""
        before, self._seen_stat = self._seen_stat, found
        if found is None:
            return tr(
                "{name} is gone from its folder (a drive that was unplugged?). What is "
                "here is whole: Save writes it again, Save as elsewhere.",
                name=self.name,
            )
        if self.changed_on_disk():
            return tr(
                "{name} has been changed by another window or program. Nothing is lost: "
                "saving here asks which one to keep.",
                name=self.name,
            )
        return tr("{name} is there again.", name=self.name) if before is None else ""

    def take_theirs(self) -> None:
        """The document becomes what the file holds now; Undo brings one's own back.

        ProjectError where it cannot be read.
        """
        if self.path is not None:
            self.take(read_project(self.path))

    def take(self, opened: Opened) -> None:
        """The document becomes what was read from its file, as an edit."""
        self.apply(tr("Take the file's version"), lambda _: opened.project)
        self.extras, self.digest = opened.extras, opened.digest
        self._saved, self._seen_stat = self.project, _stat_of(self.path)

    def free_name(self) -> Path:
        """A name beside the file's own that nothing has yet."""
        if self.path is None:
            raise ProjectError(tr("the project has no file name yet"))
        stem, number = self.path.stem, 2
        while (made := self.path.with_name(f"{stem} {number}{self.path.suffix}")).exists():
            number += 1
        return made

    def steps(self) -> tuple[tuple[str, ...], tuple[str, ...]]:
        """Names of what can be undone, the oldest first, and redone, the next first."""
        return tuple(n for n, _ in self._undo), tuple(n for n, _ in reversed(self._redo))

    def go_to(self, done: int) -> None:
        """Undo or redo until so many steps are done."""
        while len(self._undo) > done and self._step(self._undo, self._redo):
            pass
        while len(self._undo) < done and self._step(self._redo, self._undo):
            pass

    def _step(self, source: list[tuple[str, Project]], other: list[tuple[str, Project]]) -> str:
        if not source:
            return ""
        name, tree = source.pop()
        other.append((name, self.project))
        self._merge_key = ""
        self._change(tree)
        return name

    def _change(self, new: Project) -> None:
        old, self.project = self.project, new
        for listener in self._listeners:
            listener(old, new)


def _stat_of(path: Path | None) -> tuple[int, int, int] | None:
    """What shows at little cost that a file is another one; None where it is not there."""
    if path is None:
        return None
    try:
        found = os.stat(path)
    except OSError:
        return None
    return found.st_ino, found.st_size, found.st_mtime_ns
