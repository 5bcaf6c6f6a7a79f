"""Other computers in Sync, Rig and the waterline; the demo's laptop joins with one key."""

from __future__ import annotations

import msgspec
import pytest
from PyQt6.QtCore import QPoint, Qt
from PyQt6.QtTest import QTest
from PyQt6.QtWidgets import QComboBox

from grebe.app.document.demo import demo_bytes
from grebe.app.engine.supervisor import display_words
from grebe.core.rig.model import PEERS_ID, Port
from grebe.core.session.use import SessionUse
from grebe.protocols.link.messages import Notice, Status, ToEngine, pack
from grebe.protocols.link.session import (
    AcceptPeer,
    Join,
    OscState,
    PeerRow,
    Peers,
    RtpState,
    ShowDocument,
)
from grebe.ui.main_window.display import Display
from grebe.ui.stations.rig.facts import device_lines
from grebe.ui.stations.rig.ports import NETWORK, PortChooser, port_text
from grebe.ui.stations.rig.view import RigView
from grebe.ui.stations.sync.view import SyncView
from grebe.ui.widgets.fields import NumberField
from grebe.ui.widgets.port_look import PortLook
from tests.ui.conftest import Performer
from tests.ui.hand import ALT, K

CTRL, SHIFT = Qt.KeyboardModifier.ControlModifier, Qt.KeyboardModifier.ShiftModifier
TEAL = PeerRow(
    id="a1", name="Teal", standing="here", address="10.0.0.2", offset_ms=0.12, spread_ms=0.03,
    delay_ms=2.1, lost_percent=5.0, bpm=126.0, reference=True, service=4000,
)  # fmt: skip
WREN = PeerRow(
    id="b2", name="Wren", standing="here", address="10.0.0.3", offset_ms=3.5, spread_ms=0.1,
    delay_ms=2.0, bpm=126.0, accepted=False, asks_bpm=99.0,
)  # fmt: skip


def engine_says(performer: Performer, *rows: PeerRow, **peers: object) -> list[ToEngine]:
    """A status with computers in it; what the window says to the engine from then on."""
    session = performer.frame.session
    told: list[ToEngine] = []
    session.link.state = "on"
    session.link.tell = told.append  # type: ignore[method-assign]
    session.link.pump = lambda now_s: []  # type: ignore[method-assign] # it would start a real one
    seen = Peers(state="in", session="Night ferry", name="Smew", rows=rows, bpm=126.0, sealed=False)
    session.position.status = Status(
        at_ns=session.position.now_ns(), running=False, follows=PEERS_ID, hearing="clock",
        peers=msgspec.structs.replace(seen, **peers),
    )  # fmt: skip
    session.network._stale = False
    session.network.take(session.status)
    performer.frame.view.moved()
    return told


def computers(performer: Performer) -> SyncView:
    performer.press(K.Key_2, CTRL)
    performer.press(K.Key_2, ALT)
    view = performer.frame.view
    assert isinstance(view, SyncView)
    assert view.at_computers
    return view


def test_computers_stand_with_offset_spread_and_loss(performer: Performer) -> None:
    """Chosen by arrow or click; Enter accepts the one that asks."""
    view = computers(performer)
    assert "Off until Ctrl+J" in view.heading.accessibleName()
    performer.frame.grab()
    told = engine_says(performer, TEAL, WREN, dropped=3, problem="no multicast")
    assert "Smew is in Night ferry: 2 other computers" in view.heading.accessibleName()
    performer.frame.grab()
    words = view.facts.accessibleName()
    for part in ("Teal", "10.0.0.2", "+0.12 ms", "5 %", "its clock is gone by", "3 packets",
                 "no multicast", "Passphrase none"):  # fmt: skip
        assert part in words
    performer.act("set_offset")
    assert told == []
    performer.press(K.Key_Down)
    assert "Ctrl+Enter accepts it" in view.facts.accessibleName()
    performer.act("set_offset")
    assert told == [AcceptPeer(peer="b2")]
    QTest.mouseClick(view.computers.surface, Qt.MouseButton.LeftButton, pos=QPoint(40, 80))
    assert view.computers.row() == TEAL
    engine_says(
        performer,
        msgspec.structs.replace(TEAL, standing="joining", offset_ms=None),
        msgspec.structs.replace(WREN, standing="apart"),
        osc=OscState(refused=2, problem="x"),
    )
    performer.frame.grab()
    assert "Refused 2" in view.facts.accessibleName()
    performer.press(K.Key_1, ALT)
    assert not view.at_computers


def test_settings_are_typed_in_the_sheet(performer: Performer) -> None:
    """Enter opens them, Esc puts them away; a wrong one is said."""
    view = computers(performer)
    performer.act("settings")
    assert view.form.isVisible()
    field = view.form.fields[("session", "quantum_beats")]
    assert isinstance(field, NumberField)
    field.setFocus()
    field.selectAll()
    QTest.keyClicks(field, "8")
    performer.press(K.Key_Return)
    assert performer.frame.session.project.rig.network.quantum_beats == 8
    field.selectAll()
    QTest.keyClicks(field, "900")
    performer.press(K.Key_Return)
    assert performer.frame.session.project.rig.network.quantum_beats == 8
    assert "from 1 to 64" in performer.frame.session.notices.last.text  # type: ignore[union-attr]
    performer.press(K.Key_Escape)
    assert not view.form.isVisible()


def test_keys_join_accept_and_listen_everywhere(
    performer: Performer, monkeypatch: pytest.MonkeyPatch
) -> None:
    """Ctrl+J, Ctrl+Shift+J, Ctrl+Alt+O, also on Stage."""
    monkeypatch.setattr(
        "grebe.app.live.networking.start_laptop", lambda *words: pytest.fail("none")
    )
    told = engine_says(performer)
    session = performer.frame.session
    rig = session.project.rig
    session.store.apply("x", lambda p: msgspec.structs.replace(p, rig=msgspec.structs.replace(
        rig, devices=tuple(d for d in rig.devices if d.id != "teal"),
        cables=tuple(c for c in rig.cables if c.target != "teal"))))  # fmt: skip
    performer.press(K.Key_7, CTRL)
    performer.press(K.Key_J, CTRL)  # it is on: another window had joined
    assert told[-1].use is None  # type: ignore[union-attr]
    engine_says(performer, state="off")
    told = engine_says(performer, state="off")
    performer.press(K.Key_J, CTRL)
    assert [m.use and m.use.name for m in told if isinstance(m, Join)] == ["Night ferry"]
    told = engine_says(performer, WREN)
    performer.press(K.Key_J, CTRL, SHIFT)
    assert told == [AcceptPeer(peer="b2")]
    performer.press(K.Key_O, CTRL, ALT)
    assert session.network.osc is not None
    performer.press(K.Key_O, CTRL, ALT)
    assert session.network.osc is None


def test_the_waterline_names_who_is_off(performer: Performer) -> None:
    """And says how many are within what."""
    engine_says(performer, TEAL)
    words = [w for w, _, _ in performer.frame.waterline._verdict()]
    assert "1 computer, 0.12 ms" in words
    engine_says(performer, TEAL, WREN)
    assert "Wren 3.5 ms late" in [w for w, _, _ in performer.frame.waterline._verdict()]
    performer.frame.waterline.grab()
    assert performer.frame.waterline._led_by() == "follows the session"


def test_the_rig_draws_them(performer: Performer) -> None:
    """The laptop of the rig by its name, others beside it; gone with them."""
    performer.press(K.Key_1, CTRL)
    view = performer.frame.view
    assert isinstance(view, RigView)
    before = len(view.tree_canvas.placed)
    engine_says(performer, TEAL, WREN)
    assert len(view.tree_canvas.placed) == before + 1
    performer.frame.grab()
    view.select("peer-b2")
    assert "Wren" in view.side.device_page.facts.accessibleName()
    view.select("teal")
    performer.frame.grab()
    carried = RtpState(device="smew", sent=9, received=8, lost=2, repaired=1, unreadable=1,
                       problem="gone")  # fmt: skip
    engine_says(performer, TEAL, rtp=(carried,))
    view.select("smew")
    words = " ".join(line.words + line.value for line in device_lines(
        performer.frame.session, performer.frame.session.project.rig.device("smew"),
        view.tree_canvas.shown.tree)[0])  # fmt: skip
    for part in ("9 packets", "Lost2", "1 message", "gone."):
        assert part in words
    engine_says(performer)
    assert len(view.tree_canvas.placed) == before


def test_a_port_on_the_network_is_typed(performer: Performer) -> None:
    """host:port for one that is sent to, a number for one that is heard."""
    for hears, words, good in ((False, "10.0.0.9:5004", True), (True, "5104", True),
                               (True, "x", False), (False, "", False)):  # fmt: skip
        chooser = PortChooser(PortLook(), hears=hears)
        chosen: list[Port] = []
        chooser.chosen.connect(chosen.append)
        index = [chooser.itemText(n) for n in range(chooser.count())].index(port_text(NETWORK))
        chooser.setCurrentIndex(index)
        chooser.activated.emit(index)
        line = chooser.lineEdit()
        assert line is not None
        line.setText(words)
        line.editingFinished.emit()
        assert chosen == ([Port(wire="rtp", name=words)] if good else [])
        assert isinstance(chooser, QComboBox)
        assert not chooser.isEditable()
    assert port_text(Port(wire="rtp", name="5104")) == "network: 5104"
    assert port_text(Port(wire="peer")) == "in the session"


def test_a_stage_for_somebody_else_shows_and_asks_nothing(
    qapp: object, own_folders: object, monkeypatch: pytest.MonkeyPatch
) -> None:
    """What its process passes on is drawn; keys and touches do nothing."""
    monkeypatch.setattr("grebe.ui.main_window.display.display_command", lambda: ["sleep", "30"])
    display = Display(display_words(SessionUse(), "", "Teal"), "Teal")
    display.show()
    display.hear(Notice(level="warn", text="Teal shows no stage yet."))
    QTest.qWait(60)
    assert "no stage yet" in display.notices.lines[-1].said.text
    shown = ShowDocument(project=demo_bytes(), song="harbour-bell")
    display._unpacker.feed(b"")
    display.hear(shown)
    assert display.watching is not None
    assert display.canvas is not None
    section = display.watching.session.derived.layout().spans[0].section.id  # type: ignore[union-attr]
    now = display.watching.session.position.now_ns()
    display.hear(Status(at_ns=now, running=True, bpm=126.0, section=section,
                        boundary=10**9))  # fmt: skip
    QTest.qWait(60)
    display.grab()
    for key in (K.Key_Space, K.Key_Return, K.Key_1, K.Key_H):
        QTest.keyClick(display, key)
    QTest.mouseClick(display.canvas.surface, Qt.MouseButton.LeftButton, pos=QPoint(90, 700))
    assert display.watching.session.running
    display.hear(shown)
    QTest.keyClick(display, K.Key_F11)
    assert display.isFullScreen()
    display._heard_s -= 10
    QTest.qWait(60)
    assert "Nothing has been heard" in display.notices.lines[-1].said.text
    QTest.keyClick(display, K.Key_Q, CTRL)
    assert not display.isVisible()
    assert pack(shown)


@pytest.mark.real_time("judges milliseconds between processes")
def test_the_demos_laptop_is_a_peer_of_its_own(performer: Performer) -> None:
    """One key; it comes in on the one with the song, and goes with the session."""
    frame = performer.frame
    rig = frame.session.project.rig
    use = msgspec.structs.replace(rig.network, name=f"Night ferry {id(performer)}", interface="lo")
    frame.session.store.apply(
        "x", lambda p: msgspec.structs.replace(p, rig=msgspec.structs.replace(rig, network=use))
    )
    performer.engine_ready()
    performer.press(K.Key_J, CTRL)
    session = frame.session
    performer.wait(lambda: [r.name for r in session.network.rows] == ["Teal"])
    performer.wait(lambda: session.network.leads)
    performer.press(K.Key_J, CTRL, SHIFT)
    performer.press(K.Key_Space)
    performer.wait(lambda: session.running)
    performer.wait(lambda: session.network.rows[0].runs)
    performer.wait(lambda: abs(session.network.rows[0].offset_ms or 0) < 1)
    performer.press(K.Key_J, CTRL)
    performer.wait(lambda: session.status is not None and session.status.peers is None)
    assert session.running
