"""What of a document another computer is shown: what Stage needs, and nothing else."""

from __future__ import annotations

import msgspec

from grebe.core.document import Project
from grebe.core.patterns.model import Content, Pattern
from grebe.core.rig.model import Device, Faults, Port, Rig
from grebe.core.session.use import OscUse, SessionUse


def shown_project(project: Project, song: str, running_set: str, *, whole_set: bool) -> Project:
    """The songs in hand with their scenes, and the boxes as far as moves depend on them.

    Left out: hits and curves of patterns, audio files, names of ports and cables' routes, what was
    learnt on controllers, network and addresses, notes on sheets, other songs and sets.
    """
    sets = tuple(s for s in project.sets if whole_set and s.id == running_set)
    wanted = {place.song for s in sets for place in s.songs} if sets else {song}
    songs = tuple(s for s in project.songs if s.id in wanted)
    used = {section.scene for s in songs for section in s.sections}
    scenes = tuple(s for s in project.scenes if s.id in used)
    chained = {pattern for scene in scenes for part in scene.parts for pattern in part.chain}
    rig = project.rig
    return Project(
        name=project.name,
        rig=Rig(
            name=rig.name,
            leader=rig.leader,
            devices=tuple(_device(d) for d in rig.devices),
            cables=rig.cables,
            count_in=rig.count_in,
            network=SessionUse(),
            osc=OscUse(),
        ),
        patterns=tuple(_pattern(p) for p in project.patterns if p.id in chained),
        scenes=scenes,
        songs=songs,
        sets=sets,
        performer=project.performer,
    )


def without_hits(project: Project) -> Project:
    """A document for who names things by it, and needs nothing of what patterns play."""
    return msgspec.structs.replace(
        project, patterns=tuple(map(_pattern, project.patterns)), loops=(), printed=()
    )


def _device(device: Device) -> Device:
    """A box: how it is reached matters for whose move something is, where it is plugged in not."""
    return msgspec.structs.replace(
        device,
        port=Port(wire=device.port.wire),
        input=Port(wire=device.input.wire),
        faults=Faults(),
    )


def _pattern(pattern: Pattern) -> Pattern:
    """A pattern: how long it is and what its voices are called, not what they play."""
    in_box = None if pattern.in_box is None else _content(pattern.in_box)
    return msgspec.structs.replace(pattern, content=_content(pattern.content), in_box=in_box)


def _content(content: Content) -> Content:
    return msgspec.structs.replace(
        content,
        voices=tuple(msgspec.structs.replace(v, hits=()) for v in content.voices),
        lanes=tuple(msgspec.structs.replace(x, points=()) for x in content.lanes),
    )
