"""What passes between engine and stand-in besides MIDI."""

from __future__ import annotations

import msgspec
import pytest

from grebe.core.patterns.model import Content, Memory
from grebe.core.rig.model import Filter
from grebe.core.rig.standin import Onward, Setup
from grebe.errors import ProtocolError
from grebe.protocols.midi.messages import MAX_SYSEX_BYTES, MidiParser
from grebe.protocols.standin import reports as standin
from grebe.protocols.standin.reports import (
    ReportKind,
    SetupReader,
    StandinReport,
    decode_reports,
    encode_reports,
    encode_setup,
    is_setup,
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
    (part,) = encode_setup(setup)
    (message,) = MidiParser().feed(part, 0)
    assert is_setup(message.data)
    assert SetupReader().take(message.data) == setup


def test_other_messages_are_no_memory() -> None:
    """Another maker's system exclusive is let pass; a broken memory is named."""
    assert not is_setup(b"\xf0\x7e\x00\xf7")
    for text in (b"{", b"gA==", b"oWF/", b"/" * 7):
        with pytest.raises(ProtocolError, match="set-up could not be read"):
            SetupReader().take(b"\xf0\x7d\x47." + text + b"\xf7")


def test_a_large_memory_travels_in_parts(monkeypatch: pytest.MonkeyPatch) -> None:
    """Each fits a packet; what goes on for ever is refused, and the next is read all the same."""
    slots = {
        n: Content(
            length=256, voices=tuple(build.voice("x" * 256, voice_id=f"v{v}") for v in range(8))
        )
        for n in range(20)
    }
    setup = Setup(device=build.device("drums"), memory=Memory(slots=slots))
    parts = encode_setup(setup)
    assert len(parts) > 3
    assert max(map(len, parts)) < MAX_SYSEX_BYTES
    reader = SetupReader()
    assert [reader.take(p) for p in parts[:-1]] == [None] * (len(parts) - 1)
    assert reader.take(parts[-1]) == setup
    monkeypatch.setattr(standin, "MAX_SETUP_BYTES", 50_000)
    with pytest.raises(ProtocolError, match="over 50000 bytes"):
        for part in parts:
            reader.take(part)
    (small,) = encode_setup(Setup(device=build.device("drums")))
    assert SetupReader().take(small) == Setup(device=build.device("drums"))


def test_reports_travel_in_packets() -> None:
    """Many in one packet, the same again."""
    reports = [StandinReport(kind, 2, 100, 10**15 + kind) for kind in ReportKind]
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
        played_bytes(StandinReport(ReportKind.BEAT, 1, 0, 0))
