"""The log of each process: what happened, with the time, for a performer to send on.

``log_dir()/NAME.log`` is turned over at 1 MB, five files are kept. A second
process of one name (two windows) writes ``NAME-2.log``. What goes to standard
error from anywhere, and the stacks of a process that is killed by a fault, go
to ``NAME.err`` beside it.
"""

from __future__ import annotations

import atexit
import faulthandler
import fcntl
import logging
import os
import sys
import threading
import time
from collections.abc import Callable
from io import TextIOWrapper
from logging.handlers import QueueHandler, QueueListener, RotatingFileHandler
from pathlib import Path
from queue import SimpleQueue
from types import TracebackType
from typing import IO, Any

from grebe.process.places import log_dir

MOST_BYTES = 1_000_000
FILES = 5
"""Kept of each process, the one that is written among them."""
MOST_BESIDE = 8
"""Processes of one name that have a log of their own."""
SAME_MOST = 5
SAME_WITHIN_S = 10.0
"""Of one line so many are written in so long; the rest is counted. A picture drawn sixty times a
second can fail sixty times a second."""
_LINE = "%(asctime)s.%(msecs)03d %(processName)s[%(process)d] %(levelname)s %(name)s: %(message)s"

Hook = Callable[[type[BaseException], BaseException, TracebackType | None], object]
_LEVELS = {"info": logging.INFO, "warn": logging.WARNING, "error": logging.ERROR}
_log = logging.getLogger(__name__)


class _Repeats(logging.Filter):
    """Lets the first few of many equal lines through, and says how many followed."""

    def __init__(self) -> None:
        super().__init__()
        self._seen: dict[tuple[str, int, object], tuple[float, int]] = {}

    def filter(self, record: logging.LogRecord) -> bool:
        kind = record.exc_info[0] if record.exc_info else record.getMessage()
        key = (record.name, record.lineno, kind)
        since, count = self._seen.get(key, (record.created, 0))
        if record.created - since > SAME_WITHIN_S:
            if count > SAME_MOST:
                text = f"{record.getMessage()} (and {count - SAME_MOST} times more before)"
                record.msg, record.args = text, ()
            since, count = record.created, 0
        self._seen[key] = (since, count + 1)
        if len(self._seen) > 500:
            self._seen.clear()
        return count < SAME_MOST


class _Private(RotatingFileHandler):
    """A log file that only its owner can read. A full disk loses lines, never the process."""

    def _open(self) -> TextIOWrapper:
        handle = os.open(self.baseFilename, os.O_WRONLY | os.O_CREAT | os.O_APPEND, 0o600)
        return open(handle, "a", encoding="utf-8", errors="backslashreplace")

    def handleError(self, record: logging.LogRecord) -> None:  # noqa: N802 - logging's own name
        """Nothing: there is nowhere to say it."""
        del record


class Log:
    """The log of this process, once `start_log` has begun it."""

    def __init__(self) -> None:
        self.name = ""
        """Of its files, without what follows the point; "" where nothing can be written."""
        self.problem = ""
        """Why nothing is written, for people."""
        self._listener: QueueListener | None = None
        self._held: list[int] = []
        self._errors: IO[bytes] | None = None

    def start(self, process: str, *, queued: bool) -> None:
        """Begin; where another has begun in this process (before a fork), in its place."""
        root = logging.getLogger()
        for old in list(root.handlers):
            root.removeHandler(old)
        self._listener = None  # its thread did not come along over a fork
        threading.current_thread().name = "main"
        logging.Formatter.converter = time.gmtime
        folder = log_dir()
        self.name = process
        try:
            self.name = self._free_name(folder, process)
            file: logging.Handler = _Private(
                folder / f"{self.name}.log", maxBytes=MOST_BYTES, backupCount=FILES - 1
            )
        except OSError as error:
            self.name = ""
            self.problem = f"No log is written: {folder} {error.strerror or error}."
            root.addHandler(logging.NullHandler())
            return
        file.setFormatter(logging.Formatter(_LINE.replace("%(processName)s", self.name),
                                            datefmt="%Y-%m-%dT%H:%M:%S"))  # fmt: skip
        file.addFilter(_Repeats())
        if queued:
            queue: SimpleQueue[logging.LogRecord] = SimpleQueue()
            self._listener = QueueListener(queue, file)
            self._listener.start()
            file = QueueHandler(queue)
        root.addHandler(file)
        wanted = os.environ.get("GREBE_LOG", "")
        root.setLevel(wanted if wanted in logging.getLevelNamesMapping() else logging.INFO)
        before, self._errors = self._errors, open_errors(self.name)
        faulthandler.enable(self._errors, all_threads=True)
        if before is not None:
            before.close()

    def _free_name(self, folder: Path, process: str) -> str:
        """The first name that no other living process writes to."""
        for number in range(1, MOST_BESIDE + 1):
            name = process if number == 1 else f"{process}-{number}"
            held = os.open(folder / f".{name}.lock", os.O_RDWR | os.O_CREAT, 0o600)
            try:
                fcntl.flock(held, fcntl.LOCK_EX | fcntl.LOCK_NB)
            except OSError:
                os.close(held)
                continue
            self._held.append(held)
            return name
        return f"{process}-{MOST_BESIDE}"

    def flush(self) -> None:
        """Have everything written before the process ends."""
        if self._listener is not None:
            self._listener.stop()
            self._listener = None
        for handler in logging.getLogger().handlers:
            handler.flush()


LOG = Log()
atexit.register(LOG.flush)


def start_log(process: str, *, queued: bool = False, hook: Hook | None = None) -> None:
    """Begin this process's log, and log whatever nobody catches.

    `queued`: a thread writes, so that who logs never waits for a disk. Begin it before priority
    is asked for, or the thread has it too. `hook` is called with an exception that nobody caught,
    after it was logged.
    """
    LOG.start(process, queued=queued)

    def uncaught(kind: type[BaseException], error: BaseException, at: Any) -> None:
        if issubclass(kind, KeyboardInterrupt):
            sys.__excepthook__(kind, error, at)
            return
        _log.critical("Not caught: %s", kind.__name__, exc_info=(kind, error, at))
        if hook is not None:
            hook(kind, error, at)

    def in_thread(arguments: threading.ExceptHookArgs) -> None:
        if arguments.exc_value is not None and not issubclass(arguments.exc_type, SystemExit):
            uncaught(arguments.exc_type, arguments.exc_value, arguments.exc_traceback)

    def unraisable(arguments: sys.UnraisableHookArgs) -> None:
        value = arguments.exc_value
        seen = (arguments.exc_type, value, arguments.exc_traceback) if value else None
        _log.error("%s %r", arguments.err_msg or "Ignored in", arguments.object, exc_info=seen)

    sys.excepthook = uncaught
    threading.excepthook = in_thread
    sys.unraisablehook = unraisable
    _log.info("begins: %s", " ".join(sys.orig_argv[1:])[:500])


def log_told(log: logging.Logger, level: str, text: str, place: str) -> None:
    """Write what a performer is told ("info", "warn", "error"), with its place in the song."""
    log.log(_LEVELS[level], "told: %s%s", text, place)


def end_log(how: str) -> None:
    """Say how this process ends, and write what waits."""
    _log.info("ends: %s", how)
    LOG.flush()


def open_errors(process: str) -> IO[bytes]:
    """Where a process's standard error goes: ``NAME.err``, begun anew when it is large.

    Where nothing can be written it goes nowhere.
    """
    path = log_dir() / f"{process}.err"
    try:
        if path.exists() and path.stat().st_size > MOST_BYTES:
            path.replace(path.with_suffix(".err.1"))
        return os.fdopen(os.open(path, os.O_WRONLY | os.O_CREAT | os.O_APPEND, 0o600), "ab")
    except OSError:
        return open(os.devnull, "ab")


def log_files() -> list[Path]:
    """All that has been written, the newest of each process first."""
    return sorted(p for p in log_dir().glob("*") if not p.name.startswith("."))
