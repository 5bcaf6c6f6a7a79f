"""Boxes heard by ear in a session without an engine: what the ears say goes in as they would."""

from __future__ import annotations

import json
import subprocess
import sys
import time
from collections.abc import Callable
from pathlib import Path
from typing import Any

import msgspec
import numpy as np
import pytest

from grebe.app.live.drifting import Drifting
from grebe.app.live.ear_actions import EarActions
from grebe.app.live.interfaces import CableLoop, keep_loop, known_late_ms, loops
from grebe.app.live.position import Position
from grebe.app.live.session import Session
from grebe.core.document import with_device
from grebe.core.player.commands import Mute
from grebe.core.rig.model import AudioPort, Port
from grebe.core.time.ticks import SIXTEENTH_TICKS, TICKS_PER_QUARTER
from grebe.errors import EditError
from grebe.process import children
from grebe.protocols.link.messages import Deviation, PlayedIn, Pressed, Status
from tests.app.test_looping import session_of
from tests.app.test_session import FakeClient
from tests.core.test_loopers import with_looper
from tests.waiting import PATIENCE_S

BPM = 120.0
BEAT_NS = 500_000_000
BEGINS_NS = 50_000_000_000
A_MS = TICKS_PER_QUARTER / 500


@pytest.fixture
def client() -> FakeClient:
    return FakeClient()


@pytest.fixture
def session(tmp_path: Path, client: FakeClient, monkeypatch: pytest.MonkeyPatch) -> Session:
    monkeypatch.setattr("grebe.app.live.position.raw_now_ns", lambda: BEGINS_NS)
    loops.cache_clear()
    return session_of(with_looper(), tmp_path, client)


def status(at_s: float, **fields: Any) -> Status:
    at_ns = BEGINS_NS + round(at_s * 1e9)
    tick = at_s * 2 * TICKS_PER_QUARTER
    return Status(at_ns=at_ns, running=True, bpm=BPM, tick=tick, section="s1", **fields)


def heard(session: Session, box: str, at: AudioPort) -> None:
    """Where a box's sound comes in."""
    port = Port(wire="jack", name="x")
    session.store.apply(
        "Heard",
        lambda p: with_device(p, box, lambda d: msgspec.structs.replace(d, heard_at=at, port=port)),
    )


def ears(monkeypatch: pytest.MonkeyPatch, told: Callable[[list[str]], list[object]]) -> None:
    """In place of the ears a process that says these lines."""
    real = children.start

    def start(kind: children.Kind, *words: str, **how: Any) -> subprocess.Popen[bytes]:
        if kind is not children.EARS:
            return real(kind, *words, **how)
        lines = "\n".join(json.dumps(line) for line in told(list(words)))
        script = f"import sys; print({lines!r}, flush=True); sys.stdin.read()"
        return subprocess.Popen(
            [sys.executable, "-c", script], stdin=subprocess.PIPE, stdout=subprocess.PIPE
        )

    monkeypatch.setattr(children, "start", start)


def pump(session: Session, until: Callable[[], object]) -> None:
    for number in range(400):
        session.hearing.pump(100.0 + number / 100)
        if until():
            return
        time.sleep(0.01)
    raise AssertionError("it did not come to that")


def at_ns(beat: float, late_ms: float = 0.0) -> int:
    return BEGINS_NS + round(beat * BEAT_NS + late_ms * 1e6)


def test_a_place_between_two_words_of_the_engine(session: Session) -> None:
    """Exactly on the line between them; nothing where it did not play, or has not been told yet."""
    position: Position = session.position
    assert position.place_at(at_ns(1)) is None
    for n in range(10):
        position.take(status(n / 30))
    place = position.place_at(at_ns(0.3))
    assert place is not None
    assert place.tick == pytest.approx(0.3 * TICKS_PER_QUARTER)
    assert place.ticks_a_ms == pytest.approx(A_MS)
    assert position.place_at(at_ns(5)) is None
    position.take(Status(at_ns=at_ns(9), running=False))
    assert position.place_at(at_ns(0.3)) is None


def test_what_ears_hear_becomes_how_late_a_box_is(
    session: Session, monkeypatch: pytest.MonkeyPatch
) -> None:
    """By its steps, with what the interface takes taken off; sounds by number."""
    at = AudioPort(wire="audio", name="Deck", channel=2)
    heard(session, "bass", at)
    assert keep_loop(at, CableLoop(round_trip_ms=8.0, frames=384, rate=48_000)) == ""
    assert known_late_ms(AudioPort(wire="audio", name="Deck", channel=5)) == 4.0
    hits = [[0, at_ns(n / 2, 3.0 + 4.0), n % 2, 0.5] for n in range(16)]
    names: list[list[str]] = []

    def told(words: list[str]) -> list[object]:
        names.append(words)
        return [{"ready": 48_000, "channels": words}, {"hits": hits},
                {"channels": [[0.5, [[8, False], [8, False]]]], "lost": 0}]  # fmt: skip

    ears(monkeypatch, told)
    for n in range(125):
        session.position.take(status(n / 30))
    session.hearing.pump(0.0)
    assert not session.hearing.active  # nobody wants it
    session.hearing.want("sync", on=True)
    pump(session, lambda: len(session.hearing.by_ear.get("bass", ())) == 16)
    assert names == [["2 of Deck"]]
    kept = session.hearing.by_ear["bass"]
    assert len(kept) == 16
    assert [hit.late_ms for hit in kept] == pytest.approx([3.0] * 16, abs=0.01)
    assert [hit.tick for hit in kept] == [n * 2 * SIXTEENTH_TICKS for n in range(16)]
    assert not session.hearing.channels["bass"].no_moment
    assert len(session.hearing.take_events()) == 16
    session.hearing.quiet("probe", on=True)
    session.hearing.pump(200.0)
    assert not session.hearing.active
    session.hearing.close()


def test_a_pad_is_said_to_have_no_moment_and_lost_ears_are_tried_again(
    session: Session, monkeypatch: pytest.MonkeyPatch
) -> None:
    heard(session, "bass", AudioPort(wire="jack", name="in:1"))
    sounding = {"channels": [[0.3, []]], "lost": 0}
    starts: list[int] = []

    def told(words: list[str]) -> list[object]:
        starts.append(1)
        first: list[object] = [{"ready": 48_000, "channels": words}]
        return [*first, *[sounding] * 6, *([{"lost": "pulled"}] if len(starts) == 1 else [])]

    ears(monkeypatch, told)
    session.hearing.want("run", on=True)
    pump(session, lambda: session.hearing.problem)
    assert "pulled" in str(session.notices.last)
    session.hearing.pump(101.0)
    assert len(starts) == 1
    for number in range(200):
        session.hearing.pump(120.0 + number / 100)
        if session.hearing.channels and session.hearing.channels["bass"].no_moment:
            break
        time.sleep(0.01)
    assert session.hearing.channels["bass"].no_moment
    session.hearing.close()


def drift(session: Session, seconds: float, per_minute: float, from_s: float = 0.0) -> Drifting:
    rng = np.random.default_rng(1)
    for n in range(int(from_s * 2), int((from_s + seconds) * 2)):
        ms = per_minute * (n / 2 - from_s) / 60 + float(rng.normal(0, 0.1))
        word = status(n / 2, deviations=(Deviation(device="bass", tick=n, ms=ms),))
        session.position.take(word)
        session.drifting.take(word)
    return session.drifting


def test_what_drifts_is_said_before_it_is_heard_and_put_right_at_one_key(
    session: Session, client: FakeClient
) -> None:
    """Once; with how far, how fast, how sure and when it will be heard; the offset is an edit. At
    the end of the run what was learnt is in the log."""
    drifting = drift(session, 40, 3.0)
    (found,) = drifting.found.values()
    assert found.per_minute_ms == pytest.approx(3.0, abs=0.5)
    (said,) = [s for s in session.notices.said if "drifts" in s.text]
    assert said.offers == "put_right"
    assert "ms a minute" in said.text
    assert "Heard in" in said.text
    assert said.over is not None
    assert not said.over()
    words = drifting.put_right()
    late = session.project.rig.device("bass").offset_ms
    assert late == pytest.approx(-found.now_ms, abs=0.06)
    assert f"{late:+.1f} ms" in words
    assert drifting.found == {}
    assert said.over()
    session.store.undo()
    assert session.project.rig.device("bass").offset_ms == 0
    with pytest.raises(EditError, match="nothing that is heard moves"):
        drifting.put_right()
    drifting.take(Status(at_ns=at_ns(100), running=False))
    assert session.log.settle(PATIENCE_S)
    log = session.log.read()
    assert log is not None
    (row,) = log.checks()
    assert (row.kind, row.box, row.listened_to) == ("run", "Bass", "")
    assert row.drift_ms_min == pytest.approx(3.0, abs=0.5)


def test_a_box_that_is_not_on_the_clock_is_offered_no_offset(session: Session) -> None:
    drifting = drift(session, 40, 60.0)
    assert drifting.found
    (said,) = [s for s in session.notices.said if "drifts" in s.text]
    assert "not on the clock" in said.text


def test_ones_own_timing(session: Session) -> None:
    """Hands on pads against the nearest sixteenth, on the one against the bar; the foot against the
    bar, and its habit is taken off where it closes a loop."""
    own = session.own_timing
    rng = np.random.default_rng(2)
    with pytest.raises(EditError, match="8 times first"):
        own.take_habit()
    for bar in range(9):
        for n in range(30):
            session.position.take(status(2 * bar + n / 30))
        late = float(rng.normal(12, 3))
        tick = bar * 4 * TICKS_PER_QUARTER + late * A_MS
        hit = PlayedIn(device="pads", at_ns=0, status=0x99, first=36, second=90, tick=tick)
        own.take(status(0, played=(hit,)))
        foot = at_ns(4 * bar, float(rng.normal(40, 5)))  # 2 s a bar
        own.pressed(Pressed(action="track_1", down=True, at_ns=foot))
        own.pressed(Pressed(action="track_1", down=False, at_ns=foot))
        own.pressed(Pressed(action="next_in", down=True, at_ns=foot))
        own.take(status(2 * bar + 1))
    hands, ones, by_foot = (own.habit(s) for s in ("hands", "ones", "foot"))
    assert hands is not None
    assert ones is not None
    assert by_foot is not None
    assert hands.late_ms == pytest.approx(ones.late_ms)
    assert hands.late_ms == pytest.approx(12, abs=3)
    assert by_foot.late_ms == pytest.approx(40, abs=5)
    assert by_foot.presses == 9
    own.take_habit()
    foot_ms = session.project.rig.foot_ms
    assert foot_ms == pytest.approx(by_foot.late_ms, abs=0.06)
    session.position.take(Status(at_ns=at_ns(99), running=False))
    session.looping.first_loop(100.0)
    found = session.looping.first_loop(100.0 + 4.0 + foot_ms / 1e3)
    assert found is not None
    assert found.bpm == pytest.approx(120.0, abs=0.01)


def test_channels_are_found_by_muting_one_box_after_another(
    session: Session, client: FakeClient, monkeypatch: pytest.MonkeyPatch
) -> None:
    """Each box that plays is muted and let sound again; its channel is an edit of the rig."""
    search = session.channel_search
    with pytest.raises(EditError, match="choose in the Rig"):
        search.begin(AudioPort())
    at = AudioPort(wire="jack", name="card:1")
    for box in ("bass", "looper"):
        if session.project.rig.find(box) is not None:
            heard(session, box, AudioPort())
    ears(monkeypatch, lambda words: [{"ready": 48_000, "channels": ["jack:card:1", "jack:card:2"]}])
    word = status(0.0)
    session.position.take(word)
    search.begin(at)
    pump(session, lambda: session.hearing.channels)
    boxes = [box.id for box in search._boxes]
    silent: set[str] = set()
    seen = 0
    for n in range(3000):
        word = status(n / 30)
        session.position.take(word)
        search.take(word)
        for said in client.said[seen:]:
            if isinstance(said, Mute):
                (silent.add if said.on else silent.discard)(said.device)
        seen = len(client.said)
        if not search.active:
            break
        if n % 15 == 0:
            for number, box in enumerate(boxes[:2], start=1):
                if box not in silent:
                    session.hearing._waiting.append((f"jack:card:{number}", word.at_ns, 0))
            session.hearing._place()
    assert not search.active
    assert silent == set()
    assert session.hearing.searched is None
    for number, box in enumerate(boxes[:2], start=1):
        assert session.project.rig.device(box).heard_at == AudioPort(
            wire="jack", name=f"card:{number}"
        )
    session.hearing.close()


def test_a_loop_of_cable_is_asked_for_twice(
    session: Session, monkeypatch: pytest.MonkeyPatch
) -> None:
    """The caution first: clicks go where the cable is. Then it is measured and kept."""
    at = AudioPort(wire="jack", name="in:1")
    heard(session, "bass", at)
    actions = EarActions(session, lambda: session.project.rig.find("bass"))
    started: list[tuple[str, ...]] = []

    def start(kind: children.Kind, *words: str, **how: Any) -> subprocess.Popen[bytes]:
        started.append((kind.module, *words))
        line = json.dumps({"frames": 480, "spread": 0, "level": 0.4, "rate": 48_000})
        return subprocess.Popen([sys.executable, "-c", f"print({line!r})"], stdout=subprocess.PIPE)

    monkeypatch.setattr(children, "start", start)
    actions.loop_latency()
    assert started == []
    assert "speakers and ears must not get" in str(session.notices.last)
    actions.loop_latency()
    assert started == [(children.CABLE_LOOP.module, "jack:system:playback_1", "jack:in:1")]
    for _ in range(300):
        actions.follow()
        if actions._loop is None:
            break
        time.sleep(0.01)
    assert known_late_ms(at) == 5.0
    assert "480 samples" in str(session.notices.last)
