"""The Patterns station as a performer uses it: keys, forms, panes, what was played, files."""

from __future__ import annotations

import pytest
from PyQt6.QtCore import QPoint, Qt
from PyQt6.QtTest import QTest

from grebe.app.actions.table import actions_in
from grebe.core.patterns.model import Content, Hit, Voice
from grebe.ui.stations.patterns.view import PatternsView
from grebe.ui.widgets.fields import NumberField
from tests.long import LONG
from tests.ui.conftest import Performer, fill_in
from tests.ui.hand import ALT, CTRL, SHIFT, K


def voice(patterns: PatternsView, row: int = 0) -> Voice:
    assert patterns.pattern is not None
    return patterns.pattern.content.voices[row]


def hit(patterns: PatternsView, step: int = 0, row: int = 0) -> Hit:
    found = voice(patterns, row).hit_at(step)
    assert found is not None
    return found


def content(patterns: PatternsView) -> Content:
    assert patterns.pattern is not None
    return patterns.pattern.content


def test_a_hit_by_keys(performer: Performer, patterns: PatternsView) -> None:
    """Levels, accent, flam, strokes, chance, condition, micro-timing, gate and tie."""
    for name in ("accent", "flam", "flam", "ratchet", "ratchet", "chance", "condition", "tie"):
        performer.act(name)
    performer.press(K.Key_G, SHIFT)
    for _ in range(3):
        performer.press(K.Key_Period)
    performer.press(K.Key_Comma)
    performer.press(K.Key_Right, CTRL)
    found = hit(patterns)
    assert found == Hit(
        step=0, velocity=100, flam=150, ratchet=3, ratchet_to=50, chance=75, when="first",
        tie=True, shift_permille=20, gate_length=75,
    )  # fmt: skip
    performer.act("level")
    assert hit(patterns).velocity == 127
    performer.frame.grab()
    performer.press(K.Key_Right)
    performer.act("flam")
    assert "no hit under the cursor" in performer.frame.session.notices.last.text  # type: ignore[union-attr]


def test_a_voice_by_keys(performer: Performer, patterns: PatternsView) -> None:
    """Rate, direction, even, one-shot, rotate, shift, reverse, clear, add and remove."""
    performer.press(K.Key_R)
    assert [h.step for h in voice(patterns).hits] == [1, 5, 9, 13]
    performer.press(K.Key_R, SHIFT)
    performer.press(K.Key_Right, ALT, SHIFT)
    assert [h.step for h in voice(patterns).hits] == [1, 5, 9, 13]
    performer.press(K.Key_Left, ALT, SHIFT)
    performer.act("reverse")
    assert [h.step for h in voice(patterns).hits] == [3, 7, 11, 15]
    for name in ("direction", "even", "one_shot", "rate"):
        performer.act(name)
    changed = voice(patterns)
    assert (changed.direction, changed.even, changed.one_shot) == ("backward", True, True)
    assert changed.rate == "1/16t"
    performer.frame.grab()
    performer.press(K.Key_Delete, CTRL)
    assert voice(patterns).hits == ()
    count = len(content(patterns).voices)
    performer.press(K.Key_A)
    assert len(content(patterns).voices) == count + 1
    assert patterns.editor.hand.voice is not None
    assert patterns.editor.hand.voice.name == "Clap"
    performer.press(K.Key_Backspace, CTRL)
    assert len(content(patterns).voices) == count


def test_selection_and_clip(performer: Performer, patterns: PatternsView) -> None:
    """Steps of two voices are selected, copied, pasted, made softer, removed; Esc lets go."""
    for _ in range(4):
        performer.press(K.Key_Right, SHIFT)
    performer.press(K.Key_Down, CTRL, SHIFT)
    assert patterns.editor.hand.selection() == (("kick", "snare"), 0, 4)
    performer.frame.grab()
    performer.press(K.Key_Down, SHIFT)
    assert [h.velocity for h in voice(patterns).hits] == [119, 92, 127, 100]
    assert hit(patterns, 4, 1).velocity == 119
    performer.press(K.Key_C, CTRL)
    performer.press(K.Key_Escape)
    assert patterns.editor.hand.anchor is None
    performer.press(K.Key_Home)
    performer.press(K.Key_Up)
    for _ in range(6):
        performer.press(K.Key_Right)
    performer.press(K.Key_V, CTRL)
    assert [h.step for h in voice(patterns).hits] == [0, 4, 6, 10, 12]
    performer.press(K.Key_A, CTRL)
    performer.press(K.Key_A, CTRL)
    performer.press(K.Key_Delete)
    assert all(not v.hits for v in content(patterns).voices)
    performer.press(K.Key_Z, CTRL)
    assert len(voice(patterns).hits) == 5


def test_the_pattern_by_keys(performer: Performer, patterns: PatternsView) -> None:
    """Double and halve, swing, speed, dice and pin, a variation shown against it, a new one."""
    before = content(patterns)
    performer.act("double")
    assert content(patterns).length == 32
    performer.press(K.Key_D, CTRL, SHIFT)
    assert voice(patterns) == before.voices[0]
    performer.press(K.Key_Z, CTRL)
    performer.press(K.Key_Z, CTRL)
    for _ in range(4):
        performer.press(K.Key_S)
    performer.press(K.Key_S, SHIFT)
    performer.act("speed")
    assert (content(patterns).swing, content(patterns).speed) == (53, "2")
    performer.press(K.Key_I)
    performer.act("pin")
    assert content(patterns).seed == 1
    assert content(patterns).pin is not None
    assert "pinned to pass 1" in patterns.heading.below
    performer.act("variation")
    assert patterns.pattern is not None
    assert patterns.pattern.variation_of == "p01"
    performer.press(K.Key_X)
    performer.frame.grab()
    patterns.show_facts()
    assert "differs on 1 step" in patterns.facts.accessibleName()
    performer.press(K.Key_N)
    assert all(not v.hits for v in content(patterns).voices)
    assert patterns.pattern.program == 1  # the variation has taken the first free place


def test_patterns_are_named_and_removed(performer: Performer, patterns: PatternsView) -> None:
    """The name is typed; one in use is kept, a new one goes and comes back."""
    performer.press(K.Key_Delete, CTRL, SHIFT)
    assert "Oars is played in Oars" in performer.frame.session.notices.last.text  # type: ignore[union-attr]
    performer.press(K.Key_N)
    fill_in(patterns.fields, "name", "name", "Eddy")
    assert patterns.pattern is not None
    assert patterns.pattern.name == "Eddy"
    count = len(performer.frame.session.project.patterns)
    performer.press(K.Key_Delete, CTRL, SHIFT)
    assert len(performer.frame.session.project.patterns) == count - 1
    performer.press(K.Key_Z, CTRL)
    assert len(performer.frame.session.project.patterns) == count


def test_pitches_in_a_key(performer: Performer, patterns: PatternsView) -> None:
    """A degree up stays in D minor; without a key it is said."""
    patterns.choose("b1")
    patterns.show_facts()
    assert "D minor. nothing leaves it" in patterns.facts.accessibleName()
    performer.press(K.Key_Up, ALT)
    assert hit(patterns).note == 40
    performer.press(K.Key_Down, ALT)
    performer.press(K.Key_Down, ALT)
    assert hit(patterns).note == 36
    patterns.choose("p01")
    performer.press(K.Key_Up, ALT)
    assert "has no key yet" in performer.frame.session.notices.last.text  # type: ignore[union-attr]


def test_a_controller_lane(performer: Performer, patterns: PatternsView) -> None:
    """Added, written, moved, gliding, by keys; its curve is drawn with the pointer."""
    performer.press(K.Key_A, SHIFT)
    (lane,) = content(patterns).lanes
    assert lane.name == "Level"
    performer.press(K.Key_X)
    performer.press(K.Key_Up, SHIFT)
    performer.act("tie")
    point = content(patterns).lanes[0].points[0]
    assert (point.value, point.glide) == (72, True)
    canvas, left = patterns.pattern_canvas, Qt.MouseButton.LeftButton
    places = canvas.places
    index = places.index_of(lane.id)

    def at(step: int, value: int) -> QPoint:
        x = places.x_of(places.rows[index], step)
        return QPoint(round(x), round(places.level(index) - places.stroke_height(value)))

    QTest.mousePress(canvas.surface, left, pos=at(4, 40))
    for step in (5, 6, 7):
        QTest.mouseMove(canvas.surface, at(step, 10 * step))
    QTest.mouseRelease(canvas.surface, left, pos=at(7, 70))
    drawn = {p.step: p.value for p in content(patterns).lanes[0].points}
    assert drawn.keys() == {0, 4, 5, 6, 7}
    assert drawn[6] == pytest.approx(60, abs=4)
    performer.press(K.Key_Delete)
    assert {p.step for p in content(patterns).lanes[0].points} == {0, 5, 6, 7}


def test_every_setting_can_be_typed(performer: Performer, patterns: PatternsView) -> None:
    """Enter opens the form; what is refused is said and not left standing; Esc goes back."""
    performer.press(K.Key_Return)
    assert patterns.pages.currentWidget() is patterns.fields
    fill_in(patterns.fields, "hit", "chance", "35")
    assert hit(patterns).chance == 35
    fill_in(patterns.fields, "hit", "chance", "350")
    assert "Chance" in performer.frame.session.notices.last.text  # type: ignore[union-attr]
    chance = patterns.fields.fields[("hit", "chance")]
    assert isinstance(chance, NumberField)
    assert (chance.text(), hit(patterns).chance) == ("35", 35)
    fill_in(patterns.fields, "hit", "chance", "+5")
    assert hit(patterns).chance == 40
    chance.stepBy(-1)
    assert hit(patterns).chance == 35
    fill_in(patterns.fields, "voice", "direction", "there and back")
    assert voice(patterns).direction == "there and back"
    fill_in(patterns.fields, "pattern", "swing", "58")
    assert content(patterns).swing == 58
    performer.frame.grab()
    performer.press(K.Key_Escape)
    assert patterns.pattern_canvas.hasFocus()


def generate(patterns: PatternsView, name: str) -> None:
    """Choose a generator, as by hand."""
    choice = patterns.makers.choice
    choice.setCurrentIndex(choice.findData(name))
    choice.activated.emit(choice.currentIndex())


def test_generators(performer: Performer, patterns: PatternsView) -> None:
    """M opens them; every change writes the voice anew, and one undo takes it back. A number that
    cannot be is said at its field, and what was there stays."""
    before = voice(patterns)
    performer.act("generate")
    form = patterns.makers.form
    for text in ("3", "+2"):
        fill_in(form, "Evenly", "hits", text)
    assert [h.step for h in voice(patterns).hits] == [0, 3, 6, 9, 12]
    fill_in(form, "Evenly", "hits", "many")
    assert "Hits is a whole number" in performer.frame.session.notices.last.text  # type: ignore[union-attr]
    assert patterns.generators.field_text("Evenly", "hits") == "5"
    hits = form.fields[("Evenly", "hits")]
    assert isinstance(hits, NumberField)
    hits.stepBy(-1)
    assert len(voice(patterns).hits) == 4
    for name in ("Register", "Arpeggio", "Shuffle"):
        generate(patterns, name)
        assert patterns.makers.form.isVisible()
        assert not form.isVisible()
    performer.frame.grab()
    performer.press(K.Key_Escape)
    undone = 0
    while performer.frame.session.store.undo_name:
        performer.press(K.Key_Z, CTRL)
        undone += 1
    assert undone
    assert voice(patterns) == before


def test_a_generator_turns_a_controller(performer: Performer, patterns: PatternsView) -> None:
    """With a controller lane in hand; one for hits alone says so."""
    performer.find("A controller lane")
    (lane,) = content(patterns).lanes
    patterns.editor.hand.row_id = lane.id
    performer.act("generate")
    generate(patterns, "Slow wave")
    drawn = content(patterns).lanes[0].points
    assert len(drawn) > 3
    generate(patterns, "Evenly")
    assert "writes hits" in performer.frame.session.notices.last.text  # type: ignore[union-attr]
    assert content(patterns).lanes[0].points == drawn


def test_the_memory_map(performer: Performer, patterns: PatternsView) -> None:
    """Alt+2; the arrows move, Ctrl+M assigns, K copies, Delete frees, Enter takes in hand."""
    performer.press(K.Key_2, ALT)
    assert patterns.panes.memory.program == 16
    performer.frame.grab()
    performer.press(K.Key_Down)
    performer.press(K.Key_M, CTRL)
    by_id = {p.id: p for p in performer.frame.session.project.patterns}
    assert (by_id["p01"].program, by_id["p02"].program) == (17, 16)
    performer.press(K.Key_Right)
    performer.press(K.Key_Down)
    performer.press(K.Key_Down)
    performer.act("copy_here")
    copied = performer.frame.session.project.patterns[-1]
    assert (copied.name, copied.program) == ("Oars copy", 35)
    performer.press(K.Key_Delete)
    assert performer.frame.session.project.patterns[-1].program is None
    performer.press(K.Key_X)  # what is not seen is not edited
    assert hit(patterns).velocity == 127
    patterns.panes.memory.program = 16
    performer.press(K.Key_Return)
    assert patterns.editor.hand.pattern_id == "p02"
    assert patterns.panes.currentWidget() is patterns.pattern_canvas


def test_the_step_sheet(performer: Performer, patterns: PatternsView) -> None:
    """Alt+3 shows how the pattern is keyed in, in the box's own counts."""
    patterns.choose("p04")
    performer.press(K.Key_3, ALT)
    text = patterns.panes.steps.page.toPlainText()
    assert "Key into B04 of Smew" in text
    assert "swing level 7 of 26 (56 %)" in text
    assert "flam 5 of 8" in text
    performer.frame.grab()


def test_every_key_in_every_pane(performer: Performer, patterns: PatternsView) -> None:
    """Nothing raises, whatever is in hand; files are not asked for here."""
    store = performer.frame.session.store
    for pattern, panes in (("p02", range(5)), ("b1", range(5 if LONG else 1))):
        for pane in panes:
            for action in actions_in("patterns"):
                if action.effect != "asks" and not action.id.startswith(("pane_", "teach")):
                    for each in action.ids():
                        patterns.choose(pattern)
                        patterns.panes.setCurrentIndex(pane)
                        if patterns.can(each):
                            performer.frame.book.do(each)
                    while store.undo():
                        pass


def test_cut_is_copied(performer: Performer, patterns: PatternsView) -> None:
    """Cut four steps, pasted eight later: the hits are gone there and are here."""
    performer.press(K.Key_Home)
    before = {h.step: h.velocity for h in voice(patterns).hits}
    wanted = {step + 2: level for step, level in before.items() if step < 4}
    assert wanted
    for _ in range(3):
        performer.press(K.Key_Right, SHIFT)
    performer.press(K.Key_X, CTRL)
    assert not [h for h in voice(patterns).hits if h.step < 4]
    performer.press(K.Key_Escape)
    performer.press(K.Key_Home)
    for _ in range(2):
        performer.press(K.Key_Right)
    performer.press(K.Key_V, CTRL)
    assert {h.step: h.velocity for h in voice(patterns).hits if 2 <= h.step < 6} == wanted
