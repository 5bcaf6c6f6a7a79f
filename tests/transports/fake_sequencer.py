"""Stands where our client of the ALSA sequencer would: no machine of ours has one."""

from __future__ import annotations

import os
from contextlib import suppress

from grebe.errors import PortLost
from grebe.transports.alsa.client import Appeared, Came, Left, News
from grebe.transports.alsa.names import Address, SequencerPort


class FakeSequencer:
    """Ports of others that come and go, our own, what was sent, what comes in."""

    def __init__(self, *ports: SequencerPort) -> None:
        self.others = {p.address: p for p in ports}
        self.own: dict[int, str] = {}
        self.joined: dict[int, tuple[Address, bool]] = {}
        self.sent: list[tuple[Address, bytes]] = []
        self.asked = 0
        """How often the sequencer was asked for ports."""
        self.broken = self.closed = False
        self._coming: list[News] = []
        self._wake = os.eventfd(0, os.EFD_NONBLOCK)

    def ports(self) -> list[SequencerPort]:
        self.asked += 1
        return list(self.others.values())

    def port(self, address: Address) -> SequencerPort | None:
        return self.others.get(address)

    def new_port(self, name: str, *, input_: bool) -> int:
        del input_
        number = max(self.own, default=0) + 1
        self.own[number] = name
        return number

    def join(self, own: int, other: Address, *, input_: bool) -> None:
        self.joined[own] = other, input_

    def drop(self, own: int) -> None:
        del self.own[own]
        self.joined.pop(own, None)

    def send(self, own: int, data: bytes) -> None:
        if self.broken:
            raise PortLost("gone")
        self.sent.append((self.joined[own][0], data))

    def come(self, own: int, *messages: bytes) -> None:
        """Let these come in at one of our ports."""
        self._tell(*(Came(own, data) for data in messages))

    def pull(self, address: Address) -> SequencerPort:
        """A device is pulled; give it to `plug` to have it back."""
        gone = self.others.pop(address)
        self._tell(Left(address), Left(Address(address.client, -1)))
        return gone

    def plug(self, port: SequencerPort) -> None:
        """A device is plugged in."""
        self.others[port.address] = port
        self._tell(Appeared(port.address))

    def _tell(self, *news: News) -> None:
        self._coming += news
        os.eventfd_write(self._wake, 1)

    def receive(self) -> list[News]:
        with suppress(BlockingIOError):
            os.eventfd_read(self._wake)
        coming, self._coming = self._coming, []
        return coming

    def fileno(self) -> int:
        return self._wake

    def close(self) -> None:
        if not self.closed:
            self.closed = True
            os.close(self._wake)


def port(client: int, name: str, place: str = "", number: int = 0) -> SequencerPort:
    """A port of a client "CLIENT:PORT", at a place."""
    owner, _, its = name.partition(":")
    return SequencerPort(Address(client, number), owner, its or owner, place)
