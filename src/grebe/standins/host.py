"""One process that holds stand-ins, each listening on a local socket of its own."""

from __future__ import annotations

import logging
import os
import selectors
import socket
from collections import deque
from collections.abc import Callable
from pathlib import Path

from grebe.core.rig.model import Device
from grebe.errors import ProtocolError
from grebe.protocols.standin.reports import (
    MAX_REPORTS_PER_PACKET,
    StandinReport,
    encode_reports,
    goodbye,
)
from grebe.standins.aloud import Aloud
from grebe.standins.box import StandinBox
from grebe.transports.clock import raw_ns

FLUSH_NS = 50_000_000
"""Reports travel in packets twenty times a second: enough for the eye, little work."""
ORPHAN_AFTER_NS = 30_000_000_000
"""With no engine connected for this long, nobody needs the stand-ins any more."""
REST_S = 0.01
MAX_PACKET_BYTES = 65_536
MAX_WAITING_REPORTS = 20_000
"""Reports kept for an engine that does not read: some minutes of a busy box."""


def input_path(path: Path) -> Path:
    """Where a stand-in that listens at `path` takes what other stand-ins pass on."""
    return path.with_suffix(".thru")


_log = logging.getLogger(__name__)


class Seat:
    """One stand-in with its listening socket and, while connected, the engine's."""

    def __init__(self, device: Device, path: Path) -> None:
        self.device = device
        self.box = StandinBox(device)
        self.path = path
        path.unlink(missing_ok=True)
        self.listener = socket.socket(socket.AF_UNIX, socket.SOCK_SEQPACKET)
        self.listener.bind(str(path))
        os.chmod(path, 0o600)
        self._inode = path.stat().st_ino
        self.listener.listen(2)
        self.listener.setblocking(False)
        self.engine: socket.socket | None = None
        self.waiting: list[StandinReport] = []
        self.neighbours: dict[str, Seat] = {}
        """Stand-ins of the same process, by path."""
        self.passing: deque[tuple[str, bytes]] = deque(maxlen=MAX_WAITING_REPORTS)
        self.input_path = input_path(path)
        self.input_path.unlink(missing_ok=True)
        self.input = socket.socket(socket.AF_UNIX, socket.SOCK_DGRAM)
        self.input.bind(str(self.input_path))
        os.chmod(self.input_path, 0o600)
        self.input.setblocking(False)

    @property
    def listens(self) -> bool:
        """Whether its path is still its own: somebody may have cleared the folder."""
        try:
            return self.path.stat().st_ino == self._inode and self.input_path.exists()
        except OSError:
            return False

    def line(self, part: StandinBox) -> Device:
        """The box or track that a part of it is, with its abilities."""
        lines = {line.id: line for line in self.device.lines}
        return lines.get(part.device.id, part.device)

    def feed(self, packet: bytes) -> None:
        """A packet reached the box; its thru sends on what it repeats."""
        self.waiting += self.box.feed(packet, raw_ns())
        self._onward()

    def lead(self, now_ns: int) -> None:
        """Send what the box sends of its own by now, at once."""
        reports = self.box.lead(now_ns)
        if reports:
            self.waiting += reports
            self._onward()
            self.flush()

    def _onward(self) -> None:
        onward, self.box.onward = self.box.onward, []
        for other, data in onward:
            neighbour = self.neighbours.get(other)
            if neighbour is not None:
                neighbour.feed(data)
            else:
                self.passing.append((other, data))
        self.pass_on()

    def pass_on(self) -> None:
        """Send what its thru repeats to stand-ins of other processes, as fast as they take it.

        A socket holds some ten packets; more have come at once after a slow
        moment, and a tick lost here would be counted as lost on the way.
        """
        while self.passing:
            other, data = self.passing[0]
            try:
                self.input.sendto(data, str(input_path(Path(other))))
            except BlockingIOError:
                return
            except OSError:
                pass  # nobody at the other end of the cable, as with a real one
            self.passing.popleft()

    def close(self) -> None:
        """Stop listening, and take the path away unless another process has it by now."""
        self.listener.close()
        self.input.close()
        if self.listens:
            self.path.unlink()
            self.input_path.unlink(missing_ok=True)

    def flush(self) -> None:
        """Send what waits, as far as the engine takes it."""
        while self.engine is not None and self.waiting:
            packet = encode_reports(self.waiting[:MAX_REPORTS_PER_PACKET])
            try:
                self.engine.send(packet)
            except OSError:
                del self.waiting[:-MAX_WAITING_REPORTS]
                return
            del self.waiting[:MAX_REPORTS_PER_PACKET]


class StandinHost:
    """Runs the seats until told goodbye, or until nobody has been connected for a while."""

    def __init__(self, seats: dict[str, tuple[Device, Path]]) -> None:
        self._selector = selectors.DefaultSelector()
        self._seats: list[Seat] = []
        self._by_path: dict[str, Seat] = {}
        self._leaving = False
        self._aloud = Aloud()
        self._connected_ns = raw_ns()
        self.take(seats)

    def take(self, seats: dict[str, tuple[Device, Path]]) -> None:
        """Hold these, in place of what listens at their paths so far."""
        for device, path in seats.values():
            old = self._by_path.get(str(path))
            if old is not None and old.device == device and old.listens:
                continue
            if old is not None:
                self._give_up(old)
            seat = Seat(device, path)
            seat.neighbours = self._by_path
            self._by_path[str(path)] = seat
            self._seats.append(seat)
            self._selector.register(seat.listener, selectors.EVENT_READ, (self._accept, seat))
            self._selector.register(seat.input, selectors.EVENT_READ, (self._take_thru, seat))
        self._connected_ns = raw_ns()

    def _give_up(self, seat: Seat) -> None:
        self._hang_up(seat)
        self._selector.unregister(seat.listener)
        self._selector.unregister(seat.input)
        self._seats.remove(seat)
        seat.close()

    def serve(self, door: socket.socket, answer: Callable[[socket.socket], None]) -> None:
        """Call `answer` whenever somebody stands at this door."""
        self._selector.register(door, selectors.EVENT_READ, (answer, door))

    def leave(self) -> None:
        """End soon."""
        self._leaving = True

    def run(self) -> None:
        """Serve until it is over."""
        last_flush = raw_ns()
        while not self._leaving:
            for key, _ in self._selector.select(self._rest_s()):
                serve, whom = key.data
                try:
                    serve(whom)
                except Exception:  # of one box: the others go on
                    _log.exception("a stand-in could not take what it was told")
            now = raw_ns()
            for seat in self._seats:
                if seat.passing:
                    seat.pass_on()
                if seat.engine is not None:
                    seat.lead(now)
                for part in seat.box.parts:
                    if part.sounded or part.loops.acts:
                        self._aloud.tell(seat.line(part), part)
            if now - last_flush >= FLUSH_NS:
                last_flush = now
                for seat in self._seats:
                    seat.waiting += seat.box.idle(now)
                    seat.flush()
            if any(seat.engine for seat in self._seats):
                self._connected_ns = now
            elif now - self._connected_ns > ORPHAN_AFTER_NS:
                self._leaving = True
        for seat in self._seats:
            seat.close()

    def _rest_s(self) -> float:
        """How long nothing has to be done of its own accord."""
        dues = [seat.box.due_ns for seat in self._seats if seat.engine is not None]
        nearest = min((due for due in dues if due is not None), default=None)
        return REST_S if nearest is None else min(REST_S, max(0.0, (nearest - raw_ns()) / 1e9))

    def _accept(self, seat: Seat) -> None:
        try:
            connection, _ = seat.listener.accept()
        except OSError:
            return  # it has gone again
        connection.setblocking(False)
        if seat.engine is not None:
            self._hang_up(seat)
        seat.engine = connection
        seat.waiting.clear()
        self._aloud.get_ready()
        before, seat.box = seat.box, StandinBox(seat.device)  # an engine counts runs from its first
        seat.box.take_over(before)
        self._selector.register(connection, selectors.EVENT_READ, (self._receive, seat))

    def _receive(self, seat: Seat) -> None:
        if seat.engine is None:
            return
        while True:
            try:
                packet = seat.engine.recv(MAX_PACKET_BYTES)
            except BlockingIOError:
                return
            except OSError:
                packet = b""
            if not packet:
                self._hang_up(seat)
                return
            if packet == goodbye():
                self._leaving = True
                return
            try:
                seat.feed(packet)
            except ProtocolError:
                continue  # a set-up that cannot be read leaves the old one in place

    def _take_thru(self, seat: Seat) -> None:
        """Take in what another stand-in passes on."""
        while True:
            try:
                seat.feed(seat.input.recv(MAX_PACKET_BYTES))
            except BlockingIOError:
                return
            except (ProtocolError, OSError):
                continue

    def _hang_up(self, seat: Seat) -> None:
        if seat.engine is not None:
            self._selector.unregister(seat.engine)
            seat.engine.close()
            seat.engine = None
            for part in seat.box.parts:
                part.running = False
