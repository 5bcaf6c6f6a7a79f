"""The probe in the window: a stand-in probed by keys and by mouse, what was found taken over."""

from __future__ import annotations

from collections.abc import Iterator

import msgspec
import pytest
from PyQt6.QtCore import QPoint, Qt
from PyQt6.QtTest import QTest

from grebe.app.probing import ProbeRun
from grebe.core.document import with_device
from grebe.core.probe.procedure import STAGES
from grebe.core.rig.model import Faults
from grebe.ui.stations.sync.view import PROBE, SyncView
from tests.ui.conftest import Performer
from tests.ui.hand import K


@pytest.fixture
def view(performer: Performer, monkeypatch: pytest.MonkeyPatch) -> Iterator[SyncView]:
    """Sync with Smew in hand, its stand-in so late that the probe has something to find."""
    monkeypatch.setattr("grebe.app.probing.STANDIN_SPEED", 300.0)
    performer.go(2)
    shown = performer.frame.view
    assert isinstance(shown, SyncView)
    performer.frame.session.store.apply(
        "Late",
        lambda p: with_device(
            p, "smew", lambda d: msgspec.structs.replace(d, faults=Faults(latency_ms=12.0))
        ),
    )
    shown.select("smew")
    yield shown
    performer.frame.session.probings.stop()


def run_of(view: SyncView) -> ProbeRun:
    assert view.probe.run is not None
    return view.probe.run


def said(view: SyncView) -> str:
    return view.facts.accessibleName()


def test_probed_by_keys_and_taken_over(performer: Performer, view: SyncView) -> None:
    """B begins; digits answer; each stage says what follows; Shift+B takes over, Undo gives back.

    Nothing that sounds is sent before it was permitted."""
    performer.act("probe_it")
    assert view.part == PROBE
    run = run_of(view)
    asked: list[str] = []
    while run.state != "done":
        performer.wait(lambda: run.question is not None or run.state == "done")
        if run.question is not None:
            asked.append(run.asks or run.question.key)
            performer.wait(view.probe.question.isVisible)
            assert "May" in run.question.text or "?" in run.question.text
            performer.act("probe_answer_1")
    assert asked[:2] == ["before", "notes"]
    assert "pattern" in asked
    performer.wait(lambda: "Probed to the end" in said(view))
    assert "its offset, ms. -12 (was 0)" in said(view)
    table = view.probe.canvas.cells.table
    row = next(n for n, stage in enumerate(STAGES) if stage.title == "Channels")
    assert table.words(row, 1) == "Notes sounded on channel 10."
    assert "done" in table.words(row, 0)
    performer.frame.grab()
    performer.act("probe_take")
    after = performer.frame.session.project.rig.device("smew")
    assert after.offset_ms == pytest.approx(-12, abs=0.3)
    assert {p.path for p in after.spec.proven} >= {"obeys.clock", "channel", "latency_ms"}
    performer.press(K.Key_Z, Qt.KeyboardModifier.ControlModifier)
    assert performer.frame.session.project.rig.device("smew").offset_ms == 0


def test_by_mouse_and_stopped_at_any_moment(performer: Performer, view: SyncView) -> None:
    """Buttons answer; Esc stops with nothing left running; B takes it up where it was; a click on a
    stage shows it on the sheet; no is an answer."""
    view.to_part(PROBE)
    bar = view.probe.question
    assert not bar.isVisible()
    performer.act("probe_it")
    run = run_of(view)
    performer.wait(lambda: bar.isVisible() and run.asks == "before")
    bar.buttons[0].click()
    performer.wait(lambda: run.asks == "notes")
    bar.buttons[0].click()
    performer.wait(lambda: run.stage >= 3)
    found = run.answers.channels
    performer.press(K.Key_Escape)
    assert run.state in ("paused", "done")
    assert not run.active
    performer.wait(lambda: "Stopped" in said(view))
    performer.act("probe_it")
    performer.wait(lambda: run.asks == "pattern")
    assert run.answers.channels == found == (10,)
    bar.buttons[1].click()
    performer.wait(lambda: run.state == "done")
    assert "clock" in run.answers.unsure
    canvas = view.probe.canvas
    box = canvas._line(2)
    QTest.mouseClick(
        canvas.surface, Qt.MouseButton.LeftButton, pos=QPoint(20, round(box.center().y()))
    )
    assert canvas.selected == 2
    assert "Channels" in said(view)
    assert canvas.state_of(7) == "left out"


def test_why_it_cannot_be_probed_is_said(performer: Performer, view: SyncView) -> None:
    """A box that is reached by nothing; and nothing is asked, nothing to be taken over yet."""
    view.select("gadwall")
    performer.act("probe_it")
    notice = performer.frame.session.notices.last
    assert notice is not None
    assert "choose its port in the Rig" in notice.text
    performer.frame.book.do("probe_answer_1", chosen=True)
    assert "Nothing is asked" in performer.frame.session.notices.last.text  # type: ignore[union-attr]
    performer.act("probe_take")
    assert "has not been probed" in performer.frame.session.notices.last.text  # type: ignore[union-attr]
