"""A song bar by bar: what sounds, how dense, how loud, and where it only repeats."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from typing import NamedTuple

from grebe.core.document import Project
from grebe.core.patterns.model import Content
from grebe.core.patterns.passes import passes_of
from grebe.core.player.plan import sounding
from grebe.core.rig.model import Device
from grebe.core.songs.layout import Layout, SectionSpan
from grebe.core.songs.model import MuteRegion, Part, Scene, Song
from grebe.core.time.ticks import SIXTEENTH_TICKS, TICKS_PER_QUARTER

DENSE = 4.0
"""Strokes a quarter note from which on a voice counts fully: sixteenths."""
FULL = 127.0
HELD_BARS = 8
"""A note held from so many bars before is still heard to sound."""
LONGEST_UNIT = 8
"""What comes round after so many bars or fewer is heard as a repeat."""


class VoiceBar(NamedTuple):
    """One voice in one bar of a pattern, as if every hit played."""

    voice: str
    energy: float
    """0 to 1: its loudness, times one half for sounding at all and one half for density."""
    varies: bool
    """Whether chance or a condition makes its passes differ."""


class PatternBar(NamedTuple):
    """All voices in one bar of a pattern."""

    voices: tuple[VoiceBar, ...]
    energy: float
    varies: bool


class Bar(NamedTuple):
    """One bar of a song."""

    number: int
    """Printed."""
    tick: int
    span: int
    """Number of its section in the layout."""
    energy: float
    """Of all voices that sound, added up."""
    devices: dict[str, float]
    """Energy of each device that sounds."""
    sign: tuple[object, ...]
    """Equal in bars that sound alike."""


MOST_SONGS, MOST_SECTIONS = 400, 4000
"""Of so many versions of songs and sections one book remembers the bars."""


class PatternBars:
    """A project's patterns bar by bar; each is worked out once."""

    def __init__(self, project: Project, before: PatternBars | None = None) -> None:
        """`before`: the book of an earlier version, whose unchanged patterns stand in it."""
        self._basis = (project.patterns, project.rig.devices, project.scenes)
        self.devices = {d.id: d for d in project.rig.lines}
        self.patterns = project.patterns_by_id
        self._sections: dict[
            tuple[int, int, tuple[MuteRegion, ...]], tuple[Scene, list[Bar], int, int]
        ] = {}
        """Sections that sound the same wherever they lie, by scene, passes and mutes."""
        self.songs: dict[int, tuple[Song, tuple[Bar, ...]]] = {}
        """Bars of songs that were asked for, by identity of the song."""
        self._kept: dict[tuple[str, str, int, int], PatternBar] = {}
        self._contents: dict[tuple[str, str], Content] = {}
        if before is not None and before._basis[1] is project.rig.devices:
            self._take_over(before)

    def _take_over(self, before: PatternBars) -> None:
        """What stands in an earlier book of patterns that are the same now."""
        edited: set[str] = set()
        if before._basis[0] is not self._basis[0]:
            names = before.patterns.keys() | self.patterns.keys()
            edited = {n for n in names if before.patterns.get(n) is not self.patterns.get(n)}
        self._kept = {k: row for k, row in before._kept.items() if k[0] not in edited}
        self._contents = {k: row for k, row in before._contents.items() if k[0] not in edited}
        if len(before._sections) < MOST_SECTIONS:
            self._sections = {
                k: row
                for k, row in before._sections.items()
                if not any(name in edited for part in row[0].parts for name in part.chain)
            }

    def serving(self, project: Project) -> PatternBars:
        """The book for a version of the project: itself where patterns, boxes and scenes are the
        same, else one that takes over what still holds."""
        basis = (project.patterns, project.rig.devices, project.scenes)
        few = len(self.songs) < MOST_SONGS and len(self._sections) < MOST_SECTIONS
        if few and all(was is now for was, now in zip(self._basis, basis, strict=True)):
            return self
        return PatternBars(project, self)

    def alike(self, number: int, span: SectionSpan) -> list[Bar]:
        """The bars of a section as those of one like it before; none where there was none, or
        what sounds hangs on more than scene, length and mutes."""
        section = span.section
        if section.curves or section.fills:
            return []
        key = (id(span.scene), section.times, section.mutes)
        kept = self._sections.get(key)
        if kept is None:
            bars = list(_span_bars(self, number, span))
            steady = not any(isinstance(s, int) for b in bars for s in b.sign)
            self._sections[key] = (span.scene, bars if steady else [], span.bar, span.tick)
            return bars
        _, bars, first, tick = kept
        return [
            b._replace(number=b.number - first + span.bar, tick=b.tick - tick + span.tick,
                       span=number)
            for b in bars
        ]  # fmt: skip

    def content(self, pattern: str, device: Device) -> Content:
        """What is heard of a pattern."""
        key = (pattern, device.id)
        if key not in self._contents:
            self._contents[key] = sounding(self.patterns[pattern], device)
        return self._contents[key]

    def at(self, pattern: str, device: Device, into: int, bar: int) -> PatternBar:
        """The voices of a pattern in the bar that begins `into` ticks after it began."""
        key = (pattern, device.id, into, bar)
        if key not in self._kept:
            rows = tuple(_voices(self.content(pattern, device), into, bar))
            self._kept[key] = PatternBar(
                rows, sum(r.energy for r in rows), any(r.varies for r in rows)
            )
        return self._kept[key]


def _voices(content: Content, into: int, bar: int) -> Iterator[VoiceBar]:
    for voice in content.voices:
        if not voice.hits:
            continue
        passes = passes_of(content, voice)
        begin = max(0, into - HELD_BARS * bar)
        sounds = passes.between(begin, into + bar)
        heard = [s for s in sounds if s.tick + s.gate_ticks > into]
        if not heard:
            continue
        strokes = sum(s.tick >= into for s in heard)
        loud = sum(s.velocity for s in heard) / len(heard) / FULL
        dense = min(1.0, strokes * TICKS_PER_QUARTER / bar / DENSE)
        yield VoiceBar(voice.id, loud * (0.5 + 0.5 * dense), not passes.steady)


def song_bars(project: Project, layout: Layout, book: PatternBars | None = None) -> tuple[Bar, ...]:
    """Every bar of a song that is laid out; `book` serves several songs of one project."""
    book = book or PatternBars(project)
    kept = book.songs.get(id(layout.song))
    if kept is not None and kept[0] is layout.song:
        return kept[1]
    out: list[Bar] = []
    for number, span in enumerate(layout.spans):
        out += book.alike(number, span) or _span_bars(book, number, span)
    book.songs[id(layout.song)] = (layout.song, tuple(out))
    return tuple(out)


def _span_bars(book: PatternBars, number: int, span: SectionSpan) -> Iterator[Bar]:
    bar_ticks = span.scene.meter.bar_ticks
    parts = [
        (book.devices[p.device], p, [c for c in p.chain if c in book.patterns])
        for p in span.scene.parts
        if p.device in book.devices
    ]
    places = {device.id: _Place(book, device, chain) for device, _, chain in parts if chain}
    regions = {
        device.id: [r for r in span.section.mutes if r.device == device.id]
        for device, _, _ in parts
    }
    for index in range(span.bars):
        at = index * bar_ticks
        devices: dict[str, float] = {}
        sign: list[object] = []
        for device, part, chain in parts:
            if not chain or part.muted:
                continue
            pattern, into = places[device.id].at(at)
            row = book.at(pattern, device, into, bar_ticks)
            energy = row.energy
            if regions[device.id] or part.silent_voices:
                energy = _heard(regions[device.id], part, row.voices, at, bar_ticks, sign)
            if energy > 0:
                devices[device.id] = energy
                sign.append((device.id, pattern, into))
                if row.varies:
                    sign.append(span.bar + index)
        for curve in span.section.curves:
            sign.append((curve.device, curve.controller, span.bar + index))  # noqa: PERF401
        sign += [
            ("fill", span.bar + index)
            for fill in span.section.fills
            if _covered(fill.at, fill.long, at, bar_ticks)
        ]
        yield Bar(
            span.bar + index, span.tick + at, number, sum(devices.values()), devices, tuple(sign)
        )


class _Place:
    """Where a chain is, bar after bar: which pattern, and how many ticks since it began."""

    def __init__(self, book: PatternBars, device: Device, chain: list[str]) -> None:
        self._chain = chain
        self._long = [book.content(p, device).ticks for p in chain]
        self._alone = len(set(chain)) == 1
        self._index = self._entered = 0

    def at(self, tick: int) -> tuple[str, int]:
        """At a tick not before the one asked for last; a lone pattern counts within its length."""
        if self._alone:
            return self._chain[0], tick % (self._long[0] * len(self._chain))
        while self._entered + self._long[self._index] <= tick:
            self._entered += self._long[self._index]
            self._index = (self._index + 1) % len(self._chain)
        return self._chain[self._index], tick - self._entered


def _heard(
    mutes: Sequence[MuteRegion], part: Part, rows: Sequence[VoiceBar], at: int, bar: int,
    sign: list[object],
) -> float:  # fmt: skip
    """Energy of a device in a bar, without what is muted; partly muted counts by its share."""
    regions = [(r, share) for r in mutes if (share := _covered(r.at, r.long, at, bar))]
    whole = max((share for r, share in regions if not r.voice), default=0.0)
    total = 0.0
    for row in rows:
        if row.voice in part.silent_voices:
            continue
        gone = max((share for r, share in regions if r.voice == row.voice), default=0.0)
        total += row.energy * (1 - max(whole, gone))
    device = part.device
    sign += [(device, r.voice, r.at * SIXTEENTH_TICKS - at) for r, share in regions if share < 1]
    sign += [(device, r.voice) for r, share in regions if share == 1]
    if part.silent_voices:
        sign.append((device, part.silent_voices))
    return total


def _covered(first: int, long: int, at: int, bar: int) -> float:
    """How much of a bar lies in a stretch given in sixteenths, 0 to 1."""
    begin, end = first * SIXTEENTH_TICKS, (first + long) * SIXTEENTH_TICKS
    return max(0, min(end, at + bar) - max(begin, at)) / bar


def unchanged(bars: Sequence[Bar], limit: int) -> list[tuple[int, int]]:
    """Stretches (first, last printed bar) of at least `limit` bars that only repeat.

    A repeat is what comes round after eight bars or fewer, more than once; silence is none.
    """
    out: list[tuple[int, int]] = []
    ends = _repeats_until(bars)
    begin = 0
    while begin < len(bars):
        end = ends[begin]
        if end - begin >= limit and any(b.energy for b in bars[begin:end]):
            out.append((bars[begin].number, bars[end - 1].number))
            begin = end
        else:
            begin += 1
    return out


def _repeats_until(bars: Sequence[Bar]) -> list[int]:
    """Of each bar where the longest repeating of a unit that begins there ends; the bar itself
    where none does."""
    known: dict[tuple[object, ...], int] = {}
    signs = [known.setdefault(bar.sign, len(known)) for bar in bars]
    ends = list(range(len(bars)))
    for unit in range(1, LONGEST_UNIT + 1):
        until = len(bars)  # from where on bars are as those a unit before them, seen from behind
        for at in range(len(bars) - 1, unit - 1, -1):
            if signs[at] != signs[at - unit]:
                until = at
            elif until - (at - unit) >= 2 * unit:
                ends[at - unit] = max(ends[at - unit], until)
    return ends
