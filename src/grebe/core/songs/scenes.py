"""Scenes made, copied, varied and put in order, and what plays in them changed."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any, Literal, NamedTuple

import msgspec

from grebe.core.document import Project, add_pattern, with_scene
from grebe.core.naming import free_name, free_number
from grebe.core.patterns.model import Content, Hit, Voice
from grebe.core.patterns.sound import density
from grebe.core.player.plan import sounding
from grebe.core.rig.model import Device
from grebe.core.songs.edit import silence
from grebe.core.songs.model import ControlValue, Part, Scene
from grebe.core.time.ticks import SIXTEENTH_TICKS, note_value_ticks
from grebe.core.units import MAX_STEPS
from grebe.errors import EditError
from grebe.words import tr


class Way(NamedTuple):
    """A way to vary a scene."""

    id: Literal["no_drums", "no_hats", "together", "last_bar", "riser"]
    words: str
    name: str
    """Put behind the scene's own name; "" where no scene is made."""


WAYS: tuple[Way, ...] = (
    Way("no_drums", tr("The same without drums"), "no drums"),
    Way("no_hats", tr("The same with the hats out"), "no hats"),
    Way("together", tr("Everything together"), "all in"),
    Way("last_bar", tr("Drums out for its last bar, where the song has it"), ""),
    Way("riser", tr("The same with a rising voice"), "riser"),
)


def set_part(scene: Scene, device: str, **fields: Any) -> Scene:
    """The scene with a device's part changed; one that is as silent as none is left out."""
    part = msgspec.structs.replace(scene.part(device), **fields)
    parts = [part if p.device == device else p for p in scene.parts]
    if all(p.device != device for p in scene.parts):
        parts.append(part)
    empty = Part(device=device)
    return msgspec.structs.replace(scene, parts=tuple(p for p in parts if p != empty))


def put_value(scene: Scene, device: str, controller: int, value: int | None) -> Scene:
    """The scene with a controller value it sends as it comes in; None takes that one away."""
    rest = tuple(v for v in scene.part(device).values if v.controller != controller)
    if value is not None:
        rest = (*rest, ControlValue(controller=controller, value=min(127, max(0, value))))
    return set_part(scene, device, values=rest)


def add_scene(project: Project, after: str = "", name: str = "") -> tuple[Project, str]:
    """The project with an empty scene after one, or at the end; and its id."""
    new_id = _free_id(project)
    made = Scene(id=new_id, name=name or _free_name(project, "Scene"))
    return _put_after(project, made, after), new_id


def copy_scene(project: Project, scene_id: str, name: str = "") -> tuple[Project, str]:
    """The project with a copy of a scene after it, and the copy's id."""
    scene = project.scene(scene_id)
    new_id = _free_id(project)
    copy = msgspec.structs.replace(
        scene, id=new_id, name=(name or _free_name(project, scene.name))[:80]
    )
    return _put_after(project, copy, scene_id), new_id


def remove_scene(project: Project, scene_id: str) -> Project:
    """The project without a scene. EditError names the songs that still play it."""
    songs = [s.name for s in project.songs if any(x.scene == scene_id for x in s.sections)]
    if songs:
        name = project.scene(scene_id).name
        raise EditError(
            tr(
                "{name} is played in {names}: take it out there first",
                name=name,
                names=", ".join(songs),
            )
        )
    return msgspec.structs.replace(
        project, scenes=tuple(s for s in project.scenes if s.id != scene_id)
    )


def move_scene(project: Project, scene_id: str, by: int) -> Project:
    """The project with a scene some places later (earlier where negative), held at the ends."""
    scenes = list(project.scenes)
    index = next(i for i, s in enumerate(scenes) if s.id == scene_id)
    scenes.insert(max(0, min(len(scenes) - 1, index + by)), scenes.pop(index))
    return msgspec.structs.replace(project, scenes=tuple(scenes))


def vary(project: Project, scene_id: str, way: str, song_id: str = "") -> tuple[Project, str]:
    """The project with a scene varied, and the scene to look at then.

    EditError where there is nothing to vary.
    """
    scene = project.scene(scene_id)
    if way == "last_bar":
        return _without_last_bar(project, scene, song_id), scene_id
    known = next(w for w in WAYS if w.id == way)
    name = f"{scene.name}, {known.name}"
    edits: dict[str, Callable[[Project, Scene], tuple[Project, Scene]]] = {
        "no_drums": _without_drums, "no_hats": _without_hats, "together": _together,
        "riser": _with_riser,
    }  # fmt: skip
    project, edited = edits[way](project, scene)
    if edited.parts == scene.parts:
        raise EditError(tr("{scene} is that already", scene=scene.name))
    project, new_id = copy_scene(project, scene_id, _free_name(project, name))
    # What it was for, it is perhaps no longer for.
    edited = msgspec.structs.replace(project.scene(new_id), parts=edited.parts, role="")
    return with_scene(project, new_id, lambda _: edited), new_id


def drum_boxes(project: Project) -> list[Device]:
    """The drum boxes of the rig."""
    return [d for d in project.rig.lines if d.kind == "drums"]


def _without_drums(project: Project, scene: Scene) -> tuple[Project, Scene]:
    for device in drum_boxes(project):
        if scene.part(device.id).chain:
            scene = set_part(scene, device.id, muted=True)
    return project, scene


def _without_hats(project: Project, scene: Scene) -> tuple[Project, Scene]:
    patterns = {p.id: p for p in project.patterns}
    for device in project.rig.lines:
        part = scene.part(device.id)
        hats = [
            voice.id
            for pattern in dict.fromkeys(part.chain)
            if pattern in patterns
            for voice in sounding(patterns[pattern], device).voices
            if "hat" in voice.name.lower()
        ]
        silent = tuple(dict.fromkeys((*part.silent_voices, *hats)))
        if hats:
            scene = set_part(scene, device.id, silent_voices=silent)
    return project, scene


def _together(project: Project, scene: Scene) -> tuple[Project, Scene]:
    """Every device sounds: as it does here, or as in the scene where it does most."""
    patterns = {p.id: p for p in project.patterns}
    for device in project.rig.lines:
        part = scene.part(device.id)
        if not part.chain:
            there = [s.part(device.id).chain for s in project.scenes if s.part(device.id).chain]
            part = msgspec.structs.replace(
                part, chain=max(there, key=lambda c: _busy(c, patterns, device), default=())
            )
        if part.chain:
            scene = set_part(scene, device.id, chain=part.chain, muted=False, silent_voices=())
    return project, scene


def _busy(chain: tuple[str, ...], patterns: dict[str, Any], device: Device) -> float:
    known = [patterns[p] for p in chain if p in patterns]
    return max((density(sounding(p, device)) for p in known), default=0.0)


def _with_riser(project: Project, scene: Scene) -> tuple[Project, Scene]:
    """A voice of sixteenths on the drums that swells over the scene's last bars, or all of it."""
    patterns = {p.id: p for p in project.patterns}
    for device in drum_boxes(project):
        part = scene.part(device.id)
        if not part.chain or part.chain[-1] not in patterns:
            continue
        pattern = patterns[part.chain[-1]]
        content = pattern.content
        taken = {v.note for v in content.voices}
        free = [v for v in device.spec.voices if v.note not in taken]
        note = free[-1].note if free else 39  # hand clap in General MIDI's percussion map
        steps = min(MAX_STEPS, max(1, content.ticks // note_value_ticks("1/16")))
        if len(set(part.chain)) == 1:
            steps = min(MAX_STEPS, scene.bars * scene.meter.bar_ticks // SIXTEENTH_TICKS)
        hits = tuple(Hit(step=n, velocity=1 + round(126 * (n + 1) / steps)) for n in range(steps))
        riser = Voice(id=_voice_id(content), name="Riser", note=note, length=steps, hits=hits)
        risen = msgspec.structs.replace(content, voices=(*content.voices, riser))
        name = tr("{pattern}, riser", pattern=pattern.name)
        project, new_id = add_pattern(
            project, name=name, device=device.id, content=risen, variation_of=pattern.id
        )
        chain = tuple(new_id if p == pattern.id else p for p in part.chain)
        return project, set_part(scene, device.id, chain=chain)
    raise EditError(
        tr("no drums play in {scene}, so there is nothing to rise over", scene=scene.name)
    )


def _voice_id(content: Content) -> str:
    taken = {v.id for v in content.voices}
    return next(i for i in ("riser", *(f"riser-{n}" for n in range(2, 99))) if i not in taken)


def _without_last_bar(project: Project, scene: Scene, song_id: str) -> Project:
    """Drums silenced in the last bar of every section of a song that plays the scene."""
    song = next((s for s in project.songs if s.id == song_id), None)
    if song is None or all(s.scene != scene.id for s in song.sections):
        raise EditError(tr("the song does not play {scene}: put it there first", scene=scene.name))
    for section in song.sections:
        if section.scene != scene.id:
            continue
        for device in drum_boxes(project):
            layout = project.layout(project.song(song_id))
            span = layout.span_of(section.id)
            if span is not None and scene.part(device.id).chain:
                last = span.end - scene.meter.bar_ticks
                edited = silence(layout, device.id, "", last, span.end)
                songs = tuple(edited if s.id == song_id else s for s in project.songs)
                project = msgspec.structs.replace(project, songs=songs)
    return project


def _put_after(project: Project, scene: Scene, after: str) -> Project:
    scenes = list(project.scenes)
    places = [i for i, s in enumerate(scenes) if s.id == after]
    scenes.insert(places[0] + 1 if places else len(scenes), scene)
    return msgspec.structs.replace(project, scenes=tuple(scenes))


def _free_id(project: Project) -> str:
    return free_number("scene", {s.id for s in project.scenes})


def _free_name(project: Project, name: str) -> str:
    return free_name(name, {s.name for s in project.scenes})
