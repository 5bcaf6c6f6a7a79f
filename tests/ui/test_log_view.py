"""The station Log in the real window: what happened the evening before is there, and said where it
matters."""

from __future__ import annotations

import csv
import re
from pathlib import Path

import pytest
from PyQt6.QtCore import QPointF, Qt
from PyQt6.QtPrintSupport import QPrinter
from PyQt6.QtWidgets import QFileDialog

from grebe.core.gear.model import GearNote
from grebe.core.log.model import BoxCheck, TryRow, stamp
from grebe.ui.stations.log.view import LogView
from grebe.ui.widgets.printing import PagePreview
from tests.app.test_log_book import AT, Evening
from tests.ui.conftest import Performer, fill_in
from tests.ui.hand import K
from tests.waiting import PATIENCE_S


@pytest.fixture
def evening_before(own_folders: Path) -> None:
    """The demo was played yesterday: a hand was late in one place, a box drifted."""
    played = Evening(0, 120.0, 7.0)
    played.play()
    played.close()


def log_view(performer: Performer) -> LogView:
    performer.go(8)
    view = performer.frame.view
    assert isinstance(view, LogView)
    view.moved()
    return view


def test_the_next_day_says_both_unasked(evening_before: None, performer: Performer) -> None:
    """In Rig, where the box is; in Scenes, where the change is; and first of all in Log."""
    session = performer.frame.session
    performer.wait(lambda: any(f.code == "past.drift" for f in session.derived.known().open))
    found = {f.code: f for f in session.derived.known().open if f.code.startswith("past.")}
    assert (found["past.drift"].kind, found["past.drift"].subject) == ("device", "smew")
    change = found["past.change"]
    assert change.kind == "scene"
    assert "ms late in 1 of the last 1" in change.message
    performer.go(1)
    assert any("Smew drifted" in f.message for f in performer.frame.view.listed.findings)  # type: ignore[union-attr]
    performer.go(4)
    assert change in performer.frame.view.listed.findings  # type: ignore[union-attr]
    view = log_view(performer)
    words = view.pages[0].said.text()
    late = re.search(r"came (\d+) ms too late \(1 time\)", words)
    assert late is not None
    assert int(late[1]) >= 120
    assert "Smew drifted by +7.0 ms a minute." in words
    performer.frame.grab()


def test_a_run_is_pointed_at_noted_found_and_forgotten(
    evening_before: None, performer: Performer, monkeypatch: pytest.MonkeyPatch, tmp_path: Path
) -> None:
    view = log_view(performer)
    page, session = view.pages[0], performer.frame.session
    performer.frame.grab()
    place, row = next((p, r) for p, r in page.canvas._places if page.table.item(r, 4) is not None
                      and page.table.item(r, 4).text() == "late")  # type: ignore[union-attr]  # fmt: skip
    page.canvas.pick(QPointF(place))
    assert page.table.currentRow() == row
    assert page.canvas.row == row
    performer.act("down")
    assert page.table.currentRow() == row + 1
    fill_in(view.side.form, "run", "venue", "Boat house")
    fill_in(view.side.form, "run", "warm_c", "24,5")
    fill_in(view.side.form, "run", "warm_c", "hot")
    assert "degrees" in session.notices.last.text  # type: ignore[union-attr]
    assert session.log.settle(PATIENCE_S)
    view.moved()
    view.side.search.setText("boat")
    assert view.model.run is not None
    assert (view.model.run.venue, view.model.run.warm_c) == ("Boat house", 24.5)
    view.side.search.setText("nowhere at all")
    assert view.side.list.count() == 0
    assert page.table.rowCount() == 0
    performer.frame.grab()
    view.side.search.clear()
    view.side.days["since"].setText("tomorrow")
    view.side.days["since"].editingFinished.emit()
    assert "a day goes as" in session.notices.last.text  # type: ignore[union-attr]
    view.side.days["since"].setText("2026-12-24")
    view.side.days["since"].editingFinished.emit()
    assert view.side.list.count() == 0
    view.side.days["since"].clear()
    view.side.days["since"].editingFinished.emit()
    assert view.side.list.count() == 1
    target = tmp_path / "night.csv"
    monkeypatch.setattr(QFileDialog, "getSaveFileName", lambda *_: (str(target), ""))
    performer.act("write_sheet")
    rows = list(csv.reader(target.read_text(encoding="utf-8-sig").splitlines()))
    assert rows[0] == ["Time", "Song", "Kind", "What", "Verdict", "Off"]
    assert len(rows) == page.table.rowCount() + 1
    performer.act("forget_evening")
    assert session.log.settle(PATIENCE_S)
    view.moved()
    assert view.side.list.count() == 0
    assert not view.side.form.isVisible()


def test_boxes_and_changes_over_time(own_folders: Path, performer: Performer) -> None:
    """Each with its drawing, its sentence and its table; PgDn goes on to the next."""
    session = performer.frame.session
    at, zone = stamp(AT)
    for day in range(5):
        when = at + day * 86_400
        session.log.add(
            *(BoxCheck(at=when + n, zone_min=zone, box=box, bpm=100 + 10 * day, offset_ms=5.0 + day)
              for n, box in enumerate(("Knot", "Smew"))),
            TryRow(at=when, zone_min=zone, project="P", song="Low water", before="a", after="b",
                   kind="move", what="mute", verdict="good" if day else "late"),
        )  # fmt: skip
    assert session.log.settle(PATIENCE_S)
    view = log_view(performer)
    performer.press(K.Key_2, Qt.KeyboardModifier.AltModifier)
    assert [view.side.list.item(n).text() for n in range(2)] == ["Smew", "Knot"]  # type: ignore[union-attr]
    performer.act("one_after")
    assert view.model.box_name == "Knot"
    assert view.heading.accessibleName().startswith("Knot")
    assert "later by +0.10 ms for each BPM" in view.pages[1].said.text()
    assert view.pages[1].table.rowCount() == 5
    performer.frame.grab()
    performer.press(K.Key_3, Qt.KeyboardModifier.AltModifier)
    assert view.pages[2].table.rowCount() == 5
    assert "Not sure yet: 80 %" in view.pages[2].said.text()
    performer.frame.grab()
    box = view.side.filters["song"]
    box.setCurrentIndex(box.findData("Low water"))
    box.activated.emit(box.currentIndex())
    assert view.side.list.count() == 1
    performer.act("search_log")
    assert view.side.search.hasFocus()
    session.gear.add(GearNote(id="n1", kind="firmware", gear=("Knot",), text="drops clock at 2.0",
                              firmware="2.1", day="2026-11-30"))  # fmt: skip
    box.setCurrentIndex(0)
    box.activated.emit(0)
    view.side.search.setText("drops knot")
    performer.press(K.Key_Escape)
    performer.act("pane_over_time")
    assert "Noted: 2026-11-30 Knot: drops clock at 2.0" in view.pages[1].said.text()


def test_every_caution_is_on_one_page(performer: Performer) -> None:
    frame = performer.frame
    frame.book.do("cautions")
    page = frame.over.cautions
    words = " ".join(page.list.item(n).text() for n in range(page.list.count()))  # type: ignore[union-attr]
    for caution in ("NIOSH", "Never into an audio input", "qualified technician", "polarity"):
        assert caution in words
    frame.grab()


def test_an_empty_log_says_what_it_is_for(performer: Performer) -> None:
    view = log_view(performer)
    performer.frame.grab()
    assert view.side.list.count() == 0
    assert view.pages[0].table.rowCount() == 0
    performer.act("write_sheet")
    assert "nothing to print" in performer.frame.session.notices.last.text  # type: ignore[union-attr]
    performer.act("forget_evening")
    assert "no run" in performer.frame.session.notices.last.text  # type: ignore[union-attr]


def test_a_sheet_is_seen_as_it_would_be_printed(
    evening_before: None, performer: Performer, monkeypatch: pytest.MonkeyPatch
) -> None:
    """Page by page, in Rig, Song, Set and Log; another time in the same window."""
    seen: list[tuple[str, int]] = []
    shows = PagePreview._paint

    def paint(self: PagePreview, device: QPrinter) -> None:
        shows(self, device)
        seen.append((device.docName(), len(self._html)))

    monkeypatch.setattr(PagePreview, "_paint", paint)
    for station in (1, 5, 6, 8, 8):
        performer.go(station)
        before = len(seen)
        performer.frame.book.do("preview_sheet")
        performer.wait(lambda n=before: len(seen) > n)
    names = [name for name, _ in seen]
    assert [name.partition(":")[0] for name in dict.fromkeys(names)] == [
        "Set-up sheet", "Programme", "Stage sheet", "Harbour bell, 2026-11-28 21",
    ]  # fmt: skip
    assert all(size > 500 for _, size in seen)
