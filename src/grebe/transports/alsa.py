"""MIDI through the ALSA sequencer, with `alsa-midi` (cffi over libasound).

The sending call is made at the deadline. What comes in is stamped by a thread of
its own as it comes. A port that goes away says so by the sequencer's own
announcements, so that one that is back at once is noticed too.
"""

from __future__ import annotations

import errno
import os
import select
import threading
from pathlib import Path
from typing import Any, NamedTuple, Protocol

from grebe.errors import PortLost
from grebe.protocols.midi.message_filter import MessageFilter
from grebe.protocols.standin.reports import StandinReport
from grebe.transports.base import Heard
from grebe.transports.clock import raw_ns
from grebe.transports.inbox import Inbox

DEVICE = Path("/dev/snd/seq")
SEND_BYTES = 65_536
"""Room for what the kernel does not take at once."""
_WAKE_MS = 500


class Address(NamedTuple):
    """A port of the sequencer."""

    client: int
    port: int


class Sequencer(Protocol):
    """What is asked of a client of the sequencer; the real one is `SequencerClient`."""

    def ports(self, *, input_: bool) -> list[tuple[str, Address]]:
        """Ports that can be sent to, or heard: full name and address."""

    def join(self, other: Address, *, input_: bool) -> None:
        """Connect to a port, or from it. PortLost where that is refused."""

    def send(self, data: bytes) -> None:
        """Send one message now. PortLost where it cannot be."""

    def receive(self) -> list[bytes]:
        """Whole messages that have come in; `gone` is up to date then. Never blocks."""

    @property
    def gone(self) -> bool:
        """Whether the port that was joined has gone away, even if it is there again."""

    def fileno(self) -> int:
        """A descriptor that is readable when something has come in."""

    def close(self) -> None:
        """Let go of it."""


class SequencerClient:
    """A client of the sequencer with one port of its own."""

    def __init__(self) -> None:
        """PortLost says why there is none: the library, the device, or the right to it."""
        try:
            import alsa_midi  # noqa: PLC0415 - needs libasound, which not every machine has
            from alsa_midi.client import SequencerClientBase  # noqa: PLC0415
        except ImportError as error:
            raise PortLost(_why_no_library(error)) from error
        self._library = alsa_midi
        try:
            self._client: Any = SequencerClientBase("Grebe")
        except alsa_midi.ALSAError as error:
            raise PortLost(_why_no_sequencer()) from error
        self._client.set_output_buffer_size(SEND_BYTES)
        self._port: Any = None
        self._other: Address | None = None
        self._gone = False

    def ports(self, *, input_: bool) -> list[tuple[str, Address]]:
        """Ports of other clients, the system's own left out."""
        found = self._client.list_ports(
            input=input_ or None, output=(not input_) or None, type=self._library.PortType.ANY,
            sort=False,
        )  # fmt: skip
        return [
            (f"{p.client_name}:{p.name} {p.client_id}:{p.port_id}", Address(p.client_id, p.port_id))
            for p in found
            if p.client_id != self._client.client_id
        ]

    def join(self, other: Address, *, input_: bool) -> None:
        """Make our port, hear the system's announcements, connect."""
        caps = self._library.PortCaps
        own = caps.WRITE | caps.SUBS_WRITE  # the announcements come in here, too
        own = own if input_ else own | caps.READ | caps.SUBS_READ
        try:
            self._port = self._client.create_port("in" if input_ else "out", own)
            self._port.connect_from(self._library.SYSTEM_ANNOUNCE)
            target = self._library.Address(*other)
            if input_:
                self._port.connect_from(target)
            else:
                self._port.connect_to(target)
        except self._library.ALSAError as error:
            raise PortLost(f"ALSA refused the connection ({error})") from error
        self._other = other

    def send(self, data: bytes) -> None:
        """Send now; what the kernel has no room for counts as lost with its port."""
        try:
            self._client.event_output(self._library.MidiBytesEvent(data), port=self._port)
            self._client.drain_output()
        except self._library.ALSAError as error:
            if error.errnum != -errno.EAGAIN:
                raise PortLost(str(error)) from error

    def receive(self) -> list[bytes]:
        """Take in what there is: messages, and the news that a port has gone."""
        library = self._library
        out: list[bytes] = []
        while True:
            try:
                event = self._client.event_input(prefer_bytes=True)
            except library.ALSAError as error:
                if error.errnum == -errno.ENOSPC:
                    continue  # the kernel's room was full: what is left is read on
                return out
            if isinstance(event, library.MidiBytesEvent):
                out.append(bytes(event.midi_bytes))
            elif isinstance(event, (library.PortExitEvent, library.ClientExitEvent)):
                self._gone |= self._is_other(event)

    def _is_other(self, event: Any) -> bool:
        address = event.addr
        return self._other is not None and address.client_id == self._other.client and (
            isinstance(event, self._library.ClientExitEvent)
            or address.port_id == self._other.port
        )  # fmt: skip

    @property
    def gone(self) -> bool:
        """Whether the other port has gone since it was joined."""
        return self._gone

    def fileno(self) -> int:
        """The sequencer's descriptor."""
        return int(self._client._fd)

    def close(self) -> None:
        """Leave the sequencer, and all connections with it."""
        self._client.close()


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
    """ALSA ports that can be sent to, or heard. PortLost when there is no sequencer."""
    client = SequencerClient()
    try:
        return [name for name, _ in client.ports(input_=input_)]
    finally:
        client.close()


def _joined(name: str, sequencer: Sequencer, missing: str, *, input_: bool) -> str:
    """Join the first port whose name contains `name`; its full name.

    Lets go of the sequencer and raises PortLost, which begins with `missing`, when none does.
    """
    try:
        ports = sequencer.ports(input_=input_)
        for full_name, address in ports:
            if name and name in full_name:
                sequencer.join(address, input_=input_)
                return full_name
        names = ", ".join(full_name for full_name, _ in ports)
        raise PortLost(f"{missing}; ports: {names or 'none'}")
    except PortLost:
        sequencer.close()
        raise


class AlsaPort:
    """An open connection to one ALSA port."""

    stamped = False

    def __init__(self, name: str, sequencer: Sequencer | None = None) -> None:
        """Connect to the first port whose name contains `name`. PortLost when none does."""
        self._name = name
        self._out: Sequencer = SequencerClient() if sequencer is None else sequencer
        _joined(name, self._out, f"there is no ALSA port {name!r}", input_=False)

    def send(self, data: bytes, due_ns: int) -> None:
        """Send now."""
        del due_ns
        try:
            self._out.send(data)
        except PortLost as error:
            raise PortLost(f"ALSA port {self._name} went away ({error})") from error

    def discard(self) -> list[bytes]:
        """Nothing is handed over early."""
        return []

    def reports(self) -> list[StandinReport]:
        """Real devices do not report."""
        return []

    def check(self) -> None:
        """The sequencer goes on taking messages for a port that was pulled: it says so aside."""
        self._out.receive()
        if self._out.gone:
            raise PortLost(f"ALSA port {self._name} went away")

    def late_ms(self) -> list[float]:
        """The engine does the sending."""
        return []

    def close(self) -> None:
        """Let go of the port."""
        self._out.close()


class AlsaInput:
    """An open connection from one ALSA port, listened to by a thread that stamps what comes."""

    def __init__(self, name: str, sequencer: Sequencer | None = None) -> None:
        """Connect from the first port whose name contains `name`. PortLost when none does."""
        self._in: Sequencer = SequencerClient() if sequencer is None else sequencer
        self._name = name
        _joined(name, self._in, f"there is no ALSA port {name!r} to hear", input_=True)
        self._inbox = Inbox()
        self._over = threading.Event()
        self._thread = threading.Thread(target=self._listen, name=f"ALSA {name}", daemon=True)
        self._thread.start()

    def _listen(self) -> None:
        waited = select.poll()
        waited.register(self._in.fileno(), select.POLLIN)
        while not self._over.is_set():
            if not waited.poll(_WAKE_MS):
                continue
            at_ns = raw_ns()
            for data in self._in.receive():
                if data[0] not in LEFT_OUT:
                    self._inbox.put(at_ns, data)

    def fileno(self) -> int:
        """The descriptor the thread wakes the engine by."""
        return self._inbox.fileno()

    def receive(self) -> list[Heard]:
        """What has come in."""
        return self._inbox.take()

    def check_input(self) -> None:
        """Whether the sequencer has said that the port went away."""
        if self._in.gone:
            raise PortLost(f"ALSA port {self._name} went away")

    def has_passed(self, message_filter: MessageFilter) -> bool:
        """The engine passes it on."""
        del message_filter
        return False

    def close_input(self) -> None:
        """Let go of the port."""
        self._over.set()
        self._thread.join(2 * _WAKE_MS / 1000)
        self._in.close()
        self._inbox.close()


LEFT_OUT = frozenset((0xF0, 0xFE))
"""System exclusive and Active Sensing: nothing is routed of them."""
