"""The stand-in looper: told by controllers, started with the rest, recording what boxes sound."""

from __future__ import annotations

import numpy as np
import pytest

from grebe.core.rig.model import Device
from grebe.core.rig.spec import LoopControl
from grebe.core.rig.standin import Setup
from grebe.protocols.standin.speaker import Note
from grebe.standins.box import StandinBox
from grebe.standins.loop_sound import At, LoopSound
from grebe.standins.loop_tracks import LoopTracks
from grebe.standins.speaker import Mixer

CONTROL = LoopControl(record=80, play=81, stop=82)
RATE = 8000


def acts(box: StandinBox) -> list[tuple[int, str]]:
    found, box.loops.acts = box.loops.acts, []
    return [(a.track, a.act) for a in found]


def looper() -> StandinBox:
    device = Device(id="looper", name="Looper", channel=12, plays="own")
    return StandinBox(device, Setup(device=device, loops=CONTROL, starts_all=True))


def test_a_box_told_by_controllers() -> None:
    """Record, close, over, close, stop, play; another channel and other numbers are not for it."""
    box = looper()
    for controller in (80, 80, 80, 80, 82, 81):
        box.feed(bytes((0xBB, controller, 2)), 1)
    assert acts(box) == [(2, a) for a in ("record", "play", "overdub", "play", "stop", "play")]
    box.feed(bytes((0xB0, 80, 2)), 1)
    box.feed(bytes((0xBB, 80, 0)), 1)
    box.feed(bytes((0xBB, 81, 9)), 1)  # nothing is on it
    assert acts(box) == []


def test_start_runs_what_holds_something_unless_told_to_stop() -> None:
    """The looper's habit, and the guard against it."""
    box = looper()
    for number in (1, 2, 3):
        box.feed(bytes((0xBB, 80, number)), 1)
        box.feed(bytes((0xBB, 80, number)), 1)
    box.feed(b"\xfc", 2)
    acts(box)
    box.feed(b"\xfa", 3)
    assert acts(box) == [(1, "play"), (2, "play"), (3, "play")]
    box.feed(b"\xfc", 4)
    box.feed(bytes((0xBB, 82, 2)), 5)
    acts(box)
    box.feed(b"\xfa", 6)
    assert acts(box) == [(1, "play"), (3, "play")]


def test_without_control_nothing_is_taken() -> None:
    assert not LoopTracks().told(None, 80, 1, 0)


def blocks(desk: Mixer | LoopSound, dry: np.ndarray, size: int) -> np.ndarray:
    """What comes out of loops when `dry` goes in, in blocks of a size."""
    out = []
    for first in range(0, len(dry), size):
        part = dry[first : first + size].copy()
        assert isinstance(desk, LoopSound)
        desk.add(part, first)
        out.append(part)
    return np.concatenate(out)


@pytest.mark.parametrize("size", [64, 100, 1024])
def test_a_loop_comes_back_sample_for_sample(size: int) -> None:
    """Recorded from 300 to 1300 of what goes in, it is heard again from there, whole, over and
    over; the same whatever the blocks."""
    dice = np.random.default_rng(1)
    dry = np.zeros((6000, 2), dtype=np.float32)
    dry[:1300] = dice.normal(size=(1300, 2)) * 0.1
    loops = LoopSound(RATE)
    for frame, act in ((300, "record"), (1300, "play"), (3800, "stop")):
        loops.take(At(frame, "l", 1, act))  # type: ignore[arg-type]
    out = blocks(loops, dry, size)
    assert loops.length("l", 1) == 1000
    piece = dry[300:1300]
    expected = dry.copy()
    expected[1300:3800] += np.concatenate([piece, piece, piece[:500]])
    assert np.allclose(out, expected, atol=1e-6)


def test_overdubbed_it_holds_both() -> None:
    """What is played over it is heard on the next round, beside what was there."""
    dry = np.zeros((400, 2), dtype=np.float32)
    dry[10] = 0.5
    dry[130] = 0.25
    loops = LoopSound(RATE)
    for frame, act in ((0, "record"), (100, "play"), (100, "overdub"), (200, "play")):
        loops.take(At(frame, "l", 1, act))  # type: ignore[arg-type]
    out = blocks(loops, dry, 50)
    assert out[110, 0] == pytest.approx(0.5)
    assert out[210, 0] == pytest.approx(0.5)
    assert out[230, 0] == pytest.approx(0.25)
    assert out[330, 0] == pytest.approx(0.25)


def test_stopped_and_started_it_begins_at_its_beginning() -> None:
    dry = np.zeros((500, 2), dtype=np.float32)
    dry[0] = 0.5
    loops = LoopSound(RATE)
    for frame, act in ((0, "record"), (100, "play"), (150, "stop"), (333, "play"), (0, "play")):
        loops.take(At(frame, "l", 1 if frame or act == "record" else 2, act))  # type: ignore[arg-type]
    out = blocks(loops, dry, 128)
    assert np.flatnonzero(out[:, 0]).tolist() == [0, 100, 333, 433]


def test_what_boxes_sound_is_recorded() -> None:
    """Through the speaker's own desk: a bass note sounds again a loop later, alike."""
    desk = Mixer(RATE)
    desk.loops.take(At(0, "looper", 1, "record"))
    desk.loops.take(At(4000, "looper", 1, "play"))
    desk.take(Note("bass", "bass", 40, 100, 0), 200)
    desk.take(Note("bass", "bass", 40, 0, 0), 1500)
    out = np.concatenate([desk.block(first, 500) for first in range(0, 12_000, 500)])
    assert np.abs(out[200:1500]).max() > 0.01
    assert np.allclose(out[4200:7800], out[8200:11_800], atol=1e-6)
    assert np.allclose(out[200:1500], out[4200:5500], atol=0.02)


def test_a_recording_left_open_is_closed() -> None:
    """After the longest time it plays by itself, rather than filling the memory."""
    loops = LoopSound(1)
    loops.take(At(0, "l", 1, "record"))
    for first in range(0, 400, 10):
        loops.add(np.ones((10, 2), dtype=np.float32), first)
    assert loops.length("l", 1) == 240
