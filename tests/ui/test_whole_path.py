"""From an empty home to a playing set of one's own: by keys alone, and by the mouse alone.

A drum box, a bass sequencer and a looper that no profile knows; cabled, with patterns, three
scenes, a song with a drop before its hook, a set of two songs; run on stand-ins with no tick
missed; saved, closed, opened again. Only the system's own dialogs are answered from here.
"""

from __future__ import annotations

from pathlib import Path

import pytest
from PyQt6.QtCore import QPoint, QRect, Qt
from PyQt6.QtTest import QTest
from PyQt6.QtWidgets import (
    QApplication,
    QCheckBox,
    QComboBox,
    QFileDialog,
    QMenu,
    QSpinBox,
    QStyle,
    QStyleOptionSpinBox,
    QWidget,
)

from grebe.app.document.recovery import open_recovered
from grebe.core.document import Project
from grebe.core.findings import find
from grebe.formats.project import read_project
from grebe.ui.main_window.application import show_frame
from grebe.ui.main_window.frame import Frame
from grebe.ui.stations.patterns.view import PatternsView
from grebe.ui.stations.rig.view import RigView
from grebe.ui.stations.scenes.view import ScenesView
from grebe.ui.stations.song.view import SongView
from grebe.ui.widgets.canvas import Canvas
from grebe.ui.widgets.controls import Button
from tests.ui.conftest import Performer
from tests.ui.hand import CTRL, LEFT, SHIFT, K

MOST_PRESSES = 150
"""Of keys, or of the mouse: the aim for a whole set."""
SECONDS = 4.0
"""So long it runs."""


class Hand(Performer):
    """Somebody new at the window; counts what they press."""

    presses = 0

    def key(self, key: Qt.Key, *modifiers: Qt.KeyboardModifier, times: int = 1) -> None:
        """A key, so many times, where the focus is."""
        held = Qt.KeyboardModifier.NoModifier
        for modifier in modifiers:
            held |= modifier
        for _ in range(times):
            self.presses += 1
            QTest.keyClick(self.frame.focusWidget() or self.frame, key, held)
            QTest.qWait(2)

    def click(self, widget: QWidget, at: QPoint | None = None) -> None:
        """The left button, in the middle of something or at a place of it."""
        assert widget.isVisible(), widget.accessibleName()
        self.presses += 1
        widget = widget.surface if isinstance(widget, Canvas) else widget
        QTest.mouseClick(widget, LEFT, pos=at if at is not None else widget.rect().center())
        QTest.qWait(5)

    def menu(self, name: str, *titles: str) -> None:
        """Through the menu bar: a menu, and what is in it or in menus of it."""
        bar = self.frame.menu_bar
        top = next(a for a in bar.actions() if a.text().replace("&", "") == name)
        self.presses += 1
        QTest.mouseClick(bar, LEFT, pos=bar.actionGeometry(top).center())
        menu = top.menu()
        for title in titles:
            assert isinstance(menu, QMenu)
            self.wait(menu.isVisible)
            chosen = next(
                a for a in menu.actions()
                if a.text().replace("&", "").partition("\t")[0].startswith(title)
            )  # fmt: skip
            within, below = menu, chosen.menu()
            self.click(within, within.actionGeometry(chosen).center())
            menu = below

    def button(self, words: str, inside: QWidget | None = None) -> None:
        """A button by its words."""
        found = [
            b for b in (inside or self.frame.view).findChildren(Button)
            if b.text().startswith(words) and b.isVisible()
        ]  # fmt: skip
        assert found, words
        self.click(found[0])

    def up(self, spin: QSpinBox | QWidget) -> None:
        """The arrow of a number that goes up."""
        option = QStyleOptionSpinBox()
        spin.initStyleOption(option)  # type: ignore[union-attr]
        style = spin.style()
        assert style is not None
        arrow: QRect = style.subControlRect(
            QStyle.ComplexControl.CC_SpinBox, option, QStyle.SubControl.SC_SpinBoxUp, spin
        )
        self.click(spin, arrow.center())

    def choose(self, box: QComboBox, words: str) -> None:
        """An entry of a list."""
        self.click(box)
        view = box.view()
        assert view is not None
        model = box.model()
        assert model is not None
        row = next(n for n in range(box.count()) if box.itemText(n) == words)
        index = model.index(row, 0)
        view.scrollTo(index)
        port, at = view.viewport(), view.visualRect(index).center()
        assert port is not None
        QTest.mouseMove(port, at)
        QTest.qWait(QApplication.doubleClickInterval() + 20)  # else it is one double click
        self.click(port, at)

    def station(self, number: int) -> None:
        """On the rail."""
        self.click(self.frame.rail.tabs, QPoint(40, (number - 1) * 58 + 20))
        assert self.frame.rail.current == number


@pytest.fixture
def newcomer(first_start: Frame) -> Hand:
    """Somebody at a first start."""
    return Hand(first_start)


def ended_as_wanted(project: Project) -> None:
    """What both ways have to come to."""
    assert [d.kind for d in project.rig.devices] == ["drums", "bass", "looper"]
    looper = project.rig.devices[2]
    assert looper.profile
    assert looper.spec.guessed
    reached = {c.target for c in project.rig.cables if c.source == "grebe"}
    assert {d.id for d in project.rig.devices} <= reached
    assert len(project.scenes) == 3
    drums, bass = project.rig.devices[:2]
    for device in (drums, bass):
        assert any(
            v.hits for p in project.patterns if p.device == device.id for v in p.content.voices
        ), device.name
    assert any(s.part(looper.id).tracks for s in project.scenes)
    song = project.songs[0]
    assert [s.scene for s in song.sections] == [s.id for s in project.scenes]
    assert [m.device for m in song.sections[1].mutes] == [drums.id]
    (running,) = project.sets
    assert len({s.song for s in running.songs}) == 2
    assert [f.message for f in find(project).open if f.severity == "block"] == []


def runs(hand: Hand) -> None:
    """It plays; every box hears a clock."""
    session = hand.frame.session
    hand.wait(lambda: session.running)
    QTest.qWait(int(SECONDS * 1000))
    status = session.status
    assert status is not None
    assert len(status.devices) == 3
    assert all(d.port == "up" and d.sent > 24 for d in status.devices), status.devices


def none_was_missed(hand: Hand) -> None:
    """Stopped: every tick that was sent has reached its box."""
    session = hand.frame.session
    hand.wait(lambda: not session.running)

    def all_there() -> bool:
        status = session.status
        return status is not None and all(d.received == d.sent > 24 for d in status.devices)

    hand.wait(all_there, 3)


def opened_again(hand: Hand, path: Path) -> None:
    """The file has it, and the next window shows where one was."""
    ended_as_wanted(read_project(path).project)
    again = show_frame(open_recovered(path))
    again.session.link.state = "off"
    assert again.session.project == read_project(path).project
    assert again.rail.current == 6
    again.leave()


@pytest.mark.real_time("no tick of three boxes may be missed on a busy host")
def test_by_keys_alone(newcomer: Hand, monkeypatch: pytest.MonkeyPatch, tmp_path: Path) -> None:
    hand, frame = newcomer, newcomer.frame
    path = tmp_path / "mine.grebe"
    assert frame.over.start.isVisible()
    hand.key(K.Key_Tab)
    hand.key(K.Key_Up)  # a groovebox
    hand.key(K.Key_Tab, times=3)
    hand.key(K.Key_Up)  # a bass line
    began: list[Project] = []
    frame.over.start.wanted.connect(began.append)
    hand.key(K.Key_Return)
    assert began
    hand.frame = frame = next_window(frame)
    hand.key(K.Key_N)  # a box more, that is not in the list
    hand.key(K.Key_Tab, times=4)
    hand.key(K.Key_Space)
    hand.key(K.Key_Tab)
    hand.key(K.Key_L)  # looper
    hand.key(K.Key_Return, CTRL)
    hand.key(K.Key_A)
    hand.key(K.Key_Return)
    hand.key(K.Key_3, CTRL)
    for _ in range(4):  # a kick on every beat
        hand.key(K.Key_X)
        hand.key(K.Key_Right, times=4)
    hand.key(K.Key_PageDown)
    hand.key(K.Key_X)
    hand.key(K.Key_Right, times=6)
    hand.key(K.Key_X)
    hand.key(K.Key_4, CTRL)
    hand.key(K.Key_D, CTRL, times=2)
    hand.key(K.Key_Down, times=2)
    hand.key(K.Key_1)  # its first track
    hand.key(K.Key_A, CTRL, SHIFT)  # a song of all of them
    hand.key(K.Key_5, CTRL)
    hand.key(K.Key_PageDown, CTRL)  # the first song
    hand.key(K.Key_N, times=2)
    hand.key(K.Key_Left)
    hand.key(K.Key_D)  # drums out before the hook
    hand.key(K.Key_6, CTRL)
    hand.key(K.Key_N, times=2)
    hand.engine_ready()
    hand.key(K.Key_Space)
    runs(hand)
    hand.key(K.Key_Space)
    none_was_missed(hand)
    monkeypatch.setattr(QFileDialog, "getSaveFileName", lambda *_, **__: (str(path), ""))
    hand.key(K.Key_S, CTRL)
    hand.key(K.Key_Q, CTRL)
    assert not frame.isVisible()
    opened_again(hand, path)
    assert hand.presses < MOST_PRESSES


@pytest.mark.real_time("no tick of three boxes may be missed on a busy host")
def test_by_the_mouse_alone(
    newcomer: Hand, monkeypatch: pytest.MonkeyPatch, tmp_path: Path
) -> None:
    hand, frame = newcomer, newcomer.frame
    path, page = tmp_path / "mine.grebe", frame.over.start
    hand.up(page.counts["merganser"])
    hand.up(page.counts["curlew"])
    hand.click(page.begin)
    hand.frame = frame = next_window(frame)
    rig = frame.views[1]
    assert isinstance(rig, RigView)
    hand.button("Add a box")
    hand.button("It is not in the list")
    kind = rig.profiles.blank_page.form.fields[("what", "kind")]
    assert isinstance(kind, QComboBox)
    hand.choose(kind, "looper")
    hand.button("Add it", rig.profiles.blank_page)
    hand.button("Cable")
    hand.button("Plug it in")
    hand.station(3)
    patterns = frame.views[3]
    assert isinstance(patterns, PatternsView)
    for pattern, steps in zip(frame.session.project.patterns, ((0, 4, 8, 12), (0, 6)), strict=True):
        found = next(w for w in patterns.strip._words if w.pattern == pattern.id)
        hand.click(patterns.strip, found.box.center().toPoint())
        for step in steps:
            hand.click(patterns.pattern_canvas, cell(patterns, step))
    hand.station(4)
    scenes = frame.views[4]
    assert isinstance(scenes, ScenesView)
    for _ in range(2):
        hand.menu("Edit", "Duplicate")
    chart = scenes.canvas
    hand.click(chart, QPoint(round(140 + 112 * 2.5), round(56 + 2.5 * chart.row)))  # type: ignore[attr-defined]
    tracks = scenes.form.fields[("part", "tracks")].findChildren(QCheckBox)
    hand.click(tracks[0], QPoint(8, tracks[0].height() // 2))
    hand.menu("Scenes", "Song", "A song of all scenes")
    hand.station(5)
    hand.menu("Go", "Another song")
    for _ in range(2):
        hand.menu("Song", "A new section after it")
    song = frame.views[5]
    assert isinstance(song, SongView)
    places = song.song_canvas.places()
    assert places is not None
    second = places.layout.spans[1]
    hand.click(song.song_canvas, QPoint(round(places.x_at((second.tick + second.end) / 2)), 20))
    hand.button("Drums out")
    hand.station(6)
    for _ in range(2):
        hand.menu("Set", "Put a song in after it")
    hand.engine_ready()
    hand.click(frame.waterline.run)
    runs(hand)
    hand.click(frame.waterline.run)
    none_was_missed(hand)
    monkeypatch.setattr(QFileDialog, "getSaveFileName", lambda *_, **__: (str(path), ""))
    hand.menu("File", "Save")
    hand.menu("File", "Close the window")
    assert not frame.isVisible()
    opened_again(hand, path)
    assert hand.presses < MOST_PRESSES


def cell(view: PatternsView, step: int) -> QPoint:
    """A step of the first voice, halfway up."""
    places = view.pattern_canvas.places
    row = places.rows[0]
    x = places.x_of(row, step) + places.step_width(row) / 2
    return QPoint(round(x), round(places.row_top(0) + 20))


def next_window(before: Frame) -> Frame:
    """The window that took another's place."""
    QTest.qWait(50)
    found = [
        w for w in QApplication.topLevelWidgets()
        if isinstance(w, Frame) and w is not before and w.isVisible()
    ]  # fmt: skip
    found[0].session.link.state = "off"
    found[0].activateWindow()
    return found[0]
