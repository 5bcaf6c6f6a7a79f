"""Boxes that no profile knows, charts, and files of profiles, in the Rig."""

from __future__ import annotations

from pathlib import Path

import msgspec
import pytest
from PyQt6.QtCore import Qt
from PyQt6.QtTest import QTest
from PyQt6.QtWidgets import QApplication, QCheckBox, QFileDialog

from grebe.formats.profiles import known_profiles, read_profile, write_profile
from grebe.process.places import own_profiles_dir
from grebe.ui.stations.rig.view import RigView
from tests.ui.conftest import Performer, fill_in
from tests.ui.hand import K

CHART = "Voice\tNote\nKick\t36\nSnare\t38\nClap\t36"


def rig(performer: Performer) -> RigView:
    performer.go(1)
    view = performer.frame.views[1]
    assert isinstance(view, RigView)
    return view


def test_a_box_that_is_not_in_the_list(performer: Performer) -> None:
    """From N to a box in the rig with sockets, chart and what is guessed; skipped what is not
    known; and it is a profile from then on."""
    view = rig(performer)
    performer.act("add_box")
    view.side.add_page.unknown.emit()
    page = view.profiles.blank_page
    assert view.side.pages.currentWidget() is page
    fill_in(page.form, "what", "name", "Otter")
    fill_in(page.form, "what", "kind", "drums")
    fill_in(page.form, "sockets", "channel", "44")
    said = page.form._said[("sockets", "channel")]
    assert "from 1 to 16" in said.text()
    fill_in(page.form, "sockets", "channel", "12")
    ticks = page.form.fields[("sockets", "sockets")].findChildren(QCheckBox)
    for tick in ticks:
        if tick.text() in ("MIDI in", "MIDI thru"):
            tick.click()
            ticks = page.form.fields[("sockets", "sockets")].findChildren(QCheckBox)
    page.voices.setPlainText(CHART)
    assert "2 voices understood." in page.said.text()
    assert "note 36 stands there already" in page.said.text()
    assert "whether it obeys clock" in page.said.text()
    QTest.mouseClick(page.done, Qt.MouseButton.LeftButton)
    device = view.editor.hand.device
    assert device is not None
    assert (device.name, device.kind, device.channel) == ("Otter", "drums", 12)
    assert "channel" not in device.spec.guessed
    assert any("Guessed" in line.words for line in view.profiles.lines(device))
    assert any(p.id == "otter" for p in known_profiles(own_profiles_dir())[0])
    performer.frame.book.do("said_right")
    assert view.editor.hand.device.spec.guessed == ()  # type: ignore[union-attr]
    performer.frame.book.do("said_right")
    notice = performer.frame.session.notices.last
    assert notice is not None
    assert "nothing of it is guessed" in notice.text
    performer.act("undo")
    assert view.editor.hand.device.spec.guessed  # type: ignore[union-attr]


def test_a_chart_is_pasted(performer: Performer) -> None:
    view = rig(performer)
    view.select("knot")
    clipboard = QApplication.clipboard()
    assert clipboard is not None
    clipboard.setText("Cutoff CC#74\nDrive CC#75\nDrive again CC#75")
    performer.frame.book.do("paste_chart")
    page = view.profiles.chart_page
    assert page.said.text() == "2 understood, 1 marked."
    assert page.rows.count() == 3
    page.kind.setCurrentIndex(1)
    page.text.setPlainText("Kick\tC1")
    page.middle.setCurrentText("middle C is C3")
    assert page.rows.item(0).text() == "36   Kick"  # type: ignore[union-attr]
    page.kind.setCurrentIndex(0)
    page.text.setPlainText("Cutoff CC#74")
    QTest.mouseClick(page.done, Qt.MouseButton.LeftButton)
    device = view.editor.hand.device
    assert device is not None
    assert [c.number for c in device.spec.controllers] == [74]
    performer.act("undo")


def test_an_improved_profile_is_told_and_taken(performer: Performer) -> None:
    view = rig(performer)
    profile = known_profiles(own_profiles_dir())[0][0]
    view.side._add_box(profile, "Mine")
    write_profile(
        own_profiles_dir(),
        msgspec.structs.replace(
            profile, spec=msgspec.structs.replace(profile.spec, latency_ms=7.5)
        ),
    )
    performer.go(2)
    performer.go(1)
    notice = performer.frame.session.notices.last
    assert notice is not None
    assert "The profile of Mine was improved" in notice.text
    performer.frame.book.do("compare_profile")
    page = view.profiles.compare_page
    assert page.list.count() == 1
    QTest.mouseClick(page.done, Qt.MouseButton.LeftButton)
    device = view.editor.hand.device
    assert device is not None
    assert device.spec.latency_ms == 7.5
    assert view.profiles.lines(device) == []
    performer.frame.book.do("compare_profile")
    assert page.list.count() == 0
    performer.press(K.Key_Escape)
    assert view.side.pages.currentWidget() is view.side.device_page


def test_profiles_as_files(
    performer: Performer, monkeypatch: pytest.MonkeyPatch, tmp_path: Path
) -> None:
    view = rig(performer)
    view.select("smew")
    path = tmp_path / "given.json"
    monkeypatch.setattr(QFileDialog, "getSaveFileName", lambda *_: (str(path.with_suffix("")), ""))
    performer.frame.book.do("write_profile")
    assert read_profile(path).name == "Smew"
    monkeypatch.setattr(QFileDialog, "getOpenFileName", lambda *_: (str(path), ""))
    performer.frame.book.do("read_profile")
    assert any(p.id == "smew" for p in known_profiles(own_profiles_dir())[0])
    path.write_text("{}")
    performer.frame.book.do("read_profile")
    notice = performer.frame.session.notices.last
    assert notice is not None
    assert "grebe-profile" in notice.text
