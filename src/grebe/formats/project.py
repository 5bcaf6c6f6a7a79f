"""The project file, ``NAME.grebe``: the document as JSON, with a schema version.

A field this version does not know is kept: it is written back where it stood,
so a file from a newer Grebe with the same schema loses nothing here.
"""

from __future__ import annotations

import hashlib
from collections.abc import Callable
from functools import cache
from pathlib import Path
from typing import Any

import msgspec

from grebe.core.document import SCHEMA_VERSION, Project
from grebe.core.rig.model import GREBE_ID
from grebe.core.sizes import too_large
from grebe.errors import ProjectError
from grebe.formats.atomic import last_of, write_atomic
from grebe.formats.reading import (
    MAX_VALUES,
    UNTOUCHED,
    clean_schema,
    json_values,
    plain,
    read_bounded,
)
from grebe.process.places import shown

SUFFIX = ".grebe"
MAX_FILE_BYTES = 64 * 1024 * 1024
"""Far over any set; keeps a wrong file from filling the memory."""


MOST_DEEP = 64
"""Of fields that this version does not know."""


def named(chosen: str) -> Path:
    """The file that a name stands for: what has no ``.grebe`` at its end gets one, whatever else
    stands behind a point."""
    path = Path(chosen)
    return path if path.suffix == SUFFIX else path.with_name(path.name + SUFFIX)


def _filters_at_both_ends(tree: dict[str, Any]) -> dict[str, Any]:
    """Schema 1 to 2: what a cable carries became what its source lets out, and by what right.

    In schema 1 a box in the middle passed on what reached it.
    """
    rig = tree.get("rig")
    if not isinstance(rig, dict) or not isinstance(rig.get("cables", []), list):
        return tree  # the reader says what is wrong with it
    leader = rig.get("leader", GREBE_ID)
    devices = rig.get("devices", [])
    senders = {d.get("id") for d in devices if isinstance(d, dict) and d.get("sends_clock")}
    cables: list[Any] = []
    for cable in rig.get("cables", []):
        if isinstance(cable, dict):
            new = {k: v for k, v in cable.items() if k not in ("clock", "transport", "notes")}
            off = {k: cable[k] for k in ("clock", "transport", "notes") if k in cable}
            if not all(off.values()):
                new["passes"] = off
            if new.get("source") not in {GREBE_ID, leader, *senders}:
                new["gives"] = "thru"
            cables.append(new)
        else:
            cables.append(cable)
    return {**tree, "rig": {**rig, "cables": cables}}


def _places_in_sets(tree: dict[str, Any]) -> dict[str, Any]:
    """Schema 2 to 3: the songs of a set became places, which say how each comes in."""
    sets = tree.get("sets")
    if not isinstance(sets, list):
        return tree
    out: list[Any] = []
    for number, row in enumerate(sets, start=1):
        if not isinstance(row, dict) or not isinstance(row.get("songs", []), list):
            return tree  # the reader says what is wrong with it
        songs = [{"id": f"e{n}", "song": s} for n, s in enumerate(row.get("songs", []), start=1)]
        out.append({"id": f"set-{number}", **row, "songs": songs})
    return {**tree, "sets": out}


def _tracks_in_boxes(tree: dict[str, Any]) -> dict[str, Any]:
    """Schema 3 to 4: a box may have tracks, and what names a box may name one as `box/track`.

    A box of schema 3 is its one track, so nothing of it is otherwise. In schema 3 songs brought
    their tempi to a session unless it said otherwise; a rig with settings of its own keeps that.
    """
    rig = tree.get("rig")
    if not isinstance(rig, dict) or not isinstance(rig.get("network"), dict):
        return tree
    return {**tree, "rig": {**rig, "network": {"brings_tempo": True, **rig["network"]}}}


MIGRATIONS: dict[int, Callable[[dict[str, Any]], dict[str, Any]]] = {
    1: _filters_at_both_ends,
    2: _places_in_sets,
    3: _tracks_in_boxes,
}
"""From a schema version to the next: one pure function a step."""

Extras = dict[str, Any]
"""Unknown fields, as a sparse tree; things in lists stand under their id."""


class Opened(msgspec.Struct, frozen=True, kw_only=True):
    """A project with what its file held beyond it."""

    project: Project
    extras: Extras
    digest: str = ""
    """`digest_of` the file's bytes, to see later whether it is still the same."""


def digest_of(data: bytes) -> str:
    """What tells one version of a file from another: SHA-256, in hexadecimal."""
    return hashlib.sha256(data).hexdigest()


def read_project(path: Path) -> Opened:
    """Read a project file.

    ProjectError names the file, the field and what to do; the file is untouched.
    """
    data = read_bounded(path, MAX_FILE_BYTES, "a project", ProjectError)
    opened = parse_project(data, shown(path), path)
    return msgspec.structs.replace(opened, digest=digest_of(data))


def parse_project(data: bytes, name: str, path: Path | None = None) -> Opened:
    """Read a project from bytes; `name` is what messages call the file, `path` where it lies.

    ProjectError whatever the bytes are.
    """
    try:
        return _parse(data, name, path)
    except ProjectError as error:
        if str(error).startswith(name):
            raise
        raise ProjectError(f"{name}: {error}") from error
    except Exception as error:  # nests a thousand deep, has a list where a map should be
        raise ProjectError(
            f"{name} is not a Grebe project ({type(error).__name__}: {str(error)[:200]}). "
            f"{_way_out(path)} {UNTOUCHED}"
        ) from error


def _way_out(path: Path | None) -> str:
    """What can be done about a file that cannot be read: the backup only where there is one."""
    if path is not None and last_of(path).exists():
        return f"Open the copy kept beside it as {shown(last_of(path).name)}, or another project."
    return "Open another project."


def _parse(data: bytes, name: str, path: Path | None) -> Opened:
    tree = _read_tree(data, name, path)
    version = tree.pop("schema", None)
    if not isinstance(version, int) or isinstance(version, bool) or version < 1:
        raise ProjectError(
            f"{name}: field `schema` should be a whole number from 1 (got {version!r}). "
            f"It may not be a Grebe project; open another. {UNTOUCHED}"
        )
    if version > SCHEMA_VERSION:
        raise ProjectError(
            f"{name} has schema {version}; this Grebe reads up to {SCHEMA_VERSION}. "
            f"Open it with a newer Grebe. {UNTOUCHED}"
        )
    for step in range(version, SCHEMA_VERSION):
        tree = MIGRATIONS[step](tree)
    try:
        project = msgspec.convert(tree, Project)
    except msgspec.ValidationError as error:
        raise ProjectError(
            f"{name}: {plain(str(error))}. Mend the field. {_way_out(path)} {UNTOUCHED}"
        ) from error
    if large := too_large(project):
        raise ProjectError(f"{name} is too large: {large}. {UNTOUCHED}")
    _check_ids(project, name)
    return Opened(project=project, extras=_unknown(tree, project))


def project_bytes(project: Project, extras: Extras | None = None) -> bytes:
    """The project file's bytes."""
    tree = {"schema": SCHEMA_VERSION, **_merged(msgspec.to_builtins(project), extras or {})}
    return msgspec.json.format(msgspec.json.encode(tree), indent=1) + b"\n"


def write_project(path: Path, project: Project, extras: Extras | None = None) -> str:
    """Save a project atomically, keeping the last good file as ``NAME~``; the file's digest.

    ProjectError when it cannot be written; what was there is then still there.
    """
    data = project_bytes(project, extras)
    if len(data) > MAX_FILE_BYTES:
        raise ProjectError(
            f"{shown(path)} would have {len(data) // 1024**2} MB; up to "
            f"{MAX_FILE_BYTES // 1024**2} are read. What was there is unchanged; remove patterns "
            "that are not used, or make two projects of it."
        )
    try:
        write_atomic(path, data, keep_last=True)
    except OSError as error:
        raise ProjectError(
            f"{shown(path)} could not be saved: {error.strerror}. What was there is unchanged; "
            "save under another name or in another folder."
        ) from error
    return digest_of(data)


def json_schema() -> dict[str, Any]:
    """The published JSON Schema of the project file."""
    schema = clean_schema(msgspec.json.schema(Project))
    properties = schema["$defs"]["Project"]["properties"]
    schema["$defs"]["Project"]["properties"] = {
        "schema": {"type": "integer", "const": SCHEMA_VERSION},
        **properties,
    }
    schema["$defs"]["Project"]["required"] = ["schema"]
    return {"$schema": "https://json-schema.org/draft/2020-12/schema", **schema}


def _read_tree(data: bytes, name: str, path: Path | None) -> dict[str, Any]:
    if json_values(data) > MAX_VALUES:
        raise ProjectError(
            f"{name} holds over {MAX_VALUES // 1_000_000} million values, too many for a project. "
            f"Open another. {UNTOUCHED}"
        )
    try:
        tree = msgspec.json.decode(data)
    except (msgspec.DecodeError, UnicodeDecodeError, RecursionError) as error:
        if not data.strip():
            what = "is empty"
        elif data.lstrip()[:1] == b"{" and "truncated" in str(error).lower():
            what = "ends in the middle: it was cut short"
        else:
            what = f"is not a Grebe project: it is not JSON ({error})"
        raise ProjectError(f"{name} {what}. {_way_out(path)} {UNTOUCHED}") from error
    if not isinstance(tree, dict):
        raise ProjectError(
            f"{name} is not a Grebe project: its top level is not an object. Open another. "
            f"{UNTOUCHED}"
        )
    return tree


def _check_ids(project: Project, name: str) -> None:
    lists: dict[str, tuple[Any, ...]] = {
        "rig.devices": project.rig.devices,
        "patterns": project.patterns,
        "loops": project.loops,
        "scenes": project.scenes,
        "songs": project.songs,
        "sets": project.sets,
    }
    for number, device in enumerate(project.rig.devices):
        lists[f"rig.devices[{number}].spec.tracks"] = device.spec.tracks
    for set_number, running in enumerate(project.sets):
        lists[f"sets[{set_number}].songs"] = running.songs
    for song_number, song in enumerate(project.songs):
        lists[f"songs[{song_number}].sections"] = song.sections
    for number, pattern in enumerate(project.patterns):
        lists[f"patterns[{number}].content.voices"] = pattern.content.voices
        lists[f"patterns[{number}].content.lanes"] = pattern.content.lanes
        where = f"patterns[{number}].content"
        for index, voice in enumerate(pattern.content.voices):
            _check_steps(name, f"{where}.voices[{index}].hits", voice.hits, voice.length)
        for index, lane in enumerate(pattern.content.lanes):
            _check_steps(name, f"{where}.lanes[{index}].points", lane.points, lane.length)
    for number, loop in enumerate(project.loops):
        for index, piece in enumerate(loop.slices):
            if not piece.start < piece.end <= loop.samples:
                raise ProjectError(
                    f"{name}: field `loops[{number}].slices[{index}]`: a slice ends after "
                    f"it starts, inside the loop's {loop.samples} samples. Mend it. {UNTOUCHED}"
                )
    for field, items in lists.items():
        seen: set[str] = set()
        for index, item in enumerate(items):
            if item.id in seen:
                raise ProjectError(
                    f"{name}: field `{field}[{index}].id`: {item.id!r} stands there twice. "
                    f"Give one of them another id. {UNTOUCHED}"
                )
            seen.add(item.id)


def _check_steps(name: str, field: str, items: tuple[Any, ...], length: int) -> None:
    """Steps rise, and stay below the length of what they stand in."""
    steps = [item.step for item in items]
    if steps != sorted(set(steps)) or (steps and steps[-1] >= length):
        raise ProjectError(
            f"{name}: field `{field}`: steps must increase and stay below the length of {length}. "
            f"Mend the field. {UNTOUCHED}"
        )


def _key(item: Any, index: int) -> str:
    item_id = item.get("id") if isinstance(item, dict) else None
    return f"#{index}" if item_id is None else str(item_id)


def _unknown(raw: Any, value: Any) -> Extras:
    """Fields of `raw` that the type of `value` does not have, all the way down."""
    out: Extras = {}
    if isinstance(value, msgspec.Struct) and isinstance(raw, dict):
        known = _names(type(value))
        for key, inner in raw.items():
            if key not in known:
                _check_depth(inner, key)
                out[key] = inner
            elif type(inner) in _DEEP and (deeper := _unknown(inner, getattr(value, known[key]))):
                out[key] = deeper
    elif isinstance(value, tuple) and isinstance(raw, list):
        for index, (inner, item) in enumerate(zip(raw, value, strict=True)):
            if type(inner) in _DEEP and (deeper := _unknown(inner, item)):
                out[_key(inner, index)] = deeper
    return out


def _check_depth(value: Any, field: str) -> None:
    """ProjectError for what nests deeper than can be written back."""
    waiting = [(value, 0)]
    while waiting:
        each, deep = waiting.pop()
        if deep > MOST_DEEP:
            raise ProjectError(
                f"field `{field}`, which this version does not know, nests over {MOST_DEEP} deep. "
                f"Take it out. {UNTOUCHED}"
            )
        inside = each.values() if isinstance(each, dict) else each if isinstance(each, list) else ()
        waiting += [(inner, deep + 1) for inner in inside]


_DEEP = (dict, list)
"""What can have more in it: a project of many patterns is mostly numbers."""


@cache
def _names(kind: type[msgspec.Struct]) -> dict[str, str]:
    """Fields of a kind of thing, by their name in the file."""
    return {field.encode_name: field.name for field in msgspec.structs.fields(kind)}


def _merged(tree: Any, extras: Extras) -> Any:
    """`tree` with the unknown fields put back where their things still are."""
    if isinstance(tree, dict):
        out = dict(tree)
        for key, extra in extras.items():
            known = tree.get(key)
            out[key] = _merged(known, extra) if isinstance(known, (dict, list, tuple)) else extra
        return out
    if isinstance(tree, (list, tuple)):
        return [
            _merged(item, extras[key]) if (key := _key(item, index)) in extras else item
            for index, item in enumerate(tree)
        ]
    return tree
