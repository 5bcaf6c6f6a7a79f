"""Joining and leaving, OSC on and off, settings and passphrases, with a fake engine."""

from __future__ import annotations

import stat
from collections.abc import Iterator
from pathlib import Path
from typing import Any

import msgspec
import pytest

from grebe.app.document.store import Store
from grebe.app.editors.network_form import NetworkForm
from grebe.app.engine.supervisor import load_message, rtp_ports
from grebe.app.guessing import weakness
from grebe.app.live.networking import SEEN
from grebe.app.live.session import Session
from grebe.app.live.watching import WatchedSession
from grebe.app.passphrases import MOST, keep_passphrase, passphrase_of
from grebe.core.document import with_rig
from grebe.core.player.plan import make_plan
from grebe.core.rig.model import PEERS_ID, Port
from grebe.errors import EditError, ProjectError
from grebe.formats.project import project_bytes
from grebe.process.places import state_dir
from grebe.protocols.link.messages import Status
from grebe.protocols.link.session import (
    AcceptPeer,
    CarryRtp,
    Join,
    Osc,
    PeerRow,
    Peers,
    Propose,
    RtpPort,
    ShowDocument,
)
from tests import build
from tests.app.sessions import session_link
from tests.app.test_session import FakeClient

TEAL = PeerRow(id="a1", name="Teal", standing="here", address="10.0.0.2", offset_ms=0.1, bpm=120.0)


@pytest.fixture
def session() -> Iterator[Session]:
    """A window's session that talks to nobody but a list."""
    made = Session(Store(build.two_boxes()))
    session_link(made).client = FakeClient()  # type: ignore[assignment]
    made.link.state = "on"
    yield made
    made.network.laptops.end()


def said(session: Session) -> list[Any]:
    """What was said to the engine since."""
    client = session_link(session).client
    assert isinstance(client, FakeClient)
    out, client.said = client.said, []
    return out


def status(session: Session, *rows: PeerRow, state: str = "in", follows: str = PEERS_ID) -> None:
    """The engine speaks of the session."""
    peers = Peers(state=state, session="Grebe", name="Smew", rows=rows)  # type: ignore[arg-type]
    client = session_link(session).client
    assert isinstance(client, FakeClient)
    client.waiting.append(
        Status(
            at_ns=session.position.now_ns(),
            running=False,
            peers=peers,
            follows=follows,
            heard_bpm=125.0,
        )
    )
    session.pump(0.0)


def test_it_is_off_until_it_is_asked_for(session: Session) -> None:
    """Then the session of the rig is joined with the passphrase kept here; the document goes."""
    assert not session.network.on
    keep_passphrase("Grebe", "grey seal")
    session.network.toggle()
    join, shown = said(session)
    assert join == Join(
        use=session.project.rig.network, passphrase="grey seal", bpm=session.position.written_bpm
    )
    assert isinstance(shown, ShowDocument)
    assert session.notices.last is not None
    assert "with its passphrase" in session.notices.last.text
    assert session.network.on
    session.network.toggle()
    assert said(session) == [Join()]
    assert not session.network.on


def test_without_an_engine_nothing_is_joined(session: Session) -> None:
    """It says so."""
    session.link.state = "starting"
    with pytest.raises(EditError):
        session.network.join()


def test_another_engine_is_told_what_is_on(session: Session) -> None:
    """And settings that change are taken at once."""
    session.network.join()
    session.network.toggle_osc()
    said(session)
    session.network.renew()
    kinds = [type(m) for m in said(session)]
    assert kinds == [Join, Osc, ShowDocument]
    form = NetworkForm(session)
    form.set_field("session", "quantum_beats", "16")
    join = next(m for m in said(session) if isinstance(m, Join))
    assert join.use is not None
    assert join.use.quantum_beats == 16
    form.set_field("osc", "hz", "10")
    assert [m.use.hz for m in said(session) if isinstance(m, Osc)] == [10.0]
    session.network.toggle_osc()
    assert Osc(use=None) in said(session)


def test_a_helper_that_is_not_there_is_started(
    session: Session, monkeypatch: pytest.MonkeyPatch
) -> None:
    """Once in three seconds."""
    started: list[int] = []
    monkeypatch.setattr("grebe.app.engine.process_watch.start_network", lambda: started.append(1))
    monkeypatch.setattr("grebe.app.engine.process_watch.let_go", lambda process: None)
    status(session, state="starting")
    assert len(started) == 1
    status(session, state="starting")
    assert len(started) == 1


def test_who_comes_goes_and_asks_is_said(session: Session) -> None:
    """Once each."""
    status(session)
    status(session, TEAL)
    assert session.notices.last is not None
    assert session.notices.last.text == "Teal is in the session."
    status(session, msgspec.structs.replace(TEAL, accepted=False, asks_bpm=99.0))
    assert "Teal would have 99 BPM" in session.notices.last.text
    session.network.accept_next()
    assert AcceptPeer(peer="a1") in said(session)
    status(session)
    assert session.notices.last.text == "Teal has left the session."
    with pytest.raises(EditError):
        session.network.accept_next()


def test_offsets_are_remembered(session: Session) -> None:
    """Each new figure once, of those that are here."""
    for ms in (0.1, 0.1, 0.2):
        status(session, msgspec.structs.replace(TEAL, offset_ms=ms))
    assert [ms for _, ms in session.network.offsets["a1"]] == [0.1, 0.2]


def test_tempo_keys_go_to_the_session_where_songs_do_not_bring_theirs(session: Session) -> None:
    """Else to the song, which brings it."""
    NetworkForm(session).set_field("session", "brings_tempo", "of our songs")
    status(session, TEAL)
    heard = session.position.now().bpm
    before = session.position.written_bpm
    assert heard != before
    session.tempo.change(1.0)
    session.tempo.change(1.0)  # two steps from what is heard, though nothing new was heard yet
    assert not any(isinstance(m, Propose) for m in said(session))
    assert session.position.written_bpm == heard + 2
    before = session.position.written_bpm - 1
    NetworkForm(session).set_field("session", "brings_tempo", "the session's")
    said(session)
    session.tempo._asked = (0.0, -9.0)
    session.tempo.change(1.0)
    assert Propose(bpm=heard + 1) in said(session)
    session.tempo.change(1.0)
    assert Propose(bpm=heard + 2) in said(session)
    session.tempo.go_to(140.0, 0)
    assert Propose(bpm=140.0) in said(session)
    for n in range(4):
        session.tempo.tap(n * 0.5)
    assert Propose(bpm=120.0) in said(session)
    assert session.position.written_bpm == before + 1


def test_the_document_is_shown_again_when_it_has_changed_and_not_with_every_key(
    session: Session,
) -> None:
    """To a window that has come later, too; half a second apart."""
    status(session, TEAL)  # another window had joined
    assert [type(m) for m in said(session)] == [ShowDocument]
    for _ in range(3):
        session.tempo.take(session.position.written_bpm + 1)
        status(session, TEAL)
    assert not any(isinstance(m, ShowDocument) for m in said(session))
    session.network._shown_ns -= 600_000_000
    status(session, TEAL)
    assert len([m for m in said(session) if isinstance(m, ShowDocument)]) == 1
    session.network._shown_ns -= 600_000_000
    status(session, TEAL)
    assert not any(isinstance(m, ShowDocument) for m in said(session))


def test_computers_of_the_session_stand_in_the_rig_that_is_drawn(session: Session) -> None:
    """One of a device's name is that device; others stand beside. The document has neither."""
    rig = session.project.rig
    assert session.network.shown_rig() is rig
    status(session, TEAL, msgspec.structs.replace(TEAL, id="b2", name=rig.devices[0].name.upper()))
    drawn = session.network.shown_rig()
    assert [d.id for d in drawn.devices] == [*(d.id for d in rig.devices), SEEN + "a1"]
    assert drawn.cables[-1].medium == "network"
    assert session.network.shown_rig() is drawn
    assert session.network.row_of(drawn.devices[-1]) == TEAL
    row = session.network.row_of(rig.devices[0])
    assert row is not None
    assert row.id == "b2"
    assert session.project.rig is rig


def test_settings_are_read_from_words_and_refused_with_a_reason(session: Session) -> None:
    """Every field; Ctrl+Z takes one back."""
    form = NetworkForm(session)
    for owner, key, text, shown in (
        ("session", "name", "Night ferry", "Night ferry"),
        ("session", "peer", "Smew", "Smew"),
        ("session", "quantum_beats", "8", "8"),
        ("session", "shares_starts", "each its own", "each its own"),
        ("session", "shows_stage", "shown", "shown"),
        ("session", "interface", "lo", "lo"),
        ("session", "addresses", "10.0.0.7; [fd00::2]:4000", "10.0.0.7; [fd00::2]:4000"),
        ("osc", "port", "9000", "9000"),
        ("osc", "senders", "10.0.0.0/24", "10.0.0.0/24"),
        ("osc", "clients", "127.0.0.1:9001", "127.0.0.1:9001"),
        ("osc", "hz", "25", "25"),
    ):
        form.set_field(owner, key, text)
        assert form.field_text(owner, key) == shown
    assert form.field_choices("session", "name") == ()
    for owner, key, text in (
        ("session", "name", ""), ("session", "name", "x" * 41), ("session", "quantum_beats", "0"),
        ("session", "quantum_beats", "many"), ("session", "quantum_beats", "1e999"),
        ("session", "addresses", ";".join("abcdefghijklmnopq")),
        ("osc", "port", "80"), ("osc", "port", "nan"), ("osc", "senders", "everybody"),
        ("osc", "hz", "1000"),
    ):  # fmt: skip
        with pytest.raises(EditError):
            form.set_field(owner, key, text)
    session.store.undo()
    assert form.field_text("osc", "hz") == "20"


def test_passphrases_are_kept_for_nobody_else(session: Session) -> None:
    """Not in the project, and not to be read by others."""
    form = NetworkForm(session)
    assert form.field_text("session", "passphrase") == ""
    session.network.join()
    said(session)
    with pytest.raises(EditError, match="could guess that passphrase") as refused:
        form.set_field("session", "passphrase", "s")
    proposed = str(refused.value).rpartition(": ")[2]
    assert len(proposed.split()) == 5
    assert weakness(proposed) == ""
    form.set_field("session", "passphrase", "grey seal")
    assert form.field_text("session", "passphrase") == "\u2022" * 8
    assert [m.passphrase for m in said(session) if isinstance(m, Join)] == ["grey seal"]
    assert b"grey seal" not in project_bytes(session.project)
    path = state_dir() / "passphrases.json"
    assert stat.S_IMODE(path.stat().st_mode) == 0o600
    keep_passphrase("Grebe", "")
    assert passphrase_of("Grebe") == ""
    for n in range(MOST + 5):
        keep_passphrase(f"s{n}", "x")
    assert passphrase_of("s0") == ""
    assert passphrase_of(f"s{MOST + 4}") == "x"
    path.write_text("{")
    assert passphrase_of("s5") == ""


def test_devices_on_the_network_are_handed_over(session: Session) -> None:
    """Their paths go with the plan, and where they are to the network process."""

    def reached(project: Any) -> Any:
        first, *rest = project.rig.devices
        first = msgspec.structs.replace(
            first, port=Port(wire="rtp", name="10.0.0.9:5004"), input=Port(wire="rtp", name="5104")
        )
        return with_rig(project, msgspec.structs.replace(project.rig, devices=(first, *rest)))

    session.store.apply("x", reached)
    session.pump(0.0)
    ports = next(m for m in said(session) if isinstance(m, CarryRtp)).ports
    device = session.project.rig.devices[0].id
    assert ports == rtp_ports(session.project.rig.devices)
    assert ports[0] == RtpPort(
        device=device, path=ports[0].path, target="10.0.0.9:5004", listen=5104
    )
    load = load_message(session.project, make_plan(session.project, session.project.songs[0]))
    assert load.standins[device] == ports[0].path


def test_a_performance_is_watched_without_an_engine(session: Session, tmp_path: Path) -> None:
    """What is said there is shown; what is asked here goes nowhere."""
    song = session.project.songs[0]
    shown = ShowDocument(project=project_bytes(session.project), song=song.id)
    watching = WatchedSession(shown)
    section = song.sections[0].id
    now = watching.session.position.now_ns()
    watching.hear(Status(at_ns=now, running=True, bpm=120.0, section=section))
    assert watching.session.running
    watching.session.performer.run_stop()
    watching.session.performer.launch("", "bar")
    assert watching.session.running
    assert watching.session.pump(0.0) == []
    assert watching.session.link.fileno() is None
    session.tempo.change(3.0)
    watching.show(msgspec.structs.replace(shown, project=project_bytes(session.project)))
    assert watching.session.position.written_bpm == session.position.written_bpm
    with pytest.raises(ProjectError):
        WatchedSession(ShowDocument(project=b"{"))
