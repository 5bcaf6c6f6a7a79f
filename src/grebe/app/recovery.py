"""Unsaved work, kept beside the project so that a killed window loses seconds, not an evening."""

from __future__ import annotations

import hashlib
from pathlib import Path

from grebe.app.runtime import state_dir
from grebe.app.store import Store
from grebe.errors import ProjectError
from grebe.formats.project import project_bytes, read_project

KEEP_EVERY_S = 2.0


def recovery_path(path: Path) -> Path:
    """Where the unsaved work of a project file is kept."""
    folder = state_dir() / "recovery"
    folder.mkdir(exist_ok=True)
    return folder / f"{hashlib.sha256(str(path.resolve()).encode()).hexdigest()[:24]}.grebe"


class Keeper:
    """Keeps a copy of the document while it has unsaved changes."""

    def __init__(self, store: Store) -> None:
        self._store = store
        self._seen = (store.project, store.saved)
        self._next_s = 0.0

    def pulse(self, now_s: float) -> None:
        """Keep the document if it changed since the last time; at most every two seconds."""
        store = self._store
        project, saved = self._seen
        same = project is store.project and saved is store.saved
        if now_s < self._next_s or store.path is None or same:
            return
        self._next_s = now_s + KEEP_EVERY_S
        self._seen = (store.project, store.saved)
        if not store.dirty:
            self.forget()
            return
        target = recovery_path(store.path)
        scratch = target.with_suffix(".part")
        try:
            scratch.write_bytes(project_bytes(store.project, store.extras))
            scratch.replace(target)
        except OSError:
            return  # a full disk is said when the performer saves

    def forget(self) -> None:
        """Everything is saved, or was given up on purpose."""
        if self._store.path is not None:
            recovery_path(self._store.path).unlink(missing_ok=True)


def open_recovered(path: Path) -> tuple[Store, bool]:
    """Open a project; with unsaved work newer than the file, that comes as an edit to undo.

    ProjectError as `Store.open`. Work that cannot be read is left alone.
    """
    store = Store.open(path)
    kept = recovery_path(path)
    try:
        if kept.stat().st_mtime < path.stat().st_mtime:
            return store, False
        recovered = read_project(kept).project
    except (OSError, ProjectError):
        return store, False
    store.apply("Unsaved work found", lambda _: recovered)
    return store, store.dirty
