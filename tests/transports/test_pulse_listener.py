"""What is told of pulses and of a run line, also where samples of them were lost."""

from __future__ import annotations

import functools
import subprocess
import sys

import numpy as np
import pytest
import scipy

from grebe.protocols.midi.messages import START, STOP, TIMING_CLOCK
from grebe.transports.audio_in import Samples
from grebe.transports.pulses.listener import Edges

RATE, BLOCK, APART, WIDE = 48_000, 512, 6_000, 480
"""Eight pulses a second, of ten milliseconds."""
RISES, FALLS, FRAMES = 40_300, 100_100, 150_000
"""Frames at which the run line does, and all of them."""
DIRECT, CAPACITORS = 0.0, (0.02, 0.3)


@functools.cache
def lines(time_constant_s: float) -> Samples:
    """Pulses and a run line with a little noise; behind a capacitor, where it has a time."""
    at = np.arange(FRAMES)
    pulses = np.where(at % APART < WIDE, 0.7, 0.0)
    run = np.where((at >= RISES) & (at < FALLS), 0.6, 0.0)
    rows = np.stack([pulses, run]) + np.random.default_rng(1).normal(0, 0.0005, (2, FRAMES))
    if time_constant_s:
        pole = np.exp(-1 / (time_constant_s * RATE))
        rows = scipy.signal.lfilter([pole, -pole], [1, -pole], rows, axis=1)
    return np.asarray(rows, dtype=np.float32)


def told(rows: Samples, *lost: tuple[int, int], begins: int = 0) -> list[tuple[float, int]]:
    """All that is told where what begins between these frames never comes."""
    edges = Edges(RATE, falling=False)
    return [
        edge
        for start in range(begins, FRAMES - BLOCK, BLOCK)
        if not any(first <= start < last for first, last in lost)
        for edge in edges.take(start, rows[:, start : start + BLOCK])
    ]


def of(edges: list[tuple[float, int]], *statuses: int) -> list[int]:
    """The frames of these."""
    return [round(frame) for frame, status in edges if status in statuses]


@pytest.mark.parametrize("time_constant_s", [DIRECT, *CAPACITORS])
def test_pulses_and_the_run_line_are_told_to_the_frame(time_constant_s: float) -> None:
    found = told(lines(time_constant_s))
    assert of(found, TIMING_CLOCK) == pytest.approx(range(APART, FRAMES - BLOCK, APART), abs=1)
    assert of(found, START) == pytest.approx([RISES], abs=1)
    assert of(found, STOP) == pytest.approx([FALLS], abs=1)


LOST = (41_000, 60_160, 85_000, 102_400, 130_048)
"""Frames from which blocks are lost: soon after each edge and later, between pulses and in one."""


@pytest.mark.parametrize("time_constant_s", [DIRECT, *CAPACITORS])
@pytest.mark.parametrize("long", [1, 20])
def test_what_is_lost_starts_and_stops_nothing(time_constant_s: float, long: int) -> None:
    """While the line is high a block is lost: the song does not go back to its top; while it is
    low it does not stop once more; within a pulse that makes no second one."""
    lost = [(n // BLOCK * BLOCK, (n // BLOCK + long) * BLOCK) for n in LOST]
    found = told(lines(time_constant_s), *lost)
    pulses = [
        n for n in range(APART, FRAMES - BLOCK, APART)
        if not any(first <= n < last for first, last in lost)
    ]  # fmt: skip
    assert of(found, START) == pytest.approx([RISES], abs=1)
    assert of(found, STOP) == pytest.approx([FALLS], abs=1)
    assert of(found, TIMING_CLOCK) == pytest.approx(pulses, abs=1)


@pytest.mark.parametrize("long", [1, 20])
@pytest.mark.parametrize(("edge", "status"), [(RISES, START), (FALLS, STOP)])
def test_an_edge_that_was_lost_is_known_by_the_level(edge: int, status: int, long: int) -> None:
    """On a line that is heard as it is: told with the first sample that comes."""
    start = edge // BLOCK * BLOCK - (long // 2) * BLOCK
    after = start + long * BLOCK
    found = told(lines(DIRECT), (start, after))
    assert of(found, status) == [after]
    assert len(of(found, START, STOP)) == 2


def test_a_line_that_is_high_already_starts_nothing() -> None:
    """Who comes in while the box plays joins by hand, as with MIDI."""
    found = told(lines(DIRECT), begins=60_160)
    assert of(found, START) == []
    assert of(found, STOP) == pytest.approx([FALLS], abs=1)


LOADED = """
import socket, sys
from grebe.errors import PortLost
from grebe.transports.pulses import listener

def opened(*_):
    before = set(sys.modules)
    edges = listener.Edges(48_000, falling=False)
    edges.take(0, listener.np.zeros((2, 64), "float32"))
    raise PortLost(f"later: {sorted(set(sys.modules) - before)}")

listener.jack_channels = opened
ours, its = socket.socketpair(socket.AF_UNIX, socket.SOCK_SEQPACKET)
sys.argv[1:] = ["--fd", str(its.detach()), "--wire", "jack", "--name", "x"]
listener.main()
print(ours.recv(512).decode())
"""


def test_all_is_loaded_before_the_first_callback() -> None:
    """Loading SciPy takes a second, in which JACK's callback would wait for the interpreter and
    every client of the server with it (measured: some 40 times that JACK lost time)."""
    done = subprocess.run([sys.executable, "-c", LOADED], capture_output=True, check=True)
    assert done.stdout == b"later: []\n"
