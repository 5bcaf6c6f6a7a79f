"""The session's own decisions, with a fake engine socket in its place."""

from __future__ import annotations

from pathlib import Path
from typing import Any

import msgspec
import pytest

from grebe.app.document.store import Store
from grebe.app.engine.process_watch import ProcessWatch
from grebe.app.live.position import raw_now_ns
from grebe.app.live.session import Session
from grebe.core.player.commands import Begin, Halt, Hold, Launch, Mute, Nudge, Steer
from grebe.core.rig.trigger import Trigger
from grebe.core.time.ticks import TICKS_PER_QUARTER
from grebe.engine.loading import LOADS, Loading
from grebe.errors import EngineError
from grebe.formats.project import write_project
from grebe.protocols.link.messages import (
    LINK_VERSION,
    Deviation,
    DeviceStatus,
    Learn,
    Learned,
    Load,
    Loaded,
    Notice,
    Panic,
    Status,
    Welcome,
)
from tests import build
from tests.app.sessions import session_link


class FakeClient:
    """Stands where the engine's client would: what is said to it, and what it says."""

    def __init__(self) -> None:
        self.open = True
        self.said: list[Any] = []
        """A change of what is loaded as the whole that it makes."""
        self.waiting: list[Any] = []
        self._loading = Loading()

    def send(self, message: Any) -> None:
        if not isinstance(message, LOADS):
            self.said.append(message)
        elif isinstance(taken := self._loading.take(message), Load):
            self._loading.loaded = taken
            self.said.append(taken)

    def pump(self) -> list[Any]:
        waiting, self.waiting = self.waiting, []
        return waiting

    def fileno(self) -> int:
        return -1

    def close(self) -> None:
        self.open = False


@pytest.fixture
def store(tmp_path: Path) -> Store:
    path = tmp_path / "x.grebe"
    write_project(path, build.two_boxes())
    return Store.open(path)


@pytest.fixture
def client() -> FakeClient:
    return FakeClient()


@pytest.fixture
def session(store: Store, client: FakeClient) -> Session:
    made = Session(store)
    session_link(made).client = client  # type: ignore[assignment]
    return made


def welcome(**fields: Any) -> Welcome:
    return Welcome(version=LINK_VERSION, pid=1, priority="none", **fields)


def hear(session: Session, client: FakeClient, *messages: Any, at: float = 1.0) -> list[Any]:
    """Let the engine say something; what the session answered."""
    before = len(client.said)
    client.waiting += messages
    session.pump(at)
    return client.said[before:]


def running(**fields: Any) -> Status:
    return Status(at_ns=0, running=True, tick=0, bpm=120, section="s1", **fields)


def test_meeting_an_idle_engine(session: Session, client: FakeClient) -> None:
    """It is given the plan, whatever it held before."""
    (load,) = hear(session, client, welcome(project="Old", source="/old.grebe"))
    assert isinstance(load, Load)
    assert load.plan.plan.song.id == "song"
    assert set(load.standins) == {"drums", "bass"}
    assert set(load.setups) == {"drums", "bass"}
    assert session.link.state == "on"


def test_meeting_an_engine_that_plays_this_project(session: Session, client: FakeClient) -> None:
    """Taken over where it is, without stopping it."""
    source = str(session.store.path)
    answers = hear(
        session, client, welcome(project="Test", source=source, song="song", running=True)
    )
    assert [type(a) for a in answers] == [Load]
    assert session.link.state == "on"
    assert "already playing" in session.notices.last.text  # type: ignore[union-attr]


def test_a_count_in_and_its_beats(session: Session, client: FakeClient) -> None:
    """As many bars as the rig says; the beats still to come count down to none."""
    hear(session, client, welcome())
    session.performer.run_counted()
    assert client.said[-1] == Begin(count_in_bars=1)
    now = raw_now_ns()
    for ticks, beats in ((-3.5, 4), (-0.01, 1), (0.5, 0)):
        status = msgspec.structs.replace(running(), at_ns=now, tick=ticks * TICKS_PER_QUARTER)
        hear(session, client, status)
        assert session.position.beats_to_come() == beats
    session.performer.run_counted()  # it plays already
    assert isinstance(client.said[-1], Begin)


def test_a_tempo_typed(session: Session, client: FakeClient) -> None:
    """At once it is the song's; over bars only this time's; a leader's own holds."""
    hear(session, client, welcome())
    session.tempo.go_to(133.0, 8)
    assert session.song.bpm == 133.0  # type: ignore[union-attr]
    hear(session, client, running())
    session.tempo.go_to(140.0, 8)
    assert client.said[-1] == Steer(bpm=140.0, ramp_bars=8)
    assert session.song.bpm == 133.0  # type: ignore[union-attr]
    session.tempo.go_to(131.5, 0)
    assert session.song.bpm == 131.5  # type: ignore[union-attr]
    hear(session, client, running(follows="bass"))
    session.tempo.go_to(90.0, 0)
    assert session.song.bpm == 131.5  # type: ignore[union-attr]
    assert "Bass leads" in session.notices.last.text  # type: ignore[union-attr]


def test_a_press_that_was_waited_for_panics_from_then_on(
    session: Session, client: FakeClient
) -> None:
    """It is an edit like any other."""
    hear(session, client, welcome())
    session.learning.learn_panic("bass")
    assert client.said[-1] == Learn(device="bass")
    press = Trigger(device="bass", kind="note", channel=2, number=36)
    hear(session, client, Learned(trigger=press))
    assert session.project.rig.panic == press
    session.store.undo()
    assert session.project.rig.panic is None


def test_meeting_an_engine_that_plays_another(session: Session, client: FakeClient) -> None:
    """It is left alone: nothing is sent but what the performer asks for."""
    assert hear(session, client, welcome(project="Other", source="/o.grebe", running=True)) == []
    assert session.link.state == "other"
    hear(session, client, running())
    assert (session.running, session.status) == (False, None)
    session.performer.run_stop()
    session.performer.hold()
    assert client.said == []
    assert session.link.attach() == Path("/o.grebe")


def test_another_version_is_turned_away(session: Session, client: FakeClient) -> None:
    """With a reason, and no plan sent."""
    other = Welcome(version=LINK_VERSION + 1, pid=1, priority="none")
    assert hear(session, client, other) == []
    assert "another version" in session.notices.last.text  # type: ignore[union-attr]


def test_run_and_stop(session: Session, client: FakeClient) -> None:
    """From the top; from the selected section; a section that is gone counts as the top."""
    hear(session, client, welcome())
    session.performer.run_stop()
    assert client.said[-1] == Begin(section="")
    session.selection.section = "s2"
    session.performer.run_here()
    assert client.said[-1] == Begin(section="s2")
    session.selection.section = "gone"
    session.performer.run_here()
    assert client.said[-1] == Begin(section="")
    hear(session, client, running())
    session.performer.run_stop()
    assert client.said[-1] == Halt()


def test_an_edit_is_sent_once(session: Session, client: FakeClient) -> None:
    """With the next pulse, however many edits there were."""
    hear(session, client, welcome())
    for bpm in (100, 110):
        session.store.apply("Tempo", lambda p, b=bpm: build_tempo(p, b))  # type: ignore[misc]
    (load,) = hear(session, client)
    assert load.plan.plan.song.bpm == 110
    assert hear(session, client) == []


def build_tempo(project: Any, bpm: float) -> Any:
    from grebe.core.document import with_song
    from grebe.core.songs.edit import set_tempo

    return with_song(project, "song", lambda s: set_tempo(s, bpm))


def test_an_edit_that_cannot_be_played(session: Session, client: FakeClient) -> None:
    """Said, and the old plan plays on."""
    hear(session, client, welcome())
    session.store.apply("Scenes", lambda p: msgspec.structs.replace(p, scenes=()))
    assert hear(session, client) == []
    assert "plays on" in session.notices.last.text  # type: ignore[union-attr]
    assert session.derived.layout() is None


def test_keys_of_stage(session: Session, client: FakeClient) -> None:
    """Launch, hold and mute say what is to be, from what is."""
    hear(session, client, welcome(), running(held=True, mutes=(("bass", ""),)))
    session.performer.launch("s2", "bar")
    session.performer.hold()
    session.performer.mute("bass")
    session.performer.mute("drums")
    assert client.said[-4:] == [
        Launch(section="s2", at="bar"),
        Hold(on=False),
        Mute(device="bass", on=False),
        Mute(device="drums", on=True),
    ]


def test_panic_takes_two(session: Session, client: FakeClient) -> None:
    """Within a second."""
    hear(session, client, welcome())
    assert [session.performer.escape(t) for t in (1.0, 2.5, 3.0, 3.2)] == [
        False,
        False,
        True,
        False,
    ]
    assert client.said.count(Panic()) == 1


def test_off_by(session: Session, client: FakeClient) -> None:
    """Only what is off by more than its tolerance, and only once something was sent."""
    rows = (
        DeviceStatus(id="drums", port="up", sent=5, late_ms=2.5),
        DeviceStatus(id="bass", port="up", sent=5, late_ms=-1.9),
    )
    hear(session, client, welcome(), running(devices=rows))
    drums, bass = session.project.rig.devices
    assert (session.position.off_by_ms(drums), session.position.off_by_ms(bass)) == (2.5, None)


def test_where_the_song_is(session: Session, client: FakeClient, monkeypatch: Any) -> None:
    """Carried on from the last word; in the song as written, wherever it was launched."""
    monkeypatch.setattr("grebe.app.live.position.raw_now_ns", lambda: 500_000_000)
    bar = 4 * TICKS_PER_QUARTER
    status = Status(
        at_ns=0, running=True, tick=40 * bar, bpm=120, section="s2", section_tick=40 * bar
    )
    hear(session, client, welcome(), status)
    assert session.position.tick_now() == 40 * bar + TICKS_PER_QUARTER
    assert session.position.song_tick_now() == 2 * bar + TICKS_PER_QUARTER


def test_the_engine_hangs_up(session: Session, client: FakeClient, monkeypatch: Any) -> None:
    """Said at once; another is started; Space comes back in at the section that played."""
    started: list[str] = []
    monkeypatch.setattr("grebe.app.engine.link.start_engine", lambda: started.append("engine"))
    monkeypatch.setattr("grebe.app.engine.link.let_go", lambda _: None)
    monkeypatch.setattr(ProcessWatch, "start_standins", lambda *_: started.append("standins"))
    hear(session, client, welcome(), Status(at_ns=0, running=True, section="s2"))
    client.open = False
    session.pump(2.0)
    assert (session.link.state, session.status) == ("starting", None)
    assert "engine ended" in session.notices.last.text  # type: ignore[union-attr]
    session.pump(2.1)
    assert started == ["standins", "engine"]
    again = FakeClient()
    session_link(session).client = again  # type: ignore[assignment]
    hear(session, again, welcome(), at=3)
    session.performer.run_stop()
    assert again.said[-1] == Begin(section="s2")


def test_an_engine_that_never_starts(session: Session, monkeypatch: Any) -> None:
    """After ten seconds it is said, and not tried for ever."""
    monkeypatch.setattr("grebe.app.engine.link.start_engine", lambda: None)
    monkeypatch.setattr("grebe.app.engine.link.let_go", lambda _: None)
    monkeypatch.setattr(ProcessWatch, "start_standins", lambda *_: None)

    def refuse(_: Path) -> None:
        raise EngineError("no")

    monkeypatch.setattr("grebe.app.engine.link.EngineClient", refuse)
    session_link(session).client = None
    for now in (0.0, 5.0, 11.0):
        session.pump(now)
    assert session.link.state == "off"
    assert "does not start" in session.notices.last.text  # type: ignore[union-attr]


def test_stand_ins_that_are_gone_are_started_again(
    session: Session, client: FakeClient, monkeypatch: Any
) -> None:
    """After two seconds, once, and only those."""
    started: list[list[str]] = []
    monkeypatch.setattr(ProcessWatch, "start_standins", lambda _, ids: started.append(ids))
    gone = Status(
        at_ns=0,
        running=False,
        devices=(DeviceStatus(id="drums", port="gone"), DeviceStatus(id="bass", port="up")),
    )
    hear(session, client, welcome(), gone, at=10)
    hear(session, client, gone, at=11)
    assert started == []
    hear(session, client, gone, at=12.5)
    hear(session, client, gone, at=13)
    assert started == [["drums"]]
    hear(session, client, msgspec.structs.replace(gone, running=True), at=20)
    hear(session, client, msgspec.structs.replace(gone, running=True), at=40)
    assert started == [["drums"]] * 2  # also while playing: the engine joins them again


def test_what_the_engine_says_is_kept_for_the_eye(session: Session, client: FakeClient) -> None:
    """Deviations by device, the last notice, and a project given by another window."""
    beat = Deviation(device="bass", tick=0, ms=1.5)
    hear(session, client, welcome(), running(deviations=(beat,)), Notice(level="info", text="x"))
    assert list(session.position.deviations["bass"]) == [beat]
    assert session.notices.last == Notice(level="info", text="x")
    hear(session, client, Loaded(song="z", project="Other", source="/o.grebe"))
    assert session.link.state == "other"


def test_after_the_engine_was_lost_space_comes_in_on_the_next_bar(
    session: Session, client: FakeClient, monkeypatch: pytest.MonkeyPatch
) -> None:
    """Where the song would be by then, at the moment that bar would have come."""
    now = 1_000_000_000_000
    monkeypatch.setattr("grebe.app.live.position.raw_now_ns", lambda: now)
    playing = msgspec.structs.replace(
        running(), at_ns=now, tick=5.0 * TICKS_PER_QUARTER, bpm=120.0, section="s1"
    )
    hear(session, client, welcome(), playing)
    client.open = False
    session.pump(20.0)
    assert session.link.state == "starting"
    now += 1_000_000_000  # two beats later another is there
    fresh = FakeClient()
    session_link(session).client = fresh  # type: ignore[assignment]
    hear(session, fresh, welcome(), at=21)
    assert "on the next bar" in session.notices.last.text  # type: ignore[union-attr]
    session.performer.run_stop()
    begun = next(m for m in fresh.said if isinstance(m, Begin))
    assert begun.tick == 8 * TICKS_PER_QUARTER
    assert begun.at_ns == 1_000_000_000_000 + 1_500_000_000


def test_tempo_by_key_and_pushes(session: Session, client: FakeClient) -> None:
    """An edit of the song, merged while the key repeats; a push is told and let go."""
    hear(session, client, welcome())
    before = session.song.bpm  # type: ignore[union-attr]
    session.tempo.change(1.0)
    session.tempo.change(0.1)
    assert session.song.bpm == pytest.approx(before + 1.1)  # type: ignore[union-attr]
    session.store.undo()
    assert session.song.bpm == before  # type: ignore[union-attr]
    for _ in range(500):
        session.tempo.change(1.0)
    assert session.song.bpm == 400  # type: ignore[union-attr]
    session.tempo.push(4.0)
    session.tempo.push(0.0)
    assert [m.percent for m in client.said if isinstance(m, Nudge)] == [4.0, 0.0]


def test_an_engine_that_falls_silent_is_said(session: Session, client: FakeClient) -> None:
    """Once, while something plays; again only when it has spoken in between."""
    hear(session, client, welcome())
    hear(session, client, running(), at=10.0)
    session.notices.last = None
    hear(session, client, at=11.0)
    assert session.notices.last is None
    hear(session, client, at=11.6)
    assert session.notices.last is not None
    assert "has said nothing" in session.notices.last.text
    session.notices.last = None
    hear(session, client, at=20.0)
    assert session.notices.last is None
    hear(session, client, running(), at=21.0)
    hear(session, client, at=23.0)
    assert session.notices.last is not None
    hear(session, client, Status(at_ns=0, running=False), at=24.0)
    session.notices.last = None
    hear(session, client, at=40.0)
    assert session.notices.last is None
