"""Unsaved work, kept beside the project so that a killed window loses seconds, not an evening.

No clock decides what is newer. A copy is there only while there is unsaved
work: it is made before a save begins and removed once that is over, so
whatever is found is work that no file has, or exactly what the file has.
"""

from __future__ import annotations

import fcntl
import hashlib
import logging
import os
from contextlib import suppress
from pathlib import Path
from queue import SimpleQueue
from threading import Thread
from typing import NamedTuple

import msgspec

from grebe.app.document.store import Store
from grebe.app.kept import DAMAGED
from grebe.core.document import Project
from grebe.errors import ProjectError
from grebe.formats.atomic import write_atomic
from grebe.formats.project import MAX_FILE_BYTES, Extras, parse_project, project_bytes
from grebe.formats.reading import read_file
from grebe.process.places import shown, state_dir
from grebe.words import tr

KEEP_EVERY_S = 2.0
MOST_WINDOWS = 16
"""On one document, each with a copy of its own."""
FOUND = tr("Unsaved work was found and brought back. Ctrl+Z gives the file as it was saved.")
FOUND_ON_OTHER = tr(
    "Unsaved work was found, and the file has been changed since. Your work "
    "is shown; Ctrl+Z gives the file. Saving asks which to keep."
)
SHARED = tr("Another window has this project open too. Whichever saves second is asked first.")
_log = logging.getLogger(__name__)


class About(msgspec.Struct, frozen=True, kw_only=True):
    """What a copy belongs to: its first line, as JSON."""

    base: str
    """Digest of the file that the work was done on."""


class Claim:
    """A window's place at a document, until it is released: nobody else has its copy."""

    def __init__(self, home: Path) -> None:
        """OSError where the state folder cannot be written: then nothing is kept."""
        folder = state_dir() / "recovery"
        folder.mkdir(mode=0o700, exist_ok=True)
        name = hashlib.sha256(os.fsencode(os.path.realpath(home))).hexdigest()[:24]
        self.shared = False
        """Whether another window has the document open."""
        free: list[tuple[int, int]] = []
        for number in range(1, MOST_WINDOWS + 1):
            handle = os.open(folder / f"{name}-{number}.lock", os.O_RDWR | os.O_CREAT, 0o600)
            try:
                fcntl.flock(handle, fcntl.LOCK_EX | fcntl.LOCK_NB)
                if not os.path.samestat(
                    os.fstat(handle), os.stat(folder / f"{name}-{number}.lock")
                ):
                    raise OSError(None, tr("released just now"))
            except OSError:
                self.shared = True
                os.close(handle)
                continue
            free.append((number, handle))
            if not (folder / f"{name}-{number}.grebe").exists() and number > 1:
                break  # those before it may hold work of windows that crashed
        if not free:
            raise OSError(None, tr("too many windows on one project"))
        number, self._handle = next(
            (f for f in free if (folder / f"{name}-{f[0]}.grebe").exists()), free[0]
        )
        self.path = folder / f"{name}-{number}.grebe"
        self._lock = folder / f"{name}-{number}.lock"
        for other, handle in free:
            if other != number:
                (folder / f"{name}-{other}.lock").unlink(missing_ok=True)
                os.close(handle)

    def release(self) -> None:
        """Leave. A copy that is there stays."""
        if self._handle >= 0:
            with suppress(OSError):
                self._lock.unlink(missing_ok=True)
            os.close(self._handle)
            self._handle = -1


class OpenedDocument(NamedTuple):
    """A document that was opened."""

    store: Store
    claim: Claim | None
    said: str
    """What there is to say of it; ""."""


def open_recovered(path: Path, *, untitled: bool = False) -> OpenedDocument:
    """Open a project; unsaved work that a window left comes as an edit that can be undone.

    ProjectError as `Store.open`. Work that cannot be read is set aside.
    """
    store = Store.open(path, untitled=untitled)
    try:
        claim = Claim(path)
    except OSError as error:
        return OpenedDocument(
            store,
            None,
            tr("Unsaved work cannot be kept safe: {strerror}.", strerror=error.strerror),
        )
    said = SHARED if claim.shared and not untitled else ""
    try:
        about, kept = read_copy(claim.path)
    except FileNotFoundError:
        return OpenedDocument(store, claim, said)
    except (OSError, ProjectError) as error:
        _log.warning("unsaved work could not be read: %s", error)
        with suppress(OSError):
            claim.path.replace(claim.path.with_name(claim.path.name + DAMAGED))
        where = f"{claim.path}{DAMAGED}"
        return OpenedDocument(
            store,
            claim,
            tr("Unsaved work was found, but is damaged: kept as {where}.", where=where),
        )
    store.apply(tr("Unsaved work found"), lambda _: kept)
    if not store.dirty:
        claim.path.unlink(missing_ok=True)
        return OpenedDocument(store, claim, said)
    said = FOUND if about.base == store.digest else FOUND_ON_OTHER
    return OpenedDocument(store, claim, said)


def read_copy(path: Path) -> tuple[About, Project]:
    """A copy of unsaved work. OSError, or ProjectError, where it cannot be read."""
    head, _, rest = read_file(path, MAX_FILE_BYTES + 4096).partition(b"\n")
    try:
        about = msgspec.json.decode(head, type=About)
    except Exception as error:
        raise ProjectError(
            tr("{path} does not say what it belongs to", path=shown(path))
        ) from error
    return about, parse_project(rest, "unsaved work").project


class Keeper:
    """Keeps a copy of the document while it has unsaved changes.

    Writing is a thread's: a slow disk holds up no window.
    """

    def __init__(self, store: Store, claim: Claim | None = None) -> None:
        self._store = store
        self._claim = claim
        if claim is None and store.home is not None:
            with suppress(OSError):
                self._claim = Claim(store.home)
        self._seen = (store.project, store.saved)
        self._next_s = 0.0
        self._work: SimpleQueue[_Job | None] = SimpleQueue()
        self._thread: Thread | None = None
        self._problem: list[str] = []
        self._said = ""

    @property
    def path(self) -> Path | None:
        """Where the copy is kept; None where nothing can be."""
        return self._claim.path if self._claim is not None else None

    def on_timer(self, now_s: float) -> str:
        """Keep the document if it changed since the last time; at most every two seconds.

        Gives what there is to say: once, when work can no longer be kept safe.
        """
        store = self._store
        project, saved = self._seen
        same = project is store.project and saved is store.saved
        if now_s >= self._next_s and not same:
            self._next_s = now_s + KEEP_EVERY_S
            self._seen = (store.project, store.saved)
            self._ask(store.project if store.dirty else None)
        problem = self._problem[-1] if self._problem else ""
        if problem == self._said:
            return ""
        self._said = problem
        return problem

    def save(self, path: Path | None = None, *, over: bool = False) -> Path:
        """Save the document; killed at any moment of it, the work is in the copy or the file.

        Raises as `Store.save`.
        """
        self.keep_now()
        saved = self._store.save(path, over=over)
        self.forget()
        if path is not None:  # another file: another place
            self.close()
            self._claim = None
            with suppress(OSError):
                self._claim = Claim(saved)
        self._seen = (self._store.project, self._store.saved)
        return saved

    def keep_now(self) -> None:
        """Have all unsaved work on the disk when this comes back."""
        self.settle()
        if self._claim is not None and self._store.dirty:
            _do(self._job(self._store.project), self._problem)

    def _job(self, project: Project | None) -> _Job:
        assert self._claim is not None
        return _Job(self._claim.path, project, self._store.extras, self._store.digest)

    def _ask(self, project: Project | None) -> None:
        if self._claim is None:
            return
        if self._thread is None:
            self._thread = Thread(
                target=_keep, args=(self._work, self._problem), name="keeper", daemon=True
            )
            self._thread.start()
        self._work.put(self._job(project))

    def forget(self) -> None:
        """Everything is saved, or was given up on purpose."""
        self.settle()
        if self._claim is not None:
            self._claim.path.unlink(missing_ok=True)

    def settle(self) -> None:
        """Wait until all that was asked for is on the disk."""
        if self._thread is not None:
            thread, self._thread = self._thread, None
            self._work.put(None)
            thread.join()

    def close(self) -> None:
        """The window closes. What was edited and taken back leaves nothing to be found."""
        self.settle()
        if self._claim is not None:
            if not self._store.dirty:
                self._claim.path.unlink(missing_ok=True)
            self._claim.release()


class _Job(NamedTuple):
    """A document to be kept, or (None) a copy to be forgotten."""

    target: Path
    project: Project | None
    extras: Extras
    base: str


def _keep(work: SimpleQueue[_Job | None], problem: list[str]) -> None:
    """Do what is asked, in order, until told to end."""
    while (job := work.get()) is not None:
        _do(job, problem)


def _do(job: _Job, problem: list[str]) -> None:
    try:
        if job.project is None:
            job.target.unlink(missing_ok=True)
        else:
            head = msgspec.json.encode(About(base=job.base)) + b"\n"
            write_atomic(job.target, head + project_bytes(job.project, job.extras), private=True)
    except OSError as error:
        _log.warning("unsaved work is not kept: %s", error)
        problem.append(
            tr(
                "Unsaved work cannot be kept safe ({strerror}): save it, where there is room.",
                strerror=error.strerror,
            )
        )
    else:
        problem.clear()
