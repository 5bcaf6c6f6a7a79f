"""A MIDI file's chunks put in order before its events are read: what practice does to them.

RIFF wraps them (RMID); programs put chunks of their own between tracks; a file that was cut, or
written by a small box, has a length or a number of tracks that is not so.
"""

from __future__ import annotations

from typing import NamedTuple

from grebe.errors import MidiFileError

HEAD, TRACK = b"MThd", b"MTrk"
HEAD_BYTES = 6
FIELD = 4
END_OF_TRACK = b"\x00\xff\x2f\x00"


class InOrder(NamedTuple):
    """The file as it should be, and what was not so."""

    data: bytes
    header: bytes
    """As it was: type, number of tracks, division."""
    remarks: tuple[str, ...]


def in_order(data: bytes, name: str) -> InOrder:
    """The same tracks behind a header that is right. MidiFileError where it is no MIDI file."""
    remarks: list[str] = []
    if data[:4] == b"RIFF" and data[8:12] == b"RMID":
        data = _unwrapped(data, name)
        remarks.append("it was wrapped in RIFF")
    at = data.find(HEAD, 0, 256)
    if at < 0 or len(data) < at + 8 + HEAD_BYTES:
        raise MidiFileError(
            f"{name} is not a whole MIDI file (it does not begin with MThd and a header). Save it "
            "again from where it was made."
        )
    if at:
        remarks.append(f"{at} bytes stood before its header")
    length = int.from_bytes(data[at + 4 : at + 8], "big")
    header = data[at + 8 : at + 8 + HEAD_BYTES]
    tracks, foreign = _tracks(data, at + 8 + max(HEAD_BYTES, length), remarks)
    said = int.from_bytes(header[2:4], "big")
    if said != len(tracks):
        remarks.append(f"its header says {said} tracks, and there are {len(tracks)}")
    if foreign:
        kinds = ", ".join(sorted({chunk.decode("latin-1") for chunk in foreign}))
        remarks.append(f"chunks that are no tracks were left out: {kinds}")
    right = header[:2] + len(tracks).to_bytes(2, "big") + header[4:]
    out = HEAD + HEAD_BYTES.to_bytes(4, "big") + right
    for track in tracks:
        out += TRACK + len(track).to_bytes(4, "big") + track
    return InOrder(out, header, tuple(remarks))


def _unwrapped(data: bytes, name: str) -> bytes:
    at = 12
    while at + 8 <= len(data):
        kind, size = data[at : at + 4], int.from_bytes(data[at + 4 : at + 8], "little")
        if kind == b"data":
            return data[at + 8 : at + 8 + size]
        at += 8 + size + size % 2
    raise MidiFileError(f"{name} is RIFF without the MIDI file that should be in it.")


def _tracks(data: bytes, at: int, remarks: list[str]) -> tuple[list[bytes], list[bytes]]:
    """Tracks, and names of other chunks. A track that is cut short ends where the file does."""
    tracks: list[bytes] = []
    foreign: list[bytes] = []
    while at + 8 <= len(data):
        kind, size = data[at : at + 4], int.from_bytes(data[at + 4 : at + 8], "big")
        body = data[at + 8 : at + 8 + size]
        if kind == TRACK:
            if len(body) < size:
                remarks.append("its last track is cut short")
                body = _whole_events(body)
            tracks.append(body)
        elif kind.isascii() and all(32 <= byte < 127 for byte in kind):
            foreign.append(kind)
        else:
            remarks.append("something that is no chunk stands behind its tracks")
            break
        at += 8 + size
    return tracks, foreign


def _whole_events(body: bytes) -> bytes:
    """As many whole events as there are, then the end of the track."""
    at, kept, status = 0, 0, 0
    while at < len(body):
        at, _ = _number(body, at)
        if at >= len(body):
            break
        if body[at] >= 0x80:
            status = body[at]
            at += 1
        if status == 0xFF:
            at, size = _number(body, at + 1)
            at += size
        elif status in (0xF0, 0xF7):
            at, size = _number(body, at)
            at += size
        else:
            at += 1 if status & 0xF0 in (0xC0, 0xD0) else 2
        if at > len(body):
            break
        kept = at
    return body[:kept] + END_OF_TRACK


def _number(body: bytes, at: int) -> tuple[int, int]:
    """A number of variable length, and where it ends."""
    value = 0
    for _ in range(FIELD):
        if at >= len(body):
            break
        byte = body[at]
        at += 1
        value = value << 7 | byte & 0x7F
        if byte < 0x80:
            break
    return at, value
