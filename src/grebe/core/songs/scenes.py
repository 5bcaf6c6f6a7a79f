"""Scenes made, copied and put in order, and what plays in them changed."""

from __future__ import annotations

from typing import Any

import msgspec

from grebe.core.document import Project
from grebe.core.naming import free_name, free_number
from grebe.core.songs.model import ControlValue, Part, Scene
from grebe.errors import EditError
from grebe.words import tr


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
    new_id = free_scene_id(project)
    made = Scene(id=new_id, name=name or free_scene_name(project, "Scene"))
    return put_after(project, made, after), new_id


def copy_scene(project: Project, scene_id: str, name: str = "") -> tuple[Project, str]:
    """The project with a copy of a scene after it, and the copy's id."""
    scene = project.scene(scene_id)
    new_id = free_scene_id(project)
    copy = msgspec.structs.replace(
        scene, id=new_id, name=(name or free_scene_name(project, scene.name))[:80]
    )
    return put_after(project, copy, scene_id), new_id


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


def put_after(project: Project, scene: Scene, after: str) -> Project:
    """The project with a scene after another, or at the end."""
    scenes = list(project.scenes)
    places = [i for i, s in enumerate(scenes) if s.id == after]
    scenes.insert(places[0] + 1 if places else len(scenes), scene)
    return msgspec.structs.replace(project, scenes=tuple(scenes))


def free_scene_id(project: Project) -> str:
    """An id that no scene has."""
    return free_number("scene", {s.id for s in project.scenes})


def free_scene_name(project: Project, name: str) -> str:
    """A name that no scene has."""
    return free_name(name, {s.name for s in project.scenes})
