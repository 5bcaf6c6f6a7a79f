"""Open Sound Control 1.0: packets to messages and back. python-osc does the bytes."""

from __future__ import annotations

from typing import NamedTuple

from pythonosc.osc_message_builder import OscMessageBuilder
from pythonosc.osc_packet import OscPacket

from grebe.errors import ProtocolError

MAX_PACKET_BYTES = 2_048
MOST_MESSAGES = 64

Argument = bool | int | float | str


class OscMessage(NamedTuple):
    """One message."""

    address: str
    arguments: tuple[Argument, ...] = ()


def read(data: bytes) -> list[OscMessage]:
    """Messages of a packet, those of bundles too; time tags are not waited for.

    Arguments that are no number, text or truth are left out. ProtocolError for what is no packet.
    """
    if len(data) > MAX_PACKET_BYTES:
        raise ProtocolError(f"a packet of {len(data)} bytes")
    try:
        messages = [timed.message for timed in OscPacket(data).messages]
        out = [
            OscMessage(
                str(m.address),
                tuple(p for p in m.params if isinstance(p, (bool, int, float, str))),
            )
            for m in messages[:MOST_MESSAGES]
        ]
    except Exception as error:  # of a damaged packet all kinds of errors escape from the library
        raise ProtocolError(f"no OSC packet ({error})") from error
    return out


def write(message: OscMessage) -> bytes:
    """A message as bytes: whole numbers and truths as int32, others as float32, text as text."""
    builder = OscMessageBuilder(address=message.address)
    for argument in message.arguments:
        if isinstance(argument, int):
            builder.add_arg(int(argument), builder.ARG_TYPE_INT)
        elif isinstance(argument, float):
            builder.add_arg(argument, builder.ARG_TYPE_FLOAT)
        else:
            builder.add_arg(argument, builder.ARG_TYPE_STRING)
    return bytes(builder.build().dgram)
