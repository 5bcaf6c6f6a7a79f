"""What passes between the engine and a stand-in besides MIDI.

To the stand-in go plain MIDI packets, as to any box. Its memory is loaded by
system exclusive under 7D, the manufacturer number MIDI 1.0 keeps for
non-commercial use, holding JSON in 7-bit text. Back come reports, which a
real box could not give: when each tick reached it and when it sounded.
"""

from __future__ import annotations

import json
import struct
from enum import IntEnum
from typing import NamedTuple

import msgspec

from grebe.core.patterns.model import Memory
from grebe.errors import ProtocolError

_SYSEX_HEAD = b"\xf0\x7d\x47"
_GOODBYE = b"\xf0\x7d\x42\xf7"


class ReportKind(IntEnum):
    """What a report is about."""

    TICK = 1
    """A clock tick arrived. `number` counts arrivals since Start or Continue, from 0."""
    LOST_TICK = 2
    """A clock tick that the box did not notice, by a fault set on it."""
    BEAT = 3
    """The box played a quarter note. `number` counts them since Start or Continue, from 0."""
    NOTE = 4
    """The box sounded a note. `number` is note * 128 + velocity."""


class Report(NamedTuple):
    """One thing a stand-in noticed or did."""

    kind: ReportKind
    run: int
    """Which Start or Continue this belongs to, counted from 1."""
    number: int
    at_ns: int
    """CLOCK_MONOTONIC_RAW."""


_REPORT = struct.Struct("<BIIq")
MAX_REPORTS_PER_PACKET = 200  # keeps a packet under 4 kB


def encode_memory(memory: Memory) -> bytes:
    """A box's memory as one system exclusive message."""
    text = json.dumps(msgspec.to_builtins(memory))  # ASCII: data bytes have seven bits
    return _SYSEX_HEAD + text.encode() + b"\xf7"


def decode_memory(message: bytes) -> Memory | None:
    """The memory in a system exclusive message; None when it is something else."""
    if not message.startswith(_SYSEX_HEAD):
        return None
    try:
        return msgspec.json.decode(message[len(_SYSEX_HEAD) : -1], type=Memory)
    except msgspec.MsgspecError as error:
        raise ProtocolError(f"a stand-in's memory could not be read: {error}") from error


def goodbye() -> bytes:
    """The message that tells a stand-in it is no longer needed."""
    return _GOODBYE


def encode_reports(reports: list[Report]) -> bytes:
    """Reports as one packet."""
    return b"".join(_REPORT.pack(*report) for report in reports)


def decode_reports(packet: bytes) -> list[Report]:
    """Reports of one packet. ProtocolError when it is not a whole number of known reports."""
    if len(packet) % _REPORT.size:
        raise ProtocolError(f"a report packet of {len(packet)} bytes is cut short")
    try:
        return [
            Report(ReportKind(kind), run, number, at_ns)
            for kind, run, number, at_ns in _REPORT.iter_unpack(packet)
        ]
    except ValueError as error:
        raise ProtocolError(f"a report of an unknown kind: {error}") from error
