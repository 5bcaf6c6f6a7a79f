"""What is kept between starts: the last project, and how Grebe looks and behaves here."""

from __future__ import annotations

import os
from collections.abc import Mapping, MutableMapping
from contextlib import suppress
from pathlib import Path
from typing import Annotated, Literal

import msgspec
from msgspec import Meta

from grebe.app.kept import read_kept, write_kept
from grebe.errors import SettingsError
from grebe.process.places import read_back, state_dir, written
from grebe.words import LANGUAGES, tr

Theme = Literal["desktop", "day", "night"]
Paper = Literal["usual", "A4", "Letter"]
Language = Literal["desktop", "en", "de"]
LogLevel = Literal["errors", "usual", "everything"]
LOG_LEVELS: dict[LogLevel, str] = {
    "errors": "ERROR", "usual": "INFO", "everything": "DEBUG",
}  # fmt: skip


MOST_RECENT = 8


class Settings(msgspec.Struct, frozen=True, kw_only=True):
    """A small file of preferences; one that cannot be read counts as empty."""

    last_project: str = ""
    """As `written` writes a path."""
    recent: tuple[str, ...] = ()
    """Projects that were open lately, the last first; as `written` writes paths."""
    geometry: str = ""
    """Of the window when it was closed last, as Qt writes it, in base64."""
    station: int = 1
    """That was shown then."""
    place_in: str = ""
    """The project that `parts` and `in_hand` are of; as `written` writes its path."""
    parts: dict[str, int] = {}
    """The part that each station showed."""
    in_hand: dict[str, str] = {}
    """What each station had in hand, by its id."""
    walk_shown: bool = False
    """Whether the walk through a first set is on the way."""
    walk_done: tuple[str, ...] = ()
    """Its steps that are done."""
    theme: Theme = "desktop"
    language: Language = "desktop"
    """Of the window, and of what it starts; "desktop" as its session has it, English where there
    is no translation. Taken at the next start."""
    night_step: Annotated[int, Meta(ge=0, le=2)] = 0
    """How bright Night is on Stage: 0 as it is, 1 and 2 dimmer."""
    size_percent: Annotated[int, Meta(ge=80, le=200)] = 100
    """Of everything in the window; taken at the next start."""
    menu_on_stage: bool = True
    sheet_shown: bool = True
    output_port: str = ""
    """A box that is added is played over the first port whose name has this; "" for none."""
    input_port: str = ""
    sound_output: str = ""
    """Where stand-ins are heard: part of an output's name; "" for the system's usual one."""
    sound_level: Annotated[int, Meta(ge=0, le=100)] = 70
    """Of the stand-ins, in per cent."""
    log_level: LogLevel = "usual"
    log_runs: bool = True
    log_checks: bool = True
    log_rehearsals: bool = True
    log_days: Annotated[int, Meta(ge=0, le=36_500)] = 0
    """So long the log is kept; 0 for ever."""
    sheet_percent: Annotated[int, Meta(ge=50, le=200)] = 100
    """How large the type of printed sheets is."""
    paper: Paper = "usual"
    """Of printed sheets; "usual" as this country has it."""
    folders: dict[str, str] = {}
    """Where each kind of file was read or written last; as `written` writes paths."""
    projects: str = ""
    """Where file dialogs begin; as `written` writes a path."""


def with_choice(settings: Settings, key: str, text: str) -> Settings:
    """The settings with one of them from text. SettingsError says what it may be."""
    old = getattr(settings, key)
    value: object = text.strip()
    if isinstance(old, bool):
        value = text == "yes"
    elif isinstance(old, int):
        digits = text.strip().removesuffix("%").strip()
        if not digits.isdecimal():
            raise SettingsError(tr("a whole number of per cent, not {text_!r}", text_=text))
        value = int(digits)
    elif key == "projects" and value:
        folder = Path(str(value)).expanduser()
        if not folder.is_dir():
            raise SettingsError(tr("there is no folder {value}", value=value))
        value = written(folder)
    try:
        plain = {**msgspec.structs.asdict(settings), key: value}
        return msgspec.convert(plain, Settings)
    except msgspec.ValidationError as error:
        raise SettingsError(str(error).partition(" - at")[0]) from None


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
    settings, words = read_settings(), written(path)
    recent = (words, *(r for r in settings.recent if r != words))[:MOST_RECENT]
    write_settings(msgspec.structs.replace(settings, last_project=words, recent=recent))


def recent_projects() -> list[Path]:
    """What was open lately, the last first."""
    return [read_back(words) for words in read_settings().recent]


def projects_folder() -> str:
    """Where file dialogs begin; "" for where they like."""
    kept = read_settings().projects
    return str(read_back(kept)) if kept else ""


def tell_processes(settings: Settings, environment: MutableMapping[str, str] = os.environ) -> None:
    """Put what other processes of Grebe are to know into their environment.

    What the environment says already, somebody has set for this start: that stays.
    """
    environment.setdefault("GREBE_LOG", LOG_LEVELS[settings.log_level])
    environment.setdefault("GREBE_SOUND_LEVEL", str(settings.sound_level))
    if settings.sound_output:
        environment.setdefault("GREBE_SOUND", settings.sound_output)
    if settings.size_percent != 100:
        environment.setdefault("QT_SCALE_FACTOR", f"{settings.size_percent / 100:g}")


def language_of(settings: Settings, environment: Mapping[str, str]) -> str:
    """The code of the language that the window is to have."""
    if settings.language != "desktop":
        return settings.language
    names = (environment.get(name, "") for name in ("LANGUAGE", "LC_ALL", "LC_MESSAGES", "LANG"))
    code = next((name for name in names if name), "")[:2]
    return code if code in LANGUAGES else "en"
