"""The commands as a shell sees them: output, exit status, one line on stderr."""

from __future__ import annotations

import argparse
import json
import re
import subprocess
import sys
from importlib import import_module
from pathlib import Path
from typing import Any

import mido
import msgspec
import pytest

from grebe.app.document.demo import demo_bytes
from grebe.cli.live import _interfaces
from grebe.cli.main import MODULES, main, wanted_modules
from grebe.core.document import with_device, with_leader
from grebe.core.rig.model import Port
from grebe.formats.project import read_project, write_project
from tests import build
from tests.cli.conftest import answer, run


def test_list(capsys: pytest.CaptureFixture[str], demo: str) -> None:
    """Everything by name, songs with their length."""
    listing = answer(capsys, "list", demo)
    assert set(listing) == {"devices", "patterns", "scenes", "songs", "sets", "weight"}
    assert set(listing["weight"]) == {"wire", "interface", "hands"}
    assert listing["devices"] == [
        "Smew", "Knot", "Scaup", "Dunlin", "Garganey", "Gadwall", "Teal", "Ruff", "Dipper",
        "Avocet",
    ]  # fmt: skip
    assert listing["songs"][0] == {"name": "Harbour bell", "bars": 112, "seconds": 213.333333}
    assert "songs: Harbour bell, Low water" in run(capsys, "list", demo)[1]


def test_check(capsys: pytest.CaptureFixture[str], demo: str, tmp_path: Path) -> None:
    """Findings with their keys; status 1 when one blocks."""
    status, out, _ = run(capsys, "check", demo, "--json")
    assert status == 1  # one of its faults blocks
    finding = json.loads(out)["findings"][0]
    assert finding["code"] == "rig.middle-clock"
    assert set(finding) >= {"code", "severity", "subject", "message", "why", "fix"}
    assert [f["code"] for f in json.loads(out)["intended"]] == ["set.tempo-jump"]
    path = tmp_path / "x.grebe"
    write_project(path, with_leader(build.two_boxes(), None))
    status, out, _ = run(capsys, "check", str(path), "--json")
    assert status == 1
    assert json.loads(out)["findings"][0]["code"] == "rig.no-leader"
    write_project(path, build.two_boxes())
    assert run(capsys, "check", str(path)) == (0, "Nothing to look at.\n", "")


def test_render(capsys: pytest.CaptureFixture[str], demo: str, tmp_path: Path) -> None:
    """The file is there and readable; without a kind of file it asks for one."""
    folder = str(tmp_path / "out")
    files = answer(capsys, "render", demo, "--song", "Low water", "--to", folder, "--smf")["files"]
    assert files == [f"{folder}/low-water.mid"]
    assert mido.MidiFile(files[0]).type == 1
    status, _, err = run(capsys, "render", demo, "--song", "Low water", "--to", folder)
    assert (status, err) == (
        2,
        "grebe: say what to render: --smf, --wav, --stems, --pulse RATE, --csv, --markers\n",
    )


def test_sheet(capsys: pytest.CaptureFixture[str], demo: str, tmp_path: Path) -> None:
    """HTML and PDF, of the rig and of one device; bad names are said in one line."""
    page = tmp_path / "set-up.html"
    files = answer(capsys, "sheet", demo, "--kind", "setup", "--to", str(page))["files"]
    assert files == [str(page)]
    text = page.read_text()
    assert "<h2>Smew</h2>" in text
    assert "http" not in text
    one = tmp_path / "knot.html"
    assert run(capsys, "sheet", demo, "--to", str(one), "--device", "Knot")[0] == 0
    assert "<h2>Smew</h2>" not in one.read_text()
    paper = tmp_path / "set-up.pdf"
    assert run(capsys, "sheet", demo, "--song", "Low water", "--to", str(paper))[0] == 0
    assert paper.read_bytes().startswith(b"%PDF-")
    for words, said in (
        (("--to", str(tmp_path / "x.txt")), ".html or .pdf"),
        (("--to", str(page), "--device", "Nobody"), "there is no device 'Nobody'"),
        (("--to", str(page), "--song", "Nothing"), "there is no song"),
    ):
        status, _, err = run(capsys, "sheet", demo, *words)
        assert (status, said in err) == (2, True)


def test_a_sheet_that_is_printed_is_remembered(
    capsys: pytest.CaptureFixture[str], demo: str, tmp_path: Path
) -> None:
    """Asked for with it; the next one marks what is otherwise. What a newer Grebe wrote into the
    project stays there."""
    project = Path(demo)
    own = json.loads(project.read_text()) | {"of_a_newer_one": {"kept": True}}
    project.write_text(json.dumps(own))
    before = project.read_bytes()
    page = tmp_path / "cues.html"
    words = ("sheet", demo, "--kind", "cues", "--song", "Low water", "--to", str(page))
    assert run(capsys, *words)[0] == 0
    assert project.read_bytes() == before
    assert run(capsys, *words, "--printed")[0] == 0
    told = json.loads(project.read_text())
    assert [sheet["key"] for sheet in told["printed_sheets"]] == ["cues:song:low-water"]
    assert told["of_a_newer_one"] == {"kept": True}
    for scene in told["scenes"]:
        scene["name"] = scene["name"].upper()
    project.write_text(json.dumps(told))
    assert run(capsys, *words)[0] == 0
    assert "printed" in page.read_text()
    status, _, err = run(capsys, "sheet", demo, "--kind", "programme", "--song", "Low water",
                         "--to", str(page), "--printed")  # fmt: skip
    assert (status, "remembered in Song" in err) == (2, True)


def test_sheets_and_cues_of_a_song(
    capsys: pytest.CaptureFixture[str], demo: str, tmp_path: Path
) -> None:
    """Programme and stage sheet as HTML and PDF, the cue list as CSV; without a song, why not."""
    page = tmp_path / "programme.html"
    of = ("--song", "Harbour bell", "--kind")
    assert run(capsys, "sheet", demo, *of, "programme", "--to", str(page))[0] == 0
    text = page.read_text()
    assert "Garganey" in text
    assert "past its limit of 4" in text
    one = tmp_path / "one.html"
    words = ("programme", "--device", "Smew", "--to", str(one))
    assert run(capsys, "sheet", demo, *of, *words)[0] == 0
    assert "Garganey" not in one.read_text()
    paper = tmp_path / "stage.pdf"
    assert run(capsys, "sheet", demo, *of, "stage", "--to", str(paper))[0] == 0
    assert paper.read_bytes().startswith(b"%PDF-")
    status, _, err = run(capsys, "sheet", demo, "--kind", "stage", "--to", str(paper))
    assert (status, "--song" in err) == (2, True)
    folder = str(tmp_path / "out")
    words = ("--song", "Harbour bell", "--to", folder, "--csv")
    (path,) = answer(capsys, "render", demo, *words)["files"]
    assert Path(path).read_text().startswith("bar,beat,seconds,kind,device,what,by")


@pytest.mark.parametrize(
    ("words", "wanted"),
    [
        (
            "position --bar 33 --beat 1 --meter 4/4 --bpm 126",
            {"song_position": 512, "bytes": "F2 00 04", "clocks": 3072, "seconds": 60.952381},
        ),
        ("tempo --seconds 7.619 --bars 4 --meter 4/4", {"bpm": 126.000788}),
        ("ramp --from 120 --to 140 --bars 8 --meter 4/4", {"seconds": 14.798465}),
        ("tap --times 0,0.5,1.0,1.5", {"bpm": 120.0, "low": 120.0, "high": 120.0}),
        (
            "pulses --from 48 --to 24 --bpm 120",
            {"ratio": "1/2", "action": "divide", "factor": 2, "from_hz": 96.0, "to_hz": 48.0},
        ),
        ("wire --notes 4", {"first_ms": 0.96, "last_ms": 3.84, "spread_ms": 2.88}),
        (
            "notemap --from base=36,rows=1,cols=2 --to base=60,rows=1,cols=2,order=down",
            {"offset": 24, "pairs": [[36, 60, 1, 1], [37, 61, 2, 2]]},
        ),
    ],
)
def test_calc(capsys: pytest.CaptureFixture[str], words: str, wanted: dict[str, Any]) -> None:
    """Worked numbers; in words without --json."""
    assert answer(capsys, "calc", *words.split()) == wanted
    status, out, _ = run(capsys, "calc", *words.split())
    assert status == 0
    assert out.endswith(".\n")


@pytest.mark.parametrize(
    ("words", "said"),
    [
        ("list nowhere.grebe", "nowhere.grebe is not there"),
        ("run DEMO --song x --seconds 1", "there is no song 'x'"),
        ("run DEMO --song x --seconds 0", "seconds go from 0.1"),
        ("run DEMO --song x --seconds 1 --faults {", "--faults should be JSON"),
        ('run DEMO --song x --seconds 1 --faults {"Coot":{}}', "no device 'Coot'; devices: Smew"),
        ('run DEMO --song x --seconds 1 --faults {"Smew":{"late":3}}', "no fault 'late'"),
        (
            'run DEMO --song x --seconds 1 --faults {"Smew":{"latency_ms":-3}}',
            "Expected `float` >= 0",
        ),
        ("run DEMO --song x --seconds 1 --leader Gadwall", "Gadwall's clock does not reach"),
        ("run DEMO --song x --seconds 1 --leader Coot", "no device 'Coot'"),
        ("calc", "say which calculator"),
        ("calc position --bar 0 --bpm 126", "bar counts from 1"),
        ("calc position --bar 2000 --bpm 126", "song position counts to 16383"),
        ("calc ramp --from 5 --to 140 --bars 8", "BPM goes from 20 to 400"),
        ("calc tap --times 0,1", "at least 3"),
        ("calc tap --times a,b", "times should be seconds"),
        ("calc tempo --seconds 1 --bars 1 --meter 4/3", "metre must look like"),
        ("calc pulses --from 0 --to 24 --bpm 120", "a rate goes from 1/64"),
        ("calc pulses --from x --to 24 --bpm 120", "a rate is pulses a quarter note"),
        ("calc wire --notes 0", "notes go from 1"),
        ("calc notemap --from base=36 --to base=99,rows=99", "Expected `int` <= 16"),
        ("calc notemap --from base --to base=60", "pads should look like"),
        ("nonsense", "there is no command 'nonsense' (see"),
        ("chek x.grebe", "there is no command 'chek', did you mean check? (see"),
    ],
)
def test_unusable_input(
    capsys: pytest.CaptureFixture[str], demo: str, words: str, said: str
) -> None:
    """Status 2 and one line on stderr that says what, where and what to do."""
    status, out, err = run(capsys, *[demo if w == "DEMO" else w for w in words.split()])
    assert (status, out) == (2, "")
    assert said in err
    assert err.count("\n") == 1


def test_help_has_an_example(capsys: pytest.CaptureFixture[str]) -> None:
    """Every command shows one."""
    commands = ["open", "demo", "list", "check", "render", "run", "engine", "stop", "ports",
                "bench", "calc"]  # fmt: skip
    for name in commands:
        status, out, _ = run(capsys, name, "--help")
        assert status == 0
        assert f"example: grebe {name}" in out
    for name in ("position", "tempo", "ramp", "tap", "pulses", "wire", "notemap"):
        assert f"example: grebe calc {name}" in run(capsys, "calc", name, "--help")[1]


def test_demo_path(capsys: pytest.CaptureFixture[str]) -> None:
    """A fresh copy, and no window."""
    status, out, _ = run(capsys, "demo", "--path")
    assert status == 0
    assert Path(out.strip()).read_bytes() == demo_bytes()


@pytest.mark.real_time("no tick may be missed")
def test_run_reports_every_device(capsys: pytest.CaptureFixture[str], demo: str) -> None:
    """Engine and stand-ins for real; no tick missed, and status 1 where there are faults."""
    report = answer(capsys, "run", demo, "--song", "Low water", "--seconds", "1.5")
    assert report["song"] == "Low water"
    rows = {row["name"]: row for row in report["devices"]}
    assert list(rows) == [
        "Smew", "Knot", "Scaup", "Dunlin", "Garganey", "Gadwall", "Teal", "Ruff", "Dipper",
        "Avocet",
    ]  # fmt: skip
    for name in ("Smew", "Knot", "Scaup", "Dunlin"):  # Scaup by way of Knot's thru
        row = rows[name]
        assert row["sent"] == row["received"] > 24
        assert row["missed"] == 0
        assert set(row["lateness_ms"]) == {"p50", "p95", "p99", "max"}
    assert rows["Gadwall"]["sent"] == 0
    faults = '{"Smew": {"drop_percent": 40}}'
    status, out, _ = run(
        capsys, "run", demo, "--song", "Low water", "--seconds", "1.5", "--faults", faults
    )
    assert status == 1
    assert out.startswith("Smew: ")


def test_run_says_which_port_is_not_there(capsys: pytest.CaptureFixture[str], demo: str) -> None:
    """With the reason, and fails: a box that got nothing missed no tick that was sent."""
    project = read_project(Path(demo)).project
    smew = project.device_named("Smew").id
    away = msgspec.structs.replace(
        project.device_named("Smew"), port=Port(wire="jack", name="a:in")
    )
    write_project(Path(demo), with_device(project, smew, lambda _: away))
    song = ("--song", "Low water", "--seconds", "0.5")
    status, out, _ = run(capsys, "run", demo, *song)
    assert status == 1
    assert re.search("^Smew: no clock from Grebe; port not there: a:in: .+", out, re.MULTILINE)
    status, out, _ = run(capsys, "run", demo, *song, "--json")
    rows = {row["name"]: row for row in json.loads(out)["devices"]}
    assert status == 1
    assert rows["Smew"]["problem"].startswith("a:in: ")
    assert not rows["Knot"]["problem"]


def test_ports_and_stop(capsys: pytest.CaptureFixture[str]) -> None:
    """By transport, each with the reason when there are none; nothing to stop is said."""
    found = answer(capsys, "ports")
    assert set(found) == {"jack", "alsa", "sound", "sessions", "network"}
    for row in found.values():
        assert row["available"] or row["reason"]
    assert "alsa" in run(capsys, "ports")[1] or found["alsa"]["available"]
    assert _interfaces(["1 of Desk", "2 of Desk", "1 of Mic"]) == [
        "Desk, channels 1 to 2",
        "Mic, channels 1 to 1",
    ]
    assert run(capsys, "stop")[:2] == (1, "No engine is running.\n")


def test_engine_and_stop_as_processes() -> None:
    """`grebe engine` in one place, `grebe stop` in another."""
    grebe = [sys.executable, "-m", "grebe"]
    engine = subprocess.Popen([*grebe, "engine"])
    from grebe.app.engine.client import connect_when_ready

    connect_when_ready().close()
    done = subprocess.run([*grebe, "stop"], capture_output=True, check=False)
    assert (done.returncode, done.stdout) == (0, b"The engine has ended.\n")
    assert engine.wait(5) == 0


@pytest.mark.real_time("runs of half a second, of which one may fall into a stall")
def test_the_bench_measures(
    capsys: pytest.CaptureFixture[str], monkeypatch: pytest.MonkeyPatch
) -> None:
    """Short runs with the keys that are fixed; figures come from measuring, so they differ."""
    monkeypatch.setattr("grebe.bench.clock.BUSY", 1)  # other tests run meanwhile
    clock = answer(capsys, "bench", "--only", "clock", "--seconds", "0.4")["clock"]
    assert clock["priority"] in ("fifo", "none")
    for name in ("grebe", "sleep"):
        for load in ("idle", "load"):
            row = clock[name][load]
            assert row["ticks"] > 8 * 10
            assert row["p50_ms"] <= row["p99_ms"] <= row["max_ms"]


def test_a_song_that_cannot_be_laid_out_is_still_listed(
    capsys: pytest.CaptureFixture[str], tmp_path: Path
) -> None:
    """Its length is unknown; `check` says why."""
    path = tmp_path / "x.grebe"
    write_project(path, msgspec.structs.replace(build.two_boxes(), scenes=()))
    rows = answer(capsys, "list", str(path))["songs"]
    assert rows == [{"name": "Song", "bars": None, "seconds": None}]


def test_the_table_of_modules_names_every_command_where_it_is() -> None:
    for module, named in MODULES.items():
        parser = argparse.ArgumentParser()
        commands = parser.add_subparsers()
        import_module(f"grebe.cli.{module}").add_commands(commands)
        assert tuple(commands.choices) == named
    assert list(wanted_modules(["check", "a.grebe"])) == ["check"]
    assert list(wanted_modules(["--help"])) == list(MODULES)


def test_a_command_loads_what_it_needs() -> None:
    """The version needs nothing of ours, a calculator neither NumPy nor Qt nor the MIDI files."""
    for line, never in (
        ("--version", ("msgspec", "numpy", "grebe.core.units")),
        ("calc delay --bpm 120", ("numpy", "PyQt6", "mido", "grebe.formats.project")),
    ):
        ran = subprocess.run(
            [sys.executable, "-X", "importtime", "-m", "grebe", *line.split()],
            capture_output=True, text=True, check=True,
        )  # fmt: skip
        loaded = {row.rpartition("|")[2].strip() for row in ran.stderr.splitlines()}
        assert not loaded & set(never)


def test_a_project_from_nothing(tmp_path: Path, capsys: pytest.CaptureFixture[str]) -> None:
    """Boxes by profile and name, cables proposed; never over a file that is there."""
    path = tmp_path / "mine.grebe"
    words = ["new", str(path), "--box", "gannet:Kit", "--box", "gannet", "--bpm", "124", "--json"]
    assert main(words) == 0
    made = json.loads(capsys.readouterr().out)
    assert (made["devices"], made["blocking"]) == (["Kit", "Gannet"], 0)
    assert (made["cables"], made["scenes"], made["songs"]) == (2, ["Scene"], ["Song"])
    assert main(["check", str(path)]) == 0
    capsys.readouterr()
    for wrong, says in (
        (["new", str(path)], "is there already"),
        (["new", str(tmp_path / "x"), "--box", "nope"], "no profile 'nope'"),
        (["new", str(tmp_path / "x"), "--bpm", "5"], "from 20 to 400"),
        (["new", str(tmp_path / "x"), "--key", "H"], "a key is a tonic"),
    ):
        assert main(wrong) == 2
        assert says in capsys.readouterr().err
    assert not (tmp_path / "x.grebe").exists()


def test_every_action_as_json(capsys: pytest.CaptureFixture[str]) -> None:
    """Each once, with its words, keys, menu and why it cannot be done now."""
    assert main(["actions", "--json"]) == 0
    rows = json.loads(capsys.readouterr().out)["actions"]
    keys = {"id", "title", "words", "station", "menu", "keys", "edits", "enabled", "why_not"}
    assert all(set(row) == keys for row in rows)
    assert len({row["id"] for row in rows}) == len(rows) > 250
    assert all(row["enabled"] == (row["why_not"] == "") for row in rows)
    mutes = next(row for row in rows if row["id"] == "mute")
    assert mutes["keys"] == [str(n) for n in range(1, 9)]
    assert main(["actions"]) == 0
    assert "Rig: Add a box   N" in capsys.readouterr().out
