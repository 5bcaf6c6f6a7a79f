"""The document: one immutable tree of rig, patterns, scenes and songs.

An edit is a function from one tree to the next; this module holds those that
reach from the root to the thing edited.
"""

from __future__ import annotations

from collections.abc import Callable
from functools import cached_property
from typing import Annotated, TypeVar

import msgspec
from msgspec import Meta

from grebe.core.patterns.index import index_of
from grebe.core.patterns.loops import Loop
from grebe.core.patterns.model import Content, Pattern
from grebe.core.rig.model import GREBE_ID, Device, Rig
from grebe.core.sets.model import Set
from grebe.core.songs.layout import Layout, lay_out
from grebe.core.songs.model import Performer, Printed, Scene, Song
from grebe.core.units import Name, Value
from grebe.errors import EditError, UsageError
from grebe.words import tr

SCHEMA_VERSION = 4


class Accepted(Value, frozen=True, kw_only=True):
    """A finding the performer said is intended."""

    code: Annotated[str, Meta(max_length=64)]
    subject: Annotated[str, Meta(max_length=64)]
    basis: Annotated[str, Meta(max_length=64)]
    """Digest of what it rested on: when that changes, the finding is heard again."""


class PrintedSheet(Value, frozen=True, kw_only=True):
    """A sheet as it was printed last, to mark what is otherwise when it is printed again."""

    key: Annotated[str, Meta(max_length=200)]
    """Which sheet of what."""
    on: Annotated[str, Meta(max_length=10)]
    """The day, YYYY-MM-DD."""
    rows: Annotated[tuple[Annotated[str, Meta(max_length=16)], ...], Meta(max_length=5000)] = ()
    """A digest of what each row said."""


class Project(Value, frozen=True, kw_only=True, dict=True):
    """Everything a performer keeps in one file."""

    name: Name = "Untitled"
    rig: Rig = Rig()
    patterns: tuple[Pattern, ...] = ()
    loops: tuple[Loop, ...] = ()
    scenes: tuple[Scene, ...] = ()
    songs: tuple[Song, ...] = ()
    sets: tuple[Set, ...] = ()
    performer: Performer = Performer()
    printed: tuple[Printed, ...] = ()
    """Programming sheets as they were last written out."""
    printed_sheets: Annotated[tuple[PrintedSheet, ...], Meta(max_length=500)] = ()
    """The other sheets as they were printed last."""
    accepted: tuple[Accepted, ...] = ()
    ticked: tuple[Annotated[str, Meta(max_length=64)], ...] = ()
    """Steps of the set-up sheet that are done, by key."""

    def pattern(self, pattern_id: str) -> Pattern:
        """The pattern with this id; KeyError when there is none."""
        return self.patterns_by_id[pattern_id]

    @cached_property
    def patterns_by_id(self) -> dict[str, Pattern]:
        """The patterns; of two with one id the last."""
        return index_of(self.patterns).by_id

    @cached_property
    def patterns_of(self) -> dict[str, list[Pattern]]:
        """The patterns of each box or track that has some, in their order."""
        return index_of(self.patterns).of

    def patterns_within(self, line: str) -> dict[str, Pattern]:
        """The patterns of a box or track by id."""
        return index_of(self.patterns).within.get(line, {})

    def pattern_name(self, pattern_id: str) -> str:
        """What a pattern is called; its id where it is not there."""
        pattern = self.patterns_by_id.get(pattern_id)
        return pattern_id if pattern is None else pattern.name

    @cached_property
    def players(self) -> tuple[Device, ...]:
        """Boxes, and after them tracks, that have something to play: a pattern, a part in a scene,
        or rows of a pattern of their box. Their order is that of numbers on pedals and Stage."""
        busy = set(self.patterns_of)
        busy |= {part.device for scene in self.scenes for part in scene.parts}
        busy = self.rig.with_rows(busy)
        tracks = (line for device in self.rig.devices for line in device.lines[1:])
        return tuple(line for line in (*self.rig.devices, *tracks) if line.id in busy)

    def scene(self, scene_id: str) -> Scene:
        """The scene with this id; KeyError when there is none."""
        return _find(self.scenes, scene_id)

    def song(self, song_id: str) -> Song:
        """The song with this id; KeyError when there is none."""
        return _find(self.songs, song_id)

    def song_named(self, name: str) -> Song:
        """The song a command names by name or id; UsageError lists what there is."""
        for song in self.songs:
            if name in (song.name, song.id):
                return song
        there = ", ".join(s.name for s in self.songs) or tr("none")
        raise UsageError(
            tr(
                "there is no song {name!r} in {name2}; songs: {there}",
                name=name,
                name2=self.name,
                there=there,
            )
        )

    def set_named(self, name: str) -> Set:
        """The set a command names by name or id; UsageError lists what there is."""
        for running in self.sets:
            if name in (running.name, running.id):
                return running
        there = ", ".join(s.name for s in self.sets) or tr("none")
        raise UsageError(
            tr(
                "there is no set {name!r} in {name2}; sets: {there}",
                name=name,
                name2=self.name,
                there=there,
            )
        )

    def pattern_named(self, name: str) -> Pattern:
        """The pattern a command names by name or id; UsageError lists what there is."""
        for pattern in self.patterns:
            if name in (pattern.name, pattern.id):
                return pattern
        there = ", ".join(p.name for p in self.patterns) or tr("none")
        raise UsageError(
            tr(
                "there is no pattern {name!r} in {name2}; patterns: {there}",
                name=name,
                name2=self.name,
                there=there,
            )
        )

    def device_named(self, name: str) -> Device:
        """The box or track a command names by name or id; UsageError lists what there is."""
        for device in self.rig.lines:
            if name in (device.name, device.id):
                return device
        there = ", ".join(d.name for d in self.rig.lines) or tr("none")
        raise UsageError(
            tr("there is no device {name!r}; devices: {there}", name=name, there=there)
        )

    def layout(self, song: Song) -> Layout:
        """A song laid out with this project's scenes."""
        return lay_out(song, {scene.id: scene for scene in self.scenes})


_T = TypeVar("_T", Pattern, Loop, Scene, Song, Set, Device)


def _find(items: tuple[_T, ...], item_id: str) -> _T:
    for item in items:
        if item.id == item_id:
            return item
    raise KeyError(item_id)


def _swap(
    items: tuple[_T, ...], item_id: str, edit: Callable[[_T], _T], what: str
) -> tuple[_T, ...]:
    there = [at for at, item in enumerate(items) if item.id == item_id]
    if not there:
        raise EditError(tr("there is no {what} {item_id!r}", what=what, item_id=item_id))
    made = list(items)
    for at in there:
        made[at] = edit(made[at])
    return tuple(made)


def with_pattern(project: Project, pattern_id: str, edit: Callable[[Pattern], Pattern]) -> Project:
    """The project with one pattern edited; EditError when it is not there."""
    patterns = _swap(project.patterns, pattern_id, edit, "pattern")
    return msgspec.structs.replace(project, patterns=patterns)


def with_content(project: Project, pattern_id: str, edit: Callable[[Content], Content]) -> Project:
    """The project with one pattern's content edited; EditError when it is not there."""

    def change(pattern: Pattern) -> Pattern:
        return msgspec.structs.replace(pattern, content=edit(pattern.content))

    return with_pattern(project, pattern_id, change)


def with_loop(project: Project, loop_id: str, edit: Callable[[Loop], Loop]) -> Project:
    """The project with one loop edited; EditError when it is not there."""
    return msgspec.structs.replace(project, loops=_swap(project.loops, loop_id, edit, "loop"))


def with_scene(project: Project, scene_id: str, edit: Callable[[Scene], Scene]) -> Project:
    """The project with one scene edited; EditError when it is not there."""
    return msgspec.structs.replace(project, scenes=_swap(project.scenes, scene_id, edit, "scene"))


def with_song(project: Project, song_id: str, edit: Callable[[Song], Song]) -> Project:
    """The project with one song edited; EditError when it is not there."""
    return msgspec.structs.replace(project, songs=_swap(project.songs, song_id, edit, "song"))


def with_set(project: Project, set_id: str, edit: Callable[[Set], Set]) -> Project:
    """The project with one set edited; EditError when it is not there."""
    return msgspec.structs.replace(project, sets=_swap(project.sets, set_id, edit, "set"))


def with_device(project: Project, device_id: str, edit: Callable[[Device], Device]) -> Project:
    """The project with one device edited; EditError when it is not there."""
    devices = _swap(project.rig.devices, device_id, edit, "device")
    return with_rig(project, msgspec.structs.replace(project.rig, devices=devices))


def with_rig(project: Project, rig: Rig) -> Project:
    """The project with another rig."""
    return msgspec.structs.replace(project, rig=rig)


def let_lead(project: Project, leader: str) -> Project:
    """The project led by Grebe or a device, whose clock output is then switched on."""
    led = with_leader(project, leader)
    if leader == GREBE_ID:
        return led
    return with_device(led, leader, lambda d: msgspec.structs.replace(d, sends_clock=True))


def with_leader(project: Project, leader: str | None) -> Project:
    """The project with another leader."""
    return with_rig(project, msgspec.structs.replace(project.rig, leader=leader))


def tick(project: Project, key: str, *, done: bool) -> Project:
    """The project with a step of the set-up sheet ticked off, or open again."""
    rest = tuple(k for k in project.ticked if k != key)
    return msgspec.structs.replace(project, ticked=(*rest, key) if done else rest)


def mark_in_box(project: Project, pattern_id: str) -> Project:
    """The project with a pattern noted as standing in its box as it is here."""
    return with_pattern(project, pattern_id, lambda p: msgspec.structs.replace(p, in_box=p.content))


def add_pattern(
    project: Project, *, name: str, device: str, content: Content, variation_of: str | None = None
) -> tuple[Project, str]:
    """The project with a pattern more at its end, and the id it was given."""
    taken = {p.id for p in project.patterns}
    new_id = next(f"n{n}" for n in range(1, len(taken) + 2) if f"n{n}" not in taken)
    pattern = Pattern(
        id=new_id, name=name[:80], device=device, content=content, variation_of=variation_of
    )
    return msgspec.structs.replace(project, patterns=(*project.patterns, pattern)), new_id


def remove_pattern(project: Project, pattern_id: str) -> Project:
    """The project without a pattern. EditError names the scenes that still play it."""
    scenes = [
        s.name
        for s in project.scenes
        if any(pattern_id in (*part.chain, part.fill) for part in s.parts)
    ]
    scenes += [
        s.name
        for s in project.songs
        if any(swap.pattern == pattern_id for section in s.sections for swap in section.swaps)
    ]
    name = project.pattern(pattern_id).name
    if scenes:
        raise EditError(
            tr(
                "{name} is played in {names}: take it out there first",
                name=name,
                names=", ".join(scenes),
            )
        )
    patterns = tuple(
        msgspec.structs.replace(p, variation_of=None) if p.variation_of == pattern_id else p
        for p in project.patterns
        if p.id != pattern_id
    )
    return msgspec.structs.replace(project, patterns=patterns)
