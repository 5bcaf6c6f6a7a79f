"""Small files that Grebe keeps for itself: one that cannot be read is set aside, and said.

Nothing in them is worth not starting for.
"""

from __future__ import annotations

import logging
from pathlib import Path
from typing import TypeVar

import msgspec

from grebe.formats.atomic import write_atomic
from grebe.formats.reading import read_file
from grebe.words import tr

MOST_BYTES = 1024 * 1024
DAMAGED = ".damaged"
_T = TypeVar("_T")
_log = logging.getLogger(__name__)
_said: list[str] = []


def read_kept(path: Path, kind: type[_T], empty: _T) -> _T:
    """What a small file holds; `empty` where it is not there, or cannot be read.

    One that is damaged is renamed to ``NAME.damaged``, so that it can be looked at.
    """
    try:
        data = read_file(path, MOST_BYTES)
    except FileNotFoundError:
        return empty
    except OSError as error:
        _say(
            tr(
                "{path} could not be read ({strerror}): started without it.",
                path=path.name,
                strerror=error.strerror,
            )
        )
        return empty
    try:
        return msgspec.json.decode(data, type=kind)
    except Exception as error:  # nests a thousand deep, is no UTF-8: whatever it is
        _set_aside(path, error)
        return empty


def _set_aside(path: Path, error: Exception) -> None:
    aside = path.with_name(path.name + DAMAGED)
    try:
        path.replace(aside)
    except OSError:
        _say(
            tr(
                "{path} is damaged ({name}): started without it.",
                path=path.name,
                name=type(error).__name__,
            )
        )
    else:
        _say(
            tr(
                "{path} was damaged and is now {aside}: started without it.",
                path=path.name,
                aside=aside.name,
            )
        )


def write_kept(path: Path, value: object, *, private: bool = False) -> None:
    """Keep a value. OSError where that cannot be: whoever asked says so."""
    write_atomic(path, msgspec.json.encode(value), private=private)


def _say(text: str) -> None:
    _log.warning("%s", text)
    _said.append(text)


def take_said() -> list[str]:
    """What there was to say since this was asked last."""
    said = list(_said)
    _said.clear()
    return said
