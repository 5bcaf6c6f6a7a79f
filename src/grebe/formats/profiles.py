"""Device profiles: open JSON files, those shipped and the performer's own.

``{"format": "grebe-profile", "schema": 1, "id": ..., "name": ..., "spec": {...}}``;
docs/profile.schema.json says the rest.
"""

from __future__ import annotations

from functools import cache
from importlib.resources import files
from pathlib import Path
from typing import Any

import msgspec

from grebe.core.rig.profile_check import contradictions
from grebe.core.rig.spec import Profile
from grebe.errors import ProfileError
from grebe.formats.reading import UNTOUCHED, clean_schema, read_bounded, understanding
from grebe.formats.tagged import Tag

TAG = Tag("grebe-profile", 1, "a device profile", ProfileError)
MAX_PROFILE_BYTES = 1024 * 1024
"""A chart of every controller is some kilobytes."""
MAX_OWN = 1000


def read_profile(path: Path) -> Profile:
    """Read a profile. ProfileError names the file, the field and what to do."""
    return parse_profile(
        read_bounded(path, MAX_PROFILE_BYTES, "a profile", ProfileError), str(path)
    )


def parse_profile(data: bytes, name: str) -> Profile:
    """Read a profile from bytes; `name` is what messages call the file.

    ProfileError when it is none, or contradicts itself.
    """
    with understanding(name, "a device profile", ProfileError):
        return _parse(data, name)


def _parse(data: bytes, name: str) -> Profile:
    fields = TAG.fields(data, name)
    profile = TAG.converted(fields, Profile, name)
    check_profile(profile, name)
    return profile


def check_profile(profile: Profile, name: str) -> None:
    """ProfileError with the first field that contradicts another, if one does."""
    for field, what in contradictions(profile):
        raise ProfileError(f"{name}: field `{field}`: {what}. Mend one of the two. {UNTOUCHED}")


def profile_bytes(profile: Profile) -> bytes:
    """A profile's file."""
    return TAG.bytes_of(msgspec.to_builtins(profile))


def write_profile(folder: Path, profile: Profile) -> Path:
    """Save a profile of the performer's own; its path. ProfileError when it cannot be."""
    path = folder / f"{profile.id}.json"
    export_profile(path, profile)
    return path


def export_profile(path: Path, profile: Profile) -> None:
    """Write a profile to a file of its own, to be shared. ProfileError when it cannot be."""
    check_profile(profile, profile.name)
    TAG.write(path, profile_bytes(profile))


@cache
def shipped_profiles() -> tuple[Profile, ...]:
    """The profiles that come with Grebe, by name."""
    folder = files("grebe.data") / "profiles"
    made = [
        parse_profile(entry.read_bytes(), entry.name)
        for entry in folder.iterdir()
        if entry.name.endswith(".json")
    ]
    return tuple(sorted(made, key=lambda p: p.name))


def own_profiles(folder: Path) -> tuple[tuple[Profile, ...], tuple[str, ...]]:
    """The performer's own profiles in a folder, and what is wrong with those left out."""
    good: list[Profile] = []
    bad: list[str] = []
    for path in sorted(folder.glob("*.json"))[:MAX_OWN] if folder.is_dir() else []:
        try:
            good.append(read_profile(path))
        except ProfileError as error:
            bad.append(str(error))
    return tuple(good), tuple(bad)


def known_profiles(folder: Path) -> tuple[tuple[Profile, ...], tuple[str, ...]]:
    """The performer's own profiles in a folder, then those that are shipped; and what is wrong with
    those left out. One's own stands for a shipped one with the same id."""
    own, bad = own_profiles(folder)
    ids = {p.id for p in own}
    return (*own, *(p for p in shipped_profiles() if p.id not in ids)), bad


def profile_schema() -> dict[str, Any]:
    """The published JSON Schema of a profile."""
    schema = clean_schema(msgspec.json.schema(Profile))
    body = schema["$defs"]["Profile"]
    body["properties"] = {
        "format": {"const": TAG.format},
        "schema": {"type": "integer", "const": TAG.schema},
        **body["properties"],
    }
    body["required"] = ["format", "schema", *body.get("required", [])]
    return {"$schema": "https://json-schema.org/draft/2020-12/schema", **schema}
