"""Keys: whose they are while something has the focus, by place or by print, changed by pressing."""

from __future__ import annotations

from pathlib import Path

import pytest
from PyQt6.QtCore import Qt
from PyQt6.QtGui import QKeyEvent
from PyQt6.QtTest import QTest
from PyQt6.QtWidgets import QApplication, QCheckBox, QFileDialog

from grebe.app.actions.keymap import forget_kept, key_map
from grebe.ui.main_window.keys_page import KeysPage
from grebe.ui.widgets.controls import Button
from grebe.ui.widgets.fields import NumberField
from grebe.ui.widgets.keyboard import key_names
from tests.ui.conftest import Performer
from tests.ui.hand import CTRL, SHIFT, K
from tests.ui.menus import opened


def test_space_letters_and_esc_belong_to_the_control(performer: Performer) -> None:
    """Space on a tick ticks and starts nothing; a letter in a list is the list's; Esc only gives
    the focus back."""
    performer.go(4)
    frame = performer.frame
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
    assert frame.rail.tabs in seen
    assert frame.waterline.run in seen
    assert frame.waterline.tap in seen


def test_keys_with_ctrl_are_the_windows_where_no_text_is_typed(performer: Performer) -> None:
    """A list would search for the letter; in a line of text Ctrl+Z takes back what was typed."""
    performer.go(3)
    frame = performer.frame
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
    frame.rail.tabs.setFocus()
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
    frame.waterline.run.setFocus()
    frame.grab()
    performer.press(K.Key_Return)
    performer.press(K.Key_Right)
    frame.grab()
    performer.press(K.Key_Space)
    assert [t for t in told if t in ("run", "tap")] == ["run", "tap"]


def test_ctrl_shift_with_a_digit_solos_on_stage(performer: Performer) -> None:
    """It does not leave Stage, whatever Shift makes of the digit."""
    performer.go(7)
    performer.engine_ready()
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
