"""What passes between engine and stand-in besides MIDI."""

from __future__ import annotations

import msgspec
import pytest

from grebe.core.patterns.model import Content, Memory
from grebe.errors import ProtocolError
from grebe.protocols.midi import MidiParser
from grebe.protocols.standin import (
    Report,
    ReportKind,
    decode_memory,
    decode_reports,
    encode_memory,
    encode_reports,
)
from tests import build


def test_a_memory_travels_as_system_exclusive() -> None:
    """Seven-bit bytes under 7D, through the parser, and the same again at the other end."""
    memory = Memory(
        slots={3: Content(voices=(msgspec.structs.replace(build.voice("x..X"), name="Tambour é"),))}
    )
    (message,) = MidiParser().feed(encode_memory(memory), 0)
    assert decode_memory(message.data) == memory


def test_other_messages_are_no_memory() -> None:
    """Another maker's system exclusive is let pass; a broken memory is named."""
    assert decode_memory(b"\xf0\x7e\x00\xf7") is None
    with pytest.raises(ProtocolError, match="memory could not be read"):
        decode_memory(b"\xf0\x7d\x47{\xf7")


def test_reports_travel_in_packets() -> None:
    """Many in one packet, the same again."""
    reports = [Report(kind, 2, 100, 10**15 + kind) for kind in ReportKind]
    assert decode_reports(encode_reports(reports)) == reports


@pytest.mark.parametrize("packet", [b"\x01", bytes(17), b"\x09" + bytes(16)])
def test_packets_that_are_none(packet: bytes) -> None:
    """Cut short, or of an unknown kind."""
    with pytest.raises(ProtocolError, match="report"):
        decode_reports(packet)
