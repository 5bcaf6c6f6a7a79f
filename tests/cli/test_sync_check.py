"""``grebe sync-check``: recordings whose truth is known, and files that are none."""

from __future__ import annotations

import json
import os
from pathlib import Path
from typing import Any

import numpy as np
import pytest
import scipy
from numpy.typing import NDArray

from grebe.cli.main import main
from grebe.core.sync.hits import SOUNDS, click, place

RATE = 48_000
TIMES = 0.5 + np.arange(40) * 60 / 126


def write(path: Path, *channels: NDArray[np.float32]) -> Path:
    longest = max(map(len, channels))
    rows = np.stack([np.pad(c, (0, longest - len(c))) for c in channels], axis=1)
    scipy.io.wavfile.write(path, RATE, (np.clip(rows, -1, 1) * 32767).astype(np.int16))
    return path


def run(capsys: pytest.CaptureFixture[str], *words: object) -> tuple[int, dict[str, Any], str]:
    status = main(["sync-check", *map(str, words), "--json"])
    out, err = capsys.readouterr()
    return status, json.loads(out) if out else {}, err


@pytest.fixture
def clicks() -> NDArray[np.float32]:
    return place(np.round(TIMES * RATE) / RATE, click(RATE), RATE)


def test_a_late_device_in_stereo(
    capsys: pytest.CaptureFixture[str], tmp_path: Path, clicks: NDArray[np.float32]
) -> None:
    """Left the reference, right the device: offset within 0.5 ms on a drum sound, and all keys."""
    kicks = place(TIMES + 0.0058, 0.5 * SOUNDS["kick"](RATE), RATE)
    path = write(tmp_path / "take.wav", clicks, kicks)
    status, found, _ = run(capsys, path, "--names", "Smew,Dunlin")
    (row,) = found["devices"]
    assert status == 1
    assert found["reference"]["bpm"] == pytest.approx(126, abs=0.01)
    assert (row["name"], row["verdict"], row["suggested_offset_ms"]) == ("Dunlin", "adjust", -5.8)
    assert row["offset_ms"] == pytest.approx(5.8, abs=0.1)
    assert set(row["jitter_ms"]) == {"p50", "p95", "p99", "max"}
    assert (row["missed"], row["extra"]) == (0, 0)
    assert main(["sync-check", str(path)]) == 1
    assert "m of air" in capsys.readouterr().out


def test_lists_of_events(capsys: pytest.CaptureFixture[str], tmp_path: Path) -> None:
    """The first source is the reference unless names say otherwise; a grid of eighths."""
    rows = [f"Smew,{t:.6f}" for t in TIMES]
    rows += [f"Knot,{t + 0.0005:.6f}" for t in TIMES]
    rows += [f"Dunlin,{t * 1.0005:.6f}" for t in TIMES]
    path = tmp_path / "events.csv"
    path.write_text("source,seconds\n" + "\n".join(rows))
    status, found, _ = run(capsys, path)
    assert status == 1
    assert [(r["name"], r["verdict"]) for r in found["devices"]] == [
        ("Knot", "good"), ("Dunlin", "drifting"),
    ]  # fmt: skip
    status, found, _ = run(capsys, path, "--names", "Knot,Smew")
    assert status == 0
    assert found["reference"]["name"] == "Knot"
    assert found["devices"][0]["offset_ms"] == pytest.approx(-0.5, abs=0.01)
    _, found, _ = run(capsys, path, "--grid", "1/8")
    assert found["reference"]["bpm"] == pytest.approx(63, abs=0.01)


def test_one_channel_and_many(
    capsys: pytest.CaptureFixture[str], tmp_path: Path, clicks: NDArray[np.float32]
) -> None:
    """One is measured against its own even beat, many against the first."""
    status, found, _ = run(capsys, write(tmp_path / "mono.wav", clicks))
    assert status == 0
    assert found["devices"][0]["offset_ms"] == pytest.approx(0, abs=0.01)
    hats = place(TIMES + 0.004, SOUNDS["hat"](RATE), RATE)
    _, found, _ = run(capsys, write(tmp_path / "three.wav", clicks, clicks, hats))
    assert [r["verdict"] for r in found["devices"]] == ["good", "adjust"]


def test_recordings_that_hold_nothing(
    capsys: pytest.CaptureFixture[str], tmp_path: Path, clicks: NDArray[np.float32]
) -> None:
    """A device that is silent or a tone is unusable, with no number; a reference ends it."""
    silent = np.zeros(len(clicks), dtype=np.float32)
    tone = (0.5 * np.sin(np.arange(len(clicks)) / 20)).astype(np.float32)
    for channel, words in ((silent, "silent"), (tone, "no hits")):
        status, found, _ = run(capsys, write(tmp_path / "x.wav", clicks, channel))
        (row,) = found["devices"]
        assert (status, row["verdict"], row["offset_ms"]) == (1, "unusable", None)
        assert words in row["sentence"]
    status, found, err = run(capsys, write(tmp_path / "y.wav", silent, clicks))
    assert status == 2
    assert found["reference"]["bpm"] is None
    assert "are the two swapped?" in err
    assert err.count("\n") == 1
    short = clicks[: 2 * RATE]
    status, _, err = run(capsys, write(tmp_path / "z.wav", short, short))
    assert status == 2
    assert "at least 8 are needed" in err


@pytest.mark.parametrize(
    ("content", "words"),
    [
        (b"RIFF\x00\x00\x00\x00WAVEnothing", "not a WAV file that can be read"),
        (b"hello", "is not source,seconds"),
        (b"\xff\xfe\x00\x01", "is not source,seconds"),
        (b"ab\x81\x00cd\x90", "neither a recording nor text"),
        (b"a,1\nb,x\n", "line 2: 'x' is not a time"),
        (b"a,1\nb,nan\n", "is not a time"),
        (b"\n\n", "holds no events"),
    ],
)
def test_files_that_are_none(
    capsys: pytest.CaptureFixture[str], tmp_path: Path, content: bytes, words: str
) -> None:
    """One line that says what, where and what to do."""
    path = tmp_path / "x.wav"
    path.write_bytes(content)
    status, found, err = run(capsys, path)
    assert (status, found) == (2, {})
    assert words in err
    assert run(capsys, tmp_path / "nowhere.wav")[0] == 2


def test_names_that_do_not_fit(
    capsys: pytest.CaptureFixture[str], tmp_path: Path, clicks: NDArray[np.float32]
) -> None:
    """One for each source."""
    status, _, err = run(capsys, write(tmp_path / "m.wav", clicks, clicks), "--names", "A,B,C")
    assert status == 2
    assert "3 names for 2 sources" in err


def test_samples_of_every_kind(
    capsys: pytest.CaptureFixture[str], tmp_path: Path, clicks: NDArray[np.float32]
) -> None:
    """8, 16, 32 bits and float are read alike (written by SciPy)."""
    both = np.stack([clicks, np.roll(clicks, round(0.004 * RATE))], axis=1)
    for made in (
        ((both * 127 + 128).astype(np.uint8)),
        ((both * 32767).astype(np.int16)),
        ((both * (2**31 - 1)).astype(np.int32)),
        both.astype(np.float32),
        both.astype(np.float64),
    ):
        path = tmp_path / f"{made.dtype}.wav"
        scipy.io.wavfile.write(path, RATE, made)
        _, found, _ = run(capsys, path)
        assert found["devices"][0]["offset_ms"] == pytest.approx(4.0, abs=0.05)


def test_drift_calculated(capsys: pytest.CaptureFixture[str]) -> None:
    """Counted on A's beats; the same tempo never parts."""
    drift = ["calc", "drift", "--bpm-a", "120", "--json", "--bpm-b"]
    assert main([*drift, "120.05", "--limit-ms", "20"]) == 0
    found = json.loads(capsys.readouterr().out)
    assert found["ms_per_minute"] == pytest.approx(24.9896, abs=1e-3)
    assert found["seconds_to_limit"] == pytest.approx(48.02, abs=1e-3)
    assert found["beats_to_limit"] == pytest.approx(96.04, abs=1e-3)
    assert main([*drift, "120"]) == 0
    assert json.loads(capsys.readouterr().out)["seconds_to_limit"] is None


def test_a_pipe_is_refused_at_once(tmp_path: Path, capsys: pytest.CaptureFixture[str]) -> None:
    """Not waited for."""
    os.mkfifo(tmp_path / "take.wav")
    assert main(["sync-check", str(tmp_path / "take.wav")]) == 2
    assert "no file that can be read to its end" in capsys.readouterr().err


@pytest.mark.parametrize(("grid", "a_quarter"), [("1/96", 24), ("1/48", 12)])
def test_clock_ticks_are_a_grid(
    capsys: pytest.CaptureFixture[str], tmp_path: Path, grid: str, a_quarter: int
) -> None:
    """A log of clocks: the 24th part of a quarter, and every other one."""
    path = tmp_path / "ticks.csv"
    rows = [f"ref,{n * 0.5 / a_quarter:.6f}" for n in range(40 * a_quarter)]
    rows += [f"box,{n * 0.5 / a_quarter + 0.003:.6f}" for n in range(40 * a_quarter)]
    path.write_text("source,seconds\n" + "\n".join(rows))
    _, found, _ = run(capsys, path, "--grid", grid)
    assert found["reference"]["bpm"] == pytest.approx(120, abs=0.01)
    assert found["devices"][0]["offset_ms"] == pytest.approx(3.0, abs=0.01)
