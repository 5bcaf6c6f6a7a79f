"""Commands about patterns: calculators, and what is rendered."""

from __future__ import annotations

from pathlib import Path

import pytest
import soundfile

from grebe.core.patterns.model import Hit, Voice
from grebe.formats.project import write_project
from tests import build
from tests.cli.conftest import answer, run


@pytest.mark.parametrize(
    ("arguments", "wanted"),
    [
        # Common practice: 16 and 7 steps meet after 112, 7 bars of 16; 14 against 16 after 7 bars.
        ("realign --lanes 16@1/16,7@1/16 --meter 4/4 --bpm 126",
         {"beats": 28, "bars": 7, "bars_with_barline": 7, "seconds": 13.333333}),
        ("realign --lanes 16@1/16,14@1/16,12@1/16,7@1/16 --bpm 126",
         {"beats": 84, "bars": 21, "bars_with_barline": 21, "seconds": 40.0}),
        ("realign --lanes 7@1/8t,5@1/8t --meter 7/8 --bpm 120",
         {"beats": 11.666667, "bars": 3.333333, "bars_with_barline": 10, "seconds": 5.833333}),
        # 56 % of a pair of sixteenths at 126 BPM: 14.286 ms, 2.88 ticks of 96, 1.2727 to 1.
        ("swing --percent 56 --bpm 126 --step 1/16 --ppqn 96",
         {"late_ms": 14.285714, "late_ticks": 2.88, "ratio": 1.272727}),
        ("swing --percent 50 --bpm 126", {"late_ms": 0, "late_ticks": 0, "ratio": 1}),
        ("euclid --hits 5 --steps 8", {"steps": "x.xx.xx."}),
        ("euclid --hits 3 --steps 8 --rotate 1", {"steps": ".x..x..x"}),
        ("register --taps 8,6,5,4 --seed 1", {"period": 255}),
        ("register --taps 16,15,13,4 --seed 77", {"period": 65535}),
    ],
)  # fmt: skip
def test_pattern_calculators(
    arguments: str, wanted: dict[str, object], capsys: pytest.CaptureFixture[str]
) -> None:
    """Worked numbers; sources stand beside the core's tests."""
    found = answer(capsys, "calc", *arguments.split())
    for name, value in wanted.items():
        assert found[name] == (pytest.approx(value, abs=1e-5) if name != "steps" else value)


def test_key_of_notes_and_of_a_file(
    tmp_path: Path, demo: str, capsys: pytest.CaptureFixture[str]
) -> None:
    """24 keys, best first; a file's drums are left out."""
    ranking = answer(capsys, "calc", "key", "--notes", "62,64,65,67,69,70,72,62")["ranking"]
    assert len(ranking) == 24
    assert ranking[0]["key"] == "D minor"
    assert [r["score"] for r in ranking] == sorted((r["score"] for r in ranking), reverse=True)
    run(capsys, "render", demo, "--song", "Harbour bell", "--to", str(tmp_path), "--smf")
    found = answer(capsys, "calc", "key", "--midi", str(tmp_path / "harbour-bell.mid"))
    assert found["ranking"][0]["key"] == "D minor"


@pytest.mark.parametrize(
    "arguments",
    ["realign --lanes 16 --bpm 126", "realign --lanes 0@1/16 --bpm 126",
     "euclid --hits 9 --steps 8",
     "realign --lanes 4@1/17 --bpm 126", "register --taps 40", "register --taps x",
     "swing --percent 80 --bpm 126", "key --notes 200", "key --midi none.mid"],
)  # fmt: skip
def test_pattern_calculators_refuse(arguments: str, capsys: pytest.CaptureFixture[str]) -> None:
    """Exit status 2 and one line on stderr that says what and where."""
    status, _, err = run(capsys, "calc", *arguments.split(), "--json")
    assert status == 2
    assert err.strip()


def test_a_take_renders_twice_to_the_same_bytes(
    tmp_path: Path, capsys: pytest.CaptureFixture[str]
) -> None:
    """Mix and stems of one length, read by soundfile; another seed throws other dice."""
    hits = tuple(Hit(step=step, chance=50) for step in range(16))
    drums, bass = (
        build.device(name, kind=name, channel=10 - n) for n, name in enumerate(("drums", "bass"))
    )
    patterns = [
        build.pattern(f"p{n}", box.id, Voice(id="v", name="v", note=36 + 2 * n, hits=hits))
        for n, box in enumerate((drums, bass))
    ]
    scene = build.scene("a", 4, drums=["p0"], bass=["p1"])
    file = tmp_path / "dice.grebe"
    write_project(file, build.project([drums, bass], patterns, [scene], build.song("a")))
    takes: list[dict[str, bytes]] = []
    for number, seed in enumerate(("7", "7", "8")):
        folder = tmp_path / str(number)
        found = answer(capsys, "render", str(file), "--song", "Song", "--to", str(folder),
                       "--wav", "--stems", "--smf", "--seed", seed)  # fmt: skip
        assert [Path(f).name for f in found["files"]] == [
            "song.mid", "song.wav", "song, drums.wav", "song, bass.wav",
        ]  # fmt: skip
        takes.append({p.name: p.read_bytes() for p in sorted(folder.iterdir())})
    assert takes[0] == takes[1]
    assert all(takes[0][name] != takes[2][name] for name in takes[0])
    lengths = set()
    for path in (tmp_path / "0").glob("*.wav"):
        audio, rate = soundfile.read(path)
        lengths.add((len(audio), rate))
        assert 0.01 < abs(audio).max() <= 0.9
    assert len(lengths) == 1


def test_loops_are_cut_to_whole_bars(
    tmp_path: Path, demo: str, capsys: pytest.CaptureFixture[str]
) -> None:
    """A bar of 4/4 at 126 BPM is 91 429 samples at 48 kHz (60/126 x 4 x 48 000 = 91 428.57)."""
    found = answer(capsys, "render", demo, "--pattern", "Oars, fill", "--bpm", "126",
                   "--to", str(tmp_path))  # fmt: skip
    bars = int(found["files"][0].split(", ")[-1].split()[0])
    audio, rate = soundfile.read(found["files"][0])
    assert (rate, len(audio)) == (48_000, round(bars * 4 * 60 / 126 * 48_000))
    assert abs(audio).max() > 0.1
    answer(capsys, "render", demo, "--scene", "Oars", "--to", str(tmp_path))
    answer(capsys, "render", demo, "--pattern", "Oars", "--voice", "Kick", "--to", str(tmp_path))
    for words in (("--pattern", "none"), ("--pattern", "Oars", "--voice", "none"),
                  ("--scene", "none"), ()):  # fmt: skip
        assert run(capsys, "render", demo, *words, "--to", str(tmp_path))[0] == 2


def test_step_sheets(tmp_path: Path, demo: str, capsys: pytest.CaptureFixture[str]) -> None:
    """Of all boxes that play their own, of one box, of one pattern; as HTML and PDF."""
    page = tmp_path / "steps.html"
    answer(capsys, "sheet", demo, "--kind", "steps", "--to", str(page))
    text = page.read_text()
    assert "<h1>Slack tide</h1>" in text
    assert "Key into B04 of Smew" in text
    assert "Low D" not in text  # Grebe plays it
    one = tmp_path / "one.html"
    answer(capsys, "sheet", demo, "--kind", "steps", "--pattern", "Low D", "--to", str(one))
    assert "<h1>Low D</h1>" in one.read_text()
    paper = tmp_path / "steps.pdf"
    words = ("--kind", "steps", "--device", "Smew", "--song", "Low water", "--to", str(paper))
    assert run(capsys, "sheet", demo, *words)[0] == 0
    assert paper.read_bytes().startswith(b"%PDF-")
    assert run(capsys, "sheet", demo, "--kind", "steps", "--pattern", "x", "--to", str(one))[0] == 2
