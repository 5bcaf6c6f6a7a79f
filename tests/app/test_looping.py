"""Loops from the window: presses, layers, a first loop that leads, tempi that loops would leave."""

from __future__ import annotations

from pathlib import Path

import pytest

from grebe.app.document.store import Store
from grebe.app.live.position import raw_now_ns
from grebe.app.live.session import Session
from grebe.core.player.commands import Begin
from grebe.core.player.loopers import LoopTrack, TrackCommand
from grebe.errors import EditError
from grebe.formats.project import write_project
from grebe.protocols.link.messages import Status
from tests import build
from tests.app.sessions import session_link
from tests.app.test_session import FakeClient, hear, welcome
from tests.core.dues import BAR
from tests.core.test_loopers import with_looper


def session_of(project: object, tmp_path: Path, client: FakeClient) -> Session:
    path = tmp_path / "x.grebe"
    write_project(path, project)  # type: ignore[arg-type]
    made = Session(Store.open(path))
    session_link(made).client = client  # type: ignore[assignment]
    hear(made, client, welcome())
    return made


@pytest.fixture
def client() -> FakeClient:
    return FakeClient()


@pytest.fixture
def session(tmp_path: Path, client: FakeClient) -> Session:
    return session_of(with_looper(), tmp_path, client)


def playing(*tracks: LoopTrack) -> Status:
    return Status(
        at_ns=raw_now_ns(), running=True, bpm=126.0, section="s1", boundary=2 * BAR, tracks=tracks
    )


def test_tracks_by_key(session: Session, client: FakeClient) -> None:
    """What comes next, on the bar or at the loop's end, open or of a fixed length."""
    session.looping.press(1)
    assert client.said[-1] == TrackCommand(device="looper", number=1)
    session.looping.next_at()
    session.looping.next_length()
    session.looping.press(2, "stop")
    assert client.said[-1] == TrackCommand(device="looper", number=2, do="stop", at="loop", bars=1)
    with pytest.raises(EditError, match="no loop track 5"):
        session.looping.press(5)


def test_a_first_loop_leads(session: Session, client: FakeClient) -> None:
    """Two bars in 3.84 s are 125 BPM: the song takes it and runs as the loop comes round."""
    assert session.looping.first_loop(10.0) is None
    assert client.said[-1] == TrackCommand(device="looper", number=1, do="record", at="now")
    found = session.looping.first_loop(13.84)
    assert found is not None
    assert (found.bpm, found.bars) == (pytest.approx(125.0), 2)
    assert session.position.written_bpm == 125.0
    assert isinstance(client.said[-1], Begin)
    closed = next(m for m in client.said if isinstance(m, TrackCommand) and m.do == "play")
    assert closed.number == 1
    hear(session, client, playing())
    with pytest.raises(EditError, match="stop first"):
        session.looping.first_loop(20.0)


def test_a_change_of_tempo_with_loops_running_says_what_happens(
    session: Session, client: FakeClient
) -> None:
    """A bar at 126 is 1904.8 ms, at 140 1714.3: the loop is 190 ms late with every bar. Said
    first; asked again it is done; without loops it is done at once."""
    loop = LoopTrack(device="looper", number=1, state="playing", ticks=BAR, bpm=126.0)
    hear(session, client, playing(loop))
    words = session.looping.warning(140.0)
    assert "190 ms late with every bar" in words
    assert session.looping.warning(126.0) == ""
    session.tempo.change(14.0)
    assert session.position.written_bpm == 126.0
    assert session.notices.last is not None
    assert "The same again" in session.notices.last.text
    session.tempo.change(14.0)
    assert session.position.written_bpm == 140.0
    hear(session, client, playing(LoopTrack(device="looper", number=1, state="stopped", ticks=BAR)))
    session.tempo.change(-14.0)
    assert session.position.written_bpm == 126.0


def test_without_a_looper(tmp_path: Path, client: FakeClient) -> None:
    session = session_of(build.two_boxes(), tmp_path, client)
    assert session.looping.tracks() == ()
    with pytest.raises(EditError, match="no looper"):
        session.looping.first_loop(1.0)
