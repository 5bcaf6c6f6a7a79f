"""Two boxes of a rig that are one: the second becomes a track of the first."""

from __future__ import annotations

from typing import TypeVar

import msgspec

from grebe.core.document import Project
from grebe.core.rig.lines import box_of, line_id
from grebe.core.rig.model import Device, Rig
from grebe.core.rig.spec import MOST_TRACKS, Track
from grebe.core.songs.model import Scene, Section, Song
from grebe.core.units import Value
from grebe.errors import EditError
from grebe.words import tr


def as_track(device: Device) -> Track:
    """The track that a simple box would be."""
    spec = device.spec
    return Track(
        id=device.id,
        name=device.name,
        kind=device.kind,
        channel=device.channel,
        voices=spec.voices,
        polyphony=spec.polyphony,
        memory=spec.memory,
        steps=spec.steps,
        chains=spec.chains,
        program="track" if device.obeys_program else "none",
        mute_controller=device.mute_controller,
        mute_by=next((m for m in spec.by_hand if "mute" in m.serves), None),
    )


def join_as_track(project: Project, box: str, other: str) -> Project:
    """The project with `other` a track of `box`: what it plays goes with it, its cables go.

    EditError where one of them is not there, is the other, has tracks itself, or there is no room.
    """
    first, second = project.rig.find(box), project.rig.find(other)
    if first is None or second is None or box == other or box_of(other) == box:
        raise EditError(tr("there are no two boxes to make one of"))
    if second.tracks:
        raise EditError(tr("{name} has tracks of its own", name=second.name))
    if len(first.tracks) >= MOST_TRACKS:
        raise EditError(tr("{name} has {count} tracks already", name=first.name, count=MOST_TRACKS))
    track, taken = as_track(second), {t.id for t in first.tracks}
    free = next(i for i in (other, *(f"{other[:60]}-{n}" for n in range(2, 99))) if i not in taken)
    track = msgspec.structs.replace(track, id=free)
    address = line_id(box, free)
    spec = msgspec.structs.replace(first.spec, tracks=(*first.tracks, track))
    whole = msgspec.structs.replace(first, spec=spec)
    return msgspec.structs.replace(
        project,
        rig=_rewired(project.rig, whole, second),
        patterns=_moved(project.patterns, other, address),
        loops=_moved(project.loops, other, address),
        scenes=tuple(_in_scene(s, other, address) for s in project.scenes),
        songs=tuple(_in_song(s, other, address) for s in project.songs),
        printed=tuple(p for p in project.printed if p.device != other),
    )


def _rewired(rig: Rig, whole: Device, gone: Device) -> Rig:
    devices = tuple(whole if d.id == whole.id else d for d in rig.devices if d.id != gone.id)
    routes = tuple(
        msgspec.structs.replace(r, target=whole.id, channel=r.channel or gone.channel)
        if r.target == gone.id else r
        for r in rig.routes if r.source != gone.id
    )  # fmt: skip
    count_in = rig.count_in
    if count_in.device == gone.id:
        count_in = msgspec.structs.replace(count_in, device=whole.id)
    return msgspec.structs.replace(
        rig,
        leader=whole.id if rig.leader == gone.id else rig.leader,
        devices=devices,
        cables=tuple(c for c in rig.cables if gone.id not in (c.source, c.target)),
        routes=routes,
        count_in=count_in,
        bindings=tuple(b for b in rig.bindings if b.trigger.device != gone.id),
    )


_OnLine = TypeVar("_OnLine", bound=Value)


def _moved(rows: tuple[_OnLine, ...], old: str, new: str) -> tuple[_OnLine, ...]:
    """Things of one line as those of another."""
    return tuple(
        msgspec.structs.replace(r, device=new) if getattr(r, "device", "") == old else r
        for r in rows
    )


def _in_scene(scene: Scene, old: str, new: str) -> Scene:
    return msgspec.structs.replace(scene, parts=_moved(scene.parts, old, new))


def _in_song(song: Song, old: str, new: str) -> Song:
    def moved(section: Section) -> Section:
        return msgspec.structs.replace(
            section,
            mutes=_moved(section.mutes, old, new),
            curves=_moved(section.curves, old, new),
        )

    return msgspec.structs.replace(
        song,
        sections=tuple(moved(s) for s in song.sections),
        needs=_moved(song.needs, old, new),
        box_songs=tuple(b for b in song.box_songs if b.device != old),
    )
