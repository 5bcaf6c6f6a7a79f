"""The Patterns station as a performer uses it: keys, forms, panes, what was played, files."""

from __future__ import annotations

from pathlib import Path

import mido
import pytest
import soundfile
from PyQt6.QtCore import QMimeData, QPoint, QPointF, Qt, QUrl
from PyQt6.QtGui import QDropEvent
from PyQt6.QtTest import QTest

from grebe.app.actions.table import actions_in
from grebe.core.patterns.model import Content, Hit, Voice
from grebe.protocols.link.messages import PlayedIn
from grebe.ui.stations.patterns.view import PatternsView
from grebe.ui.stations.song.view import SongView
from grebe.ui.widgets.fields import NumberField
from tests.formats.test_midi_loops import loop
from tests.ui.conftest import Performer, fill_in

K = Qt.Key
SHIFT = Qt.KeyboardModifier.ShiftModifier
CTRL = Qt.KeyboardModifier.ControlModifier
ALT = Qt.KeyboardModifier.AltModifier


@pytest.fixture
def view(performer: Performer) -> PatternsView:
    """At the station, with the first pattern in hand."""
    performer.go(3)
    found = performer.frame.views[3]
    assert isinstance(found, PatternsView)
    found.choose("p01")
    return found


def voice(view: PatternsView, row: int = 0) -> Voice:
    assert view.pattern is not None
    return view.pattern.content.voices[row]


def hit(view: PatternsView, step: int = 0, row: int = 0) -> Hit:
    found = voice(view, row).hit_at(step)
    assert found is not None
    return found


def content(view: PatternsView) -> Content:
    assert view.pattern is not None
    return view.pattern.content


def test_a_hit_by_keys(performer: Performer, view: PatternsView) -> None:
    """Levels, accent, flam, strokes, chance, condition, micro-timing, gate and tie."""
    for name in ("accent", "flam", "flam", "ratchet", "ratchet", "chance", "condition", "tie"):
        performer.act(name)
    performer.press(K.Key_G, SHIFT)
    for _ in range(3):
        performer.press(K.Key_Period)
    performer.press(K.Key_Comma)
    performer.press(K.Key_Right, CTRL)
    found = hit(view)
    assert found == Hit(
        step=0, velocity=100, flam=150, ratchet=3, ratchet_to=50, chance=75, when="first",
        tie=True, shift_permille=20, gate_length=75,
    )  # fmt: skip
    performer.act("level")
    assert hit(view).velocity == 127
    performer.frame.grab()
    performer.press(K.Key_Right)
    performer.act("flam")
    assert "no hit under the cursor" in performer.frame.session.notices.last.text  # type: ignore[union-attr]


def test_a_voice_by_keys(performer: Performer, view: PatternsView) -> None:
    """Rate, direction, even, one-shot, rotate, shift, reverse, clear, add and remove."""
    performer.press(K.Key_R)
    assert [h.step for h in voice(view).hits] == [1, 5, 9, 13]
    performer.press(K.Key_R, SHIFT)
    performer.press(K.Key_Right, ALT, SHIFT)
    assert [h.step for h in voice(view).hits] == [1, 5, 9, 13]
    performer.press(K.Key_Left, ALT, SHIFT)
    performer.act("reverse")
    assert [h.step for h in voice(view).hits] == [3, 7, 11, 15]
    for name in ("direction", "even", "one_shot", "rate"):
        performer.act(name)
    changed = voice(view)
    assert (changed.direction, changed.even, changed.one_shot) == ("backward", True, True)
    assert changed.rate == "1/16t"
    performer.frame.grab()
    performer.press(K.Key_Delete, CTRL)
    assert voice(view).hits == ()
    count = len(content(view).voices)
    performer.press(K.Key_A)
    assert len(content(view).voices) == count + 1
    assert view.editor.hand.voice is not None
    assert view.editor.hand.voice.name == "Clap"
    performer.press(K.Key_Backspace, CTRL)
    assert len(content(view).voices) == count


def test_selection_and_clip(performer: Performer, view: PatternsView) -> None:
    """Steps of two voices are selected, copied, pasted, made softer, removed; Esc lets go."""
    for _ in range(4):
        performer.press(K.Key_Right, SHIFT)
    performer.press(K.Key_Down, CTRL, SHIFT)
    assert view.editor.hand.selection() == (("kick", "snare"), 0, 4)
    performer.frame.grab()
    performer.press(K.Key_Down, SHIFT)
    assert [h.velocity for h in voice(view).hits] == [119, 92, 127, 100]
    assert hit(view, 4, 1).velocity == 119
    performer.press(K.Key_C, CTRL)
    performer.press(K.Key_Escape)
    assert view.editor.hand.anchor is None
    performer.press(K.Key_Home)
    performer.press(K.Key_Up)
    for _ in range(6):
        performer.press(K.Key_Right)
    performer.press(K.Key_V, CTRL)
    assert [h.step for h in voice(view).hits] == [0, 4, 6, 10, 12]
    performer.press(K.Key_A, CTRL)
    performer.press(K.Key_A, CTRL)
    performer.press(K.Key_Delete)
    assert all(not v.hits for v in content(view).voices)
    performer.press(K.Key_Z, CTRL)
    assert len(voice(view).hits) == 5


def test_the_pattern_by_keys(performer: Performer, view: PatternsView) -> None:
    """Double and halve, swing, speed, dice and pin, a variation shown against it, a new one."""
    before = content(view)
    performer.act("double")
    assert content(view).length == 32
    performer.press(K.Key_D, CTRL, SHIFT)
    assert voice(view) == before.voices[0]
    performer.press(K.Key_Z, CTRL)
    performer.press(K.Key_Z, CTRL)
    for _ in range(4):
        performer.press(K.Key_S)
    performer.press(K.Key_S, SHIFT)
    performer.act("speed")
    assert (content(view).swing, content(view).speed) == (53, "2")
    performer.press(K.Key_I)
    performer.act("pin")
    assert content(view).seed == 1
    assert content(view).pin is not None
    assert "pinned to pass 1" in view.heading.below
    performer.act("variation")
    assert view.pattern is not None
    assert view.pattern.variation_of == "p01"
    performer.press(K.Key_X)
    performer.frame.grab()
    view.show_facts()
    assert "differs on 1 step" in view.facts.accessibleName()
    performer.press(K.Key_N)
    assert all(not v.hits for v in content(view).voices)
    assert view.pattern.program == 1  # the variation has taken the first free place


def test_patterns_are_named_and_removed(performer: Performer, view: PatternsView) -> None:
    """The name is typed; one in use is kept, a new one goes and comes back."""
    performer.press(K.Key_Delete, CTRL, SHIFT)
    assert "Oars is played in Oars" in performer.frame.session.notices.last.text  # type: ignore[union-attr]
    performer.press(K.Key_N)
    fill_in(view.fields, "name", "name", "Eddy")
    assert view.pattern is not None
    assert view.pattern.name == "Eddy"
    count = len(performer.frame.session.project.patterns)
    performer.press(K.Key_Delete, CTRL, SHIFT)
    assert len(performer.frame.session.project.patterns) == count - 1
    performer.press(K.Key_Z, CTRL)
    assert len(performer.frame.session.project.patterns) == count


def test_pitches_in_a_key(performer: Performer, view: PatternsView) -> None:
    """A degree up stays in D minor; without a key it is said."""
    view.choose("b1")
    view.show_facts()
    assert "D minor. nothing leaves it" in view.facts.accessibleName()
    performer.press(K.Key_Up, ALT)
    assert hit(view).note == 40
    performer.press(K.Key_Down, ALT)
    performer.press(K.Key_Down, ALT)
    assert hit(view).note == 36
    view.choose("p01")
    performer.press(K.Key_Up, ALT)
    assert "has no key yet" in performer.frame.session.notices.last.text  # type: ignore[union-attr]


def test_a_controller_lane(performer: Performer, view: PatternsView) -> None:
    """Added, written, moved, gliding, by keys; its curve is drawn with the pointer."""
    performer.press(K.Key_A, SHIFT)
    (lane,) = content(view).lanes
    assert lane.name == "Level"
    performer.press(K.Key_X)
    performer.press(K.Key_Up, SHIFT)
    performer.act("tie")
    point = content(view).lanes[0].points[0]
    assert (point.value, point.glide) == (72, True)
    canvas, left = view.pattern_canvas, Qt.MouseButton.LeftButton
    places = canvas.places
    index = places.index_of(lane.id)

    def at(step: int, value: int) -> QPoint:
        x = places.x_of(places.rows[index], step)
        return QPoint(round(x), round(places.level(index) - places.stroke_height(value)))

    QTest.mousePress(canvas.surface, left, pos=at(4, 40))
    for step in (5, 6, 7):
        QTest.mouseMove(canvas.surface, at(step, 10 * step))
    QTest.mouseRelease(canvas.surface, left, pos=at(7, 70))
    drawn = {p.step: p.value for p in content(view).lanes[0].points}
    assert drawn.keys() == {0, 4, 5, 6, 7}
    assert drawn[6] == pytest.approx(60, abs=4)
    performer.press(K.Key_Delete)
    assert {p.step for p in content(view).lanes[0].points} == {0, 5, 6, 7}


def test_every_setting_can_be_typed(performer: Performer, view: PatternsView) -> None:
    """Enter opens the form; what is refused is said and not left standing; Esc goes back."""
    performer.press(K.Key_Return)
    assert view.pages.currentWidget() is view.fields
    fill_in(view.fields, "hit", "chance", "35")
    assert hit(view).chance == 35
    fill_in(view.fields, "hit", "chance", "350")
    assert "Chance" in performer.frame.session.notices.last.text  # type: ignore[union-attr]
    chance = view.fields.fields[("hit", "chance")]
    assert isinstance(chance, NumberField)
    assert (chance.text(), hit(view).chance) == ("35", 35)
    fill_in(view.fields, "hit", "chance", "+5")
    assert hit(view).chance == 40
    chance.stepBy(-1)
    assert hit(view).chance == 35
    fill_in(view.fields, "voice", "direction", "there and back")
    assert voice(view).direction == "there and back"
    fill_in(view.fields, "pattern", "swing", "58")
    assert content(view).swing == 58
    performer.frame.grab()
    performer.press(K.Key_Escape)
    assert view.pattern_canvas.hasFocus()


def generate(view: PatternsView, name: str) -> None:
    """Choose a generator, as by hand."""
    choice = view.makers.choice
    choice.setCurrentIndex(choice.findData(name))
    choice.activated.emit(choice.currentIndex())


def test_generators(performer: Performer, view: PatternsView) -> None:
    """M opens them; every change writes the voice anew, and one undo takes it back. A number that
    cannot be is said at its field, and what was there stays."""
    before = voice(view)
    performer.act("generate")
    form = view.makers.form
    for text in ("3", "+2"):
        fill_in(form, "Evenly", "hits", text)
    assert [h.step for h in voice(view).hits] == [0, 3, 6, 9, 12]
    fill_in(form, "Evenly", "hits", "many")
    assert "Hits is a whole number" in performer.frame.session.notices.last.text  # type: ignore[union-attr]
    assert view.generators.field_text("Evenly", "hits") == "5"
    hits = form.fields[("Evenly", "hits")]
    assert isinstance(hits, NumberField)
    hits.stepBy(-1)
    assert len(voice(view).hits) == 4
    for name in ("Register", "Arpeggio", "Shuffle"):
        generate(view, name)
        assert view.makers.form.isVisible()
        assert not form.isVisible()
    performer.frame.grab()
    performer.press(K.Key_Escape)
    undone = 0
    while performer.frame.session.store.undo_name:
        performer.press(K.Key_Z, CTRL)
        undone += 1
    assert undone
    assert voice(view) == before


def test_a_generator_turns_a_controller(performer: Performer, view: PatternsView) -> None:
    """With a controller lane in hand; one for hits alone says so."""
    performer.find("A controller lane")
    (lane,) = content(view).lanes
    view.editor.hand.row_id = lane.id
    performer.act("generate")
    generate(view, "Slow wave")
    drawn = content(view).lanes[0].points
    assert len(drawn) > 3
    generate(view, "Evenly")
    assert "writes hits" in performer.frame.session.notices.last.text  # type: ignore[union-attr]
    assert content(view).lanes[0].points == drawn


def test_the_memory_map(performer: Performer, view: PatternsView) -> None:
    """Alt+2; the arrows move, Ctrl+M assigns, K copies, Delete frees, Enter takes in hand."""
    performer.press(K.Key_2, ALT)
    assert view.memory.program == 16
    performer.frame.grab()
    performer.press(K.Key_Down)
    performer.press(K.Key_M, CTRL)
    patterns = {p.id: p for p in performer.frame.session.project.patterns}
    assert (patterns["p01"].program, patterns["p02"].program) == (17, 16)
    performer.press(K.Key_Right)
    performer.press(K.Key_Down)
    performer.press(K.Key_Down)
    performer.act("copy_here")
    copied = performer.frame.session.project.patterns[-1]
    assert (copied.name, copied.program) == ("Oars copy", 35)
    performer.press(K.Key_Delete)
    assert performer.frame.session.project.patterns[-1].program is None
    performer.press(K.Key_X)  # what is not seen is not edited
    assert hit(view).velocity == 127
    view.memory.program = 16
    performer.press(K.Key_Return)
    assert view.editor.hand.pattern_id == "p02"
    assert view.panes.currentWidget() is view.pattern_canvas


def test_the_step_sheet(performer: Performer, view: PatternsView) -> None:
    """Alt+3 shows how the pattern is keyed in, in the box's own counts."""
    view.choose("p04")
    performer.press(K.Key_3, ALT)
    text = view.steps.page.toPlainText()
    assert "Key into B04 of Smew" in text
    assert "swing level 7 of 26 (56 %)" in text
    assert "flam 5 of 8" in text
    performer.frame.grab()


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


def test_capture_after_the_fact(performer: Performer, view: PatternsView) -> None:
    """What was played twice round becomes a bar; laid over as a pass that can be undone."""
    step = 60 / 126 / 4
    beat = [(n * step, 36 if n % 4 == 0 else 42, 99) for n in range(0, 16, 2)]
    again = [(t + 16 * step, n, v) for t, n, v in beat]
    played(performer.frame.session, [*beat, *again])
    performer.press(K.Key_4, ALT)
    assert view.capture.proposal is not None
    assert (view.capture.proposal.bars, view.capture.proposal.rate) == (1, "1/16")
    assert "repeats after 1 bar" in view.capture.said.text()
    performer.frame.grab()
    before = content(view)
    view.capture.lay_over()
    assert content(view) != before
    assert [h.step for h in voice(view).hits] == [0, 4, 8, 12]
    performer.press(K.Key_Z, CTRL)
    assert content(view) == before
    performer.press(K.Key_4, ALT)
    view.capture.bars.setFocus()
    performer.press(K.Key_Down)
    assert view.capture.bars.currentText() == "2"
    assert "16 notes would be taken" in view.capture.said.text()
    performer.press(K.Key_Up)
    performer.press(K.Key_Return)
    assert view.pattern is not None
    assert view.pattern.name == "Captured"
    rows = {v.note: [h.step for h in v.hits] for v in content(view).voices}
    assert rows == {36: [0, 4, 8, 12], 42: [2, 6, 10, 14]}
    assert [v.name for v in content(view).voices] == ["Kick", "Closed hat"]


def test_a_free_jam_has_its_own_tempo(performer: Performer, view: PatternsView) -> None:
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
    capture = view.capture
    assert capture.tempo.currentText() == "as played, 97.4 BPM"
    assert capture.bars.currentText() == "2"
    assert "2 bars (1 only nearly)" in capture.said.text()
    performer.frame.grab()
    capture.settings()
    assert [h.step for h in voice(view).hits] == [*bar, *(16 + n for n in other)]
    performer.press(K.Key_4, ALT)
    capture.tempo.setFocus()
    performer.press(K.Key_End)
    assert capture.tempo.currentText() == "the song's, 126 BPM"


def test_the_key_of_what_was_played(performer: Performer, view: PatternsView) -> None:
    """H finds it; with nothing pitched it says so."""
    performer.act("find_key")
    assert "play along first" in performer.frame.session.notices.last.text  # type: ignore[union-attr]
    import grebe.app.editors.pattern_whole as module

    now = module.raw_now_ns()
    notes = [62, 65, 69, 62, 64, 65, 67, 69, 70, 62]
    performer.frame.session.memory.take(
        entry
        for i, n in enumerate(notes)
        for entry in (row("knot", now - 1000 + i, 0x91, n, 90),
                    row("knot", now + 400_000_000 + i, 0x81, n, 64))
    )  # fmt: skip
    performer.act("find_key")
    assert content(view).key == "D minor"


def test_step_by_step_from_a_controller(performer: Performer, view: PatternsView) -> None:
    """With U, each note goes to the cursor's step of its voice, and the cursor moves on."""
    performer.press(K.Key_Right)
    performer.act("step_in")
    played(performer.frame.session, [(0, 36, 77), (1, 38, 66)])
    performer.wait(lambda: voice(view).hit_at(1) is not None)
    assert hit(view, 1).velocity == 77
    assert hit(view, 2, 1).velocity == 66
    assert view.editor.hand.step == 3
    performer.act("step_in")


def test_live_with_real_keys(performer: Performer, view: PatternsView) -> None:
    """While it plays, 1 strikes the first voice on its box; L writes it where it falls."""
    performer.engine_ready()
    performer.press(K.Key_Right, CTRL)
    session = performer.frame.session
    session.selection.section = "s2"
    performer.press(K.Key_Space, CTRL)
    performer.wait(lambda: session.position.pattern_place("p01") is not None)
    performer.press(K.Key_L)
    before = len(voice(view).hits)
    for _ in range(3):
        performer.press(K.Key_1)
        QTest.qWait(170)
    performer.wait(lambda: len(session.memory.notes) == 3)
    performer.wait(lambda: len(voice(view).hits) >= before)
    assert all(n.tick is not None for n in session.memory.notes)
    performer.press(K.Key_Space)
    performer.wait(lambda: not session.running)
    written = {h.step for h in voice(view).hits}
    ticks = [n.tick or 0.0 for n in session.memory.notes]
    step = content(view).step_ticks
    base = [round((t - 8 * 4 * 14_414_400) / step) % 16 for t in ticks]
    assert set(base) <= written


def test_teaching_a_box(performer: Performer, view: PatternsView) -> None:
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
    assert view.pattern is not None
    assert view.pattern.box_status == "in the box"
    performer.press(K.Key_Space)
    performer.wait(lambda: session.running and session.status.section == "s1")  # type: ignore[union-attr]
    performer.press(K.Key_Space)
    performer.wait(lambda: not session.running)
    view.choose("n-none")
    performer.press(K.Key_B, CTRL, SHIFT)


def test_files_in_and_out(performer: Performer, view: PatternsView, tmp_path: Path) -> None:
    """A folder of MIDI files at once, files dropped, a pattern written as MIDI and WAV."""
    folder = tmp_path / "loops"
    folder.mkdir()
    for name, note in (("a", 36), ("b", 38)):
        (folder / f"{name}.mid").write_bytes(loop((0, note, 99), (1, note, 99)))
    (folder / "c.mid").write_bytes(b"broken")
    count = len(performer.frame.session.project.patterns)
    view.transfer.import_files([str(folder)])
    patterns = performer.frame.session.project.patterns
    assert [p.name for p in patterns[count:]] == ["a", "b"]
    assert "c.mid is not a whole MIDI file" in performer.frame.session.notices.last.text  # type: ignore[union-attr]
    data = QMimeData()
    data.setUrls([QUrl.fromLocalFile(str(folder / "a.mid"))])
    event = QDropEvent(QPointF(300, 200), Qt.DropAction.CopyAction, data,
                       Qt.MouseButton.LeftButton, Qt.KeyboardModifier.NoModifier)  # fmt: skip
    view.pattern_canvas.dropEvent(event)
    assert len(performer.frame.session.project.patterns) == count + 3
    view.choose("p01")
    out = tmp_path / "out"
    view.transfer.export_into(out)
    assert mido.MidiFile(out / "oars.mid").type == 1
    (wav,) = out.glob("*.wav")
    audio, rate = soundfile.read(wav)
    assert (rate, len(audio)) == (48_000, round(7 * 4 * 60 / 126 * 48_000))
    view.transfer.export_into(out, "kick")
    assert len(list(out.glob("oars-kick*.wav"))) == 1
    view.transfer.export_into(folder / "a.mid")
    assert "could not be written" in performer.frame.session.notices.last.text  # type: ignore[union-attr]


def test_loops_in_the_window(performer: Performer, view: PatternsView, tmp_path: Path) -> None:
    """The demo's loop: slices in hand, trimmed, laid out, gated, cut again, made a pattern."""
    session = performer.frame.session
    performer.press(K.Key_5, ALT)
    pane = view.loops
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
    assert view.pattern is not None
    assert view.pattern.name == "Gravel, sliced"
    bad, silent = tmp_path / "bad.wav", tmp_path / "silent.wav"
    bad.write_bytes(b"RIFF")
    soundfile.write(silent, [0.0] * 4800, 48_000)
    for path, words in ((bad, "not a WAV file"), (silent, "silent from end to end")):
        view.transfer.import_files([str(path)])
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


def test_every_key_in_every_pane(performer: Performer, view: PatternsView) -> None:
    """Nothing raises, whatever is in hand; files are not asked for here."""
    store = performer.frame.session.store
    for pattern in ("p02", "b1"):
        for pane in range(5):
            for action in actions_in("patterns"):
                if action.effect != "asks" and not action.id.startswith(("pane_", "teach")):
                    for each in action.ids():
                        view.choose(pattern)
                        view.panes.setCurrentIndex(pane)
                        if view.can(each):
                            performer.frame.book.do(each)
                    while store.undo():
                        pass


def test_cut_is_copied(performer: Performer, view: PatternsView) -> None:
    """Cut four steps, pasted eight later: the hits are gone there and are here."""
    performer.press(K.Key_Home)
    before = {h.step: h.velocity for h in voice(view).hits}
    wanted = {step + 2: level for step, level in before.items() if step < 4}
    assert wanted
    for _ in range(3):
        performer.press(K.Key_Right, SHIFT)
    performer.press(K.Key_X, CTRL)
    assert not [h for h in voice(view).hits if h.step < 4]
    performer.press(K.Key_Escape)
    performer.press(K.Key_Home)
    for _ in range(2):
        performer.press(K.Key_Right)
    performer.press(K.Key_V, CTRL)
    assert {h.step: h.velocity for h in voice(view).hits if 2 <= h.step < 6} == wanted
