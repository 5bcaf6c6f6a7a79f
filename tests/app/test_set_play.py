"""A set performed: what is sent, what comes back, and what Stage makes of it; no engine."""

from __future__ import annotations

from pathlib import Path
from typing import Any

import msgspec
import pytest

from grebe.app.document.store import Store
from grebe.app.live.position import raw_now_ns
from grebe.app.live.session import Session
from grebe.app.live.stage_model import StageModel
from grebe.core.document import Project
from grebe.core.player.commands import Back, Begin, Launch, LoopOver, Release, Solo, Withdraw
from grebe.core.rig.spec import HandMove, Spec
from grebe.core.sets.model import Set, SetSong
from grebe.core.songs.model import Part
from grebe.core.time.ticks import TICKS_PER_QUARTER
from grebe.errors import EditError
from grebe.formats.project import write_project
from grebe.protocols.link.messages import Load, Status
from tests import build
from tests.app.sessions import session_link
from tests.app.test_session import FakeClient, hear, welcome

BAR = 4 * TICKS_PER_QUARTER


def two_songs() -> Project:
    """Two songs of eight bars at 126 and 100 BPM, the second after a stop; an echo set by hand."""
    base = build.two_boxes()
    second = msgspec.structs.replace(base.songs[0], id="second", name="Second", bpm=100.0)
    echo = build.device(
        "echo", kind="echo", plays="own",
        spec=Spec(echo_ms=(20.0, 800.0),
                  by_hand=(HandMove(name="set it", seconds=1.0, serves=("echo",)),)),
    )  # fmt: skip
    scenes = tuple(
        msgspec.structs.replace(s, parts=(*s.parts, Part(device="echo", echo=v)))
        for s, v in zip(base.scenes, ("1/4", "1/8"), strict=True)
    )
    places = (SetSong(id="e1", song="song"), SetSong(id="e2", song="second", gap_s=5.0))
    running = Set(id="night", name="Night", songs=places, slot_s=40.0)
    rig = msgspec.structs.replace(base.rig, devices=(*base.rig.devices, echo))
    return msgspec.structs.replace(
        base, rig=rig, scenes=scenes, songs=(base.songs[0], second), sets=(running,)
    )


@pytest.fixture
def client() -> FakeClient:
    return FakeClient()


@pytest.fixture
def session(tmp_path: Path, client: FakeClient) -> Session:
    path = tmp_path / "x.grebe"
    write_project(path, two_songs())
    made = Session(Store.open(path))
    session_link(made).client = client  # type: ignore[assignment]
    hear(made, client, welcome())
    made.selection.perform_set(on=True)
    return made


def at(section: str, tick: float = 0.0, section_tick: int = 0, **fields: Any) -> Status:
    fields.setdefault("boundary", section_tick + 2 * BAR)
    return Status(
        at_ns=raw_now_ns(), running=True, tick=tick, bpm=126.0, section=section,
        section_tick=section_tick, **fields,
    )  # fmt: skip


def last_load(client: FakeClient) -> Load:
    return next(m for m in reversed(client.said) if isinstance(m, Load))


def test_the_set_is_sent_as_one(session: Session, client: FakeClient) -> None:
    """Where the set is performed its plan goes to the engine, elsewhere the song's."""
    plan = last_load(client).plan.plan
    assert (plan.song.id, [c.entry for c in plan.chapters]) == ("set-night", ["e1", "e2"])
    session.selection.perform_set(on=False)
    assert last_load(client).plan.plan.song.id == "song"


def test_where_the_set_is_told_in_its_songs_words(session: Session, client: FakeClient) -> None:
    """The song that plays is taken in hand; what comes in another song is known too."""
    hear(session, client, at("e1-s1", next_section="e1-s2"))
    assert session.status is not None
    assert (session.selection.song_id, session.status.section) == ("song", "s1")
    assert session.status.next_section == "s2"
    hear(session, client, at("e1-s3", next_section="e2-s1"))
    assert session.status.next_section == ""
    assert session.selection.play.coming is not None
    assert (session.selection.play.coming.song, session.selection.play.coming.section) == (
        "second",
        "s1",
    )
    hear(session, client, at("e2-s1", 8.0 * BAR, 8 * BAR))
    assert (session.selection.song_id, session.selection.play.entry) == ("second", "e2")
    session.selection.perform_set(on=False)  # while it plays nothing changes
    assert session.selection.whole_set


def test_what_is_asked_for_is_said_in_the_set_s_words(session: Session, client: FakeClient) -> None:
    """Launches, jumps, loops and runs name the joined song's sections and ticks."""
    session.selection.choose_place("e2")
    session.performer.run_stop()
    assert client.said[-1] == Begin(section="e2-s1")
    session.selection.section, session.selection.tick = "s2", 3 * BAR
    session.performer.run_here()
    assert client.said[-1] == Begin(section="e2-s2", tick=11 * BAR)
    hear(session, client, at("e2-s1", 8.0 * BAR, 8 * BAR))
    session.performer.launch("s3", "bar")
    assert client.said[-1] == Launch(section="e2-s3", at="bar")
    session.performer.launch_song("e1", "bar")
    assert client.said[-1] == Launch(section="e1-s1", at="bar")
    with pytest.raises(EditError, match="cannot be played"):
        session.performer.launch_song("gone", "bar")
    session.performer.loop_over(BAR, 2 * BAR)
    assert client.said[-1] == LoopOver(first=9 * BAR, last=10 * BAR)
    session.performer.loop_over(0, 0)
    assert client.said[-1] == LoopOver(first=0, last=0)
    for ask, message in (
        (session.performer.back, Back()), (session.performer.withdraw, Withdraw()),
        (session.performer.release, Release()),
    ):  # fmt: skip
        ask()
        assert client.said[-1] == message
    session.performer.solo("bass")
    assert client.said[-1] == Solo(device="bass", on=True)
    hear(session, client, at("e2-s1", 8.0 * BAR, 8 * BAR, solos=(("bass", ""),)))
    session.performer.solo("bass")
    assert client.said[-1] == Solo(device="bass", on=False)


def test_after_a_song_that_ended_by_itself_the_next_waits(
    session: Session, client: FakeClient
) -> None:
    """Ended: the next is in hand. Stopped by hand: the same one is."""
    hear(session, client, at("e1-s3"))
    hear(session, client, Status(at_ns=1, running=False, section="e1-s3"))
    assert (session.selection.play.entry, session.selection.song_id) == ("e2", "second")
    session.selection.choose_place("e1")
    session.performer.run_stop()
    hear(session, client, at("e1-s1"))
    session.performer.run_stop()
    hear(session, client, Status(at_ns=1, running=False, section="e1-s1"))
    assert session.selection.play.entry == "e1"


def test_a_window_that_comes_back_finds_the_set(session: Session, client: FakeClient) -> None:
    """An engine that plays the set says so by the name of what it plays."""
    session.selection.whole_set = False
    hear(session, client, welcome(running=True, song="set-night", source=session.source))
    assert session.selection.whole_set
    assert session.selection.set_id == "night"


def test_a_set_taken_away(session: Session) -> None:
    """Without sets the song is performed; with a set of nothing too."""
    session.store.apply("No sets", lambda p: msgspec.structs.replace(p, sets=()))
    assert session.selection.running_set is None
    assert session.selection.joined() is None
    empty = Set(id="empty", name="Empty")
    session.store.apply("Empty", lambda p: msgspec.structs.replace(p, sets=(empty,)))
    assert session.selection.set_id == "empty"
    assert session.selection.joined() is None
    assert not session.selection.choose_place("e1")


# Stage's book


def test_now_and_next(session: Session, client: FakeClient) -> None:
    """Bars, beats and seconds to go; how long it can be withdrawn; what comes in another song."""
    book = StageModel(session)
    layout = session.derived.layout()
    assert layout is not None
    assert book.now(layout) is None
    hear(session, client, at("e1-s1", 5.0 * TICKS_PER_QUARTER, next_section="e1-s2",
                             last_word=2 * BAR - TICKS_PER_QUARTER // 4))  # fmt: skip
    now = book.now(layout)
    assert now is not None
    assert (now.bar, now.bars, now.beat, now.number, now.passes) == (2, 2, 2, 1, 1)
    assert now.to_go_s == pytest.approx(3 * 60 / 126, abs=0.05)
    assert now.withdraw_s == pytest.approx(2.75 * 60 / 126, abs=0.05)
    assert now.following is not None
    assert now.following.scene.name == "b"
    hear(session, client, at("e1-s3", 6.0 * BAR, 6 * BAR, next_section="e2-s1"))
    now = book.now(layout)
    assert now is not None
    assert now.other_song is not None
    assert (now.other_song.name, now.following.scene.name) == ("Second", "a")  # type: ignore[union-attr]


def test_moves_are_announced_a_bar_ahead_and_ticked_off(
    session: Session, client: FakeClient
) -> None:
    """The echo by hand: quiet, then announced, then done; anew before the next section."""
    book = StageModel(session)
    layout = session.derived.layout()
    assert layout is not None
    hear(session, client, at("e1-s2", 2.0 * BAR, 2 * BAR, boundary=6 * BAR, next_section="e1-s3"))
    now = book.now(layout)
    assert now is not None
    (move,) = book.moves(now)
    assert move.words == "Echo: 1/8 to 1/4, 476 ms"
    assert not book.announced(now, move)
    assert 5 * BAR - BAR // 2 <= move.begins < move.closes
    hear(session, client, at("e1-s2", 5.0 * BAR, 2 * BAR, boundary=6 * BAR, next_section="e1-s3"))
    now = book.now(layout)
    assert now is not None
    assert book.announced(now, move)
    assert book.tick_off() == move
    assert book.to_do(now) == ()
    assert book.made[0].at_tick == pytest.approx(5 * BAR, rel=0.01)
    assert book.tick_off() is None
    hear(session, client, at("e1-s1", 0.0, 0, next_section="e1-s2"))
    now = book.now(layout)
    assert now is not None
    assert len(book.to_do(now)) == 1


def test_time_left_in_the_slot(session: Session, client: FakeClient) -> None:
    """40 s for 15.2 + 5 + 19.2 s; 3 s late it does not fit, and says what to drop."""
    time_s = 100.0
    book = StageModel(session, lambda: time_s)
    assert book.slot() is not None
    hear(session, client, at("e1-s1", 0.0, next_section="e1-s2"))
    book.follow()
    slot = book.slot()
    assert slot is not None
    assert slot.left_s == 40.0
    assert slot.plan_s == pytest.approx(8 * 4 * 60 / 126 + 5 + 8 * 4 * 0.6, abs=0.1)
    assert slot.drop == ()
    time_s = 103.0
    hear(session, client, at("e1-s1", 0.0, next_section="e1-s2"))
    slot = book.slot()
    assert slot is not None
    assert slot.over_s == pytest.approx(2.44, abs=0.1)
    (drop,) = slot.drop
    assert (drop.entry, drop.section) == ("e1", "s2")
    session.selection.drop_passes([(drop.entry, drop.section)])
    assert last_load(client).plan.plan.song.sections[1].times == 1
    assert session.project.songs[0].sections[1].times == 2
    after = book.slot()
    assert after is not None
    assert after.over_s < 0
