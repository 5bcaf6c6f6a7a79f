"""Edits of a song: its sections, and what is laid over them. Each gives another song."""

from __future__ import annotations

from collections.abc import Callable, Iterable
from typing import Any, TypeVar

import msgspec

from grebe.core.songs.layout import Layout, SectionSpan
from grebe.core.songs.model import (
    Curve,
    CurvePoint,
    FillMark,
    Marker,
    MuteRegion,
    Section,
    Song,
    SwapMark,
    TempoMark,
    Then,
)
from grebe.core.time.ticks import SIXTEENTH_TICKS
from grebe.core.units import MAX_BPM, MAX_TIMES, MIN_BPM
from grebe.errors import EditError
from grebe.words import tr

_Mark = TypeVar("_Mark", MuteRegion, FillMark)


def with_section(song: Song, section_id: str, **fields: Any) -> Song:
    """The song with a section changed; unchanged when it is not there."""
    return _with_sections(
        song,
        [msgspec.structs.replace(s, **fields) if s.id == section_id else s for s in song.sections],
    )


def move_section(song: Song, index: int, by: int) -> Song:
    """The song with a section moved; unchanged when that would leave the song."""
    to = index + by
    if not (0 <= index < len(song.sections) and 0 <= to < len(song.sections)):
        return song
    sections = list(song.sections)
    sections.insert(to, sections.pop(index))
    return _with_sections(song, sections)


def set_times(song: Song, index: int, times: int) -> Song:
    """The song with another number of passes, 1 to 999, in a section."""
    held = min(MAX_TIMES, max(1, times))
    return with_section(song, song.sections[index].id, times=held)


def duplicate_section(song: Song, index: int) -> Song:
    """The song with a copy of a section after it, under an id of its own."""
    copy = msgspec.structs.replace(song.sections[index], id=free_section_id(song))
    return _with_sections(song, [*song.sections[: index + 1], copy, *song.sections[index + 1 :]])


def insert_section(song: Song, index: int, scene: str, times: int = 1) -> Song:
    """The song with a section of a scene before the one at `index`, or at its end."""
    made = Section(id=free_section_id(song), scene=scene, times=max(1, times))
    return _with_sections(song, [*song.sections[:index], made, *song.sections[index:]])


def free_section_id(song: Song) -> str:
    """An id that no section has."""
    taken = {s.id for s in song.sections}
    return next(f"s{n}" for n in range(1, len(taken) + 2) if f"s{n}" not in taken)


def remove_section(song: Song, index: int) -> Song:
    """The song without a section; EditError for the last one left."""
    if len(song.sections) == 1:
        raise EditError(tr("a song keeps at least one section"))
    return _with_sections(song, [s for i, s in enumerate(song.sections) if i != index])


def only_sections(layout: Layout, first: int, last: int) -> Song:
    """The song of the sections that lie between two ticks, as they are: at the tempo that holds
    where they begin, and without jumps to what is gone. EditError where none lies there."""
    kept = [span for span in layout.spans if span.tick < last and span.end > first]
    if not kept:
        raise EditError(tr("no section is selected"))
    there = {span.section.id for span in kept}
    sections = [
        msgspec.structs.replace(s, then=Then())
        if s.then.kind == "jump" and s.then.to not in there
        else s
        for s in layout.song.sections
        if s.id in there
    ]
    return set_tempo(_with_sections(layout.song, sections), kept[0].bpm)


def set_tempo(song: Song, bpm: float) -> Song:
    """The song at another tempo, held between 20 and 400 BPM."""
    return msgspec.structs.replace(song, bpm=min(MAX_BPM, max(MIN_BPM, bpm)))


# What is laid over sections. Stretches are ticks of the song as written.


def silence(layout: Layout, device: str, voice: str, first: int, last: int) -> Song:
    """A device, or one voice of it, silent from tick `first` up to `last`: in each section they
    reach a region of its own, those that touch made one."""

    def add(section: Section, at: int, end: int) -> Section:
        new = MuteRegion(device=device, voice=voice, at=at, long=end - at)
        rest = [m for m in section.mutes if (m.device, m.voice) != (device, voice)]
        mine = [m for m in section.mutes if (m.device, m.voice) == (device, voice)]
        return msgspec.structs.replace(section, mutes=(*rest, *_joined([*mine, new])))

    return _over(layout, first, last, add)


def unsilence(layout: Layout, device: str, voice: str, first: int, last: int) -> Song:
    """The same stretch without mutes laid over it; what was silent outside it stays so."""

    def clear(section: Section, at: int, end: int) -> Section:
        out: list[MuteRegion] = []
        for m in section.mutes:
            if (m.device, m.voice) == (device, voice):
                out += _without(m, at, end)
            else:
                out.append(m)
        return msgspec.structs.replace(section, mutes=tuple(out))

    return _over(layout, first, last, clear)


def is_silenced(layout: Layout, device: str, voice: str, tick: int) -> bool:
    """Whether a mute of this device or voice lies over a tick."""
    span = layout.spans[layout.index_at(tick)]
    at = (tick - span.tick) // SIXTEENTH_TICKS
    return any(
        (m.device, m.voice) == (device, voice) and m.at <= at < m.at + m.long
        for m in span.section.mutes
    )


def fill_over(layout: Layout, first: int, last: int) -> Song:
    """Fills held from tick `first` up to `last`; none there where all of it was one."""

    def toggle(section: Section, at: int, end: int) -> Section:
        if any(f.at <= at and end <= f.at + f.long for f in section.fills):
            fills = [part for f in section.fills for part in _without(f, at, end)]
        else:
            fills = _joined([*section.fills, FillMark(at=at, long=end - at)])
        return msgspec.structs.replace(section, fills=tuple(fills))

    return _over(layout, first, last, toggle)


def fills_every(layout: Layout, section_id: str, bars: int) -> Song:
    """Fills on the last of every so many bars of a section, counted from its first, in place of
    those there; 0 takes them out."""
    span = layout.span_of(section_id)
    if span is None:
        return layout.song
    bar = span.scene.meter.bar_ticks
    last = range(bars, span.bars + 1, bars) if bars else ()
    fills = tuple(
        FillMark(at=(number - 1) * bar // SIXTEENTH_TICKS, long=bar // SIXTEENTH_TICKS)
        for number in last
    )
    sections = tuple(
        msgspec.structs.replace(s, fills=fills) if s.id == section_id else s
        for s in layout.song.sections
    )
    return msgspec.structs.replace(layout.song, sections=sections)


def put_marker(layout: Layout, tick: int, name: str) -> Song:
    """A marker at a tick, in place of one there; "" takes that one away."""
    span, at = _place(layout, tick)
    rest = [m for m in span.section.markers if m.at != at]
    if name.strip():
        rest.append(Marker(name=name.strip()[:80], at=at))
    rest.sort(key=lambda m: m.at)
    return with_section(layout.song, span.section.id, markers=tuple(rest))


def put_swap(layout: Layout, tick: int, device: str, pattern: str | None) -> Song:
    """A box or track goes over to another of its patterns at a tick, "" for what its scene has;
    None takes away what is there."""
    span, at = _place(layout, tick)
    rest = [s for s in span.section.swaps if (s.device, s.at) != (device, at)]
    if pattern is not None:
        rest.append(SwapMark(device=device, pattern=pattern, at=at))
    rest.sort(key=lambda s: s.at)
    return with_section(layout.song, span.section.id, swaps=tuple(rest))


def put_tempo(layout: Layout, tick: int, bpm: float | None, ramp_bars: int = 0) -> Song:
    """The tempo to go somewhere from a tick on, over some bars; None takes the change there away.

    At a section's first beat it is the section's own.
    """
    span, at = _place(layout, tick)
    section = span.section.id
    held = None if bpm is None else min(MAX_BPM, max(MIN_BPM, bpm))
    if at == 0:
        ramp = ramp_bars if held is not None else 0
        return with_section(layout.song, section, bpm=held, ramp_bars=min(256, ramp))
    rest = [t for t in span.section.tempi if t.at != at]
    if held is not None:
        ramp = ramp_bars * span.scene.meter.bar_ticks // SIXTEENTH_TICKS
        rest.append(TempoMark(at=at, bpm=held, ramp=ramp))
    return with_section(layout.song, section, tempi=tuple(sorted(rest, key=lambda t: t.at)))


def put_curve_point(
    layout: Layout, device: str, controller: int, tick: int, value: int | None
) -> Song:
    """A controller's value at a tick, begun as a curve where there is none; None takes it away."""
    span, at = _place(layout, tick)
    mine = [c for c in span.section.curves if (c.device, c.controller) == (device, controller)]
    rest = [c for c in span.section.curves if c not in mine]
    points = [p for c in mine for p in c.points if p.at != at]
    if value is not None:
        points.append(CurvePoint(at=at, value=min(127, max(0, value))))
    points.sort(key=lambda p: p.at)
    if points:
        channel = mine[0].channel if mine else None
        rest.append(
            Curve(device=device, controller=controller, channel=channel, points=tuple(points))
        )
    return with_section(layout.song, span.section.id, curves=tuple(rest))


def _place(layout: Layout, tick: int) -> tuple[SectionSpan, int]:
    """The section a tick lies in, and the sixteenth of it. EditError in an empty song."""
    if not layout.spans:
        raise EditError(tr("the song has no sections: there is no place in it"))
    span = layout.spans[layout.index_at(tick)]
    return span, max(0, min(tick - span.tick, span.ticks - 1)) // SIXTEENTH_TICKS


def _over(
    layout: Layout, first: int, last: int, edit: Callable[[Section, int, int], Section]
) -> Song:
    """The song with every section edited that a stretch reaches, at its sixteenths of it."""
    edited: dict[str, Section] = {}
    for span in layout.spans:
        begin, end = max(first, span.tick), min(last, span.end)
        if begin < end:
            at = (begin - span.tick) // SIXTEENTH_TICKS
            to = -(-(end - span.tick) // SIXTEENTH_TICKS)
            edited[span.section.id] = edit(span.section, at, to)
    return _with_sections(layout.song, [edited.get(s.id, s) for s in layout.song.sections])


def _joined(marks: Iterable[_Mark]) -> list[_Mark]:
    """Marks in order, those that touch or overlap made one."""
    out: list[_Mark] = []
    for mark in sorted(marks, key=lambda m: m.at):
        if out and mark.at <= out[-1].at + out[-1].long:
            end = max(out[-1].at + out[-1].long, mark.at + mark.long)
            out[-1] = msgspec.structs.replace(out[-1], long=end - out[-1].at)
        else:
            out.append(mark)
    return out


def _without(mark: _Mark, at: int, end: int) -> list[_Mark]:
    """What is left of a mark outside a stretch."""
    out: list[_Mark] = []
    if mark.at < at:
        out.append(msgspec.structs.replace(mark, long=min(mark.long, at - mark.at)))
    over = mark.at + mark.long
    if over > end:
        begin = max(end, mark.at)
        out.append(msgspec.structs.replace(mark, at=begin, long=over - begin))
    return out


def _with_sections(song: Song, sections: Iterable[Section]) -> Song:
    return msgspec.structs.replace(song, sections=tuple(sections))
