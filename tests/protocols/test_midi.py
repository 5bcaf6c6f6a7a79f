"""MIDI 1.0 bytes: encoding, and a parser that survives anything."""

from __future__ import annotations

import random

import mido
import pytest
from hypothesis import given
from hypothesis import strategies as st

from grebe.core.player.events import (
    Continue,
    ControlChange,
    NoteOff,
    NoteOn,
    ProgramChange,
    SongPosition,
    Start,
    Stop,
    TimingClock,
)
from grebe.protocols.midi.messages import MAX_SYSEX_BYTES, MidiParser, encode, silence


def parsed(hex_dump: str) -> tuple[list[str], int]:
    """Messages of a dump in hexadecimal, and how many bytes were dropped."""
    parser = MidiParser()
    found = parser.feed(bytes.fromhex(hex_dump), 7)
    assert all(message.at_ns == 7 for message in found)
    return [m.data.hex(" ").upper() for m in found], parser.dropped


@pytest.mark.parametrize(
    ("event", "wanted"),
    [
        (TimingClock(), "F8"),
        (Start(), "FA"),
        (Continue(), "FB"),
        (Stop(), "FC"),
        (SongPosition(sixteenths=512), "F2 00 04"),
        (SongPosition(sixteenths=16383), "F2 7F 7F"),
        (NoteOn(channel=10, note=36, velocity=100), "99 24 64"),
        (NoteOff(channel=10, note=36), "89 24 40"),
        (ProgramChange(channel=1, program=19), "C0 13"),
        (ControlChange(channel=16, controller=7, value=0), "BF 07 00"),
    ],
)
def test_bytes_by_the_standard(event: object, wanted: str) -> None:
    """Status bytes from MIDI 1.0; `mido` reads the same message."""
    data = encode(event)  # type: ignore[arg-type]
    assert data.hex(" ").upper() == wanted
    assert mido.Message.from_bytes(data).bytes() == list(data)


@pytest.mark.parametrize(
    ("dump", "messages"),
    [
        ("90 24 64 24 00", ["90 24 64", "90 24 00"]),  # running status
        ("90 24 F8 64", ["F8", "90 24 64"]),  # a clock inside a note
        ("90 24 64 F8 24 00", ["90 24 64", "F8", "90 24 00"]),  # and running status goes on
        ("F0 7D F8 01 F7", ["F8", "F0 7D 01 F7"]),  # a clock inside system exclusive
        ("F2 00 04 FB F8", ["F2 00 04", "FB", "F8"]),
        ("C0 13 14", ["C0 13", "C0 14"]),
        ("F6 90 24 64", ["F6", "90 24 64"]),
    ],
)
def test_what_the_standard_allows(dump: str, messages: list[str]) -> None:
    """Running status and real-time bytes anywhere, by MIDI 1.0."""
    assert parsed(dump) == (messages, 0)


@pytest.mark.parametrize(
    ("dump", "messages", "dropped"),
    [
        ("24 64", [], 2),  # data without a status
        ("90 24 80 24 40", ["80 24 40"], 1),  # cut short by another status
        ("F9 FD F8", ["F8"], 2),  # undefined real-time bytes
        ("F0 01 02 90 24 64", ["90 24 64"], 3),  # a system exclusive that never ends
        ("F2 00 04 05", ["F2 00 04"], 1),  # system common keeps no running status
        ("F4 01", [], 2),
    ],
)
def test_what_is_broken_is_counted(dump: str, messages: list[str], dropped: int) -> None:
    """Nothing is dropped in silence."""
    assert parsed(dump) == (messages, dropped)


def test_an_endless_system_exclusive_is_let_go() -> None:
    """Its memory is bounded; what comes after is read."""
    parser = MidiParser()
    assert parser.feed(b"\xf0" + bytes(MAX_SYSEX_BYTES + 10), 0) == []
    assert parser.dropped > MAX_SYSEX_BYTES
    assert [m.data for m in parser.feed(b"\x90\x24\x64", 0)] == [b"\x90\x24\x64"]


@given(st.binary(max_size=300), st.integers(1, 7))
def test_any_bytes_in_any_pieces(data: bytes, size: int) -> None:
    """Never an exception, and the pieces do not matter."""
    whole = [m.data for m in MidiParser().feed(data, 0)]
    parser = MidiParser()
    pieces = [m.data for i in range(0, len(data), size) for m in parser.feed(data[i : i + size], 0)]
    assert pieces == whole


def test_a_sound_stream_is_read_in_full() -> None:
    """The positive control of the test above: a thousand messages, none lost."""
    dice = random.Random(5)
    sent = []
    for _ in range(1000):
        note = NoteOn(channel=dice.randint(1, 16), note=dice.randint(0, 127), velocity=99)
        sent += [encode(note), encode(TimingClock())]
    assert [m.data for m in MidiParser().feed(b"".join(sent), 0)] == sent


def test_silence_covers_every_channel() -> None:
    """Sustain up, bend centred, all notes off (123), all sound off (120), on 16 channels."""
    messages = silence()
    assert len(messages) == 64
    assert messages[:4] == [b"\xb0\x40\x00", b"\xe0\x00\x40", b"\xb0\x7b\x00", b"\xb0\x78\x00"]
    assert messages[-1] == b"\xbf\x78\x00"
