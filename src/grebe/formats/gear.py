"""What a performer knows of gear, as one open JSON file: profiles, notes, and what was tried.

``{"format": "grebe-gear", "schema": 1, "profiles": [...], "notes": [...], "trials": [...]}``.
"""

from __future__ import annotations

from pathlib import Path
from typing import NamedTuple

import msgspec

from grebe.core.gear.model import GearLibrary
from grebe.core.rig.spec import Profile
from grebe.errors import ProfileError
from grebe.formats.profiles import MAX_OWN, check_profile
from grebe.formats.reading import UNTOUCHED, read_bounded, understanding
from grebe.formats.tagged import Tag

TAG = Tag("grebe-gear", 1, "one that was written with these notes", ProfileError)
MAX_BYTES = 32 * 1024 * 1024
"""A thousand profiles and some thousand notes are a few megabytes."""


class GearFile(NamedTuple):
    """What such a file holds."""

    profiles: tuple[Profile, ...]
    library: GearLibrary


def read_gear(path: Path) -> GearFile:
    """Read such a file. ProfileError names the file, the field and what to do."""
    return parse_gear(read_bounded(path, MAX_BYTES, "notes on gear", ProfileError), str(path))


def parse_gear(data: bytes, name: str) -> GearFile:
    """The same from bytes; `name` is what messages call the file."""
    with understanding(name, "notes on gear", ProfileError):
        tree = TAG.fields(data, name)
        lists = {key: tree.get(key, []) for key in ("notes", "trials")}
        library = TAG.converted(lists, GearLibrary, name)
        profiles = TAG.converted(tree.get("profiles", []), tuple[Profile, ...], name)
        if len(profiles) > MAX_OWN:
            raise ProfileError(f"{name}: more than {MAX_OWN} profiles. {UNTOUCHED}")
        for profile in profiles:
            check_profile(profile, f"{name}: {profile.name}")
        return GearFile(profiles, library)


def gear_bytes(profiles: tuple[Profile, ...], library: GearLibrary) -> bytes:
    """Such a file."""
    fields = {"profiles": msgspec.to_builtins(profiles), **msgspec.to_builtins(library)}
    return TAG.bytes_of(fields)


def write_gear(path: Path, profiles: tuple[Profile, ...], library: GearLibrary) -> None:
    """Write such a file. ProfileError when it cannot be."""
    TAG.write(path, gear_bytes(profiles, library))
