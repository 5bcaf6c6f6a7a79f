"""Patterns that are played in, taught, brought in and heard."""

from __future__ import annotations

from pathlib import Path

import mido
import pytest
import soundfile
from PyQt6.QtCore import QMimeData, QPoint, QPointF, Qt, QUrl
from PyQt6.QtGui import QDropEvent
from PyQt6.QtTest import QTest

from grebe.app.live.position import raw_now_ns
from grebe.protocols.link.messages import PlayedIn
from grebe.ui.stations.patterns.view import PatternsView
from grebe.ui.stations.song.view import SongView
from tests.formats.test_midi_loops import loop
from tests.ui.conftest import Performer
from tests.ui.hand import ALT, CTRL, SHIFT, K
from tests.ui.test_patterns_view import content, hit, voice


def row(
    device: str, at_ns: int, status: int, first: int, second: int, tick: float | None = None
) -> PlayedIn:
    return PlayedIn(
        device=device, at_ns=at_ns, status=status, first=first, second=second, tick=tick
    )


def played(session: object, rows: list[tuple[float, int, int]], tick: bool = False) -> None:
    """Notes into the session's memory: (seconds, note, velocity); each held 50 ms."""
    base = 10_000_000_000
    out: list[PlayedIn] = []
    for at, note, velocity in rows:
        ns = base + round(at * 1e9)
        place = at * 126 / 60 * 14_414_400 if tick else None
        out.append(row("smew", ns, 0x99, note, velocity, place))
        out.append(row("smew", ns + 50_000_000, 0x89, note, 64, place))
    session.memory.take(out)  # type: ignore[attr-defined]


def test_capture_after_the_fact(performer: Performer, patterns: PatternsView) -> None:
    """What was played twice round becomes a bar; laid over as a pass that can be undone."""
    step = 60 / 126 / 4
    beat = [(n * step, 36 if n % 4 == 0 else 42, 99) for n in range(0, 16, 2)]
    again = [(t + 16 * step, n, v) for t, n, v in beat]
    played(performer.frame.session, [*beat, *again])
    performer.press(K.Key_4, ALT)
    proposal = patterns.panes.capture.proposal
    assert proposal is not None
    assert (proposal.bars, proposal.rate) == (1, "1/16")
    assert "repeats after 1 bar" in patterns.panes.capture.said.text()
    performer.frame.grab()
    before = content(patterns)
    patterns.panes.capture.lay_over()
    assert content(patterns) != before
    assert [h.step for h in voice(patterns).hits] == [0, 4, 8, 12]
    performer.press(K.Key_Z, CTRL)
    assert content(patterns) == before
    performer.press(K.Key_4, ALT)
    patterns.panes.capture.bars.setFocus()
    performer.press(K.Key_Down)
    assert patterns.panes.capture.bars.currentText() == "2"
    assert "16 notes would be taken" in patterns.panes.capture.said.text()
    performer.press(K.Key_Up)
    performer.press(K.Key_Return)
    assert patterns.pattern is not None
    assert patterns.pattern.name == "Captured"
    rows = {v.note: [h.step for h in v.hits] for v in content(patterns).voices}
    assert rows == {36: [0, 4, 8, 12], 42: [2, 6, 10, 14]}
    assert [v.name for v in content(patterns).voices] == ["Kick", "Closed hat"]


def test_a_free_jam_has_its_own_tempo(performer: Performer, patterns: PatternsView) -> None:
    """Nothing ran, and the song is at another tempo: it is found in what was played, and the
    song's can be taken instead; bars that only nearly repeat are said."""
    step = 60 / 97.4 / 4
    bar, other = (0, 4, 6, 8, 12), (0, 4, 6, 8, 11, 14)
    rows = [
        ((16 * n + place) * step, 36, 99)
        for n in range(8)
        for place in (other if n % 2 else bar)
    ]  # fmt: skip
    played(performer.frame.session, rows)
    performer.press(K.Key_4, ALT)
    capture = patterns.panes.capture
    assert capture.tempo.currentText() == "as played, 97.4 BPM"
    assert capture.bars.currentText() == "2"
    assert "2 bars (1 only nearly)" in capture.said.text()
    performer.frame.grab()
    capture.settings()
    assert [h.step for h in voice(patterns).hits] == [*bar, *(16 + n for n in other)]
    performer.press(K.Key_4, ALT)
    capture.tempo.setFocus()
    performer.press(K.Key_End)
    assert capture.tempo.currentText() == "the song's, 126 BPM"


def test_the_key_of_what_was_played(performer: Performer, patterns: PatternsView) -> None:
    """H finds it; with nothing pitched it says so."""
    performer.act("find_key")
    assert "play along first" in performer.frame.session.notices.last.text  # type: ignore[union-attr]

    now = raw_now_ns()
    notes = [62, 65, 69, 62, 64, 65, 67, 69, 70, 62]
    performer.frame.session.memory.take(
        entry
        for i, n in enumerate(notes)
        for entry in (row("knot", now - 1000 + i, 0x91, n, 90),
                    row("knot", now + 400_000_000 + i, 0x81, n, 64))
    )  # fmt: skip
    performer.act("find_key")
    assert content(patterns).key == "D minor"


def test_step_by_step_from_a_controller(performer: Performer, patterns: PatternsView) -> None:
    """With U, each note goes to the cursor's step of its voice, and the cursor moves on."""
    performer.press(K.Key_Right)
    performer.act("step_in")
    played(performer.frame.session, [(0, 36, 77), (1, 38, 66)])
    performer.wait(lambda: voice(patterns).hit_at(1) is not None)
    assert hit(patterns, 1).velocity == 77
    assert hit(patterns, 2, 1).velocity == 66
    assert patterns.editor.hand.step == 3
    performer.act("step_in")


def test_live_with_real_keys(performer: Performer, patterns: PatternsView) -> None:
    """While it plays, 1 strikes the first voice on its box; L writes it where it falls."""
    performer.engine_ready()
    performer.press(K.Key_Right, CTRL)
    session = performer.frame.session
    session.selection.section = "s2"
    performer.press(K.Key_Space, CTRL)
    performer.wait(lambda: session.position.pattern_place("p01") is not None)
    performer.press(K.Key_L)
    before = len(voice(patterns).hits)
    for _ in range(3):
        performer.press(K.Key_1)
        QTest.qWait(170)
    performer.wait(lambda: len(session.memory.notes) == 3)
    performer.wait(lambda: len(voice(patterns).hits) >= before)
    assert all(n.tick is not None for n in session.memory.notes)
    performer.press(K.Key_Space)
    performer.wait(lambda: not session.running)
    written = {h.step for h in voice(patterns).hits}
    ticks = [n.tick or 0.0 for n in session.memory.notes]
    step = content(patterns).step_ticks
    base = [round((t - 8 * 4 * 14_414_400) / step) % 16 for t in ticks]
    assert set(base) <= written


def test_teaching_a_box(performer: Performer, patterns: PatternsView) -> None:
    """Grebe counts in and plays the pattern into the box; the same key ends it; B marks it."""
    performer.engine_ready()
    session = performer.frame.session
    performer.press(K.Key_X)
    performer.press(K.Key_B, CTRL)
    assert session.teaching.current is not None
    performer.wait(lambda: session.running)
    performer.wait(lambda: session.position.pattern_place("p01") is not None)
    performer.frame.grab()
    performer.press(K.Key_B, CTRL)
    performer.wait(lambda: not session.running)
    assert session.teaching.current is None
    performer.press(K.Key_B)
    assert patterns.pattern is not None
    assert patterns.pattern.box_status == "in the box"
    performer.press(K.Key_Space)
    performer.wait(lambda: session.running and session.status.section == "s1")  # type: ignore[union-attr]
    performer.press(K.Key_Space)
    performer.wait(lambda: not session.running)
    patterns.choose("n-none")
    performer.press(K.Key_B, CTRL, SHIFT)


def test_files_in_and_out(performer: Performer, patterns: PatternsView, tmp_path: Path) -> None:
    """A folder of MIDI files at once, files dropped, a pattern written as MIDI and WAV."""
    folder = tmp_path / "loops"
    folder.mkdir()
    for name, note in (("a", 36), ("b", 38)):
        (folder / f"{name}.mid").write_bytes(loop((0, note, 99), (1, note, 99)))
    (folder / "c.mid").write_bytes(b"broken")
    count = len(performer.frame.session.project.patterns)
    patterns.transfer.import_files([str(folder)])
    known = performer.frame.session.project.patterns
    assert [p.name for p in known[count:]] == ["a", "b"]
    assert "c.mid is not a whole MIDI file" in performer.frame.session.notices.last.text  # type: ignore[union-attr]
    data = QMimeData()
    data.setUrls([QUrl.fromLocalFile(str(folder / "a.mid"))])
    event = QDropEvent(QPointF(300, 200), Qt.DropAction.CopyAction, data,
                       Qt.MouseButton.LeftButton, Qt.KeyboardModifier.NoModifier)  # fmt: skip
    patterns.pattern_canvas.dropEvent(event)
    assert len(performer.frame.session.project.patterns) == count + 3
    patterns.choose("p01")
    out = tmp_path / "out"
    patterns.transfer.export_into(out)
    assert mido.MidiFile(out / "oars.mid").type == 1
    (wav,) = out.glob("*.wav")
    audio, rate = soundfile.read(wav)
    assert (rate, len(audio)) == (48_000, round(7 * 4 * 60 / 126 * 48_000))
    patterns.transfer.export_into(out, "kick")
    assert len(list(out.glob("oars-kick*.wav"))) == 1
    patterns.transfer.export_into(folder / "a.mid")
    assert "could not be written" in performer.frame.session.notices.last.text  # type: ignore[union-attr]


def test_loops_in_the_window(performer: Performer, patterns: PatternsView, tmp_path: Path) -> None:
    """The demo's loop: slices in hand, trimmed, laid out, gated, cut again, made a pattern."""
    session = performer.frame.session
    performer.press(K.Key_5, ALT)
    pane = patterns.panes.loops
    assert pane.loop_editor.loop is not None
    assert "1 bar in 2.61 s, 92.00 BPM; 12 slices on one shared slot" in pane.said.text()
    assert "+5.44 semitones" in pane.said.text()  # 12 log2(126/92), by hand
    performer.frame.grab()
    first = pane.loop_editor.loop.slices[1]
    performer.press(K.Key_Right)
    performer.press(K.Key_Period)
    assert pane.loop_editor.loop.slices[1].start == first.start + 24
    performer.press(K.Key_Left, CTRL)
    assert pane.loop_editor.loop.slices[1].end == first.end - 24
    performer.act("one_shot")
    assert pane.loop_editor.loop.slices[1].gate
    performer.press(K.Key_Up, CTRL)
    assert pane.loop_editor.loop.slices[0].note == 73
    performer.act("tie")
    assert not pane.loop_editor.loop.shared
    performer.act("longer")
    assert pane.loop_editor.loop.bars == 2
    performer.act("shorter")
    x = round(pane.canvas.x_of(pane.loop_editor.loop.slices[4].start))
    QTest.mousePress(pane.canvas.surface, Qt.MouseButton.LeftButton, pos=QPoint(x, 100))
    QTest.mouseMove(pane.canvas.surface, QPoint(x + 20, 100))
    QTest.mouseRelease(pane.canvas.surface, Qt.MouseButton.LeftButton, pos=QPoint(x + 20, 100))
    assert pane.canvas.index == 4
    pane.loop_editor.cut_even()
    assert len(pane.loop_editor.loop.slices) == 8
    pane.loop_editor.cut_onsets()
    assert len(pane.loop_editor.loop.slices) == 12
    for how, words in (("resample", "bars at 126.wav, +5.44 semitones"), ("slices", "126.wav.")):
        pane.files.fit_into(tmp_path / how, how)  # type: ignore[arg-type]
        assert words in session.notices.last.text  # type: ignore[union-attr]
        (fitted,) = (tmp_path / how).glob("*.wav")
        audio, rate = soundfile.read(fitted)
        assert len(audio) == pytest.approx(4 * 60 / 126 * rate, abs=1)
    performer.press(K.Key_Return)
    assert patterns.pattern is not None
    assert patterns.pattern.name == "Gravel, sliced"
    bad, silent = tmp_path / "bad.wav", tmp_path / "silent.wav"
    bad.write_bytes(b"RIFF")
    soundfile.write(silent, [0.0] * 4800, 48_000)
    for path, words in ((bad, "not a WAV file"), (silent, "silent from end to end")):
        patterns.transfer.import_files([str(path)])
        assert words in session.notices.last.text  # type: ignore[union-attr]
    performer.press(K.Key_5, ALT)
    performer.press(K.Key_Delete)
    assert session.project.loops == ()


def test_a_scene_as_a_loop(performer: Performer, tmp_path: Path) -> None:
    """From Song: eight bars of 4/4 at 126 BPM, to the sample; a bad folder is said."""
    performer.go(5)
    song = performer.frame.views[5]
    assert isinstance(song, SongView)
    performer.press(K.Key_Right)
    song.exports.export_into(tmp_path)
    (wav,) = tmp_path.glob("*.wav")
    audio, rate = soundfile.read(wav)
    assert len(audio) == round(8 * 4 * 60 / 126 * rate)
    assert abs(audio).max() > 0.1
    song.exports.export_into(wav)
    assert "could not be written" in performer.frame.session.notices.last.text  # type: ignore[union-attr]


def test_a_fill_is_held(performer: Performer) -> None:
    """While F9 is down; let go, it is over."""
    frame = performer.frame
    performer.engine_ready()
    QTest.keyPress(frame, K.Key_F9)
    assert frame.session.hands.filling
    QTest.keyRelease(frame, K.Key_F9)
    assert not frame.session.hands.filling


def test_clicks_and_launch_units(performer: Performer) -> None:
    """F10 clicks every beat on what clicks the count-in; Ctrl+U goes through the units."""
    session = performer.frame.session
    performer.press(K.Key_F10)
    assert session.hands.clicking
    performer.press(K.Key_F10)
    assert not session.hands.clicking
    seen = []
    for _ in range(4):
        performer.act("launch_unit")
        seen.append(session.performer.launch_at)
    assert seen == ["bar", "beat", "quarter_beat", None]
