"""A rehearsal with the engine's words in our own hands: launches, moves, drills, taps, the log."""

from __future__ import annotations

from datetime import UTC, datetime
from pathlib import Path
from typing import Any

import pytest

from grebe.app.document.store import Store
from grebe.app.live.position import raw_now_ns
from grebe.app.live.rehearsal import GIVES_UP_BARS, Rehearsal
from grebe.app.live.session import Session
from grebe.app.live.stage_model import StageModel
from grebe.app.log.older import REHEARSALS
from grebe.core.player.commands import Begin, Hold, Launch, LoopOver
from grebe.core.time.ticks import TICKS_PER_QUARTER
from grebe.errors import EditError
from grebe.formats.log_db import LogDb
from grebe.formats.project import write_project
from grebe.protocols.link.messages import Load, Pressed, Status
from tests.app.sessions import session_link
from tests.app.test_session import FakeClient, hear, welcome
from tests.app.test_set_play import two_songs
from tests.waiting import PATIENCE_S

BEAT = TICKS_PER_QUARTER
BAR = 4 * BEAT
BPM = 126.0


class Stage:
    """A rehearsal of the first song; time goes where it is told."""

    def __init__(self, tmp_path: Path) -> None:
        path = tmp_path / "x.grebe"
        write_project(path, two_songs())
        self.client = FakeClient()
        self.session = Session(Store.open(path))
        session_link(self.session).client = self.client  # type: ignore[assignment]
        hear(self.session, self.client, welcome())
        book = StageModel(self.session)
        self.rehearsal = Rehearsal(
            self.session, book, lambda: datetime(2026, 11, 25, 20, 0, tzinfo=UTC)
        )

    def at(self, section: str, beat: float, begins: float, **fields: Any) -> None:
        """The engine says where it is, in beats."""
        fields.setdefault("boundary", round((begins + 8) * BEAT))
        follow = {"s1": "s2", "s2": "s3"}.get(section, "")
        fields.setdefault("next_section", follow)
        status = Status(
            at_ns=raw_now_ns(), running=True, tick=beat * BEAT, bpm=BPM, section=section,
            section_tick=round(begins * BEAT), **fields,
        )  # fmt: skip
        hear(self.session, self.client, status)
        self.rehearsal.follow()


def logged(stage: Stage) -> LogDb:
    """The log, once all is written."""
    assert stage.session.log.settle(PATIENCE_S)
    log = stage.session.log.read()
    assert log is not None
    return log


@pytest.fixture
def stage(tmp_path: Path) -> Stage:
    return Stage(tmp_path)


def test_launches_are_the_performer_s(stage: Stage) -> None:
    """Each section is held; brought in within its last bar it is good, and written down."""
    stage.rehearsal.begin()
    assert isinstance(stage.client.said[-1], Begin)
    stage.at("s1", 0.1, 0)
    assert stage.client.said[-1] == Hold(on=True)
    stage.at("s1", 6.0, 0)
    assert stage.rehearsal.asks(stage.rehearsal.book.now(stage.session.derived.layout())) == [  # type: ignore[arg-type]
        ("Echo: 1/4 to 1/8, 238 ms", True), ("Bring in b", True),
    ]  # fmt: skip
    stage.session.performer.launch("", "bar")
    stage.rehearsal.book.tick_off()
    stage.at("s1", 7.9, 0)
    stage.at("s2", 8.1, 8)
    scores = [(s.asked.kind, s.verdict) for _, _, s in stage.rehearsal.scores]
    assert scores == [("launch", "good"), ("move", "good")]
    assert [(r.verdict, r.before) for r in logged(stage).tries()] == [("good", "a")] * 2
    assert stage.client.said[-1] == Hold(on=True)


def test_too_early_too_late_and_not_at_all(stage: Stage) -> None:
    """Asked for bars before its time; after it; never, until Grebe brings it in."""
    stage.rehearsal.begin()
    stage.at("s1", 0.1, 0)
    stage.at("s1", 1.0, 0)
    stage.session.performer.launch("", "bar")
    stage.at("s1", 2.0, 0)
    stage.at("s2", 4.1, 4)
    launch = next(s for _, _, s in stage.rehearsal.scores if s.asked.kind == "launch")
    assert launch.verdict == "early"
    stage.at("s2", 12.5, 4)
    assert stage.rehearsal.to_boundary_s() > 0
    stage.at("s2", 21.0, 4)
    assert stage.rehearsal.to_boundary_s() < 0
    stage.session.performer.launch("", "bar")
    stage.at("s2", 21.0, 4)
    stage.at("s3", 24.1, 24)
    launch = next(s for _, _, s in stage.rehearsal.scores if s.asked.kind == "launch")
    assert launch.verdict == "late"
    assert launch.off_ms == pytest.approx(60_000 / BPM, abs=60)
    move = next(s for _, _, s in stage.rehearsal.scores if s.asked.kind == "move")
    assert move.verdict == "missed"
    logged(stage)
    worst = stage.rehearsal.practise
    assert {(t.before, t.after) for t in worst} == {("b", "a"), ("a", "b")}
    assert worst[0].fault > 0.5


def test_one_that_is_missed_is_brought_in(stage: Stage) -> None:
    """After some bars the song goes on by itself, and that is written down."""
    stage.rehearsal.begin()
    stage.at("s1", 0.1, 0)
    stage.at("s1", 8.0 + 4 * GIVES_UP_BARS + 0.5, 0)
    assert stage.client.said[-1] == Launch(at="bar")
    stage.at("s2", 28.1, 28)
    launch = next(s for _, _, s in stage.rehearsal.scores if s.asked.kind == "launch")
    assert launch.verdict == "missed"


def test_a_pedal_launches_too(stage: Stage) -> None:
    """Its own time counts, not that at which it was heard of."""
    stage.rehearsal.begin()
    stage.at("s1", 0.1, 0)
    stage.at("s1", 6.0, 0)
    now = raw_now_ns()
    hear(stage.session, stage.client, Pressed(action="next_in", down=True, at_ns=now))
    stage.at("s1", 6.1, 0)
    stage.at("s2", 8.1, 8)
    launch = next(s for _, _, s in stage.rehearsal.scores if s.asked.kind == "launch")
    assert launch.verdict == "good"


def test_grebe_launches_and_only_moves_are_asked_for(stage: Stage) -> None:
    """Nothing is held; the moves are scored."""
    stage.rehearsal.by_hand = False
    stage.rehearsal.begin()
    stage.at("s1", 0.1, 0)
    stage.at("s2", 8.1, 8)
    assert not any(isinstance(m, Hold) for m in stage.client.said)
    assert [s.asked.kind for _, _, s in stage.rehearsal.scores] == ["move"]


def test_a_hard_transition_goes_round(stage: Stage) -> None:
    """From bars before it to bars after it, counted in, slower; its end is not held."""
    stage.rehearsal.begin()
    stage.at("s1", 0.1, 0)
    stage.at("s2", 8.1, 8)
    hear(stage.session, stage.client, Status(at_ns=1, running=False))
    stage.rehearsal.follow()
    assert not stage.rehearsal.on
    assert stage.rehearsal.slower() == 0.9
    load = next(m for m in reversed(stage.client.said) if isinstance(m, Load))
    assert load.plan.plan.song.bpm == pytest.approx(0.9 * BPM)
    logged(stage)
    stage.rehearsal.drill(stage.rehearsal.practise[0])
    assert LoopOver(first=0, last=4 * BAR) in stage.client.said
    begun = stage.client.said[-1]
    assert isinstance(begun, Begin)
    assert begun.count_in_bars == 1
    stage.at("s1", 0.1, 0)
    assert stage.client.said[-1] == Hold(on=True)
    stage.session.performer.launch("", "bar")
    stage.at("s1", 7.0, 0)
    stage.at("s2", 8.1, 8)
    assert stage.client.said[-1] != Hold(on=True)
    stage.rehearsal.end()
    assert stage.session.tempo.scale == 1.0
    logged(stage)
    gone = stage.rehearsal.practise[0]._replace(song="Gone")
    hear(stage.session, stage.client, Status(at_ns=1, running=False))
    with pytest.raises(EditError, match="no song Gone"):
        stage.rehearsal.drill(gone)
    with pytest.raises(EditError, match="does not go"):
        stage.rehearsal.drill(gone._replace(song="Song", before="x"))


def test_the_one_tapped(stage: Stage) -> None:
    """Three taps near bar lines are written down with mean and spread; earlier runs are shown."""
    stage.rehearsal.tap_ones()
    assert isinstance(stage.client.said[-1], Begin)
    for beat in (4.0, 8.0, 12.0):
        stage.at("s2", beat, 0.0)
        status = stage.session.status
        assert status is not None
        stage.rehearsal.tap(status.at_ns + 30_000_000)
    found = stage.rehearsal.ones
    assert found is not None
    assert found.mean_ms == pytest.approx(30.0, abs=1.0)
    stage.rehearsal.tap_ones()
    assert not stage.rehearsal.tapping
    logged(stage)
    ((day, mean, _),) = stage.rehearsal.history
    assert (day, mean) == ("2026-11-25", pytest.approx(30.0, abs=1.0))


def test_what_older_versions_kept_is_taken_over(stage: Stage) -> None:
    """Once; lines that cannot be read are left out, and the file stays under another name."""
    folder = stage.session.log.folder
    folder.mkdir(parents=True, exist_ok=True)
    at = '"at": "2026-11-01T21:00:00+01:00", "project": "Test"'
    (folder / REHEARSALS).write_text(
        'nonsense\n[1]\n{"kind": "ones", "project": "Test", "mean_ms": "x"}\n'
        '{"kind": "launch", "project": "Test", "song": 3}\n'
        f'{{"kind": "ones", {at}, "song": "Song", "tempo_bpm": 126, "taps": 4, "mean_ms": -12.5, '
        '"spread_ms": 8}\n'
        f'{{"kind": "move", {at}, "song": "Song", "from": "a", "to": "b", "what": "Echo", '
        '"verdict": "late", "off_ms": 40.0, "pace": 1.0}\n'
    )
    for _ in range(2):
        stage.session.log.tidy()
        assert [r.verdict for r in logged(stage).tries()] == ["late"]
    fresh = Rehearsal(stage.session, stage.rehearsal.book)
    assert [(t.before, t.after) for t in fresh.practise] == [("a", "b")]
    assert fresh.history == [("2026-11-01", -12.5, 8.0)]
    assert not (folder / REHEARSALS).exists()
