"""A window that crashed on Stage comes back to Stage: which station was shown, and who restarts it.

The clock is the engine's and never stopped; the window that comes back finds it at its bar.
"""

from __future__ import annotations

import ctypes
import os
import signal
import sys
import time
import traceback
from collections.abc import Callable
from pathlib import Path

import msgspec

from grebe.errors import GrebeError
from grebe.process.places import state_dir

UNUSABLE = 2
"""Exit status of what cannot be opened."""
STAGE = 7
MOST_AGAIN = 5
"""So often a window is started again within a minute: one that cannot live is left alone."""
WITHIN_S = 60.0
_DIE_WITH_PARENT = 1  # prctl(2), PR_SET_PDEATHSIG


class Shown(msgspec.Struct, frozen=True, kw_only=True):
    """What a window shows. Taken away when it is closed: what is left is of one that crashed."""

    project: str = ""
    station: int = 0


def _path() -> Path:
    return state_dir() / "window.json"


def note_shown(project: Path | None, station: int) -> None:
    """Note what is shown, without waiting for the disk; losing it is no reason to stop."""
    if project is None:
        return
    target = _path()
    scratch = target.with_suffix(".part")
    try:
        scratch.write_bytes(msgspec.json.encode(Shown(project=str(project), station=station)))
        scratch.replace(target)
    except OSError:
        return


def forget_shown() -> None:
    """The window is closed as it should be."""
    _path().unlink(missing_ok=True)


def left_on(project: Path) -> int:
    """The station a window on this project was at when it crashed; 0 where none did."""
    try:
        shown = msgspec.json.decode(_path().read_bytes(), type=Shown)
    except (OSError, msgspec.MsgspecError):
        return 0
    return shown.station if shown.project == str(project) else 0


def watch(
    path: Path, run: Callable[[Path], int], start: Callable[[Path], int] | None = None
) -> int:
    """Run a window on a project in a process of its own; start it again when it crashes on Stage.

    `run` opens the window and gives its exit status; `start` begins such a process and waits for
    its end, giving its status, negative for a signal. The window's exit status, 1 where it
    crashed elsewhere or too often.
    """
    begin = start or (lambda at: _forked(at, run))
    starts: list[float] = []
    while True:
        now = time.monotonic()
        starts = [at for at in starts if now - at < WITHIN_S] + [now]
        status = begin(path)
        if status >= 0 and status != 1:
            return status
        again = left_on(path) == STAGE and len(starts) <= MOST_AGAIN
        if not again:
            return 1
        sys.stderr.write("grebe: the window crashed on Stage; it is started again.\n")


def _forked(path: Path, run: Callable[[Path], int]) -> int:
    """The window in a child that has everything loaded already: a second start costs nothing."""
    sys.stdout.flush()
    sys.stderr.flush()
    child = os.fork()
    if child == 0:
        status = 1
        try:
            die_with_parent()
            status = run(path)
        except GrebeError as error:
            sys.stderr.write(f"grebe: {' '.join(str(error).split())}\n")
            status = UNUSABLE
        except BaseException:
            traceback.print_exc()
        finally:
            sys.stdout.flush()
            sys.stderr.flush()
            os._exit(status)
    before = signal.signal(signal.SIGINT, signal.SIG_IGN)  # the window's to hear
    try:
        _, ended = os.waitpid(child, 0)
    finally:
        signal.signal(signal.SIGINT, before)
    return os.waitstatus_to_exitcode(ended)


def die_with_parent() -> None:
    """End when whoever watches this process is killed: two windows would be one too many."""
    ctypes.CDLL(None).prctl(_DIE_WITH_PARENT, signal.SIGKILL)
