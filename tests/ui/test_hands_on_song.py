"""A song by the pointer: ranges, regions, curves, loops."""

from __future__ import annotations

import pytest
from PyQt6.QtCore import QPointF, Qt
from PyQt6.QtTest import QTest

from grebe.core.player.marks import curve_value
from grebe.core.songs.model import CurvePoint
from grebe.core.time.ticks import SIXTEENTH_TICKS
from grebe.ui.stations.song.view import SongView
from tests.ui.conftest import Performer
from tests.ui.hand import CTRL, K, drag, hover, rest, wheel
from tests.ui.test_hands_elsewhere import middle

# Song


@pytest.fixture
def song(performer: Performer) -> SongView:
    performer.go(5)
    view = performer.frame.view
    assert isinstance(view, SongView)
    view.grab()
    return view


def x_of(view: SongView, tick: float) -> float:
    places = view.song_canvas.places()
    assert places is not None
    return places.x_at(tick)


def test_a_range_over_rows_and_bars(song: SongView) -> None:
    """In bars and seconds beside the pointer; nothing is edited."""
    canvas, hand = song.song_canvas, song.editor.hand
    span, project = hand.layout.spans[1], song.session.project
    bar = span.scene.meter.bar_ticks
    y = middle(canvas, 2, 1).y()
    said = drag(canvas, QPointF(x_of(song, span.tick + 10), y),
                QPointF(x_of(song, span.tick + 3.5 * bar), y))  # fmt: skip
    assert hand.selection == (span.tick, span.tick + 4 * bar)
    assert said.startswith(f"bar {span.bar} to {span.bar + 3}, ")
    assert hand.device_id == hand.devices[1].id
    assert song.session.project is project


def test_passes_and_order_of_sections(song: SongView) -> None:
    """A section's end by passes of its scene; its head to another place."""
    canvas, hand = song.song_canvas, song.editor.hand
    span = hand.layout.spans[1]
    times = span.section.times
    end = QPointF(x_of(song, span.end), 18)
    assert hover(canvas, end) == Qt.CursorShape.SplitHCursor
    said = drag(canvas, end, QPointF(x_of(song, span.end + span.pass_ticks), 18))
    assert hand.layout.spans[1].section.times == times + 1
    assert said == f"{times + 1} passes"
    song.session.store.undo()
    assert hand.layout.spans[1].section.times == times
    ids = [s.id for s in hand.layout.song.sections]
    third = hand.layout.spans[3]
    drag(canvas, QPointF(x_of(song, span.tick + span.ticks / 2), 18),
         QPointF(x_of(song, third.tick + third.ticks / 2), 18))  # fmt: skip
    moved = [s.id for s in hand.layout.song.sections]
    assert moved != ids
    assert sorted(moved) == sorted(ids)
    song.session.store.undo()
    assert [s.id for s in hand.layout.song.sections] == ids


def test_regions_markers_and_curves(song: SongView) -> None:
    """A mute's body and edge, a marker, a point of a curve; each told in bars and clock time."""
    canvas, hand = song.song_canvas, song.editor.hand
    number, region = next(
        (n, m) for n, s in enumerate(hand.layout.spans) for m in s.section.mutes
        if not m.voice and m.long >= 32
    )  # fmt: skip
    span = hand.layout.spans[number]
    row = [d.id for d in hand.devices].index(region.device) + 1
    y = middle(canvas, row, number).y() + 4
    first = span.tick + region.at * SIXTEENTH_TICKS
    last = first + region.long * SIXTEENTH_TICKS
    bar = span.scene.meter.bar_ticks
    canvas.zoom_at(QPointF(x_of(song, first), y), 0.25)
    at = QPointF(x_of(song, (first + last) / 2), y)
    assert rest(canvas, at).startswith(f"{span.scene.name}: out from ")
    said = drag(canvas, QPointF(x_of(song, last), y), QPointF(x_of(song, last + bar), y))
    assert said.startswith("out from ")
    assert region.at + region.long == span.ticks // SIXTEENTH_TICKS  # the rest is in the next one
    (beyond,) = (
        m for m in hand.layout.spans[number + 1].section.mutes if m.device == region.device
    )
    assert (beyond.voice, beyond.at, beyond.long) == ("", 0, bar // SIXTEENTH_TICKS)
    song.session.store.undo()
    drag(canvas, at, at + QPointF(x_of(song, bar) - x_of(song, 0), 0))
    begins = [(s.bar, m.at) for s in hand.layout.spans for m in s.section.mutes
              if m.device == region.device and not m.voice]  # fmt: skip
    assert (span.bar, region.at) not in begins
    song.session.store.undo()
    marked = next(s for s in hand.layout.spans if s.section.markers)
    marker = marked.section.markers[0]
    tick = marked.tick + marker.at * SIXTEENTH_TICKS
    hand.tick = tick
    canvas.reveal()
    said = drag(canvas, QPointF(x_of(song, tick), 84), QPointF(x_of(song, tick + 2 * bar), 84))
    assert said.startswith(f"{marker.name}: bar ")
    assert hand.layout.song != song.session.store.saved.songs[0]
    song.session.store.undo()
    curved = next(s for s in hand.layout.spans if s.section.curves)
    curve = curved.section.curves[0]
    hand.tick = curved.tick
    canvas.reveal()
    places = canvas.places()
    assert places is not None
    point = curve.points[-1]
    here = places.point_at(curved, curve.device, point)
    assert hover(canvas, here) == Qt.CursorShape.SizeAllCursor
    drag(canvas, here, here + QPointF(0, 8))
    after = hand.layout.span_of(curved.section.id)
    assert after is not None
    assert after.section.curves[0].points[-1].value < point.value
    song.session.store.undo()
    begin = curve.points[0]
    half = curved.tick + (begin.at + point.at) // 2 * SIXTEENTH_TICKS
    value = curve_value(curve, half - curved.tick)
    on_line = places.point_at(
        curved, curve.device, CurvePoint(at=(half - curved.tick) // SIXTEENTH_TICKS, value=value)
    )
    drag(canvas, on_line, on_line + QPointF(0, 10))
    after = hand.layout.span_of(curved.section.id)
    assert after is not None
    assert len(after.section.curves[0].points) == len(curve.points) + 1


def test_a_loop_is_dragged_while_it_plays(performer: Performer, song: SongView) -> None:
    """Those bars over and over, from then on."""
    performer.engine_ready()
    performer.press(K.Key_Space)
    session = performer.frame.session
    performer.wait(lambda: session.running)
    span = song.editor.hand.layout.spans[0]
    bar = span.scene.meter.bar_ticks
    drag(song.song_canvas, QPointF(x_of(song, 10), 50), QPointF(x_of(song, 3 * bar - 10), 50))
    performer.wait(lambda: session.status.loop == (0, 3 * bar))  # type: ignore[union-attr]


def test_curves_are_drawn_with_the_resolution_that_is_sent(song: SongView) -> None:
    """Freehand and as a line; shapes over a section."""
    canvas, hand = song.song_canvas, song.editor.hand
    performer_hand = song.editor.drags
    performer_hand.draw_curves()
    span = hand.layout.spans[3]
    hand.device_id, hand.controller = hand.devices[2].id, 74
    y = middle(canvas, 3, 3).y()
    begin, end = x_of(song, span.tick + 10), x_of(song, span.end - 40)
    said = drag(canvas, QPointF(begin, y + 12), QPointF(end, y - 12))
    made = hand.layout.spans[3].section.curves
    assert [c.controller for c in made if c.device == hand.device_id] == [74]
    assert ": " in said
    hand.tick = span.tick
    for shape in (performer_hand.sine, performer_hand.steps, performer_hand.ramp):
        shape()
    values = [p.value for p in hand.layout.spans[3].section.curves[-1].points]
    assert values[0] < values[-1]
    performer_hand.draw_curves()


def test_loop_by_the_ruler_and_zoom_at_the_pointer(song: SongView) -> None:
    """While nothing plays the stretch is selected; Ctrl and the wheel keep the bar where it is."""
    canvas, hand = song.song_canvas, song.editor.hand
    span = hand.layout.spans[2]
    said = drag(canvas, QPointF(x_of(song, span.tick + 10), 50),
                QPointF(x_of(song, span.end - 10), 50))  # fmt: skip
    assert said.startswith("over and over: bar ")
    x = x_of(song, span.tick)
    wheel(canvas, QPointF(x, 150), 3, CTRL)
    assert canvas.shown > 0
    assert x_of(song, span.tick) == pytest.approx(x, abs=3)
    first = canvas.first
    wheel(canvas, QPointF(x, 150), -2)
    assert canvas.first > first
    assert " pass" in rest(canvas, QPointF(x + 20, 18))


def test_a_drag_at_the_edge_brings_more_into_sight(song: SongView) -> None:
    """Song zoomed in: held at its right edge, the selection grows on."""
    canvas, hand = song.song_canvas, song.editor.hand
    span = hand.layout.spans[1]
    y = middle(canvas, 1, 1).y()
    hand.tick = span.tick
    canvas.zoom(0.1)
    first = canvas.first
    begin = QPointF(x_of(song, span.tick + 10), y)
    drag(canvas, begin, QPointF(canvas.width() - 6, y), drops=False)
    reached = hand.selection[1]
    QTest.qWait(200)
    assert canvas.first > first
    assert hand.selection[1] > reached
    QTest.keyClick(canvas, K.Key_Escape)
    assert not canvas._edge.isActive()
