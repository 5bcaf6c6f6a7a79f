"""`grebe run` with what goes over the network: OSC, and a box in a session of RTP MIDI."""

from __future__ import annotations

import select
import socket
import subprocess
import sys
import threading
import time
from pathlib import Path

import msgspec
import pytest

from grebe.core.rig.model import Port
from grebe.formats.project import project_bytes
from grebe.network import session_port
from grebe.network.session_port import SessionPort
from grebe.protocols.link.session import RtpPort
from grebe.protocols.osc.messages import OscMessage, read, write
from grebe.transports.clock import raw_ns
from grebe.transports.rtp import HandedPort
from tests import build

RUN_S = 6


def free() -> int:
    with socket.socket(socket.AF_INET, socket.SOCK_DGRAM) as found:
        found.bind(("127.0.0.1", 0))
        return int(found.getsockname()[1])


@pytest.mark.real_time("a host that stalls is late with everything")
@pytest.mark.usefixtures("unannounced")
def test_osc_and_a_session_from_the_command_line(
    own_folders: Path, monkeypatch: pytest.MonkeyPatch
) -> None:
    """The bass is invited over the network and played; a remote surface is told and steers."""
    monkeypatch.setattr(session_port, "PORTS", range(27_204, 27_404, 2))
    far = SessionPort(RtpPort(device="far", path=f"{own_folders}/far", session="waits", name="Far"))
    engine = HandedPort(f"{own_folders}/far")
    over, got = threading.Event(), []

    def carry() -> None:
        while not over.is_set():
            ready, _, _ = select.select(far.sockets(), [], [], 0.005)
            far.take(ready)
            far.turn(raw_ns())
            got.extend(data for _, data in engine.receive())

    project = build.two_boxes()
    drums, bass = project.rig.devices
    bass = msgspec.structs.replace(
        bass, port=Port(wire="rtp", name=f"session 127.0.0.1:{far.number}")
    )
    osc = msgspec.structs.replace(project.rig.osc, port=free())
    rig = msgspec.structs.replace(project.rig, devices=(drums, bass), osc=osc)
    file = own_folders / "x.grebe"
    file.write_bytes(project_bytes(msgspec.structs.replace(project, rig=rig)))
    command = [sys.executable, "-m", "grebe", "run", str(file), "--song", "Song",
               "--seconds", str(RUN_S), "--osc"]  # fmt: skip
    thread = threading.Thread(target=carry)
    thread.start()
    told: set[tuple[object, ...]] = set()
    try:
        with socket.socket(socket.AF_INET, socket.SOCK_DGRAM) as surface:
            surface.bind(("127.0.0.1", 0))
            surface.settimeout(0.2)
            run = subprocess.Popen(command, stdout=subprocess.PIPE, text=True)
            while run.poll() is None:
                for asked in (OscMessage("/grebe/subscribe"), OscMessage("/grebe/tempo", (100.0,))):
                    surface.sendto(write(asked), ("127.0.0.1", osc.port))
                try:
                    for message in read(surface.recv(2048)):
                        told.add((message.address, *message.arguments))
                except (TimeoutError, ConnectionRefusedError):
                    time.sleep(0.05)
            said = run.communicate()[0]
    finally:
        over.set()
        thread.join()
        far.close()
        engine.close()
    assert {("/grebe/song", "Song"), ("/grebe/tempo", 126.0), ("/grebe/tempo", 100.0)} <= told, said
    assert got.count(b"\xf8") > 40
    assert b"\x91\x28\x64" in got
    assert "port not there" not in said
