"""Open Sound Control 1.0: packets to messages and back, address patterns. python-osc does the
bytes."""

from __future__ import annotations

import re
from collections.abc import Iterable
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


_WILD = frozenset("*?[{")


def has_pattern(address: str) -> bool:
    """Whether an address may mean several."""
    return not _WILD.isdisjoint(address)


def matching(pattern: str, addresses: Iterable[str]) -> list[str]:
    """The addresses that a pattern means (OSC 1.0: ? * [abc] [!a-c] {one,other}, part by part).

    ValueError for one that is no pattern.
    """
    wanted = re.compile(_expression(pattern))
    return [address for address in addresses if wanted.fullmatch(address)]


def _expression(pattern: str) -> str:
    out, at = "", 0
    while at < len(pattern):
        sign = pattern[at]
        ends = pattern.find({"[": "]", "{": "}"}.get(sign, sign), at + 1)
        if sign in "[{" and ends < 0:
            raise ValueError(f"{pattern} has a {sign} that is not closed")
        if sign == "?":
            out += "[^/]"
        elif sign == "*":
            out += "[^/]*"
        elif sign == "{":
            options = pattern[at + 1 : ends].split(",")
            out += f"(?:{'|'.join(map(re.escape, options))})"
            at = ends
        elif sign == "[":
            among = pattern[at + 1 : ends]
            other, among = among.startswith("!"), among.removeprefix("!")
            listed = "".join(c if c == "-" and 0 < i < len(among) - 1 else re.escape(c)
                             for i, c in enumerate(among))  # fmt: skip
            out += f"[{'^/' if other else ''}{listed}]"
            at = ends
        else:
            out += re.escape(sign)
        at += 1
    return out


def read(data: bytes) -> list[OscMessage]:
    """Messages of a packet, whenever they are meant. ProtocolError as `read_timed`."""
    return [message for message, _ in read_timed(data)]


def read_timed(data: bytes) -> list[tuple[OscMessage, float]]:
    """Messages of a packet, those of bundles too, each with when it is meant: in seconds since
    1970, by its bundle's time tag; about now where that says at once, or there is none.

    Arguments that are no number, text or truth are left out. ProtocolError for what is no packet.
    """
    if len(data) > MAX_PACKET_BYTES:
        raise ProtocolError(f"a packet of {len(data)} bytes")
    try:
        out = [
            (
                OscMessage(
                    str(timed.message.address),
                    tuple(
                        p for p in timed.message.params if isinstance(p, (bool, int, float, str))
                    ),
                ),
                float(timed.time),
            )
            for timed in OscPacket(data).messages[:MOST_MESSAGES]
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
