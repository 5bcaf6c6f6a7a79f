"""What a song brings to a set: length, tempi, key and energy, each from the song itself."""

from __future__ import annotations

from functools import lru_cache
from typing import NamedTuple

from grebe.core.document import Project
from grebe.core.patterns.keys import rank_keys
from grebe.core.patterns.model import Content
from grebe.core.patterns.passes import passes_of
from grebe.core.player.plan import sounding
from grebe.core.rig.model import Device
from grebe.core.rig.spec import Kind
from grebe.core.songs.energy import Bar, PatternBars, song_bars
from grebe.core.songs.layout import Layout, SectionSpan
from grebe.core.songs.model import Scene, Song
from grebe.core.songs.unroll import unrolled
from grebe.core.units import DRUM_CHANNEL

PITCHED: tuple[Kind, ...] = ("bass", "synth", "modular", "computer", "sampler", "other")
"""What plays notes that make a key; of these only what is not on a drum channel."""
FEWEST_CLASSES = 3
"""Fewer pitch classes than this say nothing about the key."""


class SongFacts(NamedTuple):
    """One song as a set sees it."""

    song: Song
    layout: Layout
    """Jumps played out."""
    seconds: float
    bars: int
    bpm: float
    """At its beginning."""
    end_bpm: float
    low_bpm: float
    high_bpm: float
    key: str
    """As the performer says, else as its notes say; "" where they say nothing."""
    key_said: bool
    energy: tuple[float, ...]
    """Of each section, in the units of `songs.energy`."""
    weight: tuple[float, ...]
    """Seconds of each of those sections."""

    @property
    def first(self) -> SectionSpan:
        """Its first section."""
        return self.layout.spans[0]

    @property
    def last(self) -> SectionSpan:
        """Its last section."""
        return self.layout.spans[-1]

    @property
    def mean_energy(self) -> float:
        """Energy over all of it."""
        return sum(e * w for e, w in zip(self.energy, self.weight, strict=True)) / sum(self.weight)


def song_facts(project: Project, song: Song, book: PatternBars | None = None) -> SongFacts | None:
    """Facts of a song; None for one without anything to play.

    EditError when it names a scene that is not there.
    """
    layout = project.layout(unrolled(song))
    if not layout.spans:
        return None
    bars = song_bars(project, layout, book)
    tempo = layout.tempo
    tempi = [tempo.bpm_at(s.tick) for s in layout.spans] + [tempo.bpm_at(layout.ticks)]
    tempi += [tempo.bpm_at(point.tick + point.ramp_ticks) for point in tempo.points]
    return SongFacts(
        song=song,
        layout=layout,
        seconds=layout.seconds(),
        bars=layout.bars,
        bpm=tempo.bpm_at(1),
        end_bpm=tempo.bpm_at(layout.ticks),
        low_bpm=min(tempi),
        high_bpm=max(tempi),
        key=song.key or song_key(project, layout),
        key_said=bool(song.key),
        energy=tuple(_section_energy(bars, n) for n in range(len(layout.spans))),
        weight=tuple(tempo.seconds_at(s.end) - tempo.seconds_at(s.tick) for s in layout.spans),
    )


def _section_energy(bars: tuple[Bar, ...], span: int) -> float:
    mine = [b.energy for b in bars if b.span == span]
    return sum(mine) / len(mine) if mine else 0.0


def song_key(project: Project, layout: Layout) -> str:
    """The key that best fits the notes of a song, by how long each sounds; "" where none does.

    Krumhansl's profiles, as `patterns.keys` has them.
    """
    weights: dict[int, float] = {}
    devices = [d for d in project.rig.lines if d.kind in PITCHED and d.channel != DRUM_CHANNEL]
    times: dict[str, tuple[Scene, int]] = {}
    for span in layout.spans:
        scene, often = times.get(span.scene.id, (span.scene, 0))
        times[span.scene.id] = (scene, often + span.ticks)
    for scene, ticks in times.values():
        for device in devices:
            _weigh(project, device, scene, ticks, weights)
    if len({note % 12 for note in weights}) < FEWEST_CLASSES:
        return ""
    return rank_keys(weights)[0].key


def _weigh(
    project: Project, device: Device, scene: Scene, ticks: int, weights: dict[int, float]
) -> None:
    """Add how long each note of a device sounds in a scene that lasts so many ticks in all."""
    part = scene.part(device.id)
    if part.muted:
        return
    patterns = project.patterns_within(device.id)
    contents = [sounding(patterns[c], device) for c in part.chain if c in patterns]
    whole = sum(c.ticks for c in contents)
    for content in contents:
        for note, held in _held(content, part.silent_voices):
            weights[note] = weights.get(note, 0.0) + held * ticks / whole


@lru_cache(maxsize=2048)
def _held(content: Content, silent: tuple[str, ...]) -> tuple[tuple[int, int], ...]:
    """For how many ticks each note of a pattern is held in one pass, without its silent voices."""
    held: dict[int, int] = {}
    for voice in content.voices:
        if voice.id not in silent:
            for sound in passes_of(content, voice).between(0, content.ticks):
                long = min(sound.gate_ticks, content.ticks)
                held[sound.note] = held.get(sound.note, 0) + long
    return tuple(held.items())
