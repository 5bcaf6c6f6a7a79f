"""The performer's own notes on gear, kept beside the profiles. Without Qt."""

from __future__ import annotations

from collections.abc import Callable
from pathlib import Path

import msgspec

from grebe.core.gear.model import (
    NO_LIBRARY,
    Entry,
    GearLibrary,
    GearNote,
    Trial,
    joined,
    without_entry,
)
from grebe.core.rig.edits import free_id
from grebe.core.rig.spec import Profile
from grebe.errors import ProfileError
from grebe.formats.gear import read_gear, write_gear
from grebe.formats.profiles import own_profiles, write_profile
from grebe.process.places import data_dir, own_profiles_dir
from grebe.words import counted, tr


def kept_at() -> Path:
    """Where they lie."""
    return data_dir() / "gear.json"


class GearShelf:
    """Reads them, and writes them with every change: another window's are kept."""

    def __init__(self, path: Path | None = None) -> None:
        self._path = path or kept_at()
        self.problem = ""
        """Why they could not be read; then nothing is written over them."""
        self.library: GearLibrary = NO_LIBRARY
        self._before: GearLibrary | None = None
        self.read()

    def read(self) -> None:
        """As they are on disk now."""
        self.problem = ""
        if not self._path.exists():
            self.library = NO_LIBRARY
            return
        try:
            self.library = read_gear(self._path).library
        except ProfileError as error:
            self.problem = str(error)

    def add(self, *entries: Entry) -> None:
        """Write something down. ProfileError where that cannot be saved."""
        more = GearLibrary(
            notes=tuple(e for e in entries if isinstance(e, GearNote)),
            trials=tuple(e for e in entries if isinstance(e, Trial)),
        )
        self._change(lambda library: joined(library, more))

    def remove(self, entry: str) -> None:
        """Take something out. ProfileError where that cannot be saved."""
        self._change(lambda library: without_entry(library, entry))

    def take_back(self) -> bool:
        """As it was before the last change made here; whether there was one."""
        before, self._before = self._before, None
        if before is None:
            return False
        self._write(before)
        return True

    def _change(self, edit: Callable[[GearLibrary], GearLibrary]) -> None:
        self.read()
        if self.problem:
            raise ProfileError(self.problem)
        self._before = self.library
        self._write(edit(self.library))

    def _write(self, library: GearLibrary) -> None:
        write_gear(self._path, (), library)
        self.library = library

    # All of it in one file

    def write_all(self, path: Path) -> str:
        """Profiles, notes and tries into one file; what was written, in words. ProfileError where
        it cannot be."""
        profiles, _ = own_profiles(own_profiles_dir())
        write_gear(path, profiles, self.library)
        return _counted(profiles, self.library)

    def read_all(self, path: Path) -> str:
        """Those of another file beside one's own; what came, in words. ProfileError where it cannot
        be read. A profile that differs from one's own of that id is kept beside it."""
        found = read_gear(path)
        folder = own_profiles_dir()
        own = {p.id: p for p in own_profiles(folder)[0]}
        came: list[Profile] = []
        for profile in found.profiles:
            if own.get(profile.id) == profile:
                continue
            new = profile
            if profile.id in own:
                fresh = free_id(profile.id, set(own))
                new = msgspec.structs.replace(profile, id=fresh)
            own[new.id] = new
            write_profile(folder, new)
            came.append(new)
        before = {e.id for e in self.library.entries}
        self.add(*found.library.notes, *found.library.trials)
        more = GearLibrary(
            notes=tuple(n for n in self.library.notes if n.id not in before),
            trials=tuple(t for t in self.library.trials if t.id not in before),
        )
        return _counted(tuple(came), more)


def _counted(profiles: tuple[Profile, ...], library: GearLibrary) -> str:
    return tr(
        "{profiles}, {notes}, {trials}",
        profiles=counted(len(profiles), "profile"),
        notes=counted(len(library.notes), "note"),
        trials=counted(len(library.trials), "try", "tries"),
    )
