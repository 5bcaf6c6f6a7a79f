"""`grebe log`: lists, one thing of it, files, forgetting; what cannot be is said in a line."""

from __future__ import annotations

import csv
from pathlib import Path

import pytest

from grebe.app.log.book import LogBook
from grebe.core.log.model import BoxCheck, Event, LoggedRun, PlayedStretch, TryRow
from tests.cli.conftest import answer, run

AT = 1_790_000_000.0


@pytest.fixture
def kept(own_folders: Path) -> None:
    book = LogBook()
    book.add(
        LoggedRun(
            began=AT, zone_min=60, project="P", running="Night", songs=("A",), venue="Boat house",
            played_s=100,
            stretches=(PlayedStretch(song="A", scene="x", at_s=0, planned_s=90, played_s=100),),
            events=(Event(at_s=5, kind="fault", box="Smew", what="Smew was gone"),),
        ),
        *(BoxCheck(at=AT + n * 86_400, zone_min=60, box="Smew", bpm=100 + n * 10,
                   offset_ms=5.0 + n) for n in range(5)),
        *(TryRow(at=AT + n, zone_min=60, project="P", song="A", before="x", after="y", kind="move",
                 what="mute", verdict="late") for n in range(6)),
    )  # fmt: skip
    book.settle()
    book.close()


def test_it_is_listed(kept: None, capsys: pytest.CaptureFixture[str]) -> None:
    (head,) = answer(capsys, "log")["runs"]
    assert head["began"] == "2026-09-21T15:13:20+01:00"
    assert (head["running"], head["faults"], head["venue"]) == ("Night", 1, "Boat house")
    (box,) = answer(capsys, "log", "--kind", "boxes")["boxes"]
    assert box["own_ms"]["value"] == 7.0
    assert box["by_bpm"]["value"] == pytest.approx(0.1)
    (change,) = answer(capsys, "log", "--kind", "changes", "--song", "A")["changes"]
    assert (change["tries"], change["good"], change["ready"]) == (6, 0, False)
    assert answer(capsys, "log", "--words", "boat gone")["runs"]
    assert answer(capsys, "log", "--venue", "elsewhere")["runs"] == []
    status, out, _ = run(capsys, "log", "--since", "2030-01-01")
    assert (status, out) == (0, "nothing fits\n")
    status, out, _ = run(capsys, "log", "--run", "1")
    assert "Smew was gone" in out


def test_one_thing_becomes_a_file(
    kept: None, capsys: pytest.CaptureFixture[str], tmp_path: Path
) -> None:
    table, sheet = tmp_path / "run.csv", tmp_path / "box.html"
    assert answer(capsys, "log", "--run", "1", "--to", str(table))["files"] == [str(table)]
    rows = list(csv.reader(table.read_text(encoding="utf-8-sig").splitlines()))
    assert rows[0][0] == "Time"
    assert rows[2][3] == "Smew was gone"
    assert run(capsys, "log", "--kind", "boxes", "--to", str(sheet))[0] == 0
    assert "Smew over time" in sheet.read_text()
    told = answer(capsys, "log", "--kind", "changes", "--to", str(tmp_path / "c.html"))
    assert told["files"]


def test_an_evening_is_forgotten(kept: None, capsys: pytest.CaptureFixture[str]) -> None:
    assert run(capsys, "log", "--forget", "2026-09-21")[0] == 0
    assert answer(capsys, "log")["runs"] == []
    (box,) = answer(capsys, "log", "--kind", "boxes")["boxes"]
    assert box["checks"] == 4


@pytest.mark.usefixtures("own_folders")
def test_what_cannot_be_is_said(capsys: pytest.CaptureFixture[str]) -> None:
    status, _, err = run(capsys, "log")
    assert (status, "there is no log yet" in err) == (2, True)


def test_what_is_not_there_is_said(kept: None, capsys: pytest.CaptureFixture[str]) -> None:
    for words, said in (
        (("--run", "9"), "there is no run 9"), (("--since", "yesterday"), "a day goes as"),
        (("--kind", "boxes", "--box", "Nobody", "--to", "x.csv"), "name one box"),
        (("--kind", "changes", "--song", "Z", "--to", "x.csv"), "no change fits"),
        (("--run", "1", "--to", "x.txt"), ".html, .pdf or .csv"),
    ):  # fmt: skip
        status, _, err = run(capsys, "log", *words)
        assert (status, said in err) == (2, True), err
