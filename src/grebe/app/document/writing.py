"""Writing a file that was asked for, and saying why not."""

from __future__ import annotations

from collections.abc import Callable
from pathlib import Path

from grebe.errors import ProjectError
from grebe.formats.atomic import write_atomic
from grebe.words import tr


def written(path: Path, data: bytes | Callable[[Path], None]) -> Path:
    """Write a file, its folder made where it is missing; the path. `data` may write it itself.
    ProjectError says why not."""
    try:
        path.parent.mkdir(parents=True, exist_ok=True)
        if isinstance(data, bytes):
            write_atomic(path, data)
        else:
            data(path)
    except OSError as error:
        raise ProjectError(
            tr(
                "{path} could not be written: {strerror}. Choose another folder.",
                path=path,
                strerror=error.strerror,
            )
        ) from error
    return path
