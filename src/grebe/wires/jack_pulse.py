"""Pulses out of an audio channel, written in JACK's process callback, exact to the sample."""

from __future__ import annotations

from array import array
from bisect import insort
from collections import deque
from typing import Any

from grebe.core.rig.spec import PulseShape
from grebe.errors import PortLost
from grebe.wires.jack_out import Client, JackOut


class JackPulse(JackOut):
    """One audio output that carries pulses and nothing else."""

    def __init__(self, wire: Client, out: Any, target: str, shape: PulseShape) -> None:
        super().__init__(wire, out, target)
        self.shape = shape
        """Replaced, never changed: the callback reads it."""
        self.planned: deque[int] | None = None
        """Set to a deque to keep the frame of every pulse written."""
        self._incoming: deque[int] = deque()
        self._waiting: list[int] = []
        self._high_until = 0
        self._last = 0
        self._late: deque[float] = deque(maxlen=4096)

    def send(self, data: bytes, due_ns: int) -> None:
        """Hand a pulse over; it rises at the frame of its time. There are no bytes in it."""
        if not self.wire.alive:
            raise PortLost("JACK stopped")
        if not data:
            self._incoming.append(due_ns)

    def write(self, start: int, frames: int) -> None:
        """Called in the process callback: draw what falls into this period."""
        shape = self.shape
        rest, high = (0.0, shape.level) if shape.polarity == "rising" else (shape.level, 0.0)
        # Not as a NumPy array: its import, in this callback, would cost JACK a tenth of a second.
        buffer = memoryview(self.out.get_buffer()).cast("f")
        buffer[:] = array("f", [rest]) * frames
        highs = array("f", [high]) * frames
        incoming, waiting = self._incoming, self._waiting  # `discard` may replace both
        while incoming:
            frame = self.wire.frames.frame_at(incoming.popleft())
            insort(waiting, start if frame is None else frame)
        end = start + frames
        if self._high_until > start:
            until = min(self._high_until, end) - start
            buffer[:until] = highs[:until]
        while waiting and waiting[0] < end:
            due = waiting.pop(0)
            frame = max(due, start)
            self._high_until = frame + self._wide(frame)
            begin, until = frame - start, min(self._high_until, end) - start
            buffer[begin:until] = highs[begin:until]
            self._last = frame
            self._late.append((frame - due) / self.wire.frames.rate * 1e3)
            if self.planned is not None:
                self.planned.append(frame)

    def _wide(self, frame: int) -> int:
        """Frames a pulse stays: as set, and three quarters of the way to the next at most."""
        shape, apart = self.shape, frame - self._last
        if shape.width_ms is not None:
            wide = round(shape.width_ms * self.wire.frames.rate / 1e3)
        else:
            wide = round(apart * shape.width_percent / 100)
        return max(1, min(wide, apart * 3 // 4))

    def discard(self) -> list[bytes]:
        """Take back what has not gone out. A pulse that is high ends as it should."""
        self._incoming, self._waiting = deque(), []
        return []

    def late_ms(self) -> list[float]:
        """A pulse is not a tick of clock: it is not counted with them."""
        self._late.clear()
        return []
