"""How much each device plays over a song: a stretch for each section, thick where it is dense."""

from __future__ import annotations

from collections import Counter
from typing import NamedTuple

import msgspec

from grebe.core.document import Project
from grebe.core.patterns.model import Content, Pattern
from grebe.core.patterns.sound import density
from grebe.core.player.plan import sounding
from grebe.core.rig.lines import box_of, track_of
from grebe.core.rig.model import Device
from grebe.core.songs.layout import Layout
from grebe.core.songs.model import Part, Scene
from grebe.core.units import Value


class Band(Value, frozen=True, kw_only=True):
    """One device in one section."""

    device: str
    section: str
    tick: int
    ticks: int
    density: float
    """Hits a quarter note, over its chain; 0 is silent."""
    muted: bool
    changes: bool
    """Whether its patterns differ from the section before."""
    patterns: tuple[str, ...]
    """Names of its patterns, in order, without repeats."""


class SceneRow(NamedTuple):
    """What one device plays in a scene, wherever the scene lies."""

    density: float
    muted: bool
    known: tuple[str, ...]
    """Ids of its patterns, in order."""
    names: tuple[str, ...]
    """Their names, without repeats."""


class Densities:
    """How dense scenes and patterns are: each is worked out once, as long as it is the same."""

    def __init__(self) -> None:
        self._kept: dict[tuple[int, frozenset[str]], tuple[Content, float]] = {}
        """By identity of the content, which is held so that none other gets it."""
        self._rows: dict[tuple[int, str], tuple[Scene, SceneRow]] = {}
        self._patterns: dict[str, Pattern] = {}
        self._basis: tuple[object, object] = (None, None)
        """The patterns and devices that the rows hold for."""

    def row(self, project: Project, scene: Scene, box: Device, line: Device) -> SceneRow:
        """A line of a box in a scene."""
        basis = (project.patterns, project.rig.devices)
        if basis[0] is not self._basis[0] or basis[1] is not self._basis[1]:
            self._basis = basis
            self._patterns = project.patterns_by_id
            self._rows.clear()
        key = (id(scene), line.id)
        kept = self._rows.get(key)
        if kept is None:
            if len(self._rows) > MOST_ROWS:
                self._rows.clear()
            kept = self._rows[key] = (scene, self._row(*self._part(scene, box, line)))
        return kept[1]

    def _part(self, scene: Scene, box: Device, line: Device) -> tuple[Part, Device]:
        """What a line does in a scene, and who plays that: of a track whose rows are in its box's
        pattern, those rows."""
        part, whole = scene.part(line.id), scene.part(box.id)
        track = box.track(track_of(line.id))
        if track is None or track.patterns == "own" or not whole.chain:
            return part, line
        others = tuple(
            dict.fromkeys(
                v.id
                for pattern in whole.chain
                if pattern in self._patterns
                for v in sounding(self._patterns[pattern], box).voices
                if (v.channel or box.channel) != track.channel
            )
        )
        rows = msgspec.structs.replace(
            whole, silent_voices=(*whole.silent_voices, *others), muted=part.muted or whole.muted
        )
        return rows, box

    def _row(self, part: Part, device: Device) -> SceneRow:
        known = tuple(p for p in part.chain if p in self._patterns)
        names = tuple(dict.fromkeys(self._patterns[p].name for p in known))
        return SceneRow(self._of_chain(device, part), part.muted, known, names)

    def _of_chain(self, device: Device, part: Part) -> float:
        silent = frozenset(part.silent_voices)
        hits = ticks = 0.0
        for pattern, times in Counter(part.chain).items():
            if pattern in self._patterns:
                content = sounding(self._patterns[pattern], device)
                hits += times * self._of(content, silent) * content.ticks
                ticks += times * content.ticks
        return hits / ticks if ticks else 0.0

    def _of(self, content: Content, silent: frozenset[str]) -> float:
        key = (id(content), silent)
        kept = self._kept.get(key)
        if kept is None:
            if len(self._kept) > MOST_KEPT:
                self._kept.clear()
            kept = self._kept[key] = (content, density(content, silent))
        return kept[1]


MOST_KEPT = 4096
MOST_ROWS = 65_536


def bands(
    project: Project, layout: Layout, line: Device, densities: Densities | None = None
) -> tuple[Band, ...]:
    """A stretch for a box or track in every section, in order; `densities` serves all of them,
    and one version of a song after another."""
    out: list[Band] = []
    before: tuple[str, ...] = ()
    densities = densities or Densities()
    box = project.rig.device(box_of(line.id))
    for span in layout.spans:
        row = densities.row(project, span.scene, box, line)
        out.append(
            Band(device=line.id, section=span.section.id, tick=span.tick, ticks=span.ticks,
                 density=row.density, muted=row.muted, changes=before != row.known,
                 patterns=row.names)
        )  # fmt: skip
        before = row.known
    return tuple(out)
