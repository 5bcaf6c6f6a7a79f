"""A window that crashed on Stage comes back to Stage: which station was shown, and who restarts it.

The clock is the engine's and never stopped; the window that comes back finds it at its bar.
"""

from __future__ import annotations

import ctypes
import os
import signal
import subprocess
import sys
import time
from pathlib import Path

import msgspec

from grebe.app.runtime import state_dir

WATCHED = "GREBE_WATCHED"
"""Set in the environment of a window that somebody starts again when it crashes."""
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


def watch(path: Path) -> int:
    """Run a window on a project in a process of its own; start it again when it crashes on Stage.

    The window's exit status, 1 where it crashed elsewhere or too often.
    """
    command = [sys.executable, "-m", "grebe", "open", str(path)]
    environment = {**os.environ, WATCHED: "1"}
    starts: list[float] = []
    while True:
        now = time.monotonic()
        starts = [at for at in starts if now - at < WITHIN_S] + [now]
        process = subprocess.Popen(command, env=environment)
        try:
            status = process.wait()
        except KeyboardInterrupt:
            process.send_signal(signal.SIGINT)
            return process.wait()
        if status >= 0 and status != 1:
            return status
        again = left_on(path) == STAGE and len(starts) <= MOST_AGAIN
        if not again:
            return 1
        sys.stderr.write("grebe: the window crashed on Stage; it is started again.\n")


def die_with_parent() -> None:
    """End when whoever watches this process is killed: two windows would be one too many."""
    ctypes.CDLL(None).prctl(_DIE_WITH_PARENT, signal.SIGKILL)
