"""MIDI handed to the network process, each message with the time it is due."""

from __future__ import annotations

import struct

from grebe.transports.standin import StandinPort

_DUE = struct.Struct("<q")


def unpack(data: bytes) -> tuple[int, bytes]:
    """When a message is due, and it; (0, b"") for what is none."""
    if len(data) <= _DUE.size:
        return 0, b""
    return _DUE.unpack_from(data)[0], data[_DUE.size :]


class HandedPort(StandinPort):
    """A connection to a port of the network process: what it hears comes back as from a box."""

    what = "MIDI over the network"

    def send(self, data: bytes, due_ns: int) -> None:
        """Hand it over with its time, by which it is stamped."""
        super().send(_DUE.pack(due_ns) + data, due_ns)

    def close_input(self) -> None:
        """The way in may be the only one there is."""
