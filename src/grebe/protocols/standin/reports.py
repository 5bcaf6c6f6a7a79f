"""What passes between the engine and a stand-in besides MIDI.

To the stand-in go plain MIDI packets, as to any box. Its settings, memory and
thru cables are told by system exclusive under 7D, the manufacturer number MIDI
1.0 keeps for non-commercial use, holding JSON in 7-bit text. Back come reports,
which a real box could not give: when each tick reached it and when it sounded.
What a stand-in plays comes back as a report too.
"""

from __future__ import annotations

import base64
import struct
from enum import IntEnum
from typing import NamedTuple

import msgspec

from grebe.core.rig.standin import Setup
from grebe.errors import ProtocolError, at_the_border

_SYSEX_HEAD = b"\xf0\x7d\x47"
_MORE, _LAST = b"+", b"."
SETUP_PART_BYTES = 32_768
MAX_SETUP_BYTES = 128 * 1024 * 1024
_GOODBYE = b"\xf0\x7d\x42\xf7"
_PRESS_START, _PRESS_STOP = b"\xf0\x7d\x50\x01\xf7", b"\xf0\x7d\x50\x00\xf7"


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
    PLAYED = 5
    """Its output sent a message of up to three bytes: `number` holds them, the first lowest."""


class StandinReport(NamedTuple):
    """One thing a stand-in noticed or did."""

    kind: ReportKind
    run: int
    """Which Start or Continue this belongs to, counted from 1."""
    number: int
    at_ns: int
    """CLOCK_MONOTONIC_RAW."""


_REPORT = struct.Struct("<BIIq")
MAX_REPORTS_PER_PACKET = 200  # keeps a packet under 4 kB


def encode_setup(setup: Setup) -> list[bytes]:
    """A box's settings, memory and cables as system exclusive messages, each small enough for a
    packet; the last of them says that it is."""
    text = base64.b64encode(msgspec.msgpack.encode(setup))  # data bytes have seven bits
    cuts = range(0, len(text), SETUP_PART_BYTES)
    return [
        _SYSEX_HEAD + (_LAST if at == cuts[-1] else _MORE) + text[at : at + SETUP_PART_BYTES]
        + b"\xf7"
        for at in cuts
    ]  # fmt: skip


class SetupReader:
    """Puts a set-up together from its messages."""

    def __init__(self) -> None:
        self._text = bytearray()

    def take(self, message: bytes) -> Setup | None:
        """One message; the set-up once it is whole. ProtocolError for one that cannot be read."""
        self._text += message[len(_SYSEX_HEAD) + 1 : -1]
        if len(self._text) > MAX_SETUP_BYTES:
            self._text.clear()
            raise ProtocolError(f"a set-up of over {MAX_SETUP_BYTES} bytes")
        if message[len(_SYSEX_HEAD) : len(_SYSEX_HEAD) + 1] != _LAST:
            return None
        text, self._text = bytes(self._text), bytearray()
        with at_the_border("a stand-in's set-up"):
            return msgspec.msgpack.decode(base64.b64decode(text, validate=True), type=Setup)


def is_setup(message: bytes) -> bool:
    """Whether a message is a part of a set-up."""
    return message.startswith(_SYSEX_HEAD)


def played(data: bytes, at_ns: int) -> StandinReport:
    """The report of a message of up to three bytes that a stand-in's output sent."""
    return StandinReport(ReportKind.PLAYED, len(data), int.from_bytes(data, "little"), at_ns)


def played_bytes(report: StandinReport) -> bytes:
    """The message in a report of that kind. ProtocolError when it cannot be one."""
    if report.kind is not ReportKind.PLAYED or not 1 <= report.run <= 3:
        raise ProtocolError(f"a report {report} holds no message")
    return report.number.to_bytes(4, "little")[: report.run]


def press(*, start: bool) -> bytes:
    """The message that presses a stand-in's start key, or its stop key, as a hand would."""
    return _PRESS_START if start else _PRESS_STOP


def pressed(message: bytes) -> bool | None:
    """Which key a message presses: True is start, False stop, None neither."""
    return {_PRESS_START: True, _PRESS_STOP: False}.get(message)


def goodbye() -> bytes:
    """The message that tells a stand-in it is no longer needed."""
    return _GOODBYE


def encode_reports(reports: list[StandinReport]) -> bytes:
    """Reports as one packet."""
    return b"".join(_REPORT.pack(*report) for report in reports)


def decode_reports(packet: bytes) -> list[StandinReport]:
    """Reports of one packet. ProtocolError when it is not a whole number of known reports."""
    if len(packet) % _REPORT.size:
        raise ProtocolError(f"a report packet of {len(packet)} bytes is cut short")
    try:
        return [
            StandinReport(ReportKind(kind), run, number, at_ns)
            for kind, run, number, at_ns in _REPORT.iter_unpack(packet)
        ]
    except ValueError as error:
        raise ProtocolError(f"a report of an unknown kind: {error}") from error
