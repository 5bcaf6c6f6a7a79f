"""The wire to stand-ins: a local packet socket, a MIDI message a packet."""

from __future__ import annotations

import socket
from collections import deque

from grebe.errors import PortLost, ProtocolError
from grebe.protocols.midi.message_filter import MessageFilter
from grebe.protocols.standin.reports import ReportKind, StandinReport, decode_reports, played_bytes
from grebe.transports.base import Heard

MAX_PACKET_BYTES = 65_536
MAX_PLAYED_AT_ONCE = 32
"""A flood must not hold the clock up; the rest is read the next time."""
MAX_UNHEARD = 4096
"""Messages kept of a stand-in that nobody listens to."""
MAX_WAITING = 20_000
"""Messages kept for a stand-in that has no time to read: half a minute of a busy box.

The socket itself holds some 280, and a shared host can stop a process for
seconds: what waits keeps its order and is late, as it should be seen to be.
"""


class StandinPort:
    """A port with a stand-in at its other end, which gets the bytes that a real box would."""

    stamped = False
    what = "the stand-in"
    """What stands at the other end, for people."""

    def __init__(self, path: str) -> None:
        """Connect to the stand-in listening at `path`. PortLost when none does."""
        self._socket = socket.socket(socket.AF_UNIX, socket.SOCK_SEQPACKET)
        self._socket.setblocking(False)
        self.unreadable = 0
        """Report packets that could not be understood."""
        self._reports: list[StandinReport] = []
        self._played: list[Heard] = []
        self._waiting: deque[bytes] = deque()
        try:
            self._socket.connect(path)
        except OSError as error:
            self._socket.close()
            raise PortLost(f"{self.what} is not there ({error.strerror})") from error

    def send(self, data: bytes, due_ns: int) -> None:
        """Send now, or when it reads again. One that does not read for long counts as gone."""
        del due_ns
        self._waiting.append(data)
        self._flush()

    def _flush(self) -> None:
        while self._waiting:
            try:
                self._socket.send(self._waiting[0])
            except BlockingIOError as error:
                if len(self._waiting) > MAX_WAITING:
                    raise PortLost(f"{self.what} stopped listening") from error
                return
            except OSError as error:
                raise PortLost(f"{self.what} stopped listening ({error.strerror})") from error
            self._waiting.popleft()

    def discard(self) -> list[bytes]:
        """Nothing is handed over early."""
        return []

    def reports(self) -> list[StandinReport]:
        """Reports that have come in. PortLost when the stand-in hung up."""
        self._flush()
        self._read()
        out, self._reports = self._reports, []
        return out

    def receive(self) -> list[Heard]:
        """What the stand-in has played. PortLost when it hung up."""
        self._read()
        out, self._played = self._played, []
        return out

    def fileno(self) -> int:
        """The socket's descriptor."""
        return self._socket.fileno()

    def check_input(self) -> None:
        """`receive` notices a stand-in that hung up."""

    def has_passed(self, message_filter: MessageFilter) -> bool:
        """The engine passes it on."""
        del message_filter
        return False

    def close_input(self) -> None:
        """The one connection serves both ways; the way out closes it."""

    def _read(self) -> None:
        most = len(self._played) + MAX_PLAYED_AT_ONCE
        while len(self._played) < most:
            try:
                packet = self._socket.recv(MAX_PACKET_BYTES)
            except BlockingIOError:
                return
            except OSError as error:
                raise PortLost(f"{self.what} is gone ({error.strerror})") from error
            if not packet:
                raise PortLost(f"{self.what} hung up")
            try:
                for report in decode_reports(packet):
                    if report.kind is ReportKind.PLAYED:
                        self._played.append((report.at_ns, played_bytes(report)))
                        del self._played[:-MAX_UNHEARD]
                    else:
                        self._reports.append(report)
            except ProtocolError:
                self.unreadable += 1

    def check(self) -> None:
        """`reports` notices a stand-in that hung up."""

    def late_ms(self) -> list[float]:
        """The engine does the sending."""
        return []

    def close(self) -> None:
        """Hang up."""
        self._socket.close()
