"""The log beside a window: nothing waits for it, and nothing is lost to it."""

from __future__ import annotations

import sqlite3
import time
from collections.abc import Iterator
from datetime import UTC, datetime, timedelta
from pathlib import Path

import msgspec
import pytest

from grebe.app.document.demo import fresh_demo
from grebe.app.document.store import Store
from grebe.app.live.drifting import Drifting
from grebe.app.live.position import raw_now_ns
from grebe.app.live.run_diary import RunDiary
from grebe.app.live.session import Session
from grebe.app.live.stage_model import StageModel
from grebe.app.log.book import LogBook, LogRow
from grebe.app.log.past import PastReader
from grebe.app.settings import read_settings, write_settings
from grebe.core.findings import find
from grebe.core.gear.model import note_of
from grebe.core.log.model import BoxCheck, LoggedRun, evening, local, stamp
from grebe.core.log.tonight import to_mend
from grebe.core.player.happened import Silenced, TempoTaken
from grebe.core.time.ticks import TICKS_PER_QUARTER
from grebe.errors import LogError
from grebe.formats import log_db
from grebe.formats.log_db import LogDb
from grebe.formats.log_filter import LogFilter
from grebe.protocols.link.messages import Deviation, DeviceStatus, Status
from tests.app.sessions import session_link
from tests.app.test_session import FakeClient, hear, welcome
from tests.waiting import PATIENCE_S

AT = datetime(2026, 11, 28, 21, 0, tzinfo=UTC)
BEAT = TICKS_PER_QUARTER
pytestmark = pytest.mark.usefixtures("own_folders")


def run(number: int) -> LoggedRun:
    at, zone = stamp(AT + timedelta(days=number))
    return LoggedRun(began=at, zone_min=zone, project="P", running=f"Night {number}", played_s=60)


@pytest.fixture
def book(monkeypatch: pytest.MonkeyPatch) -> Iterator[LogBook]:
    monkeypatch.setattr(log_db, "BUSY_S", 0.05)
    made = LogBook()
    yield made
    made.close()


def read(book: LogBook) -> LogDb:
    assert book.settle(PATIENCE_S)
    found = book.read()
    assert found is not None
    return found


def names(book: LogBook) -> set[str]:
    return {head.running for head in read(book).runs()}


def test_what_is_given_is_there_and_comes_back_at_once(book: LogBook) -> None:
    assert book.read() is None
    began = time.monotonic()
    book.add(run(0), run(1))
    assert time.monotonic() - began < 1.0
    assert names(book) == {"Night 0", "Night 1"}
    assert book.take_said() == []
    assert book.written == 1


def test_a_locked_log_is_waited_for_and_nothing_is_lost(book: LogBook) -> None:
    """Said once; what waits lies beside it, and goes in with the next thing that can."""
    book.add(run(0))
    read(book)
    lock = sqlite3.connect(book.path, isolation_level=None)
    lock.execute("BEGIN EXCLUSIVE")
    book.add(run(1))
    book.add(run(2))
    assert book.settle(PATIENCE_S)
    (said,) = book.take_said()
    assert "goes in as soon as it can" in said
    lock.execute("ROLLBACK")
    lock.close()
    book.add(run(3))
    assert names(book) == {f"Night {n}" for n in range(4)}
    assert sorted(p.name for p in book.folder.iterdir() if p.suffix == ".jsonl") == []


def test_a_window_that_closes_meanwhile_leaves_it_to_the_next(book: LogBook) -> None:
    book.add(run(0))
    read(book)
    lock = sqlite3.connect(book.path, isolation_level=None)
    lock.execute("BEGIN EXCLUSIVE")
    book.add(run(1))
    book.close()
    lock.execute("ROLLBACK")
    lock.close()
    after = LogBook()
    after.tidy()
    assert names(after) == {"Night 0", "Night 1"}
    after.close()


def test_a_full_disk_is_said_and_nothing_is_lost(book: LogBook) -> None:
    """SQLite says so of a file that may not grow."""
    book.add(run(0))
    read(book)

    def hold(pages: int) -> None:
        book._beside.submit(
            lambda: book._open()._db.execute(f"PRAGMA max_page_count={pages}").fetchone()
        ).result()

    hold(1)
    big = msgspec.structs.replace(run(1), note="x" * 400_000)
    book.add(big)
    assert book.settle(PATIENCE_S)
    assert any("full" in said for said in book.take_said())
    hold(1_000_000)
    book.add(run(2))
    assert names(book) == {"Night 0", "Night 1", "Night 2"}


@pytest.mark.parametrize("what", ["noise", "newer", "cut", "table"])
def test_what_is_no_log_is_set_aside_under_a_name_that_is_said(book: LogBook, what: str) -> None:
    """A new one is begun, and has what was to be written; the old file is kept as it was."""
    book.add(run(0))
    read(book)
    assert book._reader is not None
    book._reader[1].close()
    book._reader = None
    book.close()
    book._beside.shutdown()
    path = book.path
    if what == "noise":
        path.write_bytes(b"\x00\xff" * 9000)
    elif what == "cut":
        path.write_bytes(path.read_bytes()[:5000])
    else:
        with sqlite3.connect(path) as raw:
            raw.execute("PRAGMA user_version=7" if what == "newer" else "DROP TABLE event")
    before = path.read_bytes()
    after = LogBook()
    after.add(run(1))
    assert after.settle(PATIENCE_S)
    (said,) = after.take_said()
    (kept,) = after.folder.glob("log-set-aside-*.sqlite")
    assert kept.name in said
    assert kept.read_bytes() == before
    assert names(after) == {"Night 1"}
    after.close()


def test_a_check_has_the_firmware_that_was_noted(own_folders: Path) -> None:
    """The latest of what the performer wrote down of that box, under any of its names."""
    session = Session(Store.open(fresh_demo()))
    at, zone = stamp(AT)
    about = (
        ("Smew", "1.2", "2026-01-01"),
        ("smew", "1.4", "2026-05-01"),
        ("Knot", "9", "2026-06-01"),
    )
    session.gear.add(*(note_of("firmware", [box], "new", day, n) for box, n, day in about))
    session.log.add(
        BoxCheck(at=at, zone_min=zone, box="Smew"), BoxCheck(at=at, zone_min=zone, box="Dunlin")
    )
    assert {row.box: row.firmware for row in read(session.log).checks()} == {
        "Smew": "1.4",
        "Dunlin": "",
    }
    session.log.close()


def test_what_is_not_to_be_kept_is_not(book: LogBook) -> None:
    """By kind, and for so many days."""
    write_settings(msgspec.structs.replace(read_settings(), log_runs=False))
    at, zone = stamp(datetime.now().astimezone())
    old = BoxCheck(at=at - 40 * 86_400, zone_min=zone, box="Old")
    book.add(run(0), BoxCheck(at=at, zone_min=zone, box="Smew"), old)
    assert read(book).runs() == []
    assert len(read(book).checks()) == 2
    write_settings(msgspec.structs.replace(read_settings(), log_days=30))
    book.tidy()
    assert [row.box for row in read(book).checks()] == ["Smew"]


def test_an_evening_is_forgotten_and_a_run_is_noted(book: LogBook) -> None:
    book.add(run(0), run(1))
    first = read(book).runs()[0]
    book.note_run(first.id, venue="Boat house", note="cold", warm_c=9.0)
    assert [head.id for head in read(book).runs(LogFilter(words="boat cold"))] == [first.id]
    day = evening(first.began, first.zone_min)
    book.forget(day, day)
    assert names(book) == {"Night 0"}


# A run of the demo set, with the engine's words in our own hands


class Evening:
    """The demo played on one day: a hand that is late in one place, a box that drifts."""

    def __init__(self, day: int, late_ms: float, drift_ms_min: float) -> None:
        path = fresh_demo()
        self.session = session = Session(Store.open(path))
        self.client = FakeClient()
        session_link(session).client = self.client  # type: ignore[assignment]
        self.began = AT + timedelta(days=day)
        session.diary = RunDiary(session.store, session.selection, session.derived, session.log,
                                 lambda: self.began)  # fmt: skip
        session.drifting = Drifting(
            session.store, session.notices, session.position, session.hearing, session.log,
            lambda: self.began + timedelta(minutes=3),
        )  # fmt: skip
        hear(session, self.client, welcome())
        self.book = StageModel(session)
        self.late_ms, self.drift = late_ms, drift_ms_min
        self.began_ns = self.now_ns = raw_now_ns()
        session.position.now_ns = lambda: self.now_ns  # type: ignore[method-assign]

    def say(self, tick: float, seconds: float, **fields: object) -> None:
        """The engine's word; the window draws."""
        self.now_ns = self.began_ns + round(seconds * 1e9)
        status = Status(at_ns=self.now_ns, running=True, tick=tick,
                        devices=(DeviceStatus(id="dunlin", port="up"),), **fields)  # type: ignore[arg-type]  # fmt: skip
        hear(self.session, self.client, status)
        self.session.diary.take_moves(self.book)

    def play(self) -> None:
        """The first song, section by section."""
        layout = self.session.derived.layout()
        assert layout is not None
        second = BEAT * layout.song.bpm / 60
        spans = list(layout.spans)
        for number, span in enumerate(spans):
            after = spans[number + 1].section.id if number + 1 < len(spans) else ""
            where = {"bpm": layout.song.bpm, "section": span.section.id, "section_tick": span.tick,
                     "next_section": after, "boundary": span.end}  # fmt: skip
            for tick in range(span.tick, span.end, BEAT):
                at = tick / second
                late_now = self.late_ms and 0 <= self.hard == number - 1
                if late_now and tick == span.tick + BEAT:
                    self.say(self.pressed_at, self.pressed_at / second, **where)
                    assert self.book.tick_off() is not None
                late = Deviation(device="smew", tick=tick, ms=at / 60 * self.drift)
                self.say(tick + 1, at, deviations=(late,), **where)
            if number == 0:  # mutes by hand, a tempo of one's own, a box that goes and comes
                self.say(span.end - BEAT, (span.end - BEAT) / second, **where, happened=(
                    Silenced(tick=span.end - BEAT, silent=(("smew", ""),), by_hand=True),
                    TempoTaken(tick=span.end - BEAT, bpm=layout.song.bpm, ramp_ticks=0),
                ))  # fmt: skip
            now = self.book.now(layout)
            assert now is not None
            moves = self.book.moves(now)
            if self.hard < 0 and moves:
                self.hard = number
                self.pressed_at = span.end + self.late_ms / 1000 * second
            for move in moves:
                tick = move.closes - 0.02 * second
                if not self.late_ms or number != self.hard or move is not moves[0]:
                    self.say(tick, tick / second, **where)
                    self.book.tick_off()
        end = spans[-1].end / second
        hear(self.session, self.client,
             Status(at_ns=self.began_ns + round(end * 1e9), running=False))  # fmt: skip

    pressed_at = 0.0
    hard = -1
    """The section before the first change that hands make something in."""

    def close(self) -> None:
        assert self.session.log.settle(PATIENCE_S)
        self.session.derived.end()
        self.session.log.close()


def test_a_run_of_the_demo_is_written_down(book: LogBook) -> None:
    """Sections as long as they are written, mutes and tempo of hands, the box that drifted."""
    tonight = Evening(0, 0.0, 6.0)
    tonight.play()
    log = read(tonight.session.log)
    (head,) = log.runs()
    found = log.run(head.id)
    assert found is not None
    layout = tonight.session.derived.layout()
    assert layout is not None
    assert [part.scene for part in found.stretches] == [s.scene.name for s in layout.spans]
    a_beat_s = 60 / layout.song.bpm  # of which the engine's last word is before the end
    assert found.planned_s == pytest.approx(layout.seconds(), abs=a_beat_s + 0.1)
    assert sum(part.planned_s for part in found.stretches[:-1]) == pytest.approx(
        layout.tempo.seconds_at(layout.spans[-1].tick), abs=0.01
    )
    assert found.played_s == pytest.approx(layout.seconds(), abs=1.0)
    assert local(found.began, found.zone_min) == AT
    kinds = [event.kind for event in found.events]
    assert "mute" in kinds
    assert "tempo" in kinds
    (row,) = log.checks_of_run(found)
    assert row.box == "Smew"
    assert row.drift_ms_min == pytest.approx(6.0, abs=0.5)
    assert any("Smew drifted by +6.0 ms" in words.words for words in to_mend(found, [row]))
    past = PastReader(tonight.session.log).read(tonight.session.project)
    assert "past.drift" in [f.code for f in find(tonight.session.project, past=past).open]
    tonight.close()


def test_what_goes_wrong_beside_it(book: LogBook) -> None:
    """A box that goes and comes back, a clock that is lost, JACK that lost time; a run that was
    stopped at once is none; one that is only shown is not written down."""
    evening_ = Evening(0, 0.0, 0.0)
    where = {"bpm": 120.0, "section": "", "follows": "smew"}

    def say(seconds: float, port: str, hearing: str, overruns: int) -> None:
        status = Status(
            at_ns=evening_.began_ns + round(seconds * 1e9), running=True, tick=seconds,
            devices=(DeviceStatus(id="dunlin", port=port),), hearing=hearing, overruns=overruns,  # type: ignore[arg-type]
            **where,  # type: ignore[arg-type]
        )  # fmt: skip
        hear(evening_.session, evening_.client, status)

    stop = Status(at_ns=evening_.began_ns + 1, running=False)
    say(0, "up", "clock", 0)
    hear(evening_.session, evening_.client, stop)
    words = ((0, "up", "clock", 0), (5, "gone", "held", 1), (6, "gone", "held", 1),
             (9, "up", "clock", 1))  # fmt: skip
    for seconds, port, hearing, overruns in words:
        say(seconds, port, hearing, overruns)
    hear(evening_.session, evening_.client, stop)
    evening_.session.diary.on = False
    say(0, "up", "clock", 0)
    say(50, "up", "clock", 0)
    hear(evening_.session, evening_.client, stop)
    log = read(evening_.session.log)
    (head,) = log.runs()
    found = log.run(head.id)
    assert found is not None
    assert [(e.kind, e.at_s, e.what) for e in found.events] == [
        ("fault", 5.0, "Dunlin was gone"), ("fault", 5.0, "the clock of Smew was lost"),
        ("fault", 5.0, "JACK lost time"), ("recovery", 9.0, "Dunlin is back"),
        ("recovery", 9.0, "the clock of Smew is back"),
    ]  # fmt: skip
    evening_.close()


def test_a_row_that_cannot_be_written_takes_none_along(book: LogBook) -> None:
    """It is left out; the log is no worse for it, and the others go in with the next."""
    book.add(run(0))
    book.add(msgspec.structs.replace(run(1), note="\udcff"), run(2))
    book.add(run(3))
    assert names(book) == {"Night 0", "Night 2", "Night 3"}
    assert book.take_said() == []


def test_what_waited_goes_in_once(book: LogBook, monkeypatch: pytest.MonkeyPatch) -> None:
    """Also where the log is locked again in the middle of it."""
    book.add(run(0))
    read(book)
    add, left = LogDb.add, [2]

    def sometimes(self: LogDb, row: LogRow) -> int:
        if left[0] <= 0:
            raise LogError("the log cannot be used: database is locked")
        left[0] -= 1
        return add(self, row)

    monkeypatch.setattr(LogDb, "add", sometimes)
    left[0] = 0
    book.add(run(1), run(2), run(3))
    assert book.settle(PATIENCE_S)
    left[0] = 1
    book.add(run(4))
    assert book.settle(PATIENCE_S)
    left[0] = 99
    book.add(run(5))
    assert [head.running for head in reversed(read(book).runs())] == [
        f"Night {n}" for n in range(6)
    ]
