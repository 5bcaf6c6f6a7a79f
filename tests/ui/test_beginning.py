"""From nothing: a box without a pattern, an empty project, the start page, the next window."""

from __future__ import annotations

from pathlib import Path

import pytest
from PyQt6.QtCore import QByteArray, Qt
from PyQt6.QtTest import QTest

from grebe.app.document.demo import fresh_demo
from grebe.app.document.store import Store
from grebe.app.settings import read_settings, remember_project
from grebe.core.beginning import begin
from grebe.formats.profiles import shipped_profiles
from grebe.formats.project import write_project
from grebe.ui.main_window.frame import Frame
from grebe.ui.main_window.menus import rows_on
from grebe.ui.stations.patterns.view import PatternsView
from grebe.ui.stations.rig.view import RigView
from tests.ui.conftest import Performer
from tests.ui.hand import LEFT, K
from tests.ui.menus import said


def test_a_box_without_a_pattern_gets_its_first(performer: Performer) -> None:
    """Chosen in Rig it is in hand in Patterns, Scenes and Song; the strip shows it, N makes it."""
    frame = performer.frame
    store = frame.session.store
    gannet = next(p for p in shipped_profiles() if p.id == "gannet")
    performer.go(1)
    frame.views[1].side._add_box(gannet, "Whimbrel")  # type: ignore[attr-defined]
    performer.go(3)
    view = frame.views[3]
    assert isinstance(view, PatternsView)
    assert view.pattern is None
    assert view.heading.title == "Whimbrel has no pattern yet"
    frame.grab()
    performer.press(K.Key_N)
    assert view.pattern is not None
    assert (view.pattern.device, view.pattern.name) == ("whimbrel", "Whimbrel")
    assert view.pattern.content.voices
    assert "A first pattern of Whimbrel" in said(performer)
    performer.go(1)
    assert frame.views[1].selected == "whimbrel"  # type: ignore[attr-defined]
    performer.go(4)
    assert frame.views[4].editor.hand.device_id == "whimbrel"  # type: ignore[attr-defined]
    performer.press(K.Key_Up)
    above = frame.session.selection.box
    assert above != "whimbrel"
    performer.go(5)
    assert frame.views[5].editor.hand.device_id == above  # type: ignore[attr-defined]
    store.undo()
    performer.go(3)
    words = next(w for w in view.strip._words if w.bare == "whimbrel")
    QTest.mouseClick(view.strip.surface, LEFT, pos=words.box.center().toPoint())
    assert view.heading.title == "Whimbrel has no pattern yet"


def test_from_nothing_to_something_that_plays(
    performer: Performer, monkeypatch: pytest.MonkeyPatch
) -> None:
    """New, a box, N: a pattern, a scene and a song are there, and Space has something to run."""
    frame = performer.frame
    opened_frames: list[Frame] = []
    monkeypatch.setattr(frame.documents, "may_leave", lambda: True)
    monkeypatch.setattr(
        frame.files, "_replace",
        lambda found: opened_frames.append(Frame(found.store, found.claim)),
    )  # fmt: skip
    performer.act("new_project")
    page = frame.over.start
    fill = page.counts["gannet"]
    fill.stepBy(1)
    assert len(page.project().rig.devices) == 1
    frame.grab()
    fill.stepBy(-1)
    page.name.setText("Dry dock")
    page.begin.click()
    (new,) = opened_frames
    new.session.link.state = "off"
    new.show()
    other = Performer(new)
    try:
        assert new.windowTitle().startswith("Dry dock, without a name yet")
        assert new.session.project.rig.devices == ()
        gannet = next(p for p in shipped_profiles() if p.id == "gannet")
        new.views[1].side._add_box(gannet, "Kit")  # type: ignore[attr-defined]
        other.go(3)
        other.press(K.Key_N)
        other.press(K.Key_X)
        project = new.session.project
        (pattern,) = project.patterns
        assert pattern.content.voices[0].hits
        assert project.scenes[0].part("kit").chain == (pattern.id,)
        assert new.session.song is not None
        other.go(5)
        other.act("copy_song")
        other.act("remove_song")
        other.act("remove_song")
        assert new.session.project.songs == ()
        other.act("new_song")
        assert len(new.session.project.songs) == 1
        other.go(6)
        other.act("new_set")
        other.act("add_song")
        other.act("remove_set")
        assert new.session.project.sets == ()
    finally:
        new.leave()


def test_the_way_in(performer: Performer, monkeypatch: pytest.MonkeyPatch, tmp_path: Path) -> None:
    """The last projects to go on with, boxes with a number each, the cables proposed and drawn,
    tempo and key; what is wrong stays as it was."""
    frame = performer.frame
    path = tmp_path / "slow-lorries.grebe"
    write_project(path, begin("Slow lorries", ()))
    remember_project(path)
    remember_project(tmp_path / "gone.grebe")
    went: list[object] = []
    monkeypatch.setattr(frame.files, "_replace", lambda found: went.append(found.store.home))
    monkeypatch.setattr(frame.documents, "may_leave", lambda: True)
    performer.act("new_project")
    page = frame.over.start
    assert page.recent.count() == 2
    for name in ("curlew", "eider", "wigeon"):
        page.counts[name].stepBy(1)
    page.counts["eider"].entered.emit("99")
    page.bpm.entered.emit("9")
    assert "It stays at 120 BPM" in page.said.text()
    page.bpm.entered.emit("92")
    page.key.setCurrentText("D minor")
    project = page.project()
    assert [d.kind for d in project.rig.devices] == ["drums", "bass", "looper"]
    assert len(project.rig.cables) == 3
    assert len(page.rig.placed) == 4
    assert (project.songs[0].bpm, project.songs[0].key) == (92, "D minor")
    item = page.recent.item(1)
    assert item is not None
    assert "slow-lorries" in item.text()
    page.recent.itemActivated.emit(item)
    assert went == [path]
    gone = page.recent.item(0)
    assert gone is not None
    assert "not there" in gone.text()
    page.recent.itemActivated.emit(gone)
    assert "gone.grebe" in said(performer)
    performer.act("close_project")
    page.examples.itemActivated.emit(page.examples.item(2))
    assert len(went) == 3


def test_the_next_window_begins_where_this_one_was_left(performer: Performer) -> None:
    """Size and station are kept when it is closed; what was saved last comes back, with undo."""
    performer.go(4)
    frame = performer.frame
    before = frame.session.project
    performer.act("duplicate")
    performer.act("revert")
    assert frame.session.project == before
    performer.act("undo")
    assert frame.session.project != before
    performer.act("revert")
    performer.act("revert")
    assert said(performer) == "Nothing has changed since it was saved."
    frame.leave()
    assert read_settings().station == 4
    other = Frame(Store.open(fresh_demo(), untitled=True))
    other.session.link.state = "off"
    assert other.restoreGeometry(QByteArray.fromBase64(read_settings().geometry.encode()))
    other.leave()


@pytest.mark.parametrize("number", [2, 3, 4])
def test_a_station_without_boxes_has_the_button_that_adds_one(
    first_start: Frame, number: int
) -> None:
    """It leads to Rig, where one is chosen; its own menu has the same."""
    frame = first_start
    frame.over.close_all()
    frame.show_station(number)
    button = frame.head_buttons[number].buttons["add_box"]
    assert not button.why_not
    assert rows_on(frame.view.in_hand(), frame.view.scope)
    QTest.mouseClick(button, Qt.MouseButton.LeftButton)
    assert frame.rail.current == 1
    rig = frame.view
    assert isinstance(rig, RigView)
    assert rig.side.pages.currentWidget() is rig.side.add_page
