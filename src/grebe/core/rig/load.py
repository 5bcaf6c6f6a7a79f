"""How many notes fall together on each wire, from the patterns the scenes really play."""

from __future__ import annotations

from collections import defaultdict
from functools import lru_cache
from typing import NamedTuple, TypeAlias

from grebe.core.document import Project
from grebe.core.numeric import np
from grebe.core.patterns.model import Content, Pattern
from grebe.core.patterns.passes import passes_of
from grebe.core.rig.lines import box_of
from grebe.core.rig.wiring import Wiring
from grebe.core.songs.model import Part

MAX_BARS = 64
"""Bars of a scene that are looked at; a busier step after that is rare and the walk is long."""


class WireLoad(NamedTuple):
    """The busiest step of one wire."""

    first: str
    """The device plugged into Grebe at its beginning."""
    devices: tuple[str, ...]
    """Devices that Grebe plays over it there."""
    scene: str
    """Name of the scene."""
    notes: int
    """Notes that begin on one tick."""


Kept: TypeAlias = "dict[tuple[str, int, tuple[str, ...]], np.ndarray]"
"""Onsets by pattern id, ticks and silent voices."""


def wire_loads(project: Project, wiring: Wiring, via: dict[str, str]) -> tuple[WireLoad, ...]:
    """For every wire of 31 250 baud that carries notes: its busiest step over all scenes.

    `via` as `flow.first_hops` gives it. Only notes that Grebe sends are counted.
    """
    patterns = project.patterns_by_id
    dins = {first for first in via.values() if _is_din(wiring, first)}
    wires = {
        line.id: via[box.id]
        for box in project.rig.devices
        if box.plays == "grebe" and via.get(box.id) in dins
        for line in box.lines
    }
    worst: dict[str, WireLoad] = {}
    kept: Kept = {}
    for scene in project.scenes:
        onsets: defaultdict[str, list[tuple[str, np.ndarray]]] = defaultdict(list)
        end = scene.meter.bar_ticks * min(scene.bars, MAX_BARS)
        for part in scene.parts:
            first = wires.get(part.device)
            if first is not None and part.chain and not part.muted:
                ticks = _part_onsets(part, end, patterns, kept)
                if ticks.size:
                    onsets[first].append((part.device, ticks))
        for first, rows in onsets.items():
            ticks = np.sort(np.concatenate([row for _, row in rows]))
            begins = np.flatnonzero(np.diff(ticks, prepend=-1))
            counts = np.diff(begins, append=ticks.size)
            busiest = int(counts.argmax())
            notes = int(counts[busiest])
            if first not in worst or notes > worst[first].notes:
                at = ticks[begins[busiest]]
                there = tuple(dict.fromkeys(box_of(d) for d, row in rows if at in row))
                worst[first] = WireLoad(first, there, scene.name, notes)
    return tuple(worst.values())


def _is_din(wiring: Wiring, first: str) -> bool:
    for cable in wiring.arriving[first]:
        jack = wiring.target_jack(cable)
        if cable.source not in wiring.devices and cable.medium == "midi":
            return jack is None or jack.kind == "midi"
    return False


def _part_onsets(part: Part, end: int, patterns: dict[str, Pattern], kept: Kept) -> np.ndarray:
    """Ticks at which notes of a part begin within one pass of its scene, that is `end` long."""
    chain = [patterns[p] for p in part.chain if p in patterns]
    if not chain:
        return np.empty(0, dtype=np.int64)
    if len(chain) == 1:
        return _kept(chain[0], end, part.silent_voices, kept)
    rows: list[np.ndarray] = []
    at, place = 0, 0
    while at < end:
        pattern = chain[place % len(chain)]
        ticks = pattern.content.ticks
        rows.append(_kept(pattern, min(ticks, end - at), part.silent_voices, kept) + at)
        at, place = at + ticks, place + 1
    return np.concatenate(rows)


def _kept(pattern: Pattern, ticks: int, silent: tuple[str, ...], kept: Kept) -> np.ndarray:
    """The onsets of a pattern; asked for again by its id, since telling contents apart costs."""
    key = (pattern.id, ticks, silent)
    if key not in kept:
        kept[key] = onsets_in(pattern.content, ticks, silent)
    return kept[key]


@lru_cache(maxsize=2048)
def onsets_in(content: Content, ticks: int, silent: tuple[str, ...]) -> np.ndarray:
    """Ticks below `ticks` at which notes of a pattern can begin; voices come round by themselves.

    Chance and conditions are taken at their fullest. Not to be changed: it is shared.
    """
    rows: list[np.ndarray] = []
    for voice in content.voices:
        if voice.hits and voice.id not in silent:
            passes = passes_of(content, voice)
            first = np.array([s.tick for s in passes.sounds(0)], dtype=np.int64)
            starts = np.arange(0, ticks + passes.early_ticks, passes.cycle, dtype=np.int64)
            rows.append((starts[None, :] + first[:, None]).ravel())
    if not rows:
        return np.empty(0, dtype=np.int64)
    out = np.concatenate(rows)
    return out[(out >= 0) & (out < ticks)]
