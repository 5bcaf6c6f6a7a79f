"""Boxes whose tracks have patterns of their own, more than there is room to name."""

from __future__ import annotations

from collections.abc import Iterator

import pytest
from msgspec.structs import replace
from PyQt6.QtCore import Qt
from PyQt6.QtTest import QTest
from PyQt6.QtWidgets import QApplication

from grebe.app.document.store import Store
from grebe.bench.tracks import tracks_project
from grebe.ui.main_window.frame import Frame
from grebe.ui.stations.patterns.view import PatternsView
from grebe.ui.widgets.pattern_strip import MOST_ROWS, ROW
from tests.ui.conftest import Performer, end_engine


@pytest.fixture
def many(qapp: QApplication, own_folders: object) -> Iterator[Performer]:
    """A performer at six boxes of sixteen tracks with ten patterns each."""
    frame = Frame(Store(tracks_project(6, 16, 10)), first=lambda _: 3)
    frame.session.link.state = "off"
    frame.resize(1280, 800)
    frame.show()
    frame.activateWindow()
    QTest.qWaitForWindowExposed(frame)
    frame.on_timer()
    yield Performer(frame)
    frame.leave()
    end_engine()


def _patterns(performer: Performer) -> PatternsView:
    view = performer.frame.views[3]
    assert isinstance(view, PatternsView)
    return view


def test_a_box_of_tracks_opens_on_what_its_tracks_have(many: Performer) -> None:
    """Not as if it had none: a hit is written at once, on the first track."""
    hand = _patterns(many).editor.hand
    assert hand.pattern_id == "p0-0"
    assert not hand.bare
    before = len(hand.content.voices[0].hits)
    many.press(Qt.Key.Key_X)
    assert len(hand.content.voices[0].hits) == before - 1


def test_every_box_is_named_in_the_strip(many: Performer) -> None:
    """Tracks of the box in hand each, other boxes as one name, that leads to them."""
    strip = _patterns(many).strip
    words = list(strip.cells.table.rows())
    assert {f"B0 T{n} 10" for n in range(1, 16)} < set(words)
    assert [w for w in words if w.startswith(("B1", "B5"))] == ["B1 160", "B5 160"]
    assert all(word.box.bottom() <= MOST_ROWS * ROW for word in strip._words)
    strip.cells.table.take(words.index("B5 160"), 0)
    device = _patterns(many).editor.hand.device
    assert device is not None
    assert device.id == "b5/t0"


def test_the_first_pattern_is_a_tracks(many: Performer) -> None:
    """N on a box whose tracks have none yet makes one for its first track, not for nobody."""
    store, session = many.frame.session.store, many.frame.session
    bare = replace(
        session.project, songs=(), scenes=(),
        patterns=tuple(p for p in session.project.patterns if not p.device.startswith("b2/")),
    )  # fmt: skip
    store.apply("Empty", lambda _: bare)
    session.selection.box = "b2"
    many.go(1)
    many.go(3)
    many.press(Qt.Key.Key_N)
    assert [p.device for p in session.project.patterns if p.device.startswith("b2")] == ["b2/t0"]
