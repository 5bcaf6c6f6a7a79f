"""The pattern by hand: each gesture with real events, its words, its one undo, Esc."""

from __future__ import annotations

import pytest
from PyQt6.QtCore import QPointF, Qt
from PyQt6.QtTest import QTest
from PyQt6.QtWidgets import QApplication, QMenu

from grebe.core.patterns.model import Content, ControlLane, Hit, Voice
from grebe.ui.stations.patterns.view import PatternsView
from grebe.ui.widgets.touch import MENU_MS
from tests.ui.conftest import Performer
from tests.ui.hand import K, click, double_click, drag, hover, rest, rest_finger, touch, wheel

CTRL, SHIFT, ALT = (
    Qt.KeyboardModifier.ControlModifier,
    Qt.KeyboardModifier.ShiftModifier,
    Qt.KeyboardModifier.AltModifier,
)


@pytest.fixture
def view(performer: Performer) -> PatternsView:
    """Three voices of sixteen steps, the first with a hit on its first step; a lane."""
    performer.go(3)
    view = performer.frame.view
    assert isinstance(view, PatternsView)
    voices = tuple(
        Voice(id=f"v{n}", name=name, hits=(Hit(step=0),) if n == 0 else ())
        for n, name in enumerate(("Low", "Mid", "High"))
    )
    lane = ControlLane(id="c1", name="Cutoff", controller=74, length=16)
    made = Content(voices=voices, lanes=(lane,))
    view.editor.hand.change("Plain", lambda _: made)
    performer.frame.session.store.end_merge()
    return view


def at(view: PatternsView, row: int, step: float, value: int = 20) -> QPointF:
    """A place in the drawing."""
    places = view.canvas.places  # type: ignore[attr-defined]
    shown = places.rows[row]
    x = places.x_at(step * float(places.content.step_of(shown)))
    return QPointF(x, places.level(row) - places.stroke_height(value))


def steps(view: PatternsView, row: int) -> list[int]:
    """Steps of a voice that have a hit."""
    return [h.step for h in view.editor.hand.content.voices[row].hits]


def undone(view: PatternsView) -> None:
    """One step of undo takes the whole gesture back."""
    after = view.editor.hand.content
    view.session.store.undo()
    before = view.editor.hand.content
    assert before != after
    assert [v.name for v in before.voices] == ["Low", "Mid", "High"]
    assert steps(view, 0) == [0]
    view.session.store.redo()
    assert view.editor.hand.content == after


def test_hits_are_painted_along_a_row(view: PatternsView) -> None:
    """Every empty step the pointer passes; one undo, and Esc while it goes on."""
    said = drag(view.canvas, at(view, 1, 2), at(view, 1, 6))
    assert steps(view, 1) == [2, 3, 4, 5, 6]
    assert said == "steps 3 to 7"
    undone(view)
    drag(view.canvas, at(view, 2, 0), at(view, 2, 9), drops=False)
    assert steps(view, 2) == list(range(10))
    QTest.keyClick(view.canvas, K.Key_Escape)
    assert steps(view, 2) == []
    assert view.session.store.redo_name == ""
    drag(view.canvas, at(view, 2, 3))  # a click
    assert steps(view, 2) == [3]


def test_up_and_down_on_a_hit_is_its_velocity(view: PatternsView) -> None:
    """A click on it takes it away; a sideways drag does not."""
    said = drag(view.canvas, at(view, 0, 0, 60), at(view, 0, 0, 120))
    assert view.editor.hand.content.voices[0].hits[0].velocity == pytest.approx(120, abs=3)
    assert said.startswith("velocity 1")
    undone(view)
    drag(view.canvas, at(view, 0, 0, 60), at(view, 0, 4, 60))
    assert steps(view, 0) == [4]
    drag(view.canvas, at(view, 0, 4, 60), at(view, 0, 8, 60), held=CTRL)
    assert steps(view, 0) == [4, 8]
    click(view.canvas, at(view, 0, 8, 60))
    assert steps(view, 0) == [4]


def test_with_alt_sideways_is_its_timing(view: PatternsView) -> None:
    """In thousandths of a step, and in ms as it sounds."""
    said = drag(view.canvas, at(view, 0, 0, 60), at(view, 0, 0.25, 60), held=ALT)
    (hit,) = view.editor.hand.content.voices[0].hits
    assert (hit.step, hit.shift_permille) == (0, pytest.approx(250, abs=15))
    assert "thousandths" in said
    assert "ms" in said
    undone(view)


def test_the_end_of_a_held_note(view: PatternsView) -> None:
    """Its gate, where it is held beyond its step."""
    view.editor.drags.gate("v0", 0, 300)
    view.session.store.end_merge()
    said = drag(view.canvas, at(view, 0, 3), at(view, 0, 5))
    assert view.editor.hand.content.voices[0].hits[0].gate_length == pytest.approx(500, abs=15)
    assert said.startswith("held for ")


def test_a_rows_end_and_its_place(view: PatternsView) -> None:
    """The end is its length, the name its place among the rows."""
    said = drag(view.canvas, at(view, 0, 16, 0), at(view, 0, 12, 0))
    assert view.editor.hand.content.voices[0].length == 12
    assert said == "12 steps"
    undone(view)
    said = drag(view.canvas, QPointF(40, at(view, 0, 0).y()), QPointF(40, at(view, 2, 0).y()))
    assert [v.name for v in view.editor.hand.content.voices] == ["Mid", "High", "Low"]
    assert said == "row 3 of 3"
    view.session.store.undo()
    assert [v.name for v in view.editor.hand.content.voices] == ["Low", "Mid", "High"]


def test_a_frame_selects_and_what_is_selected_moves(view: PatternsView) -> None:
    """Between rows too; with Ctrl a copy stays; a click lets it go."""
    said = drag(view.canvas, at(view, 0, 0), at(view, 1, 3), held=SHIFT)
    assert view.editor.hand.selection() == (("v0", "v1"), 0, 3)
    assert said == "2 rows, steps 1 to 4"
    drag(view.canvas, at(view, 0, 1), at(view, 1, 5))
    assert (steps(view, 0), steps(view, 1)) == ([], [4])
    assert view.editor.hand.selection() == (("v1", "v2"), 4, 7)
    view.session.store.undo()
    assert (steps(view, 0), steps(view, 1)) == ([0], [])
    view.editor.hand.anchor = ("v0", 0)
    view.editor.hand.row_id, view.editor.hand.step = "v0", 3
    drag(view.canvas, at(view, 0, 1), at(view, 2, 1), held=CTRL)
    assert (steps(view, 0), steps(view, 2)) == ([0], [0])
    click(view.canvas, at(view, 2, 2))
    assert view.editor.hand.anchor is None
    assert steps(view, 2) == [0]


def test_a_double_click_on_a_name_renames(view: PatternsView) -> None:
    """The field of its name has the focus."""
    double_click(view.canvas, QPointF(40, at(view, 1, 0).y() - 10))
    assert view.editor.hand.row_id == "v1"
    assert view.fields.fields[("voice", "name")].hasFocus()


def test_the_wheel_scrolls_and_zooms_at_the_pointer(view: PatternsView) -> None:
    """With Ctrl; what is under the pointer stays there."""
    canvas = view.canvas
    before = at(view, 0, 8)
    wheel(canvas, before, 3, CTRL)
    assert at(view, 0, 8).x() == pytest.approx(before.x(), abs=2)
    assert at(view, 0, 9).x() - before.x() > 1.5 * 40
    left = canvas.places.first  # type: ignore[attr-defined]
    wheel(canvas, before, -2)
    assert canvas.places.first > left  # type: ignore[attr-defined]
    view.grab()
    wheel(canvas, before, -9, CTRL)
    assert canvas.places.first == 0  # type: ignore[attr-defined]


def test_a_lane_is_drawn_freehand_and_as_a_line(view: PatternsView) -> None:
    """Alt draws a line from where it began; shapes by name fill a stretch."""
    said = drag(view.canvas, at(view, 3, 0, 20), at(view, 3, 4, 100), at(view, 3, 8, 40))
    values = {p.step: p.value for p in view.editor.hand.content.lanes[0].points}
    assert list(values) == list(range(9))
    assert values[4] == pytest.approx(100, abs=4)
    assert said.startswith("step 9: ")
    drag(view.canvas, at(view, 3, 0, 0), at(view, 3, 4, 127), at(view, 3, 8, 64), held=ALT)
    values = {p.step: p.value for p in view.editor.hand.content.lanes[0].points}
    assert values[4] == pytest.approx(32, abs=4)
    view.editor.hand.row_id, view.editor.hand.anchor = "c1", ("c1", 0)
    view.editor.hand.step = 7
    view.editor.drags.steps()
    values = {p.step: p.value for p in view.editor.hand.content.lanes[0].points}
    assert len({values[n] for n in range(8)}) == 4
    view.editor.drags.sine()
    view.editor.drags.ramp()


def test_what_is_told_of_a_hit_and_what_the_pointer_looks_like(view: PatternsView) -> None:
    """Its level, and when it sounds; a form for each thing that can be done."""
    assert rest(view.canvas, at(view, 0, 0)).startswith("Low, step 1: ")
    assert "sounds at 0.0 ms" in rest(view.canvas, at(view, 0, 0))
    assert rest(view.canvas, at(view, 1, 3)) == "Mid, step 4: empty"
    shapes = Qt.CursorShape
    assert hover(view.canvas, at(view, 0, 0)) == shapes.SizeVerCursor
    assert hover(view.canvas, at(view, 0, 16, 0)) == shapes.SplitHCursor
    assert hover(view.canvas, QPointF(30, at(view, 0, 0).y())) == shapes.SizeVerCursor
    assert hover(view.canvas, at(view, 3, 4)) == shapes.CrossCursor


def test_by_touch(view: PatternsView) -> None:
    """A finger taps and drags as the mouse does; resting opens the menu and edits nothing; two
    scroll and zoom; and a second finger takes a drag back."""
    canvas = view.canvas
    touch(canvas, [at(view, 1, 2)])
    assert steps(view, 1) == [2]
    touch(canvas, [at(view, 2, 0)], [at(view, 2, 1)], [at(view, 2, 4)])
    assert steps(view, 2) == [0, 1, 2, 3, 4]
    one, other = at(view, 1, 4), at(view, 1, 8)
    apart = QPointF(120, 0)
    touch(canvas, [one, other], [one - apart, other + apart])
    assert canvas.places.first > 0  # type: ignore[attr-defined]
    assert steps(view, 1) == [2]
    touch(canvas, [at(view, 1, 6)], [at(view, 1, 7)], [at(view, 1, 7), at(view, 0, 7)])
    assert steps(view, 1) == [2]
    before = view.session.project
    canvas._touches._rests.setInterval(30)
    rest_finger(canvas, at(view, 1, 9))
    menu = QApplication.activePopupWidget()
    assert isinstance(menu, QMenu)
    menu.close()
    assert MENU_MS > 400
    assert view.session.project is before
