"""Boxes, patterns, scenes and songs out of another project: with what they need, ids kept apart."""

from __future__ import annotations

from collections.abc import Collection, Mapping, Sequence
from typing import Any, NamedTuple

import msgspec

from grebe.core.document import Project, with_rig
from grebe.core.naming import free_name, free_number
from grebe.core.patterns.model import Pattern
from grebe.core.rig.edits import MAX_CABLES, MAX_DEVICES, free_id
from grebe.core.rig.lines import box_of, line_id
from grebe.core.rig.model import GREBE_ID, Device
from grebe.core.songs.model import Scene, Song
from grebe.errors import EditError
from grebe.words import tr

Named = Pattern | Scene | Song


class Wanted(NamedTuple):
    """What is taken out of another project, by its ids there."""

    boxes: frozenset[str] = frozenset()
    patterns: frozenset[str] = frozenset()
    scenes: frozenset[str] = frozenset()
    songs: frozenset[str] = frozenset()

    def with_needs(self, other: Project) -> Wanted:
        """It, with what it needs: a song its scenes, a scene its patterns, a pattern its box."""
        songs = [s for s in other.songs if s.id in self.songs]
        named = {section.scene for song in songs for section in song.sections}
        scenes = [s for s in other.scenes if s.id in self.scenes | named]
        chained = {p for scene in scenes for part in scene.parts for p in (*part.chain, part.fill)}
        chained |= {w.pattern for song in songs for x in song.sections for w in x.swaps}
        patterns = [p for p in other.patterns if p.id in self.patterns | chained]
        lines = {p.device for p in patterns} | _devices_in(songs)
        lines |= {part.device for scene in scenes for part in scene.parts}
        used = {box_of(line) for line in lines}
        there = {d.id for d in other.rig.devices}
        return Wanted(
            frozenset((self.boxes | used) & there),
            frozenset(p.id for p in patterns),
            frozenset(s.id for s in scenes),
            frozenset(s.id for s in songs),
        )


class TakenOver(NamedTuple):
    """What came of it."""

    project: Project
    matched: tuple[tuple[str, str], ...]
    """Boxes that are one of one's own: (its name there, one's own box's name)."""
    lines: tuple[str, ...]
    """What was added, in words."""


def match_boxes(project: Project, other: Project) -> dict[str, str]:
    """Which box of another project is which of one's own: by profile and name, then by name and
    kind, then the only one of a profile on both sides. Ids there to ids here."""
    matched: dict[str, str] = {}
    for rule in (_same_profile, _same_kind):
        for theirs in other.rig.devices:
            found = next(
                (d for d in project.rig.devices
                 if d.id not in matched.values() and rule(theirs, d)), None,
            )  # fmt: skip
            if theirs.id not in matched and found is not None:
                matched[theirs.id] = found.id
    for theirs in other.rig.devices:
        alike = [d for d in other.rig.devices if d.profile == theirs.profile]
        own = [d for d in project.rig.devices if d.profile == theirs.profile]
        free = theirs.id not in matched and theirs.profile and len(alike) == len(own) == 1
        if free and own[0].id not in matched.values():
            matched[theirs.id] = own[0].id
    return matched


def _same_profile(one: Device, other: Device) -> bool:
    return bool(one.profile) and (one.profile, one.name) == (other.profile, other.name)


def _same_kind(one: Device, other: Device) -> bool:
    return (one.name, one.kind) == (other.name, other.kind)


def take_over(
    project: Project, other: Project, wanted: Wanted, matches: Mapping[str, str] | None = None,
    *, again: bool = True,
) -> TakenOver:  # fmt: skip
    """The project with what is wanted of another, and all that it needs.

    `matches` are boxes there that are boxes here, as `match_boxes` proposes them. What is here
    already, the same under the same id, comes `again` under another name; else only what is wanted
    itself does, and what it needs is what is here. EditError where the rig would become too large.
    """
    whole = wanted.with_needs(other)
    known = match_boxes(project, other) if matches is None else matches
    boxes = {d: own for d, own in known.items() if d in whole.boxes}
    project, boxes = _with_boxes(project, other, whole.boxes, boxes)
    boxes |= _with_tracks(project, other, boxes)
    here: frozenset[str] = frozenset()
    if not again:
        here = _here_already(project, other, whole, boxes)
    project, patterns = _with_patterns(
        project, other, whole.patterns, boxes, here - wanted.patterns
    )
    project, scenes = _with_scenes(
        project, other, whole.scenes, boxes, patterns, here - wanted.scenes
    )
    project, songs = _with_songs(project, other, whole.songs, boxes, scenes, patterns)
    names = {d.id: d.name for d in (*project.rig.devices, *other.rig.devices)}
    matched = tuple(
        (other.rig.name_of(d), names[own]) for d, own in known.items() if d in whole.boxes
    )
    new = [d for d in whole.boxes if d not in known]
    counts = (
        (len(new), "box", "boxes"), (len(set(patterns) - here | set(patterns) & wanted.patterns),
                                     "pattern", "patterns"),
        (len(set(scenes) - here | set(scenes) & wanted.scenes), "scene", "scenes"),
        (songs, "song", "songs"),
    )  # fmt: skip
    lines = tuple(f"{n} {one if n == 1 else many}" for n, one, many in counts if n)
    return TakenOver(project, matched, lines)


def _here_already(
    project: Project, other: Project, whole: Wanted, boxes: Mapping[str, str]
) -> frozenset[str]:
    """Ids of patterns and scenes that are here under the same id, and the same."""
    own: tuple[Pattern | Scene, ...] = (*project.patterns, *project.scenes)
    ours = {thing.id: thing for thing in own}
    theirs: tuple[Pattern | Scene, ...] = (*other.patterns, *other.scenes)
    ids = whole.patterns | whole.scenes
    return frozenset(
        thing.id for thing in theirs
        if thing.id in ids and ours.get(thing.id) == _renamed(thing, boxes)
    )  # fmt: skip


def _devices_in(value: Any) -> set[str]:
    """Every id that stands in a field called `device`, however deep."""
    found: set[str] = set()
    if isinstance(value, (tuple, list)):
        return found.union(*(_devices_in(v) for v in value)) if value else found
    if isinstance(value, msgspec.Struct):
        for name in value.__struct_fields__:
            inner = getattr(value, name)
            if name == "device" and isinstance(inner, str):
                found.add(inner)
            else:
                found |= _devices_in(inner)
    return found


def _renamed(value: Any, boxes: Mapping[str, str]) -> Any:
    """The value with every `device` in it as it is called here; rows of boxes that were not taken
    are left out."""
    if isinstance(value, tuple):
        return tuple(_renamed(v, boxes) for v in value if _stays(v, boxes))
    if isinstance(value, msgspec.Struct):
        fields = {}
        for name in value.__struct_fields__:
            inner = getattr(value, name)
            if name == "device" and isinstance(inner, str):
                fields[name] = boxes.get(inner, inner)
            elif isinstance(inner, (tuple, msgspec.Struct)):
                fields[name] = _renamed(inner, boxes)
        return msgspec.structs.replace(value, **fields)
    return value


def _stays(value: Any, boxes: Mapping[str, str]) -> bool:
    return not isinstance(value, msgspec.Struct) or getattr(value, "device", None) in (
        None, *boxes,
    )  # fmt: skip


def _with_tracks(project: Project, other: Project, boxes: Mapping[str, str]) -> dict[str, str]:
    """Tracks of boxes there by those of boxes here: by id, else by name, else of that id still,
    which is then found to be missing."""
    out: dict[str, str] = {}
    for theirs in other.rig.devices:
        own = project.rig.find(boxes.get(theirs.id, ""))
        for track in () if own is None else theirs.tracks:
            assert own is not None
            named = next((t.id for t in own.tracks if t.name == track.name), track.id)
            here = track.id if own.track(track.id) is not None else named
            out[line_id(theirs.id, track.id)] = line_id(own.id, here)
    return out


def _with_boxes(
    project: Project, other: Project, wanted: Collection[str], boxes: dict[str, str]
) -> tuple[Project, dict[str, str]]:
    """New boxes, with the cables and routes among all that are taken, and their loops."""
    rig = project.rig
    taken = {GREBE_ID, *(d.id for d in rig.devices)}
    names = {d.name for d in rig.devices}
    new: list[Device] = []
    for device in other.rig.devices:
        if device.id not in wanted or device.id in boxes:
            continue
        name = free_name(device.name, names)
        made = msgspec.structs.replace(device, id=free_id(name, taken), name=name)
        taken.add(made.id)
        names.add(name)
        boxes[device.id] = made.id
        new.append(made)
    if len(rig.devices) + len(new) > MAX_DEVICES:
        raise EditError(tr("a rig holds {max_devices} devices", max_devices=MAX_DEVICES))
    fresh = {d.id for d in new}
    ends = {**boxes, GREBE_ID: GREBE_ID}

    def joined(rows: tuple[Any, ...]) -> tuple[Any, ...]:
        kept = (r for r in rows if r.source in ends and r.target in ends)
        moved = (
            msgspec.structs.replace(r, source=ends[r.source], target=ends[r.target]) for r in kept
        )
        return tuple(r for r in moved if fresh & {r.source, r.target})

    cables = (*rig.cables, *joined(other.rig.cables))
    if len(cables) > MAX_CABLES:
        raise EditError(tr("a rig holds {max_cables} cables", max_cables=MAX_CABLES))
    rig = msgspec.structs.replace(
        rig, devices=(*rig.devices, *new), cables=cables,
        routes=(*rig.routes, *joined(other.rig.routes)),
    )  # fmt: skip
    loops = list(project.loops)
    for loop in other.loops:
        if boxes.get(loop.device) in fresh:
            new_id = free_number("loop", {x.id for x in loops})
            loops.append(msgspec.structs.replace(loop, id=new_id, device=boxes[loop.device]))
    return msgspec.structs.replace(with_rig(project, rig), loops=tuple(loops)), boxes


def _with_patterns(
    project: Project, other: Project, wanted: Collection[str], boxes: Mapping[str, str],
    here: Collection[str],
) -> tuple[Project, dict[str, str]]:  # fmt: skip
    """Patterns under ids of their own; a place in a box's memory that is taken is given up."""
    wanted = set(wanted) - set(here)
    ids = _own_ids(project.patterns, other.patterns, wanted, "taken")
    places = {(p.device, p.program) for p in project.patterns}
    new: list[Pattern] = []
    for pattern in other.patterns:
        if pattern.id not in ids:
            continue
        device = boxes[pattern.device]
        names = {p.name for p in (*project.patterns, *new) if p.device == device}
        there = (device, pattern.program) in places
        new.append(msgspec.structs.replace(
            pattern, id=ids[pattern.id], device=device, name=free_name(pattern.name, names)[:80],
            program=None if there else pattern.program,
            variation_of=ids.get(pattern.variation_of or ""),
        ))  # fmt: skip
    ids |= {pattern: pattern for pattern in here if any(p.id == pattern for p in project.patterns)}
    return msgspec.structs.replace(project, patterns=(*project.patterns, *new)), ids


def _own_ids(
    ours: Sequence[Named], theirs: Sequence[Named], wanted: Collection[str], stem: str
) -> dict[str, str]:
    """What is wanted under ids that nothing here has: their own where that is free."""
    taken, ids = {thing.id for thing in ours}, {}
    for thing in theirs:
        if thing.id in wanted:
            ids[thing.id] = thing.id if thing.id not in taken else free_number(stem, taken)
            taken.add(ids[thing.id])
    return ids


def _with_scenes(
    project: Project, other: Project, wanted: Collection[str], boxes: Mapping[str, str],
    patterns: Mapping[str, str], here: Collection[str],
) -> tuple[Project, dict[str, str]]:  # fmt: skip
    wanted = set(wanted) - set(here)
    ids = _own_ids(project.scenes, other.scenes, wanted, "scene")
    new: list[Scene] = []
    for scene in other.scenes:
        if scene.id not in ids:
            continue
        names = {s.name for s in (*project.scenes, *new)}
        moved = _renamed(scene, boxes)
        parts = tuple(
            msgspec.structs.replace(
                p,
                chain=tuple(patterns[i] for i in p.chain if i in patterns),
                fill=patterns.get(p.fill, ""),
            )
            for p in moved.parts
        )
        new.append(msgspec.structs.replace(
            moved, id=ids[scene.id], name=free_name(scene.name, names)[:80], parts=parts,
            then=msgspec.structs.replace(scene.then, to=ids.get(scene.then.to, "")),
        ))  # fmt: skip
    ids |= {scene: scene for scene in here if any(s.id == scene for s in project.scenes)}
    return msgspec.structs.replace(project, scenes=(*project.scenes, *new)), ids


def _with_songs(
    project: Project, other: Project, wanted: Collection[str], boxes: Mapping[str, str],
    scenes: Mapping[str, str], patterns: Mapping[str, str],
) -> tuple[Project, int]:  # fmt: skip
    ids = _own_ids(project.songs, other.songs, wanted, "song")
    new: list[Song] = []
    for song in other.songs:
        if song.id not in ids:
            continue
        names = {s.name for s in (*project.songs, *new)}
        moved = _renamed(song, boxes)
        sections = tuple(
            msgspec.structs.replace(
                s,
                scene=scenes[s.scene],
                swaps=tuple(
                    msgspec.structs.replace(w, pattern=patterns.get(w.pattern, ""))
                    for w in s.swaps
                    if not w.pattern or w.pattern in patterns
                ),
            )
            for s in moved.sections
            if s.scene in scenes
        )
        new.append(msgspec.structs.replace(
            moved, id=ids[song.id], name=free_name(song.name, names)[:80], sections=sections,
            version_of=ids.get(song.version_of, ""),
        ))  # fmt: skip
    return msgspec.structs.replace(project, songs=(*project.songs, *new)), len(new)
