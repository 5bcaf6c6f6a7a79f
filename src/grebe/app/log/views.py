"""What the station Log shows: a run, a box over the evenings, a change over rehearsals; each with
its table. Without Qt."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from datetime import date, datetime
from typing import Literal

import msgspec

from grebe.app.live.session import Session
from grebe.app.log.tables import NOTHING, box_table, change_table, run_table
from grebe.core.gear.known import is_about
from grebe.core.gear.model import GearNote
from grebe.core.log.learning import LearningCurve, learning
from grebe.core.log.model import BoxCheck, LoggedRun, evening, local
from grebe.core.log.over_time import BoxHistory, GearChange, history
from grebe.core.log.tonight import ToMend, to_mend
from grebe.core.room import RoomTable
from grebe.core.time.formatting import clock_text
from grebe.errors import EditError, LogError
from grebe.formats.log_db import LogDb, RunHead, TransitionHead
from grebe.formats.log_filter import ALL, LogFilter
from grebe.words import counted, tr

LogPart = Literal["tonight", "boxes", "changes"]
PARTS: tuple[LogPart, ...] = ("tonight", "boxes", "changes")


class LogModel:
    """What of the log is wanted and in hand, read again when more was written."""

    def __init__(self, session: Session) -> None:
        self.session = session
        self.wanted: LogFilter = ALL
        self.problem = ""
        """Why it cannot be read."""
        self.runs: list[RunHead] = []
        self.boxes: list[str] = []
        self.changes: list[TransitionHead] = []
        self.at: dict[LogPart, int] = {"tonight": 0, "boxes": 0, "changes": 0}
        """Which of each is in hand."""
        self.run: LoggedRun | None = None
        self.mend: tuple[ToMend, ...] = ()
        self.box: BoxHistory | None = None
        self.curve: LearningCurve | None = None
        self.choices: dict[str, list[str]] = {}
        """Boxes, songs and venues that the log knows."""
        self._checks: list[BoxCheck] = []
        self._tables: dict[LogPart, RoomTable] = {}
        self._stamp: object = None

    # Read

    def refresh(self) -> bool:
        """Read what there is, if it is another than was read last; whether it was."""
        stamp = (self.session.log.written, self.wanted)
        if stamp == self._stamp:
            return False
        self._stamp = stamp
        self._with_log(self._read)
        return True

    def _with_log(self, read: Callable[[LogDb | None], None]) -> None:
        """Read something; a log that cannot be read says why, and has nothing."""
        try:
            self.problem = ""
            read(self.session.log.read())
        except LogError as error:
            self.problem = str(error)
            self._read(None)

    def _read(self, log: LogDb | None) -> None:
        self.runs = [] if log is None else log.runs(self.wanted)
        self._checks = [] if log is None else log.checks(self.wanted)
        self.choices = {} if log is None else log.known_names()
        latest = {row.box: row.at for row in self._checks}
        self.boxes = sorted(latest, key=lambda box: -latest[box])
        self.changes = [] if log is None else log.transitions(self.wanted)
        for part in PARTS:
            self.at[part] = max(0, min(self.at[part], len(self._listed(part)) - 1))
        self._read_in_hand(log)

    def _read_in_hand(self, log: LogDb | None) -> None:
        head = self.run_head
        self.run = None if log is None or head is None else log.run(head.id)
        checks = [] if log is None or self.run is None else log.checks_of_run(self.run)
        self.mend = () if self.run is None else to_mend(self.run, checks)
        box = self.box_name
        mine = [row for row in self._checks if row.box == box]
        warmth = {} if log is None else log.warmth()
        self.box = history(mine, self._firmware(mine), warmth) if box else None
        change = self.change
        self.curve = None
        if log is not None and change is not None:
            self.curve = learning(log.tries_of(change))
        self._tables = {part: self._table(part) for part in PARTS}

    def _firmware(self, rows: list[BoxCheck]) -> list[GearChange]:
        """What the performer noted of other firmware of a box."""
        names = {name for row in rows for name in (row.box, row.profile)}
        return [
            GearChange(datetime.fromisoformat(note.day).timestamp(),
                       tr("firmware: {firmware}", firmware=note.firmware or note.text))
            for note in self.session.gear.library.notes
            if note.kind == "firmware" and is_about(note, names)
        ]  # fmt: skip

    @property
    def notes_found(self) -> list[str]:
        """Notes on gear that have all the words that are looked for."""
        words = self.wanted.words.casefold().split()
        told = [(e, e.text if isinstance(e, GearNote) else e.what)
                for e in self.session.gear.library.entries]  # fmt: skip
        return [
            f"{entry.day} {', '.join(entry.gear)}: {text}" for entry, text in told
            if words and all(w in f"{text} {' '.join(entry.gear)}".casefold() for w in words)
        ]  # fmt: skip

    def _listed(self, part: LogPart) -> Sequence[object]:
        if part == "tonight":
            return self.runs
        return self.boxes if part == "boxes" else self.changes

    @property
    def run_head(self) -> RunHead | None:
        """The run in hand."""
        return self.runs[self.at["tonight"]] if self.runs else None

    @property
    def box_name(self) -> str:
        """The box in hand; "" for none."""
        return self.boxes[self.at["boxes"]] if self.boxes else ""

    @property
    def change(self) -> TransitionHead | None:
        """The change in hand."""
        return self.changes[self.at["changes"]] if self.changes else None

    def names(self, part: LogPart) -> list[str]:
        """What there is to take in hand, in words."""
        if part == "tonight":
            return [_run_words(head) for head in self.runs]
        if part == "boxes":
            return self.boxes
        return [
            tr("{song}: {before} into {after}", song=c.song, before=c.before, after=c.after)
            + "\n" + tr("{good} of {tries} good", good=c.good, tries=c.tries)
            for c in self.changes
        ]  # fmt: skip

    # What the performer does

    def take(self, part: LogPart, index: int) -> None:
        """Take another one in hand."""
        if 0 <= index < len(self._listed(part)):
            self.at[part] = index
            self._with_log(self._read_in_hand)

    def want(self, wanted: LogFilter) -> None:
        """Show what fits this alone."""
        self.wanted = wanted
        self.refresh()

    def forget_evening(self) -> date:
        """Have the whole evening of the run in hand taken out; which it was. EditError where there
        is no run."""
        head = self.run_head
        if head is None:
            raise EditError(tr("there is no run in hand"))
        day = evening(head.began, head.zone_min)
        self.session.log.forget(day, day)
        return day

    # A form's

    def field_text(self, owner: str, key: str) -> str | None:
        """What is noted of the run in hand; None without one."""
        del owner
        if self.run is None:
            return None
        value = getattr(self.run, key)
        return "" if value is None else f"{value:g}" if isinstance(value, float) else str(value)

    def field_choices(self, owner: str, key: str) -> tuple[str, ...]:
        """None: all is typed."""
        del owner, key
        return ()

    def set_field(self, owner: str, key: str, text: str) -> None:
        """Note something of the run in hand. EditError for a temperature that is no number."""
        del owner
        run = self.run
        if run is None:
            raise EditError(tr("there is no run in hand"))
        value: object = text.strip()[:400]
        if key == "warm_c":
            try:
                value = float(text.replace(",", ".")) if text.strip() else None
            except ValueError as error:
                raise EditError(tr("it goes in degrees, as 24.5")) from error
        self.run = run = msgspec.structs.replace(run, **{key: value})
        self.session.log.note_run(run.id, venue=run.venue, note=run.note, warm_c=run.warm_c)

    def table(self, part: LogPart) -> RoomTable:
        """What is shown, as a table."""
        return self._tables.get(part, NOTHING)

    def _table(self, part: LogPart) -> RoomTable:
        if part == "tonight":
            return NOTHING if self.run is None else run_table(self.run, self.mend)
        if part == "boxes":
            return NOTHING if self.box is None else box_table(self.box_name, self.box)
        if self.change is None or self.curve is None:
            return NOTHING
        return change_table(self.change, self.curve)


def _run_words(head: RunHead) -> str:
    day = local(head.began, head.zone_min).strftime("%Y-%m-%d %H:%M")
    below = [clock_text(head.played_s)]
    wrong = head.asked - head.good
    if wrong:
        below.append(tr("{wrong} not in time", wrong=wrong))
    if head.faults:
        below.append(counted(head.faults, "fault"))
    return f"{day}  {head.running or head.project}\n{', '.join(below)}"
