"""Unsaved work, kept beside the project so that a killed window loses seconds, not an evening."""

from __future__ import annotations

import hashlib
from pathlib import Path
from queue import SimpleQueue
from threading import Thread
from typing import NamedTuple

from grebe.app.store import Store
from grebe.core.document import Project
from grebe.errors import ProjectError
from grebe.formats.project import Extras, project_bytes, read_project
from grebe.process.places import state_dir

KEEP_EVERY_S = 2.0


def recovery_path(path: Path) -> Path:
    """Where the unsaved work of a project file is kept."""
    folder = state_dir() / "recovery"
    folder.mkdir(exist_ok=True)
    return folder / f"{hashlib.sha256(str(path.resolve()).encode()).hexdigest()[:24]}.grebe"


class Keeper:
    """Keeps a copy of the document while it has unsaved changes.

    Writing is a thread's: a slow disk holds up no window.
    """

    def __init__(self, store: Store) -> None:
        self._store = store
        self._seen = (store.project, store.saved)
        self._next_s = 0.0
        self._work: SimpleQueue[_Job | None] = SimpleQueue()
        self._thread: Thread | None = None

    def pulse(self, now_s: float) -> None:
        """Keep the document if it changed since the last time; at most every two seconds."""
        store = self._store
        project, saved = self._seen
        same = project is store.project and saved is store.saved
        if now_s < self._next_s or store.path is None or same:
            return
        self._next_s = now_s + KEEP_EVERY_S
        self._seen = (store.project, store.saved)
        kept = store.project if store.dirty else None
        self._ask(_Job(recovery_path(store.path), kept, store.extras))

    def _ask(self, job: _Job) -> None:
        if self._thread is None:
            self._thread = Thread(target=_keep, args=(self._work,), name="keeper", daemon=True)
            self._thread.start()
        self._work.put(job)

    def forget(self) -> None:
        """Everything is saved, or was given up on purpose."""
        if self._store.path is not None:
            self._ask(_Job(recovery_path(self._store.path), None, {}))
            self.settle()

    def settle(self) -> None:
        """Wait until all that was asked for is on the disk."""
        if self._thread is not None:
            thread, self._thread = self._thread, None
            self._work.put(None)
            thread.join()

    def close(self) -> None:
        """The window closes."""
        self.settle()


class _Job(NamedTuple):
    """A document to be kept, or (None) a copy to be forgotten."""

    target: Path
    project: Project | None
    extras: Extras


def _keep(work: SimpleQueue[_Job | None]) -> None:
    """Do what is asked, in order, until told to end."""
    while (job := work.get()) is not None:
        try:
            if job.project is None:
                job.target.unlink(missing_ok=True)
                continue
            scratch = job.target.with_suffix(".part")
            scratch.write_bytes(project_bytes(job.project, job.extras))
            scratch.replace(job.target)
        except OSError:
            continue  # a full disk is said when the performer saves


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
