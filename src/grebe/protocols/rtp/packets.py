"""RTP and RTCP packets as far as MIDI over the network needs them (RFC 3550)."""

from __future__ import annotations

import struct
from typing import NamedTuple

from grebe.errors import ProtocolError

PAYLOAD_TYPE = 97
"""Dynamic: both sides are told which."""
RECEIVER_REPORT, SOURCE_DESCRIPTION = 201, 202
_RTP = struct.Struct(">BBHII")
_RECEIVER = struct.Struct(">BBHI I B3s I I I I")
VERSION = 0x80


class Rtp(NamedTuple):
    """One RTP packet."""

    marker: bool
    payload_type: int
    seq: int
    timestamp: int
    ssrc: int
    payload: bytes


class Reception(NamedTuple):
    """A receiver report's one block."""

    reporter: int
    source: int
    lost_share: int
    """Of the last interval, in 256ths."""
    lost: int
    highest: int
    """Extended highest sequence number received."""
    jitter: int


def encode_rtp(packet: Rtp) -> bytes:
    """A packet without extensions or contributing sources."""
    kind = packet.marker << 7 | packet.payload_type
    return _RTP.pack(VERSION, kind, packet.seq, packet.timestamp, packet.ssrc) + packet.payload


def decode_rtp(data: bytes) -> Rtp:
    """A packet; what it has of padding, extension and sources is skipped. ProtocolError else."""
    if len(data) < _RTP.size or data[0] & 0xC0 != VERSION:
        raise ProtocolError("no RTP packet")
    first, kind, seq, timestamp, ssrc = _RTP.unpack_from(data)
    at = _RTP.size + 4 * (first & 15)
    if first & 0x10:
        if len(data) < at + 4:
            raise ProtocolError("an RTP extension cut short")
        at += 4 + 4 * int.from_bytes(data[at + 2 : at + 4], "big")
    end = len(data)
    if first & 0x20:
        end -= data[-1]
    if at > end:
        raise ProtocolError("an RTP packet cut short")
    return Rtp(bool(kind & 0x80), kind & 0x7F, seq, timestamp, ssrc, data[at:end])


def encode_reception(report: Reception, name: bytes) -> bytes:
    """A compound packet: the receiver report, and who sends it (CNAME)."""
    lost = max(-(2**23), min(2**23 - 1, report.lost))
    first = _RECEIVER.pack(
        VERSION | 1, RECEIVER_REPORT, 7, report.reporter, report.source, report.lost_share,
        lost.to_bytes(3, "big", signed=True), report.highest, report.jitter, 0, 0,
    )  # fmt: skip
    item = bytes((1, len(name))) + name + b"\0"
    item += b"\0" * (-len(item) % 4)
    words = (4 + len(item)) // 4
    head = struct.pack(">BBHI", VERSION | 1, SOURCE_DESCRIPTION, words, report.reporter)
    return first + head + item


def decode_receptions(data: bytes) -> list[Reception]:
    """The receiver report blocks of a compound packet. ProtocolError where it is none."""
    out: list[Reception] = []
    at = 0
    while at + 4 <= len(data):
        first, kind, words = struct.unpack_from(">BBH", data, at)
        if first & 0xC0 != VERSION:
            raise ProtocolError("no RTCP packet")
        end = at + 4 * (words + 1)
        if end > len(data):
            raise ProtocolError("an RTCP packet cut short")
        if kind == RECEIVER_REPORT and end - at >= 8:
            (reporter,) = struct.unpack_from(">I", data, at + 4)
            for block in range(first & 31):
                begin = at + 8 + 24 * block
                if begin + 24 > end:
                    break
                source, share, lost, highest, jitter = struct.unpack_from(">IB3sII", data, begin)
                count = int.from_bytes(lost, "big", signed=True)
                out.append(Reception(reporter, source, share, count, highest, jitter))
        at = end
    if at != len(data):
        raise ProtocolError("an RTCP packet with a rest")
    return out
