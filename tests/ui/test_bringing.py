"""Brought in: MIDI files by a page or dropped, things out of another project, whatever is let go of
over the window."""

from __future__ import annotations

from pathlib import Path
from threading import Event

import mido
import pytest
from PyQt6.QtCore import QMimeData, QPointF, Qt, QUrl
from PyQt6.QtGui import QDragEnterEvent, QDropEvent
from PyQt6.QtTest import QTest
from PyQt6.QtWidgets import QApplication, QComboBox, QFileDialog

from grebe.app.document.arrivals import rows_of
from grebe.app.document.demo import copy_demo
from grebe.app.editors import bringing
from grebe.core.beginning import begin
from grebe.core.document import Project
from grebe.core.rig.model import Device
from grebe.formats.profiles import export_profile, shipped_profiles
from grebe.formats.project import write_project
from grebe.ui.main_window.bringing_page import BARS, BOX, FIRST, GRID, HEAR, KEY, STRICTLY
from grebe.ui.widgets.controls import Button
from grebe.ui.widgets.fields import NumberField
from tests.ui.conftest import Performer
from tests.ui.hand import K
from tests.waiting import PATIENCE_S


def midi_file(path: Path, *tracks: tuple[str, int, tuple[int, ...]]) -> Path:
    """A file of tracks: name, channel from 1, notes a quarter each."""
    file = mido.MidiFile(ticks_per_beat=480)
    for name, channel, notes in tracks:
        track = mido.MidiTrack([mido.MetaMessage("track_name", name=name)])
        for note in notes:
            track.append(mido.Message("note_on", note=note, channel=channel - 1, velocity=90))
            track.append(mido.Message("note_off", note=note, channel=channel - 1, time=480))
        file.tracks.append(track)
    file.save(path)
    return path


def drop(performer: Performer, *paths: Path) -> bool:
    """Let go of files over the window; whether it would have them."""
    data = QMimeData()
    data.setUrls([QUrl.fromLocalFile(str(p)) for p in paths])
    frame = performer.frame
    at, action = QPointF(400, 400), Qt.DropAction.CopyAction
    button, none = Qt.MouseButton.LeftButton, Qt.KeyboardModifier.NoModifier
    enter = QDragEnterEvent(at.toPoint(), action, data, button, none)
    enter.ignore()
    QApplication.sendEvent(frame, enter)
    if not enter.isAccepted():
        return False
    QApplication.sendEvent(frame, QDropEvent(at, action, data, button, none))
    return True


def said(performer: Performer) -> str:
    notice = performer.frame.session.notices.last
    return notice.text if notice is not None else ""


def test_a_folder_of_midi_files_into_patterns(
    performer: Performer, monkeypatch: pytest.MonkeyPatch, tmp_path: Path
) -> None:
    """A row each; box, bars and key can be changed; what is not ticked stays out."""
    midi_file(tmp_path / "beat.mid", ("Drums", 10, (36, 38, 36, 38)))
    midi_file(tmp_path / "line.mid", ("Bass", 1, (38, 41, 45, 38)))
    midi_file(tmp_path / "more.mid", ("Bass", 1, (38, 38, 38, 38)))
    (tmp_path / "broken.mid").write_bytes(b"MThd nothing")
    monkeypatch.setattr(QFileDialog, "getExistingDirectory", lambda *_: str(tmp_path))
    frame = performer.frame
    before = frame.session.project
    performer.go(3)
    performer.act("import_folder")
    page = frame.over.bringing
    performer.wait(lambda: not page.bringing.progress)
    assert page.isVisible()
    assert page.table.rowCount() == 3
    assert "broken.mid" in page.said.text()
    assert not page.song.isVisible()
    third = page.table.item(2, 0)
    assert third is not None
    third.setCheckState(Qt.CheckState.Unchecked)
    assert "2 of 3 are taken" in page.said.text()
    bars = page.table.cellWidget(1, BARS)
    assert isinstance(bars, NumberField)
    bars.entered.emit("999")
    assert page.bringing.rows[1].bars == 1
    bars.entered.emit("2")
    key = page.table.cellWidget(1, KEY)
    assert isinstance(key, QComboBox)
    key.setCurrentText("D minor")
    key.activated.emit(key.currentIndex())
    QTest.mouseClick(page.patterns, Qt.MouseButton.LeftButton)
    assert not page.isVisible()
    new = frame.session.project.patterns[len(before.patterns) :]
    assert [p.name for p in new] == ["beat", "line"]
    assert new[1].content.key == "D minor"
    kinds = {d.id: d.kind for d in frame.session.project.rig.devices}
    assert [kinds[p.device] for p in new] == ["drums", "bass"]
    assert frame.session.project.rig == before.rig
    performer.act("undo")
    assert frame.session.project == before


def test_a_file_of_several_tracks_into_a_song(
    performer: Performer, monkeypatch: pytest.MonkeyPatch, tmp_path: Path
) -> None:
    path = midi_file(
        tmp_path / "gale.mid", ("Kit", 10, (36, 38) * 8), ("Reed", 2, (72, 74, 76, 77) * 4)
    )
    monkeypatch.setattr(QFileDialog, "getOpenFileNames", lambda *_: ([str(path)], ""))
    frame = performer.frame
    frame.book.do("bring_midi")
    page = frame.over.bringing
    performer.wait(lambda: not page.bringing.progress)
    assert page.song.isVisible()
    box = page.table.cellWidget(1, BOX)
    assert isinstance(box, QComboBox)
    box.setCurrentIndex(0)
    box.activated.emit(0)
    QTest.mouseClick(page.song, Qt.MouseButton.LeftButton)
    song = frame.session.song
    assert song is not None
    assert song.name == "gale"
    assert frame.session.project.rig.devices[-1].name == "Reed"
    assert "gale is a song of 2 tracks" in said(performer)
    for at in range(2):
        item = page.table.item(at, 0)
        assert item is not None
        item.setCheckState(Qt.CheckState.Unchecked)
    QTest.mouseClick(page.patterns, Qt.MouseButton.LeftButton)
    assert "nothing of it is ticked" in page.said.text()


def test_how_a_track_is_taken_and_what_it_would_sound_like(
    performer: Performer, monkeypatch: pytest.MonkeyPatch, tmp_path: Path
) -> None:
    """From a bar on, on a grid, so strictly; heard before on its box, and stopped with the page."""
    path = midi_file(tmp_path / "gale.mid", ("Kit", 10, (36, 38) * 8), ("Reed", 2, (40,) * 16))
    monkeypatch.setattr(QFileDialog, "getOpenFileNames", lambda *_: ([str(path)], ""))
    frame = performer.frame
    frame.book.do("bring_midi")
    page = frame.over.bringing
    performer.wait(lambda: not page.bringing.progress)
    assert "gale: 4/4" in page.said.text()
    item = page.table.item(0, 2)
    assert item is not None
    assert item.text() == "16 notes, ch 10"
    row = page.bringing.rows[0]
    for column, text, wrong in ((FIRST, "3", "0"), (BARS, "2", "x"), (STRICTLY, "100", "101")):
        field = page.table.cellWidget(0, column)
        assert isinstance(field, NumberField)
        field.entered.emit(text)
        field.entered.emit(wrong)
    grid = page.table.cellWidget(0, GRID)
    assert isinstance(grid, QComboBox)
    grid.setCurrentText("1/8t")
    grid.activated.emit(grid.currentIndex())
    assert (row.first_bar, row.bars, row.strictly, row.grid) == (3, 2, 100, "1/8t")
    hear = page.table.cellWidget(0, HEAR)
    assert isinstance(hear, Button)
    hear.click()
    assert "Nothing can be heard without an engine." in page.said.text()
    performer.engine_ready()
    played: list[tuple[str, int]] = []
    hands = frame.session.hands
    was = hands.audition

    def listens(device: Device, note: int, channel: int | None, velocity: int = 100) -> None:
        played.append((device.id, note))
        was(device, note, channel, velocity)

    monkeypatch.setattr(hands, "audition", listens)
    hear.click()
    assert page.preview.plays
    performer.wait(lambda: len(played) >= 3)
    assert played[:3] == [("smew", 36), ("smew", 38), ("smew", 36)]
    hear.click()
    assert not page.preview.plays
    hear.click()
    performer.press(K.Key_Escape)
    assert not page.preview.plays
    QTest.mouseClick(page.patterns, Qt.MouseButton.LeftButton)
    made = next(p for p in frame.session.project.patterns if p.name == "Kit")
    assert {h.shift_permille for v in made.content.voices for h in v.hits} == {0}


def test_out_of_another_project(
    performer: Performer, monkeypatch: pytest.MonkeyPatch, tmp_path: Path
) -> None:
    """Ticked in a tree; what comes along and which box is which is said before."""
    frame = performer.frame
    copy_demo(tmp_path / "other.grebe")
    monkeypatch.setattr(
        QFileDialog, "getOpenFileName", lambda *_: (str(tmp_path / "other.grebe"), "")
    )
    before = frame.session.project
    frame.book.do("take_from")
    page = frame.over.taking
    assert page.said.text() == "Nothing is ticked."
    assert not page.take.isEnabled()
    songs = page.tree.topLevelItem(0)
    assert songs is not None
    song = songs.child(0)
    assert song is not None
    song.setCheckState(0, Qt.CheckState.Checked)
    assert "1 song" in page.said.text()
    assert "is your" in page.said.text()
    boxes = page.boxes["smew"]
    boxes.setCurrentIndex(0)
    boxes.activated.emit(0)
    assert "1 box," in page.said.text()
    QTest.mouseClick(page.take, Qt.MouseButton.LeftButton)
    project = frame.session.project
    assert len(project.songs) == len(before.songs) + 1
    assert len(project.rig.devices) == len(before.rig.devices) + 1
    performer.act("undo")
    assert frame.session.project == before
    (tmp_path / "other.grebe").write_text("x")
    frame.book.do("take_from")
    assert "other.grebe" in page.said.text()


def test_files_dropped_anywhere(
    performer: Performer, monkeypatch: pytest.MonkeyPatch, tmp_path: Path
) -> None:
    """A project is opened, a profile taken, MIDI shown, audio imported, anything else refused."""
    frame = performer.frame
    opened: list[object] = []
    monkeypatch.setattr(frame.files, "_replace", lambda found: opened.append(found.store.path))
    monkeypatch.setattr(frame.documents, "may_leave", lambda: True)
    own = tmp_path / "own.grebe"
    write_project(own, begin("Own", ()))
    for number in frame.views:
        frame.show_station(number)
        assert drop(performer, own)
    assert opened == [own] * len(frame.views)
    performer.go(1)
    profile = next(iter(shipped_profiles()))
    export_profile(tmp_path / "kind.json", profile)
    assert drop(performer, tmp_path / "kind.json")
    assert "is a profile of yours now" in said(performer)
    assert drop(performer, midi_file(tmp_path / "a.mid", ("Kit", 10, (36,))))
    assert frame.over.bringing.isVisible()
    assert drop(performer, tmp_path / "missing.wav")
    assert "missing.wav" in said(performer)
    (tmp_path / "notes.txt").write_text("x")
    assert drop(performer, tmp_path / "notes.txt")
    assert "nothing that can be brought in here" in said(performer)
    data = QMimeData()
    data.setText("words")
    enter = QDragEnterEvent(
        QPointF(5, 5).toPoint(), Qt.DropAction.CopyAction, data, Qt.MouseButton.LeftButton,
        Qt.KeyboardModifier.NoModifier,
    )  # fmt: skip
    enter.ignore()
    QApplication.sendEvent(frame, enter)
    assert not enter.isAccepted()


def test_reading_says_how_far_it_is_and_esc_stops_it(
    performer: Performer, monkeypatch: pytest.MonkeyPatch, tmp_path: Path
) -> None:
    """What was read stays, the page too; the window goes on meanwhile. The second Esc closes."""
    gate, reading = Event(), Event()

    def slowly(project: Project, path: Path) -> object:
        if path.name == "b.mid":
            reading.set()
            assert gate.wait(PATIENCE_S)
        return rows_of(project, path)

    monkeypatch.setattr(bringing, "rows_of", slowly)
    files = [midi_file(tmp_path / f"{name}.mid", ("Kit", 10, (36, 38))) for name in "abc"]
    frame = performer.frame
    frame.bringing.bring_in([str(path) for path in files])
    page = frame.over.bringing
    performer.wait(reading.is_set)
    performer.wait(lambda: "Reading 2 of 3: b.mid" in page.said.text())
    assert not page.patterns.isEnabled()
    performer.press(K.Key_Escape)
    gate.set()
    assert page.isVisible()
    assert page.table.rowCount() == 1
    assert page.patterns.isEnabled()
    assert "1 of 1 are taken" in page.said.text()
    performer.press(K.Key_Escape)
    assert not page.isVisible()
