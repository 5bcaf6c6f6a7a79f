"""The engine led by a box: a stand-in that leads, and a leader that does what the test says."""

from __future__ import annotations

import os
import random
import socket
import threading
import time
from collections.abc import Iterator
from contextlib import contextmanager

import msgspec
import pytest

from grebe.app.engine.client import connect_when_ready
from grebe.app.engine.supervisor import (
    StandinsProcess,
    load_message,
    start_engine,
)
from grebe.app.live.perform import perform, settled_report, with_leader_named
from grebe.core.document import Project
from grebe.core.player.commands import Begin, Halt, Hold
from grebe.core.player.plan import make_plan
from grebe.core.rig.model import Cable, Faults, Filter, Route
from grebe.core.rig.spec import Sends, Spec
from grebe.core.time.ticks import TICKS_PER_QUARTER
from grebe.errors import UsageError
from grebe.process.children import end_child
from grebe.process.places import standin_socket
from grebe.protocols.link.messages import Loaded, Notice, Status, Welcome
from grebe.protocols.standin.reports import encode_reports, played
from grebe.transports.clock import raw_ns
from tests.engine.listener import Listener, listening_engine
from tests.engine.live import live
from tests.engine.test_engine import fast, with_faults
from tests.waiting import PATIENCE_S, wait

CLOCK, START, CONTINUE, STOP = b"\xf8", b"\xfa", b"\xfb", b"\xfc"
BPM = 240.0
PERIOD_S = 60 / BPM / 24


def led_by_bass() -> Project:
    project, _ = with_leader_named(fast(BPM), "bass")
    return project


@pytest.mark.real_time("no tick may be missed on another process's clock")
def test_a_box_leads_and_the_other_follows_through_grebe() -> None:
    """Every tick sent arrives; the song plays to its end on the leader's clock."""
    project = led_by_bass()
    outcome = perform(project, make_plan(project, project.songs[0]), 30.0)
    rows = {r.device: r for r in outcome.reports}
    assert rows["bass"].ticks_sent == 0  # it has its own
    assert rows["drums"].ticks_sent == pytest.approx(768, abs=2)
    assert rows["drums"].missed == 0
    assert outcome.played_s == pytest.approx(32 * 60 / BPM, abs=1.5)


@pytest.mark.real_time("a sender in Python is only as steady as the host")
def test_phase_and_tempo_of_the_leader_are_taken_over() -> None:
    """Also from a leader that wavers by 2 ms and runs a little fast."""
    project = with_faults(led_by_bass(), "bass", Faults(jitter_ms=2.0, drift_ppm=2000))
    with live(project) as engine:
        engine.send(Begin(), Hold(on=True))
        found = engine.status(
            lambda s: s.tick > 12 * TICKS_PER_QUARTER and abs(s.heard_off_ms) < 1.5, 20.0
        )
        assert found.follows == "bass"
        assert found.hearing == "clock"
        assert found.heard_bpm == pytest.approx(BPM * 1.002, rel=2e-3)
        assert 0.5 < found.heard_jitter_ms < 8


class Leader:
    """A box in the test's own hands, at the place of a stand-in."""

    def __init__(self, device: str) -> None:
        path = standin_socket(device)
        path.unlink(missing_ok=True)
        self._listener = socket.socket(socket.AF_UNIX, socket.SOCK_SEQPACKET)
        self._listener.bind(str(path))
        os.chmod(path, 0o600)
        self._listener.listen(1)
        self._box: socket.socket | None = None
        self._ticking = threading.Event()
        self._stop = False
        self._thread = threading.Thread(target=self._run)
        self._thread.start()

    def _run(self) -> None:
        self._box, _ = self._listener.accept()
        self._box.setblocking(False)
        due = time.monotonic()
        while not self._stop:
            if not self._ticking.is_set():
                time.sleep(0.002)
                due = time.monotonic()
                continue
            time.sleep(max(0.0, due - time.monotonic()))
            try:
                self.send(CLOCK)
            except (BrokenPipeError, ConnectionResetError):
                return  # the engine has ended; what it heard until then is what is judged
            due += PERIOD_S

    def send(self, *messages: bytes) -> None:
        """Put messages on the wire to Grebe, stamped now."""
        while self._box is None:
            time.sleep(0.002)
        self._box.send(encode_reports([played(data, raw_ns()) for data in messages]))

    def ticking(self, *, on: bool) -> None:
        """Let the clock run, or pull it."""
        (self._ticking.set if on else self._ticking.clear)()

    def close(self) -> None:
        self._stop = True
        self._thread.join(5)
        if self._box is not None:
            self._box.close()
        self._listener.close()


class Stage:
    """An engine, one real stand-in for the drums, and the leader."""

    def __init__(self, project: Project) -> None:
        plan = make_plan(project, project.songs[0])
        self.leader = Leader("bass")
        self.standins = StandinsProcess([project.rig.device("drums")])
        self.engine = start_engine()
        self.standins.wait_ready()
        self.client = connect_when_ready()
        self.client.wait_for(Welcome, PATIENCE_S)
        self.client.send(load_message(project, plan))
        self.client.wait_for(Loaded, PATIENCE_S)
        self.notices: list[str] = []

    def status(self, wanted: object, seconds: float = PATIENCE_S) -> Status:
        end = time.monotonic() + seconds
        last: Status | None = None
        while time.monotonic() < end:
            for message in self.client.pump():
                if isinstance(message, Notice):
                    self.notices.append(message.text)
                elif isinstance(message, Status):
                    last = message
                    if wanted(message):  # type: ignore[operator]
                        return message
            time.sleep(0.005)
        raise AssertionError(f"it did not come to that: {last}; {self.notices}")

    def close(self) -> None:
        self.leader.close()
        self.client.close()
        for process in (self.engine, self.standins.process):
            end_child(process)


@contextmanager
def stage(project: Project | None = None) -> Iterator[Stage]:
    made = Stage(project or led_by_bass())
    try:
        yield made
    finally:
        made.close()


def sent(status: Status, device: str = "drums") -> int:
    return next(d.sent for d in status.devices if d.id == device)


def test_start_stop_continue_and_song_position_are_obeyed() -> None:
    """The leader alone decides; Song Position sets the place that Continue goes on from."""
    with stage() as s:
        s.leader.ticking(on=True)
        s.status(lambda m: m.hearing == "clock" and abs(m.heard_bpm - BPM) < 12)
        s.leader.send(START)
        running = s.status(lambda m: m.running and sent(m) > 48)
        assert running.section == "s1"
        s.leader.send(STOP)
        s.status(lambda m: not m.running)
        s.leader.send(bytes((0xF2, 64, 0)))  # the fifth bar of 4/4
        s.leader.send(CONTINUE)
        placed = s.status(lambda m: m.running and m.tick > 16 * TICKS_PER_QUARTER)
        assert placed.tick < 22 * TICKS_PER_QUARTER
        # Stopped by hand, the leader going on: Run comes in on the leader's next bar.
        s.client.send(Halt())
        s.status(lambda m: not m.running)
        s.client.send(Begin())
        s.status(lambda m: m.running and m.tick > 20 * TICKS_PER_QUARTER)


@pytest.mark.real_time("the distance of ticks is judged, of a sender in this process")
def test_a_clock_is_passed_on_smoothly_while_stopped_too() -> None:
    """For a box that wants clock then, at the leader's tempo; silence for silence."""
    project = led_by_bass()
    drums, bass = project.rig.devices
    drums = msgspec.structs.replace(drums, clock_stopped=True)
    rig = msgspec.structs.replace(project.rig, devices=(drums, bass))
    project = msgspec.structs.replace(project, rig=rig)
    leader = Leader("bass")
    with Listener("drums") as box:
        plan = make_plan(project, project.songs[0])
        with listening_engine(project, plan) as client:
            time.sleep(0.3)
            assert box.count(0xF8) == 0
            leader.ticking(on=True)
            wait(lambda: box.count(0xF8) > 200)
            assert box.count(0xFA) == 0
            times = box.times(0xF8)[100:200]
            apart = (times[-1] - times[0]) / 99
            assert apart == pytest.approx(PERIOD_S, rel=0.05)
            leader.ticking(on=False)
            time.sleep(0.6)
            silent = box.count(0xF8)
            time.sleep(0.3)
            assert box.count(0xF8) == silent
            client.pump()
    leader.close()


def test_a_leader_that_says_no_start_is_joined_by_hand() -> None:
    """Run comes in with its next tick, Stop leaves its clock alone, Run comes in again."""
    project = led_by_bass()
    drums, bass = project.rig.devices
    bass = msgspec.structs.replace(bass, spec=Spec(sends=Sends(clock=True)))
    rig = msgspec.structs.replace(project.rig, devices=(drums, bass))
    with stage(msgspec.structs.replace(project, rig=rig)) as s:
        s.client.send(Begin())
        s.status(lambda m: any("next tick" in words for words in s.notices))
        s.leader.ticking(on=True)
        s.status(lambda m: m.running and sent(m) > 48)
        s.client.send(Halt())
        s.status(lambda m: not m.running and m.hearing == "clock")
        s.client.send(Begin())
        again = s.status(lambda m: m.running and sent(m) > 24)
        assert again.tick < 8 * TICKS_PER_QUARTER


@pytest.mark.real_time("the tempo of a sender in this process is judged")
def test_a_lost_clock_is_held_and_taken_up_again() -> None:
    """Ticks go on at the last tempo, it is said, and the return is said too."""
    with stage() as s:
        s.leader.ticking(on=True)
        s.leader.send(START)
        s.status(lambda m: m.running and sent(m) > 96)
        s.leader.ticking(on=False)
        held = s.status(lambda m: m.hearing == "held")
        on = s.status(lambda m: sent(m) > sent(held) + 96)
        assert on.running
        assert on.bpm == pytest.approx(BPM, rel=0.1)
        s.leader.ticking(on=True)
        s.status(lambda m: m.hearing == "clock")
        s.status(lambda m: any("is back" in words for words in s.notices))
        assert any("held" in words for words in s.notices)


def test_run_waits_for_a_leader_that_is_silent(monkeypatch: pytest.MonkeyPatch) -> None:
    """A real box is waited for, and said so; the clock that begins with Start is taken at once."""
    with stage() as s:
        s.client.send(Begin())  # presses the key of a stand-in, which this one has not
        s.leader.send(START)
        s.leader.ticking(on=True)
        begun = s.status(lambda m: m.running and sent(m) > 24)
        assert begun.section == "s1"


def test_who_cannot_lead_is_said() -> None:
    """A cable is assumed where there is none; a box that sends no clock is refused."""
    project = fast()
    _, assumed = with_leader_named(project, "bass")
    assert "as if it had one" in assumed[0]
    assert with_leader_named(project, "grebe")[1] == ()
    with pytest.raises(UsageError, match="no device"):
        with_leader_named(project, "nobody")
    filtered, _ = with_leader_named(project, "bass")
    cables = tuple(
        msgspec.structs.replace(c, passes=msgspec.structs.replace(c.passes, clock=False))
        if c.target == "grebe"
        else c
        for c in filtered.rig.cables
    )
    rig = msgspec.structs.replace(filtered.rig, cables=cables)
    with pytest.raises(UsageError, match="does not reach Grebe"):
        with_leader_named(msgspec.structs.replace(filtered, rig=rig), "bass")


@pytest.mark.real_time("no tick may be missed under a flood")
def test_a_flood_of_anything_holds_nobody_up() -> None:
    """Random bytes, cut messages, active sensing, clocks and notes as fast as they go.

    The other box misses no tick, the engine answers, and says what it sees.
    """
    project = fast(BPM)
    # A wire carries a thousand messages a second: the flood is kept back by the route.
    passes = Filter(clock=False, transport=False, notes=False, controllers=False)
    route = Route(source="bass", target="drums", passes=passes)
    cables = (*project.rig.cables, Cable(source="bass", target="grebe"))
    project = msgspec.structs.replace(
        project, rig=msgspec.structs.replace(project.rig, cables=cables, routes=(route,))
    )
    rng = random.Random(6)
    junk = [bytes(rng.randrange(256) for _ in range(rng.randint(1, 3))) for _ in range(500)]
    usual = [b"\xfe", b"\x90\x24\x64", b"\x80\x24\x00", b"\xf8", b"\xf0\x01\x02", b"\x40"]
    with stage(project) as s:
        s.client.send(Begin())
        s.client.send(Hold(on=True))
        s.status(lambda m: m.running and sent(m) > 24)
        end = time.monotonic() + 2.0
        flooded = 0
        while time.monotonic() < end:
            for _ in range(50):
                try:
                    s.leader.send(*rng.choices([*junk, *usual], k=10))
                    flooded += 10
                except BlockingIOError:
                    time.sleep(0.0005)
            s.status(lambda m: True)
        before = s.status(lambda m: m.running)
        s.status(lambda m: sent(m) > sent(before) + 48)
        s.client.send(Halt())
        report = settled_report(s.client)
    row = next(r for r in report.devices if r.device == "drums")
    assert flooded > 5_000
    assert row.missed == 0
    assert any("no MIDI" in words for words in s.notices)
