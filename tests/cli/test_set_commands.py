"""Sets and the calculators of times, as a shell sees them."""

from __future__ import annotations

import json
from pathlib import Path

import msgspec
import pytest

from grebe.core.sets.model import Set, SetSong
from grebe.core.songs.model import Section, Song
from grebe.formats.project import write_project
from tests import build
from tests.cli.conftest import answer, run

Capture = pytest.CaptureFixture[str]


def test_echo_times(capsys: Capture) -> None:
    """60 000/BPM: 140 is 428.571, 321.429, 285.714 ms; what cannot take 140 is set to 70."""
    found = answer(
        capsys, "calc", "delay", "--bpm", "140", "--min-ms", "20", "--max-ms", "400"
    )  # fmt: skip
    rows = {r["note"]: (round(r["ms"], 3), r["fits"]) for r in found["notes"]}
    assert len(rows) == 18
    assert rows["1/4"] == (428.571, False)
    assert rows["1/8."] == (321.429, True)
    assert rows["1/4t"] == (285.714, True)
    assert found["halved_bpm"] == 280.0
    slow = ("--min-ms", "500", "--max-ms", "900")
    assert answer(capsys, "calc", "delay", "--bpm", "140", *slow)["halved_bpm"] == 70
    assert answer(capsys, "calc", "delay", "--bpm", "120")["halved_bpm"] is None
    narrow = ("--min-ms", "300", "--max-ms", "301")
    assert answer(capsys, "calc", "delay", "--bpm", "120", *narrow)["halved_bpm"] is None
    assert "428.571 ms" in run(capsys, "calc", "delay", "--bpm", "140")[1]
    assert run(capsys, "calc", "delay", "--bpm", "140", "--min-ms", "9", "--max-ms", "3")[0] == 2


def test_loops_speed_and_levels(capsys: Capture) -> None:
    """Samples of a loop; 12 log2 of the ratio (ISO 16); NIOSH 98-126."""
    found = answer(capsys, "calc", "loop", "--bpm", "126", "--bars", "4", "--rate", "48000")
    assert (round(found["samples"], 3), found["nearest"]) == (365714.286, 365714)
    assert found["drift_ms_per_hour"] == pytest.approx(-2.8125)
    found = answer(capsys, "calc", "repitch", "--from", "140", "--to", "126")
    assert found == {"ratio": 0.9, "semitones": -1.824037, "cents": -182.4037}
    for level, minutes in ((85, 480), (88, 240), (100, 15), (103, 7.5)):
        assert answer(capsys, "calc", "hearing", "--level", str(level))["minutes"] == minutes
    assert "licensed" in run(capsys, "calc", "hearing", "--level", "100")[1]
    assert run(capsys, "calc", "loop", "--bpm", "126", "--bars", "4", "--rate", "0")[0] == 2


def test_a_set(capsys: Capture, demo: str, tmp_path: Path) -> None:
    """On its axis, in order, as CSV out and in, saved; its sheet and cue list."""
    found = answer(capsys, "set", demo)
    assert [s["song"] for s in found["songs"]][:2] == ["Cast off", "Harbour bell"]
    assert found["spare_seconds"] == pytest.approx(2880 - found["seconds"])
    assert found["songs"][4]["crossing"]["fits"] is False
    assert "Night ferry:" in run(capsys, "set", demo, "--order")[1]
    csv, saved = str(tmp_path / "s.csv"), str(tmp_path / "s.grebe")
    ordered = answer(capsys, "set", demo, "--order", "--to-csv", csv)
    assert ordered["exact"] is True
    again = answer(capsys, "set", demo, "--from-csv", csv, "--save", saved)
    names = [s["song"] for s in ordered["songs"]]
    assert [s["song"] for s in again["songs"]] == names
    assert answer(capsys, "set", saved)["songs"] == again["songs"]
    sheet = str(tmp_path / "s.html")
    stage = ("--set", "Night ferry", "--kind", "stage", "--to", sheet)
    assert run(capsys, "sheet", demo, *stage)[0] == 0
    assert "Smew cannot be ready" in Path(sheet).read_text()
    cued = ("--set", "Night ferry", "--csv", "--to", str(tmp_path))
    assert run(capsys, "render", demo, *cued)[0] == 0
    cues = (tmp_path / "night-ferry, set cues.csv").read_text().splitlines()
    assert cues[0] == "song,bar,beat,seconds,kind,device,what,by"
    last = cues[-1].split(",")
    assert float(last[3]) == pytest.approx(found["seconds"], abs=0.01)


def test_sets_asked_for_wrongly(capsys: Capture, demo: str, tmp_path: Path) -> None:
    """One line, status 2."""
    for words in (
        ("set", demo, "--set", "Gone"),
        ("sheet", demo, "--set", "Night ferry", "--to", "x.html"),
        ("render", demo, "--set", "Night ferry", "--to", str(tmp_path)),
        ("run", demo, "--seconds", "1"),
        ("run", demo, "--set", "Gone", "--seconds", "1"),
    ):
        status, out, err = run(capsys, *words)
        assert (status, out, err.count("\n")) == (2, "", 1)


@pytest.mark.parametrize(
    ("text", "words"),
    [
        ("name\nx\n", "`song` among them"),
        ("song\nGone\n", "line 2: there is no song"),
        ("song,into\nWake,fly\n", "into is one of"),
        ("song,ramp_bars\nWake,x\n", "is a number"),
        ("song,ramp_bars\nWake,999\n", "line 2"),
        ("song,pinned\nWake,perhaps\n", "pinned is yes"),
        ('song\n"x\n', "not CSV"),
    ],
)
def test_a_csv_that_is_wrong(
    capsys: Capture, demo: str, tmp_path: Path, text: str, words: str
) -> None:
    """Which line, and what is wrong with it."""
    path = tmp_path / "s.csv"
    path.write_text(text)
    status, _, err = run(capsys, "set", demo, "--from-csv", str(path))
    assert status == 2
    assert words in err
    assert run(capsys, "set", demo, "--from-csv", str(tmp_path / "none.csv"))[0] == 2


@pytest.mark.real_time("no tick may be missed")
def test_a_set_runs_through_its_stops(capsys: Capture, tmp_path: Path) -> None:
    """Two songs of a second each, half a second of silence between: no tick is lost in either."""
    base = build.two_boxes()
    scene = build.scene("q", 1, drums=["d1"], bass=["b1"])
    one = (Section(id="x", scene="q"),)
    songs = tuple(Song(id=n, name=n, bpm=240.0, sections=one) for n in ("one", "two"))
    places = tuple(SetSong(id=f"e{n}", song=s.id, gap_s=0.5) for n, s in enumerate(songs))
    project = msgspec.structs.replace(
        base, scenes=(scene,), songs=songs, sets=(Set(id="n", name="N", songs=places),)
    )
    path = tmp_path / "n.grebe"
    write_project(path, project)
    status, out, _ = run(capsys, "run", str(path), "--set", "N", "--seconds", "10", "--json")
    found = json.loads(out)
    assert status == 0
    assert 2.0 < found["seconds"] < 6.0
    assert [d["missed"] for d in found["devices"]] == [0, 0]
    assert found["song"] == "N"
