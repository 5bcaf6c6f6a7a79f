"""What stand-ins sound like, and how it is mixed."""

from __future__ import annotations

import numpy as np
import pytest

from grebe.core.audio.drums import drum
from grebe.core.audio.kit import RATE, cuts, loudness, tone
from grebe.core.audio.mix import CEILING, Struck, limited, render_device, struck_notes
from grebe.core.audio.tones import bass, fading, hertz, pad
from grebe.core.player.events import ControlChange, Due, NoteOff, NoteOn
from grebe.core.rig.model import Device
from grebe.core.rig.spec import Spec, SpecVoice
from grebe.core.time.tempo import TempoMap, TempoPoint
from grebe.core.time.ticks import TICKS_PER_QUARTER
from tests import build

DRUMS = build.device("drums", kind="drums")
TEMPO = TempoMap((TempoPoint(tick=0, bpm=120.0),))


def _hit(at_s: float, note: int, velocity: int = 127, held_s: float = 0.1) -> Struck:
    return Struck(at_s, note, velocity, held_s, 127, 64)


def test_pitch() -> None:
    """ISO 16: A4 is 440 Hz; an octave doubles."""
    assert hertz(69) == 440.0
    assert hertz(57) == 220.0


@pytest.mark.parametrize("note", [*range(35, 60), 0, 127])
def test_drums_are_sound_and_the_same_every_time(note: int) -> None:
    """Bounded, not silent, ending in silence; bytes alike."""
    wave = drum(note, RATE)
    assert 0.5 < np.abs(wave).max() <= 1.0
    assert abs(wave[-1]) < 1e-3
    assert wave.tobytes() == drum(note, RATE).tobytes()


@pytest.mark.parametrize(("make", "note"), [(bass, 38), (pad, 62)])
def test_tones_have_their_pitch(make: object, note: int) -> None:
    """The strongest partial of the spectrum is the note's frequency; bright has more above."""
    wave = make(note, 64, 0, 3 * RATE // 2, RATE)  # type: ignore[operator]
    spectrum = np.abs(np.fft.rfft(wave * np.hanning(len(wave))))
    peak = np.fft.rfftfreq(len(wave), 1 / RATE)[int(spectrum.argmax())]
    assert peak == pytest.approx(hertz(note), rel=0.005)
    bright = make(note, 127, 0, len(wave), RATE)  # type: ignore[operator]
    above = np.fft.rfftfreq(len(wave), 1 / RATE) > 4 * hertz(note)
    power = np.abs(np.fft.rfft(bright * np.hanning(len(wave))))[above] ** 2
    assert power.sum() > 1.5 * (spectrum[above] ** 2).sum()


def test_a_tone_is_the_same_made_block_by_block() -> None:
    """Blocks put together are the whole; let go of, it ends in silence."""
    whole = tone("bass", 38, 64, 0, 4096)
    blocks = [tone("bass", 38, 64, n, 512) for n in range(0, 4096, 512)]
    assert np.allclose(np.concatenate(blocks), whole, atol=1e-5)
    gains = fading(900, 300, 1000, 100)
    assert (gains[:100] == 1).all()
    assert (np.diff(gains[100:200]) < 0).all()
    assert not gains[200:].any()


def test_notes_from_events() -> None:
    """Starts, lengths and what controllers stood at; a note struck again ends the first."""
    half = TICKS_PER_QUARTER // 2
    on, off = NoteOn(channel=2, note=40, velocity=90), NoteOff(channel=2, note=40)
    events: list[Due] = [
        (0, "b", ControlChange(channel=2, controller=74, value=30)),
        (0, "b", on), (half, "b", on),
        (half, "b", ControlChange(channel=2, controller=7, value=60)),
        (2 * half, "b", off), (3 * half, "b", on), (4 * half, "b", off),
    ]  # fmt: skip
    assert struck_notes(events, TEMPO) == {
        "b": [
            Struck(0.0, 40, 90, 0.25, 127, 30),
            Struck(0.25, 40, 90, 0.25, 127, 30),
            Struck(0.75, 40, 90, 0.25, 60, 30),
        ]
    }


def test_a_hit_sounds_at_its_sample() -> None:
    """Nothing before, something from there on; twice as long a song has the same."""
    audio = render_device(DRUMS, [_hit(0.5, 37)], 1.0)
    assert audio.shape == (round(2.5 * RATE), 2)
    first = int(np.argmax(np.abs(audio[:, 0]) > 1e-4))
    assert first == pytest.approx(RATE // 2, abs=2)
    assert not audio[: RATE // 2].any()


def test_hats_and_shared_slots_cut_each_other() -> None:
    """An open hat stops when the closed one falls; so do two sounds of one slot."""
    alone = render_device(DRUMS, [_hit(0.0, 46)], 1.0)
    both = render_device(DRUMS, [_hit(0.0, 46), _hit(0.1, 42)], 1.0)
    closed = render_device(DRUMS, [_hit(0.1, 42)], 1.0)
    after = slice(round(0.11 * RATE), round(0.3 * RATE))
    assert np.abs(alone[after]).max() > 0.01
    assert np.allclose(both[after], closed[after])
    spec = Spec(voices=(SpecVoice(name="a", note=51, slot="13"),
                        SpecVoice(name="b", note=56, slot="13")))  # fmt: skip
    assert cuts("sampler", spec)[51] == cuts("sampler", spec)[56] == "slot 13"
    sampler: Device = build.device("s", kind="sampler", spec=spec)
    cut = render_device(sampler, [_hit(0.0, 51), _hit(0.1, 56)], 1.0)
    other = render_device(sampler, [_hit(0.1, 56)], 1.0)
    assert np.allclose(cut[after], other[after])


def test_loudness_and_limiting() -> None:
    """Softer is quieter; however many fall together, nothing passes 1 dB below full scale."""
    assert 0 < loudness(30) < loudness(100) < loudness(127) == pytest.approx(1.0)
    assert loudness(100, 0) == 0.0
    loud = limited(np.linspace(-4, 4, 1001, dtype=np.float32).reshape(-1, 1))
    assert np.abs(loud).max() <= CEILING
    assert (np.diff(loud[:, 0]) >= 0).all()
    quiet = np.full((4, 2), 0.3, dtype=np.float32)
    assert limited(quiet) is quiet


def test_boxes_without_a_sound_are_silent() -> None:
    """An echo makes none of its own."""
    echo = build.device("e", kind="echo")
    assert not render_device(echo, [_hit(0.0, 36)], 0.2).any()
