"""What stand-ins tell their speaker, as MessagePack: one message a packet."""

from __future__ import annotations

from typing import Literal, TypeAlias

import msgspec

from grebe.core.audio.names import USUAL_BRIGHT
from grebe.core.rig.spec import Kind
from grebe.core.rig.standin import SliceSound
from grebe.errors import at_the_border

MAX_PACKET_BYTES = 65_536
"""64 slices with long paths are some 20 kB."""


class Note(msgspec.Struct, frozen=True, array_like=True, tag="note"):
    """A box begins a note, or (velocity 0) ends one."""

    device: str
    kind: Kind
    note: int
    velocity: int
    at_ns: int
    """CLOCK_MONOTONIC_RAW."""
    level: int = 127
    bright: int = USUAL_BRIGHT
    slot: str = ""
    """What it shares with others, which it cuts off."""


class Samples(msgspec.Struct, frozen=True, array_like=True, tag="samples"):
    """All sounds a box has from files."""

    device: str
    sounds: tuple[SliceSound, ...]


class LoopCommand(msgspec.Struct, frozen=True, array_like=True, tag="loop"):
    """A looper's track records, plays over, plays or stops."""

    device: str
    track: int
    act: Literal["record", "overdub", "play", "stop"]
    at_ns: int
    """CLOCK_MONOTONIC_RAW."""


ToSpeaker: TypeAlias = Note | Samples | LoopCommand

_decoder: msgspec.msgpack.Decoder[ToSpeaker] = msgspec.msgpack.Decoder(ToSpeaker)


def read(packet: bytes) -> ToSpeaker:
    """What a packet says. ProtocolError for one that is none."""
    with at_the_border("a message to the speaker"):
        return _decoder.decode(packet)
