"""What is heard of the stand-ins: notes in, blocks of stereo out."""

from __future__ import annotations

import numpy as np
import pytest

from grebe.core.player.events import NoteOn
from grebe.core.rig.spec import Kind
from grebe.protocols.midi import messages as midi
from grebe.protocols.standin.speaker import Note
from grebe.standins import aloud
from grebe.standins.box import StandinBox
from grebe.standins.speaker import Mixer
from tests import build

RATE = 48_000


def _note(note: int, velocity: int = 127, kind: Kind = "drums", slot: str = "") -> Note:
    return Note(device="d", kind=kind, note=note, velocity=velocity, at_ns=0, slot=slot)


def _blocks(desk: Mixer, first: int, until: int, count: int = 512) -> np.ndarray:
    return np.concatenate([desk.block(n, count) for n in range(first, until, count)])


def test_a_drum_sounds_from_its_frame_on() -> None:
    """Silence before, bounded, silence after; velocity 0 does not end a struck sound."""
    desk = Mixer(RATE)
    desk.take(_note(37), 1000)
    desk.take(_note(37, 0), 1001)
    audio = _blocks(desk, 0, 8192)
    assert not audio[:1000].any()
    assert 0.05 < np.abs(audio[1000:1400]).max() <= 0.9
    assert not audio[5000:].any()


def test_a_tone_is_held_until_its_end() -> None:
    """However the blocks fall; then it goes quickly."""
    desk = Mixer(RATE)
    desk.take(_note(40, kind="bass"), 100)
    first = _blocks(desk, 0, 9216)
    desk.take(_note(40, 0, kind="bass"), 9300)
    rest = _blocks(desk, 9216, 9216 + 8192)
    assert np.abs(first[8000:]).max() > 0.02
    assert np.abs(rest[:80]).max() > 0.02
    assert not rest[84 + round(0.05 * RATE) + 1 :].any()
    assert not desk.block(30_000, 512).any()


def test_what_shares_a_slot_is_cut() -> None:
    """A closed hat ends the open one; two sounds of a slot end each other."""
    for one, other, slot in ((46, 42, ""), (51, 56, "13")):
        both, alone = Mixer(RATE), Mixer(RATE)
        both.take(_note(one, slot=slot), 0)
        both.take(_note(other, slot=slot), 2048)
        alone.take(_note(other, slot=slot), 2048)
        a, b = _blocks(both, 0, 8192), _blocks(alone, 0, 8192)
        assert np.allclose(a[2048 + 256 :], b[2048 + 256 :])


def test_many_at_once_stay_bounded() -> None:
    """A hundred notes: the oldest go, the level stays under the ceiling."""
    desk = Mixer(RATE)
    for note in range(28, 128):
        desk.take(_note(note), 0)
    assert np.abs(_blocks(desk, 0, 2048)).max() <= 0.89


def test_a_box_tells_what_it_sounds() -> None:
    """Begun, ended, panicked; controllers stand beside it."""
    box = StandinBox(build.device("b", channel=2))
    say = midi.encode
    box.feed(bytes((0xB1, 74, 90)), 1)
    box.feed(say(NoteOn(channel=2, note=40, velocity=99)), 5)
    box.feed(bytes((0x81, 40, 64)), 9)
    box.feed(bytes((0x91, 41, 70, 0x91, 42, 70)), 10)
    box.feed(bytes((0xB1, 123, 0)), 20)
    rows = [(s.note, s.velocity, s.at_ns) for s in box.sounded]
    assert rows[:4] == [(40, 99, 5), (40, 0, 9), (41, 70, 10), (42, 70, 10)]
    assert sorted(rows[4:]) == [(41, 0, 20), (42, 0, 20)]
    assert box.sounded[0].controllers == {74: 90}


def test_no_output_no_speaker(monkeypatch: pytest.MonkeyPatch, tmp_path: object) -> None:
    """Nothing is started where there is nothing to sound on; GREBE_SOUND insists."""
    monkeypatch.delenv("GREBE_SOUND", raising=False)
    monkeypatch.setenv("XDG_RUNTIME_DIR", str(tmp_path))
    if not aloud.has_output():
        silent = aloud.Aloud()
        silent.get_ready()
        silent.tell(build.device("d"), StandinBox(build.device("d")))
        assert silent._socket is None
    monkeypatch.setenv("GREBE_SOUND", "system")
    assert aloud.has_output()
