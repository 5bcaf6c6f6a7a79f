"""MIDI files as practice has them: wrapped, cut, with what no pattern can hold; round trips."""

from __future__ import annotations

import io

import mido
import msgspec
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from grebe.core.patterns.model import Content, ControlLane, ControlPoint, Hit, Pattern, Voice
from grebe.core.patterns.passes import dice_key, passes_of
from grebe.core.rig.model import Device
from grebe.core.time.ticks import TICKS_PER_QUARTER
from grebe.errors import MidiFileError
from grebe.formats.midi_loops import ReadPattern, parse_pattern, pattern_to_midi
from grebe.formats.smf import midi_bytes
from grebe.formats.smf_chunks import in_order
from tests.formats.test_midi_loops import DRUMS, loop
from tests.long import tries

LOOP = loop((0, 36, 100), (1, 38, 90), (2.5, 36, 60), (3.75, 42, 50))


def read(data: bytes, device: Device = DRUMS) -> ReadPattern:
    return parse_pattern(data, "x.mid", device, "i1", "Loop")


def chunk(name: bytes, body: bytes) -> bytes:
    return name + len(body).to_bytes(4, "big") + body


def test_files_that_are_slightly_wrong_are_read_with_a_word() -> None:
    """RIFF around it, other chunks between, bytes before it, a header that counts wrongly, a long
    header, a track cut short, rubbish behind: the same pattern as from the whole file."""
    right = read(LOOP).pattern
    head, track = LOOP[:14], LOOP[14:]
    riff = b"RMID" + b"data" + len(LOOP).to_bytes(4, "little") + LOOP
    wrong = {
        b"RIFF" + len(riff).to_bytes(4, "little") + riff: "wrapped in RIFF",
        head + chunk(b"XFIH", b"abc") + track: "chunks that are no tracks were left out: XFIH",
        b"\0" * 128 + LOOP: "128 bytes stood before its header",
        head[:10] + b"\0\x07" + head[12:] + track: "its header says 7 tracks, and there are 1",
        LOOP[:-2]: "its last track is cut short",
        LOOP + b"\xff\0\1\2\3\4\5\6\7": "something that is no chunk",
    }
    for data, words in wrong.items():
        found = read(data)
        assert found.pattern.content.voices == right.content.voices
        assert any(words in line for line in found.lost), found.lost
    longer = head[:4] + b"\0\0\0\x08" + head[8:] + b"\0\0" + track
    assert read(longer).pattern == right


def test_escapes_and_system_exclusive_are_passed_over_and_counted() -> None:
    """F0, F7 as a continuation and as an escape (Standard MIDI Files 1.0, events)."""
    events = b"\x00\xf0\x03\x43\x12\x00\x10\xf7\x03\x01\x02\xf7\x00\xf7\x02\xf3\x01"
    notes = b"\x00\x99\x24\x64\x60\x89\x24\x40\x00\xff\x2f\x00"
    data = LOOP[:14] + chunk(b"MTrk", events + notes)
    found = read(data)
    assert [len(v.hits) for v in found.pattern.content.voices] == [1]
    assert any("system exclusive" in line for line in found.lost)


def test_what_a_pattern_cannot_hold_is_said() -> None:
    """Bend, pressure and programs by number; controllers are kept as lanes."""
    file = mido.MidiFile(file=io.BytesIO(LOOP))
    track = file.tracks[0]
    for message in (
        mido.Message("pitchwheel", pitch=100), mido.Message("pitchwheel", pitch=0),
        mido.Message("aftertouch", value=3), mido.Message("program_change", program=4),
        mido.Message("control_change", channel=9, control=74, value=20),
        mido.Message("control_change", channel=9, control=120, value=0),
    ):  # fmt: skip
        track.insert(0, message)
    found = read(midi_bytes(file))
    assert {"2 of pitch bend left out", "1 of channel pressure left out",
            "1 of program changes left out"} <= set(found.lost)  # fmt: skip
    (lane,) = found.pattern.content.lanes
    assert (lane.controller, [(p.step, p.value) for p in lane.points]) == (74, [(0, 20)])


def test_a_time_signature_of_nothing_is_refused() -> None:
    data = LOOP[:14] + chunk(b"MTrk", b"\x00\xff\x58\x04\x00\x02\x18\x08" + LOOP[22:])
    with pytest.raises(MidiFileError, match="time signature of 0/4"):
        read(data)


@given(st.binary(max_size=200), st.integers(0, len(LOOP)))
@settings(max_examples=tries(100))
def test_any_bytes_are_put_in_order_or_refused(junk: bytes, at: int) -> None:
    for data in (junk, LOOP[:at] + junk + LOOP[at:], b"RIFF\0\0\0\0RMID" + junk):
        try:
            made = in_order(data, "x.mid")
            read(made.data)
        except MidiFileError as error:
            assert "x.mid" in str(error)


# Round trips

hits = st.lists(st.tuples(st.integers(0, 63), st.integers(1, 127)), max_size=20)
points = st.lists(st.tuples(st.integers(0, 63), st.integers(0, 127)), max_size=8)


def content_of(
    rows: dict[int, list[tuple[int, int]]], turns: list[tuple[int, int]], length: int
) -> Content:
    voices = tuple(
        Voice(
            id=f"v{note}", name=f"V{note}", note=note, length=length,
            hits=tuple(Hit(step=s, velocity=v) for s, v in sorted(dict(found).items())
                       if s < length),
        )
        for note, found in sorted(rows.items())
    )  # fmt: skip
    lane = ControlLane(
        id="c", name="C", controller=74, length=length,
        points=tuple(ControlPoint(step=s, value=v) for s, v in sorted(dict(turns).items())
                     if s < length),
    )  # fmt: skip
    return Content(length=length, voices=voices, lanes=(lane,))


def sounding(content: Content) -> list[tuple[float, int, int]]:
    out = []
    for voice in content.voices:
        key = dice_key(1, "drums", voice.id, content)
        sounds = passes_of(content, voice).between(0, content.ticks, key)
        out += [(round(s.tick / TICKS_PER_QUARTER, 3), s.note, s.velocity) for s in sounds]
    return sorted(out)


def values(content: Content) -> list[tuple[int, int]]:
    return [(p.step, p.value) for lane in content.lanes for p in lane.points]


@given(st.dictionaries(st.sampled_from([36, 38, 42]), hits, max_size=3), points,
       st.sampled_from([5, 8, 14, 16, 23, 32, 48, 64]))  # fmt: skip
@settings(max_examples=tries(60))
def test_a_pattern_written_and_read_back_sounds_the_same(
    rows: dict[int, list[tuple[int, int]]], turns: list[tuple[int, int]], length: int
) -> None:
    """Its length, hits, levels and controllers, whatever bars it does not fill."""
    content = content_of(rows, turns, length)
    if not sounding(content):
        return
    pattern = Pattern(id="p", name="P", device="drums", content=content)
    back = read(pattern_to_midi(pattern, DRUMS, 126.0)).pattern.content
    assert sounding(back) == sounding(content)
    if back.rate == "1/16":  # hits on eighth triplets alone are put on them
        assert back.length == length
        assert values(back) == values(content)


def test_two_passes_of_a_lane_that_is_shorter_than_its_pattern() -> None:
    """It comes round as it sounds, in each pass."""
    points = (ControlPoint(step=1, value=9), ControlPoint(step=3, value=90))
    lane = ControlLane(id="c", name="C", controller=7, length=4, points=points)
    content = msgspec.structs.replace(content_of({36: [(0, 100)]}, [], 16), lanes=(lane,))
    pattern = Pattern(id="p", name="P", device="drums", content=content)
    file = mido.MidiFile(file=io.BytesIO(pattern_to_midi(pattern, DRUMS, 120.0, passes=2)))
    track = next(t for t in file.tracks if any(m.type == "control_change" for m in t))
    at, seen = 0, []
    for message in track:
        at += message.time
        if message.type == "control_change":
            seen.append((at / 240, message.value))
    assert seen == [(n * 4 + s, v) for n in range(8) for s, v in ((1, 9), (3, 90))]
