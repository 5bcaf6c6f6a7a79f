"""Scenes varied by one key: what is silenced or added goes by what each voice is."""

from __future__ import annotations

from collections.abc import Callable, Iterator
from typing import Any, Literal, NamedTuple

import msgspec

from grebe.core.document import Project, add_pattern, with_scene
from grebe.core.patterns.model import Content, Hit, Pattern, Voice
from grebe.core.patterns.sound import density
from grebe.core.patterns.struck import drums_of, is_drum, is_hat
from grebe.core.player.plan import sounding
from grebe.core.rig.model import Device
from grebe.core.songs.edit import silence
from grebe.core.songs.model import Part, Scene
from grebe.core.songs.scenes import copy_scene, free_scene_name, set_part
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


class Varied(NamedTuple):
    """A scene varied."""

    project: Project
    scene: str
    """The one to look at then."""
    done: str
    """What was done, in a sentence."""


class Drums(NamedTuple):
    """The drums in what a line plays in a scene."""

    line: Device
    voices: tuple[str, ...]
    only: bool
    """Whether it plays nothing else."""
    names: tuple[str, ...]


def drums_in(project: Project, scene: Scene) -> tuple[Drums, ...]:
    """Where drums play in a scene: whole lines, or some of their voices."""
    return tuple(_drums_in(project, scene))


def _drums_in(project: Project, scene: Scene) -> Iterator[Drums]:
    patterns = project.patterns_by_id
    for line in project.rig.lines:
        chain = [patterns[p] for p in scene.part(line.id).chain if p in patterns]
        contents = [sounding(p, line) for p in chain]
        sliced = {s.note for loop in project.loops if loop.device == line.id for s in loop.slices}
        voices, only = drums_of(contents, line, sliced)
        if voices:
            names = {v.id: v.name for content in contents for v in content.voices}
            yield Drums(line, voices, only, tuple(names[v] for v in voices))


def has_drums(project: Project) -> bool:
    """Whether anything in a project is a drum."""
    return any(line.kind == "drums" for line in project.rig.lines) or any(
        drums_in(project, scene) for scene in project.scenes
    )


def vary(project: Project, scene_id: str, way: str, song_id: str = "") -> Varied:
    """A scene varied, and what was done. EditError where there is nothing to vary."""
    scene = project.scene(scene_id)
    if way == "last_bar":
        return _without_last_bar(project, scene, song_id)
    known = next(w for w in WAYS if w.id == way)
    edits: dict[str, Callable[[Project, Scene], tuple[Project, Scene, list[str]]]] = {
        "no_drums": _without_drums, "no_hats": _without_hats, "together": _together,
        "riser": _with_riser,
    }  # fmt: skip
    project, edited, done = edits[way](project, scene)
    if edited.parts == scene.parts:
        raise EditError(_nothing(way, scene))
    name = free_scene_name(project, f"{scene.name}, {known.name}")
    project, new_id = copy_scene(project, scene_id, name)
    # What it was for, it is perhaps no longer for.
    edited = msgspec.structs.replace(project.scene(new_id), parts=edited.parts, role="")
    words = tr("{name}: {done}.", name=edited.name, done="; ".join(done))
    return Varied(with_scene(project, new_id, lambda _: edited), new_id, words)


def _nothing(way: str, scene: Scene) -> str:
    """Why a way makes nothing else of a scene."""
    reasons = {
        "no_drums": tr("no drums sound in {scene}", scene=scene.name),
        "no_hats": tr("no hats sound in {scene}", scene=scene.name),
        "together": tr("{scene} is that already", scene=scene.name),
    }
    return reasons[way]


def _without_drums(project: Project, scene: Scene) -> tuple[Project, Scene, list[str]]:
    done: list[str] = []
    for drums in drums_in(project, scene):
        part = scene.part(drums.line.id)
        if part.muted:
            continue
        if drums.only:
            scene = set_part(scene, drums.line.id, muted=True)
            done.append(tr("{line} is muted", line=drums.line.name))
        else:
            scene, words = _silenced(scene, part, drums.line, drums.voices, drums.names)
            done += words
    return project, scene, done


def _silenced(
    scene: Scene, part: Part, line: Device, voices: tuple[str, ...], names: tuple[str, ...]
) -> tuple[Scene, list[str]]:
    silent = tuple(dict.fromkeys((*part.silent_voices, *voices)))
    if silent == part.silent_voices:
        return scene, []
    words = tr("{names} of {line} are silent", names=", ".join(names), line=line.name)
    return set_part(scene, line.id, silent_voices=silent), [words]


def _without_hats(project: Project, scene: Scene) -> tuple[Project, Scene, list[str]]:
    patterns, done = project.patterns_by_id, list[str]()
    for line in project.rig.lines:
        part = scene.part(line.id)
        hats = {
            voice.id: voice.name
            for pattern in dict.fromkeys(part.chain)
            if pattern in patterns
            for voice in sounding(patterns[pattern], line).voices
            if is_hat(voice)
        }
        if hats:
            scene, words = _silenced(scene, part, line, tuple(hats), tuple(hats.values()))
            done += words
    return project, scene, done


def _together(project: Project, scene: Scene) -> tuple[Project, Scene, list[str]]:
    """Every line sounds: as it does here, or as in the scene where it does most."""
    patterns, done = project.patterns_by_id, list[str]()
    for line in project.rig.lines:
        part = scene.part(line.id)
        if not part.chain:
            there = [s.part(line.id).chain for s in project.scenes if s.part(line.id).chain]
            chain = max(there, key=lambda c: _busy(c, patterns, line), default=())
            if chain:
                names = dict.fromkeys(patterns[p].name for p in chain if p in patterns)
                done.append(tr("{line} plays {names}", line=line.name, names=", ".join(names)))
                scene = set_part(scene, line.id, chain=chain)
    let_in = heard(scene)
    done += [
        tr("{name} is let sound", name=project.rig.name_of(p.device))
        for p in scene.parts
        if p.muted or p.silent_voices
    ]
    return project, let_in, done


def heard(scene: Scene) -> Scene:
    """A scene with no mutes saved in it: neither of boxes and tracks nor of voices."""
    for part in scene.parts:
        scene = set_part(scene, part.device, muted=False, silent_voices=())
    return scene


def _busy(chain: tuple[str, ...], patterns: dict[str, Any], device: Device) -> float:
    known = [patterns[p] for p in chain if p in patterns]
    return max((density(sounding(p, device)) for p in known), default=0.0)


def _with_riser(project: Project, scene: Scene) -> tuple[Project, Scene, list[str]]:
    """A voice of sixteenths on the drums that swells over the scene's last bars, or all of it."""
    patterns = project.patterns_by_id
    for drums in drums_in(project, scene):
        part, line = scene.part(drums.line.id), drums.line
        if part.chain[-1] not in patterns:
            continue
        pattern = patterns[part.chain[-1]]
        content = pattern.content
        note, channel = _riser_sound(pattern, line, drums)
        steps = min(MAX_STEPS, max(1, content.ticks // note_value_ticks("1/16")))
        if len(set(part.chain)) == 1:
            steps = min(MAX_STEPS, scene.bars * scene.meter.bar_ticks // SIXTEENTH_TICKS)
        hits = tuple(Hit(step=n, velocity=1 + round(126 * (n + 1) / steps)) for n in range(steps))
        riser = Voice(id=_voice_id(content), name="Riser", note=note, channel=channel,
                      length=steps, hits=hits)  # fmt: skip
        risen = msgspec.structs.replace(content, voices=(*content.voices, riser))
        name = tr("{pattern}, riser", pattern=pattern.name)
        project, new_id = add_pattern(
            project, name=name, device=line.id, content=risen, variation_of=pattern.id
        )
        chain = tuple(new_id if p == pattern.id else p for p in part.chain)
        words = tr("note {note} of {line} rises", note=note, line=line.name)
        return project, set_part(scene, line.id, chain=chain), [words]
    raise EditError(
        tr("no drums play in {scene}, so there is nothing to rise over", scene=scene.name)
    )


def _riser_sound(pattern: Pattern, line: Device, drums: Drums) -> tuple[int, int | None]:
    """(note, channel) of a drum that the pattern does not use yet, or of the last that it does."""
    taken = {v.note for v in pattern.content.voices}
    free = [v for v in line.spec.voices if v.note not in taken]
    drums_free = [v for v in free if is_drum(Voice(id="x", name=v.name, note=v.note), line)]
    if drums_free:
        return drums_free[-1].note, None
    if drums.only and not line.spec.voices:
        return 39, None  # hand clap in General MIDI's percussion map
    last = next(v for v in reversed(pattern.content.voices) if v.id in drums.voices)
    return last.note, last.channel


def _voice_id(content: Content) -> str:
    taken = {v.id for v in content.voices}
    return next(i for i in ("riser", *(f"riser-{n}" for n in range(2, 99))) if i not in taken)


def _without_last_bar(project: Project, scene: Scene, song_id: str) -> Varied:
    """Drums silenced in the last bar of every section of a song that plays the scene."""
    song = next((s for s in project.songs if s.id == song_id), None)
    if song is None or all(s.scene != scene.id for s in song.sections):
        raise EditError(tr("the song does not play {scene}: put it there first", scene=scene.name))
    found = drums_in(project, scene)
    if not found:
        raise EditError(tr("no drums sound in {scene}", scene=scene.name))
    for section in song.sections:
        if section.scene != scene.id:
            continue
        for line, voice in silencings(found):
            layout = project.layout(project.song(song_id))
            span = layout.span_of(section.id)
            if span is not None:
                last = span.end - scene.meter.bar_ticks
                edited = silence(layout, line, voice, last, span.end)
                songs = tuple(edited if s.id == song_id else s for s in project.songs)
                project = msgspec.structs.replace(project, songs=songs)
    return Varied(project, scene.id, tr("Out in its last bar: {what}.", what=drum_words(found)))


def silencings(found: tuple[Drums, ...]) -> list[tuple[str, str]]:
    """What has to be silent for drums to be out: (line, voice or "" for all of it)."""
    rows = [(d.line.id, ("",) if d.only else d.voices) for d in found]
    return [(line, voice) for line, voices in rows for voice in voices]


def drum_words(found: tuple[Drums, ...]) -> str:
    """Which drums those are: boxes by name, voices with theirs."""
    return ", ".join(
        d.line.name if d.only else tr("{names} of {line}", names=", ".join(d.names),
                                      line=d.line.name)
        for d in found
    )  # fmt: skip
