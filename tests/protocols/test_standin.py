"""What passes between engine and stand-in besides MIDI."""

from __future__ import annotations

import msgspec
import pytest

from grebe.core.patterns.model import Content, Memory
from grebe.core.rig.model import Filter
from grebe.core.rig.standin import Onward, Setup
from grebe.errors import ProtocolError
from grebe.protocols.midi import MidiParser
from grebe.protocols.standin import (
    Report,
    ReportKind,
    decode_reports,
    decode_setup,
    encode_reports,
    encode_setup,
    played,
    played_bytes,
)
from tests import build


def test_a_memory_travels_as_system_exclusive() -> None:
    """Seven-bit bytes under 7D, through the parser, and the same again at the other end."""
    memory = Memory(
        slots={3: Content(voices=(msgspec.structs.replace(build.voice("x..X"), name="Tambour é"),))}
    )
    setup = Setup(
        device=build.device("drums", channel=10),
        memory=memory,
        accepts=Filter(notes=False, but=(7,)),
        thru=(Onward(path="/run/other.sock", passes=Filter(clock=False)),),
    )
    (message,) = MidiParser().feed(encode_setup(setup), 0)
    assert decode_setup(message.data) == setup


def test_other_messages_are_no_memory() -> None:
    """Another maker's system exclusive is let pass; a broken memory is named."""
    assert decode_setup(b"\xf0\x7e\x00\xf7") is None
    with pytest.raises(ProtocolError, match="set-up could not be read"):
        decode_setup(b"\xf0\x7d\x47{\xf7")


def test_reports_travel_in_packets() -> None:
    """Many in one packet, the same again."""
    reports = [Report(kind, 2, 100, 10**15 + kind) for kind in ReportKind]
    assert decode_reports(encode_reports(reports)) == reports


@pytest.mark.parametrize("packet", [b"\x01", bytes(17), b"\x09" + bytes(16)])
def test_packets_that_are_none(packet: bytes) -> None:
    """Cut short, or of an unknown kind."""
    with pytest.raises(ProtocolError, match="report"):
        decode_reports(packet)


def test_what_a_standin_plays_travels_as_a_report() -> None:
    """Three bytes at most, as any channel or real-time message has."""
    for data in (b"\x90\x24\x7f", b"\xc0\x05", b"\xf8"):
        report = played(data, 12)
        assert played_bytes(decode_reports(encode_reports([report]))[0]) == data
    with pytest.raises(ProtocolError, match="holds no message"):
        played_bytes(Report(ReportKind.BEAT, 1, 0, 0))
