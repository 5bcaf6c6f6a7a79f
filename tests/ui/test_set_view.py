"""The Set station by keys, mouse and form; Stage's own keys on a whole set."""

from __future__ import annotations

from pathlib import Path

import pytest
from PyQt6.QtCore import QPoint, QPointF, Qt
from PyQt6.QtTest import QTest
from PyQt6.QtWidgets import QFileDialog

from grebe.app.document.sheets import set_sheet
from grebe.core.document import Project
from grebe.core.sets.model import Set
from grebe.ui.stations.set.view import SetView
from grebe.ui.stations.stage.view import StageView
from grebe.ui.widgets.guard import HELD_S
from tests.ui.conftest import Performer
from tests.ui.hand import K

CTRL, SHIFT, ALT = (
    Qt.KeyboardModifier.ControlModifier,
    Qt.KeyboardModifier.ShiftModifier,
    Qt.KeyboardModifier.AltModifier,
)


def at_set(performer: Performer) -> SetView:
    performer.go(6)
    view = performer.frame.view
    assert isinstance(view, SetView)
    return view


def running(performer: Performer) -> Set:
    found = performer.frame.session.selection.running_set
    assert found is not None
    return found


def project(performer: Performer) -> Project:
    return performer.frame.session.project


def said(performer: Performer) -> str:
    notice = performer.frame.session.notices.last
    return "" if notice is None else notice.text


def test_about_the_set_and_its_order(performer: Performer) -> None:
    """To a song, one place on, out and in again, another song there."""
    view = at_set(performer)
    assert "7 songs" in view.heading.below
    performer.press(K.Key_End)
    assert view.editor.hand.entry_id == "e7"
    performer.press(K.Key_Home)
    performer.press(K.Key_Right)
    assert view.editor.hand.entry_id == "e2"
    assert performer.frame.session.selection.song_id == "harbour-bell"
    performer.press(K.Key_Right, ALT)
    assert [s.id for s in running(performer).songs][:3] == ["e1", "e3", "e2"]
    performer.press(K.Key_Left, ALT)
    performer.press(K.Key_Delete)
    assert len(running(performer).songs) == 6
    performer.press(K.Key_Left)
    songs = [s.song for s in running(performer).songs]
    performer.act("add_song")
    after = [s.song for s in running(performer).songs]
    assert len(after) == 7
    added = running(performer).songs[[s.id for s in running(performer).songs].index(
        view.editor.hand.entry_id)]  # fmt: skip
    assert after == [*songs[:1], added.song, *songs[1:]]
    performer.act("one_after")
    performer.act("one_before")
    assert view.editor.hand.entry is not None
    assert view.editor.hand.entry.song == "harbour-bell"


def test_how_a_song_comes_in(performer: Performer) -> None:
    """Each way in turn; its ramp and its silence; pinned."""
    view = at_set(performer)
    performer.press(K.Key_Right)
    ways = []
    for _ in range(4):
        performer.act("into")
        ways.append(view.editor.hand.entry.into)  # type: ignore[union-attr]
    assert ways == ["carry", "stop", "cut", "ramp"]
    performer.press(K.Key_Plus)
    assert view.editor.hand.entry.ramp_bars == 9  # type: ignore[union-attr]
    performer.act("into")
    performer.act("into")
    performer.press(K.Key_Minus)
    assert view.editor.hand.entry.gap_s == 5.0  # type: ignore[union-attr]
    performer.press(K.Key_P)
    assert view.editor.hand.entry.pinned  # type: ignore[union-attr]


def test_an_order_is_worked_out(performer: Performer) -> None:
    """Pinned songs stay, the rest is ordered, and it says what it costs; again there is none."""
    at_set(performer)
    before = [s.id for s in running(performer).songs]
    performer.act("order")
    after = [s.id for s in running(performer).songs]
    assert after != before
    assert (after[0], after[-1]) == ("e1", "e7")
    assert "none fits better" in said(performer)
    performer.act("order")
    assert said(performer) == "No other order fits better."
    performer.press(K.Key_Z, CTRL)
    assert [s.id for s in running(performer).songs] == before


def test_energy_drawn_by_key_and_mouse(performer: Performer) -> None:
    """Up and down by tenths; a point dragged is one edit; away with all of it."""
    view = at_set(performer)
    performer.act("raise")
    assert running(performer).wish[0] == pytest.approx(0.3)
    performer.act("lower")
    performer.frame.grab()
    canvas = view.set_canvas
    plan = view.editor.hand.plan
    assert plan is not None
    point = canvas.places().wish_points()[3].toPoint()
    QTest.mousePress(canvas.surface, Qt.MouseButton.LeftButton, pos=point)
    QTest.mouseMove(canvas.surface, point + QPoint(0, 20))
    QTest.mouseRelease(canvas.surface, Qt.MouseButton.LeftButton, pos=point + QPoint(0, 20))
    assert 0.5 < running(performer).wish[3] < 1.0
    performer.press(K.Key_Backspace)
    assert running(performer).wish == ()


def test_a_click_takes_a_song(performer: Performer) -> None:
    view = at_set(performer)
    performer.frame.grab()
    plan = view.editor.hand.plan
    assert plan is not None
    block = view.set_canvas.places().block_of(plan.songs[4])  # type: ignore[union-attr]
    place = QPointF(block.left() + 5, block.top() + 10).toPoint()
    QTest.mouseClick(view.set_canvas.surface, Qt.MouseButton.LeftButton, pos=place)
    assert view.editor.hand.entry_id == "e5"


def test_versions(performer: Performer) -> None:
    """One with everything in is made and put there; V takes the other again."""
    view = at_set(performer)
    performer.press(K.Key_Right)
    performer.press(K.Key_V)
    assert "only one version" in said(performer)
    performer.press(K.Key_V, SHIFT)
    assert view.editor.hand.song is not None
    assert view.editor.hand.song.version == "everything in"
    performer.press(K.Key_V)
    assert view.editor.hand.song.id == "harbour-bell"
    performer.frame.grab()


def test_every_setting_can_be_typed(performer: Performer) -> None:
    """Slot, weights, silence, key, needs; what cannot be is said and not taken."""
    view = at_set(performer)
    performer.press(K.Key_Right)
    editor = view.editor
    for owner, key, text in (
        ("set", "slot", "50:30"), ("set", "tempo", "2"), ("set", "name", "Late ferry"),
        ("place", "song", "Wake"), ("place", "into", "cut on the bar"), ("place", "ramp_bars", "4"),
        ("place", "gap_s", "12.5"), ("song", "key", "E minor"), ("song", "version", "long"),
        ("song", "needs", "Smew: kit 3, 8 s; Garganey: patch wheel, 20 s, patch, helper"),
    ):  # fmt: skip
        editor.hand.set_field(owner, key, text)
        assert editor.hand.field_text(owner, key) == text
    assert editor.hand.field_choices("place", "song")[0] == "Harbour bell"
    for owner, key, text in (
        ("set", "slot", "soon"), ("set", "slot", "99999"), ("set", "tempo", "much"),
        ("song", "key", "H"), ("song", "needs", "Smew kit"), ("song", "needs", "Gone: x, 3 s"),
    ):  # fmt: skip
        view.form.typed.emit(owner, key, text)
        assert said(performer)
        assert editor.hand.field_text(owner, key) != text
    performer.act("settings")
    assert view.form.isAncestorOf(performer.frame.focusWidget())
    performer.press(K.Key_Escape)
    assert view.set_canvas.hasFocus()


def test_other_sets_and_files(
    performer: Performer, tmp_path: Path, monkeypatch: pytest.MonkeyPatch
) -> None:
    """A new set is filled, the old taken again; CSV out and in; the sheet."""
    view = at_set(performer)
    performer.act("new_set")
    assert running(performer).songs == ()
    performer.act("add_song")
    assert [s.song for s in running(performer).songs] == ["harbour-bell"]
    performer.act("next_set")
    assert running(performer).id == "night-ferry"
    target = tmp_path / "night.csv"
    monkeypatch.setattr(QFileDialog, "getSaveFileName", lambda *_: (str(target), ""))
    monkeypatch.setattr(QFileDialog, "getOpenFileName", lambda *_: (str(target), ""))
    performer.press(K.Key_C, CTRL | ALT)
    lines = target.read_text().splitlines()
    target.write_text("\n".join([lines[0], *lines[3:5]]))
    performer.press(K.Key_I, CTRL)
    assert [s.song for s in running(performer).songs] == ["wake", "cross-swell"]
    target.write_text("song\nGone\n")
    performer.press(K.Key_I, CTRL)
    assert "there is no song 'Gone'" in said(performer)
    target.write_bytes(b"\xff\xfe")
    view.read_from(target)
    assert "night.csv" in said(performer)
    sheet = tmp_path / "night.html"
    monkeypatch.setattr(QFileDialog, "getSaveFileName", lambda *_: (str(sheet), ""))
    performer.act("write_sheet")
    assert "Cross swell" in sheet.read_text()
    view.paper.write_to(
        set_sheet(view.session.project, view.editor.hand.running), tmp_path / "x.txt"
    )  # type: ignore[arg-type]
    assert ".html" in said(performer)


def test_a_set_of_nothing_is_said(performer: Performer) -> None:
    """Without a set the station says how to make one; its keys say what is missing."""
    view = at_set(performer)
    import msgspec

    performer.frame.session.store.apply("x", lambda p: msgspec.structs.replace(p, sets=()))
    assert view.heading.title == "No set yet"
    performer.frame.grab()
    for name in ("into", "order", "other_version", "remove", "more", "raise"):
        performer.act(name)
    performer.act("next_set")
    assert "There is no other set" in said(performer)
    performer.act("add_song")  # a song put in makes the set it goes into
    (made,) = performer.frame.session.project.sets
    assert [s.song for s in made.songs] == [performer.frame.session.project.songs[0].id]
    performer.act("new_set")
    performer.act("add_song")
    assert len(running(performer).songs) == 1


def test_the_demo_set_from_the_keyboard(performer: Performer) -> None:
    """Run, ask for the wrong scene, take it back, hold, the next song by number; nothing lost."""
    performer.engine_ready()
    frame = performer.frame
    session = frame.session
    before = session.project
    performer.go(7)
    view = frame.view
    assert isinstance(view, StageView)
    performer.act("song_number")
    performer.press(K.Key_2)
    performer.press(K.Key_Return)
    assert session.selection.song_id == "harbour-bell"
    performer.press(K.Key_Space)
    performer.wait(lambda: session.running and session.status.section == "s1")  # type: ignore[union-attr]
    performer.wait(lambda: session.position.tick_now() > 0)
    performer.press(K.Key_J)
    performer.press(K.Key_7)
    frame.grab()
    performer.press(K.Key_Return)
    performer.wait(lambda: session.status.launched)  # type: ignore[union-attr]
    assert session.status.next_section == "s7"  # type: ignore[union-attr]
    frame.grab()
    performer.press(K.Key_Backspace)
    performer.wait(lambda: not session.status.launched)  # type: ignore[union-attr]
    performer.press(K.Key_1, CTRL | SHIFT)
    performer.wait(lambda: session.status.solos == (("smew", ""),))  # type: ignore[union-attr]
    frame.grab()
    performer.press(K.Key_1, CTRL | SHIFT)
    performer.act("song_number")
    performer.press(K.Key_3)
    performer.press(K.Key_Return)
    performer.wait(lambda: session.status.launched)  # type: ignore[union-attr]
    assert session.selection.play.coming is not None
    assert session.selection.play.coming.song == "wake"
    frame.grab()
    performer.wait(lambda: session.selection.song_id == "wake")
    assert session.status.carried  # type: ignore[union-attr]
    frame.grab()
    performer.act("release")
    performer.wait(lambda: not session.status.carried)  # type: ignore[union-attr]
    performer.press(K.Key_Z, CTRL)
    assert "Not on Stage" in said(performer)
    assert session.project is before


def test_keys_locked_and_touches_guarded(performer: Performer) -> None:
    """Locked, nothing but panic and the lock works; a touch has to be held while it plays."""
    performer.engine_ready()
    frame = performer.frame
    session = frame.session
    performer.go(7)
    performer.press(K.Key_Space)
    performer.wait(lambda: session.running)
    performer.press(K.Key_L, CTRL)
    performer.press(K.Key_Space)
    performer.press(K.Key_H)
    performer.press(K.Key_1, CTRL)
    QTest.qWait(100)
    assert "locked" in said(performer)
    assert (frame.rail.current, session.running, session.status.held) == (7, True, False)  # type: ignore[union-attr]
    frame.grab()
    performer.press(K.Key_L, CTRL)
    run = frame.waterline.run
    QTest.mouseClick(run, Qt.MouseButton.LeftButton)
    QTest.mouseClick(frame.rail.tabs, Qt.MouseButton.LeftButton, pos=QPoint(40, 18))
    QTest.qWait(100)
    assert session.running
    assert frame.rail.current == 7
    assert "Touch guard" in said(performer)
    canvas = frame.view.canvas
    block = canvas._blocks._boxes[1].center() * canvas._scale  # type: ignore[attr-defined]
    QTest.mousePress(canvas.surface, Qt.MouseButton.LeftButton, pos=block.toPoint())
    QTest.qWait(int(HELD_S * 1000) + 80)
    QTest.mouseRelease(canvas.surface, Qt.MouseButton.LeftButton, pos=block.toPoint())
    performer.wait(lambda: ("knot", "") in session.status.mutes)  # type: ignore[union-attr]
    performer.press(K.Key_G, CTRL)
    section = canvas._ribbon[3][0].center() * canvas._scale  # type: ignore[attr-defined]
    QTest.mouseClick(canvas.surface, Qt.MouseButton.LeftButton, pos=section.toPoint())
    performer.wait(lambda: session.status.launched)  # type: ignore[union-attr]
    QTest.mouseClick(run, Qt.MouseButton.LeftButton)
    performer.wait(lambda: not session.running)
