"""Every action by every way to it: menus, the finder, keys, buttons, the menu of a thing; focus."""

from __future__ import annotations

from pathlib import Path

import msgspec
import pytest
from PyQt6.QtCore import QByteArray, QPoint, QPointF, Qt
from PyQt6.QtGui import QAction, QContextMenuEvent, QKeyEvent
from PyQt6.QtTest import QTest
from PyQt6.QtWidgets import QApplication, QCheckBox, QFileDialog, QLineEdit, QMenu, QWidget

from grebe.app.actions.buttons import BUTTONS
from grebe.app.actions.keymap import forget_kept, key_map
from grebe.app.actions.model import STATION_NAMES
from grebe.app.actions.table import ACTIONS, by_id
from grebe.app.document.demo import fresh_demo
from grebe.app.document.store import Store
from grebe.app.settings import read_settings, remember_project
from grebe.core.beginning import begin
from grebe.core.document import Project
from grebe.core.rig.model import Rig
from grebe.formats.profiles import shipped_profiles
from grebe.formats.project import write_project
from grebe.ui.main_window.frame import Frame
from grebe.ui.main_window.keys_page import KeysPage
from grebe.ui.main_window.menus import rows_on
from grebe.ui.stations.patterns.view import PatternsView
from grebe.ui.widgets.controls import Button
from grebe.ui.widgets.fields import NumberField
from grebe.ui.widgets.keyboard import key_names
from tests.ui.conftest import Performer

K = Qt.Key
CTRL = Qt.KeyboardModifier.ControlModifier
SHIFT = Qt.KeyboardModifier.ShiftModifier
ALT = Qt.KeyboardModifier.AltModifier
LEFT, RIGHT = Qt.MouseButton.LeftButton, Qt.MouseButton.RightButton
ASKS = {action.id for action in ACTIONS if action.effect == "asks"}
ENDS = {"quit", "stop_engine", "attach", "full_screen", "watch", "lock"}
"""What would end or leave the window, or start a process of its own."""


def entries(menu: QMenu) -> list[QAction]:
    """Everything in a menu and in those below it."""
    out: list[QAction] = []
    for action in menu.actions():
        below = action.menu()
        if below is not None:
            out += entries(below)
        elif action.objectName():
            out.append(action)
    return out


def opened(performer: Performer, name: str) -> list[QAction]:
    """A menu of the bar, as it is when it opens."""
    bar = performer.frame.menu_bar
    menu = bar.menus[name if name in bar.menus else "station"]
    menu.aboutToShow.emit()
    return entries(menu)


def said(performer: Performer) -> str:
    notice = performer.frame.session.notices.last
    return "" if notice is None else notice.text


def test_every_action_stands_in_exactly_one_menu(performer: Performer) -> None:
    """File, Edit, Play, Go, the station's own, Help: each once, all of them together."""
    found: list[str] = []
    for name in ("File", "Edit", "Play", "Go", "Help"):
        found += [entry.objectName() for entry in opened(performer, name)]
    for number in performer.frame.views:
        performer.go(number)
        found += [entry.objectName() for entry in opened(performer, "station")]
    assert len(found) == len(set(found))
    assert set(found) == set(by_id())


def test_a_menu_does_what_it_says_and_greys_what_cannot_be(performer: Performer) -> None:
    """Its key stands beside it; what cannot be done is grey, with the reason as its tip."""
    performer.go(3)
    rows = {entry.objectName(): entry for entry in opened(performer, "Patterns")}
    assert rows["variation"].text().endswith("\tV")
    count = len(performer.frame.session.project.patterns)
    rows["variation"].trigger()
    assert len(performer.frame.session.project.patterns) == count + 1
    undo = next(e for e in opened(performer, "Edit") if e.objectName() == "redo")
    assert not undo.isEnabled()
    assert undo.toolTip() == "There is nothing to bring back."


def test_every_action_is_answered_where_it_says_it_works(performer: Performer) -> None:
    """The registry and who does it are held together: no row without a doer, no doer unknown."""
    frame = performer.frame
    served = frame.book.serves()
    window = frozenset(frame.acts())
    known = set(by_id())
    for view in frame.views.values():
        for part in view.parts_there_are():
            answers = set(view._of_part(part))
            assert answers <= known | {f"{k}_{n}" for k in NUMBERED for n in range(17)}, view.scope
    for action in ACTIONS:
        for each in action.ids():
            if action.station == "everywhere" and not action.at:
                assert each in window, each
            elif action.station == "everywhere":
                for station in action.at:
                    parts = [ids for (s, _), ids in served.items() if s == station]
                    assert any(each in ids for ids in parts), (each, station)
            else:
                view = next(v for v in frame.views.values() if v.scope == action.station)
                parts_there = view.parts_there_are() if action.part < 0 else [action.part]
                assert any(view.answers(each, part) for part in parts_there), each
    for (station, _), ids in served.items():
        for each in ids - window:
            assert station in by_id()[each].at, (each, station)


NUMBERED = {action.id for action in ACTIONS if action.numbers}


def test_no_key_means_two_things_in_one_place(performer: Performer) -> None:
    """In every part of every station."""
    clashes = list(key_map().clashes(performer.frame.book.serves()))
    assert not clashes, clashes[:3]


def test_nothing_raises_in_an_empty_project(performer: Performer) -> None:
    """Each action that can be done there is done; each that cannot says why."""
    frame = performer.frame
    frame.session.store.apply("Nothing", lambda _: Project(name="Nothing", rig=Rig()))
    for number in frame.views:
        performer.go(number)
        for action in ACTIONS:
            if action.id in ASKS | ENDS or action.station not in ("everywhere", frame.view.scope):
                continue
            for each in action.ids()[:2]:
                frame.session.notices.last = None
                reason = frame.book.why_not(each)
                frame.book.do(each)
                frame.over.close_all()
                if reason and action.at and frame.view.scope not in action.at:
                    continue
                if reason:
                    assert said(performer), each
                if frame.rail.current != number:
                    frame.show_station(number)


def test_every_edit_can_be_undone(performer: Performer) -> None:
    """Whatever an action that edits does to the demo, undo takes back to the letter."""
    frame = performer.frame
    store = frame.session.store
    edited = 0
    for number in frame.views:
        performer.go(number)
        for action in ACTIONS:
            if action.effect != "edits" or action.id in ENDS:
                continue
            if action.station not in ("everywhere", frame.view.scope):
                continue
            for each in action.ids()[:2]:
                store.end_merge()
                before, steps = store.project, len(store.steps()[0])
                frame.book.do(each)
                if store.project is not before:
                    edited += 1
                    store.go_to(steps)
                    assert store.project == before, each
                if frame.rail.current != number or frame.view.part > 0:
                    frame.show_station(number)
                    frame.view.to_part(0)
    assert edited > 70


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
    frame = performer.frame
    performer.go(4)
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
        QTest.mouseClick(view.canvas, button, pos=at)
    reason = QContextMenuEvent.Reason.Mouse
    event = QContextMenuEvent(reason, at, view.canvas.mapToGlobal(at))
    QApplication.sendEvent(view.canvas, event)
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
    QApplication.sendEvent(widget, QContextMenuEvent(reason, at, widget.mapToGlobal(at)))
    menu = QApplication.activePopupWidget()
    assert isinstance(menu, QMenu)
    ids = [entry.objectName() for entry in entries(menu)]
    menu.close()
    return ids


def test_the_menu_is_that_of_what_is_pointed_at(performer: Performer) -> None:
    """A hit, a row by its name, a pattern in the strip, a scene by its head, a finding."""
    frame = performer.frame
    performer.go(3)
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
    frame = performer.frame
    performer.go(3)
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


def test_space_letters_and_esc_belong_to_the_control(performer: Performer) -> None:
    """Space on a tick ticks and starts nothing; a letter in a list is the list's; Esc only gives
    the focus back."""
    frame = performer.frame
    performer.go(4)
    tick = frame.view.form.fields[("part", "muted")]  # type: ignore[attr-defined]
    assert isinstance(tick, QCheckBox)
    before = frame.session.project
    tick.setFocus()
    performer.press(K.Key_T)
    performer.press(K.Key_N)
    assert frame.session.project is before
    assert frame.session.tempo.tapped is None
    performer.press(K.Key_Space)
    assert frame.session.project is not before
    assert not frame.session.running
    told: list[float] = []
    frame.session.performer.escape = told.append  # type: ignore[assignment, method-assign]
    for _ in range(2):
        tick.setFocus()
        performer.press(K.Key_Escape)
        assert frame.view.canvas.hasFocus()
    assert told == []
    performer.press(K.Key_Escape)
    assert len(told) == 1


def test_esc_puts_away_before_it_counts(performer: Performer) -> None:
    """A page, a selection, a number half typed: the first Esc has something to put away."""
    frame = performer.frame
    told: list[float] = []
    frame.session.performer.escape = told.append  # type: ignore[assignment, method-assign]
    performer.act("keys")
    performer.press(K.Key_Escape)
    assert frame.over.open_now is None
    performer.go(3)
    performer.press(K.Key_Right, SHIFT)
    performer.press(K.Key_Escape)
    performer.go(7)
    performer.act("scene_number")
    performer.press(K.Key_Escape)
    assert told == []
    performer.press(K.Key_Escape)
    assert len(told) == 1


@pytest.mark.parametrize("number", [1, 2, 3, 4, 5, 6, 9])
def test_tab_goes_round_and_leaves_everything(performer: Performer, number: int) -> None:
    """From the drawing through every control and back, without sticking anywhere."""
    performer.go(number)
    frame, seen = performer.frame, []
    canvas = frame.view.canvas
    for _ in range(250):
        performer.press(K.Key_Tab)
        focus = frame.focusWidget()
        assert focus is not None
        seen.append(focus)
        if focus is canvas or frame.view.canvas.hasFocus():
            break
    assert frame.view.canvas.hasFocus(), [type(w).__name__ for w in seen[-5:]]
    assert any(isinstance(w, Button) for w in seen)
    if number in (3, 4, 5, 6):
        assert any(isinstance(w, NumberField) for w in seen)
    assert frame.rail in seen
    assert frame.waterline in seen


def test_keys_with_ctrl_are_the_windows_where_no_text_is_typed(performer: Performer) -> None:
    """A list would search for the letter; in a line of text Ctrl+Z takes back what was typed."""
    frame = performer.frame
    performer.go(3)
    performer.press(K.Key_X)
    steps = len(frame.session.store.steps()[0])
    frame.view.fields.fields[("voice", "rate")].setFocus()  # type: ignore[attr-defined]
    performer.press(K.Key_Z, CTRL)
    assert len(frame.session.store.steps()[0]) == steps - 1


def test_panic_by_name_is_at_once(performer: Performer) -> None:
    """From the menu or the finder there is nothing to press twice."""
    performer.engine_ready()
    session = performer.frame.session
    performer.press(K.Key_Space)
    performer.wait(lambda: session.running)
    next(e for e in opened(performer, "Play") if e.objectName() == "panic").trigger()
    performer.wait(lambda: not session.running)


# Keys


def event(key: Qt.Key, held: Qt.KeyboardModifier, text: str = "") -> QKeyEvent:
    return QKeyEvent(QKeyEvent.Type.KeyPress, key, held, text)


def test_what_a_key_is_called() -> None:
    """Symbols by what is printed, however a layout comes to them; named keys with their Shift."""
    none = Qt.KeyboardModifier.NoModifier
    assert key_names(event(K.Key_Plus, SHIFT, "+")) == ["+"]
    assert key_names(event(K.Key_Period, SHIFT, ".")) == ["."]
    assert key_names(event(K.Key_Plus, CTRL | SHIFT)) == ["Ctrl++"]
    assert key_names(event(K.Key_A, SHIFT, "A")) == ["Shift+A"]
    assert key_names(event(K.Key_Left, SHIFT)) == ["Shift+Left"]
    assert key_names(event(K.Key_Delete, none)) == ["Delete"]
    assert key_names(event(K.Key_Insert, none)) == ["Insert"]
    assert key_names(event(K.Key_3, CTRL | SHIFT, "3")) == ["Ctrl+Shift+3"]
    assert key_names(event(K.Key_5, Qt.KeyboardModifier.KeypadModifier, "5")) == ["5"]
    assert key_names(event(K.Key_Enter, Qt.KeyboardModifier.KeypadModifier)) == ["Enter"]
    assert key_names(event(K.Key_Shift, SHIFT)) == []
    assert key_names(event(Qt.Key(0x6CA), none)) == []  # a letter of another alphabet, no place


def by_place(key: int, held: Qt.KeyboardModifier, scan: int, text: str = "") -> list[str]:
    """What a press at a place is called, as X11 and Wayland tell it."""
    return key_names(QKeyEvent(QKeyEvent.Type.KeyPress, key, held, scan, 0, 0, text))


def test_digits_go_by_place_and_letters_by_what_is_printed(
    monkeypatch: pytest.MonkeyPatch,
) -> None:
    """Presses as a window under X11 got them on AZERTY, QWERTZ, Dvorak, Greek and Cyrillic."""
    monkeypatch.setattr("grebe.ui.widgets.keyboard.SCANNED", (QApplication.platformName(),))
    none = Qt.KeyboardModifier.NoModifier
    assert by_place(K.Key_QuoteDbl, none, 12, '"') == ["3", '"']  # AZERTY, third of the row
    assert by_place(K.Key_3, CTRL | SHIFT, 12, "3") == ["Ctrl+Shift+3"]
    assert by_place(K.Key_NumberSign, CTRL | SHIFT, 12) == ["Ctrl+Shift+3", "Ctrl+#"]
    assert by_place(K.Key_A, none, 24, "a") == ["A"]  # where the Q is on others
    assert by_place(K.Key_Y, none, 52, "y") == ["Y"]  # QWERTZ
    assert by_place(K.Key_B, none, 57, "b") == ["B"]  # Dvorak
    assert by_place(0x3BD, none, 57, "\u03bd") == ["N"]  # Greek nu, where the N is
    assert by_place(0x422, none, 57, "\u0442") == ["N"]  # Cyrillic te, there too


def test_the_rail_and_the_waterline_by_key(performer: Performer) -> None:
    """Up and down point, Enter shows; left and right choose run or tap, Enter presses."""
    frame = performer.frame
    frame.rail.setFocus()
    for key in (K.Key_Down, K.Key_Down, K.Key_Up):
        performer.press(key)
    assert frame.rail.current == 1
    frame.grab()
    performer.press(K.Key_Return)
    assert frame.rail.current == 2
    told: list[str] = []
    frame.book.do = told.append  # type: ignore[assignment, method-assign]
    frame.waterline.run_clicked.connect(lambda: told.append("run"))
    frame.waterline.tap_clicked.connect(lambda: told.append("tap"))
    frame.waterline.setFocus()
    frame.grab()
    performer.press(K.Key_Return)
    performer.press(K.Key_Right)
    frame.grab()
    performer.press(K.Key_Space)
    assert [t for t in told if t in ("run", "tap")] == ["run", "tap"]


def test_ctrl_shift_with_a_digit_solos_on_stage(performer: Performer) -> None:
    """It does not leave Stage, whatever Shift makes of the digit."""
    performer.engine_ready()
    performer.go(7)
    performer.press(K.Key_3, CTRL, SHIFT)
    assert performer.frame.rail.current == 7
    performer.wait(lambda: performer.frame.session.status.solos)  # type: ignore[union-attr]


def test_keys_are_changed_by_pressing(
    performer: Performer, tmp_path: Path, monkeypatch: pytest.MonkeyPatch
) -> None:
    """Chosen, pressed, kept, said when it clashes; a file of them read and written."""
    frame = performer.frame
    performer.act("change_keys")
    page = frame.over.keys
    choose(page, "A variation of it")
    page.ask()
    QTest.keyClick(page, K.Key_Y)
    assert key_map().keys_of("variation") == ("Y",)
    choose(page, "Throw the dice anew")
    page.ask()
    QTest.keyClick(page, K.Key_Y)
    assert "means two things in Patterns" in page.below.text()
    page.shipped()
    assert "means two things" not in page.below.text()
    choose(page, "Mute or unmute number")
    page.ask()
    QTest.keyClick(page, K.Key_G)
    assert "a key for each number" in page.below.text()
    page.ask()
    QTest.keyClick(page, K.Key_1, SHIFT)
    assert key_map().keys_of("mute_4") == ("Shift+4",)
    target = tmp_path / "mine.json"
    monkeypatch.setattr(QFileDialog, "getSaveFileName", lambda *_, **__: (str(target), ""))
    monkeypatch.setattr(QFileDialog, "getOpenFileName", lambda *_, **__: (str(target), ""))
    page.write()
    page.all_shipped()
    assert key_map().keys_of("variation") == ("V",)
    page.read()
    assert key_map().keys_of("variation") == ("Y",)
    target.write_text("nothing")
    page.read()
    assert "no file of keys" in page.below.text()
    page.none()
    performer.press(K.Key_Escape)
    performer.go(3)
    count = len(frame.session.project.patterns)
    performer.press(K.Key_Y)
    assert len(frame.session.project.patterns) == count + 1
    page.all_shipped()
    forget_kept()


def choose(page: KeysPage, title: str) -> None:
    """Take the row of an action in hand."""
    page.field.setText(title)
    page.table.setCurrentIndex(page.shown.index(0, 0))
    assert page.action is not None
    assert page.action.title == title


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


def test_an_edit_says_what_it_did_and_offers_undo(performer: Performer) -> None:
    """Over the drawing, which does not move; gone when it is taken back; the last fifty kept."""
    frame = performer.frame
    performer.go(3)
    height = frame.view.canvas.height()
    before = frame.session.project
    performer.press(K.Key_R)
    frame.on_timer()
    (line,) = frame.notices.lines
    assert line.said.text == "Rotate: Kick, step 1."
    assert frame.view.canvas.height() == height
    line.buttons[0].click()
    assert frame.session.project == before
    frame.on_timer()
    assert [x.said.text for x in frame.notices.lines] == ["Undone: Rotate."]
    performer.press(K.Key_Up, SHIFT)  # plain to see: no words
    frame.on_timer()
    assert not any("Louder" in x.said.text for x in frame.notices.lines)
    for number in range(60):
        frame.session.say("info", f"Line {number}.")
    performer.act("messages")
    assert frame.over.messages.list.count() == 50
    item = frame.over.messages.list.item(0)
    assert item is not None
    assert "Line 59." in item.text()


def test_what_is_over_goes(performer: Performer) -> None:
    """A reason that holds no longer is not left standing; several boxes stand side by side."""
    performer.engine_ready()
    frame = performer.frame
    frame.session.notices.said.clear()
    performer.go(7)
    performer.act("hold")
    frame.on_timer()
    assert "Nothing plays: Space runs it." in [x.said.text for x in frame.notices.lines]
    performer.press(K.Key_Space)
    performer.wait(lambda: frame.session.running)
    frame.on_timer()
    assert "Nothing plays: Space runs it." not in [x.said.text for x in frame.notices.lines]
    frame.session.say("warn", "Knot: port gone.")
    frame.session.say("warn", "Smew: port gone.")
    frame.on_timer()
    shown = [x.said.text for x in frame.notices.lines]
    assert {"Knot: port gone.", "Smew: port gone."} <= set(shown)


def test_history_goes_to_any_step(performer: Performer) -> None:
    """Every step by name; choosing one goes there, and forward again."""
    frame = performer.frame
    performer.go(3)
    start = frame.session.project
    for name in ("rotate", "variation", "reverse"):
        performer.act(name)
    end = frame.session.project
    performer.act("history")
    page = frame.over.history
    assert page.list.count() == 4
    first, last = page.list.item(0), page.list.item(3)
    assert first is not None
    page.list.itemClicked.emit(first)
    assert frame.session.project == start
    assert last is not None
    page.list.itemActivated.emit(page.list.item(3))
    assert frame.session.project == end


def test_settings_are_kept_and_say_what_they_do(performer: Performer, tmp_path: Path) -> None:
    """One page, searchable; what is wrong is said and what was there stays."""
    frame = performer.frame
    performer.act("app_settings")
    page = frame.over.settings
    for key, control in page.controls.items():
        assert control.accessibleName(), key
    theme = page.controls["theme"]
    theme.textActivated.emit("night")  # type: ignore[union-attr]
    assert frame.looks.palette.name == "night"
    size = page.controls["size_percent"]
    assert isinstance(size, QLineEdit)
    size.setText("500")
    size.editingFinished.emit()
    assert "It stays as it was" in page.below.text()
    assert read_settings().size_percent == 100
    size.setText("125 %")
    size.editingFinished.emit()
    assert read_settings().size_percent == 125
    folder = page.controls["projects"]
    assert isinstance(folder, QLineEdit)
    for text in ("/not/there", str(tmp_path)):
        folder.setText(text)
        folder.editingFinished.emit()
    assert read_settings().projects
    feet = page.controls["feet"]
    assert isinstance(feet, QLineEdit)
    feet.setText("2")
    feet.editingFinished.emit()
    assert frame.session.project.performer.feet == 2
    tolerance = page.controls["tolerance"]
    assert isinstance(tolerance, QLineEdit)
    for text in ("fast", "3.5"):
        tolerance.setText(text)
        tolerance.editingFinished.emit()
    assert {d.tolerance_ms for d in frame.session.project.rig.devices} == {3.5}
    QTest.keyClicks(page.field, "headphones")
    assert page.controls["sound_level"].isVisibleTo(page)
    assert not page.controls["theme"].isVisibleTo(page)
    performer.press(K.Key_Escape)
    performer.act("fold_sheet")
    performer.go(4)
    assert not frame.view.sheet_shown.isVisible()  # type: ignore[union-attr]
    performer.act("fold_sheet")
    performer.go(7)
    performer.act("fold_menu")
    assert not frame.menu_bar.isVisible()
    performer.act("fold_menu")
    assert frame.menu_bar.isVisible()


def test_a_pattern_is_picked_by_what_it_is_not_by_its_name(performer: Performer) -> None:
    """Three of one name in a chain stay the three they are."""
    frame = performer.frame
    performer.go(4)
    view = frame.view
    store = frame.session.store
    ids = [p.id for p in frame.session.project.patterns if p.device == "smew"][:3]

    def renamed(project: Project) -> Project:
        patterns = tuple(
            msgspec.structs.replace(p, name="Alike") if p.id in ids else p for p in project.patterns
        )
        return msgspec.structs.replace(project, patterns=patterns)

    store.apply("Names", renamed)
    view.form.picked.emit("part", "chain", tuple(ids))  # type: ignore[attr-defined]
    assert view.editor.hand.part.chain == tuple(ids)  # type: ignore[attr-defined]
    chain = view.form.fields[("part", "chain")]  # type: ignore[attr-defined]
    shown = [chain.links.item(n).text() for n in range(3)]
    assert shown == ["Alike", "Alike (2)", "Alike (3)"]
    chain.links.setCurrentRow(2)
    QTest.keyClick(chain.links, K.Key_Up, ALT)
    assert view.editor.hand.part.chain == (ids[0], ids[2], ids[1])  # type: ignore[attr-defined]
    QTest.keyClick(chain.links, K.Key_Delete)
    assert view.editor.hand.part.chain == (ids[0], ids[1])  # type: ignore[attr-defined]


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
    QTest.mouseClick(view.strip, LEFT, pos=words.box.center().toPoint())
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
    frame = performer.frame
    performer.go(4)
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
