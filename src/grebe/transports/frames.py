"""Frames of an audio clock against CLOCK_MONOTONIC_RAW.

A delay-locked loop over the times at which periods begin (the second-order
loop of Adriaensen, "Using a DLL to filter time", 2005): the wavering of the
callback is smoothed, the rate of the card is learnt. JACK's own conversion is
off by up to a second after bad overruns, so it is not used.
"""

from __future__ import annotations

import math
from collections import deque

BANDWIDTH_HZ = 0.1
"""Low: a callback wavers by some 50 microseconds, a frame at 48 kHz is 21."""
MOST_NS = 100_000.0
"""A callback later than this was kept waiting: it tells no more than one that is this late."""
SNAPS_S = 0.25
"""So long after beginning afresh an earlier callback sets the phase outright."""
FRESH_HZ = 1.0
"""At first: the first callback may have been late by much more. It narrows as time goes on."""


COUNTED_BITS = 32
"""JACK counts frames in so many bits: at 48 kHz it begins again after a day."""
JUMPS_S = 1.0
"""Further from the time that passed than this a count was not skipping, but begun anew."""


class FrameCount:
    """Counts frames on and on, whatever becomes of the 32 bit count they are read from.

    That one goes over its end once a day, and begins anew, or goes on from another
    number, when the server drives another card: then the time that passed counts.
    """

    def __init__(self, rate: int) -> None:
        self.anew = 0
        """How often the count that is read began anew."""
        self._rate = rate
        self._read: int | None = None
        self._at_ns = 0
        self._frame = 0

    def frame(self, read: int, now_ns: int) -> int:
        """The frame that is read as `read` at a time; never before one that was given."""
        if self._read is None:
            self._frame = read
        else:
            passed = (read - self._read) % (1 << COUNTED_BITS)
            elapsed = max(0, now_ns - self._at_ns) * self._rate / 1e9
            begun_anew = abs(passed - elapsed) > JUMPS_S * self._rate
            self.anew += begun_anew
            self._frame += round(elapsed) if begun_anew else passed
        self._read, self._at_ns = read, now_ns
        return self._frame


class FrameClock:
    """Maps times to frames. One thread updates, another reads `mapping`."""

    def __init__(self, rate: int) -> None:
        self.rate = rate
        self.gaps = 0
        """How often frames or time jumped and the loop began afresh."""
        self.gap_frames: deque[tuple[int, int]] = deque(maxlen=64)
        """The last jumps: the frame that was due, and the one that came."""
        self.mapping: tuple[int, float, float] | None = None
        """(frame, its time in ns, ns a frame); None before the first period."""
        self._next_frame = 0
        self._next_ns = 0.0
        self._period_ns = 0.0
        self._frames = 0
        """Of a period, as `_period_ns` has it."""
        self._since_s = 0.0
        """How long the loop has run since it began afresh."""

    def update(self, frame: int, now_ns: int, frames: int) -> None:
        """A period of `frames` beginning at `frame` was seen at `now_ns`."""
        nominal = frames / self.rate * 1e9
        if self.mapping is None or frame != self._next_frame:
            self._restart(frame, now_ns, frames, nominal)
            return
        error = now_ns - self._next_ns
        if abs(error) > max(4 * nominal, 20e6):
            self._restart(frame, now_ns, frames, nominal)
            return
        if frames != self._frames:  # the rate that was learnt holds for periods of any size
            self._period_ns *= frames / self._frames
            self._frames = frames
        self._since_s += nominal / 1e9
        if error < 0 and self._since_s < SNAPS_S:
            self._next_ns = float(now_ns)  # callbacks are late, never early: this one was less so
            error = 0.0
        error = max(-MOST_NS, min(MOST_NS, error))
        bandwidth_hz = max(BANDWIDTH_HZ, min(FRESH_HZ, 1 / self._since_s))
        omega = 2 * math.pi * bandwidth_hz * nominal / 1e9
        begin_ns = self._next_ns
        self._next_ns = begin_ns + self._period_ns + math.sqrt(2) * omega * error
        self._period_ns += omega * omega * error
        self._next_frame = frame + frames
        self.mapping = (frame, begin_ns, self._period_ns / frames)

    def _restart(self, frame: int, now_ns: int, frames: int, nominal: float) -> None:
        if self.mapping is not None:
            self.gaps += 1
            self.gap_frames.append((self._next_frame, frame))
        self._next_frame = frame + frames
        self._next_ns = now_ns + nominal
        self._period_ns = nominal
        self._frames = frames
        self._since_s = 0.0
        self.mapping = (frame, float(now_ns), nominal / frames)

    def ns_at(self, frame: float) -> int:
        """Time of a frame; only after the first period."""
        assert self.mapping is not None
        first, begin_ns, ns_a_frame = self.mapping
        return round(begin_ns + (frame - first) * ns_a_frame)

    def frame_at(self, at_ns: int) -> int | None:
        """The frame nearest to a time; None before the first period."""
        if self.mapping is None:
            return None
        frame, begin_ns, ns_a_frame = self.mapping
        return frame + round((at_ns - begin_ns) / ns_a_frame)
