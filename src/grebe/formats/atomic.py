"""Writing a file so that there is always a whole one: temporary file, fsync, rename."""

from __future__ import annotations

import errno
import fcntl
import hashlib
import os
import shutil
import tempfile
from contextlib import suppress
from pathlib import Path

SCRATCH_PREFIX, SCRATCH_SUFFIX = ".grebe-", ".part"
_AGAIN = 3


def write_atomic(
    path: Path, data: bytes, *, keep_last: bool = False, private: bool = False
) -> None:
    """Replace `path` by `data` in one step.

    With `keep_last` the file that was there stays beside it as ``NAME~``, which is there at every
    instant. Where `path` is a symbolic link, the file it points to is replaced. With `private`
    nobody but its owner can read it. What a kill has left of earlier writing is cleared away.
    OSError as the system gives it; whatever happens, `path` is the old or the new file.
    """
    target = Path(os.path.realpath(path))
    if target.exists() and not os.access(target, os.W_OK):
        raise PermissionError(errno.EACCES, "it is set to be read only", str(target))
    _clear_left_over(target)
    handle, scratch = _scratch(target)
    try:
        with os.fdopen(handle, "wb") as file:
            file.write(data)
            file.flush()
            os.fsync(file.fileno())
            with suppress(OSError):  # a file system without modes
                os.fchmod(file.fileno(), _mode(target, private=private))
            if keep_last and target.exists():
                _keep_last(target)
            os.replace(scratch, target)  # while it is held: nobody takes it for left over
    except BaseException:
        scratch.unlink(missing_ok=True)
        raise
    _sync_folder(target.parent)


def last_of(path: Path) -> Path:
    """Where the version before the one that `path` has is kept."""
    target = Path(os.path.realpath(path))
    return target.with_name(target.name + "~")


def _stem(target: Path) -> str:
    """How scratch files of one target begin: short and plain, whatever its name is."""
    return f"{SCRATCH_PREFIX}{hashlib.sha256(os.fsencode(target.name)).hexdigest()[:12]}-"


def _scratch(target: Path) -> tuple[int, Path]:
    """A new file beside the target, held: so another process sees that it is not left over."""
    for _ in range(_AGAIN):
        handle, name = tempfile.mkstemp(
            dir=target.parent, prefix=_stem(target), suffix=SCRATCH_SUFFIX
        )
        with suppress(OSError):  # a file system without locks
            fcntl.flock(handle, fcntl.LOCK_EX)
        if os.path.exists(name):
            return handle, Path(name)
        os.close(handle)  # cleared by somebody between being made and being held
    raise FileExistsError(errno.EBUSY, "another program clears its folder", str(target.parent))


def _clear_left_over(target: Path) -> None:
    """Remove what writers of this target that were killed have left beside it."""
    for left in target.parent.glob(f"{_stem(target)}*{SCRATCH_SUFFIX}"):
        with suppress(OSError):
            handle = os.open(left, os.O_RDONLY | os.O_NOFOLLOW)
            try:
                fcntl.flock(handle, fcntl.LOCK_EX | fcntl.LOCK_NB)
                left.unlink()
            finally:
                os.close(handle)


def _keep_last(target: Path) -> None:
    """Have ``NAME~`` be what the target is now, in one step."""
    handle, scratch = _scratch(target)
    try:
        with os.fdopen(handle, "wb") as file:
            try:
                link = scratch.with_suffix(".link" + SCRATCH_SUFFIX)
                link.unlink(missing_ok=True)
                os.link(target, link)
                os.replace(link, last_of(target))
                link.unlink(missing_ok=True)  # still there where both were one file already
                return
            except OSError:
                pass  # a file system without hard links, as on most sticks: copied
            with target.open("rb") as source:
                shutil.copyfileobj(source, file)
            file.flush()
            os.fsync(file.fileno())
            with suppress(OSError):
                os.fchmod(file.fileno(), target.stat().st_mode & 0o777)
            os.replace(scratch, last_of(target))
    finally:
        scratch.unlink(missing_ok=True)


def _mode(target: Path, *, private: bool) -> int:
    if private:
        return 0o600
    return target.stat().st_mode & 0o777 if target.exists() else 0o666 & ~_umask()


def _sync_folder(folder: Path) -> None:
    with suppress(OSError):  # not every file system can
        handle = os.open(folder, os.O_RDONLY)
        try:
            os.fsync(handle)
        finally:
            os.close(handle)


def _umask() -> int:
    """The mask new files get, read without setting it: other threads make files too."""
    with suppress(OSError, ValueError):
        for line in Path("/proc/self/status").read_text().splitlines():
            if line.startswith("Umask:"):
                return int(line.split()[1], 8)
    return 0o077
