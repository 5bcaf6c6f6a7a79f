"""The way in: one window a project, names and copies, what the next start finds, first taps."""

from __future__ import annotations

from concurrent.futures import Future, ThreadPoolExecutor
from pathlib import Path

import pytest
from PyQt6.QtTest import QTest
from PyQt6.QtWidgets import QFileDialog

from grebe.app.document.demo import fresh_demo, fresh_project
from grebe.app.document.recovery import open_recovered
from grebe.app.document.store import Store
from grebe.app.editors import pattern_writer
from grebe.core.beginning import begin
from grebe.formats.profiles import shipped_profiles
from grebe.formats.project import read_project, write_project
from grebe.process.first_window import Wish, raised
from grebe.process.places import written
from grebe.ui.main_window import application
from grebe.ui.main_window.frame import KEPT, Frame
from grebe.ui.main_window.raising import Raising
from tests.ui.conftest import Performer, fill_in
from tests.ui.hand import K


def answer(wish: Wish) -> bool:
    """What a second start would be told; the window goes on meanwhile."""
    with ThreadPoolExecutor(1) as pool:
        told: Future[bool] = pool.submit(raised, wish)
        while not told.done():
            QTest.qWait(5)
    return told.result()


def test_a_second_start_raises_the_window_that_is_there(
    performer: Performer, monkeypatch: pytest.MonkeyPatch, tmp_path: Path
) -> None:
    frame = performer.frame
    KEPT.append(frame)
    came: list[object] = []

    def activated(self: Frame) -> None:
        came.append(self)

    monkeypatch.setattr(Frame, "activateWindow", activated)
    raising = Raising(application._window_of, frame)
    try:
        assert answer(Wish())
        assert came == [frame]
        home = frame.session.store.home
        assert home is not None
        frame.showMinimized()
        assert answer(Wish(written(home), "token"))
        assert not frame.isMinimized()
        assert not answer(Wish(written(tmp_path / "other.grebe")))
        assert len(came) == 2
    finally:
        raising.close()
        KEPT.remove(frame)
    assert not answer(Wish())


def test_a_copy_is_written_and_one_goes_on_with_ones_own(
    performer: Performer, monkeypatch: pytest.MonkeyPatch, tmp_path: Path
) -> None:
    """Loops go along; nothing of the document changes, not even that it has no name."""
    frame = performer.frame
    wanted = tmp_path / "gig" / "ferry copy"
    wanted.parent.mkdir()
    monkeypatch.setattr(QFileDialog, "getSaveFileName", lambda *_, **__: (str(wanted), ""))
    frame.book.do("save_copy")
    copy = read_project(tmp_path / "gig" / "ferry copy.grebe").project
    assert copy == frame.session.project
    assert (tmp_path / "gig" / "gravel.wav").exists()
    assert frame.session.store.path is None
    monkeypatch.setattr(QFileDialog, "getSaveFileName", lambda *_, **__: ("", ""))
    frame.book.do("save_copy")
    monkeypatch.setattr(
        QFileDialog, "getSaveFileName", lambda *_, **__: (str(tmp_path / "own.grebe"), "")
    )
    performer.act("save_as")
    frame.book.do("save_copy")
    notice = frame.session.notices.last
    assert notice is not None
    assert "a copy needs another name" in notice.text


def test_the_project_is_renamed_where_grebe_is_in_hand(performer: Performer) -> None:
    performer.go(3)
    frame = performer.frame
    frame.book.do("rename_project")
    assert frame.rail.current == 1
    form = frame.views[1].side.device_page.form  # type: ignore[attr-defined]
    field = form.fields[("project", "name")]
    assert field.hasFocus()
    QTest.keyClicks(field, "Slow ferry")
    QTest.keyClick(field, K.Key_Return)
    assert frame.session.project.name == "Slow ferry"
    fill_in(form, "project", "rig", "Two tables")
    assert frame.session.project.rig.name == "Two tables"
    fill_in(form, "project", "name", " ")
    assert frame.session.project.name == "Slow ferry"
    performer.press(K.Key_Escape)
    performer.press(K.Key_Down)
    assert form.fields[("box", "name")].isVisible()
    assert not field.isVisible()


def test_parts_and_what_was_in_hand_come_back(performer: Performer, tmp_path: Path) -> None:
    """The same project again: station, parts, pattern, song. Another begins afresh."""
    path = tmp_path / "mine.grebe"
    project = performer.frame.session.project
    write_project(path, project)
    first = application.show_frame(open_recovered(path))
    first.session.link.state = "off"
    first.go_to("pattern", project.patterns[3].id)
    first.views[3].to_part(1)
    first.go_to("song", project.songs[1].id)
    first.leave()
    again = application.show_frame(open_recovered(path))
    again.session.link.state = "off"
    assert again.rail.current == 5
    assert set(again.views.made) == {5}  # none is made that was not there
    assert again.session.selection.song_id == project.songs[1].id
    assert again.views[3].part == 1
    assert again.views[3].pattern.id == project.patterns[3].id  # type: ignore[attr-defined]
    again.leave()
    other = application.show_frame(open_recovered(fresh_demo(), untitled=True))
    other.session.link.state = "off"
    assert other.views[3].part == 0
    other.leave()


def test_taps_begin_a_pattern(performer: Performer, monkeypatch: pytest.MonkeyPatch) -> None:
    """On a box without one: the first tap makes it, the next fall where they fell, one undo."""
    kit = next(p for p in shipped_profiles() if p.kind == "drums")
    rig = begin("Taps", [(kit, "Kit")])
    frame = Frame(Store.open(fresh_project(rig), untitled=True))
    frame.session.link.state = "off"
    frame.show()
    other = Performer(frame)
    try:
        empty = frame.session.project
        frame.session.store.apply("None", lambda p: type(p)(name=p.name, rig=p.rig), merge="")
        assert empty.patterns
        other.go(3)
        now = [10**12]
        monkeypatch.setattr(pattern_writer, "raw_now_ns", lambda: now[0])
        other.press(K.Key_1)
        (pattern,) = frame.session.project.patterns
        assert [v.hits[0].step for v in pattern.content.voices if v.hits] == [0]
        now[0] += 1_040_000_000
        other.press(K.Key_2)
        second = frame.session.project.patterns[0].content.voices[1]
        assert [h.step for h in second.hits] == [8]  # a second at 120 BPM: eight sixteenths
        assert frame.session.project.scenes[0].part("kit").chain == (pattern.id,)
        now[0] += 9_000_000_000
        other.press(K.Key_2)
        assert frame.session.project.patterns[0].content.voices[1] == second
        other.act("undo")
        assert frame.session.project.patterns == ()
    finally:
        frame.leave()
