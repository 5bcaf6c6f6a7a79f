"""The RTP payload for MIDI: the command section (RFC 6295, section 3).

Commands are whole messages with status bytes; running status is read and not
written. System exclusive is left out: no journal covers it here.
"""

from __future__ import annotations

from typing import NamedTuple

from grebe.errors import ProtocolError
from grebe.protocols.midi.messages import SYSEX, SYSEX_END

MOST_COMMANDS = 256
MAX_LIST_BYTES = 0xFFF
_DATA_BYTES = {0x8: 2, 0x9: 2, 0xA: 2, 0xB: 2, 0xC: 1, 0xD: 1, 0xE: 2}
_SYSTEM_DATA_BYTES = {0xF1: 1, 0xF2: 2, 0xF3: 1}
B, J, Z, P = 0x80, 0x40, 0x20, 0x10


class Command(NamedTuple):
    """One MIDI message and when it is, in ticks of the RTP clock after the packet's stamp."""

    after: int
    data: bytes


class CommandSection(NamedTuple):
    """A payload: its commands, and the journal as bytes (b"" for none)."""

    commands: tuple[Command, ...]
    journal: bytes = b""


def encode_section(section: CommandSection) -> bytes:
    """A payload. ValueError for a list that is too long, or commands out of order."""
    listed = bytearray()
    before = 0
    first = section.commands[0].after if section.commands else 0
    for index, (after, data) in enumerate(section.commands):
        if index or first:
            if after < before:
                raise ValueError("commands go in order of time")
            listed += encode_delta(after - before)
        before = after
        listed += data
    if len(listed) > MAX_LIST_BYTES:
        raise ValueError(f"a list of {len(listed)} bytes")
    flags = (J if section.journal else 0) | (Z if first else 0)
    if len(listed) <= 15:
        return bytes((flags | len(listed),)) + listed + section.journal
    head = bytes((B | flags | len(listed) >> 8, len(listed) & 0xFF))
    return head + listed + section.journal


def decode_section(data: bytes) -> CommandSection:
    """A payload. ProtocolError for one that is cut short or holds what is no MIDI."""
    if not data:
        raise ProtocolError("an empty payload")
    flags, length, at = data[0], data[0] & 15, 1
    if flags & B:
        if len(data) < 2:
            raise ProtocolError("a payload cut short")
        length, at = length << 8 | data[1], 2
    listed, journal = data[at : at + length], data[at + length :]
    if len(listed) != length:
        raise ProtocolError("a list cut short")
    return CommandSection(
        tuple(_commands(listed, first_delta=bool(flags & Z))), journal if flags & J else b""
    )


def _commands(listed: bytes, *, first_delta: bool) -> list[Command]:
    out: list[Command] = []
    at = after = status = 0
    while at < len(listed):
        if out or first_delta or at:
            delta, at = decode_delta(listed, at)
            after += delta
            if at == len(listed):
                break  # a delta time with an empty command ends a list
        if len(out) >= MOST_COMMANDS:
            raise ProtocolError("too many commands")
        message, at, status = _message(listed, at, status)
        if message:
            out.append(Command(after, message))
    return out


def _message(listed: bytes, at: int, status: int) -> tuple[bytes, int, int]:
    byte = listed[at]
    if byte in (SYSEX, SYSEX_END):
        return b"", _after_sysex(listed, at + 1), 0
    if byte >= 0xF8:
        return listed[at : at + 1], at + 1, status
    if byte >= 0xF0:
        needed, status = _SYSTEM_DATA_BYTES.get(byte, 0), 0
        at += 1
        head = bytes((byte,))
    elif byte >= 0x80:
        needed, status = _DATA_BYTES[byte >> 4], byte
        at += 1
        head = bytes((byte,))
    elif status:
        needed, head = _DATA_BYTES[status >> 4], bytes((status,))
    else:
        raise ProtocolError("data without a status")
    data = listed[at : at + needed]
    if len(data) != needed or any(b >= 0x80 for b in data):
        raise ProtocolError("a message cut short")
    return head + data, at + needed, status


def _after_sysex(listed: bytes, at: int) -> int:
    while at < len(listed):
        if 0xF0 <= listed[at] < 0xF8:
            return at + 1
        at += 1
    raise ProtocolError("a system exclusive cut short")


def encode_delta(ticks: int) -> bytes:
    """A delta time: seven bits a byte, the highest first, as in a Standard MIDI File."""
    if not 0 <= ticks < 1 << 28:
        raise ValueError(f"a delta time of {ticks}")
    out = [ticks & 0x7F]
    while ticks := ticks >> 7:
        out.append(ticks & 0x7F | 0x80)
    return bytes(reversed(out))


def decode_delta(data: bytes, at: int) -> tuple[int, int]:
    """A delta time at a place, and the place after it. ProtocolError where it does not end."""
    ticks = 0
    for byte in data[at : at + 4]:
        at += 1
        ticks = ticks << 7 | byte & 0x7F
        if not byte & 0x80:
            return ticks, at
    raise ProtocolError("a delta time cut short")
