"""The log as it lies on the disk: one SQLite file, read and written through the standard library.

What is searched in words stands in a full text table beside the rows, a line for each run, check
and evening of rehearsal. A run's own list is kept with the figures that a list of runs shows, so
that ten years of evenings open at once.
"""

from __future__ import annotations

import sqlite3
from collections.abc import Callable, Collection, Iterable, Sequence
from contextlib import closing
from datetime import date
from pathlib import Path
from typing import Any, NamedTuple, TypeVar

import msgspec

from grebe.core.log.model import (
    BoxCheck,
    Event,
    LoggedRun,
    OnesRow,
    PlayedStretch,
    TryRow,
    evening,
)
from grebe.errors import LogDamagedError, LogError, LogNewerError
from grebe.formats.log_filter import ALL, LogFilter, where_of

SCHEMA = 1
BUSY_S = 5.0
"""So long another process that writes is waited for."""
PASSES = ("SQLITE_BUSY", "SQLITE_LOCKED", "SQLITE_FULL", "SQLITE_IOERR", "SQLITE_READONLY",
          "SQLITE_CANTOPEN", "SQLITE_PERM")  # fmt: skip
"""What SQLite says of a file that is sound: it is locked, there is no room, no right."""
_Row = TypeVar("_Row", bound=msgspec.Struct)

_TABLES = """
CREATE TABLE run (
    id INTEGER PRIMARY KEY, began REAL NOT NULL, zone_min INTEGER NOT NULL, evening TEXT NOT NULL,
    project TEXT NOT NULL, running TEXT NOT NULL, songs TEXT NOT NULL, venue TEXT NOT NULL,
    note TEXT NOT NULL, warm_c REAL, leader TEXT NOT NULL, priority TEXT NOT NULL,
    load REAL NOT NULL, played_s REAL NOT NULL, planned_s REAL NOT NULL,
    asked INTEGER NOT NULL, good INTEGER NOT NULL, faults INTEGER NOT NULL
);
CREATE INDEX run_evening ON run (evening);
CREATE TABLE stretch (
    run INTEGER NOT NULL REFERENCES run ON DELETE CASCADE, song TEXT NOT NULL, scene TEXT NOT NULL,
    at_s REAL NOT NULL, planned_s REAL NOT NULL, played_s REAL NOT NULL
);
CREATE INDEX stretch_run ON stretch (run);
CREATE TABLE event (
    run INTEGER NOT NULL REFERENCES run ON DELETE CASCADE, at_s REAL NOT NULL, kind TEXT NOT NULL,
    song TEXT NOT NULL, scene TEXT NOT NULL, box TEXT NOT NULL, what TEXT NOT NULL,
    verdict TEXT NOT NULL, off_ms REAL
);
CREATE INDEX event_run ON event (run);
CREATE TABLE box_check (
    id INTEGER PRIMARY KEY, at REAL NOT NULL, zone_min INTEGER NOT NULL, evening TEXT NOT NULL,
    kind TEXT NOT NULL, project TEXT NOT NULL, box TEXT NOT NULL, profile TEXT NOT NULL,
    port TEXT NOT NULL, cable TEXT NOT NULL, listened_to TEXT NOT NULL, firmware TEXT NOT NULL,
    bpm REAL NOT NULL, offset_set_ms REAL NOT NULL, offset_ms REAL, jitter_ms REAL,
    drift_ms_min REAL, verdict TEXT NOT NULL
);
CREATE INDEX box_check_box ON box_check (box, at);
CREATE TABLE try (
    id INTEGER PRIMARY KEY, at REAL NOT NULL, zone_min INTEGER NOT NULL, evening TEXT NOT NULL,
    project TEXT NOT NULL, song TEXT NOT NULL, before TEXT NOT NULL, after TEXT NOT NULL,
    kind TEXT NOT NULL, what TEXT NOT NULL, verdict TEXT NOT NULL, off_ms REAL, pace REAL NOT NULL
);
CREATE INDEX try_of ON try (project, song, before, after);
CREATE TABLE ones (
    id INTEGER PRIMARY KEY, at REAL NOT NULL, zone_min INTEGER NOT NULL, evening TEXT NOT NULL,
    project TEXT NOT NULL, song TEXT NOT NULL, bpm REAL NOT NULL, taps INTEGER NOT NULL,
    mean_ms REAL NOT NULL, spread_ms REAL NOT NULL
);
CREATE VIRTUAL TABLE words USING fts5 (text, kind UNINDEXED, ref UNINDEXED, at UNINDEXED);
"""


class RunHead(NamedTuple):
    """A run in a list."""

    id: int
    began: float
    zone_min: int
    project: str
    running: str
    venue: str
    played_s: float
    planned_s: float
    asked: int
    """Launches and moves that were judged."""
    good: int
    faults: int


class TransitionHead(NamedTuple):
    """A transition that there are tries of."""

    project: str
    song: str
    before: str
    after: str
    tries: int
    good: int


class LogDb:
    """One open log: takes rows of runs, checks and rehearsals, and answers what is asked of
    them."""

    def __init__(self, path: Path, *, read_only: bool = False) -> None:
        """Open it, or begin one. LogNewerError and LogDamagedError for one that is to be set
        aside, LogError for what may be over soon: it is locked, the disk is full."""
        self.path = path
        if not read_only:
            path.parent.mkdir(parents=True, exist_ok=True)
        mode = "ro" if read_only else "rwc"
        name = f"{path.absolute().as_uri()}?mode={mode}"
        self._db = _of_sqlite(
            lambda: sqlite3.connect(name, uri=True, timeout=BUSY_S, isolation_level=None)
        )
        try:
            _of_sqlite(lambda: self._prepare(read_only=read_only))
        except BaseException:
            self._db.close()
            raise

    def _prepare(self, *, read_only: bool) -> None:
        db = self._db
        (version,) = db.execute("PRAGMA user_version").fetchone()
        if version > SCHEMA:
            raise LogNewerError(f"{self.path.name} is of a newer Grebe")
        if version == 0 and read_only:
            raise LogError(f"{self.path.name} is only being begun")
        if version == 0:
            db.execute("PRAGMA journal_mode=WAL")
            with _Whole(db):
                for statement in _TABLES.split(";\n"):
                    db.execute(statement)
                db.execute(f"PRAGMA user_version={SCHEMA}")
        db.execute("PRAGMA foreign_keys=ON")
        if not read_only:
            db.execute("PRAGMA synchronous=NORMAL")
        db.execute("SELECT count(*) FROM run").fetchone()

    def close(self) -> None:
        """Let go of it."""
        self._db.close()

    # Written

    def add(self, row: LoggedRun | BoxCheck | TryRow | OnesRow) -> int:
        """Write something down; its number. LogError where that cannot be."""
        return _of_sqlite(lambda: self._add(row))

    def _add(self, row: LoggedRun | BoxCheck | TryRow | OnesRow) -> int:
        with _Whole(self._db):
            if isinstance(row, LoggedRun):
                return self._add_run(row)
            at = {"evening": evening(row.at, row.zone_min).isoformat()}
            if isinstance(row, BoxCheck):
                made = self._insert("box_check", msgspec.structs.asdict(row) | at)
                said = (row.box, row.profile, row.project, row.port, row.cable, row.verdict,
                        row.firmware)  # fmt: skip
                self._say("check", made, row.at, said)
                return made
            if isinstance(row, OnesRow):
                return self._insert("ones", msgspec.structs.asdict(row) | at)
            made = self._insert("try", msgspec.structs.asdict(row) | at)
            self._say("try", made, row.at, (row.song, row.before, row.after, row.what, row.verdict,
                                            row.project))  # fmt: skip
            return made

    def _add_run(self, run: LoggedRun) -> int:
        hands = run.judged
        made = self._insert("run", {
            "began": run.began, "zone_min": run.zone_min,
            "evening": evening(run.began, run.zone_min).isoformat(), "project": run.project,
            "running": run.running, "songs": "\n".join(run.songs), "venue": run.venue,
            "note": run.note, "warm_c": run.warm_c, "leader": run.leader,
            "priority": run.priority, "load": run.load, "played_s": run.played_s,
            "planned_s": run.planned_s, "asked": len(hands),
            "good": sum(e.verdict == "good" for e in hands),
            "faults": run.faults,
        })  # fmt: skip
        self._db.executemany(
            "INSERT INTO stretch VALUES (?, ?, ?, ?, ?, ?)",
            [(made, *msgspec.structs.astuple(part)) for part in run.stretches],
        )
        self._db.executemany(
            "INSERT INTO event VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)",
            [(made, *msgspec.structs.astuple(event)) for event in run.events],
        )
        said = dict.fromkeys(
            word for event in run.events
            for word in (event.song, event.scene, event.box, event.what, event.verdict) if word
        )  # fmt: skip
        scenes = dict.fromkeys(part.scene for part in run.stretches)
        self._say("run", made, run.began, (run.project, run.running, run.venue, run.note,
                                           *run.songs, *scenes, *said))  # fmt: skip
        return made

    def _insert(self, table: str, values: dict[str, Any]) -> int:
        values.pop("id", None)
        names = ", ".join(values)
        marks = ", ".join("?" for _ in values)
        words = f"INSERT INTO {table} ({names}) VALUES ({marks})"
        made = self._db.execute(words, tuple(values.values()))
        assert made.lastrowid is not None
        return made.lastrowid

    def _say(self, kind: str, ref: int, at: float, said: Iterable[str]) -> None:
        self._db.execute(
            "INSERT INTO words (text, kind, ref, at) VALUES (?, ?, ?, ?)",
            (" · ".join(word for word in said if word), kind, ref, at),
        )

    def note_run(self, run: int, *, venue: str, note: str, warm_c: float | None) -> None:
        """What the performer writes of a run afterwards."""

        def write() -> None:
            with _Whole(self._db):
                self._db.execute(
                    "UPDATE run SET venue=?, note=?, warm_c=? WHERE id=?",
                    (venue, note, warm_c, run),
                )
                found = self._db.execute(
                    "SELECT rowid, text FROM words WHERE kind='run' AND ref=?", (run,)
                ).fetchone()
                if found is not None:
                    self._db.execute(
                        "UPDATE words SET text=? WHERE rowid=?",
                        (f"{found[1]} · {venue} · {note}", found[0]),
                    )

        _of_sqlite(write)

    def forget(self, first: date, last: date) -> int:
        """Take out everything of some evenings; how many rows that were."""

        def take_out() -> int:
            gone, between = 0, (first.isoformat(), last.isoformat())
            with _Whole(self._db):
                for table, kind in (("run", "run"), ("box_check", "check"), ("try", "try"),
                                    ("ones", "")):  # fmt: skip
                    if kind:
                        self._db.execute(
                            f"DELETE FROM words WHERE kind=? AND ref IN (SELECT id FROM {table} "
                            "WHERE evening BETWEEN ? AND ?)", (kind, *between),
                        )  # fmt: skip
                    gone += self._db.execute(
                        f"DELETE FROM {table} WHERE evening BETWEEN ? AND ?",
                        between,
                    ).rowcount
            self._db.execute("PRAGMA wal_checkpoint(TRUNCATE)")
            return gone

        return _of_sqlite(take_out)

    # Read

    def runs(self, wanted: LogFilter = ALL) -> list[RunHead]:
        """Runs, the last first."""
        where, values = where_of(wanted, "run")
        names = ", ".join(RunHead._fields)
        rows = self._all(f"SELECT {names} FROM run {where} ORDER BY began DESC, id DESC", values)
        return [RunHead(*row) for row in rows]

    def runs_of(self, project: str, last: int) -> list[RunHead]:
        """The last runs of a project, the last first."""
        rows = self._all(
            f"SELECT {', '.join(RunHead._fields)} FROM run WHERE project=? "
            "ORDER BY began DESC, id DESC LIMIT ?", (project, last),
        )  # fmt: skip
        return [RunHead(*row) for row in rows]

    def run(self, run: int) -> LoggedRun | None:
        """One run with all that happened in it; None where there is none of that number."""
        columns = ("id", "began", "zone_min", "project", "running", "songs", "venue", "note",
                   "warm_c", "leader", "priority", "load", "played_s")  # fmt: skip
        rows = self._all(f"SELECT {', '.join(columns)} FROM run WHERE id=?", (run,))
        if not rows:
            return None
        head = dict(zip(columns, rows[0], strict=True))
        head["songs"] = tuple(word for word in head["songs"].split("\n") if word)
        stretches = self._of(PlayedStretch, "stretch", "run=? ORDER BY at_s", (run,))
        events = self._of(Event, "event", "run=? ORDER BY at_s", (run,))
        return _value(head | {"stretches": stretches, "events": events}, LoggedRun)

    def checks(self, wanted: LogFilter = ALL) -> list[BoxCheck]:
        """Checks of boxes, in order of time."""
        where, values = where_of(wanted, "box_check")
        return self._of(BoxCheck, "box_check", f"{where or 'WHERE 1'} ORDER BY at, id", values)

    def checks_of_boxes(self, names: Collection[str], profiles: Collection[str]) -> list[BoxCheck]:
        """Checks of boxes by name or profile, in order of time."""
        marks = [", ".join("?" for _ in group) for group in (names, profiles)]
        where = f"box IN ({marks[0]}) OR profile IN ({marks[1]}) ORDER BY at, id"
        return self._of(BoxCheck, "box_check", where, (*names, *profiles))

    def checks_of_run(self, run: LoggedRun) -> list[BoxCheck]:
        """What was heard of boxes over a run."""
        ends = run.began + run.played_s + 120
        words = "kind='run' AND project=? AND at BETWEEN ? AND ? ORDER BY at, id"
        return self._of(BoxCheck, "box_check", words, (run.project, run.began, ends))

    def tries(self, project: str = "", song: str = "", before: str = "", after: str = "",
              last: int = 0) -> list[TryRow]:  # fmt: skip
        """Tries of transitions, in order of time; `last` of them where it is not 0."""
        given = [(n, v) for n, v in (("project", project), ("song", song), ("before", before),
                                     ("after", after)) if v]  # fmt: skip
        where = " AND ".join(f"{name}=?" for name, _ in given) or "1"
        limit = f" LIMIT {last}" if last else ""
        values = tuple(value for _, value in given)
        rows = self._of(TryRow, "try", f"{where} ORDER BY at DESC, id DESC{limit}", values)
        return rows[::-1]

    def tries_of(self, head: TransitionHead) -> list[TryRow]:
        """All tries of one of them, in order of time."""
        return self.tries(head.project, head.song, head.before, head.after)

    def transitions(self, wanted: LogFilter = ALL) -> list[TransitionHead]:
        """Transitions that there are tries of, the latest first."""
        where, values = where_of(wanted, "try")
        rows = self._all(
            "SELECT project, song, before, after, count(*), sum(verdict='good') FROM try "
            f"{where} GROUP BY project, song, before, after ORDER BY max(at) DESC", values,
        )  # fmt: skip
        return [TransitionHead(*row) for row in rows]

    def ones(self, project: str) -> list[OnesRow]:
        """Runs of the exercise on the one, in order of time."""
        return self._of(OnesRow, "ones", "project=? ORDER BY at, id", (project,))

    def warmth(self) -> dict[date, float]:
        """How warm evenings were, where it was noted."""
        rows = self._all(
            "SELECT evening, avg(warm_c) FROM run WHERE warm_c IS NOT NULL GROUP BY evening", ()
        )
        return {date.fromisoformat(day): warm for day, warm in rows}

    def known_names(self) -> dict[str, list[str]]:
        """Boxes, songs and venues that there is something of, by name."""
        songs = {song for (told,) in self._all("SELECT DISTINCT songs FROM run", ())
                 for song in told.split("\n") if song}  # fmt: skip
        songs |= {song for (song,) in self._all("SELECT DISTINCT song FROM try", ())}
        boxes = {box for (box,) in self._all("SELECT DISTINCT box FROM box_check", ())}
        venues = {v for (v,) in self._all("SELECT DISTINCT venue FROM run", ()) if v}
        return {"box": sorted(boxes), "song": sorted(songs), "venue": sorted(venues)}

    def fault_evenings(self, project: str, last: int) -> list[tuple[str, str, int, int, int]]:
        """Of the last evenings that a project was played: (box, what, on how many of them, how
        many there were, day of the last as an ordinal)."""
        days = [day for (day,) in self._all(
            "SELECT DISTINCT evening FROM run WHERE project=? ORDER BY evening DESC LIMIT ?",
            (project, last),
        )]  # fmt: skip
        if not days:
            return []
        rows = self._all(
            "SELECT box, what, count(DISTINCT evening), max(evening) FROM event JOIN run ON "
            "run.id=event.run WHERE kind='fault' AND box<>'' AND project=? AND evening>=? "
            "GROUP BY box, what", (project, days[-1]),
        )  # fmt: skip
        return [(box, what, on, len(days), date.fromisoformat(day).toordinal())
                for box, what, on, day in rows]  # fmt: skip

    def _of(self, kind: type[_Row], table: str, where: str, values: Sequence[Any]) -> list[_Row]:
        names = [f.name for f in msgspec.structs.fields(kind)]
        words = where if where.startswith("WHERE") else f"WHERE {where}"
        rows = self._all(f"SELECT {', '.join(names)} FROM {table} {words}", values)
        return [_value(dict(zip(names, row, strict=True)), kind) for row in rows]

    def _all(self, words: str, values: Sequence[Any]) -> list[Any]:
        def read() -> list[Any]:
            with closing(self._db.execute(words, tuple(values))) as cursor:
                return cursor.fetchall()

        return _of_sqlite(read)


class _Whole:
    """A transaction that is all done or not at all."""

    def __init__(self, db: sqlite3.Connection) -> None:
        self._db = db

    def __enter__(self) -> None:
        self._db.execute("BEGIN IMMEDIATE")

    def __exit__(self, kind: object, *_: object) -> None:
        try:
            if kind is None:
                self._db.execute("COMMIT")
        finally:
            if self._db.in_transaction:  # a full disk may have ended it already
                self._db.execute("ROLLBACK")


_T = TypeVar("_T")


def _of_sqlite(do: Callable[[], _T]) -> _T:
    """Do something with the file; what SQLite says of it is said as one of Grebe's own errors."""
    try:
        return do()
    except sqlite3.Error as error:
        name = getattr(error, "sqlite_errorname", None) or ""
        if name.startswith(PASSES):
            raise LogError(f"the log cannot be used: {error}") from error
        raise LogDamagedError(f"the log is damaged: {error}") from error


def _value(told: dict[str, Any], kind: type[_Row]) -> _Row:
    """A row as a value. LogDamagedError where somebody else wrote it."""
    try:
        return msgspec.convert(told, kind)
    except msgspec.ValidationError as error:
        raise LogDamagedError(f"the log holds what is none of its rows: {error}") from error
