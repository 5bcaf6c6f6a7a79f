"""Reading a file from outside: bounded by what is read, with errors in words."""

from __future__ import annotations

import errno
import os
import stat
from collections.abc import Iterator
from contextlib import contextmanager
from inspect import cleandoc
from pathlib import Path
from typing import Any

from grebe.errors import GrebeError
from grebe.process.places import shown

UNTOUCHED = "The file has not been touched."
MAX_VALUES = 8_000_000
"""Of JSON, as `json_values` counts them: over any project of 64 MB, under half a gigabyte of memory
for a file that is made to take more."""


def read_bounded(path: Path, max_bytes: int, what: str, error_class: type[GrebeError]) -> bytes:
    """The bytes of a file of at most `max_bytes`; `what` it should be, for the message.

    Only files are read: a pipe would be waited for, a device never ends. Raises `error_class` with
    the path, the reason and what to do.
    """
    name = shown(path)
    try:
        return read_file(path, max_bytes)
    except FileNotFoundError as error:
        raise error_class(f"{name} is not there. Check the name, or open another.") from error
    except OSError as error:
        if error.errno == errno.EFBIG:
            size = f"{max_bytes / 1024**2:g} MB"
            raise error_class(
                f"{name} is over {size}, too large for {what}. Choose another. {UNTOUCHED}"
            ) from error
        if error.errno == errno.ENOTSUP:
            raise error_class(
                f"{name} is no file that can be read to its end. Choose {what}. {UNTOUCHED}"
            ) from error
        raise error_class(f"{name} cannot be read: {error.strerror}. {UNTOUCHED}") from error
    except ValueError as error:  # a name with a zero byte in it
        raise error_class(f"{name!r} is no name of a file. Choose another.") from error


def read_file(path: Path, max_bytes: int) -> bytes:
    """The bytes of a plain file.

    OSError as the system gives it, EFBIG where there is more, ENOTSUP for what is no plain file.
    """
    handle = os.open(path, os.O_RDONLY | os.O_NONBLOCK | os.O_CLOEXEC)
    mode = os.fstat(handle).st_mode
    if not stat.S_ISREG(mode):
        os.close(handle)
        if stat.S_ISDIR(mode):
            raise IsADirectoryError(errno.EISDIR, "it is a folder", str(path))
        raise OSError(errno.ENOTSUP, "it is no plain file", str(path))
    with os.fdopen(handle, "rb", buffering=0) as file:
        parts: list[bytes] = []
        left = max_bytes + 1
        while left > 0 and (part := file.read(min(left, 1 << 20))):
            parts.append(part)
            left -= len(part)
    if left <= 0:
        raise OSError(errno.EFBIG, "it is too large", str(path))
    return b"".join(parts)


@contextmanager
def understanding(name: str, what: str, error_class: type[GrebeError]) -> Iterator[None]:
    """Read a file's bytes: whatever goes wrong with them is one error in words.

    A reader raises what its author thought of; a file that nests a thousand deep, or has a list
    where a map should be, raises something else.
    """
    try:
        yield
    except GrebeError:
        raise
    except Exception as error:
        raise error_class(
            f"{name} is not {what} ({type(error).__name__}: {str(error)[:200]}). {UNTOUCHED}"
        ) from error


def require_file(path: Path, what: str, error_class: type[GrebeError]) -> None:
    """Raise `error_class` for what is no plain file: a pipe would be waited for by its reader."""
    if path.exists() and not path.is_file():
        raise error_class(f"{path} is no file that can be read to its end. Choose {what}.")


def json_values(data: bytes) -> int:
    """At most how many values there are in some JSON, without reading it.

    Text inside may count more than once: it is a bound, found in milliseconds.
    """
    return data.count(b",") + data.count(b":") + data.count(b"[") + data.count(b"{") + 1


def clean_schema(schema: Any) -> Any:
    """A JSON schema made from types, its descriptions as every Python from 3.13 on has them.

    Earlier ones keep the indentation of a docstring's later lines.
    """
    if isinstance(schema, dict):
        return {
            key: cleandoc(value)
            if key == "description" and isinstance(value, str)
            else clean_schema(value)
            for key, value in schema.items()
        }
    return [clean_schema(item) for item in schema] if isinstance(schema, list) else schema


def plain(text: str) -> str:
    """msgspec's message with the field first: "`rig.devices[0].channel`: Expected ..."."""
    what, _, where = text.partition(" - at ")
    field = where.strip("`").removeprefix("$").removeprefix(".") or "the top level"
    return f"field `{field}`: {what[0].lower()}{what[1:]}"
