"""Pulses, run lines and resets at real audio ports, and the clock and transport heard there."""

from __future__ import annotations

import shutil
import signal
import subprocess
import time
from typing import Any

import msgspec
import numpy as np
import pytest

from grebe.core.document import Project
from grebe.core.player.commands import Begin, Halt
from grebe.core.rig.model import AudioPort, Cable, Gate, Port
from grebe.core.rig.spec import Sends, Spec
from grebe.core.time.ticks import TICKS_PER_QUARTER
from grebe.protocols.link.messages import Identify, Listen, Notice
from grebe.transports.jack.midi import open_client
from tests import build
from tests.engine.jackd import RATE, Server, client, heard, listener
from tests.engine.live import live
from tests.engine.test_jack import pulsed_project

pytestmark = [
    pytest.mark.jack,
    pytest.mark.skipif(shutil.which("jackd") is None, reason="jackd is not installed"),
]
QUARTER = TICKS_PER_QUARTER
STOPPED, ROLLING = 0, 1


@pytest.mark.real_time("judges single frames")
def test_run_line_and_reset(server: Server) -> None:
    """The run line rises once, before the first pulse; so does the reset, and it ends before."""
    with live(pulsed_project(4.0)) as engine:
        inputs = {
            name: listener(server, f"grebe:{name} to Bass", 20.0)
            for name in ("pulses", "run", "reset")
        }
        engine.send(Begin())
        engine.status(lambda s: s.devices[1].pulses > 8)
        engine.send(Halt())
        found = {name: heard(process, soon=True) for name, process in inputs.items()}
    rises = {
        name: [frame for frame, what in row["seen"] if what == "rise"]
        for name, row in found.items()
    }
    assert len(rises["run"]) == len(rises["reset"]) == 1
    first = rises["pulses"][0]
    assert rises["run"][0] < first
    assert first - rises["run"][0] == pytest.approx(RATE * 0.002, abs=2)
    assert first - rises["reset"][0] == pytest.approx(RATE * 0.005, abs=2)


@pytest.mark.real_time("judges milliseconds of a server that a busy host stops")
def test_a_note_leaves_as_a_gate(server: Server) -> None:
    """It rises on every hit of the bass, whose own port is nowhere."""
    project = pulsed_project(4.0)
    drums, bass = project.rig.devices
    note = project.patterns_of["bass"][0].content.voices[0].note
    bass = msgspec.structs.replace(bass, gates=(Gate(note=note, at=AudioPort(wire="jack")),))
    rig = msgspec.structs.replace(project.rig, devices=(drums, bass))
    with live(msgspec.structs.replace(project, rig=rig)) as engine:
        process = listener(server, f"grebe:gate {note} to Bass", 20.0)
        engine.send(Begin())
        engine.status(lambda s: s.devices[1].pulses > 12)
        engine.send(Halt())
        found = heard(process, soon=True)
    rises = [frame for frame, what in found["seen"] if what == "rise"]
    assert len(rises) >= 2  # so it went down between them
    step = RATE * 60 / project.songs[0].bpm / 4
    apart = np.diff(rises) / step
    assert np.allclose(apart, np.round(apart), atol=0.02)


def pulse_led(source: str) -> Project:
    """The bass leads by pulses of 4 a quarter note that Grebe hears at a JACK port."""
    project = build.two_boxes()
    drums, bass = project.rig.devices
    spec = Spec(sends=Sends(clock=True))
    bass = msgspec.structs.replace(
        bass, spec=spec, sends_clock=True, port=Port(wire="none"),
        pulse_from=AudioPort(wire="jack", name=source),
    )  # fmt: skip
    cables = (
        Cable(source="grebe", target="drums"),
        Cable(source="bass", target="grebe", medium="pulse", rate=4.0, expects=4.0),
    )
    rig = msgspec.structs.replace(project.rig, devices=(drums, bass), cables=cables, leader="bass")
    return msgspec.structs.replace(project, rig=rig)


def pulser(server: Server, apart: int) -> subprocess.Popen[bytes]:
    """Start the client that sends pulses."""
    return client("jack_pulser.py", server.name, str(apart))


@pytest.mark.real_time("judges milliseconds of pulses heard")
def test_pulses_at_an_audio_input_lead(server: Server) -> None:
    """Their tempo is taken over; Run comes in with the next pulse, Stop does not stop them.

    Before they are there the input waits, and takes them up when they come.
    """
    apart = 5900
    bpm = RATE * 60 / apart / 4
    with live(pulse_led("pulser:out")) as engine:
        engine.status(lambda s: s.hearing == "none")
        process = pulser(server, apart)
        try:
            engine.status(lambda s: s.hearing == "clock")
            engine.status(lambda s: s.heard_bpm == pytest.approx(bpm, rel=2e-3))
            engine.send(Begin())
            status = engine.status(lambda s: s.running and s.tick > 6 * QUARTER)
            assert status.bpm == pytest.approx(bpm, rel=0.03)
            assert abs(status.heard_off_ms) < 3.0
            engine.send(Listen(devices={"bass": "pulses"}))
            told = engine.status(lambda s: any(h.device == "bass" for h in s.heard))
            assert all(abs(d.ms) < 5 for d in told.deviations if d.device == "bass")
            assert any(d.device == "bass" for d in told.deviations)
            engine.send(Listen())
            engine.send(Halt())
            engine.status(lambda s: not s.running and s.hearing == "clock")
            engine.send(Begin())
            engine.status(lambda s: s.running and s.tick > QUARTER)
        finally:
            process.communicate(b"")


@pytest.mark.real_time("judges milliseconds of pulses heard")
def test_a_run_line_starts_and_stops_the_song(server: Server) -> None:
    """It rises, and the next pulse is the downbeat; it falls, and the song stops; once more from
    the top. The pulses go on all the time."""
    made = pulse_led("pulser:out")
    drums, bass = made.rig.devices
    bass = msgspec.structs.replace(bass, run_from=AudioPort(wire="jack", name="pulser:run"))
    made = msgspec.structs.replace(
        made, rig=msgspec.structs.replace(made.rig, devices=(drums, bass))
    )
    process = pulser(server, 5900)
    assert process.stdin is not None
    try:
        with live(made) as engine:
            engine.status(lambda s: s.hearing == "clock")
            engine.send(Begin())  # asks the box to start, which only a hand can
            for _ in range(2):
                process.stdin.write(b"run\n")
                process.stdin.flush()
                status = engine.status(lambda s: s.running and s.tick > QUARTER)
                assert status.tick < 4 * QUARTER
                assert abs(status.heard_off_ms) < 5.0
                process.stdin.write(b"stop\n")
                process.stdin.flush()
                engine.status(lambda s: not s.running and s.hearing == "clock")
    finally:
        process.communicate(b"")


def conductor(server: Server) -> Any:
    """Another client that works the transport and gives out no tempo."""
    other = open_client("conductor", server.name)
    other.activate()
    return other


@pytest.mark.real_time("judges milliseconds from a transport that a busy host stops")
def test_jack_transport_is_followed(server: Server) -> None:
    """Started elsewhere Grebe comes in at that place, moved it moves, stopped it stops."""
    project = build.two_boxes()
    project = msgspec.structs.replace(
        project, rig=msgspec.structs.replace(project.rig, jack="follow")
    )
    a_quarter_s = 60 / project.songs[0].bpm
    with live(project) as engine:
        other = conductor(server)
        try:
            other.transport_frame = round(4 * a_quarter_s * RATE)
            other.transport_start()
            status = engine.status(lambda s: s.running and s.tick > 6 * QUARTER)
            assert status.follows == "jack:transport"
            off = engine.status(lambda s: s.running and s.tick > 8 * QUARTER).heard_off_ms
            assert abs(off) < 5.0
            other.transport_frame = round(20 * a_quarter_s * RATE)
            engine.status(lambda s: s.running and s.tick > 20 * QUARTER)
            other.transport_stop()
            engine.status(lambda s: not s.running)
            # Run and Stop here work it for everybody.
            other.transport_frame = 0
            engine.send(Begin())
            engine.status(lambda s: s.running and s.tick > QUARTER)

            engine.send(Halt())
            engine.status(lambda s: not s.running)
            assert other.transport_state == STOPPED
        finally:
            other.deactivate()
            other.close()


@pytest.mark.real_time("the server's start takes what the host gives it")
def test_jack_restarted_is_followed_again(server: Server) -> None:
    """Lost while it rolls its tempo is held; started again its transport is followed as before."""
    project = build.two_boxes()
    project = msgspec.structs.replace(
        project, rig=msgspec.structs.replace(project.rig, jack="follow")
    )
    with live(project) as engine:
        other = conductor(server)
        other.transport_start()
        engine.status(lambda s: s.running and s.tick > QUARTER)
        other.deactivate()
        other.close()
        server.stop()
        held = engine.status(lambda s: s.running)
        engine.status(lambda s: s.running and s.tick > held.tick + 2 * QUARTER)
        engine.send(Halt())
        engine.status(lambda s: not s.running)
        server.start()
        other = conductor(server)
        try:
            time.sleep(1.5)  # looked for twice a second
            other.transport_start()
            engine.status(lambda s: s.running and s.tick > QUARTER)
        finally:
            other.transport_stop()
            other.deactivate()
            other.close()


@pytest.mark.real_time("PortAudio under-runs where the host stalls")
def test_pulses_without_jack_through_portaudio(server: Server) -> None:
    """A channel of an interface: here JACK's own, by PortAudio, which knows no frames of ours."""
    project = pulsed_project(4.0)
    drums, bass = project.rig.devices
    bass = msgspec.structs.replace(
        bass,
        pulse_at=AudioPort(wire="audio", name="system", channel=2),
        run_at=AudioPort(),
        reset_at=AudioPort(),
    )
    rig = msgspec.structs.replace(project.rig, devices=(drums, bass))
    project = msgspec.structs.replace(project, rig=rig)
    apart = RATE * 60 / project.songs[0].bpm / 4
    with live(project) as engine:
        other = conductor(server)
        found = other.get_ports("PortAudio.*", is_audio=True, is_output=True)
        ports = [port.name for port in found]
        other.close()
        assert len(ports) == 2
        process = listener(server, ports[1], 20.0)
        silent = listener(server, ports[0], 20.0)
        engine.send(Begin())
        engine.status(lambda s: s.devices[1].pulses > 16)
        engine.send(Halt())
        rises = [f for f, what in heard(process, soon=True)["seen"] if what == "rise"]
        assert heard(silent, soon=True)["seen"] == []
    assert len(rises) >= 15
    off = np.diff(rises) - apart
    assert np.abs(off).max() < RATE / 1000


def test_an_interface_that_is_not_there_is_said(server: Server) -> None:
    """On the device, in words; the rest play."""
    del server
    project = pulsed_project(4.0)
    drums, bass = project.rig.devices
    bass = msgspec.structs.replace(bass, pulse_at=AudioPort(wire="audio", name="nothing"))
    rig = msgspec.structs.replace(project.rig, devices=(drums, bass))
    with live(msgspec.structs.replace(project, rig=rig)) as engine:
        said = "there is no audio interface 'nothing'"
        engine.status(lambda s: said in s.devices[1].line_problem)
        engine.send(Begin())
        engine.status(lambda s: s.devices[0].sent > 12)


@pytest.mark.real_time("a host that stalls makes PortAudio miss its callbacks, too")
def test_an_interface_that_stops_is_known_at_once_and_used_again(server: Server) -> None:
    """As a card that is pulled: its library spins or waits for ever, in a process of its own. The
    engine goes on, says so, and takes it again when it is back, without a fresh engine."""
    project = pulsed_project(4.0)
    drums, bass = project.rig.devices
    line = AudioPort(wire="audio", name="system", channel=2)
    bass = msgspec.structs.replace(bass, pulse_at=line, run_at=AudioPort(), reset_at=AudioPort())
    rig = msgspec.structs.replace(project.rig, devices=(drums, bass))
    with live(msgspec.structs.replace(project, rig=rig)) as engine:
        engine.send(Begin())
        engine.status(lambda s: s.devices[1].pulses > 8)
        engine.notice("system: 48000 frames a second")
        server.process.send_signal(signal.SIGSTOP)
        stopped = time.monotonic()
        try:
            engine.notice("system went away. The rest play on.")
            assert time.monotonic() - stopped < 1.0
            engine.status(lambda s: s.devices[1].line_problem)
        finally:
            server.process.send_signal(signal.SIGCONT)
        sent = engine.status(lambda s: not s.devices[1].line_problem).devices[1].pulses
        engine.notice("its pulses and gates are back")
        engine.status(lambda s: s.devices[1].pulses > sent + 8)
        engine.send(Halt())
        engine.status(lambda s: not s.running)
        assert engine.report()["drums"].missed == 0


@pytest.mark.real_time("JACK's dummy driver drops blocks where the host stalls")
def test_pulses_go_on_while_stopped_where_a_box_wants_them(server: Server) -> None:
    """Before a run and after it, at their distance; the run's own begin on its downbeat, and none
    comes twice."""
    project = pulsed_project(4.0)
    drums, bass = project.rig.devices
    bass = msgspec.structs.replace(bass, clock_stopped=True)
    rig = msgspec.structs.replace(project.rig, devices=(drums, bass))
    project = msgspec.structs.replace(project, rig=rig)
    apart = RATE * 60 / project.songs[0].bpm / 4
    with live(project) as engine:
        process = listener(server, "grebe:pulses to Bass", 20.0)
        time.sleep(1.0)
        engine.send(Begin())
        engine.status(lambda s: s.devices[1].pulses > 8)
        engine.send(Halt())
        engine.status(lambda s: not s.running)
        time.sleep(1.0)
        rises = [f for f, what in heard(process, soon=True)["seen"] if what == "rise"]
    steps = np.diff(rises)
    assert len(rises) > 22
    assert sorted(np.abs(steps - apart))[len(steps) - 4] < RATE / 500  # all but where runs meet
    assert steps.min() > RATE * 60 / project.songs[0].bpm / 24 * 0.9


@pytest.mark.real_time("JACK's dummy driver drops blocks where the host stalls")
def test_a_box_shows_which_one_it_is(server: Server) -> None:
    """Three pulses at its line, and none at another's; not while something plays."""
    project = pulsed_project(4.0)
    with live(project) as engine:
        process = listener(server, "grebe:pulses to Bass", 20.0)
        other = listener(server, "grebe:reset to Bass", 20.0)
        engine.send(Identify(device="bass", channel=2, note=40))
        time.sleep(1.3)
        rises = [f for f, what in heard(process, soon=True)["seen"] if what == "rise"]
        assert len(rises) == 3
        assert np.allclose(np.diff(rises), 0.3 * RATE, atol=3)
        assert heard(other, soon=True)["seen"] == []
        engine.send(Begin())
        engine.status(lambda s: s.running)
        engine.send(Identify(device="bass", channel=2, note=40))
        engine.until(lambda m: isinstance(m, Notice) and "not while something plays" in m.text)
