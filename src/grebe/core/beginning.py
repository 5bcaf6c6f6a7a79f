"""A project from nothing: boxes, the cables between them, a first pattern each, a scene, a song."""

from __future__ import annotations

from collections.abc import Iterable, Sequence

import msgspec

from grebe.core.document import Project, add_pattern, with_rig, with_scene
from grebe.core.naming import free_name
from grebe.core.patterns.edit import add_voice
from grebe.core.patterns.keys import key_parts
from grebe.core.patterns.model import Content, Pattern
from grebe.core.rig.edits import add_cable, add_device, add_route, best_cable, proposed_route
from grebe.core.rig.memory import assign, first_free
from grebe.core.rig.model import GREBE_ID, Device, Rig
from grebe.core.rig.spec import STRUCK_KINDS, Kind, Profile
from grebe.core.rig.wiring import Wiring
from grebe.core.songs.forms import add_song, free_song_id
from grebe.core.songs.model import Section, Song
from grebe.core.songs.scenes import add_scene, set_part
from grebe.core.units import MAX_BPM, MIN_BPM
from grebe.errors import EditError
from grebe.words import tr

GENERAL_DRUMS = (("Kick", 36), ("Snare", 38), (tr("Closed hat"), 42), (tr("Open hat"), 46))
"""Bass drum 1, acoustic snare, closed and open hi-hat of General MIDI's percussion map
(General MIDI 1, percussion key map; the numbers from memory)."""
MELODIC: dict[Kind, tuple[str, int]] = {"bass": (tr("Bass line"), 36)}
ONE_VOICE = ("Notes", 60)
SILENT: tuple[Kind, ...] = ("looper", "echo", "pedal", "relay", "controller")
"""Kinds that play no patterns of notes."""


def voices_of(device: Device) -> Content:
    """An empty pattern of a box: its own voices by its chart, else General MIDI's drums, else one
    voice that plays notes."""
    known: Sequence[tuple[str, int]] = [(v.name, v.note) for v in device.spec.voices]
    if not known:
        known = (
            GENERAL_DRUMS if device.kind in STRUCK_KINDS else [MELODIC.get(device.kind, ONE_VOICE)]
        )
    content = Content()
    for name, note in known:
        content = add_voice(content, name, note)
    return content


def plays_notes(device: Device) -> bool:
    """Whether a pattern of notes is any use to a box."""
    return device.kind not in SILENT


def first_pattern(project: Project, device: Device, name: str = "") -> tuple[Project, str]:
    """The project with an empty pattern more of a box, and its id. It is in the scene and the song
    that are there; where there is none yet, a first scene and song come with it."""
    count = sum(p.device == device.id for p in project.patterns)
    words = name or (f"{device.name} {count + 1}" if count else device.name)
    alone = not any(p.device == device.id for p in project.patterns)
    project, new = add_pattern(project, name=words, device=device.id, content=voices_of(device))
    place = first_free(project, device) if device.plays == "own" else None
    project = project if place is None else assign(project, new, place)
    if not project.scenes:
        project, _ = add_scene(project)
    if alone and len(project.scenes) == 1:
        scene = project.scenes[0].id
        project = with_scene(project, scene, lambda s: set_part(s, device.id, chain=(new,)))
    return (project if project.songs else with_first_song(project)), new


def with_first_song(project: Project, bpm: float = 120.0, key: str = "") -> Project:
    """The project with a song of its first scene. EditError without a scene."""
    if not project.scenes:
        raise EditError(tr("there is no scene to make a song of"))
    name = free_name("Song", {s.name for s in project.songs})
    sections = (Section(id="s1", scene=project.scenes[0].id, times=4),)
    return add_song(
        project, Song(id=free_song_id(project), name=name, bpm=bpm, key=key, sections=sections)
    )


def begin(
    name: str, boxes: Iterable[tuple[Profile, str]], *, bpm: float = 120.0, key: str = ""
) -> Project:
    """A project with these boxes, each a profile and a name ("" for the profile's own), cabled as
    proposed, each with a pattern; a scene and a song. EditError says what cannot be."""
    if not MIN_BPM <= bpm <= MAX_BPM:
        raise EditError(
            tr(
                "a tempo is from {min_bpm:g} to {max_bpm:g} BPM (got {bpm:g})",
                min_bpm=MIN_BPM,
                max_bpm=MAX_BPM,
                bpm=bpm,
            )
        )
    if key:
        try:
            key_parts(key)
        except ValueError as error:
            raise EditError(str(error)) from error
    project = Project(name=name, rig=Rig(name=name, leader=GREBE_ID))
    for profile, wanted in boxes:
        words = free_name(wanted or profile.name, {d.name for d in project.rig.devices})
        project, device_id = add_device(project, profile, words)
        project = cabled(project, device_id)
    for device in (line for box in project.rig.devices for line in box.pattern_lines):
        if plays_notes(device):
            project, _ = first_pattern(project, device)
    if not project.scenes:
        project, _ = add_scene(project)
    if not project.songs:
        project = with_first_song(project)
    song = msgspec.structs.replace(project.songs[0], bpm=bpm, key=key)
    patterns = tuple(_keyed(p, key, project) for p in project.patterns)
    return msgspec.structs.replace(project, songs=(song,), patterns=patterns)


def cabled(project: Project, device_id: str) -> Project:
    """The project with the cables that are proposed for a box: from Grebe to what obeys anything,
    and from what sends notes to Grebe, with a route for them."""
    rig = project.rig
    device = next(d for d in rig.devices if d.id == device_id)
    obeys = device.spec.obeys
    if obeys.clock or obeys.notes or obeys.start or obeys.program:
        cable = best_cable(rig, GREBE_ID, device_id)
        if cable.target_jack and cable.medium in ("midi", "network"):
            project = add_cable(project, cable)
    if device.kind == "controller" and device.spec.sends.notes:
        project = add_cable(project, best_cable(project.rig, device_id, GREBE_ID))
        route = proposed_route(project.rig, device_id)
        project = project if route is None else add_route(project, route)
    wiring = Wiring(project.rig)
    obeys_clock = obeys.clock and any(wiring.takes_clock(c) for c in wiring.arriving[device_id])
    devices = tuple(
        msgspec.structs.replace(d, obeys_clock=obeys_clock) if d.id == device_id else d
        for d in project.rig.devices
    )
    return with_rig(project, msgspec.structs.replace(project.rig, devices=devices))


def _keyed(pattern: Pattern, key: str, project: Project) -> Pattern:
    """A pattern of notes in the key of the song; drums have none."""
    device = project.rig.line(pattern.device)
    if not key or device.kind in STRUCK_KINDS:
        return pattern
    return msgspec.structs.replace(
        pattern, content=msgspec.structs.replace(pattern.content, key=key)
    )
