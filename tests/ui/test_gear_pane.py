"""What one knows of gear, in Rig: written down, found under the drawing, taken out, to a file."""

from __future__ import annotations

from datetime import datetime
from pathlib import Path

import pytest
from PyQt6.QtCore import Qt
from PyQt6.QtTest import QTest

from grebe.app.live.sound_check import Result
from grebe.core.sync.measured import Measured
from grebe.ui.stations.rig.gear import GearPane
from grebe.ui.stations.rig.view import RigView
from tests.ui.conftest import Performer


def pane(performer: Performer, box: str = "smew") -> GearPane:
    view = performer.frame.views[1]
    assert isinstance(view, RigView)
    view.select(box)
    performer.act("pane_gear")
    return view.panes.gear


def lines(gear: GearPane) -> list[str]:
    items = [item for n in range(gear.list.count()) if (item := gear.list.item(n))]
    return [item.text() for item in items if item.data(Qt.ItemDataRole.UserRole)]


def codes(performer: Performer) -> list[str]:
    return [f.code for f in performer.frame.session.derived.findings()]


def test_a_note_is_typed_and_found(performer: Performer) -> None:
    """By keys alone: Enter writes it down, on the box in hand with another."""
    gear = pane(performer)
    performer.act("note_gear")
    assert gear.text.hasFocus()
    gear.kind.show_choice([], "fails")
    gear.other.show_choice([], "grebe")
    QTest.keyClicks(gear.text, "its clock stumbles over USB")
    QTest.keyClick(gear.text, Qt.Key.Key_Return)
    assert gear.text.text() == ""
    assert ["fails  Smew + Grebe: its clock stumbles over USB" in n for n in lines(gear)] == [True]
    assert "rig.known-fails" in codes(performer)


def test_a_try_overtakes_it_and_a_note_goes_and_comes_back(performer: Performer) -> None:
    gear = pane(performer)
    QTest.keyClicks(gear.text, "hisses")
    gear.write.click()
    assert "rig.known" in codes(performer)
    gear.list.setCurrentRow(0)
    performer.find("Take out the note chosen")
    assert lines(gear) == []
    assert "rig.known" not in codes(performer)
    performer.find("Bring back the last note")
    assert len(lines(gear)) == 1


def test_nothing_is_written_of_nothing(performer: Performer) -> None:
    """No text, no box, too long: said, and nothing is kept."""
    gear = pane(performer)
    gear.write.click()
    gear.text.setText("x" * 700)
    gear.write.click()
    assert "600 letters" in performer.frame.session.notices.last.text  # type: ignore[union-attr]
    performer.find("Take out the note chosen")
    assert performer.frame.session.gear.library.notes == ()


def test_to_a_file_and_back(
    performer: Performer, tmp_path: Path, monkeypatch: pytest.MonkeyPatch
) -> None:
    gear = pane(performer)
    QTest.keyClicks(gear.text, "hisses")
    gear.write.click()
    path = tmp_path / "gear.json"
    monkeypatch.setattr("grebe.ui.stations.rig.gear.ask_save", lambda *_: path)
    monkeypatch.setattr("grebe.ui.stations.rig.gear.ask_open", lambda *_: path)
    performer.find("Write what you know of gear to a file")
    gear.list.setCurrentRow(0)
    performer.find("Take out the note chosen")
    performer.find("Read what somebody knows of gear")
    assert len(lines(gear)) == 1
    path.write_text("{")
    performer.find("Read what somebody knows of gear")
    assert "is not notes on gear" in performer.frame.session.notices.last.text  # type: ignore[union-attr]


def test_a_check_is_written_down_as_a_try(performer: Performer) -> None:
    """With what was measured beside it; before there is one it is said."""
    performer.go(2)
    session = performer.frame.session
    performer.find("Write its check down as a try")
    assert "not been checked" in session.notices.last.text  # type: ignore[union-attr]
    selected = performer.frame.views[2].strips.selected  # type: ignore[attr-defined]
    measured = Measured(verdict="good", sentence="It is on the beat.", confidence=1.0, events=64)
    session.checking.check.results[selected] = Result(
        at=datetime(2026, 5, 1, 20), bpm=126.0, heed="beats", offset_ms=-3.0, measured=measured
    )
    performer.find("Write its check down as a try")
    (entry,) = session.gear.library.trials
    assert (entry.outcome, entry.day, entry.measured) == ("works", "2026-05-01", measured)
    assert "126 BPM, offset -3 ms" in entry.what
