"""Notes and controllers out of MIDI files: for which box, how long, in what key; as patterns. Songs
of them are in `arriving_songs`."""

from __future__ import annotations

from collections.abc import Sequence
from typing import NamedTuple

import msgspec

from grebe.core.beginning import cabled
from grebe.core.document import Project, add_pattern
from grebe.core.naming import free_name
from grebe.core.patterns.capture import (
    Played,
    Taken,
    Turned,
    content_from,
    lanes_from,
    played_grid,
    repeats,
)
from grebe.core.patterns.keys import rank_keys
from grebe.core.patterns.model import Content
from grebe.core.rig.blank import profile_of
from grebe.core.rig.edits import add_device
from grebe.core.rig.model import Device
from grebe.core.rig.spec import PITCHED_KINDS, Kind
from grebe.core.time.meter import Meter
from grebe.core.time.ticks import TICKS_PER_QUARTER, NoteValue, note_value_ticks
from grebe.core.units import DRUM_CHANNEL, MAX_STEPS
from grebe.errors import EditError
from grebe.words import counted, tr

NO_BPM = 120.0
"""Of a file that says none: the format's own (Standard MIDI Files 1.0, tempo)."""
LOW = 52
"""A line whose middle note lies below E3 is a bass's (common practice, no source)."""
EARLY_BEATS = 0.125
"""A note so little before a bar was meant for its one."""
MOST_BARS = 64
"""Of a file that is taken as patterns: longer ones are songs."""
FOR_KIND: dict[Kind, tuple[Kind, ...]] = {
    "drums": ("drums", "sampler"), "bass": ("bass", "synth"), "synth": ("synth", "bass", "sampler"),
}  # fmt: skip
"""Kinds of box that could play a track, the likeliest first."""


class FileTrack(NamedTuple):
    """One track of a file, or all of a file with one."""

    name: str
    notes: tuple[Played, ...]
    """In order, in quarter notes from the file's beginning."""
    turns: tuple[Turned, ...] = ()
    """What controllers did, likewise; on the box's own channel."""
    channel: int = 0
    """All its notes are on it; 0: they are on several."""

    def within(self, first: float, last: float) -> FileTrack:
        """What begins in a stretch, from its beginning; a note a little early belongs to it."""
        return self._replace(
            notes=tuple(
                n._replace(start=max(0.0, n.start - first)) for n in self.notes
                if first - EARLY_BEATS <= n.start < last - EARLY_BEATS
            ),
            turns=tuple(t._replace(at=t.at - first) for t in self.turns if first <= t.at < last),
        )  # fmt: skip


class TakenHow(NamedTuple):
    """On what grid a track is put, and how strictly."""

    grid: str = ""
    """One of GRIDS; "": the one it was played on."""
    strictly: float = 0.0
    """0: every note stays where it was; 1: on its line."""


class MidiFileTracks(NamedTuple):
    """A file as it came."""

    name: str
    tracks: tuple[FileTrack, ...]
    meter: Meter = Meter()
    """Of its first bar."""
    bpm: float | None = None
    """At its beginning; None where it says none."""
    meters: tuple[tuple[float, Meter], ...] = ()
    """Other metres, and where each begins, in quarter notes."""
    tempi: tuple[tuple[float, float], ...] = ()
    """Other tempi, and where it goes there."""
    markers: tuple[tuple[float, str], ...] = ()
    lost: tuple[str, ...] = ()
    """What of it patterns and songs do not take over, and what was put in order, in words."""

    @property
    def about(self) -> str:
        """What is in it over all its tracks, in words."""
        words = [f"{self.name}: {self.meter}"]
        if self.bpm is not None:
            words.append(tr("{bpm:g} BPM", bpm=round(self.bpm, 2)))
        for count, word in (
            (len(self.meters), "metre change"), (len(self.tempi), "tempo change"),
            (len(self.markers), "marker"),
        ):  # fmt: skip
            if count:
                words.append(counted(count, word))
        return ", ".join(words)


AS_PLAYED = TakenHow()


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
    return (int((last + EARLY_BEATS) // bar_beats) + 1) * bar_beats


def _weights(track: FileTrack) -> dict[int, float]:
    weights: dict[int, float] = {}
    for note in track.notes:
        weights[note.note] = weights.get(note.note, 0.0) + max(0.01, note.length)
    return weights


def content_of(
    track: FileTrack, device: Device, beats: float, *, key: str = "", how: TakenHow = AS_PLAYED,
    swing: float = 0.0,
) -> Content:  # fmt: skip
    """A pattern of a box from what happens in a track's first `beats` quarter notes, controllers
    too; on the grid it was played on, unless one is given (with the `swing` it has)."""
    played = [n for n in track.notes if n.start < beats - 1e-6]
    rate, swing = grid_of(played, how) if not swing else (how.grid, swing)
    names = {v.note: v.name for v in device.spec.voices}
    melodic = device.kind in PITCHED_KINDS
    taken = Taken(rate=rate, strength=how.strictly, swing=swing, melodic=melodic)
    made = content_from(played, beats, taken, lambda n: names.get(n) or tr("Note {n}", n=n))
    lanes = lanes_from(track.turns, beats, msgspec.convert(rate, NoteValue))
    return msgspec.structs.replace(made, key=key if melodic else "", lanes=lanes)


def grid_of(notes: Sequence[Played], how: TakenHow) -> tuple[str, float]:
    """The grid notes are put on and the swing of its lines: the one they were played on, or the one
    that is wanted, straight."""
    if how.grid:
        return how.grid, 50.0
    return played_grid([n.start for n in notes]) if notes else ("1/16", 50.0)


def with_box(project: Project, track: FileTrack, kind: Kind) -> tuple[Project, str]:
    """The project with a new box for a track: what is not known of it is guessed, and marked."""
    names = {d.name for d in project.rig.devices}
    name = free_name(track.name.strip()[:70] or kind.capitalize(), names)
    profile = profile_of({"name": name, "kind": kind}).profile
    project, new = add_device(project, profile, name)
    return cabled(project, new), new


def as_pattern(
    project: Project, track: FileTrack, box: str, bars: int, meter: Meter, key: str = "", *,
    first: int = 1, how: TakenHow = AS_PLAYED,
) -> tuple[Project, str]:  # fmt: skip
    """The project with a pattern more, of so many bars of a track from bar `first` on. EditError
    for an empty one."""
    content = bars_of(track, box_of_id(project, box), bars, meter, key, first=first, how=how)
    names = {p.name for p in project.patterns if p.device == box}
    return add_pattern(
        project, name=free_name(track.name[:76] or "Loop", names), device=box, content=content
    )


def bars_of(
    track: FileTrack, device: Device, bars: int, meter: Meter, key: str = "", *, first: int = 1,
    how: TakenHow = AS_PLAYED,
) -> Content:  # fmt: skip
    """So many bars of a track, from bar `first` on, as a box's pattern has them. EditError where
    nothing is in them."""
    bar = meter.bar_ticks / TICKS_PER_QUARTER
    begin = (first - 1) * bar
    taken = track.within(begin, begin + bars * bar)
    if not taken.notes:
        raise EditError(tr("{track} holds no notes there", track=track.name))
    rate, _ = grid_of(taken.notes, how)
    longest = MAX_STEPS * note_value_ticks(rate) / TICKS_PER_QUARTER
    return content_of(taken, device, min(bars * bar, longest), key=key, how=how)


def box_of_id(project: Project, box: str) -> Device:
    """The box or track of an id. EditError where there is none."""
    found = project.rig.find(box)
    if found is None:
        raise EditError(tr("there is no box {box!r}", box=box))
    return found
