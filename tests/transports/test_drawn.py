"""Pulses and levels drawn to the sample, whatever the blocks are."""

from __future__ import annotations

from array import array

import numpy as np
import pytest
from numpy.typing import NDArray

from grebe.core.rig.spec import PulseShape
from grebe.transports.frames import FrameClock
from grebe.transports.pulses.drawn import Drawn

RATE = 48_000
START_NS = 5_000_000_000


def drawn(shape: PulseShape) -> Drawn:
    """A channel whose frame 0 falls on START_NS."""
    frames = FrameClock(RATE)
    frames.update(0, START_NS, 256)
    return Drawn(frames, shape)


def at(frame: int) -> int:
    return START_NS + round(frame * 1e9 / RATE)


def draw(channel: Drawn, blocks: list[int]) -> NDArray[np.float32]:
    """What comes out over blocks of these lengths."""
    out, start = [], 0
    for count in blocks:
        block = array("f", [9.0]) * count
        channel.draw(memoryview(block), start, count)
        out.append(np.frombuffer(block, dtype=np.float32))
        start += count
    return np.concatenate(out)


@pytest.mark.parametrize("blocks", [[1000], [64] * 16, [7, 300, 1, 692]])
def test_pulses_rise_and_fall_at_their_frames(blocks: list[int]) -> None:
    """Whatever the blocks: 1 ms is 48 frames; the level is as set."""
    channel = drawn(PulseShape(width_ms=1.0, level=0.5))
    channel.pulse(at(100))
    channel.pulse(at(500))
    found = draw(channel, blocks)
    assert np.flatnonzero(found).tolist() == [*range(100, 148), *range(500, 548)]
    assert set(found.tolist()) == {0.0, 0.5}


def test_falling_pulses_rest_high() -> None:
    """And a pulse wider than three quarters of the way to the next is cut."""
    channel = drawn(PulseShape(width_ms=100.0, polarity="falling"))
    for frame in (200, 300, 400):
        channel.pulse(at(frame))
    found = draw(channel, [512])
    assert found[:200].min() == 1.0
    assert np.flatnonzero(found[300:400] == 0.0).tolist() == list(range(75))


def test_a_run_line_is_high_between_start_and_stop() -> None:
    """And a discard takes back only what has not been drawn."""
    channel = drawn(PulseShape())
    channel.level(at(50), high=True)
    channel.level(at(400), high=False)
    assert np.flatnonzero(draw(channel, [64] * 8)).tolist() == list(range(50, 400))
    again = drawn(PulseShape())
    again.level(at(50), high=True)
    draw(again, [100])
    again.level(at(300), high=False)
    again.discard()
    block = array("f", [0.0]) * 400
    again.draw(memoryview(block), 100, 400)
    assert min(block) == 1.0


def test_the_interfaces_own_delay_is_made_up_for() -> None:
    """A frame that leaves the jack 10 ms later is filled 10 ms earlier."""
    channel = drawn(PulseShape(width_ms=1.0))
    channel.late_ns = 10_000_000
    channel.pulse(at(980))
    assert np.flatnonzero(draw(channel, [512, 512]))[0] == 500


def test_a_strided_channel_of_an_interleaved_block() -> None:
    """Only its own samples are touched."""
    channel = drawn(PulseShape(width_ms=1.0))
    channel.pulse(at(2))
    block = array("f", [0.25]) * 24
    channel.draw(memoryview(block)[1::3], 0, 8)
    assert block[1::3].tolist() == [0, 0, 1, 1, 1, 1, 1, 1]
    assert set(block[0::3].tolist() + block[2::3].tolist()) == {0.25}
