"""The frozen thing that is played: a song with all it names, cut out of the document."""

from __future__ import annotations

import msgspec

from grebe.core.document import Project
from grebe.core.patterns.model import Content, Pattern
from grebe.core.rig.model import GREBE_ID, Device
from grebe.core.rig.tree import clock_tree
from grebe.core.songs.layout import Layout, lay_out
from grebe.core.songs.model import Scene, Song
from grebe.core.units import Value


class Plan(Value, frozen=True, kw_only=True):
    """One song, the scenes and patterns it names, and the devices that play it."""

    project: str
    """Name of the project, for people."""
    source: str = ""
    """Path of the project file; says whether two plans belong together."""
    song: Song
    scenes: tuple[Scene, ...]
    patterns: tuple[Pattern, ...]
    devices: tuple[Device, ...]
    clocked: tuple[str, ...]
    """Devices that Grebe gives the clock to."""

    def layout(self) -> Layout:
        """The song laid out."""
        return lay_out(self.song, {s.id: s for s in self.scenes})


def sounding(pattern: Pattern, device: Device) -> Content:
    """What is heard when a device plays a pattern: the box's own copy where the box plays."""
    if device.plays == "own" and pattern.in_box is not None:
        return pattern.in_box
    return pattern.content


def make_plan(project: Project, song: Song, source: str = "") -> Plan:
    """Cut a plan for one song out of a project.

    EditError when the song names a scene that is not there.
    """
    layout = project.layout(song)
    scene_ids = {span.scene.id for span in layout.spans}
    scenes = tuple(s for s in project.scenes if s.id in scene_ids)
    used = {p for s in scenes for part in s.parts for p in part.chain}
    tree = clock_tree(project.rig)
    reached = {device for column in tree.columns[1:] for device in column}
    return Plan(
        project=project.name,
        source=source,
        song=song,
        scenes=scenes,
        patterns=tuple(p for p in project.patterns if p.id in used),
        devices=project.rig.devices,
        clocked=tuple(
            d.id
            for d in project.rig.devices
            if d.obeys_clock and d.id in reached and tree.leader == GREBE_ID
        ),
    )


def played_by_grebe(plan: Plan) -> Plan:
    """The plan with every device played note by note, as a file of the song needs it.

    A box's own patterns are taken as its memory holds them.
    """
    by_id = {d.id: d for d in plan.devices}
    patterns = tuple(
        msgspec.structs.replace(p, content=sounding(p, by_id[p.device])) if p.device in by_id else p
        for p in plan.patterns
    )
    devices = tuple(msgspec.structs.replace(d, plays="grebe") for d in plan.devices)
    return msgspec.structs.replace(plan, patterns=patterns, devices=devices)
