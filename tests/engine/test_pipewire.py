"""PipeWire's JACK: found without being told, and what other programs may do to it while we play."""

from __future__ import annotations

import json
import os
import subprocess
import sys
import time
from collections.abc import Callable, Iterator
from pathlib import Path

import msgspec
import numpy as np
import pytest
import soundfile
from numpy.typing import NDArray
from tools.lab.pipewire import SINK, PipeWireLab, missing

from grebe.core.document import Project
from grebe.core.player.commands import Begin, Halt
from grebe.core.rig.model import Port
from grebe.process import children
from grebe.transports.clock import raw_ns
from tests import build
from tests.engine.jackd import RATE
from tests.engine.live import Live, live
from tests.waiting import wait

pytestmark = [
    pytest.mark.jack,
    pytest.mark.skipif(bool(missing()), reason=f"not installed: {', '.join(missing())}"),
]
ALL = "a host that stops for a while makes PipeWire itself lose time"


class Wall:
    """The client that stamps by the machine's clock, on PipeWire's library as others take it."""

    def __init__(self) -> None:
        script = Path(__file__).with_name("wall_listener.py")
        self._process = subprocess.Popen(
            ["pw-jack", sys.executable, str(script), "Bass"],
            stdin=subprocess.PIPE, stdout=subprocess.PIPE,
        )  # fmt: skip
        assert self._process.stdout is not None
        assert self._process.stdout.readline() == b"ready\n"

    def end(self) -> None:
        """End it, whatever it does."""
        if self._process.poll() is None:
            self._process.kill()
            self._process.communicate()

    def found(self) -> dict[str, list[list[object]]]:
        """What it has recorded; it ends."""
        out, _ = self._process.communicate(timeout=10)
        told: dict[str, list[list[object]]] = json.loads(out)
        return told


@pytest.fixture
def wall(pipewire: PipeWireLab) -> Iterator[Callable[[], Wall]]:
    """Starts the client that stamps."""
    del pipewire
    made: list[Wall] = []

    def start() -> Wall:
        made.append(Wall())
        return made[-1]

    yield start
    for one in made:
        one.end()


@pytest.fixture
def pipewire(monkeypatch: pytest.MonkeyPatch) -> Iterator[PipeWireLab]:
    """A PipeWire of our own, which every process that is started finds."""
    with PipeWireLab() as lab:
        for name, value in lab.environment.items():
            monkeypatch.setenv(name, value)
        for name in ("PIPEWIRE_RUNTIME_DIR", "PIPEWIRE_REMOTE", "JACK_DEFAULT_SERVER"):
            monkeypatch.delenv(name, raising=False)
        yield lab


def jack_project(*, leads_transport: bool = False) -> Project:
    """Two boxes, the bass on a JACK port."""
    project = build.two_boxes()
    drums, bass = project.rig.devices
    bass = msgspec.structs.replace(bass, port=Port(wire="jack", name=""))
    rig = msgspec.structs.replace(
        project.rig, devices=(drums, bass), jack="lead" if leads_transport else "leave"
    )
    return msgspec.structs.replace(project, rig=rig)


def played(
    engine: Live, wall: Wall, meanwhile: Callable[[], None]
) -> dict[str, list[list[object]]]:
    """Play for two seconds, do something, play for a second more."""
    engine.send(Begin())
    engine.status(lambda s: s.running)
    time.sleep(1.0)
    meanwhile()
    time.sleep(1.0)
    engine.send(Halt())
    engine.status(lambda s: not s.running)
    time.sleep(0.2)
    return wall.found()


def places(seen: list[list[object]], bpm: float) -> NDArray[np.float64]:
    """How far off its place each clock came in ms, by the middle of all; none is missing."""
    at = np.array([ns for ns, data in seen if data == "f8"], dtype=np.float64) / 1e6
    step = 60e3 / bpm / 24
    off = at - at[0] - np.arange(len(at)) * step
    return np.asarray(off - np.median(off))


def test_it_is_found_without_being_told(pipewire: PipeWireLab) -> None:
    """By what runs; each device once; and the way to choose otherwise works."""

    def listed(**environment: str) -> str:
        command = [sys.executable, "-m", "grebe", "ports"]
        done = subprocess.run(
            command, env={**os.environ, **environment}, capture_output=True, text=True, check=True
        )
        return done.stdout

    rows = listed().splitlines()
    assert rows[0] == "jack: PipeWire, as it runs; GREBE_JACK=jackd or pipewire says otherwise"
    assert f"jack audio: {SINK}:playback_FL" in rows
    assert [r for r in rows if r.startswith("sound audio: ")] == [
        f"sound audio: {SINK}, channels 1 to 2"
    ]
    assert listed(GREBE_JACK="jackd").splitlines()[0] == (
        "jack: no JACK server is running; PipeWire is: GREBE_JACK keeps Grebe from it"
    )
    assert pipewire.ask("pw-cli", "ls", "Client").count("grebe") == 0  # looking leaves nothing


@pytest.mark.real_time(ALL)
def test_clocks_keep_their_place_while_the_quantum_changes(
    pipewire: PipeWireLab, wall: Callable[[], Wall]
) -> None:
    """None lost, none twice, no box stopped to mend what is whole, and nothing counted as lost."""
    project = jack_project()
    with live(project) as engine:
        stamps = wall()

        def meanwhile() -> None:
            for frames in (256, 2048, 64, 1024, 4096, 0):
                pipewire.quantum(frames)
                time.sleep(0.7)

        found = played(engine, stamps, meanwhile)
        overruns = engine.status(lambda _: True).overruns
        row = engine.report()["bass"]
    data = [data for _, data in found["seen"]]
    assert {frames for _, frames, _ in found["periods"]} >= {64, 256, 1024, 2048, 4096}
    assert data.count("fa") == 1
    assert data.count("fc") == 1  # the one of our own Halt
    off = places(found["seen"], project.songs[0].bpm)
    assert abs(off[-1]) < 10, "a clock is lost or doubled: all that follow are 20 ms off"
    assert np.percentile(np.abs(off), 80) < 1
    assert np.abs(off).max() < 100
    assert overruns == 0
    assert max(map(abs, row.send_ms)) < 200


@pytest.mark.real_time(ALL)
def test_another_driver_stops_neither_clocks_nor_the_transport(
    pipewire: PipeWireLab, wall: Callable[[], Wall]
) -> None:
    """Frame time begins anew; the transport that we lead goes on at the song's place."""
    project = jack_project(leads_transport=True)
    silence = pipewire.folder / "silence.wav"
    soundfile.write(silence, np.zeros((RATE * 10, 2)), RATE)
    with live(project) as engine:
        stamps = wall()
        changed: list[int] = []

        def meanwhile() -> None:
            changed.append(raw_ns())
            end_sink = pipewire.new_sink("Other")
            time.sleep(0.7)
            player = subprocess.Popen(["pw-play", "--target=Other", str(silence)])
            time.sleep(1.0)
            player.kill()
            player.wait()
            end_sink()
            changed.append(raw_ns())
            time.sleep(0.5)

        found = played(engine, stamps, meanwhile)
    counted = np.array([start for _, _, start in found["periods"]], dtype=np.int64)
    assert (np.diff(counted) < 0).any(), "the count of frames did not begin anew"
    off = places(found["seen"], project.songs[0].bpm)
    assert abs(off[-1]) < 10
    rows = [r for r in found["transport"] if r[1] == 1]
    before = [r for r in rows if r[0] < changed[0]][-20:]  # type: ignore[operator]
    after = [r for r in rows if r[0] > changed[1] + 1e9]  # type: ignore[operator]
    assert len(after) > 10, [
        (round((r[0] - changed[0]) / 1e6), *r[1:3]) for r in found["transport"]
    ][::10]

    def stands(rows: list[list[object]]) -> float:
        """Where the transport would be at time 0, in ms."""
        return float(np.median([r[2] / 48 - r[0] / 1e6 for r in rows]))  # type: ignore[operator]

    assert abs(stands(after) - stands(before)) < 50


@pytest.mark.real_time(ALL)
def test_its_restart_is_survived_and_said(pipewire: PipeWireLab) -> None:
    """Lost and back are both said, the box comes in again, and figures are such as can be."""
    with live(jack_project()) as engine:
        engine.send(Begin())
        engine.status(lambda s: s.running)
        time.sleep(0.5)
        pipewire.kill_server()
        time.sleep(0.3)
        pipewire.start_server()
        engine.until(lambda _: "Bass is back." in engine.notices)
        sent = engine.report()["bass"].ticks_sent
        time.sleep(2.0)
        engine.send(Halt())
        row = engine.report()["bass"]
        assert row.ticks_sent > sent
        assert max(map(abs, row.send_ms)) < 200
        assert engine.report()["drums"].missed == 0
    assert any("Bass: JACK stopped" in text for text in engine.notices)


@pytest.mark.real_time(ALL)
def test_the_speaker_ends_with_it_and_comes_again(pipewire: PipeWireLab) -> None:
    """What stand-ins sound like is heard again, without anything being started afresh."""

    def speakers(count: int) -> None:
        wait(lambda: len(list(children.running((children.SPEAKER,)))) == count)

    project = build.two_boxes()
    song = project.songs[0]
    long = tuple(msgspec.structs.replace(s, times=20) for s in song.sections)
    song = msgspec.structs.replace(song, sections=long)
    with live(msgspec.structs.replace(project, songs=(song,))) as engine:
        engine.send(Begin())
        speakers(1)
        time.sleep(1.5)  # until it sounds
        pipewire.kill_server()
        speakers(0)
        pipewire.start_server()
        speakers(1)
        time.sleep(3.0)
        assert len(list(children.running((children.SPEAKER,)))) == 1  # and it stays
        engine.send(Halt())
        assert engine.report()["drums"].missed == 0
