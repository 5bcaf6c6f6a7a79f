"""The open document: its trees, undo and redo, and its file."""

from __future__ import annotations

from collections.abc import Callable
from pathlib import Path

from grebe.core.document import Project
from grebe.formats.project import Extras, read_project, write_project

MAX_UNDO = 500
"""Trees share what they have in common: five hundred edits are a few megabytes."""

Edit = Callable[[Project], Project]
Listener = Callable[[Project, Project], None]


class Store:
    """Holds the current tree. Edits go through `apply`; listeners get the old and the new tree."""

    def __init__(self, project: Project, path: Path | None = None, extras: Extras | None = None):
        self.project = project
        self.path = path
        self.extras: Extras = extras or {}
        """Fields of the file that this version does not know."""
        self._undo: list[tuple[str, Project]] = []
        self._redo: list[tuple[str, Project]] = []
        self._saved = project
        self._merge_key = ""
        self._listeners: list[Listener] = []

    @classmethod
    def open(cls, path: Path) -> Store:
        """Open a project file. ProjectError as `read_project`."""
        opened = read_project(path)
        return cls(opened.project, path, opened.extras)

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
        """Make an edit. Edits in a row with the same `merge` key are one step of undo.

        EditError from the edit leaves everything as it was.
        """
        new = edit(self.project)
        if new == self.project:
            return
        if not (merge and merge == self._merge_key and self._undo):
            self._undo.append((name, self.project))
            del self._undo[:-MAX_UNDO]
        self._merge_key = merge
        self._redo.clear()
        self._change(new)

    def end_merge(self) -> None:
        """The next edit is a step of its own whatever its key, as after a drag."""
        self._merge_key = ""

    def undo(self) -> str:
        """Take the last edit back; its name, or "" when there is none."""
        return self._step(self._undo, self._redo)

    def redo(self) -> str:
        """Bring back what was undone last; its name, or "" when there is none."""
        return self._step(self._redo, self._undo)

    def save(self, path: Path | None = None) -> Path:
        """Save, under another name if one is given; the path.

        ProjectError when it cannot be written, ValueError when it has no name yet.
        """
        target = path or self.path
        if target is None:
            raise ValueError("the project has no file name yet")
        write_project(target, self.project, self.extras)
        self.path, self._saved = target, self.project
        return target

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
