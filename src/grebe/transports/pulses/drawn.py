"""Pulses and levels drawn into blocks of samples as they come, exact to the sample.

Used in audio callbacks: no NumPy (its import, in JACK's callback, would cost a
tenth of a second), and nothing that waits.
"""

from __future__ import annotations

from array import array
from bisect import insort
from collections import deque
from typing import Protocol

from grebe.core.rig.spec import PulseShape
from grebe.transports.frames import FrameClock

_UP, _DOWN, _PULSE, _BETWEEN = range(4)
"""What happens at a time. Where two meet, a level goes up before a pulse rises. `_BETWEEN`: a pulse
between two runs."""
NEVER_NS = 1 << 62

FIRST_MS = 5.0
"""Width of the very first pulse where it goes by the distance to the one before."""


class Draws(Protocol):
    """Where pulses and levels are told, ahead of time (CLOCK_MONOTONIC_RAW, ns)."""

    shape: PulseShape

    between_until_ns: int
    """Pulses between two runs that are due later than this are left out: one begins."""

    def pulse(self, due_ns: int, *, between: bool = False) -> None:
        """A pulse that rises at a time; `between` two runs."""

    def level(self, due_ns: int, *, high: bool) -> None:
        """High, or at rest, from a time on."""

    def discard(self) -> None:
        """Take back what has not been drawn."""


class LinePort(Protocol):
    """A way out for pulses or for a level: one channel of an audio output."""

    @property
    def drawn(self) -> Draws:
        """Where they are told."""

    def check(self) -> None:
        """Look whether it is still there. Cheap; PortLost when it is not."""

    def close(self) -> None:
        """Let go of it."""


class Drawn:
    """One channel. `pulse` and `level` are called ahead of time, `draw` in the callback."""

    def __init__(self, frames: FrameClock, shape: PulseShape) -> None:
        self.frames = frames
        self.shape = shape
        """Replaced, never changed: the callback reads it."""
        self.planned: deque[int] | None = None
        """Set to a deque to keep the frame of every pulse drawn."""
        self.between_until_ns = NEVER_NS
        self.late_ns = 0
        """What lies between a frame and the jack, made up for: the interface's own delay."""
        self._incoming: deque[tuple[int, int]] = deque()
        self._waiting: list[tuple[int, int]] = []
        """By time, not by frame: that holds whatever the interface counts."""
        self._high_until = 0
        self._level = False
        self._last: int | None = None

    def pulse(self, due_ns: int, *, between: bool = False) -> None:
        """A pulse that rises at a time (CLOCK_MONOTONIC_RAW)."""
        self._incoming.append((due_ns, _BETWEEN if between else _PULSE))

    def level(self, due_ns: int, *, high: bool) -> None:
        """High, or at rest, from a time on."""
        self._incoming.append((due_ns, _UP if high else _DOWN))

    def discard(self) -> None:
        """Take back what has not been drawn. A pulse that is high ends as it should."""
        self._incoming, self._waiting = deque(), []

    def draw(self, channel: memoryview[float], start: int, frames: int) -> None:
        """Fill one block of a channel, a view of floats, that begins at frame `start`."""
        shape = self.shape
        rest, high = (0.0, shape.level) if shape.polarity == "rising" else (shape.level, 0.0)
        out = array("f", [high if self._level else rest]) * frames
        highs = array("f", [high]) * frames
        incoming, waiting = self._incoming, self._waiting  # `discard` may replace both
        while incoming:
            insort(waiting, incoming.popleft())
        end = start + frames
        if self._high_until > start:
            until = min(self._high_until, end) - start
            out[:until] = highs[:until]
        while waiting:
            due = self._frame_at(waiting[0][0], start)
            if due >= end:
                break
            due_ns, what = waiting.pop(0)
            frame = max(due, start)
            if what == _BETWEEN and due_ns >= self.between_until_ns:
                continue
            if what in (_UP, _DOWN):
                self._level = what == _UP
                fill = highs if self._level else array("f", [rest]) * frames
                out[frame - start :] = fill[: end - frame]
                continue
            coming = next((at for at, other in waiting if other in (_PULSE, _BETWEEN)), None)
            next_at = None if coming is None else self._frame_at(coming, start)
            self._high_until = frame + self._wide(frame, next_at)
            begin, until = frame - start, min(self._high_until, end) - start
            out[begin:until] = highs[: until - begin]
            self._last = frame
            if self.planned is not None:
                self.planned.append(frame)
        channel[:] = memoryview(out)

    def _frame_at(self, due_ns: int, start: int) -> int:
        frame = self.frames.frame_at(due_ns - self.late_ns)
        return start if frame is None else frame

    def _wide(self, frame: int, coming: int | None) -> int:
        """Frames a pulse stays: as set, and three quarters of the way to the next at most."""
        shape = self.shape
        first_ms = FIRST_MS if shape.width_ms is None else shape.width_ms
        wide = round(first_ms * self.frames.rate / 1e3)
        if self._last is not None and shape.width_ms is None:
            wide = round((frame - self._last) * shape.width_percent / 100)
        for other in (self._last, coming):
            if other is not None:
                wide = min(wide, abs(other - frame) * 3 // 4)
        return max(1, wide)
