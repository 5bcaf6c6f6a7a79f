"""Writing a file so that there is always a whole one: temporary file, fsync, rename."""

from __future__ import annotations

import os
import tempfile
from pathlib import Path


def write_atomic(path: Path, data: bytes, *, keep_last: bool = False) -> None:
    """Replace `path` by `data` in one step.

    With `keep_last` the file that was there stays beside it as ``NAME~``.
    OSError as the system gives it; whatever happens, `path` is the old or the new file.
    """
    handle, temporary = tempfile.mkstemp(dir=path.parent, prefix=f".{path.name}.")
    try:
        with os.fdopen(handle, "wb") as file:
            file.write(data)
            file.flush()
            os.fsync(file.fileno())
        mode = path.stat().st_mode & 0o777 if path.exists() else 0o666 & ~_umask()
        Path(temporary).chmod(mode)
        if keep_last and path.exists():
            last = path.with_name(path.name + "~")
            last.unlink(missing_ok=True)
            os.link(path, last)
        os.replace(temporary, path)
    except BaseException:
        Path(temporary).unlink(missing_ok=True)
        raise
    folder = os.open(path.parent, os.O_RDONLY)
    try:
        os.fsync(folder)
    finally:
        os.close(folder)


def _umask() -> int:
    mask = os.umask(0)
    os.umask(mask)
    return mask
