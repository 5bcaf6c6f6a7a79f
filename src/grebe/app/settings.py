"""What is remembered between starts: the last project and the theme."""

from __future__ import annotations

from pathlib import Path
from typing import Literal

import msgspec

from grebe.formats.atomic import write_atomic
from grebe.process.places import state_dir


class Settings(msgspec.Struct, frozen=True, kw_only=True):
    """A small file of preferences; one that cannot be read counts as empty."""

    last_project: str = ""
    theme: Literal["day", "night"] = "day"


def read_settings() -> Settings:
    """The settings as kept."""
    try:
        return msgspec.json.decode((state_dir() / "settings.json").read_bytes(), type=Settings)
    except (OSError, msgspec.MsgspecError):
        return Settings()


def write_settings(settings: Settings) -> None:
    """Keep the settings. Losing them is no reason to stop, so a full disk is let pass."""
    try:
        write_atomic(state_dir() / "settings.json", msgspec.json.encode(settings))
    except OSError:
        return


def last_project() -> Path | None:
    """The project that was open last, if it was one."""
    kept = read_settings().last_project
    return Path(kept) if kept else None
