"""A window that crashed comes back to where it was: what it showed, and who restarts it.

The clock is the engine's and never stopped; the window that comes back finds it at its bar.
"""

from __future__ import annotations

import logging
import os
import signal
import sys
import time
from collections.abc import Callable, Iterator
from contextlib import contextmanager, suppress
from pathlib import Path
from typing import NamedTuple

import msgspec

from grebe.app.kept import read_kept
from grebe.errors import GrebeError
from grebe.process.children import ENDED_BY, end_with_parent
from grebe.process.places import read_back, shown, state_dir, written
from grebe.words import tr

UNUSABLE = 2
"""Exit status of what cannot be opened."""
MOST_AGAIN = 5
"""So often a window is started again within a minute: one that cannot live is left alone."""
WITHIN_S = 60.0
_NOTE = "GREBE_WINDOW_NOTE"
_log = logging.getLogger(__name__)


class Opening(NamedTuple):
    """What a window opens, and where it begins."""

    path: Path
    untitled: bool = False
    """A document without a name is begun from it."""
    station: int = 0
    """0 for the usual one. Where it is set, a window before this one has crashed."""
    song: str = ""
    section: str = ""
    """What was in hand there."""
    missing: bool = False
    """Not there: it is waited for."""
    begins: bool = False
    """The first start, with no project of before: it begins at the way in."""


class WindowState(msgspec.Struct, frozen=True, kw_only=True):
    """What a window shows."""

    project: str = ""
    untitled: bool = False
    station: int = 0
    song: str = ""
    section: str = ""


def _note() -> Path | None:
    """Where this window notes what it shows; None for one that nobody would start again."""
    told = os.environ.get(_NOTE)
    return Path(told) if told else None


class ShownNote:
    """A note of what a window shows, for the one that comes after it, should this one crash."""

    def __init__(self) -> None:
        self._last: object = None

    def keep(
        self, path: Path | None, station: int, *, untitled: bool = False, song: str = "",
        section: str = "",
    ) -> None:  # fmt: skip
        """Note it where it is another, without waiting for the disk; losing it is no reason to
        stop."""
        shown = (path, station, untitled, song, section)
        if shown == self._last:  # it is asked for with every picture
            return
        self._last = shown
        target = _note()
        if path is None or target is None:
            return
        seen = WindowState(project=written(path), untitled=untitled, station=station, song=song,
                           section=section)  # fmt: skip
        scratch = target.with_suffix(".part")
        with suppress(OSError):
            scratch.write_bytes(msgspec.json.encode(seen))
            scratch.replace(target)

    def take_away(self) -> None:
        """The window is closed as it should be."""
        target = _note()
        if target is not None:
            with suppress(OSError):
                target.unlink(missing_ok=True)


def left_at(note: Path) -> Opening | None:
    """What a window showed when it crashed; None where it had shown nothing yet."""
    seen = read_kept(note, WindowState, WindowState())
    if not seen.project:
        return None
    return Opening(read_back(seen.project), seen.untitled, seen.station, seen.song, seen.section)


@contextmanager
def _noting() -> Iterator[Path]:
    """A note of this process's window, taken away at the end; those of the dead are, too."""
    for old in state_dir().glob("window-*.json"):
        with suppress(OSError, ValueError):
            if not Path(f"/proc/{int(old.stem.removeprefix('window-'))}").exists():
                old.unlink()
    note = state_dir() / f"window-{os.getpid()}.json"
    os.environ[_NOTE] = str(note)
    try:
        yield note
    finally:
        os.environ.pop(_NOTE, None)
        with suppress(OSError):
            note.unlink(missing_ok=True)


def watch(
    opening: Opening,
    run: Callable[[Opening], int],
    start: Callable[[Opening], int] | None = None,
) -> int:
    """Run a window in a process of its own; start it again where it was when it crashes.

    `run` opens the window and gives its exit status; `start` begins such a process and waits for
    its end, giving its status, negative for a signal. The window's exit status, 1 where it crashed
    before it was there, or too often.
    """
    begin = start or (lambda what: _forked(what, run))
    starts: list[float] = []
    with _noting() as note:
        while True:
            now = time.monotonic()
            starts = [at for at in starts if now - at < WITHIN_S] + [now]
            status = begin(opening)
            if status >= 0 and status != 1:
                return status
            how = tr("by signal {value}", value=-status) if status < 0 else tr("by an error")
            _log.error("the window ended %s", how)
            left = left_at(note)
            if left is None or len(starts) > MOST_AGAIN:
                return 1
            opening = left
            sys.stderr.write(
                f"grebe: the window crashed; it is started again with {shown(left.path.name)}.\n"
            )


def _forked(opening: Opening, run: Callable[[Opening], int]) -> int:
    """The window in a child that has everything loaded already: a second start costs nothing.

    What asks this process to end asks the window, whenever it comes: signals are held back and
    waited for, since a handler's would be lost where it came just before the wait.
    """
    sys.stdout.flush()
    sys.stderr.flush()
    asked = signal.pthread_sigmask(signal.SIG_BLOCK, (*ENDED_BY, signal.SIGCHLD))
    child = os.fork()
    if child == 0:
        status = 1
        try:
            signal.pthread_sigmask(signal.SIG_SETMASK, asked)
            end_with_parent(signal.SIGTERM)  # two windows would be one too many
            status = run(opening)
        except GrebeError as error:
            sys.stderr.write(f"grebe: {' '.join(str(error).split())}\n")
            status = UNUSABLE
        except BaseException:
            logging.getLogger(__name__).critical("the window ended by an error", exc_info=True)
        finally:
            with suppress(OSError):
                sys.stdout.flush()
                sys.stderr.flush()
            os._exit(status)
    try:
        return _end_of(child)
    finally:
        signal.pthread_sigmask(signal.SIG_SETMASK, asked)


def _end_of(child: int) -> int:
    """Its exit status, or its signal's number below nought. What asks us to end is passed on to
    it; Ctrl+C is not: it hears that itself."""
    while True:
        came = signal.sigwait((*ENDED_BY, signal.SIGCHLD))
        if came == signal.SIGCHLD:
            pid, ended = os.waitpid(child, os.WNOHANG)
            if pid == child:
                return os.waitstatus_to_exitcode(ended)
        elif came != signal.SIGINT:
            os.kill(child, came)  # nobody has waited for it yet: the number is still its own
