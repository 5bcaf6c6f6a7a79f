"""A client of the ALSA sequencer, with `alsa-midi` (cffi over libasound).

One client has a port for each box, in each direction. A port that goes away says so by the
sequencer's own announcements, so that one that is back at once is noticed too.
"""

from __future__ import annotations

import errno
import os
from pathlib import Path
from typing import Any, NamedTuple, Protocol

from grebe.errors import PortLost
from grebe.transports.alsa.names import Address, SequencerPort, lasting_names
from grebe.transports.hardware import place_of_card

DEVICE = Path("/dev/snd/seq")
CLIENT_NAME = "Grebe"
SEND_BYTES = 65_536
"""Room for what the kernel does not take at once."""
_FIRST_HARDWARE, _LAST_HARDWARE, _A_CARD = 16, 127, 4
"""Clients of cards: four numbers a card, one for each of its MIDI devices (linux/asequencer)."""


class Came(NamedTuple):
    """A message came in at one of our ports."""

    own: int
    data: bytes


class Appeared(NamedTuple):
    """A port of another client is there, or has changed."""

    address: Address


class Left(NamedTuple):
    """A port of another client has gone; all of a client's where its number is -1."""

    address: Address


News = Came | Appeared | Left


class Sequencer(Protocol):
    """What is asked of the sequencer; the real one is `SequencerClient`."""

    def ports(self) -> list[SequencerPort]:
        """Ports of others."""

    def port(self, address: Address) -> SequencerPort | None:
        """One port of another client; None where there is none, or it is not for us."""

    def new_port(self, name: str, *, input_: bool) -> int:
        """A port of our own. PortLost where there is no room."""

    def join(self, own: int, other: Address, *, input_: bool) -> None:
        """Connect to a port, or from it. PortLost where that is refused."""

    def drop(self, own: int) -> None:
        """Give a port back, with its connections."""

    def send(self, own: int, data: bytes) -> None:
        """Send one message now. PortLost where it cannot be."""

    def receive(self) -> list[News]:
        """What has come in. Never blocks."""

    def fileno(self) -> int:
        """A descriptor that is readable when something has come in."""

    def close(self) -> None:
        """Let go of it."""


class SequencerClient:
    """Our client of the real sequencer. Sends on one thread, receives on another."""

    def __init__(self) -> None:
        """PortLost says why there is none: the library, the device, or the right to it."""
        try:
            import alsa_midi  # noqa: PLC0415 - needs libasound, which not every machine has
            from alsa_midi.client import SequencerClientBase  # noqa: PLC0415
        except ImportError as error:
            raise PortLost(_why_no_library(error)) from error
        self._library = alsa_midi
        try:
            self._client: Any = SequencerClientBase(CLIENT_NAME)
        except alsa_midi.ALSAError as error:
            raise PortLost(_why_no_sequencer()) from error
        self._client.set_output_buffer_size(SEND_BYTES)
        caps = alsa_midi.PortCaps
        self._news = self._client.create_port("news", caps.WRITE | caps.SUBS_WRITE | caps.NO_EXPORT)
        """Kept: a port that nobody holds is given back."""
        self._news.connect_from(alsa_midi.SYSTEM_ANNOUNCE)
        self._own: dict[int, Any] = {}

    def ports(self) -> list[SequencerPort]:
        """Ports of other clients; the system's own and Grebe's are left out."""
        found = self._client.list_ports(type=self._library.PortType.ANY, sort=False)
        known = map(self._known, found)
        return [p for p in known if p is not None]

    def port(self, address: Address) -> SequencerPort | None:
        """One port, asked of the sequencer by its address."""
        try:
            return self._known(self._client.get_port_info(tuple(address)))
        except self._library.ALSAError:
            return None  # it has gone meanwhile

    def _known(self, info: Any) -> SequencerPort | None:
        """A port by what the sequencer has told of it; None where it is not for us."""
        address = Address(info.client_id, info.port_id)
        if address.client in (0, self._client.client_id):
            return None
        try:
            client = self._client.get_client_info(address.client)
        except self._library.ALSAError:
            return None  # it has gone meanwhile
        if client.name == CLIENT_NAME:
            return None
        caps = self._library.PortCaps
        sends = bool(info.capability & caps.SUBS_READ)
        takes = bool(info.capability & caps.SUBS_WRITE)
        if info.capability & caps.NO_EXPORT or not (sends or takes):
            return None
        place = _place(address.client, client.card_id)
        return SequencerPort(address, client.name, info.name, place, sends, takes)

    def new_port(self, name: str, *, input_: bool) -> int:
        """A port that others see under a box's name."""
        caps = self._library.PortCaps
        own = caps.WRITE | caps.SUBS_WRITE if input_ else caps.READ | caps.SUBS_READ
        try:
            made = self._client.create_port(name, own)
        except self._library.ALSAError as error:
            raise PortLost(f"ALSA has no room for another port ({error})") from error
        self._own[made.port_id] = made
        return int(made.port_id)

    def join(self, own: int, other: Address, *, input_: bool) -> None:
        """Connect."""
        target = self._library.Address(*other)
        try:
            if input_:
                self._own[own].connect_from(target)
            else:
                self._own[own].connect_to(target)
        except self._library.ALSAError as error:
            raise PortLost(f"ALSA refused the connection ({error})") from error

    def drop(self, own: int) -> None:
        """Give a port back."""
        port = self._own.pop(own, None)
        if port is not None:
            port.close()

    def send(self, own: int, data: bytes) -> None:
        """Send now; what the kernel has no room for counts as lost with its port."""
        try:
            self._client.event_output(self._library.MidiBytesEvent(data), port=own)
            self._client.drain_output()
        except self._library.ALSAError as error:
            if error.errnum != -errno.EAGAIN:
                raise PortLost(str(error)) from error

    def receive(self) -> list[News]:
        """Take in what there is: messages, and what became of others' ports."""
        library = self._library
        out: list[News] = []
        while True:
            try:
                event = self._client.event_input(prefer_bytes=True)
            except library.ALSAError as error:
                if error.errnum == -errno.ENOSPC:
                    continue  # the kernel's room was full: what is left is read on
                return out
            if isinstance(event, library.MidiBytesEvent):
                out.append(Came(event.dest.port_id, bytes(event.midi_bytes)))
            elif isinstance(event, library.ClientExitEvent):
                out.append(Left(Address(event.addr.client_id, -1)))
            elif isinstance(event, library.PortExitEvent):
                out.append(Left(Address(event.addr.client_id, event.addr.port_id)))
            elif isinstance(event, (library.PortStartEvent, library.PortChangeEvent)):
                out.append(Appeared(Address(event.addr.client_id, event.addr.port_id)))

    def fileno(self) -> int:
        """The sequencer's descriptor."""
        return int(self._client._fd)

    def close(self) -> None:
        """Leave the sequencer, and all connections with it."""
        self._client.close()


def _place(client: int, card: int | None) -> str:
    """Where the device of a client is plugged; its number, where its card may have several."""
    if card is None or not _FIRST_HARDWARE <= client <= _LAST_HARDWARE:
        return ""
    place, device = place_of_card(card), (client - _FIRST_HARDWARE) % _A_CARD
    return f"{place} device {device}" if place and device else place


def _why_no_library(error: ImportError) -> str:
    if "alsa_midi" in str(error) and "libasound" not in str(error):
        return "the Python package alsa-midi is not installed"
    return "the ALSA library is not installed (Debian: libasound2)"


def _why_no_sequencer() -> str:
    if not DEVICE.exists():
        return f"this machine has no ALSA sequencer ({DEVICE}); load it with: modprobe snd-seq"
    if not os.access(DEVICE, os.R_OK | os.W_OK):
        return f"{DEVICE} may not be used: join its group (sudo adduser $USER audio), log in again"
    return f"the ALSA sequencer ({DEVICE}) does not open"


def alsa_ports(*, input_: bool = False) -> list[str]:
    """ALSA ports that can be sent to, or heard, by lasting names. PortLost where there are none
    to be asked."""
    client = SequencerClient()
    try:
        ports = client.ports()
    finally:
        client.close()
    names = lasting_names(ports)
    return [names[p.address] for p in ports if (p.sends if input_ else p.takes)]
