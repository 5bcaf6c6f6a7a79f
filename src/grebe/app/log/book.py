"""The performer's log: written beside the window by one thread, read by whoever asks.

Nothing waits for it, and nothing is lost to it: what cannot be written now lies in a file beside it
until it can be; a log that is damaged or of a newer Grebe is set aside under a name that is said.
"""

from __future__ import annotations

import logging
from collections import deque
from collections.abc import Callable, Iterable
from concurrent.futures import Future, ThreadPoolExecutor, wait
from contextlib import suppress
from datetime import date, datetime, timedelta
from pathlib import Path

import msgspec

from grebe.app.log.older import older_files, older_rows, put_away
from grebe.app.settings import read_settings
from grebe.core.log.model import BoxCheck, LoggedRun, OnesRow, TryRow
from grebe.errors import LogDamagedError, LogError, LogNewerError
from grebe.formats.atomic import write_atomic
from grebe.formats.log_db import LogDb
from grebe.process.places import data_dir, shown
from grebe.words import tr

_log = logging.getLogger(__name__)
LogRow = LoggedRun | BoxCheck | TryRow | OnesRow
KINDS: dict[str, type[LogRow]] = {
    "run": LoggedRun, "check": BoxCheck, "try": TryRow, "ones": OnesRow,
}  # fmt: skip
CLOSING_S = 3.0
"""A window that closes waits so long for what is still to be written."""


class LogBook:
    """One for a window. Its thread alone writes."""

    def __init__(
        self, folder: Path | None = None, firmware: Callable[[BoxCheck], str] = lambda _: ""
    ) -> None:
        """`firmware` says which version a box that is checked is known to have."""
        self.folder = folder or data_dir()
        self._firmware = firmware
        self.written = 0
        """How often something was; a view that has shown another number is old."""
        self._said: deque[str] = deque()
        self._beside = ThreadPoolExecutor(1, "log")
        self._last: Future[None] | None = None
        self._db: LogDb | None = None
        """Of the thread that writes."""
        self._held: list[LogRow] = []
        """What could not even be laid beside it."""
        self._complained = self._closed = False
        self._reader: tuple[int, LogDb] | None = None

    @property
    def path(self) -> Path:
        """Where it lies."""
        return self.folder / "log.sqlite"

    @property
    def _pending(self) -> Path:
        return self.folder / "log-not-in-yet.jsonl"

    # Written

    def add(self, *rows: LogRow) -> None:
        """Have these written down, if their kind is kept at all. Comes back at once."""
        kept = [self._told(row) for row in rows if _is_kept(row)]
        if kept:
            self._last = self._beside.submit(self._write, kept)

    def _told(self, row: LogRow) -> LogRow:
        if isinstance(row, BoxCheck) and not row.firmware:
            return msgspec.structs.replace(row, firmware=self._firmware(row))
        return row

    def note_run(self, run: int, *, venue: str, note: str, warm_c: float | None) -> None:
        """Have it written down what the performer says of a run."""
        self._last = self._beside.submit(
            self._tell, lambda db: db.note_run(run, venue=venue, note=note, warm_c=warm_c)
        )

    def forget(self, first: date, last: date) -> None:
        """Have all of some evenings taken out."""
        self._last = self._beside.submit(self._tell, lambda db: db.forget(first, last))

    def tidy(self) -> None:
        """Take in what lies beside it and what older versions kept; take out what is too old."""
        if any(path.exists() for path in (self.path, self._pending, *older_files(self.folder))):
            self._last = self._beside.submit(self._tidy)

    def settle(self, seconds: float = CLOSING_S) -> bool:
        """Wait for what was given so far; whether it is all done."""
        return self._last is None or not wait([self._last], seconds).not_done

    def close(self) -> None:
        """Write what is left, and let go of the file. Twice is once."""
        if self._closed:
            return
        self._closed = True
        self.settle()
        self._beside.submit(self._let_go)
        self._beside.shutdown(wait=False)
        if self._reader is not None:
            self._reader[1].close()
            self._reader = None

    def take_said(self) -> list[str]:
        """What is to be told to the performer since this was asked last."""
        out = []
        with suppress(IndexError):
            while True:
                out.append(self._said.popleft())
        return out

    # Read

    def read(self) -> LogDb | None:
        """The log to read from; None while there is none, or none that can be read."""
        if not self.path.exists():
            return None
        inode = self.path.stat().st_ino
        if self._reader is not None and self._reader[0] == inode:
            return self._reader[1]
        if self._reader is not None:
            self._reader[1].close()
            self._reader = None
        try:
            self._reader = (inode, LogDb(self.path, read_only=True))
        except LogError as error:
            _log.warning("%s", str(error))  # the error itself holds all that called
            return None
        return self._reader[1]

    # In the thread

    def _open(self) -> LogDb:
        """The log to write to. What is no log any more is set aside first. LogError where there
        is none to be had just now."""
        if self._db is not None and self.path.exists():
            return self._db
        self._let_go()
        try:
            self._db = LogDb(self.path)
        except (LogDamagedError, LogNewerError) as error:
            self._set_aside(error)
            self._db = LogDb(self.path)
        return self._db

    def _set_aside(self, error: LogError) -> None:
        self._let_go()
        name = _free_name(self.folder, f"log-set-aside-{date.today().isoformat()}", ".sqlite")
        for ending in ("", "-wal", "-shm"):
            with suppress(FileNotFoundError):
                Path(f"{self.path}{ending}").rename(f"{name}{ending}")
        self._say(
            tr("{error}. It lies now as {name}, and a new one is begun.",
               error=f"{str(error)[:1].upper()}{str(error)[1:]}", name=shown(name))
        )  # fmt: skip

    def _let_go(self) -> None:
        if self._db is not None:
            self._db.close()
            self._db = None

    def _write(self, rows: Iterable[LogRow]) -> None:
        left = [*self._held, *rows]
        self._held = []
        try:
            self._take_in()
            while left:
                self._add(left[0])
                del left[0]
            self._complained = False
        except ValueError:  # no fault of the log's: a row that it cannot hold
            _log.exception("a row cannot be written into the log")
            self._held = left[1:]
        except (LogError, OSError) as error:
            self._lay_beside(left, error)
        finally:
            self.written += 1

    def _add(self, row: LogRow) -> None:
        try:
            self._open().add(row)
        except LogDamagedError as error:
            self._set_aside(error)
            self._open().add(row)

    def _lay_beside(self, rows: list[LogRow], error: Exception) -> None:
        """It cannot be written now: the rows wait in a file, or in memory where that fails, too."""
        try:
            self._pending.parent.mkdir(parents=True, exist_ok=True)
            with self._pending.open("ab") as file:
                for row in rows:
                    kind = next(name for name, made in KINDS.items() if type(row) is made)
                    file.write(msgspec.json.encode({"kind": kind, "row": row}) + b"\n")
        except OSError:
            self._held = rows
        if not self._complained:
            self._complained = True
            self._say(tr("{error}. What happens is kept, and goes in as soon as it can.",
                         error=f"{str(error)[:1].upper()}{str(error)[1:]}"))  # fmt: skip

    def _take_in(self) -> None:
        """What waited beside the log goes in."""
        if not self._pending.exists():
            return
        self._open()
        left = deque(self._pending.read_bytes().splitlines())
        try:
            while left:
                with suppress(msgspec.MsgspecError, KeyError, TypeError):
                    told = msgspec.json.decode(left[0])
                    self._add(msgspec.convert(told["row"], KINDS[told["kind"]]))
                left.popleft()
        finally:  # what is in is not to go in again
            write_atomic(self._pending, b"".join(line + b"\n" for line in left))
        self._pending.unlink()

    def _tell(self, do: Callable[[LogDb], object]) -> None:
        try:
            do(self._open())
        except (LogError, OSError) as error:
            self._say(tr("{error}. Nothing was changed.", error=error))
        finally:
            self.written += 1

    def _tidy(self) -> None:
        older = older_rows(self.folder)
        if older:
            self._write(older)
        put_away(self.folder)
        days = read_settings().log_days
        try:
            self._take_in()
            if days:
                self._open().forget(date.min, datetime.now().date() - timedelta(days=days))
        except (LogError, OSError) as error:
            _log.warning("%s", str(error))  # the error itself holds all that called
        finally:
            self.written += 1

    def _say(self, words: str) -> None:
        _log.warning("%s", words)
        self._said.append(words)


def _is_kept(row: LogRow) -> bool:
    """Whether the performer wants this kind of row kept."""
    settings = read_settings()
    if isinstance(row, LoggedRun):
        return settings.log_runs
    return settings.log_checks if isinstance(row, BoxCheck) else settings.log_rehearsals


def _free_name(folder: Path, name: str, ending: str) -> Path:
    """A name that no file has yet."""
    path, number = folder / f"{name}{ending}", 1
    while path.exists():
        number += 1
        path = folder / f"{name}-{number}{ending}"
    return path
