"""MIDI 1.0 bytes: encoding the player's events, and an incremental parser.

Status bytes and lengths are from MIDI 1.0 (1996). The parser keeps running
status, and real-time bytes may stand anywhere, also inside another message or
system exclusive, without disturbing it.
"""

from __future__ import annotations

from typing import NamedTuple

from grebe.core.player.events import (
    Continue,
    ControlChange,
    DeviceEvent,
    NoteOff,
    NoteOn,
    ProgramChange,
    Pulse,
    SongPosition,
    SongSelect,
    Start,
    Stop,
    TimingClock,
)
from grebe.core.time.position import song_position_bytes

TIMING_CLOCK = 0xF8
START = 0xFA
CONTINUE = 0xFB
STOP = 0xFC
SONG_POSITION = 0xF2
SYSEX = 0xF0
SYSEX_END = 0xF7
NOTE_OFF = 0x80
NOTE_ON = 0x90
CONTROL_CHANGE = 0xB0
PROGRAM_CHANGE = 0xC0

ALL_SOUND_OFF = 120
ALL_NOTES_OFF = 123

MAX_SYSEX_BYTES = 65_536
"""A longer system exclusive is dropped and counted: no box here needs more, and a
cable pulled in mid-message must not fill the memory."""

_DATA_BYTES = {0x8: 2, 0x9: 2, 0xA: 2, 0xB: 2, 0xC: 1, 0xD: 1, 0xE: 2}
_SYSTEM_DATA_BYTES = {0xF1: 1, 0xF2: 2, 0xF3: 1, 0xF6: 0}


def encode(event: DeviceEvent) -> bytes:
    """The MIDI bytes of an event."""
    match event:
        case TimingClock():
            return b"\xf8"
        case Pulse():
            return b""  # no message: the wire draws it
        case Start():
            return b"\xfa"
        case Continue():
            return b"\xfb"
        case Stop():
            return b"\xfc"
        case SongPosition():
            return song_position_bytes(event.sixteenths)
        case NoteOn():
            return bytes((NOTE_ON | event.channel - 1, event.note, event.velocity))
        case NoteOff():
            return bytes((NOTE_OFF | event.channel - 1, event.note, 64))
        case ProgramChange():
            return bytes((PROGRAM_CHANGE | event.channel - 1, event.program))
        case ControlChange():
            return bytes((CONTROL_CHANGE | event.channel - 1, event.controller, event.value))
        case SongSelect():
            return bytes((0xF3, event.song))


def silence(channels: range = range(16)) -> list[bytes]:
    """Per channel (0 to 15): sustain up, bend centred, all notes off, all sound off."""
    out: list[bytes] = []
    for channel in channels:
        control = CONTROL_CHANGE | channel
        out.append(bytes((control, 64, 0)))
        out.append(bytes((0xE0 | channel, 0x00, 0x40)))
        out.append(bytes((control, ALL_NOTES_OFF, 0)))
        out.append(bytes((control, ALL_SOUND_OFF, 0)))
    return out


class Message(NamedTuple):
    """One complete message and the time its last byte came."""

    data: bytes
    at_ns: int


class MidiParser:
    """Splits a byte stream into messages.

    Any bytes are taken without an exception. What cannot be part of a message
    is dropped and counted in `dropped`.
    """

    def __init__(self) -> None:
        self.dropped = 0
        self._status = 0
        self._data = bytearray()
        self._sysex: bytearray | None = None

    def feed(self, data: bytes, at_ns: int) -> list[Message]:
        """Take bytes that came at `at_ns`; gives the messages completed by them."""
        out: list[Message] = []
        for byte in data:
            if byte >= 0xF8:
                if byte in (0xF9, 0xFD):  # undefined in MIDI 1.0
                    self.dropped += 1
                else:
                    out.append(Message(bytes((byte,)), at_ns))
            elif byte >= 0x80:
                self._take_status(byte, at_ns, out)
            else:
                self._take_data(byte, at_ns, out)
        return out

    def _take_status(self, byte: int, at_ns: int, out: list[Message]) -> None:
        self.dropped += len(self._data)
        self._data.clear()
        if self._sysex is not None:
            if byte == SYSEX_END:
                out.append(Message(bytes(self._sysex) + b"\xf7", at_ns))
            else:
                self.dropped += len(self._sysex)
            self._sysex = None
            if byte == SYSEX_END:
                return
        if byte == SYSEX:
            self._sysex, self._status = bytearray((SYSEX,)), 0
        elif byte < SYSEX:
            self._status = byte
        elif _SYSTEM_DATA_BYTES.get(byte) == 0:
            self._status = 0
            out.append(Message(bytes((byte,)), at_ns))
        elif byte in _SYSTEM_DATA_BYTES:
            self._status = byte
        else:
            self._status = 0
            self.dropped += 1

    def _take_data(self, byte: int, at_ns: int, out: list[Message]) -> None:
        if self._sysex is not None:
            self._sysex.append(byte)
            if len(self._sysex) > MAX_SYSEX_BYTES:
                self.dropped += len(self._sysex)
                self._sysex = None
            return
        if not self._status:
            self.dropped += 1
            return
        self._data.append(byte)
        system = self._status >= 0xF0
        wanted = _SYSTEM_DATA_BYTES[self._status] if system else _DATA_BYTES[self._status >> 4]
        if len(self._data) == wanted:
            out.append(Message(bytes((self._status,)) + bytes(self._data), at_ns))
            self._data.clear()
            if system:
                self._status = 0  # only channel messages keep running status
