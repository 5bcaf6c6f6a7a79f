"""Following a transport: its frames and tempo, made into ticks of the song."""

from __future__ import annotations

from typing import NamedTuple

from grebe.core.time.tempo import TempoMap
from grebe.core.time.ticks import TICKS_PER_QUARTER


class Stand(NamedTuple):
    """Where a transport stands at a moment."""

    at_s: float
    """Of our clock."""
    seconds: float
    """Of the transport."""
    rolling: bool
    bpm: float
    """Quarter notes a minute as the one who leads it says; 0 where nobody does."""
    quarters: float
    """Position as that one says; only where `bpm` is not 0."""


JUMP_S = 0.05
"""A transport this far from where it should have come to has been moved."""
TEMPO_STEP = 1e-6


class TransportFollower:
    """Feed it where the transport stands; it says the song's tick at any time, and when it jumps.

    Where somebody gives out a tempo, position is carried on from the transport's own frames at
    that tempo: bar and beat as JACK hands them on can be some periods stale. Where nobody does,
    the song's own tempo map holds.
    """

    def __init__(self, song: TempoMap) -> None:
        self.song = song
        """Of the song as written; may be replaced by an edited one."""
        self.last: Stand | None = None
        self._anchor: tuple[float, float] | None = None
        """(seconds of the transport, tick there) under a tempo that is given out."""

    @property
    def rolling(self) -> bool:
        """Whether it rolls."""
        return self.last is not None and self.last.rolling

    def take(self, stand: Stand) -> bool:
        """The transport as it is now; whether it was moved since, or has begun or ended to roll."""
        before, self.last = self.last, stand
        if before is None:
            changed = stand.rolling
        elif before.rolling != stand.rolling:
            changed = True
        else:
            due = before.seconds + (stand.at_s - before.at_s) * before.rolling
            changed = abs(stand.seconds - due) > JUMP_S
        if not stand.bpm:
            self._anchor = None
        elif changed or before is None or self._anchor is None:
            self._anchor = (stand.seconds, stand.quarters * TICKS_PER_QUARTER)
        elif abs(stand.bpm / (before.bpm or stand.bpm) - 1) > TEMPO_STEP or not before.bpm:
            # From here on at the new tempo; what was counted up to here stands.
            self._anchor = (stand.seconds, self._tick(before, stand.seconds))
        return changed

    @property
    def bpm(self) -> float:
        """The tempo there; 0 before anything was taken."""
        last = self.last
        if last is None:
            return 0.0
        return last.bpm or self.song.bpm_at(int(self._tick(last, last.seconds)))

    def tick_at(self, at_s: float) -> float:
        """Song tick at a time of our clock, while it rolls."""
        last = self.last
        if last is None:
            return 0.0
        return self._tick(last, last.seconds + (at_s - last.at_s) * last.rolling)

    def _tick(self, stand: Stand, seconds: float) -> float:
        if stand.bpm and self._anchor is not None:
            begun, tick = self._anchor
            return tick + (seconds - begun) * stand.bpm / 60 * TICKS_PER_QUARTER
        return self.song.ticks_at(max(0.0, seconds))
