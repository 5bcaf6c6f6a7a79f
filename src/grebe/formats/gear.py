"""What a performer knows of gear, as one open JSON file: profiles, notes, and what was tried.

``{"format": "grebe-gear", "schema": 1, "profiles": [...], "notes": [...], "trials": [...]}``.
"""

from __future__ import annotations

from pathlib import Path
from typing import Any, NamedTuple

import msgspec

from grebe.core.gear.model import GearLibrary
from grebe.core.rig.spec import Profile
from grebe.errors import ProfileError
from grebe.formats.atomic import write_atomic
from grebe.formats.profiles import MAX_OWN, check_profile
from grebe.formats.reading import UNTOUCHED, plain, read_bounded, understanding

FORMAT, SCHEMA = "grebe-gear", 1
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
        tree = msgspec.json.decode(data)
        if not isinstance(tree, dict) or tree.get("format") != FORMAT:
            raise ProfileError(
                f"{name}: field `format` should be {FORMAT!r}. It may be another file; choose "
                f"one that was written with these notes. {UNTOUCHED}"
            )
        if tree.get("schema") != SCHEMA:
            raise ProfileError(
                f"{name}: field `schema` should be {SCHEMA} (got {tree.get('schema')!r}). "
                f"{UNTOUCHED}"
            )
        fields = {key: tree.get(key, []) for key in ("notes", "trials")}
        try:
            library = msgspec.convert(fields, GearLibrary)
            profiles = msgspec.convert(tree.get("profiles", []), tuple[Profile, ...])
        except msgspec.ValidationError as error:
            raise ProfileError(
                f"{name}: {plain(str(error))}. Mend the field. {UNTOUCHED}"
            ) from error
        if len(profiles) > MAX_OWN:
            raise ProfileError(f"{name}: more than {MAX_OWN} profiles. {UNTOUCHED}")
        for profile in profiles:
            check_profile(profile, f"{name}: {profile.name}")
        return GearFile(profiles, library)


def gear_bytes(profiles: tuple[Profile, ...], library: GearLibrary) -> bytes:
    """Such a file."""
    tree: dict[str, Any] = {
        "format": FORMAT, "schema": SCHEMA,
        "profiles": msgspec.to_builtins(profiles), **msgspec.to_builtins(library),
    }  # fmt: skip
    return msgspec.json.format(msgspec.json.encode(tree), indent=1) + b"\n"


def write_gear(path: Path, profiles: tuple[Profile, ...], library: GearLibrary) -> None:
    """Write such a file. ProfileError when it cannot be."""
    try:
        path.parent.mkdir(parents=True, exist_ok=True)
        write_atomic(path, gear_bytes(profiles, library), keep_last=True)
    except OSError as error:
        raise ProfileError(f"{path} could not be saved: {error.strerror}.") from error
