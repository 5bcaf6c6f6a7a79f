"""The tempo as it is played: what song and hand set, what is carried on, and a push over all."""

from __future__ import annotations

import msgspec

from grebe.core.player.events import Due, TempoChange
from grebe.core.songs.layout import Layout, SectionSpan, section_tempo
from grebe.core.songs.model import Song
from grebe.core.time.tempo import TempoMap, TempoPoint
from grebe.core.units import MAX_BPM, MIN_BPM


class Tempi:
    """The tempo of a run, and the messages that tell of it."""

    def __init__(self, bpm: float) -> None:
        self._map = TempoMap((TempoPoint(tick=0, bpm=bpm),))
        """As it is without a push."""
        self._push = 1.0
        self.carried = False
        """Whether a song of a set goes on at the tempo there was, until it is released."""

    def begin(self, tick: int, bpm: float) -> Due:
        """A run begins."""
        self._push, self.carried = 1.0, False
        point = TempoPoint(tick=tick, bpm=bpm)
        self._map = TempoMap((point,))
        return (tick, "", TempoChange(point=point))

    def bpm_at(self, tick: int) -> float:
        """The tempo without a push."""
        return self._map.bpm_at(tick)

    def set(self, out: list[Due], point: TempoPoint) -> None:
        """Another tempo, or a ramp to one."""
        self._map = self._map.with_point(point)
        self._tell(out, point)

    def _tell(self, out: list[Due], point: TempoPoint) -> None:
        bpm = min(MAX_BPM, max(MIN_BPM, point.bpm * self._push))
        pushed = msgspec.structs.replace(point, bpm=bpm)
        out.append((point.tick, "", TempoChange(point=pushed)))

    def enter(
        self, out: list[Due], tick: int, span: SectionSpan, layout: Layout, into: int
    ) -> None:
        """The tempo of a section that comes in; none while the one there was is carried on."""
        if self.carried:
            return
        point = inside(layout, span, tick, into) if into else section_tempo(span, tick)
        if point is not None:
            if point.ramp_ticks or not self._holds(tick, point.bpm):
                self.set(out, point)
        elif abs(self._map.bpm_at(tick) - span.bpm) > 1e-9:
            self.set(out, TempoPoint(tick=tick, bpm=span.bpm))

    def _holds(self, tick: int, bpm: float) -> bool:
        """Whether that tempo is there already, and goes nowhere."""
        last = self._map.points[-1]
        return last.bpm == bpm and last.tick + last.ramp_ticks <= tick

    def nudge(self, tick: int, percent: float) -> list[Due]:
        """The tempo times the push, from here on; what is left of a ramp goes on from there."""
        push = 1 + percent / 100
        if push == self._push:
            return []
        self._push = push
        out: list[Due] = []
        self._tell(out, TempoPoint(tick=tick, bpm=self._map.bpm_at(tick)))
        last = self._map.points[-1]
        left = last.tick + last.ramp_ticks - tick - 1
        if last.tick <= tick and left > 0:
            rest = TempoPoint(tick=tick + 1, bpm=last.bpm, ramp_ticks=left)
            self._tell(out, rest)
        return out


def inside(layout: Layout, span: SectionSpan, tick: int, into: int) -> TempoPoint:
    """The tempo inside a section as written, told at `tick`, with what is left of a ramp."""
    written = span.tick + into
    for point in layout.tempo.points:
        if point.tick < written < point.tick + point.ramp_ticks:
            left = point.tick + point.ramp_ticks - written
            return TempoPoint(tick=tick, bpm=point.bpm, ramp_ticks=left)
    return TempoPoint(tick=tick, bpm=layout.tempo.bpm_at(written))


def as_written(song: Song) -> tuple[float, tuple[tuple[object, ...], ...]]:
    """All a song says of tempo, to tell whether an edit changed it."""
    return song.bpm, tuple((s.bpm, s.ramp_bars, s.tempi) for s in song.sections)
