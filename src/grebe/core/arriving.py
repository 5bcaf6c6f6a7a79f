"""Notes out of MIDI files: for which box, how long, in what key; and a song of several tracks."""

from __future__ import annotations

from collections.abc import Sequence
from typing import NamedTuple

import msgspec

from grebe.core.beginning import cabled
from grebe.core.document import Project, add_pattern
from grebe.core.naming import free_name
from grebe.core.patterns.capture import Played, Taken, content_from, played_grid, repeats
from grebe.core.patterns.keys import rank_keys
from grebe.core.patterns.model import Content
from grebe.core.rig.blank import profile_of
from grebe.core.rig.edits import add_device
from grebe.core.rig.model import Device
from grebe.core.rig.spec import PITCHED_KINDS, Kind
from grebe.core.songs.forms import add_song, free_song_id
from grebe.core.songs.model import Part, Section, Song
from grebe.core.songs.scenes import add_scene
from grebe.core.time.meter import Meter
from grebe.core.time.ticks import TICKS_PER_QUARTER, note_value_ticks
from grebe.core.units import DRUM_CHANNEL, MAX_BPM, MAX_STEPS, MAX_TIMES, MIN_BPM
from grebe.errors import EditError
from grebe.words import tr

LOW = 52
"""A line whose middle note lies below E3 is a bass's (common practice, no source)."""
MOST_BARS = 64
"""Of a file that is taken as patterns: longer ones are songs."""
BLOCKS = (4, 2, 1)
"""Bars that a song's scenes are cut into: the longest that a pattern can hold."""
MOST_SECTIONS = 256
FOR_KIND: dict[Kind, tuple[Kind, ...]] = {
    "drums": ("drums", "sampler"), "bass": ("bass", "synth"), "synth": ("synth", "bass", "sampler"),
}  # fmt: skip
"""Kinds of box that could play a track, the likeliest first."""


class FileTrack(NamedTuple):
    """One track of a file, or all of a file with one."""

    name: str
    notes: tuple[Played, ...]
    """In order, in quarter notes from the file's beginning."""


class MidiFileTracks(NamedTuple):
    """A file as it came."""

    name: str
    tracks: tuple[FileTrack, ...]
    meter: Meter = Meter()
    bpm: float | None = None
    lost: tuple[str, ...] = ()
    """What of it patterns and songs do not take over, and what was put in order, in words."""


class Place(NamedTuple):
    """Where a track goes, unless the performer says otherwise."""

    kind: Kind
    box: str
    """Id of a box, "" for a new one."""
    bars: int
    key: str
    """"" for drums."""


def kind_of(track: FileTrack) -> Kind:
    """What kind of box a track was for: by channel, name and how low it lies."""
    words = track.name.lower()
    named: tuple[tuple[Kind, tuple[str, ...]], ...] = (
        ("drums", ("drum", "kit", "beat", "perc")), ("bass", ("bass", "sub")),
        ("synth", ("key", "lead", "pad", "chord", "arp", "synth", "string")),
    )  # fmt: skip
    if track.notes and all(n.channel == DRUM_CHANNEL for n in track.notes):
        return "drums"
    for kind, names in named:
        if any(name in words for name in names):
            return kind
    middle = sorted(n.note for n in track.notes)[len(track.notes) // 2] if track.notes else 60
    return "bass" if middle < LOW else "synth"


def place_of(project: Project, track: FileTrack, meter: Meter, taken: Sequence[str] = ()) -> Place:
    """A proposal for a track; `taken` are boxes that other tracks of it have already."""
    kind = kind_of(track)
    free = [d for d in project.rig.lines if d.id not in taken and not d.tracks]
    words = track.name.lower()
    box = next((d for d in free if d.name.lower() in words), None)
    for wanted in FOR_KIND[kind]:
        box = box or next((d for d in free if d.kind == wanted), None)
    beats = meter.bar_ticks / TICKS_PER_QUARTER
    end = end_of(track.notes, beats)
    bars = min(MOST_BARS, round(end / beats))
    if bars > 1:
        bars = min(bars, max(1, repeats(track.notes, beats, end).bars))
    key = "" if kind == "drums" or not track.notes else rank_keys(_weights(track))[0].key
    return Place(kind, box.id if box is not None else "", bars, key)


def end_of(notes: Sequence[Played], bar_beats: float) -> float:
    """Where the last bar that something begins in is over, in quarter notes."""
    last = max((n.start for n in notes), default=0.0)
    return (int((last + 0.125) // bar_beats) + 1) * bar_beats


def _weights(track: FileTrack) -> dict[int, float]:
    weights: dict[int, float] = {}
    for note in track.notes:
        weights[note.note] = weights.get(note.note, 0.0) + max(0.01, note.length)
    return weights


def content_of(
    notes: Sequence[Played], device: Device, beats: float, *, key: str = "", rate: str = "",
    swing: float = 0.0,
) -> Content:  # fmt: skip
    """A pattern of a box from notes of its first `beats` quarter notes; on the grid they were
    played on, unless it is given."""
    played = [n for n in notes if n.start < beats - 1e-6]
    found = played_grid([n.start for n in played]) if played else ("1/16", 50.0)
    rate, swing = (rate, swing) if rate else found
    names = {v.note: v.name for v in device.spec.voices}
    how = Taken(rate=rate, strength=0.0, swing=swing, melodic=device.kind in PITCHED_KINDS)
    made = content_from(played, beats, how, lambda n: names.get(n) or tr("Note {n}", n=n))
    return msgspec.structs.replace(made, key=key if device.kind in PITCHED_KINDS else "")


def with_box(project: Project, track: FileTrack, kind: Kind) -> tuple[Project, str]:
    """The project with a new box for a track: what is not known of it is guessed, and marked."""
    names = {d.name for d in project.rig.devices}
    name = free_name(track.name.strip()[:70] or kind.capitalize(), names)
    profile = profile_of({"name": name, "kind": kind}).profile
    project, new = add_device(project, profile, name)
    return cabled(project, new), new


def as_pattern(
    project: Project, track: FileTrack, box: str, bars: int, meter: Meter, key: str = ""
) -> tuple[Project, str]:
    """The project with a pattern more, of a track's first bars. EditError for an empty one."""
    device = _box(project, box)
    if not track.notes:
        raise EditError(tr("{track} holds no notes", track=track.name))
    beats = bars * meter.bar_ticks / TICKS_PER_QUARTER
    rate, _ = played_grid([n.start for n in track.notes])
    longest = MAX_STEPS * note_value_ticks(rate) / TICKS_PER_QUARTER
    content = content_of(track.notes, device, min(beats, longest), key=key)
    names = {p.name for p in project.patterns if p.device == box}
    return add_pattern(
        project, name=free_name(track.name[:76] or "Loop", names), device=box, content=content
    )


def as_song(
    project: Project, arrival: MidiFileTracks, boxes: Sequence[str], keys: Sequence[str] = ()
) -> tuple[Project, str]:
    """The project with a song of a file, a box a track, and the song's id.

    It is cut into stretches of bars; what comes again is the same scene and the same patterns.
    `boxes` by track, "" leaves a track out. EditError where nothing is left, or it is too long.
    """
    rows = _by_box(arrival, boxes)
    if not rows:
        raise EditError(tr("{arrival}: no track with notes has a box", arrival=arrival.name))
    beats = arrival.meter.bar_ticks / TICKS_PER_QUARTER
    bars = round(max(end_of(t.notes, beats) for t, _ in rows) / beats)
    block = _block(rows, bars, beats)
    count = -(-bars // block)
    if count > MOST_SECTIONS * MAX_TIMES:
        raise EditError(
            tr("{arrival} has {bars} bars, too many for a song", arrival=arrival.name, bars=bars)
        )
    key = next((k for k in keys if k), "")
    project, order = _scenes(project, rows, arrival, block, count)
    sections: list[Section] = []
    for scene in order:
        if sections and sections[-1].scene == scene and sections[-1].times < MAX_TIMES:
            last = sections[-1]
            sections[-1] = msgspec.structs.replace(last, times=last.times + 1)
        else:
            sections.append(Section(id=f"s{len(sections) + 1}", scene=scene))
    if len(sections) > MOST_SECTIONS:
        raise EditError(
            tr(
                "{arrival} would be {count} sections; {most_sections} are the most",
                arrival=arrival.name,
                count=len(sections),
                most_sections=MOST_SECTIONS,
            )
        )
    bpm = min(MAX_BPM, max(MIN_BPM, arrival.bpm or 120.0))
    song = Song(
        id=free_song_id(project), bpm=round(bpm, 3), key=key, sections=tuple(sections),
        name=free_name(arrival.name[:76] or "Song", {s.name for s in project.songs}),
    )  # fmt: skip
    return add_song(project, song), song.id


def _by_box(arrival: MidiFileTracks, boxes: Sequence[str]) -> list[tuple[FileTrack, str]]:
    """What each box plays: tracks that share one are laid over each other."""
    found: dict[str, FileTrack] = {}
    for track, box in zip(arrival.tracks, boxes, strict=True):
        if box and track.notes:
            there = found.get(box)
            notes = track.notes if there is None else tuple(sorted((*there.notes, *track.notes)))
            found[box] = FileTrack(track.name if there is None else there.name, notes)
    return [(track, box) for box, track in found.items()]


def _block(rows: Sequence[tuple[FileTrack, str]], bars: int, beats: float) -> int:
    """Bars of a stretch: as long as every track's pattern can hold it, on the grid it is on."""
    step = min(
        note_value_ticks(played_grid([n.start for n in track.notes])[0]) for track, _ in rows
    )
    fits = [b for b in BLOCKS if b * beats * TICKS_PER_QUARTER / step <= MAX_STEPS]
    return min(fits[0] if fits else 1, bars)


def _scenes(
    project: Project,
    rows: Sequence[tuple[FileTrack, str]],
    arrival: MidiFileTracks,
    block: int,
    count: int,
) -> tuple[Project, list[str]]:
    """Scenes for every stretch, and their ids in order; alike stretches share them."""
    beats = block * arrival.meter.bar_ticks / TICKS_PER_QUARTER
    grids = {t.name: played_grid([n.start for n in t.notes]) for t, _ in rows}
    made: dict[tuple[str, Content], str] = {}
    scenes: dict[tuple[tuple[str, str], ...], str] = {}
    order: list[str] = []
    for number in range(count):
        chains: list[tuple[str, str]] = []
        for track, box in rows:
            begin = number * beats
            notes = [
                n._replace(start=max(0.0, n.start - begin)) for n in track.notes
                if begin - 0.125 <= n.start < begin + beats - 0.125
            ]  # fmt: skip
            if not notes:
                continue
            rate, swing = grids[track.name]
            content = content_of(notes, _box(project, box), beats, rate=rate, swing=swing)
            if (box, content) not in made:
                used = sum(b == box for b, _ in made)
                name = f"{track.name} {used + 1}"
                project, made[box, content] = add_pattern(
                    project, name=name, device=box, content=content
                )
            chains.append((box, made[box, content]))
        scene = scenes.get(tuple(chains))
        if scene is None:
            title = f"{arrival.name} {len(scenes) + 1}"[:80]
            project, scene = add_scene(project, name=title)
            scenes[tuple(chains)] = scene
            parts = tuple(Part(device=box, chain=(pattern,)) for box, pattern in chains)
            project = msgspec.structs.replace(project, scenes=tuple(
                msgspec.structs.replace(s, bars=block, meter=arrival.meter, parts=parts)
                if s.id == scene else s for s in project.scenes
            ))  # fmt: skip
        order.append(scene)
    return project, order


def _box(project: Project, box: str) -> Device:
    found = project.rig.find(box)
    if found is None:
        raise EditError(tr("there is no box {box!r}", box=box))
    return found
