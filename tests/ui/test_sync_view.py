"""The Sync station: strips, figures, and the offset that mends a box."""

from __future__ import annotations

from functools import partial
from pathlib import Path

import msgspec
import pytest
from PyQt6.QtCore import QPoint, Qt
from PyQt6.QtTest import QTest
from PyQt6.QtWidgets import QFileDialog

from grebe.core.document import with_song
from grebe.core.rig.model import GREBE_ID
from grebe.core.songs.edit import set_tempo
from grebe.core.time.ticks import TICKS_PER_QUARTER
from grebe.protocols.link.messages import Deviation, DeviceStatus, Status
from grebe.ui.stations.sync.view import SyncView
from tests.ui.conftest import Performer
from tests.ui.hand import CTRL, K
from tests.waiting import PATIENCE_S


def sync_view(performer: Performer) -> SyncView:
    performer.press(K.Key_2, CTRL)
    view = performer.frame.view
    assert isinstance(view, SyncView)
    return view


def beats(performer: Performer, device: str, ms: list[float]) -> None:
    """Put beats where the engine's would stand."""
    performer.frame.session.position.deviations[device] = [  # type: ignore[assignment]
        Deviation(device=device, tick=n * TICKS_PER_QUARTER, ms=late) for n, late in enumerate(ms)
    ]


def words(view: SyncView) -> str:
    return view.facts.accessibleName()


def test_the_offset_that_mends_a_box_is_set_with_one_key(performer: Performer) -> None:
    """Chosen by arrow, said in the sheet, set with Enter, undone with Ctrl+Z."""
    view = sync_view(performer)
    beats(performer, "smew", [0.2] * 20)
    beats(performer, "dunlin", [3.4] * 20)
    view.moved()
    assert "1 of 2 are good" in view.heading.accessibleName()
    for _ in range(3):
        performer.press(K.Key_Down)
    assert view.strips.selected == "dunlin"
    assert "Enter sets it to -3.4 ms" in words(view)
    performer.frame.grab()
    performer.act("set_offset")
    rig = performer.frame.session.project.rig
    assert rig.device("dunlin").offset_ms == -3.4
    performer.press(K.Key_Z, CTRL)
    assert performer.frame.session.project.rig.device("dunlin").offset_ms == 0
    performer.press(K.Key_Up)
    performer.press(K.Key_Up)
    performer.act("set_offset")
    assert "needs no other offset" in performer.frame.session.notices.last.text  # type: ignore[union-attr]


def test_drift_and_lost_ports_are_said(performer: Performer) -> None:
    """No number is offered for drift; a port that is gone stands in its row."""
    view = sync_view(performer)
    beats(performer, "smew", [n * 0.4 for n in range(40)])
    view.select("smew")
    assert "No one number mends drift" in words(view)
    performer.frame.session.position.status = Status(
        at_ns=0, running=True, bpm=126, devices=(DeviceStatus(id="knot", port="gone", sent=4),)
    )
    performer.frame.grab()
    box = next(b for b, d in view.strips._rows if d == "knot")
    QTest.mouseClick(
        view.strips.surface, Qt.MouseButton.LeftButton, pos=QPoint(20, round(box.center().y()))
    )
    assert view.strips.selected == "knot"


def test_what_grebe_follows_is_shown(performer: Performer) -> None:
    """Tempo, waver and distance of the box that leads; lost and silent are said."""
    view = sync_view(performer)
    session = performer.frame.session
    followed = Status(
        at_ns=0, running=True, bpm=126, follows="dunlin", hearing="clock",
        heard_bpm=125.98, heard_jitter_ms=0.8, heard_off_ms=-0.3,
    )  # fmt: skip
    session.position.status = followed
    view.moved()
    assert "125.98 BPM" in words(view)
    assert "follows Dunlin" in performer.frame.waterline._led_by()
    session.position.status = msgspec.structs.replace(followed, hearing="held")
    view.moved()
    assert "its last tempo is held" in words(view)
    assert "holds Dunlin's tempo" in performer.frame.waterline._led_by()
    session.position.status = msgspec.structs.replace(followed, hearing="none")
    view.moved()
    assert "Nothing is heard of Dunlin's clock" in words(view)
    assert "waits for Dunlin" in performer.frame.waterline._led_by()
    assert session.project.rig.leader == GREBE_ID


def test_a_push_lasts_as_long_as_its_key(performer: Performer) -> None:
    """F8 pushes ahead, F7 holds back, letting go lets go; F5 and F6 move the tempo."""
    frame = performer.frame
    target = frame.view
    QTest.keyPress(target, K.Key_F8)
    assert frame.session.tempo.pushed == 4.0
    frame.grab()
    QTest.keyRelease(target, K.Key_F8)
    assert frame.session.tempo.pushed == 0.0
    QTest.keyPress(target, K.Key_F7)
    assert frame.session.tempo.pushed == -4.0
    QTest.keyRelease(target, K.Key_F7)
    before = frame.session.song.bpm  # type: ignore[union-attr]
    performer.press(K.Key_F6)
    performer.press(K.Key_F5, Qt.KeyboardModifier.ShiftModifier)
    assert frame.session.song.bpm == before + 0.9  # type: ignore[union-attr]


def test_a_tempo_is_typed(performer: Performer) -> None:
    """Ctrl+Shift+T from anywhere, the number, Enter: the song has it; Esc leaves the field."""
    performer.frame.grab()
    performer.press(K.Key_T, CTRL, Qt.KeyboardModifier.ShiftModifier)
    view = performer.frame.view
    assert isinstance(view, SyncView)
    assert view.tempo.bpm.hasFocus()
    QTest.keyClicks(view.tempo.bpm, "131.5")
    performer.act("set_offset")
    song = performer.frame.session.song
    assert song is not None
    assert song.bpm == 131.5
    assert view.strips.hasFocus()
    performer.press(K.Key_T, CTRL, Qt.KeyboardModifier.ShiftModifier)
    performer.press(K.Key_Escape)
    assert view.strips.hasFocus()


@pytest.mark.alone
@pytest.mark.real_time("milliseconds of a stand-in beside those of the host")
def test_the_guided_check_finds_and_mends_a_late_box(performer: Performer) -> None:
    """Dunlin of the demo: what to do, how far, verdict; Enter sets, C checks again."""
    view = sync_view(performer)
    session = performer.frame.session
    song = session.song
    assert song is not None
    quick = partial(set_tempo, bpm=240.0)  # half the time that the demo's bars take
    session.store.apply("Quicker", lambda p: with_song(p, song.id, quick))
    performer.engine_ready()
    session.checking.check.bars = 4
    for _ in range(3):
        performer.press(K.Key_Down)
    assert view.strips.selected == "dunlin"
    assert "L checks it" in words(view)
    performer.act("check")
    performer.wait(lambda: "Listening" in words(view) and session.running)
    performer.wait(lambda: "dunlin" in session.checking.check.results)
    assert session.status is not None
    view.moved()
    first = session.checking.check.results["dunlin"]
    assert first.measured.verdict == "adjust", first
    assert "Enter sets it to" in words(view)
    assert "of air" in words(view)
    performer.act("set_offset")
    assert session.project.rig.device("dunlin").offset_ms == first.set_ms
    performer.wait(lambda: not session.status.held)  # type: ignore[union-attr]
    QTest.qWait(600)  # the offset moves there by 20 ms a second
    performer.act("check")
    performer.wait(lambda: session.checking.check.results["dunlin"].before is not None)
    view.moved()
    assert session.checking.check.results["dunlin"].measured.verdict == "good"
    assert ", was +" in words(view)
    assert performer.frame.session.log.settle(PATIENCE_S)
    log = performer.frame.session.log.read()
    assert log is not None
    assert "Dunlin" in [row.box for row in log.checks()]


def test_a_check_is_given_up_and_what_cannot_be_heard_is_said(performer: Performer) -> None:
    """Esc ends it and keeps nothing; a box without an input says where to set one."""
    view = sync_view(performer)
    session = performer.frame.session
    performer.engine_ready()
    performer.act("check_all")
    performer.wait(lambda: session.checking.check.active and session.running)
    assert set(session.checking.check.devices) == {
        "smew",
        "knot",
        "scaup",
        "dunlin",
        "avocet",
    }
    performer.press(K.Key_Escape)
    assert not session.checking.check.active
    assert session.checking.check.results == {}
    view.select("gadwall")
    performer.act("check")
    assert "Nothing of Gadwall reaches Grebe" in session.notices.last.text  # type: ignore[union-attr]
    view.select("smew")
    performer.act("check_notes")
    assert session.checking.check.devices == {"smew": "notes"}
    performer.press(K.Key_Escape)


def test_a_recording_is_measured(
    performer: Performer, monkeypatch: pytest.MonkeyPatch, tmp_path: Path
) -> None:
    """By the command in a process of its own; what is no recording is said."""
    view = sync_view(performer)
    path = tmp_path / "take.csv"
    rows = [f"Smew,{n / 2}" for n in range(40)] + [f"Knot,{n / 2 + 0.004}" for n in range(40)]
    path.write_text("\n".join(rows))
    monkeypatch.setattr(QFileDialog, "getOpenFileName", lambda *_: (str(path), ""))
    performer.act("measure_file")
    performer.wait(lambda: "Knot: It is 4.0 ms late" in words(view))
    assert "120.00 BPM" in words(view)
    performer.press(K.Key_Escape)
    assert "Knot: It is" not in words(view)
    path.write_text("nothing")
    performer.act("measure_file")
    performer.wait(
        lambda: (
            performer.frame.session.notices.last
            and "is not source,seconds" in performer.frame.session.notices.last.text
        ),
        20,
    )


def test_recordings_and_midi_logs_have_strips_of_their_own(
    performer: Performer, monkeypatch: pytest.MonkeyPatch, tmp_path: Path
) -> None:
    """Below the boxes, the last two; of a log of clock ticks the tempo is that of the clock. They
    can be chosen and looked through as boxes are, and set nothing."""
    view = sync_view(performer)
    boxes = len(view.strips.devices)
    for number, (apart, late) in enumerate(((0.5, 0.004), (60 / 120 / 24, 0.003))):
        path = tmp_path / f"take {number}.csv"
        rows = [f"Smew,{n * apart}" for n in range(100)]
        rows += [f"Knot,{n * apart + late}" for n in range(100)]
        path.write_text("\n".join(rows))
        monkeypatch.setattr(QFileDialog, "getOpenFileName", lambda *_, p=path: (str(p), ""))
        performer.act("measure_file")
        name = f"take {number}.csv: Knot"
        performer.wait(lambda name=name: name in view.strips.recorded, 60)
        assert "120.00 BPM" in words(view)
    assert [d.name for d in view.strips.devices[boxes:]] == ["take 0.csv: Knot", name]
    strip = view.strips.devices[-1]
    assert view.strips.judged(strip).offset_ms == pytest.approx(3.0, abs=0.01)
    assert view.strips.judged(strip).verdict == "late"
    performer.press(K.Key_Up)
    assert view.strips.selected == strip.id
    performer.frame.grab()
    before = performer.frame.session.project
    performer.act("set_offset")
    assert performer.frame.session.project is before
