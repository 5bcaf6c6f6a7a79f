"""A stage shown to another computer: how the two prove that they have the passphrase, and frames.

Both send 24 bytes: "grbs", version, three zero bytes, 16 random ones. Then
both send 32: HMAC-SHA-256 over a word for its role and both randoms, under the
session's key; without a passphrase, zeros. From then on the shower sends
frames: four bytes of length, the frame, and 16 bytes of seal over its number
and itself, under a key made from the session's and both randoms.
"""

from __future__ import annotations

import hmac
import struct

from grebe.errors import OtherVersion, ProtocolError
from grebe.protocols.session.packets import TAG_BYTES, seal

MAGIC = b"grbs"
VERSION = 1
HELLO_BYTES, PROOF_BYTES, RANDOM_BYTES = 24, 32, 16
MAX_FRAME_BYTES = 16 * 1024 * 1024
SHOWER, WATCHER = b"shower", b"watcher"
_LENGTH = struct.Struct(">I")


def hello(random: bytes) -> bytes:
    """The first word of both sides."""
    return MAGIC + bytes((VERSION, 0, 0, 0)) + random


def read_hello(data: bytes) -> bytes:
    """The random bytes of a first word. ProtocolError, or OtherVersion, for another."""
    if len(data) != HELLO_BYTES or data[:4] != MAGIC:
        raise ProtocolError("no stage is shown there")
    if data[4] != VERSION:
        raise OtherVersion(f"a stage is shown in version {data[4]}, this is {VERSION}")
    return data[8:]


def proof(key: bytes, role: bytes, shower: bytes, watcher: bytes) -> bytes:
    """The second word of a side; `shower` and `watcher` are both sides' randoms."""
    return hmac.digest(key, role + shower + watcher, "sha256") if key else bytes(PROOF_BYTES)


def proves(given: bytes, key: bytes, role: bytes, shower: bytes, watcher: bytes) -> bool:
    """Whether that is the second word of who has the key; how long it takes tells nothing."""
    return hmac.compare_digest(given, proof(key, role, shower, watcher))


class Frames:
    """Frames of one connection, either way."""

    def __init__(self, key: bytes, shower: bytes, watcher: bytes) -> None:
        self._key = hmac.digest(key, b"frames" + shower + watcher, "sha256") if key else b""
        self._number = 0
        self._buffer = bytearray()

    def wrap(self, frame: bytes) -> bytes:
        """A frame as it goes out."""
        return _LENGTH.pack(len(frame)) + frame + self._tag(frame)

    def _tag(self, frame: bytes) -> bytes:
        self._number += 1
        return seal(self._key, self._number.to_bytes(8, "big") + frame) if self._key else b""

    def feed(self, data: bytes) -> list[bytes]:
        """Frames completed by these bytes. ProtocolError for one too long or with a wrong seal."""
        self._buffer += data
        out: list[bytes] = []
        tag = TAG_BYTES if self._key else 0
        while len(self._buffer) >= _LENGTH.size:
            (length,) = _LENGTH.unpack_from(self._buffer)
            if length > MAX_FRAME_BYTES:
                raise ProtocolError(f"a frame of {length} bytes")
            end = _LENGTH.size + length
            if len(self._buffer) < end + tag:
                break
            frame = bytes(self._buffer[_LENGTH.size : end])
            if not hmac.compare_digest(bytes(self._buffer[end : end + tag]), self._tag(frame)):
                raise ProtocolError("a wrong seal")
            del self._buffer[: end + tag]
            out.append(frame)
        return out
