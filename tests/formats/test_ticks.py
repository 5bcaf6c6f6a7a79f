"""Arrival times as text, and the command over them."""

from __future__ import annotations

import json
from pathlib import Path

import pytest

from grebe.bench.follow import CASES, recording
from grebe.cli.main import main
from grebe.errors import TicksError
from grebe.formats.ticks import read_ticks


def test_the_command_writes_a_row_for_every_arrival(
    tmp_path: Path, capsys: pytest.CaptureFixture[str]
) -> None:
    """Doubled and spurious ones too; the beat counts from the first tick."""
    arrivals, _ = recording(next(c for c in CASES if c.name == "all of it"), 11)
    source, out = tmp_path / "ticks.csv", tmp_path / "deep" / "est.csv"
    source.write_text("seconds\n" + "\n".join(f"{t:.6f}" for t in arrivals))
    assert main(["follow", str(source), "--out", str(out), "--json"]) == 0
    answer = json.loads(capsys.readouterr().out)
    lines = out.read_text().splitlines()
    assert lines[0] == "time_s,beat,bpm"
    assert len(lines) == len(arrivals) + 1 == answer["arrivals"] + 1
    at, beat, bpm = map(float, lines[-1].split(","))
    assert at == pytest.approx(arrivals[-1], abs=1e-6)
    assert bpm == pytest.approx(122, abs=0.1)
    assert beat == pytest.approx(answer["beats"], abs=1e-4)
    assert lines[1].split(",")[1:] == ["0.0000000", "0.00000"]


def test_other_rates(tmp_path: Path, capsys: pytest.CaptureFixture[str]) -> None:
    """A pulse a step is 4 a quarter."""
    source = tmp_path / "pulses.csv"
    source.write_text("\n".join(str(n * 0.125) for n in range(64)))
    assert main(["follow", str(source), "--out", str(tmp_path / "e.csv"), "--ppqn", "4"]) == 0
    assert "120.000 BPM" in capsys.readouterr().out


@pytest.mark.parametrize(
    ("text", "words"),
    [
        ("", "holds no times"),
        ("seconds\n", "holds no times"),
        ("0\n0.5\nhalf\n", "line 3: 'half' is not a time"),
        ("0\nnan\n", "line 2"),
        ("0\n1\n0.5\n", "line 3: 0.5 s comes before the line above"),
    ],
)
def test_files_that_cannot_be_read(tmp_path: Path, text: str, words: str) -> None:
    """The line is named, and the command ends with 2."""
    source = tmp_path / "ticks.csv"
    source.write_text(text)
    with pytest.raises(TicksError) as caught:
        read_ticks(source)
    assert words in str(caught.value)
    assert main(["follow", str(source), "--out", str(tmp_path / "e.csv")]) == 2


def test_bytes_and_places_that_cannot_be(tmp_path: Path) -> None:
    """Not text; nowhere to write; a rate that cannot be."""
    source = tmp_path / "ticks.csv"
    source.write_bytes(b"\xff\xfe\x00")
    assert main(["follow", str(source), "--out", str(tmp_path / "e.csv")]) == 2
    source.write_text("0\n0.02\n")
    (tmp_path / "file").write_text("")
    assert main(["follow", str(source), "--out", str(tmp_path / "file" / "e.csv")]) == 2
    with pytest.raises(SystemExit):
        main(["follow", str(source), "--out", str(tmp_path / "e.csv"), "--ppqn", "0"])
