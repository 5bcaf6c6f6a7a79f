"""Rig, Scenes, Song, Set, Sync and Stage by hand: each gesture with real events."""

from __future__ import annotations

import pytest
from PyQt6.QtCore import QEvent, QMimeData, QPointF, Qt
from PyQt6.QtGui import QDragEnterEvent, QDropEvent
from PyQt6.QtTest import QAbstractItemModelTester, QTest
from PyQt6.QtWidgets import QApplication, QStackedWidget

from grebe.app.tables.table import Cell
from grebe.core.rig.model import Rig
from grebe.protocols.link.messages import Deviation
from grebe.ui.stations.rig.view import RigView
from grebe.ui.stations.scenes.view import ScenesView
from grebe.ui.stations.set.view import SetView
from grebe.ui.stations.stage.view import StageView
from grebe.ui.stations.sync.view import SyncView
from grebe.ui.widgets.canvas import Canvas
from grebe.ui.widgets.clipboard import pattern_mime
from grebe.ui.widgets.theme import BRIGHTNESS, DAY, night
from tests.ui.conftest import Performer
from tests.ui.hand import K, click, double_click, drag, hover, rest, touch, wheel

CTRL, SHIFT, ALT = (
    Qt.KeyboardModifier.ControlModifier,
    Qt.KeyboardModifier.ShiftModifier,
    Qt.KeyboardModifier.AltModifier,
)


def middle(canvas: Canvas, row: int, column: int = 0) -> QPointF:
    """The middle of a cell."""
    return canvas.cell_box(Cell(row, column)).center()


# Every canvas is a table of Qt's


def test_every_drawing_is_a_table_that_holds_together(performer: Performer) -> None:
    """Qt's own tester finds no fault with any model, whatever is shown, nor after an edit; each
    cell has words, a place where it is drawn, and is found there."""
    performer.engine_ready()
    seen: set[str] = set()
    testers = []
    for canvas in performer.frame.findChildren(Canvas):
        mode = QAbstractItemModelTester.FailureReportingMode.Fatal
        testers.append(QAbstractItemModelTester(canvas.cells, mode))
    for number, view in performer.frame.views.items():
        performer.go(number)
        for part in view.parts_there_are():
            if part >= 0:
                view.to_part(part)
            view.grab()
            for canvas in view.findChildren(Canvas):
                if not canvas.isVisible() or not canvas.cells.rowCount():
                    continue
                canvas.follow_table()
                seen.add(type(canvas).__name__)
                model = canvas.cells
                assert model.headerData(0, Qt.Orientation.Vertical)
                assert model.headerData(0, Qt.Orientation.Horizontal)
                index = model.index(0, 0)
                assert isinstance(model.data(index), str)
                box = canvas.visualRect(index)
                if not box.isEmpty() and canvas.surface.rect().contains(box.center()):
                    assert canvas.indexAt(box.center()).row() == 0
        if view.part > 0:
            view.to_part(0)
    assert seen >= {
        "RigCanvas", "FindingsList", "NotesPane", "ControlsPane", "SyncCanvas", "PatternCanvas",
        "MemoryPane", "LoopCanvas", "ChartCanvas", "SongCanvas", "SetCanvas", "StageCanvas",
        "ToolsCanvas",
    }  # fmt: skip
    performer.frame.session.store.undo()


def test_what_takes_a_cell_from_outside_moves_the_hand(performer: Performer) -> None:
    """As a screen reader does: the current cell is what is in hand."""
    performer.go(4)
    view = performer.frame.view
    assert isinstance(view, ScenesView)
    view.canvas.setCurrentIndex(view.canvas.cells.index(1, 2))
    hand = view.editor.hand
    assert (hand.device_id, hand.scene_id) == (hand.devices[1].id, hand.scenes[2].id)
    performer.press(K.Key_Right)
    assert view.canvas.currentIndex().column() == 3


# Rig


def test_a_cable_is_run_by_dragging(performer: Performer) -> None:
    """A box onto another proposes; from outputs to inputs it is plugged in, one undo."""
    view = performer.frame.view
    assert isinstance(view, RigView)
    canvas, session = view.tree_canvas, performer.frame.session
    boxes = {p.device: p.box for p in canvas.placed}
    names = list(boxes)
    source, target = "smew", "gadwall"
    assert {source, target} <= set(names)
    before = len(session.project.rig.cables)
    out = QPointF(boxes[source].right() - 6, boxes[source].center().y())
    into = QPointF(boxes[target].left() + 6, boxes[target].center().y())
    assert hover(canvas, out) == Qt.CursorShape.CrossCursor
    said = drag(canvas, boxes[source].center(), boxes[target].center())
    assert said.startswith("Smew to Gadwall: ")
    page = view.side.cable_page
    assert view.side.pages.currentWidget() is page
    assert (page.source.currentData(), page.target.currentData()) == (source, target)
    assert len(session.project.rig.cables) == before
    drag(canvas, out, into, drops=False)
    QTest.keyClick(canvas, K.Key_Escape)
    drag(canvas, out, into)
    assert len(session.project.rig.cables) == before + 1
    session.store.undo()
    assert len(session.project.rig.cables) == before


def test_what_is_told_of_boxes_and_cables(performer: Performer) -> None:
    """Roles and clocks; what flows, at what rate, how late. A double click: settings."""
    view = performer.frame.view
    assert isinstance(view, RigView)
    canvas = view.tree_canvas
    placed = next(p for p in canvas.placed if p.device == "smew")
    assert rest(canvas, placed.box.center()).startswith("Smew: plays its own")
    cable = next(
        c for c in canvas.picture.cables if canvas.shown.wiring.cables[c.cable].target == "smew"
    )
    a, b = cable.corners[-2], cable.corners[-1]
    said = rest(canvas, (a + b) / 2 + QPointF(0, 4))
    assert "Smew" in said
    assert "24 a quarter" in said
    assert "ms after the leader" in said
    double_click(canvas, placed.box.center())
    assert view.selected == "smew"
    assert performer.frame.focusWidget() is not canvas


# Scenes


@pytest.fixture
def scenes(performer: Performer) -> ScenesView:
    performer.go(4)
    view = performer.frame.view
    assert isinstance(view, ScenesView)
    view.grab()
    return view


def test_scenes_are_put_in_order_by_their_heads(scenes: ScenesView) -> None:
    """A line shows where; words say before which; one undo."""
    project = scenes.session.project
    names = [s.name for s in project.scenes[:4]]
    head = QPointF(middle(scenes.chart, 0, 0).x(), 20)
    said = drag(scenes.chart, head, QPointF(middle(scenes.chart, 0, 2).x() + 60, 20))
    assert [s.name for s in scenes.session.project.scenes[:3]] == [names[1], names[2], names[0]]
    assert said == f"{names[0]} before {names[3]}"
    scenes.session.store.undo()
    assert scenes.session.project is project


def test_a_cell_onto_another_copies_it(scenes: ScenesView) -> None:
    """The box does there what it does here."""
    hand = scenes.editor.hand
    device, one, other = hand.devices[0].id, hand.scenes[1], hand.scenes[3]
    assert one.part(device).chain != other.part(device).chain
    drag(scenes.chart, middle(scenes.chart, 0, 1), middle(scenes.chart, 0, 3))
    assert hand.scenes[3].part(device).chain == one.part(device).chain
    assert hand.scene_id == other.id
    scenes.session.store.undo()
    assert hand.scenes[3] == other


def test_a_pattern_is_dropped_on_a_cell(scenes: ScenesView) -> None:
    """In place of what was there, with Ctrl after it; of another box it says why not."""
    hand, chart = scenes.editor.hand, scenes.chart
    device = hand.devices[0].id
    own = [p for p in scenes.session.project.patterns if p.device == device]
    data = pattern_mime(own[-1].id, own[-1].name)

    def drop(row: int, column: int, held: Qt.KeyboardModifier, carried: QMimeData) -> None:
        at, left = middle(chart, row, column), Qt.MouseButton.LeftButton
        actions = Qt.DropAction.CopyAction
        enter = QDragEnterEvent(at.toPoint(), actions, carried, left, held)
        QApplication.sendEvent(chart.surface, enter)
        QApplication.sendEvent(chart.surface, QDropEvent(at, actions, carried, left, held))

    none = Qt.KeyboardModifier.NoModifier
    drop(0, 2, none, data)
    assert hand.scenes[2].part(device).chain == (own[-1].id,)
    drop(0, 2, CTRL, data)
    assert hand.scenes[2].part(device).chain == (own[-1].id, own[-1].id)
    before = scenes.session.project
    drop(1, 2, none, data)
    assert scenes.session.project is before
    assert "is of Smew" in scenes.session.notices.last.text  # type: ignore[union-attr]


def test_a_double_click_opens_the_chain_and_the_wheel_scrolls(scenes: ScenesView) -> None:
    """And resting on a cell tells what changes there, by whom and when."""
    chart = scenes.chart
    double_click(chart, middle(chart, 0, 1))
    owner_key = next(k for k, w in scenes.form.fields.items() if w.isAncestorOf(
        scenes.form.window().focusWidget()) or w.hasFocus())  # type: ignore[union-attr, arg-type]  # fmt: skip
    assert owner_key == ("part", "chain")
    said = rest(chart, middle(chart, 0, 1))
    assert said.startswith("Smew in Oars: Oars")
    assert "by Grebe" in said
    wheel(chart, middle(chart, 0, 1), -2)  # more boxes and tracks than fit
    assert chart.top == 2


# Set


@pytest.fixture
def running_order(performer: Performer) -> SetView:
    performer.go(6)
    view = performer.frame.view
    assert isinstance(view, SetView)
    view.grab()
    return view


def test_songs_are_put_in_order_and_the_cost_is_said(running_order: SetView) -> None:
    """While it hovers; one undo. What lies between is dragged by its edge; the wish is drawn."""
    canvas, hand = running_order.set_canvas, running_order.editor.hand
    assert hand.plan is not None
    ids = [s.entry.id for s in hand.plan.songs]
    said = drag(canvas, middle(canvas, 2), middle(canvas, 4) + QPointF(4, 0))
    assert said.startswith("place 5: ")
    assert hand.plan is not None
    assert [s.entry.id for s in hand.plan.songs] == [*ids[:2], ids[3], ids[4], ids[2], *ids[5:]]
    running_order.session.store.undo()
    stop = next(n for n, s in enumerate(hand.plan.songs) if n and s.entry.into == "stop")
    edge = canvas.cell_box(Cell(stop, 0))
    gap = hand.plan.songs[stop].entry.gap_s
    at = QPointF(edge.left() - 1, edge.center().y())
    assert hover(canvas, at) == Qt.CursorShape.SplitHCursor
    said = drag(canvas, at, at + QPointF(10, 0))
    assert said.endswith(" s")
    assert hand.plan.songs[stop].entry.gap_s > gap
    running_order.session.store.undo()
    assert "Tempo: " in rest(canvas, middle(canvas, 2))


# Sync


def test_a_strip_through_time_and_a_stretch_measured(performer: Performer) -> None:
    """Sideways it goes back; with Shift the figures are of that stretch alone."""
    performer.go(2)
    view = performer.frame.view
    assert isinstance(view, SyncView)
    canvas = view.strips
    late = [0.0] * 100 + [4.0] * 28
    performer.frame.session.position.deviations["smew"] = [  # type: ignore[assignment]
        Deviation(device="smew", tick=n * 480, ms=ms) for n, ms in enumerate(late)
    ]
    view.grab()
    device = next(d for d in performer.frame.session.project.rig.timed if d.id == "smew")
    row = next(box for box, d in canvas._rows if d == "smew")
    strip = canvas._strip(row)
    y = strip.center().y()
    drag(canvas, QPointF(strip.right() - 40, y), QPointF(strip.right() - 4, y), held=SHIFT)
    assert canvas.judged(device).offset_ms == pytest.approx(4.0)
    assert "beats ago" in rest(canvas, QPointF(strip.right() - 4, y))
    said = drag(canvas, QPointF(strip.left() + 20, y), QPointF(strip.left() + 220, y))
    assert canvas.back > 0
    assert said == f"{canvas.back} beats ago"
    wheel(canvas, QPointF(strip.left() + 20, y), 20)
    assert canvas.judged(device).offset_ms == pytest.approx(0.0)


# Stage


def test_stage_by_mouse_and_touch(performer: Performer) -> None:
    """Every action a target of 56 px at 1280x800 and more; the guard holds; nothing is dragged."""
    performer.go(7)
    performer.engine_ready()
    view, session = performer.frame.view, performer.frame.session
    assert isinstance(view, StageView)
    canvas = view.stage_canvas
    view.grab()

    def target(action: str) -> QPointF:
        box = canvas.targets.box_of(action)
        assert box.height() * canvas._scale >= 55
        assert box.width() * canvas._scale >= 56
        return box.center() * canvas._scale

    performer.press(K.Key_Space)
    performer.wait(lambda: session.running)
    touch(canvas, [target("hold")])
    assert "Touch guard" in session.notices.last.text  # type: ignore[union-attr]
    performer.press(K.Key_G, CTRL)
    touch(canvas, [target("hold")])
    performer.wait(lambda: session.status.held)  # type: ignore[union-attr]
    click(canvas, target("hold"))
    performer.wait(lambda: not session.status.held)  # type: ignore[union-attr]
    click(canvas, target(":solo"))
    block = canvas._blocks._boxes[0].center() * canvas._scale
    click(canvas, block)
    performer.wait(lambda: ("smew", "") in session.status.solos)  # type: ignore[union-attr]
    click(canvas, block)
    performer.wait(lambda: not session.status.solos)  # type: ignore[union-attr]
    click(canvas, target(":solo"))
    click(canvas, block)
    performer.wait(lambda: ("smew", "") in session.status.mutes)  # type: ignore[union-attr]
    click(canvas, block)
    performer.wait(lambda: not session.status.mutes)  # type: ignore[union-attr]
    click(canvas, target("scene_number"))
    view.grab()
    click(canvas, canvas.targets.box_of("mute_3").center() * canvas._scale)
    view.grab()
    assert view.stage_actions.numbers.typed == "3"
    click(canvas, canvas.targets.box_of("next_in").center() * canvas._scale)
    performer.wait(lambda: session.status.launched)  # type: ignore[union-attr]
    view.grab()
    click(canvas, target("withdraw"))
    performer.wait(lambda: not session.status.launched)  # type: ignore[union-attr]
    assert rest(canvas, target("cut")).startswith("Cut to what is next now (")
    project = session.project
    drag(canvas, block, block + QPointF(200, 60))
    assert session.project is project
    performer.frame.resize(1024, 680)
    QTest.qWait(20)
    view.grab()
    for action in ("next_in", "hold", "lock", ":halt"):
        target(action)
    performer.wait(lambda: "bar" in canvas.accessibleName())
    assert "Next" in canvas.accessibleName()


def test_stage_on_a_screen_of_its_own_and_its_brightness(performer: Performer) -> None:
    """The table stays where it is; Night has three steps."""
    performer.go(4)
    performer.engine_ready()
    frame = performer.frame
    frame.book.do("stage_window")
    window = frame.beside.window
    assert window is not None
    QTest.qWait(60)
    window.grab()
    canvas = window.canvas
    click(canvas, canvas._blocks._boxes[0].center() * canvas._scale)
    performer.wait(lambda: ("smew", "") in frame.session.status.mutes)  # type: ignore[union-attr]
    assert frame.rail.current == 4
    before = window._palette_now
    frame.book.do("brightness")
    assert window._palette_now is night(1) is not before
    frame.book.do("brightness")
    frame.book.do("brightness")
    assert window._palette_now is before
    QTest.keyClick(window, K.Key_Escape)
    assert frame.beside.window is None
    assert len(BRIGHTNESS) == 3
    assert DAY.name == "day"


# The clipboard


def test_things_are_carried_between_projects(performer: Performer) -> None:
    """A scene, sections, a song and a box, copied here and pasted there, with what they need; what
    is here already is used again. Plain text lies beside it."""
    performer.go(4)
    frame, session = performer.frame, performer.frame.session
    performer.press(K.Key_C, CTRL)
    scene = frame.view.scene  # type: ignore[attr-defined]
    board = QApplication.clipboard()
    assert board is not None
    assert board.text() == scene.name
    patterns = len(session.project.patterns)
    performer.press(K.Key_V, CTRL)
    assert session.project.scenes[-1].parts == scene.parts
    assert len(session.project.patterns) == patterns  # the same are not taken again
    session.store.undo()
    performer.go(5)
    song = frame.view.editor.hand  # type: ignore[attr-defined]
    count, here = len(song.layout.song.sections), song.span.section
    performer.press(K.Key_C, CTRL)
    performer.press(K.Key_V, CTRL)
    sections = song.layout.song.sections
    assert len(sections) == count + 1
    assert (sections[1].scene, sections[1].times) == (here.scene, here.times)
    assert [s.name for s in session.project.songs] == [s.name for s in session.store.saved.songs]
    session.store.undo()
    performer.go(6)
    places = len(session.selection.running_set.songs)  # type: ignore[union-attr]
    performer.press(K.Key_C, CTRL)
    performer.press(K.Key_V, CTRL)
    assert len(session.selection.running_set.songs) == places + 1  # type: ignore[union-attr]
    session.store.undo()
    performer.go(1)
    frame.view.select("smew")  # type: ignore[attr-defined]
    performer.press(K.Key_C, CTRL)
    session.store.apply("Another", lambda p: type(p)(name="Other", rig=Rig()))
    performer.press(K.Key_V, CTRL)
    assert [d.name for d in session.project.rig.devices] == ["Smew"]
    performer.press(K.Key_V, CTRL)
    assert len(session.project.rig.devices) == 2


def test_what_is_no_clip_is_refused_in_words(performer: Performer) -> None:
    """Another program's bytes under our name."""
    from PyQt6.QtCore import QByteArray

    from grebe.app.carrying import MIME_TYPE

    board = QApplication.clipboard()
    assert board is not None
    performer.go(4)
    for bad in (b"", b"{", b"[" * 100_000, b'{"grebe":9}', b'{"steps":3,"hits":[[{"step":-1}]]}'):
        data = QMimeData()
        data.setData(MIME_TYPE, QByteArray(bad))
        board.setMimeData(data)
        before = performer.frame.session.project
        performer.press(K.Key_V, CTRL)
        assert performer.frame.session.project is before
        assert "clipboard" in performer.frame.session.notices.last.text  # type: ignore[union-attr]


def test_esc_takes_a_drag_back_everywhere(running_order: SetView) -> None:
    """Set as one of them: what was aimed at is let be."""
    canvas, hand = running_order.set_canvas, running_order.editor.hand
    project = running_order.session.project
    drag(canvas, middle(canvas, 1), middle(canvas, 3), drops=False)
    QTest.keyClick(canvas, K.Key_Escape)
    QApplication.sendEvent(canvas.surface, QEvent(QEvent.Type.Leave))
    assert running_order.session.project is project
    assert hand.plan is not None
    assert isinstance(running_order.panes, QStackedWidget)
    assert ALT


def test_a_pattern_is_carried_from_the_memory_map(performer: Performer) -> None:
    """Copied there, pasted there, under another name."""
    performer.go(3)
    view, session = performer.frame.view, performer.frame.session
    view.to_part(1)
    count = len(session.project.patterns)
    performer.press(K.Key_C, CTRL)
    performer.press(K.Key_V, CTRL)
    assert len(session.project.patterns) == count + 1
    session.store.undo()
    assert len(session.project.patterns) == count


def test_a_number_that_is_typed_is_cut_to(performer: Performer) -> None:
    """Shift and Enter go there now, and leave nothing lying for a later Enter."""
    performer.go(7)
    performer.engine_ready()
    session = performer.frame.session
    view = performer.frame.view
    assert isinstance(view, StageView)
    performer.press(K.Key_Space)
    performer.wait(lambda: session.running)
    for key in (K.Key_J, K.Key_3):
        performer.press(key)
    performer.press(K.Key_Return, SHIFT)
    layout = session.derived.layout()
    assert layout is not None
    wanted = layout.spans[2].section.id
    performer.wait(lambda: session.status.section == wanted)  # type: ignore[union-attr]
    assert view.stage_actions.numbers.typed is None
