"""The walk through a first set: every step done as it says is ticked off; it can be left, taken up
and skipped. The guide and the walk say the same steps."""

from __future__ import annotations

from pathlib import Path

import pytest
from PyQt6.QtCore import Qt
from PyQt6.QtTest import QTest
from PyQt6.QtWidgets import QFileDialog

from grebe.app.document.demo import EXAMPLES, example, fresh_demo, is_copy
from grebe.app.document.store import Store
from grebe.app.live.session import Session
from grebe.app.settings import read_settings
from grebe.app.walk import STEPS, Walk
from grebe.core.findings import find
from grebe.errors import UsageError
from grebe.formats.project import read_project
from grebe.ui.main_window.frame import Frame
from tests.ui.conftest import Performer
from tests.ui.test_whole_path import next_window

GUIDE = Path(__file__).parents[2] / "docs" / "guide.md"


@pytest.fixture
def newcomer(first_start: Frame) -> Performer:
    """Somebody at a first start."""
    return Performer(first_start)


def at(hand: Performer) -> str:
    """The step that is next."""
    hand.frame.walk.follow()
    step = hand.frame.walk.walk.step
    return step.id if step is not None else ""


def test_every_step_of_it(
    newcomer: Performer, monkeypatch: pytest.MonkeyPatch, tmp_path: Path
) -> None:
    hand = newcomer
    frame = hand.frame
    assert not frame.walk.isVisible()
    frame.over.start.walk_wanted.emit()
    assert frame.walk.isVisible()
    assert frame.over.start.isVisible()
    assert at(hand) == "boxes"
    assert "Ctrl+N" in frame.walk.how.text()
    for name in ("merganser", "curlew"):
        frame.over.start.counts[name].stepBy(1)
    QTest.mouseClick(frame.over.start.begin, Qt.MouseButton.LeftButton)
    hand.frame = frame = next_window(frame)
    assert frame.walk.isVisible()  # cables are there already: it is one further
    assert at(hand) == "beat"
    QTest.mouseClick(frame.walk.go, Qt.MouseButton.LeftButton)
    assert frame.rail.current == 3
    for _ in range(3):
        hand.act("toggle")
        hand.act("right")
    assert at(hand) == "hear"
    hand.engine_ready()
    hand.act("run_stop")
    hand.wait(lambda: frame.session.running)
    assert at(hand) == "line"
    hand.act("run_stop")
    hand.wait(lambda: not frame.session.running)
    hand.act("one_after")
    for _ in range(3):
        hand.act("toggle")
        hand.act("right")
    assert at(hand) == "scenes"
    hand.go(4)
    hand.act("duplicate")
    hand.act("duplicate")
    assert at(hand) == "song"
    hand.go(5)
    hand.act("insert_section")
    hand.act("insert_section")
    assert at(hand) == "drop"
    hand.act("left")
    hand.act("drums_out")
    assert at(hand) == "second"
    hand.act("copy_song")
    assert at(hand) == "set"
    hand.go(6)
    hand.act("add_song")
    hand.act("add_song")
    assert at(hand) == "stage"
    hand.go(7)
    hand.act("run_stop")
    hand.wait(lambda: frame.session.running)
    assert at(hand) == "save"
    hand.act("run_stop")
    hand.wait(lambda: not frame.session.running)
    monkeypatch.setattr(
        QFileDialog, "getSaveFileName", lambda *_, **__: (str(tmp_path / "mine.grebe"), "")
    )
    hand.act("save")
    assert at(hand) == ""
    assert frame.walk.title.text() == "Done"
    assert frame.walk.ticks.text() == "\u25cf" * len(STEPS)
    frame.book.do("begin_walk")
    assert not frame.walk.isVisible()
    frame.book.do("begin_walk")
    assert at(hand) == "hear"  # from the beginning again: the first that is not so any more


def test_it_is_left_and_taken_up_where_it_was(performer: Performer) -> None:
    """The demo is nobody's own: nothing is ticked. Skipped is done; the next window goes on."""
    frame = performer.frame
    frame.book.do("begin_walk")
    assert at(performer) == "boxes"
    QTest.mouseClick(frame.walk.skip, Qt.MouseButton.LeftButton)
    assert frame.walk.walk.done >= {"boxes"}
    before = frame.walk.walk.done
    QTest.mouseClick(frame.walk.leave, Qt.MouseButton.LeftButton)
    assert not frame.walk.isVisible()
    assert not read_settings().walk_shown
    frame.book.do("begin_walk")
    assert frame.walk.walk.done >= before
    other = Walk(Session(Store.open(fresh_demo(), untitled=True)))
    assert other.shown
    assert other.done == frame.walk.walk.done


def test_the_guide_has_every_step_with_its_picture() -> None:
    text = GUIDE.read_text()
    for number, step in enumerate(STEPS, start=1):
        assert f"## {number}. {step.title}" in text, step.id
        picture = f"guide/{number:02}-{step.id}.png"
        assert f"]({picture})" in text, step.id
        assert (GUIDE.parent / picture).is_file(), step.id


@pytest.mark.parametrize("which", EXAMPLES, ids=lambda e: e.id)
def test_an_example_opens_and_nothing_stops_it(which: object, own_folders: Path) -> None:
    """Each a project of its own kind of rig, with a set; only the demo has faults to find."""
    chosen = example(which.id)  # type: ignore[attr-defined]
    path = fresh_demo(chosen)
    assert is_copy(path)
    project = read_project(path).project
    assert project.name == chosen.title
    assert project.sets
    assert all(s.songs for s in project.sets)
    serious = [f.code for f in find(project).open if f.severity != "note"]
    assert (serious == []) == (chosen.id != "night-ferry")
    path.write_text(path.read_text() + "\n")
    assert not is_copy(path)
    assert fresh_demo(chosen) != path


def test_no_such_example() -> None:
    assert example("Kiln yard").id == "kiln-yard"
    with pytest.raises(UsageError, match="slow-orchard"):
        example("Nobody")
