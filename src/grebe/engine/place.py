"""Where the song is, in bars and beats, at any moment; asked from JACK's callback too."""

from __future__ import annotations

import logging

from grebe.core.player.events import SectionStarts
from grebe.core.player.plan import Plan
from grebe.core.player.player import Player
from grebe.core.sync.timeline import SongTimeline
from grebe.core.time.meter import Meter
from grebe.core.time.ticks import TICKS_PER_QUARTER
from grebe.process.log import log_told
from grebe.protocols.link.messages import Notice
from grebe.transports.jack.transport import TICKS_PER_BEAT, TransportPosition
from grebe.words import tr

_log = logging.getLogger(__name__)


class Bars:
    """The bars of the section playing."""

    def __init__(self) -> None:
        self._now: tuple[int, int, Meter] = (0, 1, Meter())
        """Tick of its first bar, that bar's number, its metre. Replaced as one: see above."""

    def begin(self, plan: Plan, section: str) -> None:
        """A run begins in this section."""
        span = plan.layout().span_of(section)
        if span is not None:
            self._now = (span.tick, span.bar, span.scene.meter)

    def enter(self, plan: Plan, event: SectionStarts) -> None:
        """A section comes in."""
        meter = next((s.meter for s in plan.scenes if s.id == event.scene), Meter())
        self._now = (event.tick, event.song_bar, meter)

    def place(self, timeline: SongTimeline, at_ns: int) -> TransportPosition:
        """Bar, beat, tick and tempo at a time."""
        first, bar, meter = self._now
        tick = timeline.tick_at(at_ns)
        bars, rest = divmod(max(0.0, tick - first), meter.bar_ticks)
        beats, part = divmod(rest, meter.beat_ticks)
        begins = first + bars * meter.bar_ticks
        return TransportPosition(
            bar=bar + int(bars),
            beat=int(beats) + 1,
            tick=int(part * TICKS_PER_BEAT / meter.beat_ticks),
            beats_per_bar=meter.beats,
            beat_type=meter.unit,
            bar_start_tick=begins * TICKS_PER_BEAT / TICKS_PER_QUARTER,
            bpm=timeline.bpm_at(int(tick)) * meter.unit / 4,
        )


def note_told(
    notice: Notice, player: Player | None, timeline: SongTimeline | None, now: int
) -> None:
    """Write what a performer is told into the log, with its place in the song."""
    where = ""
    if player is not None and timeline is not None:
        beat = timeline.tick_at(now) / TICKS_PER_QUARTER
        where = tr(
            " [{song}, section {section}, beat {beat:.1f}]",
            song=player.plan.song.name,
            section=player.section,
            beat=beat,
        )
    log_told(_log, notice.level, notice.text, where)
