"""Menus of the bar and of a thing, the finder, buttons: every action by every way to it."""

from __future__ import annotations

import pytest
from PyQt6.QtCore import QPoint, QPointF, Qt
from PyQt6.QtGui import QContextMenuEvent
from PyQt6.QtTest import QTest
from PyQt6.QtWidgets import QApplication, QLineEdit, QMenu, QWidget

from grebe.app.actions.buttons import BUTTONS
from grebe.app.actions.model import STATION_NAMES
from grebe.app.actions.table import ACTIONS
from grebe.ui.main_window.menus import rows_on
from grebe.ui.widgets.canvas import Canvas
from tests.ui.conftest import Performer
from tests.ui.hand import CTRL, K
from tests.ui.menus import entries, said

LEFT, RIGHT = Qt.MouseButton.LeftButton, Qt.MouseButton.RightButton


@pytest.mark.parametrize(
    ("words", "station"),
    [("drums out two bars", 5), ("set-up sheet", 1), ("gadwall", 1), ("slack tide", 3)],
)
def test_the_finder_goes_where_it_is(performer: Performer, words: str, station: int) -> None:
    """Ctrl+K, some words, Enter: done, in its own station."""
    performer.find(words)
    assert performer.frame.rail.current == station
    assert performer.frame.over.finder.isHidden()


def test_the_finder_in_a_field_and_what_cannot_be_done(performer: Performer) -> None:
    """Ctrl+K is the window's in a field too; what cannot be done is said with its reason."""
    performer.go(4)
    frame = performer.frame
    performer.act("rename")
    assert isinstance(frame.focusWidget(), QLineEdit)
    performer.press(K.Key_K, CTRL)
    finder = frame.over.finder
    assert finder.isVisible()
    QTest.keyClicks(finder.field, "one more pass of this section")
    row = finder.model.rows[0]
    assert row.id == "again"
    tip = finder.model.data(finder.model.index(0), Qt.ItemDataRole.ToolTipRole)
    assert tip == "Nothing plays: Space runs it."
    QTest.keyClick(finder.field, K.Key_Down)
    QTest.keyClick(finder.field, K.Key_Up)
    QTest.keyClick(finder.field, K.Key_Return)
    assert frame.rail.current == 7
    assert said(performer) == "Nothing plays: Space runs it."
    assert frame.book.recent[0] == "again"
    performer.press(K.Key_K, CTRL)
    performer.press(K.Key_Escape)
    assert finder.isHidden()
    assert frame.view.canvas.hasFocus()


@pytest.mark.parametrize("number", [1, 2, 3, 4, 5, 6, 7, 9])
def test_a_right_click_opens_a_menu_and_edits_nothing(performer: Performer, number: int) -> None:
    """What can be done with the thing under the pointer, its settings last."""
    performer.go(number)
    frame, view = performer.frame, performer.frame.view
    before = frame.session.project
    at = QPoint(260, 90)
    for button in (RIGHT, Qt.MouseButton.MiddleButton):
        QTest.mouseClick(view.canvas.surface, button, pos=at)
    reason = QContextMenuEvent.Reason.Mouse
    event = QContextMenuEvent(reason, at, view.canvas.mapToGlobal(at))
    QApplication.sendEvent(view.canvas.surface, event)
    menu = QApplication.activePopupWidget()
    assert isinstance(menu, QMenu)
    ids = [entry.objectName() for entry in entries(menu)]
    assert ids
    assert len(ids) == len(set(ids))
    menu.close()
    assert frame.session.project is before


def menu_at(performer: Performer, widget: QWidget, at: QPoint) -> list[str]:
    """What the menu under a point has, by id; it is closed again."""
    reason = QContextMenuEvent.Reason.Mouse
    widget = widget.surface if isinstance(widget, Canvas) else widget
    QApplication.sendEvent(widget, QContextMenuEvent(reason, at, widget.mapToGlobal(at)))
    menu = QApplication.activePopupWidget()
    assert isinstance(menu, QMenu)
    ids = [entry.objectName() for entry in entries(menu)]
    menu.close()
    return ids


def test_the_menu_is_that_of_what_is_pointed_at(performer: Performer) -> None:
    """A hit, a row by its name, a pattern in the strip, a scene by its head, a finding."""
    performer.go(3)
    frame = performer.frame
    view = frame.view
    places = view.canvas.places  # type: ignore[attr-defined]
    y = round(places.level(1)) - 4
    on_hit = menu_at(performer, view.canvas, QPoint(round(places.x_of(places.rows[1], 4)), y))
    assert "accent" in on_hit
    on_row = menu_at(performer, view.canvas, QPoint(20, y))
    assert "accent" not in on_row
    assert on_row.index("remove_row") < on_row.index("variation")
    assert "variation" in menu_at(performer, view.strip, QPoint(70, 12))  # type: ignore[attr-defined]
    listed = view.listed
    assert listed is not None
    assert menu_at(performer, listed, QPoint(100, 50)) == ["mend_here", "accept_here"]
    performer.go(4)
    assert menu_at(performer, frame.view.canvas, QPoint(270, 20))[0] == "rename"
    assert "mute_it" in menu_at(performer, frame.view.canvas, QPoint(270, 90))
    performer.go(5)
    marks = menu_at(performer, frame.view.canvas, QPoint(300, 110))
    assert marks.index("mute_it") < marks.index("bring_in")
    event = QContextMenuEvent(QContextMenuEvent.Reason.Keyboard, QPoint(0, 0), QPoint(0, 0))
    QApplication.sendEvent(frame.view.canvas, event)
    menu = QApplication.activePopupWidget()
    assert isinstance(menu, QMenu)
    menu.close()
    performer.act("thing_menu")
    menu = QApplication.activePopupWidget()
    assert isinstance(menu, QMenu)
    menu.close()


def test_the_menu_of_a_thing_has_what_works_on_it(performer: Performer) -> None:
    """By kind of thing, the nearest first, its settings last; every kind has something."""
    for number, view in performer.frame.views.items():
        performer.go(number)
        thing = view.in_hand()
        for _, rows in rows_on(thing, view.scope):
            assert all(view.scope in a.at or a.station == view.scope or not a.at for a in rows)
            if "settings" in [a.id for a in rows]:
                assert rows[-1].id == "settings"
    assert rows_on(performer.frame.views[3].in_hand(), "patterns")[0][0] == "hit"


def test_buttons_follow_the_thing_in_hand(performer: Performer) -> None:
    """Another kind of thing, other buttons; pressing one does it."""
    performer.go(3)
    frame = performer.frame
    heads = frame.head_buttons[3]
    assert tuple(heads.buttons) == BUTTONS["hit"]
    performer.press(K.Key_Right)
    performer.wait(lambda: tuple(heads.buttons) == BUTTONS["step"])
    QTest.mouseClick(heads.buttons["toggle"], LEFT)
    performer.wait(lambda: tuple(heads.buttons) == BUTTONS["hit"])
    performer.go(5)
    frame.on_timer()
    button = frame.head_buttons[5].buttons["bring_in"]
    assert button.why_not == "Nothing plays: Space runs it."
    button.click()
    assert said(performer) == button.why_not


# Focus


def test_the_help_of_every_station(performer: Performer) -> None:
    """What it is for, its gestures and keys; searchable; right in every part; F1 closes it."""
    frame = performer.frame
    for number, view in frame.views.items():
        performer.go(number)
        for part in view.parts_there_are():
            view.to_part(part)
            performer.act("keys")
            assert frame.over.help.isVisible()
            assert frame.over.help.title.text() == STATION_NAMES[view.scope]
            text = frame.over.help.text.toPlainText()
            assert "By the pointer" in text
            for action in ACTIONS:
                if action.station == view.scope and action.part == part >= 0:
                    assert action.title in text
            performer.act("keys")
            assert frame.over.open_now is None
    performer.go(6)
    performer.act("keys")
    QTest.keyClicks(frame.over.help.field, "undo")
    shown = frame.over.help.text.toPlainText()
    assert "Undo" in shown
    assert "Duplicate" not in shown
    frame.over.help.change.click()
    assert frame.over.keys.isVisible()


# Messages, history, settings


def test_a_click_picks_without_an_edit(performer: Performer) -> None:
    """What a right click takes in hand is what is under it."""
    performer.go(3)
    view = performer.frame.view
    before = performer.frame.session.project
    places = view.canvas.places  # type: ignore[attr-defined]
    at = QPointF(places.x_of(places.rows[1], 4), places.level(1) - 4)
    assert view.canvas.pick(at)
    assert view.in_hand().words == "Snare, step 5"
    assert performer.frame.session.project is before
