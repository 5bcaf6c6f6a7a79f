"""The wire to stand-ins: a local packet socket, a MIDI message a packet."""

from __future__ import annotations

import socket

from grebe.errors import PortLost, ProtocolError
from grebe.protocols.standin import Report, decode_reports

MAX_PACKET_BYTES = 65_536


class StandinPort:
    """A connection to one stand-in."""

    stamped = False

    def __init__(self, path: str) -> None:
        """Connect to the stand-in listening at `path`. PortLost when none does."""
        self._socket = socket.socket(socket.AF_UNIX, socket.SOCK_SEQPACKET)
        self._socket.setblocking(False)
        self.unreadable = 0
        """Report packets that could not be understood."""
        try:
            self._socket.connect(path)
        except OSError as error:
            self._socket.close()
            raise PortLost(f"the stand-in is not there ({error.strerror})") from error

    def send(self, data: bytes, due_ns: int) -> None:
        """Send now. A stand-in that does not read counts as gone."""
        del due_ns
        try:
            self._socket.send(data)
        except OSError as error:
            raise PortLost(f"the stand-in stopped listening ({error.strerror})") from error

    def discard(self) -> list[bytes]:
        """Nothing is handed over early."""
        return []

    def reports(self) -> list[Report]:
        """Reports that have come in. PortLost when the stand-in hung up."""
        out: list[Report] = []
        while True:
            try:
                packet = self._socket.recv(MAX_PACKET_BYTES)
            except BlockingIOError:
                return out
            except OSError as error:
                raise PortLost(f"the stand-in is gone ({error.strerror})") from error
            if not packet:
                raise PortLost("the stand-in hung up")
            try:
                out += decode_reports(packet)
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
