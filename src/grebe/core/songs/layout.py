"""A song laid out: where each section lies in ticks, bars and seconds."""

from __future__ import annotations

from collections.abc import Mapping

from grebe.core.songs.model import Scene, Section, Song
from grebe.core.time.tempo import TempoMap, TempoPoint
from grebe.core.time.ticks import SIXTEENTH_TICKS, next_multiple
from grebe.core.units import Value
from grebe.errors import EditError
from grebe.words import tr


class SectionSpan(Value, frozen=True, kw_only=True):
    """One section where it lies."""

    section: Section
    scene: Scene
    tick: int
    ticks: int
    bar: int
    """First bar, printed: counted from 1 over the song."""
    bars: int
    bpm: float
    """Tempo at the section's first tick, before any ramp of its own."""

    @property
    def end(self) -> int:
        """Tick of the first beat after the section."""
        return self.tick + self.ticks

    @property
    def pass_ticks(self) -> int:
        """Ticks of one pass of the scene."""
        return self.scene.bars * self.scene.meter.bar_ticks


class Layout(Value, frozen=True, kw_only=True):
    """A song's sections one after another."""

    song: Song
    spans: tuple[SectionSpan, ...]
    tempo: TempoMap
    """The song's tempo from its top."""

    @property
    def ticks(self) -> int:
        """Length of the song in ticks."""
        return self.spans[-1].end if self.spans else 0

    @property
    def bars(self) -> int:
        """Length of the song in bars."""
        return sum(span.bars for span in self.spans)

    def seconds(self) -> float:
        """Length of the song in seconds."""
        return self.tempo.seconds_at(self.ticks)

    def span_of(self, section_id: str) -> SectionSpan | None:
        """The section with this id where it lies; None when there is none."""
        return next((span for span in self.spans if span.section.id == section_id), None)

    def index_at(self, tick: int) -> int:
        """Index of the section sounding at a tick, held at the first and the last."""
        for index, span in enumerate(self.spans):
            if tick < span.end:
                return index
        return len(self.spans) - 1

    def bar_tick(self, bar: int) -> int:
        """Tick of a printed bar of the song, from 1; held at its ends."""
        for span in self.spans:
            if bar < span.bar + span.bars:
                return span.tick + max(0, bar - span.bar) * span.scene.meter.bar_ticks
        return self.ticks

    def bar_at(self, tick: int) -> int:
        """The printed bar a tick lies in, from 1; 1 in an empty song."""
        if not self.spans:
            return 1
        span = self.spans[self.index_at(tick)]
        inside = min(max(0, tick - span.tick), span.ticks - 1)
        return span.bar + inside // span.scene.meter.bar_ticks

    def bar_after(self, tick: int) -> int:
        """The first bar line that is not before a tick; the tick itself in an empty song."""
        if not self.spans:
            return tick
        span = self.spans[self.index_at(tick)]
        return span.tick + next_multiple(max(0, tick - span.tick), span.scene.meter.bar_ticks)


def section_tempo(span: SectionSpan, tick: int) -> TempoPoint | None:
    """The tempo change a section makes when it begins at `tick`; None if it makes none."""
    section = span.section
    if section.bpm is None:
        return None
    ramp = section.ramp_bars * span.scene.meter.bar_ticks
    return TempoPoint(tick=tick, bpm=section.bpm, ramp_ticks=ramp)


def tempo_marks(span: SectionSpan, tick: int) -> list[TempoPoint]:
    """The tempo changes inside a section that begins at `tick`, in order; none past its end."""
    return [
        TempoPoint(
            tick=tick + mark.at * SIXTEENTH_TICKS,
            bpm=mark.bpm,
            ramp_ticks=mark.ramp * SIXTEENTH_TICKS,
        )
        for mark in span.section.tempi
        if mark.at * SIXTEENTH_TICKS < span.ticks
    ]


def lay_out(song: Song, scenes: Mapping[str, Scene]) -> Layout:
    """Lay a song out. EditError names a section whose scene is not there.

    Sections without passes or bars are left out.
    """
    spans: list[SectionSpan] = []
    tick, bar = 0, 1
    points = [TempoPoint(tick=0, bpm=song.bpm)]
    known, tempo = 1, TempoMap((points[0],))
    for number, section in enumerate(song.sections, start=1):
        scene = scenes.get(section.scene)
        if scene is None:
            raise EditError(
                tr(
                    "song {song!r}, section {number}: there is no scene {scene!r}",
                    song=song.name,
                    number=number,
                    scene=section.scene,
                )
            )
        bars = scene.bars * section.times
        if not bars:
            continue
        span = SectionSpan(
            section=section,
            scene=scene,
            tick=tick,
            ticks=bars * scene.meter.bar_ticks,
            bar=bar,
            bars=bars,
            bpm=tempo.bpm_at(tick),
        )
        point = section_tempo(span, tick)
        if point is not None:
            points.append(point)
        points += tempo_marks(span, tick)
        if len(points) > known:
            known, tempo = len(points), TempoMap(_in_order(points))
        spans.append(span)
        tick, bar = span.end, bar + bars
    return Layout(song=song, spans=tuple(spans), tempo=tempo)


def _in_order(points: list[TempoPoint]) -> tuple[TempoPoint, ...]:
    """The points of a map: of two on one tick the later said counts; the first cannot ramp."""
    out: list[TempoPoint] = []
    for point in points:
        while out and out[-1].tick >= point.tick:
            out.pop()
        out.append(point if out else TempoPoint(tick=point.tick, bpm=point.bpm))
    return tuple(out)
