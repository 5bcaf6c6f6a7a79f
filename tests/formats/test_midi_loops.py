"""MIDI files as patterns and patterns as MIDI files."""

from __future__ import annotations

import io
import random
from pathlib import Path

import mido
import pretty_midi
import pytest

from grebe.core.patterns.model import Content, Hit, Pattern, Voice
from grebe.core.rig.model import Device
from grebe.core.rig.spec import Spec, SpecVoice
from grebe.errors import MidiFileError
from grebe.formats.midi_loops import (
    drum_map,
    parse_notes,
    parse_pattern,
    pattern_to_midi,
    read_pattern,
)
from grebe.formats.smf import GM_DRUMS, midi_bytes
from tests import build


def loop(*notes: tuple[float, int, int], division: int = 480, **fields: int) -> bytes:
    """A MIDI file of notes (beat, note, velocity), an eighth long each."""
    rows = []
    for beat, note, velocity in notes:
        rows.append((beat, mido.Message("note_on", channel=9, note=note, velocity=velocity)))
        rows.append((beat + 0.2, mido.Message("note_off", channel=9, note=note)))
    track, now = mido.MidiTrack(), 0
    if fields:
        track.append(mido.MetaMessage("time_signature", **fields))
    for beat, message in sorted(rows, key=lambda r: r[0]):
        at = round(beat * division)
        track.append(message.copy(time=at - now))
        now = at
    file = mido.MidiFile(type=0, ticks_per_beat=division)
    file.tracks.append(track)
    return midi_bytes(file)


DRUMS = build.device("drums", kind="drums", channel=10)


def read(data: bytes, device: Device = DRUMS) -> Pattern:
    return parse_pattern(data, "loop.mid", device, "i1", "Loop").pattern


def test_a_drum_loop_becomes_a_pattern() -> None:
    """A voice a note number, General MIDI's names, whole bars, velocities kept."""
    pattern = read(loop((0, 36, 127), (1, 38, 90), (2.5, 36, 60), (3.75, 42, 50)))
    voices = pattern.content.voices
    assert [(v.name, [(h.step, h.velocity) for h in v.hits]) for v in voices] == [
        ("Kick", [(0, 127), (10, 60)]),
        ("Snare", [(4, 90)]),
        ("Closed hat", [(15, 50)]),
    ]
    assert pattern.content.length == 16


def test_triplets_and_other_metres() -> None:
    """Hits on triplets make a triplet pattern; bars are those of the file's metre."""
    triplets = read(loop((0, 36, 99), (1 / 3, 36, 99), (2 / 3, 36, 99)))
    assert triplets.content.rate == "1/8t"
    assert triplets.content.length == 12
    seven = read(loop((0, 36, 99), numerator=7, denominator=8))
    assert seven.content.length == 14


@pytest.mark.parametrize(
    ("data", "words"),
    [
        (b"", "not a whole MIDI file"),
        (b"RIFF....WAVE", "not a whole MIDI file"),
        (loop((0, 36, 99))[:-9], "holds no notes"),
        (loop(), "holds no notes"),
        (b"MThd\0\0\0\x06\0\x01\0\0\x01\xe0", "no tracks"),
        (b"MThd\0\0\0\x06\0\x01\x03\xe8\x01\xe0", "1000 tracks"),
        (b"MThd\0\0\0\x06\0\x01\0\x01\0\0", "division of 0"),
        (loop((200_000, 36, 99), division=96), "200000 beats from its beginning"),
        (b"MThd\0\0\0\x06\0\x02\0\0\x01\xe0", "type 2"),
        (b"MThd\0\0\0\x06\0\x01\0\x01\xe8\x28", "film frames"),
    ],
)
def test_files_that_cannot_be_imported(data: bytes, words: str) -> None:
    """A sentence with the file and what to do; the reader lets nothing else out."""
    with pytest.raises(MidiFileError, match=words) as caught:
        read(data)
    assert "loop.mid" in str(caught.value)


def test_broken_bytes_never_escape() -> None:
    """Five hundred mutations of a file: a pattern or a MidiFileError (seed 1)."""
    dice, good = random.Random(1), loop((0, 36, 99), (1, 38, 90))
    assert read(good)
    for _ in range(500):
        data = bytearray(good)
        for _ in range(dice.randint(1, 4)):
            data[dice.randrange(len(data))] = dice.randrange(256)
        try:
            read(bytes(data))
        except MidiFileError as error:
            assert "loop.mid" in str(error)


def test_a_file_that_is_not_there(tmp_path: Path) -> None:
    """Said plainly."""
    with pytest.raises(MidiFileError, match="is not there"):
        read_pattern(tmp_path / "none.mid", DRUMS, "i1")


@pytest.mark.parametrize(
    ("note", "name"),
    [(36, "Kick"), (37, "Side stick"), (38, "Snare"), (39, "Clap"), (42, "Closed hat"),
     (46, "Open hat"), (49, "Crash"), (51, "Ride"), (56, "Cowbell")],
)  # fmt: skip
def test_drum_names(note: int, name: str) -> None:
    """General MIDI level 1 percussion: bass drum 1, side stick, acoustic snare, hand clap,
    closed and open hi-hat, crash 1, ride 1, cowbell, in short."""
    assert GM_DRUMS[note] == name


def test_a_boxs_own_drum_map() -> None:
    """Notes go to the box's voices of the same name; what it has itself, or has not, stays."""
    voices = {60: "Kick", 62: "Snare", 42: "Shaker"}
    assert drum_map({36, 38, 42, 49}, voices) == {36: 60, 38: 62}
    spec = Spec(voices=tuple(SpecVoice(name=n, note=k) for k, n in voices.items()))
    box = build.device("box", kind="drums", spec=spec)
    pattern = read(loop((0, 36, 127), (1, 42, 90), (2, 11, 80)), box)
    assert [(v.note, v.name) for v in pattern.content.voices] == [
        (11, "Note 11"), (42, "Shaker"), (60, "Kick"),
    ]  # fmt: skip


def test_swing_and_micro_timing_survive() -> None:
    """Sixteenths at 60 % come back as swing; one hit 5 % of a step late stays so."""
    starts = [0.0, 0.3, 0.5, 0.8, 1.0, 1.3, 1.5, 1.8, 2.0125]
    pattern = read(loop(*((s, 42, 90) for s in starts), division=960))
    content = pattern.content
    assert content.swing == pytest.approx(60, abs=0.2)
    hats = content.voices[0].hits
    assert [h.step for h in hats] == list(range(9))
    assert hats[8].shift_permille == pytest.approx(50, abs=2)
    assert max(abs(h.shift_permille) for h in hats[:8]) <= 4


def test_chords_and_lines_of_a_melodic_box() -> None:
    """One voice with pitches; notes struck together are a chord."""
    track = mido.MidiTrack()
    for note in (50, 53, 57):
        track.append(mido.Message("note_on", channel=1, note=note, velocity=80, time=0))
    track.append(mido.Message("note_off", channel=1, note=50, time=960))
    file = mido.MidiFile(type=0, ticks_per_beat=480)
    file.tracks.append(track)
    pad = build.device("pad", kind="synth", channel=2)
    (voice,) = read(midi_bytes(file), pad).content.voices
    assert voice.hits[0].note == 50
    assert voice.hits[0].chord == (3, 7)
    assert voice.hits[0].gate_length == 800


def test_what_is_written_is_read_by_others() -> None:
    """mido and pretty_midi find the strokes where they sound: swing, flam, ratchet, late."""
    hits = (
        Hit(step=0, velocity=127), Hit(step=3, flam=200), Hit(step=5, ratchet=3),
        Hit(step=8, shift_permille=-100), Hit(step=10, when="fill"),
    )  # fmt: skip
    voice = Voice(id="v", name="Snare", note=38, hits=hits)
    content = Content(swing=58.0, voices=(voice,))
    pattern = Pattern(id="p", name="Loop", device="drums", content=content)
    data = pattern_to_midi(pattern, DRUMS, 126.0, passes=2)
    step = 60 / 126 / 4
    late = 0.16 * step
    first = [0, 2.8 * step + late, 3 * step + late, 5 * step + late, 5 * step + late + step / 3,
             5 * step + late + step * 2 / 3, 7.9 * step]  # fmt: skip
    theirs = pretty_midi.PrettyMIDI(io.BytesIO(data)).instruments[0].notes
    found = sorted(n.start for n in theirs)
    assert found == pytest.approx([*first, *(t + 16 * step for t in first)], abs=0.6e-3)
    tracks = mido.MidiFile(file=io.BytesIO(data)).tracks
    assert [t.name for t in tracks] == ["Loop", "Snare"]
    assert {m.channel for m in tracks[1] if m.type == "note_on"} == {9}


def test_out_and_in_again() -> None:
    """A plain pattern comes back as it was."""
    voice = build.voice("x..ox.xXx..ox.xX", note=36)
    pattern = build.pattern("p", "drums", voice)
    again = read(pattern_to_midi(pattern, DRUMS, 120.0))
    assert [(h.step, h.velocity) for h in again.content.voices[0].hits] == [
        (h.step, h.velocity) for h in voice.hits
    ]


def test_notes_that_never_end() -> None:
    """They are taken as short ones."""
    track = mido.MidiTrack([mido.Message("note_on", note=60, velocity=9, time=0)])
    file = mido.MidiFile(type=0, ticks_per_beat=480)
    file.tracks.append(track)
    notes, bar = parse_notes(midi_bytes(file), "x.mid")
    assert (notes[0].length, bar) == (0.125, 4.0)
