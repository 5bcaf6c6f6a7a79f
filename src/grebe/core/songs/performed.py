"""A song of how one was played: sections as they were launched, and what hands muted meanwhile."""

from __future__ import annotations

from collections.abc import Sequence
from typing import NamedTuple

import msgspec

from grebe.core.document import Project
from grebe.core.naming import free_name
from grebe.core.songs.forms import free_song_id
from grebe.core.songs.model import MuteRegion, Section, Song, Then
from grebe.core.time.ticks import SIXTEENTH_TICKS
from grebe.core.units import MAX_TIMES
from grebe.errors import EditError
from grebe.words import tr

MOST_SECTIONS = 512
Muted = frozenset[tuple[str, str]]
"""(device, voice) that a hand has silenced; voice "" is the whole device."""


class Stretch(NamedTuple):
    """A section as it was played."""

    section: str
    """Its id in the song as written."""
    tick: int
    """Of its first bar line, in ticks of the performance."""
    muted: tuple[tuple[float, Muted], ...] = ()
    """What was muted by hand from which tick on."""


class Performance(NamedTuple):
    """One time that a song was played."""

    song: str
    stretches: tuple[Stretch, ...]
    end: float
    """Tick at which it was stopped."""


def song_performed(project: Project, performance: Performance) -> Song:
    """The song that was played, as it was played: tempo, curves and marks of its sections are kept.

    A pass that was cut short counts as one where more than half of it was heard; the first of a
    section always does. EditError where nothing is left of it.
    """
    written = next((s for s in project.songs if s.id == performance.song), None)
    if written is None or not performance.stretches:
        raise EditError(tr("nothing has been played that could be kept"))
    known = {s.id: s for s in written.sections}
    ends = [*(s.tick for s in performance.stretches[1:]), performance.end]
    sections: list[Section] = []
    for stretch, end in zip(performance.stretches, ends, strict=True):
        section = known.get(stretch.section)
        scene = None if section is None else next(
            (s for s in project.scenes if s.id == section.scene and s.bars), None
        )  # fmt: skip
        if section is None or scene is None or end <= stretch.tick:
            continue
        one = scene.bars * scene.meter.bar_ticks
        times = min(MAX_TIMES, max(1, round((end - stretch.tick) / one)))
        mutes = (*section.mutes, *_regions(stretch, min(end, stretch.tick + times * one)))
        sections.append(msgspec.structs.replace(
            section, id=f"s{len(sections) + 1}", times=times, mutes=mutes[:MOST_SECTIONS],
            then=Then(),
        ))  # fmt: skip
    if not sections:
        raise EditError(tr("nothing of what was played is left in the project"))
    name = free_name(f"{written.name}, as played"[:76], {s.name for s in project.songs})
    return msgspec.structs.replace(
        written, id=free_song_id(project), name=name, sections=tuple(sections[:MOST_SECTIONS]),
        version_of=written.version_of or written.id, version="as played", box_songs=(),
    )  # fmt: skip


def _regions(stretch: Stretch, end: float) -> Sequence[MuteRegion]:
    """What a hand muted in a stretch, as regions on sixteenths."""
    begun: dict[tuple[str, str], float] = {}
    regions: list[MuteRegion] = []

    def close(what: tuple[str, str], at: float) -> None:
        first = max(0, round((begun.pop(what) - stretch.tick) / SIXTEENTH_TICKS))
        long = round((at - stretch.tick) / SIXTEENTH_TICKS) - first
        if long > 0:
            regions.append(MuteRegion(device=what[0], voice=what[1], at=first, long=long))

    for at, muted in stretch.muted:
        for what in [w for w in begun if w not in muted]:
            close(what, at)
        for what in muted:
            begun.setdefault(what, at)
    for what in list(begun):
        close(what, end)
    return sorted(regions, key=lambda r: (r.at, r.device, r.voice))
