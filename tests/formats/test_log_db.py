"""The log on the disk: what goes in comes out, is found, counted and forgotten; figures against a
straight count in Python."""

from __future__ import annotations

import random
import sqlite3
from collections import Counter
from datetime import date
from pathlib import Path

import pytest

from grebe.core.log.model import BoxCheck, Event, LoggedRun, OnesRow, PlayedStretch, TryRow, evening
from grebe.errors import LogDamagedError, LogError, LogNewerError
from grebe.formats.log_db import LogDb
from grebe.formats.log_filter import LogFilter

BOXES = ("Smew", "Knot", "Avocet")
DAY_S = 86_400


def event(rng: random.Random, at_s: float) -> Event:
    verdict = rng.choice(("good", "late", "missed", ""))
    return Event(
        at_s=at_s, kind=rng.choice(("move", "fault", "mute", "launch")), song=f"Song {at_s % 3:g}",
        scene="Wake", box=rng.choice(BOXES), what=rng.choice(("press mute", "turn the knob")),
        verdict=verdict, off_ms=rng.uniform(-20, 80) if verdict == "late" else None,
    )  # fmt: skip


def run(number: int, rng: random.Random) -> LoggedRun:
    return LoggedRun(
        began=1_790_000_000.0 + number * 1.7 * DAY_S, zone_min=rng.choice((0, 60, -300)),
        project="Night ferry", running="Evening" if number % 2 else "Low water",
        songs=("Low water", "Wake") if number % 2 else ("Low water",),
        venue=f"Hall {number % 3}", played_s=200.0, leader="Grebe", priority="fifo", load=0.5,
        stretches=(
            PlayedStretch(song="Low water", scene="Wake", at_s=0, planned_s=150, played_s=200),
        ),
        events=tuple(event(rng, float(at)) for at in range(12)),
    )  # fmt: skip


@pytest.fixture
def runs() -> list[LoggedRun]:
    rng = random.Random(4)
    return [run(number, rng) for number in range(40)]


@pytest.fixture
def db(tmp_path: Path, runs: list[LoggedRun]) -> LogDb:
    made = LogDb(tmp_path / "log.sqlite")
    for one in runs:
        made.add(one)
    return made


def test_what_went_in_comes_out(db: LogDb, runs: list[LoggedRun]) -> None:
    heads = db.runs()
    assert [head.began for head in heads] == sorted((r.began for r in runs), reverse=True)
    for head, before in zip(heads, reversed(runs), strict=True):
        back = db.run(head.id)
        assert back is not None
        assert (back.events, back.stretches, back.songs) == (
            before.events, before.stretches, before.songs,
        )  # fmt: skip
        judged = [e for e in before.events if e.kind in ("move", "launch") and e.verdict]
        assert (head.asked, head.good) == (
            len(judged), sum(e.verdict == "good" for e in judged),
        )  # fmt: skip
        assert head.faults == sum(e.kind == "fault" for e in before.events)
        assert head.planned_s == before.planned_s
    assert db.run(999) is None


@pytest.mark.parametrize("wanted", [
    LogFilter(box="Knot"), LogFilter(song="Wake"), LogFilter(venue="Hall 2"),
    LogFilter(since=date(2026, 10, 10), until=date(2026, 11, 1)),
    LogFilter(box="Smew", venue="Hall 1", song="Low water"),
])  # fmt: skip
def test_a_filter_is_a_straight_count(db: LogDb, runs: list[LoggedRun], wanted: LogFilter) -> None:
    counted = [
        one for one in runs
        if (not wanted.box or any(e.box == wanted.box for e in one.events))
        and (not wanted.song or wanted.song in one.songs)
        and wanted.venue in ("", one.venue)
        and (wanted.since is None or evening(one.began, one.zone_min) >= wanted.since)
        and (wanted.until is None or evening(one.began, one.zone_min) <= wanted.until)
    ]  # fmt: skip
    assert counted
    assert [h.began for h in db.runs(wanted)] == [one.began for one in reversed(counted)]


def test_words_are_found_as_they_begin_and_all_of_them(db: LogDb) -> None:
    """Whatever is typed; what SQL would read as its own is words."""
    assert db.runs(LogFilter(words="knob TURN")) == db.runs(LogFilter(words="turn knob"))
    assert len(db.runs(LogFilter(words="hal"))) == 40
    assert db.runs(LogFilter(words="hal nowhere")) == []
    for typed in ('"', "'; DROP TABLE run", "NEAR(", "*", "-", "a OR b", "é ß 日本", ""):
        db.runs(LogFilter(words=typed))
    first = db.runs()[0].id
    db.note_run(first, venue="Boat house", note="bass too loud", warm_c=31.5)
    assert [head.id for head in db.runs(LogFilter(words="boat loud"))] == [first]
    back = db.run(first)
    assert back is not None
    assert (back.venue, back.warm_c) == ("Boat house", 31.5)


def test_faults_by_evening_are_a_straight_count(db: LogDb, runs: list[LoggedRun]) -> None:
    days = sorted({evening(r.began, r.zone_min) for r in runs})[-3:]
    on: Counter[tuple[str, str]] = Counter()
    for day in days:
        of_day = [r for r in runs if evening(r.began, r.zone_min) == day]
        on.update({(e.box, e.what) for r in of_day for e in r.events if e.kind == "fault"})
    found = {(box, what): n for box, what, n, of, _ in db.fault_evenings("Night ferry", 3)}
    assert found == dict(on)
    assert db.fault_evenings("Another", 3) == []


def test_checks_tries_and_the_one(db: LogDb) -> None:
    at = 1_790_000_000.0
    for number in range(4):
        db.add(BoxCheck(at=at - number * DAY_S, zone_min=60, box="Smew", profile="smew-drums",
                        bpm=120, offset_ms=float(number)))  # fmt: skip
        db.add(TryRow(at=at + number, zone_min=60, project="P", song="S", before="a", after="b",
                      kind="move", what="mute", verdict="good" if number else "late"))  # fmt: skip
    db.add(OnesRow(at=at, zone_min=60, project="P", song="S", bpm=120, taps=8, mean_ms=3,
                   spread_ms=9))  # fmt: skip
    assert [row.offset_ms for row in db.checks()] == [3, 2, 1, 0]
    assert Counter(row.box for row in db.checks()) == {"Smew": 4}
    assert len(db.checks_of_boxes({"Other"}, {"smew-drums"})) == 4
    assert db.checks(LogFilter(words="smew", box="Smew"))[0].box == "Smew"
    (head,) = db.transitions()
    assert (head.tries, head.good) == (4, 3)
    assert [r.verdict for r in db.tries("P", last=2)] == ["good", "good"]
    assert db.ones("P")[0].taps == 8


def test_an_evening_is_forgotten_whole_and_no_other(db: LogDb, runs: list[LoggedRun]) -> None:
    day = evening(runs[5].began, runs[5].zone_min)
    same = [r for r in runs if evening(r.began, r.zone_min) == day]
    db.add(TryRow(at=runs[5].began, zone_min=runs[5].zone_min, project="P", song="Gone now",
                  before="a", after="b", kind="move", what="x", verdict="late"))  # fmt: skip
    assert db.forget(day, day) == len(same) + 1
    assert db.transitions(LogFilter(words="gone now")) == []
    assert db.runs(LogFilter(since=day, until=day)) == []
    assert len(db.runs()) == len(runs) - len(same)


def test_what_is_no_log_is_said(tmp_path: Path) -> None:
    """Damaged, a newer one, a table gone: each by name; locked passes, and nothing is half done."""
    for name, content in (("noise", b"SQLite" * 400), ("text", b"not a database at all" * 90)):
        path = tmp_path / f"{name}.sqlite"
        path.write_bytes(content)
        with pytest.raises(LogDamagedError):
            LogDb(path)
    newer = tmp_path / "newer.sqlite"
    with sqlite3.connect(newer) as raw:
        raw.execute("PRAGMA user_version=99")
    with pytest.raises(LogNewerError, match="newer"):
        LogDb(newer)
    holed = tmp_path / "holed.sqlite"
    LogDb(holed).close()
    with sqlite3.connect(holed) as raw:
        raw.execute("DROP TABLE run")
    with pytest.raises(LogDamagedError):
        LogDb(holed)
    with pytest.raises(LogError):
        LogDb(tmp_path / "none.sqlite", read_only=True)


def test_an_evening_goes_on_after_midnight_wherever_it_is() -> None:
    """22:00 and 01:30 are of one evening, by the clock on that wall; six in the morning is not."""
    ten = 1_798_750_800.0  # 2026-12-31T21:00:00Z
    assert evening(ten, 60) == evening(ten + 3.5 * 3600, 60) == date(2026, 12, 31)
    assert evening(ten + 8.1 * 3600, 60) == date(2027, 1, 1)
    assert evening(ten, -600) == date(2026, 12, 31)
    assert evening(ten, 600) == date(2027, 1, 1)
