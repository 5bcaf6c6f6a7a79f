"""Ears at real JACK ports: when what sounds is said to sound, and what a loop of cable takes."""

from __future__ import annotations

import json
import shutil
import subprocess
import sys
from typing import Any

import numpy as np
import pytest

from tests.engine.jackd import RATE, Server, client

pytestmark = [
    pytest.mark.jack,
    pytest.mark.skipif(shutil.which("jackd") is None, reason="jackd is not installed"),
]
EARS = [sys.executable, "-m", "grebe.transports.ears"]
LOOP = [sys.executable, "-m", "grebe.transports.cable_loop"]


@pytest.mark.real_time("judges tenths of a millisecond of a server that a busy host stops")
def test_two_channels_are_heard_when_they_sound(server: Server) -> None:
    """All of a client by one name: clicks a quarter of a second apart, the second channel's exactly
    100 frames after the first's."""
    apart, late = 12_000, 100
    client("jack_audio.py", server.name, "boxes", "clicks", str(apart), str(late))
    pipe = subprocess.PIPE
    ears = subprocess.Popen([*EARS, "jack:boxes:*"], stdin=pipe, stdout=pipe, text=True)
    assert ears.stdin is not None
    assert ears.stdout is not None
    try:
        ready = json.loads(ears.stdout.readline())
        assert ready == {"ready": RATE, "channels": ["jack:boxes:a", "jack:boxes:b"]}
        hits: list[list[float]] = []
        state: list[list[Any]] = []
        while len(hits) < 40:
            told = json.loads(ears.stdout.readline())
            hits += told.get("hits", [])
            state = told.get("channels", state)
        ears.stdin.close()
        assert ears.wait(5) == 0
    finally:
        ears.kill()
        ears.stdout.close()
    first, second = ([at for ch, at, _, _ in hits if ch == n][4:] for n in (0, 1))
    count = min(len(first), len(second))
    apart_ms = np.diff(first) / 1e6
    assert np.abs(apart_ms - apart / RATE * 1e3).max() < 0.1
    after_ms = (np.array(second[:count]) - np.array(first[:count])) / 1e6
    assert np.median(after_ms) == pytest.approx(late / RATE * 1e3, abs=0.03)
    assert {kind for _, _, kind, _ in hits} == {0}
    assert [row[1][0][1] for row in state] == [False, False]


@pytest.mark.real_time("a server that a busy host stops loses periods")
@pytest.mark.parametrize("frames", [0, 333, 2400])
def test_a_loop_takes_what_is_in_it(server: Server, frames: int) -> None:
    """A known number of frames, and the one period that a loop of clients costs in JACK."""
    client("jack_audio.py", server.name, "cable", "delay", str(frames))
    done = subprocess.run(
        [*LOOP, "jack:cable:in", "jack:cable:out"], capture_output=True, text=True, timeout=30
    )
    told = json.loads(done.stdout)
    assert (told["frames"], told["spread"], told["rate"]) == (frames + server.period, 0, RATE)


@pytest.mark.parametrize(
    ("command", "why"),
    [([*EARS, "jack:nobody:a"], "no JACK port 'nobody:a'"),
     ([*EARS, "jack:nobody:*"], "no audio input like"),
     ([*EARS, "nonsense"], "jack:CLIENT:PORT or CHANNEL of INTERFACE"),
     ([*EARS, "jack:x:y", "1 of Card"], "all JACK's, or all of one interface"),
     ([*LOOP, "jack:nobody:a", "jack:nobody:b"], "no JACK port"),
     ([*LOOP, "jack:x:y", "1 of Card"], "one and the same interface")],
)  # fmt: skip
def test_what_is_not_there_is_said(server: Server, command: list[str], why: str) -> None:
    del server
    done = subprocess.run(
        command, capture_output=True, text=True, timeout=30, stdin=subprocess.DEVNULL
    )
    assert why in json.loads(done.stdout.splitlines()[-1])["lost"]
