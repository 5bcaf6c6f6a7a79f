"""A song of how one was played: rendered again it sends what was sent.

A file holds sections of whole bars, mutes and swaps and fills on sixteenths, and tempo marks. What
it cannot hold (a cut in mid-bar, a section entered in its middle, a loop track recorded by foot)
is a marker with its words.
"""

from __future__ import annotations

from collections.abc import Sequence
from typing import NamedTuple, TypeVar

import msgspec

from grebe.core.document import Project
from grebe.core.naming import free_name
from grebe.core.player.happened import (
    Entered,
    Filled,
    Happened,
    Silenced,
    Stopped,
    Swapped,
    TempoTaken,
    TrackDid,
)
from grebe.core.songs.forms import free_song_id
from grebe.core.songs.model import (
    Curve,
    FillMark,
    Marker,
    MuteRegion,
    Scene,
    Section,
    Song,
    SwapMark,
    TempoMark,
    Then,
)
from grebe.core.songs.scenes import free_scene_id, free_scene_name, put_after
from grebe.core.songs.variations import heard
from grebe.core.time.ticks import SIXTEENTH_TICKS
from grebe.errors import EditError
from grebe.words import tr

MOST_SECTIONS = 512
MOST_MARKS = 256
_Mark = TypeVar("_Mark", MuteRegion, FillMark)


class KeptSong(NamedTuple):
    """A song kept, in the project that holds it."""

    project: Project
    song: Song
    lost: int
    """Things that a file cannot hold: each has a marker."""


class Visit(NamedTuple):
    """One time that a section was played."""

    entered: Entered
    until: int
    """The tick at which something else came in, or the run stopped."""
    events: tuple[Happened, ...]


def visits_of(events: Sequence[Happened]) -> list[Visit]:
    """The sections of a run in order, each with what happened in it."""
    out: list[Visit] = []
    entered: Entered | None = None
    within: list[Happened] = []

    def close(until: int) -> None:
        if entered is not None and until > entered.tick:
            out.append(Visit(entered, until, tuple(within)))

    for event in events:
        if isinstance(event, Entered):
            close(event.tick)
            entered, within = event, []
        elif isinstance(event, Stopped):
            close(event.tick)
            entered, within = None, []
        else:
            within.append(event)
    if events and entered is not None:
        close(events[-1].tick)
    return out


def song_performed(
    project: Project, written: Song, events: Sequence[Happened], first: int = 0,
    last: int | None = None,
) -> KeptSong:  # fmt: skip
    """The song that was played, as it was played: all of the run, or sections `first` to `last`
    of it, counted from 0. EditError where nothing is left of it."""
    known = {s.id: s for s in written.sections}
    scenes = {s.id: s for s in project.scenes}
    visits = [v for v in visits_of(events) if v.entered.section in known]
    visits = [v for v in visits if known[v.entered.section].scene in scenes]
    visits = visits[first : None if last is None else last + 1][:MOST_SECTIONS]
    if not visits:
        raise EditError(tr("nothing has been played that could be kept"))
    made = _Made(project)
    for index, visit in enumerate(visits):
        section = known[visit.entered.section]
        following = visits[index + 1].entered if index + 1 < len(visits) else None
        made.add(section, scenes[section.scene], visit, following)
    if not made.sections:
        raise EditError(tr("nothing has been played that could be kept"))
    name = free_name(f"{written.name}, as played"[:76], {s.name for s in project.songs})
    song = msgspec.structs.replace(
        written, id=free_song_id(project), name=name, sections=tuple(made.sections),
        version_of=written.version_of or written.id, version="as played", box_songs=(),
    )  # fmt: skip
    whole = msgspec.structs.replace(made.project, songs=(*made.project.songs, song))
    return KeptSong(whole, song, made.lost)


class _Made:
    """The sections so far, and the scenes made for them."""

    def __init__(self, project: Project) -> None:
        self.project = project
        self.sections: list[Section] = []
        self.lost = 0
        self._own: dict[tuple[str, int, bool], str] = {}
        """Scenes made: by the one played, its bars, whether mutes are laid over it instead."""

    def add(self, section: Section, scene: Scene, visit: Visit, following: Entered | None) -> None:
        """One more: from its first bar line to that of the next."""
        entered, bar = visit.entered, scene.meter.bar_ticks
        # Cut into in mid-bar, it lasts to the bar line that what comes counts from.
        until = visit.until if following is None or following.into else following.origin
        bars = -(-(until - entered.origin) // bar) if following is None else (
            (until - entered.origin) // bar
        )  # fmt: skip
        if bars < 1 or scene.bars < 1:
            self.lost += 1
            return
        origin = entered.origin
        words: list[tuple[int, str]] = []
        if entered.into:
            origin = entered.tick
            words.append((0, tr("came in at bar {bar}", bar=entered.into // bar + 1)))
            bars = max(1, (until - origin) // bar)
        if following is not None and following.tick != until:
            words.append(((bars * bar - bar) // SIXTEENTH_TICKS, tr("cut short in mid-bar")))
        span = bars * bar
        # A scene that leaves mutes as they stand has those of whatever came before it in the run.
        hands = self._hands_in(visit) or scene.mutes == "left"
        whole = bars % scene.bars == 0
        chosen = self._scene(scene, 0 if whole else bars, muted=hands)
        mutes = _regions(visit, origin, span) if hands else section.mutes
        marks = _Laid(visit, origin, span)
        words += marks.words
        self.lost += len(words)
        bpm, tempi = marks.tempi(section)
        self.sections.append(Section(
            id=f"s{len(self.sections) + 1}", scene=chosen,
            times=bars // scene.bars if whole else 1, bpm=bpm, ramp_bars=section.ramp_bars,
            tempi=tempi, mutes=_inside(mutes, span)[:MOST_SECTIONS],
            curves=_curves_inside(section.curves, span),
            markers=tuple(Marker(name=w[:80], at=at) for at, w in words[:MOST_MARKS]),
            fills=(*_inside(section.fills, span), *marks.fills), swaps=marks.swaps,
            then=Then(),
        ))  # fmt: skip

    @staticmethod
    def _hands_in(visit: Visit) -> bool:
        return any(isinstance(e, Silenced) and e.by_hand for e in visit.events)

    def _scene(self, scene: Scene, bars: int, *, muted: bool) -> str:
        """A scene as long as it was played (0: as it is), without mutes of its own where those
        are laid over it."""
        plain = msgspec.structs.replace(heard(scene), mutes="saved") if muted else scene
        if bars:
            plain = msgspec.structs.replace(plain, bars=bars)
        if plain == scene:
            return scene.id
        key = (scene.id, bars, muted)
        if key not in self._own:
            new = free_scene_id(self.project)
            name = free_scene_name(self.project, tr("{scene}, as played", scene=scene.name)[:76])
            made = msgspec.structs.replace(plain, id=new, name=name, hand_mutes="drop")
            self.project = put_after(self.project, made, scene.id)
            self._own[key] = new
        return self._own[key]


def _sixteenths(ticks: int) -> int:
    return round(ticks / SIXTEENTH_TICKS)


def _regions(visit: Visit, origin: int, span: int) -> tuple[MuteRegion, ...]:
    """Whatever was silent, from when to when."""
    begun: dict[tuple[str, str], int] = {}
    out: list[MuteRegion] = []

    def close(key: tuple[str, str], until: int) -> None:
        at = max(0, _sixteenths(begun.pop(key) - origin))
        long = _sixteenths(min(until, origin + span) - origin) - at
        if long > 0:
            out.append(MuteRegion(device=key[0], voice=key[1], at=at, long=long))

    for event in visit.events:
        if isinstance(event, Silenced):
            silent = set(event.silent)
            for key in [k for k in begun if k not in silent]:
                close(key, event.tick)
            for key in event.silent:
                begun.setdefault(key, event.tick)
    for key in list(begun):
        close(key, origin + span)
    return tuple(sorted(out, key=lambda m: (m.at, m.device, m.voice)))


class _Laid:
    """What hands did in a section beside muting."""

    def __init__(self, visit: Visit, origin: int, span: int) -> None:
        self.fills: tuple[FillMark, ...] = ()
        self.swaps: tuple[SwapMark, ...] = ()
        self.words: list[tuple[int, str]] = []
        self._tempi: list[TempoMark] = []
        self._bpm: float | None = None
        begun: int | None = None
        for event in visit.events:
            at = max(0, _sixteenths(event.tick - origin))
            if event.tick >= origin + span:
                continue
            if isinstance(event, Filled):
                if event.on:
                    begun = at
                elif begun is not None:
                    self._fill(begun, at)
                    begun = None
            elif isinstance(event, Swapped):
                mark = SwapMark(device=event.line, pattern=event.pattern, at=at)
                self.swaps = (*self.swaps, mark)[:MOST_MARKS]
            elif isinstance(event, TempoTaken):
                if at:
                    ramp = _sixteenths(event.ramp_ticks)
                    self._tempi.append(TempoMark(at=at, bpm=event.bpm, ramp=ramp))
                else:
                    self._bpm = event.bpm
            elif isinstance(event, TrackDid):
                words = tr("loop track {number}: {act}", number=event.number, act=event.act)
                self.words.append((at, words))
        if begun is not None:
            self._fill(begun, _sixteenths(span))

    def _fill(self, at: int, until: int) -> None:
        if until > at:
            self.fills = (*self.fills, FillMark(at=at, long=until - at))[:MOST_MARKS]

    def tempi(self, section: Section) -> tuple[float | None, tuple[TempoMark, ...]]:
        """The tempo that it begins with, and those inside it: the song's own and the hand's."""
        both = {t.at: t for t in (*section.tempi, *self._tempi)}
        return (section.bpm if self._bpm is None else self._bpm), tuple(
            both[at] for at in sorted(both)
        )[:MOST_MARKS]


def _inside(marks: Sequence[_Mark], span: int) -> tuple[_Mark, ...]:
    """Those that begin before the section ends."""
    return tuple(m for m in marks if m.at * SIXTEENTH_TICKS < span)


def _curves_inside(curves: Sequence[Curve], span: int) -> tuple[Curve, ...]:
    """Curves up to where the section ends now."""
    out: list[Curve] = []
    for curve in curves:
        points = tuple(p for p in curve.points if p.at * SIXTEENTH_TICKS <= span)
        if points:
            out.append(msgspec.structs.replace(curve, points=points))
    return tuple(out)
