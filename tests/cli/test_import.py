"""``grebe import``: MIDI files into a project, with what is kept and what is not."""

from __future__ import annotations

import json
from pathlib import Path

import mido
import pytest

from grebe.formats.project import read_project, write_project
from grebe.formats.smf import midi_bytes
from tests import build
from tests.cli.conftest import run


@pytest.fixture
def project(tmp_path: Path) -> Path:
    path = tmp_path / "set.grebe"
    write_project(path, build.two_boxes())
    return path


def song(path: Path, tracks: dict[str, tuple[int, int]], bars: int = 4) -> Path:
    """A file of several tracks: by name channel and note, a hit a beat, a bend in the first."""
    file = mido.MidiFile(type=1, ticks_per_beat=480)
    tempi = ((500_000, 0), (480_000, 960))
    head = [mido.MetaMessage("set_tempo", tempo=t, time=at) for t, at in tempi]
    file.tracks.append(mido.MidiTrack(head))
    for name, (channel, note) in tracks.items():
        track = mido.MidiTrack([mido.MetaMessage("track_name", name=name)])
        track.append(mido.Message("pitchwheel", channel=channel, pitch=99))
        for _ in range(4 * bars):
            track.append(mido.Message("note_on", channel=channel, note=note, velocity=90))
            track.append(mido.Message("note_off", channel=channel, note=note, time=480))
        file.tracks.append(track)
    path.write_bytes(midi_bytes(file))
    return path


def told(capsys: pytest.CaptureFixture[str], *words: str) -> tuple[int, dict[str, object]]:
    status, out, _ = run(capsys, "import", *words, "--json")
    return status, json.loads(out) if out else {}


def test_a_file_of_several_tracks_becomes_a_song(
    capsys: pytest.CaptureFixture[str], project: Path, tmp_path: Path
) -> None:
    """Mapped as wished, the rest proposed; what is lost is said; the same notes are in it."""
    file = song(tmp_path / "ferry.mid", {"Kit": (9, 36), "Low": (0, 40), "Bell": (1, 84)})
    wishes = ["--map", "Kit=Drums", "--map", "Low=bass", "--map", "Bell=out"]
    status, found = told(capsys, str(file), "--into", str(project), *wishes)
    assert status == 1
    assert found["song"] == "ferry"
    assert [(row["track"], row["box"], row["notes"]) for row in found["kept"]] == [  # type: ignore[attr-defined]
        ("Kit", "Drums", 16), ("Low", "Bass", 16),
    ]  # fmt: skip
    lost = " ".join(found["lost"])  # type: ignore[arg-type]
    assert "3 of pitch bend" in lost
    assert "Bell: left out, as it was asked" in lost
    after = read_project(project).project
    assert after.songs[-1].name == "ferry"
    assert [(t.at, t.bpm) for t in after.songs[-1].sections[0].tempi] == [(8, 125.0)]
    hits = sum(len(v.hits) for p in after.patterns if p.device == "bass" for v in p.content.voices)
    assert hits >= 16


def test_files_become_patterns_and_nothing_is_written_in_a_dry_run(
    capsys: pytest.CaptureFixture[str], project: Path, tmp_path: Path
) -> None:
    one = song(tmp_path / "a.mid", {"A": (9, 36)}, bars=1)
    two = song(tmp_path / "b.mid", {"B": (0, 40)}, bars=1)
    (tmp_path / "c.mid").write_bytes(b"no song")
    before = project.read_bytes()
    words = [str(one), str(two), str(tmp_path / "c.mid"), "--into", str(project)]
    status, found = told(capsys, *words, "--dry-run")
    assert (status, found["song"], found["written"]) == (1, None, False)
    assert project.read_bytes() == before
    assert len(found["refused"]) == 1  # type: ignore[arg-type]
    told(capsys, *words)
    after = read_project(project).project
    assert {row["pattern"] for row in found["kept"]} <= {p.name for p in after.patterns}  # type: ignore[attr-defined]


def test_only_some_bars_on_a_grid_of_ones_own(
    capsys: pytest.CaptureFixture[str], project: Path, tmp_path: Path
) -> None:
    """Bar 2, played late, put on the lines; what a pattern does not have is said."""
    file = mido.MidiFile(type=1, ticks_per_beat=480)
    track = mido.MidiTrack()
    for number in range(32):
        late, note = 20 * (number % 3), 36 if number < 16 else 38
        track.append(mido.Message("note_on", channel=9, note=note, velocity=90, time=late))
        track.append(mido.Message("note_off", channel=9, note=note, time=240 - late))
    file.tracks.append(track)
    path = tmp_path / "late.mid"
    path.write_bytes(midi_bytes(file))
    status, found = told(
        capsys, str(path), "--into", str(project), "--as", "patterns", "--bars", "2-2", "--grid",
        "1/16", "--strictly", "100", "--map", "late=Drums",
    )  # fmt: skip
    assert status == 1
    assert "bars 2 to 2 of 4 taken" in " ".join(found["lost"])  # type: ignore[arg-type]
    (made,) = [p for p in read_project(project).project.patterns if p.name == "late"]
    hits = [(h.step, h.shift_permille) for v in made.content.voices for h in v.hits]
    assert made.content.length == 16
    assert sorted(hits) == [(step, 0) for step in range(0, 16, 2)]
    for words in ("0", "3-2", "x", "1-999"):
        assert run(capsys, "import", str(path), "--into", str(project), "--bars", words)[0] == 2


@pytest.mark.parametrize(
    ("wish", "words"),
    [("Kit=Nobody", "there is no box 'Nobody'"), ("Nobody=Drums", "tracks: Kit"),
     ("Kit", "TRACK=BOX")],
)  # fmt: skip
def test_wishes_that_cannot_be(
    capsys: pytest.CaptureFixture[str], project: Path, tmp_path: Path, wish: str, words: str
) -> None:
    file = song(tmp_path / "x.mid", {"Kit": (9, 36), "Low": (0, 40)})
    status, _, err = run(capsys, "import", str(file), "--into", str(project), "--map", wish)
    assert status == 2
    assert words in err


def test_nothing_that_can_be_read(
    capsys: pytest.CaptureFixture[str], project: Path, tmp_path: Path
) -> None:
    (tmp_path / "x.mid").write_bytes(b"nothing")
    status, _, err = run(capsys, "import", str(tmp_path / "x.mid"), "--into", str(project))
    assert status == 2
    assert "not a whole MIDI file" in err
