"""Stands where a client of the ALSA sequencer would: no machine of ours has one."""

from __future__ import annotations

import os
from contextlib import suppress

from grebe.errors import PortLost
from grebe.transports.alsa import Address


class FakeSequencer:
    """Ports by name, what was sent, what comes in."""

    def __init__(self, *names: str) -> None:
        self.names = names
        self.sent: list[bytes] = []
        self.coming: list[bytes] = []
        self.joined: tuple[Address, bool] | None = None
        self.broken = self.closed = self.says_gone = False
        self._wake = os.eventfd(0, os.EFD_NONBLOCK)

    def ports(self, *, input_: bool) -> list[tuple[str, Address]]:
        return [(name, Address(number, 0)) for number, name in enumerate(self.names)]

    def join(self, other: Address, *, input_: bool) -> None:
        self.joined = (other, input_)

    def send(self, data: bytes) -> None:
        if self.broken:
            raise PortLost("gone")
        self.sent.append(data)

    def come(self, *messages: bytes) -> None:
        """Let these come in."""
        self.coming += messages
        os.eventfd_write(self._wake, 1)

    def receive(self) -> list[bytes]:
        coming, self.coming = self.coming, []
        with suppress(BlockingIOError):
            os.eventfd_read(self._wake)
        return coming

    @property
    def gone(self) -> bool:
        return self.says_gone

    def fileno(self) -> int:
        return self._wake

    def close(self) -> None:
        if not self.closed:
            self.closed = True
            os.close(self._wake)
