"""What changes between scenes and whether hands can make it, worked out once for each pair."""

from __future__ import annotations

from typing import NamedTuple

from grebe.core.document import Project
from grebe.core.rig.model import Device
from grebe.core.songs.changes import SceneChange, changes, moves_of, reached_by
from grebe.core.songs.hands import Schedule, schedule
from grebe.core.songs.model import Scene, Song

KEPT_PAIRS = 4096


class SceneTransition(NamedTuple):
    """From one scene into another."""

    changes: tuple[SceneChange, ...]
    hands: Schedule

    def of(self, device: str) -> tuple[SceneChange, ...]:
        """What changes on one device."""
        return tuple(c for c in self.changes if c.device == device)


class SceneModel:
    """Keeps what was worked out for as long as what it rests on is the same.

    Trees share what an edit left alone, so scenes are told apart by identity.
    """

    def __init__(self) -> None:
        self._basis: tuple[object, ...] = ()
        self._reached: frozenset[str] = frozenset()
        self._pairs: dict[
            tuple[int, int, float, float], tuple[Scene | None, Scene, SceneTransition]
        ] = {}

    def passage(
        self, project: Project, before: Scene | None, after: Scene, bpm: float, song: Song | None,
        bpm_after: float | None = None,
    ) -> SceneTransition:  # fmt: skip
        """What changes when `after` comes in after `before` at a tempo, going to `bpm_after`."""
        box_songs = () if song is None else song.box_songs
        basis = (project.rig, project.patterns, project.performer, box_songs)
        if len(basis) != len(self._basis) or any(
            a is not b for a, b in zip(basis, self._basis, strict=True)
        ):
            self._basis = basis
            self._pairs.clear()
            self._reached = reached_by(project)
        if len(self._pairs) > KEPT_PAIRS:
            self._pairs.clear()
        key = (id(before), id(after), bpm, bpm_after or bpm)
        kept = self._pairs.get(key)
        if kept is None or kept[0] is not before or kept[1] is not after:
            found = changes(
                project, before, after, bpm, bpm_after=bpm_after, reached=self._reached, song=song
            )
            passage = SceneTransition(found, schedule(moves_of(found), project.performer))
            kept = self._pairs[key] = (before, after, passage)
        return kept[2]


_PLAYING = ("drums", "bass", "synth", "sampler", "modular", "looper", "echo")


def chart_devices(project: Project) -> tuple[Device, ...]:
    """Boxes and tracks with a row in the chart: those that play, and those whose time or loop
    tracks are set. A box with tracks has one where its own patterns play."""
    busy = {d.id for d in project.players}
    taking = {line.id for box in project.rig.devices for line in box.pattern_lines}
    return tuple(
        d
        for d in project.rig.lines
        if d.id in busy
        or d.spec.echo_ms
        or d.spec.loop_tracks
        or (d.id in taking and d.kind in _PLAYING)
    )
