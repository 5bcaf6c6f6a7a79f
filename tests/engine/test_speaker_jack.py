"""The stand-ins' speaker at a real audio output, heard by an independent client."""

from __future__ import annotations

import os
import shutil
import socket
import subprocess
import sys
import time
from itertools import pairwise
from pathlib import Path

import msgspec
import pytest

from grebe.process.places import log_dir
from grebe.transports.jack.midi import open_client
from tests.engine.jackd import RATE, Server, heard, listener
from tests.waiting import wait

pytestmark = [
    pytest.mark.jack,
    pytest.mark.skipif(shutil.which("jackd") is None, reason="jackd is not installed"),
]


def speaker(server: Server) -> tuple[socket.socket, subprocess.Popen[bytes]]:
    """A speaker at the server's output, and the socket it is told by."""
    ours, theirs = socket.socketpair(socket.AF_UNIX, socket.SOCK_SEQPACKET)
    process = subprocess.Popen(
        [sys.executable, "-m", "grebe.standins.speaker", str(theirs.fileno())],
        pass_fds=(theirs.fileno(),),
        env=os.environ | {"GREBE_SOUND": "system", "JACK_DEFAULT_SERVER": server.name},
    )
    theirs.close()
    return ours, process


def plays(server: Server) -> bool:
    """Whether a stream of PortAudio's goes to the server's output: its library aborts where the
    server dies while it begins."""
    other = open_client("looks", server.name)
    try:
        ports = other.get_ports("PortAudio.*", is_audio=True, is_output=True)
        return any(other.get_all_connections(port) for port in ports)
    finally:
        other.close()


def test_without_its_server_the_speaker_ends(server: Server, own_folders: Path) -> None:
    """Killed under it, or stopped: it ends within seconds instead of spinning, and says why."""
    ours, process = speaker(server)
    try:
        wait(lambda: plays(server))
        assert process.poll() is None
        server.process.kill()
        began = os.times()
        assert process.wait(10) == 1
        spent = os.times()
        took = spent.children_user - began.children_user
        assert took + spent.children_system - began.children_system < 5
        assert "has asked for nothing" in (log_dir() / "speaker.log").read_text()
    finally:
        ours.close()
        if process.poll() is None:
            process.kill()
            process.wait()


def test_a_kick_is_heard_at_the_output(server: Server) -> None:
    """Three kicks 200 ms apart come out 200 ms apart; closing the socket ends the speaker."""
    ours, process = speaker(server)
    try:
        ear = listener(server, "PortAudio:out_0", 7.0)
        time.sleep(2.5)  # its clock of frames has settled, as long after a rig is opened
        first = time.clock_gettime_ns(time.CLOCK_MONOTONIC_RAW) + 50_000_000
        for n in range(3):
            row = ("note", "d", "drums", 36, 127, first + n * 200_000_000, 127, 64, "")
            ours.send(msgspec.msgpack.encode(row))
        rises = [frame for frame, what in heard(ear)["seen"] if what == "rise"]
        starts = [f for i, f in enumerate(rises) if i == 0 or f - rises[i - 1] > RATE // 10]
        assert len(starts) == 3
        for a, b in pairwise(starts):
            assert (b - a) / RATE == pytest.approx(0.2, abs=0.005)
    finally:
        ours.close()
        assert process.wait(5) == 0
