"""Lists of ports in the Rig: one row a card, sessions by name, which JACK it is."""

from __future__ import annotations

import pytest
from pytestqt.qtbot import QtBot

from grebe.core.rig.model import AudioPort, Port
from grebe.ui.stations.rig.ports import LineChooser, PortChooser
from grebe.ui.widgets.port_look import PortLook

CARD = "Deck Card: PCM [usb 1-1 serial A17, 0]"
FOUND = {
    "jack": {"available": True, "server": "PipeWire", "midi": ["box:in"], "audio": ["Table:FL"]},
    "alsa": {"available": True, "midi": ["Lab Box:MIDI 1 [usb 1-2]"]},
    "sound": {"available": True, "audio": [f"{n} of {CARD}" for n in range(1, 129)]},
    "sessions": {"available": True, "midi": ["Heron (Studio) (192.0.2.7:5004)"]},
}


@pytest.fixture
def look(qtbot: QtBot) -> PortLook:
    del qtbot
    return PortLook()


def test_a_card_is_one_row_and_its_channels_a_list(look: PortLook, qtbot: QtBot) -> None:
    """128 of them are not 128 rows; the channel in use stays where another project has it."""
    chooser = LineChooser(look, "Pulses leave at")
    qtbot.addWidget(chooser)
    got: list[AudioPort] = []
    chooser.chosen.connect(got.append)
    look.found.emit(FOUND)
    rows = [chooser.where.itemText(n) for n in range(chooser.where.count())]
    assert rows == ["nowhere", "JACK, patched by hand", "JACK: Table:FL", CARD]
    assert not chooser.channel.isVisibleTo(chooser)
    chooser.where.activated.emit(3)
    assert got == [AudioPort(wire="audio", name=CARD, channel=1)]
    chooser.show_line(got[0])
    assert chooser.channel.isVisibleTo(chooser)
    assert chooser.channel.count() == 128
    chooser.channel.activated.emit(16)
    assert got[-1] == AudioPort(wire="audio", name=CARD, channel=17)
    chooser.show_line(got[-1])
    assert chooser.channel.currentText() == "17"
    assert chooser.where.currentText() == CARD
    gone = AudioPort(wire="audio", name="Other", channel=4)
    chooser.show_line(gone)
    assert chooser.where.currentText() == "Other"
    assert chooser.channel.currentText() == "4"


def test_sessions_are_offered_by_name_and_jack_is_said(
    look: PortLook, qtbot: QtBot, monkeypatch: pytest.MonkeyPatch
) -> None:
    """The network is asked only when somebody wants that."""
    chooser = PortChooser(look)
    qtbot.addWidget(chooser)
    got: list[Port] = []
    chooser.chosen.connect(got.append)
    look.found.emit(FOUND)
    rows = [chooser.itemText(n) for n in range(chooser.count())]
    assert "network session with Heron (Studio)" in rows
    assert "network session, waits to be invited" in rows
    looked: list[bool] = []
    monkeypatch.setattr(look, "look", lambda *, network=False: looked.append(network))
    chooser.activated.emit(rows.index("network, look for sessions"))
    assert looked == [True]
    chooser.activated.emit(rows.index("network session with Heron (Studio)"))
    chooser.activated.emit(rows.index("network session, waits to be invited"))
    assert got == [
        Port(wire="rtp", name="session 192.0.2.7:5004"), Port(wire="rtp", name="session"),
    ]  # fmt: skip
    assert chooser.toolTip() == "JACK is PipeWire here."
