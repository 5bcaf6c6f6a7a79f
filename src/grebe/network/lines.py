"""Lines that come in on a descriptor, without waiting for them."""

from __future__ import annotations

import os
import select

MOST_BYTES = 65_536


class LineReader:
    """Reads what is there."""

    def __init__(self, descriptor: int) -> None:
        self._descriptor = descriptor
        self._rest = b""
        self.ended = False
        """Whether nothing can come any more."""

    def read(self) -> list[str]:
        """Whole lines that have come in since."""
        while not self.ended and select.select([self._descriptor], [], [], 0)[0]:
            data = os.read(self._descriptor, MOST_BYTES)
            self.ended = not data or len(self._rest) > MOST_BYTES
            self._rest += data
        *whole, self._rest = self._rest.split(b"\n")
        return [line.decode(errors="replace") for line in whole]


def first_line(descriptor: int) -> bytes:
    """The first line, waited for, and not a byte more."""
    line = b""
    while not line.endswith(b"\n") and len(line) < MOST_BYTES:
        byte = os.read(descriptor, 1)
        if not byte:
            break
        line += byte
    return line
