"""JACK transport led by Grebe: rolling from the downbeat, bar, beat, tick and tempo for others."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any, NamedTuple

from grebe.transports.frames import FrameClock

TICKS_PER_BEAT = 1920
MOST_MOVES = 12
"""Then it is left where it is: others hear each move as a jump."""
MOST_SLIP_PERIODS = 8
PUT_RIGHT_S = 0.3
"""After JACK lost time the clock of frames needs so long to be sure of itself again."""


class TransportPosition(NamedTuple):
    """Where the song is, as JACK's followers want it."""

    bar: int
    beat: int
    tick: int
    """Of 1920 in a beat."""
    beats_per_bar: int
    beat_type: int
    bar_start_tick: float
    """Ticks from the song's top to this bar, 1920 a quarter note."""
    bpm: float
    """Counted beats a minute."""


Where = Callable[[int], TransportPosition | None]
"""The place at a time (CLOCK_MONOTONIC_RAW ns); None while nothing plays."""


class JackTransport:
    """Leads the transport of one JACK client. `process` and the timebase run in its callback."""

    def __init__(self, client: Any, frames: FrameClock, where: Where) -> None:
        self._client: Any = client
        self._frames = frames
        self._where = where
        self._waiting: tuple[int, float] | None = None
        self._rolling: tuple[int, int] | None = None
        """(frame of the client's clock, frame of the transport that falls on it)."""
        self._settled = False
        self._moves = 0
        """How often it was moved since it was to be put to its place."""
        self._slip = 0
        """Frames by which it fell behind with each move: PipeWire's stands still for a period."""
        self._at_ns = 0
        """When the first of those frames is due."""
        self._gaps = frames.gaps
        self._put_right_at: int | None = None
        """Frame from which on, after time was lost, it is put to its place again."""
        client.set_timebase_callback(self._timebase)

    def roll(self, at_ns: int, seconds: float) -> None:
        """Roll so that the transport stands at so many seconds at a time to come."""
        self._rolling, self._settled, self._moves = None, False, 0
        self._waiting = (at_ns, seconds)

    def begun_anew(self) -> None:
        """Another card counts the frames, and its transport may stand: roll that one."""
        if self._rolling is not None:
            self.roll(self._at_ns, self._rolling[1] / self._frames.rate)

    def stop(self) -> None:
        """Stop where it is."""
        self._waiting = self._rolling = None
        self._client.transport_stop()

    def release(self) -> None:
        """Leave the timebase to others."""
        self.stop()
        self._client.release_timebase()

    def process(self, start: int, frames: int) -> None:
        """Called in the process callback: start in time, then put the transport to the frame.

        A transport that starts or is moved takes some cycles, which ones is the server's:
        once it rolls it is moved by what it is off, what that cost is learnt, and it is left
        alone.
        """
        if self._frames.gaps != self._gaps:
            self._gaps = self._frames.gaps
            self._put_right_at = start + round(PUT_RIGHT_S * self._frames.rate)
        waiting, rolling = self._waiting, self._rolling
        if rolling is not None and self._put_right_at is not None and start >= self._put_right_at:
            self._put_right_at = None
            at = self._frames.frame_at(self._at_ns)
            if at is not None:
                rolling = self._rolling = (at, rolling[1])
                self._settled, self._moves = False, 0
        if waiting is not None:
            at = self._frames.frame_at(waiting[0])
            if at is not None and at <= start + 2 * frames:
                self._waiting, self._at_ns = None, waiting[0]
                self._rolling = (at, round(waiting[1] * self._frames.rate))
                self._client.transport_frame = max(0, self._due(start + 2 * frames))
                self._client.transport_start()
        elif rolling is not None and not self._settled:
            state, position = self._client.transport_query_struct()
            if int(state) == _ROLLING:
                due = self._due(start)
                behind = due - position.frame
                if self._moves:
                    self._slip = max(0, min(MOST_SLIP_PERIODS * frames, self._slip + behind))
                if behind and self._moves < MOST_MOVES and due + frames >= 0:
                    self._moves += 1
                    self._client.transport_frame = due + frames + self._slip
                else:
                    self._settled = behind == 0 or self._moves >= MOST_MOVES

    def _due(self, frame: int) -> int:
        assert self._rolling is not None
        at, stands = self._rolling
        return stands + frame - at

    def _timebase(self, state: int, blocksize: int, position: Any, new: bool) -> None:
        del state, new
        mapping = self._frames.mapping
        if mapping is None:
            return
        # The position is that of the coming cycle.
        coming = self._frames.ns_at(mapping[0] + blocksize)
        place = self._where(coming)
        if place is None:
            return
        position.valid = _BBT
        position.bar, position.beat, position.tick = place.bar, place.beat, place.tick
        position.bar_start_tick = place.bar_start_tick
        position.beats_per_bar = float(place.beats_per_bar)
        position.beat_type = float(place.beat_type)
        position.ticks_per_beat = float(TICKS_PER_BEAT)
        position.beats_per_minute = place.bpm


class Seen(NamedTuple):
    """JACK's transport as one period found it."""

    frame: int
    """Of the client's clock, at the beginning of the period."""
    stands: int
    """Frame of the transport there."""
    rolling: bool
    bpm: float
    """Quarter notes a minute as the one who leads it says; 0 where nobody does."""
    quarters: float
    """Position in quarter notes as that one says; only where `bpm` is not 0."""


class JackFollowed:
    """Watches the transport of one JACK client. `process` runs in its callback."""

    def __init__(self, client: Any, alive: Callable[[], bool]) -> None:
        self._client: Any = client
        self._alive = alive
        self.seen: Seen | None = None
        """The last period's; replaced as one."""

    def process(self, start: int, frames: int) -> None:
        """Called in the process callback: note where the transport is."""
        del frames
        state, at = self._client.transport_query_struct()
        bpm = quarters = 0.0
        if at.valid & _BBT and at.beats_per_minute > 0 and at.ticks_per_beat > 0:
            a_beat = 4 / (at.beat_type or 4.0)
            beats = (at.bar - 1) * at.beats_per_bar + at.beat - 1 + at.tick / at.ticks_per_beat
            bpm, quarters = at.beats_per_minute * a_beat, beats * a_beat
        self.seen = Seen(start, at.frame, int(state) == _ROLLING, bpm, quarters)

    def press(self, *, start: bool) -> None:
        """Start or stop it for everybody, as a key in any program on it does."""
        if not self._alive():
            return
        if start:
            self._client.transport_start()
        else:
            self._client.transport_stop()

    def release(self) -> None:
        """Nothing to let go of: watching is all it did."""


_ROLLING = 1
_BBT = 0x10
"""JackTransportRolling and JackPositionBBT of JACK's own transport.h."""
