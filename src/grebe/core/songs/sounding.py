"""What sounds now, kept as a scene: the hand's mutes, swaps and loop tracks that nobody saved."""

from __future__ import annotations

from collections.abc import Iterable

import msgspec

from grebe.core.document import Project, with_scene
from grebe.core.player.loopers import LoopTrack
from grebe.core.player.promise import LineState
from grebe.core.rig.lines import box_of
from grebe.core.songs.model import Scene
from grebe.core.songs.scenes import copy_scene, free_scene_name, set_part
from grebe.errors import EditError
from grebe.words import tr


def keep_sounding(
    project: Project, scene_id: str, lines: Iterable[LineState],
    muted: Iterable[tuple[str, str]], solos: Iterable[tuple[str, str]],
    tracks: Iterable[LoopTrack], *, as_new: bool,
) -> tuple[Project, str]:  # fmt: skip
    """The project with what sounds kept in the scene that plays, or as a new one after it; and the
    scene's id. EditError where that is what the scene says already.

    `lines`, `muted` and `solos` as the engine tells them. What is silent because others sound
    alone is kept as muted.
    """
    scene = project.scene(scene_id)
    silent = (*muted, *_rows_beside(project, scene, frozenset(solos)))
    kept = _as_sounding(scene, tuple(lines), silent, tuple(tracks))
    if kept == scene:
        raise EditError(tr("what sounds is what {scene} says", scene=scene.name))
    if not as_new:
        return with_scene(project, scene_id, lambda _: kept), scene_id
    name = free_scene_name(project, tr("{scene}, as it sounded", scene=scene.name)[:76])
    project, new = copy_scene(project, scene_id, name)
    parts = kept.parts
    return with_scene(project, new, lambda s: msgspec.structs.replace(s, parts=parts)), new


def _rows_beside(
    project: Project, scene: Scene, solos: frozenset[tuple[str, str]]
) -> tuple[tuple[str, str], ...]:
    """Rows of boxes' own patterns that are silent while tracks or rows of them sound alone: their
    boxes are not, so they cannot be muted as a whole."""
    out: list[tuple[str, str]] = []
    patterns = project.patterns_by_id
    for box in project.rig.devices:
        within = {(line, voice) for line, voice in solos if box_of(line) == box.id}
        if not within or (box.id, "") in solos:
            continue
        chain = [patterns[p] for p in scene.part(box.id).chain if p in patterns]
        out += [
            (box.id, v.id)
            for pattern in chain
            for v in pattern.content.voices
            if (box.id, v.id) not in solos
            and (box.track_on(v.channel or box.channel), "") not in solos
        ]
    return tuple(dict.fromkeys(out))


def _as_sounding(
    scene: Scene, lines: tuple[LineState, ...], muted: tuple[tuple[str, str], ...],
    tracks: tuple[LoopTrack, ...],
) -> Scene:  # fmt: skip
    for state in lines:
        part = scene.part(state.line)
        voices = tuple(sorted(v for line, v in muted if line == state.line and v))
        if sorted(part.silent_voices) == list(voices):
            voices = part.silent_voices
        silent = (state.line, "") in muted or state.because == "solo"
        fields: dict[str, object] = {"muted": silent, "silent_voices": voices}
        if state.swapped and state.pattern:
            fields["chain"] = (state.pattern,)
        running = tuple(t.number for t in tracks if t.device == state.line and t.runs)
        known = any(t.device == state.line for t in tracks)
        if known and running != (part.tracks or ()):
            fields["tracks"] = running
        scene = set_part(scene, state.line, **fields)
    return scene
