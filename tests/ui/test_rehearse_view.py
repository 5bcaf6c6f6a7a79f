"""Rehearse, pedals and Tools in the real window."""

from __future__ import annotations

from pathlib import Path

import pytest
from PyQt6.QtCore import QPoint, Qt
from PyQt6.QtGui import QGuiApplication
from PyQt6.QtTest import QTest
from PyQt6.QtWidgets import QFileDialog
from websockets.sync.client import connect

from grebe.app.live.position import raw_now_ns
from grebe.core.calculators.table import CALCULATORS, calculator
from grebe.core.player.controls import LEARNABLE
from grebe.core.rig.learn import bound
from grebe.core.rig.trigger import KeyBinding, Trigger
from grebe.protocols.link.messages import Learned, Pressed
from grebe.ui.stations.rig.controls import ControlsPane
from grebe.ui.stations.rig.view import RigView
from grebe.ui.stations.set.rehearse import RehearsePane
from grebe.ui.stations.set.view import SetView
from grebe.ui.stations.tools.view import ToolsView
from tests.ui.conftest import Performer
from tests.ui.hand import K
from tests.waiting import PATIENCE_S

ALT, CTRL = Qt.KeyboardModifier.AltModifier, Qt.KeyboardModifier.ControlModifier


def said(performer: Performer) -> str:
    notice = performer.frame.session.notices.last
    return "" if notice is None else notice.text


def rehearse_pane(performer: Performer) -> RehearsePane:
    performer.go(6)
    performer.press(K.Key_2, ALT)
    view = performer.frame.view
    assert isinstance(view, SetView)
    assert view.rehearse.hasFocus()
    return view.rehearse


def test_a_rehearsal_by_key(performer: Performer) -> None:
    """Counted in, the section is held; brought in early it is said so and written down."""
    performer.engine_ready()
    session = performer.frame.session
    performer.frame.views[6].editor.hand.entry_id = "e2"  # type: ignore[attr-defined]
    pane = rehearse_pane(performer)
    performer.frame.grab()
    performer.act("rehearse_by_hand")
    performer.act("rehearse_by_hand")
    performer.act("rehearse")
    performer.wait(
        lambda: session.running and session.status.held and session.position.tick_now() > 0
    )  # type: ignore[union-attr]
    performer.frame.grab()
    assert any("Bring in Oars" in words for words, _ in pane.rehearsal.asks(
        pane.rehearsal.book.now(session.derived.layout())))  # type: ignore[arg-type]  # fmt: skip
    performer.press(K.Key_Return)
    performer.wait(lambda: session.status.section == "s2")  # type: ignore[union-attr]
    performer.wait(lambda: pane.rehearsal.scores)
    before, after, scored = pane.rehearsal.scores[0]
    assert (before, after, scored.verdict) == ("Fog", "Oars", "early")
    performer.frame.grab()
    assert session.log.settle(PATIENCE_S)
    log = session.log.read()
    assert log is not None
    assert log.tries()[0].verdict == "early"
    performer.act("rehearse")
    performer.wait(lambda: not session.running)
    performer.act("drill")
    performer.wait(lambda: session.running)
    assert pane.rehearsal.drilled is not None
    assert session.status.loop is not None  # type: ignore[union-attr]
    performer.frame.grab()
    performer.act("drill")
    performer.wait(lambda: not session.running)


def test_the_one_by_key_and_pace(performer: Performer) -> None:
    """X taps, a pedal taps at its own time; P slows down; without a rehearsal D says so."""
    performer.engine_ready()
    frame = performer.frame
    session, pane = frame.session, rehearse_pane(performer)
    performer.act("drill")
    assert "nothing has been rehearsed" in said(performer)
    performer.act("slower")
    assert session.tempo.scale == 0.9
    performer.act("tap_ones")
    performer.wait(lambda: session.running and session.position.tick_now() > 0)
    for _ in range(3):
        performer.act("tap")
    session.learning.pressed.append(Pressed(action="tap", down=True, at_ns=raw_now_ns()))
    performer.wait(lambda: len(pane.rehearsal.taps) == 4)
    frame.grab()
    performer.act("tap_ones")
    assert session.log.settle(PATIENCE_S)
    log = session.log.read()
    assert log is not None
    assert [row.taps for row in log.ones(session.project.name)] == [4]
    frame.grab()
    performer.press(K.Key_Space)
    performer.wait(lambda: not session.running)


def controls(performer: Performer) -> ControlsPane:
    performer.press(K.Key_6, ALT)
    view = performer.frame.view
    assert isinstance(view, RigView)
    view.panes.controls.setFocus()
    return view.panes.controls


def test_presses_are_learnt_and_forgotten(performer: Performer) -> None:
    """L waits for a press; it stands in the list; Delete forgets it; the engine must be there."""
    frame = performer.frame
    pane = controls(performer)
    performer.press(K.Key_L)
    assert "engine is not there" in said(performer)
    frame.session.link.state = "on"
    performer.press(K.Key_Down)
    performer.press(K.Key_Down)
    assert pane.action == LEARNABLE[2].id
    performer.press(K.Key_L)
    assert frame.session.learning.action == "next_in"
    frame.grab()
    trigger = Trigger(device="knot", kind="controller", channel=1, number=64)
    frame.session.take(Learned(trigger=trigger), 1.0)
    assert frame.session.project.rig.bindings[-1].action == "next_in"
    assert frame.session.learning.action == ""
    performer.press(K.Key_Right)
    assert pane.index == 2 + pane.rows
    performer.press(K.Key_Left)
    frame.grab()
    performer.press(K.Key_Delete)
    assert "next_in" not in {b.action for b in frame.session.project.rig.bindings}
    QTest.mouseClick(pane.surface, Qt.MouseButton.LeftButton, pos=QPoint(20, 60))
    assert pane.index == 0
    frame.session.link.state = "off"


def test_computer_keys_are_learnt(performer: Performer) -> None:
    """One that is free does it on Stage; one that is taken is refused; Esc gives up."""
    frame = performer.frame
    pane = controls(performer)
    pane.index = next(i for i, n in enumerate(LEARNABLE) if n.id == "hold")
    performer.press(K.Key_K)
    assert pane.takes_key
    performer.press(K.Key_D)
    assert "is taken" in said(performer)
    performer.press(K.Key_K)
    performer.press(K.Key_Escape)
    assert not pane.takes_key
    performer.press(K.Key_K)
    performer.press(K.Key_F12, CTRL)
    assert frame.session.project.rig.keys == (KeyBinding(action="hold", keys="Ctrl+F12"),)
    performer.go(7)
    performer.engine_ready()
    performer.press(K.Key_Space)
    performer.wait(lambda: frame.session.running)
    performer.press(K.Key_F12, CTRL)
    performer.wait(lambda: frame.session.status.held)  # type: ignore[union-attr]


def test_what_only_a_window_can_do_is_done_for_a_pedal(performer: Performer) -> None:
    """Run, a move ticked off, a song by number while stopped."""
    performer.go(7)
    performer.engine_ready()
    frame = performer.frame
    session = frame.session
    for action in ("song_3", "tick_move"):
        session.learning.pressed.append(Pressed(action=action, down=True, at_ns=1))
        performer.wait(lambda: not session.learning.pressed)
    assert session.selection.song_id == "wake"
    session.learning.pressed.append(Pressed(action="run_stop", down=True, at_ns=1))
    performer.wait(lambda: session.running)
    session.learning.pressed.append(Pressed(action="run_stop", down=False, at_ns=1))
    session.learning.pressed.append(Pressed(action="hold", down=True, at_ns=1))  # the engine's own
    performer.wait(lambda: not session.learning.pressed)
    assert session.running
    assert not session.status.held  # type: ignore[union-attr]


def test_a_pedal_that_is_not_there_is_shown(performer: Performer) -> None:
    """On Stage by its name, and as a finding before."""
    frame = performer.frame
    trigger = Trigger(device="gadwall", kind="note", channel=1, number=36)
    frame.session.store.apply("x", lambda p: bound(p, "hold", trigger))
    assert any(f.code == "rig.control-gone" for f in frame.session.derived.findings())
    performer.go(7)
    performer.engine_ready()
    performer.wait(lambda: frame.session.status.deaf == ("gadwall",))  # type: ignore[union-attr]
    frame.grab()


def test_tools_answer_as_one_types(performer: Performer) -> None:
    """Each has an answer, a table and a copy; what is wrong is said; the song gives the tempo."""
    performer.press(K.Key_9, CTRL)
    view = performer.frame.view
    assert isinstance(view, ToolsView)
    for index in range(len(CALCULATORS)):
        assert view.tools_canvas.index == index
        assert view.tools_canvas.answer is not None
        performer.frame.grab()
        performer.press(K.Key_Down)
    QTest.mouseClick(view.tools_canvas.surface, Qt.MouseButton.LeftButton, pos=QPoint(30, 10))
    assert view.tools_canvas.answer is not None
    assert "126 BPM is 476.190 ms" in view.tools_canvas.answer.sentence
    performer.act("copy_table")
    clipboard = QGuiApplication.clipboard()
    assert clipboard is not None
    assert clipboard.text().splitlines()[1] == "note\tstraight, ms\tdotted, ms\ttriplet, ms"
    performer.press(K.Key_Return)
    view.fields["delay"]["bpm"].setText("fast")
    assert "a number" in view.tools_canvas.problem
    performer.frame.grab()
    performer.press(K.Key_Escape)
    assert view.tools_canvas.hasFocus()
    performer.press(K.Key_Up)


@pytest.mark.parametrize(
    ("tool", "changed", "words"),
    [
        ("delay", {"bpm": "140"}, "428.571 ms"),
        ("delay", {"bpm": "140", "min-ms": "20", "max-ms": "400"}, "set it to 280 BPM"),
        ("tempo", {}, "126.001 BPM"),
        ("loop", {}, "365714.286 samples"),
        ("repitch", {}, "-1.824 semitones"),
        ("ramp", {}, "14.798 s"),
        ("position", {}, "song position 512"),
        ("hearing", {}, "15 minutes"),
        ("drift", {"bpm-b": "120"}, "do not part"),
    ],
)
def test_tools_give_the_worked_numbers(tool: str, changed: dict[str, str], words: str) -> None:
    """60 000/140 = 428.571 ms; 12 log2(0.9) = -1.824 (ISO 16); NIOSH 98-126: 100 dBA 15 min; a
    ramp of 32 beats from 120 to 140 is 14.798 s; bar 33 of 4/4 is song position 512."""
    found = calculator(tool)
    values = {f.key: f.usual for f in found.inputs} | changed
    assert words in found.answer(values).sentence


def test_answers_are_put_to_use_where_they_belong(performer: Performer) -> None:
    """Each an edit that is undone; every picture is drawn; what has no place says so."""
    performer.go(9)
    view, session = performer.frame.view, performer.frame.session
    assert isinstance(view, ToolsView)
    ids = [tool.id for tool in CALCULATORS]
    for index in range(len(ids)):
        view.choose(index)
        performer.frame.grab()
    before = session.project
    view.choose(ids.index("tap"))
    performer.press(K.Key_U)
    assert session.song is not None
    assert session.song.bpm == pytest.approx(126.02)
    performer.act("undo")
    view.choose(ids.index("key"))
    performer.act("use_answer")
    assert session.song.key == "D minor"
    performer.act("undo")
    view.choose(ids.index("delay"))
    view.note.setCurrentIndex(view.note.findData("1/8t"))
    performer.act("use_answer")
    assert "is at 1/8t in Fog" in said(performer)
    fog = session.project.scene(session.song.sections[0].scene)
    assert "1/8t" in [part.echo for part in fog.parts]
    view.fields["delay"]["max-ms"].setText("20")
    performer.act("use_answer")
    assert "cannot take" in said(performer)
    performer.act("undo")
    assert session.project == before
    view.choose(ids.index("register"))
    performer.act("use_answer")
    assert session.generator_values["Register"]["taps"] == "8 6 5 4"
    view.choose(ids.index("wire"))
    performer.act("use_answer")
    assert "no place of its own" in said(performer)


def test_a_card_for_the_lid(
    performer: Performer, monkeypatch: pytest.MonkeyPatch, tmp_path: Path
) -> None:
    """Written in Rig, of the box in hand."""
    target = tmp_path / "smew.html"
    monkeypatch.setattr(QFileDialog, "getSaveFileName", lambda *_: (str(target), ""))
    performer.go(1)
    performer.frame.session.selection.box = "smew"
    performer.act("write_card")
    text = target.read_text()
    assert "<h1>Smew</h1>" in text
    assert "Patterns by place" in text
    assert "Your moves on it" in text


def test_stage_on_phones_from_the_window(performer: Performer) -> None:
    """Off until it is switched on; a code and a word; who asks is said, and accepted or not."""
    frame = performer.frame
    frame.book.do("phone_stage")
    page = frame.over.phones
    assert page.isVisible()
    assert not frame.phones.on
    performer.act("accept_phone")
    assert "no phone asks" in said(performer)
    QTest.mouseClick(page.switch, Qt.MouseButton.LeftButton)
    performer.wait(lambda: frame.phones.urls)
    assert frame.phones.word in page.where.text()
    assert frame.phones.word in page.code.accessibleName()
    frame.grab()
    port = frame.phones.urls[0].rstrip("/").rpartition(":")[2]
    at = f"127.0.0.1:{port}"
    with connect(f"ws://{at}/live", origin=f"http://{at}", proxy=None) as phone:  # type: ignore[arg-type]
        phone.send(f'{{"word": "{frame.phones.word}"}}')
        performer.wait(lambda: frame.phones.waiting)
        assert "asks to see Stage" in said(performer)
        frame.grab()
        QTest.mouseClick(page.accepts[0], Qt.MouseButton.LeftButton)
        performer.wait(lambda: any(row.accepted for row in frame.phones.rows))
        assert [button.words for button in page.accepts] == ["Send away"]
    performer.wait(lambda: not frame.phones.rows)
    QTest.mouseClick(page.switch, Qt.MouseButton.LeftButton)
    assert not frame.phones.on
    assert "Nothing is shown" in page.said.text()
