"""One box of the rig in the window: its profile, sheet, ports, pulses, pedal."""

from __future__ import annotations

from pathlib import Path

import pytest
from PyQt6.QtCore import QProcess
from PyQt6.QtTest import QTest
from PyQt6.QtWidgets import QFileDialog

from grebe.core.rig.model import AudioPort, Port
from grebe.core.rig.trigger import Trigger
from grebe.formats.profiles import read_profile
from grebe.process.places import own_profiles_dir
from grebe.protocols.link.messages import Learned
from grebe.ui.stations.rig.ports import port_text
from tests.ui.conftest import Performer
from tests.ui.hand import ALT, CTRL, LEFT, SHIFT, K
from tests.ui.test_rig_view import rig, rig_view, type_


def test_the_setup_sheet_is_ticked_and_printed(
    performer: Performer, tmp_path: Path, monkeypatch: pytest.MonkeyPatch
) -> None:
    """A tick is kept in the project; PDF and HTML by the name given."""
    view = rig_view(performer)
    performer.press(K.Key_3, ALT)
    assert view.panes.currentWidget() is view.panes.setup
    key, box = next(iter(view.panes.setup.boxes.items()))
    box.click()
    assert performer.frame.session.project.ticked == (key,)
    performer.press(K.Key_Z, CTRL)
    assert not view.panes.setup.boxes[key].isChecked()
    for name, begins in (("a.pdf", b"%PDF-"), ("b.html", b"<!DOCTYPE html>")):
        path = tmp_path / name
        monkeypatch.setattr(
            QFileDialog, "getSaveFileName", lambda *_, path=path, **__: (str(path), "")
        )
        view.rig_panes.write_setup()
        assert path.read_bytes().startswith(begins)


def test_a_profile_of_ones_own(performer: Performer) -> None:
    """Ctrl+P saves the box as it stands; it is offered when the next is added."""
    view = rig_view(performer)
    view.select("knot")
    view.editor.hand.set_fields("Name", name="My bass")
    performer.act("save_profile")
    path = own_profiles_dir() / "knot.json"
    assert read_profile(path).name == "My bass"
    performer.act("add_box")
    type_(performer, "my bass")
    assert view.side.add_page.profile is not None
    assert view.side.add_page.profile.name == "My bass"
    performer.press(K.Key_Escape)
    assert view.side.pages.currentWidget() is view.side.device_page


@pytest.mark.looks_for_ports
def test_choosing_ports(performer: Performer) -> None:
    """The lists hold what there is; a choice is an edit that can be undone."""
    view = rig_view(performer)
    port = view.side.device_page.port
    names = [port.itemText(i) for i in range(port.count())]
    assert names[0] == "stand-in"
    assert names[-1] == "nowhere"
    looking = view.side.device_page.ports.process
    performer.wait(lambda: looking.state() == QProcess.ProcessState.NotRunning)
    port.setCurrentIndex(port.count() - 1)
    port.activated.emit(port.count() - 1)
    assert rig(performer).device("smew").port == Port(wire="none")
    performer.press(K.Key_Z, CTRL)
    assert rig(performer).device("smew").port == Port()
    assert (
        view.side.device_page.input.itemText(view.side.device_page.input.count() - 1) == "nowhere"
    )
    assert port_text(Port(wire="jack")) == "JACK, patched by hand"


def test_what_a_box_can_do_is_edited_and_saved(performer: Performer) -> None:
    """Alt+5: a part at a time, rows by Insert and Delete, doubts said, then a profile of it."""
    frame, view = performer.frame, rig_view(performer)
    frame.grab()
    view.select("knot")
    performer.press(K.Key_5, ALT)
    pane = view.panes.abilities
    assert view.panes.currentWidget() is pane
    assert pane.boxes.currentText() == "Knot"
    clock = pane.table
    model = clock.model()
    assert model is not None
    rows = [model.index(r, 0).data() for r in range(model.rowCount())]
    assert model.setData(model.index(rows.index("Obeys clock"), 1), "no")
    assert not rig(performer).device("knot").spec.obeys.clock
    assert not rig(performer).device("knot").obeys_clock
    assert not model.setData(model.index(rows.index("Lowest tempo, BPM"), 1), "slow")
    assert "Lowest tempo" in frame.session.notices.last.text  # type: ignore[union-attr]
    frame.session.store.undo()
    assert rig(performer).device("knot").obeys_clock
    performer.act("part_after")
    assert pane.part == "jacks"
    before = len(rig(performer).device("knot").spec.jacks)
    performer.press(K.Key_Insert)
    assert len(rig(performer).device("knot").spec.jacks) == before + 1
    jacks = pane.table
    assert jacks.currentIndex().row() == before
    performer.press(K.Key_Delete)
    assert len(rig(performer).device("knot").spec.jacks) == before
    performer.act("part_before")
    performer.act("part_before")
    assert pane.part == "by_hand"
    QTest.mouseClick(pane.parts[4], LEFT)
    memory = pane.table.model()
    assert memory is not None
    rows = [memory.index(r, 0).data() for r in range(memory.rowCount())]
    memory.setData(memory.index(rows.index("Chains"), 1), "neighbours")
    memory.setData(memory.index(rows.index("Chains inside groups of"), 1), "0")
    assert "Chains inside groups of" in pane.doubts.text()
    assert pane.doubts.isVisible()
    performer.act("save_profile")
    assert not list(own_profiles_dir().glob("*.json"))
    memory.setData(memory.index(rows.index("Chains inside groups of"), 1), "4")
    memory.setData(memory.index(rows.index("Patterns in a chain, at most"), 1), "4")
    assert not pane.doubts.isVisible()
    performer.act("save_profile")
    assert read_profile(own_profiles_dir() / "knot.json").spec.chains.group == 4
    pane.boxes.setCurrentIndex(0)
    pane.boxes.activated.emit(0)
    assert view.selected == "smew"
    view.select("grebe")
    assert "Choose a box" in pane.doubts.text()
    performer.press(K.Key_Insert)  # nothing to add a row to


def test_the_setup_sheet_of_one_box(
    performer: Performer, monkeypatch: pytest.MonkeyPatch, tmp_path: Path
) -> None:
    """Chosen above the steps; what is written is what is shown."""
    view = rig_view(performer)
    performer.frame.grab()
    performer.press(K.Key_3, ALT)
    every = len(view.panes.setup.boxes)
    view.panes.setup.choice.setCurrentIndex(view.panes.setup.choice.findData("teal"))
    view.panes.setup.choice.activated.emit(0)
    assert 0 < len(view.panes.setup.boxes) < every
    path = tmp_path / "teal.html"
    monkeypatch.setattr(QFileDialog, "getSaveFileName", lambda *_: (str(path), ""))
    view.rig_panes.write_setup()
    text = path.read_text()
    assert "<h2>Teal</h2>" in text
    assert "<h2>Knot</h2>" not in text


def test_jacks_transport_is_led_by_key(performer: Performer) -> None:
    """J leads it, follows it, and leaves it; Grebe's page says which; undone like any edit."""
    view = rig_view(performer)
    performer.frame.grab()
    view.select("grebe")
    performer.act("jack")
    assert rig(performer).jack == "lead"
    assert "transport led by Grebe" in view.side.device_page.facts.accessibleName()
    performer.act("jack")
    assert rig(performer).jack == "follow"
    performer.act("jack")
    assert rig(performer).jack == "leave"
    performer.press(K.Key_Z, CTRL)
    assert rig(performer).jack == "follow"


def test_a_pedal_that_panics_is_learnt_and_forgotten(performer: Performer) -> None:
    """The press itself comes from the engine; what cannot be heard is said."""
    view = rig_view(performer)
    session = performer.frame.session
    performer.engine_ready()
    view.select("grebe")
    performer.press(K.Key_P, CTRL, SHIFT)
    assert "Select the box" in session.notices.last.text  # type: ignore[union-attr]
    view.select("gadwall")
    performer.press(K.Key_P, CTRL, SHIFT)
    performer.wait(
        lambda: session.notices.last and "no input of it is set" in session.notices.last.text
    )
    press = Trigger(device="smew", kind="controller", channel=10, number=64)
    session.take(Learned(trigger=press), 0.0)
    assert rig(performer).panic == press
    view.select("grebe")
    assert "Smew: controller 64 on channel 10" in view.side.device_page.facts.accessibleName()
    view.select("smew")
    performer.press(K.Key_P, CTRL, SHIFT)
    assert rig(performer).panic is None


def test_choosing_a_pulse_output_says_the_caution(performer: Performer) -> None:
    """Never to speakers; the main output is named."""
    view = rig_view(performer)
    view.select("garganey")
    assert "pulse_at" not in view.side.device_page.lines  # no pulse cable joins it to Grebe
    view.editor.device.set_line("pulse_at", AudioPort(wire="jack"))
    _, chooser = view.side.device_page.lines["pulse_at"]
    chosen = AudioPort(wire="jack", name="system:playback_3")
    chooser.chosen.emit(chosen)
    assert rig(performer).device("garganey").pulse_at == chosen
    assert "Never into an audio input, speakers" in performer.frame.session.notices.last.text  # type: ignore[union-attr]
    view.select("garganey")
    assert chooser.where.currentText() == "JACK: system:playback_3"
    assert not chooser.isHidden()
    view.side.device_page.ports.found.emit(
        {"jack": {"available": True, "audio": ["system:playback_4"]},
         "sound": {"available": True, "audio": ["1 of Deck audio", "2 of Deck audio"]}}
    )  # fmt: skip
    texts = [chooser.where.itemText(n) for n in range(chooser.where.count())]
    assert texts == [
        "JACK: system:playback_3", "nowhere", "JACK, patched by hand", "JACK: system:playback_4",
        "Deck audio",
    ]  # fmt: skip
    view.select("smew")
    assert chooser.isHidden()  # no pulse cable joins it to Grebe


def test_a_pulse_is_shaped_in_the_window(performer: Performer) -> None:
    """Width in ms or per cent, edge and level; what is no width is refused in words."""
    view = rig_view(performer)
    session = performer.frame.session
    view.select("garganey")
    page = view.side.device_page
    view.editor.device.set_line("pulse_at", AudioPort(wire="jack"))
    assert not page.pulse.isHidden()
    for text, width, percent in (("12", 12.0, 50.0), ("2.5 ms", 2.5, 50.0), ("30 %", None, 30.0)):
        page.pulse.width_field.setText(text)
        page.pulse.width_field.editingFinished.emit()
        shape = rig(performer).device("garganey").pulse
        assert (shape.width_ms, shape.width_percent) == (width, percent)
    for text in ("wide", "0", "2000", "100 %"):
        page.pulse.width_field.setText(text)
        page.pulse.width_field.editingFinished.emit()
        assert "width" in session.notices.last.text  # type: ignore[union-attr]
        assert rig(performer).device("garganey").pulse == shape
    page.pulse.polarity.setCurrentIndex(1)
    page.pulse.polarity.activated.emit(1)
    page.pulse.level.setValue(80)
    shape = rig(performer).device("garganey").pulse
    assert (shape.polarity, shape.level) == ("falling", 0.8)
