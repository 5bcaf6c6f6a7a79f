"""What an edit says, history, the settings page, what is picked."""

from __future__ import annotations

from pathlib import Path

import msgspec
from PyQt6.QtTest import QTest
from PyQt6.QtWidgets import QLineEdit

from grebe.app.settings import read_settings
from grebe.core.document import Project
from tests.ui.conftest import Performer
from tests.ui.hand import ALT, SHIFT, K


def test_an_edit_says_what_it_did_and_offers_undo(performer: Performer) -> None:
    """Over the drawing, which does not move; gone when it is taken back; the last fifty kept."""
    performer.go(3)
    frame = performer.frame
    QTest.qWait(20)  # laid out with its styles
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
    performer.go(3)
    frame = performer.frame
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
    theme.activated.emit(theme.findData("night"))  # type: ignore[union-attr]
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
    performer.go(4)
    frame = performer.frame
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
