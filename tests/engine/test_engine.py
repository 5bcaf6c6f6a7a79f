"""The engine as a process, with stand-ins as processes, over real sockets."""

from __future__ import annotations

import signal
import socket
import time
from pathlib import Path

import msgspec
import numpy as np
import pytest

from grebe.app.engine.supervisor import start_engine
from grebe.app.live.perform import perform
from grebe.core.document import Project, with_song
from grebe.core.player.commands import Begin, Halt, Hold, Launch, Mute
from grebe.core.player.plan import make_plan
from grebe.core.rig.model import Faults
from grebe.core.songs.edit import set_tempo
from grebe.core.time.ticks import TICKS_PER_QUARTER
from grebe.engine.device_output import DeviceOutput
from grebe.errors import EngineError
from grebe.process.places import engine_socket
from grebe.protocols.link.messages import (
    LINK_VERSION,
    Audition,
    Heard,
    Hello,
    Listen,
    Loaded,
    Notice,
    Panic,
    Shutdown,
    Status,
    Welcome,
    pack,
)
from grebe.protocols.midi.messages import CONTINUE, SONG_POSITION, START, STOP
from grebe.protocols.midi.messages import TIMING_CLOCK as CLOCK
from grebe.protocols.standin.reports import ReportKind, StandinReport
from grebe.transports.clock import raw_ns
from tests import build
from tests.engine.listener import Listener, listening_engine
from tests.engine.live import Live, live, python
from tests.waiting import wait


def fast(bpm: float = 240.0) -> Project:
    """Two boxes at a tempo that keeps tests short."""
    return with_song(build.two_boxes(), "song", lambda s: set_tempo(s, bpm))


def with_faults(project: Project, device: str, faults: Faults) -> Project:
    devices = tuple(
        msgspec.structs.replace(d, faults=faults) if d.id == device else d
        for d in project.rig.devices
    )
    return msgspec.structs.replace(
        project, rig=msgspec.structs.replace(project.rig, devices=devices)
    )


def later_by(engine: Live, ms: float) -> Status:
    """Wait until the bass is later than the drums by so much, over some beats in a row.

    A shared host takes processor time away in bursts; the figure is right in between.
    """

    def so(status: Status) -> bool:
        late = {d.id: d.late_ms for d in status.devices}
        enough = min([d.sent for d in status.devices], default=0) > 150
        return enough and abs(late["bass"] - late["drums"] - ms) < 8

    return engine.status(so)


@pytest.mark.real_time("no tick may be missed in a minute of playing")
def test_a_song_from_end_to_end() -> None:
    """To the song's end: every tick at every device, all on one downbeat, nothing missed."""
    project = fast()
    outcome = perform(project, make_plan(project, project.songs[0]), 30.0)
    assert outcome.played_s == pytest.approx(32 * 60 / 240, abs=1.0)
    for row in outcome.reports:
        # 32 beats; the end of the song stops the clock on the beat.
        assert (row.ticks_sent, row.ticks_received, row.missed) == (768, 768, 0)
        assert row.measured == "device"


@pytest.mark.real_time("milliseconds of a stand-in beside those of the host")
def test_the_devices_own_lateness_is_seen() -> None:
    """A stand-in 30 ms late at its beats is told from one that is not."""
    project = with_faults(fast(), "bass", Faults(latency_ms=30))
    with live(project) as engine:
        engine.send(Begin(), Hold(on=True))
        status = later_by(engine, 30)
        beats = [d.tick for d in status.deviations if d.device == "bass"]
        assert all(tick % TICKS_PER_QUARTER == 0 for tick in beats)


def test_dropped_ticks_are_counted() -> None:
    """Missed is what was sent and not noticed by the box."""
    project = with_faults(fast(), "drums", Faults(drop_percent=10, seed=3))
    outcome = perform(project, make_plan(project, project.songs[0]), 3.0)
    rows = {r.device: r for r in outcome.reports}
    assert rows["bass"].missed == 0
    assert 0.04 < rows["drums"].missed / rows["drums"].ticks_sent < 0.18


@pytest.mark.real_time("milliseconds of an offset beside those of the host")
def test_an_offset_moves_a_device() -> None:
    """Ticks come earlier by the offset; lateness counts against where they should be."""
    project = fast()
    devices = tuple(
        msgspec.structs.replace(d, offset_ms=-20.0 if d.id == "bass" else 0.0)
        for d in project.rig.devices
    )
    project = msgspec.structs.replace(
        project, rig=msgspec.structs.replace(project.rig, devices=devices)
    )
    with live(project) as engine:
        engine.send(Begin(), Hold(on=True))
        later_by(engine, -20)


def test_launching_holding_muting_and_editing_live() -> None:
    """Commands and edits reach the running player."""
    project = fast()
    with live(project) as engine:
        engine.send(Begin())
        first = engine.status(lambda s: s.running and s.next_section == "s2")  # it has begun
        assert first.section == "s1"
        engine.send(Hold(on=True), Mute(device="bass", on=True))
        held = engine.status(lambda s: s.held)
        assert ("bass", "") in engine.status(lambda s: bool(s.mutes)).mutes
        engine.send(Launch(section="s3", at="bar"))
        moved = engine.status(lambda s: s.section == "s3")
        assert moved.section_tick % (4 * TICKS_PER_QUARTER) == 0
        assert moved.tick >= held.tick
        engine.send(engine.load(fast(300)))
        assert engine.status(lambda s: s.bpm == 300).running


@pytest.mark.real_time("no tick may be missed while processes are killed and started")
def test_killing_the_window_loses_no_tick() -> None:
    """SIGKILL while it plays: the clock goes on, and a new window finds the running engine."""
    project = fast(120)
    with live(project) as engine:
        window = python(
            "import time\n"
            "from grebe.app.engine.client import EngineClient\n"
            "from grebe.process.places import engine_socket\n"
            "from grebe.core.player.commands import Begin\n"
            "client = EngineClient(engine_socket())\n"
            "client.send(Begin())\n"
            "print('playing', flush=True)\n"
            "while True: client.pump(); time.sleep(0.01)\n"
        )
        assert window.stdout is not None
        window.stdout.readline()
        engine.client.close()
        time.sleep(0.5)
        window.send_signal(signal.SIGKILL)
        window.wait()
        window.stdout.close()
        time.sleep(0.7)
        welcome = engine.reconnect()
        assert (welcome.running, welcome.song) == (True, "song")
        engine.status(lambda s: min([d.sent for d in s.devices], default=0) > 120)
        engine.send(Halt())
        for row in engine.report().values():
            assert row.ticks_sent > 120
            assert row.missed == 0


@pytest.mark.real_time("counts ticks sent in a second")
def test_a_lost_port_is_marked_and_measured_again_when_it_is_back() -> None:
    """The stand-ins killed in the middle of a run: it goes on, says so, and once they are back
    counts what reaches them from their bar on; what they never got is missed, and no more is."""
    with live(fast(240)) as engine:
        engine.send(Begin())
        engine.status(lambda s: s.running and min(d.sent for d in s.devices) > 24)
        engine.standins.process.kill()
        status = engine.status(lambda s: all(d.port == "gone" for d in s.devices))
        assert status.running
        assert any("Drums" in text and "play on" in text for text in engine.notices)
        engine.other_standins()
        engine.status(lambda s: all(d.port == "up" for d in s.devices))
        before = {d.id: d.received for d in status.devices}
        engine.status(lambda s: all(d.received > before[d.id] + 48 for d in s.devices))
        engine.send(Halt())
        for row in engine.report().values():
            assert row.missed <= 24, row.missed  # at most what was on its way, and half a beat


def test_another_project_is_refused_while_one_plays() -> None:
    """It says what plays; stopped, the other is taken."""
    with live(fast(120)) as engine:
        engine.send(Begin())
        engine.status(lambda s: s.running)
        engine.send(engine.load(fast(100), source="another"))
        notice = engine.until(lambda m: isinstance(m, Notice))
        assert isinstance(notice, Notice)
        assert "is playing; stop it" in notice.text
        engine.send(Halt())
        engine.status(lambda s: not s.running)
        engine.send(engine.load(fast(100), source="another"))
        loaded = engine.until(lambda m: isinstance(m, Loaded))
        assert isinstance(loaded, Loaded)
        assert loaded.source == "another"


@pytest.mark.real_time("no tick may be missed")
def test_a_count_in_comes_before_the_song() -> None:
    """A bar of it, in which no clock goes out; then the song from its top, nothing missed."""
    with live(fast(240.0)) as engine:
        engine.send(Begin(count_in_bars=1))
        counting = engine.status(lambda s: s.running)
        assert counting.tick < -3 * TICKS_PER_QUARTER
        assert all(d.sent == 0 for d in counting.devices)
        engine.status(lambda s: s.tick > 2 * TICKS_PER_QUARTER)
        engine.send(Halt())
        rows = engine.report()
    assert all(row.missed == 0 and row.ticks_sent > 40 for row in rows.values())


@pytest.mark.real_time("milliseconds of a stand-in beside those of the host")
def test_what_is_listened_to_is_told_beside_the_beats() -> None:
    """A stand-in's beats and the song's; another device's not; no more when nobody listens."""
    project = with_faults(fast(240.0), "bass", Faults(latency_ms=7.0))
    with live(project) as engine:
        engine.send(Listen(devices={"bass": "beats"}), Begin())
        told: list[Heard] = []
        while sum(h.device == "bass" for h in told) < 12:
            told += engine.status(lambda s: bool(s.heard)).heard
        beats = sorted(h.at_ns for h in told if not h.device)
        heard = [h.at_ns for h in told if h.device == "bass"]
        assert {h.device for h in told} == {"", "bass"}
        assert np.median(np.diff(beats)) == pytest.approx(0.25e9, rel=1e-6)
        late = [(at - min(beats, key=lambda b: abs(b - at))) / 1e6 for at in heard]
        assert np.median(late) == pytest.approx(7.0, abs=1.0)
        engine.send(Listen())
        engine.status(lambda s: not s.heard)
        engine.send(Halt())


def test_a_note_struck_is_heard_and_remembered() -> None:
    """It sounds on the stand-in at once, ends, and comes back with its place in the song."""
    with live(fast(240.0)) as engine:
        engine.send(Listen(devices={"bass": "notes"}))
        engine.send(Audition(device="bass", channel=2, note=61, velocity=77))
        stopped = engine.status(lambda s: bool(s.played))
        assert [(p.status, p.first, p.second, p.tick) for p in stopped.played] == [
            (0x91, 61, 77, None), (0x81, 61, 64, None),
        ]  # fmt: skip
        engine.send(Begin())
        engine.status(lambda s: s.tick > 2 * TICKS_PER_QUARTER)
        engine.send(Audition(device="bass", channel=2, note=62))
        status = engine.status(lambda s: bool(s.played))
        place = status.played[0].tick
        assert place is not None
        assert 2 * TICKS_PER_QUARTER < place <= status.tick
        engine.send(Audition(device="nobody", channel=1, note=1))
        notice = engine.until(lambda m: isinstance(m, Notice) and m.level == "error")
        assert isinstance(notice, Notice)
        assert "cannot be reached" in notice.text


def test_panic_stops() -> None:
    """And says what it did."""
    with live(fast(120)) as engine:
        engine.send(Begin())
        engine.status(lambda s: s.running)
        engine.send(Panic())
        engine.until(lambda m: isinstance(m, Notice) and "All notes off" in m.text)
        engine.status(lambda s: not s.running)


@pytest.mark.real_time("deviations come only from ticks that were noticed in time")
def test_from_the_middle() -> None:
    """Begin at a section: the position is the song's, and so are the devices' beats."""
    with live(fast()) as engine:
        engine.send(Begin(section="s2"))
        status = engine.status(lambda s: bool(s.deviations))
        assert status.section == "s2"
        assert min(d.tick for d in status.deviations) >= 8 * TICKS_PER_QUARTER


def test_only_one_engine_and_only_its_owners() -> None:
    """A second one ends with a reason; the socket is nobody else's; Shutdown ends the stand-ins."""
    with live(fast()) as engine:
        assert engine_socket().stat().st_mode & 0o777 == 0o600
        second = start_engine()
        assert second.wait(10) == 2
        engine.send(Shutdown())
        assert engine.engine.wait(10) == 0
        assert engine.standins.process.wait(10) == 0
        assert not engine_socket().exists()


def test_an_engine_killed_leaves_a_path_that_the_next_takes(own_folders: Path) -> None:
    """A socket left behind does not keep a new engine from starting."""
    first = Live(fast())
    first.engine.kill()
    first.engine.wait()
    first.close()
    assert engine_socket().exists()
    with live(fast()) as second:
        assert second.welcome.version == LINK_VERSION


@pytest.mark.real_time("no tick may be missed while others flood the engine")
def test_strangers_and_hung_windows_do_no_harm() -> None:
    """Garbage, silence, another version, and a window that never reads."""
    with live(fast(120)) as engine:
        engine.send(Begin())
        engine.status(lambda s: s.running)

        def connect() -> socket.socket:
            made = socket.socket(socket.AF_UNIX, socket.SOCK_STREAM)
            made.connect(str(engine_socket()))
            return made

        garbage, silent, hung, old = connect(), connect(), connect(), connect()
        garbage.sendall(b"\xff" * 5000)
        hung.sendall(pack(Hello(version=LINK_VERSION)))
        old.sendall(pack(Hello(version=LINK_VERSION + 1)))
        time.sleep(1.0)
        assert garbage.recv(1) == b""
        old.settimeout(2)
        assert old.recv(100)[4:]
        engine.status(lambda s: s.running)
        engine.send(Halt())
        assert all(row.missed == 0 for row in engine.report().values())
        for made in (garbage, silent, hung, old):
            made.close()


def test_waiting_for_what_never_comes() -> None:
    """A command without a window gives up with a reason."""
    with live(fast()) as engine, pytest.raises(EngineError, match="gave no Loaded"):
        engine.client.wait_for(Loaded, 0.1)


def test_no_engine_at_all() -> None:
    """Said with how to start one."""
    from grebe.app.engine.client import EngineClient

    with pytest.raises(EngineError, match="no engine is running; start one: grebe engine"):
        EngineClient(engine_socket())


def test_what_a_window_is_told() -> None:
    """Welcome says what is loaded and which priority was had; Status comes by itself."""
    with live(fast()) as engine:
        welcome = engine.reconnect()
        assert isinstance(welcome, Welcome)
        assert (welcome.project, welcome.source, welcome.running) == ("Test", "test", False)
        assert (welcome.priority == "fifo") != bool(welcome.priority_help)
        status = engine.until(lambda m: isinstance(m, Status))
        assert isinstance(status, Status)
        assert [d.port for d in status.devices] == ["up", "up"]


@pytest.mark.real_time("the distance of ticks is judged as a thread of this process hears them")
def test_clock_goes_on_while_stopped_for_a_box_that_wants_it() -> None:
    """Before Start and after Stop, evenly, without being counted into the run."""
    project = fast()
    devices = tuple(
        msgspec.structs.replace(d, clock_stopped=d.id == "bass") for d in project.rig.devices
    )
    project = msgspec.structs.replace(
        project, rig=msgspec.structs.replace(project.rig, devices=devices)
    )
    plan = make_plan(project, project.songs[0])
    assert plan.idle == ("bass",)
    bass = Listener("bass")
    with bass, listening_engine(project, plan, "drums") as client:
        wait(lambda: bass.count(CLOCK) > 48)
        assert not bass.count(START)
        client.send(Begin())
        wait(lambda: bass.count(START) == 1)
        wait(lambda: bass.count(CLOCK) > 300)
        client.send(Halt())
        wait(lambda: bass.count(STOP) == 1)
        after = bass.count(CLOCK)
        wait(lambda: bass.count(CLOCK) > after + 48)
        times = np.array(bass.times(CLOCK))
    gaps = np.diff(times)
    assert np.median(gaps) == pytest.approx(60 / 240 / 24, rel=0.05)
    start = bass.times(START)[0]
    # The downbeat is one of the ticks that go on: around Start none is left out, none is extra.
    around = np.diff(times[(times > start - 0.2) & (times < start + 0.2)])
    assert np.median(around) == pytest.approx(60 / 240 / 24, rel=0.05)
    assert len(around) == pytest.approx(0.4 * 96, abs=12)


def test_a_port_that_comes_back_while_playing_is_rejoined() -> None:
    """Found by name, told the next bar's Song Position, and Continue on it."""
    project = fast()
    plan = make_plan(project, project.songs[0])
    bass = Listener("bass")
    with bass, listening_engine(project, plan, "drums") as client:
        client.send(
            Begin(),
        )
        client.send(Hold(on=True))
        wait(lambda: bass.count(CLOCK) > 48)
        bass.unplug()
        time.sleep(0.3)
        bass.plug()
        wait(lambda: bass.count(CONTINUE) == 1)
        wait(lambda: bass.count(CLOCK) > 24)
        position = next(d for _, d in bass.heard if d[0] == SONG_POSITION)
        assert (position[1] | position[2] << 7) % 16 == 0  # a bar of 4/4


def test_an_offset_changed_while_playing_slews() -> None:
    """Over a bar, by 2 % of the time that passes at most; at once while stopped."""
    device = fast().rig.device("bass")
    bar_ns = 2_000_000_000
    for offset_ms, after_ns in ((-30.0, -1_500_000), (-100.0, -2_000_000)):
        output = DeviceOutput(device, None, "")
        aim = msgspec.structs.replace(device, offset_ms=offset_ms)
        output.change(aim, at_once=False, bar_ns=bar_ns)
        assert output.offset_ns == 0
        output.slew(100_000_000)
        assert output.offset_ns == after_ns
        for _ in range(19):
            output.slew(100_000_000)
        assert output.offset_ns == max(offset_ms * 1_000_000, -40_000_000)
    output.change(device, at_once=True)
    assert output.offset_ns == 0


@pytest.mark.real_time("judges a twentieth of a second of a real clock")
def test_begun_at_a_tick_and_a_moment_it_falls_there() -> None:
    """As a window comes back in on a bar: Song Position first, Continue, the tick in its time."""
    project = fast()
    plan = make_plan(project, project.songs[0])
    bass = Listener("bass")
    with bass, listening_engine(project, plan, "drums") as client:
        ahead_s = 0.6
        asked = time.monotonic()
        client.send(Begin(tick=8 * TICKS_PER_QUARTER, at_ns=raw_ns() + int(ahead_s * 1e9)))
        wait(lambda: bass.count(CLOCK) > 24)
        position = next(d for _, d in bass.heard if d[0] == SONG_POSITION)
        assert position[1] | position[2] << 7 == 32
        assert bass.count(START) == 0
        first = bass.times(CLOCK)[0]
        assert first - asked == pytest.approx(ahead_s, abs=0.05)
        assert bass.times(CONTINUE)[0] < first


def test_an_hour_of_figures_stays_small() -> None:
    """Only the last are kept, of ticks and of their due times; counting goes on."""
    output = DeviceOutput(fast().rig.device("bass"), None, "")
    output.begin(0, started=True)
    output.started()
    count = 260_000  # an hour and a half at 120 BPM
    for n in range(count):
        output.tick_sent(n * 1000, 0.5)
    output._take(StandinReport(ReportKind.TICK, 1, count - 1, (count - 1) * 1000 + 2_000_000))
    output._take(StandinReport(ReportKind.TICK, 1, 5, 5_000))  # long forgotten: counted, not judged
    found = output.report(1000)
    assert (found.ticks_sent, found.ticks_received) == (count, 2)
    assert found.ms == (pytest.approx(2.0),)
    assert len(found.send_ms) == 1000
    assert len(output._send_ms) < 200_000
    assert len(output._due) < 40_000
