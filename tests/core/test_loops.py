"""Audio loops: measured, fitted, cut into slices, played by notes."""

from __future__ import annotations

import numpy as np
import pretty_midi
import pytest
from numpy.typing import NDArray

from grebe.core.audio.drums import drum
from grebe.core.audio.fitting import measure_loop, repitch, resampled, slice_waves, sliced
from grebe.core.audio.mix import Sample, Struck, render_device
from grebe.core.audio.tones import bass
from grebe.core.patterns.loops import (
    Loop,
    cut,
    even_starts,
    lay_out,
    set_gate,
    shift_starts,
    slices_content,
    trim,
)
from grebe.core.patterns.passes import passes_of
from grebe.core.time.ticks import SIXTEENTH_TICKS
from grebe.errors import EditError
from tests import build

RATE = 48_000


def drum_loop(bpm: float, bars: int = 2) -> tuple[NDArray[np.float32], list[int]]:
    """Kick, hat, snare, hat on eighths; the audio and where its hits begin, in samples."""
    step = 60 / bpm / 2 * RATE
    audio = np.zeros(round(8 * bars * step), dtype=np.float32)
    starts: list[int] = []
    for number in range(8 * bars):
        wave = drum((36, 42, 38, 42)[number % 4], RATE) * np.float32(0.7)
        first = round(number * step)
        starts.append(first)
        end = min(len(audio), first + len(wave))
        audio[first:end] += wave[: end - first]
    return audio, starts


def a_loop(bpm: float = 92.0, bars: int = 2) -> tuple[Loop, NDArray[np.float32], list[int]]:
    audio, starts = drum_loop(bpm, bars)
    loop = Loop(id="l", name="Gravel", device="d", file="gravel.wav", rate=RATE,
                samples=len(audio), bars=bars)  # fmt: skip
    return loop, audio, starts


@pytest.mark.parametrize(("bpm", "bars", "near"), [(92, 2, 100), (126, 4, 120), (140, 1, 126)])
def test_bars_tempo_and_onsets(bpm: float, bars: int, near: float) -> None:
    """Bars by length and tempo; the tempo to a thousandth; onsets within 2 ms of the truth."""
    audio, starts = drum_loop(bpm, bars)
    found = measure_loop(audio, RATE, near)
    assert found.bars == bars
    assert found.bpm == pytest.approx(bpm, rel=1e-3)
    assert len(found.onsets) == len(starts)
    worst = max(abs(a - b) for a, b in zip(found.onsets, starts, strict=True))
    assert worst <= 0.002 * RATE


def test_what_resampling_costs() -> None:
    """140 to 126 BPM is 12 log2(0.9) = -1.824 semitones (ISO 16); and the audio is that."""
    cost = repitch(140, 126)
    assert cost.semitones == pytest.approx(-1.824, abs=5e-4)
    assert cost.cents == pytest.approx(-182.4, abs=0.05)
    tone = bass(57, 64, 0, RATE, RATE)  # A3, 220 Hz
    made = resampled(tone, 140, 126, round(RATE / 0.9))
    spectrum = np.abs(np.fft.rfft(made * np.hanning(len(made))))
    hz = np.fft.rfftfreq(len(made), 1 / RATE)[int(spectrum.argmax())]
    assert hz == pytest.approx(220 * 0.9, abs=1.0)


def test_slices_keep_their_pitch_and_fall_on_their_beats() -> None:
    """At 80 instead of 92 BPM hits begin where they do at 80, and sound the same."""
    loop, audio, starts = a_loop()
    loop = cut(loop, tuple(starts), 60)
    made = sliced(audio, loop, 80.0, RATE)
    assert len(made) == round(8 * 60 / 80 * RATE)
    beat = 60 / 80 * RATE
    for number, start in enumerate(starts[:8]):
        first = round(number * beat / 2)
        alike = [
            np.allclose(made[first + k : first + k + 900], audio[start : start + 900], atol=1e-6)
            for k in ((-1, 0, 1) if first else (0,))  # a place in ticks is rounded to a sample
        ]
        assert any(alike)
    faster = sliced(audio, loop, 120.0, RATE)
    assert len(faster) == round(8 * 60 / 120 * RATE)


def test_cutting() -> None:
    """At onsets, into even pieces; never too many, never above note 127, never too short."""
    loop, _, starts = a_loop()
    by_onset = cut(loop, tuple(starts), 60)
    assert [s.note for s in by_onset.slices] == list(range(60, 76))
    assert by_onset.slices[-1].end == loop.samples
    assert [round(s.at / (2 * SIXTEENTH_TICKS)) for s in by_onset.slices] == list(range(16))
    assert len(cut(loop, even_starts(loop, 8), 36).slices) == 8
    assert len(cut(loop, (0, 3, 5000), 36).slices) == 2
    assert cut(loop, (9000,), 36).slices[0].start == 0
    with pytest.raises(EditError, match="above note 127"):
        cut(loop, tuple(starts), 120)
    with pytest.raises(EditError, match="64 slices at most"):
        cut(loop, even_starts(loop, 65), 10)


def test_trimming_and_shifting_by_hand() -> None:
    """Starts and ends move inside the file; places on the beat stay; gates and notes are set."""
    loop, _, starts = a_loop()
    loop = cut(loop, tuple(starts), 60)
    moved = trim(loop, 1, start=-200, end=-500)
    assert moved.slices[1].start == loop.slices[1].start - 200
    assert moved.slices[1].end == loop.slices[1].end - 500
    assert moved.slices[1].at == loop.slices[1].at
    assert trim(loop, 0, start=-999).slices[0].start == 0
    tiny = trim(loop, 0, end=-10_000_000).slices[0]
    assert tiny.end - tiny.start == 64
    assert all(a.start == b.start + 100 for a, b in
               zip(shift_starts(loop, 100).slices, loop.slices, strict=True))  # fmt: skip
    assert lay_out(loop, 36).slices[2].note == 38
    assert set_gate(loop, 3, gate=True).slices[3].gate
    with pytest.raises(EditError, match="16 slices"):
        trim(loop, 16, start=1)


def test_a_pattern_of_slices_is_the_loop_again() -> None:
    """Each slice's note where the slice lies; rendered at the loop's own tempo it is the loop."""
    loop, audio, starts = a_loop()
    loop = cut(loop, tuple(starts), 60)
    content = slices_content(loop)
    assert content.length == 32
    waves = {n: Sample(w) for n, w in slice_waves(audio, loop, RATE).items()}
    second = 92 / 60 * 14_414_400
    notes = [
        Struck(s.tick / second, s.note, 127, 0.1, 127, 64)
        for v in content.voices
        for s in passes_of(content, v).sounds(0)
    ]
    device = build.device("d", kind="sampler")
    made = render_device(device, sorted(notes), loop.seconds, samples=waves)[: len(audio), 0]
    gain = float(np.dot(made, audio) / np.dot(audio, audio))
    error = made - gain * audio
    assert float(np.sqrt(np.mean(error**2)) / np.sqrt(np.mean(made**2))) < 0.15
    with pytest.raises(EditError, match="256 at most"):
        slices_content(Loop(id="l", name="x", device="d", file="f", rate=RATE, samples=9, bars=64))


def test_gates_and_shared_slots() -> None:
    """A gated slice ends with its note; slices of one slot cut each other."""
    loop, audio, starts = a_loop()
    loop = cut(loop, tuple(starts), 60)
    wave = slice_waves(audio, loop, RATE)[60]
    device = build.device("d", kind="sampler")
    held = render_device(device, [Struck(0.0, 60, 127, 0.05, 127, 64)], 1.0,
                         samples={60: Sample(wave, gate=True)})  # fmt: skip
    assert held[: RATE // 30].any()
    assert not held[RATE // 10 :].any()
    long = np.ones(RATE, dtype=np.float32) * 0.5
    slots = {60: Sample(long, slot="a"), 61: Sample(long, slot="a")}
    rows = [Struck(0.0, 60, 127, 0.1, 127, 64), Struck(0.5, 61, 127, 0.1, 127, 64)]
    both = render_device(device, rows, 1.0, samples=slots)
    assert both[round(0.6 * RATE), 0] == pytest.approx(both[round(0.3 * RATE), 0])


def test_slices_at_another_rate() -> None:
    """44 100 samples a second come out as long at 48 000."""
    loop, audio, starts = a_loop()
    loop = cut(loop, tuple(starts), 60)
    waves = slice_waves(audio, loop, 44_100)
    for piece in loop.slices:
        seconds = (piece.end - piece.start) / RATE
        assert len(waves[piece.note]) / 44_100 == pytest.approx(seconds, abs=1e-4)


@pytest.mark.parametrize(("bpm", "bars", "near"), [(92, 2, 100), (126, 4, 120), (140, 1, 126)])
def test_bars_and_onsets_of_a_recording_that_another_program_made(
    bpm: float, bars: int, near: float
) -> None:
    """Rendered by pretty_midi's own synthesis: tones of its making on eighths with gaps. Bars,
    tempo, and every onset to a millisecond."""
    eighth = 60 / bpm / 2
    starts = [n * eighth for n in range(8 * bars) if n % 8 != 7]
    played = pretty_midi.Instrument(program=0)
    played.notes = [
        pretty_midi.Note(velocity=100, pitch=60 + n * 5 % 17, start=at, end=at + 0.09)
        for n, at in enumerate(starts)
    ]
    take = pretty_midi.PrettyMIDI(initial_tempo=bpm)
    take.instruments.append(played)
    audio = np.zeros(round(8 * bars * eighth * RATE), dtype=np.float32)
    made = take.synthesize(fs=RATE)[: len(audio)]
    audio[: len(made)] = made * 0.5
    found = measure_loop(audio, RATE, near)
    assert (found.bars, round(found.bpm, 1)) == (bars, bpm)
    assert len(found.onsets) == len(starts)
    assert np.abs(np.array(found.onsets) / RATE - starts).max() < 1e-3


def test_onsets_tell_how_many_bars_where_the_tempo_does_not() -> None:
    """Three seconds are one bar at 80 or two at 160, near a song at 110 either: hits on every
    second sixteenth of two bars lie between the sixteenths of one."""
    hits, total = (1, 3, 7, 9, 13, 17, 21, 27), 3 * RATE
    audio = np.zeros(total, dtype=np.float32)
    for place in hits:
        first = round(place / 32 * total)
        wave = drum(38, RATE)[: total - first] * np.float32(0.7)
        audio[first : first + len(wave)] += wave
    found = measure_loop(audio, RATE, 110.0)
    assert (found.bars, round(found.bpm)) == (2, 160)
    onsets = np.array(found.onsets) / total * 32
    assert len(onsets) == len(hits)
    assert np.abs(onsets - hits).max() < 0.05
