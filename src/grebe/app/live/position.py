"""Where the song is and how fast, at this moment: the one place that works it out."""

from __future__ import annotations

import time
from bisect import bisect_left
from collections import deque
from math import ceil
from typing import NamedTuple

from grebe.app.document.store import Store
from grebe.app.live.derived import Derived
from grebe.app.live.selection import Selection
from grebe.app.live.teaching import TEACHING_SECTION
from grebe.core.rig.model import PEERS_ID, Device
from grebe.core.songs.chain import ChainPlace, place_in_chain
from grebe.core.songs.layout import SectionSpan
from grebe.core.time.ticks import TICKS_PER_QUARTER
from grebe.protocols.link.messages import Deviation, Status

PLACES_KEPT = 128
"""Four seconds of the engine's words."""
DEVIATIONS_KEPT = 512
"""Beats of a box: four minutes at 120 BPM, to be looked back at."""


def raw_now_ns() -> int:
    """The engine's clock, CLOCK_MONOTONIC_RAW."""
    return time.clock_gettime_ns(time.CLOCK_MONOTONIC_RAW)


class Now(NamedTuple):
    """This moment: what every view shows of place and tempo."""

    running: bool
    tick: float
    """Of what the engine plays; 0 while stopped."""
    song_tick: float
    """The same counted in the song as written: launches may have left its order."""
    written_bpm: float
    """The tempo the song in hand begins with; 120 without one."""
    played_bpm: float
    """The tempo that goes out; the written one while stopped."""
    heard_bpm: float
    """The tempo of what leads; 0 while Grebe does, or nothing is heard."""
    leader: str
    """Id of what leads; "" while Grebe does."""

    @property
    def bpm(self) -> float:
        """The one tempo to show: of the session while that leads, else what goes out."""
        in_session = self.leader == PEERS_ID and self.heard_bpm > 0
        return self.heard_bpm if in_session else self.played_bpm


class SongPlace(NamedTuple):
    """Where the song was at a time."""

    tick: float
    ticks_a_ms: float


class Position:
    """Carried on from the engine's last word."""

    def __init__(self, store: Store, selection: Selection, derived: Derived) -> None:
        self._store = store
        self._selection = selection
        self._derived = derived
        self.status: Status | None = None
        """The engine's last word, in the words of the song in hand."""
        self.deviations: dict[str, deque[Deviation]] = {}
        """By device, how far off its last beats were."""
        self._places: deque[tuple[int, float]] = deque(maxlen=PLACES_KEPT)
        """The engine's last words on where it was: (at_ns, tick)."""
        self.taught_pattern = ""
        """Id of the pattern that is taught to a box just now."""

    def take(self, status: Status) -> None:
        """The engine says how things stand."""
        self.status = status
        if not status.running:
            self._places.clear()
        elif not self._places or status.at_ns > self._places[-1][0]:
            if self._places and status.tick < self._places[-1][1]:
                self._places.clear()  # it began anew
            self._places.append((status.at_ns, status.tick))
        for deviation in status.deviations:
            kept = self.deviations.setdefault(deviation.device, deque(maxlen=DEVIATIONS_KEPT))
            kept.append(deviation)

    @property
    def known_until_ns(self) -> int:
        """Until when `place_at` knows; while nothing plays it knows that nothing does."""
        return self._places[-1][0] if self._places else raw_now_ns()

    def place_at(self, at_ns: int) -> SongPlace | None:
        """Where the song was at a time of the last seconds, between two words of the engine; None
        where it did not play."""
        at = bisect_left(self._places, (at_ns, 0.0))
        if not 0 < at < len(self._places):
            return None
        (first_ns, first), (last_ns, last) = self._places[at - 1], self._places[at]
        a_ns = (last - first) / (last_ns - first_ns)
        return SongPlace(first + (at_ns - first_ns) * a_ns, a_ns * 1e6) if a_ns > 0 else None

    @property
    def running(self) -> bool:
        """Whether the engine plays."""
        return self.status is not None and self.status.running

    @property
    def written_bpm(self) -> float:
        """Tempo of the song in hand, as it begins; 120 without one."""
        song = self._selection.song
        return song.bpm if song is not None else 120.0

    def now_ns(self) -> int:
        """The engine's clock, now."""
        return raw_now_ns()

    def now(self) -> Now:
        """This moment."""
        status, written = self.status, self.written_bpm
        if status is None:
            return Now(False, 0.0, 0.0, written, written, 0.0, "")
        played = status.bpm if status.running else written
        return Now(
            status.running, self.tick_now(), self.song_tick_now(), written, played,
            status.heard_bpm, status.follows,
        )  # fmt: skip

    def tick_now(self) -> float:
        """Where the playing is at this moment; 0 while stopped."""
        return self.tick_at(self.now_ns())

    def tick_at(self, at_ns: int) -> float:
        """Where it is at a time of the engine's clock about now; 0 while stopped."""
        status = self.status
        if status is None or not status.running:
            return 0.0
        passed_s = (at_ns - status.at_ns) / 1e9
        return status.tick + passed_s * status.bpm / 60 * TICKS_PER_QUARTER

    @property
    def playing(self) -> SectionSpan | None:
        """The section that plays; None while nothing does, or what the song does not have."""
        status, layout = self.status, self._derived.layout()
        if status is None or layout is None or not status.running:
            return None
        return layout.span_of(status.section)

    def song_tick_now(self) -> float:
        """The same counted in the song as written."""
        status, span = self.status, self.playing
        if status is None or span is None:
            return 0.0
        return span.tick + max(0.0, self.tick_now() - status.section_tick) % span.ticks

    def pattern_place(self, pattern_id: str, tick: float | None = None) -> ChainPlace | None:
        """Where a pattern is at a tick of the song, or now; None while it does not play."""
        status, layout = self.status, self._derived.layout()
        patterns = self._store.project.patterns_by_id
        if status is None or not status.running or pattern_id not in patterns:
            return None
        chain: tuple[str, ...] = ()
        if status.section == TEACHING_SECTION:
            chain = (self.taught_pattern,) if self.taught_pattern else ()
        elif layout is not None and (span := layout.span_of(status.section)) is not None:
            chain = span.scene.part(patterns[pattern_id].device).chain
        lengths = [(p, patterns[p].content.ticks) for p in chain if p in patterns]
        at = self.tick_now() if tick is None else tick
        place = place_in_chain(lengths, at - status.section_tick)
        line = next((s for s in status.lines if s.line == patterns[pattern_id].device), None)
        if line is not None and line.origin <= at:
            # What was sent, not what was meant: an edit or a hand may have it otherwise.
            ticks = patterns[line.pattern].content.ticks if line.pattern in patterns else 0
            place = place_in_chain([(line.pattern, ticks)], at - line.origin) if ticks else None
        return None if place is None or place.pattern != pattern_id else place

    def pattern_pass(self, pattern_id: str) -> int:
        """Which pass of a pattern plays, from 0; 0 while it does not."""
        place = self.pattern_place(pattern_id)
        return 0 if place is None else place.pass_number

    def beats_to_come(self) -> int:
        """Beats of a count-in that are still to come; 0 once the song plays."""
        status, span = self.status, self.playing
        if status is None or span is None:
            return 0
        left = status.section_tick - self.tick_now()
        return 0 if left <= 0 else ceil(left / span.scene.meter.beat_ticks)

    def off_by_ms(self, device: Device) -> float | None:
        """How late a device is when that is more than it may be; None while it is together."""
        for row in () if self.status is None else self.status.devices:
            if row.id == device.id and row.sent and abs(row.late_ms) > device.tolerance_ms:
                return row.late_ms
        return None
