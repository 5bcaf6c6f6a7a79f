"""What is kept between starts: the last project, day or night."""

from __future__ import annotations

from contextlib import suppress
from pathlib import Path
from typing import Literal

import msgspec

from grebe.app.kept import read_kept, write_kept
from grebe.process.places import read_back, state_dir, written


class Settings(msgspec.Struct, frozen=True, kw_only=True):
    """A small file of preferences; one that cannot be read counts as empty."""

    last_project: str = ""
    """As `written` writes a path."""
    theme: Literal["day", "night"] = "day"


def _path() -> Path:
    return state_dir() / "settings.json"


def read_settings() -> Settings:
    """The settings as kept."""
    return read_kept(_path(), Settings, Settings())


def write_settings(settings: Settings) -> None:
    """Keep the settings. Losing them is no reason to stop, so a full disk is let pass."""
    with suppress(OSError):
        write_kept(_path(), settings)


def last_project() -> Path | None:
    """The project that was open last, if it was one."""
    kept = read_settings().last_project
    return read_back(kept) if kept else None


def remember_project(path: Path) -> None:
    """The next start opens this one."""
    write_settings(msgspec.structs.replace(read_settings(), last_project=written(path)))
