"""Forms of songs with the performer's own scenes filled in. Two schools, neither forced."""

from __future__ import annotations

from typing import NamedTuple

import msgspec

from grebe.core.document import Project
from grebe.core.naming import free_number
from grebe.core.songs.energy import song_bars
from grebe.core.songs.model import Role, Scene, Section, Song
from grebe.errors import EditError
from grebe.words import tr


class SongShape(NamedTuple):
    """An order of parts and how many bars each has: common practice, no source."""

    id: str
    words: str
    parts: tuple[tuple[Role, int], ...]


FORMS: tuple[SongShape, ...] = (
    SongShape("verse-and-hook", "Verse and hook", (
        ("intro", 8), ("verse", 16), ("build", 8), ("hook", 16), ("verse", 16), ("build", 8),
        ("hook", 16), ("hook", 16), ("outro", 8),
    )),
    SongShape("build-and-drop", "Build and drop", (
        ("intro", 16), ("build", 16), ("drop", 32), ("break", 16), ("build", 16), ("drop", 32),
        ("outro", 16),
    )),
)  # fmt: skip
_LEVEL: dict[Role, float] = {
    "": 0.5, "intro": 0.0, "outro": 0.0, "break": 0.2, "verse": 0.5, "build": 0.6, "hook": 1.0,
    "drop": 1.0,
}  # fmt: skip
"""How full each part is wanted, from the emptiest scene to the fullest."""


def song_of_form(project: Project, form: SongShape, name: str, bpm: float) -> Song:
    """A song of a form. A part takes the scene with its role, or the one about as full as it
    should be. EditError without scenes."""
    scenes = [s for s in project.scenes if s.bars and any(p.chain for p in s.parts)]
    if not scenes:
        raise EditError(tr("there are no scenes to make a song of"))
    ranked = sorted(scenes, key=lambda s: scene_energy(project, s))
    free = [s for s in ranked if not s.role] or ranked
    sections: list[Section] = []
    for number, (role, bars) in enumerate(form.parts, start=1):
        own = [s for s in ranked if s.role == role]
        scene = own[0] if own else free[round(_LEVEL[role] * (len(free) - 1))]
        times = max(1, round(bars / scene.bars))
        sections.append(Section(id=f"s{number}", scene=scene.id, times=times))
    new_id = free_song_id(project)
    return Song(id=new_id, name=name, bpm=bpm, sections=tuple(sections))


def free_song_id(project: Project) -> str:
    """An id for a song that no other has."""
    return free_number("song", {s.id for s in project.songs})


def scene_energy(project: Project, scene: Scene) -> float:
    """Mean energy of a scene over one pass."""
    song = Song(id="x", name="x", sections=(Section(id="x", scene=scene.id),))
    bars = song_bars(project, project.layout(song))
    return sum(b.energy for b in bars) / max(1, len(bars))


def song_of_scenes(project: Project, name: str = "All scenes", bpm: float = 120.0) -> Song:
    """The scenes themselves as a song: in order, each as often and going on as it says."""
    ids = {scene.id: f"s{n}" for n, scene in enumerate(project.scenes, start=1)}
    sections = tuple(
        Section(
            id=ids[scene.id],
            scene=scene.id,
            times=scene.times,
            then=msgspec.structs.replace(scene.then, to=ids.get(scene.then.to, "")),
        )
        for scene in project.scenes
    )
    new_id = free_song_id(project)
    return Song(id=new_id, name=name, bpm=bpm, sections=sections)


def add_song(project: Project, song: Song) -> Project:
    """The project with a song more."""
    return msgspec.structs.replace(project, songs=(*project.songs, song))
